import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a segment uses what the plan no longer has',
    gives: ['R07'],
    plan: plan({
      devices: { pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
      segments: {
        welcome: { title: 'Welcome', order: 1, sources: ['pc', 'lectern-cam'] },
        talk: { title: 'Talk', order: 2, sources: ['pc'] },
      },
    }),
    offers: ['Give up lectern-cam in Welcome'],
    says: ['Welcome', 'lectern-cam', 'no longer has'],
  },
  {
    name: 'two segments use a camera that goes to a screen alone',
    gives: ['R07'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        pc: 'computer 1080p59.94',
        main: 'switcher-4-strict 1080p59.94',
        scr: 'screen',
      },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'cam.hdmi > scr.in hdmi-passive 2' },
      segments: {
        welcome: { title: 'Welcome', order: 1, sources: ['pc', 'cam'] },
        talk: { title: 'Talk', order: 2, sources: ['cam'] },
        end: { title: 'Farewell', order: 3 },
      },
    }),
    offers: ['Give up cam in Welcome, Talk'],
    says: ['cam', 'no cable brings its picture to a switcher'],
  },
  {
    name: 'a look with an empty input on air',
    gives: ['R07'],
    plan: plan({
      devices: { pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94', proj: 'projector' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', o: 'main.out-1 > proj.in hdmi-passive 2' },
      wants: { proj: 'program' },
      segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
      looks: { wide: { title: 'Wide', order: 1, program: { main: 'in-3' } } },
    }),
    offers: ['Show main input 1 in Wide'],
    says: ['Wide puts main input 3 on air', 'proj go dark'],
  },
]
