import { describe, expect, it } from 'vitest'
import { resolve } from '#core/chain'
import { conversionSteps, formatLabel, listFormats, raster } from '#core/signal'
import { fmt, plan } from '../../../testing/plans'
import { abilityOf, gainsApart, standardSteps, worthwhile } from './merit'

describe('steps of conversion', () => {
  it.each<[string, string, number]>([
    ['1080p50', '1080p50', 0],
    ['1080p50', '720p50', 1],
    ['1080p50', '1080p59.94', 2],
    ['1080i50', '1080p25', 1],
    // Raster, scan and rate at once: 1 + 1 + 2.
    ['720p59.94', '1080i50', 4],
    ['1080psf25', '1080i50', 0],
    ['1080psf25', '1080p25', 1],
  ])('%s to %s: %i', (from, to, steps) => {
    expect(conversionSteps(fmt(from), fmt(to))).toBe(steps)
    expect(conversionSteps(fmt(to), fmt(from))).toBe(steps)
  })
})

describe('what a standard shows less', () => {
  const two = (mains?: '230v-50hz' | '120v-60hz', shutter?: number) =>
    plan({
      brief: mains ? { mains } : {},
      devices: {
        a: { model: 'camera-studio-sdi', ...(shutter ? { shutter } : {}) },
        b: { model: 'camera-studio-sdi', ...(shutter ? { shutter } : {}) },
        pc: 'computer',
        main: 'switcher-8-mixed 1080p50',
      },
    })
  it.each<[string, ReturnType<typeof two>, number]>([
    ['1080p50', two(), 0],
    ['720p50', two(), 2],
    ['1080i50', two(), 1],
    ['1080p25', two(), 4],
    // 59.94 pictures under 50 Hz lamps beat 20 times a second in both cameras; 50 under 60 Hz lamps as well.
    ['1080p59.94', two('230v-50hz'), 2],
    ['1080p50', two('230v-50hz'), 0],
    ['1080p50', two('120v-60hz'), 2],
    ['1080p59.94', two('120v-60hz'), 0],
    ['1080p59.94', two('230v-50hz', 100), 0],
  ])('%s: %#', (label, written, steps) => expect(standardSteps(written, fmt(label))).toBe(steps))
})

describe('the standards worth considering', () => {
  const nodesOf = (devices: Record<string, string>) => [...resolve(plan({ devices })).nodes.values()]
  const labels = (devices: Record<string, string>, given?: string) => {
    const nodes = nodesOf(devices)
    return worthwhile(
      plan({ devices }),
      nodes.filter(({ model }) => model.role === 'switcher'),
      abilityOf(nodes),
      given ? fmt(given) : undefined,
    ).map(formatLabel)
  }
  it('leave out none that is in use or given', () => {
    const devices = { cam: 'camera-box-hdmi', main: 'switcher-4-strict 720p50' }
    expect(labels(devices)).toContain('720p50')
    expect(labels(devices)).not.toContain('1080p25')
    expect(labels(devices, '1080p25')).toContain('1080p25')
  })
  it('leave out only what another one beats or equals for everybody', () => {
    const devices = {
      cam: 'camera-box-hdmi',
      pc: 'computer',
      ptz: 'camera-ptz',
      wall: 'projector',
      main: 'switcher-8-mixed 1080p50',
      side: 'switcher-4-fixed-rate',
    }
    const nodes = nodesOf(devices)
    const { makers, takers } = abilityOf(nodes)
    const kept = labels(devices).map(fmt)
    const all = nodes
      .filter(({ model }) => model.role === 'switcher')
      .flatMap(({ model }) => listFormats(model.standards ?? []))
    for (const gone of all.filter(format => !kept.some(one => formatLabel(one) === formatLabel(format)))) {
      // By sets alone, and the number of lines: somebody who is kept does all of it.
      expect(
        kept.some(
          one =>
            [...makers(gone)].every(id => makers(one).has(id)) &&
            [...takers(gone)].every(id => takers(one).has(id)) &&
            raster(one.raster).height >= Math.min(1080, raster(gone.raster).height),
        ),
      ).toBe(true)
    }
    expect(kept.length).toBeLessThan(new Set(all.map(formatLabel)).size)
  })
  it('let a feeder stand apart where two sources gain by it, or where it must', () => {
    const nodes = nodesOf({
      a: 'camera-box-hdmi',
      b: 'camera-box-hdmi',
      c: 'camera-studio-sdi',
      side: 'switcher-4-strict 1080p59.94',
      small: 'switcher-2-field 720p50',
      main: 'switcher-8-mixed 1080p50',
    })
    const ability = abilityOf(nodes)
    const at = (id: string) => nodes.find(node => node.id === id)!
    // Both box cameras make 59.94 and not 50; one alone is converted as cheaply where it stands.
    expect(gainsApart(ability, at('side'), fmt('1080p59.94'), fmt('1080p50'))).toBe(true)
    expect(
      gainsApart(abilityOf(nodes.filter(({ id }) => id !== 'b')), at('side'), fmt('1080p59.94'), fmt('1080p50')),
    ).toBe(false)
    expect(gainsApart(ability, at('side'), fmt('1080p50'), fmt('1080p59.94'))).toBe(false)
    // The field unit has no 1080p.
    expect(gainsApart(ability, at('small'), fmt('720p50'), fmt('1080p50'))).toBe(true)
  })
})
