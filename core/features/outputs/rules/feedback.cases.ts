import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'program led back into the switcher',
    gives: ['C13'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > main.in-4 hdmi-passive 1' },
    }),
    offers: ['Keep main input 4 off the air', 'Give up the picture at main input 4'],
    says: ['main output 1', 'main input 4'],
  },
  {
    name: 'a ring of two switchers',
    gives: ['C13'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', a: STAGE, b: STAGE },
      links: {
        s: 'cam.hdmi > a.in-1 hdmi-passive 3',
        ab: 'a.out-1 > b.in-1 hdmi-passive 1',
        ba: 'b.out-1 > a.in-2 hdmi-passive 1',
      },
    }),
    offers: ['Keep a input 2 off the air'],
    says: ['a output 1', 'a input 2'],
  },
  {
    name: 'a multiviewer that sees itself',
    gives: ['C13'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        mv: 'multiviewer-4-hdmi 1080p59.94',
        x: 'splitter-hdmi',
        scr: 'screen',
      },
      links: {
        a: 'cam.hdmi > mv.in-1 hdmi-passive 2',
        b: 'mv.out > x.in hdmi-passive 1',
        c: 'x.out-1 > scr.in hdmi-passive 1',
        d: 'x.out-2 > mv.in-2 hdmi-passive 1',
      },
    }),
    offers: ['Give up the picture at mv input 2'],
    says: ['without end'],
  },
  {
    name: 'an input that an output of its own leads back into itself, over another switcher',
    gives: ['C13'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        a: {
          model: 'switcher-8-hdmi',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'input', of: 'in-2' } },
        },
        b: {
          model: 'switcher-8-hdmi',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'input', of: 'in-1' } },
        },
        hall: 'projector',
      },
      links: {
        s: 'cam.hdmi > b.in-2 hdmi-passive 3',
        ab: 'a.out-2 > b.in-1 hdmi-passive 1',
        ba: 'b.out-1 > a.in-2 hdmi-passive 1',
        h: 'a.out-1 > hall.in hdmi-passive 1',
      },
      wants: { hall: 'program' },
    }),
    // What comes in at a goes out again, whatever is on air there: the one press is at b.
    offers: ['Keep b input 1 off the air'],
    says: ['a output 2 comes back to a input 2: cutting b input 1 to air'],
  },
  {
    name: 'two outputs that lead each input into the other: nothing enters',
    gives: ['C07'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        a: {
          model: 'switcher-8-hdmi',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'input', of: 'in-2' } },
        },
        b: {
          model: 'switcher-8-hdmi',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'input', of: 'in-1' } },
        },
        hall: 'projector',
      },
      links: {
        s: 'cam.hdmi > a.in-1 hdmi-passive 3',
        ab: 'a.out-2 > b.in-1 hdmi-passive 1',
        ba: 'b.out-2 > a.in-2 hdmi-passive 1',
        h: 'a.out-1 > hall.in hdmi-passive 1',
      },
      wants: { hall: 'program' },
    }),
    offers: ['Point it at program', 'Take the loose cable out'],
    says: ['no picture enters the ring'],
  },
]
