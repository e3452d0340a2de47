export * from './cable'
export * from './reach'
export * from './stock'
export * from './leads'
