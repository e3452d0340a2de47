import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const format = fmt('1080p29.97')
/** A call into a computer that mixes, and what goes back by one of its outputs. */
const call = (back: 'out-3' | 'out-4') =>
  plan({
    devices: {
      cam: 'camera-box-hdmi 1080p29.97',
      guest: { model: 'guest-afar', ports: { network: { format } } },
      far: { model: 'guest-return', in: 'guest' },
      host: {
        model: 'computer-mixing',
        standard: format,
        ports: { 'in-3': { sound: 'fixed' }, 'sound': { soundDelayMs: 227 } },
      },
      mic: 'microphone-radio',
      hall: 'projector',
    },
    links: {
      a: 'cam.hdmi > host.in-1 hdmi-passive 2',
      g: 'guest.network > host.in-3 network-cable 2',
      b: `host.${back} > far.in network-cable 2`,
      m: 'mic.out > host.sound mini-jack-lead 1',
      h: 'host.out-1 > hall.in hdmi-passive 3',
    },
    wants: { hall: 'program', far: { feed: 'program', sound: true } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a guest whose return has their own sound in it',
    gives: ['A11'],
    plan: call('out-4'),
    offers: ['Send it without the sound of Call in 3', 'Shut the sound of Call in 3'],
    says: ['guest hears themselves, later, at far', 'host'],
  },
  {
    name: 'a guest who gets the stream back',
    gives: ['A11'],
    plan: call('out-3'),
    offers: ['Send it by Call out 4, without their sound'],
    says: ['guest hears themselves'],
  },
]
