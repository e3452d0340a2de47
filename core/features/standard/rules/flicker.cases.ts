import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'cameras of 59.94 frames under lamps of 50 Hz',
    gives: ['F14'],
    // 2 x 50 - 2 x 59.94 = 19.88 beats a second; of whole pulses only 1/100 fits in a frame of 16.7 ms.
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' },
    }),
    offers: ['Set the shutter of cam to 1/100'],
    says: ['50 Hz', '59.94 frames', '19.9 times'],
  },
  {
    name: 'flicker under lamps of 60 Hz',
    gives: ['F14'],
    plan: plan({
      brief: { mains: '120v-60hz' },
      devices: { cam: 'camera-ptz 1080p25', main: 'switcher-8-mixed 1080p25' },
      links: { a: 'cam.sdi > main.in-5 coax-rg6 20' },
    }),
    // The longest n/120 s within a frame of 1/25 s is 4/120 = 1/30 s.
    offers: ['Set the shutter of cam to 1/30'],
    says: ['120 times', 'beat 5 times'],
  },
]
