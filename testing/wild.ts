import fc from 'fast-check'
import { type CableModel, LEADS } from '#core/cable'
import { CARRIED, FEEDS, MODELS } from '#core/catalog'
import { type Plan, emptyPlan, openPlan } from '#core/document'
import { type VideoFormat, parseFormatLabel } from '#core/signal'

// Any legal plan, however odd: devices of every row of the catalogue, wired at random, set to what may not be.

const FORMATS = ['1080p25', '1080p50', '1080p59.94', '1080i50', '720p50', '2160p29.97', '576i25', '1080p24'].flatMap(
  label => parseFormatLabel(label) ?? [],
)
const IDS = [...MODELS.keys()]
const SOURCES = IDS.filter(id => MODELS.get(id)!.role === 'source')
const MATRICES = IDS.filter(id => MODELS.get(id)!.paths.some(({ format }) => format === 'chosen' || format === 'tiles'))
const SWITCHERS = IDS.filter(id => MODELS.get(id)!.role === 'switcher')
const CABLES = [...LEADS].filter(([, lead]) => lead.kind === 'cable').map(([id]) => id)
const ADAPTERS = [...LEADS].filter(([, lead]) => lead.kind === 'adapter').map(([id]) => id)
const PLACES = ['stage', 'desk', 'balcony']

const maybe = <T>(arbitrary: fc.Arbitrary<T>, freq = 3) => fc.option(arbitrary, { nil: undefined, freq })
const some = <T extends object>(value: T): Partial<T> =>
  Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined)) as Partial<T>

interface Pick {
  readonly model: string
  readonly place: string | undefined
  readonly format: VideoFormat | undefined
  readonly feed: (typeof CARRIED)[number] | undefined
  readonly mode: number
  readonly nth: number
  readonly m: number | undefined
}

const pick: fc.Arbitrary<Pick> = fc.record({
  model: fc.oneof(
    { weight: 2, arbitrary: fc.constantFrom(...IDS) },
    { weight: 1, arbitrary: fc.constantFrom(...SWITCHERS) },
    { weight: 2, arbitrary: fc.constantFrom(...SOURCES) },
    { weight: 1, arbitrary: fc.constantFrom(...MATRICES) },
  ),
  place: maybe(fc.constantFrom(...PLACES)),
  format: maybe(fc.constantFrom(...FORMATS)),
  feed: maybe(fc.constantFrom(...CARRIED), 6),
  mode: fc.nat(3),
  nth: fc.nat(11),
  m: maybe(fc.integer({ min: 1, max: 90 }), 1),
})

interface Wire {
  readonly from: readonly [number, number] | undefined
  readonly to: readonly [number, number] | undefined
  /** Ends and cable that fit as far as kinds go; else anything. */
  readonly fits: boolean
  readonly cable: number
  readonly adapters: readonly [number | undefined, number | undefined]
  readonly routeM: number | undefined
  readonly pieceM: number | undefined
  readonly turned: boolean
}

const end = maybe(fc.tuple(fc.nat(40), fc.nat(40)), 12)
const wire: fc.Arbitrary<Wire> = fc.record({
  from: end,
  to: end,
  fits: fc.oneof({ weight: 4, arbitrary: fc.constant(true) }, { weight: 1, arbitrary: fc.constant(false) }),
  cable: fc.nat(200),
  adapters: fc.tuple(maybe(fc.nat(60), 1), maybe(fc.nat(60), 1)),
  routeM: maybe(fc.integer({ min: 0, max: 120 }), 2),
  pieceM: maybe(fc.constantFrom(1, 2, 5, 10, 20, 50), 1),
  turned: fc.boolean(),
})

const nth = <T>(list: readonly T[], n: number): T => list[n % list.length]!

/** Builds the plan; a link that has neither end, or a reference that does not hold, is left out. */
function built(
  picks: readonly Pick[],
  wires: readonly Wire[],
  wants: readonly (readonly [number, (typeof FEEDS)[number], boolean])[],
  brief: Plan['brief'],
  distances: readonly (number | undefined)[],
): Plan {
  const devices: Record<string, object> = {}
  const models: Record<string, object> = {}
  const ids = picks.map(({ model, place, format, feed, mode, nth: n, m }, i) => {
    const row = MODELS.get(model)!
    const id = `d${i}`
    models[model] = { from: row.from }
    const outs = Object.entries(row.ports).filter(([, { dir }]) => dir === 'out')
    const modes = Object.keys(row.modes ?? {})
    const [port] = outs.length ? nth(outs, n) : []
    const setting = some({ format: row.role === 'switcher' ? undefined : format, feed })
    devices[id] = {
      model,
      name: `Device ${i % 7}`,
      order: i,
      ...some({
        place,
        mode: modes.length ? nth(modes, mode) : undefined,
        standard: row.role === 'switcher' ? format : undefined,
        air: row.radio && m !== undefined ? { m } : undefined,
        ports: port && Object.keys(setting).length ? { [port]: setting } : undefined,
      }),
    }
    return id
  })
  const links: Record<string, object> = {}
  const leads: Record<string, object> = {}
  for (const [i, one] of wires.entries()) {
    const link = laid(one, ids, picks)
    if (!link) continue
    for (const lead of [link.cable, link.adapters?.from, link.adapters?.to])
      if (lead) leads[lead] = { from: LEADS.get(lead)!.from }
    links[`l${i}`] = link
  }
  const opened = openPlan({
    ...emptyPlan('Any plan'),
    brief,
    models,
    devices,
    leads,
    links,
    wants: Object.fromEntries(
      wants.map(([n, feed, sound], i) => [`w${i}`, { sink: nth(ids, n), feed, ...(sound ? { sound: true } : {}) }]),
    ),
    distances: Object.fromEntries(
      distances.flatMap((m, i) =>
        m === undefined ? [] : [[`far-${i}`, { between: [PLACES[i]!, PLACES[(i + 1) % 3]!], m }]],
      ),
    ),
  })
  if (!opened.ok) throw new Error(`${opened.problem.path}: ${opened.problem.found}, allowed ${opened.problem.allowed}`)
  return opened.value
}

function laid(
  { from, to, fits, cable, adapters, routeM, pieceM, turned }: Wire,
  ids: readonly string[],
  picks: readonly Pick[],
) {
  const portsOf = (n: number, dir: 'in' | 'out' | undefined) =>
    Object.entries(MODELS.get(nth(picks, n).model)!.ports).filter(([, port]) => !dir || port.dir === dir)
  const endOf = (one: Wire['from'], dir: 'in' | 'out', plug?: string) => {
    if (!one) return undefined
    const ports = portsOf(one[0], fits ? dir : undefined)
    const meeting = ports.filter(([, { connector }]) => connector === plug)
    if (ports.length === 0) return undefined
    const [port, row] = nth(fits && meeting.length ? meeting : ports, one[1])
    return { end: { device: nth(ids, one[0]), port }, row }
  }
  const out = endOf(from, 'out')
  const input = endOf(to, 'in', out?.row.connector)
  if (!out && !input) return undefined
  const { carries: kind, connector } = (out ?? input!).row
  const plugs = [connector, (input ?? out!).row.connector]
  const cables = CABLES.map(id => [id, LEADS.get(id) as CableModel] as const)
  const alike = cables.filter(([, lead]) => lead.carries === kind)
  const joining = alike.filter(
    ([
      ,
      {
        ends: [a, b],
      },
    ]) => (a === plugs[0] && b === plugs[1]) || (b === plugs[0] && a === plugs[1]),
  )
  const choice = !fits ? cables : joining.length ? joining : alike.length ? alike : cables
  const [lead] = nth(choice, cable)
  const ends = some({
    from: adapters[0] === undefined || fits ? undefined : nth(ADAPTERS, adapters[0]),
    to: adapters[1] === undefined || fits ? undefined : nth(ADAPTERS, adapters[1]),
  })
  return {
    ...some({ from: out?.end, to: input?.end, routeM, pieces: pieceM === undefined ? undefined : [pieceM] }),
    cable: lead,
    ...(Object.keys(ends).length ? { adapters: ends } : {}),
    ...(turned && !fits ? { turned: true as const } : {}),
  }
}

const brief: fc.Arbitrary<Plan['brief']> = fc
  .record({
    crew: maybe(fc.nat(5)),
    spareInputs: maybe(fc.nat(4)),
    mains: maybe(fc.constantFrom('230v-50hz', '120v-60hz')),
    start: maybe(fc.constant('19:00')),
    end: maybe(fc.constant('21:30')),
    standard: maybe(fc.constantFrom(...FORMATS), 1),
    secondWay: maybe(fc.constant(true), 1),
  })
  .map(one => some(one) as Plan['brief'])

/** Any legal plan of up to so many devices and links. */
export const wildPlans = (devices = 9, links = 14): fc.Arbitrary<Plan> =>
  fc
    .tuple(
      fc.array(pick, { minLength: 1, maxLength: devices }),
      fc.array(wire, { maxLength: links }),
      fc.array(fc.tuple(fc.nat(40), fc.constantFrom(...FEEDS), fc.boolean()), { maxLength: 2 }),
      brief,
      fc.array(maybe(fc.integer({ min: 1, max: 200 })), { minLength: 3, maxLength: 3 }),
    )
    .map(parts => built(...parts))
