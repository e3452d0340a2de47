import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a microphone at the switcher without delay',
    gives: ['A08'],
    // Camera 2 + switcher 1.5 frames of 40 ms at 25p = 140 ms; middle of -60..+40 is -10, so 150 ms held back leave -10.
    plan: plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p25',
        mic: 'microphone-radio',
        main: 'switcher-4-strict 1080p25',
        cap: 'capture-hdmi',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'mic.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Hold the sound at main back by 150 ms'],
    says: ['140\u00A0ms', '40\u00A0ms'],
  },
  {
    name: 'sound from the desk ahead of the pictures',
    gives: ['A08'],
    // Camera 2 + switcher 1.5 frames of 40 ms at 25p = 140 ms; the desk takes 1 ms of them; 139 + 10 = 149.
    plan: plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p25',
        mic: 'microphone-speech',
        desk: 'desk-8',
        main: 'switcher-8-mixed 1080p25',
        rec: 'recorder-hdmi',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'mic.out > desk.in-1 xlr-lead 10',
        s: 'desk.main > main.sound-1 jack-lead 3',
        b: 'main.out-4 > rec.in hdmi-passive 1',
      },
      wants: { rec: { feed: 'program', sound: true } },
    }),
    offers: ['Hold the sound at main back by 149 ms'],
    says: ['139\u00A0ms'],
  },
]
