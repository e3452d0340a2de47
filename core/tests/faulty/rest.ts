import { plan } from '../plans'
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
]
