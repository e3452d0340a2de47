export { LINE_KINDS } from './collection'
export { ENOUGH_SAMPLES } from './load'
