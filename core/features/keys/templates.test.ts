import { describe, expect, it } from 'vitest'
import { type Traced, tracedOf } from '#core/chain'
import { type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { expandMacro, frameTicks } from '#core/run'
import { worked } from '../../../testing/plans'
import { type Made, lowerThird, stinger } from './templates'

const show = (clip: object = {}, more: object = {}): Plan =>
  worked({
    devices: {
      pc: 'computer 1080p50',
      film: 'player-clips 1080p50',
      main: 'switcher-8-hdmi 1080p50',
      hall: 'projector',
    },
    links: {
      a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
      f: 'film.hdmi > main.in-3 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 5',
    },
    wants: { hall: 'program' },
    overlays: {
      name: { title: 'Name', order: 1, kind: 'luma', fill: 'pc' },
      swirl: { title: 'Swirl', order: 2, kind: 'luma', fill: 'film' },
    },
    clips: {
      swirl: {
        title: 'Swirl',
        order: 1,
        player: 'film',
        lengthS: 2,
        end: 'black',
        measured: { frames: 100, pairs: 0, covers: [20, 31] },
        ...clip,
      },
    },
    ...more,
  } as never)

/** What a template makes, frame by frame at 50 frames a second. */
function steps(traced: Traced, made: Made): [frame: number, what: string][] {
  if ('why' in made) throw new Error(made.why)
  const applied = applyEdits(traced.plan, [...made.edits])
  if (!applied.ok) throw new Error(applied.problem.path)
  const { plan } = applied.value
  // Nothing is wrong with what was made.
  const codes = (of: Plan) => check(of).findings.map(({ key }) => key)
  expect(codes(plan)).toEqual(codes(traced.plan))
  const [macro] = Object.values(plan.macros)
  const { happenings, ticks } = expandMacro(tracedOf(plan), macro!, 0, () => frameTicks('50/1'))
  return [
    ...happenings.map((one): [number, string] => {
      const frame = one.tick / frameTicks('50/1')
      if ('clip' in one) return [frame, `play ${one.clip}`]
      if (!('command' in one)) return [frame, 'else']
      const { command } = one
      return [frame, command.do === 'key' ? `${command.overlay ?? 'off'} ${command.frames ?? 1}` : command.do]
    }),
    [ticks / frameTicks('50/1'), 'over'],
  ]
}

describe('a lower third', () => {
  it('comes over its frames, stands, and goes', () => {
    const traced = tracedOf(show())
    expect(steps(traced, lowerThird(traced, 'name', { in: 12, hold: 150, out: 25 }))).toEqual([
      [0, 'name 12'],
      [162, 'off 25'],
      [187, 'over'],
    ])
  })
  it('is none where no keyer or no macro is there', () => {
    const small = tracedOf(
      show(
        {},
        {
          devices: {
            pc: 'computer 1080p50',
            film: 'player-clips 1080p50',
            main: 'switcher-4-strict 1080p50',
            hall: 'projector',
          },
        },
      ),
    )
    expect(lowerThird(small, 'name', { in: 1, hold: 1, out: 1 })).toEqual({ why: 'main holds no macros' })
    expect(lowerThird(small, 'gone', { in: 1, hold: 1, out: 1 })).toEqual({ why: 'it has no keyer' })
  })
})

describe('a stinger', () => {
  it('cuts in the middle of the frames in which its clip covers the picture', () => {
    const traced = tracedOf(show())
    // Players take 5 frames to begin and this one makes its picture 1 late: frames 20 to 31 are there from 5 + 19 + 1 = 25
    // up to 37, and their middle is 31. The clip of 100 frames is over at 106.
    expect(steps(traced, stinger(traced, 'swirl', 'swirl'))).toEqual([
      [0, 'play swirl'],
      [0, 'swirl 1'],
      [31, 'cut'],
      [106, 'off 1'],
      [106, 'over'],
    ])
  })
  it('counts the frames of a clip at half the rate twice', () => {
    const traced = tracedOf(show({ format: { raster: '1920x1080', scan: 'p', rate: '25/1' } }))
    // 25 frames of 40 ms are 50 of 20, with 6 of the player.
    expect(steps(traced, stinger(traced, 'swirl', 'swirl'))[2]).toEqual([56, 'cut'])
  })
  it('is none where nobody measured it, or another device plays it', () => {
    const why = (traced: Traced, overlay: string) => stinger(traced, overlay, 'swirl')
    expect(why(tracedOf(show({ measured: { frames: 100, pairs: 0 } })), 'swirl')).toEqual({
      why: 'nobody measured when it covers the picture',
    })
    expect(why(tracedOf(show()), 'name')).toEqual({ why: 'the clip is not played by its source' })
  })
})
