import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: '2160 asked of a recording of 1080',
    gives: ['F13'],
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25', rec: 'recorder-hdmi' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > rec.in hdmi-passive 1' },
      wants: { rec: { feed: 'program', asks: { raster: '3840x2160' } } },
    }),
    offers: ['Record 2160 lines in the cameras', 'Give up 2160 lines at rec'],
    says: ['3840x2160', '1920x1080'],
  },
  {
    name: '2160 asked of a screen behind a switcher of 1080',
    gives: ['F13'],
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25', scr: 'screen' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > scr.in hdmi-passive 1' },
      wants: { scr: { feed: 'program', asks: { raster: '3840x2160' } } },
    }),
    offers: ['Use Switcher for 2160 lines', 'Give up'],
    says: ['2160 lines'],
  },
  {
    name: '2160 asked of what a switcher for 1080 records inside',
    gives: ['F13'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-8-hdmi 1080p59.94', proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5', p: 'main.out-1 > proj.in hdmi-passive 1' },
      wants: { proj: 'program', main: { feed: 'program', asks: { raster: '3840x2160' }, silent: true } },
    }),
    offers: ['Give up 2160 lines at main'],
    says: ['main is asked for 2160 lines', 'gets 1080 lines'],
  },
]
