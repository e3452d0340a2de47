import { papersOf } from '#core/asked'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { planMinor } from '#core/chain'
import { type Edit, type Plan, applyEdits, openFile } from '#core/document'
import { check } from '#core/features'
import { type Checked, remediesOf } from '#core/propose'
import { fmt } from '../../../testing/plans'
import { compare } from './compare'

const opened = openFile(readFileSync(fileURLToPath(new URL('../../../demo/kiln-night.json', import.meta.url)), 'utf8'))
const PLAN: Plan = opened.ok ? opened.value.plans.main! : (undefined as never)
const M = { length: 'm' } as const
function after(edits: readonly Edit[]): Checked {
  const applied = applyEdits(PLAN, edits)
  if (!applied.ok) throw new Error(`${applied.problem.path}: ${applied.problem.found}`)
  return check(applied.value.plan)
}
const [link] = Object.keys(PLAN.links)

describe('the comparison of two plans', () => {
  it('of a plan with itself finds nothing', () => {
    expect(compare(check(PLAN), check(PLAN), M, papersOf)).toMatchObject({
      devices: [],
      links: [],
      settings: [],
      brief: [],
      others: [],
      findings: { gone: [], came: [] },
      papers: [],
    })
  })
  it('tells devices, settings, links and what is wished for, each once', () => {
    const other = after([
      { do: 'set', at: ['devices', 'main', 'standard'], value: fmt('1080p25') },
      { do: 'set', at: ['links', link!, 'routeM'], value: 9 },
      { do: 'set', at: ['brief', 'crew'], value: 7 },
      {
        do: 'add',
        collection: 'devices',
        id: 'extra',
        value: { model: PLAN.devices.wide!.model, name: 'Extra camera', order: 9 },
      },
    ])
    const told = compare(check(PLAN), other, M, papersOf)
    expect(told.devices).toEqual([
      { change: 'added', name: 'Extra camera', words: PLAN.models[PLAN.devices.wide!.model]!.title },
    ])
    expect(told.settings).toEqual([{ change: 'changed', name: 'Main', words: 'standard: 1080p59.94, now 1080p25' }])
    expect(told.links).toHaveLength(1)
    expect(told.links[0]!.words).toMatch(/, now .*\d\u00A0m/)
    expect(told.brief).toEqual([{ change: 'changed', name: 'crew', words: expect.stringMatching(/, now 7$/) }])
    expect(told.papers.map(({ id }) => id)).toContain('cables')
  })
  it('tells what differs in every other collection too, as its definition calls it', () => {
    const circuit = { title: 'Stage left', order: 1, amps: 16 }
    const one = after([
      { do: 'add', collection: 'circuits', id: 'left', value: circuit },
      { do: 'add', collection: 'segments', id: 'talk', value: { title: 'Talk', order: 1 } },
      { do: 'add', collection: 'distances', id: 'far', value: { between: ['stage', 'desk'], m: 30 } },
    ])
    expect(compare(check(PLAN), one, M, papersOf).others.map(({ change, words }) => [change, words])).toEqual([
      ['added', 'Talk'],
      ['added', expect.stringMatching(/stage.*desk/)],
      ['added', 'Stage left, 16 A'],
    ])
    const other = applyEdits(one.traced.plan, [{ do: 'set', at: ['circuits', 'left', 'amps'], value: 10 }])
    if (!other.ok) throw new Error(other.problem.path)
    expect(compare(one, check(other.value.plan), M, papersOf).others).toEqual([
      { change: 'changed', name: 'circuit', words: 'Stage left, 16 A, now Stage left, 10 A' },
    ])
  })
  it('tells every field of a device that differs', () => {
    const told = compare(
      check(PLAN),
      after([{ do: 'set', at: ['devices', 'wide', 'note'], value: 'On the rail' }]),
      M,
      papersOf,
    )
    expect(told.settings).toEqual([
      { change: 'changed', name: PLAN.devices.wide!.name, words: 'note: not set, now On the rail' },
    ])
  })
  it('has its sides turned when it is asked the other way round', () => {
    const other = after([{ do: 'disconnect', id: link! }])
    const [there, back] = [compare(check(PLAN), other, M, papersOf), compare(other, check(PLAN), M, papersOf)]
    expect(there.links).toMatchObject([{ change: 'gone' }])
    expect(back.links).toMatchObject([{ change: 'added' }])
    expect(there.findings.came).toEqual(back.findings.gone)
    expect([there.a.minor, there.b.minor]).toEqual([back.b.minor, back.a.minor])
    expect(there.b.minor).toBe(planMinor(other.traced.plan))
  })
  it('tells the findings that a remedy takes away', () => {
    const broken = after([{ do: 'set', at: ['devices', 'main', 'standard'], value: fmt('720p50') }])
    const [finding] = broken.findings
    const [remedy] = remediesOf(broken, finding!)
    const mended = applyEdits(broken.traced.plan, remedy!.edits)
    if (!mended.ok) throw new Error(mended.problem.path)
    const told = compare(broken, check(mended.value.plan), M, papersOf)
    expect(told.findings.gone).toHaveLength(remedy!.effect.removes.length)
  })
})
