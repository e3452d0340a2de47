import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const format = fmt('1080p50')
/** A desk into both sound plugs of a switcher, one of them held back. */
const twice = (held: number) => ({
  devices: {
    cam: 'camera-studio-sdi 1080p50',
    mic: 'microphone-speech',
    desk: 'desk-16',
    main: {
      model: 'switcher-12-sdi',
      standard: format,
      ports: { 'sound-1': { soundDelayMs: held }, 'sound-2': { soundDelayMs: 40 } },
    },
    rec: 'recorder-hdmi',
  },
  links: {
    a: 'cam.sdi > main.in-1 coax-rg6 5',
    m: 'mic.out > desk.in-1 xlr-lead 3',
    x: 'desk.mix-1 > main.sound-1 xlr-lead 3',
    y: 'desk.mix-2 > main.sound-2 xlr-lead 3',
    r: 'main.out-6 > rec.in hdmi-passive 2',
  },
})

export const CASES: readonly Faulty[] = [
  {
    name: 'one microphone by two mixes of the desk, one of them held back',
    gives: ['A02'],
    plan: plan({
      ...twice(70),
      devices: {
        ...twice(70).devices,
        main: { ...twice(70).devices.main, ports: { ...twice(70).devices.main.ports, 'out-6': { feed: 'program' } } },
      },
      wants: { rec: { feed: 'program', sound: true } },
    }),
    offers: ['Shut the sound of main'],
    says: ['mic is open by', 'comes to rec twice'],
  },
  {
    name: 'a microphone that a look opens a second time',
    gives: ['A02'],
    plan: plan({
      ...twice(40),
      devices: {
        ...twice(40).devices,
        main: {
          model: 'switcher-12-sdi',
          standard: format,
          ports: {
            'sound-1': { soundDelayMs: 70 },
            'sound-2': { sound: 'shut', soundDelayMs: 40 },
            'out-6': { feed: 'program' },
          },
        },
      },
      wants: { rec: { feed: 'program', sound: true } },
      segments: { talk: { title: 'Talk', order: 1, opens: 'loud' } },
      looks: { loud: { title: 'Both mixes', order: 1, sound: { main: { 'sound-2': 'fixed' } } } },
    }),
    offers: ['Shut the sound of main'],
    says: ['comes to rec twice'],
  },
]
