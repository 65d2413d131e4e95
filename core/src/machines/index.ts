export * from './parts'
export * from './slots'
export * from './starting'
export * from './startingPoints'
