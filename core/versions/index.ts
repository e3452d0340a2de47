export * from './compare'
