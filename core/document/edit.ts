import type { Brief } from './brief'
import { sameValue } from './canonical'
import { COLLECTIONS, DEFINITIONS, isCollection, type Collection, type Entry } from './collections'
import type { Link, LinkEnd } from './collections/links'
import type { Plan } from './plan'

import { type Outcome, accept, idsOf, own, refuse, show } from './problem'
import { checkReferences } from './references'
import { checkShape } from './shape'

type Inside<V> = V extends readonly unknown[] | string | number | boolean ? never : V extends object ? V : never
type Keys<T> = T extends object ? keyof T & string : never
type At<T, K extends string> = T extends Partial<Record<K, infer V>> ? V : never

/** A field of `T`, or one inside it, two steps deep: where it is, and what it may be set to. */
type FieldOf<T, Path extends readonly string[]> = {
  [F in Keys<T>]:
    | { readonly do: 'set'; readonly at: readonly [...Path, F]; readonly value?: At<T, F> }
    | InnerFieldOf<Inside<NonNullable<At<T, F>>>, [...Path, F]>
}[Keys<T>]
type InnerFieldOf<T, Path extends readonly string[]> = [T] extends [never]
  ? never
  : {
      [F in Keys<T>]:
        | { readonly do: 'set'; readonly at: readonly [...Path, F]; readonly value?: At<T, F> }
        | LastFieldOf<Inside<NonNullable<At<T, F>>>, [...Path, F]>
    }[Keys<T>]
type LastFieldOf<T, Path extends readonly string[]> = [T] extends [never]
  ? never
  : { [F in Keys<T>]: { readonly do: 'set'; readonly at: readonly [...Path, F]; readonly value?: At<T, F> } }[Keys<T>]

/** Sets one field, or removes it where `value` is absent. `at` leads from the plan to the field. */
export type SetEdit =
  | { readonly do: 'set'; readonly at: readonly ['title']; readonly value: string }
  | FieldOf<Brief, ['brief']>
  | { [K in Collection]: FieldOf<Entry<K>, [K, string]> }[Collection]

/** What may stand at a place of the plan. */
export type ValueAt<A> = SetEdit extends infer E
  ? E extends { readonly at: infer P; readonly value?: infer V }
    ? A extends P
      ? V
      : P extends A
        ? V
        : never
    : never
  : never

type AddEdit = {
  [K in Collection]: { readonly do: 'add'; readonly collection: K; readonly id: string; readonly value: Entry<K> }
}[Collection]

/** The closed set of changes. Every way of changing a plan is a list of these. */
export type Edit =
  | AddEdit
  | { readonly do: 'remove'; readonly collection: Collection; readonly id: string }
  | SetEdit
  | { readonly do: 'connect'; readonly id: string; readonly link: Link }
  | { readonly do: 'disconnect'; readonly id: string }
  /** Puts one end of a link elsewhere, or leaves it loose where `to` is absent; `adapter` is the one at the new place. */
  | {
      readonly do: 'move'
      readonly id: string
      readonly end: 'from' | 'to'
      readonly to?: LinkEnd
      readonly adapter?: string
    }

/** The edit that sets a field, or removes it; only what that field may hold is taken. */
export const setEdit = <const A extends readonly string[]>(at: A, value?: ValueAt<A>): Edit =>
  (value === undefined ? { do: 'set', at } : { do: 'set', at, value }) as unknown as Edit

/** Edits that belong together, by one client; `client` and `seq` make a retry recognisable. */
export interface Transaction {
  readonly client: string
  readonly seq: number
  readonly title: string
  readonly edits: readonly Edit[]
  /** The transaction that this one takes back. */
  readonly undoes?: string
  /** The undoing transaction that this one takes back. */
  readonly redoes?: string
  /** Whose it is, as the person calls themselves. */
  readonly who?: string
}

export const transactionId = ({ client, seq }: Pick<Transaction, 'client' | 'seq'>): string => `${client}:${seq}`

export interface Applied {
  readonly plan: Plan
  /** Edits that lead back exactly. */
  readonly inverse: readonly Edit[]
}

/** Checks the shape of a transaction that comes from outside. */
export function checkTransaction(value: unknown): Outcome<Transaction> {
  return checkShape<Transaction>('transaction', value)
}

/**
 * Applies edits in order and checks the result: either all hold, or the plan stays as it was and the problem says
 * which edit (`/edits/<n>`) and why. The given plan is never changed. Adding a model or lead that is there already in
 * the same form, and removing one that is still in use, change nothing.
 */
export function applyEdits(plan: Plan, edits: readonly Edit[]): Outcome<Applied> {
  let next = plan
  const back: (readonly Edit[])[] = []
  const fresh: Fresh = new WeakSet()
  const touched = new Map<string, [collection: Collection, id: string]>()
  let header = false
  for (const [i, edit] of edits.entries()) {
    const step = applyOne(next, edit, `/edits/${i}`, fresh)
    if (!step.ok) return step
    next = step.value.plan
    back.push(step.value.inverse)
    const at =
      edit.do === 'set' ? edit.at : [edit.do === 'add' || edit.do === 'remove' ? edit.collection : 'links', edit.id]
    if (isCollection(at[0])) touched.set(`${at[0]}/${at[1]}`, [at[0], at[1]!])
    else header = true
  }
  const inverse = back.toReversed().flat()
  const overfull = beyondMost(plan, next, edits)
  if (overfull) return overfull
  for (const [collection, id] of touched.values()) {
    const value = own<unknown>(next[collection], id)
    if (value === undefined) continue
    const shaped = checkShape(collection, value, `/${collection}/${id}`)
    if (!shaped.ok) return shaped
  }
  if (header) {
    const shaped = checkShape('title', next.title, '/title')
    if (!shaped.ok) return shaped
    const brief = checkShape('brief', next.brief, '/brief')
    if (!brief.ok) return brief
  }
  const kept = keepUsedRows(plan, next, inverse)
  return checkReferences(kept.plan, '') ?? accept(kept)
}

/** Collections that were copied by the edits at hand, and may be added to where they are. */
type Fresh = WeakSet<object>

/** A collection grows by edits no further than a file may hold it. */
function beyondMost(before: Plan, after: Plan, edits: readonly Edit[]) {
  for (const collection of COLLECTIONS) {
    if (before[collection] === after[collection]) continue
    const { most } = DEFINITIONS[collection]
    const count = Object.keys(after[collection]).length
    if (count <= most || count <= Object.keys(before[collection]).length) continue
    const last = edits.findLastIndex(edit =>
      edit.do === 'add' ? edit.collection === collection : edit.do === 'connect' && collection === 'links',
    )
    return refuse(`/edits/${last}`, `${count} ${collection}`, `at most ${most} ${collection} in a plan`)
  }
  return undefined
}

const isShelf = (collection: Collection): collection is 'models' | 'leads' =>
  collection === 'models' || collection === 'leads'

/** Rows of the catalogue that were removed but are still in use stay: whoever took one back may have shared it. */
function keepUsedRows(before: Plan, after: Plan, inverse: readonly Edit[]): Applied {
  let plan = after
  let back = inverse
  for (const collection of ['models', 'leads'] as const) {
    const gone = Object.keys(before[collection]).filter(id => own<unknown>(plan[collection], id) === undefined)
    if (gone.length === 0) continue
    const used = usedRows(plan, collection)
    for (const id of gone.filter(candidate => used.has(candidate))) {
      plan = { ...plan, [collection]: { ...plan[collection], [id]: before[collection][id] } }
      back = back.filter(edit => !(edit.do === 'add' && edit.collection === collection && edit.id === id))
    }
  }
  return { plan, inverse: back }
}

function usedRows({ devices, links, kit }: Plan, collection: 'models' | 'leads'): ReadonlySet<string> {
  const counted = Object.values(kit)
    .filter(item => item.kind === (collection === 'models' ? 'model' : 'lead'))
    .map(({ id }) => id)
  return new Set(
    collection === 'models'
      ? [...counted, ...Object.values(devices).map(({ model }) => model)]
      : [
          ...counted,
          ...Object.values(links).flatMap(({ cable, adapters }) =>
            [cable, adapters?.from, adapters?.to].filter(id => id !== undefined),
          ),
        ],
  )
}

function applyOne(plan: Plan, edit: Edit, path: string, fresh: Fresh): Outcome<Applied> {
  switch (edit.do) {
    case 'add':
      return addEntry(
        plan,
        edit.collection,
        edit.id,
        edit.value,
        path,
        {
          do: 'remove',
          collection: edit.collection,
          id: edit.id,
        },
        fresh,
      )
    case 'remove':
      return removeEntry(
        plan,
        edit.collection,
        edit.id,
        path,
        value =>
          ({
            do: 'add',
            collection: edit.collection,
            id: edit.id,
            value,
          }) as Edit,
      )
    case 'connect':
      return addEntry(plan, 'links', edit.id, edit.link, path, { do: 'disconnect', id: edit.id }, fresh)
    case 'disconnect':
      return removeEntry(plan, 'links', edit.id, path, link => ({ do: 'connect', id: edit.id, link: link as Link }))
    case 'move':
      return moveEnd(plan, edit, path)
    case 'set':
      return setField(plan, edit.at, edit.value, path)
  }
}

function addEntry(
  plan: Plan,
  collection: Collection,
  id: string,
  value: object,
  path: string,
  inverse: Edit,
  fresh: Fresh,
): Outcome<Applied> {
  const there = own<unknown>(plan[collection], id)
  // Two people may take the same row of the catalogue at once: the second brings nothing new.
  if (there !== undefined && isShelf(collection) && sameValue(there, value)) return accept({ plan, inverse: [] })
  if (there !== undefined)
    return refuse(`${path}/id`, `${show(id)}, which ${collection} has already`, 'an id that is not in use')
  const now = plan[collection] as Record<string, object>
  // Thousands of entries at once are not copied thousands of times.
  if (fresh.has(now)) {
    now[id] = value
    return accept({ plan, inverse: [inverse] })
  }
  const grown = { ...now, [id]: value }
  fresh.add(grown)
  return accept({ plan: { ...plan, [collection]: grown }, inverse: [inverse] })
}

function removeEntry(
  plan: Plan,
  collection: Collection,
  id: string,
  path: string,
  inverse: (value: object) => Edit,
): Outcome<Applied> {
  const value = own<object>(plan[collection], id)
  if (value === undefined) return refuse(`${path}/id`, show(id), `a key of ${collection}: ${idsOf(plan[collection])}`)
  const { [id]: _gone, ...rest } = plan[collection] as Record<string, object>
  return accept({ plan: { ...plan, [collection]: rest }, inverse: [inverse(value)] })
}

function moveEnd(plan: Plan, edit: Extract<Edit, { do: 'move' }>, path: string): Outcome<Applied> {
  const link = own(plan.links, edit.id)
  if (!link) return refuse(`${path}/id`, show(edit.id), `a key of links: ${idsOf(plan.links)}`)
  const { [edit.end]: was, adapters, ...rest } = link
  const { [edit.end]: wasAdapter, ...otherAdapter } = adapters ?? {}
  const nextAdapters = { ...otherAdapter, ...(edit.adapter === undefined ? {} : { [edit.end]: edit.adapter }) }
  const moved: Link = {
    ...rest,
    ...(edit.to === undefined ? {} : { [edit.end]: edit.to }),
    ...(Object.keys(nextAdapters).length ? { adapters: nextAdapters } : {}),
  }
  const back: Edit = {
    do: 'move',
    id: edit.id,
    end: edit.end,
    ...(was === undefined ? {} : { to: was }),
    ...(wasAdapter === undefined ? {} : { adapter: wasAdapter }),
  }
  return accept({ plan: { ...plan, links: { ...plan.links, [edit.id]: moved } }, inverse: [back] })
}

function setField(plan: Plan, at: readonly string[], value: unknown, path: string): Outcome<Applied> {
  const [head, id] = at
  const settable =
    head === 'title' ? at.length === 1 : head === 'brief' ? at.length >= 2 : isCollection(head) && at.length >= 3
  if (!settable) return refuse(`${path}/at`, at.join('/'), 'title, brief/<field>, or <collection>/<id>/<field>...')
  if (isCollection(head) && own<unknown>(plan[head], id) === undefined)
    return refuse(`${path}/at`, `${head}/${id}`, `a key of ${head}: ${idsOf(plan[head])}`)
  const was = at.reduce<unknown>(
    (node, key) => (node !== null && typeof node === 'object' ? own(node as Record<string, unknown>, key) : undefined),
    plan,
  )
  const keep = isCollection(head) ? 2 : 1
  const next = setIn(plan, at, value, keep) as Plan
  return accept({ plan: next, inverse: [{ do: 'set', at, ...(was === undefined ? {} : { value: was }) } as Edit] })
}

/** Copies along the path; removing a field also removes the objects that it leaves empty, but not the first `keep`. */
function setIn(node: unknown, at: readonly string[], value: unknown, keep: number): unknown {
  const [key, ...rest] = at
  if (key === undefined) return value
  if (Array.isArray(node)) {
    const index = Number(key)
    return Number.isInteger(index) && index >= 0 && index < node.length
      ? node.map((item, i) => (i === index ? setIn(item, rest, value, keep - 1) : item))
      : node
  }
  const object = node !== null && typeof node === 'object' ? (node as Record<string, unknown>) : {}
  const child = setIn(own(object, key), rest, value, keep - 1)
  const { [key]: _was, ...others } = object
  const empty =
    child === undefined ||
    (rest.length > 0 &&
      value === undefined &&
      keep <= 0 &&
      typeof child === 'object' &&
      child !== null &&
      Object.keys(child).length === 0)
  return empty ? others : { ...object, [key]: child }
}
