import { type Faulty, STAGE } from '../../../../testing/cases'
import { worked } from '../../../../testing/plans'

/** A computer with one output, beside a camera. */
const ONE = {
  devices: { pc: 'computer 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' },
  links: {
    b: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
    d: 'cam.hdmi > main.in-2 hdmi-passive 2',
    o: 'main.out-1 > proj.in hdmi-passive 2',
  },
  wants: { proj: 'program' },
} as const

export const CASES: readonly Faulty[] = [
  {
    name: 'captions and the slides of the room from one output',
    gives: ['K16'],
    plan: worked({
      devices: {
        pc: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        split: 'splitter-hdmi',
        main: STAGE,
        proj: 'projector',
      },
      links: {
        a: 'pc.hdmi-1 > split.in hdmi-passive 2',
        b: 'split.out-1 > main.in-1 hdmi-passive 2',
        c: 'split.out-2 > proj.in hdmi-passive 2',
        d: 'cam.hdmi > main.in-2 hdmi-passive 2',
      },
      wants: { proj: { feed: 'program', of: 'pc' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['Connect a second output to', 'Give up Names'],
    says: ['pc must show Names on black', 'its full picture at proj'],
  },
  {
    // Program shows the slides while the captions of the same computer are lit over them.
    name: 'a look with the slides on air under the captions of the same output',
    gives: ['K16'],
    plan: worked({
      devices: {
        pc: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        main: STAGE,
        proj: 'projector',
      },
      links: {
        b: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        d: 'cam.hdmi > main.in-2 hdmi-passive 2',
        o: 'main.out-1 > proj.in hdmi-passive 2',
      },
      wants: { proj: 'program' },
      segments: { talk: { title: 'Talk', order: 1, opens: 'slides' } },
      looks: { slides: { title: 'Slides', order: 1, program: { main: 'in-1' }, keys: { main: { '1': 'names' } } } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['Give up Names in Talk'],
    says: ['its full picture at proj'],
  },
  {
    // The look lights the names and leaves the computer at the slides that the one before asked for.
    name: 'names over a picture while the computer still shows its slides',
    gives: ['K16'],
    plan: worked({
      ...ONE,
      segments: { talk: { title: 'Talk', order: 1, opens: 'slides' } },
      looks: {
        slides: { title: 'Slides', order: 1, program: { main: 'in-1' }, contents: { pc: 'full' } },
        named: { title: 'Named', order: 2, program: { main: 'in-2' }, keys: { main: { '1': 'names' } } },
      },
      cues: { on: { segment: 'talk', title: 'Names', order: 1, look: 'named' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['pc shows the caption on black then'],
    says: ['Names is lit while pc shows its full page'],
  },
  {
    name: 'a caption on black on air as it is',
    gives: ['K16'],
    plan: worked({
      ...ONE,
      segments: { talk: { title: 'Talk', order: 1, opens: 'slides' } },
      looks: { slides: { title: 'Slides', order: 1, program: { main: 'in-1' }, contents: { pc: 'caption' } } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['pc shows its full page then'],
    says: ['pc is on air as it is at proj'],
  },
  {
    name: 'names lit from an output that shows the slides, while the other shows the caption',
    gives: ['K16'],
    plan: worked({
      devices: { pc: 'computer 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' },
      links: {
        b: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        e: 'pc.hdmi-2 > main.in-3 hdmi-passive 2',
        d: 'cam.hdmi > main.in-2 hdmi-passive 2',
        o: 'main.out-1 > proj.in hdmi-passive 2',
      },
      wants: { proj: 'program' },
      segments: { talk: { title: 'Talk', order: 1, opens: 'named' } },
      looks: {
        named: {
          title: 'Named',
          order: 1,
          program: { main: 'in-2' },
          keys: { main: { '1': 'names' } },
          layouts: { pc: { 'hdmi-1': 'full', 'hdmi-2': 'caption' } },
        },
      },
      // Nothing says by which of its outputs: it is the first that comes.
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['pc shows the caption on black then'],
    says: ['Names is lit while pc shows its full page'],
  },
  {
    name: 'what the person at the computer works with is on air',
    gives: ['K16'],
    plan: worked({
      ...ONE,
      segments: { talk: { title: 'Talk', order: 1, opens: 'notes' } },
      looks: {
        notes: { title: 'Notes', order: 1, program: { main: 'in-1' }, layouts: { pc: { 'hdmi-1': 'operator' } } },
      },
    }),
    offers: ['pc HDMI 1 shows its full page then'],
    says: ['shows what its person works with, and proj see it'],
  },
]
