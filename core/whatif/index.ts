export * from './loss'
export * from './why'
export * from './inside'
