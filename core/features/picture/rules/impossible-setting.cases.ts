import type { Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const MAIN = 'switcher-4-strict 1080p59.94'
const SEEN = 'main.out-1 > proj.in hdmi-passive 1'

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera set to a format that it has not',
    gives: ['F22'],
    plan: plan({
      devices: {
        cam: { model: 'camera-box-hdmi', ports: { hdmi: { format: fmt('1080p50') } } },
        main: MAIN,
        proj: 'projector',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', p: SEEN },
      wants: { proj: 'program' },
    }),
    offers: ['to 1080p59.94'],
    says: ['cam', '1080p50', 'cannot send'],
  },
  {
    name: 'a switcher set to a standard that it has not',
    gives: ['F22'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 2160p59.94', proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', p: SEEN },
      wants: { proj: 'program' },
    }),
    offers: ['Set main to 1080p59.94'],
    says: ['main is set to work in 2160p59.94', 'cannot'],
  },
  {
    name: 'a feed on an output that cannot carry it',
    gives: ['F22'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: { model: 'switcher-4-strict', standard: fmt('1080p59.94'), ports: { 'out-1': { feed: 'multiview' } } },
        proj: 'projector',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', p: SEEN },
    }),
    offers: ['at program'],
    says: ['main output 1', 'multiview', 'cannot'],
  },
  {
    name: 'a fit where nothing can be fitted in',
    gives: ['F22'],
    plan: plan({
      devices: {
        cam: { model: 'camera-box-hdmi', ports: { hdmi: { format: fmt('1080p59.94'), fit: 'zoom' } } },
        main: MAIN,
        proj: 'projector',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', p: SEEN },
      wants: { proj: 'program' },
    }),
    offers: ['as the device has it'],
    says: ['way to fit a picture in', 'will not be so'],
  },
]
