import { withButtons } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'
import { fmt } from '../../../../testing/plans'

const F = fmt('1080p59.94')

const show = (more: object) =>
  withButtons({
    devices: {
      pre: 'screen',
      main: { model: 'switcher-8-hdmi', standard: F, ports: { 'out-2': { feed: 'preview' } } },
      ...(more as { devices?: object }).devices,
    },
    links: { pre: 'main.out-2 > pre.in hdmi-passive 2', ...(more as { links?: object }).links },
    wants: { pre: 'preview' },
    segments: { talk: { title: 'Talk', order: 1, opens: 'first' } },
    looks: {
      first: { title: 'First', order: 1, program: { side: 'in-1', main: 'in-1' } },
      second: { title: 'Second', order: 2, program: { side: 'in-2', main: 'in-1' } },
    },
    cues: { change: { segment: 'talk', title: 'Change', order: 1, look: 'second' } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a cue from one source of the feeder to the other, with a preview',
    gives: [],
    notes: ['N12'],
    plan: show({}),
    offers: [],
    says: ['pre cannot show b before Change: side is on air with a. Look at it while side is off air.'],
  },
  {
    name: 'the same where the feeder has a multiview',
    gives: [],
    notes: ['N12'],
    plan: show({
      devices: {
        other: 'screen',
        side: { model: 'switcher-8-hdmi', standard: F, ports: { 'out-2': { feed: 'multiview' } } },
      },
      links: { other: 'side.out-2 > other.in hdmi-passive 2' },
    }),
    offers: [],
    says: ['Look at it on other.'],
  },
]
