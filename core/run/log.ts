import { SURFACES } from '#core/catalog'
import type { Traced } from '#core/chain'
import { CONTENTS, OPENINGS, canonicalValue, type LinkEnd, type Outcome, misfit, show } from '#core/document'
import { TICKS_PER_S } from './clock'
import type { Happening } from './happening'
import { Rehearsal, seededChances } from './rehearsal'
import { momentsOf } from './moments'

/** A run as it is kept: from which moment it began, with which phases and delays, and what happened. */
export interface RunLog {
  readonly version: 1
  /** Fingerprint of the plan that it belongs to. */
  readonly plan: string
  readonly seed: number
  /** The moment in which it began, counted from 0 over the running order. */
  readonly moment: number
  readonly events: readonly Happening[]
}

/** The most events of a run, and the latest tick: a day. */
export const MOST_EVENTS = 20_000
const LAST_TICK = 86_400 * TICKS_PER_S

/** A run that was kept, as it stands after its last event. */
export function runOf(traced: Traced, { seed, moment, events }: RunLog): Rehearsal {
  const moments = momentsOf(traced)
  const rehearsal = new Rehearsal(traced, (moments[moment] ?? moments[0]!).state, seededChances(seed))
  rehearsal.happen(events)
  return rehearsal
}

/** What some sinks show at a tick and how the switchers stand, as 16 hexadecimal figures: equal states, equal figures. */
export const fingerprint = (rehearsal: Rehearsal, sinks: readonly LinkEnd[], tick: number): string =>
  digest(
    canonicalValue([sinks.map(end => rehearsal.seen(end, tick)), rehearsal.stands(tick), rehearsal.refused.length]),
  )

/** Two FNV-1a hashes of 32 bits with unlike beginnings. No safeguard against intent, only against chance. */
export function digest(text: string): string {
  return [2166136261, 3339675911]
    .map(seed => {
      let h = seed
      for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 16777619)
      return (h >>> 0).toString(16).padStart(8, '0')
    })
    .join('')
}

/** Reads a run from text; says where it is none. */
export function readRun(text: string): Outcome<RunLog> {
  const fail = (path: string, found: unknown, allowed: string): Outcome<RunLog> => ({
    ok: false,
    problem: misfit(path, show(found), allowed),
  })
  if (text.length > 20_000_000) return fail('', `${text.length} characters`, 'at most 20 million characters')
  let log: Partial<RunLog> | null
  try {
    log = JSON.parse(text) as Partial<RunLog> | null
  } catch {
    return fail('', text.slice(0, 40), 'a run as JSON')
  }
  if (log === null || typeof log !== 'object' || Array.isArray(log)) return fail('', log, 'a run as JSON')
  if (log.version !== 1) return fail('/version', log.version, '1')
  if (typeof log.plan !== 'string' || log.plan.length > 100) return fail('/plan', log.plan, 'the fingerprint of a plan')
  if (!isWhole(log.seed, 2 ** 31)) return fail('/seed', log.seed, 'a whole number from 0')
  if (!isWhole(log.moment, 100_000)) return fail('/moment', log.moment, 'a whole number from 0')
  if (!Array.isArray(log.events) || log.events.length > MOST_EVENTS)
    return fail('/events', log.events, `a list of at most ${MOST_EVENTS} events`)
  for (const [i, one] of (log.events as unknown[]).entries()) {
    const bad = misread(one)
    if (bad) return fail(`/events/${i}${bad.at}`, bad.found, bad.allowed)
  }
  return { ok: true, value: log as RunLog }
}

interface Bad {
  readonly at: string
  readonly found: unknown
  readonly allowed: string
}

type Fields = Readonly<Record<string, unknown>>
const isWhole = (value: unknown, most: number): value is number =>
  Number.isSafeInteger(value) && (value as number) >= 0 && (value as number) <= most
const isName = (value: unknown): value is string => typeof value === 'string' && value.length <= 200

const KINDS: Readonly<Record<string, (value: unknown, one: Fields) => boolean>> = {
  command: value => isCommand(value, 0),
  macro: isName,
  content: (value, { port }) => CONTENTS.some(one => one === value) && (port === undefined || isName(port)),
  signal: (value, { port }) => (value === 'lost' || value === 'back') && isName(port),
  power: value => value === 'off' || value === 'on',
  camera: (value, { preset }) => (value === 'moves' || value === 'settled') && (preset === undefined || isName(preset)),
  clip: value => value === null || isName(value),
  mark: isName,
}
const BESIDE = ['tick', 'device', 'words', 'person', 'surface', 'port', 'preset', 'lost']

function misread(one: unknown): Bad | undefined {
  if (one === null || typeof one !== 'object' || Array.isArray(one)) return { at: '', found: one, allowed: 'an event' }
  const fields = one as Fields
  if (!isWhole(fields.tick, LAST_TICK))
    return { at: '/tick', found: fields.tick, allowed: 'ticks of 1/240,000 s within a day' }
  if (!isName(fields.device)) return { at: '/device', found: fields.device, allowed: 'a device' }
  const kinds = Object.keys(fields).filter(key => !BESIDE.includes(key))
  const kind = kinds[0]
  if (kinds.length !== 1 || kind === undefined || !Object.hasOwn(KINDS, kind))
    return { at: '', found: kinds.join(', ') || 'nothing', allowed: `one of ${Object.keys(KINDS).join(', ')}` }
  if (!KINDS[kind]!(fields[kind], fields))
    return { at: `/${kind}`, found: fields[kind], allowed: 'what such an event has' }
  for (const key of ['words', 'person'])
    if (fields[key] !== undefined && !isName(fields[key]))
      return { at: `/${key}`, found: fields[key], allowed: 'at most 200 characters' }
  if (fields.lost !== undefined && fields.lost !== true) return { at: '/lost', found: fields.lost, allowed: 'true' }
  if (fields.surface !== undefined && !SURFACES.some(one => one === fields.surface))
    return { at: '/surface', found: fields.surface, allowed: SURFACES.join(', ') }
  return undefined
}

const COMMANDS: Readonly<Record<string, (command: Fields, depth: number) => boolean>> = {
  program: ({ input }) => isName(input),
  preview: ({ input }) => isName(input),
  cut: next,
  auto: one =>
    ['mix', 'dip', 'wipe'].includes(one.style as string) && isFrames(one.frames) && isSoft(one.soft) && next(one),
  lever: ({ share }) => typeof share === 'number' && share >= 0 && share <= 1,
  key: ({ keyer, overlay, frames }) =>
    isName(keyer) && (overlay === undefined || isName(overlay)) && (frames === undefined || isFrames(frames)),
  fade: ({ to, frames }) => typeof to === 'boolean' && isFrames(frames),
  output: ({ port, feed }) => isName(port) && isName(feed),
  sound: ({ port, opening }) => isName(port) && OPENINGS.some(one => one === opening),
  load: ({ store, overlay }) => isName(store) && /^[1-9]\d{0,3}$/.test(store) && isName(overlay),
  all: ({ commands }, depth) =>
    depth < 3 && Array.isArray(commands) && commands.length <= 200 && commands.every(one => isCommand(one, depth + 1)),
}
const isSoft = (value: unknown): boolean =>
  value === undefined || (typeof value === 'number' && value >= 0 && value <= 1)
const isFrames = (value: unknown): boolean => isWhole(value, 100_000)

function next({ background, keys }: Fields): boolean {
  if (background !== undefined && background !== false) return false
  return (
    keys === undefined || (keys !== null && typeof keys === 'object' && Object.values(keys).every(one => isName(one)))
  )
}

function isCommand(value: unknown, depth: number): boolean {
  if (value === null || typeof value !== 'object') return false
  const one = value as Fields
  return typeof one.do === 'string' && Object.hasOwn(COMMANDS, one.do) && COMMANDS[one.do]!(one, depth)
}
