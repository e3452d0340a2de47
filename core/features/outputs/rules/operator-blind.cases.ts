import { type Faulty, STAGE } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const chain = (side: string) =>
  ({
    devices: { a: 'camera-box-hdmi 1080p59.94', b: 'computer 1080p59.94', side, main: STAGE, hall: 'projector' },
    links: {
      a: 'a.hdmi > side.in-1 hdmi-passive 2',
      b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
      l: 'side.out-1 > main.in-1 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 3',
    },
    wants: { hall: 'program' },
    people: { kim: { name: 'Kim', order: 1, hears: true }, ola: { name: 'Ola', order: 2, hears: true } },
    segments: { talk: { title: 'Talk', order: 1, work: { kim: ['main'], ola: ['side'] } } },
  }) as const

export const CASES: readonly Faulty[] = [
  {
    name: 'a feeder that is worked without a screen',
    gives: ['R09'],
    plan: plan(chain('switcher-4-multiview 1080p59.94') as never),
    offers: ['Put a screen at output 3 of side: its multiview'],
    says: ['Ola works side and sees neither'],
  },
  {
    name: 'a feeder without multiview that is worked without a screen',
    gives: ['R09'],
    plan: plan(chain('switcher-4-strict 1080p59.94') as never),
    offers: ['Put a screen at output 2 of side: its program'],
    says: ['Ola works side and sees neither'],
  },
]
