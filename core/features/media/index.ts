export { CODINGS, CODING_WORDS, FILE_SYSTEMS, type RecordCoding } from './collection'
export type { Recording } from './records'
export { lastingText } from './words'
