import {
  FORMAT_VERSION,
  type Edit,
  type Plan,
  type Problem,
  type Transaction,
  applyEdits,
  canonicalText,
  completePlan,
  openFile,
} from '#core/document'
import { check } from '#core/features'
import { type Judged, judgedOf } from '#core/features/board'
import type { Verdict } from '#core/kernel'
import { type Archive, BadArchive, isArchive, unpackArchive } from '#shared/archive'
import { BadPicture, readPng } from '#shared/png'
import { hashOf } from '../store/safe/pictures'

// What takes long on plans that are large: parsing, checking, applying, printing. It runs beside the server, so that
// nobody's save waits for what somebody else brings in.

/** A plan as its row in the database has it. */
export interface PlanRow {
  readonly id: string
  readonly document: string
  readonly title: string
  /** JSON of what the plan is based on. */
  readonly basedOn: string | null
}

export interface Summary {
  readonly title: string
  readonly basedOn: string | null
  readonly verdict: Verdict
}

export type Prepared =
  | {
      readonly ok: true
      readonly title: string
      readonly rows: readonly PlanRow[]
      /** Pictures that came with it, each found to be one, and to be what its name says. */
      readonly pictures?: readonly Uint8Array[]
    }
  | { readonly ok: false; readonly problem: Problem }

export interface Entry {
  readonly revision: number
  readonly transaction: Transaction
  readonly inverse: readonly Edit[]
}

/** A plan as it is kept; one from before a collection existed has it empty. */
export const stored = (document: string): Plan => completePlan(JSON.parse(document) as Plan)

export const rowOf = (id: string, plan: Plan): PlanRow => ({
  id,
  document: JSON.stringify(plan),
  title: plan.title,
  basedOn: plan.basedOn ? JSON.stringify(plan.basedOn) : null,
})

/** Why bytes are no picture that can be kept; undefined where they are one. */
export function pictureProblem(bytes: Uint8Array): string | undefined {
  try {
    readPng(bytes)
    return undefined
  } catch (error) {
    if (error instanceof BadPicture) return error.message
    throw error
  }
}

/** Reads an open file, or an archive of one with its pictures, into what it becomes. */
export function prepare(bytes: Uint8Array): Prepared {
  if (!isArchive(bytes)) return prepareFile(bytes)
  let archive: Archive
  try {
    archive = unpackArchive(bytes)
  } catch (error) {
    if (error instanceof BadArchive)
      return { ok: false, problem: { path: '/', found: error.message, allowed: 'an archive as Interlumen exports it' } }
    throw error
  }
  for (const [hash, picture] of archive.pictures) {
    const wrong = hashOf(picture) === hash ? pictureProblem(picture) : 'Its content is not what its name says.'
    if (wrong)
      return {
        ok: false,
        problem: { path: `/pictures/${hash}.png`, found: wrong, allowed: 'the picture of that hash' },
      }
  }
  const prepared = prepareFile(archive.show)
  return prepared.ok ? { ...prepared, pictures: [...archive.pictures.values()] } : prepared
}

function prepareFile(bytes: Uint8Array): Prepared {
  const opened = openFile(new TextDecoder().decode(bytes))
  if (!opened.ok) return opened
  const { show, plans } = opened.value
  return { ok: true, title: show.title, rows: Object.entries(plans).map(([id, plan]) => rowOf(id, plan)) }
}

/** What lists show of a plan. Throws where the document cannot be read. */
export function summary(document: string): Summary {
  const plan = stored(document)
  const { title, basedOn } = rowOf('', plan)
  return { title, basedOn, verdict: check(plan).verdict }
}

/** What a page shows of a plan, worked out here so that its first picture waits for no worker of its own. */
export const judged = (plan: Plan): Judged => judgedOf(check(plan))

/** The open file of a show. A plan whose base was taken away is based on nothing. */
export function fileText(title: string, rows: readonly Pick<PlanRow, 'id' | 'document'>[]): string {
  const ids = new Set(rows.map(({ id }) => id))
  const standing = (document: string): Plan => {
    const plan = stored(document)
    const { basedOn, ...rest } = plan
    return basedOn && ids.has(basedOn.plan) ? plan : rest
  }
  return canonicalText({
    format: FORMAT_VERSION,
    show: { title },
    plans: Object.fromEntries(rows.map(({ id, document }) => [id, standing(document)])),
  })
}

/** Applies all in turn, or tells the first that does not hold. */
export function transact(
  plan: Plan,
  revision: number,
  fresh: readonly Transaction[],
): { readonly row: PlanRow; readonly entries: readonly Entry[] } | Problem {
  let next = plan
  const entries: Entry[] = []
  for (const [i, transaction] of fresh.entries()) {
    const outcome = applyEdits(next, transaction.edits)
    if (!outcome.ok) return { ...outcome.problem, path: `/transactions/${i}${outcome.problem.path}` }
    next = outcome.value.plan
    entries.push({ revision: revision + i + 1, transaction, inverse: outcome.value.inverse })
  }
  return { row: rowOf('', next), entries }
}

/** The same for a plan as it is kept. */
export const transactOn = (
  document: string,
  revision: number,
  fresh: readonly Transaction[],
): ReturnType<typeof transact> => transact(stored(document), revision, fresh)

export const WORK = { pictureProblem, prepare, summary, judged, fileText, transactOn }
export type Work = typeof WORK
