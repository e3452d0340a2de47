import { LEADS } from '#core/cable'
import { MODELS } from '#core/catalog'
import { type Device, type Plan, emptyPlan, openPlan } from '#core/document'
import type { VideoFormat } from '#core/signal'

const STANDARD: VideoFormat = { raster: '1920x1080', scan: 'p', rate: '50/1' }

const SOURCES = [
  'camera-studio-sdi',
  'camera-ptz',
  'camera-hand-hdmi',
  'laptop',
  'camera-studio-sdi',
  'computer',
  'camera-box-hdmi',
  'player-clips',
] as const
const SINKS = [
  ['screen', 'program'],
  ['projector', 'program'],
  ['recorder-hdmi', 'program'],
  ['screen', 'multiview'],
] as const

/** An unwired hall: sources at several places, switchers at one, screens at another, with all distances known. */
export function hall(sources: number, switchers: number): Plan {
  const models: Record<string, unknown> = {}
  const devices: Record<string, Device> = {}
  const take = (model: string) => {
    models[model] = { from: MODELS.get(model)!.from }
    return model
  }
  const rows =
    switchers === 1
      ? ['switcher-12-sdi']
      : ['switcher-20-mixed', 'switcher-8-mixed', 'switcher-20-mixed', 'switcher-12-sdi']
  for (let i = 0; i < switchers; i++)
    devices[`stage-${i + 1}`] = {
      model: take(rows[i % rows.length]!),
      name: `Switcher ${i + 1}`,
      order: i + 1,
      standard: STANDARD,
      place: 'desk',
    }
  const places = ['switcher left', 'switcher right', 'gallery', 'desk']
  for (let i = 0; i < sources; i++)
    devices[`source-${i + 1}`] = {
      model: take(SOURCES[i % SOURCES.length]!),
      name: `Source ${i + 1}`,
      order: i + 1,
      place: places[i % places.length]!,
      ...(i === 0 ? { shot: 'safe' as const } : {}),
    }
  SINKS.forEach(([model, feed], i) => {
    devices[`sink-${i + 1}`] = {
      model: take(model),
      name: `${feed} ${i + 1}`,
      order: i + 1,
      place: i < 2 ? 'front' : 'desk',
    }
  })
  const distances = {
    left: { between: ['desk', 'switcher left'], m: 24 },
    right: { between: ['desk', 'switcher right'], m: 38 },
    up: { between: ['desk', 'gallery'], m: 52 },
    front: { between: ['desk', 'front'], m: 31 },
  }
  const opened = openPlan({
    ...emptyPlan(`${sources} sources, ${switchers} switchers`),
    brief: { mains: '230v-50hz' },
    models,
    leads: Object.fromEntries(['hdmi-passive', 'coax-rg6'].map(id => [id, { from: LEADS.get(id)!.from }])),
    devices,
    distances,
    wants: Object.fromEntries(SINKS.map(([, feed], i) => [`want-${i + 1}`, { sink: `sink-${i + 1}`, feed }])),
  })
  if (!opened.ok) throw new Error(`${opened.problem.path}: ${opened.problem.found}`)
  return opened.value
}
