import { LEADS } from '#core/cable'
import { MODELS } from '#core/catalog'
import { type Device, type Link, type Plan, emptyPlan, openPlan } from '#core/document'
import { seeded } from '#core/propose'
import type { VideoFormat } from '#core/signal'

const STANDARD: VideoFormat = { raster: '1920x1080', scan: 'p', rate: '60000/1001' }
const WRONG: VideoFormat = { raster: '1920x1080', scan: 'p', rate: '60/1' }
const MODEL_IDS = [
  'switcher-8-mixed',
  'camera-studio-sdi',
  'computer',
  'camera-box-hdmi',
  'hdmi-to-sdi',
  'sdi-to-hdmi',
  'scaler-hdmi',
  'screen',
  'recorder-hdmi',
] as const
const LEAD_IDS = ['hdmi-passive', 'coax-rg6', 'coax-rg59', 'hdmi-optical'] as const

/**
 * A plan of so many sources in groups of up to seven on feeders, which lead to hubs and to one last switcher. Every run
 * has at least five hops (output, cable, device, cable, input); a fifth of the sources has a further converter, and
 * 15 % are faulty: a wrong rate or too long a cable.
 */
export function largePlan(sources: number, seed = 'bench'): Plan {
  const random = seeded(`${seed} ${sources}`)
  const devices: Record<string, Device> = {}
  const links: Record<string, Link> = {}
  const switcher = (id: string, order: number) => {
    devices[id] = { model: 'switcher-8-mixed', name: id, order, standard: STANDARD }
  }
  const via = (
    id: string,
    model: string,
    from: [string, string],
    to: [string, string],
    cables: [string, string],
    routes: [number, number],
    format?: VideoFormat,
  ) => {
    devices[id] = { model, name: id, order: 0, ...(format ? { ports: { out: { format } } } : {}) }
    links[`${id}-a`] = {
      from: { device: from[0], port: from[1] },
      to: { device: id, port: 'in' },
      cable: cables[0],
      routeM: routes[0],
    }
    links[`${id}-b`] = {
      from: { device: id, port: 'out' },
      to: { device: to[0], port: to[1] },
      cable: cables[1],
      routeM: routes[1],
    }
  }
  let level: string[] = []
  for (let i = 0; i < sources; i++) {
    const feeder = `feeder-${Math.floor(i / 7)}`
    if (i % 7 === 0) {
      switcher(feeder, i)
      level.push(feeder)
    }
    const id = `source-${String(i).padStart(3, '0')}`
    const faulty = random() < 0.15
    const converted = random() < 0.2
    const input = i % 7
    const wrong = faulty && i % 2 === 0
    if (input < 4) {
      devices[id] = { model: 'camera-studio-sdi', name: id, order: i, ports: { sdi: { format: STANDARD } } }
      if (wrong) devices[id] = { model: 'computer', name: id, order: i, ports: { 'hdmi-1': { format: WRONG } } }
      const out = wrong ? 'hdmi-1' : 'sdi'
      if (converted && !wrong) {
        via(
          `${id}-c`,
          'sdi-to-hdmi',
          [id, out],
          [`${id}-s`, 'in'],
          ['coax-rg6', 'hdmi-passive'],
          [faulty ? 110 : 30, 0],
        )
        via(
          `${id}-s`,
          'scaler-hdmi',
          [`${id}-c`, 'out'],
          [feeder, `in-${input + 1}`],
          ['hdmi-passive', 'hdmi-passive'],
          [0, 0],
          STANDARD,
        )
        delete links[`${id}-c-b`]
      } else if (wrong)
        via(
          `${id}-c`,
          'hdmi-to-sdi',
          [id, out],
          [feeder, `in-${5 + (input % 4)}`],
          ['hdmi-passive', 'coax-rg6'],
          [1, 20],
        )
      else
        via(
          `${id}-c`,
          'sdi-to-hdmi',
          [id, out],
          [feeder, `in-${input + 1}`],
          ['coax-rg6', 'hdmi-passive'],
          [faulty ? 110 : 40, 0],
        )
    } else {
      devices[id] = { model: 'camera-box-hdmi', name: id, order: i, ports: { hdmi: { format: STANDARD } } }
      via(
        `${id}-c`,
        'hdmi-to-sdi',
        [id, 'hdmi'],
        [feeder, `in-${input + 1}`],
        ['hdmi-passive', 'coax-rg59'],
        [faulty ? 22 : 2, 40],
      )
    }
  }
  for (let depth = 0; level.length > 1; depth++) {
    const next: string[] = []
    for (const [i, feeder] of level.entries()) {
      const hub = `hub-${depth}-${Math.floor(i / 7)}`
      if (i % 7 === 0) {
        switcher(hub, i)
        next.push(hub)
      }
      const input = (i % 7) + 1
      links[`${feeder}-up`] =
        input > 4
          ? {
              from: { device: feeder, port: 'out-1' },
              to: { device: hub, port: `in-${input}` },
              cable: 'coax-rg6',
              routeM: 10,
            }
          : {
              from: { device: feeder, port: 'out-4' },
              to: { device: hub, port: `in-${input}` },
              cable: 'hdmi-passive',
              routeM: 2,
            }
    }
    level = next
  }
  for (const [i, model] of (['screen', 'recorder-hdmi'] as const).entries()) {
    devices[`sink-${i}`] = { model, name: `sink-${i}`, order: i }
    links[`to-sink-${i}`] = {
      from: { device: level[0]!, port: `out-${i + 3}` },
      to: { device: `sink-${i}`, port: 'in' },
      cable: 'hdmi-passive',
      routeM: 2,
    }
  }
  const from = (ids: readonly string[], rows: ReadonlyMap<string, { from?: string }>) =>
    Object.fromEntries(ids.map(id => [id, { from: rows.get(id)!.from }]))
  const opened = openPlan({
    ...emptyPlan('Large plan'),
    models: from(MODEL_IDS, MODELS),
    leads: from(LEAD_IDS, LEADS),
    devices,
    links,
  })
  if (!opened.ok) throw new Error(JSON.stringify(opened.problem))
  return opened.value
}

/** So many sources, half on a feeder and half on the last switcher (up to 15 each), cameras and computers in turn, a screen and a recorder. */
export function twoSwitchers(sources: number): Plan {
  const standard: VideoFormat = { raster: '1920x1080', scan: 'p', rate: '50/1' }
  const { from: _, ...row } = MODELS.get('switcher-12-sdi')!
  const more = Object.fromEntries(
    [13, 14, 15, 16].map(number => [`in-${number}`, { ...row.ports['in-12']!, title: `SDI in ${number}`, number }]),
  )
  const devices: Record<string, Device> = {
    main: { model: 'wide-switcher', name: 'Main', order: 1, standard },
    side: { model: 'wide-switcher', name: 'Side', order: 2, standard },
  }
  const links: Record<string, Link> = {
    join: {
      from: { device: 'side', port: 'out-1' },
      to: { device: 'main', port: 'in-16' },
      cable: 'coax-rg6',
      routeM: 10,
    },
  }
  for (let i = 0; i < sources; i++) {
    const to = { device: i % 2 ? 'main' : 'side', port: `in-${Math.floor(i / 2) + 1}` }
    const id = `source-${i}`
    const [model, port] = (
      [
        ['camera-studio-sdi', 'sdi'],
        ['camera-ptz', 'sdi'],
        ['laptop', 'hdmi'],
        ['computer', 'hdmi-1'],
      ] as const
    )[Math.floor(i / 2) % 4]!
    devices[id] = {
      model,
      name: id,
      order: i,
      ports: { [port]: { format: standard } },
      ...(i === 0 ? { shot: 'safe' as const } : {}),
    }
    if (port === 'sdi') {
      links[id] = { from: { device: id, port }, to, cable: 'coax-rg6', routeM: 20 + i }
      continue
    }
    devices[`${id}-box`] = { model: 'hdmi-to-sdi', name: `${id} box`, order: i }
    links[`${id}-short`] = {
      from: { device: id, port },
      to: { device: `${id}-box`, port: 'in' },
      cable: 'hdmi-passive',
      routeM: 1,
    }
    links[id] = { from: { device: `${id}-box`, port: 'out' }, to, cable: 'coax-rg6', routeM: 20 + i }
  }
  devices.watch = { model: 'screen', name: 'Multiview', order: 1 }
  devices.keep = { model: 'recorder-hdmi', name: 'Recorder', order: 2 }
  devices.turn = { model: 'sdi-to-hdmi', name: 'Converter', order: 1 }
  links.watch = {
    from: { device: 'main', port: 'out-6' },
    to: { device: 'watch', port: 'in' },
    cable: 'hdmi-passive',
    routeM: 2,
  }
  links.turned = {
    from: { device: 'main', port: 'out-1' },
    to: { device: 'turn', port: 'in' },
    cable: 'coax-rg6',
    routeM: 5,
  }
  links.kept = {
    from: { device: 'turn', port: 'out' },
    to: { device: 'keep', port: 'in' },
    cable: 'hdmi-passive',
    routeM: 1,
  }
  const models = {
    ...Object.fromEntries(
      (
        [
          'camera-studio-sdi',
          'camera-ptz',
          'laptop',
          'computer',
          'hdmi-to-sdi',
          'sdi-to-hdmi',
          'screen',
          'recorder-hdmi',
        ] as const
      ).map(id => [id, { from: MODELS.get(id)!.from }]),
    ),
    'wide-switcher': { ...row, ports: { ...row.ports, ...more } },
  }
  const opened = openPlan({
    ...emptyPlan('Two switchers'),
    models,
    leads: Object.fromEntries((['hdmi-passive', 'coax-rg6'] as const).map(id => [id, { from: LEADS.get(id)!.from }])),
    devices,
    links,
    wants: { seen: { sink: 'watch', feed: 'multiview' }, kept: { sink: 'keep', feed: 'program' } },
  })
  if (!opened.ok) throw new Error(JSON.stringify(opened.problem))
  return opened.value
}
