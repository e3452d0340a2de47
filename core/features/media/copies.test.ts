import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { type Brief, type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { remediesOf } from '#core/propose'
import { fmt, plan } from '../../../testing/plans'
import { copiesOf, withoutRecording } from './copies'

const cam = 'camera-box-hdmi 1080p59.94'
const show = (more: {
  devices?: Parameters<typeof plan>[0]['devices']
  links?: Record<string, string>
  wants?: Plan['wants']
  brief?: Brief
  main?: string
}): Plan => {
  const built = plan({
    brief: more.brief ?? {},
    devices: { a: cam, b: cam, main: more.main ?? 'switcher-8-hdmi 1080p59.94', scr: 'screen', ...more.devices },
    links: {
      x: 'a.hdmi > main.in-1 hdmi-passive 2',
      y: 'b.hdmi > main.in-2 hdmi-passive 2',
      s: 'main.out-1 > scr.in hdmi-passive 2',
      ...more.links,
    },
    wants: { scr: 'program' },
  })
  return { ...built, wants: { ...built.wants, ...more.wants } }
}
const bare = (written: Plan): string[] => withoutRecording(tracedOf(written)).map(({ id }) => id)

describe('copies of the show', () => {
  it('are none for a recorder that nothing reaches, or that keeps one source', () => {
    const keeps = { k: { sink: 'rec', feed: 'program' as const } }
    expect(copiesOf(tracedOf(show({ devices: { rec: 'recorder-hdmi' }, wants: keeps })))).toEqual([])
    const alone = show({
      devices: { split: 'splitter-hdmi', rec: 'recorder-hdmi' },
      links: {
        x: 'a.hdmi > split.in hdmi-passive 1',
        x1: 'split.out-1 > main.in-1 hdmi-passive 1',
        x2: 'split.out-2 > rec.in hdmi-passive 1',
      },
      wants: { k: { sink: 'rec', feed: 'program', of: 'a' } },
    })
    expect(copiesOf(tracedOf(alone))).toEqual([])
    expect(bare(alone)).toEqual([])
  })
  it('become as many as the brief wants by the first remedy that is offered', () => {
    for (const copies of [1, 2, 3]) {
      const checked = check(show({ brief: { copies } }))
      const finding = checked.findings.find(({ id }) => id === 'O04')!
      const [first] = remediesOf(checked, finding)
      const applied = applyEdits(checked.traced.plan, first!.edits)
      if (!applied.ok) throw new Error(applied.problem.path)
      expect(copiesOf(tracedOf(applied.value.plan)).length).toBe(copies)
    }
  })
})

describe('recordings of each camera', () => {
  it('are made by a switcher for as many inputs as it can', () => {
    expect(bare(show({}))).toEqual([])
    expect(bare(show({ main: 'switcher-4-strict 1080p59.94' }))).toEqual(['a', 'b'])
  })
  it('are made in a camera by the mode that it is in', () => {
    const hand = (mode: string) =>
      show({
        main: 'switcher-4-strict 1080p29.97',
        devices: {
          a: { model: 'camera-hand-hdmi', mode, ports: { hdmi: { format: fmt('1080p29.97') } } },
          b: { model: 'camera-box-hdmi', ports: { hdmi: { format: fmt('1080p29.97') } } },
        },
        links: { x: 'a.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' },
      })
    expect(bare(hand('inside-2160'))).toEqual(['b'])
    expect(bare(hand('live'))).toEqual(['a', 'b'])
  })
})
