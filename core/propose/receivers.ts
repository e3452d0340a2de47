import { MODELS, type Model, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, socketKey } from '#core/chain'
import { type Edit, type Plan, own, placeAt, receiverAt } from '#core/document'
import { Draft } from './draft'

/**
 * The box at the other end of a radio link: a row of the plan or of the catalogue; undefined where the link's row is both.
 * A row that was copied into a plan before its link had two boxes has that of the catalogue's.
 */
export function receiverRow(
  { models }: Pick<Plan, 'models'>,
  { receiver, from }: Pick<Model, 'receiver' | 'from'>,
): { readonly id: string; readonly row: Model } | undefined {
  const named =
    receiver ?? (from === undefined ? undefined : [...MODELS.values()].find(row => row.from === from)?.receiver)
  const row = named === undefined ? undefined : (own(models, named) ?? MODELS.get(named))
  return row?.kind === 'receiver' ? { id: named!, row } : undefined
}

/** Puts in the receiver of a radio link at a place, on the first circuit that has outlets there. */
export function receiverFor(draft: Draft, radio: Model, name: string, place: string | undefined): string | undefined {
  const box = receiverRow(draft.plan, radio)
  if (!box) return undefined
  const id = draft.device({
    model: draft.model(box.id),
    name: `Receiver of ${name}`.slice(0, 120),
    order: draft.lastOrder,
    ...(place === undefined ? {} : { place }),
  })
  const circuit = Object.keys(draft.plan.circuits).find(
    one => place !== undefined && draft.plan.circuits[one]!.places?.includes(place),
  )
  if (circuit !== undefined) draft.set(['circuits', circuit, 'loads', id], true)
  return id
}

/** The receivers of a radio link that are devices of the plan. */
export const receiversOf = ({ devices }: Pick<Plan, 'devices'>, radio: string): string[] =>
  Object.values(own(devices, radio)?.ports ?? {}).flatMap(({ receiver }) => (own(devices, receiver) ? [receiver!] : []))

/** Changes the receivers with their link. */
export function swapReceivers(draft: Draft, { id }: DeviceNode, radio: Model): void {
  const box = receiverRow(draft.plan, radio)
  if (box) for (const one of receiversOf(draft.plan, id)) draft.set(['devices', one, 'model'], draft.model(box.id))
}

/** The edits that put in the receivers that a radio link lacks, each where the cable from it leads. */
export function receiverEdits({ plan, chain }: Pick<Traced, 'plan' | 'chain'>, radio: string): Edit[] {
  const { model, device } = chain.nodes.get(radio)!
  const draft = new Draft(plan)
  for (const [port] of portsOf(model, 'out')) {
    if (receiverAt(plan, { device: radio, port })) continue
    const to = chain.leaving.get(socketKey(radio, port))?.[0]?.link.to
    const box = receiverFor(draft, model, device.name, to && placeAt(plan, to))
    if (box !== undefined) draft.set(['devices', radio, 'ports', port, 'receiver'], box)
  }
  return draft.edits
}
