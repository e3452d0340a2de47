import { feature } from '#core/propose'
import { MEASURES } from './measures'
import { kitShort } from './rules/kit-short'

export const kit = feature({
  id: 'kit',
  measures: MEASURES,
  rules: [kitShort],
})
