import type { Traced } from '#core/chain'
import { text } from '#core/kernel'
import { LIMITS } from '#core/picture'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Judged, contrastOf, contrastOn, faultOf, firstsOf, judgedOf, photographsUnder, wordsOf } from '../judged'
import { EDGE_WORDS } from '../edges'
import { byPair } from '../mend'
import { without } from '../offers'

export const wordsPale = rule({
  code: 'K12',
  about: 'Words may be as bright as the picture behind them: they are not read then.',
  messages: {
    measured: {
      severity: 'Q',
      says: 'Over the photograph {photograph} the words of {overlay} have a contrast of {contrast} to 1 to what lies behind them; 3 is the least that is read.',
    },
    moving: {
      severity: 'Q',
      says: 'Over the photograph {photograph} the words of {overlay} have a contrast of {contrast} to 1 while they come from {edge}; 3 is the least that is read.',
    },
    pale: {
      severity: 'Q',
      says: 'Over some pictures the words of {overlay} have a contrast of {contrast} to 1 to what lies behind them; 3 is the least that is read.',
    },
  },
  find: (traced, say) =>
    firstsOf(traced, isPale(traced)).map(judged => {
      const measured = measuredOn(traced, judged)
      return say(
        measured ? (measured.moving ? 'moving' : 'measured') : 'pale',
        { on: 'overlay', overlay: judged.id },
        {
          overlay: text(judged.title),
          contrast: text((measured?.contrast ?? leastContrast(judged)!).toFixed(1)),
          photograph: text(measured?.photograph.title ?? ''),
          edge: text(measured?.moving ? EDGE_WORDS[measured.moving] : ''),
        },
      )
    }),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isPale(traced))
    return judged ? [...standingStill(traced, judged), ...byPair(traced, judged), without(traced, judged.laid)] : []
  },
})

/** At its place from the first frame on. */
function standingStill({ plan }: Traced, { id, laid: { overlay } }: Judged): Proposal[] {
  if (!overlay.comesFrom) return []
  const draft = new Draft(plan)
  draft.set(['overlays', id, 'comesFrom'])
  return [{ title: `Let ${overlay.title} come up where it stands`.slice(0, 120), edits: draft.edits }]
}

/** Of words that are cut away nothing is said: what took them is. */
function readable(judged: Judged): boolean {
  const fault = faultOf(judged)
  return fault !== 'dark' && fault !== 'eaten' && fault !== 'invert'
}

const aboutOf = ({ laid, cut, misread, weights }: Judged) => ({ overlay: laid.overlay, cut, misread, weights })

function leastContrast(judged: Judged): number | undefined {
  const known = wordsOf(judged.graphic).flatMap(([, word]) => contrastOf(aboutOf(judged), word) ?? [])
  return known.length ? Math.min(...known) : undefined
}

/** Where photographs are given, words are judged over these; else over any picture that there may be. */
const measuredOn = (traced: Traced, judged: Judged) =>
  contrastOn(
    aboutOf(judged),
    wordsOf(judged.graphic).map(([, word]) => word),
    photographsUnder(traced, judged.laid),
  )

const isPale =
  (traced: Traced) =>
  (judged: Judged): boolean => {
    const guaranteed = leastContrast(judged)
    if (!readable(judged) || guaranteed === undefined || guaranteed >= LIMITS.contrast) return false
    return (measuredOn(traced, judged)?.contrast ?? guaranteed) < LIMITS.contrast
  }
