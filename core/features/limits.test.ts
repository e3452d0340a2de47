import { describe, expect, it } from 'vitest'
import { LEADS } from '#core/cable'
import { MODELS } from '#core/catalog'
import type { Plan } from '#core/document'
import { remediesOf } from '#core/propose'
import { fmt, plan } from '../../testing/plans'
import { check, say } from './index'

const ids = (written: Plan): string[] =>
  check(written)
    .findings.filter(({ severity }) => severity !== 'N')
    .map(({ id }) => id)
const STAGE = 'switcher-4-strict 1080p59.94'

describe('just within, and just beyond', () => {
  const camera = (start: string, end: string) =>
    plan({
      brief: { start, end },
      devices: {
        cam: { model: 'camera-action', ports: { hdmi: { format: fmt('1080p59.94'), clean: true, aspect: '16:9' } } },
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' },
    })
  it.each([
    ['20:00', '20:15', []],
    ['20:00', '20:16', ['E01']],
    ['23:50', '00:05', []],
    ['23:50', '00:06', ['E01']],
    ['20:00', '20:00', []],
  ])('15 minutes and a show from %s to %s: %j', (start, end, expected) =>
    expect(ids(camera(start, end))).toEqual(expected),
  )
  it('notes of a show without an end that it is not judged', () => {
    const { findings } = check({ ...camera('20:00', '23:00'), brief: { start: '20:00' } })
    expect(findings.map(({ id, severity }) => id + severity)).toEqual(['E01N'])
    expect(say(findings[0]!)).toMatch(/^cam may end its work by itself, the first time after 15 min, .* is not judged/)
  })

  const music = (pieces: string) =>
    plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', music: 'player-music', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', m: `music.out > main.sound mini-jack-lead 0 =${pieces}` },
    })
  it.each([
    ['5', []],
    ['3+3', []],
    ['5+1.5', ['L05']],
  ])('unbalanced leads of %s m: %j', (pieces, expected) => expect(ids(music(pieces))).toEqual(expected))

  const control = (pieces: string) =>
    plan({
      devices: { cam: 'camera-ptz-hdmi 1080p59.94', joy: 'controller-joystick', main: STAGE },
      links: { k: `joy.network > cam.control control-network 0 =${pieces}`, a: 'cam.hdmi > main.in-1 hdmi-passive 3' },
    })
  it.each([
    ['100', []],
    ['75+30', ['L03']],
    ['100+1', ['L03']],
  ])('control over %s m of network cable: %j', (pieces, expected) => expect(ids(control(pieces))).toEqual(expected))
  const beside = [...LEADS].flatMap(([id, lead]) => {
    if (lead.kind !== 'cable' || (lead.carries !== 'sound' && lead.carries !== 'control')) return []
    if (lead.reach.kind !== 'length') return []
    const { warnM, faultM } = lead.reach.steps[0]!
    // The first two models of the catalogue whose sockets it joins.
    const socket = (dir: 'in' | 'out', plug: string, other?: string) =>
      [...MODELS].flatMap(([model, { ports }]) =>
        Object.entries(ports)
          .filter(([, port]) => port.dir === dir && port.carries === lead.carries && port.connector === plug)
          .filter(() => model !== other)
          .map(([port]) => ({ model, port })),
      )[0]
    const from = socket('out', lead.ends[0]) ?? socket('out', lead.ends[1])
    const to =
      socket('in', lead.ends[1], from?.model) ??
      socket('in', lead.ends[0], from?.model) ??
      // Two of a network may both give it on.
      socket('out', lead.ends[1], from?.model)
    return from && to ? [{ id, from, to, warnM, faultM }] : []
  })
  it.each(beside.map(one => [one.id, one] as const))('every lead for sound and control: %s', (id, one) => {
    const told = (m: number) =>
      ids(
        plan({
          devices: { a: one.from.model, b: one.to.model },
          links: { l: `a.${one.from.port} > b.${one.to.port} ${id} ${id.startsWith('air') ? m : `0 =${m}`}` },
        }),
      ).filter(code => /^L0[3458]$/.test(code))
    expect(told(Math.floor(one.warnM))).toEqual([])
    expect(told(Math.floor(one.warnM) + 1)).toHaveLength(1)
    expect(told(one.faultM + 1)).toHaveLength(1)
  })
  it('leaves out no lead for sound or control', () =>
    expect(beside.map(({ id }) => id)).toEqual(
      [...LEADS].flatMap(([id, lead]) =>
        lead.kind === 'cable' && (lead.carries === 'sound' || lead.carries === 'control') ? [id] : [],
      ),
    ))

  const usb = (pieces: string) =>
    plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', pc: 'computer-control', main: 'switcher-4-computer 1080p59.94' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', k: `pc.usb-1 > main.control-usb control-usb 0 =${pieces}` },
    })
  it.each([
    ['5', []],
    ['5+1', ['L04']],
  ])('control over %s m of USB: %j', (pieces, expected) => expect(ids(usb(pieces))).toEqual(expected))

  // 20 + 4 - 32.44 - 20 log10(km) - 74.81 - 6 + 72 = 0 at 10^(-17.25/20) km = 137.3 m; with a crowd 12 dB less: 34.5 m.
  const air = (m: number, crowd: boolean) =>
    plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        air: { model: 'radio-hdmi', air: { m, ...(crowd ? { crowd: true as const } : {}) } },
        main: STAGE,
      },
      links: {
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > main.in-2 hdmi-passive 2',
      },
    })
  it.each([
    [137, false, []],
    [138, false, ['L08']],
    [34, true, []],
    [35, true, ['L08']],
  ])('radio over %d m, through a crowd: %s: %j', (m, crowd, expected) => expect(ids(air(m, crowd))).toEqual(expected))

  const capture = (label: string) =>
    plan({
      devices: { pc: `computer ${label}`, cap: 'capture-raw' },
      links: { a: 'pc.hdmi-1 > cap.in hdmi-passive 2' },
    })
  // 3840 x 2160 x 16 bit x 25 = 3.32 Gb/s and 1920 x 1080 x 16 x 60 = 1.99 Gb/s, of 3.2.
  it.each([
    ['2160p25', ['F05']],
    ['1080p60', []],
  ])('%s uncompressed over USB at 5 Gb/s: %j', (label, expected) => expect(ids(capture(label))).toEqual(expected))
})

describe('what stands in the way', () => {
  const through = (crowd: boolean, wall: boolean) => {
    const written = plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        air: {
          model: 'radio-hdmi',
          air: { m: 60, ...(crowd ? { crowd: true as const } : {}), ...(wall ? { wall: true as const } : {}) },
        },
        main: STAGE,
      },
      links: {
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > main.in-2 hdmi-passive 2',
      },
    })
    const checked = check(written)
    return checked.findings.map(
      finding =>
        [
          say(finding),
          remediesOf(checked, finding)
            .map(({ title }) => title)
            .filter(title => /aerial/.test(title)),
        ] as const,
    )
  }
  // 60 m leave 7.18 dB: 12 dB of a crowd, 18 dB of a wall, or both are more than that.
  it.each<[boolean, boolean, string, readonly string[]]>([
    [true, false, '60\u00A0m through the air, through a crowd; with 6\u00A0dB', ['Raise the aerials above the crowd']],
    [false, true, '60\u00A0m through the air, through a wall; with', ['Move an aerial, so that they see each other']],
    [
      true,
      true,
      '60\u00A0m through the air, through a crowd and a wall; with',
      ['Raise the aerials, and move one so that they see each other'],
    ],
  ])('a crowd: %s, a wall: %s', (crowd, wall, words, titles) => {
    const [[said, offered]] = through(crowd, wall) as [readonly [string, string[]]]
    expect(said).toContain(words)
    expect(offered).toEqual(titles)
  })
  it('nothing does: nothing is said', () => expect(through(false, false)).toEqual([]))
  it('leads a loop\u2019s cable to another switcher, outside of the loop', () => {
    const written = plan({
      devices: {
        cam: 'camera-studio-sdi 1080p50',
        a: 'switcher-8-mixed 1080p50',
        far: 'switcher-8-mixed 1080p50',
        scr: 'screen-sdi',
      },
      links: {
        s: 'cam.sdi > a.in-5 coax-rg6 3',
        back: 'a.out-1 > a.in-6 coax-rg6 3',
        seen: 'far.out-1 > scr.in coax-rg6 3',
      },
    })
    const checked = check(written)
    const loop = checked.findings.find(({ id }) => id === 'C13')!
    const titles = remediesOf(checked, loop).map(({ title }) => title)
    // Free inputs that are alike are one remedy.
    expect(titles.slice(0, 2)).toEqual(['Move it to far input 5', 'Keep a input 6 off the air'])
    // Its picture goes nowhere else: given up there, it needs another way on.
    expect(titles.at(-1)).toMatch(/^Give up the picture at a input 6, and connect its program to far input 5/)
  })
})

describe('whose fault it is', () => {
  it('a computer that is fixed wrong is told as that, one that is left open as open, one that cannot as neither', () => {
    const into = (device: Parameters<typeof plan>[0]['devices'][string]) =>
      ids(plan({ devices: { pc: device, main: STAGE }, links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' } }))
    expect(into('computer 1080p60')).toEqual(['F02'])
    expect(into({ model: 'computer' })).toEqual(['F18'])
    expect(into('computer 1080p59.94')).toEqual([])
    const laptop = ids(
      plan({ devices: { pc: { model: 'laptop' }, main: STAGE }, links: { a: 'pc.hdmi > main.in-1 hdmi-passive 2' } }),
    )
    expect(laptop).toEqual(['F04'])
  })
  it('a list is read through what hands it on, and not behind what keeps one, nor where legs disagree', () => {
    const behind = (box: string | undefined, out = 'out', other = false) =>
      ids(
        plan({
          devices: {
            pc: { model: 'computer-guest', limitsOff: true },
            ...(box ? { x: box } : {}),
            scr: 'screen-computer',
            ...(other ? { y: 'screen' } : {}),
          },
          links: box
            ? {
                a: 'pc.hdmi > x.in hdmi-passive 1',
                b: `x.${out} > scr.in hdmi-passive 1`,
                ...(other ? { c: 'x.out-2 > y.in hdmi-passive 1' } : {}),
              }
            : { a: 'pc.hdmi > scr.in hdmi-passive 2' },
        }),
      )
    expect(behind(undefined)).toEqual(['F21'])
    expect(behind('splitter-hdmi', 'out-1')).toEqual(['F21'])
    expect(behind('splitter-hdmi', 'out-1', true)).toEqual([])
    expect(behind('splitter-hdmi-4', 'out-1', true)).toEqual(['F21'])
    expect(behind('splitter-hdmi-2160', 'out-1')).toEqual([])
    expect(behind('list-keeper')).toEqual([])
  })
  it('a loop is told once, wherever it begins, through feeders and what stands between', () => {
    const ring = (more: Record<string, string>, links: Record<string, string>) =>
      check(
        plan({
          devices: {
            cam: 'camera-studio-sdi 1080p50',
            a: 'switcher-8-mixed 1080p50',
            b: 'switcher-8-mixed 1080p50',
            ...more,
          },
          links: { s: 'cam.sdi > a.in-5 coax-rg6 3', up: 'a.out-1 > b.in-5 coax-rg6 3', ...links },
        }),
      ).findings.filter(({ id }) => id === 'C13')
    expect(ring({}, {})).toHaveLength(0)
    expect(ring({}, { back: 'b.out-1 > a.in-6 coax-rg6 3' })).toMatchObject([{ severity: 'R' }])
    expect(
      ring({ d: 'delay-sdi' }, { back: 'b.out-1 > d.in coax-rg6 3', on: 'd.out > a.in-6 coax-rg6 3' }),
    ).toHaveLength(1)
    expect(
      ring(
        { c: 'switcher-8-mixed 1080p50' },
        { on: 'b.out-1 > c.in-5 coax-rg6 3', back: 'c.out-1 > a.in-6 coax-rg6 3' },
      ),
    ).toHaveLength(1)
    // A dark link closes no loop: 1080p50 into an input that is 400 m away.
    expect(ring({}, { back: 'b.out-1 > a.in-6 coax-rg6 400' })).toHaveLength(0)
  })
  it('a matrix shows what its output is set to, and its sources are told by their own names', () => {
    const routed = (of: string | undefined) =>
      check(
        plan({
          devices: {
            a: 'camera-studio-sdi 1080p50',
            b: 'camera-studio-sdi 1080i50',
            ctl: 'computer-control',
            mx: { model: 'matrix-8-sdi', ...(of ? { ports: { 'out-1': { of } } } : {}) },
            main: 'switcher-12-sdi 1080p50',
          },
          links: {
            k: 'ctl.network > mx.control control-network 3',
            a: 'a.sdi > mx.in-1 coax-rg6 10',
            b: 'b.sdi > mx.in-2 coax-rg6 10',
            c: 'mx.out-1 > main.in-1 coax-rg6 10',
          },
        }),
      )
    expect(routed(undefined).findings.map(({ id }) => id)).not.toContain('F01')
    const wrong = routed('in-2').findings.find(({ id }) => id === 'F01')!
    expect(say(wrong)).toContain('b sends 1080i50')
    expect(routed('in-2').traced.runs.find(({ id }) => id === 'c')!.origin).toEqual({ device: 'b', port: 'sdi' })
  })
})
