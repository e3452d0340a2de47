import { feature } from '#core/propose'
import { COMMANDS } from './commands'
import { allByRadio } from './rules/all-by-radio'
import { autoOff } from './rules/auto-off'
import { singlePoint } from './rules/single-point'

export const continuity = feature({
  id: 'continuity',
  commands: COMMANDS,
  rules: [autoOff, singlePoint, allByRadio],
})
