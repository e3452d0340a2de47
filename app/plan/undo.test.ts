import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Transaction, transactionId } from '#core/document'
import { undoStacks, type Done } from './undo'

const made = (seq: number, more: Partial<Transaction> = {}): Done => ({
  transaction: { client: 'test', seq, title: `T${seq}`, edits: [{ do: 'disconnect', id: 'x' }], ...more },
  inverse: [],
})
const ids = (done: readonly Done[]) => done.map(({ transaction }) => transaction.seq)

describe('undo', () => {
  it('moves between the stacks, and a new change forgets the redo', () => {
    const done = [made(1), made(2), made(3, { undoes: 'test:2' })]
    expect([ids(undoStacks(done).undo), ids(undoStacks(done).redo)]).toEqual([[1], [3]])
    done.push(made(4, { redoes: 'test:3' }))
    expect([ids(undoStacks(done).undo), ids(undoStacks(done).redo)]).toEqual([[1, 4], []])
    done.push(made(5, { undoes: 'test:4' }), made(6))
    expect([ids(undoStacks(done).undo), ids(undoStacks(done).redo)]).toEqual([[1, 6], []])
  })
  it('behaves as two stacks of values whatever is pressed', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('edit', 'undo', 'redo'), { maxLength: 40 }), presses => {
        const done: Done[] = []
        // The model: what is in force, by the edit that it goes back to.
        const undo: number[] = []
        let redo: number[] = []
        const origin = new Map<string, number>()
        presses.forEach((press, i) => {
          const seq = i + 1
          if (press === 'edit') {
            done.push(made(seq))
            origin.set(`test:${seq}`, seq)
            undo.push(seq)
            redo = []
            return
          }
          const last = undoStacks(done)[press === 'undo' ? 'undo' : 'redo'].at(-1)
          const [from, to] = press === 'undo' ? [undo, redo] : [redo, undo]
          expect(last && origin.get(transactionId(last.transaction))).toBe(from.at(-1))
          if (!last) return
          done.push(
            made(
              seq,
              press === 'undo'
                ? { undoes: transactionId(last.transaction) }
                : { redoes: transactionId(last.transaction) },
            ),
          )
          origin.set(`test:${seq}`, from.at(-1)!)
          to.push(from.pop()!)
        })
        expect(undoStacks(done).undo).toHaveLength(undo.length)
      }),
    )
  })
})
