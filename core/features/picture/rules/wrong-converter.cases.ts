import { MIXED, STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a plug adapter in the place of a converter',
    gives: ['C02'],
    plan: plan({
      devices: { phone: 'phone 1080p59.94', main: STAGE },
      links: { a: 'phone.usb-c > main.in-1 hdmi-passive 2 adapter-usbc-plug' },
    }),
    offers: ['USB-C to HDMI converter'],
    says: ['plug adapter', 'USB-C video', 'HDMI', 'converter'],
  },
  {
    name: 'a converter that stands the wrong way round',
    gives: ['C02'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', conv: 'sdi-to-hdmi', main: MIXED },
      links: { a: 'cam.hdmi > conv.out hdmi-passive 1', b: 'conv.in > main.in-5 coax-rg6 40' },
    }),
    offers: ['In its place: HDMI to SDI converter'],
    says: ['conv', 'wrong way round'],
  },
]
