import { type Faulty, STAGE } from '../../../../testing/cases'
import { worked } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'the box shows the slides and not the signer',
    gives: ['K08'],
    plan: worked({
      devices: { slides: 'computer 1080p59.94', signer: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'slides.hdmi-1 > main.in-1 hdmi-passive 2', b: 'signer.hdmi > main.in-3 hdmi-passive 2' },
      overlays: {
        signer: {
          title: 'Signer',
          order: 1,
          kind: 'box',
          fill: 'signer',
          box: { x: 0.7, y: 0.6, w: 0.28, h: 0.28 },
        },
      },
    }),
    offers: ['Lead signer into HDMI in 1', 'Use a larger switcher at main'],
    says: ['always shows main input 1', 'Signer would show slides and not signer'],
  },
  {
    name: 'a box that is tied to an empty input',
    gives: ['K08'],
    plan: worked({
      devices: { cam: 'computer 1080p60', pc: 'laptop 1080p60', main: 'switcher-4-strict 1080p60' },
      links: { a: 'cam.hdmi-1 > main.in-2 hdmi-passive 2', b: 'pc.hdmi > main.in-3 hdmi-passive 2' },
      overlays: { face: { title: 'Face', order: 1, kind: 'box', fill: 'cam' } },
    }),
    offers: ['Lead cam into HDMI in 1'],
    says: ['Face would show nothing and not cam'],
  },
]
