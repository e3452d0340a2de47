import { SEEN, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a converter that does not pass the rate',
    gives: ['F06'],
    plan: plan({
      devices: {
        phone: 'phone 1080p29.97',
        conv: 'usbc-hdmi-basic',
        cam: 'camera-box-hdmi 1080p29.97',
        main: 'switcher-4-strict 1080p29.97',
        proj: 'projector',
      },
      links: {
        a: 'phone.usb-c > conv.in usbc-lead 0',
        b: 'conv.out > main.in-4 hdmi-passive 3',
        c: 'cam.hdmi > main.in-1 hdmi-passive 3',
        ...SEEN,
      },
    }),
    offers: ['USB-C to HDMI converter'],
    says: ['conv', '1080p29.97'],
  },
  {
    name: 'a tablet at 1080 through a converter that passes 720 alone at 60',
    gives: ['F06'],
    plan: plan({
      devices: {
        pad: {
          model: 'tablet-slides',
          limitsOff: true,
          ports: { 'usb-c': { format: fmt('1080p60'), aspect: '16:9' } },
        },
        conv: 'usbc-hdmi-basic',
        main: 'switcher-4-scaling 1080p50',
      },
      links: { a: 'pad.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' },
    }),
    offers: ['Set pad to 1080p30', 'In its place'],
    says: ['conv', '1080p60'],
  },
]
