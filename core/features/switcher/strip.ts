import { type Mix, carriesPicture, mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, openingOf, pointedAt, choicesAt, pointedName } from '#core/chain'
import { type Opening, own } from '#core/document'
import { formatLabel, listFormats } from '#core/signal'
import { type Sheet, mixersOf, sheetOf } from './setup'

/** An input of a mixing device as its strip shows it. */
export interface StripInput {
  readonly port: string
  readonly title: string
  /** The figure on its key; absent for plugs of sound. */
  readonly number: number | undefined
  readonly sound: boolean
  readonly label: string | undefined
  /** What comes in there: a source, or a feeder's program; absent, nothing. */
  readonly from: string | undefined
  readonly lit: boolean
  readonly format: string | undefined
  readonly opening: Opening | undefined
  readonly heldMs: number
  readonly reserved: string | undefined
  readonly offAir: boolean
  /** The picture in picture always shows this one. */
  readonly inset: boolean
}

export interface StripOutput {
  readonly port: string
  readonly title: string
  readonly number: number | undefined
  /** What it can be pointed at, and how that is called. */
  readonly feeds: readonly { readonly value: string; readonly title: string }[]
  readonly pointed: string | undefined
  readonly feed: string | undefined
  /** Who sees it. */
  readonly to: readonly string[]
}

/** A mixing device with all that it does to its pictures. */
export interface Strip {
  readonly device: string
  readonly name: string
  readonly model: string
  readonly standard: string | undefined
  readonly standards: readonly string[]
  readonly inputs: readonly StripInput[]
  readonly outputs: readonly StripOutput[]
  /** As the data sheet in the plan says; absent where it says nothing of it. */
  readonly mix: Mix | undefined
  readonly records: number | undefined
  /** The switchers that its program goes on to. */
  readonly feeds: readonly string[]
  readonly sheet: Sheet
}

const nameAt = ({ chain }: Traced, id: string): string => chain.nodes.get(id)!.device.name

function inputsOf(traced: Traced, node: DeviceNode): StripInput[] {
  const inputs = portsOf(node.model, 'in').filter(([, { carries }]) => carries !== 'control')
  return inputs.map(([portId, port]): StripInput => {
    const run = traced.runs.find(({ end }) => end?.device === node.id && end.port === portId)
    const setting = own(node.device.ports, portId)
    const signal = run?.links.at(-1)?.signal
    return {
      port: portId,
      title: port.title,
      number: carriesPicture(port) ? port.number : undefined,
      sound: !carriesPicture(port),
      label: setting?.label,
      from: run?.origin && nameAt(traced, run.origin.device),
      lit: run?.lit ?? false,
      format: run?.lit && signal ? formatLabel(signal.format) : undefined,
      opening: isSwitcher(node) && port.sound ? openingOf({ node, portId, port }) : undefined,
      heldMs: setting?.soundDelayMs ?? 0,
      reserved: setting?.reserved,
      offAir: setting?.offAir ?? false,
      inset: node.model.inset === portId,
    }
  })
}

function outputsOf(traced: Traced, node: DeviceNode): StripOutput[] {
  return portsOf(node.model, 'out').map(([portId, port]): StripOutput => ({
    port: portId,
    title: port.title,
    number: port.number,
    feeds: choicesAt(node, portId).map(value => ({ value, title: pointedName(traced, node, value) })),
    pointed: pointedAt(node, portId),
    feed: port.feeds && pointedName(traced, node, pointedAt(node, portId)!),
    to: traced.runs
      .filter(({ origin, end }) => end && origin?.device === node.id && origin.port === portId)
      .map(({ end }) => nameAt(traced, end!.device)),
  }))
}

export const stripsOf = (traced: Traced): Strip[] =>
  mixersOf(traced).map((node): Strip => {
    const outputs = outputsOf(traced, node)
    const onward = traced.runs.flatMap(({ origin, end }) =>
      origin?.device === node.id && end && isSwitcher(traced.chain.nodes.get(end.device)!) ? [end.device] : [],
    )
    return {
      device: node.id,
      name: node.device.name,
      model: node.model.title,
      standard: node.standard && formatLabel(node.standard),
      standards: listFormats(node.model.standards ?? []).map(formatLabel),
      inputs: inputsOf(traced, node),
      outputs,
      mix: mixOf(node.model),
      records: node.model.records,
      feeds: [...new Set(onward)].map(id => nameAt(traced, id)),
      sheet: sheetOf(traced, node),
    }
  })
