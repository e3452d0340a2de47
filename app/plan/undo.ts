import { type Edit, type Transaction, transactionId } from '#core/document'

/** A transaction of mine and the edits that take it back. */
export interface Done {
  readonly transaction: Transaction
  readonly inverse: readonly Edit[]
  /** The plan's revision that it made; absent until the server has it. */
  readonly revision?: number
}

/**
 * What can be undone and redone, newest last, from my transactions in order. An undo moves its transaction to the
 * redo stack, a redo moves it back, and any other change forgets what could be redone.
 */
export function undoStacks(done: readonly Done[]): { undo: readonly Done[]; redo: readonly Done[] } {
  const undo: Done[] = []
  let redo: Done[] = []
  for (const entry of done) {
    const { undoes, redoes } = entry.transaction
    if (undoes !== undefined) {
      const i = undo.findLastIndex(({ transaction }) => transactionId(transaction) === undoes)
      if (i >= 0) undo.splice(i, 1)
      redo.push(entry)
    } else {
      if (redoes === undefined) redo = []
      else redo = redo.filter(({ transaction }) => transactionId(transaction) !== redoes)
      undo.push(entry)
    }
  }
  return { undo, redo }
}
