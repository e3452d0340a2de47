import { portsOf, carriesPicture, mixOf } from '#core/catalog'
import { type Traced, endName, isSwitcher, lastSwitchers, tracedOf } from '#core/chain'
import { type LinkEnd, type Look, type Plan, own } from '#core/document'
import { type Scene, scenesOf } from '#core/picture'
import {
  callsOf,
  type Command,
  type Happening,
  type Picture,
  Rehearsal,
  type ShowState,
  TICKS_PER_S,
  type Take,
  frameTicks,
  happeningsOf,
  judgedSinks,
  momentsOf,
  pictureAt,
  planTake,
  runInto,
  safeState,
  seededChances,
  showing,
  taken,
  tallyOf,
  withOverlay,
  wordsOf,
} from '#core/run'
import { listWords } from '#core/words'

/** What the stage is made of: all that stays while a run goes on. */
export interface Stage {
  readonly sources: readonly {
    readonly device: string
    readonly name: string
    /** Its number over the whole chain. */
    readonly call: number
    /** The switcher and input by which it is called. */
    readonly at: string
  }[]
  readonly switchers: readonly {
    readonly device: string
    readonly name: string
    readonly last: boolean
    readonly inputs: readonly {
      readonly port: string
      readonly number: string
      readonly name: string
      readonly from?: string
    }[]
    readonly keyers: readonly {
      readonly number: string
      readonly title: string
      readonly overlays: readonly string[]
    }[]
    readonly fades: boolean
  }[]
  readonly sinks: readonly {
    readonly device: string
    readonly port: string
    readonly name: string
    readonly judged: boolean
  }[]
  readonly overlays: readonly { readonly id: string; readonly title: string }[]
  readonly looks: readonly { readonly id: string; readonly title: string }[]
  readonly moments: readonly { readonly index: number; readonly title: string }[]
  readonly scenes: Readonly<Record<string, Scene>>
  /** Frames of the show in a second, and a frame of it, ticks. */
  readonly frame: number
}

/** A stretch of time in which a sink showed one thing. */
export interface Shown {
  readonly tick: number
  readonly words: string
  /** Neither what it showed before nor what it was to show: for so many frames. */
  readonly wrong?: number
}

/** What stands in the log of the run. */
export interface Line {
  readonly tick: number
  readonly words: string
  readonly refused?: string
}

export interface Now {
  readonly tick: number
  readonly sources: Readonly<Record<string, { readonly onAir: boolean; readonly over: boolean }>>
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
      }
    >
  >
  /** By sink: what it shows. */
  readonly pictures: readonly Picture[]
  readonly words: readonly string[]
  readonly history: readonly (readonly Shown[])[]
  readonly log: readonly Line[]
  readonly settled: boolean
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
}

export type Target =
  | { readonly source: string }
  | { readonly overlay: string }
  | { readonly look: string }
  | { readonly safe: true }
  | { readonly faded: boolean }

/** A picture that stands between two others for less than this is taken for a flash, ticks: half a second. */
const LEAST_TICKS = TICKS_PER_S / 2
const MOST_SHOWN = 400

/** A rehearsal that is worked: what is pressed becomes happenings, what is seen is told. Ticks only ever rise. */
export class Session {
  readonly traced: Traced
  readonly stage: Stage
  private rehearsal: Rehearsal
  private log: Line[] = []
  private readonly ends: readonly LinkEnd[]
  private shown: Shown[][] = []
  private trees: string[] = []
  private scanned = 0
  private now = 0

  constructor(
    plan: Plan,
    moment = 0,
    private readonly seed = 1,
  ) {
    this.traced = tracedOf(plan)
    this.stage = stageOf(this.traced)
    this.ends = this.stage.sinks.map(({ device, port }) => ({ device, port }))
    const moments = momentsOf(this.traced)
    this.rehearsal = new Rehearsal(this.traced, (moments[moment] ?? moments[0])!.state, seededChances(seed))
    this.shown = this.ends.map(() => [])
    this.trees = this.ends.map(() => '')
    this.scan(0)
  }

  /** A command by hand, at once. */
  press(device: string, command: Command, tick: number): void {
    this.at(tick)
    this.happen([{ tick: this.now, device, command, words: this.wordsOf(device, command) }])
  }

  /** The planned way to a target; nothing is done. */
  plan(target: Target): Planned | undefined {
    const from = this.rehearsal.settled()
    const to = this.stateOf(from, target)
    if (!to) return undefined
    const take = planTake(this.traced, from, to)
    const hasty = this.hasty(take, from, to)
    return {
      kind: take.kind,
      presses: take.presses,
      words: this.takeWords(take),
      ...(hasty === undefined ? {} : { hasty }),
    }
  }

  /** The planned way is gone, each step when the one before has arrived. False where there is none. */
  take(target: Target, tick: number, way: Way = { mix: 1 }): boolean {
    this.at(tick)
    const from = this.rehearsal.settled()
    const to = this.stateOf(from, target)
    if (!to) return false
    const take = planTake(this.traced, from, to)
    if (take.kind === 'nothing') return true
    const happenings = happeningsOf(take, this.rehearsal, this.now).map((one): Happening =>
      'command' in one
        ? { ...one, command: mixing(one.command, way), words: this.wordsOf(one.device, mixing(one.command, way)) }
        : one,
    )
    this.happen(happenings)
    return true
  }

  /** As everything stands at a tick. */
  look(tick: number): Now {
    this.at(tick)
    this.scan(tick)
    const pictures = this.ends.map(end => this.rehearsal.seen(end, tick))
    const judged = pictures.filter((_, i) => this.stage.sinks[i]!.judged)
    const { onAir, over } = tallyOf(judged)
    const switchers = Object.fromEntries(
      this.stage.switchers.map(({ device }) => {
        const { program, preview, keys, faded, incoming } = this.rehearsal.stateAt(device, tick)
        return [
          device,
          {
            ...(program === undefined ? {} : { program }),
            ...(preview === undefined ? {} : { preview }),
            keys,
            faded,
            ...(incoming ? { share: incoming.share } : {}),
          },
        ]
      }),
    )
    return {
      tick,
      sources: Object.fromEntries(
        this.stage.sources.map(({ device }) => [device, { onAir: onAir.has(device), over: over.has(device) }]),
      ),
      switchers,
      pictures,
      words: pictures.map(picture => wordsOf(this.traced, picture)),
      history: this.shown,
      log: this.log.filter(line => line.tick <= tick).slice(-60),
      settled: this.rehearsal.isSettledAt(tick),
    }
  }

  /** The picture of one sink at a tick, also of one that is past. */
  pictureOf(sink: number, tick: number): Picture {
    return this.rehearsal.seen(this.ends[sink]!, tick)
  }

  /** What stands now as a look of the whole chain. */
  asLook(title: string, order: number): Look {
    const { mixers, contents } = this.rehearsal.settled()
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
      ...(Object.keys(contents).length ? { contents } : {}),
    }
  }

  private stateOf(from: ShowState, target: Target): ShowState | undefined {
    if ('source' in target) return showing(this.traced, from, target.source)
    if ('safe' in target) return safeState(this.traced, from)
    if ('look' in target) {
      const look = own(this.traced.plan.looks, target.look)
      return look && taken(from, look)
    }
    if ('faded' in target) {
      const [last] = lastSwitchers(this.traced)
      return last && taken(from, { title: '', order: 0, faded: { [last.id]: target.faded } })
    }
    // Where it is lit it goes; else into the keyer that a look gives it, else into the first that is free and fits.
    for (const { device, keyers } of this.stage.switchers)
      for (const { number } of keyers) {
        const there = own(own(from.mixers, device)?.keys, number)
        if (there === target.overlay) return withOverlay(this.traced, from, target.overlay, device, number)
      }
    const given = Object.values(this.traced.plan.looks).flatMap(({ keys }) =>
      Object.entries(keys ?? {}).flatMap(([device, numbers]) =>
        Object.entries(numbers).flatMap(([number, id]) => (id === target.overlay ? [{ device, number }] : [])),
      ),
    )
    const last = lastSwitchers(this.traced).map(({ id }) => id)
    const free = this.stage.switchers
      .filter(({ device }) => last.includes(device))
      .flatMap(({ device, keyers }) =>
        keyers
          .filter(
            ({ number, overlays }) =>
              overlays.includes(target.overlay) && own(own(from.mixers, device)?.keys, number) === undefined,
          )
          .map(({ number }) => ({ device, number })),
      )
    for (const { device, number } of [...given, ...free]) {
      const state = withOverlay(this.traced, from, target.overlay, device, number)
      if (state) return state
    }
    return undefined
  }

  private at(tick: number): void {
    this.now = Math.max(this.now, tick)
  }

  private happen(happenings: readonly Happening[]): void {
    const before = this.rehearsal.refused.length
    this.rehearsal.happen(happenings)
    const refusals = this.rehearsal.refused.slice(before)
    happenings.forEach((one, i) => {
      const refused = refusals.find(({ index }) => index === this.rehearsal.count - happenings.length + i)?.words
      this.log.push({ tick: one.tick, words: one.words ?? '', ...(refused === undefined ? {} : { refused }) })
    })
    this.log.sort((a, b) => a.tick - b.tick)
  }

  /** Notes what each sink shows, frame by frame, up to a tick. */
  private scan(tick: number): void {
    const { frame } = this.stage
    // What nobody waited for is passed over: only the last minute is kept.
    if (tick - this.scanned > 60 * TICKS_PER_S) this.scanned = tick - 60 * TICKS_PER_S
    for (let at = this.scanned; at <= tick; at += frame) {
      this.ends.forEach((end, i) => {
        const picture = this.rehearsal.seen(end, at)
        const tree = JSON.stringify(bare(picture))
        if (tree === this.trees[i]) return
        this.trees[i] = tree
        const list = this.shown[i]!
        const last = list.at(-1)
        const stood = last ? (at - last.tick) / frame : Infinity
        const between =
          list.length > 1 && stood * frame < LEAST_TICKS && !isMoving(picture) && !last!.words.includes(MOVING)
        if (between) list[list.length - 1] = { ...last!, wrong: Math.round(stood) }
        list.push({
          tick: at,
          words: isMoving(picture) ? `${wordsOf(this.traced, picture)}${MOVING}` : wordsOf(this.traced, picture),
        })
        if (list.length > MOST_SHOWN) list.shift()
      })
      this.scanned = at + frame
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

  private takeWords({ kind, steps, cover }: Take): string {
    if (kind === 'nothing') return 'It is there already.'
    const said = steps.map(({ device, happenings, changes }) => {
      const acts = happenings.map(one =>
        'command' in one
          ? this.wordsOf(one.device, one.command)
          : `${own(this.traced.plan.devices, device)?.name} shows its ${one.content} page`,
      )
      return `${listWords(acts)}${changes.length ? '' : ' (nobody sees it)'}`
    })
    const way = said.length > 1 ? `${said[0]}, then ${said.slice(1).join(', then ')}` : said[0]!
    return kind === 'detour'
      ? `${way}. There is no straight way: meanwhile ${cover === 'black' ? 'black' : 'the safe picture'} is seen.`
      : `${way}.`
  }

  private wordsOf(device: string, command: Command): string {
    const name = own(this.traced.plan.devices, device)?.name ?? device
    switch (command.do) {
      case 'program':
      case 'preview': {
        const port = own(this.traced.chain.nodes.get(device)!.model.ports, command.input)
        const number = command.input === 'black' ? 'black' : String(port?.number ?? command.input)
        return command.do === 'program' ? `${name} to ${number}` : `${name} ${number} next`
      }
      case 'cut':
        return `${name} cut`
      case 'auto':
        return `${name} ${command.style} ${command.frames} frames`
      case 'lever':
        return `${name} lever ${Math.round(command.share * 100)} %`
      case 'key':
        return command.overlay === undefined
          ? `${name} keyer ${command.keyer} off`
          : `${own(this.traced.plan.overlays, command.overlay)?.title ?? command.overlay} on at ${name}`
      case 'fade':
        return `${name} ${command.to ? 'to black' : 'back from black'}`
      case 'output':
        return `${endName(this.traced, { device, port: command.port })} carries ${command.feed}`
      case 'all':
        return listWords(command.commands.map(one => this.wordsOf(device, one)))
    }
  }
}

const MOVING = ', on its way'

/** Somewhere in it something comes or goes. */
function isMoving(picture: Picture): boolean {
  if (picture.of === 'mix') return picture.layers.some(layer => layer.share !== undefined || isMoving(layer.picture))
  return false
}

/** Without the shares of what moves: a mix is one stretch, not as many as it has frames. */
function bare(picture: Picture): unknown {
  if (picture.of === 'tiles') return picture.tiles.map(tile => bare(tile.picture))
  if (picture.of !== 'mix') return picture
  return [
    picture.device,
    picture.tap,
    picture.layers.map(({ picture: inner, share, ...layer }) => [bare(inner), share !== undefined, layer]),
  ]
}

/** A cut of program becomes a mix of so many frames. */
function mixing(command: Command, { mix }: Way): Command {
  if (mix <= 1 || command.do !== 'program') return command
  return {
    do: 'all',
    commands: [
      { do: 'preview', input: command.input },
      { do: 'auto', style: 'mix', frames: mix },
    ],
  }
}

function stageOf(traced: Traced): Stage {
  const { chain, plan } = traced
  const byOrder = (a: { id: string; device: { order: number } }, b: { id: string; device: { order: number } }) =>
    a.device.order - b.device.order || (a.id < b.id ? -1 : 1)
  const nodes = [...chain.nodes.values()].sort(byOrder)
  const last = new Set(lastSwitchers(traced).map(({ id }) => id))
  const judged = new Set(judgedSinks(traced).map(({ device }) => device))
  const reach = (id: string) =>
    traced.runs.find(
      ({ beside, lit, origin, end }) =>
        !beside && lit && origin?.device === id && end && isSwitcher(chain.nodes.get(end.device)!),
    )
  const fastest = nodes.filter(isSwitcher).flatMap(({ standard }) => (standard ? [frameTicks(standard.rate)] : []))
  const calls = callsOf(traced)
  const titled = (map: Readonly<Record<string, { readonly title: string; readonly order: number }>>) =>
    Object.entries(map)
      .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
      .map(([id, { title }]) => ({ id, title }))
  return {
    sources: nodes
      .filter(({ id, model }) => model.role === 'source' && reach(id))
      .map(({ id, device }) => ({
        device: id,
        name: device.name,
        call: calls.get(id) ?? 0,
        at: endName(traced, reach(id)!.end!),
      }))
      .sort((a, b) => a.call - b.call),
    switchers: nodes
      .filter(isSwitcher)
      .map(({ id, device, model }) => ({
        device: id,
        name: device.name,
        last: last.has(id),
        inputs: portsOf(model, 'in')
          .filter(([, port]) => carriesPicture(port))
          .map(([port, row]) => {
            const origin = runInto(traced, { device: id, port })?.origin
            return {
              port,
              number: String(row.number ?? row.title),
              name: own(device.ports, port)?.label ?? (origin ? chain.nodes.get(origin.device)!.device.name : ''),
              ...(origin ? { from: origin.device } : {}),
            }
          }),
        keyers: (mixOf(model)?.keyers ?? []).map(({ title, kinds }, i) => ({
          number: String(i + 1),
          title,
          overlays: Object.entries(plan.overlays).flatMap(([overlay, { kind }]) =>
            kinds.includes(kind) ? [overlay] : [],
          ),
        })),
        fades: mixOf(model)?.fadeToBlack ?? true,
      }))
      .sort((a, b) => Number(a.last) - Number(b.last)),
    sinks: nodes
      .filter(({ model }) => model.role === 'sink')
      .flatMap(({ id, device, model }) =>
        portsOf(model, 'in').flatMap(([port, row]) =>
          carriesPicture(row) && runInto(traced, { device: id, port })?.lit
            ? [{ device: id, port, name: device.name, judged: judged.has(id) }]
            : [],
        ),
      )
      .sort((a, b) => Number(b.judged) - Number(a.judged)),
    overlays: titled(plan.overlays),
    looks: titled(plan.looks),
    moments: momentsOf(traced).map(({ segment, cue }, index) => ({
      index,
      title:
        segment === undefined
          ? 'as it stands'
          : `${plan.segments[segment]!.title}: ${cue === undefined ? 'opens' : plan.cues[cue]!.title}`,
    })),
    scenes: scenesOf(traced),
    frame: Math.min(9600, ...fastest),
  }
}
