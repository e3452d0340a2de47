import type { Transaction } from '#core/document'
import { randomId } from './client'
import type { Copy } from './sync'

/** What the server had not got when it was kept: transactions, and the revision under all of them. */
export interface Kept {
  readonly base: number
  readonly transactions: readonly Transaction[]
}

const keyOf = (name: string): string => `interlumen:pending:${name}:${tabId()}`

/** Keeps what the server has not got in the browser, under the name of the plan and this tab; false where there is no room. */
export function keep(name: string, { pending, questions, revision }: Copy): boolean {
  const asked = questions.filter(({ undo }) => !undo)
  const transactions = [...asked.map(({ mine }) => mine), ...pending]
  const base = Math.min(revision, ...questions.map(({ theirs }) => theirs.revision - 1))
  if (transactions.length) return stored(keyOf(name), { base, transactions } satisfies Kept)
  localStorage.removeItem(keyOf(name))
  return true
}

function stored(key: string, value: unknown): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(value))
    return true
  } catch {
    return false
  }
}

/** A change that could not be brought to the server, and why. */
export interface Aside {
  readonly transaction: Transaction
  readonly why: string
}

const asideKey = (name: string): string => `interlumen:aside:${name}`

/** What was set aside of a plan, in any tab of this browser. */
export function asides(name: string): readonly Aside[] {
  try {
    return JSON.parse(localStorage.getItem(asideKey(name)) ?? '[]') as Aside[]
  } catch {
    return []
  }
}

/** Sets changes aside, until they are taken up again or thrown away. */
export function setAside(name: string, more: readonly Aside[]): boolean {
  return stored(asideKey(name), [...asides(name), ...more])
}

export const dropAsides = (name: string): void => localStorage.removeItem(asideKey(name))

/** Changes of any tab of this browser that are on their way to a plan; they stay where they are. */
export function waiting(name: string): readonly Transaction[] {
  return Object.keys(localStorage)
    .filter(key => key.startsWith(`interlumen:pending:${name}:`))
    .flatMap(key => {
      try {
        return (JSON.parse(localStorage.getItem(key)!) as Kept).transactions
      } catch {
        return []
      }
    })
    .sort((a, b) => a.seq - b.seq)
}

/** What any tab of this browser had not got to the server; a retry of what it has is harmless. */
export function kept(name: string): Kept {
  const mine = keyOf(name)
  let base = Infinity
  const transactions = Object.keys(localStorage)
    .filter(key => key.startsWith(`interlumen:pending:${name}:`))
    .flatMap(key => {
      try {
        const found = JSON.parse(localStorage.getItem(key)!) as Kept
        if (key !== mine) localStorage.removeItem(key)
        base = Math.min(base, found.base)
        return found.transactions
      } catch {
        localStorage.removeItem(key)
        return []
      }
    })
    .sort((a, b) => a.seq - b.seq)
  return { base, transactions }
}

function tabId(): string {
  const known = sessionStorage.getItem('interlumen:tab')
  if (known) return known
  const made = randomId().slice(0, 8)
  sessionStorage.setItem('interlumen:tab', made)
  return made
}
