import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'the multiview shown to the audience',
    gives: ['O02'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: {
          model: 'switcher-4-scaling',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'multiview' } },
        },
        hall: 'projector',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-2 > hall.in hdmi-passive 5' },
      wants: { hall: 'program' },
    }),
    offers: ['Point main output 2 at program', 'Feed it from main output 1', 'Give up'],
    says: ['hall should see program and gets multiview'],
  },
  {
    name: 'a camera where program was asked',
    gives: ['O02'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE, hall: 'projector' },
      links: { a: 'cam.hdmi > hall.in hdmi-passive 2', b: 'two.hdmi > main.in-1 hdmi-passive 2' },
      wants: { hall: 'program' },
    }),
    offers: ['Give up program at hall'],
    says: ['hall should see program and gets cam'],
  },
  {
    name: 'a source without sound straight to what should be heard',
    // The one source that is there is the program.
    gives: ['A01'],
    plan: plan({
      devices: { pad: 'tablet-drawing 1080p59.94', cap: 'capture-hdmi' },
      links: { a: 'pad.hdmi > cap.in hdmi-passive 2 adapter-hdmi-mini' },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Give up sound at cap'],
    says: ['cap is to be heard'],
  },
  {
    name: 'a look that points the output of the hall at preview',
    gives: ['O02'],
    plan: plan({
      devices: { pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94', proj: 'projector' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', o: 'main.out-2 > proj.in hdmi-passive 2' },
      wants: { proj: 'program' },
      segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
      looks: {
        wide: { title: 'Wide', order: 1, program: { main: 'in-1' }, outputs: { main: { 'out-2': 'preview' } } },
      },
    }),
    offers: ['Leave main output 2 as it is set'],
    says: ['Wide points main output 2 at preview', 'proj'],
  },
  {
    name: 'a screen for one source that gets the program',
    gives: ['O02'],
    plan: plan({
      devices: { pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94', proj: 'projector' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', o: 'main.out-1 > proj.in hdmi-passive 2' },
      wants: { proj: { feed: 'program', of: 'pc' } },
    }),
    offers: ['Give up'],
    says: ['proj should see pc alone and gets program'],
  },
  {
    name: 'a screen for one source at an output that is pointed at the input of another',
    gives: ['O02'],
    plan: plan({
      devices: {
        pc: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        main: {
          model: 'switcher-8-hdmi',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'input', of: 'in-2' } },
        },
        proj: 'projector',
        hall: 'projector',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'cam.hdmi > main.in-2 hdmi-passive 2',
        o: 'main.out-2 > proj.in hdmi-passive 2',
        h: 'main.out-1 > hall.in hdmi-passive 2',
      },
      wants: { proj: { feed: 'program', of: 'pc' }, hall: 'program' },
    }),
    offers: ['Point main output 2 at input 1'],
    says: ['proj should see pc alone and gets cam'],
  },
  {
    name: 'a look that points the output of the hall at one input',
    gives: ['O02'],
    plan: plan({
      devices: {
        pc: 'computer 1080p59.94',
        main: 'switcher-8-hdmi 1080p59.94',
        proj: 'projector',
        cap: 'capture-hdmi',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        o: 'main.out-2 > proj.in hdmi-passive 2',
        c: 'main.out-1 > cap.in hdmi-passive 2',
      },
      wants: { proj: 'program', cap: 'program' },
      segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
      looks: { wide: { title: 'Wide', order: 1, outputs: { main: { 'out-2': 'in-1' } } } },
    }),
    offers: ['Leave main output 2 as it is set'],
    says: ['Wide points main output 2 at input 1'],
  },
]
