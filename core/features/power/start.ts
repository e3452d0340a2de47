import { type Model, bodyOf, mixOf, isSink } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { hangingOn, own, powered } from '#core/document'
import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { figure, SPACE } from '#core/words'
import { fedByPoe } from './poe'

/**
 * Groups in the order in which they are switched on. A source asks what is behind it which formats it takes, once, when it
 * starts: so all that answers is on before it.
 */
export const START_ORDER = ['network', 'sinks', 'switchers', 'ways', 'sound', 'sources', 'control', 'loads'] as const
export type StartGroup = (typeof START_ORDER)[number]

export const START_WORDS: Readonly<Record<StartGroup, string>> = {
  network: 'Network, and what it feeds',
  sinks: 'Screens, recorders, encoders',
  switchers: 'Switchers',
  ways: 'Converters on the way',
  sound: 'Sound: desks muted, loudspeakers last',
  sources: 'Sources',
  control: 'Control',
  loads: 'Lights and the rest',
}

const groupOf = (model: Model): StartGroup => {
  if (model.kind === 'network') return 'network'
  if (isSink(model)) return 'sinks'
  if (model.role === 'switcher') return 'switchers'
  if (model.role === 'way' || model.kind === 'receiver') return 'ways'
  if (model.role === 'sound') return 'sound'
  if (model.role === 'control') return 'control'
  return model.role === 'load' ? 'loads' : 'sources'
}

export interface Started {
  readonly node: DeviceNode
  readonly group: StartGroup
  /** Seconds until pictures pass, where the data sheet says so. */
  readonly bootS: number | undefined
  /** Has no switch of its own: it is on with its supply, and stays on. */
  readonly unswitched: boolean
  /** By what it is fed, in words. */
  readonly fed: string
}

/** Every device that is switched on, in the order in which that is done; linear in devices. */
export function startOf(traced: Traced): Started[] {
  const { plan, chain } = traced
  const overLead = fedByPoe(traced)
  const circuitsOf = new Map<string, string>()
  for (const [id, { title }] of Object.entries(plan.circuits))
    for (const device of hangingOn(plan, id)) circuitsOf.set(device, title)
  const packs = new Map<string, string>()
  for (const { title, loads = {} } of Object.values(plan.batteries))
    for (const device of Object.keys(loads)) if (own(plan.devices, device)) packs.set(device, title)
  return [...chain.nodes.values()]
    .filter(({ model }) => model.watts > 0)
    .map((node): Started => {
      const { id, model } = node
      const own_ = { mains: 'an outlet', usb: 'USB', battery: 'its battery', none: 'what it sits in' }[model.supply]
      return {
        node,
        group: groupOf(model),
        bootS: mixOf(model)?.bootS,
        unswitched: bodyOf(model).unswitched === true,
        fed: overLead.has(id) ? 'its network lead' : (circuitsOf.get(id) ?? packs.get(id) ?? own_),
      }
    })
    .sort(
      (a, b) =>
        START_ORDER.indexOf(a.group) - START_ORDER.indexOf(b.group) ||
        a.node.device.order - b.node.device.order ||
        (a.node.id < b.node.id ? -1 : 1),
    )
}

/** What is switched on when; what has no switch, and so runs as long as its supply does. */
export function startPaper({ traced }: Checked): Paper | undefined {
  const all = startOf(traced)
  if (all.length < 2) return undefined
  const hours = powered(traced.plan.brief)
  return {
    id: 'start',
    title: 'Switching on',
    about:
      'In this order, so that every source finds what answers it; the other way round in the end, sound first. What has no switch runs as long as its supply does.',
    columns: [
      { key: 'group', title: 'Step' },
      { key: 'device', title: 'Device' },
      { key: 'place', title: 'Where' },
      { key: 'fed', title: 'Fed by' },
      { key: 'wait', title: 'Wait', figures: true },
      { key: 'note', title: 'Mind' },
      { key: 'done', title: 'On' },
    ],
    rows: all.map(({ node, group, bootS, unswitched, fed }, i) => ({
      group: all[i - 1]?.group === group ? '' : `${START_ORDER.indexOf(group) + 1}. ${START_WORDS[group]}`,
      device: node.device.name,
      place: node.device.place ?? '',
      fed,
      wait: bootS === undefined ? '' : `${figure(bootS, 0)}${SPACE}s`,
      note: unswitched
        ? `no switch${hours ? `: on for ${figure(hours.minutes / 60)}${SPACE}h and until it is unplugged` : ''}`
        : '',
      done: '\u2610',
    })),
  }
}

/** Share of a charger's watts that goes into the battery. */
const CHARGED = 0.85

/** Hours that a charger of so many watts takes to fill a battery, h. */
export const rechargeHours = (wh: number, chargerW: number): number => wh / (chargerW * CHARGED)

/** Everything that is charged before the show, with how long it takes. */
export function chargePaper({ traced }: Checked): Paper | undefined {
  const { plan } = traced
  const given = new Set(
    Object.values(plan.batteries)
      .filter(({ kind }) => kind === 'pack')
      .flatMap(({ loads = {} }) => Object.keys(loads)),
  )
  const row = (item: string, feeds: string, count: number, wh: number, chargerW: number | undefined) => ({
    item,
    feeds,
    count: String(count),
    wh: `${figure(wh)}${SPACE}Wh`,
    hours:
      chargerW === undefined
        ? 'charger not said'
        : `${figure(rechargeHours(wh, chargerW))}${SPACE}h each at ${figure(chargerW)}${SPACE}W`,
    done: '\u2610'.repeat(Math.min(count, 12)),
  })
  const rows = [
    ...Object.values(plan.batteries)
      .sort((a, b) => a.order - b.order)
      .map(({ title, loads = {}, count = 1, wh, chargerW }) =>
        row(
          title,
          Object.keys(loads)
            .flatMap(id => own(plan.devices, id)?.name ?? [])
            .join(', '),
          count,
          wh,
          chargerW,
        ),
      ),
    ...Object.entries(plan.devices).flatMap(([id, { name, model }]) => {
      const { battery, supply } = plan.models[model]!
      return battery && supply === 'battery' && !given.has(id)
        ? [row('its own battery', name, 1, battery.wh, undefined)]
        : []
    }),
  ]
  if (rows.length === 0) return undefined
  return {
    id: 'charging',
    title: 'Charging',
    about:
      'What is charged before the show, under watch and away from heat; damaged ones stay at home. Ticked when it is full.',
    columns: [
      { key: 'item', title: 'Battery' },
      { key: 'feeds', title: 'Feeds' },
      { key: 'count', title: 'How many', figures: true },
      { key: 'wh', title: 'Holds', figures: true },
      { key: 'hours', title: 'Takes', figures: true },
      { key: 'done', title: 'Full' },
    ],
    rows,
  }
}
