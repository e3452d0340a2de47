import { describe, expect, it } from 'vitest'
import { applyEdits } from '#core/document'
import { tracedOf } from '#core/chain'
import { check } from '#core/features'
import { remediesOf } from '#core/propose'
import { fmt, plan } from '../../../testing/plans'
import { timesOf } from './sync'
import { talksOf } from './talk'

// 1080p25: a frame is 40 ms. The studio camera makes 1, 1, 2 frames of delay; the far radio link 2 to 4, typically 3;
// the switcher adds 1, 1.5, 2 between its inputs and outputs; the encoder's input 1, 2, 3.
const hall = (main?: Record<string, object>) =>
  plan({
    devices: {
      wired: 'camera-studio-sdi 1080p25',
      roaming: 'camera-studio-sdi 1080p25',
      link: { model: 'radio-sdi-far', air: { m: 100, channel: 1 } },
      mic: 'microphone-speech',
      main: { model: 'switcher-12-sdi', standard: fmt('1080p25'), ...(main ? { ports: main as never } : {}) },
      enc: 'encoder-stream-sdi',
    },
    links: {
      a: 'wired.sdi > main.in-1 coax-rg6 5',
      b: 'roaming.sdi > link.in coax-rg6 5',
      c: 'link.out > main.in-2 coax-rg6 5',
      m: 'mic.out > main.sound-1 xlr-lead 5',
      e: 'main.out-1 > enc.in coax-rg6 5',
    },
    wants: { enc: { feed: 'program', sound: true } },
  })
const sinkOf = (written: ReturnType<typeof plan>) => timesOf(check(written).traced)[0]!

describe('delay to a sink', () => {
  it('is told by hop and adds up', () => {
    const [wired, roaming] = sinkOf(hall()).pictures
    expect(wired!.hops.map(({ device, does, delay }) => [device, does, delay.typ])).toEqual([
      ['wired', 'makes', 40],
      ['main', 'mixes', 60],
      ['enc', 'takes', 80],
    ])
    // 1 + 1 + 1 and 2 + 2 + 3 frames at the ends of its range.
    expect(wired!.total).toEqual({ min: 120, typ: 180, max: 280 })
    expect(roaming!.hops.map(({ device }) => device)).toEqual(['roaming', 'link', 'main', 'enc'])
    expect(roaming!.total.typ).toBe(180 + 120)
  })
  it('sets sound from a plug against both pictures, and says that no delay serves both', () => {
    const { sounds, pairs, best, spread, groups } = sinkOf(hall())
    // The plug is put beside the picture that leaves the switcher: the encoder's 80 ms are common to both.
    expect(sounds.map(({ origin, plugged, total }) => [origin, plugged, total.typ])).toEqual([['mic', true, 80]])
    // 180 - 80 and 300 - 80.
    expect(pairs.map(({ earlyMs, within }) => [earlyMs.typ, within])).toEqual([
      [100, false],
      [220, false],
    ])
    // d = (220 + 100) / 2 - (-60 + 40) / 2 = 170; left are 70 late at one and 50 early at the other.
    expect(best).toMatchObject([{ bestMs: 170, bestFrames: 4, serves: false, nowMs: 0 }])
    expect(best[0]!.left.map(({ earlyMs }) => earlyMs)).toEqual([-70, 50])
    // 120 - 100 = 20 ms: one frame.
    expect(spread).toMatchObject({ apartMs: 120, windowMs: 100, hold: [{ picture: 0, frames: 1, ms: 40 }] })
    expect(groups).toEqual([[0], [1]])
  })
  it('counts what is held back already, and leaves out what has no lips', () => {
    const written = hall({ 'sound-1': { soundDelayMs: 100 } })
    const bare = {
      ...written,
      devices: { ...written.devices, roaming: { ...written.devices.roaming!, noLips: true as const } },
    }
    const { best, pairs, spread } = sinkOf(bare)
    // 180 - (80 + 100) = 0: within -60 .. +40. The middle of the window would be at 110.
    expect(pairs.map(({ earlyMs, within }) => [earlyMs.typ, within])).toEqual([[0, true]])
    expect(best).toMatchObject([{ nowMs: 100, bestMs: 110, serves: true }])
    expect(spread).toBeUndefined()
  })
  it('holds the sound of a camera that stays open against the others, not against itself', () => {
    const written = hall({ 'in-1': { sound: 'fixed' }, 'sound-1': { sound: 'shut' } })
    const { sounds, pairs, pictures } = sinkOf(written)
    expect(sounds.map(({ origin, plugged, total }) => [origin, plugged, total.typ])).toEqual([['wired', false, 180]])
    expect(pairs.map(({ picture, earlyMs }) => [pictures[picture]!.source, earlyMs.typ])).toEqual([['roaming', 120]])
  })
  it('takes what was measured in place of typical figures, until the way is another', () => {
    const written = hall({ 'sound-1': { soundDelayMs: 100 } })
    const [pair] = sinkOf(written).pairs
    const clap = (on: string) => ({
      ...written,
      // 24, 30 and 36 ms early with 60 ms held back: 30 on average, and 40 later with 100 held back.
      measured: {
        clap: { order: 1, sink: 'enc', source: 'wired', sound: 'mic', earlyMs: [24, 30, 36], heldMs: 60, on },
      },
    })
    const { pairs, best } = sinkOf(clap(pair!.mark))
    expect(pairs[0]).toMatchObject({
      earlyMs: { min: -16, typ: -10, max: -4 },
      measured: { claps: 3, meanMs: -10, spreadMs: 12, holds: true },
    })
    // Bare, the wired picture is 90 early by the clap and the roaming one 220 by its figures: (90 + 220) / 2 + 10.
    expect(best[0]!.bestMs).toBe(165)
    const old = sinkOf(clap('00000000'))
    expect(old.pairs[0]).toMatchObject({ earlyMs: { typ: 0 }, measured: { holds: false } })
    const moved = clap(pair!.mark)
    const rewired = {
      ...moved,
      devices: { ...moved.devices, main: { ...moved.devices.main!, standard: fmt('1080p29.97') } },
    }
    expect(
      timesOf(check(rewired).traced)
        .flatMap(({ pairs: all }) => all)
        .some(({ measured }) => measured?.holds),
    ).toBe(false)
  })
  it('asks nothing of sound that follows its own picture', () => {
    const written = hall({ 'in-1': { sound: 'follows' }, 'sound-1': { sound: 'shut' } })
    expect(sinkOf(written).pairs).toEqual([])
  })
  it('says what viewers of a stream wait on top', () =>
    expect(sinkOf(hall()).beyondMs).toEqual({ min: 6500, typ: 13_000, max: 20_000 }))
})

describe('a chain', () => {
  // Side takes the microphone and the camera; Main adds its 1.5 frames to both, and to what comes straight.
  const chain = plan({
    devices: {
      far: 'camera-studio-sdi 1080p25',
      near: 'camera-studio-sdi 1080p25',
      mic: 'microphone-speech',
      side: 'switcher-12-sdi 1080p25',
      main: { model: 'switcher-12-sdi', standard: fmt('1080p25'), ports: { 'in-2': { sound: 'fixed' } } },
      scr: 'screen-sdi',
    },
    links: {
      a: 'far.sdi > side.in-1 coax-rg6 5',
      m: 'mic.out > side.sound-1 xlr-lead 5',
      s: 'side.out-1 > main.in-2 coax-rg6 5',
      b: 'near.sdi > main.in-1 coax-rg6 5',
      e: 'main.out-1 > scr.in coax-rg6 5',
    },
    wants: { scr: { feed: 'program', sound: true } },
  })
  it('adds each switcher to pictures and, behind its plug, to the sound', () => {
    const { pictures, sounds, pairs } = sinkOf(chain)
    const own = pictures.map(({ source, total }) => [source, total.typ])
    const screen = pictures[0]!.hops.at(-1)!.device === 'scr' ? pictures[0]!.hops.at(-1)!.delay.typ : 0
    expect(own).toEqual([
      ['near', 40 + 60 + screen],
      ['far', 40 + 60 + 60 + screen],
    ])
    // Put beside Side's picture when it leaves, the sound waits for Main as that picture does.
    expect(sounds.map(({ total }) => total.typ)).toEqual([60 + screen])
    expect(pairs.map(({ earlyMs }) => earlyMs.typ)).toEqual([40, 100])
  })
})

describe('what a clap tells', () => {
  it('is found in the place of typical figures, and no longer once the way is another', () => {
    const written = hall({ 'sound-1': { soundDelayMs: 110 } })
    const near = {
      ...written,
      devices: { ...written.devices, roaming: { ...written.devices.roaming!, noLips: true as const } },
    }
    const codes = (plan: ReturnType<typeof hall>) =>
      check(plan).findings.flatMap(({ id }) => (id === 'A08' ? [id] : []))
    // 180 - (80 + 110) = 10 ms late by typical figures, which is within.
    expect(codes(near)).toEqual([])
    const clap = (on: string) => ({
      ...near,
      measured: { clap: { order: 1, sink: 'enc', source: 'wired', sound: 'mic', earlyMs: [95, 105], heldMs: 110, on } },
    })
    // 100 ms early by the clap, where 40 are allowed; and with another mark it counts no more.
    expect(codes(clap(sinkOf(near).pairs[0]!.mark))).toEqual(['A08'])
    expect(codes(clap('00000000'))).toEqual([])
    // With lips in both, the roaming camera is 120 ms behind the wired one typically, and no delay of sound serves both;
    // clapped at 100 ms early the wired one takes 100 + 80 + 110 = 290 ms, 10 before the 300 of the roaming one.
    const both = { ...clap(''), devices: written.devices }
    const told = (on: string) =>
      check({ ...both, measured: { clap: { ...both.measured.clap, on } } }).findings.map(({ id }) => id)
    const wiredPair = sinkOf(written).pairs.find(
      ({ picture }) => sinkOf(written).pictures[picture]!.source === 'wired',
    )!
    expect([told(wiredPair.mark).includes('A09'), told('00000000').includes('A09')]).toEqual([false, true])
    const clapped = check(clap(sinkOf(near).pairs[0]!.mark))
    const [first] = remediesOf(
      clapped,
      clapped.findings.find(({ id }) => id === 'A08')!,
    )
    // 100 early against the middle of the window at -10: 110 more than the 110 that hold it back.
    expect(first!.title).toBe('Hold the sound at main back by 220 ms')
    const applied = applyEdits(clapped.traced.plan, first!.edits)
    expect(applied.ok && codes(applied.value.plan)).toEqual([])
  })
})

describe('who is far away', () => {
  it('waits for what is said here to be there, and for the answer to be back', () => {
    const written = plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p25',
        guest: 'guest-afar 1080p25',
        host: {
          model: 'computer-mixing',
          standard: fmt('1080p25'),
          ports: { 'out-4': { feed: 'program', minus: 'in-3' } },
        },
        mic: 'microphone-radio',
        hall: 'projector',
        back: { model: 'guest-return', in: 'guest' },
      },
      links: {
        a: 'cam.hdmi > host.in-1 hdmi-passive 2 adapter-hdmi-micro',
        g: 'guest.network > host.in-3 network-cable 5',
        m: 'mic.out > host.sound mini-jack-lead 1',
        h: 'host.out-1 > hall.in hdmi-passive 5',
        r: 'host.out-4 > back.in network-cable 5',
      },
      wants: { hall: { feed: 'program', sound: true }, back: { feed: 'program', sound: true } },
    })
    const traced = tracedOf(written)
    const typ = (
      sink: string,
      of: (one: ReturnType<typeof timesOf>[number]) => readonly { total: { typ: number } }[],
    ) => Math.max(...of(timesOf(traced).find(({ device }) => device === sink)!).map(({ total }) => total.typ))
    const [talk, ...more] = talksOf(traced)
    expect(more).toEqual([])
    expect(talk).toMatchObject({ guest: 'guest', name: 'guest', at: 'hall', slow: false })
    expect(talk!.there.typ).toBe(typ('back', ({ sounds }) => sounds))
    expect(talk!.back.typ).toBe(typ('hall', ({ pictures }) => pictures.filter(({ source }) => source === 'guest')))
    expect(talk!.round.typ).toBe(talk!.there.typ + talk!.back.typ)
    // A call of 150 .. 500 ms each way with more than a second of it in all is slow.
    const models = Object.fromEntries(
      Object.entries(written.models).map(([id, model]) => [
        id,
        model.kind === undefined || !id.startsWith('guest-afar')
          ? model
          : { ...model, delay: { min: 1000, typ: 1000, max: 1000, unit: 'ms' as const } },
      ]),
    )
    expect(talksOf(tracedOf({ ...written, models }))[0]!.slow).toBe(true)
    // Nobody who comes from afar, nobody who waits.
    const { in: _, ...plain } = written.devices.back!
    expect(talksOf(tracedOf({ ...written, devices: { ...written.devices, back: plain } }))).toEqual([])
  })
})

describe('the air of a hall', () => {
  const room = (want: object) =>
    tracedOf(
      plan({
        devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25', hall: 'projector' },
        links: {
          a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
          h: 'main.out-1 > hall.in hdmi-passive 5',
        },
        wants: { hall: { feed: 'program', ...want } },
      } as never),
    )
  it('is 2.9 ms a metre, beside the voice in a room that hears nothing else', () => {
    const [hall] = timesOf(room({ silent: true, airM: 20 }))
    expect(hall!.sounds.map(({ name, total }) => [name, total.typ])).toEqual([['The room itself', 58]])
    // Camera 2, switcher 1.5 and projector 3 frames of 40 ms, 260 ms.
    expect(hall!.pairs.map(({ earlyMs, within }) => [earlyMs.typ, within])).toEqual([[260 - 58, false]])
    expect(timesOf(room({ silent: true }))[0]!.sounds).toEqual([])
  })
})
