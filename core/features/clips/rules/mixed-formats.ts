import type { Traced } from '#core/chain'
import { CODING_WORDS, type Clip, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { formatLabel } from '#core/signal'
import { listWords } from '#core/words'
import { playersOf } from '../facts'

export const mixedFormats = rule({
  code: 'O13',
  about:
    'Clips of unlike formats stand in one player, or one is to be transparent and is written in a way that cannot.',
  messages: {
    mixed: {
      severity: 'D',
      says: 'In {player} there is {clips} in {format}, and the rest in {usual}: it stays in one of them, and what is in another is not shown.',
    },
    opaque: {
      severity: 'D',
      says: '{clip} is to carry how solid it is, and {coding} cannot: its key is all there or not at all.',
    },
  },
  find: (traced, say) => [
    ...playersOf(traced).flatMap(({ name, usual, odd }) => {
      const [first] = odd
      if (first === undefined || !usual) return []
      const titled = odd.map(id => own(traced.plan.clips, id)!)
      return [
        say(
          'mixed',
          { on: 'clip', clip: first },
          {
            clips: text(listWords(titled.map(({ title }) => title))),
            player: text(name),
            format: text(listWords([...new Set(titled.map(({ format }) => formatLabel(format!)))])),
            usual: text(formatLabel(usual)),
          },
        ),
      ]
    }),
    ...Object.entries(traced.plan.clips)
      .filter(([, clip]) => isOpaque(clip))
      .map(([id, { title, coding }]) =>
        say('opaque', { on: 'clip', clip: id }, { clip: text(title), coding: text(CODING_WORDS[coding!]) }),
      ),
  ],
  remedies: (traced, { at, says }): Proposal[] => {
    if (says === 'opaque') return at.on === 'clip' ? solid(traced, at.clip) : []
    const one = at.on === 'clip' ? playersOf(traced).find(({ odd }) => odd[0] === at.clip) : undefined
    if (!one?.usual) return []
    const { odd, usual, player } = one
    const convert = new Draft(traced.plan)
    for (const id of odd) convert.set(['clips', id, 'format'], usual)
    const names = listWords(odd.map(id => traced.plan.clips[id]!.title))
    return [
      { title: `Convert ${names} to ${formatLabel(usual)}`.slice(0, 120), edits: convert.edits },
      ...others(traced, player).map(({ id, name }): Proposal => {
        const move = new Draft(traced.plan)
        for (const clip of odd) {
          move.set(['clips', clip, 'player'], id)
          move.set(['clips', clip, 'index'])
        }
        return { title: `Play ${names} from ${name}`.slice(0, 120), edits: move.edits }
      }),
    ]
  },
})

/** It is to be transparent, and how it is written keeps colours alone. */
const isOpaque = ({ alpha, coding }: Clip): boolean =>
  alpha === true && coding !== undefined && coding !== 'intra-alpha'

function solid(traced: Traced, id: string): Proposal[] {
  const clip = own(traced.plan.clips, id)
  if (!clip) return []
  const again = new Draft(traced.plan)
  again.set(['clips', id, 'coding'], 'intra-alpha')
  // Whoever writes it anew sees how large it has become.
  again.set(['clips', id, 'gb'])
  const whole = new Draft(traced.plan)
  whole.set(['clips', id, 'alpha'])
  return [
    { title: `Write ${clip.title} as ${CODING_WORDS['intra-alpha']}`.slice(0, 120), edits: again.edits },
    { title: `Play ${clip.title} as a whole picture`.slice(0, 120), edits: whole.edits },
  ]
}

/** Other players that hold no clip yet. */
const others = (traced: Traced, player: string): { id: string; name: string }[] =>
  [...traced.chain.nodes.values()]
    .filter(
      ({ id, model }) =>
        id !== player && model.kind === 'player' && !Object.values(traced.plan.clips).some(clip => clip.player === id),
    )
    .slice(0, 2)
    .map(({ id, device }) => ({ id, name: device.name }))
