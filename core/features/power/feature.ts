import { feature } from '#core/propose'
import { CIRCUIT_ANCHOR } from './anchors'
import { MEASURES } from './measures'
import { circuitList } from './paper'
import { CURRENT_QUANTITY } from './quantities'
import { circuitOverloaded } from './rules/circuit-overloaded'

export const power = feature({
  id: 'power',
  anchors: [CIRCUIT_ANCHOR],
  quantities: [CURRENT_QUANTITY],
  measures: MEASURES,
  papers: [circuitList],
  rules: [circuitOverloaded],
})
