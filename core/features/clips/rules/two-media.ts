import { type Traced, deviceName } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure, listWords } from '#core/words'
import { type Split, playersOf, splitSets } from '../facts'

export const twoMedia = rule({
  code: 'O14',
  about:
    'Clips that are needed together lie on two media, of which a player reads one; or do not fit the one that they are on.',
  messages: {
    split: {
      severity: 'R',
      says: '{segment} plays {clips} from {player}, and they lie on {media}: it reads one of them at a time.',
    },
    full: {
      severity: 'R',
      says: 'The clips on {medium} are {used} together, and it holds {holds}.',
    },
  },
  find: (traced, say) => [
    ...firsts(traced).map(({ segment, player, media, clips }) =>
      say(
        'split',
        { on: 'segment', id: segment },
        {
          segment: text(traced.plan.segments[segment]!.title),
          clips: text(listWords(clips.map(id => traced.plan.clips[id]!.title))),
          player: text(deviceName(traced, player)),
          media: text(listWords(media.map(id => own(traced.plan.media, id)?.title ?? id))),
        },
      ),
    ),
    ...full(traced).map(({ id, title, gb, usedGb }) =>
      say(
        'full',
        { on: 'medium', medium: id },
        { medium: text(title), used: text(`${figure(usedGb, 1)}\u00A0GB`), holds: text(`${figure(gb, 1)}\u00A0GB`) },
      ),
    ),
  ],
  remedies: (traced, { at }): Proposal[] => {
    if (at.on === 'medium') return larger(traced, at.medium)
    const one = at.on === 'segment' ? firsts(traced).find(({ segment }) => segment === at.id) : undefined
    return one ? repack(traced, one) : []
  },
})

/** One a segment. */
const firsts = (traced: Traced): Split[] => {
  const seen = new Set<string>()
  return splitSets(traced).filter(({ segment }) => !seen.has(segment) && seen.add(segment))
}

const full = (traced: Traced) => playersOf(traced).flatMap(({ media }) => media.filter(({ gb, usedGb }) => usedGb > gb))

/** Sizes that are sold, GB. */
const SIZES_GB = [32, 64, 128, 256, 512, 1000, 2000, 4000, 8000] as const

/** All on one of them, or on a larger one in its place. */
function repack(traced: Traced, { media, clips }: Split): Proposal[] {
  const { plan } = traced
  return media.flatMap((id): Proposal[] => {
    const medium = own(plan.media, id)
    const sum = Object.entries(plan.clips).reduce(
      (gb, [clip, one]) => gb + (one.medium === id || clips.includes(clip) ? (one.gb ?? 0) : 0),
      0,
    )
    const size = !medium || sum <= medium.gb ? undefined : SIZES_GB.find(gb => gb >= sum)
    if (!medium || (sum > medium.gb && size === undefined)) return []
    const draft = new Draft(plan)
    if (size !== undefined) draft.set(['media', id, 'gb'], size)
    for (const clip of clips) draft.set(['clips', clip, 'medium'], id)
    return [
      {
        title: `Put them all on ${medium.title}${size === undefined ? '' : `, with ${size}\u00A0GB`}`.slice(0, 120),
        edits: draft.edits,
      },
    ]
  })
}

function larger(traced: Traced, id: string): Proposal[] {
  const one = full(traced).find(medium => medium.id === id)
  const size = one && SIZES_GB.find(gb => gb >= one.usedGb)
  if (!one || size === undefined) return []
  const draft = new Draft(traced.plan)
  draft.set(['media', id, 'gb'], size)
  return [{ title: `Take one of ${size}\u00A0GB for ${one.title}`.slice(0, 120), edits: draft.edits }]
}
