import { type Traced, tracedOf } from '#core/chain'
import type { Plan } from '#core/document'
import { type ShowState, stateBefore, taken } from '#core/run'
import { plan } from './plans'

/** A feeder and a last switcher of some models; two sources each. */
export const chain = (side = 'switcher-8-hdmi 1080p50', main = 'switcher-12-sdi 1080p50'): Traced => {
  const sdi = main.startsWith('switcher-12')
  return tracedOf(
    plan({
      devices: {
        a: 'computer 1080p50',
        b: 'computer 1080p50',
        c: sdi ? 'camera-studio-sdi 1080p50' : 'computer 1080p50',
        ...(sdi ? { up: 'hdmi-to-sdi' } : {}),
        side,
        main,
        hall: sdi ? 'screen-sdi' : 'screen',
      },
      links: {
        a: 'a.hdmi-1 > side.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > side.in-2 hdmi-passive 2',
        c: sdi ? 'c.sdi > main.in-2 coax-rg6 2' : 'c.hdmi-1 > main.in-2 hdmi-passive 2',
        ...(sdi
          ? {
              l: 'side.out-1 > up.in hdmi-passive 1',
              m: 'up.out > main.in-1 coax-rg6 2',
              h: 'main.out-1 > hall.in coax-rg6 5',
            }
          : { l: 'side.out-1 > main.in-1 hdmi-passive 1', h: 'main.out-1 > hall.in hdmi-passive 5' }),
      },
      wants: { hall: 'program' },
    }),
  )
}
/** A state by what it names, the rest as before the first look. */
export const base = (traced: Traced, look: object): ShowState =>
  taken(stateBefore(traced), { title: '', order: 0, ...look })

/** Repeatable numbers from 0 up to 1. */
export const random = (seed: number) => {
  let state = seed * 2654435761 + 1
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 4294967296
  }
}
/**
 * Chains of two or three switchers, in a row or side by side, with keys at any of them; two sinks. `unlike`: the feeder works
 * at 25 or at 59.94 frames a second, the last one at 50.
 */
export const wild = (seed: number, unlike = false): { traced: Traced; state: (n: number) => ShowState } => {
  const r = random(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(r() * list.length)]!
  const deep = r() < 0.5
  const third = r() < 0.6
  const devices: Record<string, string> = {
    side: `switcher-8-hdmi ${unlike ? (seed % 4 < 2 ? '1080p25' : '1080p59.94') : '1080p50'}`,
    main: 'switcher-8-hdmi 1080p50',
    hall: 'screen',
    rec: 'recorder-hdmi',
  }
  const links: Record<string, string> = {
    l: 'side.out-1 > main.in-1 hdmi-passive 1',
    h: 'main.out-1 > hall.in hdmi-passive 5',
    r: 'main.out-2 > rec.in hdmi-passive 2',
  }
  if (third) {
    devices.far = 'switcher-4-strict 1080p50'
    links.f = deep ? 'far.out-1 > side.in-1 hdmi-passive 1' : 'far.out-1 > main.in-2 hdmi-passive 1'
  }
  const switchers = ['side', 'main', ...(third ? ['far'] : [])]
  const inputs: Record<string, string[]> = {
    side: deep && third ? ['in-1'] : [],
    main: third && !deep ? ['in-1', 'in-2'] : ['in-1'],
    far: [],
  }
  let n = 0
  for (const device of switchers)
    for (let i = inputs[device]!.length; i < 3; i++) {
      n++
      devices[`s${n}`] = 'computer 1080p50'
      links[`x${n}`] = `s${n}.hdmi-1 > ${device}.in-${i + 1} hdmi-passive 2`
      inputs[device]!.push(`in-${i + 1}`)
    }
  const overlays: Plan['overlays'] = Object.fromEntries(
    [1, 2].map(i => [
      `o${i}`,
      { title: `O${i}`, order: i, kind: pick(['luma', 'box'] as const), fill: `s${1 + Math.floor(r() * n)}` },
    ]),
  )
  const written = plan({
    devices,
    links,
    wants: { hall: 'program', rec: { feed: 'program', silent: true } },
    overlays,
  } as never)
  const traced = tracedOf(written)
  const state = (): ShowState =>
    base(traced, {
      program: Object.fromEntries(switchers.map(device => [device, pick(inputs[device]!)])),
      keys: {
        main: { ...(r() < 0.4 ? { '1': pick(['o1', 'o2']) } : {}), ...(r() < 0.3 ? { '2': 'o1' } : {}) },
        side: r() < 0.2 ? { '1': 'o2' } : {},
      },
    })
  return { traced, state }
}
