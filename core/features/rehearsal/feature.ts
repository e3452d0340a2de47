import { feature } from '#core/propose'
import { MACRO_ANCHOR } from './anchors'
import { buttonLate } from './rules/button-late'
import { lampUngated } from './rules/lamp-ungated'
import { notBefore } from './rules/not-before'
import { stageMissing } from './rules/stage-missing'
import { stillRuns } from './rules/still-runs'

export const rehearsal = feature({
  id: 'rehearsal',
  anchors: [MACRO_ANCHOR],
  rules: [buttonLate, stageMissing, lampUngated, notBefore, stillRuns],
})
