import { makesInAnyMode, makesOf } from '#core/catalog'
import {
  type DeviceNode,
  type Impossible,
  type Traced,
  darkens,
  endName,
  impossibleSettings,
  socketKey,
} from '#core/chain'
import { type PortSetting, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, freeSockets, rule } from '#core/propose'
import { RATE_TEXTS, type FormatSet, type VideoFormat, formatLabel, listFormats, setsContain } from '#core/signal'

/** How many of the nearest settings are offered. */
const NEAREST = 3

export const impossibleSetting = rule({
  code: 'F22',
  about: 'A device is set to what its model cannot do.',
  messages: {
    standard: { severity: 'D', says: '{at} is set to work in {value}, which it cannot: it has {has}.' },
    format: { severity: 'D', says: '{at} is set to {value}, which it cannot send{mode}: it has {has}.' },
    feed: { severity: 'D', says: '{at} is set to carry {value}, which it cannot: it has {has}.' },
    carriage: { severity: 'D', says: '{at} is set to {what} {value}, which it cannot: it has {has}.' },
    ignored: { severity: 'Q', says: '{at} has no {what} to set, and the plan sets it: on the day it will not be so.' },
  },
  find: (traced, say) =>
    [...traced.chain.nodes.values()].flatMap(node =>
      impossibleSettings(node).map(one => {
        const { port, field } = one
        const message = !darkens(one)
          ? 'ignored'
          : field === 'standard' || field === 'format' || field === 'feed'
            ? field
            : 'carriage'
        return say(
          message,
          { on: 'setting', device: node.id, ...(port === undefined ? {} : { port }), field },
          {
            at: text(port === undefined ? node.device.name : endName(traced, { device: node.id, port })),
            value: text(valueWords(node, one)),
            what: text(FIELD_WORDS[field] ?? field),
            has: text(hasWords(node, one)),
            mode: text(modeWords(node, one)),
          },
          laneOf(traced, node.id, port),
        )
      }),
    ),
  remedies: (traced, { at }) => {
    if (at.on !== 'setting') return []
    const node = traced.chain.nodes.get(at.device)!
    const one = impossibleSettings(node).find(({ port, field }) => port === at.port && field === at.field)
    return one ? settingsFor(traced, node, one) : []
  },
})

const FIELD_WORDS: Readonly<Partial<Record<Impossible['field'], string>>> = {
  standard: 'operating standard',
  feed: 'choice of feeds',
  division: 'division among links',
  level: '3G level',
  transfer: 'transfer curve',
  aspect: 'shape of picture',
  clean: 'output without readouts',
  unprotected: 'way to switch protection off',
  fit: 'way to fit a picture in',
  of: 'input to choose',
  soundDelayMs: 'delay for its sound',
  gainDb: 'gain for its sound',
  tiles: 'order of tiles',
  phantom: 'phantom power',
  nominalDbu: 'line level',
  spread: 'way to bring a channel to both sides',
  soundHz: 'sampling of sound',
  offAir: 'way to be kept off the air',
  reserved: 'place to be kept',
}

const settingOf = ({ device }: DeviceNode, { port, field }: Impossible): unknown =>
  port === undefined ? device.standard : own(device.ports, port)?.[field as keyof PortSetting]

function valueWords(node: DeviceNode, one: Impossible): string {
  const value = settingOf(node, one)
  return one.field === 'standard' || one.field === 'format' ? formatLabel(value as VideoFormat) : String(value)
}

/** What the model has in its place. */
function choicesOf({ device, model }: DeviceNode, { port: id, field }: Impossible): readonly string[] {
  if (field === 'standard') return listFormats(model.standards ?? []).map(formatLabel)
  const port = own(model.ports, id)
  if (!port || id === undefined) return []
  if (field === 'format') return listFormats(makesOf(model, id, device.mode)).map(formatLabel)
  if (field === 'nominalDbu') return (port.nominalDbu ?? []).map(String)
  if (field === 'soundHz') return (port.soundHz ?? []).map(String)
  const list = { feed: port.feeds, level: port.levels, division: port.divisions, range: port.ranges }
  return list[field as keyof typeof list] ?? []
}

function hasWords(node: DeviceNode, one: Impossible): string {
  const choices = choicesOf(node, one)
  if (choices.length === 0) return 'no such setting'
  return choices.length > 8 ? `${choices.slice(0, 7).join(', ')} and ${choices.length - 7} more` : choices.join(', ')
}

function modeWords({ device, model }: DeviceNode, { field }: Impossible): string {
  const mode = field === 'format' && model.modes ? (device.mode ?? Object.keys(model.modes)[0]!) : undefined
  return mode === undefined ? '' : ` while it is in ${model.modes![mode]!.title}`
}

/** The first run that the port, or the device, has part in. */
function laneOf({ runs, chain }: Traced, device: string, port: string | undefined): string | undefined {
  const wires = new Set(
    [...chain.wires.values()]
      .filter(({ from, to }) =>
        [from, to].some(end => end?.node.id === device && (port === undefined || end.portId === port)),
      )
      .map(({ id }) => id),
  )
  return runs.find(({ links }) => links.some(({ wire }) => wires.has(wire.id)))?.id
}

const far = (a: VideoFormat, b: VideoFormat): number =>
  (a.raster === b.raster ? 0 : 100) +
  (a.scan === b.scan ? 0 : 50) +
  Math.abs(RATE_TEXTS.indexOf(a.rate) - RATE_TEXTS.indexOf(b.rate))

const nearest = (sets: readonly FormatSet[], wanted: VideoFormat): VideoFormat[] =>
  listFormats(sets)
    .sort((a, b) => far(a, wanted) - far(b, wanted))
    .slice(0, NEAREST)

function settingsFor(traced: Traced, node: DeviceNode, one: Impossible): Proposal[] {
  const { device, model, id } = node
  const { port, field } = one
  const propose = (title: string, make: (draft: Draft) => void): Proposal => {
    const draft = new Draft(traced.plan)
    make(draft)
    return { title: title.slice(0, 120), edits: draft.edits }
  }
  if (field === 'standard') {
    const set = nearest(model.standards ?? [], device.standard!).map(format =>
      propose(`Set ${device.name} to ${formatLabel(format)}`, draft => draft.set(['devices', id, 'standard'], format)),
    )
    return set.length
      ? set
      : [propose(`Leave the standard of ${device.name} out`, draft => draft.set(['devices', id, 'standard']))]
  }
  if (port === undefined) return []
  const at = endName(traced, { device: id, port })
  const without = propose(`Leave ${FIELD_WORDS[field] ?? field} of ${at} as the device has it`, draft =>
    draft.set(['devices', id, 'ports', port, field]),
  )
  if (field === 'format') {
    const wanted = own(device.ports, port)!.format!
    const modes = makesInAnyMode(model, port).filter(
      ({ mode, sets }) => mode !== undefined && setsContain(sets, wanted),
    )
    return [
      ...modes.map(({ mode }) =>
        propose(`Put ${device.name} into ${model.modes![mode!]!.title}`, draft =>
          draft.set(['devices', id, 'mode'], mode),
        ),
      ),
      ...nearest(makesOf(model, port, device.mode), wanted).map(format =>
        propose(`Set ${at} to ${formatLabel(format)}`, draft =>
          draft.set(['devices', id, 'ports', port, 'format'], format),
        ),
      ),
      without,
    ]
  }
  if (field === 'feed') return [...otherOutputs(traced, node, port), ...feedsOf(traced, node, port), without]
  const values = choicesOf(node, one)
  return [
    ...values
      .slice(0, NEAREST)
      .map(value =>
        propose(`Set ${at} to ${value}`, draft => draft.set(['devices', id, 'ports', port, field], value as never)),
      ),
    without,
  ]
}

/** Free outputs of the switcher that have the feed which is wanted at this one. */
function otherOutputs(traced: Traced, node: DeviceNode, port: string): Proposal[] {
  const feed = own(node.device.ports, port)!.feed!
  const [wire] = traced.chain.leaving.get(socketKey(node.id, port)) ?? []
  if (!wire) return []
  return freeSockets(traced, node, 'out')
    .filter(socket => socket.port?.feeds?.includes(feed) && socket.port.connector === wire.from!.port?.connector)
    .slice(0, NEAREST)
    .map(({ portId }) => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', node.id, 'ports', port, 'feed'])
      draft.set(['devices', node.id, 'ports', portId, 'feed'], feed)
      draft.move(wire.id, 'from', { device: node.id, port: portId }, wire.link.adapters?.from)
      return { title: `Take ${feed} from ${endName(traced, { device: node.id, port: portId })}`, edits: draft.edits }
    })
}

function feedsOf(traced: Traced, { id, model }: DeviceNode, port: string): Proposal[] {
  return (own(model.ports, port)?.feeds ?? []).map(feed => {
    const draft = new Draft(traced.plan)
    draft.set(['devices', id, 'ports', port, 'feed'], feed)
    return { title: `Point ${endName(traced, { device: id, port })} at ${feed}`, edits: draft.edits }
  })
}
