import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const devices = { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' }
const links = { a: 'cam.hdmi > main.in-1 hdmi-passive 3', ...SEEN }

export const CASES: readonly Faulty[] = [
  {
    name: 'a brief that gives 720p59.94 to a switcher in 1080p59.94',
    gives: ['F24'],
    plan: plan({ devices, links, brief: { standard: fmt('720p59.94') } }),
    offers: ['to 720p59.94', 'Give up 720p59.94 as the standard'],
    says: ['720p59.94', 'main works in 1080p59.94'],
  },
  {
    name: 'a brief that gives what no switcher here has',
    gives: ['F24'],
    plan: plan({ devices, links, brief: { standard: fmt('2160p29.97') } }),
    offers: ['Give up 2160p29.97 as the standard'],
    says: ['2160p29.97'],
  },
]
