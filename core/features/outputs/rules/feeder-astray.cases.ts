import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a feeder that sends its preview on',
    gives: ['C14'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        side: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'preview' } } },
        main: STAGE,
        proj: 'projector',
      },
      links: { a: 'cam.hdmi > side.in-1 hdmi-passive 2', j: 'side.out-2 > main.in-1 hdmi-passive 1', ...SEEN },
    }),
    offers: ['Point side output 2 at program', 'Take it from side output 1'],
    says: ['side output 2 carries preview', 'main input 1'],
  },
  {
    name: 'a feeder that leads nowhere',
    gives: ['C14'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        side: 'switcher-4-strict 1080p59.94',
        main: STAGE,
        proj: 'projector',
      },
      links: { a: 'cam.hdmi > side.in-1 hdmi-passive 2', b: 'two.hdmi > main.in-1 hdmi-passive 2', ...SEEN },
    }),
    offers: ['Connect its program to main input 2'],
    says: ['side has pictures'],
  },
  {
    name: 'three switchers in a row: preview led on, and a stiff plug',
    gives: ['C14', 'C16'],
    plan: plan({
      devices: {
        a: { model: 'camera-hand-hdmi', shot: 'safe', ports: { hdmi: { format: fmt('1080p25') } } },
        b: 'camera-ptz 1080p25',
        c: 'camera-ptz 1080p25',
        far: 'switcher-8-mixed 1080p25',
        mid: { model: 'switcher-8-mixed', standard: fmt('1080p25'), ports: { 'out-2': { feed: 'preview' } } },
        main: 'switcher-12-sdi 1080p25',
        scr: 'screen-sdi',
        op: 'screen',
      },
      links: {
        a: 'a.hdmi > far.in-1 hdmi-passive 2 adapter-hdmi-micro-stiff',
        b: 'b.sdi > mid.in-5 coax-rg6 30',
        c: 'c.sdi > main.in-1 coax-rg6 30',
        fm: 'far.out-1 > mid.in-8 coax-rg6 5',
        mm: {
          from: { device: 'mid', port: 'out-2' },
          to: { device: 'main', port: 'in-12' },
          cable: 'coax-rg6',
          routeM: 5,
        },
        s: 'main.out-1 > scr.in coax-rg6 5',
        o: 'main.out-6 > op.in hdmi-passive 2',
      },
      wants: { scr: 'program', op: 'multiview' },
    }),
    offers: ['Point mid output 2 at program'],
    says: ['preview'],
  },
]
