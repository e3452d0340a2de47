import type { Chain, Picture, Run, Socket, SoundTrace, Stop, Trace, WireTrace } from '#core/chain'
import { gathers } from '#core/chain'
import type { Edit, LinkEnd, Plan, Segment } from '#core/plan'
import { own } from '#core/plan'
import { findingKey, type Finding, type Place, type Quantity, type Severity } from './finding'

/** All that a rule may look at. */
export interface Traced {
  readonly plan: Plan
  readonly chain: Chain
  readonly trace: Trace
  readonly runs: readonly Run[]
  readonly pictures: readonly Picture[]
  readonly sound: SoundTrace
  readonly segment?: Segment
}

/** A change that is offered: a title and its edits. One that gives up a demand says so. */
export interface Proposal {
  readonly title: string
  readonly edits: readonly Edit[]
  readonly givesUp?: true
  /** Only worth offering when it suffices by itself; of these at most two are shown. */
  readonly alone?: true
}

/** One fault of the catalogue. `remedies` is only asked for when a finding is opened; best ones come first. */
export interface Rule {
  readonly id: string
  /** One line for help pages. */
  readonly about: string
  /** Sentences by key, with {quantities}. */
  readonly says: Readonly<Record<string, string>>
  readonly find: (traced: Traced) => Finding[]
  readonly remedies: (traced: Traced, finding: Finding) => Proposal[]
}

/** Builds a finding with its key. */
export function finding(id: string, severity: Severity, at: Place, says: string, quantities: Record<string, Quantity>, run?: string): Finding {
  return { id, key: findingKey(id, at), severity, at, says, with: quantities, ...(run === undefined ? {} : { run }) }
}

type StoppedBy<W extends Stop['why']> = WireTrace & { readonly stop: Extract<Stop, { why: W }> }

/** The links that stop for one of these reasons. */
export function stoppedBy<W extends Stop['why']>({ trace }: Traced, ...why: W[]): StoppedBy<W>[] {
  return [...trace.wires.values()].filter((traced): traced is StoppedBy<W> => traced.stop !== undefined && (why as string[]).includes(traced.stop.why))
}

/** The run that shows a link: the first in the order of ids that contains it. */
export function runWith({ runs }: Traced, link: string): Run | undefined {
  let index = RUNS_BY_LINK.get(runs)
  if (!index) {
    index = new Map()
    for (const run of runs) for (const { wire } of run.links) if (!index.has(wire.id)) index.set(wire.id, run)
    RUNS_BY_LINK.set(runs, index)
  }
  return index.get(link)
}

/** Worked out once for all rules that ask about the same runs. */
const RUNS_BY_LINK = new WeakMap<readonly Run[], Map<string, Run>>()

/** The link at which a finding stands. */
export function wireAt({ trace }: Traced, { at }: Finding): WireTrace | undefined {
  return at.on === 'link' ? trace.wires.get(at.link) : undefined
}

/** A finding about something that is not there: the board shows it as a lane of that name. */
export const ghost = (name: string, found: Finding): Finding => ({ ...found, ghost: name })

/** "Main input 3" for a stage's input, "Main output 1", else device and port: "Projector HDMI in". */
export function socketName({ node, portId, port }: Socket): string {
  if (gathers(node) && port?.number !== undefined) return `${node.device.name} ${port.dir === 'in' ? 'input' : 'output'} ${port.number}`
  return `${node.device.name} ${port?.title ?? portId}`
}

export function endName({ chain }: Traced, end: LinkEnd): string {
  const node = chain.nodes.get(end.device)!
  return socketName({ node, portId: end.port, port: own(node.model.ports, end.port) })
}

export function deviceName({ chain }: Traced, id: string): string {
  return chain.nodes.get(id)!.device.name
}
