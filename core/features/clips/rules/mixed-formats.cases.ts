import { withClips } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'
import { fmt } from '../../../../testing/plans'

const [HD, SMALL] = [fmt('1080p59.94'), fmt('720p59.94')]

export const CASES: readonly Faulty[] = [
  {
    name: 'a clip of another raster among three',
    gives: ['O13'],
    plan: withClips({
      clips: {
        one: { title: 'One', order: 1, player: 'film', lengthS: 30, end: 'black', format: HD },
        two: { title: 'Two', order: 2, player: 'film', lengthS: 30, end: 'black', format: HD },
        odd: { title: 'Odd', order: 3, player: 'film', lengthS: 30, end: 'black', format: SMALL },
      },
    }),
    offers: ['Convert Odd to 1080p59.94'],
    says: ['In film there is Odd in 720p59.94, and the rest in 1080p59.94'],
  },
  {
    name: 'a clip at half the rate of the other, and a second player',
    gives: ['O13'],
    plan: withClips({
      devices: { spare: 'player-clips 1080p59.94' },
      links: { spare: 'spare.hdmi > main.in-4 hdmi-passive 2' },
      clips: {
        one: { title: 'One', order: 1, player: 'film', lengthS: 30, end: 'black', format: HD },
        odd: { title: 'Odd', order: 2, player: 'film', lengthS: 30, end: 'black', format: fmt('1080p29.97') },
      },
    }),
    offers: ['Convert Odd to 1080p59.94', 'Play Odd from spare'],
    says: ['In film there is Odd in 1080p29.97'],
  },
  {
    name: 'a transparent clip written in long groups',
    gives: ['O13'],
    plan: withClips({
      clips: { one: { title: 'One', order: 1, player: 'film', lengthS: 3, end: 'back', alpha: true, coding: 'long' } },
    }),
    offers: ['Write One as single pictures with transparency', 'Play One as a whole picture'],
    says: ['One is to carry how solid it is, and long groups of pictures cannot'],
  },
]
