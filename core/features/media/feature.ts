import { feature } from '#core/propose'
import { MEDIUM_ANCHOR } from './anchors'
import { fewCopies } from './rules/few-copies'
import { lineUp } from './rules/line-up'
import { fileLarge, mediumSlow, mediumSmall } from './rules/medium-fails'
import { noneIsolated } from './rules/none-isolated'

/** What is recorded, on what, and for how long there is room. */
export const media = feature({
  id: 'media',
  anchors: [MEDIUM_ANCHOR],
  rules: [fewCopies, noneIsolated, mediumSmall, mediumSlow, fileLarge, lineUp],
})
