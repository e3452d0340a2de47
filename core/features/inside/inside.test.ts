import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { lossesOf, placesOf, whatIf } from '#core/features/continuity'
import { why } from '#core/features/why'
import { CLEAN } from '../../../testing/clean'
import { fmt, plan } from '../../../testing/plans'
import { inside } from './inside'

const show = plan({
  devices: {
    wide: 'camera-studio-sdi 1080p50',
    close: 'camera-studio-sdi 1080p50',
    slides: 'computer 1080p50',
    guest: 'computer 1080p50',
    desk: 'desk-house',
    side: { model: 'switcher-4-strict', standard: fmt('1080p50'), ports: { 'in-2': { offAir: true } } },
    main: { model: 'switcher-8-mixed', standard: fmt('1080p50'), ports: { 'out-2': { feed: 'clean' } } },
    hall: 'projector-sdi',
    stream: 'encoder-stream',
    op: 'screen',
    lobby: 'screen',
    cap: 'capture-sdi',
  },
  links: {
    w: 'wide.sdi > main.in-5 coax-rg6 20',
    c: 'close.sdi > main.in-6 coax-rg6 20',
    s: 'slides.hdmi-1 > side.in-1 hdmi-passive 2',
    g: 'guest.hdmi-1 > side.in-2 hdmi-passive 2',
    u: 'side.out-1 > main.in-1 hdmi-passive 1',
    d: 'desk.feed > main.sound-2 xlr-lead 10',
    h: 'main.out-1 > hall.in coax-rg6 40',
    e: 'main.out-4 > stream.in hdmi-passive 2',
    o: 'main.out-3 > op.in hdmi-passive 2',
    l: 'slides.hdmi-2 > lobby.in hdmi-passive 2',
    r: 'main.out-2 > cap.in coax-rg6 2',
  },
  wants: { hall: 'program', stream: { feed: 'program', sound: true }, op: 'multiview', lobby: 'program', cap: 'clean' },
})

describe('what is inside', () => {
  const { layers, deliverables, share } = inside(check(show).traced)
  const of = (layer: string, deliverable: string) =>
    share[layers.findIndex(({ device }) => device === layer)]![
      deliverables.findIndex(({ device }) => device === deliverable)
    ]
  it('has a row for each picture and each sound, and a column for each deliverable, in their order', () => {
    expect(layers.map(({ device, of: kind }) => `${device} ${kind}`)).toEqual([
      'wide picture',
      'close picture',
      'slides picture',
      'guest picture',
      'slides sound',
      'desk sound',
    ])
    expect(deliverables.map(({ device }) => device)).toEqual(['hall', 'stream', 'op', 'lobby', 'cap'])
  })
  // What is kept off the air at the feeder is in its own multiview alone, and it has none.
  it.each([
    ['wide', 'hall', 'can'],
    ['slides', 'hall', 'can'],
    ['guest', 'hall', undefined],
    ['wide', 'op', 'tile'],
    ['slides', 'op', 'can'],
    ['slides', 'lobby', 'always'],
    ['wide', 'lobby', undefined],
    ['close', 'cap', 'can'],
    ['desk', 'stream', 'heard'],
    ['desk', 'hall', 'heard'],
    ['desk', 'lobby', undefined],
  ])('%s in %s: %s', (layer, deliverable, expected) => expect(of(layer, deliverable)).toBe(expected))
  it('says what a deliverable misses', () =>
    expect(Object.fromEntries(deliverables.map(({ device, misses }) => [device, misses]))).toEqual({
      hall: [],
      stream: [],
      op: [],
      lobby: ['program'],
      cap: [],
    }))
  it('holds nothing in what is dark', () => {
    const dark = inside(check({ ...show, links: { ...show.links, w: { ...show.links.w!, routeM: 400 } } }).traced)
    expect(dark.share[0]).toEqual([undefined, undefined, undefined, undefined, undefined])
  })
})

describe('a place or the mains lost', () => {
  const placed = {
    ...show,
    devices: {
      ...show.devices,
      wide: { ...show.devices.wide!, place: 'Gallery' },
      close: { ...show.devices.close!, place: 'Gallery' },
      side: { ...show.devices.side!, place: 'Booth' },
      main: { ...show.devices.main!, place: 'Booth' },
    },
  }
  it('are among what can be lost', () => {
    expect(placesOf(placed)).toEqual(['Booth', 'Gallery'])
    expect(lossesOf(placed).filter(({ of }) => of === 'place' || of === 'power')).toEqual([
      { of: 'place', id: 'Booth' },
      { of: 'place', id: 'Gallery' },
      { of: 'power', id: 'mains' },
    ])
  })
  it('take everything there with them', () => {
    expect(whatIf(check(placed), { of: 'place', id: 'Gallery' })).toMatchObject({
      name: 'everything at Gallery',
      kind: '2 devices',
      sinks: [],
      sources: ['close', 'wide'],
    })
    expect(whatIf(check(placed), { of: 'place', id: 'Booth' }).sinks.map(({ device }) => device)).toEqual([
      'cap',
      'hall',
      'op',
      'stream',
    ])
  })
  // A screen that has no mains is dark, whatever still comes to it.
  it('darken the screens that are lost with them', () => {
    const radio = CLEAN['one radio sender, two receivers']!
    expect(whatIf(check(radio), { of: 'power', id: 'mains' })).toMatchObject({
      name: 'the mains',
      sinks: [{ device: 'scr' }],
    })
    expect(() => whatIf(check(radio), { of: 'place', id: 'Nowhere' })).toThrow('no place Nowhere')
  })
})

describe('further symptoms', () => {
  const causes = (spot: { device: string; port?: string }, symptom: Parameters<typeof why>[2], on = show) =>
    why(check(on), spot, symptom).map(({ what }) => what)
  it('one side only: one channel into a plug for two', () => {
    const mono = plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        main: 'switcher-4-strict 1080p59.94',
        cap: 'capture-hdmi',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        m: 'mic.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
      },
    })
    expect(causes({ device: 'cap' }, 'one-sided', mono)[0]).toBe(
      'mic has one channel and fills one side of main Sound in (3.5 mm).',
    )
  })
  it('two tallies: a feeder lights its own', () =>
    expect(causes({ device: 'stream' }, 'two-tallies')[0]).toContain(
      'side lights its own tally, whether or not main has it on air',
    ))
  it('no control: the plug that nothing is in', () => {
    const ptz = CLEAN['two pan-tilt-zoom cameras and a joystick']!
    const { k: _, ...links } = ptz.links
    expect(causes({ device: 'main', port: 'in-1' }, 'uncontrolled', { ...ptz, links })[0]).toContain(
      'one can only be set up by Control (network)',
    )
    expect(causes({ device: 'main', port: 'in-1' }, 'uncontrolled', ptz)[0]).toContain('another address or protocol')
  })
  it('a clip that does not play: its format first', () => {
    const clips = plan({
      devices: { clips: 'player-clips 1080p50', scr: 'screen' },
      links: { a: 'clips.hdmi > scr.in hdmi-passive 2' },
    })
    expect(causes({ device: 'scr' }, 'stuck-clip', clips)[0]).toContain('another format than 1080p50')
  })
  it('a flat picture: what the plan says of range and transfer', () => {
    const flat = plan({
      devices: {
        pc: { model: 'laptop-office', limitsOff: true, ports: { hdmi: { format: fmt('1080p60'), aspect: '16:9' } } },
        main: 'switcher-6-combo 1080p50',
      },
      links: { a: 'pc.hdmi > main.in-3 hdmi-passive 3' },
    })
    expect(causes({ device: 'main', port: 'in-3' }, 'washed', flat)[0]).toContain('full range')
  })
})
