import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import type { Plan } from '#core/document'
import { base, chain } from '../../testing/chains'
import { pictureAt } from './compose'
import type { Happening } from './happening'
import { Judge } from './judge'
import type { Command } from './machine'
import { Rehearsal, seededChances } from './rehearsal'
import type { ShowState } from './state'

const SECOND = 240_000
const HALL = { device: 'hall', port: 'in' }
const traced = tracedOf({
  ...chain('switcher-8-hdmi 1080p50', 'switcher-8-hdmi 1080p50').plan,
  overlays: {
    names: { title: 'Names', order: 1, kind: 'luma', fill: 'a' },
    other: { title: 'Other', order: 2, kind: 'luma', fill: 'b' },
  },
  clips: { film: { title: 'Film', order: 1, player: 'b', lengthS: 1, end: 'hold' } },
} as Plan)

/** From c, straight at the last switcher, to b behind the feeder, which stands on a: the feeder first, then the last. */
const OFF_LINK = base(traced, { program: { side: 'in-1', main: 'in-2' } })
const ON_LINK = base(traced, { program: { side: 'in-2', main: 'in-1' } })
const at = (seconds: number, device: string, command: Command): Happening => ({
  tick: Math.round((1 + seconds) * SECOND),
  device,
  command,
})
const program = (input: string): Command => ({ do: 'program', input })
const preview = (input: string): Command => ({ do: 'preview', input })
const key = (keyer: string, overlay?: string): Command => ({ do: 'key', keyer, overlay })
const mix = (frames: number): Command => ({ do: 'auto', style: 'mix', frames })
const other = (seconds: number, device: string, event: object): Happening =>
  ({ tick: Math.round((1 + seconds) * SECOND), device, ...event }) as Happening

/** Faults that the hall sees, over 32 sets of phases and delays; `never`: the new picture does not come. */
function faults(old: ShowState, next: ShowState, happenings: readonly Happening[]): string[] {
  const found = new Set<string>()
  for (let seed = 0; seed < 32; seed++) {
    // Both ends of every delay.
    const run = new Rehearsal(traced, old, { ...seededChances(seed), delay: () => (seed % 2 ? 0.999 : 0) })
    run.happen(happenings)
    const judge = new Judge(pictureAt(traced, old, HALL), pictureAt(traced, next, HALL))
    for (let tick = 0; tick < 6 * SECOND; tick += 4800) {
      const fault = judge.frame(run.seen(HALL, tick))
      if (fault) found.add(fault)
    }
    if (!judge.arrived) found.add('never')
  }
  return [...found].sort()
}

const NAMED = base(traced, { program: { side: 'in-1', main: 'in-2' }, keys: { main: { '1': 'names' } } })
const WELL: readonly [string, ShowState, ShowState, readonly Happening[]][] = [
  [
    'the feeder first, then the last',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-2')), at(0.5, 'main', program('in-1'))],
  ],
  [
    'the last first, then the feeder',
    ON_LINK,
    OFF_LINK,
    [at(0, 'main', program('in-2')), at(0.5, 'side', program('in-1'))],
  ],
  [
    'a mix at the last',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-2')), at(0.5, 'main', preview('in-1')), at(0.5, 'main', mix(25))],
  ],
  [
    'a lever that only goes on',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', preview('in-1')),
      ...[0.3, 0.3, 0.8, 1].map((share, i) => at(0.6 + i / 5, 'main', { do: 'lever', share })),
    ],
  ],
  [
    'a key that comes over ten frames',
    OFF_LINK,
    NAMED,
    [at(0, 'main', { do: 'key', keyer: '1', overlay: 'names', frames: 10 })],
  ],
  ['a key that goes', NAMED, OFF_LINK, [at(0, 'main', { do: 'key', keyer: '1', overlay: undefined, frames: 10 })]],
  [
    'to black over ten frames',
    OFF_LINK,
    base(traced, { program: { side: 'in-1', main: 'in-2' }, faded: { main: true } }),
    [at(0, 'main', { do: 'fade', to: true, frames: 10 })],
  ],
]
const ILL: readonly [string, string, ShowState, ShowState, readonly Happening[]][] = [
  ['both at once', 'neither', OFF_LINK, ON_LINK, [at(0, 'side', program('in-2')), at(0, 'main', program('in-1'))]],
  [
    'the last before the feeder',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'main', program('in-1')), at(0.5, 'side', program('in-2'))],
  ],
  [
    'the feeder before the last, on the way out',
    'neither',
    ON_LINK,
    OFF_LINK,
    [at(0, 'side', program('in-1')), at(0.5, 'main', program('in-2'))],
  ],
  [
    'one frame too soon',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-2')), at(0.02, 'main', program('in-1'))],
  ],
  ['the last alone', 'neither', OFF_LINK, ON_LINK, [at(0, 'main', program('in-1'))]],
  ['the feeder alone', 'never', OFF_LINK, ON_LINK, [at(0, 'side', program('in-2'))]],
  [
    'the wrong key of the feeder',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-3')), at(0.5, 'main', program('in-1'))],
  ],
  [
    'the wrong key of the last',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-2')), at(0.5, 'main', program('in-3'))],
  ],
  [
    'by a third picture',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-2')), at(0.5, 'main', program('in-3')), at(0.9, 'main', program('in-1'))],
  ],
  [
    'black between',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'side', program('in-2')), at(0.5, 'main', program('black')), at(0.9, 'main', program('in-1'))],
  ],
  [
    'back again',
    'back again',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', program('in-1')),
      at(0.8, 'main', program('in-2')),
      at(1, 'main', program('in-1')),
    ],
  ],
  [
    'a lever that goes back',
    'falls back',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', preview('in-1')),
      ...[0.6, 0.3, 1].map((share, i) => at(0.6 + i / 5, 'main', { do: 'lever', share })),
    ],
  ],
  [
    'a mix that is given up',
    'back again',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', preview('in-1')),
      at(0.6, 'main', { do: 'lever', share: 0.5 }),
      at(0.8, 'main', { do: 'lever', share: 0 }),
      at(1, 'main', program('in-1')),
    ],
  ],
  [
    'a mix with a third picture',
    'neither',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', preview('in-3')),
      at(0.5, 'main', mix(20)),
      at(1.2, 'main', program('in-1')),
    ],
  ],
  [
    'a press on preview while the mix runs',
    'neither',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', preview('in-1')),
      at(0.5, 'main', mix(40)),
      at(0.8, 'main', preview('in-3')),
      at(1.6, 'main', program('in-1')),
    ],
  ],
  [
    'a mix begun before the feeder is right',
    'neither',
    OFF_LINK,
    ON_LINK,
    [at(0, 'main', preview('in-1')), at(0, 'main', mix(25)), at(0.3, 'side', program('in-2'))],
  ],
  [
    'a fade on the way',
    'neither',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'main', { do: 'fade', to: true, frames: 10 }),
      at(0.5, 'side', program('in-2')),
      at(0.5, 'main', program('in-1')),
      at(1, 'main', { do: 'fade', to: false, frames: 10 }),
    ],
  ],
  [
    'another overlay',
    'neither',
    OFF_LINK,
    NAMED,
    [at(0, 'main', key('1', 'other')), at(0.5, 'main', key('1', 'names'))],
  ],
  [
    'the key before its cut',
    'neither',
    ON_LINK,
    NAMED,
    [at(0, 'main', key('1', 'names')), at(0.5, 'main', program('in-2')), at(1, 'side', program('in-1'))],
  ],
  [
    'the key after its cut',
    'neither',
    ON_LINK,
    NAMED,
    [at(0, 'main', program('in-2')), at(0.5, 'side', program('in-1')), at(1, 'main', key('1', 'names'))],
  ],
  [
    'a camera that moves on air',
    'moving',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', program('in-1')),
      other(0.8, 'b', { camera: 'moves' }),
      other(1.5, 'b', { camera: 'settled' }),
    ],
  ],
  [
    'a clip past its end',
    'over',
    OFF_LINK,
    ON_LINK,
    [other(-0.9, 'b', { clip: 'film' }), at(0.2, 'side', program('in-2')), at(0.5, 'main', program('in-1'))],
  ],
  [
    'a plug that is drawn',
    'lost',
    OFF_LINK,
    ON_LINK,
    [
      at(0, 'side', program('in-2')),
      at(0.5, 'main', program('in-1')),
      other(1, 'side', { signal: 'lost', port: 'in-2' }),
    ],
  ],
  [
    'a page that is turned on air',
    'neither',
    ON_LINK,
    OFF_LINK,
    [other(0, 'b', { content: 'blank' }), at(0.5, 'main', program('in-2')), at(1, 'side', program('in-1'))],
  ],
]

describe('a judge of frames', () => {
  it('finds nothing where a change is made well, whatever the phases and delays', () => {
    for (const [name, old, next, happenings] of WELL) expect(faults(old, next, happenings), name).toEqual([])
  })
  it('finds each change that is made ill, and why it is', () => {
    expect(ILL.length).toBeGreaterThanOrEqual(20)
    for (const [name, why, old, next, happenings] of ILL) expect(faults(old, next, happenings), name).toContain(why)
  })
})
