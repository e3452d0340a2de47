import type { CableSchool, LeadModel } from '#core/cable'
import type { Feed, Model } from '#core/catalog'
import type { Aspect, Division, Level, MainsId, Range, RasterId, RateText, Transfer, VideoFormat } from '#core/signal'

/** The version of the open file that this program writes. */
export const FORMAT_VERSION = 2

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
  readonly kit: Readonly<Record<string, KitItem>>
  readonly accepted: Readonly<Record<string, Acceptance>>
  readonly distances: Readonly<Record<string, Distance>>
}

export const LENGTH_UNITS = ['m', 'ft'] as const
export const PAPERS = ['a4', 'letter'] as const
export const SYNC_WINDOWS = ['r37', 'bt1359'] as const

export interface Brief {
  readonly place?: string
  /** Day of the show, ISO 8601 (2026-03-14). */
  readonly date?: string
  /** Times of the day, 24 h (09:00). */
  readonly rehearsal?: string
  readonly doors?: string
  readonly start?: string
  readonly end?: string
  readonly mains?: MainsId
  /** Inputs that must stay free for late guests. */
  readonly spareInputs?: number
  /** People who can stand at a camera. */
  readonly crew?: number
  /** How far sound and picture may be apart: EBU R 37, or the acceptability of ITU-R BT.1359-1. */
  readonly syncWindow?: (typeof SYNC_WINDOWS)[number]
  /** The operating standard that is given and not to be chosen. */
  readonly standard?: VideoFormat
  /** What lengths are read and typed in; metres where absent. */
  readonly units?: (typeof LENGTH_UNITS)[number]
  /** What is printed on; A4 where absent. */
  readonly paper?: (typeof PAPERS)[number]
  /** Which school judges passive HDMI lengths; cautious where absent. */
  readonly cableSchool?: CableSchool
  /** The show cannot be dark: what carries program needs a second way or a spare. */
  readonly secondWay?: true
  /** ISO 4217 code of all prices in the plan; that of the catalogue where absent. */
  readonly currency?: string
}

/** Somebody who must see something: a sink and what it should show. */
export interface Want {
  readonly sink: string
  readonly feed: Feed
  /** What is asked of the picture; absent, whatever the chain makes. */
  readonly asks?: { readonly raster?: RasterId, readonly rate?: RateText }
  /** Sound is to be heard there too. */
  readonly sound?: true
}

/** What a camera shows. `safe` is the wide static picture that is always good to cut to. */
export const SHOTS = ['safe', 'wide', 'close', 'side', 'floor', 'detail', 'audience', 'overhead', 'roaming'] as const
export type Shot = (typeof SHOTS)[number]

export interface Device {
  readonly model: string
  readonly name: string
  /** Place among the devices of its role, ascending; ties go by id. */
  readonly order: number
  /** Where it stands, by name: everything at one place may be lost together. */
  readonly place?: string
  /** The device that houses this one (a card in a computer). */
  readonly in?: string
  readonly mode?: string
  /** Stages: the operating standard. */
  readonly standard?: VideoFormat
  readonly ports?: Readonly<Record<string, PortSetting>>
  /** Cameras: what it shows, whether somebody stands at it, and its exposure as the n of 1/n s. */
  readonly shot?: Shot
  readonly manned?: true
  readonly shutter?: number
  /** Radio links: how far the picture goes through the air, and what stands in its way. */
  readonly air?: Air
  /** What would end its work by itself, and can be switched off, is off. */
  readonly limitsOff?: true
  readonly note?: string
}

/** Sound of a stage's input: shut, always open, or open while its picture is on air. */
export const OPENINGS = ['shut', 'fixed', 'follows'] as const
export type Opening = (typeof OPENINGS)[number]

export interface PortSetting {
  /** Outputs: the format it is set to. */
  readonly format?: VideoFormat
  /** Outputs of a stage: what it is pointed at. */
  readonly feed?: Feed
  /** Outputs of a matrix: the input that is shown. */
  readonly of?: string
  /** Inputs of a stage: the short name on button and tile. */
  readonly label?: string
  /** Inputs of a stage: absent, sound plugs are open and the sound beside a picture is shut. */
  readonly sound?: Opening
  /** Inputs of a stage: what the sound is held back by, milliseconds. */
  readonly soundDelayMs?: number
  /** SDI at 3G. */
  readonly level?: Level
  readonly division?: Division
  /** Outputs: sent without content protection, where the device lets its owner set that. */
  readonly unprotected?: true
  readonly range?: Range
  readonly transfer?: Transfer
  /** Outputs: menus and readouts are off. */
  readonly clean?: true
  readonly aspect?: Aspect
  /** How a picture of another shape or size is brought into the frame. */
  readonly fit?: Fit
  /** Inputs of a stage: kept for somebody who comes later; it counts as spare, and nothing else is led there. */
  readonly reserved?: string
  /** Inputs of a stage: never taken to program, so that a loop through it stays open. */
  readonly offAir?: true
}

/** Enlarged until it fills the frame; cut to it; stretched; or left with bars that are wanted. */
export const FITS = ['zoom', 'crop', 'stretch', 'box'] as const
export type Fit = (typeof FITS)[number]

/** The way of a picture through the air. */
export interface Air {
  readonly m: number
  /** People stand between the aerials. */
  readonly crowd?: true
  /** A wall or a set piece does: no line of sight. */
  readonly wall?: true
  /** 1, 2 ... of the channels that the link has. */
  readonly channel?: number
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
  /** A cable that works one way only lies with its source end at the input. */
  readonly turned?: true
  /** Something holds the plug so that a pull cannot unplug it. */
  readonly relief?: true
  /** Stays as it is: no remedy and no proposal touches it. */
  readonly pinned?: true
  readonly note?: string
}

/** How many of an item there are. An item is a model, or a lead; of cables one length each. */
export interface KitItem {
  readonly of: 'model' | 'lead'
  readonly id: string
  /** Cables: the stock length, metres. */
  readonly pieceM?: number
  readonly owned: number
  readonly hired?: number
  readonly bought?: number
  /** Hire of one for the show, minor units; a tenth of its price where absent. */
  readonly hireMinor?: number
}

/** A risk or a loss of quality that somebody takes, knowing it. */
export interface Acceptance {
  /** Key of the finding. */
  readonly finding: string
  readonly reason: string
}

/** How far a cable goes from the one place to the other. */
export interface Distance {
  readonly between: readonly [string, string]
  /** Along the way that the cable takes, rises included. */
  readonly m: number
}

/** A stretch of the show. */
export interface Segment {
  readonly title: string
  readonly order: number
  /** The sources in use; absent, all. */
  readonly sources?: readonly string[]
}

/** How long the show lasts, minutes, past midnight too; undefined while start or end is open. */
export function showMinutes({ start, end }: Pick<Brief, 'start' | 'end'>): number | undefined {
  if (start === undefined || end === undefined) return undefined
  const minutes = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))
  return (minutes(end) - minutes(start) + 1440) % 1440
}

/** What is taken for a cable between two things that stand at one place, metres, until it is measured. */
export const WITHIN_PLACE_M = 3

/** The measured way between two places, metres; undefined until somebody has measured it. Either order of the two. */
export function distanceM({ distances }: Pick<Plan, 'distances'>, a: string | undefined, b: string | undefined): number | undefined {
  if (a === undefined || b === undefined) return undefined
  const found = Object.values(distances).find(({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a))
  return found?.m ?? (a === b ? WITHIN_PLACE_M : undefined)
}

export const COLLECTIONS = ['wants', 'models', 'leads', 'devices', 'links', 'segments', 'kit', 'accepted', 'distances'] as const
export type Collection = (typeof COLLECTIONS)[number]

export function emptyPlan(title: string): Plan {
  return { title, brief: {}, wants: {}, models: {}, leads: {}, devices: {}, links: {}, segments: {}, kit: {}, accepted: {}, distances: {} }
}

export function emptyShow(title: string): ShowFile {
  return { format: FORMAT_VERSION, show: { title }, plans: { main: emptyPlan('Main plan') } }
}

/** A plan with every collection, also where it was written before one of them existed. */
export const completePlan = (plan: Plan): Plan => ({ ...emptyPlan(plan.title), ...plan })
