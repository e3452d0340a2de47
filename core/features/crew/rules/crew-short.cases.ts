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
  {
    // All three at once in the final alone; before it two at a time, whom the crew of two serves.
    name: 'a segment that uses more manned cameras than there is crew',
    gives: ['R06'],
    plan: plan({
      brief: { crew: 2 },
      devices: {
        a: { model: 'camera-box-hdmi', manned: true },
        b: { model: 'camera-box-hdmi', manned: true },
        wide: { model: 'camera-box-hdmi', shot: 'safe' },
        c: { model: 'camera-box-hdmi', manned: true },
        main: 'switcher-4-multiview 1080p59.94',
        hall: 'projector',
        op: 'screen',
      },
      links: {
        a: 'a.hdmi > main.in-1 hdmi-passive 2',
        b: 'b.hdmi > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
        w: 'wide.hdmi > main.in-4 hdmi-passive 2',
        h: 'main.out-1 > hall.in hdmi-passive 3',
        o: 'main.out-3 > op.in hdmi-passive 2',
      },
      wants: { hall: 'program', op: 'multiview' },
      segments: {
        one: { title: 'Round one', order: 1, sources: ['a', 'b'] },
        two: { title: 'Round two', order: 2, sources: ['b', 'c'] },
        last: { title: 'The final', order: 3 },
      },
    }),
    offers: ['Leave a unmanned', 'Leave b unmanned', 'Leave c unmanned'],
    says: ['In The final 3 cameras', 'crew is 2'],
  },
  {
    name: 'one person with switching, slides and stick',
    gives: ['R06'],
    plan: plan({
      devices: {
        ptz: 'camera-ptz-hdmi 1080p59.94',
        pc: 'computer 1080p59.94',
        joy: 'controller-joystick',
        main: STAGE,
      },
      links: {
        a: 'ptz.hdmi > main.in-1 hdmi-passive 2',
        b: 'pc.hdmi-1 > main.in-2 hdmi-passive 2',
        k: 'joy.network > ptz.control control-network 20',
      },
      people: {
        kim: { name: 'Kim', order: 1, hears: true },
        ola: { name: 'Ola', order: 2, hears: true },
      },
      segments: { talk: { title: 'Talk', order: 1, work: { kim: ['main', 'pc', 'joy'] } } },
    }),
    offers: ['Ola works joy'],
    says: ['In Talk Kim has the switching, the slides and the stick at once'],
  },
  {
    name: 'a feeder that nobody works',
    gives: ['R06'],
    plan: plan({
      devices: {
        a: 'camera-box-hdmi 1080p59.94',
        b: 'computer 1080p59.94',
        side: STAGE,
        main: STAGE,
        hall: 'projector',
        scr: 'screen',
      },
      links: {
        a: 'a.hdmi > side.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        l: 'side.out-1 > main.in-1 hdmi-passive 2',
        h: 'main.out-1 > hall.in hdmi-passive 3',
        o: 'side.out-2 > scr.in hdmi-passive 2',
      },
      wants: { hall: 'program', scr: { feed: 'program', of: 'side' } },
      people: { kim: { name: 'Kim', order: 1, hears: true } },
      segments: { talk: { title: 'Talk', order: 1, work: { kim: ['main'] } } },
    }),
    offers: ['Kim works side'],
    says: ['In Talk pictures come into side, and nobody works it'],
  },
]
