import type { Traced } from '#core/chain'
import { freshId, own } from '#core/document'
import { Draft, type Proposal, runsTo } from '#core/propose'
import { AUDIO_MBPS, linesOf } from './load'

/** Encoders that a picture comes to and that no destination names, where the plan names any. */
export const idle = (traced: Traced) =>
  Object.keys(traced.plan.destinations).length === 0
    ? []
    : linesOf(traced).encoders.filter(
        ({ device, sending }) =>
          sending.length > 0 &&
          sending.every(({ destination }) => destination === undefined) &&
          runsTo(traced, device).some(({ lit }) => lit),
      )

export const lost = ({ plan }: Traced) =>
  Object.entries(plan.destinations).filter(([, { encoder }]) => own(plan.devices, encoder) === undefined)

/** From an encoder that has none yet, or not at all. */
export function regained(traced: Traced, id: string): Proposal[] {
  const one = own(traced.plan.destinations, id)
  if (!one) return []
  const others = linesOf(traced).encoders.filter(({ sending }) =>
    sending.every(({ destination }) => destination === undefined),
  )
  return [
    ...others.slice(0, 2).map(({ device, name }): Proposal => {
      const draft = new Draft(traced.plan)
      draft.set(['destinations', id, 'encoder'], device)
      return { title: `Send to ${one.title} from ${name}`.slice(0, 120), edits: draft.edits }
    }),
    {
      title: `Send to ${one.title} no more`.slice(0, 120),
      edits: [{ do: 'remove', collection: 'destinations', id }],
    },
  ]
}

/** A destination for an encoder that has none: one that lost its own, or one more, to be named. */
export function named(traced: Traced, encoder: string): Proposal[] {
  const load = idle(traced).find(({ device }) => device === encoder)
  if (!load) return []
  // What it is taken to send anyhow becomes a destination, which then is named.
  const id = freshId('destination', traced.plan.destinations, () => 0.5)
  const order = 1 + Math.max(0, ...Object.values(traced.plan.destinations).map(one => one.order))
  const mbps = Math.max(0.5, Math.round((load.mbps - AUDIO_MBPS) * 10) / 10)
  return [
    ...lost(traced)
      .slice(0, 2)
      .map(([destination, { title }]): Proposal => {
        const draft = new Draft(traced.plan)
        draft.set(['destinations', destination, 'encoder'], load.device)
        return { title: `Send to ${title} from ${load.name}`.slice(0, 120), edits: draft.edits }
      }),
    {
      title: `Name a destination of ${load.name}`.slice(0, 120),
      edits: [
        {
          do: 'add',
          collection: 'destinations',
          id,
          value: { title: 'Another destination', order, encoder: load.device, videoMbps: mbps },
        },
      ],
    },
  ]
}
