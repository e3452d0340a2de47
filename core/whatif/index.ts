export * from './loss'
export * from './why'
