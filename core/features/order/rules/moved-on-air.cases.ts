import { type Faulty, STAGE } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const SHOW = {
  devices: {
    ptz: 'camera-ptz-hdmi 1080p59.94',
    pc: 'computer 1080p59.94',
    main: STAGE,
    proj: 'projector',
    joy: 'controller-joystick',
  },
  links: {
    a: 'ptz.hdmi > main.in-1 hdmi-passive 2',
    b: 'pc.hdmi-1 > main.in-2 hdmi-passive 2',
    k: 'joy.network > ptz.control control-network 20',
    o: 'main.out-1 > proj.in hdmi-passive 2',
  },
  wants: { proj: 'program' },
} as const

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera that is sent elsewhere while it is on air',
    gives: ['R10'],
    plan: plan({
      ...SHOW,
      segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
      cues: { close: { segment: 'talk', title: 'Closer', order: 1, look: 'close' } },
      looks: {
        wide: { title: 'Wide', order: 1, program: { main: 'in-1' }, presets: { ptz: 'stage' } },
        close: { title: 'Close', order: 2, presets: { ptz: 'desk' } },
      },
    }),
    offers: ['Leave ptz where it stands'],
    says: ['Close sends ptz to desk while it is seen'],
  },
  {
    name: 'a camera that is shown before it has arrived',
    gives: ['R10'],
    plan: plan({
      ...SHOW,
      segments: { talk: { title: 'Talk', order: 1, opens: 'slides' } },
      cues: { close: { segment: 'talk', title: 'Closer', order: 1, look: 'close' } },
      looks: {
        slides: { title: 'Slides', order: 1, program: { main: 'in-2' } },
        close: { title: 'Close', order: 2, program: { main: 'in-1' }, presets: { ptz: 'desk' } },
      },
    }),
    offers: ['Send ptz there in Slides, before it is seen'],
    says: ['shows it at once'],
  },
]
