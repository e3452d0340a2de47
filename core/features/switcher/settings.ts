import { dbText, figure } from '#core/words'
import { type Port, makesInAnyMode, portsOf } from '#core/catalog'
import { type DeviceNode, carriedBy, inputsBefore, isSwitcher, outputFormat } from '#core/chain'
import { CODING_WORDS, EVERYWHERE, type PortSetting, own } from '#core/document'
import { SHOWN, mmText, needed } from '../lens/facts'
import { tilesOf } from './tiles'
import { DIVISION_TITLES, TRANSFER_TITLES, formatLabel } from '#core/signal'

const levelWords = (dbu: number): string => `${dbu > 0 ? '+' : '\u2212'}${Math.abs(dbu)}\u00A0dBu`

const OPENING_WORDS = { fixed: 'open', follows: 'follows the picture', shut: 'shut' } as const
const FIT_WORDS = {
  zoom: 'zoomed to fill',
  crop: 'cut to 16:9',
  stretch: 'stretched to 16:9',
  box: 'bars, on purpose',
} as const

/** All that is set at a port, and what can be set there and must not be left to chance. */
function portSettings(node: DeviceNode, portId: string, port: Port): [string, string][] {
  const { device, model } = node
  const set: PortSetting = own(device.ports, portId) ?? {}
  const out = port.dir === 'out'
  const format =
    out && makesInAnyMode(model, portId).some(({ sets }) => sets.length > 0) ? outputFormat(node, portId) : set.format
  // What a switch can be flipped to is told as it stands, also where nobody touched it.
  const among = <T extends string>(
    values: readonly T[] | undefined,
    value: T | undefined,
    words: (value: T) => string,
  ) => (value === undefined && (values?.length ?? 0) < 2 ? undefined : words((value ?? values![0])!))
  const matrix =
    out &&
    model.paths.find(
      path => path.to.includes(portId) && (path.format === 'chosen' || carriedBy(node, portId) === 'input'),
    )
  const shown = matrix ? (set.of ?? inputsBefore(node, matrix, portId)[0]) : set.of
  const rows: [string, string | undefined][] = [
    ['Format', format && formatLabel(format)],
    ['Carries', port.feeds && port.feeds.length > 1 ? (set.feed ?? port.feeds[0]) : set.feed],
    ['Shows', shown === undefined ? undefined : (own(model.ports, shown)?.title ?? shown)],
    ['Level', among(out ? port.levels : undefined, set.level, value => `level ${value}`)],
    ['Division', among(out ? port.divisions : undefined, set.division, value => DIVISION_TITLES[value])],
    ['Range', among(port.ranges, set.range, value => `${out ? 'sends' : 'reads'} ${value}`)],
    ['Transfer', among(out ? port.transfers : undefined, set.transfer, value => TRANSFER_TITLES[value])],
    ['Shape', among(out ? port.aspects : undefined, set.aspect, value => value)],
    ['Readouts', port.readouts === 'switchable' || set.clean ? (set.clean ? 'off' : 'shown') : undefined],
    ['Protection', port.protection === 'switchable' || set.unprotected ? (set.unprotected ? 'off' : 'on') : undefined],
    ['Fit', set.fit && FIT_WORDS[set.fit]],
    ['Label', set.label],
    [
      'Tiles',
      set.tiles &&
        tilesOf(node, set.tiles)
          .map(id => own(model.ports, id)?.number ?? id)
          .join(', '),
    ],
    ['Sound', set.sound && OPENING_WORDS[set.sound]],
    ['Sound held back', set.soundDelayMs ? `${set.soundDelayMs}\u00A0ms` : undefined],
    ['Gain', set.gainDb === undefined ? undefined : dbText(set.gainDb)],
    ['Phantom power', set.phantom || port.phantom === 'switched' ? (set.phantom ? 'on, 48\u00A0V' : 'off') : undefined],
    [
      'Line level',
      set.nominalDbu !== undefined || (port.nominalDbu?.length ?? 0) > 1
        ? levelWords(set.nominalDbu ?? port.nominalDbu![0]!)
        : undefined,
    ],
    ['Sides', set.spread && 'each channel to both sides'],
    [
      'Sampling of sound',
      set.soundHz !== undefined || (port.soundHz?.length ?? 0) > 1
        ? `${(set.soundHz ?? port.soundHz![0]!) / 1000}\u00A0kHz`
        : undefined,
    ],
    ['Sent without', set.minus && `the sound of ${own(model.ports, set.minus)?.title ?? set.minus}`],
    ['Off the air', set.offAir ? 'never taken to program' : undefined],
    ['Kept free', set.reserved],
  ]
  return rows.filter((row): row is [string, string] => row[1] !== undefined)
}

/** One thing that is set on a device, in words. */
export interface Setting {
  /** What is set: "Format". */
  readonly name: string
  readonly value: string
  /** The port that it belongs to; absent, the device. */
  readonly port?: string
  readonly dir?: Port['dir']
}

/** Everything on which the plan relies, as it is to be set on a device. */
export function settingsOf(node: DeviceNode): Setting[] {
  const { device, model, standard } = node
  const list: Setting[] = []
  if ((isSwitcher(node) || device.standard) && standard)
    list.push({ name: 'Operating standard', value: formatLabel(standard) })
  const mode =
    device.mode === undefined ? Object.values(model.modes ?? {})[0]?.title : own(model.modes ?? {}, device.mode)?.title
  if (mode !== undefined || device.mode !== undefined) list.push({ name: 'Mode', value: mode ?? device.mode! })
  if (device.shutter !== undefined) list.push({ name: 'Shutter', value: `1/${device.shutter}\u00A0s` })
  if (device.fed !== undefined)
    list.push({ name: 'Fed', value: device.fed === 'poe' ? 'over its network lead' : 'by a supply of its own' })
  if (device.dc !== undefined)
    list.push({
      name: 'Low-voltage supply',
      value: `${device.dc.volts}\u00A0V over ${device.dc.m}\u00A0m of ${device.dc.mm2}\u00A0mm\u00B2`,
    })
  const frame = needed(device, model)
  if (device.aim)
    list.push({
      name: 'Shot',
      value: `${SHOWN[device.aim.size]} from ${figure(device.aim.m)}\u00A0m${frame ? `: ${mmText(frame.needMm)}` : ''}`,
    })
  if (device.comesWith !== undefined)
    list.push({
      name: 'Comes with',
      value: `${device.comesWith}${device.visit === undefined ? '' : `, set up as number ${device.visit}, alone`}`,
    })
  if (device.address !== undefined) list.push({ name: 'Address', value: device.address })
  const listens = device.listens ?? (device.calledAt === undefined ? undefined : model.listens)
  if (listens !== undefined) list.push({ name: 'Listens at', value: listens })
  if (device.coding !== undefined) list.push({ name: 'Recording', value: CODING_WORDS[device.coding] })
  if (device.timecode !== undefined)
    list.push({ name: 'Timecode', value: device.timecode === 'drop' ? 'drop-frame' : 'non-drop' })
  if (device.tally !== undefined)
    list.push({ name: 'Lamp', value: device.tally === EVERYWHERE ? 'lit by the whole way' : `lit by ${device.tally}` })
  if (device.whiteK !== undefined) list.push({ name: 'White point', value: `${device.whiteK}\u00A0K` })
  if (device.aperture !== undefined) list.push({ name: 'Aperture', value: `f/${device.aperture}` })
  if (device.iso !== undefined) list.push({ name: 'Sensitivity', value: `ISO\u00A0${device.iso}` })
  if (model.limits?.some(({ settable }) => settable))
    list.push({ name: 'Switching off by itself', value: device.limitsOff ? 'off' : 'left on' })
  if (device.air?.channel !== undefined) list.push({ name: 'Channel', value: String(device.air.channel) })
  for (const [portId, port] of [...portsOf(model, 'in'), ...portsOf(model, 'out')])
    for (const [name, value] of portSettings(node, portId, port))
      list.push({ name, value, port: port.title, dir: port.dir })
  if (device.note) list.push({ name: 'Note', value: device.note })
  return list
}
