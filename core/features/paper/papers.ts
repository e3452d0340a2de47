import type { Paper } from '#core/kernel'
import type { CableModel } from '#core/cable'
import { ROLES, carriesPicture, portsOf } from '#core/catalog'
import {
  type DeviceNode,
  type Traced,
  type Wire,
  gathers,
  isSwitcher,
  lengthOf,
  openingOf,
  placeOf,
  socketName,
} from '#core/chain'
import { CROSSES, KEPT_WORDS, own } from '#core/document'
import type { Checked } from '#core/propose'
import { formatLabel } from '#core/signal'
import { type Units, lengthText, listWords } from '#core/words'
import { keptFree } from '../keys/facts'

const SHOT_WORDS: Readonly<Record<string, string>> = { safe: 'wide, safe' }

/** The order in which cables are laid: by where their runs begin, then along the light. */
function inLayingOrder({ traced: { chain, runs } }: Checked): Wire[] {
  const byOrigin = [...runs].sort(
    (a, b) =>
      Number(a.beside !== undefined) - Number(b.beside !== undefined) ||
      place(a.origin && chain.nodes.get(a.origin.device)) - place(b.origin && chain.nodes.get(b.origin.device)) ||
      a.links.length - b.links.length ||
      (a.id < b.id ? -1 : 1),
  )
  const seen = new Set<string>()
  // Cables in a ring belong to no run; they come last.
  return [...byOrigin.flatMap(run => run.links.map(({ wire }) => wire)), ...chain.wires.values()].filter(
    ({ id }) => !seen.has(id) && seen.add(id),
  )
}

const place = (node: DeviceNode | undefined): number =>
  node ? ROLES.indexOf(node.model.role) * 1e6 + Math.min(9e5, node.device.order) : 9e6

export function cableSchedule(checked: Checked, units: Units): Paper {
  const { plan } = checked.traced
  const rows = inLayingOrder(checked).map((wire, i) => {
    const { link, from, to } = wire
    const cable = plan.leads[link.cable] as CableModel
    const { pieces, lengthM, noPiece } = lengthOf(cable, link)
    const number = String(i + 1).padStart(2, '0')
    const name = (socket: Wire['from']) => (socket ? socketName(socket) : 'loose')
    const adapters = (['from', 'to'] as const).flatMap(end => {
      const id = link.adapters?.[end]
      return id === undefined
        ? []
        : [`${plan.leads[id]!.title.split(',')[0]} at the ${end === 'from' ? 'source' : 'far'} end`]
    })
    return {
      number,
      from: name(from),
      to: name(to),
      type: cable.title,
      route: link.routeM === undefined ? (pieces ? '\u2013' : 'not measured') : lengthText(link.routeM, units),
      piece: pieces
        ? pieces.map(piece => lengthText(piece, units)).join(' + ')
        : noPiece
          ? `none that long (${lengthText(lengthM!, units)})`
          : 'not chosen',
      adapters: adapters.join('; '),
      near: `${number} to ${shortName(to)}`,
      far: `${number} from ${shortName(from)}`,
      note: [link.note ?? '', crossingOf(checked.traced, { from, to })].filter(Boolean).join('; '),
    }
  })
  return {
    id: 'cables',
    title: 'Cable schedule',
    about: 'One row a cable, in the order of laying; both ends carry the label.',
    columns: [
      { key: 'number', title: 'No.', figures: true },
      { key: 'from', title: 'From' },
      { key: 'to', title: 'To' },
      { key: 'type', title: 'Type' },
      { key: 'route', title: 'Route', figures: true },
      { key: 'piece', title: 'Piece', figures: true },
      { key: 'adapters', title: 'Adapters' },
      { key: 'near', title: 'Label, source end' },
      { key: 'far', title: 'Label, far end' },
      { key: 'note', title: 'Note' },
    ],
    rows,
  }
}

/** How a cable lies where its way crosses one that people walk. */
function crossingOf({ plan, chain }: Traced, { from, to }: Pick<Wire, 'from' | 'to'>): string {
  const ends = [from, to].map(end => end && placeOf(chain, end))
  const way = Object.values(plan.distances).find(
    ({ between: [a, b] }) => (a === ends[0] && b === ends[1]) || (a === ends[1] && b === ends[0]),
  )
  if (!way?.crosses) return ''
  return `crosses ${CROSSES[way.crosses]}: ${way.kept ? KEPT_WORDS[way.kept] : 'nothing is over it yet'}`
}

/** A switcher's input by its number and label, anything else by its name. */
function shortName(socket: Wire['from']): string {
  if (!socket) return 'nothing'
  const label = own(socket.node.device.ports, socket.portId)?.label
  return gathers(socket.node) && label
    ? `${socketName(socket)} ${label}`
    : gathers(socket.node)
      ? socketName(socket)
      : socket.node.device.name
}

export function inputList({ traced }: Checked): Paper {
  const { chain, runs } = traced
  const switchers = [...chain.nodes.values()].filter(gathers).sort((a, b) => place(a) - place(b))
  const free = keptFree(traced)
  const rows = switchers.flatMap(switcher =>
    portsOf(switcher.model, 'in').flatMap(([portId, port]) => {
      const entering = runs.filter(({ end }) => end?.device === switcher.id && end.port === portId)
      if (entering.length === 0)
        return !carriesPicture(port)
          ? []
          : [
              {
                switcher: switcher.device.name,
                input: inputName(switcher, portId),
                source: 'free',
                label: own(switcher.device.ports, portId)?.label ?? '',
                arrives: '',
                shot: '',
                person: '',
                sound: '',
              },
            ]
      return entering.map(run => {
        const source = run.origin && chain.nodes.get(run.origin.device)
        const signal = run.links.at(-1)!.signal
        const opening = isSwitcher(switcher) && port.sound ? openingOf({ node: switcher, portId, port }) : undefined
        return {
          switcher: switcher.device.name,
          input: inputName(switcher, portId),
          source: source?.device.name ?? 'nothing',
          label: own(switcher.device.ports, portId)?.label ?? '',
          arrives: run.beside
            ? run.lit
              ? run.beside
              : 'not plugged in'
            : run.lit && signal
              ? formatLabel(signal.format)
              : 'dark',
          shot: [
            source?.device.shot && (SHOT_WORDS[source.device.shot] ?? source.device.shot),
            free.has(source?.id ?? '') && `keeps ${listWords(free.get(source!.id)!)} free`,
          ]
            .filter(Boolean)
            .join('; '),
          person: source?.device.manned ? 'manned' : '',
          sound:
            opening === undefined
              ? ''
              : opening === 'fixed'
                ? 'open'
                : opening === 'follows'
                  ? 'follows the picture'
                  : 'shut',
        }
      })
    }),
  )
  return {
    id: 'inputs',
    title: 'Sources and inputs',
    about: 'What comes in where, with the long name for the multiview and the short one for the button.',
    columns: [
      { key: 'switcher', title: 'Switcher' },
      { key: 'input', title: 'Input', figures: true },
      { key: 'source', title: 'Long name' },
      { key: 'label', title: 'Label' },
      { key: 'arrives', title: 'Arrives', figures: true },
      { key: 'shot', title: 'Shot' },
      { key: 'person', title: 'Operator' },
      { key: 'sound', title: 'Sound' },
    ],
    rows,
  }
}

const inputName = ({ model }: DeviceNode, portId: string): string => {
  const port = model.ports[portId]!
  return port.number === undefined || !carriesPicture(port) ? port.title : String(port.number)
}

/** Papers as plain text for the clipboard: columns parted by tabs, one row a line. */
export function paperText({ columns, rows }: Paper): string {
  return [
    columns.map(({ title }) => title).join('\t'),
    ...rows.map(row => columns.map(({ key }) => row[key] ?? '').join('\t')),
  ].join('\n')
}

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })

/** The heading of every paper: where, when, and in which standard. */
export function paperHead({ traced: { plan, chain } }: Checked): string[] {
  const { place: where, date, rehearsal, doors, start, end } = plan.brief
  const standards = [
    ...new Set(
      [...chain.nodes.values()].filter(isSwitcher).map(({ standard }) => (standard ? formatLabel(standard) : '')),
    ),
  ].filter(Boolean)
  const times = [
    rehearsal && `rehearsal ${rehearsal}`,
    doors && `doors ${doors}`,
    start && end ? `live ${start} to ${end}` : start && `live from ${start}`,
  ].filter(text => text !== undefined && text !== '')
  return [
    [where, date && DAY.format(new Date(`${date}T00:00:00Z`))].filter(Boolean).join(', '),
    times.join(', '),
    standards.length ? `standard ${listWords(standards)}` : '',
  ].filter(Boolean)
}
