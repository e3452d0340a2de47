import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plan } from '../../testing/plans'
import { canonicalPlan } from './canonical'
import { clashOf } from './clash'
import { type Edit, applyEdits } from './edit'

const name = (device: string, value: string): Edit => ({ do: 'set', at: ['devices', device, 'name'], value })
const route = (link: string, value: number): Edit => ({ do: 'set', at: ['links', link, 'routeM'], value })

describe('two changes', () => {
  it.each<[string, Edit[], Edit[]]>([
    ['of different devices', [name('cam', 'A')], [name('pc', 'B')]],
    [
      'of different fields of one device',
      [name('cam', 'A')],
      [{ do: 'set', at: ['devices', 'cam', 'order'], value: 4 }],
    ],
    [
      'of different settings of one port',
      [{ do: 'set', at: ['devices', 'main', 'ports', 'in-1', 'label'], value: 'A' }],
      [{ do: 'set', at: ['devices', 'main', 'ports', 'in-1', 'sound'], value: 'fixed' }],
    ],
    ['that want the same', [name('cam', 'A')], [name('cam', 'A')]],
    ['that both remove one thing', [{ do: 'disconnect', id: 'a' }], [{ do: 'disconnect', id: 'a' }]],
    [
      'of the two ends of one cable',
      [{ do: 'move', id: 'a', end: 'to', to: { device: 'main', port: 'in-2' } }],
      [{ do: 'move', id: 'a', end: 'from' }],
    ],
    [
      'that add different things',
      [{ do: 'add', collection: 'segments', id: 's', value: { title: 'S', order: 1 } }],
      [{ do: 'add', collection: 'segments', id: 't', value: { title: 'T', order: 1 } }],
    ],
  ])('%s do not clash', (_, mine, theirs) => {
    expect(clashOf(mine, theirs)).toBeUndefined()
    expect(clashOf(theirs, mine)).toBeUndefined()
  })
  it.each<[string, Edit[], Edit[], string, unknown, unknown]>([
    ['of one field', [name('cam', 'A')], [name('cam', 'B')], 'devices/cam/name', 'A', 'B'],
    [
      'where one empties the field',
      [{ do: 'set', at: ['links', 'a', 'routeM'] }],
      [route('a', 5)],
      'links/a/routeM',
      undefined,
      5,
    ],
    [
      'of an entry that the other removes',
      [route('a', 5)],
      [{ do: 'disconnect', id: 'a' }],
      'links/a/routeM',
      5,
      undefined,
    ],
    [
      'where mine removes what theirs changes',
      [{ do: 'remove', collection: 'devices', id: 'cam' }],
      [name('cam', 'B')],
      'devices/cam/name',
      undefined,
      'B',
    ],
    [
      'of one end of a cable',
      [{ do: 'move', id: 'a', end: 'to', to: { device: 'main', port: 'in-2' } }],
      [{ do: 'move', id: 'a', end: 'to', to: { device: 'main', port: 'in-3' } }],
      'links/a/to',
      { device: 'main', port: 'in-2' },
      { device: 'main', port: 'in-3' },
    ],
    [
      'of a whole setting and a part of it',
      [{ do: 'set', at: ['devices', 'cam', 'ports'] }],
      [{ do: 'set', at: ['devices', 'cam', 'ports', 'hdmi', 'label'], value: 'B' }],
      'devices/cam/ports/hdmi/label',
      undefined,
      'B',
    ],
    [
      'where mine takes a field out of what theirs removes',
      [{ do: 'set', at: ['links', 'a', 'routeM'] }],
      [{ do: 'disconnect', id: 'a' }],
      'links/a/routeM',
      undefined,
      undefined,
    ],
  ])('%s clash', (_, mine, theirs, at, here, there) => {
    expect(clashOf(mine, theirs)).toEqual({ at: at.split('/'), mine: here, theirs: there })
    expect(clashOf(theirs, mine)).toEqual({ at: at.split('/'), mine: there, theirs: here })
  })
  it('that do not clash give the same plan in either order', () => {
    const base = plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'pc.hdmi-1 > main.in-2 hdmi-passive 2' },
    })
    const edit: fc.Arbitrary<Edit> = fc.oneof(
      fc
        .record({ device: fc.constantFrom('cam', 'pc', 'main'), value: fc.constantFrom('A', 'B') })
        .map(({ device, value }) => name(device, value)),
      fc
        .record({ link: fc.constantFrom('a', 'b'), value: fc.integer({ min: 1, max: 3 }) })
        .map(({ link, value }) => route(link, value)),
      fc
        .record({ port: fc.constantFrom('in-1', 'in-2'), value: fc.constantFrom('X', 'Y') })
        .map(({ port, value }): Edit => ({ do: 'set', at: ['devices', 'main', 'ports', port, 'label'], value })),
      fc
        .record({ link: fc.constantFrom('a', 'b'), port: fc.constantFrom('in-3', 'in-4') })
        .map(({ link, port }): Edit => ({ do: 'move', id: link, end: 'to', to: { device: 'main', port } })),
    )
    let met = 0
    fc.assert(
      fc.property(
        fc.array(edit, { minLength: 1, maxLength: 3 }),
        fc.array(edit, { minLength: 1, maxLength: 3 }),
        (mine, theirs) => {
          if (clashOf(mine, theirs)) return
          met++
          const both = (first: Edit[], second: Edit[]) => {
            const applied = applyEdits(base, [...first, ...second])
            if (!applied.ok) throw new Error(applied.problem.path)
            return canonicalPlan(applied.value.plan)
          }
          expect(both(mine, theirs)).toBe(both(theirs, mine))
        },
      ),
      { numRuns: 300 },
    )
    expect(met).toBeGreaterThan(50)
  })
})
