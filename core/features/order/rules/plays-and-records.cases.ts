import { type Faulty, STAGE } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const show = (player: boolean) =>
  plan({
    devices: {
      pc: 'computer 1080p59.94',
      ...(player ? { box: 'player-clips 1080p59.94' } : {}),
      main: STAGE,
      rec: 'recorder-hdmi',
    },
    links: {
      a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
      ...(player ? { b: 'box.hdmi > main.in-2 hdmi-passive 2' } : {}),
      r: 'main.out-1 > rec.in hdmi-passive 2',
    },
    wants: { rec: { feed: 'program', silent: true } },
    segments: { film: { title: 'Film', order: 1 } },
    clips: { film: { title: 'The film', order: 1, player: 'rec', lengthS: 90, end: 'black' } },
    cues: { play: { segment: 'film', title: 'Play', order: 1, clip: 'film' } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a recorder and player in one, which is to do both at once',
    gives: ['O12'],
    plan: plan({
      devices: {
        pc: 'computer 1080p50',
        both: { model: 'recorder-player', ports: { play: { format: fmt('1080p50') } } },
        main: 'switcher-8-hdmi 1080p50',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'both.play > main.in-2 hdmi-passive 2',
        r: 'main.out-1 > both.in-3 hdmi-passive 2',
      },
      wants: { both: { feed: 'program', silent: true } },
      segments: { film: { title: 'Film', order: 1 } },
      clips: { film: { title: 'The film', order: 1, player: 'both', lengthS: 90, end: 'black' } },
      cues: { play: { segment: 'film', title: 'Play', order: 1, clip: 'film' } },
    }),
    offers: ['Give up The film'],
    says: ['both is to record the show and to play The film'],
  },
  {
    name: 'the recorder of the show that is to play its film',
    gives: ['O12'],
    plan: show(true),
    offers: ['Play The film from box', 'Give up The film'],
    says: ['rec is to record the show and to play The film'],
  },
  {
    name: 'a recorder that plays and records, and no other player',
    gives: ['O12'],
    plan: show(false),
    offers: ['Give up The film'],
    says: ['rec is to record the show'],
  },
]
