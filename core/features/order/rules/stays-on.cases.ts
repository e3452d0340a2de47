import { type Faulty, STAGE } from '../../../../testing/cases'
import { worked } from '../../../../testing/plans'

const SHOW = {
  devices: { pc: 'computer 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
  links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', c: 'cam.hdmi > main.in-2 hdmi-passive 2' },
}

export const CASES: readonly Faulty[] = [
  {
    name: 'names that are still lit in the film',
    gives: ['N16'],
    plan: worked({
      ...SHOW,
      segments: {
        talk: { title: 'Talk', order: 1, opens: 'named' },
        film: { title: 'Film', order: 2, opens: 'plain' },
      },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc', segments: ['talk'] } },
      looks: {
        named: { title: 'With names', order: 1, program: { main: 'in-2' }, keys: { main: { '1': 'names' } } },
        plain: { title: 'Camera', order: 2, program: { main: 'in-2' } },
      },
    }),
    offers: ['Begin Film with it off'],
    says: ['Names is still lit at main when Film begins'],
  },
  {
    name: 'a segment that begins in black',
    gives: ['N16'],
    plan: worked({
      ...SHOW,
      segments: {
        talk: { title: 'Talk', order: 1 },
        film: { title: 'Film', order: 2 },
      },
      cues: { out: { segment: 'talk', title: 'Out', order: 1, look: 'black' } },
      looks: { black: { title: 'Black', order: 1, faded: { main: true } } },
    }),
    offers: ['Begin Film with it off'],
    says: ['main is still faded to black when Film begins'],
  },
]
