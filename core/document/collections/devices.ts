import { CARRIED, type Carried, SOUND_HZ, type Model } from '#core/catalog'
import { collection, listOf, mapOf, number, object, oneOf, ref, said, whole } from '#core/kernel'
import {
  ASPECTS,
  DIVISIONS,
  LEVELS,
  RANGES,
  TRANSFERS,
  type Aspect,
  type Division,
  type Level,
  type Range,
  type Transfer,
  type VideoFormat,
} from '#core/signal'
import { CODINGS, type RecordCoding } from '../../features/media/collection'
import { ADDRESS, LISTENS, parseAddress } from '../address'
import { formatMisfit } from '../formats'
import { idsOf, misfit, own, show } from '../problem'

/** How timecode counts frames at 29.97 and 59.94 a second: with numbers dropped to keep to the clock, or all of them. */
export const COUNTS = ['drop', 'non-drop'] as const

/** What a computer does beside what its leads say. */
export const TASKS = ['encode', 'record', 'call', 'slides', 'chat'] as const
export type Task = (typeof TASKS)[number]

/** What a camera shows. `safe` is the wide static picture that is always good to cut to. */
export const SHOTS = ['safe', 'wide', 'close', 'side', 'floor', 'detail', 'audience', 'overhead', 'roaming'] as const
export type Shot = (typeof SHOTS)[number]

/** How much of somebody a shot shows, from far to near. */
export const SHOT_SIZES = ['wide', 'full', 'knees', 'waist', 'chest', 'head'] as const
export type ShotSize = (typeof SHOT_SIZES)[number]

/** What a lamp follows that is lit only while every switcher on the way has its source on air; no device has this name. */
export const EVERYWHERE = 'everywhere'

/** Over the network lead (IEEE 802.3), or by a supply of its own. */
export const FED_BY = ['poe', 'supply'] as const

export interface Device {
  readonly model: string
  readonly name: string
  /** Place among the devices of its role, ascending; ties go by id. */
  readonly order: number
  /** Where it stands, by name: everything at one place may be lost together. */
  readonly place?: string
  /** The device that houses this one (a card in a computer). */
  readonly in?: string
  readonly mode?: string
  /** Switchers: the operating standard. */
  readonly standard?: VideoFormat
  readonly ports?: Readonly<Record<string, PortSetting>>
  /** Cameras: what it shows, whether somebody stands at it, and its exposure as the n of 1/n s. */
  readonly shot?: Shot
  readonly manned?: true
  /** Cameras: how far away whom it shows stands, m, how much of them, and the width of its area, mm, where its mode crops it. */
  readonly aim?: { readonly m: number; readonly size: ShotSize; readonly sensorMm?: number }
  /** Screens of a hall: how high their picture is, and how far away those sit who are farthest, m. */
  readonly viewed?: { readonly heightM: number; readonly lastM: number }
  /** By what it is fed, where there is a choice: over its network lead, or by a supply of its own. */
  readonly fed?: (typeof FED_BY)[number]
  /** Computers: what each does beside what its leads say. */
  readonly does?: Readonly<Partial<Record<Task, true>>>
  /** Its low-voltage supply, V, and the lead from there: length, m, and cross-section of one wire, mm². */
  readonly dc?: { readonly volts: number; readonly m: number; readonly mm2: number }
  /** It stands in a case or cupboard where no air moves. */
  readonly boxed?: true
  /** Recorders: how pictures are written; absent, long groups of pictures. */
  readonly coding?: RecordCoding
  /** What records at 29.97 or 59.94: how its timecode counts; absent, nobody said. */
  readonly timecode?: (typeof COUNTS)[number]
  /** Cameras: no lips are seen in what it shows, so that its picture is not held against the sound. */
  readonly noLips?: true
  /** Sources with a lamp: the switcher whose program lights it, or `everywhere`; absent, it has none. It may be gone. */
  readonly tally?: string
  readonly shutter?: number
  /** Cameras: the white point that is set, kelvin; the aperture as the n of f/n; and the sensitivity, ISO. */
  readonly whiteK?: number
  readonly aperture?: number
  readonly iso?: number
  /** Radio links: how far the picture goes through the air, and what stands in its way. */
  readonly air?: Air
  /** What would end its work by itself, and can be switched off, is off. */
  readonly limitsOff?: true
  /** Sources: the number that they are called by over the whole chain, which is the key that is pressed. */
  readonly call?: number
  /** Letters for keys that have no room for the name. */
  readonly short?: string
  /** Its fixed network address, IPv4 with the length of the prefix; absent, nobody said. */
  readonly address?: string
  /** The network gives it an address by itself; with one said it is the one that is kept for it. */
  readonly leased?: true
  /** The number by which a controller calls it, 1 .. 99. */
  readonly controllerNumber?: number
  /** Where it listens, in place of what its model typically does, and where its controller calls it: `udp:` or `tcp:` and a port. */
  readonly listens?: string
  readonly calledAt?: string
  /** It comes with this address, which is still to be changed, and whose turn that is: one after the other, from 1. */
  readonly comesWith?: string
  readonly visit?: number
  readonly note?: string
}

/** Sound of a switcher's input: shut, always open, or open while its picture is on air. */
export const OPENINGS = ['shut', 'fixed', 'follows'] as const
export type Opening = (typeof OPENINGS)[number]

export interface PortSetting {
  /** Outputs: the format it is set to. */
  readonly format?: VideoFormat
  /** Outputs of a switcher: what it is pointed at. */
  readonly feed?: Carried
  /** Outputs of a matrix, and those of a switcher that are pointed at one input: which is shown; absent, that of the same number. */
  readonly of?: string
  /** Inputs of a switcher: the short name on button and tile. */
  readonly label?: string
  /** Outputs of a switcher that carry its multiview: buses and inputs in the order of their tiles; the rest follows. */
  readonly tiles?: readonly string[]
  /** Inputs of a switcher: absent, sound plugs are open and the sound beside a picture is shut. */
  readonly sound?: Opening
  /** Inputs of a switcher: what the sound is held back by, milliseconds. */
  readonly soundDelayMs?: number
  /** Inputs of a switcher: how far the sound is turned up or down, dB; absent, as it comes. */
  readonly gainDb?: number
  /** Outputs of a mixing device: the input whose sound is left out there, so that a guest does not hear themselves. */
  readonly minus?: string
  /** Sound inputs: 48 V are on. */
  readonly phantom?: true
  /** Sound plugs: the line level that is set, dBu. */
  readonly nominalDbu?: number
  /** Inputs of a mixing device: each channel is brought to both sides. */
  readonly spread?: true
  /** Outputs: samples a second of the sound beside the picture. */
  readonly soundHz?: (typeof SOUND_HZ)[number]
  /** SDI at 3G. */
  readonly level?: Level
  readonly division?: Division
  /** Outputs: sent without content protection, where the device lets its owner set that. */
  readonly unprotected?: true
  readonly range?: Range
  readonly transfer?: Transfer
  /** Outputs: menus and readouts are off. */
  readonly clean?: true
  readonly aspect?: Aspect
  /** Outputs of a radio link: the receiver that has this socket, a device of its own at another place; it may be gone. */
  readonly receiver?: string
  /** How a picture of another shape or size is brought into the frame. */
  readonly fit?: Fit
  /** Inputs of a switcher: kept for somebody who comes later; it counts as spare, and nothing else is led there. */
  readonly reserved?: string
  /** Inputs of a switcher: never taken to program, so that a loop through it stays open. */
  readonly offAir?: true
}

/** Enlarged until it fills the frame; cut to it; stretched; or left with bars that are wanted. */
export const FITS = ['zoom', 'crop', 'stretch', 'box'] as const
export type Fit = (typeof FITS)[number]

/** The way of a picture through the air. */
export interface Air {
  readonly m: number
  /** People stand between the aerials. */
  readonly crowd?: true
  /** A wall or a set piece does: no line of sight. */
  readonly wall?: true
  /** 1, 2 ... of the channels that the link has. */
  readonly channel?: number
}

const portSetting = object(
  [],
  {
    format: ref('format'),
    feed: oneOf(CARRIED),
    of: ref('slug'),
    label: { type: 'string', pattern: '^[^\\u0000-\\u001f\\u007f]{1,24}$' },
    sound: oneOf(OPENINGS),
    soundDelayMs: number(0, 2000),
    gainDb: number(-80, 30),
    minus: ref('slug'),
    tiles: listOf(ref('slug'), 102, 1),
    phantom: said,
    nominalDbu: number(-60, 30),
    spread: said,
    soundHz: oneOf(SOUND_HZ),
    level: oneOf(LEVELS),
    division: oneOf(DIVISIONS),
    unprotected: said,
    range: oneOf(RANGES),
    transfer: oneOf(TRANSFERS),
    clean: said,
    aspect: oneOf(ASPECTS),
    receiver: ref('slug'),
    fit: oneOf(FITS),
    offAir: said,
    reserved: ref('title'),
  },
  { minProperties: 1 },
)

export const devices = collection<Device, { readonly models: Readonly<Record<string, Model>> }>({
  name: 'devices',
  entry: 'device',
  about: 'Everything that makes, takes, changes or mixes pictures and sound, or controls what does.',
  most: 5000,
  schema: object(['model', 'name', 'order'], {
    model: ref('slug'),
    name: ref('title'),
    order: number(-1e9, 1e9),
    place: ref('title'),
    in: ref('slug'),
    mode: ref('slug'),
    standard: ref('format'),
    shot: oneOf(SHOTS),
    manned: said,
    viewed: object(['heightM', 'lastM'], { heightM: number(0.1, 100), lastM: number(0.5, 500) }),
    aim: object(['m', 'size'], { m: number(0.1, 1000), size: oneOf(SHOT_SIZES), sensorMm: number(1, 100) }),
    fed: oneOf(FED_BY),
    coding: oneOf(CODINGS),
    noLips: said,
    tally: ref('slug'),
    boxed: said,
    dc: object(['volts', 'm', 'mm2'], { volts: number(1, 400), m: number(0, 500), mm2: number(0.05, 50) }),
    timecode: oneOf(COUNTS),
    does: object([], Object.fromEntries(TASKS.map(task => [task, said])), { minProperties: 1 }),
    shutter: whole(1, 20_000),
    whiteK: whole(1500, 20_000),
    aperture: number(0.7, 64),
    iso: whole(25, 500_000),
    air: object(['m'], { m: number(0, 20_000), crowd: said, wall: said, channel: whole(1, 200) }),
    limitsOff: said,
    call: whole(1, 99),
    short: { type: 'string', pattern: '^[^\\u0000-\\u001f\\u007f]{1,8}$' },
    address: { type: 'string', pattern: ADDRESS },
    leased: said,
    controllerNumber: whole(1, 99),
    listens: { type: 'string', pattern: LISTENS },
    calledAt: { type: 'string', pattern: LISTENS },
    comesWith: { type: 'string', pattern: ADDRESS },
    visit: whole(1, 99),
    note: ref('note'),
    ports: { ...mapOf(portSetting, 200), minProperties: 1 },
  }),
  misfit: (devices, base, { models }) => {
    const received = new Map<string, string>()
    for (const [id, device] of Object.entries(devices)) {
      const at = `${base}/${id}`
      if (id === EVERYWHERE)
        return misfit(at, `key ${show(id)}`, `any id but ${show(EVERYWHERE)}, which says what a lamp follows`)
      for (const field of ['address', 'comesWith'] as const) {
        const address = device[field]
        if (address !== undefined && !parseAddress(address))
          return misfit(
            `${at}/${field}`,
            show(address),
            'four figures up to 255 and a prefix from /8 to /30, like 192.168.10.21/24',
          )
      }
      const model = own(models, device.model)
      if (!model) return misfit(`${at}/model`, show(device.model), `a key of models: ${idsOf(models)}`)
      if (device.mode !== undefined && !own(model.modes, device.mode))
        return misfit(`${at}/mode`, show(device.mode), `a mode of ${device.model}: ${idsOf(model.modes ?? {})}`)
      const bad = device.standard && formatMisfit(device.standard, `${at}/standard`)
      if (bad) return bad
      for (const [portId, setting] of Object.entries(device.ports ?? {})) {
        if (!own(model.ports, portId))
          return misfit(
            `${at}/ports/${portId}`,
            `port ${show(portId)}`,
            `a port of ${device.model}: ${idsOf(model.ports)}`,
          )
        if (
          setting.of !== undefined &&
          !model.paths.some(
            path =>
              (path.format === 'chosen' || model.ports[portId]?.feeds?.includes('input')) &&
              path.to.includes(portId) &&
              path.from.includes(setting.of!),
          )
        )
          return misfit(`${at}/ports/${portId}/of`, show(setting.of), 'an input that this output can show')
        if (setting.minus !== undefined && own(model.ports, setting.minus)?.dir !== 'in')
          return misfit(
            `${at}/ports/${portId}/minus`,
            show(setting.minus),
            `an input of ${device.model}: ${idsOf(Object.fromEntries(Object.entries(model.ports).filter(([, port]) => port.dir === 'in')))}`,
          )
        if (setting.receiver !== undefined) {
          const path = `${at}/ports/${portId}/receiver`
          if (model.kind !== 'radio' || model.ports[portId]!.dir !== 'out')
            return misfit(path, show(setting.receiver), 'nothing here: only outputs of radio links have receivers')
          const kind = own(models, own(devices, setting.receiver)?.model)?.kind
          if (own(devices, setting.receiver) && kind !== 'receiver')
            return misfit(path, show(setting.receiver), 'a device whose model is of the kind receiver')
          const other = received.get(setting.receiver)
          if (other !== undefined)
            return misfit(path, show(setting.receiver), `a receiver that is not that of ${other} too`)
          received.set(setting.receiver, `${id} ${portId}`)
        }
        const badFormat = setting.format && formatMisfit(setting.format, `${at}/ports/${portId}/format`)
        if (badFormat) return badFormat
      }
      const seen = new Set([id])
      for (let host = device.in; host !== undefined; host = own(devices, host)?.in) {
        if (!own(devices, host)) return misfit(`${at}/in`, show(host), `a key of devices: ${idsOf(devices)}`)
        if (seen.has(host))
          return misfit(
            `${at}/in`,
            `a circle: ${[...seen, host].join(' in ')}`,
            'a device that is not, in the end, inside this one',
          )
        seen.add(host)
      }
    }
    return undefined
  },
  words: ({ name }) => name,
})
