import type { DeviceNode, Traced } from '#core/chain'
import { hangingOn, own, receiverAt } from '#core/document'
import { fact } from '#core/kernel'
import { fedByPoe } from './poe'

/** A device that nothing of the plan feeds, and the place where there is no outlet. */
export interface Unsupplied {
  readonly node: DeviceNode
  readonly place: string
}

/** Places with outlets; undefined until somebody says where outlets are: then nothing is known of any place. */
function outletsOf(plan: Traced['plan']): ReadonlySet<string> | undefined {
  const circuits = Object.values(plan.circuits)
  return circuits.some(({ places }) => places !== undefined)
    ? new Set(circuits.flatMap(({ places = [] }) => places))
    : undefined
}

/** Radio links with a cable in an output whose receiver is no device of the plan. Linear in links. */
export function withoutReceiver({ plan, chain }: Traced): DeviceNode[] {
  if (!outletsOf(plan)) return []
  const found = new Set<DeviceNode>()
  for (const { from } of chain.wires.values())
    if (from?.node.model.kind === 'radio' && !receiverAt(plan, { device: from.node.id, port: from.portId }))
      found.add(from.node)
  return [...found]
}

const unsuppliedFact = fact<Traced, readonly Unsupplied[]>('devices without supply', traced => {
  const { plan, chain } = traced
  const outlets = outletsOf(plan)
  if (!outlets) return []
  const plugged = new Set(Object.keys(plan.circuits).flatMap(id => [...hangingOn(plan, id)]))
  const overLead = fedByPoe(traced)
  const onBattery = new Set(
    Object.values(plan.batteries).flatMap(({ loads = {} }) => Object.keys(loads).filter(id => own(plan.devices, id))),
  )
  const has = ({ id, model }: DeviceNode): boolean =>
    model.supply === 'none' || model.supply === 'battery' || plugged.has(id) || overLead.has(id) || onBattery.has(id)
  const dark = [...chain.nodes.values()].flatMap((node): Unsupplied[] => {
    const { place } = node.device
    // What is housed in another device lives on it.
    if (place === undefined || outlets.has(place) || has(node) || node.device.in !== undefined) return []
    return node.model.watts > 0 ? [{ node, place }] : []
  })
  const darkIds = new Set(dark.map(({ node }) => node.id))
  // USB comes from any device at its place that is fed itself and gives some.
  const gives = (place: string): boolean =>
    [...chain.nodes.values()].some(
      ({ id, model, device }) =>
        device.place === place &&
        !darkIds.has(id) &&
        model.watts >= GIVES_USB_W &&
        (model.kind === 'computer' || model.kind === 'screen'),
    )
  return dark.filter(({ node, place }) => node.model.supply !== 'usb' || !gives(place))
})

/** Screens and computers that draw so much have a USB socket to feed a small box from. */
const GIVES_USB_W = 30

/** Devices that live on the mains or on USB and stand where there is neither. Linear in devices. */
export const unsupplied = (traced: Traced): readonly Unsupplied[] => traced.ask(unsuppliedFact)
