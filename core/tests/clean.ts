import { plan } from './plans'
import type { Plan } from '#core/plan'

/** Plans that raise nothing, of different kinds of show. */
export const CLEAN: Readonly<Record<string, Plan>> = {
  'nothing yet': plan({ devices: {} }),
  'one camera': plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' } }),
  'spare devices without cables': plan({ devices: { main: 'switcher-4-strict 1080p50', conv: 'hdmi-to-sdi', scr: 'screen' } }),
  'micro plug with adapter': plan({ devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5 adapter-hdmi-micro' } }),
  'segmented frame into the matching interlaced input': plan({ devices: { cam: 'camera-studio-sdi 1080psf25', main: 'switcher-8-mixed 1080i50' }, links: { a: 'cam.sdi > main.in-5 coax-rg6 40' } }),
  'scaling inputs take what comes': plan({ devices: { cam: 'camera-box-hdmi 720p59.94', pc: 'computer 1080p60', main: 'switcher-4-scaling 1080p50', scr: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'pc.hdmi-1 > main.in-2 hdmi-passive 3', c: 'main.out-2 > scr.in hdmi-passive 2' }, wants: { scr: 'multiview' } }),
  'to SDI and back': plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', to: 'hdmi-to-sdi', back: 'sdi-to-hdmi', main: 'switcher-4-strict 1080p59.94' }, links: { a: 'cam.hdmi > to.in hdmi-passive 0', b: 'to.out > back.in coax-rg6 60', c: 'back.out > main.in-1 hdmi-passive 0' } }),
  'a scaler matches what the source cannot': plan({ devices: { cam: 'camera-shoulder-sdi', sc: 'scaler-sdi-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' }, links: { a: 'cam.sdi > sc.in coax-rg6 60', b: 'sc.out > main.in-2 hdmi-passive 0' } }),
  'program through a splitter and a loop': plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', split: 'splitter-hdmi', rec: 'recorder-hdmi', west: 'projector', east: 'screen' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'main.out-1 > split.in hdmi-passive 1', c: 'split.out-1 > rec.in hdmi-passive 1', d: 'split.out-2 > west.in hdmi-optical 30', e: 'rec.loop > east.in hdmi-passive 2' }, wants: { west: 'program', east: 'program', rec: 'program' } }),
  'an extender pair': plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', tx: 'extender-send', rx: 'extender-receive', main: 'switcher-4-strict 1080p59.94' }, links: { a: 'cam.hdmi > tx.in hdmi-passive 0', b: 'tx.out > rx.in pair-cable 45', c: 'rx.out > main.in-1 hdmi-passive 0' } }),
  'a feeder': plan({ devices: { one: 'camera-box-hdmi 1080p59.94', two: 'computer 1080p59.94', side: 'switcher-4-strict 1080p59.94', main: 'switcher-8-mixed 1080p59.94', scr: 'screen' }, links: { a: 'one.hdmi > side.in-1 hdmi-passive 3', b: 'two.hdmi-1 > side.in-2 hdmi-passive 3', j: 'side.out-1 > main.in-1 hdmi-passive 1', s: 'main.out-3 > scr.in hdmi-passive 3' }, wants: { scr: 'multiview' } }),
  'a ring of stages with a source': plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', a: 'switcher-4-strict 1080p59.94', b: 'switcher-4-strict 1080p59.94' }, links: { s: 'cam.hdmi > a.in-1 hdmi-passive 3', ab: 'a.out-1 > b.in-1 hdmi-passive 1', ba: 'b.out-1 > a.in-2 hdmi-passive 1' } }),
  'unmeasured routes': plan({ devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-8-mixed 1080p50' }, links: { a: 'cam.sdi > main.in-5 coax-miniature' } }),
  'the usual school notes but does not warn': plan({ brief: { cableSchool: 'usual' }, devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' }, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 10' } }),
  'a source straight to a screen': plan({ devices: { pc: 'computer 1080p60', scr: 'screen' }, links: { a: 'pc.hdmi-1 > scr.in hdmi-passive 2' } }),
  '2160 out to a screen': plan({ devices: { cam: { model: 'camera-hand-hdmi', mode: 'out-2160', ports: { hdmi: { format: { raster: '3840x2160', scan: 'p', rate: '25/1' } } } }, scr: 'screen' }, links: { a: 'cam.hdmi > scr.in hdmi-passive 2 adapter-hdmi-micro' } }),
}
