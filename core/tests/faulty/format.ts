import { fmt, plan } from '../plans'
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
  {
    name: 'integer against 1000/1001 at 30 frames', gives: ['F02'],
    plan: plan({ devices: { pc: 'computer 1080p29.97', main: 'switcher-4-strict 1080p30', box: 'camera-mini-sdi 1080p30', conv: 'sdi-to-hdmi' }, links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'box.sdi > conv.in coax-rg6 10', c: 'conv.out > main.in-2 hdmi-passive 0' } }),
    // 30 against 30000/1001 slips a frame every 1001/30 = 33.4 s.
    offers: ['Set pc to 1080p30'], says: ['33.4'],
  },
  {
    name: 'interlaced at 29.97 frames into progressive', gives: ['F03'],
    plan: plan({ devices: { cam: 'camera-ptz 1080i59.94', two: 'camera-ptz 1080p29.97', main: 'switcher-8-mixed 1080p29.97', scr: 'screen' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'two.sdi > main.in-6 coax-rg6 20', c: 'main.out-4 > scr.in hdmi-passive 2' } }),
    offers: ['Set cam to 1080p29.97'], says: ['raster and rate agree, the scan does not'],
  },
  {
    name: '2160 into a port of 165 MHz', gives: ['F05'],
    plan: plan({ devices: { pc: 'computer 2160p29.97', scr: 'projector' }, links: { a: 'pc.hdmi-1 > scr.in hdmi-passive 2' } }),
    // 297 MHz / 1.001 = 296.7 MHz.
    offers: ['Set pc to 1080p29.97'], says: ['296.7 MHz', '165 MHz'],
  },
  {
    name: 'a small capture device that takes 720 alone', gives: ['F08'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, cap: 'capture-720' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > cap.in hdmi-passive 1' } }),
    offers: ['HDMI scaler and rate converter'], says: ['cap HDMI in', '1080p59.94'],
  },
  {
    name: 'level B into a switcher that takes level A', gives: ['F07'],
    plan: plan({ devices: { cam: { model: 'camera-cinema-sdi', ports: { sdi: { format: fmt('1080p50'), transfer: 'sdr', clean: true } } }, two: 'camera-studio-sdi 1080p50', main: 'switcher-8-level-a 1080p50' }, links: { a: 'cam.sdi > main.in-1 coax-rg6 30', b: 'two.sdi > main.in-2 coax-rg6 30' } }),
    offers: ['Set cam to level A', 'SDI level converter'], says: ['level B', 'level A alone', 'main input 1'],
  },
  {
    name: 'level B from a converter into a recorder', gives: ['F07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', conv: { model: 'hdmi-to-12g', ports: { out: { level: 'B' } } }, rec: 'recorder-sdi-level-a' }, links: { a: 'cam.hdmi > conv.in hdmi-passive 1', b: 'conv.out > rec.in coax-rg6 30' } }),
    offers: ['SDI level converter'], says: ['level B', 'rec'],
  },
  {
    name: 'full range read as narrow', gives: ['F09'],
    plan: plan({ devices: { pc: { model: 'laptop-office', limitsOff: true, ports: { hdmi: { format: fmt('1080p60'), aspect: '16:9' } } }, main: 'switcher-6-combo 1080p50' }, links: { a: 'pc.hdmi > main.in-3 hdmi-passive 3' } }),
    offers: ['Set pc to narrow range', 'Read full range at main input 3'], says: ['full range', 'black and white are cut off'],
  },
  {
    name: 'narrow range read as full', gives: ['F09'],
    plan: plan({ devices: { cam: 'camera-ptz-hdmi 1080p50', ctl: 'controller-joystick', main: 'switcher-8-mixed 1080p50', wall: 'wall-processor' }, links: { k: 'ctl.network > cam.control control-network 20', a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'main.out-4 > wall.in hdmi-passive 3' }, wants: { wall: 'program' } }),
    offers: ['Read narrow range at wall HDMI in'], says: ['narrow range', 'wall', 'veiled'],
  },
  {
    name: 'a protected disc', gives: ['F10'],
    plan: plan({ devices: { disc: 'player-disc 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: STAGE }, links: { a: 'disc.hdmi > main.in-1 hdmi-passive 2', b: 'cam.hdmi > main.in-2 hdmi-passive 2' } }),
    offers: ['Use another source: Clip player'], says: ['content-protected', 'main input 1', 'black'],
  },
  {
    name: 'a media player that is still protected, behind a splitter', gives: ['F10'],
    plan: plan({ devices: { box: { model: 'player-stream', ports: { hdmi: { format: fmt('1080p59.94'), transfer: 'sdr' } } }, x: 'splitter-hdmi', scr: 'screen', main: STAGE }, links: { a: 'box.hdmi > x.in hdmi-passive 1', b: 'x.out-1 > scr.in hdmi-passive 2', c: 'x.out-2 > main.in-1 hdmi-passive 2' } }),
    offers: ['Set box to send what is not protected openly'], says: ['box', 'content-protected'],
  },
  {
    name: 'readouts that can be switched off', gives: ['F11'],
    plan: plan({ devices: { cam: { model: 'camera-mirrorless', mode: 'live', limitsOff: true, ports: { hdmi: { format: fmt('1080p59.94') } } }, main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' } }),
    offers: ['Switch the readouts off at cam HDMI out'], says: ['cam HDMI out', 'menus and readouts'],
  },
  {
    name: 'readouts that always show', gives: ['F11'],
    plan: plan({ devices: { cam: { model: 'camera-consumer', limitsOff: true, ports: { hdmi: { format: fmt('1080p59.94') } } }, main: STAGE }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' } }),
    offers: ['Use another source: Mirrorless camera'], says: ['cam HDMI out', 'menus'],
  },
  {
    name: 'a converter that makes the picture small', gives: ['F12'],
    plan: plan({ devices: { phone: 'phone 1080p59.94', conv: 'usbc-hdmi-overscan', main: STAGE }, links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' } }),
    offers: ['In its place: USB-C to HDMI converter'], says: ['conv', '90\u00A0%'],
  },
  {
    name: 'a small picture at an input that zooms', gives: ['F12'],
    // 1 / 0.9 = 111 %; what is enlarged so keeps 90 % of its lines.
    plan: plan({ devices: { phone: 'phone 1080p59.94', conv: 'usbc-hdmi-overscan', main: 'switcher-6-combo 1080p59.94' }, links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-3 hdmi-passive 2' } }),
    offers: ['In its place: USB-C to HDMI converter', 'Zoom to 111\u00A0% at main input 3, with 90\u00A0% of the sharpness'], says: ['90\u00A0%'],
  },
  {
    name: 'flicker under lamps of 60 Hz', gives: ['F14'],
    plan: plan({ brief: { mains: '120v-60hz' }, devices: { cam: 'camera-ptz 1080p25', main: 'switcher-8-mixed 1080p25' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 20' } }),
    // The longest n/120 s within a frame of 1/25 s is 4/120 = 1/30 s.
    offers: ['Set the shutter of cam to 1/30'], says: ['120 times', 'beat 5 times'],
  },
  {
    name: 'a stream asked in another rate than the show', gives: ['F15'],
    plan: plan({ devices: { cam: 'camera-ptz 1080p50', main: 'switcher-8-mixed 1080p50', rec: 'recorder-handheld', enc: 'encoder-stream' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'main.out-4 > enc.in hdmi-passive 2' }, wants: { enc: { feed: 'program', asks: { rate: '25/1' } } } }),
    offers: ['Set main to 1080p25'], says: ['25 (25/1)', '50 (50/1)'],
  },
  {
    name: 'a short radio link that lacks 59.94', gives: ['F17'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', air: 'radio-hdmi-720', main: STAGE }, links: { a: 'cam.hdmi > air.in hdmi-passive 0', b: 'air.out > main.in-1 hdmi-passive 1', c: 'two.hdmi > main.in-2 hdmi-passive 2' } }),
    offers: ['Use another link', 'In its place'], says: ['air', '1080p59.94'],
  },
  {
    name: 'a far radio link that takes interlaced only', gives: ['F17'],
    plan: plan({ devices: { cam: 'camera-studio-sdi 1080p50', two: 'camera-studio-sdi 1080p50', air: 'radio-sdi-far', main: 'switcher-12-sdi 1080p50' }, links: { a: 'cam.sdi > air.in coax-rg6 0', b: 'air.out > main.in-1 coax-rg6 1', c: 'two.sdi > main.in-2 coax-rg6 20' } }),
    offers: ['Use another link: Radio link'], says: ['air', '1080p50'],
  },
  {
    name: 'a computer that nobody has fixed', gives: ['F18'],
    plan: plan({ devices: { pc: { model: 'computer' }, main: STAGE }, links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' } }),
    offers: ['Set pc to 1080p59.94', 'scaler and rate converter'], says: ['60', '59.94', 'main input 1'],
  },
  {
    name: 'a computer that nobody has fixed, by SDI', gives: ['F18'],
    plan: plan({ devices: { pc: { model: 'computer-guest', limitsOff: true }, conv: 'hdmi-to-sdi', main: 'switcher-8-mixed 1080p60' }, links: { a: 'pc.hdmi > conv.in hdmi-passive 1', b: 'conv.out > main.in-5 coax-rg6 40' } }),
    offers: ['Set pc to 1080p60'], says: ['main input 5'],
  },
  {
    name: 'a camera left at log', gives: ['F19'],
    plan: plan({ devices: { cam: { model: 'camera-cinema-sdi', ports: { sdi: { format: fmt('1080p25'), clean: true } } }, main: 'switcher-12-sdi 1080p25' }, links: { a: 'cam.sdi > main.in-1 coax-rg6 30' } }),
    offers: ['Set cam to SDR', 'Colour converter'], says: ['log', 'washed out'],
  },
  {
    name: 'a phone left at HLG', gives: ['F19', 'E04'],
    plan: plan({ devices: { phone: { model: 'phone-upright', limitsOff: true, ports: { 'usb-c': { format: fmt('1080p59.94') } } }, conv: 'usbc-hdmi-full', main: STAGE }, links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' } }),
    offers: ['Set phone to SDR', 'HDMI scaler and rate converter'], says: ['HLG'],
  },
  {
    name: 'quarters put together otherwise than they were taken apart', gives: ['F20'],
    plan: plan({ devices: { cam: 'camera-quad-2160 2160p50', main: 'switcher-4-quad 2160p50' }, links: { a: 'cam.sdi > main.in-1 coax-rg6-four 30' } }),
    offers: ['Set cam to square division', 'Four-link converter'], says: ['two-sample interleave', 'square division', 'scrambled'],
  },
  {
    name: 'four links into one', gives: ['F20'],
    plan: plan({ devices: { cam: 'camera-quad-2160 2160p50', main: 'switcher-6-2160 2160p50' }, links: { a: 'cam.sdi > main.in-1 coax-rg6-four 30' } }),
    offers: ['Four 3G links to 12G-SDI'], says: ['four BNC in order', 'not complete'],
  },
  {
    name: 'a splitter that shows the list of a monitor', gives: ['F21'],
    plan: plan({ devices: { pc: { model: 'computer-guest', limitsOff: true }, x: 'splitter-hdmi-4', scr: 'screen-computer', main: 'switcher-6-combo 1080p50' }, links: { b: 'pc.hdmi > x.in hdmi-passive 1', c: 'x.out-1 > scr.in hdmi-passive 1', d: 'x.out-2 > main.in-3 hdmi-passive 1' } }),
    offers: ['Set pc to 1080p59.94'], says: ['pc', 'scr', '1080p60'],
  },
  {
    name: 'a computer that a monitor draws to 60', gives: ['F21'],
    plan: plan({ devices: { pc: { model: 'computer-guest', limitsOff: true }, scr: 'screen-computer' }, links: { a: 'pc.hdmi > scr.in hdmi-passive 2' } }),
    offers: ['Set pc to 1080p59.94', 'box that keeps the list'], says: ['scr', '1080p60', '1080p59.94'],
  },
  {
    name: 'a tablet at 1080 through a converter that passes 720 alone at 60', gives: ['F06'],
    plan: plan({ devices: { pad: { model: 'tablet-slides', limitsOff: true, ports: { 'usb-c': { format: fmt('1080p60'), aspect: '16:9' } } }, conv: 'usbc-hdmi-basic', main: 'switcher-4-scaling 1080p50' }, links: { a: 'pad.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-1 hdmi-passive 2' } }),
    offers: ['Set pad to 1080p30', 'In its place'], says: ['conv', '1080p60'],
  },
  {
    // 3840 x 2160 x 16 x 30 = 3.98 Gb/s of about 3.2.
    name: '2160 uncompressed over USB at 5 Gb/s', gives: ['F05'],
    plan: plan({ devices: { pc: 'computer 2160p30', cap: 'capture-raw' }, links: { a: 'pc.hdmi-1 > cap.in hdmi-passive 2' } }),
    offers: ['Set pc to 1080p30', 'Use another device: Capture device, HDMI, up to 2160p60'], says: ['3.98\u00A0Gb/s', '3.2\u00A0Gb/s', 'USB at 5 Gb/s'],
  },
  {
    // Twice 1920 x 1080 x 16 x 50 = 1.66 Gb/s are 3.32.
    name: 'two captures on one controller', gives: ['F05'],
    plan: plan({ devices: { cam: 'camera-ptz 1080p50', pc: 'computer 1080p50', host: { model: 'computer-control' }, a: { model: 'capture-sdi', in: 'host' }, b: { model: 'capture-raw', in: 'host' } }, links: { x: 'cam.sdi > a.in coax-rg6 10', y: 'pc.hdmi-1 > b.in hdmi-passive 2' } }),
    offers: ['Give a a controller of its own', 'Give b a controller of its own'], says: ['a and b', 'host', '3.32\u00A0Gb/s'],
  },
]
