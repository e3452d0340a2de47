import { describe, expect, it } from 'vitest'
import type { Brief, Opening, Plan } from '#core/document'
import { plan } from '../../testing/plans'
import { check, say } from './index'

/** Findings that are no notes, by id. */
const ids = (written: Plan): string[] =>
  check(written)
    .findings.filter(({ severity }) => severity !== 'N')
    .map(({ id }) => id)
const words = (written: Plan, id: string): string =>
  check(written)
    .findings.filter(finding => finding.id === id)
    .map(finding => say(finding))
    .join('\n')

describe('lamps against pictures', () => {
  const lit = (mains: Brief['mains'], label: string, shutter?: number): Plan =>
    plan({
      devices: {
        cam: { model: 'camera-studio-sdi', ports: { sdi: { format: undefined } }, ...(shutter ? { shutter } : {}) },
        main: `switcher-8-mixed ${label}`,
        scr: 'screen',
      },
      links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'main.out-4 > scr.in hdmi-passive 2' },
      brief: { ...(mains ? { mains } : {}) },
    })
  const shown = (mains: Brief['mains'], label: string, shutter?: number): Plan => {
    const made = lit(mains, label, shutter)
    return {
      ...made,
      devices: {
        ...made.devices,
        cam: { ...made.devices.cam!, ports: { sdi: { format: made.devices.main!.standard! } } },
      },
    }
  }
  // Lamps pulse at twice the mains. Beat: |2 x Hz - k x frames|, k the nearest whole. Beats up to 0.5 a second drift by unseen.
  it.each<[Brief['mains'], string, number | undefined, string | undefined]>([
    ['230v-50hz', '1080p50', undefined, undefined], // 100 - 2 x 50 = 0
    ['230v-50hz', '1080p25', undefined, undefined], // 100 - 4 x 25 = 0
    ['230v-50hz', '1080p59.94', undefined, '19.9'], // 2 x 59.94 - 100 = 19.88
    ['230v-50hz', '1080p59.94', 100, undefined], // 1/100 s is one pulse
    ['230v-50hz', '1080p59.94', 50, '19.9'], // 1/50 is longer than a picture: it cannot be
    ['230v-50hz', '1080p59.94', 100, undefined], // one pulse
    ['230v-50hz', '1080p59.94', 60, '19.9'], // 1/60 s is 1.67
    ['120v-60hz', '1080p59.94', undefined, undefined], // 120 - 2 x 59.94 = 0.12
    ['120v-60hz', '1080p29.97', undefined, undefined], // 120 - 4 x 29.97 = 0.12
    ['120v-60hz', '1080p50', undefined, '20'], // 120 - 2 x 50
    ['120v-60hz', '1080p25', undefined, '5'], // 5 x 25 - 120
    ['120v-60hz', '1080p25', 60, undefined], // two pulses
    ['100v-50hz', '1080p59.94', undefined, '19.9'],
    [undefined, '1080p59.94', undefined, undefined],
  ])('%s, %s, shutter 1/%s: beat %s', (mains, label, shutter, beat) => {
    const written = shown(mains, label, shutter)
    expect(ids(written)).toEqual(beat === undefined ? [] : ['F14'])
    if (beat !== undefined) expect(words(written, 'F14')).toContain(`beat ${beat} times a second`)
  })
})

describe('lengths at their limits', () => {
  const cable = (
    source: string,
    port: string,
    lead: string,
    metres: number,
    standard: string,
    school?: Brief['cableSchool'],
  ): Plan =>
    plan({
      devices: { s: `${source} ${standard}`, main: `switcher-8-mixed ${standard}`, scr: 'screen' },
      links: {
        a: `s.${port} > main.in-${port === 'sdi' ? 5 : 1} ${lead} ${metres}`,
        b: 'main.out-4 > scr.in hdmi-passive 1',
      },
      brief: school ? { cableSchool: school } : {},
    })
  // Slack is a tenth, at least 2 m; then the next piece. Cautious: 7.5 m always hold, 15 m are the end at 4.46 Gb/s.
  it.each<[string, number, string[]]>([
    ['5.4 m: 7.4 m, a piece of 7.5 m', 5.4, []],
    ['5.6 m: 7.6 m, a piece of 10 m', 5.6, ['L01']],
    ['13 m: 15 m, a piece of 15 m', 13, ['L01']],
    ['13.2 m: 15.2 m, a piece of 20 m', 13.2, ['L01']],
  ])('passive HDMI by the cautious school, %s', (_, metres, found) => {
    const written = cable('computer', 'hdmi-1', 'hdmi-passive', metres, '1080p59.94')
    expect(ids(written)).toEqual(found)
    expect(check(written).findings.find(({ id }) => id === 'L01')?.severity).toBe(
      found.length === 0 ? undefined : metres > 13.1 ? 'D' : 'R',
    )
  })
  // dB per 100 m: k1 x root(MHz) + k2 x MHz, at 1485 MHz for 3G and 742.5 for HD; 20 dB are recovered.
  // RG-59 at 3G 29.36: 68.1 m. At HD 20.55: 97.3 m. RG-6 at 3G 23.43: 85.3 m. RG-11 at 3G 16.16: 123.8 m. RG-179 at 3G 75.4: 26.5 m.
  it.each<[string, string, number, string, string[]]>([
    ['RG-59, 50 m at 3G', 'coax-rg59', 45, '1080p50', []],
    ['RG-59, 75 m at 3G', 'coax-rg59', 60, '1080p50', ['L02']],
    ['RG-59, 75 m at HD', 'coax-rg59', 60, '1080i50', []],
    ['RG-59, 100 m at HD', 'coax-rg59', 80, '1080i50', ['L02']],
    ['RG-6, 75 m at 3G', 'coax-rg6', 65, '1080p50', []],
    ['RG-6, 100 m at 3G', 'coax-rg6', 80, '1080p50', ['L02']],
    ['RG-11, 100 m at 3G', 'coax-rg11', 90, '1080p50', []],
    ['RG-179, 20 m at 3G', 'coax-miniature', 18, '1080p50', []],
    ['RG-179, 30 m at 3G', 'coax-miniature', 25, '1080p50', ['L02']],
    ['RG-179, 25 m at 3G, 94 % of reach', 'coax-miniature', 22, '1080p50', ['L09']],
  ])('%s', (_, lead, metres, standard, found) =>
    expect(ids(cable('camera-studio-sdi', 'sdi', lead, metres, standard))).toEqual(found),
  )
})

describe('counts at their limits', () => {
  const cameras = (
    count: number,
    more: { crew?: number; manned?: number; spareInputs?: number; safe?: boolean; multiview?: boolean } = {},
  ): Plan =>
    plan({
      devices: {
        ...Object.fromEntries(
          Array.from({ length: count }, (_, i) => [
            `c${i}`,
            {
              model: 'camera-studio-sdi',
              ports: { sdi: { format: { raster: '1920x1080', scan: 'p', rate: '50/1' } as const } },
              ...(more.safe && i === 0 ? { shot: 'safe' as const } : {}),
              ...(i < (more.manned ?? 0) ? { manned: true as const } : {}),
            },
          ]),
        ),
        main: 'switcher-12-sdi 1080p50',
        ...(more.multiview ? { scr: 'screen', hall: 'screen-sdi' } : {}),
      },
      links: {
        ...Object.fromEntries(
          Array.from({ length: count }, (_, i) => [`l${i}`, `c${i}.sdi > main.in-${i + 1} coax-rg6 10`]),
        ),
        ...(more.multiview ? { m: 'main.out-6 > scr.in hdmi-passive 1', h: 'main.out-1 > hall.in coax-rg6 5' } : {}),
      },
      wants: more.multiview ? { scr: 'multiview', hall: 'program' } : {},
      brief: {
        ...(more.crew === undefined ? {} : { crew: more.crew }),
        ...(more.spareInputs === undefined ? {} : { spareInputs: more.spareInputs }),
      },
    })
  it.each<[string, Plan, string[]]>([
    ['two cameras need neither a safe shot nor a multiview', cameras(2), []],
    ['three need both', cameras(3), ['O03', 'R04']],
    ['three with a safe shot', cameras(3, { safe: true }), ['O03']],
    ['three with a safe shot and a multiview', cameras(3, { safe: true, multiview: true }), []],
    ['two manned and a crew of two', cameras(2, { manned: 2, crew: 2 }), []],
    ['two manned and a crew of one', cameras(2, { manned: 2, crew: 1 }), ['R06']],
    ['two manned and nobody said how many the crew is', cameras(2, { manned: 2 }), []],
    ['two of twelve inputs used, ten wanted free', cameras(2, { spareInputs: 10 }), []],
    ['two of twelve inputs used, eleven wanted free', cameras(2, { spareInputs: 11 }), ['C10']],
    ['all twelve used, one wanted free', cameras(12, { safe: true, multiview: true, spareInputs: 1 }), ['C10']],
    ['all twelve used, none wanted free', cameras(12, { safe: true, multiview: true, spareInputs: 0 }), []],
  ])('%s', (_, written, found) => expect(ids(written).sort()).toEqual(found))
})

describe('what a deliverable asks', () => {
  const asked = (asks: {
    raster?: '1280x720' | '1920x1080' | '3840x2160'
    rate?: '25/1' | '50/1' | '60000/1001'
  }): Plan =>
    plan({
      devices: { pc: 'computer 1080p50', main: 'switcher-4-strict 1080p50', rec: 'recorder-hdmi' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > rec.in hdmi-passive 1' },
      wants: { rec: { feed: 'program', asks } },
    })
  it.each<[string, Parameters<typeof asked>[0], string[]]>([
    ['as it is made', { raster: '1920x1080', rate: '50/1' }, []],
    ['fewer lines than are made', { raster: '1280x720' }, []],
    ['more lines', { raster: '3840x2160' }, ['F13']],
    ['half the rate', { rate: '25/1' }, ['F15']],
    ['another rate', { rate: '60000/1001' }, ['F15']],
    ['both', { raster: '3840x2160', rate: '25/1' }, ['F13', 'F15']],
  ])('%s', (_, asks, found) => expect(ids(asked(asks)).sort()).toEqual(found))
})

describe('sound that is to be heard', () => {
  const heard = (from: 'picture' | 'plug', sound: Opening | undefined): Plan => {
    const port = from === 'picture' ? 'in-1' : 'sound'
    const base = plan({
      devices: {
        pc: 'computer 1080p50',
        main: 'switcher-4-strict 1080p50',
        rec: 'recorder-hdmi',
        ...(from === 'plug' ? { mic: 'microphone-radio' } : {}),
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > rec.in hdmi-passive 1',
        ...(from === 'plug' ? { m: 'mic.out > main.sound mini-jack-lead 1' } : {}),
      },
      wants: { rec: { feed: 'program', sound: true } },
    })
    return sound
      ? { ...base, devices: { ...base.devices, main: { ...base.devices.main!, ports: { [port]: { sound } } } } }
      : base
  }
  it.each<['picture' | 'plug', Opening | undefined, string[]]>([
    ['picture', undefined, ['A01']],
    ['picture', 'shut', ['A01']],
    ['picture', 'fixed', []],
    ['picture', 'follows', []],
    ['plug', undefined, []],
    ['plug', 'shut', ['A01']],
    ['plug', 'fixed', []],
  ])('beside the %s, %s', (from, sound, found) => expect(ids(heard(from, sound))).toEqual(found))
})
