import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { fmt, plan } from '../../../testing/plans'
import { whoHears } from './hearing'

const format = fmt('1080p50')

/** A microphone at the feeder, a desk at the last switcher, a camera whose sound follows its picture. */
const show = plan({
  devices: {
    cam: 'camera-studio-sdi 1080p50',
    two: 'camera-studio-sdi 1080p50',
    mic: 'microphone-speech',
    desk: 'desk-house',
    side: { model: 'switcher-12-sdi', standard: format },
    main: {
      model: 'switcher-12-sdi',
      standard: format,
      ports: {
        'in-1': { sound: 'fixed' },
        'in-2': { sound: 'follows' },
        'sound-1': { soundDelayMs: 60 },
        'out-6': { feed: 'program' },
      },
    },
    rec: 'recorder-hdmi',
  },
  links: {
    a: 'cam.sdi > side.in-1 coax-rg6 5',
    b: 'two.sdi > main.in-2 coax-rg6 5',
    l: 'side.out-1 > main.in-1 coax-rg6 3',
    m: 'mic.out > side.sound-1 xlr-lead 3',
    d: 'desk.feed > main.sound-1 xlr-lead 3',
    r: 'main.out-6 > rec.in hdmi-passive 2',
  },
  wants: { rec: { feed: 'program', sound: true } },
  segments: { talk: { title: 'Talk', order: 1, opens: 'side' } },
  looks: {
    side: { title: 'Side', order: 1, program: { main: 'in-1' } },
    two: { title: 'Two', order: 2, program: { main: 'in-2' }, sound: { main: { 'in-1': 'shut' } } },
  },
  cues: { cut: { segment: 'talk', title: 'Cut', order: 1, look: 'two' } },
})

describe('who hears what', () => {
  const found = whoHears(tracedOf(show))
  const row = (device: string) => {
    const i = found.sounds.findIndex(one => one.device === device)
    return found.cells[0]![i]!.map(cell => cell?.hearing)
  }
  it('follows each sound through the switchers, moment by moment', () => {
    expect(found.instants.map(({ title }) => title)).toEqual(['opens', 'Cut'])
    // By the link, which is open and then shut by the look.
    expect(row('mic')).toEqual(['heard', 'shut'])
    expect(row('desk')).toEqual(['heard', 'heard'])
    // Its input follows the picture, which the cut brings on air.
    expect(row('two')).toEqual(['away', 'heard'])
    // Shut at the feeder from the start: sound beside a picture is.
    expect(row('cam')).toEqual(['shut', 'shut'])
  })
  it('says how long a sound is held, and what stops it', () => {
    const words = (device: string, j: number) =>
      found.cells[0]![found.sounds.findIndex(one => one.device === device)]![j]!.words
    expect(words('desk', 0)).toBe('by main Sound in 1 (XLR), 60\u00A0ms later')
    expect(words('two', 0)).toBe('main input 2 follows its picture, which is not on air')
    expect(words('mic', 1)).toBe('main input 1 is shut')
  })
  it('tells of each input how it stands', () => {
    const main = found.switchers.find(({ device }) => device === 'main')!
    expect(main.inputs.find(({ port }) => port === 'in-2')).toMatchObject({
      from: ['two'],
      opening: 'follows',
      moments: [
        { opening: 'follows', open: false },
        { opening: 'follows', open: true },
      ],
    })
  })
})
