import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const wants = { enc: { feed: 'program', sound: true } } as const
const hand = { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } }

export const CASES: readonly Faulty[] = [
  {
    name: 'the receiver of a radio microphone on a camera whose sound is shut',
    gives: ['A10'],
    plan: plan({
      devices: { cam: hand, talk: 'microphone-radio', main: STAGE, enc: 'encoder-stream' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'talk.out > cam.microphone mini-jack-lead 1',
        b: 'main.out-1 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Keep the sound of main input 1 open'],
    says: ['talk rides with the picture at main input 1'],
  },
  {
    name: 'the same beside music that is heard',
    gives: ['A10'],
    plan: plan({
      devices: {
        cam: hand,
        talk: 'microphone-radio',
        music: 'player-music',
        main: { model: STAGE.split(' ')[0]!, standard: fmt('1080p59.94'), ports: { sound: { soundDelayMs: 40 } } },
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'talk.out > cam.microphone mini-jack-lead 1',
        n: 'music.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Keep the sound of main input 1 open'],
    says: ['nobody hears it'],
  },
]
