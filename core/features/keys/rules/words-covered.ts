import type { Traced } from '#core/chain'
import type { Box } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { allJudged, standing, wordsOf } from '../judged'
import { type Laid, allLaid } from '../laid'
import { without } from '../offers'

export const wordsCovered = rule({
  code: 'K18',
  about: 'A picture in a box covers words of another overlay.',
  messages: {
    covered: { severity: 'Q', says: '{box} covers words of {overlay} wherever both are shown.' },
  },
  find: (traced, say) =>
    insets(traced).flatMap(inset => {
      const under = covered(traced, inset, inset.overlay.box!)
      return under
        ? [
            say(
              'covered',
              { on: 'overlay', overlay: inset.id },
              { box: text(inset.overlay.title), overlay: text(under.overlay.title) },
            ),
          ]
        : []
    }),
  remedies: (traced, { at }) => {
    const inset = at.on === 'overlay' ? insets(traced).find(({ id }) => id === at.overlay) : undefined
    return inset ? [...freeCorners(traced, inset), without(traced, inset)] : []
  },
})

const insets = (traced: Traced): Laid[] =>
  allLaid(traced).filter(({ overlay: { kind, box } }) => (kind === 'box' || kind === 'pattern') && box !== undefined)

/** Segments in common; overlays that name none are used in all. */
const together = (a: Laid, b: Laid): boolean =>
  a.node?.id === b.node?.id &&
  (a.overlay.segments === undefined ||
    b.overlay.segments === undefined ||
    a.overlay.segments.some(segment => b.overlay.segments!.includes(segment)))

const meets = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h

/** An overlay whose words lie under a box. */
function covered(traced: Traced, inset: Laid, box: Box): Laid | undefined {
  return allJudged(traced).find(
    ({ laid, graphic }) =>
      laid.id !== inset.id &&
      together(laid, inset) &&
      wordsOf(graphic).some(([, word]) => meets(standing(laid.overlay, word), box)),
  )?.laid
}

/** Where an inset stands clear of a corner's edges, a share of the picture. */
const CLEAR = 0.05

function freeCorners(traced: Traced, inset: Laid): Proposal[] {
  const { w, h } = inset.overlay.box!
  const [left, right, top, bottom] = [CLEAR, 1 - CLEAR - w, CLEAR, 1 - CLEAR - h]
  const corners: [string, number, number][] = [
    ['upper right', right, top],
    ['upper left', left, top],
    ['lower right', right, bottom],
    ['lower left', left, bottom],
  ]
  return corners.flatMap(([words, x, y]) => {
    const box = { x: Number(x.toFixed(4)), y: Number(y.toFixed(4)), w, h }
    if (x < 0 || y < 0 || covered(traced, inset, box)) return []
    const draft = new Draft(traced.plan)
    draft.set(['overlays', inset.id, 'box'], box)
    return [{ title: `Move ${inset.overlay.title} to the ${words} corner`.slice(0, 120), edits: draft.edits }]
  })
}
