import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'one picture so late that no delay of sound serves all',
    gives: ['A09'],
    // The radio link takes 3 frames of 40 ms = 120 ms, and the window is 100 ms wide: a box of two frames leaves 40 ms.
    plan: plan({
      devices: {
        one: 'camera-studio-sdi 1080p25',
        link: { model: 'radio-sdi-far', air: { m: 100, channel: 1 } },
        two: 'camera-studio-sdi 1080p25',
        mic: 'microphone-speech',
        main: 'switcher-12-sdi 1080p25',
        rec: 'encoder-stream-sdi',
      },
      links: {
        a: 'one.sdi > link.in coax-rg6 5',
        d: 'link.out > main.in-1 coax-rg6 5',
        b: 'two.sdi > main.in-2 coax-rg6 5',
        m: 'mic.out > main.sound-1 xlr-lead 5',
        c: 'main.out-1 > rec.in coax-rg6 5',
      },
      wants: { rec: { feed: 'program', sound: true } },
    }),
    offers: ['Give one a shot without lips', 'Hold two back by a frame delay, and the sound with them'],
    says: ['the picture of one comes 120\u00A0ms after that of two', '100\u00A0ms wide'],
  },
  {
    // Phone 60 ms and radio 80 ms, typically, against 1.5 frames of 59.94.
    name: 'a phone by radio beside a wired camera',
    gives: ['A09'],
    plan: plan({
      devices: {
        tel: { model: 'phone', ports: { 'usb-c': { format: fmt('1080p59.94'), clean: true } } },
        box: 'usbc-hdmi-full',
        air: { model: 'radio-hdmi', air: { m: 15, channel: 1 } },
        two: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        main: 'switcher-4-strict 1080p59.94',
        rec: 'encoder-stream',
      },
      links: {
        a: 'tel.usb-c > box.in usbc-lead 0',
        d: 'box.out > air.in hdmi-passive 1',
        e: 'air.out > main.in-1 hdmi-passive 1',
        b: 'two.hdmi > main.in-2 hdmi-passive 2',
        m: 'mic.out > main.sound mini-jack-lead 1',
        c: 'main.out-1 > rec.in hdmi-passive 1',
      },
      wants: { rec: { feed: 'program', sound: true } },
    }),
    offers: ['Give tel a shot without lips', 'Give two a shot without lips'],
    says: ['the picture of tel comes', 'no delay of the sound fits both'],
  },
]
