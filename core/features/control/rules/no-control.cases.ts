import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a switcher without a panel and without a computer',
    gives: ['C17'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-computer 1080p59.94' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' },
    }),
    offers: ['Add a control computer at Control (network)', 'Add a control computer at Control (USB)'],
    says: ['main', 'Control (network) or Control (USB)'],
  },
  {
    name: 'two cameras to set up and one network socket',
    gives: ['C17'],
    plan: plan({
      devices: {
        a: 'camera-ptz-hdmi 1080p59.94',
        b: 'camera-ptz-hdmi 1080p59.94',
        joy: 'controller-joystick',
        main: STAGE,
      },
      links: {
        a: 'a.hdmi > main.in-1 hdmi-passive 2',
        b: 'b.hdmi > main.in-2 hdmi-passive 2',
        k: 'joy.network > a.control control-network 20',
      },
    }),
    offers: ['Put in a network switch behind joy'],
    says: ['b'],
  },
]
