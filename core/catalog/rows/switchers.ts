import type { Model, Port } from '../model'
import { MIXES } from './mixes'
import {
  ALL_1080I,
  ALL_1080P,
  ALL_2160P30,
  ALL_2160P60,
  ALL_720P,
  R24,
  R30,
  R60,
  STRICT,
  SWITCHER_STANDARDS,
  UP_TO_12G,
  feeds,
  frames,
  hdmi,
  lineIn,
  microphoneIn,
  network,
  repeat,
  sdi,
  set,
  sound,
  switcher,
  networkPicture,
  usbControl,
  usbPicture,
} from './parts'

/** Switchers. */
/** What a capture device inside a computer takes: it scales, and adds two to four frames. */
const CAPTURED: Partial<Port> = {
  takes: [ALL_1080P, ALL_720P, ALL_1080I],
  delay: frames(2, 3, 4),
}

/** The sockets by which computers, tablets and key pads reach a switcher. */
const CONTROL: Record<string, Port> = {
  'control': network('in', 'Control (network)'),
  'control-usb': usbControl('in', 'Control (USB)', 'usb-b'),
}

const ROWS: Record<string, Model> = {
  'switcher-4-strict': switcher(
    'Switcher, 4 HDMI inputs, strict',
    repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
    [
      hdmi('out', 'HDMI out', 165, feeds('program')),
      hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview')),
    ],
    { sound: sound('in', 'Sound in', 'mini-jack', 2) },
    frames(1, 1.5, 2),
    12,
    38000,
  ),
  'switcher-4-scaling': switcher(
    'Switcher, 4 HDMI inputs, each with a scaler, multiview',
    repeat(4, hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(1, 1.5, 2) })),
    [
      hdmi('out', 'HDMI out', 165, feeds('program')),
      hdmi('out', 'HDMI out', 165, feeds('multiview', 'program', 'preview')),
    ],
    { sound: sound('in', 'Sound in', 'mini-jack', 2) },
    frames(1, 1.5, 2),
    18,
    62000,
  ),
  'switcher-8-mixed': switcher(
    'Switcher, 4 HDMI and 4 SDI inputs, strict, multiview',
    [...repeat(4, hdmi('in', 'HDMI in', 165, STRICT)), ...repeat(4, sdi('in', 'SDI in', STRICT))],
    [
      sdi('out', 'SDI out', feeds('program')),
      sdi('out', 'SDI out', feeds('program', 'clean', 'preview')),
      hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')),
      hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview', 'multiview', 'input')),
    ],
    { 'sound-1': lineIn('Sound in 1', 'jack', 2), 'sound-2': sound('in', 'Sound in 2', 'xlr', 1) },
    frames(1, 1.5, 2),
    45,
    145000,
  ),
  'switcher-4-multiview': switcher(
    'Switcher, 4 HDMI inputs, strict, multiview on an output of its own',
    repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
    [
      hdmi('out', 'HDMI out', 165, feeds('program')),
      hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview')),
      hdmi('out', 'HDMI out', 165, feeds('multiview')),
      usbPicture('out', 'USB out', feeds('program')),
    ],
    { sound: sound('in', 'Sound in', 'mini-jack', 2) },
    frames(1, 1.5, 2),
    15,
    54000,
  ),
  'switcher-8-hdmi': switcher(
    'Switcher, 8 HDMI inputs, each with a scaler, multiview',
    repeat(8, hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(1, 1.5, 2) })),
    [
      hdmi('out', 'HDMI out', 165, feeds('program')),
      hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview', 'multiview', 'input')),
      hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')),
      usbPicture('out', 'USB out', feeds('program')),
    ],
    { 'sound-1': sound('in', 'Sound in 1', 'mini-jack', 2), 'sound-2': sound('in', 'Sound in 2', 'mini-jack', 2) },
    frames(1, 1.5, 2),
    30,
    125000,
  ),
  'switcher-12-sdi': switcher(
    'Switcher, 12 SDI inputs, strict, two multiviews',
    repeat(12, sdi('in', 'SDI in', STRICT)),
    [
      ...repeat(4, sdi('out', 'SDI out', feeds('program', 'clean', 'preview', 'input'))),
      sdi('out', 'SDI out', feeds('multiview', 'program')),
      hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')),
    ],
    { 'sound-1': sound('in', 'Sound in 1', 'xlr', 1), 'sound-2': sound('in', 'Sound in 2', 'xlr', 1) },
    frames(1, 1.5, 2),
    85,
    320000,
  ),
  'switcher-4-2160': {
    ...switcher(
      'Switcher, 4 HDMI inputs, strict, up to 2160p29.97',
      repeat(4, hdmi('in', 'HDMI in', 340, STRICT)),
      [
        hdmi('out', 'HDMI out', 340, feeds('program', 'clean', 'input')),
        hdmi('out', 'HDMI out', 340, feeds('program', 'clean', 'preview', 'input')),
        hdmi('out', 'HDMI out', 340, feeds('multiview', 'program')),
        usbPicture('out', 'USB out', feeds('program')),
        networkPicture('out', 'Stream', feeds('program', 'clean')),
      ],
      { 'sound-1': lineIn('Sound in', 'xlr', 2) },
      frames(1, 1.5, 2),
      55,
      210000,
    ),
    standards: [...SWITCHER_STANDARDS, set(2160, 'p', '25/1', R30)],
  },
  'switcher-4-fixed-rate': {
    ...switcher(
      'Switcher, 4 HDMI inputs, strict, 1080p up to 30 frames',
      repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
      [hdmi('out', 'HDMI out', 165, feeds('program')), hdmi('out', 'HDMI out', 165, feeds('preview', 'program'))],
      { sound: sound('in', 'Sound in', 'mini-jack', 2) },
      frames(1, 1, 2),
      8,
      24000,
    ),
    standards: [set(1080, 'p', R24, '25/1', R30, '30/1')],
  },
  'switcher-4-computer': {
    ...switcher(
      'Switcher, 4 HDMI inputs, strict, without a panel',
      repeat(4, hdmi('in', 'HDMI in', 165, STRICT)),
      [
        hdmi('out', 'HDMI out', 165, feeds('program')),
        hdmi('out', 'HDMI out', 165, feeds('multiview', 'program', 'preview')),
        usbPicture('out', 'USB out', feeds('program')),
      ],
      {
        sound: sound('in', 'Sound in', 'mini-jack', 2),
        ...CONTROL,
      },
      frames(1, 1.5, 2),
      14,
      31000,
    ),
    configured: ['control', 'control-usb'],
  },
  'switcher-6-combo': switcher(
    'Switcher, 2 SDI and 4 HDMI inputs, each with a scaler, multiview',
    [
      ...repeat(
        2,
        sdi('in', 'SDI in', { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(1, 1.5, 2), fits: true }),
      ),
      ...repeat(
        4,
        hdmi('in', 'HDMI in', 340, {
          takes: [ALL_1080P, ALL_1080I, ALL_720P, ALL_2160P30],
          delay: frames(1, 1.5, 2),
          fits: true,
          ranges: ['narrow', 'full'],
        }),
      ),
    ],
    [
      sdi('out', 'SDI out', feeds('program', 'clean')),
      hdmi('out', 'HDMI out', 165, feeds('program', 'clean', 'preview')),
      hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')),
      usbPicture('out', 'USB out', feeds('program')),
      networkPicture('out', 'Stream', feeds('program', 'clean')),
    ],
    { 'sound-1': lineIn('Sound in 1', 'jack', 2), 'sound-2': sound('in', 'Sound in 2', 'mini-jack', 2) },
    frames(1, 1.5, 2),
    36,
    165000,
  ),
  'switcher-8-level-a': switcher(
    'Switcher, 8 SDI inputs that take level A alone, strict, multiview',
    repeat(8, sdi('in', 'SDI in', { ...STRICT, levels: ['A'] })),
    [
      ...repeat(3, sdi('out', 'SDI out', feeds('program', 'clean', 'preview', 'input'))),
      hdmi('out', 'HDMI out', 165, feeds('multiview', 'program')),
    ],
    { 'sound-1': microphoneIn('Sound in 1'), 'sound-2': microphoneIn('Sound in 2') },
    frames(1, 1, 1.5),
    60,
    190000,
  ),
  'switcher-4-quad': {
    ...switcher(
      'Switcher, 4 inputs of four 3G links each, square division, strict',
      repeat(4, sdi('in', 'SDI in, four links,', { ...STRICT, connector: 'bnc-4', divisions: ['square'] })),
      [
        sdi('out', 'SDI out, four links,', { ...feeds('program', 'clean'), connector: 'bnc-4', divisions: ['square'] }),
        hdmi('out', 'HDMI out', 600, feeds('program', 'clean', 'preview', 'input')),
        hdmi('out', 'HDMI out', 600, feeds('multiview', 'program')),
      ],
      { 'sound-1': microphoneIn('Sound in 1'), 'sound-2': microphoneIn('Sound in 2') },
      frames(1, 1, 2),
      120,
      640000,
    ),
    standards: [set(2160, 'p', '50/1', R60)],
  },
  'switcher-6-2160': {
    ...switcher(
      'Switcher, 6 12G-SDI inputs, strict, up to 2160p59.94',
      repeat(6, sdi('in', 'SDI in', { ...STRICT, classes: UP_TO_12G })),
      [
        ...repeat(3, sdi('out', 'SDI out', { ...feeds('program', 'clean', 'preview', 'input'), classes: UP_TO_12G })),
        hdmi('out', 'HDMI out', 600, feeds('multiview', 'program')),
      ],
      { 'sound-1': microphoneIn('Sound in 1'), 'sound-2': microphoneIn('Sound in 2') },
      frames(1, 1, 2),
      90,
      410000,
    ),
    standards: [set(2160, 'p', '25/1', R30, '50/1', R60), ...SWITCHER_STANDARDS],
  },
  'switcher-20-mixed': {
    ...switcher(
      'Switcher, 16 12G-SDI strict and 4 HDMI scaling inputs, up to 2160p59.94, set up over the network',
      [
        ...repeat(16, sdi('in', 'SDI in', { ...STRICT, classes: UP_TO_12G })),
        ...repeat(
          4,
          hdmi('in', 'HDMI in', 600, {
            takes: [ALL_1080P, ALL_1080I, ALL_720P, ALL_2160P60],
            delay: frames(1, 1.5, 2),
            fits: true,
            ranges: ['narrow', 'full'],
          }),
        ),
      ],
      [
        ...repeat(8, sdi('out', 'SDI out', { ...feeds('program', 'clean', 'preview', 'input'), classes: UP_TO_12G })),
        ...repeat(2, sdi('out', 'SDI out', { ...feeds('multiview', 'program'), classes: UP_TO_12G })),
        hdmi('out', 'HDMI out', 600, feeds('multiview', 'program')),
      ],
      {
        'sound-1': microphoneIn('Sound in 1'),
        'sound-2': microphoneIn('Sound in 2'),
        'control': network('in', 'Control (network)'),
      },
      frames(1, 1, 2),
      240,
      1450000,
    ),
    standards: [
      set(1080, 'p', '25/1', R30, '50/1', R60),
      set(1080, 'i', '25/1', R30),
      set(720, 'p', '50/1', R60),
      set(2160, 'p', '25/1', R30, '50/1', R60),
    ],
    configured: ['control'],
  },
  'switcher-2-field': {
    ...switcher(
      'Switcher, 2 HDMI inputs, strict, 720p and 1080i, for the field',
      repeat(2, hdmi('in', 'HDMI in', 165, STRICT)),
      [hdmi('out', 'HDMI out', 165, feeds('program'))],
      { sound: sound('in', 'Sound in', 'mini-jack', 2) },
      frames(1, 1, 1),
      5,
      16000,
    ),
    standards: [set(720, 'p', '50/1', R60), set(1080, 'i', '25/1', R30)],
    supply: 'usb',
  },
  'computer-mixing': {
    ...switcher(
      'Computer that mixes: two HDMI captures, calls, stream and recording',
      [
        ...repeat(2, hdmi('in', 'Capture', 340, CAPTURED)),
        { title: 'Call in', dir: 'in', carries: 'network', connector: '8p8c', delay: frames(1, 2, 3) },
        ...repeat(2, usbPicture('in', 'USB picture', CAPTURED)),
        networkPicture('in', 'Network picture', { delay: frames(1, 2, 4) }),
      ],
      [
        ...repeat(2, hdmi('out', 'Screen', 340, feeds('program', 'clean', 'preview', 'multiview', 'input'))),
        { title: 'Stream', dir: 'out', carries: 'network', connector: '8p8c', ...feeds('program', 'clean') },
        {
          title: 'Call out',
          dir: 'out',
          carries: 'network',
          connector: '8p8c',
          ...feeds('program', 'clean'),
          minus: true,
        },
      ],
      { sound: sound('in', 'Sound interface', 'mini-jack', 2) },
      frames(1, 2, 3),
      150,
      165000,
    ),
    kind: 'computer',
  },
  'computer-mixing-chassis': {
    ...switcher(
      'Computer that mixes, with a card in a chassis: four SDI inputs and two SDI outputs behind one lead',
      [
        ...repeat(4, sdi('in', 'Card in', CAPTURED)),
        ...repeat(2, usbPicture('in', 'USB picture', CAPTURED)),
        ...repeat(2, networkPicture('in', 'Network picture', { delay: frames(1, 2, 4) })),
      ],
      [
        ...repeat(2, sdi('out', 'Card out', feeds('program', 'clean', 'input'))),
        hdmi('out', 'Screen', 340, feeds('multiview', 'program', 'clean', 'preview', 'input')),
        networkPicture('out', 'Stream', feeds('program', 'clean')),
        networkPicture('out', 'Call out', { ...feeds('program', 'clean'), minus: true }),
      ],
      { sound: sound('in', 'Sound interface', 'jack', 2) },
      frames(1, 2, 3),
      320,
      420000,
    ),
    kind: 'computer',
  },
}

export const STAGES: Record<string, Model> = Object.fromEntries(
  Object.entries(ROWS).map(([id, row]): [string, Model] => {
    const { records, isolates, inset, ...mix } = MIXES[id]!
    const some = { ...(isolates === undefined ? {} : { isolates }), ...(inset === undefined ? {} : { inset }) }
    // A computer is its own panel; all others have a socket by which one reaches them.
    const own = Object.values(row.ports).some(({ carries }) => carries === 'control') || row.kind === 'computer'
    const ports = own ? row.ports : { ...row.ports, ...CONTROL }
    return [id, { ...row, ports, keyers: mix.keyers.length, records, ...some, mix }]
  }),
)
