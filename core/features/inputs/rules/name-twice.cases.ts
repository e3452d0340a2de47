import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const links = {
  a: 'cam.hdmi > main.in-1 hdmi-passive 3',
  b: 'two.hdmi > main.in-2 hdmi-passive 3',
  ...SEEN,
}
const box = (name: string) => ({ model: 'camera-box-hdmi', name, ports: { hdmi: { format: fmt('1080p59.94') } } })
const strict = { model: 'switcher-4-strict', standard: fmt('1080p59.94') }

export const CASES: readonly Faulty[] = [
  {
    name: 'two cameras of one name',
    gives: ['C18'],
    plan: plan({ devices: { cam: box('Left'), two: box('left '), main: STAGE, proj: 'projector' }, links }),
    offers: ['Number those called Left'],
    says: ['2 devices are called Left'],
  },
  {
    name: 'two inputs of one label',
    gives: ['C18'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        main: { ...strict, ports: { 'in-1': { label: 'CAM' }, 'in-2': { label: 'CAM' } } },
        proj: 'projector',
      },
      links,
    }),
    offers: ['Number the inputs labelled CAM'],
    says: ['2 inputs of main', 'CAM'],
  },
  {
    name: 'two cameras under one number',
    gives: ['C18'],
    plan: plan({
      devices: { cam: { ...box('Left'), call: 7 }, two: { ...box('Right'), call: 7 }, main: STAGE, proj: 'projector' },
      links,
    }),
    offers: ['Let only Left be called 7'],
    says: ['Left and Right are called by one number, 7'],
  },
]
