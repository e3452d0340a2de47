export { WHAT_IS_RIGHT } from './right'
export * from './words'
