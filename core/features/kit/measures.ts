import { CATALOGUE_CURRENCY } from '#core/catalog'
import { planMinor, type Traced } from '#core/chain'
import { money, type Measure } from '#core/kernel'

export const MEASURES: readonly Measure<Traced>[] = [
  {
    id: 'price',
    title: 'Price',
    of: ({ plan }) => planMinor(plan),
    quantity: (minor, { plan }) => money(minor, plan.brief.currency ?? CATALOGUE_CURRENCY),
    screen: 'kit',
  },
]
