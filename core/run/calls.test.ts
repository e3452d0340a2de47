import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSwitcher, lastSwitchers, tracedOf, runInto } from '#core/chain'
import { SOAK } from '../../testing/soak'
import { wildPlans } from '../../testing/wild'
import { callsOf } from './calls'

describe('one number for each source', () => {
  it('is no other’s, whatever the plan, and a source keeps that of its key at the last switcher', () => {
    fc.assert(
      fc.property(wildPlans(), plan => {
        const traced = tracedOf(plan)
        const calls = callsOf(traced)
        expect(new Set(calls.values()).size).toBe(calls.size)
        for (const [id, call] of calls) {
          expect(traced.chain.nodes.get(id)!.model.role).toBe('source')
          expect(call).toBeGreaterThanOrEqual(1)
        }
        const [first] = lastSwitchers(traced)
        for (const [port, row] of Object.entries(first?.model.ports ?? {})) {
          const origin = runInto(traced, { device: first!.id, port })?.origin?.device
          const from = origin === undefined ? undefined : traced.chain.nodes.get(origin)
          if (!from || row.number === undefined) continue
          // A key that shows a link is nobody's number, and a source's number is one of its keys.
          if (isSwitcher(from)) expect([...calls.values()]).not.toContain(row.number)
        }
      }),
      { numRuns: SOAK ? 3000 : 150 },
    )
  })
  it('are as many as sources that come to a switcher', () => {
    fc.assert(
      fc.property(wildPlans(), plan => {
        const traced = tracedOf(plan)
        const fed = new Set(
          traced.runs.flatMap(({ origin, end, beside }) => {
            const from = origin && traced.chain.nodes.get(origin.device)
            const to = end && traced.chain.nodes.get(end.device)
            const row = to?.model.ports[end!.port]
            const first = origin && end && runInto(traced, end)?.origin?.device === origin.device
            return from?.model.role === 'source' &&
              to &&
              isSwitcher(to) &&
              !beside &&
              first &&
              row?.number !== undefined
              ? [from.id]
              : []
          }),
        )
        // Rings of switchers that no last one ends are called by nobody.
        for (const id of callsOf(traced).keys()) expect(fed.has(id)).toBe(true)
      }),
      { numRuns: SOAK ? 3000 : 150 },
    )
  })
})
