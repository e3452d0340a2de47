export * from './cost'
