import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a network cable across the park',
    gives: ['L03'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', enc: 'encoder-network', dec: 'decoder-network', main: STAGE },
      links: {
        a: 'cam.hdmi > enc.in hdmi-passive 0',
        b: 'enc.out > dec.in network-cable 130',
        c: 'dec.out > main.in-1 hdmi-passive 0',
      },
    }),
    offers: ['PoE network switch', 'Network over fibre'],
    says: ['150\u00A0m', '100\u00A0m'],
  },
  {
    name: 'a control network beyond 100 m',
    gives: ['L03'],
    plan: plan({
      devices: {
        cam: 'camera-ptz-hdmi 1080p59.94',
        joy: 'controller-joystick',
        main: STAGE,
        air: 'hdmi-to-sdi',
        back: 'sdi-to-hdmi',
      },
      links: {
        k: 'joy.network > cam.control control-network 110',
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > back.in coax-rg11 60',
        c: 'back.out > main.in-1 hdmi-passive 0',
      },
    }),
    offers: ['Put in a network switch half way', 'over fibre'],
    says: ['100\u00A0m'],
  },
]
