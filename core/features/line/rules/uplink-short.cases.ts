import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

type Extra = Partial<Parameters<typeof plan>[0]>
/** Two hours streamed at 1080p59.94, where nothing is said at 8 + 0.16 Mb/s. */
const streamed = (extra: Extra) =>
  plan({
    brief: { copies: 0, testStream: '18:00', start: '20:00', end: '22:00' },
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, enc: 'encoder-stream' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2' },
    wants: { enc: { feed: 'program', silent: true } },
    ...extra,
  })
const twoEncoders = {
  devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, enc: 'encoder-stream', second: 'encoder-stream' },
  links: {
    a: 'cam.hdmi > main.in-1 hdmi-passive 2',
    b: 'main.out-1 > enc.in hdmi-passive 2',
    c: 'main.out-2 > second.in hdmi-passive 2',
  },
  wants: { enc: { feed: 'program', silent: true }, second: { feed: 'program', silent: true } },
} as const
const spare = { title: 'Mobile router', order: 2, by: 'mobile' } as const
const twenty = Array.from({ length: 20 }, (_, i) => 12 + i)

export const CASES: readonly Faulty[] = [
  {
    // 8.16 x 1.1 = 8.976, x 1.5 = 13.464; of 20 samples the fifth percentile is the first: 12.
    name: 'a line that is too small by its fifth percentile',
    gives: ['O09'],
    plan: streamed({
      uplinks: {
        house: { title: 'Line of the house', order: 1, by: 'wire', samples: twenty, encoders: { enc: true } },
        spare: { ...spare, samples: [40] },
      },
    }),
    offers: ['Send over Mobile router'],
    says: ['9\u00A0Mb/s', '13.5\u00A0Mb/s', '12\u00A0Mb/s'],
  },
  {
    // (6 + 0.16 + 4 + 0.16) x 1.1 x 1.5 = 17.0.
    name: 'two destinations on a line that carries one',
    gives: ['O09'],
    plan: streamed({
      ...twoEncoders,
      uplinks: {
        house: {
          title: 'Line of the house',
          order: 1,
          by: 'wire',
          samples: [15, 22],
          encoders: { enc: true, second: true },
        },
        spare,
      },
      destinations: {
        one: { title: 'The page of the house', order: 1, encoder: 'enc', videoMbps: 6 },
        two: { title: 'The second page', order: 2, encoder: 'second', videoMbps: 4 },
      },
    }),
    // 15 / 17.03 x 0.97 = 85 %.
    offers: ['Send 85\u00A0% of the video'],
    says: ['17\u00A0Mb/s', '15\u00A0Mb/s'],
  },
  {
    name: 'one line of the house',
    gives: ['O10'],
    plan: streamed({
      uplinks: { house: { title: 'Line of the house', order: 1, by: 'wire', samples: [50], encoders: { enc: true } } },
    }),
    offers: ['Mobile router, to fall back on'],
    says: ['goes over Line of the house alone'],
  },
  {
    name: 'one mobile router',
    gives: ['O10'],
    plan: streamed({ uplinks: { router: { ...spare, encoders: { enc: true } } } }),
    offers: ['Line of the house, to fall back on'],
    says: ['Mobile router alone'],
  },
  {
    // 8.976 Mb/s x 7200 s / 8000 = 8.08 GB.
    name: 'five gigabytes for two hours',
    gives: ['E02'],
    plan: streamed({
      uplinks: {
        router: { ...spare, allowanceGB: 5, encoders: { enc: true } },
        house: { title: 'Line of the house', order: 1, by: 'wire' },
      },
    }),
    offers: ['Send over Line of the house'],
    says: ['8.1\u00A0GB', '5\u00A0GB'],
  },
  {
    // (4 + 0.16) x 1.1 x 7200 / 8000 = 4.12 GB; 3 / 4.12 x 0.97 = 71 %.
    name: 'three gigabytes, and a rate that is said',
    gives: ['E02'],
    plan: streamed({
      uplinks: {
        router: { ...spare, allowanceGB: 3, encoders: { enc: true } },
        other: { ...spare, title: 'Second router', allowanceGB: 1 },
      },
      destinations: { one: { title: 'The page of the house', order: 1, encoder: 'enc', videoMbps: 4 } },
    }),
    offers: ['Send 71\u00A0% of the video'],
    says: ['4.1\u00A0GB', '3\u00A0GB'],
  },
]
