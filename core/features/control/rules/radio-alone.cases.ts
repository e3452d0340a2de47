import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const DEVICES = { one: 'camera-ptz-hdmi 1080p59.94', ap: 'access-point', tab: 'tablet-control', main: STAGE }
const LINKS = { a: 'one.hdmi > main.in-1 hdmi-passive 2', t: 'tab.air > ap.air-1 air-network 10' }

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera that only a tablet moves, by radio through a switch',
    gives: ['N08'],
    plan: plan({
      devices: { ...DEVICES, net: 'switch-control' },
      links: {
        ...LINKS,
        x: 'net.out-2 > ap.in control-network 5',
        y: 'net.out-3 > one.control control-network 20',
      },
    }),
    offers: ['Wire tab to net Port 1'],
    says: ['tab reaches one by radio alone'],
  },
  {
    name: 'a switcher without a panel and a camera, both by radio',
    gives: ['N08'],
    plan: plan({
      devices: { ...DEVICES, net: 'switch-control', main: 'switcher-4-computer 1080p59.94' },
      links: {
        ...LINKS,
        x: 'net.out-2 > ap.in control-network 5',
        y: 'net.out-3 > one.control control-network 20',
        z: 'net.out-4 > main.control control-network 2',
      },
    }),
    offers: ['Wire tab to net'],
    says: ['tab reaches', 'one', 'main', 'by radio alone'],
  },
]
