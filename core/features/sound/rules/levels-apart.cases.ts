import { STAGE, MIXED, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const wants = { enc: { feed: 'program', sound: true } } as const

export const CASES: readonly Faulty[] = [
  {
    // +4 dBu into -10 dBV, which is -7.8 dBu: 11.8 dB too loud.
    name: 'a desk at studio level into the sound socket of a camera',
    gives: ['A13'],
    plan: plan({
      devices: {
        cam: { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } },
        desk: 'desk-house',
        box: 'unbalance-box',
        main: { model: STAGE.split(' ')[0]!, standard: fmt('1080p59.94'), ports: { 'in-1': { sound: 'fixed' } } },
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        d: 'desk.feed > box.in xlr-lead 5',
        m: 'box.out > cam.microphone mini-jack-lead 1',
        b: 'main.out-1 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Put in a line pad before cam'],
    says: ['+4\u00A0dBu', '\u22127.8\u00A0dBu', '11.8\u00A0dB too loud'],
  },
  {
    name: 'a music player balanced into a line input',
    gives: ['A13'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        music: 'player-music',
        box: 'balance-box',
        main: { model: MIXED.split(' ')[0]!, standard: fmt('1080p59.94'), ports: { 'sound-1': { soundDelayMs: 40 } } },
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        d: 'music.out > box.in mini-jack-lead 1',
        m: 'box.out > main.sound-1 xlr-jack-lead 3',
        b: 'main.out-4 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['A line amplifier in the place of box'],
    says: ['11.8\u00A0dB too quiet'],
  },
]
