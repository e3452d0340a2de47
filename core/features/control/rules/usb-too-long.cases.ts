import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a USB-C lead that is too long',
    gives: ['L04'],
    plan: plan({
      devices: { phone: 'phone 1080p59.94', conv: 'usbc-hdmi-full', main: STAGE },
      links: { a: 'phone.usb-c > conv.in usbc-lead 5', b: 'conv.out > main.in-1 hdmi-passive 3' },
    }),
    offers: ['Optical USB-C'],
    says: ['7\u00A0m', '2\u00A0m'],
  },
  {
    name: 'a control lead by USB beyond 5 m',
    gives: ['L04'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', pc: 'computer-control', main: 'switcher-4-computer 1080p59.94' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', k: 'pc.usb-1 > main.control-usb control-usb 8 =5+5' },
    }),
    offers: ['Active USB lead'],
    says: ['5\u00A0m'],
  },
  {
    name: 'a capture box too far from its computer',
    gives: ['L04'],
    // A passive lead of 5 Gb/s goes 3 m.
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        box: 'capture-box-hdmi',
        main: 'computer-mixing 1080p59.94',
        web: 'stream-viewers',
      },
      links: {
        a: 'cam.hdmi > box.in hdmi-passive 2',
        b: 'box.out > main.in-4 usb-picture 5',
        w: 'main.out-3 > web.in network-cable 5',
      },
      wants: { web: 'program' },
    }),
    offers: ['Active USB lead for pictures'],
    says: ['USB lead for pictures', '7\u00A0m long', '3\u00A0m'],
  },
]
