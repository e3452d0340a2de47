import type { Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const at = (model: string, place: string) => ({ model, place })

export const CASES: readonly Faulty[] = [
  {
    name: 'an HDMI radio link of which nobody says how far it goes',
    gives: ['C19'],
    plan: plan({
      devices: {
        cam: { ...at('camera-box-hdmi', 'Floor'), ports: { hdmi: { format: fmt('1080p59.94') } } },
        air: 'radio-hdmi',
        two: 'camera-box-hdmi 1080p59.94',
        main: { ...at('switcher-4-strict', 'Booth'), standard: fmt('1080p59.94') },
        seen: 'projector',
      },
      links: {
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > main.in-2 hdmi-passive 3',
        p: 'main.out-1 > seen.in hdmi-passive 2',
      },
      distances: { far: { between: ['Booth', 'Floor'], m: 12.5 } },
    }),
    offers: ['Take the 12.5 m between the places'],
    says: ['How far air', 'not judged'],
  },
  {
    name: 'a radio link between two places of which the distance is said',
    gives: ['C19'],
    plan: plan({
      devices: {
        cam: { ...at('camera-studio-sdi', 'Pitch'), ports: { sdi: { format: fmt('1080p50') } } },
        air: 'radio-sdi',
        two: 'camera-studio-sdi 1080p50',
        main: { ...at('switcher-12-sdi', 'Desk'), standard: fmt('1080p50') },
        seen: 'screen-sdi',
      },
      links: {
        a: 'cam.sdi > air.in coax-rg6 1',
        b: 'air.out > main.in-1 coax-rg6 1',
        c: 'two.sdi > main.in-2 coax-rg6 5',
        p: 'main.out-1 > seen.in coax-rg6 2',
      },
      distances: { far: { between: ['Pitch', 'Desk'], m: 60 } },
    }),
    offers: ['Take the 60 m between the places'],
    says: ['How far air'],
  },
  {
    name: 'two radio links in one band, of one of which nobody said the channel',
    gives: ['C19'],
    plan: plan({
      devices: {
        hall: 'projector',
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        pc: 'computer 1080p59.94',
        x: { model: 'radio-hdmi', air: { m: 20, channel: 1 } },
        y: { model: 'radio-hdmi', air: { m: 20 } },
        main: 'switcher-4-multiview 1080p59.94',
        op: 'screen',
        three: { model: 'camera-box-hdmi', shot: 'safe' },
      },
      links: {
        h: 'main.out-1 > hall.in hdmi-passive 3',
        a: 'cam.hdmi > x.in hdmi-passive 0',
        b: 'x.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > y.in hdmi-passive 0',
        d: 'y.out > main.in-2 hdmi-passive 1',
        e: 'pc.hdmi-1 > main.in-3 hdmi-passive 2',
        f: 'three.hdmi > main.in-4 hdmi-passive 2',
        o: 'main.out-3 > op.in hdmi-passive 2',
      },
      wants: { hall: 'program', op: 'multiview' },
    }),
    offers: ['Set y to channel 2', 'Set y to channel 3'],
    says: ['channel y sends', 'x works in the same band'],
  },
]
