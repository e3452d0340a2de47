import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const into = (format: string) =>
  plan({
    devices: { cam: `computer ${format}`, main: 'switcher-4-scaling 1080p59.94', proj: 'projector' },
    links: { a: 'cam.hdmi-1 > main.in-1 hdmi-passive 3', p: 'main.out-1 > proj.in hdmi-passive 1' },
    wants: { proj: 'program' },
  })

export const CASES: readonly Faulty[] = [
  {
    name: '25 frames into a scaling switcher at 59.94',
    gives: ['F23'],
    plan: into('1080p25'),
    offers: ['Set cam to 1080p59.94'],
    // Each is shown twice, and 60000/1001 - 2 x 25 = 9.94 of them once more.
    says: ['1080p25', '9.9 pictures a second are shown once more'],
  },
  {
    name: '60 frames into a scaling switcher at 59.94',
    gives: ['F23'],
    plan: into('1080p60'),
    offers: ['Set cam to 1080p59.94'],
    // 60 - 60000/1001 = 60/1001 a second: one in 16.7 s.
    says: ['a picture is left out every 16.7 s'],
  },
  {
    // Fields count: 2 x 25 of them into 60000/1001 are 9.94 uneven ones a second, as 50 pictures are.
    name: '25 interlaced frames into a scaling switcher at 59.94',
    gives: ['F23'],
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080i50', main: 'switcher-4-scaling 1080p59.94', proj: 'projector' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 3 adapter-hdmi-micro',
        p: 'main.out-1 > proj.in hdmi-passive 1',
      },
      wants: { proj: 'program' },
    }),
    offers: ['Set cam to 1080p59.94'],
    says: ['1080i50', '9.9 pictures a second'],
  },
]
