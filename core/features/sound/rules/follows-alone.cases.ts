import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'the only microphone sits on a camera and follows it',
    gives: ['A05'],
    plan: plan({
      devices: {
        one: 'camera-hand-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        main: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { 'in-1': { sound: 'follows' } } },
        cap: 'capture-hdmi',
      },
      links: {
        a: 'one.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        b: 'two.hdmi > main.in-2 hdmi-passive 2',
        c: 'main.out-1 > cap.in hdmi-passive 1',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Keep the sound of main input 1 open', 'Add Radio microphone with receiver'],
    says: ['main input 1', 'the one other picture'],
  },
  {
    name: 'a computer that is heard, and two cameras that are not',
    gives: ['A05'],
    plan: plan({
      devices: {
        pc: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p59.94') } } },
        one: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        mic: 'microphone-radio',
        main: { model: 'switcher-4-multiview', standard: fmt('1080p59.94'), ports: { 'in-1': { sound: 'follows' } } },
        op: 'screen',
        cap: 'capture-hdmi',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'one.hdmi > main.in-2 hdmi-passive 2',
        c: 'two.hdmi > main.in-3 hdmi-passive 2',
        d: 'main.out-1 > cap.in hdmi-passive 1',
        e: 'main.out-3 > op.in hdmi-passive 2',
      },
      wants: { cap: { feed: 'program', sound: true } },
    }),
    offers: ['Connect mic to main Sound in'],
    says: ['main input 1', 'the 2 other pictures'],
  },
  {
    name: 'the one microphone rides on a camera, and a look shows another over the music',
    gives: ['A05'],
    plan: riding('camera-box-hdmi'),
    offers: ['Keep the sound of main input 1 open'],
    says: ['In Applause', 'talk', 'main input 1 follows its picture'],
  },
  {
    name: 'the same in two looks',
    gives: ['A05'],
    plan: riding('camera-box-hdmi', 'Applause', 'Crowd'),
    offers: ['Keep the sound of main input 1 open'],
    says: ['In Applause and Crowd'],
  },
]

/** A microphone in the socket of the first camera, music at a plug, and looks with the second camera on air. */
function riding(other: string, ...titles: string[]) {
  const looks = titles.length ? titles : ['Applause']
  return plan({
    devices: {
      one: { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } },
      two: `${other} 1080p59.94`,
      talk: 'microphone-radio',
      music: 'player-music',
      main: {
        model: 'switcher-4-strict',
        standard: fmt('1080p59.94'),
        ports: { 'in-1': { sound: 'follows' }, 'sound': { soundDelayMs: 40 } },
      },
      cap: 'capture-hdmi',
    },
    links: {
      a: 'one.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      b: 'two.hdmi > main.in-2 hdmi-passive 2',
      m: 'talk.out > one.microphone mini-jack-lead 1',
      n: 'music.out > main.sound mini-jack-lead 1',
      c: 'main.out-1 > cap.in hdmi-passive 1',
    },
    wants: { cap: { feed: 'program', sound: true } },
    segments: { talk: { title: 'Talk', order: 1, opens: 'opening' } },
    looks: {
      opening: { title: 'Speaker', order: 1, program: { main: 'in-1' } },
      ...Object.fromEntries(looks.map((title, i) => [`look-${i}`, { title, order: 2 + i, program: { main: 'in-2' } }])),
    },
    cues: Object.fromEntries(
      looks.map((title, i) => [`cue-${i}`, { segment: 'talk', title, order: 1 + i, look: `look-${i}` }]),
    ),
  })
}
