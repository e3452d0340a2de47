import { expose } from 'comlink'
import { applyEdits, sameValue, validatorsReady, type Plan } from '#core/document'
import { check } from '#core/features'
import { judgedOf } from '#core/features/board'
import type { Checked } from '#core/propose'
import type { SaidAhead } from '#shared/ahead'
import type { PlanState } from '#shared/api'
import type { Checker, Report } from './protocol'

/** A plan that was judged before the page asked. */
let ahead: Checked | undefined
addEventListener('message', ({ data }: MessageEvent<Partial<SaidAhead> | undefined>) => {
  if (typeof data?.ahead !== 'string') return
  try {
    ahead = check((JSON.parse(data.ahead) as PlanState).plan)
  } catch {
    // What is wrong with it is told when the page opens it.
  }
})

let held: { name: string; version: number; plan: Plan; checked: Checked } | undefined

function hold(name: string, version: number, plan: Plan): Report {
  const start = performance.now()
  const checked = ahead && sameValue(ahead.traced.plan, plan) ? ahead : check(plan)
  ahead = undefined
  const ms = performance.now() - start
  held = { name, version, plan, checked }
  return { ...judgedOf(checked, ms), plan: name, version }
}

const current = (version: number): Checked | undefined => (held?.version === version ? held.checked : undefined)

/** Milliseconds that a long answer is worked on before an edit that waits goes first. */
const TURN_MS = 12

const isSteps = (value: unknown): value is Iterator<void, unknown> =>
  typeof value === 'object' && value !== null && 'next' in value

const checker: Checker = {
  open(name, version, plan) {
    const report = hold(name, version, plan)
    // What follows needs them; the first picture does not wait for them.
    void validatorsReady()?.catch(() => undefined)
    return report
  },
  async edit(name, from, version, edits) {
    await validatorsReady()
    if (held?.name !== name || held.version !== from) return 'gap'
    const applied = applyEdits(held.plan, edits)
    return applied.ok ? hold(name, version, applied.value.plan) : 'gap'
  },
  async ask(version, query, args) {
    const checked = current(version)
    if (!checked) return 'stale'
    // What is asked comes after the first picture, and so does the program for it.
    const [{ QUERIES }] = await Promise.all([import('#core/asked'), validatorsReady()])
    const found = (QUERIES[query] as (checked: Checked, ...rest: unknown[]) => unknown)(checked, ...args)
    if (!isSteps(found)) return found as never
    let turn = performance.now()
    for (;;) {
      const step = found.next()
      if (step.done) return step.value as never
      if (performance.now() - turn <= TURN_MS) continue
      await new Promise(resolve => setTimeout(resolve))
      if (!current(version)) return 'stale'
      turn = performance.now()
    }
  },
}

expose(checker)
