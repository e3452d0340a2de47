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
  {
    name: 'a camera at a network switch that no controller hangs on',
    gives: ['C17'],
    plan: plan({
      devices: { a: 'camera-ptz-hdmi 1080p59.94', hub: 'switch-control', main: STAGE },
      links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', k: 'hub.out-3 > a.control control-network 20' },
    }),
    offers: ['Add a control computer at Port'],
    says: ['a is connected by Control (network)', 'no controller'],
  },
  {
    name: 'the lead to the switch is laid from the camera, and the joystick hangs on nothing',
    gives: ['C17'],
    plan: plan({
      devices: { a: 'camera-ptz-hdmi 1080p59.94', hub: 'switch-control', joy: 'controller-joystick', main: STAGE },
      links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', k: 'a.control > hub.out-3 control-network 20' },
    }),
    offers: ['Connect it to joy Network'],
    says: ['no controller'],
  },
  {
    name: 'a joystick with nothing to move',
    gives: ['C17'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', joy: 'controller-joystick', hub: 'switch-control', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', k: 'joy.network > hub.out-5 control-network 2' },
    }),
    offers: ['Leave joy at home'],
    says: ['joy is planned', 'reaches nothing'],
  },
  {
    name: 'a button of a computer that no lead brings to the switcher',
    gives: ['C17'],
    plan: plan({
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        main: 'switcher-4-strict 1080p59.94',
        hall: 'projector',
      },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        h: 'main.out-1 > hall.in hdmi-passive 5',
      },
      wants: { hall: 'program' },
      macros: { go: { title: 'Go', order: 1, at: 'a', steps: [{ do: 'program', at: 'main', input: 'in-2' }] } },
    }),
    offers: ['Leave main out of Go'],
    says: ['Go is a button of a, and no control lead brings it to main: pressed, it does nothing there.'],
  },
]
