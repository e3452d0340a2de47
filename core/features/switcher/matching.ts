import { isCamera, portsOf } from '#core/catalog'
import { type DeviceNode, outputFormat } from '#core/chain'
import { own } from '#core/document'
import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { TRANSFER_TITLES, formatLabel } from '#core/signal'

const COLUMNS = [
  { key: 'white', title: 'White point' },
  { key: 'aperture', title: 'Aperture' },
  { key: 'shutter', title: 'Shutter' },
  { key: 'iso', title: 'Sensitivity' },
  { key: 'gamma', title: 'Transfer' },
  { key: 'range', title: 'Range' },
  { key: 'format', title: 'Format' },
] as const
type Matched = Record<(typeof COLUMNS)[number]['key'], string>

function matchedBy(node: DeviceNode): Matched {
  const { device, model } = node
  const [out] = portsOf(model, 'out')
  const set = out && own(device.ports, out[0])
  const format = out && outputFormat(node, out[0])
  return {
    white: device.whiteK === undefined ? '' : `${device.whiteK}\u00A0K`,
    aperture: device.aperture === undefined ? '' : `f/${device.aperture}`,
    shutter: device.shutter === undefined ? '' : `1/${device.shutter}\u00A0s`,
    iso: device.iso === undefined ? '' : String(device.iso),
    gamma: TRANSFER_TITLES[set?.transfer ?? out?.[1].transfers?.[0] ?? 'sdr'],
    range: set?.range ?? out?.[1].ranges?.[0] ?? 'narrow',
    format: format ? formatLabel(format) : '',
  }
}

/** What must be alike at all cameras so that a cut is no jump in colour or light; absent with fewer than two cameras. */
export function matchingSheet({ traced }: Checked): Paper | undefined {
  const cameras = [...traced.chain.nodes.values()]
    .filter(({ model }) => isCamera(model))
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
  if (cameras.length < 2) return undefined
  const rows = cameras.map(node => ({ name: node.device.name, ...matchedBy(node) }))
  const unlike = (key: keyof Matched): boolean => new Set(rows.map(row => row[key]).filter(Boolean)).size > 1
  return {
    id: 'matching',
    title: 'Matching the cameras',
    about:
      'What is set alike at all cameras, under the light of the show: aperture and sensitivity may differ where lenses do, white point, transfer and range may not. Values that differ are starred; empty ones are read there and written in.',
    columns: [
      { key: 'name', title: 'Camera' },
      ...COLUMNS.map(column => ({ ...column, figures: true as const })),
      { key: 'done', title: 'Done' },
    ],
    rows: rows.map(row => ({
      name: row.name,
      ...Object.fromEntries(
        COLUMNS.map(({ key }) => [key, row[key] === '' ? '____' : unlike(key) ? `${row[key]}\u00A0*` : row[key]]),
      ),
      done: '\u2610',
    })),
  }
}
