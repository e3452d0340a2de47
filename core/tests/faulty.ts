import type { Plan } from '#core/plan'
import { fmt, plan } from './plans'

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
  {
    name: 'optical HDMI laid the wrong way round', gives: ['C08'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: { from: { device: 'cam', port: 'hdmi' }, to: { device: 'main', port: 'in-1' }, cable: 'hdmi-optical', routeM: 20, turned: true } } }),
    offers: ['Turn the cable round'], says: ['Optical HDMI', 'one way only'],
  },
  {
    name: 'five sources at four inputs', gives: ['C09'],
    plan: plan({ devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'computer 1080p59.94', d: 'camera-box-hdmi 1080p59.94', e: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-multiview 1080p59.94', scr: 'screen' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2', c: 'c.hdmi-1 > main.in-3 hdmi-passive 2', d: 'd.hdmi > main.in-4 hdmi-passive 2', m: 'main.out-3 > scr.in hdmi-passive 2' } }),
    offers: ['Put a feeder before main input 4', 'Use a larger switcher at main', 'Give up e'], says: ['1 of 5 sources'],
  },
  {
    name: 'no input spare for the late guest', gives: ['C10'],
    plan: plan({ brief: { spareInputs: 1 }, devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'camera-box-hdmi 1080p59.94', d: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-multiview 1080p59.94', scr: 'screen' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2', c: 'c.hdmi > main.in-3 hdmi-passive 2', d: 'd.hdmi > main.in-4 hdmi-passive 2', m: 'main.out-3 > scr.in hdmi-passive 2' } }),
    offers: ['Put a feeder before', 'Use a larger switcher', 'Give up 1 input held free'], says: ['1 input spare', 'none is free'],
  },
  {
    name: 'a third screen at two outputs', gives: ['C11'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, one: 'recorder-hdmi', two: 'screen', three: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > one.in hdmi-passive 1', c: 'main.out-2 > two.in hdmi-passive 2' }, wants: { one: 'program', two: 'program', three: 'program' } }),
    offers: ['Loop it through one', 'Put in HDMI splitter', 'Use a larger switcher at main', 'Give up program at three'], says: ['three should see program', 'taken'],
  },
  {
    name: 'one output for multiview and program', gives: ['C12'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-scaling 1080p50', split: 'splitter-hdmi', op: 'screen', hall: 'projector' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-2 > split.in hdmi-passive 1', c: 'split.out-1 > op.in hdmi-passive 2', d: 'split.out-2 > hall.in hdmi-passive 5' }, wants: { op: 'multiview', hall: 'program' } }),
    offers: ['Feed it from main output 1'], says: ['main output 2 carries multiview for op', 'hall', 'program'],
  },
  {
    name: 'the multiview shown to the audience', gives: ['O02'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: { model: 'switcher-4-scaling', ports: { 'out-2': { feed: 'multiview' } } }, hall: 'projector' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-2 > hall.in hdmi-passive 5' }, wants: { hall: 'program' } }),
    offers: ['Point main output 2 at program', 'Feed it from main output 1', 'Give up'], says: ['hall should see program and gets multiview'],
  },
  {
    name: 'a camera where program was asked', gives: ['O02'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE, hall: 'projector' }, links: { a: 'cam.hdmi > hall.in hdmi-passive 2', b: 'two.hdmi > main.in-1 hdmi-passive 2' }, wants: { hall: 'program' } }),
    offers: ['Give up program at hall'], says: ['hall should see program and gets cam'],
  },
  {
    name: 'a feeder that sends its preview on', gives: ['C14'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', side: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'preview' } } }, main: STAGE, proj: 'projector' }, links: { a: 'cam.hdmi > side.in-1 hdmi-passive 2', j: 'side.out-2 > main.in-1 hdmi-passive 1', ...SEEN } }),
    offers: ['Point side output 2 at program', 'Take it from side output 1'], says: ['side output 2 carries preview', 'main input 1'],
  },
  {
    name: 'a feeder that leads nowhere', gives: ['C14'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', side: 'switcher-4-strict 1080p59.94', main: STAGE, proj: 'projector' }, links: { a: 'cam.hdmi > side.in-1 hdmi-passive 2', b: 'two.hdmi > main.in-1 hdmi-passive 2', ...SEEN } }),
    offers: ['Connect its program to main input 2'], says: ['side has pictures'],
  },
  {
    name: 'fewer cameras in the kit than in the plan', gives: ['C15'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'two.hdmi > main.in-2 hdmi-passive 2' }, kit: { boxes: { of: 'model', id: 'camera-box-hdmi', owned: 1 } } }),
    offers: ['Hire 1 more: 52', 'Buy 1 more: 520'], says: ['2 of Box camera', 'holds 1'],
  },
  {
    name: 'one short lead too few, and a longer one idle', gives: ['C15'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 1', b: 'two.hdmi > main.in-2 hdmi-passive 1' }, kit: { short: { of: 'lead', id: 'hdmi-passive', pieceM: 3, owned: 1 }, long: { of: 'lead', id: 'hdmi-passive', pieceM: 5, owned: 2 } } }),
    offers: ['Use a 5 m piece that is in the kit', 'Hire 1 more'], says: ['3 m Passive HDMI'],
  },
  {
    name: '2160 asked of a recording of 1080', gives: ['F13'],
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25', rec: 'recorder-hdmi' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > rec.in hdmi-passive 1' }, wants: { rec: { feed: 'program', asks: { raster: '3840x2160' } } } }),
    offers: ['Record 2160 lines in the cameras', 'Give up 2160 lines at rec'], says: ['3840x2160', '1920x1080'],
  },
  {
    name: '2160 asked of a screen behind a switcher of 1080', gives: ['F13'],
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25', scr: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > scr.in hdmi-passive 1' }, wants: { scr: { feed: 'program', asks: { raster: '3840x2160' } } } }),
    offers: ['Use Switcher for 2160 lines', 'Give up'], says: ['2160 lines'],
  },
  {
    name: 'cameras of 59.94 frames under lamps of 50 Hz', gives: ['F14'],
    // 2 x 50 - 2 x 59.94 = 19.88 beats a second; of whole pulses only 1/100 fits in a frame of 16.7 ms.
    plan: plan({ brief: { mains: '230v-50hz' }, devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' } }),
    offers: ['Set the shutter of cam to 1/100'], says: ['50 Hz', '59.94 frames', '19.9 times'],
  },
  {
    name: 'a stream asked for in 25 frames', gives: ['F15'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-8-mixed 1080p50', cap: 'capture-hdmi' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'main.out-4 > cap.in hdmi-passive 1' }, wants: { cap: { feed: 'program', asks: { rate: '25/1' } } } }),
    offers: ['Set main to 1080p25', 'scaler and rate converter', 'Give up 25 frames/s at cap'], says: ['25 (25/1)', '50 (50/1)'],
  },
  {
    name: 'a feeder in another standard at a scaling input', gives: ['F16'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'laptop 1080p50', side: 'switcher-4-scaling 1080p59.94', main: 'switcher-4-scaling 1080p50', scr: 'screen' }, links: { a: 'cam.hdmi > side.in-1 hdmi-passive 2', b: 'two.hdmi > main.in-1 hdmi-passive 2', j: 'side.out-1 > main.in-2 hdmi-passive 1', c: 'main.out-1 > scr.in hdmi-passive 2' } }),
    offers: ['Set side to 1080p50'], says: ['side works in 1080p59.94', 'converts every frame'],
  },
  {
    name: 'a network cable across the park', gives: ['L03'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', enc: 'encoder-network', dec: 'decoder-network', main: STAGE }, links: { a: 'cam.hdmi > enc.in hdmi-passive 0', b: 'enc.out > dec.in network-cable 130', c: 'dec.out > main.in-1 hdmi-passive 0' } }),
    offers: ['PoE network switch', 'Network over fibre'], says: ['150\u00A0m', '100\u00A0m'],
  },
  {
    name: 'three sources and no multiview, with an output free', gives: ['O03'],
    plan: plan({ devices: { a: 'computer 1080p59.94', b: 'laptop 1080p50', c: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-scaling 1080p59.94' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2', c: 'c.hdmi > main.in-3 hdmi-passive 2' } }),
    offers: ['Show the multiview of main output 2 on a screen', 'Put in a multiviewer with 3 splitters'], says: ['3 sources'],
  },
  {
    name: 'three sources at a switcher that makes no multiview', gives: ['O03'],
    plan: plan({ devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2', c: 'c.hdmi > main.in-3 hdmi-passive 2' } }),
    offers: ['Put in a multiviewer with 3 splitters', 'Use a switcher with a multiview at main'], says: ['3 sources'],
  },
  {
    name: 'a stream that nobody hears', gives: ['A01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, cap: 'capture-hdmi', mic: 'microphone-radio' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > cap.in hdmi-passive 1' }, wants: { cap: { feed: 'program', sound: true } } }),
    offers: ['Open the sound of main input 1', 'Connect mic to main Sound in', 'Give up sound at cap'], says: ['main', 'cap will be silent'],
  },
  {
    name: 'sound that the feeder\u2019s link does not open', gives: ['A01'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', mic: 'microphone-radio', side: 'switcher-4-strict 1080p59.94', main: STAGE, cap: 'capture-hdmi' }, links: { a: 'cam.hdmi > side.in-1 hdmi-passive 2', m: 'mic.out > side.sound mini-jack-lead 1', j: 'side.out-1 > main.in-1 hdmi-passive 1', b: 'main.out-1 > cap.in hdmi-passive 1' }, wants: { cap: { feed: 'program', sound: true } } }),
    offers: ['Open the sound of main input 1'], says: ['main'],
  },
  {
    name: 'a source without sound straight to what should be heard', gives: ['O02', 'A01'],
    plan: plan({ devices: { pad: 'tablet-drawing 1080p59.94', cap: 'capture-hdmi' }, links: { a: 'pad.hdmi > cap.in hdmi-passive 2 adapter-hdmi-mini' }, wants: { cap: { feed: 'program', sound: true } } }),
    offers: ['Give up program at cap'], says: ['gets pad'],
  },
  {
    name: 'a microphone at the switcher without delay', gives: ['A08'],
    // Camera 2 + stage 1.5 frames of 40 ms at 25p = 140 ms; middle of -60..+40 is -10, so 150 ms held back leave -10.
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p25', mic: 'microphone-radio', main: 'switcher-4-strict 1080p25', cap: 'capture-hdmi' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', m: 'mic.out > main.sound mini-jack-lead 1', b: 'main.out-1 > cap.in hdmi-passive 1' }, wants: { cap: { feed: 'program', sound: true } } }),
    offers: ['Hold the sound at main back by 150 ms'], says: ['140\u00A0ms', '40\u00A0ms'],
  },
  {
    name: 'three cameras and none of them safe', gives: ['R04'],
    plan: plan({ devices: { a: 'camera-box-hdmi 1080p59.94', b: { model: 'camera-box-hdmi', shot: 'wide' }, c: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-multiview 1080p59.94', scr: 'screen' }, links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2', c: 'c.hdmi > main.in-3 hdmi-passive 2', m: 'main.out-3 > scr.in hdmi-passive 2' } }),
    offers: ['Make b the safe shot'], says: ['3 cameras'],
  },
  {
    name: 'two manned cameras and a crew of one', gives: ['R06'],
    plan: plan({ brief: { crew: 1 }, devices: { a: { model: 'camera-box-hdmi', manned: true }, b: { model: 'camera-box-hdmi', manned: true }, main: STAGE }, links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2' } }),
    offers: ['Leave a unmanned', 'Leave b unmanned'], says: ['2 cameras', 'crew is 1'],
  },
]
