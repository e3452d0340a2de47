import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a wanted sink without a feed, with an output free',
    gives: ['O01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector', rec: 'recorder-hdmi' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', ...SEEN },
      wants: { proj: 'program', rec: 'program' },
    }),
    offers: ['main output 2', 'Put in HDMI splitter', 'Give up'],
    says: ['rec should see program'],
  },
  {
    name: 'a recorder that nothing feeds',
    gives: ['O01'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-12-sdi 1080p50', rec: 'recorder-2160' },
      links: { a: 'cam.sdi > main.in-1 coax-rg6 20' },
      wants: { rec: 'clean' },
    }),
    offers: ['Feed it from main output 1', 'Give up clean at rec'],
    says: ['rec', 'clean'],
  },
  {
    name: 'a recording asked of a switcher that has no recorder',
    gives: ['O01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5', ...SEEN },
      wants: { proj: 'program', main: 'program' },
    }),
    offers: ['Give up program at main'],
    says: ['main should record program inside', 'it has no recorder'],
  },
  {
    name: 'a clean recording asked of a switcher that records its program alone',
    gives: ['O01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-8-hdmi 1080p59.94', proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5', p: 'main.out-1 > proj.in hdmi-passive 1' },
      wants: { proj: 'program', main: 'clean' },
    }),
    offers: ['Give up clean at main'],
    says: ['its recorder takes its own program alone'],
  },
  {
    name: 'a screen for one source, with an output that could carry its input',
    gives: ['O01'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        pc: 'computer 1080p59.94',
        main: 'switcher-8-hdmi 1080p59.94',
        hall: 'projector',
        side: 'projector',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 5',
        b: 'pc.hdmi-1 > main.in-2 hdmi-passive 2',
        p: 'main.out-1 > hall.in hdmi-passive 1',
      },
      wants: { hall: 'program', side: { feed: 'program', of: 'pc' } },
    }),
    offers: ['Point main output 2 at input 2, and lead it to side', 'Give up program at side'],
    says: ['side'],
  },
]
