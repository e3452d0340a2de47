import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const format = fmt('1080p50')
const show = (opening: 'fixed' | 'follows') => ({
  devices: {
    cam: 'camera-studio-sdi 1080p50',
    desk: 'desk-house',
    main: {
      model: 'switcher-12-sdi',
      standard: format,
      ports: { 'in-1': { sound: opening }, 'sound-1': { soundDelayMs: 40 }, 'out-6': { feed: 'program' as const } },
    },
    rec: 'recorder-hdmi',
  },
  links: {
    a: 'cam.sdi > main.in-1 coax-rg6 5',
    x: 'desk.feed > main.sound-1 xlr-lead 3',
    r: 'main.out-6 > rec.in hdmi-passive 2',
  },
  wants: { rec: { feed: 'program', sound: true } } as const,
})

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera whose microphone is open beside the desk',
    gives: ['A03'],
    plan: plan(show('fixed')),
    offers: ['Shut the sound of main input 1'],
    says: ['The microphone of cam is open at main input 1 beside desk'],
  },
  {
    name: 'a camera whose microphone comes with its picture',
    gives: ['A03'],
    plan: plan({
      ...show('follows'),
      segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
      looks: { wide: { title: 'Wide', order: 1, program: { main: 'in-1' } } },
    }),
    offers: ['Shut the sound of main input 1'],
    says: ['beside desk'],
  },
]
