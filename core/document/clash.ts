import { sameValue } from './canonical'
import type { Edit } from './edit'

/** Where two changes meet, and what each wants there; `undefined` stands for removal. */
export interface Clash {
  readonly at: readonly string[]
  readonly mine: unknown
  readonly theirs: unknown
}

interface Touch {
  readonly at: readonly string[]
  readonly value: unknown
  /** The whole entry comes or goes. */
  readonly whole: boolean
}

function touchOf(edit: Edit): Touch {
  switch (edit.do) {
    case 'set':
      return { at: edit.at, value: edit.value, whole: false }
    case 'add':
      return { at: [edit.collection, edit.id], value: edit.value, whole: true }
    case 'remove':
      return { at: [edit.collection, edit.id], value: undefined, whole: true }
    case 'connect':
      return { at: ['links', edit.id], value: edit.link, whole: true }
    case 'disconnect':
      return { at: ['links', edit.id], value: undefined, whole: true }
    case 'move':
      return { at: ['links', edit.id, edit.end], value: edit.to, whole: false }
  }
}

const begins = (long: readonly string[], short: readonly string[]): boolean =>
  short.length <= long.length && short.every((key, i) => long[i] === key)

/** The value that a change leaves at a place under its own. */
function valueAt({ at, value }: Touch, place: readonly string[]): unknown {
  return place
    .slice(at.length)
    .reduce<unknown>(
      (node, key) => (node !== null && typeof node === 'object' ? (node as Record<string, unknown>)[key] : undefined),
      value,
    )
}

/**
 * The first place where two changes that do not know of each other want different things: the same field set to two
 * values, or an entry removed that the other changes. Changes of different fields, and equal ones, do not clash.
 */
export function clashOf(mine: readonly Edit[], theirs: readonly Edit[]): Clash | undefined {
  for (const edit of mine) {
    const a = touchOf(edit)
    for (const other of theirs) {
      const b = touchOf(other)
      const [inner, outer] = a.at.length >= b.at.length ? [a, b] : [b, a]
      if (!begins(inner.at, outer.at)) continue
      const place = inner.at
      const [x, y] = [valueAt(a, place), valueAt(b, place)]
      // A change inside an entry that the other takes away meets it even where it removes a field itself.
      const taken = outer.whole && outer.value === undefined && !(inner.whole && inner.value === undefined)
      if (taken || !sameValue(x ?? null, y ?? null))
        return {
          at: place,
          mine: a.whole && a.value === undefined ? undefined : x,
          theirs: b.whole && b.value === undefined ? undefined : y,
        }
    }
  }
  return undefined
}
