import { mixOf } from '#core/catalog'
import { type Traced, isSwitcher, lastSwitchers, tracedOf } from '#core/chain'
import {
  type LinkEnd,
  type Look,
  type Macro,
  type MacroStep,
  type Opening,
  MOST_STEPS,
  type Plan,
  canonicalPlan,
  own,
  type Content,
} from '#core/document'
import {
  type Command,
  type Event,
  type Happening,
  type Picture,
  Rehearsal,
  type RunLog,
  type ShowState,
  TICKS_PER_MS,
  TICKS_PER_S,
  type Take,
  digest,
  fingerprint,
  gateAt,
  happeningsOf,
  isDark,
  judgedSinks,
  laidIn,
  momentsOf,
  pictureAt,
  planTake,
  readied,
  routeTo,
  safeState,
  seededChances,
  showing,
  shownIn,
  stepsOf,
  taken,
  tallyOf,
  unfitIn,
  withComing,
  withOverlay,
  wordsOf,
} from '#core/run'
import { listWords } from '#core/words'
import type { Aim, Kept, Target } from './kept'
import { eventWords, takeWords } from './say'
import { type Stage, stageOf } from './stage'
import { type Shown, Watch } from './watch'

/** What stands in the log of the run. */
export interface Line {
  readonly tick: number
  readonly words: string
  readonly refused?: string
  /** It was done, but not as a hand can. */
  readonly doubt?: string
}

/** Something that is broken now. */
export interface Broken {
  readonly device: string
  /** The plug at this input; absent, the power. */
  readonly port?: string
  readonly words: string
}

export interface Now {
  readonly tick: number
  readonly sources: Readonly<
    Record<
      string,
      {
        readonly onAir: boolean
        readonly over: boolean
        /** On the preview of the last switcher. */
        readonly next: boolean
        /** Its picture does not come. */
        readonly lost: boolean
        readonly moving: boolean
        readonly content?: string
      }
    >
  >
  /** By switcher: program, preview, lit keyers, faded, and how far a transition is. */
  readonly switchers: Readonly<
    Record<
      string,
      {
        readonly program?: string
        readonly preview?: string
        readonly keys: Readonly<Record<string, string>>
        readonly faded: boolean
        readonly share?: number
        /** By store of its stills: the overlay in it. */
        readonly stores?: Readonly<Record<string, string>>
        readonly loading?: readonly string[]
        /** By input: how it is opened. */
        readonly sound: Readonly<Record<string, Opening>>
        readonly off: boolean
      }
    >
  >
  /** By sink: what it shows. */
  readonly pictures: readonly Picture[]
  readonly words: readonly string[]
  readonly history: readonly (readonly Shown[])[]
  readonly log: readonly Line[]
  readonly settled: boolean
  readonly broken: readonly Broken[]
  /** Sinks with an audience, and those of them to which a picture comes. */
  readonly arrive: readonly [now: number, all: number]
  /** Frames in all that were wrong. */
  readonly wrong: number
  /** The next press will not come to its switcher. */
  readonly losing: boolean
}

/** How a take is to be seen. */
export interface Way {
  /** Frames of a mix, of the switcher that both pictures reach; 1 is a cut. */
  readonly mix: number
}

export interface Planned {
  readonly kind: Take['kind']
  readonly presses: number
  /** "Side to 1 (nobody sees it), then Main to 8". */
  readonly words: string
  /** What is seen if all is pressed at once, in words; absent where nothing wrong is. */
  readonly hasty?: string
  /** Why it cannot be seen before it is on air, and where it can be looked at instead. */
  readonly unseen?: string
}

/** A run in figures, to be held beside another. */
export interface Summary {
  readonly seconds: number
  readonly presses: number
  readonly refused: number
  /** By sink with an audience: how often its picture changed, and how many frames were wrong. */
  readonly sinks: readonly { readonly name: string; readonly changes: number; readonly wrong: number }[]
  readonly lines: readonly Line[]
  readonly fingerprint: string
}

/** By whom, and from where, a press comes. */
export type Hand = Pick<Extract<Happening, { command: Command }>, 'surface' | 'person'>

/** A rehearsal that is worked: what is pressed becomes happenings, what is seen is told. Ticks only ever rise. */
export class Session {
  readonly traced: Traced
  readonly stage: Stage
  private readonly rehearsal: Rehearsal
  private readonly watch: Watch
  private lines: (Line & { readonly index: number })[] = []
  private events: Happening[] = []
  private aims: Aim[] = []
  private readonly ends: readonly LinkEnd[]
  private now = 0
  private aimed = ''
  private losing = false

  constructor(
    private readonly written: Plan,
    private readonly moment = 0,
    private readonly seed = 1,
  ) {
    this.traced = tracedOf(this.written)
    this.stage = stageOf(this.traced)
    this.ends = this.stage.sinks.map(({ device, port }) => ({ device, port }))
    const moments = momentsOf(this.traced)
    this.rehearsal = new Rehearsal(this.traced, (moments[moment] ?? moments[0])!.state, seededChances(seed))
    this.watch = new Watch(
      this.traced,
      this.rehearsal,
      this.stage.sinks.map(({ device, port, judged }) => ({ end: { device, port }, judged })),
      this.stage.frame,
    )
    this.watch.scan(0)
  }

  /** A run that was kept, up to two seconds after its last event. */
  static again(plan: Plan, log: RunLog & { readonly aims?: readonly Aim[] }): Session {
    const session = new Session(plan, log.moment, log.seed)
    const happened = [...log.events].sort((a, b) => a.tick - b.tick)
    const aims = [...(log.aims ?? [])].sort((a, b) => a.tick - b.tick)
    for (const one of happened) {
      while (aims[0] && aims[0].tick <= one.tick) session.aim(aims.shift()!.target, one.tick)
      session.until(one.tick)
      session.happen([one])
    }
    session.until((happened.at(-1)?.tick ?? 0) + 2 * TICKS_PER_S)
    return session
  }

  /** A command by hand, at once. With what is meant by it, what everybody sees is held against that. */
  press(device: string, command: Command, tick: number, hand: Hand = {}, meant?: Target): void {
    this.at(tick)
    this.meant(meant)
    const lost = this.losing ? { lost: true as const } : {}
    this.losing = false
    this.happen([{ tick: this.now, device, command, ...hand, ...lost }])
  }

  /** The next press is lost on its way, by hand or by plan. */
  lose(on: boolean): void {
    this.losing = on
  }

  /** Anything else that happens: a plug, power, a camera, a page, a clip, a mark. */
  event(device: string, event: Event, tick: number): void {
    this.at(tick)
    this.happen([{ tick: this.now, device, ...event }])
  }

  /** The planned way to a target; nothing is done. */
  plan(target: Target): Planned | undefined {
    if ('macro' in target) return this.planMacro(target.macro)
    const from = this.rehearsal.settled()
    const to = this.stateOf(from, target)
    if (!to) return undefined
    const take = planTake(this.traced, from, to)
    const hasty = this.hasty(take, from, to)
    const unseen = 'source' in target ? this.unseen(from, target.source) : undefined
    return {
      kind: take.kind,
      presses: take.presses,
      words: takeWords(this.traced, take),
      ...(hasty === undefined ? {} : { hasty }),
      ...(unseen === undefined ? {} : { unseen }),
    }
  }

  /** The planned way is gone, each step when the one before has arrived. False where there is none. */
  take(target: Target, tick: number, way: Way = { mix: 1 }): boolean {
    this.at(tick)
    if ('macro' in target) {
      const macro = own(this.traced.plan.macros, target.macro)
      if (!macro) return false
      this.meant(undefined)
      this.happen([{ tick: this.now, device: macro.at, macro: target.macro }])
      return true
    }
    const from = this.rehearsal.settled()
    const to = this.stateOf(from, target)
    if (!to) return false
    const take = planTake(this.traced, from, to)
    if (take.kind === 'nothing') return true
    if (take.kind === 'clean' && !this.losing) this.meant(target, from)
    else this.meant(undefined)
    const happenings = happeningsOf(take, this.rehearsal, this.now).map((one): Happening =>
      'command' in one ? { ...one, command: this.mixing(one.device, one.command, way) } : one,
    )
    this.happen(this.losing ? this.cutShort(happenings) : happenings)
    return true
  }

  /** A press that is lost is not answered, and what was to follow it is not sent. */
  private cutShort(happenings: readonly Happening[]): Happening[] {
    const at = happenings.findIndex(one => 'command' in one)
    if (at < 0) return [...happenings]
    this.losing = false
    const lost = happenings[at]!
    const left = happenings.length - at - 1
    return [
      ...happenings.slice(0, at),
      { ...lost, lost: true } as Happening,
      ...(left ? [{ tick: lost.tick, device: '', mark: 'what was to follow was not sent' }] : []),
    ]
  }

  /** As everything stands at a tick. */
  look(tick: number): Now {
    this.until(tick)
    const pictures = this.ends.map(end => this.rehearsal.seen(end, tick))
    const judged = pictures.filter((_, i) => this.stage.sinks[i]!.judged)
    const { onAir, over } = tallyOf(judged)
    const next = this.previewed(tick)
    const shown = new Map(pictures.flatMap(picture => shownIn(picture)).map(one => [one.device, one]))
    return {
      tick,
      sources: Object.fromEntries(
        this.stage.sources.map(({ device }) => {
          const { content, moving } = this.rehearsal.sourceAt(device, tick)
          return [
            device,
            {
              onAir: onAir.has(device),
              over: over.has(device),
              next: next.has(device),
              lost: !this.comes(device, tick),
              moving,
              ...((content ?? shown.get(device)?.content) ? { content: content ?? shown.get(device)!.content! } : {}),
            },
          ]
        }),
      ),
      switchers: this.switchersAt(tick),
      pictures,
      words: pictures.map(picture => wordsOf(this.traced, picture)),
      history: this.watch.history,
      log: this.told(this.lines.filter(line => line.tick <= tick).slice(-60)),
      settled: this.rehearsal.isSettledAt(tick) && this.watch.arrived,
      broken: this.brokenAt(tick),
      arrive: [judged.filter(picture => !isDark(picture) && unfitIn(picture) !== 'lost').length, judged.length],
      wrong: this.watch.wrong,
      losing: this.losing,
    }
  }

  /** The picture of one sink at a tick, also of one that is past. */
  pictureOf(sink: number, tick: number): Picture {
    const at = (when: number): Picture => this.rehearsal.seen(this.ends[sink]!, when)
    return withComing(this.traced.plan, at(tick), s => at(tick - Math.round(s * TICKS_PER_S)))
  }

  /** What a source sends at a tick; while a graphic of it is laid over a picture, that one, as it is on its way. */
  sourceOf(device: string, tick: number): Picture {
    const runs = this.traced.runs.filter(({ beside, origin }) => !beside && origin?.device === device)
    const { origin } = runs.find(one => one.origin?.port !== 'key') ?? runs[0] ?? {}
    const sent = this.rehearsal.sent({ device, port: origin?.port ?? 'out' }, tick)
    if (sent.of !== 'source' || sent.content === 'full' || sent.content === 'blank') return sent
    if (!Object.values(this.traced.plan.overlays).some(({ fill, graphic }) => fill === device && graphic)) return sent
    for (const i of this.ends.keys()) {
      const laid = laidIn(this.pictureOf(i, tick), device)
      if (laid) return laid
    }
    return sent
  }

  /** What is heard at a sink, loudest first: the devices that make it and how loud, 0 .. 1. */
  heard(sink: number, tick: number): { readonly device: string; readonly name: string; readonly level: number }[] {
    return [...this.rehearsal.levels(this.ends[sink]!, tick)]
      .filter(([device]) => !this.rehearsal.isOff(device, tick))
      .map(([device, level]) => ({ device, name: own(this.traced.plan.devices, device)?.name ?? device, level }))
      .sort((a, b) => b.level - a.level || (a.name < b.name ? -1 : 1))
  }

  /** What stands now as a look of the whole chain. */
  asLook(title: string, order: number): Look {
    const { mixers, outputs, contents, presets, sound } = this.rehearsal.settled()
    const [whole, single] = [true, false].map(all =>
      Object.entries(contents).filter(([key]) => key.includes('/') !== all),
    )
    const layouts: Record<string, Record<string, Content>> = {}
    for (const [key, content] of single!) {
      const [device, port] = key.split('/') as [string, string]
      layouts[device] = { ...layouts[device], [port]: content }
    }
    const pointed = Object.entries(outputs).filter(([, ports]) => Object.keys(ports).length)
    const program = Object.fromEntries(
      Object.entries(mixers).flatMap(([id, mix]) => (mix.program === undefined ? [] : [[id, mix.program]])),
    )
    const keys = Object.fromEntries(
      Object.entries(mixers).flatMap(([id, mix]) => {
        const count = mixOf(this.traced.chain.nodes.get(id)!.model)?.keyers.length ?? 0
        const all = Array.from({ length: count }, (_, i): [string, string] => [
          String(i + 1),
          own(mix.keys, String(i + 1)) ?? 'off',
        ])
        return count ? [[id, Object.fromEntries(all)]] : []
      }),
    )
    const faded = Object.fromEntries(Object.entries(mixers).map(([id, mix]) => [id, mix.faded]))
    return {
      title,
      order,
      program,
      ...(Object.keys(keys).length ? { keys } : {}),
      faded,
      ...(Object.keys(sound).length ? { sound } : {}),
      ...(pointed.length ? { outputs: Object.fromEntries(pointed) } : {}),
      ...(whole!.length ? { contents: Object.fromEntries(whole!) } : {}),
      ...(single!.length ? { layouts } : {}),
      ...(Object.keys(presets).length ? { presets } : {}),
    }
  }

  /** What was pressed between two ticks as a macro of a switcher, or as a button of a controller; undefined where nothing was. */
  asMacro(title: string, order: number, holder: string, from: number, to: number): Macro | undefined {
    const pressed = this.events.filter(
      one =>
        ('command' in one || ('clip' in one && one.clip !== null)) &&
        one.tick >= from &&
        one.tick <= to &&
        !this.isRefused(one),
    )
    const node = this.traced.chain.nodes.get(holder)
    const frame = node && isSwitcher(node) ? this.rehearsal.clockOf(holder)?.frame : undefined
    const steps: MacroStep[] = []
    pressed.forEach((one, i) => {
      const gap = i === 0 ? 0 : one.tick - pressed[i - 1]!.tick
      if (frame !== undefined) {
        const frames = Math.round(gap / frame)
        if (frames > 0) steps.push({ do: 'wait', frames })
      } else if (gap >= TICKS_PER_MS) steps.push({ do: 'wait', ms: Math.min(600_000, Math.round(gap / TICKS_PER_MS)) })
      steps.push(...this.stepsOf(one, holder))
    })
    return steps.length ? { title, order, at: holder, steps: steps.slice(0, MOST_STEPS) } : undefined
  }

  /** A press as steps; a clip is called by its number, as players are. */
  private stepsOf(one: Happening, holder: string): MacroStep[] {
    if ('command' in one) return stepsOf(one.command, one.device === holder ? undefined : one.device)
    if (!('clip' in one) || one.clip === null) return []
    const index = own(this.traced.plan.clips, one.clip)?.index
    return [{ do: 'play', clip: one.clip, ...(index === undefined ? {} : { index }) }]
  }

  /** The switchers that were worked between two ticks. */
  worked(from: number, to: number): string[] {
    return [
      ...new Set(
        this.events.flatMap(one => ('command' in one && one.tick >= from && one.tick <= to ? [one.device] : [])),
      ),
    ]
  }

  /** The run so far, as it is kept. */
  kept(): Kept {
    return {
      version: 1,
      plan: digest(canonicalPlan(this.written)),
      seed: this.seed,
      moment: this.moment,
      events: this.events,
      aims: this.aims,
    }
  }

  summary(): Summary {
    const { now } = this
    return {
      seconds: now / TICKS_PER_S,
      presses: this.events.filter(one => 'command' in one || 'macro' in one).length,
      refused: this.rehearsal.refused.filter(({ done }) => !done).length,
      sinks: this.stage.sinks.flatMap(({ name, judged }, i) => {
        const shown = this.watch.history[i]!
        const wrong = shown.reduce((sum, one) => sum + (one.wrong ?? 0), 0)
        return judged ? [{ name, changes: shown.length - 1, wrong }] : []
      }),
      lines: this.told(this.lines),
      fingerprint: fingerprint(this.rehearsal, this.ends, now),
    }
  }

  private until(tick: number): void {
    this.at(tick)
    this.watch.scan(tick)
    const taken = this.watch.arrived
    if (taken && this.aimed && this.rehearsal.isSettledAt(tick)) this.aimed = ''
  }

  private isRefused(one: Happening): boolean {
    const index = this.events.indexOf(one)
    return this.rehearsal.refused.some(refusal => refusal.index === index && !refusal.done)
  }

  /** What is meant from now on; nothing, and the sinks are only watched for what may never be seen. */
  private meant(target: Target | undefined, from = this.rehearsal.settled()): void {
    const name = target ? JSON.stringify(target) : ''
    if (!target) {
      this.aimed = ''
      this.watch.free()
    } else if (name !== this.aimed) {
      this.aims.push({ tick: this.now, target })
      this.aim(target, this.now, from)
    }
  }

  private aim(target: Target, tick: number, from = this.rehearsal.settled()): void {
    const to = this.stateOf(from, target)
    if (!to) return
    this.watch.scan(tick)
    this.watch.aim(from, to)
    this.aimed = JSON.stringify(target)
  }

  /** A cut of program becomes a mix of so many frames, with the keys before the mix that change with it. */
  private mixing(device: string, command: Command, { mix }: Way): Command {
    const commands = command.do === 'all' ? command.commands : [command]
    const program = commands.find(one => one.do === 'program')
    if (mix <= 1 || !program || program.input === 'black') return command
    const can = mixOf(this.traced.chain.nodes.get(device)!.model)
    const frames = Math.min(mix, can?.longest ?? mix)
    const inMix = commands.filter(
      one => one.do === 'key' && can?.keyers[Number(one.keyer) - 1]?.place === 'before',
    ) as Extract<Command, { do: 'key' }>[]
    const rest = commands.filter(one => one !== program && !inMix.some(key => key === one))
    const keys = Object.fromEntries(inMix.map(({ keyer, overlay }) => [keyer, overlay ?? 'off']))
    return {
      do: 'all',
      commands: [
        { do: 'preview', input: program.input },
        { do: 'auto', style: 'mix', frames, ...(inMix.length ? { keys } : {}) },
        ...rest.map((one): Command => (one.do === 'key' ? { ...one, frames } : one)),
      ],
    }
  }

  private switchersAt(tick: number): Now['switchers'] {
    const state = this.rehearsal.stateOf(tick)
    return Object.fromEntries(
      this.stage.switchers.map(({ device, sounds }) => {
        const node = this.traced.chain.nodes.get(device)!
        const { program, preview, keys, faded, incoming, stores, loading } = this.rehearsal.stateAt(device, tick)
        return [
          device,
          {
            ...(program === undefined ? {} : { program }),
            ...(preview === undefined ? {} : { preview }),
            keys,
            faded,
            off: this.rehearsal.isOff(device, tick),
            ...(incoming ? { share: incoming.share } : {}),
            sound: Object.fromEntries(sounds.map(({ port }) => [port, gateAt(this.traced, state, node, port).opening])),
            ...(stores ? { stores } : {}),
            ...(loading ? { loading } : {}),
          },
        ]
      }),
    )
  }

  /** Sources that the last switchers have on preview, through feeders too. */
  private previewed(tick: number): ReadonlySet<string> {
    const found = new Set<string>()
    for (const { device, last } of this.stage.switchers) {
      const { preview } = this.rehearsal.stateAt(device, tick)
      if (!last || preview === undefined || preview === 'black') continue
      for (const one of shownIn(this.rehearsal.seen({ device, port: preview }, tick))) found.add(one.device)
    }
    return found
  }

  /** Its picture comes to a last switcher, as far as nothing on its way is broken. */
  private comes(source: string, tick: number): boolean {
    const routes = lastSwitchers(this.traced)
      .map(node => routeTo(this.traced, node, source))
      .filter(route => route !== undefined)
    return (
      routes.length === 0 ||
      routes.some(route =>
        Object.entries(route).every(([device, port]) => !this.rehearsal.isLost({ device, port }, tick)),
      )
    )
  }

  private brokenAt(tick: number): Broken[] {
    return this.rehearsal.brokenAt(tick).map(({ device, port }) => ({
      device,
      ...(port === undefined ? {} : { port }),
      words: eventWords(this.traced, device, port === undefined ? { power: 'off' } : { signal: 'lost', port }),
    }))
  }

  private stateOf(from: ShowState, target: Target): ShowState | undefined {
    const to = this.meantBy(from, target)
    return to && readied(this.traced, from, to)
  }

  private meantBy(from: ShowState, target: Target): ShowState | undefined {
    if ('macro' in target) return undefined
    if ('source' in target) return showing(this.traced, from, target.source)
    if ('safe' in target) return safeState(this.traced, from, source => this.comes(source, this.now))
    if ('look' in target) {
      const look = own(this.traced.plan.looks, target.look)
      return look && taken(from, look)
    }
    if ('faded' in target) {
      const [last] = lastSwitchers(this.traced)
      return last && taken(from, { title: '', order: 0, faded: { [last.id]: target.faded } })
    }
    return this.overlaid(from, target.overlay)
  }

  /** Where it is lit it goes; else into the keyer that a look gives it, else into the first that is free and fits. */
  private overlaid(from: ShowState, overlay: string): ShowState | undefined {
    for (const { device, keyers } of this.stage.switchers)
      for (const { number } of keyers) {
        const there = own(own(from.mixers, device)?.keys, number)
        if (there === overlay) return withOverlay(this.traced, from, overlay, device, number)
      }
    const given = Object.values(this.traced.plan.looks).flatMap(({ keys }) =>
      Object.entries(keys ?? {}).flatMap(([device, numbers]) =>
        Object.entries(numbers).flatMap(([number, id]) => (id === overlay ? [{ device, number }] : [])),
      ),
    )
    const last = lastSwitchers(this.traced).map(({ id }) => id)
    const free = this.stage.switchers
      .filter(({ device }) => last.includes(device))
      .flatMap(({ device, keyers }) =>
        keyers
          .filter(
            ({ number, overlays }) =>
              overlays.includes(overlay) && own(own(from.mixers, device)?.keys, number) === undefined,
          )
          .map(({ number }) => ({ device, number })),
      )
    for (const { device, number } of [...given, ...free]) {
      const state = withOverlay(this.traced, from, overlay, device, number)
      if (state) return state
    }
    return undefined
  }

  private at(tick: number): void {
    this.now = Math.max(this.now, tick)
  }

  private happen(happenings: readonly Happening[]): void {
    const first = this.rehearsal.count
    const said = happenings.map(one => (one.words === undefined ? { ...one, words: this.words(one) } : one))
    this.rehearsal.happen(said)
    this.events.push(...said)
    this.lines.push(...said.map((one, i) => ({ index: first + i, tick: one.tick, words: one.words ?? '' })))
    this.lines.sort((a, b) => a.tick - b.tick || a.index - b.index)
  }

  /** Lines of the log with what became of them: a press that comes before others may change what is refused of those. */
  private told(lines: readonly (Line & { readonly index: number })[]): Line[] {
    const refusals = new Map(this.rehearsal.refused.map(one => [one.index, one]))
    return lines.map(({ index, tick, words }) => {
      const refusal = refusals.get(index)
      return { tick, words, ...(refusal ? (refusal.done ? { doubt: refusal.words } : { refused: refusal.words }) : {}) }
    })
  }

  private words(one: Happening): string {
    const from = 'command' in one && one.surface && one.surface !== 'panel' ? ` from the ${one.surface}` : ''
    const who = 'command' in one && one.person !== undefined ? `${this.personName(one.person)}: ` : ''
    return `${who}${eventWords(this.traced, one.device, one)}${from}`
  }

  private personName(person: string): string {
    return own(this.traced.plan.people, person)?.name ?? person
  }

  /** What a macro does when it is fired, tried beforehand on eight sets of phases. */
  private planMacro(id: string): Planned | undefined {
    const macro = own(this.traced.plan.macros, id)
    if (!macro) return undefined
    const { ticks, happenings } = this.rehearsal.expanded(id, 0)
    const seconds = (ticks / TICKS_PER_S).toFixed(1)
    const words = happenings.map(one => this.words(one))
    return {
      kind: 'clean',
      presses: 1,
      words: `${listWords(words)}, over ${seconds}\u00A0s.`,
    }
  }

  /** What the judged sinks would show wrongly if every step were pressed at once. */
  private hasty(take: Take, from: ShowState, to: ShowState): string | undefined {
    if (take.steps.length < 2) return undefined
    const sinks = judgedSinks(this.traced)
    const [old, next] = [from, to].map(state => sinks.map(end => JSON.stringify(pictureAt(this.traced, state, end))))
    let [least, most] = [Infinity, 0]
    let words = ''
    let who = ''
    for (let seed = 0; seed < 8; seed++) {
      const trial = new Rehearsal(this.traced, from, seededChances(seed))
      const tick = TICKS_PER_S / 5
      trial.happen(take.steps.flatMap(step => step.happenings.map(one => ({ ...one, tick }) as Happening)))
      let worst = 0
      sinks.forEach((end, i) => {
        let count = 0
        for (let at = 0; at < TICKS_PER_S; at += this.stage.frame) {
          const picture = trial.seen(end, at)
          const tree = JSON.stringify(picture)
          if (tree === old![i] || tree === next![i]) continue
          count++
          words = wordsOf(this.traced, picture)
          who = own(this.traced.plan.devices, end.device)!.name
        }
        worst = Math.max(worst, count)
      })
      least = Math.min(least, worst)
      most = Math.max(most, worst)
    }
    if (most === 0) return undefined
    const frames = least === most ? `${most} ${most === 1 ? 'frame' : 'frames'}` : `${least} to ${most} frames`
    return `Pressed at once, ${who} would see ${words} for ${frames}.`
  }

  /** A feeder on the way is on air with something else: its link cannot show what is next before it is taken. */
  private unseen(from: ShowState, source: string): string | undefined {
    const [last] = lastSwitchers(this.traced)
    const route = last && routeTo(this.traced, last, source)
    if (!route) return undefined
    const onAir = JSON.stringify(judgedSinks(this.traced).map(end => pictureAt(this.traced, from, end)))
    for (const [device, port] of Object.entries(route)) {
      if (device === last.id || own(from.mixers, device)?.program === port) continue
      if (!onAir.includes(`"device":"${device}"`)) continue
      const name = own(this.traced.plan.devices, device)!.name
      const monitor = this.traced.runs.find(
        ({ beside, lit, origin, end, links }) =>
          !beside &&
          lit &&
          origin?.device === device &&
          end &&
          ['multiview', 'preview'].includes(links[0]?.signal?.feed ?? ''),
      )
      const where = monitor
        ? `look at it on ${own(this.traced.plan.devices, monitor.end!.device)!.name}`
        : `look at it before ${name} goes on air`
      return `It cannot be next on ${last.device.name}: ${name} is on air with another picture. Instead, ${where}.`
    }
    return undefined
  }
}
