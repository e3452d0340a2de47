import { type Outcome, misfit, show } from '#core/document'
import { type RunLog, readRun } from '#core/run'

/** What somebody wants to be seen. */
export type Target =
  | { readonly source: string }
  | { readonly overlay: string }
  | { readonly look: string }
  | { readonly macro: string }
  | { readonly safe: true }
  | { readonly faded: boolean }

/** What was meant, from a tick on. */
export interface Aim {
  readonly tick: number
  readonly target: Target
}

/** What is kept of a run besides its events: what was meant, and when. */
export type Kept = RunLog & { readonly aims: readonly Aim[] }

/** The most aims of a run that is read. */
const MOST_AIMS = 20_000
const NAMED = ['source', 'overlay', 'look', 'macro'] as const

/** Reads a run that was kept, from text; says where it is none. */
export function readKept(text: string): Outcome<Kept> {
  const read = readRun(text)
  if (!read.ok) return read
  const { aims = [] } = read.value as Partial<Kept>
  const isTarget = (target: unknown): target is Target => {
    if (target === null || typeof target !== 'object') return false
    const one = target as Record<string, unknown>
    return 'safe' in one
      ? one.safe === true
      : 'faded' in one
        ? typeof one.faded === 'boolean'
        : NAMED.some(name => typeof one[name] === 'string' && (one[name] as string).length <= 200)
  }
  if (!Array.isArray(aims) || aims.length > MOST_AIMS)
    return { ok: false, problem: misfit('/aims', show(aims), `a list of at most ${MOST_AIMS} aims`) }
  const bad = aims.findIndex(one => !Number.isSafeInteger(one?.tick) || one.tick < 0 || !isTarget(one.target))
  if (bad >= 0)
    return { ok: false, problem: misfit(`/aims/${bad}`, show(aims[bad]), 'a tick and what was meant to be seen') }
  return { ok: true, value: { ...read.value, aims } }
}
