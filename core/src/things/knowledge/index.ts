export * from './times'
