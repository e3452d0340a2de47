import { type Faulty, STAGE } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const SHOW = {
  devices: { player: 'player-clips 1080p59.94', main: STAGE },
  links: { a: 'player.hdmi > main.in-1 hdmi-passive 2' },
  segments: { film: { title: 'Film', order: 1 } },
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a film that ends in black before its cue',
    gives: ['O19'],
    plan: plan({
      ...SHOW,
      clips: { film: { title: 'The film', order: 1, player: 'player', lengthS: 90, end: 'black' } },
      cues: { play: { segment: 'film', title: 'Play', order: 1, clip: 'film', lastsS: 120 } },
    }),
    offers: ['End Play after 1:30\u00A0min', 'Play The film again and again'],
    says: ['The film lasts 1:30\u00A0min', 'wanted for 2:00\u00A0min', 'after its end it is black'],
  },
  {
    name: 'a title that stands still before its cue is over',
    gives: ['O19'],
    plan: plan({
      ...SHOW,
      clips: { film: { title: 'Opening', order: 1, player: 'player', lengthS: 7.5, end: 'hold' } },
      cues: { play: { segment: 'film', title: 'Open', order: 1, clip: 'film', lastsS: 12 } },
    }),
    offers: ['End Open after 7.5\u00A0s'],
    says: ['Opening lasts 7.5\u00A0s', 'its last picture stands still'],
  },
]
