import { own, type Plan } from '#core/document'
import type { Wire } from '#core/chain'
import { Draft, type Proposal } from '#core/propose'

interface Box {
  /** A row with one socket `in` and one `out`. */
  readonly model: string
  readonly name: string
  /** The short lead from it to the input. */
  readonly lead: string
  /** What is set on it. */
  readonly ports?: NonNullable<Plan['devices'][string]['ports']>
}

/** A box right before the input of a lead; the lead that is there goes to the box. */
export function boxBefore(plan: Plan, { id, link }: Wire, { model, name, lead, ports }: Box, title: string): Proposal {
  const draft = new Draft(plan)
  const place = own(plan.devices, link.to!.device)?.place
  const box = draft.device({
    model: draft.model(model),
    name: name.slice(0, 120),
    order: draft.lastOrder,
    ...(place === undefined ? {} : { place }),
    ...(ports ? { ports } : {}),
  })
  draft.move(id, 'to', { device: box, port: 'in' })
  draft.connect({ from: { device: box, port: 'out' }, to: link.to!, cable: draft.lead(lead), pieces: [1] })
  return { title: title.slice(0, 120), edits: draft.edits }
}

/** The same thing by another row of the catalogue that has the sockets in use. */
export function asModel(plan: Plan, device: string, model: string, title: string): Proposal {
  const draft = new Draft(plan)
  draft.set(['devices', device, 'model'], draft.model(model))
  return { title: title.slice(0, 120), edits: draft.edits }
}
