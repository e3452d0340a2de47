export * from './rate'
export * from './format'
export * from './link-rate'
export * from './connector'
