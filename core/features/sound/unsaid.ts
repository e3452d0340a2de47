import { type Traced, deviceName } from '#core/chain'
import type { Want } from '#core/document'
import { Draft, type Proposal } from '#core/propose'
import { listWords } from '#core/words'

/** Recordings and streams of the show that say neither with sound nor silent. */
export const unsaid = ({ plan, chain }: Traced): [string, Want][] =>
  Object.entries(plan.wants).filter(([, { sink, feed, sound, silent }]) => {
    const { model } = chain.nodes.get(sink)!
    return (
      sound === undefined &&
      silent === undefined &&
      (feed === 'program' || feed === 'clean') &&
      model.kind !== 'screen' &&
      model.kind !== 'projector' &&
      Object.values(model.ports).some(port => port.sound)
    )
  })

export const nameOf = (traced: Traced, [, { sink }]: [string, Want]): string => deviceName(traced, sink)

/** What gets there as planned, in words. */
export function heardWords(traced: Traced, open: readonly [string, Want][]): string {
  const some = open.filter(([, { sink }]) => traced.sound.heard.get(sink)?.size)
  if (some.length === 0) return 'no sound gets there'
  return some.length === open.length
    ? 'sound gets there'
    : `sound gets to ${listWords(some.map(want => nameOf(traced, want)))} alone`
}

export function answers(traced: Traced): Proposal[] {
  const open = unsaid(traced)
  const names = listWords(open.map(want => nameOf(traced, want)))
  const say = (field: 'sound' | 'silent') => {
    const draft = new Draft(traced.plan)
    for (const [id] of open) draft.set(['wants', id, field], true)
    return draft.edits
  }
  return [
    { title: `With sound at ${names}`.slice(0, 120), edits: say('sound') },
    { title: `Silent on purpose at ${names}`.slice(0, 120), edits: say('silent') },
  ]
}
