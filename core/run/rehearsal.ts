import { type DeviceNode, type Traced, delayMs, socketKey, runInto } from '#core/chain'
import { FOLLOW_FADE_MS, LOSS, mixOf, prerollFramesOf } from '#core/catalog'
import { type Content, type LinkEnd, own } from '#core/document'
import { type Clock, TICKS_PER_MS, TICKS_PER_S, boundary, frameAt, frameTicks, seenFrom } from './clock'
import { pictureAt, pictureFrom } from './compose'
import type { Picture } from './tree'
import { Gaps } from './gaps'
import { followed, levelsBy } from './heard'
import { actsOf } from './hands'
import type { Happening } from './happening'
import { type Command, type Machine, advanced, atRestAfter, commanded, isSettled, machineOf, seenIn } from './machine'
import { expandMacro } from './macros'
import { type MixState, type Seeing, type ShowState, mixerNodes, stateBefore, contentIn, taken } from './state'
import { ownStills, storesOf } from './stores'
import type { ClipShown } from './tree'

/** What the chain is made of, as a run needs it. */
interface Place {
  readonly clock: Clock
  /** Whole frames from the boundary at which a picture is made to that at which it leaves. */
  readonly delayFrames: number
  /** The most that it can be. */
  readonly mostFrames: number
}

/** Choices that hold for a whole run: phases and delays within their ranges. */
export interface Chances {
  /** 0 .. 1 for each device: where in its range. */
  readonly phase: (device: string) => number
  /** Of a device; and of an input (`device/port`), what lies before it and what it adds itself. */
  readonly delay: (name: string) => number
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

/** What was asked and not done, or done as no hand can: by the place of the happening in the log. */
export interface Refusal {
  readonly index: number
  readonly words: string
  /** It was done all the same. */
  readonly done?: true
}

interface Given {
  readonly tick: number
  readonly frame: number
  readonly index: number
  /** A command; or the unit begins anew as it stands after power on. */
  readonly command: Command | undefined
}

/** One hand presses at most every so often, ticks: 200 ms. */
const HAND_TICKS = 200 * TICKS_PER_MS
/** Longer than a plug, a position, a page or the beginning or end of a clip takes to be all there: 3 s. */
const AFTER_TICKS = 3 * TICKS_PER_S

/**
 * A chain that runs: what each switcher does in each of its frames, and what any input shows at any tick. Made for one
 * traced plan; costs by events, not by frames. What happens may be said in any order of ticks.
 */
export class Rehearsal {
  private refusals: Refusal[] = []
  private readonly places = new Map<string, Place>()
  /** By switcher: its machine from a frame on, in order; the first is how it began. */
  private readonly history = new Map<string, { frame: number; machine: Machine; given?: Given }[]>()
  private readonly contents = new Map<string, { tick: number; port: string | undefined; content: Content }[]>()
  private readonly moves = new Map<
    string,
    { tick: number; index: number; moving: boolean; byHand: boolean; preset: string | undefined }[]
  >()
  private readonly clips = new Map<string, { tick: number; clip: string | undefined; index: number }[]>()
  private readonly gaps = new Gaps()
  /** By macro: each time that it was fired, in the order of ticks. */
  private readonly fired = new Map<string, { tick: number; index: number }[]>()
  private readonly hands = new Map<string, number[]>()
  private taken = 0

  constructor(
    readonly traced: Traced,
    readonly start: ShowState,
    private readonly chances: Chances,
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
        mostFrames: most,
        delayFrames: Math.min(most, least + Math.floor(chances.delay(node.id) * (most - least + 1))),
      })
      const state = own(start.mixers, node.id)!
      this.history.set(node.id, [
        { frame: -Infinity, machine: { ...this.begun(node, state), outputs: own(start.outputs, node.id) ?? {} } },
      ])
    }
  }

  /** A switcher at rest, with the stills that it holds. */
  private begun(node: DeviceNode, state: MixState): Machine {
    const stills = ownStills(this.traced, node.id).length > 0
    return machineOf(stills ? { ...state, stores: storesOf(this.traced, node, state) } : state)
  }

  /** A switcher after power on: as its model starts. */
  private woken(node: DeviceNode, was: Machine, tick: number): Machine {
    const wakes = mixOf(node.model)?.wakes ?? 'first'
    if (wakes === 'left') {
      const off = this.gaps.since([node.id], tick - 1) ?? tick
      return atRestAfter(was, frameAt(this.places.get(node.id)!.clock, off))
    }
    const from = wakes === 'kept' ? this.start : stateBefore(this.traced)
    const outputs = own(from.outputs, node.id) ?? {}
    return { ...this.begun(node, own(from.mixers, node.id)!), outputs }
  }

  clockOf(device: string): Clock | undefined {
    return this.places.get(device)?.clock
  }

  delayFramesOf(device: string): number {
    return this.places.get(device)?.delayFrames ?? 0
  }

  /** Takes what happens; what a model does not do, or a unit without power, is noted as refused. */
  happen(happenings: readonly Happening[]): void {
    for (const one of happenings) {
      this.takeIn(one, this.taken)
      this.taken++
    }
  }

  private takeIn(one: Happening, index: number): void {
    const { tick, device } = one
    if (!('command' in one) && !('mark' in one)) this.stirs(tick, tick + AFTER_TICKS)
    if ('command' in one) this.press(one, index)
    else if ('macro' in one) this.fire(one.macro, tick, index)
    else if ('content' in one) noted(this.contents, device, { tick, port: one.port, content: one.content })
    else if ('camera' in one) this.move(one, index)
    else if ('clip' in one) this.play(device, tick, one.clip ?? undefined, index)
    else if ('signal' in one) this.gaps.note(socketKey(device, one.port), tick, one.signal === 'lost')
    else if ('power' in one) this.power(device, one.power, tick, index)
  }

  private move({ device, tick, ...one }: Extract<Happening, { camera: string }>, index: number): void {
    const there = this.presetAt(device, tick)
    const preset = one.camera === 'moves' ? one.preset : there
    const moving = one.camera === 'moves'
    noted(this.moves, device, { tick, index, moving, byHand: moving && preset === undefined, preset })
  }

  /** What was refused, or done as no hand can, in the order in which it was told. */
  get refused(): readonly Refusal[] {
    return [...this.refusals, ...this.stretched()].sort((a, b) => a.index - b.index)
  }

  /** Cameras that are moved by hand while as many others are as there are sticks. */
  private stretched(): Refusal[] {
    const moves = [...this.moves].flatMap(([device, list]) =>
      list.flatMap(({ tick, index, byHand }, i) =>
        byHand ? [{ device, index, from: tick, to: list[i + 1]?.tick ?? Infinity }] : [],
      ),
    )
    return moves.flatMap(({ device, index, from }): Refusal[] => {
      const others = moves.filter(
        one => one.device !== device && one.to > from && (one.from < from || (one.from === from && one.index < index)),
      )
      const name = others[0] && this.traced.chain.nodes.get(others[0].device)?.device.name
      return others.length < this.sticks
        ? []
        : [{ index, words: `one stick moves one camera at a time, and ${name} still moves`, done: true }]
    })
  }

  /** What drives cameras by hand; without a stick a computer or a pad does, one camera at a time too. */
  private get sticks(): number {
    const nodes = [...this.traced.chain.nodes.values()]
    return Math.max(1, nodes.filter(({ model }) => model.kind === 'controller' && !model.surface).length)
  }

  private play(device: string, tick: number, clip: string | undefined, index: number): void {
    noted(this.clips, device, { tick, clip, index })
    const node = this.traced.chain.nodes.get(device)
    const begins = tick + (node ? prerollFramesOf(node.model) * this.frameOf(device) : 0)
    const end = begins + Math.round((own(this.traced.plan.clips, clip)?.lengthS ?? 0) * TICKS_PER_S)
    this.stirs(begins, begins + AFTER_TICKS)
    this.stirs(end, end + AFTER_TICKS)
  }

  private power(device: string, to: 'off' | 'on', tick: number, index: number): void {
    const place = this.places.get(device)
    const bootS = place && mixOf(this.traced.chain.nodes.get(device)!.model)?.bootS
    const at = to === 'on' ? tick + Math.round((bootS ?? 0) * TICKS_PER_S) : tick
    this.gaps.note(device, at, to === 'off')
    this.stirs(at, at + AFTER_TICKS)
    if (place && to === 'on')
      this.give(device, { tick: at, frame: seenFrom(place.clock, at), index, command: undefined })
  }

  private press(one: Extract<Happening, { command: Command }>, index: number): void {
    const { device, command, surface, person, lost } = one
    const place = this.places.get(device)
    if (!place) return
    const mix = mixOf(this.traced.chain.nodes.get(device)!.model)
    if (person !== undefined) {
      const hand = this.hands.get(person) ?? []
      const soon = hand.find(tick => Math.abs(tick - one.tick) < HAND_TICKS)
      if (soon !== undefined)
        this.refuse(index, `one hand needs 200 ms from press to press, and had ${ms(Math.abs(one.tick - soon))}`, true)
      this.hands.set(person, [...hand, one.tick])
    }
    if (lost) return this.refuse(index, 'it was lost on its way')
    const from = surface && mix?.surfaces.find(({ kind }) => kind === surface)
    if (surface && mix && !from) return this.refuse(index, `it has no ${surface}`)
    const beyond = from && actsOf(this.traced, command).find(act => !from.reaches.includes(act))
    if (beyond) return this.refuse(index, `its ${surface} does not reach ${beyond}`)
    const tick = one.tick + Math.round((from?.latencyMs ?? 0) * TICKS_PER_MS)
    if (this.isOff(device, tick)) return this.refuse(index, 'it has no power, or still starts')
    this.give(device, { tick, frame: seenFrom(place.clock, tick), index, command })
  }

  private fire(id: string, tick: number, index: number): void {
    const macro = own(this.traced.plan.macros, id)
    if (!macro) return this.refuse(index, 'the plan has no such macro')
    const holder = this.traced.chain.nodes.get(macro.at)
    const again = (holder && mixOf(holder.model)?.again) ?? 'refused'
    const times = [...(this.fired.get(id) ?? []), { tick, index }].sort((a, b) => a.tick - b.tick || a.index - b.index)
    this.fired.set(id, times)
    // What is said later may lie before: all times of this macro are gone through anew.
    if (times.length > 1) this.withdraw(new Set(times.map(one => one.index)))
    let busy = -Infinity
    times.forEach((time, i) => {
      if (again === 'refused' && time.tick < busy) return this.refuse(time.index, 'it runs already')
      const { happenings, ticks } = this.expanded(id, time.tick)
      busy = time.tick + ticks
      const cut = again === 'restarts' ? (times[i + 1]?.tick ?? Infinity) : Infinity
      for (const one of happenings) if (one.tick < cut) this.takeIn(one, time.index)
    })
  }

  /** Takes out of every history what some happenings did. */
  private withdraw(gone: ReadonlySet<number>): void {
    this.refusals = this.refusals.filter(({ index }) => !gone.has(index))
    for (const [device, list] of this.history) {
      const left = list.slice(1).flatMap(({ given }) => (given && !gone.has(given.index) ? [given] : []))
      if (left.length === list.length - 1) continue
      list.length = 1
      const again = new Set(left.map(({ index }) => index))
      this.refusals = this.refusals.filter(({ index, done }) => done || !again.has(index))
      for (const one of left) this.give(device, one)
    }
    for (const [device, list] of this.clips)
      this.clips.set(
        device,
        list.filter(({ index }) => !gone.has(index)),
      )
  }

  /** The presses of a macro that is fired at a tick, each at its own, and how long it runs, ticks. */
  expanded(id: string, tick: number): { readonly happenings: readonly Happening[]; readonly ticks: number } {
    const macro = own(this.traced.plan.macros, id)
    if (!macro) return { happenings: [], ticks: 0 }
    const frameOf = (device: string) => this.places.get(device)?.clock.frame ?? frameTicks('50/1')
    return expandMacro(this.traced, macro, tick, frameOf)
  }

  private refuse(index: number, words: string, done?: true): void {
    this.refusals.push({ index, words, ...(done ? { done } : {}) })
  }

  /** A command takes its place among those that are known; what comes after it is worked out anew. */
  private give(device: string, given: Given): void {
    const list = this.history.get(device)!
    const later: Given[] = []
    while (list.length > 1) {
      const last = list.at(-1)!.given!
      if (last.frame < given.frame || (last.frame === given.frame && last.tick <= given.tick)) break
      later.unshift(list.pop()!.given!)
    }
    if (later.length) {
      const again = new Set(later.map(one => one.index))
      this.refusals = this.refusals.filter(({ index, done }) => done || !again.has(index))
    }
    for (const one of [given, ...later]) {
      const node = this.traced.chain.nodes.get(device)!
      if (one.command === undefined) {
        list.push({
          frame: one.frame,
          machine: this.woken(node, list.at(-1)!.machine, one.tick),
          given: one,
        })
        continue
      }
      const { machine, refused } = commanded(list.at(-1)!.machine, one.command, one.frame, mixOf(node.model))
      if (refused !== undefined) this.refuse(one.index, refused)
      list.push({ frame: one.frame, machine, given: one })
      this.stirs(one.tick, boundary(this.places.get(device)!.clock, endOf(machine, one.frame)))
    }
  }

  /** Stretches of time in which a picture may change somewhere, ticks; what was taken back since may be among them. */
  private readonly stir: { readonly from: number; readonly to: number }[] = []
  private stirs(from: number, to: number): void {
    this.stir.push({ from, to: to + this.behind })
  }

  /** Until when no picture changes anywhere, and no sooner; undefined where one may change at this tick. */
  quietUntil(tick: number): number | undefined {
    let next = Infinity
    for (const { from, to } of this.stir) {
      if (from <= tick && tick <= to) return undefined
      if (from > tick && from < next) next = from
    }
    return next
  }

  /** Ticks after which whatever happens is seen everywhere, at the latest: delays, and inputs that hold and lock. */
  private get behind(): number {
    return (this.slowest ??= Math.max(
      0,
      ...[...this.places].map(([device, { clock }]) => {
        const { frames, lockFrames } = mixOf(this.traced.chain.nodes.get(device)!.model)?.loss ?? LOSS
        return this.settleTicks(device) + (frames + lockFrames) * clock.frame
      }),
    ))
  }
  private slowest: number | undefined

  /** A device has no power at a tick, or has not started yet. */
  isOff(device: string, tick: number): boolean {
    return this.gaps.since([device], tick) !== undefined
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
    return pictureAt(this.traced, this.seeing(tick - this.linkTicks(end), tick), end)
  }

  /** What comes out of a source at a tick: nothing while it has no power. */
  sent(end: LinkEnd, tick: number): Picture {
    return this.gaps.since([end.device], tick) === undefined
      ? pictureFrom(this.traced, this.seeing(tick, tick), end)
      : { of: 'none', lost: 'black' }
  }

  /** The newest frame of a switcher that has left by a tick. */
  leftBy(device: string, tick: number): number {
    const { clock, delayFrames } = this.places.get(device)!
    return frameAt(clock, tick) - delayFrames
  }

  /** As it was sent at one tick and has arrived at another. */
  private seeing(tick: number, arrived: number): Seeing {
    return {
      mixer: device => {
        const frame = this.leftBy(device, tick)
        return seenIn(this.machineIn(device, frame)!, frame)
      },
      feed: (device, port) => own(this.machineIn(device, this.leftBy(device, tick))?.outputs, port),
      content: (device, port) => this.contentAt(device, port, tick),
      preset: device => this.presetAt(device, tick),
      moving: device => this.moves.get(device)?.findLast(one => one.tick <= tick)?.moving ?? false,
      clip: device => this.clipAt(device, tick),
      ...(this.gaps.none ? {} : { instead: end => this.instead(end, arrived) }),
      into: (device, port) => {
        const { clock } = this.places.get(device)!
        const taken = boundary(clock, this.leftBy(device, tick)) - this.inputTicks(device, port)
        return this.seeing(taken - this.linkTicks({ device, port }), taken)
      },
    }
  }

  /** What an input without signal shows: its last picture at first, then what its model does; a screen is dark at once. */
  private instead(end: LinkEnd, tick: number): Picture | undefined {
    const place = this.places.get(end.device)
    const node = this.traced.chain.nodes.get(end.device)!
    const { shows, frames, lockFrames } = mixOf(node.model)?.loss ?? LOSS
    if (this.gaps.since([end.device], tick) !== undefined) return { of: 'none', lost: 'black' }
    const since = this.gaps.since(this.waysInto(end), tick, place ? lockFrames * place.clock.frame : 0)
    if (since === undefined) return undefined
    if (place && (shows === 'frozen' || tick - since < frames * place.clock.frame)) {
      const before = this.seen(end, since - 1)
      return before.of === 'held' || before.of === 'none'
        ? before
        : { of: 'held', picture: before, sinceS: since / TICKS_PER_S }
    }
    return { of: 'none', lost: shows === 'colour' && place ? 'colour' : 'black' }
  }

  /** What must be there for a picture to come into an input: its own plug, and each device and plug on the way. */
  private waysInto(end: LinkEnd): readonly string[] {
    const key = socketKey(end.device, end.port)
    const known = this.ways.get(key)
    if (known) return known
    const run = runInto(this.traced, end)
    const between = (run?.links ?? []).flatMap(({ wire: { to } }) =>
      to && to.node.id !== end.device ? [to.node.id, socketKey(to.node.id, to.portId)] : [],
    )
    const names = [key, ...(run?.origin ? [run.origin.device] : []), ...between]
    this.ways.set(key, names)
    return names
  }
  private readonly ways = new Map<string, readonly string[]>()

  private clipAt(device: string, tick: number): ClipShown | undefined {
    const begun = this.clips.get(device)?.findLast(one => one.tick <= tick)
    const clip = begun?.clip === undefined ? undefined : own(this.traced.plan.clips, begun.clip)
    if (!begun || !clip) return undefined
    const node = this.traced.chain.nodes.get(device)
    const preroll = node ? prerollFramesOf(node.model) * this.frameOf(device) : 0
    const played = tick - begun.tick - preroll
    if (played < 0) return { id: begun.clip!, at: 'pre-roll' }
    if (clip.end === 'loop' || played < clip.lengthS * TICKS_PER_S) return { id: begun.clip!, at: 'plays' }
    return clip.end === 'back' ? undefined : { id: begun.clip!, at: 'over' }
  }

  /** Frame time of what a source sends, ticks. */
  private frameOf(device: string): number {
    const run = this.traced.runs.find(({ beside, origin }) => !beside && origin?.device === device)
    const rate = run?.links[0]?.signal?.format.rate
    return frameTicks(rate ?? '25/1')
  }

  private presetAt(device: string, tick: number): string | undefined {
    const moved = this.moves.get(device)?.findLast(one => one.tick <= tick)
    return moved ? moved.preset : own(this.start.presets, device)
  }

  private contentAt(device: string, port: string, tick: number): Content | undefined {
    const last = this.contents
      .get(device)
      ?.findLast(one => one.tick <= tick && (one.port === undefined || one.port === port))
    return last?.content ?? contentIn(this.start.contents, device, port)
  }

  /** What converters and radio between a switcher and an input add, ticks: in this run, and at most. */
  private linkTicks(end: LinkEnd, most?: 'most'): number {
    const key = most ? '' : socketKey(end.device, end.port)
    const known = this.ticks.get(key)
    if (known !== undefined) return known
    const ticks = this.ticksOf(end, most)
    if (!most) this.ticks.set(key, ticks)
    return ticks
  }
  private readonly ticks = new Map<string, number>()

  private ticksOf(end: LinkEnd, most?: 'most'): number {
    const run = runInto(this.traced, end)
    const node = run?.origin && this.traced.chain.nodes.get(run.origin.device)
    const [first, last] = [run?.links[0]?.signal, run?.links.at(-1)?.signal]
    if (!node || !first || !last) return 0
    return this.within(end, last.delay.min - first.delay.min, last.delay.max - first.delay.max, most)
  }

  /** What a normalising input adds, ticks. */
  private inputTicks(device: string, port: string, most?: 'most'): number {
    const node = this.traced.chain.nodes.get(device)!
    const delay = own(node.model.ports, port)?.delay
    if (!delay || !node.standard) return 0
    const { min, max } = delayMs(delay, node.standard)
    return this.within({ device, port }, min, max, most)
  }

  /** Where in a range of ms an input lies in this run, ticks. */
  private within({ device, port }: LinkEnd, min: number, max: number, most?: 'most'): number {
    const share = most ? 1 : this.chances.delay(socketKey(device, port))
    return Math.round((min + share * (max - min)) * TICKS_PER_MS)
  }

  /** Ticks after which a command to a switcher is seen everywhere behind it, at the latest, whatever the delays are. */
  settleTicks(device: string, through: readonly string[] = []): number {
    const { clock, mostFrames } = this.places.get(device)!
    let most = 0
    for (const run of this.traced.runs) {
      const end = run.end
      if (run.beside || !run.lit || run.origin?.device !== device || !end || through.includes(end.device)) continue
      const behind = this.places.has(end.device)
        ? this.inputTicks(end.device, end.port, 'most') + this.settleTicks(end.device, [...through, device])
        : 0
      most = Math.max(most, this.linkTicks(end, 'most') + behind)
    }
    return (mostFrames + 2) * clock.frame + most
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

  /** What each switcher does in the frame that is under way at a tick, in the order of their ids. */
  stands(tick: number): readonly MixState[] {
    return [...this.places.keys()].sort().map(device => this.stateAt(device, tick))
  }

  /** What a source, or the way of a picture into an input, has lost at a tick. */
  isLost(end: LinkEnd, tick: number): boolean {
    return !this.gaps.none && this.gaps.since([...this.waysInto(end), end.device], tick) !== undefined
  }

  /** What a source shows, and whether it moves. */
  sourceAt(device: string, tick: number): { readonly content: Content | undefined; readonly moving: boolean } {
    return {
      content: this.contentAt(device, '', tick),
      moving: this.moves.get(device)?.findLast(one => one.tick <= tick)?.moving ?? false,
    }
  }

  /** Devices without power, and inputs whose plug is drawn, at a tick. */
  brokenAt(tick: number): LinkEndOrDevice[] {
    return this.gaps.open(tick).map(name => {
      const [device, port] = name.split('/') as [string, string | undefined]
      return port === undefined ? { device } : { device, port }
    })
  }

  /** How loud each sound comes to an input at a tick, 0 .. 1, by the device that makes it. */
  levels(end: LinkEnd, tick: number): ReadonlyMap<string, number> {
    return levelsBy(this.traced, this.stateOf(tick), end, ({ device, port, opening }) =>
      opening === 'follows' ? this.openingAt(device, port, tick) : opening === 'fixed' ? 1 : 0,
    )
  }

  /** How far an input is open that follows the picture: at a cut it opens and shuts over some milliseconds. */
  private openingAt(device: string, port: string, tick: number): number {
    const { clock } = this.places.get(device)!
    const node = this.traced.chain.nodes.get(device)!
    const fade = Math.round((mixOf(node.model)?.followFadeMs ?? FOLLOW_FADE_MS) * TICKS_PER_MS)
    const now = seenIn(this.machineIn(device, frameAt(clock, tick))!, frameAt(clock, tick))
    const level = followed(this.traced, node, now, port)
    if (now.incoming || fade === 0) return level
    // A cut is a step, and the mean of a step over the time of the fade is a straight ramp.
    let sum = 0
    for (let k = frameAt(clock, tick - fade); k <= frameAt(clock, tick); k++) {
      const from = Math.max(tick - fade, boundary(clock, k))
      const to = Math.min(tick, boundary(clock, k + 1))
      const then = seenIn(this.machineIn(device, k)!, k)
      sum += (to - from) * (then.incoming ? level : followed(this.traced, node, then, port))
    }
    return sum / fade
  }

  /** How everything stands in the frames that are under way at a tick. */
  stateOf(tick: number): ShowState {
    const mixers = Object.fromEntries([...this.places.keys()].map(device => [device, this.stateAt(device, tick)]))
    return {
      ...this.settled(),
      mixers,
      sound: this.soundWith(device => this.machineIn(device, frameAt(this.clockOf(device)!, tick))!),
    }
  }

  /** The state to which everything comes to rest, if nothing more happens. */
  settled(): ShowState {
    const mixers = Object.fromEntries(
      [...this.places].map(([device]) => {
        const { program, preview, keys, faded, stores } = seenIn(this.history.get(device)!.at(-1)!.machine, Infinity)
        return [device, { program, preview, keys, faded, ...(stores ? { stores } : {}) }]
      }),
    )
    const contents = [...this.contents].reduce(
      (now, [device, list]) =>
        list.reduce(
          (all, { port, content }) =>
            taken(
              { ...this.start, contents: all },
              port === undefined
                ? { title: '', order: 0, contents: { [device]: content } }
                : { title: '', order: 0, layouts: { [device]: { [port]: content } } },
            ).contents,
          now,
        ),
      this.start.contents,
    )
    const outputs = Object.fromEntries(
      [...this.places].map(([device]) => [device, this.history.get(device)!.at(-1)!.machine.outputs]),
    )
    const presets = { ...this.start.presets }
    for (const device of this.moves.keys()) {
      const preset = this.presetAt(device, Infinity)
      if (preset === undefined) delete presets[device]
      else presets[device] = preset
    }
    return {
      ...this.start,
      mixers,
      outputs,
      sound: this.soundWith(device => this.history.get(device)!.at(-1)!.machine),
      contents,
      presets,
    }
  }

  /** How inputs are opened, with what was changed since the run began. */
  private soundWith(machine: (device: string) => Machine): ShowState['sound'] {
    const changed = [...this.places.keys()].flatMap(device => {
      const { sound } = machine(device)
      return sound ? [[device, { ...own(this.start.sound, device), ...sound }] as const] : []
    })
    return { ...this.start.sound, ...Object.fromEntries(changed) }
  }

  /** Nothing is on its way in any switcher at a tick. */
  isSettledAt(tick: number): boolean {
    return [...this.places].every(([device, { clock }]) =>
      isSettled(advanced(this.machineIn(device, frameAt(clock, tick))!, frameAt(clock, tick))),
    )
  }
}

/** The frame in which what a machine does has come to its end; where a hand holds a share, that in which it does. */
const endOf = ({ running, fading, ramps, loads }: Machine, frame: number): number =>
  Math.max(
    frame,
    ...[
      ...(running?.from === undefined ? [] : [{ from: running.from, frames: running.frames }]),
      ...(fading ? [fading] : []),
      ...Object.values(ramps),
      ...Object.values(loads ?? {}),
    ].map(({ from, frames }) => from + frames),
  )

interface LinkEndOrDevice {
  readonly device: string
  readonly port?: string
}

/** In the order of ticks; of two at one tick the later said counts. */
function noted<T extends { readonly tick: number }>(map: Map<string, T[]>, device: string, one: T): void {
  map.set(
    device,
    [...(map.get(device) ?? []), one].sort((a, b) => a.tick - b.tick),
  )
}

const ms = (ticks: number): string => `${Math.round(ticks / TICKS_PER_MS)} ms`
