import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera left at log',
    gives: ['F19'],
    plan: plan({
      devices: {
        cam: { model: 'camera-cinema-sdi', ports: { sdi: { format: fmt('1080p25'), clean: true } } },
        main: 'switcher-12-sdi 1080p25',
      },
      links: { a: 'cam.sdi > main.in-1 coax-rg6 30' },
    }),
    offers: ['Set cam to SDR', 'Colour converter'],
    says: ['log', 'washed out'],
  },
  {
    name: 'a phone left at HLG',
    gives: ['F19', 'E04'],
    plan: plan({
      devices: {
        phone: {
          model: 'phone-upright',
          limitsOff: true,
          ports: { 'usb-c': { format: fmt('1080p59.94'), clean: true } },
        },
        conv: 'usbc-hdmi-full',
        main: STAGE,
      },
      links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' },
    }),
    offers: ['Set phone to SDR', 'HDMI scaler and rate converter'],
    says: ['HLG'],
  },
]
