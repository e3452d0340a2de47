import type { Plan } from '#core/document'
import { CLEAR, kept, patches } from './graphics'
import { byPair, drawing, onBlackPage } from './overlaid'
import { fmt, plan, worked } from './plans'

/** White letters of 10 % of the picture's height on a blue plate, in the lower part; 160 x 90 pixels. */
const CARD = patches(160, 90, CLEAR, [
  [20, 62, 90, 17, [60, 60, 120, 255]],
  [28, 66, 40, 9, [255, 255, 255, 255]],
])
const CARD_WORDS = { name: { x: 20 / 160, y: 62 / 90, w: 90 / 160, h: 17 / 90 } }
/** The same with a black shadow of a third below it, which a key signal alone brings. */
const SHADED = patches(160, 90, CLEAR, [
  [22, 64, 92, 18, [0, 0, 0, 90]],
  [20, 62, 90, 17, [60, 60, 120, 255]],
  [28, 66, 40, 9, [255, 255, 255, 255]],
])

/** Plans that raise nothing, of different kinds of show. */
export const CLEAN: Readonly<Record<string, Plan>> = {
  // 9.6 * 10 / (16/9 * 0.55 * 1.75 + 0.0096) = 55.8 mm for the waist, 5.6 * 10 / 1.7167 = 32.6 mm of the camera's own lens.
  'a tablet by radio beside a joystick, addresses changed one after the other, shots that the lenses make': plan({
    devices: {
      wide: {
        model: 'camera-studio-sdi',
        shot: 'safe',
        ports: { sdi: { format: fmt('1080p59.94') } },
        aim: { m: 10, size: 'waist' },
      },
      one: {
        model: 'camera-ptz-2160',
        ports: { sdi: { format: fmt('1080p59.94') }, hdmi: { format: fmt('1080p59.94') } },
        aim: { m: 10, size: 'waist' },
        comesWith: '192.168.0.100/24',
        visit: 1,
        listens: 'udp:6000',
        calledAt: 'udp:6000',
      },
      net: 'switch-control-poe',
      ap: 'access-point',
      tab: 'tablet-control',
      joy: { model: 'controller-joystick', comesWith: '192.168.0.100/24', visit: 2 },
      main: 'switcher-12-sdi 1080p59.94',
      hall: 'projector-sdi',
    },
    links: {
      a: 'wide.sdi > main.in-1 coax-rg6 10',
      b: 'one.sdi > main.in-2 coax-rg6 10',
      h: 'main.out-1 > hall.in coax-rg6 10',
      j: 'joy.network > net.in control-network 2',
      p: 'net.out-2 > one.control control-network 20',
      r: 'net.out-4 > ap.in control-network 5',
      t: 'tab.air > ap.air-1 air-network 10',
    },
    wants: { hall: 'program' },
    lenses: { zoom: { title: 'Zoom 8 to 160 mm', order: 1, fromMm: 8, toMm: 160 } },
  } as never),
  'nothing yet': plan({ devices: {} }),
  'a caption with its shadow by fill and key': byPair(kept(SHADED, CARD_WORDS)),
  'a fill that is weighted, and taken as that': byPair(
    kept(patches(160, 90, CLEAR, [[20, 50, 90, 30, [90, 90, 90, 90]]])),
    {
      premultiplied: true,
      sends: 'premultiplied',
    },
  ),
  'a page on black, and a guest in the other corner': onBlackPage(
    kept(patches(160, 90, [0, 0, 0], [[20, 60, 90, 17, [200, 220, 240]]])),
    {},
    { face: { title: 'Guest', order: 2, kind: 'box', fill: 'guest', box: { x: 0.65, y: 0.05, w: 0.3, h: 0.3 } } },
  ),
  'dark marks on a board, turned round': onBlackPage(
    kept(patches(160, 90, [178, 178, 178], [[40, 40, 60, 4, [20, 20, 20]]])),
    // Solid up to 20 of 255 (8 %), clear from 178 (70 %) on.
    { invert: true, clip: 0.3, gain: 0.8 },
  ),
  'one camera': plan({
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' },
  }),
  'spare devices without cables': plan({
    devices: { main: 'switcher-4-strict 1080p50', conv: 'hdmi-to-sdi', scr: 'screen' },
  }),
  'micro plug with adapter': plan({
    devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5 adapter-hdmi-micro' },
  }),
  'segmented frame into the matching interlaced input': plan({
    devices: { cam: 'camera-studio-sdi 1080psf25', main: 'switcher-8-mixed 1080i50' },
    links: { a: 'cam.sdi > main.in-5 coax-rg6 40' },
  }),
  'scaling inputs take what comes': plan({
    devices: {
      cam: 'camera-box-hdmi 720p59.94',
      pc: 'computer 1080p29.97',
      main: 'switcher-4-scaling 1080p59.94',
      scr: 'screen',
      seen: 'projector',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 3',
      b: 'pc.hdmi-1 > main.in-2 hdmi-passive 3',
      c: 'main.out-2 > scr.in hdmi-passive 2',
      p: 'main.out-1 > seen.in hdmi-passive 2',
    },
    wants: { scr: 'multiview' },
  }),
  'slides of one output on air under captions from the other of the same computer': worked({
    devices: {
      pc: 'computer 1080p59.94',
      cam: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      proj: 'projector',
    },
    links: {
      a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
      b: 'pc.hdmi-2 > main.in-2 hdmi-passive 2',
      c: 'cam.hdmi > main.in-3 hdmi-passive 2',
      o: 'main.out-1 > proj.in hdmi-passive 2',
    },
    wants: { proj: 'program' },
    segments: { talk: { title: 'Talk', order: 1, opens: 'both', sources: ['pc', 'cam'] } },
    looks: {
      both: {
        title: 'Both',
        order: 1,
        program: { main: 'in-1' },
        keys: { main: { '1': 'names' } },
        layouts: { pc: { 'hdmi-1': 'full', 'hdmi-2': 'caption' } },
      },
    },
    overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc', output: 'hdmi-2' } },
  }),
  'a small switcher by USB, a capture box and a telephone of the house into a computer that mixes': plan({
    devices: {
      cam: { model: 'camera-box-hdmi', shot: 'safe', ports: { hdmi: { format: fmt('1080p59.94') } } },
      far: 'camera-box-hdmi 1080p59.94',
      tel: { model: 'phone-network', limitsOff: true, ports: { network: { format: fmt('1080p29.97') } } },
      box: 'capture-box-hdmi',
      side: 'switcher-4-multiview 1080p59.94',
      main: {
        model: 'computer-mixing',
        standard: fmt('1080p59.94'),
        ports: { 'out-1': { feed: 'multiview' } },
      },
      own: 'screen',
      web: 'stream-viewers',
    },
    links: {
      a: 'cam.hdmi > side.in-1 hdmi-passive 2',
      u: 'side.out-4 > main.in-4 usb-picture 0',
      f: 'far.hdmi > box.in hdmi-passive 2',
      b: 'box.out > main.in-5 usb-picture 0',
      n: 'tel.network > main.in-6 network-cable 10',
      o: 'main.out-1 > own.in hdmi-passive 2',
      w: 'main.out-3 > web.in network-cable 5',
    },
    wants: { own: 'multiview', web: 'program' },
  }),
  'two people with packs, and the receiver on the camera': plan({
    devices: {
      wren: { model: 'pack-radio', name: 'Pack 1, Dr Wren' },
      host: { model: 'pack-radio', name: 'Pack 2, host' },
      rx: 'receiver-radio-2',
      cam: { model: 'camera-hand-hdmi', limitsOff: true, ports: { hdmi: { format: fmt('1080p59.94') } } },
      main: {
        model: 'switcher-4-strict',
        standard: fmt('1080p59.94'),
        ports: { 'in-1': { sound: 'fixed' } },
      },
      cap: 'capture-hdmi',
    },
    links: {
      w: 'wren.air > rx.pack-1 air-sound 20',
      h: 'host.air > rx.pack-2 air-sound 20',
      r: 'rx.out > cam.microphone mini-jack-lead 0',
      a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      b: 'main.out-1 > cap.in hdmi-passive 1',
    },
    wants: { cap: { feed: 'program', sound: true } },
  }),
  'a switcher that streams by itself': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-6-combo 1080p59.94',
      op: 'screen',
      web: 'stream-viewers',
    },
    links: {
      a: 'cam.hdmi > main.in-3 hdmi-passive 3',
      o: 'main.out-3 > op.in hdmi-passive 2',
      w: 'main.out-5 > web.in network-cable 5',
    },
    wants: { op: 'multiview', web: 'program' },
  }),
  'to SDI and back': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      to: 'hdmi-to-sdi',
      back: 'sdi-to-hdmi',
      main: 'switcher-4-strict 1080p59.94',
    },
    links: {
      a: 'cam.hdmi > to.in hdmi-passive 0',
      b: 'to.out > back.in coax-rg6 60',
      c: 'back.out > main.in-1 hdmi-passive 0',
    },
  }),
  'a scaler matches what the source cannot': plan({
    devices: { cam: 'camera-shoulder-sdi', sc: 'scaler-sdi-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
    links: { a: 'cam.sdi > sc.in coax-rg6 60', b: 'sc.out > main.in-2 hdmi-passive 0' },
  }),
  'program through a splitter and a loop': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      split: 'splitter-hdmi',
      rec: 'recorder-hdmi',
      west: 'projector',
      east: 'screen',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 3',
      b: 'main.out-1 > split.in hdmi-passive 1',
      c: 'split.out-1 > rec.in hdmi-passive 1',
      d: 'split.out-2 > west.in hdmi-optical 30',
      e: 'rec.loop > east.in hdmi-passive 2',
    },
    wants: { west: 'program', east: 'program', rec: 'program' },
  }),
  'an extender pair': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      tx: 'extender-send',
      rx: 'extender-receive',
      main: 'switcher-4-strict 1080p59.94',
    },
    links: {
      a: 'cam.hdmi > tx.in hdmi-passive 0',
      b: 'tx.out > rx.in pair-cable 45',
      c: 'rx.out > main.in-1 hdmi-passive 0',
    },
  }),
  'a feeder': plan({
    devices: {
      hall: 'screen-sdi',
      one: 'camera-box-hdmi 1080p59.94',
      two: 'computer 1080p59.94',
      side: 'switcher-4-strict 1080p59.94',
      main: 'switcher-8-mixed 1080p59.94',
      scr: 'screen',
    },
    links: {
      h: 'main.out-1 > hall.in coax-rg6 5',
      a: 'one.hdmi > side.in-1 hdmi-passive 3',
      b: 'two.hdmi-1 > side.in-2 hdmi-passive 3',
      j: 'side.out-1 > main.in-1 hdmi-passive 1',
      s: 'main.out-3 > scr.in hdmi-passive 3',
    },
    wants: { hall: 'program', scr: 'multiview' },
  }),
  'a ring of switchers whose return is kept off the air': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      a: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { 'in-2': { offAir: true } } },
      b: 'switcher-4-strict 1080p59.94',
    },
    links: {
      s: 'cam.hdmi > a.in-1 hdmi-passive 3',
      ab: 'a.out-1 > b.in-1 hdmi-passive 1',
      ba: 'b.out-1 > a.in-2 hdmi-passive 1',
    },
  }),
  'unmeasured routes': plan({
    devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-8-mixed 1080p50' },
    links: { a: 'cam.sdi > main.in-5 coax-miniature' },
  }),
  'the usual school notes but does not warn': plan({
    brief: { cableSchool: 'usual' },
    devices: { hall: 'projector', cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
    links: { h: 'main.out-1 > hall.in hdmi-passive 3', a: 'cam.hdmi > main.in-1 hdmi-passive 10' },
  }),
  'a source straight to a screen': plan({
    devices: { pc: 'computer 1080p60', scr: 'screen' },
    links: { a: 'pc.hdmi-1 > scr.in hdmi-passive 2' },
  }),
  '2160 out to a screen': plan({
    devices: {
      cam: {
        model: 'camera-hand-hdmi',
        mode: 'out-2160',
        ports: { hdmi: { format: { raster: '3840x2160', scan: 'p', rate: '25/1' } } },
      },
      scr: 'screen',
    },
    links: { a: 'cam.hdmi > scr.in hdmi-passive 2 adapter-hdmi-micro' },
  }),
  'a multiviewer beside a switcher that has none': plan({
    devices: {
      hall: 'projector',
      a: 'computer 1080p59.94',
      b: 'computer 1080p59.94',
      c: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      mv: 'multiviewer-4-hdmi 1080p59.94',
      x: 'splitter-hdmi',
      y: 'splitter-hdmi',
      z: 'splitter-hdmi',
      op: 'screen',
    },
    links: {
      hp: 'main.out-1 > hall.in hdmi-passive 3',
      a: 'a.hdmi-1 > x.in hdmi-passive 2',
      b: 'b.hdmi-1 > y.in hdmi-passive 2',
      c: 'c.hdmi > z.in hdmi-passive 2',
      d: 'x.out-1 > main.in-1 hdmi-passive 0',
      e: 'y.out-1 > main.in-2 hdmi-passive 0',
      f: 'z.out-1 > main.in-3 hdmi-passive 0',
      g: 'x.out-2 > mv.in-1 hdmi-passive 0',
      h: 'y.out-2 > mv.in-2 hdmi-passive 0',
      i: 'z.out-2 > mv.in-3 hdmi-passive 0',
      j: 'mv.out > op.in hdmi-passive 1',
    },
    wants: { hall: 'program', op: 'multiview' },
  }),
  'sound from the desk, held back to the pictures': plan({
    devices: {
      cam: 'camera-hand-hdmi 1080p25',
      mic: 'microphone-speech',
      desk: 'desk-8',
      main: { model: 'switcher-8-mixed', standard: fmt('1080p25'), ports: { 'sound-1': { soundDelayMs: 150 } } },
      rec: 'recorder-hdmi',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      m: 'mic.out > desk.in-1 xlr-lead 10',
      s: 'desk.main > main.sound-1 jack-lead 3',
      b: 'main.out-4 > rec.in hdmi-passive 1',
    },
    wants: { rec: { feed: 'program', sound: true } },
  }),
  'sound beside the picture, opened at the input': plan({
    devices: {
      pc: 'computer 1080p59.94',
      main: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { 'in-1': { sound: 'follows' } } },
      cap: 'capture-hdmi',
    },
    links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > cap.in hdmi-passive 1' },
    wants: { cap: { feed: 'program', sound: true } },
  }),
  'a camera by radio, and one by wire': plan({
    devices: {
      cam: 'camera-hand-hdmi 1080p25',
      two: 'camera-hand-hdmi 1080p25',
      link: { model: 'radio-hdmi', air: { m: 30 }, ports: { out: { receiver: 'rx' } } },
      rx: 'radio-hdmi-receiver',
      main: 'switcher-4-strict 1080p25',
    },
    links: {
      a: 'cam.hdmi > link.in hdmi-passive 0 adapter-hdmi-micro',
      b: 'link.out > main.in-1 hdmi-passive 1',
      c: 'two.hdmi > main.in-2 hdmi-passive 2 adapter-hdmi-micro',
    },
  }),
  'a speaker sees her own pages, the hall the program': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      pc: 'computer 1080p59.94',
      main: {
        model: 'switcher-8-hdmi',
        standard: fmt('1080p59.94'),
        ports: { 'out-2': { feed: 'input', of: 'in-2' } },
      },
      hall: 'projector',
      note: 'screen',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 5',
      b: 'pc.hdmi-1 > main.in-2 hdmi-passive 2',
      p: 'main.out-1 > hall.in hdmi-passive 3',
      n: 'main.out-2 > note.in hdmi-passive 3',
    },
    wants: { hall: 'program', note: { feed: 'program', of: 'pc' } },
    segments: { talk: { title: 'Talk', order: 1, opens: 'pages' } },
    looks: {
      pages: { title: 'Pages', order: 1, program: { main: 'in-2' }, outputs: { main: { 'out-2': 'in-2' } } },
    },
  }),
  'the show recorded inside its switcher, with sound': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: {
        model: 'switcher-8-hdmi',
        standard: fmt('1080p59.94'),
        ports: { 'in-1': { sound: 'fixed' } },
      },
      hall: 'projector',
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5', h: 'main.out-1 > hall.in hdmi-passive 3' },
    wants: { hall: 'program', main: { feed: 'program', sound: true } },
  }),
  'three manned cameras and a crew of two, who never need all three at once': plan({
    brief: { crew: 2 },
    devices: {
      a: { model: 'camera-box-hdmi', manned: true },
      b: { model: 'camera-box-hdmi', manned: true },
      c: { model: 'camera-box-hdmi', manned: true },
      wide: { model: 'camera-box-hdmi', shot: 'safe' },
      main: 'switcher-4-multiview 1080p59.94',
      hall: 'projector',
      op: 'screen',
    },
    links: {
      a: 'a.hdmi > main.in-1 hdmi-passive 2',
      b: 'b.hdmi > main.in-2 hdmi-passive 2',
      c: 'c.hdmi > main.in-3 hdmi-passive 2',
      w: 'wide.hdmi > main.in-4 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 3',
      o: 'main.out-3 > op.in hdmi-passive 2',
    },
    wants: { hall: 'program', op: 'multiview' },
    segments: {
      one: { title: 'Round one', order: 1, sources: ['a', 'b', 'wide'] },
      two: { title: 'Round two', order: 2, sources: ['b', 'c', 'wide'] },
    },
  }),
  'two radio links that look for a channel by themselves': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      two: 'camera-box-hdmi 1080p59.94',
      three: { model: 'camera-box-hdmi', shot: 'safe' },
      a1: { model: 'radio-one-to-two', air: { m: 30 }, ports: { 'out-1': { receiver: 'rx1' } } },
      a2: { model: 'radio-one-to-two', air: { m: 30 }, ports: { 'out-1': { receiver: 'rx2' } } },
      rx1: 'radio-one-to-two-receiver',
      rx2: 'radio-one-to-two-receiver',
      main: 'switcher-4-multiview 1080p59.94',
      hall: 'projector',
      op: 'screen',
    },
    links: {
      a: 'cam.hdmi > a1.in hdmi-passive 0',
      b: 'a1.out-1 > main.in-1 hdmi-passive 1',
      c: 'two.hdmi > a2.in hdmi-passive 0',
      d: 'a2.out-1 > main.in-2 hdmi-passive 1',
      e: 'three.hdmi > main.in-3 hdmi-passive 3',
      h: 'main.out-1 > hall.in hdmi-passive 3',
      o: 'main.out-3 > op.in hdmi-passive 2',
    },
    wants: { hall: 'program', op: 'multiview' },
  }),
  'over the network to another room': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      enc: 'encoder-network',
      hub: 'switch-poe',
      one: 'decoder-network',
      two: 'decoder-network',
      west: 'screen',
      east: 'screen',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2',
      b: 'main.out-1 > enc.in hdmi-passive 1',
      c: 'enc.out > hub.in network-cable 60',
      d: 'hub.out-1 > one.in network-cable 40',
      e: 'hub.out-2 > two.in network-cable 60',
      f: 'one.out > west.in hdmi-passive 1',
      g: 'two.out > east.in hdmi-passive 1',
    },
    wants: { west: 'program', east: 'program' },
  }),
  'fill and key by the same way twice': plan({
    devices: { gfx: 'player-fill-key 1080p50', main: 'switcher-8-mixed 1080p50' },
    links: { a: 'gfx.fill > main.in-5 coax-rg6 10', b: 'gfx.key > main.in-6 coax-rg6 10' },
  }),
  'what the brief asks is there': plan({
    brief: { mains: '230v-50hz', spareInputs: 3, crew: 1, syncWindow: 'bt1359', units: 'ft', paper: 'letter' },
    devices: {
      cam: { model: 'camera-studio-sdi', ports: { sdi: { format: fmt('1080p50') } }, manned: true, shot: 'safe' },
      main: 'switcher-8-mixed 1080p50',
      rec: 'recorder-hdmi',
    },
    links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'main.out-4 > rec.in hdmi-passive 1' },
    wants: { rec: { feed: 'program', asks: { raster: '1920x1080', rate: '50/1' } } },
    kit: {
      cams: { kind: 'model', id: 'camera-studio-sdi', owned: 1 },
      coax: { kind: 'lead', id: 'coax-rg6', pieceM: 25, owned: 0, hired: 1 },
    },
  }),
  'a safe exposure under foreign lamps': plan({
    brief: { mains: '230v-50hz' },
    devices: { cam: { model: 'camera-box-hdmi', shutter: 100 }, main: 'switcher-4-strict 1080p59.94' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' },
  }),
  '2160 recorded in the camera itself': plan({
    devices: {
      cam: { model: 'camera-hand-hdmi', mode: 'inside-2160', ports: { hdmi: { format: fmt('1080p25') } } },
      main: 'switcher-4-strict 1080p25',
      rec: 'recorder-hdmi',
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > rec.in hdmi-passive 1' },
    wants: { rec: { feed: 'program', asks: { raster: '3840x2160' } } },
  }),
  'everything of a large-sensor camera set': plan({
    devices: {
      cam: {
        model: 'camera-cinema-sdi',
        ports: { sdi: { format: fmt('1080p50'), level: 'A', transfer: 'sdr', clean: true } },
      },
      main: 'switcher-8-level-a 1080p50',
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6 40' },
  }),
  'level B below 3G is no level': plan({
    devices: {
      cam: {
        model: 'camera-cinema-sdi',
        ports: { sdi: { format: fmt('1080p25'), level: 'B', transfer: 'sdr', clean: true } },
      },
      main: 'switcher-8-level-a 1080p25',
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6 40' },
  }),
  'level B turned into A on the way': plan({
    devices: {
      cam: { model: 'camera-cinema-sdi', ports: { sdi: { format: fmt('1080p50'), transfer: 'sdr', clean: true } } },
      lv: 'level-converter',
      main: 'switcher-8-level-a 1080p50',
    },
    links: { a: 'cam.sdi > lv.in coax-rg6 30', b: 'lv.out > main.in-1 coax-rg6 1' },
  }),
  'log made SDR on the way': plan({
    devices: {
      cam: { model: 'camera-cinema-sdi', ports: { sdi: { format: fmt('1080p25'), clean: true } } },
      lk: 'look-converter',
      main: 'switcher-12-sdi 1080p25',
    },
    links: { a: 'cam.sdi > lk.in coax-rg6 30', b: 'lk.out > main.in-1 coax-rg6 1' },
  }),
  'a camera straight into a capture is the program': plan({
    devices: { cam: 'camera-box-hdmi 1080p59.94', cap: 'capture-hdmi' },
    links: { a: 'cam.hdmi > cap.in hdmi-passive 2' },
    wants: { cap: { feed: 'program', silent: true } },
  }),
  'a computer that streams from a capture in it': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      pc: 'computer 1080p59.94',
      cap: { model: 'capture-hdmi', in: 'pc' },
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > cap.in hdmi-passive 1' },
    wants: { cap: { feed: 'program', silent: true } },
  }),
  'a whole drum of fibre, and all of an optical HDMI': plan({
    devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-12-sdi 1080p50', hall: 'projector' },
    links: { a: 'cam.sdi > main.in-1 fibre-sdi 290 =300', p: 'main.out-6 > hall.in hdmi-optical 95 =100' },
  }),
  'two controllers on one network switch, whichever way its leads are laid': plan({
    devices: {
      cam: 'camera-ptz-hdmi 1080p59.94',
      joy: 'controller-joystick',
      pc: 'computer-control',
      hub: 'switch-control',
      main: 'switcher-4-strict 1080p59.94',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2',
      j: 'joy.network > hub.out-5 control-network 2',
      p: 'hub.in > pc.network control-network 2',
      c: 'cam.control > hub.out-3 control-network 20',
    },
  }),
  '2160 over four links, divided alike': plan({
    devices: {
      cam: { model: 'camera-quad-2160', ports: { sdi: { format: fmt('2160p50'), division: 'square' } } },
      main: 'switcher-4-quad 2160p50',
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6-four 40' },
  }),
  '2160 from four links to one': plan({
    devices: { cam: 'camera-quad-2160 2160p59.94', four: 'four-to-12g', main: 'switcher-6-2160 2160p59.94' },
    links: { a: 'cam.sdi > four.in coax-rg6-four 40', b: 'four.out > main.in-1 coax-rg6 1' },
  }),
  '2160 mixed at 12G, and the projector for it': plan({
    devices: {
      cam: { model: 'camera-studio-12g', ports: { sdi: { format: fmt('2160p50'), transfer: 'sdr' } } },
      main: 'switcher-6-2160 2160p50',
      conv: '12g-to-hdmi',
      proj: 'projector-2160',
      rec: 'recorder-2160',
    },
    links: {
      a: 'cam.sdi > main.in-1 coax-rg6 30',
      b: 'main.out-1 > conv.in coax-rg6 40',
      c: 'conv.out > proj.in hdmi-passive 0',
      d: 'main.out-2 > rec.in coax-rg6 2',
    },
    wants: { proj: 'program', rec: { feed: 'program', asks: { raster: '3840x2160' } } },
  }),
  'a large mixed switcher, set up over the network': plan({
    devices: {
      cam: 'camera-studio-sdi 1080p50',
      pc: {
        model: 'laptop-office',
        limitsOff: true,
        ports: { hdmi: { format: fmt('1080p50'), range: 'narrow', aspect: '16:9' } },
      },
      ctl: 'computer-control',
      main: 'switcher-20-mixed 1080p50',
      scr: 'projector-sdi',
    },
    links: {
      a: 'cam.sdi > main.in-1 coax-rg6 60',
      b: 'pc.hdmi > main.in-17 hdmi-passive 3',
      k: 'ctl.network > main.control control-network 5',
      c: 'main.out-1 > scr.in coax-rg6 50',
    },
    wants: { scr: 'program' },
  }),
  'a computer drives a switcher without a panel by USB': plan({
    devices: {
      hall: 'projector',
      cam: 'camera-box-hdmi 1080p59.94',
      ctl: 'computer-control',
      main: 'switcher-4-computer 1080p59.94',
      scr: 'screen',
    },
    links: {
      h: 'main.out-1 > hall.in hdmi-passive 3',
      a: 'cam.hdmi > main.in-1 hdmi-passive 3',
      k: 'ctl.usb-1 > main.control-usb control-usb 0',
      s: 'main.out-2 > scr.in hdmi-passive 2',
    },
    wants: { hall: 'program', scr: 'multiview' },
  }),
  'two pan-tilt-zoom cameras and a joystick': plan({
    devices: {
      one: 'camera-ptz-hdmi 1080p50',
      two: 'camera-ptz-2160 1080p50',
      joy: 'controller-joystick',
      hub: 'switch-control',
      main: 'switcher-8-mixed 1080p50',
    },
    links: {
      a: 'one.hdmi > main.in-1 hdmi-passive 3',
      b: 'two.sdi > main.in-5 coax-rg6 30',
      j: 'joy.network > hub.in control-network 2',
      k: 'hub.out-2 > one.control control-network 20',
      l: 'hub.out-3 > two.control control-network 40',
    },
  }),
  'a media player that its owner set open': plan({
    devices: {
      box: {
        model: 'player-stream',
        limitsOff: true,
        ports: { hdmi: { format: fmt('1080p59.94'), transfer: 'sdr', unprotected: true } },
      },
      main: 'switcher-4-strict 1080p59.94',
    },
    links: { a: 'box.hdmi > main.in-1 hdmi-passive 2' },
  }),
  'a protected disc to the screens of the house alone': plan({
    devices: { disc: 'player-disc 1080p59.94', x: 'splitter-hdmi', a: 'screen', b: 'projector' },
    links: {
      a: 'disc.hdmi > x.in hdmi-passive 1',
      b: 'x.out-1 > a.in hdmi-passive 2',
      c: 'x.out-2 > b.in hdmi-passive 3',
    },
  }),
  'a phone held upright, boxed on purpose': plan({
    devices: {
      phone: {
        model: 'phone-upright',
        limitsOff: true,
        ports: { 'usb-c': { format: fmt('1080p59.94'), transfer: 'sdr', clean: true } },
      },
      conv: 'usbc-hdmi-full',
      main: { model: 'switcher-6-combo', standard: fmt('1080p59.94'), ports: { 'in-3': { fit: 'box' } } },
    },
    links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-3 hdmi-passive 2' },
  }),
  'an old tape, scaled and cut': plan({
    devices: {
      tape: 'player-tape 576i50',
      sc: { model: 'scaler-sdi', ports: { out: { format: fmt('1080p50'), fit: 'crop' } } },
      main: 'switcher-8-mixed 1080p50',
    },
    links: { a: 'tape.sdi > sc.in coax-rg6 3', b: 'sc.out > main.in-5 coax-rg6 1' },
  }),
  'a picture zoomed to fill the frame': plan({
    devices: {
      phone: 'phone 1080p59.94',
      conv: 'usbc-hdmi-overscan',
      main: { model: 'switcher-6-combo', standard: fmt('1080p59.94'), ports: { 'in-3': { fit: 'zoom' } } },
    },
    links: { a: 'phone.usb-c > conv.in usbc-lead 0', b: 'conv.out > main.in-3 hdmi-passive 2' },
  }),
  'a console, full range read as full': plan({
    devices: {
      box: { model: 'console-game', ports: { hdmi: { format: fmt('1080p59.94'), unprotected: true } } },
      main: { model: 'switcher-6-combo', standard: fmt('1080p59.94'), ports: { 'in-3': { range: 'full' } } },
    },
    links: { a: 'box.hdmi > main.in-3 hdmi-passive 2' },
  }),
  'a matrix between sources and screens': plan({
    devices: {
      a: 'computer 1080p50',
      b: 'computer 1080p50',
      mx: {
        model: 'matrix-4-hdmi',
        ports: { 'out-1': { of: 'in-2' }, 'out-2': { of: 'in-2' }, 'out-3': { of: 'in-1' } },
      },
      ctl: 'computer-control',
      x: 'screen',
      y: 'screen',
      main: 'switcher-4-strict 1080p50',
    },
    links: {
      a: 'a.hdmi-1 > mx.in-1 hdmi-passive 2',
      b: 'b.hdmi-1 > mx.in-2 hdmi-passive 2',
      c: 'mx.out-1 > x.in hdmi-passive 2',
      d: 'mx.out-2 > y.in hdmi-passive 2',
      e: 'mx.out-3 > main.in-1 hdmi-passive 2',
      k: 'ctl.network > mx.control control-network 5',
    },
  }),
  'cables under a ramp where people walk, and overhead at an escape way': plan({
    devices: {
      cam: { model: 'camera-box-hdmi', place: 'Hall', ports: { hdmi: { format: fmt('1080p59.94') } } },
      main: { model: 'switcher-4-strict', place: 'Desk', standard: fmt('1080p59.94') },
      scr: { model: 'screen', place: 'Foyer' },
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-active', b: 'main.out-1 > scr.in hdmi-active' },
    distances: {
      way: { between: ['Desk', 'Hall'], m: 12, crosses: 'walkway', kept: 'ramp' },
      out: { between: ['Desk', 'Foyer'], m: 14, crosses: 'escape', kept: 'overhead' },
      // No cable goes along it.
      other: { between: ['Hall', 'Foyer'], m: 40, crosses: 'walkway' },
    },
  }),
  'one radio sender, two receivers': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      two: 'camera-box-hdmi 1080p59.94',
      air: {
        model: 'radio-one-to-two',
        air: { m: 30 },
        ports: { 'out-1': { receiver: 'rx1' }, 'out-2': { receiver: 'rx2' } },
      },
      rx1: 'radio-one-to-two-receiver',
      rx2: 'radio-one-to-two-receiver',
      main: 'switcher-4-strict 1080p59.94',
      scr: 'screen',
    },
    links: {
      a: 'cam.hdmi > air.in hdmi-passive 0',
      b: 'air.out-1 > main.in-1 hdmi-passive 1',
      c: 'air.out-2 > scr.in hdmi-passive 1',
      d: 'two.hdmi > main.in-2 hdmi-passive 3',
    },
  }),
  'a micro plug that is strapped': plan({
    devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25' },
    links: {
      a: {
        from: { device: 'cam', port: 'hdmi' },
        to: { device: 'main', port: 'in-1' },
        cable: 'hdmi-micro-lead',
        pieces: [3],
        relief: true,
      },
    },
  }),
  'a camera that stays on for five hours': plan({
    brief: { start: '18:00', end: '23:00' },
    devices: {
      cam: {
        model: 'camera-mirrorless',
        mode: 'live',
        limitsOff: true,
        ports: { hdmi: { format: fmt('1080p50'), clean: true } },
      },
      main: 'switcher-4-strict 1080p50',
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' },
    // 98 Wh x 0.8 / 8 W = 9.8 h.
    batteries: { plate: { title: 'Plate', order: 1, kind: 'pack', wh: 98, loads: { cam: true } } },
  }),
  'a short show, over before the camera sleeps': plan({
    brief: { start: '12:00', end: '12:25' },
    devices: {
      cam: { model: 'camera-mirrorless', mode: 'out-1080', ports: { hdmi: { format: fmt('1080p25'), clean: true } } },
      main: 'switcher-4-strict 1080p25',
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' },
  }),
  'music balanced across the hall': plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      music: 'player-music',
      near: 'balance-box',
      far: 'unbalance-box',
      main: 'switcher-4-strict 1080p59.94',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2',
      m: 'music.out > near.in mini-jack-lead 0 =0.5',
      n: 'near.out > far.in xlr-lead 25',
      o: 'far.out > main.sound mini-jack-lead 0 =0.5',
    },
  }),
  'a show that cannot be dark, with a second switcher in the van': plan({
    brief: { secondWay: true },
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', enc: 'encoder-stream' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2' },
    wants: { enc: 'program' },
    kit: { sw: { kind: 'model', id: 'switcher-4-strict', owned: 2 } },
  }),
  'a computer fixed before a monitor that likes another rate': plan({
    devices: {
      pc: { model: 'computer-guest', limitsOff: true, ports: { hdmi: { format: fmt('1080p59.94') } } },
      scr: 'screen-computer',
    },
    links: { a: 'pc.hdmi > scr.in hdmi-passive 2' },
  }),
  'a computer left open, behind a box that keeps its list': plan({
    devices: { pc: { model: 'computer-guest', limitsOff: true }, box: 'list-keeper', scr: 'screen-computer' },
    links: { a: 'pc.hdmi > box.in hdmi-passive 0', b: 'box.out > scr.in hdmi-passive 2' },
  }),
  'three switchers in a row': plan({
    devices: {
      a: { model: 'camera-studio-sdi', shot: 'safe', ports: { sdi: { format: fmt('1080p50') } } },
      b: 'camera-studio-sdi 1080p50',
      c: 'camera-ptz 1080p50',
      far: 'switcher-8-mixed 1080p50',
      mid: 'switcher-8-mixed 1080p50',
      main: 'switcher-12-sdi 1080p50',
      scr: 'screen-sdi',
      op: 'screen',
    },
    links: {
      a: 'a.sdi > far.in-5 coax-rg6 30',
      b: 'b.sdi > mid.in-5 coax-rg6 30',
      c: 'c.sdi > main.in-1 coax-rg6 30',
      fm: 'far.out-1 > mid.in-8 coax-rg6 5',
      mm: 'mid.out-1 > main.in-12 coax-rg6 5',
      s: 'main.out-1 > scr.in coax-rg6 5',
      o: 'main.out-6 > op.in hdmi-passive 2',
    },
    wants: { scr: 'program', op: 'multiview' },
  }),
  'two radio links that reach, on channels of their own': plan({
    devices: {
      hall: 'projector',
      cam: 'camera-box-hdmi 1080p59.94',
      two: 'camera-box-hdmi 1080p59.94',
      three: { model: 'camera-box-hdmi', shot: 'safe' },
      x: { model: 'radio-hdmi', air: { m: 100, channel: 1 }, ports: { out: { receiver: 'rx' } } },
      y: { model: 'radio-hdmi', air: { m: 30, crowd: true, channel: 2 }, ports: { out: { receiver: 'ry' } } },
      rx: 'radio-hdmi-receiver',
      ry: 'radio-hdmi-receiver',
      main: 'switcher-4-multiview 1080p59.94',
      op: 'screen',
    },
    links: {
      h: 'main.out-1 > hall.in hdmi-passive 3',
      a: 'cam.hdmi > x.in hdmi-passive 0',
      b: 'x.out > main.in-1 hdmi-passive 1',
      c: 'two.hdmi > y.in hdmi-passive 0',
      d: 'y.out > main.in-2 hdmi-passive 1',
      e: 'three.hdmi > main.in-3 hdmi-passive 2',
      o: 'main.out-3 > op.in hdmi-passive 2',
    },
    wants: { hall: 'program', op: 'multiview' },
  }),
  'a capture that the USB of its computer carries': plan({
    devices: {
      cam: 'camera-ptz 1080p59.94',
      host: { model: 'computer-control' },
      cap: { model: 'capture-sdi', in: 'host' },
    },
    links: { x: 'cam.sdi > cap.in coax-rg6 10' },
  }),
  'a recorder that keeps the show, and a recorder and player in one that plays its film': plan({
    devices: {
      pc: 'computer 1080p50',
      both: { model: 'recorder-player', ports: { play: { format: fmt('1080p50') } } },
      main: 'switcher-8-hdmi 1080p50',
      hall: 'projector',
      rec: 'recorder-hdmi',
    },
    links: {
      a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
      b: 'both.play > main.in-2 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 2',
      r: 'main.out-2 > rec.in hdmi-passive 2',
    },
    wants: { hall: 'program', rec: 'program' },
    segments: { film: { title: 'Film', order: 1 } },
    clips: { film: { title: 'The film', order: 1, player: 'both', lengthS: 90, end: 'black' } },
    cues: { play: { segment: 'film', title: 'Play', order: 1, clip: 'film' } },
  }),
  'a recorder with a track each: the show on its second, a camera alone on its first': plan({
    devices: {
      cam: 'camera-studio-sdi 1080p50',
      copy: 'repeater-sdi',
      main: 'switcher-12-sdi 1080p50',
      rec: 'recorder-4-sdi',
      hall: 'screen-sdi',
    },
    links: {
      a: 'cam.sdi > copy.in coax-rg6 2',
      b: 'copy.out-1 > main.in-1 coax-rg6 2',
      i: 'copy.out-2 > rec.in-1 coax-rg6 2',
      p: 'main.out-1 > hall.in coax-rg6 2',
      q: 'main.out-2 > rec.in-2 coax-rg6 2',
    },
    wants: { hall: 'program', rec: 'program' },
  }),
  'somebody who draws over the program: pen, computer, switcher and display in one loop': drawing({}),
  'a recorder and player in one that only records, an input for each camera': plan({
    devices: {
      pc: 'computer 1080p50',
      box: 'computer 1080p50',
      split: 'splitter-hdmi',
      both: 'recorder-player',
      main: 'switcher-8-hdmi 1080p50',
      hall: 'projector',
    },
    links: {
      a: 'pc.hdmi-1 > split.in hdmi-passive 2',
      m: 'split.out-1 > main.in-1 hdmi-passive 2',
      i: 'split.out-2 > both.in-2 hdmi-passive 2',
      b: 'box.hdmi-1 > main.in-2 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 2',
      r: 'main.out-2 > both.in-1 hdmi-passive 2',
    },
    wants: { hall: 'program', both: 'program' },
  }),
  'a whole running order: people, looks, cues, keys and a guest': wholeOrder(),
}

/** Twins of what is found of keys, looks, cues and people, all as they should be. */
function wholeOrder(): Plan {
  const format = { format: fmt('1080p59.94') }
  return worked({
    brief: { crew: 1 },
    devices: {
      wide: { model: 'camera-box-hdmi', shot: 'safe', ports: { hdmi: format } },
      close: { model: 'camera-box-hdmi', manned: true, ports: { hdmi: format } },
      ptz: { model: 'camera-ptz-hdmi', ports: { hdmi: format } },
      pc: 'computer 1080p59.94',
      film: 'player-clips 1080p59.94',
      joy: 'controller-joystick',
      main: {
        model: 'switcher-8-hdmi',
        standard: fmt('1080p59.94'),
        ports: { 'out-2': { feed: 'clean' }, 'in-7': { reserved: 'Dr Wren' } },
      },
      hall: 'projector',
      rec: 'recorder-hdmi',
      op: 'screen',
    },
    links: {
      w: 'wide.hdmi > main.in-1 hdmi-passive 2',
      c: 'close.hdmi > main.in-2 hdmi-passive 2',
      z: 'ptz.hdmi > main.in-3 hdmi-passive 2',
      k: 'joy.network > ptz.control control-network 20',
      p: 'pc.hdmi-1 > main.in-4 hdmi-passive 2',
      q: 'pc.hdmi-2 > main.in-5 hdmi-passive 2',
      f: 'film.hdmi > main.in-6 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 3',
      r: 'main.out-2 > rec.in hdmi-passive 2',
      o: 'main.out-3 > op.in hdmi-passive 2',
    },
    wants: { hall: 'program', rec: { feed: 'clean', silent: true }, op: 'multiview' },
    people: {
      kim: { name: 'Kim', order: 1, hears: true },
      ola: { name: 'Ola', order: 2, hears: true },
    },
    segments: {
      welcome: {
        title: 'Welcome',
        order: 1,
        minutes: 5,
        at: '19:00',
        opens: 'hello',
        work: { kim: ['main'], ola: ['close'] },
      },
      talk: {
        title: 'Talk',
        order: 2,
        minutes: 30,
        opens: 'named',
        guest: 'Dr Wren',
        work: { kim: ['main'], ola: ['close'] },
      },
      screening: { title: 'Film', order: 3, opens: 'dark' },
    },
    graphics: {
      card: kept(CARD, CARD_WORDS),
    },
    overlays: {
      names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc', segments: ['talk'], graphic: 'card' },
      face: {
        title: 'Face',
        order: 2,
        kind: 'box',
        fill: 'ptz',
        box: { x: 0.7, y: 0.05, w: 0.25, h: 0.25 },
        segments: ['talk'],
      },
    },
    looks: {
      hello: { title: 'Hello', order: 1, program: { main: 'in-1' }, presets: { ptz: 'desk' } },
      // Names lie over all, behind the tap of the clean recording; the box belongs to the picture.
      named: {
        title: 'Names',
        order: 2,
        program: { main: 'in-2' },
        keys: { main: { '1': 'face', '2': 'names' } },
        contents: { pc: 'caption' },
      },
      dark: { title: 'Film', order: 3, program: { main: 'in-6' }, keys: { main: { '1': 'off', '2': 'off' } } },
    },
    clips: { film: { title: 'The film', order: 1, player: 'film', lengthS: 300, end: 'black' } },
    cues: {
      play: { segment: 'screening', title: 'Play', order: 1, says: 'Roll it', by: 'kim', clip: 'film', lastsS: 295 },
      back: { segment: 'screening', title: 'Back to the wide', order: 2, look: 'hello' },
    },
  })
}
