import { freshId, setEdit, type Plan } from '#core/document'
import { decimal } from '~/ui/typed'
import { usePlanStore } from '~/plan/store'

type Mine = 'goods' | 'services' | 'jobs'

/** Edits of the things, services and jobs of a plan, each said in its title. */
export function useEntries(plan: () => Plan) {
  const store = usePlanStore()
  const titleOf = (collection: Mine, id: string): string => plan()[collection][id]?.title ?? id

  async function add<K extends Mine>(
    collection: K,
    value: Omit<Plan[K][string], 'order'>,
  ): Promise<string | undefined> {
    const { title } = value as unknown as { title: string }
    const order = 1 + Math.max(0, ...Object.values(plan()[collection]).map(entry => entry.order))
    const id = freshId(title, plan()[collection], Math.random)
    const added = await store.commit(`Add ${title}`.slice(0, 120), [
      { do: 'add', collection, id, value: { ...value, order } as never },
    ])
    return added ? id : undefined
  }
  async function set(collection: Mine, id: string, field: string, value: unknown, words: string): Promise<void> {
    await store.commit(`${titleOf(collection, id)}: ${words}`.slice(0, 120), [
      setEdit([collection, id, field] as never, value as never),
    ])
  }
  /** A figure as it is typed, times what one of it is in the plan; nothing typed is not said. */
  const figureIn = (text: string, times = 1): number | undefined =>
    text === '' ? undefined : Math.round(decimal(text) * times)
  async function remove(collection: Mine, id: string): Promise<void> {
    await store.commit(`Take out ${titleOf(collection, id)}`.slice(0, 120), [{ do: 'remove', collection, id }])
  }
  /** Puts a name into a set of them, or takes it out. */
  async function turn(id: string, field: 'people' | 'after', name: string, words: string): Promise<void> {
    const on = plan().jobs[id]?.[field]?.[name] === true
    await store.commit(`${titleOf('jobs', id)}: ${words}`.slice(0, 120), [
      setEdit(['jobs', id, field, name] as never, (on ? undefined : true) as never),
    ])
  }
  return { add, set, remove, turn, figureIn }
}
