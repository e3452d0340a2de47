import { type Act, type Mix, ROLES, mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, gathers, isSwitcher } from '#core/chain'
import { type Look, own } from '#core/document'
import { listWords } from '#core/words'
import { type Setting, settingsOf } from './settings'
import { lookWords, showSettings } from './show'

/** One thing to do at a device, in the order in which it is done. */
export interface Step {
  readonly title: string
  /** The port that it is done for. */
  readonly port: string
  readonly value: string
  /** From where it can be done. */
  readonly where: string
  /** Done once and kept, or before each show. */
  readonly when: 'once' | 'each show'
  /** What goes wrong here, or where the setting hides. */
  readonly hint: string
}

export interface Sheet {
  readonly device: string
  readonly name: string
  readonly model: string
  readonly steps: readonly Step[]
}

interface Way {
  readonly order: number
  readonly act?: Act
  readonly when?: Step['when']
  readonly hint?: string
}

/** Where each setting stands in the work, and what is known of it. Dependent ones come after what they depend on. */
const WAYS: Readonly<Record<string, Way>> = {
  'Mode': { order: 10, hint: 'It decides which formats can be chosen after it.' },
  'Operating standard': {
    order: 11,
    act: 'standard',
    hint: 'Before all else: outputs go away for a moment, and inputs are judged by it.',
  },
  'Switching off by itself': { order: 12, when: 'once', hint: 'It stands with power or general, not with video.' },
  'Shutter': { order: 13 },
  'Fed': {
    order: 9,
    hint: 'A lead that feeds is control as well: plugged into a plain socket it leaves the device off.',
  },
  'Recording': { order: 12.5, hint: 'It decides how large the files are: before the medium is formatted.' },
  'White point': {
    order: 13.1,
    hint: 'By hand, in the light of the show: automatic white drifts apart from camera to camera.',
  },
  'Aperture': { order: 13.2 },
  'Sensitivity': { order: 13.3 },
  'Address': {
    order: 5,
    hint: 'Off a factory subnet it is reached first by a computer that is set to that subnet, and set back after.',
  },
  'Channel': { order: 14, hint: 'At the sender and at the receiver.' },
  'Format': { order: 20, act: 'outputs' },
  'Division': { order: 21, act: 'outputs' },
  'Level': { order: 22, act: 'outputs' },
  'Shape': { order: 23, act: 'outputs' },
  'Range': { order: 24, act: 'inputs' },
  'Transfer': { order: 25, act: 'outputs' },
  'Readouts': { order: 26, hint: 'Often called clean output, or output display.' },
  'Protection': { order: 27, hint: 'It stands with the system, and may need a restart.' },
  'Fit': { order: 28, act: 'inputs' },
  'Label': { order: 30, act: 'names', when: 'once' },
  'Kept free': { order: 31, hint: 'Nothing is plugged in here until then.' },
  'Tiles': { order: 42, act: 'outputs', when: 'once', hint: 'Read from left to right, the large ones first.' },
  'Carries': { order: 40, act: 'outputs', when: 'once' },
  'Shows': { order: 41, act: 'outputs', when: 'once' },
  'Sound': { order: 50, act: 'sound' },
  'Gain': { order: 50.5, act: 'sound', hint: 'Set by ear with the loudest of the show; this is where it begins.' },
  'Sound held back': { order: 51, act: 'sound' },
  'Phantom power': {
    order: 48,
    act: 'sound',
    hint: 'Switch it with the channel shut, and off before a line is plugged in.',
  },
  'Line level': { order: 49, act: 'sound' },
  'Sides': { order: 51, act: 'sound', hint: 'Listen with one ear at a time.' },
  'Sampling of sound': { order: 29, hint: 'It stands with the sound settings of the system, by output.' },
  'Sent without': {
    order: 52,
    act: 'sound',
    hint: 'Listen at the far end: a guest who hears themselves cannot speak.',
  },
  'Overlay': { order: 55, act: 'key set-up', hint: 'Set it over a test picture: the graphic on black, and on white.' },
  'Off the air': { order: 60, hint: 'No key of the device holds it: say so to whoever switches.' },
  'Position': { order: 65, hint: 'Drive there and store it under that name or number.' },
  'Clip': { order: 66, when: 'once' },
  'Lamp': { order: 67, hint: 'Lit by the whole way: by a controller that reads every switcher on it.' },
  'Page': { order: 70 },
  'Look': { order: 71, act: 'macros' },
  'Macro': { order: 72, act: 'macros', when: 'once', hint: 'Run it once with nobody watching.' },
  'Note': { order: 90, when: 'once' },
}

const SURFACE_WORDS = { panel: 'its panel', computer: 'a computer', tablet: 'a tablet', pad: 'a key pad' } as const

/** From where an act can be done at a mixing device; of other devices, their own menu. */
function reachedFrom({ model }: DeviceNode, act: Act | undefined): string {
  const mix = mixOf(model)
  if (!mix || act === undefined) return 'in its menu'
  const reaching = mix.surfaces.filter(({ reaches }) => reaches.includes(act)).map(({ kind }) => kind)
  if (reaching.length === 0) return 'in its menu'
  return reaching.includes('panel')
    ? `at ${SURFACE_WORDS.panel}`
    : `only from ${listWords(reaching.map(kind => SURFACE_WORDS[kind]))}`
}

function shortened({ model }: DeviceNode, { name, value }: Setting): string {
  const longest = mixOf(model)?.longName
  if (name !== 'Label' || longest === undefined || value.length <= longest) return ''
  return longest === 0
    ? 'It shows no names: write it beside the key.'
    : `It has room for ${longest} letters: ${value.slice(0, longest)}.`
}

/** Menus often name a rate with a fraction by the whole number next to it. */
function rounded({ name, value }: Setting): string {
  const rate = name === 'Format' || name === 'Operating standard' ? /(\d+\.\d+)$/.exec(value)?.[1] : undefined
  return rate === undefined
    ? ''
    : `${rate}, not ${Math.round(Number(rate))}: a menu may show the one by the name of the other.`
}

function stepOf(node: DeviceNode, setting: Setting): Step {
  const way = WAYS[setting.name] ?? { order: 80 }
  return {
    title: setting.name,
    port: setting.port ?? '',
    value: setting.value,
    where: setting.name === 'Note' || setting.name === 'Kept free' ? '' : reachedFrom(node, way.act),
    when: way.when ?? 'each show',
    hint: shortened(node, setting) || [way.hint, rounded(setting)].filter(Boolean).join(' '),
  }
}

/** On a computer camera, microphone and loudspeaker of each program are chosen one by one. */
const chosen = (step: (title: string, value: string, when: Step['when'], hint?: string) => Step): Step[] => [
  step('Choose the camera of each program', 'a capture, not the built-in one', 'each show'),
  step(
    'Choose the microphone of each program',
    'the sound interface, not the built-in one',
    'each show',
    'The built-in one is the default: it sounds thin and like the room.',
  ),
  step(
    'Choose the loudspeaker of each program',
    'headphones, or the interface',
    'each show',
    'Else the call comes back.',
  ),
  step('Switch off sleep, updates and messages', 'for the length of the show', 'each show'),
]

/** What begins and ends the work at a mixing device. */
function around(traced: Traced, node: DeviceNode): { readonly first: Step[]; readonly last: Step[] } {
  const mix = mixOf(node.model)
  if (!isSwitcher(node) || !mix) return { first: [], last: [] }
  const step = (title: string, value: string, when: Step['when'], hint = ''): Step => ({
    title,
    port: '',
    value,
    where: '',
    when,
    hint,
  })
  const labelled = portsOf(node.model, 'in').some(([port]) => own(node.device.ports, port)?.label !== undefined)
  return {
    first: [
      step('Switch on', `${mix.bootS}\u00A0s until pictures pass`, 'each show'),
      ...(node.model.kind === 'computer' ? chosen(step) : []),
    ],
    last: [
      step(
        'Press each input in turn',
        labelled ? 'every picture under its label' : 'every picture at its number',
        'each show',
      ),
      step(...starting(traced, node, mix)),
      ...(mix.resets
        ? [
            step(
              'Cover the key that resets',
              `it puts back ${listWords(mix.resets)}`,
              'each show',
              'Keep a file before the show. After a press by mistake: load it, or go down this sheet again.',
            ),
          ]
        : []),
    ],
  }
}

/** How the first look comes to stand after power on. */
function starting(
  traced: Traced,
  { id }: DeviceNode,
  { wakes }: Mix,
): [title: string, value: string, when: Step['when'], hint: string] {
  const opening = firstLook(traced)
  const does = opening && lookWords(traced, traced.chain.nodes.get(id)!, opening)
  const stands = does?.length ? `${opening!.title}: ${listWords(does)}` : 'the first picture of the show on air'
  switch (wakes ?? 'first') {
    case 'kept':
      return [
        'Keep it as the state that it starts in',
        `or as a file, with ${stands}`,
        'once',
        'Without it the next start has the old settings.',
      ]
    case 'left':
      return [
        'Switch it off as it is to start',
        stands,
        'each show',
        'It starts as it was left: after power is lost in the show, with what stood then.',
      ]
    case 'first':
      return [
        'After each start',
        stands,
        'each show',
        'It always starts with its first picture on air and no key lit, whatever stood before.',
      ]
  }
}

/** The look in which the show begins: that of its first segment, else the first. */
function firstLook({ plan }: Traced): Look | undefined {
  const first = <T extends { readonly order: number }>(map: Readonly<Record<string, T>>): T | undefined =>
    Object.values(map).reduce<T | undefined>((a, b) => (a && a.order <= b.order ? a : b), undefined)
  const opens = first(plan.segments)?.opens
  return (opens === undefined ? undefined : own(plan.looks, opens)) ?? first(plan.looks)
}

const byPlace = (a: DeviceNode, b: DeviceNode): number =>
  ROLES.indexOf(a.model.role) - ROLES.indexOf(b.model.role) || a.device.order - b.device.order || (a.id < b.id ? -1 : 1)

/** The set-up sheet of a device; without steps where nothing is set on it. */
export function sheetOf(traced: Traced, node: DeviceNode): Sheet {
  const settings = [...settingsOf(node), ...showSettings(traced, node)]
  const steps = settings
    .map((setting, i) => ({ order: (WAYS[setting.name] ?? { order: 80 }).order, i, step: stepOf(node, setting) }))
    .sort((a, b) => a.order - b.order || a.i - b.i)
    .map(({ step }) => step)
    // What is to be minded is said once a device.
    .map((step, at, all) => (all.findIndex(({ hint }) => hint === step.hint) < at ? { ...step, hint: '' } : step))
  const { first, last } = around(traced, node)
  return {
    device: node.id,
    name: node.device.name,
    model: node.model.title,
    steps: [...first, ...steps, ...last],
  }
}

/** The set-up sheets of all devices on which something is set, mixing devices where the light meets them. */
export const sheetsOf = (traced: Traced): Sheet[] =>
  [...traced.chain.nodes.values()]
    .sort(byPlace)
    .map(node => sheetOf(traced, node))
    .filter(({ steps }) => steps.length > 0)

/** The mixing devices in the order in which pictures meet them: feeders before what they feed, then by order. */
export const mixersOf = ({ chain }: Traced): DeviceNode[] => [...chain.nodes.values()].filter(gathers).sort(byPlace)
