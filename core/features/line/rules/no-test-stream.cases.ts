import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const streamed = (brief: Parameters<typeof plan>[0]['brief']) =>
  plan({
    brief: { copies: 0, ...brief },
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, enc: 'encoder-stream' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2' },
    wants: { enc: { feed: 'program', silent: true } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a stream that nobody has tried',
    gives: [],
    notes: ['O16'],
    plan: streamed({ start: '19:30', end: '21:00' }),
    offers: ['at 18:30'],
    says: ['No private test stream of enc'],
  },
  {
    name: 'the same with a rehearsal',
    gives: [],
    notes: ['O16'],
    plan: streamed({ start: '19:30', end: '21:00', rehearsal: '15:00' }),
    offers: ['at 15:00'],
    says: ['enc'],
  },
]
