import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a phone without the application that sends its picture alone',
    gives: ['F11'],
    plan: plan({
      devices: {
        phone: { model: 'phone', ports: { 'usb-c': { format: fmt('1080p59.94') } } },
        conv: 'usbc-hdmi-full',
        main: STAGE,
      },
      links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' },
    }),
    offers: ['Use an application for clean output on phone'],
    says: ['phone'],
  },
  {
    name: 'readouts that can be switched off',
    gives: ['F11'],
    plan: plan({
      devices: {
        cam: {
          model: 'camera-mirrorless',
          mode: 'live',
          limitsOff: true,
          ports: { hdmi: { format: fmt('1080p59.94') } },
        },
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' },
    }),
    offers: ['Switch the readouts off at cam HDMI out'],
    says: ['cam HDMI out', 'menus and readouts'],
  },
  {
    name: 'readouts that always show',
    gives: ['F11'],
    plan: plan({
      devices: {
        cam: { model: 'camera-consumer', limitsOff: true, ports: { hdmi: { format: fmt('1080p59.94') } } },
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' },
    }),
    offers: ['Use another source: Mirrorless camera'],
    says: ['cam HDMI out', 'menus'],
  },
]
