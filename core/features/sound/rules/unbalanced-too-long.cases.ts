import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'unbalanced sound across a hall',
    gives: ['L05'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', mic: 'microphone-radio', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', m: 'mic.out > main.sound mini-jack-lead 0 =5+5' },
    }),
    offers: ['Balance it'],
    says: ['10\u00A0m', '6\u00A0m'],
  },
  {
    name: 'a music player on two leads joined',
    gives: ['L05'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', music: 'player-music', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', m: 'music.out > main.sound mini-jack-lead 12' },
    }),
    offers: ['Balance it'],
    says: ['6\u00A0m'],
  },
]
