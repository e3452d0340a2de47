import { type Model, MODELS } from '#core/catalog'
import { STAGE, type Faulty } from '../../../../testing/cases'
import type { Plan } from '#core/document'
import { fmt, plan } from '../../../../testing/plans'

/** A show of 90 minutes into a recorder with a limit that the row has not. */
function timed(model: string, traits: Partial<Model>): Plan {
  const written = plan({
    brief: { start: '20:00', end: '21:30' },
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, rec: model },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', p: 'main.out-1 > rec.in hdmi-passive 1' },
    wants: { rec: 'program' },
  })
  const { from: _, ...row } = MODELS.get(model)!
  return { ...written, models: { ...written.models, [model]: { ...row, ...traits } } }
}

/** 98 Wh x 0.8 / 5 W = 15.7 h. */
const PLATE = { plate: { title: 'Plate', order: 1, kind: 'pack', wh: 98, loads: { cam: true } } } as const

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera that switches itself off in the show',
    gives: ['E01'],
    plan: plan({
      brief: { start: '19:00', end: '21:30' },
      devices: {
        cam: { model: 'camera-action', ports: { hdmi: { format: fmt('1080p59.94'), clean: true, aspect: '16:9' } } },
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' },
      batteries: PLATE,
    }),
    offers: ['Switch off what ends cam by itself'],
    says: ['15 min', '150 min'],
  },
  {
    name: 'a camera that lasts the show, but not from the rehearsal on',
    gives: ['E01'],
    // 17:50 to 19:00 and ten minutes of show: 80 min.
    plan: plan({
      brief: { rehearsal: '17:50', doors: '18:30', start: '19:00', end: '19:10' },
      devices: {
        cam: { model: 'camera-action', ports: { hdmi: { format: fmt('1080p59.94'), clean: true, aspect: '16:9' } } },
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' },
      batteries: PLATE,
    }),
    offers: ['Switch off what ends cam by itself'],
    says: ['15 min', '80 min, from 17:50 to 19:10'],
  },
  {
    name: 'a recorder that stops by itself',
    gives: ['E01'],
    plan: timed('recorder-hdmi', { limits: [{ what: 'recording', minutes: 45, settable: true }] }),
    offers: ['Switch off what ends rec by itself'],
    says: ['rec stops recording', '45 min', '90 min', 'not recorded'],
  },
  {
    name: 'a recording in the camera that stops before midnight does',
    gives: ['E01'],
    plan: plan({
      brief: { start: '23:40', end: '00:20' },
      devices: {
        cam: {
          model: 'camera-mirrorless',
          mode: 'out-1080',
          limitsOff: true,
          ports: { hdmi: { format: fmt('1080p25'), clean: true } },
        },
        main: 'switcher-4-strict 1080p25',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' },
    }),
    offers: ['Set cam to: 1080 out at all rates'],
    says: ['stops recording', '29 min', '40 min'],
  },
]
