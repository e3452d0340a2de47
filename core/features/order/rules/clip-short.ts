import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { clockSeconds } from '#core/words'

const END_WORDS = { hold: 'its last picture stands still', black: 'it is black', back: 'what was there before is seen' }

export const clipShort = rule({
  code: 'O19',
  about: 'A clip is shorter than the cue that plays it.',
  messages: {
    short: {
      severity: 'R',
      says: '{clip} lasts {length} and is wanted for {wanted} in {cue}: after its end {seen}.',
    },
  },
  find: (traced, say) =>
    short(traced).map(({ id, cue, clip }) =>
      say(
        'short',
        { on: 'cue', cue: id },
        {
          clip: text(clip.title),
          length: text(clockSeconds(clip.lengthS)),
          wanted: text(clockSeconds(cue.lastsS!)),
          cue: text(cue.title),
          seen: text(END_WORDS[clip.end as keyof typeof END_WORDS]),
        },
      ),
    ),
  remedies: (traced, { at }): Proposal[] => {
    const one = short(traced).find(({ id }) => at.on === 'cue' && id === at.cue)
    if (!one) return []
    const { id, cue, clip } = one
    const [loop, end] = [new Draft(traced.plan), new Draft(traced.plan)]
    loop.set(['clips', cue.clip!, 'end'], 'loop')
    end.set(['cues', id, 'lastsS'], clip.lengthS)
    return [
      { title: `End ${cue.title} after ${clockSeconds(clip.lengthS)}`.slice(0, 120), edits: end.edits },
      { title: `Play ${clip.title} again and again`.slice(0, 120), edits: loop.edits },
    ]
  },
})

const short = ({ plan }: Traced) =>
  Object.entries(plan.cues).flatMap(([id, cue]) => {
    const clip = own(plan.clips, cue.clip)
    return clip && clip.end !== 'loop' && cue.lastsS !== undefined && cue.lastsS > clip.lengthS
      ? [{ id, cue, clip }]
      : []
  })
