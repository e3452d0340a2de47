import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'two manned cameras and a crew of one',
    gives: ['R06'],
    plan: plan({
      brief: { crew: 1 },
      devices: {
        a: { model: 'camera-box-hdmi', manned: true },
        b: { model: 'camera-box-hdmi', manned: true },
        main: STAGE,
      },
      links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2' },
    }),
    offers: ['Leave a unmanned', 'Leave b unmanned'],
    says: ['2 cameras', 'crew is 1'],
  },
  {
    name: 'three manned cameras and nobody',
    gives: ['R06'],
    plan: plan({
      brief: { crew: 0 },
      devices: {
        a: { model: 'camera-box-hdmi', shot: 'safe' },
        b: { model: 'camera-box-hdmi', manned: true },
        main: STAGE,
      },
      links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi > main.in-2 hdmi-passive 2' },
    }),
    offers: ['Leave b unmanned'],
    says: ['crew is 0'],
  },
]
