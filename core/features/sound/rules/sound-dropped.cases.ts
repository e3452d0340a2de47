import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const format = fmt('1080p59.94')
const show = (opening: 'fixed' | 'follows') =>
  plan({
    devices: {
      pc: 'computer 1080p59.94',
      box: { model: 'scaler-picture-alone', ports: { out: { format } } },
      cam: 'camera-box-hdmi 1080p59.94',
      mic: 'microphone-radio',
      main: {
        model: 'switcher-4-strict',
        standard: format,
        ports: { 'in-1': { sound: opening }, 'sound': { soundDelayMs: 40 } },
      },
      rec: 'recorder-hdmi',
    },
    links: {
      a: 'pc.hdmi-1 > box.in hdmi-passive 1',
      b: 'box.out > main.in-1 hdmi-passive 1',
      c: 'cam.hdmi > main.in-2 hdmi-passive 2',
      m: 'mic.out > main.sound mini-jack-lead 1',
      r: 'main.out-1 > rec.in hdmi-passive 2',
    },
    wants: { rec: { feed: 'program', sound: true } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a scaler that passes the picture alone',
    gives: ['A14'],
    plan: show('fixed'),
    offers: ['In its place', 'Shut the sound of main input 1'],
    says: ['main input 1 is open for the sound of pc', 'box on the way drops it'],
  },
  {
    name: 'sound that follows a picture and is dropped before it',
    gives: ['A14'],
    plan: show('follows'),
    offers: ['Shut the sound of main input 1'],
    says: ['box on the way drops it'],
  },
]
