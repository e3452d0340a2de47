/** Why an input was refused: where, what was found there, and what is allowed. */
export interface Problem {
  /** Path from the document's root, e.g. `/plans/main/devices/wide/model`. */
  readonly path: string
  readonly found: string
  readonly allowed: string
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem }

export const accept = <T>(value: T): Outcome<T> => ({ ok: true, value })
export const refuse = (
  path: string,
  found: string,
  allowed: string,
): { readonly ok: false; readonly problem: Problem } => ({ ok: false, problem: { path: path || '/', found, allowed } })

export function problemText({ path, found, allowed }: Problem): string {
  return `${path}: found ${found}; allowed: ${allowed}`
}

/** A value as it is shown in a message: short, and never more than 60 characters. */
export function show(value: unknown): string {
  if (value === undefined) return 'nothing'
  if (Array.isArray(value)) return `a list of ${value.length}`
  if (value !== null && typeof value === 'object') return 'an object'
  const text = typeof value === 'number' ? String(value) : JSON.stringify(value)
  return text.length > 60 ? `${text.slice(0, 57)}..."` : text
}

/** Own property of a map by id, or undefined; names of Object.prototype never match. */
export function own<T>(map: Readonly<Record<string, T>> | undefined, id: string | undefined): T | undefined {
  return map !== undefined && id !== undefined && Object.hasOwn(map, id) ? map[id] : undefined
}

/** The ids of a map, for a message. */
export function idsOf(map: Readonly<Record<string, unknown>>): string {
  const ids = Object.keys(map)
  return ids.length === 0
    ? 'none is defined'
    : ids.length > 12
      ? `${ids.slice(0, 12).join(', ')} and ${ids.length - 12} more`
      : ids.join(', ')
}

/** As a refusal's problem alone. */
export const misfit = (path: string, found: string, allowed: string): Problem => ({ path: path || '/', found, allowed })

// `constructor` is the one name of Object.prototype that looks like a slug; every map of a plan is keyed by slugs.
export const SLUG = '^(?!constructor$)[a-z0-9](?:[a-z0-9-]{0,62}[a-z0-9])?$'
export const REFERENCE = '^builtin/[a-z0-9-]{1,64}@[1-9][0-9]{0,5}$'
