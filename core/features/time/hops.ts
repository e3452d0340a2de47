import { type Delay, portsOf, isSink } from '#core/catalog'
import {
  type DelayMs,
  type DeviceNode,
  type Run,
  type Traced,
  delayMs,
  isReplaced,
  isSwitcher,
  socketKey,
  runInto,
  pointedAt,
} from '#core/chain'
import { type LinkEnd, own } from '#core/document'

// The way of a picture, or of a sound, to whoever sees or hears it, hop by hop with what each adds.

/** What a device adds on the way, ms. */
export interface Hop {
  readonly device: string
  readonly does: 'makes' | 'passes' | 'takes' | 'mixes' | 'holds' | 'crosses'
  readonly delay: DelayMs
}

export interface PictureWay {
  readonly source: string
  readonly hops: readonly Hop[]
  readonly total: DelayMs
  /** The inputs of switchers on the way, the first one first. */
  readonly through: readonly LinkEnd[]
}

export interface SoundWay {
  readonly origin: string
  readonly hops: readonly Hop[]
  /** With what is held back on purpose. */
  readonly total: DelayMs
  readonly through: readonly LinkEnd[]
  /** It comes in by a plug of its own, not beside the picture of who makes it. */
  readonly plugged: boolean
  /** The first input of a switcher by a plug: where it can be held back by itself. */
  readonly holdAt: LinkEnd | undefined
  readonly heldMs: number
}

/** Rings and very large chains end here. */
const MOST_WAYS = 2000
/** Less than this is no hop that anybody sees, ms. */
const LEAST_MS = 0.05

const minus = (a: DelayMs, b: DelayMs): DelayMs => ({ min: a.min - b.min, typ: a.typ - b.typ, max: a.max - b.max })
const sum = (a: DelayMs, b: DelayMs): DelayMs => ({ min: a.min + b.min, typ: a.typ + b.typ, max: a.max + b.max })
const totalOf = (hops: readonly Hop[]): DelayMs =>
  hops.reduce((all, { delay }) => sum(all, delay), { min: 0, typ: 0, max: 0 })
const seen = ({ delay }: Hop): boolean => delay.max >= LEAST_MS

/** What converters, radio links and the like between the ends of a run add. */
function between({ links }: Run): Hop[] {
  return links.slice(1).map(({ wire, signal }, i): Hop => ({
    device: wire.from!.node.id,
    does: 'passes',
    delay: minus(signal!.delay, links[i]!.signal!.delay),
  }))
}

/** What an input adds to a picture that enters it: a scaler before a mix, the own delay of a screen. */
function taking(node: DeviceNode, portId: string, run: Run): Hop {
  const format = isSwitcher(node) && node.standard ? node.standard : run.links.at(-1)!.signal!.format
  return { device: node.id, does: 'takes', delay: delayMs(own(node.model.ports, portId)?.delay, format) }
}

/** What a switcher adds between its inputs and an output. */
function mixing(node: DeviceNode): Hop {
  const path = node.model.paths.find(({ format }) => format === 'standard')
  return {
    device: node.id,
    does: 'mixes',
    delay: node.standard ? delayMs(path?.delay, node.standard) : { min: 0, typ: 0, max: 0 },
  }
}

/** All ways by which pictures come to an input, through each switcher on the way. Multiviews are no ways. */
export function picturesTo(traced: Traced, end: LinkEnd): PictureWay[] {
  const found: PictureWay[] = []
  walk(end, [], [], new Set())
  return found

  function walk(at: LinkEnd, behind: readonly Hop[], through: readonly LinkEnd[], passed: ReadonlySet<string>): void {
    const run = runInto(traced, at)
    const origin = run?.origin && traced.chain.nodes.get(run.origin.device)
    if (!run?.lit || !origin || found.length >= MOST_WAYS) return
    const node = traced.chain.nodes.get(at.device)!
    const hops = [...between(run), taking(node, at.port, run), ...behind]
    if (isSwitcher(origin)) return mixed(origin, run.origin!.port, run.links[0]!.signal!.feed, hops, through, passed)
    if (origin.model.role !== 'source') return
    const all = [{ device: origin.id, does: 'makes' as const, delay: run.links[0]!.signal!.delay }, ...hops]
    found.push({ source: origin.id, hops: all.filter(seen), total: totalOf(all), through })
  }

  function mixed(
    node: DeviceNode,
    output: string,
    feed: string | undefined,
    behind: readonly Hop[],
    through: readonly LinkEnd[],
    passed: ReadonlySet<string>,
  ): void {
    if (feed === 'multiview' || passed.has(node.id)) return
    const only = feed === 'input' ? pointedAt(node, output) : undefined
    for (const [port] of portsOf(node.model, 'in')) {
      if (only === undefined ? own(node.device.ports, port)?.offAir : port !== only) continue
      const at = { device: node.id, port }
      walk(at, [mixing(node), ...behind], [at, ...through], new Set([...passed, node.id]))
    }
  }
}

/** The pictures that a switcher records inside: its inputs through its own mix. */
export function picturesInside(traced: Traced, node: DeviceNode): PictureWay[] {
  return portsOf(node.model, 'in').flatMap(([port]) => {
    if (own(node.device.ports, port)?.offAir) return []
    const end = { device: node.id, port }
    return picturesTo(traced, end).map(way => {
      const mix = mixing(node)
      return {
        ...way,
        hops: [...way.hops, mix].filter(seen),
        total: sum(way.total, mix.delay),
        through: [...way.through, end],
      }
    })
  })
}

/** All ways by which sounds come to an input, opened or not. A sound beside a picture takes as long as the picture does. */
export function soundsTo(traced: Traced, end: LinkEnd): SoundWay[] {
  const sink = traced.chain.nodes.get(end.device)!
  const last = isSink(sink.model) ? runInto(traced, end) : undefined
  const walk = new SoundWalk(traced)
  walk.into(end, {
    behind: last?.lit ? [taking(sink, end.port, last)] : [],
    through: [],
    passed: [],
    plug: false,
    holdAt: undefined,
  })
  return walk.found
}

/** Where a walk against the sound stands. */
interface Step {
  readonly behind: readonly Hop[]
  readonly through: readonly LinkEnd[]
  readonly passed: readonly string[]
  readonly plug: boolean
  readonly holdAt: LinkEnd | undefined
}

class SoundWalk {
  readonly found: SoundWay[] = []

  constructor(private readonly traced: Traced) {}

  into({ device, port }: LinkEnd, step: Step): void {
    const { chain, trace } = this.traced
    for (const wire of chain.entering.get(socketKey(device, port)) ?? []) {
      const at = trace.wires.get(wire.id)
      if (this.found.length >= MOST_WAYS || !wire.from || !at?.arrives) continue
      const { node, portId } = wire.from
      if (step.passed.includes(node.id)) continue
      const passed = [...step.passed, node.id]
      this.out(node, portId, at.signal?.delay, { ...step, passed, plug: step.plug || at.beside === 'sound' })
    }
  }

  /** From an output: `sent` is how late its picture is there since the run began; undefined for sound plugs. */
  private out(node: DeviceNode, portId: string, sent: DelayMs | undefined, step: Step): void {
    const { chain, trace } = this.traced
    const port = own(node.model.ports, portId)
    const makes = node.model.role === 'source' || node.model.role === 'sound'
    const making: Hop[] = node.model.role === 'source' && sent ? [{ device: node.id, does: 'makes', delay: sent }] : []
    if (makes && port?.sound && !isReplaced(chain, trace, node, portId))
      this.push(node.id, { ...step, behind: [...making, ...step.behind] })
    if (isSwitcher(node)) {
      if (!port?.sound) return
      for (const [inId, input] of portsOf(node.model, 'in'))
        if (input.sound && own(node.device.ports, portId)?.minus !== inId)
          this.enterMix(node, inId, input.carries === 'sound', step)
      return
    }
    for (const path of node.model.paths) {
      if (path.format === 'tiles' || path.sound === 'drops' || !path.to.includes(portId)) continue
      for (const inId of path.from) {
        const isPlug = own(node.model.ports, inId)?.carries === 'sound'
        const added = making.length ? making : this.passing(node, inId, isPlug ? path.delay : undefined, sent)
        const next = { ...step, behind: [...added, ...step.behind], plug: step.plug || isPlug }
        this.into({ device: node.id, port: inId }, next)
      }
    }
  }

  /** What a box on the way adds: by its plug its own figure, else as much as to the picture. */
  private passing(node: DeviceNode, inId: string, plug: Delay | undefined, sent: DelayMs | undefined): Hop[] {
    if (plug) return plug.unit === 'ms' ? [{ device: node.id, does: 'passes', delay: plug }] : []
    const { chain, trace } = this.traced
    const before = (chain.entering.get(socketKey(node.id, inId)) ?? [])
      .map(({ id }) => trace.wires.get(id)?.signal?.delay)
      .find(delay => delay !== undefined)
    return sent && before ? [{ device: node.id, does: 'passes', delay: minus(sent, before) }] : []
  }

  private enterMix(node: DeviceNode, inId: string, isPlug: boolean, step: Step): void {
    const at = { device: node.id, port: inId }
    const run = isPlug ? undefined : runInto(this.traced, at)
    // What comes beside a picture waits for it; what comes by a plug is put beside the picture that leaves.
    const waits = run?.lit ? [taking(node, inId, run), mixing(node)] : []
    this.into(at, {
      behind: [...waits, ...holding(node, inId), ...step.behind],
      through: [at, ...step.through],
      passed: step.passed,
      plug: isPlug,
      holdAt: isPlug ? at : undefined,
    })
  }

  private push(origin: string, { behind, through, plug, holdAt }: Step): void {
    const [first] = through
    const at = holdAt && first && holdAt.device === first.device && holdAt.port === first.port ? holdAt : undefined
    this.found.push({
      origin,
      hops: behind.filter(seen),
      total: totalOf(behind),
      through,
      plugged: at !== undefined || (plug && through.length === 0),
      holdAt: at,
      heldMs: at ? heldAt(this.traced.chain.nodes.get(at.device)!, at.port) : 0,
    })
  }
}

const heldAt = ({ device }: DeviceNode, port: string): number => own(device.ports, port)?.soundDelayMs ?? 0
function holding(node: DeviceNode, port: string): Hop[] {
  const ms = heldAt(node, port)
  return ms ? [{ device: node.id, does: 'holds', delay: { min: ms, typ: ms, max: ms } }] : []
}

/** The sounds that a switcher records inside. */
export function soundsInside(traced: Traced, node: DeviceNode): SoundWay[] {
  const end = portsOf(node.model, 'out').find(([, { sound }]) => sound)
  if (!end) return []
  // As they leave at an output with sound, with what its own inputs make them wait.
  return portsOf(node.model, 'in').flatMap(([port, input]) => {
    if (!input.sound) return []
    const at = { device: node.id, port }
    const heldMs = heldAt(node, port)
    const isPlug = input.carries === 'sound'
    const run = isPlug ? undefined : runInto(traced, at)
    const after: Hop[] = [...(run?.lit ? [taking(node, port, run), mixing(node)] : []), ...holding(node, port)]
    return soundsTo(traced, at).map((way): SoundWay => {
      const hops = [...way.hops, ...after].filter(seen)
      const total = sum(way.total, totalOf(after))
      const holdAt = way.holdAt ?? (isPlug ? at : undefined)
      return {
        ...way,
        hops,
        total,
        through: [...way.through, at],
        holdAt: way.through.length === 0 ? holdAt : way.holdAt,
        heldMs: way.through.length === 0 && holdAt ? heldMs : way.heldMs,
        plugged: way.plugged || (isPlug && way.through.length === 0),
      }
    })
  })
}
