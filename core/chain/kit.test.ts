import { describe, expect, it } from 'vitest'
import { plan } from '../../testing/plans'
import { kitLines, kitMinor } from './kit'

const show = plan({
  devices: {
    a: 'camera-hand-hdmi 1080p50',
    b: 'camera-hand-hdmi 1080p50',
    main: 'switcher-4-strict 1080p50',
    wall: 'projector',
  },
  links: {
    // 3 m + 2 m at least: a 5 m piece. 13 m + 2 m: 15 m. 17 m + 2 m: 20 m and none shorter; chosen here as 15 + 5.
    near: 'a.hdmi > main.in-1 hdmi-passive 3 adapter-hdmi-micro',
    far: 'b.hdmi > main.in-2 hdmi-passive 13 adapter-hdmi-micro',
    wall: {
      from: { device: 'main', port: 'out-1' },
      to: { device: 'wall', port: 'in' },
      cable: 'hdmi-passive',
      routeM: 17,
      pieces: [15, 5],
    },
  },
  kit: {
    cameras: { kind: 'model', id: 'camera-hand-hdmi', owned: 1, hired: 1, hireMinor: 7000 },
    fives: { kind: 'lead', id: 'hdmi-passive', pieceM: 5, owned: 1 },
    adapters: { kind: 'lead', id: 'adapter-hdmi-micro', owned: 5 },
    spare: { kind: 'lead', id: 'hdmi-passive', pieceM: 1, owned: 3 },
  },
})
const lines = kitLines(show)
const line = (id: string, pieceM?: number) =>
  lines.find(candidate => candidate.id === id && candidate.pieceM === pieceM)!

describe('the kit', () => {
  it.each<[string, string, number | undefined, number, number]>([
    ['cameras, one owned and one hired', 'camera-hand-hdmi', undefined, 2, 0],
    ['switchers, which the list does not name', 'switcher-4-strict', undefined, 1, 1],
    ['5 m pieces: one of its own, one joined to another', 'hdmi-passive', 5, 2, 1],
    ['15 m pieces: one for its route, one joined', 'hdmi-passive', 15, 2, 2],
    ['adapters at both cameras', 'adapter-hdmi-micro', undefined, 2, 0],
    ['1 m pieces that nothing uses', 'hdmi-passive', 1, 0, 0],
  ])('counts %s', (_, id, pieceM, needed, missing) => expect(line(id, pieceM)).toMatchObject({ needed, missing }))
  it('takes the hire from the list, and a tenth of the price where the list says nothing', () => {
    expect(line('camera-hand-hdmi').hireMinor).toBe(7000)
    expect(line('projector').hireMinor).toBe(Math.round(show.models.projector!.priceMinor / 10))
  })
  it('lists devices before cables, and lengths of one cable upwards', () => {
    const order = lines.map(({ kind: of }) => of)
    expect(order.lastIndexOf('model')).toBeLessThan(order.indexOf('lead'))
    const lengths = lines.filter(({ id }) => id === 'hdmi-passive').map(({ pieceM }) => pieceM)
    expect(lengths).toEqual([1, 5, 15])
  })
  it('adds up hire, purchases and what is missing', () => {
    const sums = kitMinor(show)
    // One camera is hired for 70.00; nothing is bought.
    expect(sums).toMatchObject({ hire: 7000, buy: 0 })
    expect(sums.missing).toBe(
      line('switcher-4-strict').minor +
        line('projector').minor +
        line('hdmi-passive', 5).minor +
        2 * line('hdmi-passive', 15).minor,
    )
  })
})
