/** A row of a file that must not be taken: its name, the change, and what must be said: where, what was found, what is allowed. */
export type Row = [name: string, change: (file: any) => void, path: string, found: string, allowed: string]

const battery = { title: 'Pack', order: 1, kind: 'pack', wh: 16 }
const medium = { title: 'Card', order: 1, device: 'recorder', gb: 64 }
const uplink = { title: 'House', order: 1, by: 'wire' }
const lens = { title: 'Zoom', order: 1, fromMm: 8, toMm: 160 }
const destination = { title: 'Page', order: 1, encoder: 'stream', videoMbps: 6 }
const clap = { order: 1, sink: 'hall', source: 'wide', sound: 'desk', earlyMs: [20], heldMs: 0, on: '0a1b2c3d' }

const goods = { title: 'Stand', order: 1, kind: 'stand' }
const service = { title: 'Relay', order: 1, per: 'hour', eachMinor: 1200 }
const job = { title: 'Carry in', order: 1, when: 'build', minutes: 30 }

/** One entry of a collection with something wrong in it. */
const entry =
  (collection: string, whole: object, wrong: object): Row[1] =>
  file => {
    file.plans.main[collection] = { odd: { ...whole, ...wrong } }
  }
/** The same without one of its fields. */
const lacking =
  (collection: string, whole: Record<string, unknown>, field: string): Row[1] =>
  file => {
    const { [field]: _, ...rest } = whole
    file.plans.main[collection] = { odd: rest }
  }
const brief =
  (field: string, value: unknown): Row[1] =>
  file => {
    file.plans.main.brief[field] = value
  }
const port =
  (value: object): Row[1] =>
  file => {
    file.plans.main.devices.main.ports = { 'in-1': value }
  }
const device =
  (field: string, value: unknown): Row[1] =>
  file => {
    file.plans.main.devices.wide[field] = value
  }

/** Batteries, media, lines, claps, and what is set for them. */
export const BUDGETS: readonly Row[] = [
  ['an empty battery', entry('batteries', battery, { wh: 0 }), '/plans/main/batteries/odd/wh', '0', '0.1'],
  [
    'a battery of a kind that is none',
    entry('batteries', battery, { kind: 'dynamo' }),
    '/plans/main/batteries/odd/kind',
    '"dynamo"',
    'bank',
  ],
  [
    'no battery at all in an entry of it',
    entry('batteries', battery, { count: 0 }),
    '/plans/main/batteries/odd/count',
    '0',
    '1',
  ],
  ['half a battery', entry('batteries', battery, { count: 1.5 }), '/plans/main/batteries/odd/count', '1.5', 'integer'],
  ['a battery without hours', lacking('batteries', battery, 'wh'), '/plans/main/batteries/odd', '', 'wh'],
  [
    'a load that is not said yes',
    entry('batteries', battery, { loads: { wide: false } }),
    '/plans/main/batteries/odd/loads/wide',
    'false',
    'true',
  ],
  [
    'a load under no id',
    entry('batteries', battery, { loads: { 'Wide Camera': true } }),
    '/plans/main/batteries/odd/loads/Wide Camera',
    'Wide Camera',
    'lower-case',
  ],
  [
    'a battery with a colour',
    entry('batteries', battery, { colour: 'red' }),
    '/plans/main/batteries/odd/colour',
    'colour',
    'wh',
  ],
  ['a medium of nothing', entry('media', medium, { gb: 0 }), '/plans/main/media/odd/gb', '0', '0.1'],
  [
    'a medium that goes backwards',
    entry('media', medium, { writeMBs: -3 }),
    '/plans/main/media/odd/writeMBs',
    '-3',
    '0.1',
  ],
  [
    'a file system that is none',
    entry('media', medium, { system: 'paper' }),
    '/plans/main/media/odd/system',
    '"paper"',
    'exfat',
  ],
  ['a medium in nobody', lacking('media', medium, 'device'), '/plans/main/media/odd', '', 'device'],
  [
    'a zoom that ends before it begins',
    entry('lenses', lens, { toMm: 4 }),
    '/plans/main/lenses/odd/toMm',
    '4',
    'at least 8',
  ],
  ['a lens of nothing', entry('lenses', lens, { fromMm: 0 }), '/plans/main/lenses/odd/fromMm', '0', '0.5'],
  [
    'a shot of somebody who stands in the lens',
    device('aim', { m: 0, size: 'head' }),
    '/plans/main/devices/wide/aim/m',
    '0',
    '0.1',
  ],
  [
    'a shot of a size that nobody knows',
    device('aim', { m: 9, size: 'nose' }),
    '/plans/main/devices/wide/aim/size',
    '"nose"',
    'chest',
  ],
  [
    'a port that is too high',
    device('calledAt', 'udp:65536'),
    '/plans/main/devices/wide/calledAt',
    '"udp:65536"',
    '6553[0-5]',
  ],
  ['a port of no protocol', device('listens', 'post:80'), '/plans/main/devices/wide/listens', '"post:80"', 'udp|tcp'],
  [
    'an address to come with that is none',
    device('comesWith', '192.168.0.300/24'),
    '/plans/main/devices/wide/comesWith',
    '"192.168.0.300/24"',
    'up to 255',
  ],
  [
    'a line that leaves by none of the ways',
    entry('uplinks', uplink, { by: 'pigeon' }),
    '/plans/main/uplinks/odd/by',
    '"pigeon"',
    'mobile',
  ],
  [
    'a measurement below nothing',
    entry('uplinks', uplink, { samples: [3, -1] }),
    '/plans/main/uplinks/odd/samples/1',
    '-1',
    '0',
  ],
  [
    'a measurement of no samples',
    entry('uplinks', uplink, { samples: [] }),
    '/plans/main/uplinks/odd/samples',
    '0 entries',
    'at least 1',
  ],
  [
    'too many samples',
    entry('uplinks', uplink, { samples: Array.from({ length: 501 }, () => 1) }),
    '/plans/main/uplinks/odd/samples',
    '501 entries',
    '500',
  ],
  [
    'a day that is none',
    entry('uplinks', uplink, { measured: '2027-13-01' }),
    '/plans/main/uplinks/odd/measured',
    '2027-13-01',
    '',
  ],
  [
    'an allowance in words',
    entry('uplinks', uplink, { allowanceGB: 'plenty' }),
    '/plans/main/uplinks/odd/allowanceGB',
    '"plenty"',
    'number',
  ],
  [
    'a stream of nothing',
    entry('destinations', destination, { videoMbps: 0 }),
    '/plans/main/destinations/odd/videoMbps',
    '0',
    '0.05',
  ],
  [
    'a stream key in the plan',
    entry('destinations', destination, { key: 'secret' }),
    '/plans/main/destinations/odd/key',
    'key',
    'videoMbps',
  ],
  [
    'a destination without its encoder',
    lacking('destinations', destination, 'encoder'),
    '/plans/main/destinations/odd',
    '',
    'encoder',
  ],
  [
    'a clap that nobody made',
    entry('measured', clap, { earlyMs: [] }),
    '/plans/main/measured/odd/earlyMs',
    '0 entries',
    'at least 1',
  ],
  [
    'a clap eleven seconds off',
    entry('measured', clap, { earlyMs: [11_000] }),
    '/plans/main/measured/odd/earlyMs/0',
    '11000',
    '10000',
  ],
  ['a clap on no way', entry('measured', clap, { on: 'here' }), '/plans/main/measured/odd/on', '"here"', ''],
  ['ten recordings', brief('copies', 10), '/plans/main/brief/copies', '10', '9'],
  ['a test at no time of day', brief('testStream', '25:00'), '/plans/main/brief/testStream', '25:00', ''],
  ['headroom by feel', brief('headroom', 'some'), '/plans/main/brief/headroom', '"some"', 'cautious'],
  ['colder than batteries are', brief('coldC', -60), '/plans/main/brief/coldC', '-60', '-40'],
  ['phantom power of a number', port({ phantom: 48 }), '/plans/main/devices/main/ports/in-1/phantom', '48', 'true'],
  [
    'sound at another pitch',
    port({ soundHz: 32_000 }),
    '/plans/main/devices/main/ports/in-1/soundHz',
    '32000',
    '44100',
  ],
  ['a line level past all', port({ nominalDbu: 400 }), '/plans/main/devices/main/ports/in-1/nominalDbu', '400', '30'],
  ['tiles of nothing', port({ tiles: [] }), '/plans/main/devices/main/ports/in-1/tiles', '0 entries', 'at least 1'],
  ['a hundred and first source by number', device('call', 100), '/plans/main/devices/wide/call', '100', '99'],
  ['letters that no key holds', device('short', 'OVERLONGNAME'), '/plans/main/devices/wide/short', 'OVERLONGNAME', ''],
  ['a coding of its own', device('coding', 'tape'), '/plans/main/devices/wide/coding', '"tape"', 'intra'],
  ['a white point in the dark', device('whiteK', 100), '/plans/main/devices/wide/whiteK', '100', '1500'],
  ['goods without a kind', lacking('goods', goods, 'kind'), '/plans/main/goods/odd', 'no "kind"', 'required'],
  [
    'goods of no kind that there is',
    entry('goods', goods, { kind: 'lamp' }),
    '/plans/main/goods/odd/kind',
    'lamp',
    'stand',
  ],
  ['half a stand', entry('goods', goods, { count: 0.5 }), '/plans/main/goods/odd/count', '0.5', 'integer'],
  [
    'goods that weigh less than nothing',
    entry('goods', goods, { grams: -1 }),
    '/plans/main/goods/odd/grams',
    '-1',
    '>= 0',
  ],
  [
    'goods at half a cent',
    entry('goods', goods, { eachMinor: 0.5 }),
    '/plans/main/goods/odd/eachMinor',
    '0.5',
    'integer',
  ],
  [
    'a service by the moon',
    entry('services', service, { per: 'moon' }),
    '/plans/main/services/odd/per',
    'moon',
    'viewer',
  ],
  [
    'a service without a price',
    lacking('services', service, 'eachMinor'),
    '/plans/main/services/odd',
    'no "eachMinor"',
    'required',
  ],
  ['a job of no time', entry('jobs', job, { minutes: 0 }), '/plans/main/jobs/odd/minutes', '0', '>= 1'],
  [
    'a job after an id that is none',
    entry('jobs', job, { after: { 'A b': true } }),
    '/plans/main/jobs/odd/after/A b',
    'A b',
    'id',
  ],
  [
    'a job that waits for nothing, said twice',
    entry('jobs', job, { after: {} }),
    '/plans/main/jobs/odd/after',
    '0 entries',
    'at least 1',
  ],
  ['viewers that are no number', brief('viewers', 'many'), '/plans/main/brief/viewers', 'many', 'integer'],
  ['access at an hour that is none', brief('access', '25:00'), '/plans/main/brief/access', '25:00', 'time'],
  ['a device that is not boxed, said', device('boxed', false), '/plans/main/devices/wide/boxed', 'false', 'true'],
]
