import { LEADS } from '#core/cable'
import { MODELS } from '#core/catalog'
import {
  type Device,
  type Edit,
  type Link,
  type Plan,
  freshId,
  own,
  setEdit,
  type ValueAt,
  type Collection,
  type Entry,
} from '#core/document'

/** Collects the edits of one change and keeps its ids apart from those of the plan and from each other. */
export class Draft {
  readonly edits: Edit[] = []
  private readonly taken: Record<'models' | 'leads' | 'devices' | 'links', Record<string, true>>

  /** `random` gives numbers from 0 up to 1; a seeded one makes the ids repeatable. */
  constructor(
    readonly plan: Plan,
    private readonly random: () => number = seeded(
      JSON.stringify([Object.keys(plan.devices), Object.keys(plan.links)]),
    ),
  ) {
    const ids = (map: object) => Object.fromEntries(Object.keys(map).map(id => [id, true as const]))
    this.taken = {
      models: ids(plan.models),
      leads: ids(plan.leads),
      devices: ids(plan.devices),
      links: ids(plan.links),
    }
  }

  /** The plan's key of a model, which is embedded first when it comes from the catalogue and is not there yet. */
  model(id: string): string {
    return this.embed('models', id, MODELS.get(id))
  }

  lead(id: string): string {
    return this.embed('leads', id, LEADS.get(id))
  }

  private embed<T extends { from?: string }>(collection: 'models' | 'leads', id: string, row: T | undefined): string {
    const there = this.plan[collection] as Readonly<Record<string, { from?: string }>>
    if (!row) return id
    if (own(there, id)?.from === row.from) return id
    const same = Object.entries(there).find(([, known]) => known.from === row.from)
    if (same) return same[0]
    const added = this.edits.find(
      edit =>
        edit.do === 'add' && edit.collection === collection && (edit.value as { from?: string }).from === row.from,
    )
    if (added?.do === 'add') return added.id
    const key = own(this.taken[collection], id) ? freshId(id, this.taken[collection], this.random) : id
    this.taken[collection][key] = true
    this.edits.push({ do: 'add', collection, id: key, value: row } as unknown as Edit)
    return key
  }

  /** The place behind all devices of the plan. */
  get lastOrder(): number {
    return 1 + Math.max(0, ...Object.values(this.plan.devices).map(({ order }) => order))
  }

  /** An id for a device that is put in under it. */
  idFor(name: string): string {
    const id = freshId(name, this.taken.devices, this.random)
    this.taken.devices[id] = true
    return id
  }

  device(device: Device): string {
    const id = this.idFor(device.name)
    this.edits.push({ do: 'add', collection: 'devices', id, value: device })
    return id
  }

  /** Adds an entry to a collection, with an id made of its name. */
  add<K extends Collection>(collection: K, name: string, value: Entry<K>): string {
    const id = freshId(name, this.plan[collection], this.random)
    this.edits.push({ do: 'add', collection, id, value } as unknown as Edit)
    return id
  }

  connect(
    link: Link,
    id: string = freshId(
      `${link.from?.device ?? 'loose'}-to-${link.to?.device ?? 'loose'}`,
      this.taken.links,
      this.random,
    ),
  ): string {
    this.taken.links[id] = true
    this.edits.push({ do: 'connect', id, link })
    return id
  }

  disconnect(id: string): void {
    this.edits.push({ do: 'disconnect', id })
  }

  /** Sets a field of the plan, or removes it; only what that field may hold is taken. */
  set<const A extends readonly string[]>(at: A, value?: ValueAt<A>): void {
    this.edits.push(setEdit(at, value))
  }

  move(id: string, end: 'from' | 'to', to?: { device: string; port: string }, adapter?: string): void {
    this.edits.push({ do: 'move', id, end, ...(to ? { to } : {}), ...(adapter ? { adapter } : {}) })
  }
}

/** A repeatable sequence of numbers from 0 up to 1 (mulberry32 over a hash of the seed). */
export function seeded(seed: string): () => number {
  let state = 2166136261
  for (let i = 0; i < seed.length; i++) state = Math.imul(state ^ seed.charCodeAt(i), 16777619)
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
