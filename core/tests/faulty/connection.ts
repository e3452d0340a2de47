import { fmt, plan } from '../plans'
import { MIXED, SEEN, STAGE, type Faulty } from './faulty'

/** Cables and plugs that lead wrong. */
export const CONNECTION: readonly Faulty[] = [
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
    name: 'a plug adapter in the place of a converter', gives: ['C02'],
    plan: plan({ devices: { phone: 'phone 1080p59.94', main: STAGE }, links: { a: 'phone.usb-c > main.in-1 hdmi-passive 2 adapter-usbc-plug' } }),
    offers: ['USB-C to HDMI converter'], says: ['plug adapter', 'USB-C video', 'HDMI', 'converter'],
  },
  {
    name: 'a converter that stands the wrong way round', gives: ['C02'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', conv: 'sdi-to-hdmi', main: MIXED }, links: { a: 'cam.hdmi > conv.out hdmi-passive 1', b: 'conv.in > main.in-5 coax-rg6 40' } }),
    offers: ['In its place: HDMI to SDI converter'], says: ['conv', 'wrong way round'],
  },
  {
    name: 'three cables in one input', gives: ['C04', 'C04'],
    plan: plan({ devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'computer 1080p59.94', main: 'switcher-8-hdmi 1080p59.94', x: 'screen' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-1 hdmi-passive 2', c: 'c.hdmi-1 > main.in-1 hdmi-passive 2', m: 'main.out-3 > x.in hdmi-passive 1' } }),
    offers: ['Move it to main input 2'], says: ['main input 1'],
  },
  {
    name: 'an output that the model lacks', gives: ['C06'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, scr: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-3 > scr.in hdmi-passive 2' } }),
    offers: ['Use main output 1'], says: ['out-3'],
  },
  {
    name: 'an active cable the wrong way round', gives: ['C08'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: { from: { device: 'cam', port: 'hdmi' }, to: { device: 'main', port: 'in-1' }, cable: 'hdmi-active', routeM: 12, turned: true } } }),
    offers: ['Turn the cable round'], says: ['Active HDMI'],
  },
  {
    name: 'five computers and four inputs', gives: ['C09', 'O03'],
    plan: plan({ devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'computer 1080p59.94', d: 'computer 1080p59.94', e: 'computer 1080p59.94', main: STAGE }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2', c: 'c.hdmi-1 > main.in-3 hdmi-passive 2', d: 'd.hdmi-1 > main.in-4 hdmi-passive 2' } }),
    offers: ['Use a larger switcher at main', 'Put a feeder before main', 'Give up e'], says: ['1 of 5 sources'],
  },
  {
    name: 'two guests late and one input free', gives: ['C10'],
    plan: plan({ brief: { spareInputs: 2 }, devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'computer 1080p59.94', main: 'switcher-4-multiview 1080p59.94', scr: 'screen' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2', c: 'c.hdmi-1 > main.in-3 hdmi-passive 2', m: 'main.out-3 > scr.in hdmi-passive 2' }, wants: { scr: 'multiview' } }),
    offers: ['feeder'], says: ['2', '1'],
  },
  {
    name: 'three screens at two outputs', gives: ['C11'],
    plan: plan({ devices: { a: 'computer 1080p59.94', main: STAGE, x: 'screen', y: 'screen', z: 'screen' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > x.in hdmi-passive 2', c: 'main.out-2 > y.in hdmi-passive 2' }, wants: { x: 'program', y: 'program', z: 'program' } }),
    offers: ['HDMI splitter'], says: ['program'],
  },
  {
    name: 'preview and program on one output', gives: ['C12'],
    plan: plan({ devices: { a: 'computer 1080p59.94', main: STAGE, s: 'splitter-hdmi', x: 'screen', y: 'screen' }, links: { a: 'a.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > s.in hdmi-passive 1', c: 's.out-1 > x.in hdmi-passive 2', d: 's.out-2 > y.in hdmi-passive 2' }, wants: { x: 'program', y: 'preview' } }),
    offers: ['output 2'], says: ['preview', 'program'],
  },
  {
    name: 'program led back into the switcher', gives: ['C13'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > main.in-4 hdmi-passive 1' } }),
    offers: ['Keep main input 4 off the air', 'Give up the picture at main input 4'], says: ['main output 1', 'main input 4'],
  },
  {
    name: 'a ring of two stages', gives: ['C13'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', a: STAGE, b: STAGE }, links: { s: 'cam.hdmi > a.in-1 hdmi-passive 3', ab: 'a.out-1 > b.in-1 hdmi-passive 1', ba: 'b.out-1 > a.in-2 hdmi-passive 1' } }),
    offers: ['Keep a input 2 off the air'], says: ['a output 1', 'a input 2'],
  },
  {
    name: 'a multiviewer that sees itself', gives: ['C13'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', mv: 'multiviewer-4-hdmi 1080p59.94', x: 'splitter-hdmi', scr: 'screen' }, links: { a: 'cam.hdmi > mv.in-1 hdmi-passive 2', b: 'mv.out > x.in hdmi-passive 1', c: 'x.out-1 > scr.in hdmi-passive 1', d: 'x.out-2 > mv.in-2 hdmi-passive 1' } }),
    offers: ['Give up the picture at mv input 2'], says: ['without end'],
  },
  {
    name: 'a stiff adapter in a micro socket', gives: ['C16'],
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p59.94', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro-stiff' } }),
    offers: ['Hold the plug', 'with Micro HDMI adapter'], says: ['stiff', 'micro HDMI', 'cam HDMI out'],
  },
  {
    name: 'a lead with a mini plug and nothing that holds it', gives: ['C16'],
    plan: plan({ devices: { pad: 'tablet-drawing 1080p59.94', main: STAGE }, links: { a: 'pad.hdmi > main.in-1 hdmi-mini-lead 0 =2' } }),
    offers: ['Hold the plug', 'with Mini HDMI adapter'], says: ['mini HDMI'],
  },
  {
    name: 'a switcher without a panel and without a computer', gives: ['C17'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-computer 1080p59.94' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' } }),
    offers: ['Add a control computer at Control (network)', 'Add a control computer at Control (USB)'], says: ['main', 'Control (network) or Control (USB)'],
  },
  {
    name: 'two cameras to set up and one network socket', gives: ['C17'],
    plan: plan({ devices: { a: 'camera-ptz-hdmi 1080p59.94', b: 'camera-ptz-hdmi 1080p59.94', joy: 'controller-joystick', main: STAGE }, links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2', k: 'joy.network > a.control control-network 20' } }),
    offers: ['Put in a network switch behind joy'], says: ['b'],
  },
]
