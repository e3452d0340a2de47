import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

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
    // Slowest: 3 frames of the camera, 2 of the switcher: 200 ms, and nobody bears more than 90.
    says: ['200\u00A0ms', '90\u00A0ms'],
  },
  {
    name: 'typically within the window, and beyond what is borne where all is slow',
    gives: ['A08'],
    // As above, and held back by 105 ms: 140 - 105 = 35 ms early is within 40; 200 - 105 = 95 is beyond 90.
    plan: plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p25',
        mic: 'microphone-radio',
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p25'),
          ports: { sound: { soundDelayMs: 105 } },
        },
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
    says: ['up to 95\u00A0ms after', '90\u00A0ms'],
  },
  {
    name: 'a hall that hears the loudspeakers across thirty metres',
    gives: ['A08'],
    // As above, held back by 150 ms: 10 ms late at the recorder, and 30 m * 2.9 ms more in the hall. The middle of both is
    // 53.5 ms late, that of the window 10: 43 whole ms less would be held back, but then the slowest pictures, 200 ms, come
    // 93 ms after the sound at the recorder, and 90 are borne: 40 less; 30 ms early and 57 late are within.
    plan: plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p25',
        mic: 'microphone-radio',
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p25'),
          ports: { sound: { soundDelayMs: 150 } },
        },
        cap: 'capture-hdmi',
        hall: 'projector',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'mic.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
        h: 'main.out-2 > hall.in hdmi-passive 5',
      },
      wants: { cap: { feed: 'program', sound: true }, hall: { feed: 'program', sound: true, airM: 30 } },
    }),
    offers: ['Hold the sound at main back by 110 ms'],
    says: ['97\u00A0ms after the pictures'],
  },
  {
    name: 'a room that hears the voice itself, and sees it late on the screen',
    gives: ['A08'],
    // 140 ms as above and 3 frames of the projector, 120 ms: 260, less 10 m * 2.9 ms of air.
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25', hall: 'projector' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        h: 'main.out-1 > hall.in hdmi-passive 5',
      },
      wants: { hall: { feed: 'program', silent: true, airM: 10 } },
    }),
    offers: ['Show no lips with cam: from afar, or from behind'],
    says: ['the picture of cam comes 231\u00A0ms after the voice in the room, which crosses 10\u00A0m'],
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
    // Typical is 139; at the slowest it is 3 frames of the camera and 2 of the switcher, and the desk may take no time.
    says: ['200\u00A0ms'],
  },
  {
    name: 'the sound of a slow camera stays open beside a fast one',
    gives: ['A08'],
    // Hand cameras 2 and switcher 1.5 frames of 20 ms at 50p = 70 ms, with the radio link's 80 it is 150: the microphone,
    // held back by 112 ms, is 42 ms late and 38 ms early. The sound with camera one is 80 ms after the picture of two.
    plan: plan({
      devices: {
        one: 'camera-hand-hdmi 1080p50',
        link: { model: 'radio-hdmi', air: { m: 30, channel: 1 } },
        two: 'camera-hand-hdmi 1080p50',
        mic: 'microphone-radio',
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p50'),
          ports: { 'in-1': { sound: 'fixed' }, 'sound': { soundDelayMs: 112 } },
        },
        cap: 'capture-hdmi',
      },
      links: {
        a: 'one.hdmi > link.in hdmi-passive 2 adapter-hdmi-micro',
        d: 'link.out > main.in-1 hdmi-passive 1',
        b: 'two.hdmi > main.in-2 hdmi-passive 2 adapter-hdmi-micro',
        m: 'mic.out > main.sound mini-jack-lead 1',
        c: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Let the sound of one follow its picture', 'Shut the sound of one at main'],
    says: ['the sound of one stays open beside two', '80\u00A0ms before it', '60\u00A0ms'],
  },
]
