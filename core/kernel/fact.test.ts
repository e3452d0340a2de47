import { describe, expect, it } from 'vitest'
import { fact, onWorkedOut, View, type Scope } from './fact'

interface Garden {
  readonly trees: Readonly<Record<string, number>>
  readonly paths: Readonly<Record<string, number>>
}
class Walk extends View<Garden> {}

const sum = (map: Readonly<Record<string, number>>): number => Object.values(map).reduce((a, b) => a + b, 0)
const heights = fact<Walk, number>('heights', ({ plan }) => sum(plan.trees))
const lengths = fact<Walk, number>('lengths', ({ plan }) => sum(plan.paths))
const both = fact<Walk, number>('both', view => view.ask(heights) + view.ask(lengths))
const inSegment = fact<Walk, string>('in segment', view => `${view.scoped('segment') ?? 'all'} ${view.ask(heights)}`)

const garden: Garden = { trees: { oak: 20, elm: 10 }, paths: { long: 7 } }

/** The facts that are worked out anew while something is asked. */
function workedOut(ask: () => void): string[] {
  const names: string[] = []
  const end = onWorkedOut(name => names.push(name))
  ask()
  end()
  return names
}
const asks = (plan: Garden, scope: Scope = {}) => {
  const view = new Walk(plan, scope)
  return workedOut(() => {
    view.ask(both)
    view.ask(inSegment)
  })
}

describe('a fact', () => {
  it('is worked out when it is asked for, with what it needs, and once', () => {
    const view = new Walk(garden)
    expect(workedOut(() => expect(view.ask(both)).toBe(37))).toEqual(['heights', 'lengths', 'both'])
    expect(workedOut(() => expect(view.ask(both)).toBe(37))).toEqual([])
    expect(workedOut(() => expect(new Walk({ ...garden }).ask(both)).toBe(37))).toEqual([])
  })
  it('stands while only what it does not read changes', () => {
    asks(garden)
    expect(asks({ ...garden, paths: { long: 8 } })).toEqual(['lengths', 'both'])
    expect(asks({ ...garden, trees: { oak: 21 } })).toEqual(['heights', 'both', 'in segment'])
  })
  it('is held for a plan and for what is tried in its place', () => {
    asks(garden)
    asks({ ...garden, trees: { oak: 1 } })
    expect(asks(garden)).toEqual([])
  })
  it('is held by the parts of the scope that it reads, and by no others', () => {
    asks(garden)
    expect(asks(garden, { segment: 'evening' })).toEqual(['in segment'])
    expect(asks(garden, { segment: 'evening', look: 'wide', losses: [{ of: 'tree', id: 'oak' }] })).toEqual([])
  })
  it('does not ask for itself', () => {
    const ring: { readonly name: string; readonly find: (view: Walk) => number } = fact(
      'ring',
      view => view.ask(ring) + 1,
    )
    expect(() => new Walk(garden).ask(ring)).toThrow('the fact ring asks for itself')
  })
  it('is forgotten with its error', () => {
    let bad = true
    const moody = fact<Walk, number>('moody', () => {
      if (bad) throw new Error('not now')
      return 1
    })
    const view = new Walk(garden)
    expect(() => view.ask(moody)).toThrow('not now')
    bad = false
    expect(view.ask(moody)).toBe(1)
  })
})
