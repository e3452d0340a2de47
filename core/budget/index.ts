export * from './cost'
export * from './kit'
