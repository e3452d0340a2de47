import { feature } from '#core/propose'
import { flicker } from './rules/flicker'
import { rasterLost } from './rules/raster-lost'
import { rateAsked } from './rules/rate-asked'
import { notTheStandard } from './rules/not-the-standard'

export const standard = feature({
  id: 'standard',
  rules: [rasterLost, flicker, rateAsked, notTheStandard],
})
