import { type Faulty } from '../../../../testing/cases'
import { fmt, worked } from '../../../../testing/plans'

const CHAIN = {
  devices: {
    wide: 'camera-box-hdmi 1080p59.94',
    slides: 'computer 1080p59.94',
    side: 'switcher-8-hdmi 1080p59.94',
    main: 'switcher-8-hdmi 1080p59.94',
  },
  links: {
    w: 'wide.hdmi > side.in-1 hdmi-passive 2',
    s: 'slides.hdmi-1 > side.in-2 hdmi-passive 2',
    t: 'slides.hdmi-2 > main.in-2 hdmi-passive 2',
    l: 'side.out-1 > main.in-1 hdmi-passive 2',
  },
}

export const CASES: readonly Faulty[] = [
  {
    name: 'captions that are lit at the feeder',
    gives: ['K09'],
    plan: worked({
      ...CHAIN,
      segments: { talk: { title: 'Talk', order: 1, opens: 'named' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' } },
      looks: { named: { title: 'With names', order: 1, program: { main: 'in-1' }, keys: { side: { '1': 'names' } } } },
    }),
    offers: ['Key Names at main'],
    says: ['Names must lie over everything', 'keyed at side'],
  },
  {
    name: 'captions that a cue lights at the feeder',
    gives: ['K09'],
    plan: worked({
      ...CHAIN,
      segments: { talk: { title: 'Talk', order: 1 } },
      cues: { on: { segment: 'talk', title: 'Names on', order: 1, look: 'named' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' } },
      looks: { named: { title: 'With names', order: 1, keys: { side: { '2': 'names' } } } },
    }),
    offers: ['Key Names at main'],
    says: ['rides with the pictures of side alone'],
  },
  {
    // The first keyer of the last one lies before the tap of the clean feed: the one over all is left.
    name: 'captions at the feeder, where the last one sends a clean feed',
    gives: ['K09'],
    plan: worked({
      ...CHAIN,
      devices: {
        ...CHAIN.devices,
        main: { model: 'switcher-8-hdmi', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'clean' } } },
        rec: 'recorder-hdmi',
      },
      links: { ...CHAIN.links, r: 'main.out-2 > rec.in hdmi-passive 2' },
      wants: { rec: { feed: 'clean', silent: true } },
      segments: { talk: { title: 'Talk', order: 1, opens: 'named' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' } },
      looks: { named: { title: 'With names', order: 1, program: { main: 'in-1' }, keys: { side: { '1': 'names' } } } },
    }),
    offers: ['Key Names at main, by Key over all'],
    says: ['Names must lie over everything'],
  },
]
