import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits } from '#core/document'
import { type Checked, remediesOf, touchesPinned } from '#core/propose'
import { FAULTY } from '../../testing/faulty'
import { fmt, plan } from '../../testing/plans'
import { check } from './index'

const faulty = (name: string): Plan => FAULTY.find(one => one.name === name)!.plan
const accept = (written: Plan, finding: string): Plan => {
  const applied = applyEdits(written, [
    { do: 'add', collection: 'accepted', id: 'tested', value: { finding, reason: 'tested in the hall' } },
  ])
  if (!applied.ok) throw new Error(`${applied.problem.path}: ${applied.problem.allowed}`)
  return applied.value.plan
}
const worst = ({ verdict: { H, D, R, Q } }: Checked) => [H, D, R, Q]

describe('what somebody accepts', () => {
  it.each([
    ['passive HDMI at risk', 'L01:link/a/cable'],
    ['every camera by radio', 'R02:show'],
    ['full range read as narrow', 'F09:link/a/to'],
  ])('%s is listed with its reason and not counted', (name, key) => {
    const checked = check(accept(faulty(name), key))
    expect(worst(checked)).toEqual([0, 0, 0, 0])
    expect(checked.findings).toMatchObject([{ key, accepted: 'tested in the hall' }])
  })
  it('is never darkness', () => {
    const checked = check(accept(faulty('passive HDMI that is dark'), 'L01:link/a/cable'))
    expect(worst(checked)).toEqual([0, 1, 0, 0])
    expect(checked.findings[0]).not.toHaveProperty('accepted')
  })
  it('counts again when the finding stands elsewhere', () =>
    expect(worst(check(accept(faulty('passive HDMI at risk'), 'L01:link/b/cable')))).toEqual([0, 0, 1, 0]))
  it('holds in every segment when it is accepted for the show', () => {
    const shown = {
      ...accept(faulty('passive HDMI at risk'), 'L01:link/a/cable'),
      segments: { one: { title: 'One', order: 1 } },
    }
    expect(check(shown, 'one').verdict.R).toBe(0)
  })
  it('is named as what it is', () => {
    const applied = applyEdits(faulty('passive HDMI at risk'), [
      { do: 'add', collection: 'accepted', id: 'odd', value: { finding: 'anything', reason: 'x' } },
    ])
    expect(applied).toMatchObject({
      ok: false,
      problem: { path: '/accepted/odd/finding', allowed: 'the key of a finding, such as L01:link/wide-run/cable' },
    })
  })
})

describe('a pinned link', () => {
  const pinned: Plan = {
    ...faulty('passive HDMI at risk'),
    links: { a: { ...faulty('passive HDMI at risk').links.a!, pinned: true } },
  }
  it('is touched by no remedy', () => {
    const free = check(faulty('passive HDMI at risk'))
    expect(remediesOf(free, free.findings[0]!).length).toBeGreaterThan(0)
    const held = check(pinned)
    expect(remediesOf(held, held.findings[0]!)).toEqual([])
  })
  it('may be unpinned, and other links may change', () => {
    expect(touchesPinned(pinned, [{ do: 'set', at: ['links', 'a', 'pinned'] }])).toBe(false)
    expect(touchesPinned(pinned, [{ do: 'set', at: ['links', 'a', 'routeM'], value: 3 }])).toBe(true)
    expect(
      touchesPinned(pinned, [
        { do: 'move', id: 'a', end: 'to' },
        { do: 'disconnect', id: 'b' },
      ]),
    ).toBe(true)
    expect(touchesPinned(pinned, [{ do: 'disconnect', id: 'b' }])).toBe(false)
  })
})

describe('an input kept for a guest', () => {
  const kept = (reserved: boolean) =>
    plan({
      brief: { spareInputs: 1 },
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: { model: 'computer' },
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p59.94'),
          ...(reserved ? { ports: { 'in-3': { reserved: 'Late guest' } } } : {}),
        },
      },
      links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2' },
    })
  it('is offered to nobody else', () => {
    const offers = (reserved: boolean) => {
      const checked = check(kept(reserved))
      return remediesOf(
        checked,
        checked.findings.find(({ id }) => id === 'C07')!,
      )
        .map(({ title }) => title)
        .join('\n')
    }
    expect(offers(false)).toContain('main input 3')
    expect(offers(true)).not.toContain('main input 3')
    expect(offers(true)).toContain('main input 4')
  })
  // Inputs 3 and 4 are free, one is for the computer that waits: one is spare, reserved or not.
  it('is spare all the same', () =>
    expect([false, true].map(reserved => check(kept(reserved)).findings.filter(({ id }) => id === 'C10'))).toEqual([
      [],
      [],
    ]))
})
