import { feature } from '#core/propose'
import { inputsFull } from './rules/inputs-full'
import { spareInputs } from './rules/spare-inputs'
import { nameTwice } from './rules/name-twice'

export const inputs = feature({
  id: 'inputs',
  rules: [inputsFull, spareInputs, nameTwice],
})
