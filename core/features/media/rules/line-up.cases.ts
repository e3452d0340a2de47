import type { Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const RECORDING = 'inside-2160'
const show = (brief: object, one: object, two: object) =>
  plan({
    brief: { isolated: true, ...brief },
    devices: {
      cam: { model: 'camera-hand-hdmi', mode: RECORDING, ports: { hdmi: { format: fmt('1080p29.97') } }, ...one },
      two: { model: 'camera-hand-hdmi', mode: RECORDING, ports: { hdmi: { format: fmt('1080p29.97') } }, ...two },
      main: 'switcher-4-strict 1080p29.97',
      scr: 'screen',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      b: 'two.hdmi > main.in-2 hdmi-passive 2 adapter-hdmi-micro',
      c: 'main.out-1 > scr.in hdmi-passive 2',
    },
    wants: { scr: 'program' },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'two cameras that record inside, and nothing to lay them over each other by',
    gives: ['E03'],
    plan: show({}, {}, {}),
    offers: ['Give all of them one timecode', 'Clap before every camera'],
    says: ['cam and two'],
  },
  {
    name: 'two cameras with one timecode, of which one drops frame numbers',
    gives: ['E03'],
    plan: show({ lineUp: 'timecode' }, { timecode: 'drop' }, { timecode: 'non-drop' }),
    offers: ['Let all count with frame numbers dropped', 'Let all count every frame number'],
    says: ['cam', 'two', '3.6'],
  },
]
