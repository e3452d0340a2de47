import { describe, expect, it } from 'vitest'
import { random } from '../../testing/chains'
import { fmt, plan } from '../../testing/plans'
import { SOAK } from '../../testing/soak'
import { check } from './index'

// Shows with budgets drawn at random, and an arithmetic of their own beside them: what runs out is told, and nothing else.

/** Video of one track at 59.94 frames/s in 1080, Mb/s; two channels of sound are 2.3 more. */
const CODED = { 'long': 70, 'intra-light': 204, 'intra': 294, 'intra-high': 440 } as const
type Coded = keyof typeof CODED
const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
const on = (ids: readonly string[]) => Object.fromEntries(ids.map(id => [id, true as const]))

/** A show, and by code how far each budget is used: above 1 it is at fault. */
function drawn(seed: number) {
  const r = random(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(r() * list.length)]!
  const whole = (from: number, to: number) => from + Math.floor(r() * (to - from + 1))
  const doors = 17 * 60
  const start = doors + 15 * whole(1, 4)
  const end = start + 15 * whole(2, 14)
  const hours = (end - start) / 60

  const packs = { wh: pick([16, 32, 49]), count: whole(1, 6), aged: r() < 0.3 }
  // A hand camera draws 9 W; four fifths of what a pack holds come out of it, and of an old one four fifths of that.
  const batteryH = (packs.wh * packs.count * 0.8 * (packs.aged ? 0.8 : 1)) / 9

  const lights = Array.from({ length: whole(1, 9) }, (_, i) => [`light-${i}`, pick([110, 330])] as const)
  const amps = pick([6, 10, 13, 16, 20])
  // A panel draws up to 110 W, a spot up to 330.
  const watts = lights.reduce((sum, [, w]) => sum + w, 0)
  const screens = Array.from({ length: whole(5, 12) }, (_, i) => `scr-${i}`)

  const coding = pick(Object.keys(CODED) as Coded[])
  const medium = {
    gb: pick([64, 128, 256, 512, 1000]),
    writeMBs: pick([20, 40, 60, 90, 150]),
    system: pick(['fat32', 'exfat', 'exfat'] as const),
  }
  const trackMBs = (CODED[coding] + 2.3) / 8
  const showGb = (trackMBs * hours * 3600) / 1000

  const videoMbps = pick([3, 4.5, 6, 8, 12])
  const line = whole(4, 40)
  const nested = r() < 0.2
  const used = {
    P01: (((end - doors) / 60) * 1.3) / batteryH,
    P04: watts / (230 * 0.6) / (amps * 0.8),
    // Screens for computers leak 1 mA each; of 30 mA no more than 9 may be used up.
    P12: screens.length / 9,
    P07: nested ? 2 : 0,
    O06: (showGb * 1.3) / 0.9 / medium.gb,
    O07: (trackMBs * 1.5) / medium.writeMBs,
    // Files end at 4 GiB there.
    O08: medium.system === 'fat32' ? (showGb * 1e9) / (4 * 2 ** 30) : 0,
    O09: ((videoMbps + 0.16) * 1.1 * 1.5) / line,
  }
  const show = plan({
    brief: {
      mains: '230v-50hz',
      doors: clock(doors),
      start: clock(start),
      end: clock(end),
      copies: 0,
      testStream: '16:30',
    },
    devices: {
      cam: { model: 'camera-hand-hdmi', shutter: 100, ports: { hdmi: { format: fmt('1080p59.94') } } },
      main: 'switcher-4-strict 1080p59.94',
      rec: { model: 'recorder-hdmi', coding },
      enc: 'encoder-stream',
      ...Object.fromEntries(screens.map(id => [id, 'screen-computer'])),
      ...Object.fromEntries(lights.map(([id, w]) => [id, w === 110 ? 'light-panel' : 'light-spot'])),
    },
    links: {
      c: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      r: 'main.out-1 > rec.in hdmi-passive 2',
      e: 'main.out-2 > enc.in hdmi-passive 2',
    },
    wants: { rec: { feed: 'program', silent: true }, enc: { feed: 'program', silent: true } },
    batteries: {
      packs: {
        title: 'Packs',
        order: 1,
        kind: 'pack',
        wh: packs.wh,
        count: packs.count,
        ...(packs.aged ? { aged: true } : {}),
        loads: { cam: true },
      },
    },
    circuits: {
      lights: { title: 'Lights', order: 1, amps, loads: on(lights.map(([id]) => id)) },
      wall: { title: 'Wall', order: 2, amps: 32, residual: 'Wall box' },
    },
    strips: {
      one: { title: 'One', order: 1, circuit: 'wall', loads: on(screens.slice(0, 4)) },
      two: {
        title: 'Two',
        order: 2,
        ...(nested ? { strip: 'one' } : { circuit: 'wall' }),
        loads: on(screens.slice(4)),
      },
    },
    media: { disk: { title: 'Disk', order: 1, device: 'rec', ...medium } },
    uplinks: {
      house: { title: 'Line of the house', order: 1, by: 'wire', samples: [line], encoders: { enc: true } },
      spare: { title: 'Mobile router', order: 2, by: 'mobile', samples: [60] },
    },
    destinations: { page: { title: 'The page', order: 1, encoder: 'enc', videoMbps } },
  } as never)
  return { show, used }
}

describe('what runs out', () => {
  it('is told of every show in which a sum by hand says so, and of no other', () => {
    const told: Record<string, number> = {}
    let clean = 0
    for (let seed = 1; seed <= (SOAK ? 20_000 : 500); seed++) {
      const { show, used } = drawn(seed)
      // On the edge both are right.
      if (Object.values(used).some(share => Math.abs(share - 1) < 0.002)) continue
      const expected = Object.entries(used).flatMap(([code, share]) => (share > 1 ? [code] : []))
      const found = check(show).findings.filter(({ severity }) => severity !== 'N')
      expect([...new Set(found.map(({ id }) => id))].sort(), `seed ${seed}`).toEqual(expected.sort())
      for (const code of expected) told[code] = (told[code] ?? 0) + 1
      clean += expected.length === 0 ? 1 : 0
    }
    for (const code of Object.keys(drawn(1).used)) expect(told[code], code).toBeGreaterThan(40)
    expect(clean).toBeGreaterThan(4)
  }, 600_000)
})
