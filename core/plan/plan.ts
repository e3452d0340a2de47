import type { CableSchool, LeadModel } from '#core/cable'
import type { Feed, Model } from '#core/catalog'
import type { VideoFormat } from '#core/signal'

/** The version of the open file that this program writes. */
export const FORMAT_VERSION = 1

/** A show owns its plans; one file holds one show. */
export interface ShowFile {
  readonly format: typeof FORMAT_VERSION
  readonly show: Show
  readonly plans: Readonly<Record<string, Plan>>
}

export interface Show {
  readonly title: string
}

export interface Plan {
  readonly title: string
  /** The plan that this one was made from, and its revision then. */
  readonly basedOn?: { readonly plan: string, readonly revision: number }
  readonly brief: Brief
  readonly wants: Readonly<Record<string, Want>>
  readonly models: Readonly<Record<string, Model>>
  readonly leads: Readonly<Record<string, LeadModel>>
  readonly devices: Readonly<Record<string, Device>>
  readonly links: Readonly<Record<string, Link>>
  readonly segments: Readonly<Record<string, Segment>>
}

export interface Brief {
  /** Which school judges passive HDMI lengths; cautious where absent. */
  readonly cableSchool?: CableSchool
  /** ISO 4217 code of all prices in the plan; that of the catalogue where absent. */
  readonly currency?: string
}

/** Somebody who must see something: a sink and what it should show. */
export interface Want {
  readonly sink: string
  readonly feed: Feed
}

export interface Device {
  readonly model: string
  readonly name: string
  /** Place among the devices of its role, ascending; ties go by id. */
  readonly order: number
  /** The device that houses this one (a card in a computer). */
  readonly in?: string
  readonly mode?: string
  /** Stages: the operating standard. */
  readonly standard?: VideoFormat
  readonly ports?: Readonly<Record<string, PortSetting>>
}

export interface PortSetting {
  /** Outputs: the format it is set to. */
  readonly format?: VideoFormat
  /** Outputs of a stage: what it is pointed at. */
  readonly feed?: Feed
  /** Inputs of a stage: the short name on button and tile. */
  readonly label?: string
}

export interface LinkEnd {
  readonly device: string
  readonly port: string
}

export interface Link {
  /** The output end; absent while it is loose. */
  readonly from?: LinkEnd
  /** The input end; absent while it is loose. */
  readonly to?: LinkEnd
  /** Lead of kind `cable`. */
  readonly cable: string
  /** Leads of kind `adapter` at the ends. */
  readonly adapters?: { readonly from?: string, readonly to?: string }
  /** Measured way that the cable takes, metres, rises included; absent until it is measured. */
  readonly routeM?: number
  /** Stock lengths chosen, metres; absent, the next ones for the route. */
  readonly pieces?: readonly number[]
  /** Couplers besides those between the pieces (e.g. a wall plate). */
  readonly couplers?: number
}

/** A stretch of the show. */
export interface Segment {
  readonly title: string
  readonly order: number
  /** The sources in use; absent, all. */
  readonly sources?: readonly string[]
}

export const COLLECTIONS = ['wants', 'models', 'leads', 'devices', 'links', 'segments'] as const
export type Collection = (typeof COLLECTIONS)[number]

export function emptyPlan(title: string): Plan {
  return { title, brief: {}, wants: {}, models: {}, leads: {}, devices: {}, links: {}, segments: {} }
}

export function emptyShow(title: string): ShowFile {
  return { format: FORMAT_VERSION, show: { title }, plans: { main: emptyPlan('Main plan') } }
}
