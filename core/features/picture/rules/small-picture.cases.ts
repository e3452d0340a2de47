import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a converter that makes the picture small',
    gives: ['F12'],
    plan: plan({
      devices: { phone: 'phone 1080p59.94', conv: 'usbc-hdmi-overscan', main: STAGE },
      links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' },
    }),
    offers: ['In its place: USB-C to HDMI converter'],
    says: ['conv', '90\u00A0%'],
  },
  {
    name: 'a small picture at an input that zooms',
    gives: ['F12'],
    // 1 / 0.9 = 111 %; what is enlarged so keeps 90 % of its lines.
    plan: plan({
      devices: { phone: 'phone 1080p59.94', conv: 'usbc-hdmi-overscan', main: 'switcher-6-combo 1080p59.94' },
      links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-3 hdmi-passive 2' },
    }),
    offers: [
      'In its place: USB-C to HDMI converter',
      'Zoom to 111\u00A0% at main input 3, with 90\u00A0% of the sharpness',
    ],
    says: ['90\u00A0%'],
  },
]
