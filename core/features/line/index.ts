export { LINE_KINDS } from './collection'
export { ENOUGH_SAMPLES, type EncoderLoad, type LineLoad } from './load'
