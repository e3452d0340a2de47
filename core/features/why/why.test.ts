import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import { plan } from '../../../testing/plans'
import { sampled } from '../../../testing/soak'
import { type Cause, SYMPTOMS, type Symptom, why } from './why'

/** A phone by a converter that lives on USB, a camera far away, a computer; a screen behind 12 m of passive HDMI. */
const room = plan({
  devices: {
    phone: 'phone 1080p50',
    box: 'usbc-hdmi-full',
    cam: 'camera-studio-sdi 1080p50',
    main: 'switcher-8-mixed 1080p50',
    scr: 'screen',
    rec: 'recorder-hdmi',
  },
  links: {
    a: 'phone.usb-c > box.in usbc-lead 0',
    b: 'box.out > main.in-1 hdmi-passive 3',
    c: 'cam.sdi > main.in-5 coax-rg6 60',
    d: {
      from: { device: 'main', port: 'out-4' },
      to: { device: 'scr', port: 'in' },
      cable: 'hdmi-passive',
      pieces: [10, 2],
    },
    e: 'main.out-3 > rec.in hdmi-passive 1',
  },
})
const checked = check(room)
const at = (device: string, symptom: Symptom, port?: string): Cause[] =>
  why(checked, { device, ...(port ? { port } : {}) }, symptom)
const find = (causes: readonly Cause[], part: string): Cause => {
  const found = causes.find(({ what }) => what.includes(part))
  if (!found) throw new Error(`nothing says ${part} among: ${causes.map(({ what }) => what).join(' | ')}`)
  return found
}

describe('why something is seen', () => {
  it('walks back from a black input: plug, power, format, sleep', () => {
    const causes = at('main', 'black', 'in-1')
    // A phone chooses its format by itself, and a strict input shows anything else black: that stands first.
    expect(causes[0]).toMatchObject({
      device: 'phone',
      what: expect.stringContaining('another format than 1080p50'),
      far: 4,
    })
    expect(find(causes, 'box has no power')).toMatchObject({ far: 2, because: 'it lives on USB' })
    expect(find(causes, 'box HDMI out to main input 1')).toMatchObject({ link: 'b', far: 1, certain: false })
    expect(causes.some(({ device }) => device === 'cam')).toBe(false)
  })
  it('ends at the switcher that feeds a screen, with the test that parts the two sides', () => {
    const causes = at('scr', 'black')
    expect(find(causes, 'set to another input')).toMatchObject({ far: 0, device: 'scr' })
    expect(find(causes, 'main has nothing on air').test).toContain('multiview')
    expect(find(causes, 'main output 4 is pointed at something else').test).toMatch(/must be /)
    expect(causes.some(({ device }) => device === 'phone')).toBe(false)
  })
  it('ranks cables for sparkles by the reach that they use, and says how much', () => {
    // 12 m of 15 m by length at 4.46 Gb/s, and a joint between its two pieces.
    expect(at('scr', 'sparkles').map(({ certain }) => certain)).toEqual([false, false])
    // The plan warns of it; beside that stands what there is to see on the spot.
    expect(at('scr', 'sparkles')[0]).toMatchObject({ link: 'd', what: expect.stringContaining('beyond the 7.5') })
    expect(at('scr', 'sparkles')[1]).toMatchObject({
      link: 'd',
      because: expect.stringMatching(/80.% of its reach of 15.m is used, 1 joint on the way/),
    })
    // 66 m of RG-6 make a 75 m piece: 88 % of 85 m.
    expect(at('main', 'sparkles', 'in-5')).toEqual([
      expect.objectContaining({ link: 'c', because: expect.stringMatching(/^88.% of its reach of 85.m/) }),
    ])
  })
  it('puts what the plan itself says first, and calls it certain', () => {
    const { plan: long } = FAULTY.find(({ name }) => name === 'passive HDMI that is dark')!
    const found = check(long)
    const link = found.findings[0]!.run!
    const { to } = long.links[link]!
    const causes = why(found, { device: to!.device, port: to!.port }, 'black')
    expect(causes[0]).toMatchObject({ certain: true, link })
    expect(causes[0]!.what).toContain('25\u00A0m')
    expect(causes.slice(1).every(({ certain }) => !certain)).toBe(true)
  })
  it('finds silence at an input that is shut, and opens nothing else', () => {
    expect(at('main', 'silent', 'in-1')[0]).toMatchObject({
      what: 'The sound of main input 1 is shut.',
      because: 'set so in the plan',
    })
  })
  it('adds up what makes lips late, the slowest first', () => {
    const causes = at('main', 'late', 'in-1')
    expect(causes.map(({ device }) => device).sort()).toEqual(['box', 'phone'])
    // By its data sheet 40 to 80 ms, typically 60.
    expect(find(causes, 'phone').what).toBe('phone delays the picture by 60\u00A0ms.')
  })
  it('has a test for every cause of every symptom, at every end of every plan, each said once', () => {
    for (const written of sampled([...Object.values(CLEAN), ...FAULTY.map(({ plan: faulty }) => faulty)], 3)) {
      const judged = check(written)
      for (const { end, beside } of judged.traced.runs) {
        if (!end || beside) continue
        for (const symptom of Object.keys(SYMPTOMS) as Symptom[]) {
          const causes = why(judged, end, symptom)
          for (const cause of causes) {
            expect(cause.what, symptom).toMatch(/^\S.*[.!]$/s)
            expect(cause.test).toMatch(/^\S.*\.$/s)
            expect(`${cause.what}${cause.because}${cause.test}`).not.toMatch(/NaN|\[object/)
          }
          // What the plan says never stands behind a guess.
          expect(causes.map(({ certain }) => certain)).toEqual(
            causes.map(({ certain }) => certain).sort((a, b) => Number(b) - Number(a)),
          )
        }
      }
    }
  })
})
