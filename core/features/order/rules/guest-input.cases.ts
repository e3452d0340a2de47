import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const main = { model: 'switcher-4-strict', standard: fmt('1080p59.94') }
const SHOW = {
  devices: { pc: 'computer 1080p59.94', main },
  links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a guest for whom no input is kept',
    gives: ['R08'],
    plan: plan({ ...SHOW, segments: { talk: { title: 'Talk', order: 1, guest: 'Dr Wren' } } }),
    offers: ['Keep main input 2 for Dr Wren'],
    says: ['Dr Wren comes in Talk'],
  },
  {
    name: 'two guests and an input kept for one',
    gives: ['R08'],
    plan: plan({
      ...SHOW,
      devices: { ...SHOW.devices, main: { ...main, ports: { 'in-2': { reserved: 'Dr Wren' } } } },
      segments: {
        talk: { title: 'Talk', order: 1, guest: 'Dr Wren' },
        more: { title: 'Second talk', order: 2, guest: 'Ms Lark' },
      },
    }),
    offers: ['Keep main input 3 for Ms Lark'],
    says: ['Ms Lark comes in Second talk'],
  },
]
