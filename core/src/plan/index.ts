export { fillingOrder } from './channels'
export { plan } from './plan'
export * from './request'
