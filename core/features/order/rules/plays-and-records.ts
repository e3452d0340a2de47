import type { Traced } from '#core/chain'
import { type Clip, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

export const playsAndRecords = rule({
  code: 'O12',
  about: 'A recorder is to play a clip and to record at the same time.',
  messages: {
    both: {
      severity: 'D',
      says: '{recorder} is to record the show and to play {clip} in it: it can do one of them.',
    },
  },
  find: (traced, say) =>
    both(traced).map(({ id, clip }) =>
      say(
        'both',
        { on: 'clip', clip: id },
        { recorder: text(traced.plan.devices[clip.player]!.name), clip: text(clip.title) },
      ),
    ),
  remedies: (traced, { at }): Proposal[] => {
    const one = both(traced).find(({ id }) => at.on === 'clip' && id === at.clip)
    if (!one) return []
    const { plan, chain } = traced
    const others = [...chain.nodes.values()]
      .filter(({ id, model }) => model.kind === 'player' && id !== one.clip.player)
      .slice(0, 3)
      .map(({ id, device }): Proposal => {
        const draft = new Draft(plan)
        draft.set(['clips', one.id, 'player'], id)
        return { title: `Play ${one.clip.title} from ${device.name}`.slice(0, 120), edits: draft.edits }
      })
    const draft = new Draft(plan)
    for (const [cue, { clip }] of Object.entries(plan.cues)) if (clip === one.id) draft.set(['cues', cue, 'clip'])
    draft.edits.push({ do: 'remove', collection: 'clips', id: one.id })
    return [...others, { title: `Give up ${one.clip.title}`.slice(0, 120), edits: draft.edits, givesUp: true }]
  },
})

/** Clips that a cue plays from a device which is wanted as a recorder. */
function both({ plan }: Traced): { id: string; clip: Clip }[] {
  const played = new Set(Object.values(plan.cues).map(({ clip }) => clip))
  const recording = new Set(
    Object.values(plan.wants)
      .filter(({ sink }) => plan.models[own(plan.devices, sink)?.model ?? '']?.kind === 'recorder')
      .map(({ sink }) => sink),
  )
  return Object.entries(plan.clips).flatMap(([id, clip]) =>
    played.has(id) && recording.has(clip.player) ? [{ id, clip }] : [],
  )
}
