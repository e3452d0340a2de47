import { feature } from '#core/propose'
import { noTestStream } from './rules/no-test-stream'

/** The way out of the house: streams, what they need, and what is tried before. */
export const line = feature({ id: 'line', rules: [noTestStream] })
