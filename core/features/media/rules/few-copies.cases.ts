import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const shown = { scr: 'program' } as const
const links = { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > scr.in hdmi-passive 2' }
const cam = 'camera-box-hdmi 1080p59.94'

export const CASES: readonly Faulty[] = [
  {
    name: 'a recording wanted and none there',
    gives: ['O04'],
    plan: plan({ brief: { copies: 1 }, devices: { cam, main: STAGE, scr: 'screen' }, links, wants: shown }),
    offers: ['Recorder, HDMI at main output 2', 'Give up the recordings'],
    says: ['one recording of the show', 'nothing records it'],
  },
  {
    name: 'two recordings wanted, and the switcher could keep one itself',
    gives: ['O04'],
    plan: plan({
      brief: { copies: 2 },
      devices: { cam, main: 'switcher-4-multiview 1080p59.94', scr: 'screen', keep: 'recorder-hdmi' },
      links: { ...links, c: 'main.out-2 > keep.in hdmi-passive 2' },
      wants: { ...shown, keep: { feed: 'program', silent: true } },
    }),
    offers: ['Record the show inside main'],
    says: ['2 recordings', 'one recording comes to be'],
  },
  {
    name: 'a stream that nothing records, and nobody has said so',
    gives: [],
    notes: ['O04'],
    plan: plan({
      brief: { testStream: '18:00' },
      devices: { cam, main: STAGE, enc: 'encoder-stream' },
      links: { a: links.a, b: 'main.out-1 > enc.in hdmi-passive 2' },
      wants: { enc: { feed: 'program', silent: true } },
    }),
    offers: ['Say that no recording is wanted', 'at main output 2'],
    says: ['nobody has said'],
  },
]
