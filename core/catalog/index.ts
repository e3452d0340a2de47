export * from './model'
export * from './models'
