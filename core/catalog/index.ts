export * from './model'
export * from './models'
export * from './table'
export * from './constraints'
