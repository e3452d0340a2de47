export * from './board'
export * from './reason'
