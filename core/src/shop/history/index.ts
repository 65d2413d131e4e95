export * from './changed'
export * from './difference'
export * from './takeBack'
