import type { Mix, Transition } from '#core/catalog'
import { OFF, type Opening, type Pointed } from '#core/document'
import type { MixState, Stores } from './state'

/** What a hand or a plan asks of one switcher. */
export type Command =
  /** An input, or `black`, on program at once. */
  | { readonly do: 'program'; readonly input: string }
  | { readonly do: 'preview'; readonly input: string }
  /** What is in the next transition changes at once; ends a transition that runs. */
  | ({ readonly do: 'cut' } & Next)
  /** It changes over some frames. */
  | ({
      readonly do: 'auto'
      readonly style: Exclude<Transition, 'cut' | 'stinger'>
      readonly frames: number
      /** Of a wipe: how wide its edge is, a share of the width; absent, a pixel. */
      readonly soft?: number
    } & Next)
  /** The share of preview that a hand sets, 0 .. 1; back at 0 nothing has changed, at 1 they change places. */
  | { readonly do: 'lever'; readonly share: number }
  /** A keyer on with an overlay, or off, at once or over some frames. */
  | { readonly do: 'key'; readonly keyer: string; readonly overlay: string | undefined; readonly frames?: number }
  | { readonly do: 'fade'; readonly to: boolean; readonly frames: number }
  | { readonly do: 'output'; readonly port: string; readonly feed: Pointed }
  /** The still of an overlay into a store, which takes as long as the model says. */
  | { readonly do: 'load'; readonly store: string; readonly overlay: string }
  /** How an input is opened in its sound mixer. */
  | { readonly do: 'sound'; readonly port: string; readonly opening: Opening }
  /** Several at one boundary. */
  | { readonly do: 'all'; readonly commands: readonly Command[] }

/** What is in the next transition: program and preview, unless said; keyers before the mix that come or go with it. */
export interface Next {
  readonly background?: false
  /** By keyer: the overlay that it is to hold, or `off`. */
  readonly keys?: Readonly<Record<string, string>>
}

interface Running {
  readonly style: 'mix' | 'dip' | 'wipe'
  readonly soft?: number
  /** Frame n of the transition is frame `from` + n - 1; undefined where a hand sets the share. */
  readonly from: number | undefined
  readonly frames: number
  readonly share: number
  /** Runs back to where it began. */
  readonly back?: true
  /** Preview is left as it is when the new picture is there. */
  readonly keeps?: true
  /** The buses stay as they are: keyers alone come and go. */
  readonly background?: false
  /** Keyers that are in the transition. */
  readonly keys?: Readonly<Record<string, string>>
}

interface Ramp {
  readonly from: number
  readonly frames: number
}

/** A switcher between two frames. */
export interface Machine {
  readonly program: string | undefined
  readonly preview: string | undefined
  /** By keyer: the overlay in it. */
  readonly keys: Readonly<Record<string, string>>
  /** Keyers that come or go over some frames. */
  readonly ramps: Readonly<Record<string, Ramp & { readonly overlay: string; readonly on: boolean }>>
  readonly faded: boolean
  readonly fading?: Ramp & { readonly to: boolean }
  readonly running?: Running
  readonly outputs: Readonly<Record<string, Pointed>>
  /** By input: as it was opened since the run began. */
  readonly sound?: Readonly<Record<string, Opening>>
  readonly stores?: Stores
  /** By store: when its still is whole. */
  readonly loads?: Readonly<Record<string, Ramp>>
}

export const machineOf = ({ program, preview, keys, faded, stores }: MixState): Machine => ({
  program,
  preview,
  keys,
  ramps: {},
  faded,
  outputs: {},
  ...(stores ? { stores } : {}),
})

/** How far something that begins at a frame has come in another, n of N: 0 before it. */
const stepAt = ({ from }: { readonly from: number }, frame: number): number => Math.max(0, frame - from + 1)

/** What has ended by a frame is at rest in it. */
export function advanced(machine: Machine, frame: number): Machine {
  let next = machine
  const { running, fading } = next
  if (running?.from !== undefined && stepAt({ from: running.from }, frame) >= running.frames)
    next = running.back ? without(next) : ended(next)
  if (fading && stepAt(fading, frame) >= fading.frames) {
    const { fading: _, ...rest } = next
    next = { ...rest, faded: fading.to }
  }
  if (next.loads) {
    const { loads, ...rest } = next
    const left = Object.entries(loads).filter(([, load]) => stepAt(load, frame) <= load.frames)
    next = left.length ? { ...rest, loads: Object.fromEntries(left) } : rest
  }
  const over = Object.entries(next.ramps).filter(([, ramp]) => stepAt(ramp, frame) >= ramp.frames)
  if (over.length) {
    const keys = { ...next.keys }
    const ramps = { ...next.ramps }
    for (const [keyer, { on, overlay }] of over) {
      if (on) keys[keyer] = overlay
      else delete keys[keyer]
      delete ramps[keyer]
    }
    next = { ...next, keys, ramps }
  }
  return next
}

/** What is left of a switcher that loses power in a frame: what stood, and nothing that was still on its way. */
export function atRestAfter(machine: Machine, frame: number): Machine {
  const { running: _, fading: __, loads: ___, ...stood } = advanced(machine, frame)
  return { ...stood, ramps: {} }
}

function without({ running: _, ...rest }: Machine): Machine {
  return rest
}

/** What is in the next transition has changed: buses have swapped places, keyers are on or off. */
function swapped(machine: Machine, { background, keys }: Next, keeps?: boolean): Machine {
  const { program, preview } = machine
  const buses = background === false ? {} : { program: preview ?? program, preview: keeps ? preview : program }
  return { ...without(machine), ...buses, ...(keys ? { keys: keyedAs(machine.keys, keys) } : {}) }
}

function keyedAs(was: Machine['keys'], set: Readonly<Record<string, string>>): Machine['keys'] {
  const keys = { ...was }
  for (const [keyer, overlay] of Object.entries(set))
    if (overlay === OFF) delete keys[keyer]
    else keys[keyer] = overlay
  return keys
}

/** The transition that runs is at its end. */
const ended = (machine: Machine): Machine => swapped(machine, machine.running ?? {}, machine.running?.keeps)

/** A command that is seen from a frame on. `refused` says what the model does not do. */
export function commanded(
  was: Machine,
  command: Command,
  frame: number,
  mix: Can,
): { readonly machine: Machine; readonly refused?: string } {
  const machine = advanced(was, frame)
  const { running } = machine
  switch (command.do) {
    case 'program':
      // While a transition runs, the outgoing half is replaced.
      return { machine: { ...machine, program: command.input } }
    case 'preview':
      return { machine: { ...machine, preview: command.input } }
    case 'cut': {
      const refused = outside(command, mix)
      return refused === undefined
        ? { machine: running ? ended(machine) : swapped(machine, command, mix?.keepsPreview) }
        : { machine, refused }
    }
    case 'auto':
      return automatic(machine, command, frame, mix)
    case 'lever': {
      const share = Math.min(1, Math.max(0, command.share))
      if (share === 1) return { machine: swapped(machine, running ?? {}, mix?.keepsPreview) }
      if (share === 0) return { machine: without(machine) }
      return {
        machine: {
          ...machine,
          running: { ...withoutBack(running ?? BY_HAND), from: undefined, frames: 0, share },
        },
      }
    }
    case 'key':
      return { machine: keyed(machine, command, frame) }
    case 'fade': {
      if (mix && !mix.fadeToBlack) return { machine, refused: 'it does not fade to black' }
      const { fading: _, ...rest } = machine
      return command.frames > 1
        ? { machine: { ...rest, fading: { from: frame, frames: Math.round(command.frames), to: command.to } } }
        : { machine: { ...rest, faded: command.to } }
    }
    case 'output':
      return { machine: { ...machine, outputs: { ...machine.outputs, [command.port]: command.feed } } }
    case 'sound':
      return { machine: { ...machine, sound: { ...machine.sound, [command.port]: command.opening } } }
    case 'load': {
      const { store, overlay } = command
      if (mix && Number(store) > mix.stills)
        return { machine, refused: mix.stills ? `it has ${mix.stills} stores` : 'it keeps no stills' }
      const stores = { ...machine.stores, [store]: overlay }
      const frames = mix?.stillFrames ?? 0
      return {
        machine: {
          ...machine,
          stores,
          ...(frames ? { loads: { ...machine.loads, [store]: { from: frame, frames } } } : {}),
        },
      }
    }
    case 'all': {
      let next = machine
      for (const one of command.commands) {
        const done = commanded(next, one, frame, mix)
        if (done.refused !== undefined) return done
        next = done.machine
      }
      return { machine: next }
    }
  }
}

type Can =
  Pick<Mix, 'during' | 'longest' | 'fadeToBlack' | 'keyers' | 'keepsPreview' | 'stills' | 'stillFrames'> | undefined

/** A transition over some frames begins; one that runs goes on, ends or turns back, by the model. */
function automatic(
  machine: Machine,
  command: Extract<Command, { do: 'auto' }>,
  frame: number,
  mix: Can,
): { readonly machine: Machine; readonly refused?: string } {
  const { running } = machine
  if (running) {
    const during = mix?.during ?? 'ignores'
    if (during === 'ignores') return { machine, refused: 'a transition runs' }
    if (during === 'finishes') return { machine: ended(machine) }
    const done = running.from === undefined ? 0 : Math.max(0, frame - running.from)
    const frames = running.frames
    return {
      machine: running.back
        ? { ...machine, running: { ...withoutBack(running), from: frame - (frames - done) } }
        : { ...machine, running: { ...running, back: true, from: frame - (frames - done) } },
    }
  }
  const frames = Math.round(command.frames)
  if (frames < 1 || (mix && frames > mix.longest))
    return { machine, refused: `it runs 1 to ${mix?.longest ?? 1000} frames` }
  const refused = outside(command, mix)
  if (refused !== undefined) return { machine, refused }
  if (frames === 1) return { machine: swapped(machine, command, mix?.keepsPreview) }
  const { style, soft, background, keys } = command
  return {
    machine: {
      ...machine,
      running: {
        style,
        ...(style === 'wipe' && soft ? { soft } : {}),
        from: frame,
        frames,
        share: 0,
        ...(background === false ? { background } : {}),
        ...(keys ? { keys } : {}),
        ...(mix?.keepsPreview ? { keeps: true as const } : {}),
      },
    },
  }
}

/** Keyers over the result of the mix are no part of a transition. */
function outside({ keys = {} }: Next, mix: Can): string | undefined {
  const over = mix && Object.keys(keys).find(keyer => mix.keyers[Number(keyer) - 1]?.place !== 'before')
  return over === undefined ? undefined : `keyer ${over} is not in its transition`
}

const BY_HAND: Running = { style: 'mix', from: undefined, frames: 0, share: 0 }

function keyed(machine: Machine, command: Extract<Command, { do: 'key' }>, frame: number): Machine {
  const { keyer, overlay, frames = 1 } = command
  const there = machine.keys[keyer]
  if (frames > 1 && (overlay ?? there) !== undefined) {
    const on = overlay !== undefined
    const keys = { ...machine.keys }
    if (on) keys[keyer] = overlay
    return {
      ...machine,
      keys,
      ramps: { ...machine.ramps, [keyer]: { from: frame, frames, overlay: (overlay ?? there)!, on } },
    }
  }
  const keys = { ...machine.keys }
  const ramps = { ...machine.ramps }
  delete ramps[keyer]
  if (overlay === undefined) delete keys[keyer]
  else keys[keyer] = overlay
  return { ...machine, keys, ramps }
}

const withoutBack = ({ back: _, ...rest }: Running): Running => rest

/** A switcher in a frame. A transition of N frames shows n/N of the new picture in its frame n. */
export function seenIn(machine: Machine, frame: number): MixState {
  const now = advanced(machine, frame)
  const { program, preview, keys, faded, running, fading, ramps, stores, loads } = now
  const part =
    running?.from === undefined ? (running?.share ?? 0) : stepAt({ from: running.from }, frame) / running.frames
  const share = running?.back ? 1 - part : part
  const shares = Object.fromEntries(
    Object.entries(ramps).map(([keyer, ramp]) => {
      const done = stepAt(ramp, frame) / ramp.frames
      return [keyer, ramp.on ? done : 1 - done]
    }),
  )
  const going = Object.entries(ramps).flatMap(([keyer, { on }]) => (on ? [] : [keyer]))
  // Keyers in the transition come with its share, and go with it.
  const lit = { ...keys }
  for (const [keyer, overlay] of Object.entries(share > 0 ? (running?.keys ?? {}) : {})) {
    const there = keys[keyer]
    if (overlay === there || (overlay === OFF && there === undefined)) continue
    lit[keyer] = overlay === OFF ? there! : overlay
    shares[keyer] = overlay === OFF ? 1 - share : share
    if (overlay === OFF) going.push(keyer)
  }
  const dark = fading ? stepAt(fading, frame) / fading.frames : faded ? 1 : 0
  return {
    program,
    preview,
    keys: lit,
    faded,
    ...(stores ? { stores } : {}),
    ...(loads ? { loading: Object.keys(loads) } : {}),
    ...(running && running.background !== false && share > 0
      ? {
          incoming: {
            input: preview,
            share,
            style: running.style,
            ...(running.soft ? { soft: running.soft } : {}),
            ...(running.style === 'dip' ? { mid: middleOf(running) } : {}),
          },
        }
      : {}),
    ...(Object.keys(shares).length ? { shares } : {}),
    ...(going.length ? { going } : {}),
    ...(fading && !fading.to ? { lifting: true as const } : {}),
    black: fading && !fading.to ? 1 - dark : dark,
  }
}

/** The dip picture is alone in frame ceil(N/2) of N; half way where a hand sets the share. */
const middleOf = ({ from, frames }: Running): number => (from === undefined ? 0.5 : Math.ceil(frames / 2) / frames)

/** Nothing in it changes with time. */
export const isSettled = ({ running, fading, ramps, loads }: Machine): boolean =>
  running === undefined && fading === undefined && loads === undefined && Object.keys(ramps).length === 0
