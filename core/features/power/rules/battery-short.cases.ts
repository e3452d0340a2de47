import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const hand = { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } } as const
const shown = {
  links: {
    a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
    b: 'main.out-1 > scr.in hdmi-passive 2',
  },
  wants: { scr: 'program' },
} as const
const devices = { cam: hand, main: 'switcher-4-strict 1080p59.94', scr: 'screen' }
// 16 Wh x 0.8 / 9 W = 1.42 h = 1 h 25 min; from the doors at 18:00 it ends at 19:25.
const brief = { doors: '18:00', start: '18:30', end: '20:00' }

export const CASES: readonly Faulty[] = [
  {
    name: 'a hand camera on its own battery for two hours',
    gives: ['P01'],
    plan: plan({ brief, devices, ...shown }),
    // 2 h x 1.3 = 2 h 36 min, for which two packs of 85 min each are enough: 2.6 / 1.42 = 1.8.
    offers: ['Bring 2 packs of 16\u00A0Wh for cam', 'A bank of 37\u00A0Wh at cam'],
    says: ['its own battery', '1\u00A0h\u00A025\u00A0min', '2\u00A0h\u00A036\u00A0min', 'ends at 19:25'],
  },
  {
    name: 'packs that are two years old, in the cold',
    gives: ['P01'],
    plan: plan({
      // 3 x 16 x 0.8 x 0.8 (0 degrees) x 0.8 (aged) / 9 = 2.73 h against 2 h 36 min would last; two do for 1.82 h.
      brief: { ...brief, coldC: 0 },
      devices,
      ...shown,
      batteries: {
        old: { title: 'Old packs', order: 1, kind: 'pack', wh: 16, count: 2, aged: true, loads: { cam: true } },
      },
      circuits: { stage: { title: 'Stage', order: 1, amps: 16, loads: { main: true } } },
    }),
    offers: ['Plug cam into Stage', 'Bring 3 of Old packs'],
    says: ['2 of Old packs', '1\u00A0h\u00A049\u00A0min'],
  },
  {
    name: 'a bank that switches itself off at so small a draw',
    gives: ['P01'],
    plan: plan({
      brief: { ...brief, end: '18:45' },
      devices: { ...devices, mic: 'microphone-radio' },
      ...shown,
      batteries: {
        bank: { title: 'Bank', order: 1, kind: 'bank', wh: 37, offBelowW: 12, loads: { cam: true } },
        pack: { title: 'Flat pack', order: 2, kind: 'pack', wh: 4, loads: { cam: true } },
      },
    }),
    offers: ['Bring 3 of Flat pack'],
    says: ['Bank switches itself off below 12\u00A0W', '9\u00A0W'],
  },
  {
    name: 'a phone that nothing charges',
    gives: ['P06'],
    plan: plan({
      // 15 x 0.8 / 5 = 2.4 h against (21:30 - 18:00) x 1.3 = 4 h 33 min.
      brief: { ...brief, end: '21:30' },
      devices: {
        tel: { model: 'phone', ports: { 'usb-c': { format: fmt('1080p30'), clean: true } } },
        box: 'usbc-hdmi-basic',
        main: 'switcher-4-strict 1080p30',
        scr: 'screen',
      },
      links: {
        a: 'tel.usb-c > box.in usbc-lead 0',
        b: 'box.out > main.in-1 hdmi-passive 2',
        c: 'main.out-1 > scr.in hdmi-passive 2',
      },
      wants: { scr: 'program' },
    }),
    offers: ['In its place: USB-C to HDMI converter with charging', 'A bank of'],
    says: ['tel', '2\u00A0h\u00A024\u00A0min', '4\u00A0h\u00A033\u00A0min'],
  },
  {
    name: 'a second phone on a bank that is too weak for it',
    gives: ['P06'],
    plan: plan({
      brief: { ...brief, end: '21:30' },
      devices: {
        tel: { model: 'phone', ports: { 'usb-c': { format: fmt('1080p30'), clean: true } } },
        box: 'usbc-hdmi-basic',
        main: 'switcher-4-strict 1080p30',
        scr: 'screen',
      },
      links: {
        a: 'tel.usb-c > box.in usbc-lead 0',
        b: 'box.out > main.in-1 hdmi-passive 2',
        c: 'main.out-1 > scr.in hdmi-passive 2',
      },
      wants: { scr: 'program' },
      batteries: { bank: { title: 'Small bank', order: 1, kind: 'bank', wh: 74, mostW: 2, loads: { tel: true } } },
    }),
    offers: ['In its place: USB-C to HDMI converter with charging'],
    says: ['nothing charges it'],
  },
]
