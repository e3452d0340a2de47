import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const ptz = (fed?: 'poe') => ({
  model: 'camera-ptz-hdmi',
  ports: { hdmi: { format: fmt('1080p59.94') } },
  ...(fed ? { fed } : {}),
})

/** Cameras on a control switch, each by its lead; class 4 books 30 W at the switch. */
const fed = (count: number, hub: 'switch-control' | 'switch-control-poe', said?: 'poe') => {
  const ids = ['a', 'b', 'c', 'd', 'e', 'f'].slice(0, count)
  return plan({
    devices: {
      ...Object.fromEntries(ids.map(id => [id, { ...ptz(said), ...(id === 'a' ? { shot: 'safe' as const } : {}) }])),
      ctl: 'computer-control',
      hub,
      main: 'switcher-8-hdmi 1080p59.94',
      scr: 'screen',
      op: 'screen',
    },
    links: {
      u: 'ctl.network > hub.in control-network 2',
      ...Object.fromEntries(
        ids.flatMap((id, i) => [
          [`${id}1`, `${id}.hdmi > main.in-${i + 1} hdmi-passive 2`],
          [`${id}2`, `hub.out-${i + 2} > ${id}.control control-network 20`],
        ]),
      ),
      s: 'main.out-1 > scr.in hdmi-passive 2',
      o: 'main.out-3 > op.in hdmi-passive 2',
    },
    wants: { scr: 'program', op: 'multiview' },
  })
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera that is to be fed by a switch that feeds nothing',
    gives: ['P02'],
    plan: fed(1, 'switch-control', 'poe'),
    offers: ['Feed a by a supply of its own'],
    says: ['a is to be fed over its network lead'],
  },
  {
    name: 'a camera of class 5 on a socket of class 4',
    gives: ['P02'],
    plan: plan({
      devices: {
        cam: { model: 'camera-ptz-2160', fed: 'poe', ports: { sdi: { format: fmt('1080p50') } } },
        ctl: 'computer-control',
        hub: 'switch-control-poe',
        main: 'switcher-8-mixed 1080p50',
        scr: 'screen-sdi',
      },
      links: {
        u: 'ctl.network > hub.in control-network 2',
        c: 'hub.out-2 > cam.control control-network 20',
        a: 'cam.sdi > main.in-5 coax-rg6 5',
        s: 'main.out-1 > scr.in coax-rg6 5',
      },
      wants: { scr: 'program' },
    }),
    offers: ['Put in an injector before cam', 'Feed cam by a supply of its own'],
    says: ['asks for class 5', '26\u00A0W', 'gives class 4', '25.5\u00A0W'],
  },
  {
    // 5 x 30 W by class against 120.
    name: 'five cameras on a switch that has 120 W',
    gives: ['P03'],
    plan: fed(5, 'switch-control-poe'),
    offers: ['Put in an injector before', 'by a supply of its own'],
    says: ['5 devices', '150\u00A0W', 'booked by class', '120\u00A0W'],
  },
  {
    name: 'six cameras on it',
    gives: ['P03'],
    plan: fed(6, 'switch-control-poe', 'poe'),
    offers: ['by a supply of its own'],
    says: ['6 devices', '180\u00A0W'],
  },
]
