import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

/** A show that cannot be dark, with a spare switcher in the case, and sound by one device. */
const alone = (sound: 'microphone-radio' | 'player-music') =>
  plan({
    brief: { secondWay: true },
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      ear: sound,
      main: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { sound: { soundDelayMs: 40 } } },
      enc: 'encoder-stream',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2',
      m: 'ear.out > main.sound mini-jack-lead 1',
      b: 'main.out-1 > enc.in hdmi-passive 2',
    },
    wants: { enc: { feed: 'program', sound: true } },
    kit: { sw: { kind: 'model', id: 'switcher-4-strict', owned: 2 } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'one radio microphone in a show that cannot be silent',
    gives: ['A04'],
    plan: alone('microphone-radio'),
    offers: ['Open the sound of main input 1'],
    says: ['All sound at enc comes from ear'],
  },
  {
    name: 'one player in a show that cannot be silent',
    gives: ['A04'],
    plan: alone('player-music'),
    offers: ['Open the sound of main input 1'],
    says: ['comes from ear'],
  },
]
