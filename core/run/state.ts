import { carriesPicture, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, runInto, socketKey } from '#core/chain'
import { type Content, type LinkEnd, type Look, OFF, type Opening, own, type Pointed } from '#core/document'
import type { ClipShown, Picture } from './tree'

/** By store, counted from 1: the overlay whose still stands in it. */
export type Stores = Readonly<Record<string, string>>

/** What a switcher does at a moment; the optional parts only while something moves. */
export interface MixState {
  /** The input on program, or `black`; absent where it has none. */
  readonly program: string | undefined
  readonly preview: string | undefined
  /** By keyer (1, 2 ...): the overlay in it. Keyers that are off are not there. */
  readonly keys: Readonly<Record<string, string>>
  readonly faded: boolean
  /** What stands in the stores of its stills, where something was loaded. */
  readonly stores?: Stores
  /** Stores whose still is not whole yet. */
  readonly loading?: readonly string[]
  /** The picture that comes in a transition, and its share, 0 .. 1. */
  readonly incoming?: {
    readonly input: string | undefined
    readonly share: number
    readonly style: 'mix' | 'dip' | 'wipe'
    /** Of a wipe: how wide its edge is, a share of the width. */
    readonly soft?: number
    /** Of a dip: the share at which the dip picture stands alone. */
    readonly mid?: number
  }
  /** Shares of keyers that come or go. */
  readonly shares?: Readonly<Record<string, number>>
  /** Keyers of these that go. */
  readonly going?: readonly string[]
  /** Black goes: the picture comes back. */
  readonly lifting?: true
  /** Share of black over all while it fades. */
  readonly black?: number
}

/** The chain as somebody sees it who takes its pictures: what each switcher shows in the frame that they get. */
export interface Seeing {
  readonly mixer: (device: string) => MixState | undefined
  /** What an output is pointed at, where that is not as the plan sets it. */
  readonly feed: (device: string, port: string) => Pointed | undefined
  readonly content: (device: string, port: string) => Content | undefined
  /** What an input shows in place of what comes to it: it lost its signal. */
  readonly instead?: (end: LinkEnd) => Picture | undefined
  readonly moving?: (device: string) => boolean
  /** The position of a camera, where the looks name one. */
  readonly preset: (device: string) => string | undefined
  readonly clip?: (device: string) => ClipShown | undefined
  /** What an input of a switcher got when that frame was made. */
  readonly into: (device: string, port: string) => Seeing
}

/** Everything stands still: what was, is. */
export function atRest(state: ShowState): Seeing {
  const rest: Seeing = {
    mixer: device => own(state.mixers, device),
    feed: (device, port) => own(own(state.outputs, device), port),
    content: (device, port) => contentIn(state.contents, device, port),
    preset: device => own(state.presets, device),
    into: () => rest,
  }
  return rest
}

/** The whole chain at a moment. What a map does not name stands as the plan sets it. */
export interface ShowState {
  readonly mixers: Readonly<Record<string, MixState>>
  /** By device and output. */
  readonly outputs: Readonly<Record<string, Readonly<Record<string, Pointed>>>>
  /** By device and input. */
  readonly sound: Readonly<Record<string, Readonly<Record<string, Opening>>>>
  /** By source, or by source and output (`pc/hdmi-2`), which goes before. */
  readonly contents: Readonly<Record<string, Content>>
  /** By camera. */
  readonly presets: Readonly<Record<string, string>>
}

export const mixerNodes = ({ chain }: Pick<Traced, 'chain'>): DeviceNode[] =>
  [...chain.nodes.values()].filter(isSwitcher)

/** As everything stands before the first look: the first picture that arrives is on program, no key is lit. */
export function stateBefore(traced: Traced): ShowState {
  const mixers = Object.fromEntries(
    mixerNodes(traced).map(node => {
      const inputs = portsOf(node.model, 'in').filter(
        ([port, row]) => carriesPicture(row) && !own(node.device.ports, port)?.offAir,
      )
      const lit = inputs.find(([port]) => runInto(traced, { device: node.id, port })?.lit)
      return [node.id, { program: (lit ?? inputs[0])?.[0], preview: undefined, keys: {}, faded: false }]
    }),
  )
  return { mixers, outputs: {}, sound: {}, contents: {}, presets: {} }
}

/** The state after a look is taken: what the look names is so, the rest stays. Switchers that are gone are passed over. */
export function taken(state: ShowState, look: Look): ShowState {
  const mixers = Object.entries(state.mixers).map(([id, mix]): [string, MixState] => {
    const keys = { ...mix.keys }
    for (const [keyer, overlay] of Object.entries(own(look.keys, id) ?? {})) {
      if (overlay === OFF) delete keys[keyer]
      else keys[keyer] = overlay
    }
    return [
      id,
      {
        program: own(look.program, id) ?? mix.program,
        preview: own(look.preview, id) ?? mix.preview,
        keys,
        faded: own(look.faded, id) ?? mix.faded,
        ...(mix.stores ? { stores: mix.stores } : {}),
      },
    ]
  })
  return {
    mixers: Object.fromEntries(mixers),
    outputs: byPort(state.outputs, look.outputs),
    sound: byPort(state.sound, look.sound),
    contents: withContents(state.contents, look),
    presets: { ...state.presets, ...look.presets },
  }
}

/** The state after what a look did is taken back: what it named stands as it did before it. */
export function takenBack(state: ShowState, look: Look, before: ShowState): ShowState {
  const mixers = Object.entries(state.mixers).map(([id, mix]): [string, MixState] => {
    const was = own(before.mixers, id) ?? mix
    const keys = { ...mix.keys }
    for (const keyer of Object.keys(own(look.keys, id) ?? {})) {
      const overlay = own(was.keys, keyer)
      if (overlay === undefined) delete keys[keyer]
      else keys[keyer] = overlay
    }
    return [
      id,
      {
        program: own(look.program, id) === undefined ? mix.program : was.program,
        preview: own(look.preview, id) === undefined ? mix.preview : was.preview,
        keys,
        faded: own(look.faded, id) === undefined ? mix.faded : was.faded,
        ...(mix.stores ? { stores: mix.stores } : {}),
      },
    ]
  })
  const without = <T>(now: Readonly<Record<string, T>>, named: object | undefined, was: Readonly<Record<string, T>>) =>
    Object.fromEntries([
      ...Object.entries(now).filter(([key]) => own(named as Record<string, unknown> | undefined, key) === undefined),
      ...Object.keys(named ?? {}).flatMap(key => (own(was, key) === undefined ? [] : [[key, was[key]!] as const])),
    ]) as Readonly<Record<string, T>>
  return {
    mixers: Object.fromEntries(mixers),
    outputs: without(state.outputs, look.outputs, before.outputs),
    sound: without(state.sound, look.sound, before.sound),
    contents: without(state.contents, contentsNamed(look, state.contents, before.contents), before.contents),
    presets: without(state.presets, look.presets, before.presets),
  }
}

type Contents = ShowState['contents']

/** What a source shows at one of its outputs. */
export const contentIn = (contents: Contents, device: string, port: string): Content | undefined =>
  own(contents, socketKey(device, port)) ?? own(contents, device)

const isAt = (key: string, device: string): boolean => key.startsWith(`${device}/`)

/** What is said of a whole source takes the place of what was said of its outputs. */
function withContents(was: Contents, { contents = {}, layouts = {} }: Look): Contents {
  const devices = Object.keys(contents)
  const kept = Object.entries(was).filter(([key]) => !devices.some(device => isAt(key, device)))
  const byOutput = Object.entries(layouts).flatMap(([device, ports]) =>
    Object.entries(ports).map(([port, content]) => [socketKey(device, port), content] as const),
  )
  return { ...Object.fromEntries(kept), ...contents, ...Object.fromEntries(byOutput) }
}

/** The keys that a look changes, or makes void. */
function contentsNamed({ contents = {}, layouts = {} }: Look, ...states: Contents[]): Record<string, true> {
  const devices = Object.keys(contents)
  const below = states.flatMap(Object.keys).filter(key => devices.some(device => isAt(key, device)))
  const byOutput = Object.entries(layouts).flatMap(([device, ports]) =>
    Object.keys(ports).map(port => socketKey(device, port)),
  )
  return Object.fromEntries([...devices, ...below, ...byOutput].map(key => [key, true] as const))
}

function byPort<T>(
  was: Readonly<Record<string, Readonly<Record<string, T>>>>,
  named: Readonly<Record<string, Readonly<Record<string, T>>>> = {},
): Readonly<Record<string, Readonly<Record<string, T>>>> {
  return {
    ...was,
    ...Object.fromEntries(Object.entries(named).map(([id, ports]) => [id, { ...own(was, id), ...ports }])),
  }
}
