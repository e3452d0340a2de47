import type { Coding, FormatSet, RateText, Scan, SdiClass } from '#core/signal'
import type { Delay, Feed, Model, Path, Port } from './model'

// Every row is a typical device of its kind; figures are planning values.
const R24: RateText = '24000/1001'
const R30: RateText = '30000/1001'
const R60: RateText = '60000/1001'
const set = (height: 480 | 576 | 720 | 1080 | 2160, scan: Scan, ...rates: RateText[]): FormatSet => ({
  raster: ({ 480: '720x480', 576: '720x576', 720: '1280x720', 1080: '1920x1080', 2160: '3840x2160' } as const)[height], scan, rates,
})
const ms = (min: number, typ: number, max: number): Delay => ({ min, typ, max, unit: 'ms' })
const frames = (min: number, typ: number, max: number): Delay => ({ min, typ, max, unit: 'frames' })

const VIDEO_422: Coding = { sampling: '4:2:2', depth: 10 }
const RGB_8: Coding = { sampling: '4:4:4', depth: 8 }
const UP_TO_3G: SdiClass[] = ['SD', 'HD', '3G']

const hdmi = (dir: Port['dir'], title: string, maxMHz: 165 | 340 | 600, more: Partial<Port> = {}): Port =>
  ({ title, dir, carries: 'hdmi', connector: 'hdmi-a', maxMHz, ...(dir === 'out' ? { coding: VIDEO_422 } : {}), ...more })
const sdi = (dir: Port['dir'], title: string, more: Partial<Port> = {}): Port =>
  ({ title, dir, carries: 'sdi', connector: 'bnc', classes: UP_TO_3G, ...(dir === 'out' ? { coding: VIDEO_422 } : {}), ...more })

const ALL_1080P = set(1080, 'p', R24, '24/1', '25/1', R30, '30/1', '50/1', R60, '60/1')
const ALL_720P = set(720, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1')
const ALL_1080I = set(1080, 'i', '25/1', R30, '30/1')
const ALL_2160P30 = set(2160, 'p', R24, '24/1', '25/1', R30, '30/1')
const SWITCHER_STANDARDS = [set(1080, 'p', R24, '25/1', R30, '30/1', '50/1', R60, '60/1'), set(1080, 'i', '25/1', R30), set(720, 'p', '50/1', R60, '60/1')]
const SCREEN_TAKES = [ALL_1080P, ALL_1080I, ALL_720P]

/** A stage: numbered inputs, outputs with what they can carry, one path from every input to every output. */
function stage(title: string, inputs: Port[], outputs: Port[], delay: Delay, watts: number, minor: number): Model {
  const number = (ports: Port[], id: string): [string, Port][] => ports.map((port, i) => [`${id}-${i + 1}`, { ...port, title: `${port.title} ${i + 1}`, number: i + 1 }])
  const ins = number(inputs, 'in')
  const outs = number(outputs, 'out')
  return {
    title, role: 'stage', ports: Object.fromEntries([...ins, ...outs]), standards: SWITCHER_STANDARDS, watts, supply: 'mains', minor,
    paths: [{ from: ins.map(([id]) => id), to: outs.map(([id]) => id), format: 'standard', delay }],
  }
}

const repeat = (count: number, port: Port): Port[] => Array.from({ length: count }, () => port)
const feeds = (...names: Feed[]): Partial<Port> => ({ feeds: names })
const STRICT: Partial<Port> = { takes: 'standard' }

/** A one-in one-out device, or one in and several alike out. */
function way(short: string, title: string, input: Port, outputs: Port[], path: Pick<Path, 'format' | 'delay' | 'passes'>, power: Pick<Model, 'watts' | 'supply'>, minor: number): Model {
  const outs = outputs.map((port, i): [string, Port] => outputs.length === 1 ? ['out', port] : [`out-${i + 1}`, { ...port, title: `${port.title} ${i + 1}`, number: i + 1 }])
  return {
    title, short, role: 'way', ports: Object.fromEntries([['in', input], ...outs]), ...power, minor,
    paths: [{ from: ['in'], to: outs.map(([id]) => id), ...path }],
  }
}

const sink = (title: string, input: Port, watts: number, minor: number): Model =>
  ({ title, role: 'sink', ports: { in: input }, paths: [], watts, supply: 'mains', minor })

const scalerMakes = [set(1080, 'p', R24, '25/1', R30, '30/1', '50/1', R60, '60/1'), set(1080, 'i', '25/1', R30), set(720, 'p', '50/1', R60, '60/1')]
const scalerTakes = [ALL_1080P, ALL_1080I, ALL_720P, set(576, 'i', '25/1'), set(480, 'i', R30)]
const usb = { watts: 3, supply: 'usb' } as const
const mains = (watts: number) => ({ watts, supply: 'mains' }) as const

const ROWS: Record<string, Model> = {
  'camera-hand-hdmi': {
    title: 'Hand camera, micro HDMI, records 2160 inside', role: 'source', watts: 9, supply: 'battery', minor: 95000, delay: frames(1, 2, 3), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { connector: 'hdmi-d' }) },
    modes: {
      'live': { title: 'Live, 1080 out', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), set(1080, 'i', '25/1', R30)] } },
      'inside-2160': { title: 'Records 2160 inside, 1080 out up to 30 frames', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30)] } },
      'out-2160': { title: '2160 out, no recording', makes: { hdmi: [set(2160, 'p', R24, '25/1', R30)] } },
    },
  },
  'camera-box-hdmi': {
    title: 'Box camera, HDMI, 59.94 family only', role: 'source', watts: 7, supply: 'mains', minor: 52000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { makes: [set(1080, 'p', R60, R30), set(720, 'p', R60)] }) },
  },
  'camera-studio-sdi': {
    title: 'Studio camera, SDI, all HD formats', role: 'source', watts: 18, supply: 'mains', minor: 240000, delay: frames(1, 1, 2), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { makes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(1080, 'psf', '25/1', R30), set(720, 'p', '50/1', R60)] }) },
  },
  'camera-shoulder-sdi': {
    title: 'Shoulder camera, SDI, 1080i50 only', role: 'source', watts: 22, supply: 'battery', minor: 180000, delay: frames(1, 1, 2), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { classes: ['HD'], makes: [set(1080, 'i', '25/1')] }) },
  },
  'phone': {
    title: 'Phone with clean picture over USB-C', role: 'source', watts: 5, supply: 'battery', minor: 30000, delay: ms(40, 60, 80), paths: [],
    ports: { 'usb-c': { title: 'USB-C', dir: 'out', carries: 'usbc', connector: 'usb-c', maxMHz: 600, coding: { sampling: '4:4:4', depth: 8 }, makes: [set(1080, 'p', '30/1', R30, '60/1', R60, '25/1', '50/1'), set(720, 'p', '60/1')] } },
  },
  'computer': {
    title: 'Computer with two HDMI outputs', role: 'source', watts: 65, supply: 'mains', minor: 90000, delay: frames(1, 1.5, 2), paths: [],
    ports: Object.fromEntries([1, 2].map(n => [`hdmi-${n}`, hdmi('out', `HDMI ${n}`, 340, { number: n, coding: RGB_8, makes: [set(1080, 'p', '60/1', R60, '50/1', '30/1', R30, '25/1', '24/1'), set(720, 'p', '60/1', R60, '50/1'), set(2160, 'p', '30/1', R30, '25/1')] })])),
  },

  'switcher-4-strict': stage('Switcher, 4 HDMI inputs, strict', repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
    [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview'))], frames(1, 1.5, 2), 12, 38000),
  'switcher-4-scaling': stage('Switcher, 4 HDMI inputs, each with a scaler, multiview', repeat(4, hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(1, 1.5, 2) })),
    [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('multiview', 'program', 'preview'))], frames(1, 1.5, 2), 18, 62000),
  'switcher-8-mixed': stage('Switcher, 4 HDMI and 4 SDI inputs, strict, multiview', [...repeat(4, hdmi('in', 'HDMI in', 165, STRICT)), ...repeat(4, sdi('in', 'SDI in', STRICT))],
    [sdi('out', 'SDI out', feeds('program')), sdi('out', 'SDI out', feeds('program', 'clean', 'preview')), hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')), hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview', 'multiview'))], frames(1, 1.5, 2), 45, 145000),

  'usbc-hdmi-full': way('USB-C to HDMI', 'USB-C to HDMI converter with charging, full frame', { title: 'USB-C in', dir: 'in', carries: 'usbc', connector: 'usb-c', maxMHz: 600 },
    [hdmi('out', 'HDMI out', 340, { coding: RGB_8 })], { format: 'same', delay: ms(40, 60, 80) }, usb, 6000),
  'usbc-hdmi-basic': way('USB-C to HDMI', 'USB-C to HDMI converter, basic, integer rates only', { title: 'USB-C in', dir: 'in', carries: 'usbc', connector: 'usb-c', maxMHz: 165 },
    [hdmi('out', 'HDMI out', 165, { coding: RGB_8 })], { format: 'same', passes: [set(1080, 'p', '30/1'), set(720, 'p', '60/1')], delay: ms(80, 150, 250) }, { watts: 1, supply: 'none' }, 2500),
  'hdmi-to-sdi': way('HDMI to SDI', 'HDMI to SDI converter', hdmi('in', 'HDMI in', 165), [sdi('out', 'SDI out')], { format: 'same', delay: ms(0, 0.05, 0.1) }, usb, 6500),
  'sdi-to-hdmi': way('SDI to HDMI', 'SDI to HDMI converter', sdi('in', 'SDI in'), [hdmi('out', 'HDMI out', 165)], { format: 'same', delay: ms(0, 0.05, 0.1) }, usb, 6500),
  'scaler-hdmi': way('Scaler', 'HDMI scaler and rate converter', hdmi('in', 'HDMI in', 340, { takes: [...scalerTakes, ALL_2160P30] }), [hdmi('out', 'HDMI out', 165, { makes: scalerMakes })], { format: 'port', delay: frames(1, 1.5, 2) }, mains(8), 24000),
  'scaler-sdi-hdmi': way('Scaler to HDMI', 'SDI to HDMI scaler and rate converter', sdi('in', 'SDI in', { takes: scalerTakes }), [hdmi('out', 'HDMI out', 165, { makes: scalerMakes })], { format: 'port', delay: frames(1, 1.5, 2) }, mains(9), 29000),
  'scaler-sdi': way('SDI scaler', 'SDI scaler and rate converter', sdi('in', 'SDI in', { takes: scalerTakes }), [sdi('out', 'SDI out', { makes: scalerMakes })], { format: 'port', delay: frames(1, 1.5, 2) }, mains(9), 36000),
  'splitter-hdmi': way('Splitter', 'HDMI splitter, 1 to 2', hdmi('in', 'HDMI in', 340), repeat(2, hdmi('out', 'HDMI out', 340)), { format: 'same', delay: ms(0, 0.01, 0.05) }, mains(3), 4500),
  'repeater-sdi': way('Distribution', 'SDI distribution amplifier, 1 to 2, reclocks', sdi('in', 'SDI in'), repeat(2, sdi('out', 'SDI out')), { format: 'same', delay: ms(0, 0.01, 0.05) }, mains(4), 9000),
  'extender-send': way('Sender', 'Extender sender, HDMI to twisted pair', hdmi('in', 'HDMI in', 340), [{ title: 'Pair out', dir: 'out', carries: 'pair', connector: '8p8c', maxMHz: 340 }], { format: 'same', delay: ms(0, 0.05, 0.1) }, mains(4), 8000),
  'extender-receive': way('Receiver', 'Extender receiver, twisted pair to HDMI', { title: 'Pair in', dir: 'in', carries: 'pair', connector: '8p8c', maxMHz: 340 }, [hdmi('out', 'HDMI out', 340)], { format: 'same', delay: ms(0, 0.05, 0.1) }, mains(4), 8000),

  'projector': sink('Projector, HDMI', hdmi('in', 'HDMI in', 165, { takes: SCREEN_TAKES, delay: frames(1, 3, 6) }), 320, 85000),
  'screen': sink('Screen, HDMI', hdmi('in', 'HDMI in', 340, { takes: [...SCREEN_TAKES, ALL_2160P30], delay: frames(1, 2, 4) }), 90, 35000),
  'recorder-hdmi': {
    title: 'Recorder, HDMI, with loop-through', role: 'sink', watts: 20, supply: 'mains', minor: 42000,
    ports: { in: hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)] }), loop: hdmi('out', 'Loop out', 165) },
    paths: [{ from: ['in'], to: ['loop'], format: 'same', delay: ms(0, 0.01, 0.05) }],
  },
  'capture-hdmi': sink('Capture device, HDMI to USB, up to 1080p60', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1'), set(720, 'p', '50/1', R60, '60/1')], delay: frames(2, 3, 4) }), 3, 18000),
}

/** The currency that the catalogue's planning prices are in (ISO 4217). */
export const CATALOGUE_CURRENCY = 'EUR'

/** The catalogue of device models by id; each carries its own reference. */
export const MODELS: ReadonlyMap<string, Model> = new Map(
  Object.entries(ROWS).map(([id, row]) => [id, { from: `builtin/${id}@1`, ...row }]),
)
