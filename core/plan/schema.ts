import { CABLE_SCHOOLS } from '#core/cable'
import { FEEDS, KINDS, ROLES } from '#core/catalog'
import { ASPECTS, CONNECTORS, DEPTHS, DIVISIONS, LEVELS, MAINS_IDS, RANGES, RASTER_IDS, RATE_TEXTS, SAMPLINGS, SCANS, SDI_CLASSES, SIGNAL_KINDS, TRANSFERS, USB_CLASSES } from '#core/signal'
import { COLLECTIONS, FITS, FORMAT_VERSION, LENGTH_UNITS, OPENINGS, PAPERS, SHOTS, SYNC_WINDOWS } from './plan'

// `constructor` is the one name of Object.prototype that looks like a slug; every map of a plan is keyed by slugs.
const SLUG = '^(?!constructor$)[a-z0-9](?:[a-z0-9-]{0,62}[a-z0-9])?$'
const REFERENCE = '^builtin/[a-z0-9-]{1,64}@[1-9][0-9]{0,5}$'

// A rule and the place of its finding, as `findingKey` of core/check writes it.
const FINDING = '^[A-Z][0-9]{2}:[a-z0-9/@-]{1,220}$'
const DATE = '^20[0-9]{2}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$'
const TIME = '^([01][0-9]|2[0-3]):[0-5][0-9]$'

type Schema = Record<string, unknown>
const ref = (name: string): Schema => ({ $ref: `#/$defs/${name}` })
const object = (required: string[], properties: Record<string, Schema>, more: Schema = {}): Schema =>
  ({ type: 'object', additionalProperties: false, required, properties, ...more })
const mapOf = (values: Schema, max = 5000): Schema => ({ type: 'object', propertyNames: ref('slug'), additionalProperties: values, maxProperties: max })
const listOf = (items: Schema, max: number, min = 0): Schema => ({ type: 'array', items, minItems: min, maxItems: max })
const number = (minimum: number, maximum: number): Schema => ({ type: 'number', minimum, maximum })
const whole = (minimum: number, maximum: number): Schema => ({ type: 'integer', minimum, maximum })
const oneOf = (values: readonly (string | number)[]): Schema => ({ enum: [...values] })
/** A catalogue row, or its reference alone. */
const rowOrReference = (full: Schema): Schema => ({
  type: 'object',
  if: { required: ['title'] },
  then: full,
  else: object(['from'], { from: { type: 'string', pattern: REFERENCE } }),
})

const price = whole(0, 1e9)
const lengthM = number(0, 20_000)

const model = object(['title', 'role', 'ports', 'paths', 'watts', 'supply', 'minor'], {
  from: { type: 'string', pattern: REFERENCE },
  title: ref('title'),
  short: ref('title'),
  role: oneOf(ROLES),
  kind: oneOf(KINDS),
  ports: { ...mapOf(ref('port'), 200), minProperties: 1 },
  paths: listOf(ref('path'), 200),
  modes: { ...mapOf(object(['title', 'makes'], { title: ref('title'), makes: mapOf(ref('formatSets'), 200), records: ref('formatSets') }), 50), minProperties: 1 },
  standards: ref('formatSets'),
  delay: ref('delay'),
  limits: listOf(object(['what', 'minutes'], { what: oneOf(['power-off', 'sleep', 'recording']), minutes: number(1, 10_000), settable: { const: true } }), 10),
  configured: listOf(ref('slug'), 20, 1),
  inset: ref('slug'),
  keyers: whole(0, 64),
  records: whole(0, 64),
  radio: object(['fMHz', 'eirpDbm', 'gainDbi', 'needsDbm', 'channels'], { fMHz: number(100, 100_000), eirpDbm: number(-20, 60), gainDbi: number(-10, 40), needsDbm: number(-120, 0), channels: whole(1, 200) }),
  usb: object(['class', 'bitsPerPixel'], { class: oneOf(Object.keys(USB_CLASSES)), bitsPerPixel: number(1, 64) }),
  watts: number(0, 20_000),
  supply: oneOf(['mains', 'usb', 'battery', 'none']),
  minor: price,
})

const sold = { from: { type: 'string', pattern: REFERENCE }, title: ref('title'), short: ref('title'), carries: oneOf(SIGNAL_KINDS), ends: listOf(oneOf(CONNECTORS), 2, 2), bare: { const: true } }
const cable = object(['kind', 'title', 'carries', 'ends', 'oneWay', 'joins', 'reach', 'stock'], {
  ...sold,
  kind: { const: 'cable' },
  oneWay: { type: 'boolean' },
  installed: listOf(ref('title'), 2, 2),
  joins: { type: 'boolean' },
  reach: {
    type: 'object',
    if: { properties: { by: { const: 'attenuation' } } },
    then: object(['by', 'k1', 'k2'], { by: { const: 'attenuation' }, k1: number(0.01, 100), k2: number(0, 1) }),
    else: object(['by', 'steps'], {
      by: { const: 'length' },
      steps: listOf(object(['uptoBitsPerS', 'warnM', 'faultM'], { uptoBitsPerS: number(1, 1e12), warnM: lengthM, faultM: lengthM }), 20, 1),
    }),
  },
  stock: listOf(object(['m', 'minor'], { m: number(0.001, 20_000), minor: price }), 100, 1),
})
const adapter = object(['kind', 'title', 'carries', 'ends', 'minor'], { ...sold, kind: { const: 'adapter' }, minor: price })

const plan = object(['title'], {
  title: ref('title'),
  basedOn: object(['plan', 'revision'], { plan: ref('slug'), revision: whole(0, 1e9) }),
  brief: ref('brief'),
  wants: mapOf(ref('want')),
  models: mapOf(rowOrReference(ref('model')), 1000),
  leads: mapOf(rowOrReference(ref('lead')), 1000),
  devices: mapOf(ref('device')),
  links: mapOf(ref('link'), 10_000),
  segments: mapOf(ref('segment'), 1000),
  kit: mapOf(ref('kit'), 2000),
  accepted: mapOf(ref('acceptance'), 2000),
  distances: mapOf(ref('distance'), 2000),
})

const edit = {
  type: 'object',
  required: ['do'],
  discriminator: { propertyName: 'do' },
  oneOf: [
    object(['do', 'collection', 'id', 'value'], { do: { const: 'add' }, collection: oneOf(COLLECTIONS), id: ref('slug'), value: { type: 'object' } }),
    object(['do', 'collection', 'id'], { do: { const: 'remove' }, collection: oneOf(COLLECTIONS), id: ref('slug') }),
    object(['do', 'at'], { do: { const: 'set' }, at: { ...listOf(ref('fieldName'), 12, 1) }, value: {} }),
    object(['do', 'id', 'link'], { do: { const: 'connect' }, id: ref('slug'), link: ref('link') }),
    object(['do', 'id'], { do: { const: 'disconnect' }, id: ref('slug') }),
    object(['do', 'id', 'end'], { do: { const: 'move' }, id: ref('slug'), end: oneOf(['from', 'to']), to: ref('linkEnd'), adapter: ref('slug') }),
  ],
}

/** JSON Schema (draft-07 with $defs) of the open file and of edits. Compiled ahead by scripts/compile-schema.ts. */
export const SCHEMA = {
  $id: 'interlumen',
  ...object(['format', 'show', 'plans'], {
    format: { const: FORMAT_VERSION },
    show: object(['title'], { title: ref('title') }),
    plans: { ...mapOf(ref('plan'), 100), minProperties: 1 },
  }),
  $defs: {
    slug: { type: 'string', pattern: SLUG },
    // Patterns, not minLength: the compiled code then needs no runtime package. No control characters.
    title: { type: 'string', pattern: '^[^\\u0000-\\u001f\\u007f]{1,120}$' },
    note: { type: 'string', pattern: '^[^\\u0000-\\u0009\\u000b-\\u001f\\u007f]{1,400}$' },
    // Steps of a path into a plan: slugs, and the field names of this schema.
    fieldName: { type: 'string', pattern: '^(?!constructor$|prototype$)[A-Za-z0-9][A-Za-z0-9-]{0,63}$' },
    rate: oneOf(RATE_TEXTS),
    format: object(['raster', 'scan', 'rate'], { raster: oneOf(RASTER_IDS), scan: oneOf(SCANS), rate: ref('rate') }),
    formatSets: listOf(object(['raster', 'scan', 'rates'], { raster: oneOf(RASTER_IDS), scan: oneOf(SCANS), rates: listOf(ref('rate'), RATE_TEXTS.length, 1) }), 100),
    delay: object(['min', 'typ', 'max', 'unit'], { min: number(0, 10_000), typ: number(0, 10_000), max: number(0, 10_000), unit: oneOf(['ms', 'frames']) }),
    port: object(['title', 'dir', 'carries', 'connector'], {
      title: ref('title'), dir: oneOf(['in', 'out']), carries: oneOf(SIGNAL_KINDS), connector: oneOf(CONNECTORS),
      number: whole(1, 999), maxMHz: number(1, 10_000), classes: listOf(oneOf(SDI_CLASSES), SDI_CLASSES.length, 1),
      budgetDb: object([], Object.fromEntries(SDI_CLASSES.map(name => [name, number(1, 100)]))),
      coding: object(['sampling', 'depth'], { sampling: oneOf(SAMPLINGS), depth: oneOf(DEPTHS) }),
      makes: ref('formatSets'),
      takes: { if: { type: 'string' }, then: { const: 'standard' }, else: ref('formatSets') },
      delay: ref('delay'),
      feeds: listOf(oneOf(FEEDS), FEEDS.length, 1),
      sound: whole(0, 64),
      levels: listOf(oneOf(LEVELS), 2, 1), divisions: listOf(oneOf(DIVISIONS), 2, 1), protection: oneOf(['always', 'switchable']), decodes: { type: 'boolean' },
      ranges: listOf(oneOf(RANGES), 2, 1), transfers: listOf(oneOf(TRANSFERS), TRANSFERS.length, 1), readouts: oneOf(['always', 'switchable']), aspects: listOf(oneOf(ASPECTS), ASPECTS.length, 1),
      fits: { const: true }, follows: { type: 'boolean' }, prefers: ref('format'),
    }),
    path: object(['from', 'to', 'format', 'delay'], {
      from: listOf(ref('slug'), 200, 1), to: listOf(ref('slug'), 200, 1), format: oneOf(['same', 'port', 'standard', 'chosen', 'tiles']), passes: ref('formatSets'), sound: { const: 'drops' }, maps: { const: 'sdr' }, fills: number(0.1, 1), edid: oneOf(['first', 'kept']), delay: ref('delay'),
    }),
    model,
    cable,
    adapter,
    lead: { type: 'object', required: ['kind'], if: { properties: { kind: { const: 'adapter' } } }, then: ref('adapter'), else: ref('cable') },
    date: { type: 'string', pattern: DATE },
    time: { type: 'string', pattern: TIME },
    brief: object([], {
      place: ref('title'), date: ref('date'), rehearsal: ref('time'), doors: ref('time'), start: ref('time'), end: ref('time'),
      mains: oneOf(MAINS_IDS), spareInputs: whole(0, 99), crew: whole(0, 999), syncWindow: oneOf(SYNC_WINDOWS), standard: ref('format'),
      cableSchool: oneOf(CABLE_SCHOOLS), currency: { type: 'string', pattern: '^[A-Z]{3}$' }, secondWay: { const: true }, units: oneOf(LENGTH_UNITS), paper: oneOf(PAPERS),
    }),
    want: object(['sink', 'feed'], {
      sink: ref('slug'), feed: oneOf(FEEDS), sound: { const: true },
      asks: object([], { raster: oneOf(RASTER_IDS), rate: ref('rate') }, { minProperties: 1 }),
    }),
    kit: object(['of', 'id', 'owned'], { of: oneOf(['model', 'lead']), id: ref('slug'), pieceM: number(0.001, 20_000), owned: whole(0, 9999), hired: whole(0, 9999), bought: whole(0, 9999), hireMinor: price }),
    device: object(['model', 'name', 'order'], {
      model: ref('slug'), name: ref('title'), order: number(-1e9, 1e9), place: ref('title'), in: ref('slug'), mode: ref('slug'), standard: ref('format'),
      shot: oneOf(SHOTS), manned: { const: true }, shutter: whole(1, 20_000), air: object(['m'], { m: number(0, 20_000), crowd: { const: true }, wall: { const: true }, channel: whole(1, 200) }), limitsOff: { const: true }, note: ref('note'),
      ports: { ...mapOf(object([], { format: ref('format'), feed: oneOf(FEEDS), of: ref('slug'), label: { type: 'string', pattern: '^[^\\u0000-\\u001f\\u007f]{1,24}$' }, sound: oneOf(OPENINGS), soundDelayMs: number(0, 2000), level: oneOf(LEVELS), division: oneOf(DIVISIONS), unprotected: { const: true }, range: oneOf(RANGES), transfer: oneOf(TRANSFERS), clean: { const: true }, aspect: oneOf(ASPECTS), fit: oneOf(FITS), offAir: { const: true }, reserved: ref('title') }, { minProperties: 1 }), 200), minProperties: 1 },
    }),
    linkEnd: object(['device', 'port'], { device: ref('slug'), port: ref('slug') }),
    link: object(['cable'], {
      from: ref('linkEnd'), to: ref('linkEnd'), cable: ref('slug'),
      adapters: object([], { from: ref('slug'), to: ref('slug') }, { minProperties: 1 }),
      routeM: lengthM, pieces: listOf(number(0.001, 20_000), 200, 1), couplers: whole(0, 200), turned: { const: true }, relief: { const: true }, pinned: { const: true }, note: ref('note'),
    }),
    acceptance: object(['finding', 'reason'], { finding: { type: 'string', pattern: FINDING }, reason: ref('note') }),
    distance: object(['between', 'm'], { between: listOf(ref('title'), 2, 2), m: lengthM }),
    segment: object(['title', 'order'], { title: ref('title'), order: number(-1e9, 1e9), sources: listOf(ref('slug'), 5000) }),
    plan,
    edit,
    transaction: object(['client', 'seq', 'title', 'edits'], {
      client: { type: 'string', pattern: '^[a-z0-9-]{4,40}$' }, seq: whole(1, Number.MAX_SAFE_INTEGER), title: ref('title'),
      edits: listOf(ref('edit'), 5000, 1), who: { type: 'string', pattern: '^[^\\u0000-\\u001f\\u007f]{1,40}$' }, undoes: ref('transactionId'), redoes: ref('transactionId'),
    }),
    transactionId: { type: 'string', pattern: '^[a-z0-9-]{4,40}:[1-9][0-9]{0,15}$' },
  },
} as const
