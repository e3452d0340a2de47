import { feature } from '#core/propose'
import { fewCopies } from './rules/few-copies'
import { noneIsolated } from './rules/none-isolated'

/** What is recorded, on what, and for how long there is room. */
export const media = feature({ id: 'media', rules: [fewCopies, noneIsolated] })
