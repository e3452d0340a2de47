import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'three cameras and none of them safe',
    gives: ['R04'],
    plan: plan({
      devices: {
        a: 'camera-box-hdmi 1080p59.94',
        b: { model: 'camera-box-hdmi', shot: 'wide' },
        c: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-4-multiview 1080p59.94',
        scr: 'screen',
      },
      links: {
        a: 'a.hdmi > main.in-1 hdmi-passive 2',
        b: 'b.hdmi > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Make b the safe shot'],
    says: ['3 cameras'],
  },
  {
    name: 'four cameras and nobody safe',
    gives: ['R04'],
    plan: plan({
      devices: {
        a: { model: 'camera-box-hdmi', shot: 'close', manned: true },
        b: { model: 'camera-box-hdmi', shot: 'side' },
        c: { model: 'camera-box-hdmi', shot: 'floor' },
        d: { model: 'camera-box-hdmi', shot: 'wide', manned: true },
        main: 'switcher-4-multiview 1080p59.94',
        scr: 'screen',
      },
      links: {
        a: 'a.hdmi > main.in-1 hdmi-passive 2',
        b: 'b.hdmi > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
        d: 'd.hdmi > main.in-4 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Make d the safe shot'],
    says: ['4 cameras'],
  },
  {
    name: 'a safe shot that somebody moves',
    gives: ['R04'],
    plan: plan({
      devices: {
        a: { model: 'camera-box-hdmi', shot: 'safe', manned: true },
        b: { model: 'camera-box-hdmi', shot: 'close', manned: true },
        c: { model: 'camera-box-hdmi', shot: 'wide' },
        main: 'switcher-4-multiview 1080p59.94',
        scr: 'screen',
      },
      links: {
        a: 'a.hdmi > main.in-1 hdmi-passive 2',
        b: 'b.hdmi > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Leave a on its stand, unmanned', 'Make c the safe shot'],
    says: ['a is the safe shot and is manned'],
  },
  {
    name: 'a safe shot by radio alone',
    gives: ['R04'],
    plan: plan({
      devices: {
        a: { model: 'camera-box-hdmi', shot: 'safe' },
        b: { model: 'camera-box-hdmi', shot: 'close', manned: true },
        link: { model: 'radio-hdmi', air: { m: 30 } },
        main: 'switcher-4-strict 1080p59.94',
      },
      links: {
        a: 'a.hdmi > link.in hdmi-passive 1',
        r: 'link.out > main.in-1 hdmi-passive 1',
        b: 'b.hdmi > main.in-2 hdmi-passive 2',
      },
    }),
    offers: ['Wire a', 'Make b the safe shot, unmanned'],
    says: ['a is the safe shot and comes by radio alone'],
  },
]
