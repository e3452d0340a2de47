import { MODELS, type Model, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, type WireTrace, accepts, isSwitcher, hostOf } from '#core/chain'
import { type Finding, dataRate, text } from '#core/kernel'
import { Draft, type Proposal, formatsTaken, otherStandards, setSender, shortTitle } from '#core/propose'
import { USB_CLASSES, type VideoFormat, usbVideoBits } from '#core/signal'
import { listWords } from '#core/words'

// What captures ask of the USB of their host: each by itself, and all that hang on one controller together.

interface Asked {
  readonly node: DeviceNode
  readonly at: WireTrace
  readonly bits: number
}

/** The captures that bring pictures to a host: a computer that houses them, or each by itself. */
function hosts(traced: Traced): Map<string, Asked[]> {
  const { trace } = traced
  const found = new Map<string, Asked[]>()
  for (const at of [...trace.wires.values()].sort((a, b) => (a.wire.id < b.wire.id ? -1 : 1))) {
    const node = at.wire.to?.node
    if (!at.arrives || !at.signal || !node?.model.usb) continue
    const host = hostOf(traced, node)
    found.set(host, [
      ...(found.get(host) ?? []),
      { node, at, bits: usbVideoBits(at.signal.format, node.model.usb.bitsPerPixel) },
    ])
  }
  return found
}

/** The slowest of the classes decides: one controller carries them all. */
const roomOf = (asked: readonly Asked[]): { readonly name: keyof typeof USB_CLASSES; readonly bits: number } =>
  asked
    .map(({ node }) => node.model.usb!.class)
    .map(name => ({ name, bits: USB_CLASSES[name] as number }))
    .sort((a, b) => a.bits - b.bits)[0]!

const WORDS = { '2.0': 'USB 2.0', '5G': 'USB at 5 Gb/s', '10G': 'USB at 10 Gb/s' } as const

/** The hosts that are asked for more than they bring, with the figures. */
export function overUsb(traced: Traced) {
  return [...hosts(traced)].flatMap(([host, asked]) => {
    const needs = asked.reduce((sum, { bits }) => sum + bits, 0)
    const room = roomOf(asked)
    if (needs <= room.bits) return []
    const quantities = {
      captures: text(listWords(asked.map(({ node }) => node.device.name))),
      host: text(traced.chain.nodes.get(host)!.device.name),
      needs: dataRate(needs),
      class: text(WORDS[room.name]),
      limit: dataRate(room.bits),
    }
    return [{ host, quantities, run: traced.runs.find(({ end }) => end?.device === asked[0]!.node.id)?.id }]
  })
}

/** Smaller pictures, a capture that asks less or has more room, or a host of its own. */
export function lessUsb(traced: Traced, { at }: Finding): Proposal[] {
  const asked = at.on === 'device' ? (hosts(traced).get(at.device) ?? []) : []
  const [first] = asked
  if (!first) return []
  const smaller = (format: VideoFormat) => usbVideoBits(format, first.node.model.usb!.bitsPerPixel) < first.bits
  const sender = traced.chain.nodes.get(first.at.signal!.setBy.device)!
  const settings = isSwitcher(sender)
    ? otherStandards(traced, sender.id, { only: smaller })
    : setSender(traced, first.at, formatsTaken(traced, first.at).filter(smaller)).slice(0, 3)
  const apart =
    asked.length > 1
      ? asked.map(({ node }) => {
          const draft = new Draft(traced.plan)
          draft.set(['devices', node.id, 'in'])
          return { title: `Give ${node.device.name} a controller of its own`.slice(0, 120), edits: draft.edits }
        })
      : []
  return [...apart, ...others(traced, first), ...settings]
}

/** Other captures with the same plug that bring the picture with less of the USB. */
function others({ plan }: Traced, { node, at }: Asked): Proposal[] {
  const input = at.wire.to!
  return [...MODELS]
    .flatMap(([id, row]): [string, Model][] => {
      const match = portsOf(row, 'in')[0]
      if (
        row.kind !== 'capture' ||
        row.from === node.model.from ||
        match?.[0] !== input.portId ||
        match[1].connector !== input.port!.connector ||
        match[1].carries !== input.port!.carries
      )
        return []
      const fits = !accepts({ ...node, model: row }, match[1], at.signal!.format)
      const less = !row.usb || usbVideoBits(at.signal!.format, row.usb.bitsPerPixel) <= USB_CLASSES[row.usb.class]
      return fits && less ? [[id, row]] : []
    })
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
    .slice(0, 2)
    .map(([id, row]) => {
      const draft = new Draft(plan)
      draft.set(['devices', node.id, 'model'], draft.model(id))
      return {
        title: `Use another device: ${row.title.length < 90 ? row.title : shortTitle(row.title)}`,
        edits: draft.edits,
      }
    })
}
