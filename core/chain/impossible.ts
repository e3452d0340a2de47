import { type Model, makesInAnyMode, makesOf } from '#core/catalog'
import { type Device, type PortSetting, own } from '#core/document'
import { setsContain } from '#core/signal'

/** A setting that the model of a device does not have. */
export interface Impossible {
  /** Absent for what is set on the whole device. */
  readonly port?: string
  readonly field: 'standard' | keyof PortSetting
  /** The model has nothing of the kind to set: on the day it is as if nothing were said. */
  readonly idle: boolean
}

/** Those without which no picture can be counted on: what comes out, and in which form, is not what is set. */
const DARK: ReadonlySet<Impossible['field']> = new Set(['standard', 'format', 'feed', 'level', 'division'])

export const darkens = ({ field, idle }: Impossible): boolean => !idle && DARK.has(field)

const known = new WeakMap<Device, { readonly model: Model; readonly list: readonly Impossible[] }>()

/** All settings of a device that its model does not have, in its present mode. */
export function impossibleSettings({ device, model }: { device: Device; model: Model }): readonly Impossible[] {
  const found = known.get(device)
  if (found?.model === model) return found.list
  const list = [...ofDevice(device, model)]
  known.set(device, { model, list })
  return list
}

function* ofDevice(device: Device, model: Model): Generator<Impossible> {
  if (device.standard && !(model.standards && setsContain(model.standards, device.standard)))
    yield { field: 'standard', idle: !model.standards }
  for (const [port, setting] of Object.entries(device.ports ?? {}))
    for (const field of Object.keys(setting) as (keyof PortSetting)[])
      if (!has(model, device.mode, port, setting, field)) yield { port, field, idle: !hasAny(model, port, field) }
}

/** Whether there is anything of the kind to choose among at a port, in whatever mode. */
function hasAny(model: Model, portId: string, field: keyof PortSetting): boolean {
  const port = own(model.ports, portId)!
  if (field === 'format') return makesInAnyMode(model, portId).some(({ sets }) => sets.length > 0)
  const lists = {
    feed: port.feeds,
    level: port.levels,
    division: port.divisions,
    nominalDbu: port.nominalDbu,
    soundHz: port.soundHz,
  }
  return lists[field as keyof typeof lists] !== undefined
}

const includes = <T>(list: readonly T[] | undefined, value: T): boolean => list?.includes(value) ?? false

function has(
  model: Model,
  mode: string | undefined,
  portId: string,
  setting: PortSetting,
  field: keyof PortSetting,
): boolean {
  const port = own(model.ports, portId)!
  const [out, into] = [port.dir === 'out', port.dir === 'in' && model.role === 'switcher']
  switch (field) {
    case 'format':
      return out && setsContain(makesOf(model, portId, mode), setting.format!)
    case 'feed':
      return includes(port.feeds, setting.feed!)
    case 'level':
      return out && includes(port.levels, setting.level!)
    case 'division':
      return out && includes(port.divisions, setting.division!)
    case 'range':
      return includes(port.ranges, setting.range!)
    case 'receiver':
      return out && model.kind === 'radio'
    case 'transfer':
      return out && includes(port.transfers, setting.transfer!)
    case 'aspect':
      return out && includes(port.aspects, setting.aspect!)
    case 'clean':
      return out && port.readouts === 'switchable'
    case 'unprotected':
      return out && port.protection === 'switchable'
    case 'fit':
      // Bars that are wanted need nothing of the device.
      return (
        setting.fit === 'box' ||
        port.fits !== undefined ||
        (out && model.paths.some(({ format, to }) => format === 'port' && to.includes(portId)))
      )
    case 'minus':
      return out && port.minus === true
    case 'tiles':
      return out && includes(port.feeds, 'multiview')
    case 'phantom':
      return !out && port.phantom === 'switched'
    case 'nominalDbu':
      return includes(port.nominalDbu, setting.nominalDbu!)
    case 'spread':
      return into && (port.sound ?? 0) > 1
    case 'soundHz':
      return out && includes(port.soundHz, setting.soundHz!)
    case 'of':
      return (
        includes(port.feeds, 'input') ||
        model.paths.some(({ format, to }) => format === 'chosen' && to.includes(portId))
      )
    case 'sound':
    case 'soundDelayMs':
    case 'gainDb':
    case 'label':
    case 'reserved':
    case 'offAir':
      return into
  }
}
