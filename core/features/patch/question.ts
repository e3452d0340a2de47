import type { Feed, Model, Port } from '#core/catalog'
import type { DeviceNode, Run } from '#core/chain'
import type { Edit, Plan } from '#core/document'
import type { Candidate, Checked } from '#core/propose'
import type { VideoFormat } from '#core/signal'

/** Sockets of one device that are alike to any picture: which of them is used is settled last, by habit. */
export interface SocketClass {
  readonly key: string
  readonly device: string
  readonly dir: 'in' | 'out'
  readonly port: Port
  /** Those that may be used, in the order of their numbers. */
  readonly ports: readonly string[]
}

/** A switcher of the plan. */
export interface SwitcherTask {
  readonly node: DeviceNode
  readonly standards: readonly VideoFormat[]
  /** Its program is what is shown; a feeder's program goes to another switcher. */
  readonly root: boolean
  /** Switchers that it may feed. */
  readonly parents: readonly string[]
  /** Something is wired to it that stays; a picture comes in by it. */
  readonly held: boolean
  readonly fed: boolean
}

/** One of the ways in which a demand can be met. Costs count for one member. */
export interface Means {
  /** The switcher that is entered, or at which the run begins (sinks). */
  readonly switcher: string
  /** Switchers that must stand in a standard for it. */
  readonly needs: readonly (readonly [switcher: string, standard: VideoFormat])[]
  /** Sockets used, by class. */
  readonly takes: readonly string[]
  /** The leg of a splitter that it hangs on. */
  readonly leg?: string
  /** What lies already and stays, with the settings that it needs. */
  readonly keep?: readonly Edit[]
  readonly way?: Candidate
  readonly items: readonly string[]
  readonly minor: number
  readonly watts: number
  readonly delayMs: number
  readonly steps: number
  readonly risk: number
  readonly settings: number
  /** Something that is laid is laid anew. */
  readonly moved: number
  /** Models on the way, joined by +; empty where there are none. */
  readonly devices: string
  /** A device on the way makes another format. */
  readonly scales: boolean
}

/** Somebody's picture that must get somewhere. */
export interface Demand {
  readonly id: string
  readonly of: 'source' | 'feeder' | 'sink'
  /** Devices that ask for the same, alike in all that matters. */
  readonly members: readonly string[]
  readonly name: string
  /** Fill and key take two inputs, by the same way. */
  readonly ends: readonly string[]
  readonly want?: string
  readonly feed?: Feed
  /** No want says so yet: the picture is taken to be wanted. */
  readonly assumed?: true
  /** Runs that lie already and go where another choice is made. */
  readonly runs: readonly Run[]
  /** What cannot be led otherwise. */
  readonly rigid: boolean
  readonly safe: boolean
  /** The shortest measured way to where it could go, metres. */
  readonly metres?: number
  /** What lies there is pinned. */
  readonly pinned: boolean
  readonly choices: readonly Means[]
}

/** A box that gives one output to several sinks. */
export interface Splitter {
  readonly id: string
  readonly switcher: string
  readonly feed: Feed
  readonly takes: string
  readonly model: string
  readonly row: Model
  readonly inPort: string
  readonly legs: readonly string[]
  /** From the output to the box. */
  readonly lead: Candidate
  readonly items: readonly string[]
  readonly minor: number
}

/** A whole plan, as one question: which way for every picture. */
export interface Task {
  readonly plan: Plan
  readonly checked: Checked
  /** The plan without what may be led otherwise. */
  readonly bare: Plan
  readonly switchers: readonly SwitcherTask[]
  readonly sockets: ReadonlyMap<string, SocketClass>
  readonly demands: readonly Demand[]
  readonly splitters: readonly Splitter[]
  readonly bareMinor: number
  /** By item: what the bare plan uses, what the kit has, and the price of one. */
  readonly used: ReadonlyMap<string, number>
  readonly have: ReadonlyMap<string, number>
  readonly price: ReadonlyMap<string, number>
  /** Inputs that must stay free, less those reserved by name. */
  readonly spare: number
  /** The standard that is given. */
  readonly given: VideoFormat | undefined
  /** What stays dark and is not touched. */
  readonly left: readonly string[]
}

export interface TaskOptions {
  /** The one standard that is given; else the brief's; else free. */
  readonly fixed?: VideoFormat
  /** Looks as well at what could be done were nothing given and nothing pinned: to say what stands in the way. */
  readonly loosely?: true
}
