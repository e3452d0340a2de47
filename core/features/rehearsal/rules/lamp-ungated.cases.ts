import { withButtons } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'
import { fmt } from '../../../../testing/plans'

const F = fmt('1080p59.94')

const lamp = (source: string, tally: string) =>
  withButtons({ devices: { [source]: { model: 'computer', ports: { 'hdmi-1': { format: F } }, tally } } })

export const CASES: readonly Faulty[] = [
  {
    name: 'a lamp that follows the feeder',
    gives: ['N11'],
    plan: lamp('a', 'side'),
    offers: ['Light a only when every switcher on the way has it on air'],
    says: ['The lamp of a follows side alone'],
  },
  {
    name: 'a lamp that follows a switcher to which its picture does not come',
    gives: ['N11'],
    plan: lamp('c', 'side'),
    offers: ['Light c only when every switcher on the way has it on air'],
    says: ['The lamp of c follows side, to which its picture does not come'],
  },
]
