import { feature } from '#core/propose'
import { fillAlone } from './rules/fill-alone'
import { keyersShort } from './rules/keyers-short'
import { pairApart } from './rules/pair-apart'

export const keys = feature({ id: 'keys', rules: [fillAlone, pairApart, keyersShort] })
