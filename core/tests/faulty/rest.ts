import { fmt, plan } from '../plans'
import { MIXED, SEEN, STAGE, type Faulty } from './faulty'

/** Lengths, outputs, sound, endurance, people. */
export const REST: readonly Faulty[] = [
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
  {
    // 0.735 sqrt(5940) + 0.0007 x 5940 = 60.81 dB per 100 m at 12G: 40 dB carry 65.8 m.
    name: 'coax beyond its reach at 12G', gives: ['L02'],
    plan: plan({ devices: { cam: { model: 'camera-studio-12g', ports: { sdi: { format: fmt('2160p50'), transfer: 'sdr' } } }, main: 'switcher-6-2160 2160p50' }, links: { a: 'cam.sdi > main.in-1 coax-rg59 60' } }),
    offers: ['RG-11', 'fibre', 'distribution amplifier'], says: ['12G-SDI', '65.8\u00A0m'],
  },
  {
    name: 'a control network beyond 100 m', gives: ['L03'],
    plan: plan({ devices: { cam: 'camera-ptz-hdmi 1080p59.94', joy: 'controller-joystick', main: STAGE, air: 'hdmi-to-sdi', back: 'sdi-to-hdmi' }, links: { k: 'joy.network > cam.control control-network 110', a: 'cam.hdmi > air.in hdmi-passive 0', b: 'air.out > back.in coax-rg11 60', c: 'back.out > main.in-1 hdmi-passive 0' } }),
    offers: ['Put in a network switch half way', 'over fibre'], says: ['100\u00A0m'],
  },
  {
    name: 'a control lead by USB beyond 5 m', gives: ['L04'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', pc: 'computer-control', main: 'switcher-4-computer 1080p59.94' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', k: 'pc.usb-1 > main.control-usb control-usb 8 =5+5' } }),
    offers: ['Active USB lead'], says: ['5\u00A0m'],
  },
  {
    name: 'unbalanced sound across a hall', gives: ['L05'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', mic: 'microphone-radio', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', m: 'mic.out > main.sound mini-jack-lead 0 =5+5' } }),
    offers: ['Balance it'], says: ['10\u00A0m', '6\u00A0m'],
  },
  {
    name: 'a music player on two leads joined', gives: ['L05'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', music: 'player-music', main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', m: 'music.out > main.sound mini-jack-lead 12' } }),
    offers: ['Balance it'], says: ['6\u00A0m'],
  },
  {
    // 65 m of RG-6 at 3G: 0.65 x 23.434 = 15.23 dB of 20; 80 m: 18.75 dB, 94 %.
    name: 'near the end of coax', gives: ['L09'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-12-sdi 1080p50' }, links: { a: 'cam.sdi > main.in-1 coax-rg6 60 =40+40' } }),
    offers: ['RG-11'], says: ['80\u00A0m'],
  },
  {
    name: 'a recorder that nothing feeds', gives: ['O01'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-12-sdi 1080p50', rec: 'recorder-2160' }, links: { a: 'cam.sdi > main.in-1 coax-rg6 20' }, wants: { rec: 'clean' } }),
    offers: ['Feed it from main output 1', 'Give up clean at rec'], says: ['rec', 'clean'],
  },
  {
    name: 'sound from the desk ahead of the pictures', gives: ['A08'],
    // Camera 2 + stage 1.5 frames of 40 ms at 25p = 140 ms; the desk takes 1 ms of them; 139 + 10 = 149.
    plan: plan({ devices: { cam: 'camera-hand-hdmi 1080p25', mic: 'microphone-speech', desk: 'desk-8', main: 'switcher-8-mixed 1080p25', rec: 'recorder-hdmi' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', m: 'mic.out > desk.in-1 xlr-lead 10', s: 'desk.main > main.sound-1 jack-lead 3', b: 'main.out-4 > rec.in hdmi-passive 1' }, wants: { rec: { feed: 'program', sound: true } } }),
    offers: ['Hold the sound at main back by 149 ms'], says: ['139\u00A0ms'],
  },
  {
    name: 'a camera that switches itself off in the show', gives: ['E01'],
    plan: plan({ brief: { start: '19:00', end: '21:30' }, devices: { cam: { model: 'camera-action', ports: { hdmi: { format: fmt('1080p59.94'), clean: true, aspect: '16:9' } } }, main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' } }),
    offers: ['Switch off what ends cam by itself'], says: ['15 min', '150 min'],
  },
  {
    name: 'a recording in the camera that stops before midnight does', gives: ['E01'],
    plan: plan({ brief: { start: '23:40', end: '00:20' }, devices: { cam: { model: 'camera-mirrorless', mode: 'out-1080', limitsOff: true, ports: { hdmi: { format: fmt('1080p25'), clean: true } } }, main: 'switcher-4-strict 1080p25' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' } }),
    offers: ['Set cam to: 1080 out at all rates'], says: ['stops recording', '29 min', '40 min'],
  },
  {
    name: 'a document camera in 4:3', gives: ['E04'],
    plan: plan({ devices: { doc: 'camera-document 1080p60', main: 'switcher-6-combo 1080p50' }, links: { a: 'doc.hdmi > main.in-3 hdmi-passive 2' } }),
    offers: ['Cut it to 16:9 at main input 3', 'Stretch it', 'Keep the bars, on purpose, at main input 3'], says: ['4:3', 'bars at the sides'],
  },
  {
    name: 'a laptop in 16:10, and an old tape', gives: ['E04', 'E04'],
    plan: plan({ devices: { pc: { model: 'laptop-office', limitsOff: true, ports: { hdmi: { format: fmt('1080p50'), range: 'narrow' } } }, tape: 'player-tape 576i50', sc: 'scaler-sdi 1080p50', main: 'switcher-8-mixed 1080p50' }, links: { a: 'pc.hdmi > main.in-1 hdmi-passive 2', b: 'tape.sdi > sc.in coax-rg6 3', c: 'sc.out > main.in-5 coax-rg6 1' } }),
    offers: ['Cut it to 1080p50 in sc', 'Keep the bars'], says: ['tape', '4:3'],
  },
  {
    name: 'a show that cannot be dark, and one switcher', gives: ['R01'],
    plan: plan({ brief: { secondWay: true }, devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, enc: 'encoder-stream', scr: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2', c: 'main.out-2 > scr.in hdmi-passive 2' }, wants: { enc: 'program', scr: 'program' } }),
    // A tenth of 380 EUR is the hire of one.
    offers: ['Hire a second Switcher as a spare: 38\u00A0EUR', 'Buy a second Switcher as a spare: 380\u00A0EUR', 'Give up that'], says: ['main', '2 sinks'],
  },
  {
    name: 'a spare switcher, but one splitter before everything', gives: ['R01'],
    plan: plan({ brief: { secondWay: true }, devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, x: 'splitter-hdmi', enc: 'encoder-stream', scr: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > x.in hdmi-passive 1', c: 'x.out-1 > enc.in hdmi-passive 2', d: 'x.out-2 > scr.in hdmi-passive 2' }, wants: { enc: 'program', scr: 'program' }, kit: { sw: { of: 'model', id: 'switcher-4-strict', owned: 2 } } }),
    offers: ['Hire a second HDMI splitter'], says: ['x'],
  },
  {
    name: 'every camera by radio', gives: ['R02'],
    plan: plan({ devices: { a: 'camera-box-hdmi 1080p59.94', b: 'camera-box-hdmi 1080p59.94', x: 'radio-hdmi', y: 'radio-hdmi', main: STAGE }, links: { a: 'a.hdmi > x.in hdmi-passive 0', b: 'x.out > main.in-1 hdmi-passive 1', c: 'b.hdmi > y.in hdmi-passive 0', d: 'y.out > main.in-2 hdmi-passive 1' } }),
    offers: ['Wire a: Passive HDMI', 'Wire b: Passive HDMI'], says: ['(2)'],
  },
  {
    name: 'one camera, by radio', gives: ['R02'],
    plan: plan({ devices: { a: 'camera-studio-sdi 1080p50', x: 'radio-sdi', main: 'switcher-12-sdi 1080p50' }, links: { a: 'a.sdi > x.in coax-rg6 0', b: 'x.out > main.in-1 coax-rg6 1' } }),
    offers: ['Wire a: RG-6 size coax'], says: ['(1)'],
  },
  {
    name: 'four cameras and nobody safe', gives: ['R04'],
    plan: plan({ devices: { a: { model: 'camera-box-hdmi', shot: 'close', manned: true }, b: { model: 'camera-box-hdmi', shot: 'side' }, c: { model: 'camera-box-hdmi', shot: 'floor' }, d: { model: 'camera-box-hdmi', shot: 'wide', manned: true }, main: 'switcher-4-multiview 1080p59.94', scr: 'screen' }, links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2', c: 'c.hdmi > main.in-3 hdmi-passive 2', d: 'd.hdmi > main.in-4 hdmi-passive 2', m: 'main.out-3 > scr.in hdmi-passive 2' } }),
    offers: ['Make d the safe shot'], says: ['4 cameras'],
  },
  {
    name: 'three manned cameras and nobody', gives: ['R06'],
    plan: plan({ brief: { crew: 0 }, devices: { a: { model: 'camera-box-hdmi', shot: 'safe' }, b: { model: 'camera-box-hdmi', manned: true }, main: STAGE }, links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2' } }),
    offers: ['Leave b unmanned'], says: ['crew is 0'],
  },
  {
    name: 'three stages, and a fault in each', gives: ['F02', 'F16', 'L01'],
    plan: plan({ devices: { pc: 'computer 1080p60', cam: { model: 'camera-box-hdmi', shot: 'safe' }, two: 'camera-box-hdmi 1080p29.97', three: 'camera-box-hdmi 1080p59.94', far: 'switcher-4-strict 1080p29.97', mid: STAGE, main: 'switcher-4-multiview 1080p59.94', proj: 'projector', op: 'screen' }, links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'cam.hdmi > mid.in-1 hdmi-passive 2', c: 'two.hdmi > far.in-1 hdmi-passive 2', d: 'three.hdmi > main.in-2 hdmi-passive 22', fm: 'far.out-1 > mid.in-4 hdmi-passive 1', mm: 'mid.out-1 > main.in-4 hdmi-passive 1', ...SEEN, op: 'main.out-3 > op.in hdmi-passive 2' }, wants: { op: 'multiview' } }),
    offers: ['Set pc to 1080p59.94'], says: ['main input 1'],
  },
  {
    name: 'three stages in a row: preview led on, and a stiff plug', gives: ['C14', 'C16'],
    plan: plan({ devices: { a: { model: 'camera-hand-hdmi', shot: 'safe', ports: { hdmi: { format: fmt('1080p25') } } }, b: 'camera-ptz 1080p25', c: 'camera-ptz 1080p25', far: 'switcher-8-mixed 1080p25', mid: { model: 'switcher-8-mixed', standard: fmt('1080p25'), ports: { 'out-2': { feed: 'preview' } } }, main: 'switcher-12-sdi 1080p25', scr: 'screen-sdi', op: 'screen' }, links: { a: 'a.hdmi > far.in-1 hdmi-passive 2 adapter-hdmi-micro-stiff', b: 'b.sdi > mid.in-5 coax-rg6 30', c: 'c.sdi > main.in-1 coax-rg6 30', fm: 'far.out-1 > mid.in-8 coax-rg6 5', mm: { from: { device: 'mid', port: 'out-2' }, to: { device: 'main', port: 'in-12' }, cable: 'coax-rg6', routeM: 5 }, s: 'main.out-1 > scr.in coax-rg6 5', o: 'main.out-6 > op.in hdmi-passive 2' }, wants: { scr: 'program', op: 'multiview' } }),
    offers: ['Point mid output 2 at program'], says: ['preview'],
  },
  {
    // 32.44 + 20 log10(0.2) + 20 log10(5500) = 93.27 dB over 200 m; 20 + 4 - 93.27 - 12 (crowd) - 6 (fading) + 72 = -15.27 dB.
    name: 'radio through a crowd', gives: ['L08'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', air: { model: 'radio-hdmi', air: { m: 200, crowd: true } }, main: STAGE }, links: { a: 'cam.hdmi > air.in hdmi-passive 0', b: 'air.out > main.in-1 hdmi-passive 1', c: 'two.hdmi > main.in-2 hdmi-passive 2' } }),
    offers: ['In its place'], says: ['200\u00A0m', 'through a crowd', '15.3\u00A0dB'],
  },
  {
    // 60 m: 82.82 dB; 24 - 82.82 - 12 - 6 + 72 = -4.82 dB with the crowd, 7.18 dB above it.
    name: 'radio through a crowd, near enough to rise above it', gives: ['L08'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', air: { model: 'radio-hdmi', air: { m: 60, crowd: true } }, main: STAGE }, links: { a: 'cam.hdmi > air.in hdmi-passive 0', b: 'air.out > main.in-1 hdmi-passive 1', c: 'two.hdmi > main.in-2 hdmi-passive 2' } }),
    offers: ['Raise the aerials above the crowd', 'In its place'], says: ['4.8\u00A0dB'],
  },
  {
    name: 'two radio links on one channel', gives: ['L08'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', pc: 'computer 1080p59.94', x: { model: 'radio-hdmi', air: { m: 20, channel: 3 } }, y: { model: 'radio-hdmi', air: { m: 20, channel: 3 } }, main: 'switcher-4-multiview 1080p59.94', op: 'screen', three: { model: 'camera-box-hdmi', shot: 'safe' } }, links: { a: 'cam.hdmi > x.in hdmi-passive 0', b: 'x.out > main.in-1 hdmi-passive 1', c: 'two.hdmi > y.in hdmi-passive 0', d: 'y.out > main.in-2 hdmi-passive 1', e: 'pc.hdmi-1 > main.in-3 hdmi-passive 2', f: 'three.hdmi > main.in-4 hdmi-passive 2', o: 'main.out-3 > op.in hdmi-passive 2' }, wants: { op: 'multiview' } }),
    offers: ['Set y to channel 1', 'Set y to channel 2', 'Set y to channel 4'], says: ['x', 'y', 'channel 3'],
  },
]
