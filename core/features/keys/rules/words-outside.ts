import { length, text } from '#core/kernel'
import { LIMITS } from '#core/picture'
import { Draft, type Proposal, rule } from '#core/propose'
import type { Traced } from '#core/chain'
import { figure, percent } from '#core/words'
import { type Hall, READ_FROM, hallsOf, isRead } from '../halls'
import { type Judged, firstsOf, judgedOf, standing, wordsOf } from '../judged'
import { type Laid, allLaid } from '../laid'
import { through } from '../masked'
import { without } from '../offers'

export const wordsOutside = rule({
  code: 'K13',
  about: 'Words stand outside of the safe part of the picture, or are too small to be read on a phone.',
  messages: {
    outside: {
      severity: 'Q',
      says: 'Words of {overlay} stand outside of the middle 90\u00A0% of the picture: a screen may cut them off.',
    },
    masked: {
      severity: 'Q',
      apart: true,
      says: 'Words of {overlay} stand outside of its mask: they are cut away.',
    },
    nothing: {
      severity: 'Q',
      apart: true,
      says: 'Nothing of {overlay} comes through its mask: it is never seen.',
    },
    small: {
      severity: 'Q',
      apart: true,
      says: 'The letters of {overlay} are {height} of the picture high: below 4\u00A0% they are not read on a phone.',
    },
    far: {
      severity: 'Q',
      apart: true,
      says: 'The letters of {overlay} are {size} high on {screen}: from its last row, {distance} away, {needed} are read.',
    },
  },
  find: (traced, say) => [
    ...(['outside', 'masked', 'small'] as const).flatMap(what =>
      firstsOf(traced, FAULTS[what]).map(judged =>
        say(
          what,
          { on: 'overlay', overlay: judged.id },
          { overlay: text(judged.title), height: text(percent(leastLetters(judged) ?? 0)) },
        ),
      ),
    ),
    ...firstsOf(traced, tooFar(traced)).map(judged => {
      const hall = worstHall(traced, judged)!
      return say(
        'far',
        { on: 'overlay', overlay: judged.id },
        {
          overlay: text(judged.title),
          screen: text(hall.name),
          size: text(millimetres(leastLetters(judged)! * hall.heightM)),
          distance: length(hall.lastM),
          needed: text(millimetres(hall.lastM / READ_FROM)),
        },
      )
    }),
    ...unseen(traced).map(({ id, overlay }) =>
      say('nothing', { on: 'overlay', overlay: id }, { overlay: text(overlay.title) }),
    ),
  ],
  remedies: (traced, { at, says }) => {
    if (says === 'nothing') {
      const laid = unseen(traced).find(({ id }) => at.on === 'overlay' && id === at.overlay)
      return laid ? [...opened(traced, laid), without(traced, laid)] : []
    }
    const what = says as keyof typeof FAULTS | 'far'
    const judged = judgedOf(traced, at, what === 'far' ? tooFar(traced) : FAULTS[what])
    if (!judged) return []
    const mend = { outside: inside, masked: unmasked, small: whole, far: whole }[what]
    return [...mend(traced, judged), without(traced, judged.laid)]
  },
})

const EDGE = (1 - LIMITS.safe) / 2
/** Rounding of shares. */
const CLOSE = 1e-6

function isOutside({ laid: { overlay }, graphic }: Judged): boolean {
  return wordsOf(graphic).some(([, word]) => {
    const { x, y, w, h } = standing(overlay, word)
    return Math.min(x, y) < EDGE - CLOSE || Math.max(x + w, y + h) > 1 - EDGE + CLOSE
  })
}

function isMasked({ laid: { overlay }, graphic }: Judged): boolean {
  const { mask } = overlay
  if (!mask || through(overlay) === 'nothing') return false
  return wordsOf(graphic).some(([, word]) => {
    const { x, y, w, h } = standing(overlay, word)
    return (
      x < mask.x - CLOSE || y < mask.y - CLOSE || x + w > mask.x + mask.w + CLOSE || y + h > mask.y + mask.h + CLOSE
    )
  })
}

const isSmall = (judged: Judged): boolean => (leastLetters(judged) ?? 1) < LIMITS.letters
const FAULTS = { outside: isOutside, masked: isMasked, small: isSmall }
/** The screen from whose last row its letters are hardest to read. */
function worstHall(traced: Traced, judged: Judged): Hall | undefined {
  const letters = leastLetters(judged)
  const far = letters === undefined ? [] : hallsOf(traced, judged.laid).filter(hall => !isRead(letters, hall))
  return far.sort((a, b) => a.heightM / a.lastM - b.heightM / b.lastM)[0]
}
const tooFar = (traced: Traced) => (judged: Judged) => worstHall(traced, judged) !== undefined
const millimetres = (m: number): string => `${figure(m * 1000, 0)}\u00A0mm`
/** Overlays of which a mask lets nothing through, whether their picture is known or not. */
const unseen = (traced: Traced): Laid[] => allLaid(traced).filter(({ overlay }) => through(overlay) === 'nothing')

/** The mask as large as the words need, or gone. */
function unmasked({ plan }: Traced, { id, laid: { overlay }, graphic }: Judged): Proposal[] {
  const mask = overlay.mask!
  const all = wordsOf(graphic).map(([, word]) => standing(overlay, word))
  const round = (value: number) => Number(value.toFixed(4))
  const x = Math.min(mask.x, ...all.map(word => Math.floor(word.x * 1e4) / 1e4))
  const y = Math.min(mask.y, ...all.map(word => Math.floor(word.y * 1e4) / 1e4))
  const right = Math.max(mask.x + mask.w, ...all.map(word => Math.ceil((word.x + word.w) * 1e4) / 1e4))
  const below = Math.max(mask.y + mask.h, ...all.map(word => Math.ceil((word.y + word.h) * 1e4) / 1e4))
  const larger = new Draft(plan)
  larger.set(['overlays', id, 'mask'], { x, y, w: round(Math.min(1, right) - x), h: round(Math.min(1, below) - y) })
  const gone = new Draft(plan)
  gone.set(['overlays', id, 'mask'])
  return [
    { title: `Let the words of ${overlay.title} through its mask`.slice(0, 120), edits: larger.edits },
    { title: `Take the mask off ${overlay.title}`.slice(0, 120), edits: gone.edits },
  ]
}

/** No mask, or one over the part of the picture in which it lies. */
function opened({ plan }: Traced, { id, overlay }: Laid): Proposal[] {
  const over = new Draft(plan)
  if (overlay.box) over.set(['overlays', id, 'mask'], overlay.box)
  const gone = new Draft(plan)
  gone.set(['overlays', id, 'mask'])
  return [
    { title: `Take the mask off ${overlay.title}`.slice(0, 120), edits: gone.edits },
    ...(overlay.box
      ? [{ title: `Lay the mask of ${overlay.title} where it stands`.slice(0, 120), edits: over.edits }]
      : []),
  ]
}

/** Height of the smallest letters, a share of the picture's. */
function leastLetters({ laid: { overlay }, graphic }: Judged): number | undefined {
  const known = wordsOf(graphic).flatMap(([, { letters }]) => (letters ? [letters * (overlay.box?.h ?? 1)] : []))
  return known.length ? Math.min(...known) : undefined
}

/** Its box moved, or made smaller, until its words stand inside. */
function inside({ plan }: Traced, { id, laid: { overlay }, graphic }: Judged): Proposal[] {
  const words = wordsOf(graphic).map(([, word]) => word)
  const box = overlay.box ?? { x: 0, y: 0, w: 1, h: 1 }
  const axis = (from: 'x' | 'y', size: 'w' | 'h') => {
    const low = Math.min(...words.map(word => word[from]))
    const high = Math.max(...words.map(word => word[from] + word[size]))
    // The words fit into the safe part, and can be pushed there without the box leaving the picture.
    const scale = Math.min(box[size], LIMITS.safe / (high - low), (1 - EDGE) / (1 - low), (1 - EDGE) / high)
    return { scale, low, high }
  }
  const [across, down] = [axis('x', 'w'), axis('y', 'h')]
  const share = Math.min(across.scale / box.w, down.scale / box.h)
  const place = (at: number, length: number, { low, high }: { low: number; high: number }) => {
    // First where the words stand inside, then within the picture.
    const inner = Math.min(1 - EDGE - high * length, Math.max(EDGE - low * length, at))
    return Math.min(1 - length, Math.max(0, inner))
  }
  const round = (value: number) => Number(value.toFixed(6))
  const [w, h] = [round(box.w * share), round(box.h * share)]
  const draft = new Draft(plan)
  draft.set(['overlays', id, 'box'], { x: round(place(box.x, w, across)), y: round(place(box.y, h, down)), w, h })
  return [{ title: `Move ${overlay.title} into the safe part`.slice(0, 120), edits: draft.edits }]
}

/** Over the whole picture, where it was made smaller. */
function whole({ plan }: Traced, { id, laid: { overlay } }: Judged): Proposal[] {
  if (!overlay.box) return []
  const draft = new Draft(plan)
  draft.set(['overlays', id, 'box'])
  return [{ title: `Show ${overlay.title} over the whole picture`.slice(0, 120), edits: draft.edits }]
}
