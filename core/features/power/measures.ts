import { planWatts, type Traced } from '#core/chain'
import { power, type Measure } from '#core/kernel'

export const MEASURES: readonly Measure<Traced>[] = [
  { id: 'watts', title: 'Draw', of: ({ plan }) => planWatts(plan), quantity: power, screen: 'kit' },
]
