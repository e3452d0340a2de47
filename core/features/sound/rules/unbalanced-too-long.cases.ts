import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

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
  {
    name: 'balanced sound on far more cable than its way is long',
    gives: ['L05'],
    plan: plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p25',
        mic: 'microphone-speech',
        desk: 'desk-8',
        main: { model: 'switcher-8-mixed', standard: fmt('1080p25'), ports: { 'sound-1': { soundDelayMs: 150 } } },
        rec: 'recorder-hdmi',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'mic.out > desk.in-1 xlr-lead 40 =50+50+50+50+50',
        s: 'desk.main > main.sound-1 jack-lead 3',
        b: 'main.out-4 > rec.in hdmi-passive 1',
      },
      wants: { rec: { feed: 'program', sound: true } },
    }),
    offers: ['Take'],
    says: ['250\u00A0m', '200\u00A0m'],
  },
]
