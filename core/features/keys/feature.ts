import { feature } from '#core/propose'
import { OVERLAY_ANCHOR } from './anchors'
import { boxTied } from './rules/box-tied'
import { cleanCovered } from './rules/clean-covered'
import { darkParts } from './rules/dark-parts'
import { edgesEaten } from './rules/edges-eaten'
import { fillAlone } from './rules/fill-alone'
import { flagUnlike } from './rules/flag-wrong'
import { groundLit } from './rules/ground-lit'
import { invertMissing } from './rules/invert-missing'
import { keyerTwice } from './rules/keyer-twice'
import { keyersShort } from './rules/keyers-short'
import { linkHeld } from './rules/link-held'
import { overlayUnder } from './rules/overlay-under'
import { pairApart } from './rules/pair-apart'
import { penLoop } from './rules/pen-loop'
import { twoContents } from './rules/two-contents'
import { wordsCovered } from './rules/words-covered'
import { wordsOutside } from './rules/words-outside'
import { wordsPale } from './rules/words-pale'

export const keys = feature({
  id: 'keys',
  anchors: [OVERLAY_ANCHOR],
  rules: [
    fillAlone,
    pairApart,
    flagUnlike,
    darkParts,
    groundLit,
    keyersShort,
    keyerTwice,
    boxTied,
    overlayUnder,
    invertMissing,
    edgesEaten,
    wordsPale,
    wordsOutside,
    cleanCovered,
    linkHeld,
    twoContents,
    wordsCovered,
    penLoop,
  ],
})
