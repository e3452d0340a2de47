import { hangingOn, keptDevices, receiverAt, type Link, type Plan } from '#core/document'
import type { Loss } from '#core/kernel'

type Wired = Pick<Plan, 'devices' | 'models' | 'links' | 'leads' | 'distances'>
type Stood = Pick<Plan, 'devices' | 'models' | 'circuits' | 'strips'>

/**
 * The devices that a loss takes with it: one, all at a place, all that hang on a circuit, on the circuits behind a protection, or live on the mains, or all that send through the
 * air; and what is housed in one of them, or fed by it.
 */
export function lostDevices({ devices, models, circuits, strips }: Stood, { of, id }: Loss): ReadonlySet<string> {
  const tripped =
    of === 'circuit'
      ? [id]
      : Object.keys(circuits).filter(one => of === 'power' || (of === 'protection' && circuits[one]!.residual === id))
  // What an uninterruptible supply keeps going is not lost at once.
  const kept =
    of === 'circuit' || of === 'protection' || of === 'power' ? keptDevices({ devices, models, strips }) : new Set()
  const hanging = new Set(tripped.flatMap(one => [...hangingOn({ circuits, strips }, one)]))
  const hit = (key: string): boolean => {
    const device = devices[key]!
    const model = models[device.model]!
    if (of === 'device') return key === id
    if (of === 'place') return device.place === id
    // What lives on USB and hangs on a circuit does so by a supply in its outlet.
    const plugged = model.supply === 'mains' || model.supply === 'usb'
    if (of === 'circuit' || of === 'protection') return plugged && hanging.has(key) && !kept.has(key)
    if (of === 'power') return (model.supply === 'mains' || (plugged && hanging.has(key))) && !kept.has(key)
    return of === 'radio' && model.kind === 'radio'
  }
  const gone = (key: string): boolean => {
    const host = devices[key]!.in
    return hit(key) || (host !== undefined && Object.hasOwn(devices, host) && gone(host))
  }
  return new Set(of === 'link' ? [] : Object.keys(devices).filter(gone))
}

/**
 * What is left of the wiring while things do nothing. The things themselves stay where they are; a link that led to
 * one ends loose, and one between two of them is gone.
 */
export function withoutLost(plan: Wired & Stood, losses: readonly Loss[]): Wired {
  const { devices, models, leads, distances } = plan
  if (losses.length === 0) return plan
  const links = losses.reduce<Plan['links']>((left, loss) => {
    if (loss.of === 'link') return Object.fromEntries(Object.entries(left).filter(([id]) => id !== loss.id))
    const gone = lostDevices(plan, loss)
    return Object.fromEntries(
      Object.entries(left).flatMap(([id, link]) => {
        const cut = cutOff(plan, link, gone)
        return cut ? [[id, cut]] : []
      }),
    )
  }, plan.links)
  return { devices, models, leads, links, distances }
}

function cutOff(plan: Wired, link: Link, gone: ReadonlySet<string>): Link | undefined {
  const { from, to, adapters, ...rest } = link
  // Without its receiver a radio link gives nothing at that output.
  const begins = from !== undefined && (gone.has(from.device) || gone.has(receiverAt(plan, from) ?? ''))
  const ends = to !== undefined && gone.has(to.device)
  if (!begins && !ends) return link
  const [side, other] = begins ? (['to', to] as const) : (['from', from] as const)
  if (!other || (begins && ends)) return undefined
  const adapter = adapters?.[side]
  return { ...rest, [side]: other, ...(adapter === undefined ? {} : { adapters: { [side]: adapter } }) }
}
