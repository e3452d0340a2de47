export * from './loss'
