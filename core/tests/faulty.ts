import type { Plan } from '#core/plan'
import { plan } from './plans'

const STAGE = 'switcher-4-strict 1080p59.94'
const MIXED = 'switcher-8-mixed 1080p59.94'
const SEEN = { p1: 'main.out-1 > proj.in hdmi-passive 1' }

interface Faulty {
  readonly name: string
  /** All findings of severity H, D, R or Q that must come, by id. */
  readonly gives: readonly string[]
  readonly plan: Plan
  /** Parts of titles of remedies that must be among those offered for the first finding. */
  readonly offers: readonly string[]
  /** Parts of the sentence. */
  readonly says: readonly string[]
}

/** Plans with known faults, at least one per rule, for every test that walks over faults. */
export const FAULTY: readonly Faulty[] = [
  {
    name: 'raster differs', gives: ['F01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 720p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'two.hdmi > main.in-2 hdmi-passive 3', ...SEEN } }),
    offers: ['Set cam to 1080p59.94', 'scaler and rate converter'], says: ['720p59.94 (60000/1001)', '1080p59.94', 'main input 1', 'raster'],
  },
  {
    name: 'raster differs, and a scaling input is free', gives: ['F01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 720p59.94', cam2: 'camera-box-hdmi 1080p59.94', main: STAGE, side: 'switcher-4-scaling 1080p59.94', proj: 'projector' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', ...SEEN, s: 'side.out-1 > main.in-4 hdmi-passive 1', c: 'cam2.hdmi > side.in-1 hdmi-passive 1' } }),
    offers: ['Move it to side input 2'], says: ['raster (1280x720 against 1920x1080)'],
  },
  {
    name: 'integer against 1000/1001', gives: ['F02'],
    plan: plan({ devices: { pc: 'computer 1080p60', main: STAGE, cam: 'camera-box-hdmi 1080p59.94', proj: 'projector' }, links: { a: 'pc.hdmi-1 > main.in-3 hdmi-passive 2', b: 'cam.hdmi > main.in-1 hdmi-passive 2', ...SEEN } }),
    offers: ['Set pc to 1080p59.94', 'scaler and rate converter'], says: ['1080p60', '60000/1001', 'main input 3', '16.7'],
  },
  {
    name: 'interlaced into progressive', gives: ['F03'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080i50', two: 'camera-studio-sdi 1080p25', main: 'switcher-8-mixed 1080p25', scr: 'screen' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'two.sdi > main.in-6 coax-rg6 20', c: 'main.out-4 > scr.in hdmi-passive 2' } }),
    offers: ['Set cam to 1080p25', 'scaler and rate converter'], says: ['1080i50', 'scan'],
  },
  {
    name: 'no setting gives the standard', gives: ['F04'],
    plan: plan({ devices: { cam: 'camera-shoulder-sdi', two: 'camera-box-hdmi 1080p59.94', main: MIXED, scr: 'screen' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 60', b: 'two.hdmi > main.in-1 hdmi-passive 3', c: 'main.out-4 > scr.in hdmi-passive 2' } }),
    offers: ['scaler and rate converter', 'Use another source: Studio camera'], says: ['1080i50', 'no setting', '1080p59.94'],
  },
  {
    name: 'no setting gives the standard, but another standard suits all', gives: ['F04'],
    plan: plan({ devices: { cam: 'camera-shoulder-sdi', two: 'camera-studio-sdi 1080p50', main: 'switcher-8-mixed 1080p50', scr: 'screen' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 40', b: 'two.sdi > main.in-6 coax-rg6 10', c: 'main.out-4 > scr.in hdmi-passive 2' } }),
    offers: ['Set main to 1080i50'], says: ['cam'],
  },
  {
    name: 'a port whose class is too low', gives: ['F05'],
    plan: plan({ devices: { pc: 'computer 2160p30', rec: 'recorder-hdmi', main: 'switcher-4-scaling 1080p50', cam: 'camera-hand-hdmi 1080p50' }, links: { a: 'pc.hdmi-1 > rec.in hdmi-passive 1', b: 'cam.hdmi > main.in-1 hdmi-passive 1 adapter-hdmi-micro' } }),
    offers: ['Set pc to 1080p29.97', 'scaler and rate converter'], says: ['297.0 MHz', '165 MHz'],
  },
  {
    name: 'a converter that does not pass the rate', gives: ['F06'],
    plan: plan({ devices: { phone: 'phone 1080p29.97', conv: 'usbc-hdmi-basic', cam: 'camera-box-hdmi 1080p29.97', main: 'switcher-4-strict 1080p29.97', proj: 'projector' }, links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-4 hdmi-passive 3', c: 'cam.hdmi > main.in-1 hdmi-passive 3', ...SEEN } }),
    offers: ['USB-C to HDMI converter'], says: ['conv', '1080p29.97'],
  },
  {
    name: 'a capture device that lacks the rate', gives: ['F08'],
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p23.98', main: 'switcher-4-strict 1080p23.98', cap: 'capture-hdmi' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > cap.in hdmi-passive 1' } }),
    offers: ['Set main to 1080p29.97', 'scaler and rate converter'], says: ['cap', '24000/1001'],
  },
  {
    name: 'stages in different standards', gives: ['F16'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p29.97', two: 'camera-box-hdmi 1080p59.94', side: 'switcher-4-strict 1080p29.97', main: STAGE, proj: 'projector' }, links: { a: 'cam.hdmi > side.in-1 hdmi-passive 3', b: 'two.hdmi > main.in-1 hdmi-passive 3', j: 'side.out-1 > main.in-4 hdmi-passive 1', ...SEEN } }),
    offers: ['Set side to 1080p59.94', 'scaler and rate converter'], says: ['side', 'main input 4'],
  },
  {
    name: 'micro socket without adapter', gives: ['C01'],
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' } }),
    offers: ['with adapter'], says: ['micro HDMI', 'full-size HDMI', 'adapter'],
  },
  {
    name: 'SDI into HDMI with coax', gives: ['C01'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p59.94', main: STAGE }, links: { a: 'cam.sdi > main.in-2 coax-rg6 60' } }),
    offers: ['SDI to HDMI converter'], says: ['SDI', 'HDMI', 'converter'],
  },
  {
    name: 'output to output', gives: ['C03'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.out-2 hdmi-passive 3' } }),
    offers: ['Move the end to main input 1'], says: ['both outputs'],
  },
  {
    name: 'input to input', gives: ['C03'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'main.in-2 > proj.in hdmi-passive 1' } }),
    offers: ['Move the end to main output 1'], says: ['both inputs'],
  },
  {
    name: 'two cables in one input', gives: ['C04'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'two.hdmi > main.in-1 hdmi-passive 3' } }),
    offers: ['Move it to main input 2'], says: ['main input 1', 'only one'],
  },
  {
    name: 'one output in two cables', gives: ['C05'],
    plan: plan({ devices: { pc: 'computer 1080p59.94', main: STAGE, proj: 'projector' }, links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 3', b: 'pc.hdmi-1 > proj.in hdmi-passive 3' } }),
    offers: ['Put in HDMI splitter', 'Take it from pc HDMI 2'], says: ['pc HDMI 1', 'one plug'],
  },
  {
    name: 'one output in two cables, where the first sink loops through', gives: ['C05'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, rec: 'recorder-hdmi', proj: 'projector' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 1', b: 'main.out-1 > rec.in hdmi-passive 1', c: 'main.out-1 > proj.in hdmi-passive 1' } }),
    offers: ['Take it from rec Loop out', 'Take it from main output 2', 'Put in HDMI splitter'], says: ['main output 1'],
  },
  {
    name: 'a port that the model lacks', gives: ['C06'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-5 hdmi-passive 3', b: 'two.hdmi > main.in-1 hdmi-passive 3' } }),
    offers: ['Use main input 2'], says: ['no port in-5'],
  },
  {
    name: 'a source that is not connected', gives: ['C07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 720p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'two.hdmi > main.in-1 hdmi-passive 3' } }),
    offers: ['Connect it to main input 2'], says: ['cam is not connected'],
  },
  {
    name: 'a cable that ends loose', gives: ['C07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > - hdmi-passive 3' } }),
    offers: ['Connect it to main input 1'], says: ['ends loose'],
  },
  {
    name: 'a cable that begins loose', gives: ['C07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: '- > main.in-2 hdmi-passive 3' } }),
    offers: ['Take the loose cable out'], says: ['begins loose'],
  },
  {
    name: 'a converter that leads nowhere', gives: ['C07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', conv: 'hdmi-to-sdi', main: MIXED }, links: { a: 'cam.hdmi > conv.in hdmi-passive 1' } }),
    offers: ['Lead it on to main input 5'], says: ['no cable leaves it'],
  },
  {
    name: 'a converter without an input', gives: ['C07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', conv: 'hdmi-to-sdi', main: MIXED }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 1', b: 'conv.out > main.in-5 coax-rg6 3' } }),
    offers: ['Take conv and its cables out'], says: ['conv has no picture'],
  },
  {
    name: 'a ring of converters', gives: ['C07'],
    plan: plan({ devices: { one: 'hdmi-to-sdi', two: 'sdi-to-hdmi', cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'one.out > two.in coax-rg6 1', b: 'two.out > one.in hdmi-passive 1', c: 'cam.hdmi > main.in-1 hdmi-passive 1' } }),
    offers: ['and its cables out'], says: ['no picture'],
  },
  {
    name: 'passive HDMI that is dark', gives: ['L01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 22' } }),
    offers: ['Optical HDMI', 'Extender', 'HDMI to SDI converter, SDI to HDMI converter'], says: ['25\u00A0m', '15\u00A0m', '4.45\u00A0Gb/s'],
  },
  {
    name: 'passive HDMI at risk', gives: ['L01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 8' } }),
    offers: ['Optical HDMI', 'Active HDMI'], says: ['10\u00A0m', '7.5\u00A0m'],
  },
  {
    name: 'more HDMI chosen than the route needs', gives: ['L01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 4 =20' } }),
    offers: ['Take 7.5 m'], says: ['20\u00A0m'],
  },
  {
    name: 'coax beyond reach', gives: ['L02'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p59.94', main: MIXED, scr: 'screen' }, links: { a: 'cam.sdi > main.in-5 coax-rg59 66', c: 'main.out-4 > scr.in hdmi-passive 2' } }),
    offers: ['RG-11', 'fibre', 'distribution amplifier', 'Set main to 1080p29.97'], says: ['RG-59', '22\u00A0dB', '20\u00A0dB'],
  },
  {
    name: 'coax near the end of reach', gives: ['L09'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p59.94', main: MIXED }, links: { a: 'cam.sdi > main.in-5 coax-rg59 55 =50+15' } }),
    offers: ['RG-6'], says: ['65\u00A0m', '%'],
  },
  {
    name: 'a USB-C lead that is too long', gives: ['L04'],
    plan: plan({ devices: { phone: 'phone 1080p59.94', conv: 'usbc-hdmi-full', main: STAGE }, links: { a: 'phone.usb-c > conv.in usbc-lead 5', b: 'conv.out > main.in-1 hdmi-passive 3' } }),
    offers: ['Optical USB-C'], says: ['7\u00A0m', '2\u00A0m'],
  },
  {
    name: 'a wanted sink without a feed, with an output free', gives: ['O01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector', rec: 'recorder-hdmi' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', ...SEEN }, wants: { proj: 'program', rec: 'program' } }),
    offers: ['main output 2', 'Put in HDMI splitter', 'Give up'], says: ['rec should see program'],
  },
  {
    name: 'two faults in one run', gives: ['L01'],
    plan: plan({ devices: { pc: 'computer 1080p60', main: STAGE }, links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 22' } }),
    offers: ['and set pc to 1080p59.94'], says: ['25\u00A0m'],
  },
]
