import type {
  Aspect,
  Coding,
  ConnectorId,
  Division,
  FormatSet,
  Level,
  RadioBudget,
  Range,
  SdiClass,
  SignalKind,
  Transfer,
  UsbClass,
  VideoFormat,
} from '#core/signal'

/**
 * What a device is for, in the order in which lists show them: one as it is called, and many as a heading. A way stands
 * in a run between two others; sound and control have no picture; a load has nothing but its draw.
 */
export const ROLE_WORDS = {
  source: { one: 'source', many: 'Sources' },
  switcher: { one: 'switcher', many: 'Switchers' },
  way: { one: 'converter', many: 'On the way' },
  sink: { one: 'sink', many: 'Who sees it' },
  sound: { one: 'sound', many: 'Sound' },
  control: { one: 'control', many: 'Control' },
  load: { one: 'load', many: 'Lights, receivers and other loads' },
} as const
export type Role = keyof typeof ROLE_WORDS
export const ROLES = Object.keys(ROLE_WORDS) as Role[]

/** Sockets for mains leads after IEC 60320 by the plug of the lead; or a supply that sits in the outlet, or a lead of its own. */
export const INLETS = {
  'c13': 'lead with a C13 plug',
  'c15': 'lead with a C15 plug',
  'c19': 'lead with a C19 plug',
  'c7': 'lead with a C7 plug',
  'c5': 'lead with a C5 plug',
  'plug-in': 'its own supply, into the outlet',
  'fixed': 'its own lead',
} as const
export type Inlet = keyof typeof INLETS

/** What kind of thing it is, where a rule or a list asks; models without one are just what their role says. */
export const KINDS = [
  'camera',
  'phone',
  'computer',
  'player',
  'tablet',
  'switcher',
  'multiviewer',
  'converter',
  'scaler',
  'splitter',
  'extender',
  'radio',
  'receiver',
  'encoder',
  'decoder',
  'network',
  'screen',
  'projector',
  'recorder',
  'capture',
  'microphone',
  'desk',
  'controller',
  'matrix',
  'delay',
] as const
export type Kind = (typeof KINDS)[number]

/** What a switcher makes, and what can be asked of one. */
export const FEEDS = ['program', 'clean', 'preview', 'multiview'] as const
export type Feed = (typeof FEEDS)[number]

export const isFeed = (pointed: string): pointed is Feed => (FEEDS as readonly string[]).includes(pointed)

/** What an output of a switcher can be pointed at; `input` is one input, named by the output's setting `of`. */
export const CARRIED = [...FEEDS, 'input'] as const
export type Carried = (typeof CARRIED)[number]

/** A delay as a data sheet gives it: in milliseconds, or in frames of the format that leaves. */
export interface Delay {
  readonly min: number
  readonly typ: number
  readonly max: number
  readonly unit: 'ms' | 'frames'
}

/** Samples a second that sound beside a picture has. */
export const SOUND_HZ = [48_000, 44_100] as const

export interface Port {
  /** What is printed beside it, e.g. "HDMI in 1". */
  readonly title: string
  readonly dir: 'in' | 'out'
  readonly carries: SignalKind
  readonly connector: ConnectorId
  /** The figure that people call an input or output by. */
  readonly number?: number
  /** HDMI: highest TMDS character rate in MHz (165, 340, 600). */
  readonly maxMHz?: number
  /** SDI: the classes the port lists. */
  readonly classes?: readonly SdiClass[]
  /** SDI receiver: loss it recovers at a class, dB, where better or worse than the standard's figure. */
  readonly budgetDb?: Partial<Record<SdiClass, number>>
  /** Outputs: the pixel coding that leaves; inputs have none. */
  readonly coding?: Coding
  /** Outputs that choose their format: all that can be set. */
  readonly makes?: readonly FormatSet[]
  /** Inputs: 'standard' is a strict input; a list is what is accepted; absent, whatever the port class carries. */
  readonly takes?: 'standard' | readonly FormatSet[]
  /** Inputs with a scaler and rate converter of their own: what that adds. */
  readonly delay?: Delay
  /** Outputs of a switcher: what they can be pointed at; the first is the factory setting. */
  readonly feeds?: readonly Carried[]
  /**
   * Channels of sound. On an output: those that the device itself makes (a camera's microphone) or that a switcher puts
   * beside the picture; on an input of a switcher: those that its mixer can open; absent, none. A sink without it is mute.
   */
  readonly sound?: number
  /** Outputs of a mixing device: the sound of one input can be left out beside the picture (a mix without the listener). */
  readonly minus?: true
  /** Sound plugs: a microphone's output that nothing has amplified, or an input for line alone. Absent: line out, either in. */
  readonly soundLevel?: 'microphone' | 'line'
  /**
   * Sound plugs and 48 V of phantom power: an output `needs` it (a condenser microphone) or is `harmed` by it (a line); an
   * input has it `switched`. Absent, it is neither needed nor given, and does no harm.
   */
  readonly phantom?: 'needs' | 'harmed' | 'switched'
  /** Line levels that can be set, dBu, the factory one first; absent, +4 at XLR and 6.3 mm, -7.8 (-10 dBV) at 3.5 mm. */
  readonly nominalDbu?: readonly number[]
  /** Sound outputs that do not bring one sound to both sides: the left one alone, or another voice at each. Absent, as channels. */
  readonly sides?: 'left' | 'apart'
  /** What is drawn on the device's own screen leaves here. */
  readonly pen?: true
  /** Network sockets, IEEE 802.3: the class (1 to 8) that a device asks for, or the highest that a switch gives there. */
  readonly poe?: { readonly takes: number } | { readonly gives: number }
  /** Samples a second of the sound that leaves, or that an input takes, the factory one first; absent, 48 000. */
  readonly soundHz?: readonly (typeof SOUND_HZ)[number][]
  /** SDI at 3G: the levels that an output sends or an input takes, the factory one first; absent, A is sent and both are taken. */
  readonly levels?: readonly Level[]
  /** 2160 over several links: the divisions that are sent or taken, the factory one first. */
  readonly divisions?: readonly Division[]
  /** Outputs: the picture is content-protected, always or until it is set otherwise. */
  readonly protection?: 'always' | 'switchable'
  /** Inputs: protected content is taken: shown, or handed on as it is. Absent, as its kind of device does. */
  readonly decodes?: boolean
  /** Outputs: the ranges that can be sent (absent, narrow); inputs: those that can be set to be read (absent, as sent). */
  readonly ranges?: readonly Range[]
  /** Outputs: transfer functions that can be set, the factory one first; absent, SDR. */
  readonly transfers?: readonly Transfer[]
  /** Outputs: menus and readouts lie in the picture, always or until they are switched off. */
  readonly readouts?: 'always' | 'switchable'
  /** Outputs: shapes of the picture within the frame, the factory one first; absent, 16:9 (4:3 in SD). */
  readonly aspects?: readonly Aspect[]
  /** Inputs that can enlarge or crop what comes. */
  readonly fits?: true
  /** Outputs: while no format is set, it follows what the sink says it prefers. Absent, computers do. */
  readonly follows?: boolean
  /** Inputs: the format that they say they prefer (EDID). */
  readonly prefers?: VideoFormat
}

/** Something by which a device ends its own work. */
export interface Limit {
  readonly what: 'power-off' | 'sleep' | 'recording'
  readonly minutes: number
  /** Can be switched off. */
  readonly settable?: true
}

/**
 * A way through the device, from any of `from` to all of `to`.
 * - `same`: the format passes unchanged (converter of carriage, splitter, loop-through);
 * - `port`: the output port's own setting decides (scaler, rate converter);
 * - `standard`: the operating standard decides, whatever enters (the mix buses of a switcher);
 * - `chosen`: each output shows the one input that its setting `of` names (a matrix; absent, the input of its own number);
 * - `tiles`: one picture made of all that enter, in the output port's own setting (a multiviewer).
 */
export interface Path {
  readonly from: readonly string[]
  readonly to: readonly string[]
  readonly format: 'same' | 'port' | 'standard' | 'chosen' | 'tiles'
  /** Formats that get through; absent, all that both ports carry. */
  readonly passes?: readonly FormatSet[]
  /** Sound that is embedded beside the picture does not get through. */
  readonly sound?: 'drops'
  /** HDR and log leave as SDR. */
  readonly maps?: 'sdr'
  /** Share of the frame's width that the picture fills when it leaves; absent, all. */
  readonly fills?: number
  /** Hands the picture on without renewing it: the cables before and behind share one reach. */
  readonly passive?: true
  /** What a source before it reads as the sink's list: that of the first leg, or one that is kept inside; absent, what all legs have. */
  readonly edid?: 'first' | 'kept'
  readonly delay: Delay
}

/** A setting of the whole device that changes what its outputs can make, e.g. recording 2160 while sending 1080. */
export interface Mode {
  readonly title: string
  readonly makes: Readonly<Record<string, readonly FormatSet[]>>
  /** What is recorded inside the device meanwhile. */
  readonly records?: readonly FormatSet[]
}

/** What can be done on a mixing device. */
export const ACTS = [
  'cut',
  'transition',
  'key',
  'key set-up',
  'picture in picture',
  'stills',
  'macros',
  'outputs',
  'sound',
  'names',
  'standard',
  'inputs',
] as const
export type Act = (typeof ACTS)[number]

/** How a key is cut: by brightness, by a key signal beside the fill, by a colour, by a shape, or as a box. */
export const KEY_KINDS = ['luma', 'linear', 'chroma', 'pattern', 'box'] as const
export type KeyKind = (typeof KEY_KINDS)[number]

export const TRANSITIONS = ['cut', 'mix', 'dip', 'wipe', 'stinger'] as const
export type Transition = (typeof TRANSITIONS)[number]

export const SURFACES = ['panel', 'computer', 'tablet', 'pad'] as const

export const WAKES = ['kept', 'left', 'first'] as const

/** From where a mixing device is worked, and what can be reached there. */
export interface Surface {
  readonly kind: (typeof SURFACES)[number]
  readonly reaches: readonly Act[]
  /** From the press to its doing, typically, ms. */
  readonly latencyMs: number
  /** It shows that a press was done. */
  readonly confirms?: true
}

/** How a panel shows clip and gain: whole steps from 0 to the most. */
export interface KeyScale {
  readonly steps: number
  /** Shown as a share in %, as a bare number, or, of the gain, as how steep it is (1 / (1 - gain), from 1 to the steps). */
  readonly shows: 'percent' | 'number' | 'slope'
}

/** Where a data sheet says nothing: whole percents. */
export const KEY_SCALE: KeyScale = { steps: 100, shows: 'percent' }

export interface Keyer {
  readonly title: string
  /** Part of the transition, or laid over its result. */
  readonly place: 'before' | 'after'
  readonly kinds: readonly KeyKind[]
}

/** What may lie before a tap, bottom first: the background, keys in the mix, keys over its result, fade to black. */
export const TAP_LAYERS = ['background', 'before', 'after', 'fade'] as const
export type TapLayer = (typeof TAP_LAYERS)[number]

/** The layers before each tap, where a data sheet says nothing else. */
export const TAPS: Readonly<Record<Feed, readonly TapLayer[]>> = {
  program: TAP_LAYERS,
  clean: ['background', 'before'],
  preview: ['background', 'before'],
  multiview: [],
}

/** What a mixing device can do beside its sockets, as its data sheet says. */
export interface Mix {
  readonly buses: number
  /** A press on a source: cuts program at once, or sets preview, or either by a setting. */
  readonly press: 'direct' | 'preview' | 'either'
  readonly transitions: readonly Transition[]
  /** Longest automatic transition, frames of the operating standard. */
  readonly longest: number
  /** What a second press does while one runs. */
  readonly during: 'ignores' | 'finishes' | 'reverses'
  readonly keyers: readonly Keyer[]
  /** Absent, as `KEY_SCALE`. */
  readonly keyScale?: KeyScale
  /** The layers before a tap, where they are not the usual ones (`TAPS`). */
  readonly taps?: Readonly<Partial<Record<Feed, readonly TapLayer[]>>>
  readonly stills: number
  /** Frames that a still takes to load. */
  readonly stillFrames: number
  /** A still loses its key in the store: it is laid over as a whole, or cut out by its brightness. */
  readonly plainStills?: true
  readonly clips: number
  readonly colours: number
  readonly macros: number
  /** A macro that is fired while it runs; absent, it is refused. */
  readonly again?: 'refused' | 'restarts' | 'beside'
  /** After a take preview keeps its source; absent, it gets what was on program. */
  readonly keepsPreview?: true
  /** Over how long what follows the picture opens or shuts at a cut, ms; absent, `FOLLOW_FADE_MS`. */
  readonly followFadeMs?: number
  /** Characters that a name may have on a button, and in the multiview. */
  readonly shortName: number
  readonly longName: number
  readonly fadeToBlack: boolean
  /** From power on until pictures pass, s. */
  readonly bootS: number
  /**
   * What stands after power on: a state that was kept in it, what stood when it was switched off, or always its first
   * picture with no key lit. Absent, the last.
   */
  readonly wakes?: (typeof WAKES)[number]
  /** What a reset key puts back to how it came from the works; absent, it has no such key. */
  readonly resets?: readonly Act[]
  readonly surfaces: readonly Surface[]
  /** What an input shows that lost its signal, where a data sheet says it. */
  readonly loss?: Loss
}

/** An input without signal: its last picture for so many frames, then this; the source again so many after it is back. */
export interface Loss {
  readonly shows: 'black' | 'frozen' | 'colour'
  readonly frames: number
  readonly lockFrames: number
}

/** Where a data sheet says nothing: typical of inputs with a frame store. */
export const LOSS: Loss = { shows: 'black', frames: 2, lockFrames: 12 }

/** Where a data sheet says nothing: typical of sound that follows the picture. */
export const FOLLOW_FADE_MS = 20

/** Frames from the start of a clip to its first moving picture, where a data sheet says nothing: typical of players. */
const PREROLL_FRAMES = 5

export interface Model {
  /** `builtin/<id>@<revision>` for a row of the catalogue, kept when it is copied into a plan. */
  readonly from?: string
  readonly title: string
  /** Two words for narrow places. */
  readonly short?: string
  readonly role: Role
  readonly kind?: Kind
  readonly ports: Readonly<Record<string, Port>>
  readonly paths: readonly Path[]
  /** Lifts a microphone to line level. Desks do. */
  readonly amplifies?: true
  readonly modes?: Readonly<Record<string, Mode>>
  /** Switchers: the standards that can be set. */
  readonly standards?: readonly FormatSet[]
  /** Sources: what the device itself adds before its outputs. */
  readonly delay?: Delay
  /** Radio links: what they bring over the air. */
  readonly radio?: RadioBudget
  /**
   * Radio links whose row is the sender alone: the row of the catalogue for the box at the other end, one for each output.
   * Absent, the row is both.
   */
  readonly receiver?: string
  /** Captures: what they ask of the host's USB for each picture; absent, nothing (a card), or the picture is compressed before. */
  readonly usb?: { readonly class: UsbClass; readonly bitsPerPixel: number }
  /** Switchers: the input that a picture in picture always shows, where it cannot be chosen. */
  readonly inset?: string
  /** Switchers: keys that can lie over program at once, and pictures that are recorded inside. */
  readonly keyers?: number
  /** Switchers: what they do with their pictures, and from where. */
  readonly mix?: Mix
  readonly records?: number
  /** Switchers: inputs that are recorded by themselves inside, beside the program. */
  readonly isolates?: number
  /** What ends its work by itself. */
  readonly limits?: readonly Limit[]
  /** Controllers: the kind of surface that switchers see in it; absent, it works other things alone. */
  readonly surface?: (typeof SURFACES)[number]
  /** Cameras: width of the used 16:9 area, mm, and the focal lengths of the lens that cannot be changed, mm. */
  readonly optics?: { readonly sensorMm: number; readonly lens?: { readonly fromMm: number; readonly toMm: number } }
  /** Where it listens for whoever moves or sets it: `udp:` or `tcp:` and the number of the port, 1 .. 65535, typically. */
  readonly listens?: string
  /** Control ports, of which one must be connected for the device to be set up. */
  readonly configured?: readonly string[]
  /** Lives on a battery: what the one that comes with it holds, Wh, and whether it is changed while the device runs. */
  readonly battery?: { readonly wh: number; readonly hotSwap?: true }
  /** Network switches: what they give over all sockets together, W at the switch, and whether classes or draws are booked. */
  readonly poeBudget?: { readonly w: number; readonly by: 'class' | 'draw' }
  /** Players: frames from the start of a clip to its first moving picture. */
  readonly prerollFrames?: number
  /** Charges what its picture comes from. */
  readonly charges?: true
  /** Typical draw, watts; all of it becomes heat where the device stands. */
  readonly watts: number
  /** The most that it draws, at the start or at full work, watts. */
  readonly mostWatts?: number
  /** As packed, with its supply: mass in grams, and the room that it takes, litres. */
  readonly grams?: number
  readonly litres?: number
  /** Grows warm enough to need moving air. */
  readonly warm?: true
  /** Low-voltage input: the least and the most that it works on, V. */
  readonly dc?: { readonly minV: number; readonly maxV: number }
  /** Mains: the socket for its lead, and the least and the most that it works on, V. */
  readonly inlet?: { readonly kind: Inlet; readonly minV: number; readonly maxV: number }
  /** What it takes in the instant when it is switched on, A, and for how long, ms. */
  readonly inrush?: { readonly a: number; readonly ms: number }
  /** Has no power switch: it is on as long as its supply is. */
  readonly unswitched?: true
  readonly supply: 'mains' | 'usb' | 'battery' | 'none'
  /** Planning price in minor units of the plan's currency. */
  readonly priceMinor: number
}

export const prerollFramesOf = ({ kind, prerollFrames }: Model): number =>
  prerollFrames ?? (kind === 'player' || kind === 'recorder' ? PREROLL_FRAMES : 0)

/** Input ports in the order in which they are numbered, then as written. */
export function portsOf(model: Model, dir: Port['dir']): [string, Port][] {
  return Object.entries(model.ports)
    .filter(([, port]) => port.dir === dir)
    .sort(([, a], [, b]) => (a.number ?? Infinity) - (b.number ?? Infinity))
}

/** The formats an output can be set to in a mode; the first mode counts where none is given. */
export function makesOf(model: Model, portId: string, mode?: string): readonly FormatSet[] {
  const modes = model.modes
  const chosen = modes && (mode !== undefined && Object.hasOwn(modes, mode) ? modes[mode] : Object.values(modes)[0])
  return chosen?.makes[portId] ?? model.ports[portId]?.makes ?? []
}

/** The formats an output can be set to in any mode, with the mode that allows each. */
export function makesInAnyMode(
  model: Model,
  portId: string,
): { mode: string | undefined; sets: readonly FormatSet[] }[] {
  if (!model.modes) return [{ mode: undefined, sets: model.ports[portId]?.makes ?? [] }]
  return Object.entries(model.modes).map(([mode, { makes }]) => ({ mode, sets: makes[portId] ?? [] }))
}

/** What shows, records or sends on the pictures that enter; a recorder that plays as well is a source beside. */
export const isSink = (model: Pick<Model, 'role' | 'kind'> | undefined): boolean =>
  model?.role === 'sink' || (model?.role === 'source' && model.kind === 'recorder')

/** Sources whose picture depends on the light of the room. */
export const isCamera = ({ kind }: Model): boolean => kind === 'camera' || kind === 'phone'

/** False for plugs of sound and of control. */
export const carriesPicture = ({ carries }: Pick<Port, 'carries'>): boolean =>
  carries !== 'sound' && carries !== 'control'

/** Sockets for cameras and screens: what goes by network or USB leads to computers and afar. */
export const isForScreens = (port: Pick<Port, 'carries'>): boolean =>
  carriesPicture(port) && port.carries !== 'usb' && port.carries !== 'network'

/** Whether content-protected pictures get in: screens decode them, splitters hand them on. */
export const takesProtected = ({ kind }: Pick<Model, 'kind'>, input: Port): boolean =>
  input.decodes ?? (kind === 'screen' || kind === 'projector' || kind === 'splitter')

/** Whether an output goes by the sink's list while nothing is set. */
export const followsSink = ({ kind }: Pick<Model, 'kind'>, output: Port): boolean =>
  output.follows ?? kind === 'computer'

/** Devices without a picture: runs of sound or control begin at their plugs, or they have none. */
export const isBeside = ({ role }: Pick<Model, 'role'>): boolean =>
  role === 'sound' || role === 'control' || role === 'load'

/** A model has the sockets of another under the same names, so that the cables stay. */
export const hasSockets = (now: Model, other: Model): boolean =>
  Object.entries(now.ports).every(([id, port]) => {
    const there = Object.hasOwn(other.ports, id) ? other.ports[id] : undefined
    return there?.dir === port.dir && there.connector === port.connector && there.carries === port.carries
  })
