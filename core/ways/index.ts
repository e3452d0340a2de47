export * from './draft'
export * from './ways'
export * from './search'
