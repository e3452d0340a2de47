import { feature } from '#core/propose'
import { flashes } from './rules/flashes'
import { mixedFormats } from './rules/mixed-formats'
import { staleCall } from './rules/stale-call'
import { twoMedia } from './rules/two-media'

/** What is played from lists: formats, order, and the media that it lies on. */
export const clips = feature({
  id: 'clips',
  rules: [mixedFormats, twoMedia, staleCall, flashes],
})
