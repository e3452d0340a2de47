import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

/** An encoder that sends over the line of the house. */
const sending = (address: string, gateway: string) =>
  plan({
    brief: { network: { gateway } },
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: STAGE,
      enc: { model: 'encoder-stream', address },
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2' },
    uplinks: { house: { title: 'Line of the house', order: 1, by: 'wire', encoders: { enc: true } } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'an encoder on another subnet than the way out',
    gives: ['N05'],
    plan: sending('192.168.10.5/24', '10.0.0.1/24'),
    offers: ['Give enc 10.0.0.2/24'],
    says: ['enc sends over Line of the house', '10.0.0.1/24', 'nothing of it gets out'],
  },
  {
    name: 'an encoder whose subnet ends before the way out',
    gives: ['N05'],
    plan: sending('172.16.0.4/28', '172.16.0.20/24'),
    offers: ['Give enc 172.16.0.1/24'],
    says: ['172.16.0.4/28'],
  },
]
