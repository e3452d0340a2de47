import { portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, socketKey } from '#core/chain'
import { fact } from '#core/kernel'

/** IEEE 802.3 classes 1 to 8: watts that are booked at the switch, and that are there at the device after the worst cable. */
export const CLASSES: readonly { readonly switchW: number; readonly deviceW: number }[] = [
  { switchW: 4, deviceW: 3.84 },
  { switchW: 7, deviceW: 6.49 },
  { switchW: 15.4, deviceW: 12.95 },
  { switchW: 30, deviceW: 25.5 },
  { switchW: 45, deviceW: 40 },
  { switchW: 60, deviceW: 51 },
  { switchW: 75, deviceW: 62 },
  { switchW: 90, deviceW: 71.3 },
]
const classOf = (n: number) => CLASSES[Math.min(8, Math.max(1, n)) - 1]!

/** Least voltage that a switch gives, V. */
const voltsOf = (n: number): number => (n <= 3 ? 44 : n <= 6 ? 50 : 52)
/** Resistance of a lead there and back, ohm a metre, at the worst: two pairs of classes 1 to 3, two of class 4, four above. */
const ohmsPerM = (n: number): number => (n <= 3 ? 0.2 : n === 4 ? 0.125 : 0.0625)

/** What leaves the switch so that `watts` are there at the end of a lead, W; undefined where no lead can bring them. */
export function atTheSwitchW(watts: number, metres: number, poeClass: number): number | undefined {
  const [volts, ohms] = [voltsOf(poeClass), ohmsPerM(poeClass) * metres]
  if (ohms === 0) return watts
  const root = volts * volts - 4 * ohms * watts
  if (root < 0) return undefined
  const amps = (volts - Math.sqrt(root)) / (2 * ohms)
  return volts * amps
}

/** A device on a socket that gives power. */
export interface Fed {
  readonly device: string
  readonly name: string
  readonly watts: number
  /** The class that it asks for, and that the socket gives. */
  readonly asks: number
  readonly gives: number
  readonly port: string
  readonly metres: number
  /** W at the switch, by its draw with the loss of its lead; undefined where the lead is too long for it. */
  readonly drawW: number | undefined
  /** Its class is given, and it draws no more than the class brings to it. */
  readonly holds: boolean
}

export interface PoeSwitch {
  readonly device: string
  readonly name: string
  readonly budgetW: number
  readonly by: 'class' | 'draw'
  readonly fed: readonly Fed[]
  readonly byClassW: number
  readonly byDrawW: number
  /** What counts of the two against the budget, W. */
  readonly bookedW: number
}

export interface Poe {
  readonly switches: readonly PoeSwitch[]
  /** Devices that are said to be fed over their lead and hang on nothing that feeds. */
  readonly unfed: readonly DeviceNode[]
}

const poeFact = fact<Traced, Poe>('power over the network', traced => {
  const { chain, trace } = traced
  const fedAnywhere = new Set<string>()
  const switches = [...chain.nodes.values()]
    .filter(({ model }) => model.poeBudget)
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .map((node): PoeSwitch => {
      const fed = portsOf(node.model, 'out').flatMap(([port, row]): Fed[] => {
        const gives = row.poe && 'gives' in row.poe ? row.poe.gives : undefined
        if (gives === undefined) return []
        return (chain.leaving.get(socketKey(node.id, port)) ?? []).flatMap((wire): Fed[] => {
          const to = wire.to
          const asks = to?.port?.poe && 'takes' in to.port.poe ? to.port.poe.takes : undefined
          if (!to || asks === undefined || !trace.wires.get(wire.id)) return []
          const said = to.node.device.fed
          const [watts, metres] = [to.node.model.watts, wire.link.routeM ?? 0]
          const drawW = atTheSwitchW(watts, metres, asks)
          const holds = asks <= gives && watts <= classOf(asks).deviceW && drawW !== undefined
          // Where nobody said by what it is fed, it is by the lead if that is enough, else by its own supply.
          if (said === 'supply' || (said === undefined && !holds)) return []
          fedAnywhere.add(to.node.id)
          return [{ device: to.node.id, name: to.node.device.name, watts, asks, gives, port, metres, drawW, holds }]
        })
      })
      const byClassW = fed.reduce((sum, { asks, gives }) => sum + classOf(Math.min(asks, gives)).switchW, 0)
      const byDrawW = fed.reduce((sum, { drawW, watts }) => sum + (drawW ?? watts), 0)
      const { w, by } = node.model.poeBudget!
      return {
        device: node.id,
        name: node.device.name,
        budgetW: w,
        by,
        fed,
        byClassW,
        byDrawW,
        bookedW: by === 'class' ? byClassW : byDrawW,
      }
    })
  const unfed = [...chain.nodes.values()].filter(({ id, device }) => device.fed === 'poe' && !fedAnywhere.has(id))
  return { switches, unfed }
})

/** Every switch that feeds over its sockets, with what hangs on it. */
export const poeOf = (traced: Traced): Poe => traced.ask(poeFact)

/** Devices that are fed over their network lead and hold. */
export const fedByPoe = (traced: Traced): ReadonlySet<string> =>
  new Set(poeOf(traced).switches.flatMap(({ fed }) => fed.flatMap(({ device, holds }) => (holds ? [device] : []))))
