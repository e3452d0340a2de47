import { feature } from '#core/propose'
import { allByRadio } from './rules/all-by-radio'
import { autoOff } from './rules/auto-off'
import { singlePoint } from './rules/single-point'

export const continuity = feature({
  id: 'continuity',
  rules: [autoOff, singlePoint, allByRadio],
})
