import { MAX_FILE_BYTES } from '#core/document'
import harbour from '../demo/harbour-robotics-cup.json'
import kiln from '../demo/kiln-night.json'
import { BUDGETS, type Row } from './refused-budgets'

/** A file that must not be taken, and what must be said of it: where, what was found, what is allowed. */
export interface Refused {
  readonly name: string
  readonly text: string
  readonly path: string
  readonly found: string
  readonly allowed: string
}

const DEMOS = { kiln, harbour }
const read = (name: keyof typeof DEMOS): any => JSON.parse(JSON.stringify(DEMOS[name]))

/** Kiln Night with one change made to it. */
export function changed(change: (file: any) => void, name: keyof typeof DEMOS = 'kiln'): unknown {
  const file = read(name)
  change(file)
  return file
}

const odd = (rest: object) => ({
  title: 'Odd',
  role: 'source',
  ports: { out: { title: 'Out', dir: 'out', carries: 'hdmi', connector: 'hdmi-a' } },
  paths: [],
  watts: 1,
  supply: 'none',
  priceMinor: 0,
  ...rest,
})
const oddLead = (rest: object) => ({
  kind: 'cable',
  title: 'Odd',
  carries: 'hdmi',
  ends: ['hdmi-a', 'hdmi-a'],
  oneWay: false,
  joins: true,
  reach: { kind: 'length', steps: [{ uptoBitsPerS: 1e9, warnM: 1, faultM: 2 }] },
  stock: [{ m: 1, priceMinor: 1 }],
  ...rest,
})

const CHANGED: readonly Row[] = [
  [
    'a distance below nothing',
    f => {
      f.plans.main.distances = { a: { between: ['hall', 'stage'], m: -1 } }
    },
    '/plans/main/distances/a/m',
    '-1',
    'a number >= 0',
  ],
  [
    'a distance between three places',
    f => {
      f.plans.main.distances = { a: { between: ['hall', 'stage', 'yard'], m: 1 } }
    },
    '/plans/main/distances/a/between',
    '3 entries',
    'at most 2',
  ],
  [
    'one distance twice',
    f => {
      f.plans.main.distances = { a: { between: ['hall', 'stage'], m: 10 }, b: { between: ['stage', 'hall'], m: 12 } }
    },
    '/plans/main/distances/b/between',
    '"stage" and "hall", as in a',
    'two places that no other distance is between',
  ],
  [
    'a fixed picture in picture of an output',
    f => {
      f.plans.main.models.odd = odd({ inset: 'out' })
    },
    '/plans/main/models/odd/inset',
    '"out"',
    'an input of the model for pictures',
  ],
  [
    'unknown version',
    f => {
      f.format = 4
    },
    '/format',
    '4',
    '3, or an older version from 1 on',
  ],
  [
    'older than any',
    f => {
      f.format = 0
    },
    '/format',
    '0',
    'from 1 on',
  ],
  [
    'version as text',
    f => {
      f.format = '1'
    },
    '/format',
    '"1"',
    '3',
  ],
  [
    'no version',
    f => {
      delete f.format
    },
    '/format',
    'nothing',
    '3',
  ],
  [
    'no plan',
    f => {
      f.plans = {}
    },
    '/plans',
    '0 entries',
    'at least 1',
  ],
  [
    'unknown key at the top',
    f => {
      f.colour = 1
    },
    '/colour',
    'unknown key "colour"',
    'format, show, plans',
  ],
  [
    'unknown key in a device',
    f => {
      f.plans.main.devices.wide.colour = 1
    },
    '/plans/main/devices/wide/colour',
    'unknown key',
    'model, name, order',
  ],
  [
    'wrong type',
    f => {
      f.plans.main.links['wide-to-main'].routeM = 'far'
    },
    '/plans/main/links/wide-to-main/routeM',
    '"far"',
    'number',
  ],
  [
    'negative route',
    f => {
      f.plans.main.links['wide-to-main'].routeM = -1
    },
    '/plans/main/links/wide-to-main/routeM',
    '-1',
    '>= 0',
  ],
  [
    'unknown rate',
    f => {
      f.plans.main.devices.main.standard.rate = '29.97'
    },
    '/plans/main/devices/main/standard/rate',
    '"29.97"',
    '30000/1001',
  ],
  [
    'a format that no standard defines',
    f => {
      f.plans.main.devices.main.standard.scan = 'i'
    },
    '/plans/main/devices/main/standard',
    '1080i59.94',
    'standard defines',
  ],
  [
    'upper case in an id',
    f => {
      f.plans.main.devices.Wide2 = f.plans.main.devices.wide
    },
    '/plans/main/devices/Wide2',
    '"Wide2"',
    'lower-case',
  ],
  [
    'model without referent',
    f => {
      f.plans.main.devices.wide.model = 'nope'
    },
    '/plans/main/devices/wide/model',
    '"nope"',
    'camera-hand-hdmi',
  ],
  [
    'catalogue row that is not there',
    f => {
      f.plans.main.models.phone.from = 'builtin/nope@1'
    },
    '/plans/main/models/phone/from',
    'builtin/nope@1',
    'switcher-4-strict',
  ],
  [
    'catalogue revision that is not there',
    f => {
      f.plans.main.models.phone.from = 'builtin/phone@9'
    },
    '/plans/main/models/phone/from',
    'builtin/phone@9',
    'builtin/phone@2',
  ],
  [
    'cable without referent',
    f => {
      f.plans.main.links['wide-to-main'].cable = 'rope'
    },
    '/plans/main/links/wide-to-main/cable',
    '"rope"',
    'hdmi-passive',
  ],
  [
    'adapter used as cable',
    f => {
      f.plans.main.links['wide-to-main'].cable = 'adapter-hdmi-micro'
    },
    '/plans/main/links/wide-to-main/cable',
    'adapter-hdmi-micro',
    'kind cable',
  ],
  [
    'link to a device that is not there',
    f => {
      f.plans.main.links['wide-to-main'].to.device = 'gone'
    },
    '/plans/main/links/wide-to-main/to/device',
    '"gone"',
    'main',
  ],
  [
    'link without ends',
    f => {
      delete f.plans.main.links['wide-to-main'].to
      delete f.plans.main.links['wide-to-main'].from
    },
    '/plans/main/links/wide-to-main',
    'without either end',
    'from, to',
  ],
  [
    'setting of a port that is not there',
    f => {
      f.plans.main.devices.wide.ports = { sdi: { label: 'x' } }
    },
    '/plans/main/devices/wide/ports/sdi',
    '"sdi"',
    'hdmi',
  ],
  [
    'mode that is not there',
    f => {
      f.plans.main.devices.wide.mode = 'dream'
    },
    '/plans/main/devices/wide/mode',
    '"dream"',
    'live',
  ],
  [
    'want without sink',
    f => {
      f.plans.main.wants.keep.sink = 'gone'
    },
    '/plans/main/wants/keep/sink',
    '"gone"',
    'recorder',
  ],
  [
    'a device inside itself',
    f => {
      f.plans.main.devices.wide.in = 'wide'
    },
    '/plans/main/devices/wide/in',
    'a circle',
    'not, in the end',
  ],
  [
    'devices inside each other',
    f => {
      f.plans.main.devices.wide.in = 'close'
      f.plans.main.devices.close.in = 'wide'
    },
    '/plans/main/devices/wide/in',
    'wide in close in wide',
    'not, in the end',
  ],
  [
    'plans from each other',
    f => {
      f.plans.other = { ...f.plans.main, basedOn: { plan: 'main', revision: 1 } }
      f.plans.main.basedOn = { plan: 'other', revision: 1 }
    },
    '/plans/main/basedOn/plan',
    'a circle',
    'stem',
  ],
  [
    'plan from nowhere',
    f => {
      f.plans.main.basedOn = { plan: 'gone', revision: 1 }
    },
    '/plans/main/basedOn/plan',
    '"gone"',
    'main',
  ],
  [
    'id constructor',
    f => {
      f.plans.main.devices = JSON.parse('{"constructor":{"model":"phone","name":"x","order":1}}')
    },
    '/plans/main/devices/constructor',
    '"constructor"',
    'ids',
  ],
  [
    'own model with a path from an output',
    f => {
      f.plans.main.models.odd = {
        title: 'Odd',
        role: 'way',
        ports: { out: { title: 'Out', dir: 'out', carries: 'hdmi', connector: 'hdmi-a' } },
        paths: [{ from: ['out'], to: ['out'], format: 'same', delay: { min: 0, typ: 0, max: 0, unit: 'ms' } }],
        watts: 1,
        supply: 'none',
        priceMinor: 0,
      }
    },
    '/plans/main/models/odd/paths/0/from',
    '"out"',
    'direction in',
  ],
  [
    'own model with a delay the wrong way round',
    f => {
      f.plans.main.models.odd = {
        title: 'Odd',
        role: 'source',
        ports: { out: { title: 'Out', dir: 'out', carries: 'hdmi', connector: 'hdmi-a' } },
        paths: [],
        delay: { min: 3, typ: 2, max: 1, unit: 'frames' },
        watts: 1,
        supply: 'none',
        priceMinor: 0,
      }
    },
    '/plans/main/models/odd/delay',
    '3 / 2 / 1',
    'min <= typ <= max',
  ],
  [
    'own cable that reaches farther at a higher rate',
    f => {
      f.plans.main.leads.odd = {
        kind: 'cable',
        title: 'Odd',
        carries: 'hdmi',
        ends: ['hdmi-a', 'hdmi-a'],
        oneWay: false,
        joins: true,
        reach: {
          kind: 'length',
          steps: [
            { uptoBitsPerS: 1e9, warnM: 1, faultM: 2 },
            { uptoBitsPerS: 2e9, warnM: 1, faultM: 3 },
          ],
        },
        stock: [{ m: 1, priceMinor: 1 }],
      }
    },
    '/plans/main/leads/odd/reach/steps/1',
    'faultM',
    'never rise',
  ],
  [
    'title with a control character',
    f => {
      f.show.title = 'a\u0000b'
    },
    '/show/title',
    'a',
    'control',
  ],
  [
    'empty title',
    f => {
      f.show.title = ''
    },
    '/show/title',
    '""',
    '1 to 120',
  ],
]

/** Harbour Robotics Cup with one change made to it. */
const HARBOUR: readonly Row[] = [
  [
    'a day that is none',
    f => {
      f.plans.main.brief.date = '2027-02-30'
    },
    '/plans/main/brief/date',
    '"2027-02-30"',
    'day',
  ],
  [
    'a day as people write it',
    f => {
      f.plans.main.brief.date = '13.3.2027'
    },
    '/plans/main/brief/date',
    '"13.3.2027"',
    '2026-',
  ],
  [
    'a time past midnight',
    f => {
      f.plans.main.brief.doors = '24:00'
    },
    '/plans/main/brief/doors',
    '"24:00"',
    ':',
  ],
  [
    'mains of nowhere',
    f => {
      f.plans.main.brief.mains = '110v-50hz'
    },
    '/plans/main/brief/mains',
    '"110v-50hz"',
    '230v-50hz',
  ],
  [
    'half an input',
    f => {
      f.plans.main.brief.spareInputs = 1.5
    },
    '/plans/main/brief/spareInputs',
    '1.5',
    'integer',
  ],
  [
    'a crowd as crew',
    f => {
      f.plans.main.brief.crew = 5000
    },
    '/plans/main/brief/crew',
    '5000',
    '<= 999',
  ],
  [
    'a standard that is none',
    f => {
      f.plans.main.brief.standard = { raster: '1280x720', scan: 'i', rate: '25/1' }
    },
    '/plans/main/brief/standard',
    '720i50',
    'standard defines',
  ],
  [
    'a currency by its sign',
    f => {
      f.plans.main.brief.currency = '\u20AC'
    },
    '/plans/main/brief/currency',
    '"\u20AC"',
    'three capital letters',
  ],
  [
    'lengths in yards',
    f => {
      f.plans.main.brief.units = 'yd'
    },
    '/plans/main/brief/units',
    '"yd"',
    'ft',
  ],
  [
    'a window of sound that nobody defines',
    f => {
      f.plans.main.brief.syncWindow = 'tight'
    },
    '/plans/main/brief/syncWindow',
    '"tight"',
    'r37',
  ],
  [
    'a secret in the brief',
    f => {
      f.plans.main.brief.streamKey = 'abcd'
    },
    '/plans/main/brief/streamKey',
    'unknown key',
    'place',
  ],
  [
    'a want that asks nothing',
    f => {
      f.plans.main.wants.keep.asks = {}
    },
    '/plans/main/wants/keep/asks',
    '0 entries',
    'at least 1',
  ],
  [
    'a want that asks an unknown raster',
    f => {
      f.plans.main.wants.keep.asks = { raster: '1080' }
    },
    '/plans/main/wants/keep/asks/raster',
    '"1080"',
    '1920x1080',
  ],
  [
    'a want of an unknown feed',
    f => {
      f.plans.main.wants.keep.feed = 'all'
    },
    '/plans/main/wants/keep/feed',
    '"all"',
    'program',
  ],
  [
    'sound that is not wanted, said in full',
    f => {
      f.plans.main.wants.keep.sound = false
    },
    '/plans/main/wants/keep/sound',
    'false',
    'true',
  ],
  [
    'an unknown shot',
    f => {
      f.plans.main.devices.wide.shot = 'nice'
    },
    '/plans/main/devices/wide/shot',
    '"nice"',
    'safe',
  ],
  [
    'a shutter in seconds',
    f => {
      f.plans.main.devices.wide.shutter = 0.02
    },
    '/plans/main/devices/wide/shutter',
    '0.02',
    'integer',
  ],
  [
    'a note with a bell in it',
    f => {
      f.plans.main.devices.wide.note = 'ring\u0007'
    },
    '/plans/main/devices/wide/note',
    'ring',
    '400',
  ],
  [
    'a name longer than a label',
    f => {
      f.plans.main.devices.wide.name = 'x'.repeat(121)
    },
    '/plans/main/devices/wide/name',
    'xxx',
    '120',
  ],
  [
    'a label longer than a tile',
    f => {
      f.plans.main.devices.main.ports = { 'in-1': { label: 'x'.repeat(25) } }
    },
    '/plans/main/devices/main/ports/in-1/label',
    'xxx',
    '24',
  ],
  [
    'an order that is no number',
    f => {
      f.plans.main.devices.wide.order = '1'
    },
    '/plans/main/devices/wide/order',
    '"1"',
    'number',
  ],
  [
    'a port without any setting',
    f => {
      f.plans.main.devices.main.ports = { 'in-1': {} }
    },
    '/plans/main/devices/main/ports/in-1',
    '0 entries',
    'at least 1',
  ],
  [
    'sound opened halfway',
    f => {
      f.plans.main.devices.main.ports = { 'in-1': { sound: 'half' } }
    },
    '/plans/main/devices/main/ports/in-1/sound',
    '"half"',
    'follows',
  ],
  [
    'sound held back for minutes',
    f => {
      f.plans.main.devices.main.ports = { 'in-1': { soundDelayMs: 60_000 } }
    },
    '/plans/main/devices/main/ports/in-1/soundDelayMs',
    '60000',
    '<= 2000',
  ],
  [
    'kit of nothing',
    f => {
      f.plans.main.kit.extra = { kind: 'model', id: 'nope', owned: 1 }
    },
    '/plans/main/kit/extra/id',
    '"nope"',
    'a key of models',
  ],
  [
    'kit of a cable without its length',
    f => {
      f.plans.main.kit.extra = { kind: 'lead', id: Object.keys(f.plans.main.leads)[0], owned: 1 }
    },
    '/plans/main/kit/extra/pieceM',
    'nothing',
    'a stock length',
  ],
  [
    'kit of a camera by the metre',
    f => {
      f.plans.main.kit.extra = { kind: 'model', id: Object.keys(f.plans.main.models)[0], pieceM: 2, owned: 1 }
    },
    '/plans/main/kit/extra/pieceM',
    '2',
    'only cables',
  ],
  [
    'kit that is owed',
    f => {
      f.plans.main.kit.extra = { kind: 'model', id: Object.keys(f.plans.main.models)[0], owned: -1 }
    },
    '/plans/main/kit/extra/owned',
    '-1',
    '>= 0',
  ],
  [
    'kit of an unknown sort',
    f => {
      f.plans.main.kit.extra = { kind: 'person', id: 'x', owned: 1 }
    },
    '/plans/main/kit/extra/kind',
    '"person"',
    'lead',
  ],
  [
    'a cable turned by a word',
    f => {
      Object.values<any>(f.plans.main.links)[0].turned = 'yes'
    },
    '/plans/main/links/LINK/turned',
    '"yes"',
    'true',
  ],
  [
    'pieces of no length',
    f => {
      Object.values<any>(f.plans.main.links)[0].pieces = [0]
    },
    '/plans/main/links/LINK/pieces/0',
    '0',
    '>= 0.001',
  ],
  [
    'an empty list of pieces',
    f => {
      Object.values<any>(f.plans.main.links)[0].pieces = []
    },
    '/plans/main/links/LINK/pieces',
    '0 entries',
    'at least 1',
  ],
  [
    'couplers by halves',
    f => {
      Object.values<any>(f.plans.main.links)[0].couplers = 0.5
    },
    '/plans/main/links/LINK/couplers',
    '0.5',
    'integer',
  ],
  [
    'an adapter that is not there',
    f => {
      Object.values<any>(f.plans.main.links)[0].adapters = { to: 'nope' }
    },
    '/plans/main/links/LINK/adapters/to',
    '"nope"',
    'kind adapter',
  ],
  [
    'a link that ends in a list',
    f => {
      Object.values<any>(f.plans.main.links)[0].to = ['main', 'in-1']
    },
    '/plans/main/links/LINK/to',
    'a list',
    'object',
  ],
  [
    'devices as a list',
    f => {
      f.plans.main.devices = Object.values(f.plans.main.devices)
    },
    '/plans/main/devices',
    'a list',
    'object',
  ],
  [
    'a plan that is null',
    f => {
      f.plans.main = null
    },
    '/plans/main',
    'null',
    'object',
  ],
  [
    'an id with a slash',
    f => {
      f.plans['../main'] = f.plans.main
    },
    '/plans/../main',
    '"../main"',
    'lower-case',
  ],
  [
    'an id that is too long',
    f => {
      f.plans.main.segments = { ['x'.repeat(65)]: { title: 'x', order: 1 } }
    },
    `/plans/main/segments/${'x'.repeat(65)}`,
    'xxx',
    '64',
  ],
  [
    'own model with a role of its own',
    f => {
      f.plans.main.models.odd = odd({ role: 'magic' })
    },
    '/plans/main/models/odd/role',
    '"magic"',
    'source',
  ],
  [
    'own model with a plug of its own',
    f => {
      f.plans.main.models.odd = odd({
        ports: { out: { title: 'Out', dir: 'out', carries: 'hdmi', connector: 'round' } },
      })
    },
    '/plans/main/models/odd/ports/out/connector',
    '"round"',
    'hdmi-a',
  ],
  [
    'own model that draws less than nothing',
    f => {
      f.plans.main.models.odd = odd({ watts: -5 })
    },
    '/plans/main/models/odd/watts',
    '-5',
    '>= 0',
  ],
  [
    'own model that costs a fraction of a cent',
    f => {
      f.plans.main.models.odd = odd({ priceMinor: 0.5 })
    },
    '/plans/main/models/odd/priceMinor',
    '0.5',
    'integer',
  ],
  [
    'own model that makes what no standard defines',
    f => {
      f.plans.main.models.odd = odd({
        ports: {
          out: {
            title: 'Out',
            dir: 'out',
            carries: 'hdmi',
            connector: 'hdmi-a',
            makes: [{ raster: '1280x720', scan: 'i', rates: ['25/1'] }],
          },
        },
      })
    },
    '/plans/main/models/odd/ports/out/makes',
    '720i',
    'standard defines',
  ],
  [
    'own cable with one end',
    f => {
      f.plans.main.leads.odd = oddLead({ ends: ['hdmi-a'] })
    },
    '/plans/main/leads/odd/ends',
    '1',
    '2',
  ],
  [
    'own cable of infinite length',
    f => {
      f.plans.main.leads.odd = oddLead({ stock: [{ m: 1e9, priceMinor: 1 }] })
    },
    '/plans/main/leads/odd/stock/0/m',
    '1000000000',
    '<=',
  ],
]

const TEXTS: readonly [name: string, text: string, path: string, found: string, allowed: string][] = [
  ['no JSON', '{', '/', 'no JSON', 'one JSON object'],
  ['nothing', '', '/', 'no JSON', 'one JSON object'],
  ['a list', '[]', '/', 'a list', 'an object'],
  ['null', 'null', '/', 'null', 'an object'],
  ['__proto__', '{"format":1,"__proto__":{"polluted":true}}', '/__proto__', '"__proto__"', 'ids'],
  ['prototype deep inside', '{"a":{"b":[{"prototype":1}]}}', '/a/b/0/prototype', '"prototype"', 'ids'],
  ['deep nesting', '['.repeat(100_000) + ']'.repeat(100_000), `${'/0'.repeat(32)}`, 'levels of nesting', '32'],
  ['too large', `{"a":"${'x'.repeat(MAX_FILE_BYTES)}"}`, '/', 'more than 20000000 bytes', '20 MB'],
  [
    'too large in bytes only',
    `{"a":"${'\u00e9'.repeat(MAX_FILE_BYTES / 2)}"}`,
    '/',
    'more than 20000000 bytes',
    '20 MB',
  ],
  ['a picture', '\uFFFDPNG\r\n\u001A\n\u0000\u0000', '/', 'no JSON', 'one JSON object'],
  ['a table', 'source,input\nWide,1\n', '/', 'no JSON', 'one JSON object'],
  ['JSON with a comment', '{ // ours\n"format": 2 }', '/', 'no JSON', 'one JSON object'],
  ['half a file', JSON.stringify(read('kiln')).slice(0, 4000), '/', 'no JSON', 'one JSON object'],
  [
    'a number past all numbers',
    JSON.stringify(
      changed(f => {
        f.plans.main.links['wide-to-main'].routeM = 'BIG'
      }),
    ).replace('"BIG"', '1e999'),
    '/plans/main/links/wide-to-main/routeM',
    'Infinity',
    '',
  ],
]

/** Bad files of every kind, none of which may be taken. */
export const REFUSED: readonly Refused[] = [
  ...[...CHANGED, ...BUDGETS].map(([name, change, path, found, allowed]) => ({
    name,
    text: JSON.stringify(changed(change)),
    path,
    found,
    allowed,
  })),
  ...HARBOUR.map(([name, change, path, found, allowed]) => {
    const file = changed(change, 'harbour') as any
    return {
      name,
      text: JSON.stringify(file),
      path: path.replace('LINK', Object.keys(file.plans?.main?.links ?? {})[0] ?? ''),
      found,
      allowed,
    }
  }),
  ...TEXTS.map(([name, text, path, found, allowed]) => ({ name, text, path, found, allowed })),
]
