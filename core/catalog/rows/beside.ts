import type { Model, Port } from '../model'
import { CONSUMER_DBU, STUDIO_DBU, microphoneIn, ms, network, sound, usbControl } from './parts'

/** Sound and control: devices without a picture. */
export const BESIDE: Record<string, Model> = {
  'microphone-speech': {
    title: 'Speech microphone, XLR',
    role: 'sound',
    kind: 'microphone',
    ports: { out: { ...sound('out', 'Out', 'xlr', 1), soundLevel: 'microphone' } },
    paths: [],
    watts: 0,
    supply: 'none',
    priceMinor: 12000,
  },
  'microphone-radio': {
    title: 'Radio microphone with receiver, 3.5 mm',
    role: 'sound',
    kind: 'microphone',
    ports: { out: sound('out', 'Receiver out', 'mini-jack', 1) },
    paths: [],
    watts: 1,
    supply: 'battery',
    priceMinor: 28000,
  },
  'pack-radio': {
    title: 'Radio microphone pack, worn by one person',
    role: 'sound',
    kind: 'microphone',
    ports: { air: aerial('out', 'Aerial') },
    paths: [],
    watts: 0.4,
    supply: 'battery',
    battery: { wh: 6 },
    priceMinor: 16000,
  },
  'receiver-radio-2': {
    title: 'Receiver of two radio microphone packs, 3.5 mm, on a battery or USB',
    short: 'Receiver',
    role: 'sound',
    kind: 'converter',
    ports: {
      'pack-1': { ...aerial('in', 'Pack 1'), number: 1 },
      'pack-2': { ...aerial('in', 'Pack 2'), number: 2 },
      'out': { ...sound('out', 'Out', 'mini-jack', 2), sound: 0, nominalDbu: [CONSUMER_DBU] },
    },
    paths: [{ from: ['pack-1', 'pack-2'], to: ['out'], format: 'same', delay: ms(2, 4, 6) }],
    watts: 0.8,
    supply: 'usb',
    priceMinor: 21000,
  },
  'receiver-radio-4': {
    title: 'Receiver of four radio microphone packs, XLR, for the rack',
    short: 'Receiver',
    role: 'sound',
    kind: 'converter',
    ports: {
      ...Object.fromEntries(
        [1, 2, 3, 4].flatMap(n => [
          [`pack-${n}`, { ...aerial('in', `Pack ${n}`), number: n }],
          [`out-${n}`, { ...sound('out', `Out ${n}`, 'xlr', 1), sound: 0, number: n, nominalDbu: [STUDIO_DBU] }],
        ]),
      ),
    },
    paths: [1, 2, 3, 4].map(n => ({ from: [`pack-${n}`], to: [`out-${n}`], format: 'same', delay: ms(2, 4, 6) })),
    watts: 12,
    supply: 'mains',
    priceMinor: 118000,
  },
  'desk-8': {
    title: 'Sound desk, 8 microphone inputs, two mixes',
    role: 'sound',
    kind: 'desk',
    watts: 25,
    supply: 'mains',
    priceMinor: 42000,
    ports: {
      ...Object.fromEntries(
        [1, 2, 3, 4, 5, 6, 7, 8].map(n => [`in-${n}`, { ...microphoneIn(`Input ${n}`), number: n }]),
      ),
      main: {
        ...sound('out', 'Main mix', 'jack', 2),
        sound: 0,
        nominalDbu: [STUDIO_DBU, CONSUMER_DBU],
        phantom: 'harmed',
      },
      second: {
        ...sound('out', 'Second mix', 'jack', 2),
        sound: 0,
        nominalDbu: [STUDIO_DBU, CONSUMER_DBU],
        phantom: 'harmed',
      },
    },
    paths: [
      {
        from: [1, 2, 3, 4, 5, 6, 7, 8].map(n => `in-${n}`),
        to: ['main', 'second'],
        format: 'same',
        delay: ms(0, 1, 2),
      },
    ],
  },
  'desk-house': {
    title: 'Sound desk of the house, line feed',
    role: 'sound',
    kind: 'desk',
    ports: { feed: { ...sound('out', 'Line feed', 'xlr', 2), phantom: 'harmed' } },
    paths: [],
    watts: 0,
    supply: 'none',
    priceMinor: 0,
  },
  'microphone-radio-two': {
    title: 'Two radio microphones on one receiver, 3.5 mm, one a side',
    role: 'sound',
    kind: 'microphone',
    ports: { out: { ...sound('out', 'Receiver out', 'mini-jack', 2), sides: 'apart' } },
    paths: [],
    watts: 1,
    supply: 'battery',
    priceMinor: 42000,
  },
  'player-music': {
    title: 'Music player, 3.5 mm',
    role: 'sound',
    kind: 'player',
    ports: { out: sound('out', 'Out', 'mini-jack', 2) },
    paths: [],
    watts: 2,
    supply: 'usb',
    priceMinor: 9000,
  },
  'desk-16': {
    title: 'Sound desk, 16 microphone inputs, four mixes',
    role: 'sound',
    kind: 'desk',
    watts: 55,
    supply: 'mains',
    priceMinor: 128000,
    ports: {
      ...Object.fromEntries(
        Array.from({ length: 16 }, (_, i) => [`in-${i + 1}`, { ...microphoneIn(`Input ${i + 1}`), number: i + 1 }]),
      ),
      ...Object.fromEntries(
        [1, 2, 3, 4].map(n => [
          `mix-${n}`,
          { ...sound('out', `Mix ${n}`, 'xlr', 2), sound: 0, number: n, phantom: 'harmed' },
        ]),
      ),
    },
    paths: [
      {
        from: Array.from({ length: 16 }, (_, i) => `in-${i + 1}`),
        to: ['mix-1', 'mix-2', 'mix-3', 'mix-4'],
        format: 'same',
        delay: ms(1, 2, 3),
      },
    ],
  },
  'amplifier-microphone': {
    title: 'Microphone amplifier, XLR',
    short: 'Mic amp',
    role: 'sound',
    kind: 'converter',
    watts: 4,
    supply: 'mains',
    priceMinor: 9000,
    ports: { in: microphoneIn('In'), out: { ...sound('out', 'Out', 'xlr', 1), sound: 0, phantom: 'harmed' } },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
    amplifies: true,
  },
  'balance-box': {
    title: 'Transformer box, 3.5 mm to balanced XLR',
    role: 'sound',
    kind: 'converter',
    watts: 0,
    supply: 'none',
    priceMinor: 5500,
    ports: {
      in: sound('in', 'In', 'mini-jack', 2),
      out: { ...sound('out', 'Out', 'xlr', 2), sound: 0 },
    },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'unbalance-box': {
    title: 'Transformer box, balanced XLR to 3.5 mm',
    role: 'sound',
    kind: 'converter',
    watts: 0,
    supply: 'none',
    priceMinor: 5500,
    ports: { in: sound('in', 'In', 'xlr', 2), out: { ...sound('out', 'Out', 'mini-jack', 2), sound: 0 } },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'line-box': {
    title: 'Line amplifier, 3.5 mm to balanced XLR, lifts to +4 dBu',
    short: 'Line amp',
    role: 'sound',
    kind: 'converter',
    watts: 3,
    supply: 'usb',
    priceMinor: 8500,
    ports: {
      in: { ...sound('in', 'In', 'mini-jack', 2), nominalDbu: [CONSUMER_DBU] },
      out: { ...sound('out', 'Out', 'xlr', 2), sound: 0, nominalDbu: [STUDIO_DBU], phantom: 'harmed' },
    },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'isolator-xlr': {
    title: 'Sound isolator, XLR, keeps phantom power and hum away',
    short: 'Isolator',
    role: 'sound',
    kind: 'converter',
    watts: 0,
    supply: 'none',
    priceMinor: 6500,
    ports: { in: sound('in', 'In', 'xlr', 2), out: { ...sound('out', 'Out', 'xlr', 2), sound: 0 } },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'pad-line': {
    title: 'Line pad, 12 dB, 3.5 mm',
    short: 'Pad',
    role: 'sound',
    kind: 'converter',
    watts: 0,
    supply: 'none',
    priceMinor: 2500,
    ports: {
      in: { ...sound('in', 'In', 'mini-jack', 2), nominalDbu: [STUDIO_DBU] },
      out: { ...sound('out', 'Out', 'mini-jack', 2), sound: 0, nominalDbu: [CONSUMER_DBU] },
    },
    paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'microphone-condenser': {
    title: 'Condenser microphone, XLR, needs phantom power',
    role: 'sound',
    kind: 'microphone',
    ports: { out: { ...sound('out', 'Out', 'xlr', 1), soundLevel: 'microphone', phantom: 'needs' } },
    paths: [],
    watts: 0,
    supply: 'none',
    priceMinor: 18000,
  },
  'computer-control': {
    title: 'Computer for control, network and two USB sockets',
    role: 'control',
    kind: 'controller',
    surface: 'computer',
    watts: 40,
    supply: 'mains',
    priceMinor: 60000,
    paths: [],
    ports: {
      'network': network('out', 'Network'),
      'usb-1': usbControl('out', 'USB 1', 'usb-a'),
      'usb-2': usbControl('out', 'USB 2', 'usb-a'),
    },
  },
  'controller-joystick': {
    title: 'Joystick for pan-tilt-zoom cameras, network',
    role: 'control',
    kind: 'controller',
    watts: 8,
    supply: 'mains',
    priceMinor: 78000,
    paths: [],
    ports: { network: network('out', 'Network') },
  },
  'tablet-control': {
    title: 'Tablet for control, radio network, and network over an adapter',
    short: 'Tablet',
    role: 'control',
    kind: 'controller',
    surface: 'tablet',
    watts: 6,
    supply: 'battery',
    battery: { wh: 28 },
    priceMinor: 45000,
    paths: [],
    ports: { air: radioNetwork('out', 'Radio network'), network: network('out', 'Network, over an adapter') },
  },
  'access-point': {
    title: 'Access point, network to radio, four at once',
    short: 'Access point',
    role: 'control',
    kind: 'network',
    watts: 9,
    supply: 'mains',
    priceMinor: 16000,
    ports: {
      in: network('in', 'Network'),
      ...Object.fromEntries([1, 2, 3, 4].map(n => [`air-${n}`, { ...radioNetwork('out', `Radio ${n}`), number: n }])),
    },
    paths: [{ from: ['in'], to: [1, 2, 3, 4].map(n => `air-${n}`), format: 'same', delay: ms(0, 0, 0) }],
  },
  'switch-control-poe': {
    title: 'Network switch for control, 8 ports, feeds what hangs on it up to 25.5 W each',
    role: 'control',
    kind: 'network',
    watts: 12,
    supply: 'mains',
    priceMinor: 14000,
    poeBudget: { w: 120, by: 'class' },
    ports: {
      in: network('in', 'Port 1'),
      ...Object.fromEntries(
        [2, 3, 4, 5, 6, 7, 8].map(n => [`out-${n}`, { ...network('out', `Port ${n}`), number: n, poe: { gives: 4 } }]),
      ),
    },
    paths: [{ from: ['in'], to: [2, 3, 4, 5, 6, 7, 8].map(n => `out-${n}`), format: 'same', delay: ms(0, 0, 0) }],
  },
  'injector-poe': {
    title: 'Injector, feeds one device over its network lead up to 51 W',
    role: 'control',
    kind: 'network',
    watts: 5,
    supply: 'mains',
    priceMinor: 6500,
    poeBudget: { w: 60, by: 'draw' },
    ports: {
      'in': network('in', 'Network in'),
      'out-2': { ...network('out', 'Network and power out'), number: 2, poe: { gives: 6 } },
    },
    paths: [{ from: ['in'], to: ['out-2'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'switch-control': {
    title: 'Network switch for control, 8 ports',
    role: 'control',
    kind: 'network',
    watts: 6,
    supply: 'mains',
    priceMinor: 5000,
    ports: {
      in: network('in', 'Port 1'),
      ...Object.fromEntries(
        [2, 3, 4, 5, 6, 7, 8].map(n => [`out-${n}`, { ...network('out', `Port ${n}`), number: n }]),
      ),
    },
    paths: [{ from: ['in'], to: [2, 3, 4, 5, 6, 7, 8].map(n => `out-${n}`), format: 'same', delay: ms(0, 0, 0) }],
  },
  'light-panel': load('Light, LED panel', 100, 32000),
  'light-spot': { ...load('Light, LED spot with lens', 300, 78000), warm: true },
  'light-battery': { ...load('Light, small LED panel on a battery', 15, 9000), supply: 'battery', battery: { wh: 48 } },
  'charger-four': load('Charger for four camera batteries', 140, 26000),
  'intercom-base': load('Intercom base station for belt packs', 25, 140000),
  'intercom-pack': { ...load('Intercom belt pack with headset', 1.5, 42000), supply: 'battery', battery: { wh: 9 } },
  'radio-hdmi-receiver': receiver('Radio receiver, HDMI, up to 1080p59.94', 5, 'usb', 55000),
  'radio-sdi-receiver': receiver('Radio receiver, SDI, uncompressed', 9, 'mains', 130000),
  'radio-hdmi-720-receiver': receiver('Radio receiver, HDMI, short range, up to 1080p30', 3, 'usb', 20000),
  'radio-one-to-two-receiver': receiver('Radio receiver, HDMI, one of two at one sender', 4, 'usb', 55000),
  'radio-sdi-far-receiver': receiver('Radio receiver, SDI, compressed, far', 12, 'mains', 300000),
  'tally-lamps': load('Tally lamps, four on one box', 6, 24000),
}

/** Where a pack's sound goes out, or comes into its receiver: of these two look-alikes the receiver has the plug that counts. */
function aerial(dir: Port['dir'], title: string): Port {
  return { title, dir, carries: 'sound', connector: 'aerial', sound: 1, nominalDbu: [CONSUMER_DBU] }
}

/** A network without a cable. */
function radioNetwork(dir: Port['dir'], title: string): Port {
  return { title, dir, carries: 'control', connector: 'aerial' }
}

/** What has no picture, no sound and no control that the plan follows, but draws and weighs. */
function load(title: string, watts: number, priceMinor: number): Model {
  return { title, role: 'load', ports: {}, paths: [], watts, supply: 'mains', priceMinor }
}

/** The other end of a radio link: its socket is the output of the sender's row, so that the run goes through the link as one. */
function receiver(title: string, watts: number, supply: Model['supply'], priceMinor: number): Model {
  return { ...load(title, watts, priceMinor), kind: 'receiver', supply }
}
