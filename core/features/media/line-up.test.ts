import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { fmt, plan } from '../../../testing/plans'

const COUNTS = [undefined, 'drop', 'non-drop'] as const
const RATES = ['1080p29.97', '1080p25'] as const

describe('how isolated recordings come together', () => {
  it('is asked of two or more that record by themselves, and their counts must be one; over all choices', () => {
    for (const rate of RATES)
      for (const isolated of [true, false])
        for (const lineUp of [undefined, 'timecode', 'clap'] as const)
          for (const cameras of [1, 2])
            for (const first of COUNTS)
              for (const second of COUNTS) {
                const camera = (timecode: (typeof COUNTS)[number]) => ({
                  model: 'camera-hand-hdmi',
                  mode: 'inside-2160',
                  ports: { hdmi: { format: fmt(rate) } },
                  ...(timecode ? { timecode } : {}),
                })
                const { findings } = check(
                  plan({
                    brief: { ...(isolated ? { isolated: true as const } : {}), ...(lineUp ? { lineUp } : {}) },
                    devices: {
                      one: camera(first),
                      ...(cameras === 2 ? { two: camera(second) } : {}),
                      main: `switcher-4-strict ${rate}`,
                      scr: 'screen',
                    },
                    links: {
                      a: 'one.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
                      ...(cameras === 2 ? { b: 'two.hdmi > main.in-2 hdmi-passive 2 adapter-hdmi-micro' } : {}),
                      c: 'main.out-1 > scr.in hdmi-passive 2',
                    },
                    wants: { scr: 'program' },
                  }),
                )
                const told = findings.filter(({ id }) => id === 'E03').map(({ says }) => says)
                const several = isolated && cameras === 2
                // At 25 frames a second every frame has its number either way.
                const mixed = several && rate === '1080p29.97' && first && second && first !== second
                expect(told, [rate, isolated, lineUp, cameras, first, second].join(' ')).toEqual([
                  ...(several && !lineUp ? ['none'] : []),
                  ...(mixed ? ['mixed'] : []),
                ])
              }
  })
})
