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
]
