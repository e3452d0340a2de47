import { describe, expect, it } from 'vitest'
import { type CableModel, LEADS } from '#core/cable'
import { type Plan, openPlan } from '#core/document'
import { remediesOf } from '#core/propose'
import { fmt, plan } from '../../testing/plans'
import { check } from './index'

const wall = (more: Partial<CableModel> = {}): CableModel => {
  const { from: _, ...coax } = LEADS.get('coax-rg6') as CableModel
  return {
    ...coax,
    title: 'Wall run 3',
    stock: [{ m: 60, priceMinor: 0 }],
    joins: false,
    installed: ['Gallery', 'Booth'],
    ...more,
  }
}
/** A camera whose miniature coax does not reach, and what lies in the wall. */
function house(lead: CableModel, place = 'Gallery'): Plan {
  const written = plan({
    devices: {
      cam: { model: 'camera-studio-sdi', place, ports: { sdi: { format: fmt('1080p50') } } },
      main: { model: 'switcher-8-mixed', place: 'Booth', standard: fmt('1080p50') },
    },
    links: { a: 'cam.sdi > main.in-5 coax-miniature 70' },
  })
  return { ...written, leads: { ...written.leads, wall: lead } }
}
const offers = (written: Plan): string[] => {
  const checked = check(written)
  expect(checked.findings[0]!.id).toBe('L02')
  return remediesOf(checked, checked.findings[0]!).map(({ title }) => title)
}

describe('what is installed in the building', () => {
  it('is a valid lead', () => expect(openPlan(house(wall())).ok).toBe(true))
  it('is taken first between its two places, at no price, whichever way round', () => {
    expect(offers(house(wall()))[0]).toBe('Take 60 m Wall run 3')
    expect(offers(house(wall({ installed: ['Booth', 'Gallery'] })))[0]).toBe('Take 60 m Wall run 3')
    const checked = check(house(wall()))
    expect(remediesOf(checked, checked.findings[0]!)[0]!.effect.change.price).toBeLessThanOrEqual(0)
  })
  it.each([
    ['between other places', house(wall(), 'Stage')],
    ['against its direction', house(wall({ installed: ['Booth', 'Gallery'], oneWay: true }))],
    // 120 m of RG-6 lose 28.1 dB at 3G, of 20.
    ['where it does not reach', house(wall({ stock: [{ m: 120, priceMinor: 0 }] }))],
  ])('is not offered %s', (_, written) => expect(offers(written).join()).not.toContain('Wall run 3'))
  it('is not offered once it is in use', () => {
    const free = house(wall())
    const used: Plan = {
      ...free,
      devices: { ...free.devices, two: { ...free.devices.cam!, name: 'two' } },
      links: {
        ...free.links,
        b: { from: { device: 'two', port: 'sdi' }, to: { device: 'main', port: 'in-6' }, cable: 'wall', pieces: [60] },
      },
    }
    expect(offers(used).join()).not.toContain('Wall run 3')
  })
})
