import { type Port, bodyOf, carriesPicture, portsOf, isSink } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, socketKey, hostOf } from '#core/chain'
import { TASKS, type Task } from '#core/document'
import { fact } from '#core/kernel'
import { USB_CLASSES, type UsbClass, usbVideoBits } from '#core/signal'

/** Something that a computer does, with its weight: light 1, middle 2, heavy 4 (planning classes). */
export interface Work {
  readonly what: Task | 'capture' | 'mix' | 'show' | 'control'
  readonly words: string
  readonly load: number
}

/** What its captures ask of one USB controller; those in a card ask nothing of it. */
export interface UsbLoad {
  readonly class: UsbClass
  readonly bitsPerS: number
  readonly roomBitsPerS: number
}

export interface Computer {
  readonly device: string
  readonly name: string
  /** A capture of which the plan names no computer stands for the one that it is plugged into. */
  readonly unnamed: boolean
  readonly works: readonly Work[]
  readonly load: number
  /** What it bears by its class. */
  readonly room: number
  readonly usb: UsbLoad | undefined
  /** Picture outputs in use, of how many; the screen of whoever works it takes one. */
  readonly outputs: { readonly used: number; readonly all: number }
  /** What it shows is in what it captures: a screen that is shared would show itself without end. */
  readonly loops: boolean
  /** Nothing but a capture and a stream: an encoder of its own would do. */
  readonly alone: boolean
}

export const TASK_WORDS: Readonly<Record<Task, string>> = {
  encode: 'encodes a stream',
  record: 'records',
  call: 'holds a call',
  slides: 'shows slides or captions',
  chat: 'answers questions from elsewhere',
}
const TASK_LOAD: Readonly<Record<Task, number>> = { encode: 4, record: 2, call: 2, slides: 1, chat: 1 }

/** What a computer bears, by what it draws at the most: a light one below 100 W, a large one from 250, one made to mix from 400 W on. */
const roomOf = ({ model }: DeviceNode): number => {
  const watts = bodyOf(model).mostWatts ?? model.watts
  return watts >= 400 ? 16 : watts >= 250 ? 12 : watts >= 100 ? 8 : 5
}
const isNetwork = ({ carries }: Port): boolean => carries === 'network'

/** Captures by what houses them: a computer, or nothing that the plan names. */
function capturesOf(traced: Traced): Map<string, DeviceNode[]> {
  const found = new Map<string, DeviceNode[]>()
  for (const node of traced.chain.nodes.values()) {
    if (node.model.kind !== 'capture') continue
    const host = hostOf(traced, node)
    found.set(host, [...(found.get(host) ?? []), node])
  }
  return found
}

/** Pictures that come to a device and arrive: what each asks of USB, bit/s; nothing of a card. */
const arriving = ({ trace, chain }: Traced, { id, model }: DeviceNode): (number | undefined)[] =>
  portsOf(model, 'in')
    .filter(([, port]) => carriesPicture(port) && !isNetwork(port))
    .flatMap(([port]) => chain.entering.get(socketKey(id, port)) ?? [])
    .flatMap(wire => {
      const { arrives, signal } = trace.wires.get(wire.id)!
      return arrives && signal ? [model.usb ? usbVideoBits(signal.format, model.usb.bitsPerPixel) : undefined] : []
    })

function worksOf(traced: Traced, host: DeviceNode, captures: readonly DeviceNode[]): Work[] {
  const { plan, chain } = traced
  const pictures = [host, ...captures]
    .filter((node, i, all) => all.indexOf(node) === i && (node.model.kind === 'capture' || isSwitcher(node)))
    .flatMap(node => arriving(traced, node))
  const works: Work[] = []
  if (isSwitcher(host)) works.push({ what: 'mix', words: 'mixes', load: 4 })
  if (pictures.length)
    works.push({
      what: 'capture',
      words: pictures.length === 1 ? 'captures a picture' : `captures ${pictures.length} pictures`,
      load: pictures.reduce<number>((sum, bits = 0) => sum + (bits > HEAVY_BITS ? 2 : 1), 0),
    })
  const used = portsOf(host.model, 'out').filter(([id]) => chain.leaving.has(socketKey(host.id, id)))
  const shown = used.filter(([, port]) => carriesPicture(port) && !isNetwork(port)).length
  if (shown)
    works.push({ what: 'show', words: shown === 1 ? 'feeds a picture' : `feeds ${shown} pictures`, load: shown })
  if (isSwitcher(host) && used.some(([, port]) => isNetwork(port) && !port.minus))
    works.push({ what: 'encode', words: TASK_WORDS.encode, load: TASK_LOAD.encode })
  // The mix without one of those who hear it is what a call sends.
  if (isSwitcher(host) && used.some(([, port]) => isNetwork(port) && port.minus))
    works.push({ what: 'call', words: TASK_WORDS.call, load: TASK_LOAD.call })
  if (host.model.surface === 'computer') works.push({ what: 'control', words: 'works switchers and cameras', load: 1 })
  const wanted = captures.some(({ id }) => Object.values(plan.wants).some(({ sink }) => sink === id))
  if (wanted && !host.device.does) works.push({ what: 'encode', words: TASK_WORDS.encode, load: TASK_LOAD.encode })
  for (const task of TASKS)
    if (host.device.does?.[task] && !works.some(({ what }) => what === task))
      works.push({ what: task, words: TASK_WORDS[task], load: TASK_LOAD[task] })
  return works
}

/** More than a picture of 1080 lines at 30 a second, uncompressed. */
const HEAVY_BITS = 1e9

/** Whether what it sends out comes back to it: a switcher that takes a picture of it feeds one of its captures, through others too. */
function loops(traced: Traced, host: DeviceNode, captures: readonly DeviceNode[]): boolean {
  const mine = new Set([host.id, ...captures.map(({ id }) => id)])
  const goes = new Set(
    traced.runs.flatMap(({ origin, end, beside }) =>
      !beside && origin?.device === host.id && end ? [end.device] : [],
    ),
  )
  const before = new Map<string, string[]>()
  for (const { origin, end, beside } of traced.runs)
    if (!beside && origin && end) before.set(end.device, [...(before.get(end.device) ?? []), origin.device])
  const seen = new Set<string>()
  const shows = (switcher: string): boolean => {
    if (seen.has(switcher)) return false
    seen.add(switcher)
    return (
      goes.has(switcher) ||
      (before.get(switcher) ?? []).some(other => isSwitcher(traced.chain.nodes.get(other)!) && shows(other))
    )
  }
  return traced.runs.some(
    ({ origin, end, beside }) =>
      !beside &&
      end !== undefined &&
      mine.has(end.device) &&
      origin !== undefined &&
      origin.device !== host.id &&
      isSwitcher(traced.chain.nodes.get(origin.device)!) &&
      shows(origin.device),
  )
}

function usbOf(traced: Traced, captures: readonly DeviceNode[]): UsbLoad | undefined {
  const asked = captures.filter(({ model }) => model.usb)
  if (asked.length === 0) return undefined
  // One controller carries them all: the slowest of them decides.
  const slowest = asked.map(({ model }) => model.usb!.class).sort((a, b) => USB_CLASSES[a] - USB_CLASSES[b])[0]!
  return {
    class: slowest,
    bitsPerS: asked.flatMap(node => arriving(traced, node)).reduce<number>((sum, bits = 0) => sum + bits, 0),
    roomBitsPerS: USB_CLASSES[slowest],
  }
}

const computersFact = fact<Traced, readonly Computer[]>('computers', traced => {
  const { chain } = traced
  const captures = capturesOf(traced)
  const hosts = [...chain.nodes.values()].filter(
    ({ id, model }) =>
      captures.has(id) ||
      model.surface === 'computer' ||
      (model.kind === 'computer' && model.watts > 0 && !isSink(model)),
  )
  return hosts
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .map((host): Computer => {
      const mine = captures.get(host.id) ?? []
      const works = worksOf(traced, host, mine)
      const outs = portsOf(host.model, 'out').filter(([, port]) => carriesPicture(port) && !isNetwork(port))
      return {
        device: host.id,
        name: host.device.name,
        unnamed: host.model.kind === 'capture',
        works,
        load: works.reduce((sum, { load }) => sum + load, 0),
        // Nobody knows the computer behind a capture: it is taken for one of the middle.
        room: host.model.kind === 'capture' ? 8 : roomOf(host),
        usb: usbOf(traced, mine),
        outputs: { used: outs.filter(([id]) => chain.leaving.has(socketKey(host.id, id))).length, all: outs.length },
        loops: loops(traced, host, mine),
        alone:
          works.some(({ what }) => what === 'capture') &&
          works.every(({ what }) => what === 'capture' || what === 'encode'),
      }
    })
})

/** Every computer of the plan, with what it does and what it bears. */
export const computersOf = (traced: Traced): readonly Computer[] => traced.ask(computersFact)
