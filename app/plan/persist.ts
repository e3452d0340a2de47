import type { Transaction } from '#core/document'
import type { Copy } from './sync'

/** What the server had not got when it was kept: transactions, and the revision under all of them. */
export interface Kept {
  readonly base: number
  readonly transactions: readonly Transaction[]
}

const keyOf = (name: string): string => `interlumen:pending:${name}:${tabId()}`

/** Keeps what the server has not got in the browser, under the name of the plan and this tab. */
export function keep(name: string, { pending, questions, revision }: Copy): void {
  const asked = questions.filter(({ undo }) => !undo)
  const transactions = [...asked.map(({ mine }) => mine), ...pending]
  const base = Math.min(revision, ...questions.map(({ theirs }) => theirs.revision - 1))
  if (transactions.length) localStorage.setItem(keyOf(name), JSON.stringify({ base, transactions } satisfies Kept))
  else localStorage.removeItem(keyOf(name))
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
  const made = crypto.randomUUID().slice(0, 8)
  sessionStorage.setItem('interlumen:tab', made)
  return made
}
