import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Edit, type Plan, type Transaction, applyEdits, canonicalPlan, transactionId } from '#core/document'
import type { JournalEntry } from '#shared/api'
import { plan as written } from '../../testing/plans'
import { type Copy, acknowledged, adopted, changed, copyOf, rebased, withdrawn } from './sync'

const START: Plan = written({
  devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
  links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' },
})
const ME = 'me'
const route = (m: number): Edit => ({ do: 'set', at: ['links', 'a', 'routeM'], value: m })
const name = (n: number): Edit => ({ do: 'set', at: ['devices', 'cam', 'name'], value: `Camera ${n}` })
const note = (n: number): Edit => ({ do: 'set', at: ['devices', 'main', 'note'], value: `Note ${n}` })
const cut: Edit = { do: 'disconnect', id: 'a' }

/** A server as plain as one can be: it takes what was made on its newest revision and applies, all or nothing. */
class Server {
  plan = START
  journal: JournalEntry[] = []
  get revision(): number {
    return this.journal.length
  }

  write(transaction: Transaction): boolean {
    const applied = applyEdits(this.plan, transaction.edits)
    if (!applied.ok) return false
    this.plan = applied.value.plan
    this.journal.push({ revision: this.revision + 1, transaction, inverse: applied.value.inverse })
    return true
  }
}

let seq = 0
const transactionOf = (client: string, edit: Edit): Transaction => ({
  client,
  seq: ++seq,
  title: 'Change',
  edits: [edit],
})
const commit = (copy: Copy, edit: Edit): Copy => {
  const applied = applyEdits(copy.plan, [edit])
  return applied.ok ? changed(copy, transactionOf(ME, edit), applied.value.plan, applied.value.inverse) : copy
}

describe('my changes over those of others', () => {
  it('ends with what the server has, and loses no change of mine in silence', () => {
    const edit: fc.Arbitrary<Edit> = fc.oneof(
      fc.nat(40).map(route),
      fc.nat(9).map(name),
      fc.nat(9).map(note),
      fc.constant(cut),
    )
    const step = fc.oneof(
      edit.map(one => ({ do: 'mine' as const, edit: one })),
      edit.map(one => ({ do: 'theirs' as const, edit: one })),
      edit.map(one => ({ do: 'tab' as const, edit: one })),
      fc.constantFrom({ do: 'send' as const }, { do: 'hear' as const }, { do: 'sendUnheard' as const }),
    )
    fc.assert(
      fc.property(fc.array(step, { maxLength: 25 }), steps => {
        const server = new Server()
        let copy = copyOf(START, 0, [])
        const mine: Transaction[] = []
        const lost: Transaction[] = []
        const hear = (): void => {
          // What came in already may be told again.
          const newer = server.journal.slice(Math.max(0, copy.revision - 2))
          const result = rebased(copy, newer, ME)
          lost.push(...result.lost)
          copy = adopted(result.copy, newer, ME)
        }
        const send = (heardFirst: boolean): void => {
          if (copy.pending.length === 0) return
          if (copy.revision !== server.revision) hear()
          const sent = copy.pending
          const made = new Map<string, number>()
          for (const transaction of sent)
            if (server.write(transaction)) made.set(transactionId(transaction), server.revision)
          // What was laid on the newest revision always holds there.
          expect(made.size).toBe(sent.length)
          if (heardFirst) hear()
          copy = acknowledged(copy, server.revision, sent, made)
        }
        for (const one of steps) {
          if (one.do === 'mine') {
            const before = copy.pending.length
            copy = commit(copy, one.edit)
            if (copy.pending.length > before) mine.push(copy.pending.at(-1)!)
          } else if (one.do === 'theirs') server.write(transactionOf('them', one.edit))
          else if (one.do === 'tab') server.write(transactionOf(ME, one.edit))
          else if (one.do === 'hear') hear()
          else send(one.do === 'sendUnheard')
          const onTop = copy.pending.reduce((plan, { edits }) => {
            const applied = applyEdits(plan, edits)
            return applied.ok ? applied.value.plan : plan
          }, copy.settled)
          expect(canonicalPlan(copy.plan)).toBe(canonicalPlan(onTop))
        }
        hear()
        send(false)
        expect(copy.pending).toEqual([])
        expect(canonicalPlan(copy.settled)).toBe(canonicalPlan(server.plan))
        expect(canonicalPlan(copy.plan)).toBe(canonicalPlan(server.plan))
        const kept = new Set(
          [...server.journal.map(({ transaction }) => transaction), ...copy.questions.map(q => q.mine), ...lost].map(
            transactionId,
          ),
        )
        expect(mine.filter(transaction => !kept.has(transactionId(transaction)))).toEqual([])
        // Each of mine on the server can be undone here, once, also one that another tab wrote.
        const doneIds = copy.done.map(({ transaction }) => transactionId(transaction))
        expect(new Set(doneIds).size).toBe(doneIds.length)
        for (const { transaction } of server.journal)
          if (transaction.client === ME) expect(doneIds).toContain(transactionId(transaction))
      }),
      { numRuns: 100 },
    )
  })
  it('keeps the rest when one of several is refused', () => {
    let copy = commit(commit(commit(copyOf(START, 0, []), route(5)), name(1)), note(2))
    copy = withdrawn(copy, [copy.pending[1]!])
    expect(copy.pending.map(({ edits }) => edits[0])).toEqual([route(5), note(2)])
    expect(copy.plan.links.a!.routeM).toBe(5)
    expect(copy.plan.devices.cam!.name).toBe(START.devices.cam!.name)
    expect(copy.plan.devices.main!.note).toBe('Note 2')
    expect(copy.done).toHaveLength(2)
  })
})
