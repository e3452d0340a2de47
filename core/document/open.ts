import { LEADS } from '#core/cable'
import { MODELS } from '#core/catalog'
import { MIGRATIONS, type Migrations } from './migrations'
import { FORMAT_VERSION, type Plan, type ShowFile, emptyPlan } from './plan'
import { type Outcome, accept, own, refuse, show } from './problem'
import { checkReferences } from './references'
import { checkShape } from './shape'

/** Largest file that is read, in bytes of UTF-8 (20 MB, MB = 10^6). */
export const MAX_FILE_BYTES = 20_000_000
/** Deepest nesting of objects and lists; the format itself needs ten. */
export const MAX_DEPTH = 32

/** Beyond this nothing is even taken apart: reading it would take seconds. What is too deep is told with its place below. */
const MOST_LEVELS = 200_000

/** Whether brackets stand in each other beyond what any file needs: told before anything is built of them. Linear. */
export function nestedBeyond(text: string, most = MOST_LEVELS): boolean {
  let level = 0
  let quoted = false
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (quoted) {
      if (code === 92) i++
      else if (code === 34) quoted = false
    } else if (code === 34) quoted = true
    else if (code === 91 || code === 123) {
      if (++level > most) return true
    } else if (code === 93 || code === 125) level--
  }
  return false
}

/**
 * Reads an open file: size, JSON, nesting and names, version (migrating older ones), shape, references. Model and
 * cable references are replaced by the catalogue's rows, so that the result carries all that its verdict needs.
 */
export function openFile(text: string): Outcome<ShowFile> {
  const bytes = utf8Bytes(text, MAX_FILE_BYTES)
  if (bytes > MAX_FILE_BYTES)
    return refuse('/', `more than ${MAX_FILE_BYTES} bytes`, `at most ${MAX_FILE_BYTES} bytes (20 MB)`)
  if (nestedBeyond(text))
    return refuse('/', `more than ${MOST_LEVELS} levels in each other`, `at most ${MOST_LEVELS} levels`)
  let json: unknown
  try {
    json = JSON.parse(text.startsWith('\uFEFF') ? text.slice(1) : text)
  } catch (error) {
    return refuse(
      '/',
      `no JSON: ${(error as Error).message.slice(0, 160)}`,
      'one JSON object as docs/plan-format.md describes',
    )
  }
  return openValue(json)
}

/** As openFile, for a value that was parsed already. */
export function openValue(
  json: unknown,
  migrations: Migrations = MIGRATIONS,
  current: number = FORMAT_VERSION,
): Outcome<ShowFile> {
  const unsafe = findUnsafe(json)
  if (unsafe) return unsafe
  if (json === null || typeof json !== 'object' || Array.isArray(json))
    return refuse('/', show(json), 'an object with format, show and plans')
  const migrated = migrate(json as Record<string, unknown>, migrations, current)
  if (!migrated.ok) return migrated
  const shaped = checkShape<ShowFile>('validateFile', migrated.value)
  if (!shaped.ok) return shaped
  const file = shaped.value
  const plans: Record<string, Plan> = {}
  for (const [id, written] of Object.entries(file.plans)) {
    const opened = fillPlan(written, `/plans/${id}`)
    if (!opened.ok) return opened
    plans[id] = opened.value
  }
  return checkBasedOn(plans) ?? accept({ ...file, plans })
}

/** Brings one plan of an older version up to this one, as it is stored by itself. */
export function migratePlan(document: unknown, version: number): Outcome<Plan> {
  const { basedOn, ...plan } = document as Record<string, unknown>
  const opened = openValue({ format: version, show: { title: 'Stored' }, plans: { plan } })
  if (!opened.ok) return opened
  const migrated = opened.value.plans.plan!
  return accept(basedOn === undefined ? migrated : { ...migrated, basedOn: basedOn as NonNullable<Plan['basedOn']> })
}

/** Checks one plan on its own (as stored or sent by a client) and fills in catalogue rows and absent collections. */
export function openPlan(value: unknown): Outcome<Plan> {
  const unsafe = findUnsafe(value)
  if (unsafe) return unsafe
  const shaped = checkShape<Plan>('plan', value)
  return shaped.ok ? fillPlan(shaped.value, '') : shaped
}

function fillPlan(written: Plan, base: string): Outcome<Plan> {
  const models = embed(written.models ?? {}, MODELS, `${base}/models`)
  if (!models.ok) return models
  const leads = embed(written.leads ?? {}, LEADS, `${base}/leads`)
  if (!leads.ok) return leads
  const plan: Plan = { ...emptyPlan(written.title), ...written, models: models.value, leads: leads.value }
  return checkReferences(plan, base) ?? accept(plan)
}

function embed<T extends { from?: string; title: string }>(
  rows: Readonly<Record<string, T>>,
  catalogue: ReadonlyMap<string, T>,
  base: string,
): Outcome<Record<string, T>> {
  const out: Record<string, T> = {}
  for (const [id, row] of Object.entries(rows)) {
    if (row.title !== undefined) {
      out[id] = row
      continue
    }
    const name = row.from!.slice('builtin/'.length, row.from!.lastIndexOf('@'))
    const found = catalogue.get(name)
    if (found?.from !== row.from)
      return refuse(
        `${base}/${id}/from`,
        show(row.from),
        found
          ? `the revision in the catalogue, ${found.from}`
          : `builtin/ and one of ${[...catalogue.keys()].join(', ')}`,
      )
    out[id] = found!
  }
  return accept(out)
}

function checkBasedOn(plans: Readonly<Record<string, Plan>>): ReturnType<typeof refuse> | undefined {
  for (const [id, plan] of Object.entries(plans)) {
    const seen = new Set([id])
    for (let next = plan.basedOn?.plan; next !== undefined; next = own(plans, next)?.basedOn?.plan) {
      if (!own(plans, next))
        return refuse(`/plans/${id}/basedOn/plan`, show(next), `a key of plans: ${Object.keys(plans).join(', ')}`)
      if (seen.has(next))
        return refuse(
          `/plans/${id}/basedOn/plan`,
          `a circle: ${[...seen, next].join(' from ')}`,
          'a plan that does not, in the end, stem from this one',
        )
      seen.add(next)
    }
  }
  return undefined
}

function migrate(json: Record<string, unknown>, migrations: Migrations, current: number): Outcome<unknown> {
  const version = json.format
  const allowed = `${current}${Object.keys(migrations).length ? `, or an older version from ${Math.min(...Object.keys(migrations).map(Number))} on` : ''}`
  if (typeof version !== 'number' || !Number.isInteger(version) || version > current)
    return refuse('/format', show(version), allowed)
  let document: Record<string, unknown> = json
  for (let step = version; step < current; step++) {
    const next = migrations[step]
    if (!next) return refuse('/format', show(version), allowed)
    document = next(document)
  }
  return accept(document)
}

/** Refuses too deep nesting and names that reach into Object.prototype, wherever they stand. */
function findUnsafe(json: unknown): ReturnType<typeof refuse> | undefined {
  const stack: { value: unknown; path: string; depth: number }[] = [{ value: json, path: '', depth: 1 }]
  for (let item = stack.pop(); item; item = stack.pop()) {
    const { value, path, depth } = item
    if (value === null || typeof value !== 'object') continue
    if (depth > MAX_DEPTH)
      return refuse(
        path.length > 80 ? `${path.slice(0, 77)}...` : path,
        `more than ${MAX_DEPTH} levels of nesting`,
        `at most ${MAX_DEPTH} levels`,
      )
    for (const key of Object.keys(value)) {
      if (key === '__proto__' || key === 'constructor' || key === 'prototype')
        return refuse(`${path}/${key}`, `key ${show(key)}`, 'ids and the keys of the format')
      stack.push({ value: (value as Record<string, unknown>)[key], path: `${path}/${key}`, depth: depth + 1 })
    }
  }
  return undefined
}

/** Bytes of UTF-8, counted no further than just past `limit`. */
function utf8Bytes(text: string, limit: number): number {
  if (text.length > limit || text.length * 3 <= limit) return text.length
  let bytes = 0
  for (let i = 0; i < text.length && bytes <= limit; i++) {
    const code = text.charCodeAt(i)
    bytes += code < 0x80 ? 1 : code < 0x800 ? 2 : code >= 0xd800 && code < 0xe000 ? 2 : 3
  }
  return bytes
}
