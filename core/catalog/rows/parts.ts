import type { Coding, FormatSet, RateText, Scan, SdiClass } from '#core/signal'
import { type Delay, type Kind, type Model, type Path, type Port, type Carried } from '../model'

// What rows of the catalogue are put together from. Figures are planning values.
export const R24: RateText = '24000/1001'
export const R30: RateText = '30000/1001'
export const R60: RateText = '60000/1001'
export const set = (height: 480 | 576 | 720 | 1080 | 2160, scan: Scan, ...rates: RateText[]): FormatSet => ({
  raster: ({ 480: '720x480', 576: '720x576', 720: '1280x720', 1080: '1920x1080', 2160: '3840x2160' } as const)[height],
  scan,
  rates,
})
export const ms = (min: number, typ: number, max: number): Delay => ({ min, typ, max, unit: 'ms' })
export const frames = (min: number, typ: number, max: number): Delay => ({ min, typ, max, unit: 'frames' })

export const VIDEO_422: Coding = { sampling: '4:2:2', depth: 10 }
export const RGB_8: Coding = { sampling: '4:4:4', depth: 8 }
export const UP_TO_3G: SdiClass[] = ['SD', 'HD', '3G']
export const UP_TO_12G: SdiClass[] = ['SD', 'HD', '3G', '6G', '12G']

export const hdmi = (dir: Port['dir'], title: string, maxMHz: 165 | 340 | 600, more: Partial<Port> = {}): Port => ({
  title,
  dir,
  carries: 'hdmi',
  connector: 'hdmi-a',
  maxMHz,
  ...(dir === 'out' ? { coding: VIDEO_422 } : {}),
  ...more,
})
export const sdi = (dir: Port['dir'], title: string, more: Partial<Port> = {}): Port => ({
  title,
  dir,
  carries: 'sdi',
  connector: 'bnc',
  classes: UP_TO_3G,
  ...(dir === 'out' ? { coding: VIDEO_422 } : {}),
  ...more,
})

/** A picture with its sound over USB, as a capture sends it and a computer takes it. */
export const usbPicture = (dir: Port['dir'], title: string, more: Partial<Port> = {}): Port => ({
  title,
  dir,
  carries: 'usb',
  connector: dir === 'out' ? 'usb-c' : 'usb-a',
  ...(dir === 'out' ? { coding: VIDEO_422 } : {}),
  ...more,
})
/** A picture with its sound over the network of the house. */
export const networkPicture = (dir: Port['dir'], title: string, more: Partial<Port> = {}): Port => ({
  title,
  dir,
  carries: 'network',
  connector: '8p8c',
  ...(dir === 'out' ? { coding: VIDEO_422 } : {}),
  ...more,
})

export const ALL_1080P = set(1080, 'p', R24, '24/1', '25/1', R30, '30/1', '50/1', R60, '60/1')
export const ALL_720P = set(720, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1')
export const ALL_1080I = set(1080, 'i', '25/1', R30, '30/1')
export const ALL_2160P60 = set(2160, 'p', R24, '24/1', '25/1', R30, '30/1', '50/1', R60, '60/1')
export const ALL_2160P30 = set(2160, 'p', R24, '24/1', '25/1', R30, '30/1')
export const SWITCHER_STANDARDS = [
  set(1080, 'p', R24, '25/1', R30, '30/1', '50/1', R60, '60/1'),
  set(1080, 'i', '25/1', R30),
  set(720, 'p', '50/1', R60, '60/1'),
]
export const PTZ_MAKES = [set(1080, 'p', '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)]
export const PLAYER_MAKES = [set(1080, 'p', '25/1', R30, '50/1', R60), ALL_1080I]
export const SCREEN_TAKES = [ALL_1080P, ALL_1080I, ALL_720P]

/** A switcher: numbered inputs, outputs with what they can carry, one path from every input to every output. */
export function switcher(
  title: string,
  inputs: Port[],
  outputs: Port[],
  sounds: Record<string, Port>,
  delay: Delay,
  watts: number,
  minor: number,
): Model {
  const number = (ports: Port[], id: string): [string, Port][] =>
    ports.map((port, i) => [`${id}-${i + 1}`, { ...port, ...heard, title: `${port.title} ${i + 1}`, number: i + 1 }])
  const ins = number(inputs, 'in')
  const outs = number(outputs, 'out')
  return {
    title,
    role: 'switcher',
    kind: 'switcher',
    ports: { ...Object.fromEntries([...ins, ...outs]), ...sounds },
    standards: SWITCHER_STANDARDS,
    watts,
    supply: 'mains',
    priceMinor: minor,
    paths: [{ from: ins.map(([id]) => id), to: outs.map(([id]) => id), format: 'standard', delay }],
  }
}

/** What switches and sets a device up over the network, or over USB. */
export const network = (dir: Port['dir'], title: string): Port => ({
  title,
  dir,
  carries: 'control',
  connector: '8p8c',
})
/** The same for a device that can be fed by it, of a class of IEEE 802.3. */
export const fedNetwork = (title: string, takes: number): Port => ({ ...network('in', title), poe: { takes } })
export const usbControl = (dir: Port['dir'], title: string, connector: 'usb-a' | 'usb-b'): Port => ({
  title,
  dir,
  carries: 'control',
  connector,
})

/** As many outputs as inputs, each of which shows the input that it is set to. */
export function matrix(title: string, count: number, input: Port, output: Port, watts: number, minor: number): Model {
  const all = (id: string, port: Port) =>
    Array.from({ length: count }, (_, i): [string, Port] => [
      `${id}-${i + 1}`,
      { ...port, title: `${port.title} ${i + 1}`, number: i + 1 },
    ])
  const [ins, outs] = [all('in', input), all('out', output)]
  return {
    title,
    short: 'Matrix',
    role: 'way',
    kind: 'matrix',
    ...mains(watts),
    priceMinor: minor,
    ports: { ...Object.fromEntries([...ins, ...outs]), control: network('in', 'Control (network)') },
    configured: ['control'],
    paths: [{ from: ins.map(([id]) => id), to: outs.map(([id]) => id), format: 'chosen', delay: ms(0, 0.01, 0.05) }],
  }
}

export const usb = { watts: 3, supply: 'usb' } as const
export const mains = (watts: number) => ({ watts, supply: 'mains' }) as const
export const heard: Partial<Port> = { sound: 2 }
export const SOUND_TITLES = { 'xlr': 'XLR', 'jack': '6.3 mm', 'mini-jack': '3.5 mm' } as const
export const sound = (
  dir: Port['dir'],
  title: string,
  connector: keyof typeof SOUND_TITLES,
  channels: number,
): Port => ({ title: `${title} (${SOUND_TITLES[connector]})`, dir, carries: 'sound', connector, sound: channels })
/** An XLR input for one channel that can feed a condenser microphone. */
export const microphoneIn = (title: string): Port => ({ ...sound('in', title, 'xlr', 1), phantom: 'switched' })
/** A camera with sockets for sound: what is plugged in there takes the place of its own microphone, beside every picture. */
export const withSockets = (camera: Model, sockets: Record<string, Port>): Model => ({
  ...camera,
  ports: { ...camera.ports, ...sockets },
  paths: [
    ...camera.paths,
    {
      from: Object.keys(sockets),
      to: Object.entries(camera.ports).flatMap(([id, { dir, sound }]) => (dir === 'out' && sound ? [id] : [])),
      format: 'same',
      delay: ms(0, 0, 0),
    },
  ],
})
/** The socket for sound of small cameras: microphones, and line level as players have it. */
export const cameraSocket = (): Record<string, Port> => ({
  microphone: { ...sound('in', 'Microphone', 'mini-jack', 2), nominalDbu: [CONSUMER_DBU] },
})
/** Line level at 3.5 mm and at XLR, dBu: -10 dBV and the level of studios. */
export const CONSUMER_DBU = -7.8
export const STUDIO_DBU = 4
/** An input that a microphone is too weak for. */
export const lineIn = (title: string, connector: keyof typeof SOUND_TITLES, channels: number): Port => ({
  ...sound('in', title, connector, channels),
  soundLevel: 'line',
})

export const repeat = (count: number, port: Port): Port[] => Array.from({ length: count }, () => port)
export const feeds = (...names: Carried[]): Partial<Port> => ({ feeds: names })
export const STRICT: Partial<Port> = { takes: 'standard' }

/** A one-in one-out device, or one in and several alike out. */
export function way(
  kind: Kind,
  short: string,
  title: string,
  input: Port,
  outputs: Port[],
  path: Omit<Path, 'from' | 'to'>,
  power: Pick<Model, 'watts' | 'supply'>,
  minor: number,
): Model {
  const outs = outputs.map((port, i): [string, Port] =>
    outputs.length === 1
      ? ['out', port]
      : [`out-${i + 1}`, { ...port, title: `${port.title} ${i + 1}`, number: i + 1 }],
  )
  return {
    title,
    short,
    role: 'way',
    kind,
    ports: Object.fromEntries([['in', input], ...outs]),
    ...power,
    priceMinor: minor,
    paths: [{ from: ['in'], to: outs.map(([id]) => id), ...path }],
  }
}

export const sink = (kind: Kind, title: string, input: Port, watts: number, minor: number): Model => ({
  title,
  role: 'sink',
  kind,
  ports: { in: { ...input, ...heard } },
  paths: [],
  watts,
  supply: 'mains',
  priceMinor: minor,
})

/** Takes what comes at each input and shows it all in one picture. */
export function multiviewer(title: string, inputs: Port[], minor: number): Model {
  const ins = inputs.map((port, i): [string, Port] => [
    `in-${i + 1}`,
    { ...port, title: `${port.title} ${i + 1}`, number: i + 1 },
  ])
  return {
    title,
    short: 'Multiviewer',
    role: 'way',
    kind: 'multiviewer',
    ...mains(16),
    priceMinor: minor,
    ports: {
      ...Object.fromEntries(ins),
      out: hdmi('out', 'HDMI out', 165, {
        number: 1,
        feeds: ['multiview'],
        makes: [set(1080, 'p', '50/1', R60, '60/1', '25/1', R30)],
      }),
    },
    paths: [{ from: ins.map(([id]) => id), to: ['out'], format: 'tiles', delay: frames(1, 2, 2) }],
  }
}

export const scalerMakes = [
  set(1080, 'p', R24, '25/1', R30, '30/1', '50/1', R60, '60/1'),
  set(1080, 'i', '25/1', R30),
  set(720, 'p', '50/1', R60, '60/1'),
]
export const scalerTakes = [ALL_1080P, ALL_1080I, ALL_720P, set(576, 'i', '25/1'), set(480, 'i', R30)]

/** Where a computer takes a pen. */
export const penSocket = (): Record<string, Port> => ({ pen: usbControl('in', 'USB (pen, keys)', 'usb-a') })

export const withPen = (model: Model): Model => ({ ...model, ports: { ...model.ports, ...penSocket() } })

/** A screen with a pen, whose marks a computer makes. */
export const drawnOn = (model: Model): Model => ({
  ...model,
  ports: { ...model.ports, pen: { ...usbControl('out', 'USB (pen)', 'usb-b'), pen: true } },
})

/** A recorder or screen with an output that hands on what enters. */
export function looping(kind: Kind, title: string, input: Port, loop: Port, watts: number, minor: number): Model {
  return {
    title,
    role: 'sink',
    kind,
    ports: { in: { ...input, ...heard }, loop },
    ...mains(watts),
    priceMinor: minor,
    paths: [{ from: ['in'], to: ['loop'], format: 'same', delay: ms(0, 0.01, 0.05) }],
  }
}

/** One for SDI that lets the picture through as it came: no driver of its own stands at its loop. */
export function unrenewed(kind: Kind, title: string, watts: number, minor: number, classes?: Port['classes']): Model {
  const input = sdi('in', 'SDI in', { ...(classes ? { classes } : {}), takes: SCREEN_TAKES, delay: frames(1, 1, 2) })
  return {
    ...looping(kind, title, input, sdi('out', 'Loop out'), watts, minor),
    paths: [{ from: ['in'], to: ['loop'], format: 'same', passive: true, delay: ms(0, 0, 0) }],
  }
}

/** A source with one output. */
export const source = (
  kind: Kind,
  title: string,
  port: Port,
  watts: number,
  supply: Model['supply'],
  minor: number,
  delay: Delay,
  more: Partial<Model> = {},
): Model => ({
  title,
  role: 'source',
  kind,
  ports: { [port.carries === 'usbc' ? 'usb-c' : port.carries]: port },
  paths: [],
  watts,
  supply,
  priceMinor: minor,
  delay,
  ...more,
})
