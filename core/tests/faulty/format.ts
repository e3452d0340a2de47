import { plan } from '../plans'
import { MIXED, SEEN, STAGE, type Faulty } from './faulty'

/** Formats that do not meet. */
export const FORMAT: readonly Faulty[] = [
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
]
