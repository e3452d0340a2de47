import { listOf, mapOf, number, object, oneOf, ref, whole, type Schema } from '#core/kernel'
import { RASTER_IDS, RATE_TEXTS, SCANS } from '#core/signal'
import { briefSchema } from './brief'
import { COLLECTIONS, DEFINITIONS } from './collections'
import { adapter, cable } from './collections/leads'
import { linkEnd } from './collections/links'
import { path, port } from './collections/models'
import { FORMAT_VERSION } from './plan'
import { REFERENCE, SLUG } from './problem'

const DATE = '^20[0-9]{2}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$'
const TIME = '^([01][0-9]|2[0-3]):[0-5][0-9]$'

/** A catalogue row, or its reference alone. */
const rowOrReference = (full: Schema): Schema => ({
  type: 'object',
  if: { required: ['title'] },
  then: full,
  else: object(['from'], { from: { type: 'string', pattern: REFERENCE } }),
})

const entries = Object.fromEntries(COLLECTIONS.map(name => [DEFINITIONS[name].entry, DEFINITIONS[name].schema]))

const maps = Object.fromEntries(
  COLLECTIONS.map(name => {
    const { entry, embeds, most } = { embeds: undefined, ...DEFINITIONS[name] }
    return [name, mapOf(embeds ? rowOrReference(ref(entry)) : ref(entry), most)]
  }),
)

const plan = object(['title'], {
  title: ref('title'),
  basedOn: object(['plan', 'revision'], { plan: ref('slug'), revision: whole(0, 1e9) }),
  brief: ref('brief'),
  ...maps,
})

const edit = {
  type: 'object',
  required: ['do'],
  discriminator: { propertyName: 'do' },
  oneOf: [
    object(['do', 'collection', 'id', 'value'], {
      do: { const: 'add' },
      collection: oneOf(COLLECTIONS),
      id: ref('slug'),
      value: { type: 'object' },
    }),
    object(['do', 'collection', 'id'], { do: { const: 'remove' }, collection: oneOf(COLLECTIONS), id: ref('slug') }),
    object(['do', 'at'], { do: { const: 'set' }, at: { ...listOf(ref('fieldName'), 12, 1) }, value: {} }),
    object(['do', 'id', 'link'], { do: { const: 'connect' }, id: ref('slug'), link: ref('link') }),
    object(['do', 'id'], { do: { const: 'disconnect' }, id: ref('slug') }),
    object(['do', 'id', 'end'], {
      do: { const: 'move' },
      id: ref('slug'),
      end: oneOf(['from', 'to']),
      to: ref('linkEnd'),
      adapter: ref('slug'),
    }),
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
    formatSets: listOf(
      object(['raster', 'scan', 'rates'], {
        raster: oneOf(RASTER_IDS),
        scan: oneOf(SCANS),
        rates: listOf(ref('rate'), RATE_TEXTS.length, 1),
      }),
      100,
    ),
    delay: object(['min', 'typ', 'max', 'unit'], {
      min: number(0, 10_000),
      typ: number(0, 10_000),
      max: number(0, 10_000),
      unit: oneOf(['ms', 'frames']),
    }),
    port,
    path,
    cable,
    adapter,
    date: { type: 'string', pattern: DATE },
    time: { type: 'string', pattern: TIME },
    brief: briefSchema,
    linkEnd,
    ...entries,
    plan,
    edit,
    transaction: object(['client', 'seq', 'title', 'edits'], {
      client: { type: 'string', pattern: '^[a-z0-9-]{4,40}$' },
      seq: whole(1, Number.MAX_SAFE_INTEGER),
      title: ref('title'),
      edits: listOf(ref('edit'), 5000, 1),
      who: { type: 'string', pattern: '^[^\\u0000-\\u001f\\u007f]{1,40}$' },
      undoes: ref('transactionId'),
      redoes: ref('transactionId'),
    }),
    transactionId: { type: 'string', pattern: '^[a-z0-9-]{4,40}:[1-9][0-9]{0,15}$' },
  },
} as const
