import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const main = (ports: Record<string, { sound?: 'fixed'; soundDelayMs?: number }>) => ({
  model: STAGE.split(' ')[0]!,
  standard: fmt('1080p59.94'),
  ports,
})
const wants = { enc: { feed: 'program', sound: true } } as const

export const CASES: readonly Faulty[] = [
  {
    name: 'two radio microphones, one a side',
    gives: ['A07'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'microphone-radio-two',
        main: main({ sound: { soundDelayMs: 40 } }),
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        m: 'two.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Bring each channel of main', 'One radio microphone in the place of two'],
    says: ['one voice to each side of main'],
  },
  {
    name: 'the same in the socket of a camera that stays open',
    gives: ['A07'],
    plan: plan({
      devices: {
        cam: { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } },
        two: 'microphone-radio-two',
        main: main({ 'in-1': { sound: 'fixed' } }),
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'two.out > cam.microphone mini-jack-lead 1',
        b: 'main.out-1 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Bring each channel of main input 1 to both sides'],
    says: ['main input 1'],
  },
]
