import { describe, expect, it } from 'vitest'
import { type CableModel, LEADS } from '#core/cable'
import { MODELS, type Model } from '#core/catalog'
import { madeBy, planMinor, resolve, trace } from '#core/chain'
import { type Device, type Link, emptyPlan, openPlan } from '#core/document'
import { plan } from '../../testing/plans'
import { SOAK } from '../../testing/soak'
import { type Candidate, itemsOf, searcher } from './search'
import { allLeads } from './ways'

interface Case {
  readonly source: string
  readonly out: string
  readonly switcher: string
  readonly input: string
  readonly routeM: number
}

function search({ source, out, switcher, input, routeM }: Case, kit: readonly string[] = []): Candidate[] {
  const written = plan({ devices: { src: source, dst: switcher } })
  const { nodes } = resolve(written)
  const [src, dst] = [nodes.get('src')!, nodes.get('dst')!]
  const port = src.model.ports[out]!
  return searcher(written, item => kit.includes(item))(
    [{ portId: out, port, signal: madeBy(src, out, port)!, set: false }],
    { node: dst, portId: input, port: dst.model.ports[input]! },
    { routeM },
    { standard: dst.standard! },
  )
}

// --- a reckoning of its own: whole plans are written down and traced, one for every way that there could be ---

interface Found {
  readonly minor: number
  readonly safe: boolean
  readonly delayMs: number
}

const CABLES = [...LEADS].flatMap(([id, lead]) => (lead.kind === 'cable' && !lead.bare ? [[id, lead] as const] : []))
const ADAPTERS = [...LEADS].flatMap(([id, lead]) => (lead.kind === 'adapter' ? [[id, lead] as const] : []))
const BOXES = [...MODELS].flatMap(([id, row]): { id: string; row: Model; input: string; output: string }[] => {
  const [path] = row.paths
  const plugs = Object.values(row.ports).every(port => port.carries !== 'sound' && port.carries !== 'control')
  // Radio, delays and matrices are chosen for more than their way; a keeper of lists leaves the picture as it is.
  if (
    row.role !== 'way' ||
    !path ||
    !plugs ||
    row.kind === 'radio' ||
    row.kind === 'delay' ||
    row.kind === 'matrix' ||
    path.edid === 'kept' ||
    path.format === 'standard' ||
    path.format === 'tiles'
  )
    return []
  return [{ id, row, input: path.from[0]!, output: path.to[0]! }]
})

/** A cable between two sockets with the adapters that it needs, or nothing. */
function plugged(
  carries: string,
  from: string,
  to: string,
  [id, cable]: readonly [string, CableModel],
): Omit<Link, 'from' | 'to'> | undefined {
  if (cable.carries !== carries) return undefined
  const end = (socket: string, plug: string) =>
    socket === plug
      ? ''
      : ADAPTERS.find(([, { ends }]) => ends.includes(socket as never) && ends.includes(plug as never))?.[0]
  for (const [a, b] of cable.oneWay ? [cable.ends] : [cable.ends, [cable.ends[1], cable.ends[0]] as const]) {
    const [x, y] = [end(from, a), end(to, b)]
    if (x !== undefined && y !== undefined)
      return { cable: id, ...(x || y ? { adapters: { ...(x ? { from: x } : {}), ...(y ? { to: y } : {}) } } : {}) }
  }
  return undefined
}

/** Every way by at most two boxes, tried as a whole plan: only prices prune, and only what costs more than the best safe and the quickest so far. */
function bruteForce({ source, out, switcher, input, routeM }: Case): Found[] {
  const base = plan({ devices: { src: source, dst: switcher } })
  const [src, dst] = [
    base.models[base.devices.src!.model]!.ports[out]!,
    base.models[base.devices.dst!.model]!.ports[input]!,
  ]
  const standard = base.devices.dst!.standard!
  const found: Found[] = []
  const tryPlan = (boxes: readonly (typeof BOXES)[number][], spread: readonly number[]) => {
    const sockets = [
      { ...src, device: 'src', portId: out },
      ...boxes.map((box, i) => ({ ...box.row.ports[box.output]!, device: `box-${i}`, portId: box.output })),
    ]
    const into = [
      ...boxes.map((box, i) => ({ ...box.row.ports[box.input]!, device: `box-${i}`, portId: box.input })),
      { ...dst, device: 'dst', portId: input },
    ]
    const options = sockets.map((from, i) =>
      CABLES.flatMap(cable => {
        const link =
          from.carries === into[i]!.carries
            ? plugged(from.carries, from.connector, into[i]!.connector, cable)
            : undefined
        return link
          ? [
              {
                ...link,
                from: { device: from.device, port: from.portId },
                to: { device: into[i]!.device, port: into[i]!.portId },
                routeM: spread[i]!,
              } satisfies Link,
            ]
          : []
      }),
    )
    const combine = (i: number, links: Link[]): void => {
      if (i < options.length) {
        for (const link of options[i]!) combine(i + 1, [...links, link])
        return
      }
      const devices: Record<string, Device> = { ...base.devices }
      const models: Record<string, unknown> = { ...base.models }
      boxes.forEach((box, n) => {
        models[box.id] = MODELS.get(box.id)!
        devices[`box-${n}`] = {
          model: box.id,
          name: box.id,
          order: 0,
          ...(box.row.paths[0]!.format === 'port' ? { ports: { [box.output]: { format: standard } } } : {}),
        }
      })
      const leads = Object.fromEntries(
        links.flatMap(({ cable, adapters }) =>
          [cable, adapters?.from, adapters?.to].flatMap(id => (id ? [[id, LEADS.get(id)!]] : [])),
        ),
      )
      const opened = openPlan({
        ...emptyPlan('Tried'),
        models,
        leads,
        devices,
        links: Object.fromEntries(links.map((link, n) => [`l-${n}`, link])),
      })
      if (!opened.ok) return
      const { wires } = trace(resolve(opened.value))
      const last = wires.get(`l-${links.length - 1}`)!
      if (!last.arrives) return
      found.push({
        minor: planMinor(opened.value) - planMinor(base),
        delayMs: last.signal!.delay.typ - wires.get('l-0')!.signal!.delay.typ,
        safe:
          [...wires.values()].every(({ figures }) => !figures?.caution) &&
          boxes.every(box => (box.row.paths[0]!.fills ?? 1) === 1),
      })
    }
    combine(0, [])
  }
  tryPlan([], [routeM])
  const passes = (box: (typeof BOXES)[number]) =>
    box.row.paths[0]!.format !== 'port' ||
    box.row.ports[box.output]!.makes?.some(
      set => set.raster === standard.raster && set.scan === standard.scan && set.rates.includes(standard.rate),
    )
  const boxes = BOXES.filter(passes)
  const cheapestSafe = () => Math.min(...found.filter(({ safe }) => safe).map(({ minor }) => minor), Infinity)
  const quickest = () => Math.min(...found.map(({ delayMs }) => delayMs), Infinity)
  for (const one of boxes
    .filter(
      box => box.row.ports[box.input]!.carries === src.carries && box.row.ports[box.output]!.carries === dst.carries,
    )
    .sort((a, b) => a.row.priceMinor - b.row.priceMinor)) {
    if (one.row.priceMinor > cheapestSafe() && one.row.paths[0]!.delay.typ > 0 && quickest() === 0) continue
    for (const spread of [
      [routeM, 0],
      [0, routeM],
      [routeM / 2, routeM / 2],
    ])
      tryPlan([one], spread)
  }
  for (const one of boxes.filter(box => box.row.ports[box.input]!.carries === src.carries)) {
    for (const two of boxes.filter(
      box =>
        box.row.ports[box.input]!.carries === one.row.ports[one.output]!.carries &&
        box.row.ports[box.output]!.carries === dst.carries,
    )) {
      if (one.row.priceMinor + two.row.priceMinor > cheapestSafe()) continue
      for (const spread of [
        [routeM, 0, 0],
        [0, routeM, 0],
        [0, 0, routeM],
      ])
        tryPlan([one, two], spread)
    }
  }
  return found
}

const HDMI = 'camera-box-hdmi 1080p59.94'
const SDI = 'camera-studio-sdi 1080p50'
const CASES: readonly Case[] = [
  ...[3, 8, 22, 60].map(routeM => ({
    source: HDMI,
    out: 'hdmi',
    switcher: 'switcher-8-mixed 1080p59.94',
    input: 'in-1',
    routeM,
  })),
  ...[3, 45].map(routeM => ({
    source: HDMI,
    out: 'hdmi',
    switcher: 'switcher-8-mixed 1080p59.94',
    input: 'in-5',
    routeM,
  })),
  // All ways over 140 m are so many that they are tried in a soak alone.
  ...(SOAK ? [5, 60, 140] : [5, 60]).map(routeM => ({
    source: SDI,
    out: 'sdi',
    switcher: 'switcher-8-mixed 1080p50',
    input: 'in-5',
    routeM,
  })),
  ...[2, 40].map(routeM => ({ source: SDI, out: 'sdi', switcher: 'switcher-4-strict 1080p50', input: 'in-1', routeM })),
  { source: 'computer 1080p60', out: 'hdmi-1', switcher: 'switcher-4-strict 1080p59.94', input: 'in-1', routeM: 3 },
]

describe('the search for ways', () => {
  it.each(CASES)(
    'agrees with trying every way: $source, $routeM m, into $switcher $input',
    one => {
      const all = bruteForce(one)
      const found = search(one)
      expect(all.length).toBeGreaterThan(0)
      const least = (list: readonly { readonly minor: number }[]) => Math.min(...list.map(({ minor }) => minor))
      expect(least(found)).toBe(least(all))
      // What is safe is never given up for what is cheap.
      expect(least(found.filter(({ risks }) => risks === 0))).toBe(least(all.filter(({ safe }) => safe)))
      expect(Math.min(...found.map(({ delay }) => delay.typ))).toBeCloseTo(
        Math.min(...all.map(({ delayMs }) => delayMs)),
        6,
      )
    },
    60_000,
  )
  it('offers few ways, none of which another one beats', () => {
    for (const one of CASES) {
      const found = search(one)
      expect(found.length).toBeLessThan(16)
      for (const way of found)
        expect(
          found.some(
            other =>
              other !== way &&
              other.minor <= way.minor &&
              other.owed <= way.owed &&
              other.delay.typ <= way.delay.typ &&
              other.risks <= way.risks &&
              other.steps <= way.steps &&
              (other.minor < way.minor || other.delay.typ < way.delay.typ) &&
              other.items.length <= way.items.length,
          ),
        ).toBe(false)
    }
  })
  it('keeps a dearer way by what the kit has beside a cheaper one that must be got', () => {
    // 22 m are cut at 24.2 m: a 30 m optical cable for 150, against two converters for 70 and 75 with coax between them.
    const one = CASES[2]!
    expect(search(one).every(way => way.owed === way.items.length)).toBe(true)
    const pair = search(one, ['model:hdmi-to-sdi', 'model:sdi-to-hdmi'])
    expect(
      pair.find(({ devices }) => devices.map(({ model }) => model).join() === 'hdmi-to-sdi,sdi-to-hdmi'),
    ).toMatchObject({ owedMinor: expect.any(Number) })
    expect(pair.some(way => way.owedMinor < way.minor)).toBe(true)
    expect(pair.some(({ devices }) => devices.length === 0)).toBe(true)
  })
  it('offers radio where the air carries so far and no cable does, as a risk, and not beyond', () => {
    const far = (routeM: number) =>
      search({
        source: 'camera-studio-sdi 1080p25',
        out: 'sdi',
        switcher: 'switcher-8-mixed 1080p25',
        input: 'in-5',
        routeM,
      })
    // ITU-R P.525 at 2.2 GHz: over 4 km 32.44 + 12.04 + 66.85 = 111.3 dB; 30 + 12 - 111.3 - 6 against -88 dBm leaves 12.7 dB.
    const found = far(4000)
    expect(found.map(({ devices }) => devices.map(({ model, airM }) => [model, airM]))).toContainEqual([
      ['radio-sdi-far', 4000],
    ])
    expect(found.every(({ risks, cables }) => risks > 0 && cables.every(({ routeM }) => routeM === 0))).toBe(true)
    // The catalogue: a sender of 18 W and a receiver of 12 W, at 3,400 and 3,000, and what the two leads cost.
    const [way] = found.filter(({ devices }) => devices.length === 1 && devices[0]!.airM)
    expect(way!.watts).toBe(30)
    expect(
      way!.minor -
        way!.cables.reduce(
          (sum, cable) => sum + itemsOf(allLeads(emptyPlan('x')), cable).minors.reduce((a, b) => a + b, 0),
          0,
        ),
    ).toBe(640_000)
    // Over 19 km 124.9 dB: 0.9 dB too few.
    expect(far(19_000)).toEqual([])
    // Where a cable does, it is the cheaper and the safer way.
    expect(
      far(40)
        .flatMap(({ devices }) => devices)
        .some(({ airM }) => airM !== undefined),
    ).toBe(false)
  })
  it('takes no way on which sound is lost, where sound is wanted', () => {
    const written = plan({ devices: { src: HDMI, dst: 'switcher-8-mixed 1080p59.94' } })
    const { nodes } = resolve(written)
    const port = nodes.get('src')!.model.ports.hdmi!
    const ask = (limits: object) =>
      searcher(written)(
        [{ portId: 'hdmi', port, signal: madeBy(nodes.get('src')!, 'hdmi', port)!, set: false }],
        { node: nodes.get('dst')!, portId: 'in-5', port: nodes.get('dst')!.model.ports['in-5']! },
        { routeM: 5 },
        limits,
      )
    expect(
      ask({ sound: true })
        .flatMap(({ devices }) => devices)
        .every(({ row }) => row.paths[0]!.sound !== 'drops'),
    ).toBe(true)
  })
})
