import { CABLE_SCHOOLS, type CableSchool } from '#core/cable'
import { listOf, number, object, oneOf, ref, whole } from '#core/kernel'
import { STRICT_ADDRESS } from './address'
import { MAINS_IDS, type MainsId, type VideoFormat } from '#core/signal'

export const LENGTH_UNITS = ['m', 'ft'] as const
export const PAPERS = ['a4', 'letter'] as const
export const SYNC_WINDOWS = ['r37', 'bt1359'] as const

export const HEADROOMS = ['usual', 'cautious'] as const

/** Ways to lay recordings over each other. */
export const LINE_UPS = ['timecode', 'clap'] as const

/** Plugs that late guests come with. */
export const SPARE_PLUGS = ['hdmi', 'sdi'] as const

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
  /** What late guests bring a plug for; absent, any will do. */
  readonly spareBy?: (typeof SPARE_PLUGS)[number]
  /** When the crew may begin to build, 24 h (06:30). */
  readonly access?: string
  /** People expected in the room, and of those who watch from elsewhere. */
  readonly audience?: number
  readonly viewers?: number
  /** What the show may cost beside what is owned, minor units. */
  readonly budgetMinor?: number
  /** People who can stand at a camera. */
  readonly crew?: number
  /** How far sound and picture may be apart: EBU R 37, or the acceptability of ITU-R BT.1359-1. */
  readonly syncWindow?: (typeof SYNC_WINDOWS)[number]
  /** Recordings of the show that are kept, each on a device of its own; absent, nobody said. */
  readonly copies?: number
  /** Each source is to be recorded by itself, for a later edit. */
  readonly isolated?: true
  /** How isolated recordings come to lie over each other in the edit: by one timecode for all, or by a clap. */
  readonly lineUp?: (typeof LINE_UPS)[number]
  /** When a private stream is tried out and watched as a viewer would, 24 h (18:00). */
  readonly testStream?: string
  /** How much more than is sent an uplink must carry: half as much again, or twice; usual where absent. */
  readonly headroom?: (typeof HEADROOMS)[number]
  /**
   * The network of the house, addresses with their prefix: the way out of it, and the first and the last address that it
   * gives out by itself; absent, nobody said.
   */
  readonly network?: { readonly gateway?: string; readonly pool?: readonly [string, string] }
  /** How cold it is where batteries work, degrees Celsius; absent, 20 and above. */
  readonly coldC?: number
  /** People travel to the show by air, with the batteries. */
  readonly flies?: true
  /** The rig stays built up overnight, with its circuits live. */
  readonly stays?: true
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

const HOST = { type: 'string', pattern: STRICT_ADDRESS }

export const briefSchema = object([], {
  place: ref('title'),
  date: ref('date'),
  rehearsal: ref('time'),
  doors: ref('time'),
  start: ref('time'),
  end: ref('time'),
  mains: oneOf(MAINS_IDS),
  spareInputs: whole(0, 99),
  spareBy: oneOf(SPARE_PLUGS),
  access: ref('time'),
  audience: whole(0, 1e7),
  viewers: whole(0, 1e8),
  budgetMinor: whole(0, 1e11),
  crew: whole(0, 999),
  copies: whole(0, 9),
  headroom: oneOf(HEADROOMS),
  network: object([], { gateway: HOST, pool: listOf(HOST, 2, 2) }, { minProperties: 1 }),
  coldC: number(-40, 50),
  flies: { const: true },
  stays: { const: true },
  isolated: { const: true },
  lineUp: oneOf(LINE_UPS),
  testStream: ref('time'),
  syncWindow: oneOf(SYNC_WINDOWS),
  standard: ref('format'),
  cableSchool: oneOf(CABLE_SCHOOLS),
  currency: { type: 'string', pattern: '^[A-Z]{3}$' },
  secondWay: { const: true },
  units: oneOf(LENGTH_UNITS),
  paper: oneOf(PAPERS),
})

/** Minutes since midnight of "19:40". */
export const minutesOfDay = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))

/** How long the show lasts, minutes, past midnight too; undefined while start or end is open. */
export function showMinutes({ start, end }: Pick<Brief, 'start' | 'end'>): number | undefined {
  if (start === undefined || end === undefined) return undefined
  return (minutesOfDay(end) - minutesOfDay(start) + 1440) % 1440
}

/**
 * Since when and for how long the devices are on, minutes: from the rehearsal, else from the doors, else from the start,
 * to the end. Undefined while start or end is open.
 */
export function powered({
  rehearsal,
  doors,
  start,
  end,
}: Brief): { readonly since: string; readonly until: string; readonly minutes: number } | undefined {
  const show = showMinutes({ start, end })
  if (show === undefined) return undefined
  const since = rehearsal ?? doors ?? start!
  return { since, until: end!, minutes: ((minutesOfDay(start!) - minutesOfDay(since) + 1440) % 1440) + show }
}
