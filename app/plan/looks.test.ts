import { describe, expect, it } from 'vitest'
import { type Edit, type Plan, applyEdits } from '#core/document'
import { plan } from '../../testing/plans'
import { dropEdits, instantName, lookEdits, momentEdits } from './looks'

const base = plan({
  devices: { pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
  links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
  segments: { talk: { title: 'Talk', order: 1 }, end: { title: 'Farewell', order: 2, opens: 'wide' } },
  looks: { wide: { title: 'Wide', order: 1, program: { main: 'in-1' } } },
  cues: {
    one: { segment: 'talk', title: 'One', order: 1, look: 'wide' },
    two: { segment: 'talk', title: 'Two', order: 2 },
  },
})
const applied = (edits: readonly Edit[], to: Plan = base): Plan => {
  const done = applyEdits(to, edits)
  if (!done.ok) throw new Error(done.problem.path)
  return done.value.plan
}
const opening = { segment: 'talk', segmentTitle: 'Talk', title: 'opens' }
const one = { segment: 'talk', segmentTitle: 'Talk', cue: 'one', title: 'One', look: 'wide' }

describe('a look that is set at a moment', () => {
  it('gets made where the moment has none, and the segment opens in it', () => {
    const next = applied(lookEdits(base, opening, ['program', 'main'], 'in-2'))
    const id = next.segments.talk!.opens!
    expect(next.looks[id]).toEqual({ title: 'Talk opens', order: 2, program: { main: 'in-2' } })
    expect(Object.keys(next.looks)).toHaveLength(2)
  })
  it('is changed where it is, field by field; a field without a value is left as it was before', () => {
    const next = applied(lookEdits(base, one, ['keys', 'main', '1'], 'off'))
    expect(next.looks.wide).toMatchObject({ program: { main: 'in-1' }, keys: { main: { '1': 'off' } } })
    expect(applied(lookEdits(next, one, ['keys', 'main', '1'], undefined), next).looks.wide).toEqual(base.looks.wide)
    expect(lookEdits(base, opening, ['program', 'main'], undefined)).toEqual([])
    expect(lookEdits(base, { title: 'opens' }, ['program', 'main'], 'in-1')).toEqual([])
  })
  it('belongs to the cue of a moment that has one', () => {
    const two = { segment: 'talk', segmentTitle: 'Talk', cue: 'two', title: 'Two' }
    const next = applied(lookEdits(base, two, ['faded', 'main'], true))
    expect(next.looks[next.cues.two!.look!]).toMatchObject({ title: 'Two', faded: { main: true } })
  })
})

describe('moments', () => {
  const order = (written: Plan) =>
    Object.values(written.cues)
      .sort((a, b) => a.order - b.order)
      .map(({ title }) => title)
  it('come behind the chosen one, with a look of their own', () => {
    expect(order(applied(momentEdits(base, opening, 'Zero')))).toEqual(['Zero', 'One', 'Two'])
    expect(order(applied(momentEdits(base, one, 'Between')))).toEqual(['One', 'Between', 'Two'])
    const last = { segment: 'talk', cue: 'two', title: 'Two' }
    const next = applied(momentEdits(base, last, 'Three'))
    expect(order(next)).toEqual(['One', 'Two', 'Three'])
    expect(Object.values(next.looks).map(({ title }) => title)).toContain('Three')
  })
  it('go with their look, unless something else takes it', () => {
    const next = applied(dropEdits(base, one))
    expect([Object.keys(next.cues), Object.keys(next.looks)]).toEqual([['two'], ['wide']])
    const alone = applied([{ do: 'set', at: ['segments', 'end', 'opens'] }])
    expect(applied(dropEdits(alone, one), alone).looks).toEqual({})
    const end = { segment: 'end', segmentTitle: 'Farewell', title: 'opens', look: 'wide' }
    expect(applied(dropEdits(base, end)).segments.end).not.toHaveProperty('opens')
    expect(dropEdits(base, { title: 'opens' })).toEqual([])
  })
  it('are named by their segment', () => {
    expect(instantName(opening)).toBe('Talk: opens')
    expect(instantName({ title: 'opens' })).toBe('As it stands')
  })
})
