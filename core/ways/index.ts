export * from './draft'
export * from './ways'
