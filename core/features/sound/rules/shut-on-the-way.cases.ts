import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const format = fmt('1080p50')
const CHAIN = {
  a: 'cam.sdi > side.in-1 coax-rg6 5',
  b: 'two.sdi > main.in-2 coax-rg6 5',
  l: 'side.out-1 > main.in-1 coax-rg6 3',
  r: 'main.out-6 > rec.in hdmi-passive 2',
}
const shows = { 'out-6': { feed: 'program' }, 'sound-1': { soundDelayMs: 70 } } as const
const wants = { rec: { feed: 'program', sound: true } } as const
const cameras = { cam: 'camera-studio-sdi 1080p50', two: 'camera-studio-sdi 1080p50' }

export const CASES: readonly Faulty[] = [
  {
    name: 'a second microphone that ends at the link of its feeder',
    gives: ['A15'],
    plan: plan({
      devices: {
        ...cameras,
        mic: 'microphone-speech',
        host: 'microphone-speech',
        side: { model: 'switcher-12-sdi', standard: format, ports: { 'sound-1': { soundDelayMs: 70 } } },
        main: { model: 'switcher-12-sdi', standard: format, ports: { ...shows } },
        rec: 'recorder-hdmi',
      },
      links: { ...CHAIN, m: 'mic.out > side.sound-1 xlr-lead 3', h: 'host.out > main.sound-1 xlr-lead 3' },
      wants,
    }),
    offers: ['Open the sound of main input 1'],
    says: ['mic is open at side and shut at main input 1'],
  },
  {
    name: 'a desk straight and through the feeder',
    gives: ['A15'],
    plan: plan({
      devices: {
        ...cameras,
        mic: 'microphone-speech',
        desk: 'desk-16',
        side: { model: 'switcher-12-sdi', standard: format },
        main: { model: 'switcher-12-sdi', standard: format, ports: { ...shows, 'in-1': { sound: 'fixed' } } },
        rec: 'recorder-hdmi',
      },
      links: {
        ...CHAIN,
        m: 'mic.out > desk.in-1 xlr-lead 3',
        x: 'desk.mix-1 > side.sound-1 xlr-lead 3',
        y: 'desk.mix-2 > main.sound-1 xlr-lead 3',
      },
      wants,
    }),
    offers: ['Shut the sound of'],
    says: ['mic is open straight and through side'],
  },
]
