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
    // 60000/1001 - 25 = 34.94 frames are shown a second time.
    says: ['1080p25', '35 frames a second are shown twice'],
  },
  {
    name: '60 frames into a scaling switcher at 59.94',
    gives: ['F23'],
    plan: into('1080p60'),
    offers: ['Set cam to 1080p59.94'],
    // 60 - 60000/1001 = 60/1001 a second: one in 16.7 s.
    says: ['a frame is dropped every 16.7 s'],
  },
]
