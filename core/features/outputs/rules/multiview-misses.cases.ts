import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const pc = 'computer 1080p59.94'

/** Four sources at a switcher without a multiview; so many of them are split off to a multiviewer. */
const tiled = (count: number) =>
  plan({
    devices: {
      a: pc,
      b: pc,
      c: pc,
      d: pc,
      main: 'switcher-4-strict 1080p59.94',
      mv: 'multiviewer-4-hdmi 1080p59.94',
      ...Object.fromEntries(Array.from({ length: count }, (_, i) => [`s${i}`, 'splitter-hdmi'])),
      op: 'screen',
      seen: 'projector',
    },
    links: {
      ...Object.fromEntries(
        ['a', 'b', 'c', 'd'].flatMap((id, i) =>
          i < count
            ? [
                [`${id}1`, `${id}.hdmi-1 > s${i}.in hdmi-passive 2`],
                [`${id}2`, `s${i}.out-1 > main.in-${i + 1} hdmi-passive 0`],
                [`${id}3`, `s${i}.out-2 > mv.in-${i + 1} hdmi-passive 0`],
              ]
            : [[`${id}1`, `${id}.hdmi-1 > main.in-${i + 1} hdmi-passive 2`]],
        ),
      ),
      m: 'mv.out > op.in hdmi-passive 1',
      p: 'main.out-1 > seen.in hdmi-passive 2',
    },
    wants: { op: 'multiview', seen: 'program' },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a multiviewer without one of four sources',
    gives: ['O18'],
    plan: tiled(3),
    offers: ['Split off a tile for d'],
    says: ['multiview of mv', 'not d'],
  },
  {
    name: 'a multiviewer with one of four sources',
    gives: ['O18'],
    plan: tiled(1),
    offers: ['Split off a tile for b, c, d'],
    says: ['not b, c, d'],
  },
]
