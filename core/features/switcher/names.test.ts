import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { callsOf } from '#core/run'
import { plan } from '../../../testing/plans'
import { namesOf, rangeOf, shortOf } from './names'

const cam = 'camera-box-hdmi 1080p59.94'
const stage = 'switcher-4-strict 1080p59.94'
/** Main has a camera at 1, the feeder at 2 and a camera at 3; Side has three cameras. */
const chain = (more: { call?: number } = {}) =>
  check(
    plan({
      devices: {
        one: cam,
        three: cam,
        a: { model: 'camera-box-hdmi', name: 'Left of stage', ...more },
        b: cam,
        c: cam,
        side: stage,
        main: 'switcher-4-multiview 1080p59.94',
      },
      links: {
        l1: 'one.hdmi > main.in-1 hdmi-passive 2',
        l2: 'side.out-1 > main.in-2 hdmi-passive 2',
        l3: 'three.hdmi > main.in-3 hdmi-passive 2',
        l4: 'a.hdmi > side.in-1 hdmi-passive 2',
        l5: 'b.hdmi > side.in-2 hdmi-passive 2',
        l6: 'c.hdmi > side.in-4 hdmi-passive 2',
      },
    }),
  ).traced

describe('numbers of sources', () => {
  it('are those of the keys at the last switcher, then the next free ones behind feeders', () =>
    // 2 is the key of the link, so that no source has it.
    expect(Object.fromEntries(callsOf(chain()))).toEqual({ one: 1, three: 3, a: 4, b: 5, c: 6 }))
  it('give way to one that was given, and go round it', () =>
    expect(Object.fromEntries(callsOf(chain({ call: 3 })))).toEqual({ a: 3, one: 1, three: 4, b: 5, c: 6 }))
})

describe('one record of names', () => {
  it('names each source at each input, cut to what the model has room for, and the link by its range', () => {
    const { sources, links } = namesOf(chain())
    const left = sources.find(({ device }) => device === 'a')!
    // 12 letters on the tiles of Side and 4 on its keys: "4 Left of stage" has 15.
    expect(left.at).toMatchObject([{ switcher: 'side', number: 1, long: '4 Left of st', short: 'LEOS', lost: 3 }])
    expect(links.map(({ range, switcher, number }) => [switcher, number, range])).toEqual([
      ['main', 2, 'side 4\u20136'],
    ])
  })
  it.each([
    [[1, 2, 3, 7], '1\u20133, 7'],
    [[5], '5'],
    [[4, 2, 3, 2], '2\u20134'],
  ])('says %j as a range', (numbers, words) => expect(rangeOf(numbers)).toBe(words))
  it.each([
    ['Wide', 4, 'WIDE'],
    ['Wide camera', 4, 'WIDC'],
    ['Overhead', 3, 'OVE'],
    ['Cam', 0, ''],
  ])('shortens %s to %i letters', (name, most, short) => expect(shortOf(name, most)).toBe(short))
  it('lays the multiview out as chosen, and leaves nothing out', () => {
    const traced = chain()
    const [plain] = namesOf(traced).tilings
    expect(plain!.tiles.map(({ id }) => id)).toEqual(['preview', 'program', 'in-1', 'in-2', 'in-3', 'in-4'])
    const devices = {
      ...traced.plan.devices,
      main: { ...traced.plan.devices.main!, ports: { 'out-3': { tiles: ['program', 'in-3', 'gone', 'in-3'] } } },
    }
    const [laid] = namesOf(check({ ...traced.plan, devices }).traced).tilings
    expect(laid!.tiles.map(({ id }) => id)).toEqual(['program', 'in-3', 'preview', 'in-1', 'in-2', 'in-4'])
  })
})
