import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a microphone straight into a jack for line',
    gives: ['A06'],
    plan: plan({
      devices: {
        cam: 'camera-hand-hdmi 1080p59.94',
        mic: 'microphone-speech',
        main: 'switcher-8-mixed 1080p59.94',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        m: 'mic.out > main.sound-1 xlr-jack-lead 3',
      },
    }),
    offers: ['Move it to main Sound in 2', 'Put in a sound desk before main Sound in 1'],
    says: ['mic Out', 'main Sound in 1', 'some 50 dB'],
  },
  {
    name: 'a microphone into an embedder for line',
    gives: ['A06'],
    plan: plan({
      devices: {
        cam: 'camera-studio-sdi 1080p50',
        box: 'embedder-sdi',
        mic: 'microphone-speech',
        main: 'switcher-12-sdi 1080p50',
      },
      links: {
        a: 'cam.sdi > box.in coax-rg6 5',
        m: 'mic.out > box.sound xlr-lead 3',
        b: 'box.out > main.in-1 coax-rg6 5',
      },
    }),
    offers: ['Put in a microphone amplifier before box Sound in'],
    says: ['microphone level'],
  },
]
