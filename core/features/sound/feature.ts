import { feature } from '#core/propose'
import { lipSync } from './rules/lip-sync'
import { silent } from './rules/silent'
import { unbalancedTooLong } from './rules/unbalanced-too-long'

export const sound = feature({
  id: 'sound',
  rules: [silent, lipSync, unbalancedTooLong],
})
