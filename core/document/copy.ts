import type { Device } from './collections/devices'
import type { Plan } from './plan'
import { own } from './problem'

/** A copy of a device, and of the receivers that are its other ends, by the ids that they get. */
export interface Copied {
  readonly device: Device
  readonly receivers: readonly (readonly [id: string, device: Device])[]
}

/**
 * One more of a device under another name. What may be there once is left out: its address, the numbers that it is called
 * by, its turn; each receiver of a radio link is copied too. `idFor` makes the id of what gets a name.
 */
export function copiedDevice(
  { devices }: Pick<Plan, 'devices'>,
  device: Device,
  name: string,
  idFor: (name: string) => string,
): Copied {
  const { address: _, controllerNumber: _n, visit: _v, call: _c, short: _s, ports, ...rest } = device
  const receivers: [string, Device][] = []
  const kept = Object.entries(ports ?? {}).flatMap(([port, { receiver, ...setting }]) => {
    const box = own(devices, receiver)
    if (!box) return Object.keys(setting).length ? [[port, setting] as const] : []
    const boxName = `Receiver of ${name}`.slice(0, 120)
    const id = idFor(boxName)
    receivers.push([id, { ...box, name: boxName }])
    return [[port, { ...setting, receiver: id }] as const]
  })
  return { device: { ...rest, name, ...(kept.length ? { ports: Object.fromEntries(kept) } : {}) }, receivers }
}
