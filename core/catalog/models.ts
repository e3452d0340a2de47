import type { Coding, FormatSet, RateText, Scan, SdiClass } from '#core/signal'
import type { Delay, Feed, Kind, Model, Path, Port } from './model'

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
const PTZ_MAKES = [set(1080, 'p', '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)]
const PLAYER_MAKES = [set(1080, 'p', '25/1', R30, '50/1', R60), ALL_1080I]
const SCREEN_TAKES = [ALL_1080P, ALL_1080I, ALL_720P]

/** A stage: numbered inputs, outputs with what they can carry, one path from every input to every output. */
function stage(title: string, inputs: Port[], outputs: Port[], sounds: Record<string, Port>, delay: Delay, watts: number, minor: number): Model {
  const number = (ports: Port[], id: string): [string, Port][] => ports.map((port, i) => [`${id}-${i + 1}`, { ...port, ...heard, title: `${port.title} ${i + 1}`, number: i + 1 }])
  const ins = number(inputs, 'in')
  const outs = number(outputs, 'out')
  return {
    title, role: 'stage', kind: 'switcher', ports: { ...Object.fromEntries([...ins, ...outs]), ...sounds }, standards: SWITCHER_STANDARDS, watts, supply: 'mains', minor,
    paths: [{ from: ins.map(([id]) => id), to: outs.map(([id]) => id), format: 'standard', delay }],
  }
}

const usb = { watts: 3, supply: 'usb' } as const
const mains = (watts: number) => ({ watts, supply: 'mains' }) as const
const heard: Partial<Port> = { sound: 2 }
const SOUND_TITLES = { 'xlr': 'XLR', 'jack': '6.3 mm', 'mini-jack': '3.5 mm' } as const
const sound = (dir: Port['dir'], title: string, connector: keyof typeof SOUND_TITLES, channels: number): Port =>
  ({ title: `${title} (${SOUND_TITLES[connector]})`, dir, carries: 'sound', connector, sound: channels })

const repeat = (count: number, port: Port): Port[] => Array.from({ length: count }, () => port)
const feeds = (...names: Feed[]): Partial<Port> => ({ feeds: names })
const STRICT: Partial<Port> = { takes: 'standard' }

/** A one-in one-out device, or one in and several alike out. */
function way(kind: Kind, short: string, title: string, input: Port, outputs: Port[], path: Pick<Path, 'format' | 'delay' | 'passes'>, power: Pick<Model, 'watts' | 'supply'>, minor: number): Model {
  const outs = outputs.map((port, i): [string, Port] => outputs.length === 1 ? ['out', port] : [`out-${i + 1}`, { ...port, title: `${port.title} ${i + 1}`, number: i + 1 }])
  return {
    title, short, role: 'way', kind, ports: Object.fromEntries([['in', input], ...outs]), ...power, minor,
    paths: [{ from: ['in'], to: outs.map(([id]) => id), ...path }],
  }
}

const sink = (kind: Kind, title: string, input: Port, watts: number, minor: number): Model =>
  ({ title, role: 'sink', kind, ports: { in: { ...input, ...heard } }, paths: [], watts, supply: 'mains', minor })

/** Takes what comes at each input and shows it all in one picture. */
function multiviewer(title: string, inputs: Port[], minor: number): Model {
  const ins = inputs.map((port, i): [string, Port] => [`in-${i + 1}`, { ...port, title: `${port.title} ${i + 1}`, number: i + 1 }])
  return {
    title, short: 'Multiviewer', role: 'way', kind: 'multiviewer', ...mains(16), minor,
    ports: { ...Object.fromEntries(ins), out: hdmi('out', 'HDMI out', 165, { number: 1, feeds: ['multiview'], makes: [set(1080, 'p', '50/1', R60, '60/1', '25/1', R30)] }) },
    paths: [{ from: ins.map(([id]) => id), to: ['out'], format: 'tiles', delay: frames(1, 2, 2) }],
  }
}

const scalerMakes = [set(1080, 'p', R24, '25/1', R30, '30/1', '50/1', R60, '60/1'), set(1080, 'i', '25/1', R30), set(720, 'p', '50/1', R60, '60/1')]
const scalerTakes = [ALL_1080P, ALL_1080I, ALL_720P, set(576, 'i', '25/1'), set(480, 'i', R30)]

const ROWS: Record<string, Model> = {
  'camera-hand-hdmi': {
    title: 'Hand camera, micro HDMI, records 2160 inside', role: 'source', kind: 'camera', watts: 9, supply: 'battery', minor: 95000, delay: frames(1, 2, 3), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { connector: 'hdmi-d', ...heard }) },
    modes: {
      'live': { title: 'Live, 1080 out', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), set(1080, 'i', '25/1', R30)] } },
      'inside-2160': { title: 'Records 2160 inside, 1080 out up to 30 frames', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30)] }, records: [set(2160, 'p', R24, '25/1', R30)] },
      'out-2160': { title: '2160 out, no recording', makes: { hdmi: [set(2160, 'p', R24, '25/1', R30)] } },
    },
  },
  'camera-box-hdmi': {
    title: 'Box camera, HDMI, 59.94 family only', role: 'source', kind: 'camera', watts: 7, supply: 'mains', minor: 52000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { ...heard, makes: [set(1080, 'p', R60, R30), set(720, 'p', R60)] }) },
  },
  'camera-studio-sdi': {
    title: 'Studio camera, SDI, all HD formats', role: 'source', kind: 'camera', watts: 18, supply: 'mains', minor: 240000, delay: frames(1, 1, 2), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { ...heard, makes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(1080, 'psf', '25/1', R30), set(720, 'p', '50/1', R60)] }) },
  },
  'camera-shoulder-sdi': {
    title: 'Shoulder camera, SDI, 1080i50 only', role: 'source', kind: 'camera', watts: 22, supply: 'battery', minor: 180000, delay: frames(1, 1, 2), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { ...heard, classes: ['HD'], makes: [set(1080, 'i', '25/1')] }) },
  },
  'phone': {
    title: 'Phone with clean picture over USB-C', role: 'source', kind: 'phone', watts: 5, supply: 'battery', minor: 30000, delay: ms(40, 60, 80), paths: [],
    ports: { 'usb-c': { title: 'USB-C', dir: 'out', carries: 'usbc', connector: 'usb-c', maxMHz: 600, ...heard, coding: { sampling: '4:4:4', depth: 8 }, makes: [set(1080, 'p', '30/1', R30, '60/1', R60, '25/1', '50/1'), set(720, 'p', '60/1')] } },
  },
  'computer': {
    title: 'Computer with two HDMI outputs', role: 'source', kind: 'computer', watts: 65, supply: 'mains', minor: 90000, delay: frames(1, 1.5, 2), paths: [],
    ports: Object.fromEntries([1, 2].map(n => [`hdmi-${n}`, hdmi('out', `HDMI ${n}`, 340, { number: n, ...heard, coding: RGB_8, makes: [set(1080, 'p', '60/1', R60, '50/1', '30/1', R30, '25/1', '24/1'), set(720, 'p', '60/1', R60, '50/1'), set(2160, 'p', '30/1', R30, '25/1')] })])),
  },

  'camera-ptz': {
    title: 'Pan-tilt-zoom camera, SDI and HDMI at once', role: 'source', kind: 'camera', watts: 14, supply: 'mains', minor: 210000, delay: frames(1, 2, 3), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { makes: PTZ_MAKES }), hdmi: hdmi('out', 'HDMI out', 165, { makes: PTZ_MAKES }) },
  },
  'camera-clip-on': {
    title: 'Helmet camera, micro HDMI, 2160 or 1080 at 30 frames', role: 'source', kind: 'camera', watts: 4, supply: 'battery', minor: 38000, delay: frames(2, 3, 4), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { connector: 'hdmi-d', makes: [set(1080, 'p', R30, '25/1'), set(2160, 'p', R30, '25/1')] }) },
  },
  'player-fill-key': {
    title: 'Clip player with fill and key, SDI', role: 'source', kind: 'player', watts: 40, supply: 'mains', minor: 165000, delay: frames(1, 1, 2), paths: [],
    ports: { fill: sdi('out', 'Fill out', { ...heard, makes: PLAYER_MAKES }), key: sdi('out', 'Key out', { makes: PLAYER_MAKES }) },
  },
  'computer-fill-key': {
    title: 'Computer with an SDI card for fill and key', role: 'source', kind: 'computer', watts: 120, supply: 'mains', minor: 190000, delay: frames(1, 1.5, 2), paths: [],
    ports: { fill: sdi('out', 'Fill out', { makes: PLAYER_MAKES }), key: sdi('out', 'Key out', { makes: PLAYER_MAKES }) },
  },
  'laptop': {
    title: 'Laptop, one HDMI output, integer rates only', role: 'source', kind: 'computer', watts: 45, supply: 'mains', minor: 80000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { ...heard, coding: RGB_8, makes: [set(1080, 'p', '60/1', '50/1', '30/1', '25/1'), set(720, 'p', '60/1', '50/1')] }) },
  },
  'tablet-drawing': {
    title: 'Drawing tablet, mini HDMI, silent', role: 'source', kind: 'tablet', watts: 12, supply: 'usb', minor: 60000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { connector: 'hdmi-c', coding: RGB_8, makes: [set(1080, 'p', '60/1', R60, '50/1', '25/1')] }) },
  },
  'player-clips': {
    title: 'Clip player, HDMI, one clip after the other', role: 'source', kind: 'player', watts: 8, supply: 'mains', minor: 26000, delay: frames(1, 1, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { ...heard, makes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I] }) },
  },

  'switcher-4-strict': stage('Switcher, 4 HDMI inputs, strict', repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
    [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview'))], { sound: sound('in', 'Sound in', 'mini-jack', 2) }, frames(1, 1.5, 2), 12, 38000),
  'switcher-4-scaling': stage('Switcher, 4 HDMI inputs, each with a scaler, multiview', repeat(4, hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(1, 1.5, 2) })),
    [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('multiview', 'program', 'preview'))], { sound: sound('in', 'Sound in', 'mini-jack', 2) }, frames(1, 1.5, 2), 18, 62000),
  'switcher-8-mixed': stage('Switcher, 4 HDMI and 4 SDI inputs, strict, multiview', [...repeat(4, hdmi('in', 'HDMI in', 165, STRICT)), ...repeat(4, sdi('in', 'SDI in', STRICT))],
    [sdi('out', 'SDI out', feeds('program')), sdi('out', 'SDI out', feeds('program', 'clean', 'preview')), hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')), hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview', 'multiview'))], { 'sound-1': sound('in', 'Sound in 1', 'jack', 2), 'sound-2': sound('in', 'Sound in 2', 'xlr', 1) }, frames(1, 1.5, 2), 45, 145000),
  'switcher-4-multiview': stage('Switcher, 4 HDMI inputs, strict, multiview on an output of its own', repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
    [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview')), hdmi('out', 'HDMI out', 165, feeds('multiview'))], { sound: sound('in', 'Sound in', 'mini-jack', 2) }, frames(1, 1.5, 2), 15, 54000),
  'switcher-8-hdmi': stage('Switcher, 8 HDMI inputs, each with a scaler, multiview', repeat(8, hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(1, 1.5, 2) })),
    [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview', 'multiview')), hdmi('out', 'HDMI out', 165, feeds('multiview', 'program'))], { 'sound-1': sound('in', 'Sound in 1', 'mini-jack', 2), 'sound-2': sound('in', 'Sound in 2', 'mini-jack', 2) }, frames(1, 1.5, 2), 30, 125000),
  'switcher-12-sdi': stage('Switcher, 12 SDI inputs, strict, two multiviews', repeat(12, sdi('in', 'SDI in', STRICT)),
    [...repeat(4, sdi('out', 'SDI out', feeds('program', 'clean', 'preview'))), sdi('out', 'SDI out', feeds('multiview', 'program')), hdmi('out', 'HDMI out', 165, feeds('multiview', 'program'))], { 'sound-1': sound('in', 'Sound in 1', 'xlr', 1), 'sound-2': sound('in', 'Sound in 2', 'xlr', 1) }, frames(1, 1.5, 2), 85, 320000),

  'switcher-4-2160': {
    ...stage('Switcher, 4 HDMI inputs, strict, up to 2160p29.97', repeat(4, hdmi('in', 'HDMI in', 340, STRICT)),
      [hdmi('out', 'HDMI out', 340, feeds('program', 'clean')), hdmi('out', 'HDMI out', 340, feeds('program', 'clean', 'preview')), hdmi('out', 'HDMI out', 340, feeds('multiview', 'program'))], { 'sound-1': sound('in', 'Sound in', 'xlr', 2) }, frames(1, 1.5, 2), 55, 210000),
    standards: [...SWITCHER_STANDARDS, set(2160, 'p', '25/1', R30)],
  },

  'usbc-hdmi-full': way('converter', 'to HDMI', 'USB-C to HDMI converter with charging, full frame', { title: 'USB-C in', dir: 'in', carries: 'usbc', connector: 'usb-c', maxMHz: 600 },
    [hdmi('out', 'HDMI out', 340, { coding: RGB_8 })], { format: 'same', delay: ms(40, 60, 80) }, usb, 6000),
  'usbc-hdmi-basic': way('converter', 'to HDMI', 'USB-C to HDMI converter, basic, integer rates only', { title: 'USB-C in', dir: 'in', carries: 'usbc', connector: 'usb-c', maxMHz: 165 },
    [hdmi('out', 'HDMI out', 165, { coding: RGB_8 })], { format: 'same', passes: [set(1080, 'p', '30/1'), set(720, 'p', '60/1')], delay: ms(80, 150, 250) }, { watts: 1, supply: 'none' }, 2500),
  'hdmi-to-sdi': way('converter', 'to SDI', 'HDMI to SDI converter', hdmi('in', 'HDMI in', 165), [sdi('out', 'SDI out')], { format: 'same', delay: ms(0, 0.05, 0.1) }, usb, 6500),
  'sdi-to-hdmi': way('converter', 'to HDMI', 'SDI to HDMI converter', sdi('in', 'SDI in'), [hdmi('out', 'HDMI out', 165)], { format: 'same', delay: ms(0, 0.05, 0.1) }, usb, 6500),
  'scaler-hdmi': way('scaler', 'Scaler', 'HDMI scaler and rate converter', hdmi('in', 'HDMI in', 340, { takes: [...scalerTakes, ALL_2160P30] }), [hdmi('out', 'HDMI out', 165, { makes: scalerMakes })], { format: 'port', delay: frames(1, 1.5, 2) }, mains(8), 24000),
  'scaler-sdi-hdmi': way('scaler', 'Scaler', 'SDI to HDMI scaler and rate converter', sdi('in', 'SDI in', { takes: scalerTakes }), [hdmi('out', 'HDMI out', 165, { makes: scalerMakes })], { format: 'port', delay: frames(1, 1.5, 2) }, mains(9), 29000),
  'scaler-sdi': way('scaler', 'Scaler', 'SDI scaler and rate converter', sdi('in', 'SDI in', { takes: scalerTakes }), [sdi('out', 'SDI out', { makes: scalerMakes })], { format: 'port', delay: frames(1, 1.5, 2) }, mains(9), 36000),
  'splitter-hdmi': way('splitter', 'Split', 'HDMI splitter, 1 to 2', hdmi('in', 'HDMI in', 340), repeat(2, hdmi('out', 'HDMI out', 340)), { format: 'same', delay: ms(0, 0.01, 0.05) }, mains(3), 4500),
  'repeater-sdi': way('splitter', 'Split', 'SDI distribution amplifier, 1 to 2, reclocks', sdi('in', 'SDI in'), repeat(2, sdi('out', 'SDI out')), { format: 'same', delay: ms(0, 0.01, 0.05) }, mains(4), 9000),
  'extender-send': way('extender', 'Sender', 'Extender sender, HDMI to twisted pair', hdmi('in', 'HDMI in', 340), [{ title: 'Pair out', dir: 'out', carries: 'pair', connector: '8p8c', maxMHz: 340 }], { format: 'same', delay: ms(0, 0.05, 0.1) }, mains(4), 8000),
  'extender-receive': way('extender', 'Receiver', 'Extender receiver, twisted pair to HDMI', { title: 'Pair in', dir: 'in', carries: 'pair', connector: '8p8c', maxMHz: 340 }, [hdmi('out', 'HDMI out', 340)], { format: 'same', delay: ms(0, 0.05, 0.1) }, mains(4), 8000),

  'radio-hdmi': way('radio', 'Radio', 'Radio link, HDMI, sender and receiver, up to 1080p59.94', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30, '50/1', R60), set(720, 'p', '50/1', R60)] }), [hdmi('out', 'HDMI out', 165)], { format: 'same', delay: ms(60, 80, 100) }, { watts: 12, supply: 'battery' }, 120000),
  'radio-sdi': way('radio', 'Radio', 'Radio link, SDI, uncompressed, sender and receiver', sdi('in', 'SDI in'), [sdi('out', 'SDI out')], { format: 'same', delay: ms(0, 0.5, 1) }, { watts: 22, supply: 'battery' }, 290000),
  'encoder-network': way('encoder', 'To network', 'HDMI to network encoder', hdmi('in', 'HDMI in', 165, { takes: [ALL_1080P, ALL_720P] }), [{ title: 'Network out', dir: 'out', carries: 'network', connector: '8p8c' }], { format: 'same', delay: ms(60, 100, 200) }, mains(9), 42000),
  'decoder-network': way('decoder', 'From network', 'Network to HDMI decoder', { title: 'Network in', dir: 'in', carries: 'network', connector: '8p8c' }, [hdmi('out', 'HDMI out', 165)], { format: 'same', delay: ms(140, 400, 1800) }, mains(9), 38000),
  'switch-poe': way('network', 'PoE switch', 'PoE network switch, 1 in to 4 out as planned here', { title: 'Port 1', dir: 'in', carries: 'network', connector: '8p8c', number: 1 }, repeat(4, { title: 'Port', dir: 'out', carries: 'network', connector: '8p8c' }), { format: 'same', delay: ms(0, 0.1, 0.2) }, mains(12), 22000),
  'embedder-hdmi': {
    title: 'Sound embedder, HDMI', short: 'Embedder', role: 'way', kind: 'converter', ...mains(5), minor: 14000,
    ports: { in: hdmi('in', 'HDMI in', 165), sound: sound('in', 'Sound in', 'mini-jack', 2), out: hdmi('out', 'HDMI out', 165) },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0.05, 0.1) }, { from: ['sound'], to: ['out'], format: 'same', delay: ms(0, 0.05, 0.1) }],
  },
  'multiviewer-4-hdmi': multiviewer('Multiviewer, 4 HDMI inputs', repeat(4, hdmi('in', 'HDMI in', 165, { takes: [ALL_1080P, ALL_1080I, ALL_720P] })), 29000),
  'multiviewer-8-sdi': multiviewer('Multiviewer, 8 SDI inputs', repeat(8, sdi('in', 'SDI in', { takes: [ALL_1080P, ALL_1080I, ALL_720P] })), 98000),

  'projector': sink('projector', 'Projector, HDMI', hdmi('in', 'HDMI in', 165, { takes: SCREEN_TAKES, delay: frames(1, 3, 6) }), 320, 85000),
  'screen': sink('screen', 'Screen, HDMI', hdmi('in', 'HDMI in', 340, { takes: [...SCREEN_TAKES, ALL_2160P30], delay: frames(1, 2, 4) }), 90, 35000),
  'recorder-hdmi': {
    title: 'Recorder, HDMI, with loop-through', role: 'sink', kind: 'recorder', watts: 20, supply: 'mains', minor: 42000,
    ports: { in: hdmi('in', 'HDMI in', 165, { ...heard, takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)] }), loop: hdmi('out', 'Loop out', 165) },
    paths: [{ from: ['in'], to: ['loop'], format: 'same', delay: ms(0, 0.01, 0.05) }],
  },
  'capture-hdmi': sink('capture', 'Capture device, HDMI to USB, up to 1080p60', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1'), set(720, 'p', '50/1', R60, '60/1')], delay: frames(2, 3, 4) }), 3, 18000),
  'capture-card': {
    title: 'Capture card, two HDMI inputs', role: 'sink', kind: 'capture', watts: 15, supply: 'none', minor: 36000, paths: [],
    ports: Object.fromEntries([1, 2].map(n => [`in-${n}`, hdmi('in', `HDMI in ${n}`, 340, { ...heard, number: n, takes: [ALL_1080P, ALL_720P, ALL_2160P30], delay: frames(1, 2, 3) })])),
  },
  'encoder-stream': sink('encoder', 'Streaming encoder, HDMI', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1'), ALL_1080I, set(720, 'p', '50/1', R60)], delay: frames(1, 2, 3) }), 14, 52000),
  'recorder-4-sdi': {
    title: 'Recorder, four SDI inputs, a track each', role: 'sink', kind: 'recorder', watts: 45, supply: 'mains', minor: 210000, paths: [],
    ports: Object.fromEntries([1, 2, 3, 4].map(n => [`in-${n}`, sdi('in', `SDI in ${n}`, { ...heard, number: n, takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)] })])),
  },
  'screen-sdi': {
    title: 'Field screen, SDI, with loop-through', role: 'sink', kind: 'screen', watts: 18, supply: 'mains', minor: 48000,
    ports: { in: sdi('in', 'SDI in', { ...heard, takes: SCREEN_TAKES, delay: frames(1, 1, 2) }), loop: sdi('out', 'Loop out') },
    paths: [{ from: ['in'], to: ['loop'], format: 'same', delay: ms(0, 0.01, 0.05) }],
  },

  'microphone-speech': { title: 'Speech microphone, XLR', role: 'sound', kind: 'microphone', ports: { out: sound('out', 'Out', 'xlr', 1) }, paths: [], watts: 0, supply: 'none', minor: 12000 },
  'microphone-radio': { title: 'Radio microphone with receiver, 3.5 mm', role: 'sound', kind: 'microphone', ports: { out: sound('out', 'Receiver out', 'mini-jack', 1) }, paths: [], watts: 1, supply: 'battery', minor: 28000 },
  'desk-8': {
    title: 'Sound desk, 8 microphone inputs, two mixes', role: 'sound', kind: 'desk', watts: 25, supply: 'mains', minor: 42000,
    ports: { ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8].map(n => [`in-${n}`, { ...sound('in', `Input ${n}`, 'xlr', 1), number: n }])), 'main': { ...sound('out', 'Main mix', 'jack', 2), sound: 0 }, 'second': { ...sound('out', 'Second mix', 'jack', 2), sound: 0 } },
    paths: [{ from: [1, 2, 3, 4, 5, 6, 7, 8].map(n => `in-${n}`), to: ['main', 'second'], format: 'same', delay: ms(0, 1, 2) }],
  },
  'desk-house': { title: 'Sound desk of the house, line feed', role: 'sound', kind: 'desk', ports: { feed: sound('out', 'Line feed', 'xlr', 2) }, paths: [], watts: 0, supply: 'none', minor: 0 },
}

/** The currency that the catalogue's planning prices are in (ISO 4217). */
export const CATALOGUE_CURRENCY = 'EUR'

/** Revision of the rows: it rises when what a row says about its device changes. */
const REVISION = 2

/** The catalogue of device models by id; each carries its own reference. */
export const MODELS: ReadonlyMap<string, Model> = new Map(
  Object.entries(ROWS).map(([id, row]) => [id, { from: `builtin/${id}@${REVISION}`, ...row }]),
)
