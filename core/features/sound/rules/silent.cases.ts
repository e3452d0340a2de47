import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a stream that nobody hears',
    gives: ['A01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, cap: 'capture-hdmi', mic: 'microphone-radio' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > cap.in hdmi-passive 1' },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Open the sound of main input 1', 'Connect mic to main Sound in', 'Give up sound at cap'],
    says: ['main', 'cap will be silent'],
  },
  {
    name: 'sound that the feeder\u2019s link does not open',
    gives: ['A01'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        side: 'switcher-4-strict 1080p59.94',
        main: STAGE,
        cap: 'capture-hdmi',
      },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 2',
        m: 'mic.out > side.sound mini-jack-lead 1',
        j: 'side.out-1 > main.in-1 hdmi-passive 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Open the sound of main input 1'],
    says: ['main'],
  },
  {
    name: 'a look that shuts all that is heard',
    gives: ['A01'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        main: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { sound: { soundDelayMs: 40 } } },
        cap: 'capture-hdmi',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        m: 'mic.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
      segments: { talk: { title: 'Talk', order: 1 } },
      looks: { still: { title: 'Silence', order: 1, sound: { main: { sound: 'shut' } } } },
      cues: { off: { segment: 'talk', title: 'Sound off', order: 1, look: 'still' } },
    }),
    offers: ['Open the sound of mic in Silence'],
    says: ['In Silence nothing is open', 'cap'],
  },
  {
    name: 'the plug of the only microphone turned down by fifty decibels',
    gives: ['A01'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p59.94'),
          ports: { sound: { soundDelayMs: 40, gainDb: -50 } },
        },
        cap: 'capture-hdmi',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        m: 'mic.out > main.sound mini-jack-lead 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['as it comes', 'Give up sound at cap'],
    says: ['turned down to \u221250\u00A0dB', 'below \u221240\u00A0dB', 'cap'],
  },
  {
    name: 'a feeder and the last switcher that each turn the one microphone down by twenty-five decibels',
    gives: ['A01'],
    // Neither alone is below -40 dB; -50 dB together are.
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        side: {
          model: 'switcher-4-strict',
          standard: fmt('1080p59.94'),
          ports: { sound: { soundDelayMs: 70, gainDb: -25 } },
        },
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p59.94'),
          ports: { 'in-1': { sound: 'fixed', gainDb: -25 } },
        },
        cap: 'capture-hdmi',
      },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 2',
        m: 'mic.out > side.sound mini-jack-lead 1',
        l: 'side.out-1 > main.in-1 hdmi-passive 1',
        b: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Take it as it comes at every input on its way'],
    says: ['\u221250\u00A0dB in all'],
  },
]
