import { feature } from '#core/propose'
import { OVERLAY_ANCHOR } from './anchors'
import { boxTied } from './rules/box-tied'
import { cleanCovered } from './rules/clean-covered'
import { fillAlone } from './rules/fill-alone'
import { keyerTwice } from './rules/keyer-twice'
import { keyersShort } from './rules/keyers-short'
import { linkHeld } from './rules/link-held'
import { overlayUnder } from './rules/overlay-under'
import { pairApart } from './rules/pair-apart'
import { twoContents } from './rules/two-contents'

export const keys = feature({
  id: 'keys',
  anchors: [OVERLAY_ANCHOR],
  rules: [fillAlone, pairApart, keyersShort, keyerTwice, boxTied, overlayUnder, cleanCovered, linkHeld, twoContents],
})
