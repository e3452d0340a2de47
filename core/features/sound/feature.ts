import { feature } from '#core/propose'
import { followsAlone } from './rules/follows-alone'
import { levelDiffers } from './rules/level-differs'
import { lipSync } from './rules/lip-sync'
import { silent } from './rules/silent'
import { unbalancedTooLong } from './rules/unbalanced-too-long'

export const sound = feature({
  id: 'sound',
  rules: [silent, followsAlone, levelDiffers, lipSync, unbalancedTooLong],
})
