import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'fewer cameras in the kit than in the plan',
    gives: ['C15'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'two.hdmi > main.in-2 hdmi-passive 2' },
      kit: { boxes: { kind: 'model', id: 'camera-box-hdmi', owned: 1 } },
    }),
    offers: ['Hire 1 more: 52', 'Buy 1 more: 520'],
    says: ['2 of Box camera', 'holds 1'],
  },
  {
    name: 'one short lead too few, and a longer one idle',
    gives: ['C15'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 1', b: 'two.hdmi > main.in-2 hdmi-passive 1' },
      kit: {
        short: { kind: 'lead', id: 'hdmi-passive', pieceM: 3, owned: 1 },
        long: { kind: 'lead', id: 'hdmi-passive', pieceM: 5, owned: 2 },
      },
    }),
    offers: ['Use a 5 m piece that is in the kit', 'Hire 1 more'],
    says: ['3 m Passive HDMI'],
  },
]
