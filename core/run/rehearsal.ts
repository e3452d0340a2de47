import { type Traced, delayMs } from '#core/chain'
import { mixOf } from '#core/catalog'
import { type Content, type LinkEnd, own } from '#core/document'
import { type Clock, TICKS_PER_MS, boundary, frameAt, frameTicks, seenFrom } from './clock'
import { type Picture, pictureAt } from './compose'
import { runInto } from './ends'
import { type Command, type Machine, advanced, commanded, isSettled, machineOf, seenIn } from './machine'
import { type MixState, type Seeing, type ShowState, mixerNodes } from './state'

/** Something that happens in a run, at a tick: a command to a switcher, or what a source shows from then on. */
export type Happening =
  | { readonly tick: number; readonly device: string; readonly command: Command; readonly words?: string }
  | { readonly tick: number; readonly device: string; readonly content: Content; readonly words?: string }

/** What the chain is made of, as a run needs it. */
interface Place {
  readonly clock: Clock
  /** Whole frames from the boundary at which a picture is made to that at which it leaves. */
  readonly delayFrames: number
}

/** Choices that hold for a whole run: phases and delays within their ranges. */
export interface Chances {
  /** 0 .. 1 for each device: where in its range. */
  readonly phase: (device: string) => number
  readonly delay: (device: string) => number
}

/** A repeatable number from 0 up to 1 for a seed and a name (FNV-1a, then a mix). */
function chance(seed: number, name: string): number {
  let h = 2166136261 ^ seed
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 16777619)
  h = Math.imul(h ^ (h >>> 15), 2246822519)
  h = Math.imul(h ^ (h >>> 13), 3266489917)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

export const seededChances = (seed: number): Chances => ({
  phase: device => chance(seed, `phase ${device}`),
  delay: device => chance(seed, `delay ${device}`),
})

/** Frames of a refused command, or of one that the chain took. */
export interface Refusal {
  readonly index: number
  readonly words: string
}

/**
 * A chain that runs: what each switcher does in each of its frames, and what any input shows at any tick. Made for one
 * traced plan; costs by events, not by frames.
 */
export class Rehearsal {
  readonly refused: Refusal[] = []
  private readonly places = new Map<string, Place>()
  /** By switcher: its machine from a frame on, in order. */
  private readonly history = new Map<string, { frame: number; machine: Machine }[]>()
  private readonly contents = new Map<string, { tick: number; content: Content }[]>()
  private taken = 0

  constructor(
    readonly traced: Traced,
    readonly start: ShowState,
    chances: Chances,
  ) {
    for (const node of mixerNodes(traced)) {
      const { standard, model } = node
      const frame = frameTicks(standard?.rate ?? '25/1')
      const path = model.paths.find(({ format }) => format === 'standard')
      const ms = standard ? delayMs(path?.delay, standard) : { min: 0, max: 0 }
      const least = Math.ceil((ms.min * TICKS_PER_MS) / frame - 1e-9)
      const most = Math.max(least, Math.floor((ms.max * TICKS_PER_MS) / frame + 1e-9))
      this.places.set(node.id, {
        clock: { frame, phase: Math.floor(chances.phase(node.id) * frame) },
        delayFrames: Math.min(most, least + Math.floor(chances.delay(node.id) * (most - least + 1))),
      })
      const state = own(start.mixers, node.id)!
      this.history.set(node.id, [
        { frame: -Infinity, machine: { ...machineOf(state), outputs: own(start.outputs, node.id) ?? {} } },
      ])
    }
  }

  clockOf(device: string): Clock | undefined {
    return this.places.get(device)?.clock
  }

  delayFramesOf(device: string): number {
    return this.places.get(device)?.delayFrames ?? 0
  }

  /** Takes what happens, in the order of ticks; what a model does not do is noted as refused. */
  happen(happenings: readonly Happening[]): void {
    for (const one of happenings) {
      if ('content' in one) {
        const list = this.contents.get(one.device) ?? []
        list.push({ tick: one.tick, content: one.content })
        this.contents.set(one.device, list)
      } else {
        const place = this.places.get(one.device)
        const list = this.history.get(one.device)
        if (place && list) {
          const frame = seenFrom(place.clock, one.tick)
          const { machine, refused } = commanded(
            list.at(-1)!.machine,
            one.command,
            frame,
            mixOf(this.traced.chain.nodes.get(one.device)!.model),
          )
          if (refused !== undefined) this.refused.push({ index: this.taken, words: refused })
          list.push({ frame, machine })
        }
      }
      this.taken++
    }
  }

  /** The machine that holds in a frame of a switcher. */
  machineIn(device: string, frame: number): Machine | undefined {
    const list = this.history.get(device)
    if (!list) return undefined
    let [low, high] = [0, list.length - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (list[middle]!.frame <= frame) low = middle
      else high = middle - 1
    }
    return list[low]!.machine
  }

  /** What an input shows at a tick. */
  seen(end: LinkEnd, tick: number): Picture {
    return pictureAt(this.traced, this.seeing(tick - this.linkTicks(end)), end)
  }

  /** The newest frame of a switcher that has left by a tick. */
  leftBy(device: string, tick: number): number {
    const { clock, delayFrames } = this.places.get(device)!
    return frameAt(clock, tick) - delayFrames
  }

  private seeing(tick: number): Seeing {
    return {
      mixer: device => {
        const frame = this.leftBy(device, tick)
        return seenIn(this.machineIn(device, frame)!, frame)
      },
      feed: (device, port) => own(this.machineIn(device, this.leftBy(device, tick))?.outputs, port),
      content: device => this.contentAt(device, tick),
      into: (device, port) => {
        const { clock } = this.places.get(device)!
        return this.seeing(
          boundary(clock, this.leftBy(device, tick)) - this.linkTicks({ device, port }) - this.inputTicks(device, port),
        )
      },
    }
  }

  private contentAt(device: string, tick: number): Content | undefined {
    return this.contents.get(device)?.findLast(one => one.tick <= tick)?.content ?? own(this.start.contents, device)
  }

  /** What converters and radio between a switcher and an input add, typically, ticks. */
  private linkTicks(end: LinkEnd): number {
    const known = this.ticks.get(`${end.device}/${end.port}`)
    if (known !== undefined) return known
    const run = runInto(this.traced, end)
    const node = run?.origin && this.traced.chain.nodes.get(run.origin.device)
    const [first, last] = [run?.links[0]?.signal, run?.links.at(-1)?.signal]
    const ticks = node && first && last ? Math.round((last.delay.typ - first.delay.typ) * TICKS_PER_MS) : 0
    this.ticks.set(`${end.device}/${end.port}`, ticks)
    return ticks
  }
  private readonly ticks = new Map<string, number>()

  /** What a normalising input adds, typically, ticks. */
  private inputTicks(device: string, port: string): number {
    const node = this.traced.chain.nodes.get(device)!
    const delay = own(node.model.ports, port)?.delay
    return delay && node.standard ? Math.round(delayMs(delay, node.standard).typ * TICKS_PER_MS) : 0
  }

  /** Ticks after which a command to a switcher is seen everywhere behind it, at the latest. */
  settleTicks(device: string, through: readonly string[] = []): number {
    const { clock } = this.places.get(device)!
    let most = 0
    for (const run of this.traced.runs) {
      const end = run.end
      if (run.beside || !run.lit || run.origin?.device !== device || !end || through.includes(end.device)) continue
      const behind = this.places.has(end.device)
        ? this.inputTicks(end.device, end.port) + this.settleTicks(end.device, [...through, device])
        : 0
      most = Math.max(most, this.linkTicks(end) + behind)
    }
    return (this.delayFramesOf(device) + 2) * clock.frame + most
  }

  /** How many happenings were taken. */
  get count(): number {
    return this.taken
  }

  /** What a switcher does in the frame that is under way at a tick. */
  stateAt(device: string, tick: number): MixState {
    const frame = frameAt(this.places.get(device)!.clock, tick)
    return seenIn(this.machineIn(device, frame)!, frame)
  }

  /** The state to which everything comes to rest, if nothing more happens. */
  settled(): ShowState {
    const mixers = Object.fromEntries(
      [...this.places].map(([device]) => {
        const { program, preview, keys, faded } = seenIn(this.history.get(device)!.at(-1)!.machine, Infinity)
        return [device, { program, preview, keys, faded }]
      }),
    )
    const contents = Object.fromEntries([...this.contents].map(([device, list]) => [device, list.at(-1)!.content]))
    const outputs = Object.fromEntries(
      [...this.places].map(([device]) => [device, this.history.get(device)!.at(-1)!.machine.outputs]),
    )
    return { ...this.start, mixers, outputs, contents: { ...this.start.contents, ...contents } }
  }

  /** Nothing is on its way in any switcher at a tick. */
  isSettledAt(tick: number): boolean {
    return [...this.places].every(([device, { clock }]) =>
      isSettled(advanced(this.machineIn(device, frameAt(clock, tick))!, frameAt(clock, tick))),
    )
  }
}
