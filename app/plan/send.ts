import type { Transaction } from '#core/document'

/** Of what a request may hold, with room for its envelope. */
const MOST_BYTES = 1_500_000
export const MOST_SENT = 200

const bytesOf = (transaction: Transaction): number => new TextEncoder().encode(JSON.stringify(transaction)).length

/** The next request: as many of the oldest changes as it may hold, at least one. */
export function batchOf(pending: readonly Transaction[], most = MOST_SENT): readonly Transaction[] {
  let bytes = 0
  let n = 0
  for (const transaction of pending.slice(0, most)) {
    bytes += bytesOf(transaction) + 1
    if (n > 0 && bytes > MOST_BYTES) break
    n += 1
  }
  return pending.slice(0, n)
}
