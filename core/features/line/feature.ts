import { feature } from '#core/propose'
import { DESTINATION_ANCHOR, UPLINK_ANCHOR } from './anchors'
import { encoderTwice } from './rules/encoder-twice'
import { noTestStream } from './rules/no-test-stream'
import { allowanceSpent, oneUplink, uplinkSmall } from './rules/uplink-short'

/** The way out of the house: streams, what they need, and what is tried before. */
export const line = feature({
  id: 'line',
  anchors: [UPLINK_ANCHOR, DESTINATION_ANCHOR],
  rules: [encoderTwice, noTestStream, uplinkSmall, oneUplink, allowanceSpent],
})
