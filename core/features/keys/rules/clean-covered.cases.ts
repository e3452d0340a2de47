import { type Faulty } from '../../../../testing/cases'
import { fmt, worked } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    // The only keyer of that switcher lies in the mix, before the tap of the clean feed.
    name: 'a clean recording of a switcher whose keyer lies before its tap',
    gives: ['K14'],
    plan: worked({
      devices: {
        slides: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        main: { model: 'switcher-4-multiview', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'clean' } } },
        rec: 'recorder-hdmi',
      },
      links: {
        a: 'slides.hdmi-1 > main.in-1 hdmi-passive 2',
        c: 'cam.hdmi > main.in-2 hdmi-passive 2',
        r: 'main.out-2 > rec.in hdmi-passive 2',
      },
      wants: { rec: { feed: 'clean', silent: true } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' } },
    }),
    offers: ['Use a larger switcher at main'],
    says: ['rec is to see main without', 'Names lies before that tap'],
  },
  {
    name: 'captions that a look puts into the keyer before the tap',
    gives: ['K14'],
    plan: worked({
      devices: {
        slides: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        main: { model: 'switcher-8-hdmi', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'clean' } } },
        rec: 'recorder-hdmi',
      },
      links: {
        a: 'slides.hdmi-1 > main.in-1 hdmi-passive 2',
        c: 'cam.hdmi > main.in-2 hdmi-passive 2',
        r: 'main.out-2 > rec.in hdmi-passive 2',
      },
      wants: { rec: { feed: 'clean', silent: true } },
      segments: { talk: { title: 'Talk', order: 1, opens: 'named' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' } },
      looks: { named: { title: 'With names', order: 1, program: { main: 'in-2' }, keys: { main: { '1': 'names' } } } },
    }),
    offers: ['Put Names into Key over all'],
    says: ['Names lies before that tap'],
  },
]
