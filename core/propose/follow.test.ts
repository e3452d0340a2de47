import { describe, expect, it } from 'vitest'
import { applyEdits } from '#core/document'
import { plan } from '../../testing/plans'
import { Draft } from './draft'
import { followAcross } from './follow'

const looks = {
  a: { title: 'A', order: 1, program: { main: 'in-2' } },
  b: { title: 'B', order: 2, program: { main: 'in-2', side: 'in-5' } },
  side: { title: 'Side', order: 3, program: { main: 'in-1', side: 'in-3' } },
  other: { title: 'Other', order: 4, program: { main: 'in-3' } },
}
const written = plan({
  devices: { main: 'switcher-8-hdmi 1080p50', side: 'switcher-8-hdmi 1080p50' },
  looks,
})
const SIDE = new Map([['side', { device: 'main', port: 'in-1' }]])
const after = (moved: Parameters<typeof followAcross>[2], links = { before: SIDE, after: SIDE }) => {
  const draft = new Draft(written)
  followAcross(draft, written, moved, links)
  const applied = applyEdits(written, draft.edits)
  if (!applied.ok) throw new Error(applied.problem.path)
  return Object.fromEntries(Object.entries(applied.value.plan.looks).map(([id, { program }]) => [id, program]))
}

describe('a picture that goes to another switcher', () => {
  it('is shown by the feeder that it went to, unless that is at work for something else', () =>
    expect(after([{ from: { device: 'main', port: 'in-2' }, to: { device: 'side', port: 'in-7' } }])).toEqual({
      a: { main: 'in-1', side: 'in-7' },
      b: looks.b.program,
      side: looks.side.program,
      other: looks.other.program,
    }))
  it('is shown by the input to which that feeder will lead', () =>
    expect(
      after([{ from: { device: 'main', port: 'in-2' }, to: { device: 'side', port: 'in-7' } }], {
        before: SIDE,
        after: new Map([['side', { device: 'main', port: 'in-8' }]]),
      }).a,
    ).toEqual({ main: 'in-8', side: 'in-7' }))
  it('is shown straight where it comes from a feeder, and nothing else is touched', () =>
    expect(after([{ from: { device: 'side', port: 'in-3' }, to: { device: 'main', port: 'in-6' } }])).toEqual({
      a: looks.a.program,
      b: looks.b.program,
      side: { main: 'in-6', side: 'in-3' },
      other: looks.other.program,
    }))
})
