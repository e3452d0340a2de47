import { portsOf } from '#core/catalog'
import {
  type DeviceNode,
  type Traced,
  isReplaced,
  isSwitcher,
  openingOf,
  socketKey,
  UNHEARD_DB,
  gainOf,
} from '#core/chain'
import { type LinkEnd, type Opening, own, type Look } from '#core/document'
import { fillInput } from './compose'
import type { MixState, ShowState } from './state'

/** An input of a switcher on the way of a sound. */
export interface Gate {
  readonly device: string
  readonly port: string
  readonly opening: Opening
  /** Whether it lets the sound through in the moment. */
  readonly open: boolean
  /** What it turns up or down, dB. */
  readonly gainDb: number
}

/** One way by which a sound comes to a sink, or would if all inputs on it were open. */
export interface SoundWay {
  /** The device that makes it. */
  readonly origin: string
  /** Inputs of switchers on the way, the first one first. */
  readonly gates: readonly Gate[]
  /** What sound plugs and held inputs add, typically, ms; a picture's own delay, with which it travels, is not in it. */
  readonly delayMs: number
  /** Of all inputs on it together, dB. */
  readonly gainDb: number
  /** All inputs on it are open, and it is loud enough to be heard. */
  readonly open: boolean
}

/** The most ways that are told of one sink; rings and large shows end here. */
const MOST_WAYS = 2000

/** How an input is opened in a state, and whether it lets sound through. */
export function gateAt(traced: Traced, state: ShowState, node: DeviceNode, portId: string): Gate {
  const port = own(node.model.ports, portId)
  const opening = own(own(state.sound, node.id), portId) ?? openingOf({ node, portId, port })
  return {
    device: node.id,
    port: portId,
    opening,
    open: opening === 'fixed' || (opening === 'follows' && isShown(traced, state, node, portId)),
    gainDb: gainOf({ node, portId }),
  }
}

/** The input is on program, or in a box over it. A key that is cut out does not open sound. */
function isShown(traced: Traced, state: ShowState, node: DeviceNode, portId: string): boolean {
  const mix = own(state.mixers, node.id)
  return mix !== undefined && followed(traced, node, mix, portId) > 0
}

/**
 * How far an input opens that follows the picture, 0 .. 1: while a mix runs, what comes and what goes at equal power, so
 * that both together are as loud as either.
 */
export function followed(traced: Traced, node: DeviceNode, mix: MixState, portId: string): number {
  const { program, incoming } = mix
  const boxed = Object.values(mix.keys).some(id => {
    const overlay = own(traced.plan.overlays, id)
    return overlay?.kind === 'box' && fillInput(traced, node, overlay.fill, overlay.output) === portId
  })
  if (boxed) return 1
  if (!incoming || program === incoming.input) return program === portId ? 1 : 0
  const angle = (incoming.share * Math.PI) / 2
  return incoming.input === portId ? Math.sin(angle) : program === portId ? Math.cos(angle) : 0
}

/** A way as it is laid: the same in every moment, whatever stands open on it. */
interface Route {
  readonly origin: string
  readonly gates: readonly LinkEnd[]
  readonly delayMs: number
}

/**
 * The ways by which sound comes to an input, open or not, in the order of its links. `most` leaves out what is shut where
 * it comes beside a picture and no plug has brought it: a hundred cameras whose microphones nobody opened.
 */
export const waysTo = (traced: Traced, state: ShowState, end: LinkEnd, most?: 'most'): SoundWay[] =>
  waysIn(traced, state, routesTo(traced, end, most, [{ sound: state.sound }]), most)

/** What a device makes comes to an input by a plug, so that it is heard of also where nobody opened it. */
const plugged = (traced: Traced, device: string, port: string): boolean =>
  [...(traced.sound.arriving.get(socketKey(device, port))?.keys() ?? [])].some(
    origin => traced.chain.nodes.get(origin)!.model.role === 'sound',
  )

/** The same over several moments: the ways are followed once, and what stands open on them is asked in each. */
export function waysIn(traced: Traced, state: ShowState, routes: readonly Route[], most?: 'most'): SoundWay[] {
  const known = new Map<string, Gate | undefined>()
  /** Undefined for what is left out. */
  const gateOf = ({ device, port }: LinkEnd): Gate | undefined => {
    const key = socketKey(device, port)
    if (!known.has(key)) {
      const gate = gateAt(traced, state, traced.chain.nodes.get(device)!, port)
      known.set(key, most && gate.opening === 'shut' && !plugged(traced, device, port) ? undefined : gate)
    }
    return known.get(key)
  }
  const ways = routes.flatMap(({ origin, gates, delayMs }): SoundWay[] => {
    const stood: Gate[] = []
    for (const end of gates) {
      const gate = gateOf(end)
      if (!gate) return []
      stood.push(gate)
    }
    return [wayOf(origin, stood, delayMs)]
  })
  return ways.sort((a, b) => (a.origin < b.origin ? -1 : a.origin > b.origin ? 1 : Number(b.open) - Number(a.open)))
}

/** The ways as they are laid; with `most` without those by inputs that stay shut in every one of these looks, as above. */
export function routesTo(
  traced: Traced,
  end: LinkEnd,
  most: 'most' | undefined,
  looks: readonly Pick<Look, 'sound'>[],
): Route[] {
  const routes: Route[] = []
  const opened = new Set(
    looks.flatMap(({ sound = {} }) =>
      Object.entries(sound).flatMap(([device, ports]) =>
        Object.entries(ports).flatMap(([port, opening]) => (opening === 'shut' ? [] : [socketKey(device, port)])),
      ),
    ),
  )
  back(end, [], 0, [])
  return routes

  function back(
    { device, port }: LinkEnd,
    gates: readonly LinkEnd[],
    delayMs: number,
    through: readonly string[],
  ): void {
    for (const wire of traced.chain.entering.get(socketKey(device, port)) ?? []) {
      if (routes.length >= MOST_WAYS || !wire.from || !traced.trace.wires.get(wire.id)?.arrives) continue
      leave(wire.from.node, wire.from.portId, gates, delayMs, through)
    }
  }

  /** From the output of a device to what comes into it. */
  function leave(
    node: DeviceNode,
    portId: string,
    gates: readonly LinkEnd[],
    delayMs: number,
    through: readonly string[],
  ): void {
    if (through.includes(node.id)) return
    const inner = [...through, node.id]
    const port = own(node.model.ports, portId)
    const makes = node.model.role === 'source' || node.model.role === 'sound'
    if (makes && port?.sound && !isReplaced(traced.chain, traced.trace, node, portId))
      routes.push({ origin: node.id, gates, delayMs })
    if (isSwitcher(node)) {
      if (!port?.sound) return
      for (const [inId, input] of portsOf(node.model, 'in'))
        if (input.sound && own(node.device.ports, portId)?.minus !== inId) {
          const shut =
            openingOf({ node, portId: inId, port: input }) === 'shut' && !opened.has(socketKey(node.id, inId))
          if (most && shut && !plugged(traced, node.id, inId)) continue
          const gate = { device: node.id, port: inId }
          back(gate, [gate, ...gates], delayMs + (own(node.device.ports, inId)?.soundDelayMs ?? 0), inner)
        }
      return
    }
    for (const path of node.model.paths) {
      if (path.format === 'tiles' || path.sound === 'drops' || !path.to.includes(portId)) continue
      for (const inId of path.from) {
        const plug = own(node.model.ports, inId)?.carries === 'sound'
        const added = plug && path.delay.unit === 'ms' ? path.delay.typ : 0
        back({ device: node.id, port: inId }, gates, delayMs + added, inner)
      }
    }
  }
}

function wayOf(origin: string, gates: readonly Gate[], delayMs: number): SoundWay {
  const gainDb = gates.reduce((sum, gate) => sum + gate.gainDb, 0)
  return { origin, gates, delayMs, gainDb, open: gainDb >= UNHEARD_DB && gates.every(({ open }) => open) }
}

/**
 * How loud each sound comes to an input, 0 .. 1, by the device that makes it; `opening` tells how far an input on the way is
 * open. Of two ways the louder one counts.
 */
export function levelsBy(
  traced: Traced,
  state: ShowState,
  end: LinkEnd,
  opening: (gate: Gate) => number,
): ReadonlyMap<string, number> {
  const found = new Map<string, number>()
  for (const { origin, gates, gainDb } of waysTo(traced, state, end, 'most')) {
    const level = Math.min(
      1,
      gates.reduce((product, gate) => product * opening(gate), 10 ** (gainDb / 20)),
    )
    if (level > 0) found.set(origin, Math.max(found.get(origin) ?? 0, level))
  }
  return found
}

/** Sounds closer together than this are one, ms; of two that are farther apart in level, one alone is heard, dB. */
const TOGETHER_MS = 1
const APART_DB = 20

/** Two open ways of one sound that lie more than 1 ms apart, or go over unlike numbers of switchers: they comb. */
export function doubled(
  ways: readonly SoundWay[],
): { readonly origin: string; readonly a: SoundWay; readonly b: SoundWay }[] {
  const open = ways.filter(way => way.open)
  const found = new Map<string, { origin: string; a: SoundWay; b: SoundWay }>()
  for (const a of open)
    for (const b of open)
      if (
        a !== b &&
        a.origin === b.origin &&
        !found.has(a.origin) &&
        Math.abs(a.gainDb - b.gainDb) <= APART_DB &&
        // Each switcher adds at least a frame to what goes through it beside the picture.
        (Math.abs(a.delayMs - b.delayMs) > TOGETHER_MS || a.gates.length !== b.gates.length)
      )
        found.set(a.origin, { origin: a.origin, a, b })
  return [...found.values()]
}
