import type { Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

/** A camera in the hall and a screen beside it, at a desk on the other side of a way between both. */
const across = (way: object) =>
  plan({
    devices: {
      cam: { model: 'camera-box-hdmi', place: 'Hall', ports: { hdmi: { format: fmt('1080p59.94') } } },
      main: { model: 'switcher-4-strict', place: 'Desk', standard: fmt('1080p59.94') },
      scr: { model: 'screen', place: 'Hall' },
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-active', b: 'main.out-1 > scr.in hdmi-active' },
    distances: { way: { between: ['Desk', 'Hall'], m: 12, ...way } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'two cables over a way that people walk',
    gives: ['L07'],
    plan: across({ crosses: 'walkway' }),
    offers: ['Tape the cables down', 'Lay a ramp over the cables', 'Lead the cables overhead'],
    says: ['2 cables from Desk to Hall', 'trips'],
  },
  {
    name: 'cables under a ramp in an escape way',
    gives: ['L07'],
    plan: across({ crosses: 'escape', kept: 'ramp' }),
    offers: ['Lead the cables overhead from Desk to Hall'],
    says: ['escape way, under a ramp', 'clear'],
  },
]
