import { bodyOf, isCamera, isSink } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, linkMinor } from '#core/chain'
import { showMinutes } from '#core/document'
import { figure, moneyText } from '#core/words'
import { kgText } from './words'

/** What one way of making the show takes with it. */
export interface Profile {
  readonly devices: number
  readonly leads: number
  /** Planning price, minor units; draw, W; mass, g. */
  readonly minor: number
  readonly watts: number
  readonly grams: number
  /** Names of what the other way does without. */
  readonly alone: readonly string[]
}

/** The show recorded camera by camera and cut later, against the show that is mixed while it happens. */
export interface Profiles {
  readonly recorded: Profile
  readonly live: Profile
  readonly cameras: number
  /** Cameras of which nothing of the plan keeps a picture of their own: they want a recorder, or a mode that records. */
  readonly unkept: readonly string[]
  /** Length of the show, h; undefined where the brief does not say it. */
  readonly hours: number | undefined
  /** What switching saves in the edit, h: every camera is gone through so many times. */
  readonly editHours: number | undefined
}

/** How often every hour of every camera is gone through in the edit, where nobody says otherwise. */
export const HANDLED = 1

/**
 * What each of the two alone takes, and what switching saves. Mixed live, nothing is there that only keeps single
 * pictures; recorded, nothing that mixes, shows or sends: cameras, sound and what keeps them. Linear in links.
 */
export function profilesOf(traced: Traced, handled = HANDLED): Profiles {
  const { chain, plan, runs } = traced
  const nodes = [...chain.nodes.values()]
  const cameras = nodes.filter(({ model }) => model.role === 'source' && isCamera(model))
  const isRecorder = ({ model }: DeviceNode) => isSink(model) && model.kind === 'recorder'
  const node = (id: string | undefined) => (id === undefined ? undefined : chain.nodes.get(id))
  /** A camera's picture by itself into a recorder. */
  const single = runs.filter(({ beside, lit, origin, end }) => {
    const [from, to] = [node(origin?.device), node(end?.device)]
    return !beside && lit && from && to && isCamera(from.model) && isRecorder(to)
  })
  const along = (some: typeof runs) =>
    new Set(some.flatMap(run => run.links.flatMap(({ wire }) => [wire.from?.node.id, wire.to?.node.id])))
  const [kept, shown] = [along(single), along(runs.filter(run => !run.beside && !single.includes(run)))]
  const always = ({ model }: DeviceNode) => model.role === 'sound' || model.role === 'load' || isCamera(model)
  const inRecorded = new Set(nodes.filter(one => always(one) || kept.has(one.id)).map(({ id }) => id))
  const inLive = new Set(nodes.filter(one => always(one) || shown.has(one.id) || !kept.has(one.id)).map(({ id }) => id))
  const inside = ({ model, device }: DeviceNode) =>
    Object.entries(model.modes ?? {}).some(
      ([id, { records }]) => (records?.length ?? 0) > 0 && (device.mode === undefined || device.mode === id),
    )
  const isolated = nodes.some(one => isSwitcher(one) && (one.model.isolates ?? 0) > 0 && plan.brief.isolated === true)
  const minutes = showMinutes(plan.brief)
  const hours = minutes === undefined ? undefined : minutes / 60
  return {
    recorded: profileOf(traced, inRecorded, inLive),
    live: profileOf(traced, inLive, inRecorded),
    cameras: cameras.length,
    unkept: cameras.filter(one => !kept.has(one.id) && !inside(one) && !isolated).map(({ device }) => device.name),
    hours,
    editHours: hours === undefined ? undefined : hours * cameras.length * handled,
  }
}

export const hoursText = (hours: number): string => `${figure(hours)}\u00A0h`

/** The two side by side, in words. */
export function profileRows(found: Profiles, currency: string): { title: string; recorded: string; live: string }[] {
  const pair = (title: string, of: (one: Profile) => string) => ({
    title,
    recorded: of(found.recorded),
    live: of(found.live),
  })
  return [
    pair('Devices', one => String(one.devices)),
    pair('Leads', one => String(one.leads)),
    pair('Planning price', one => moneyText(one.minor, currency)),
    pair('Draw', one => `${figure(one.watts, 0)}\u00A0W`),
    pair('Mass of the devices', one => kgText(one.grams)),
    {
      title: 'Hours in the edit',
      recorded: found.editHours === undefined ? 'not known' : hoursText(found.editHours),
      live: 'none: it is cut when it ends',
    },
  ]
}

function profileOf({ chain, plan }: Traced, mine: ReadonlySet<string>, other: ReadonlySet<string>): Profile {
  const nodes = [...chain.nodes.values()].filter(({ id }) => mine.has(id))
  const wires = [...chain.wires.values()].filter(
    ({ from, to }) => from && to && mine.has(from.node.id) && mine.has(to.node.id),
  )
  const sum = (of: (one: DeviceNode) => number) => nodes.reduce((total, one) => total + of(one), 0)
  return {
    devices: nodes.length,
    leads: wires.length,
    minor:
      sum(({ model }) => model.priceMinor) +
      wires.reduce((total, { id }) => total + linkMinor(plan, plan.links[id]!), 0),
    watts: sum(({ model }) => model.watts),
    grams: sum(({ model }) => bodyOf(model).grams ?? 0),
    alone: nodes.filter(({ id }) => !other.has(id)).map(({ device }) => device.name),
  }
}
