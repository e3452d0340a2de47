import { makesInAnyMode, portsOf } from '#core/catalog'
import {
  type DeviceNode,
  type Traced,
  type WireTrace,
  inputsBefore,
  isSwitcher,
  outputFormat,
  runWith,
  socketName,
} from '#core/chain'
import { type LinkEnd, type PortSetting, own } from '#core/document'
import { isGrave } from '#core/kernel'
import { DIVISION_TITLES, TRANSFER_TITLES, formatLabel, listFormats, sameFormat } from '#core/signal'
import { Draft } from './draft'
import { followInputs } from './follow'
import { feederSwitcher } from './grow'
import {
  connectControl,
  connectTo,
  direct,
  feedChoices,
  freeInputs,
  freeSockets,
  moveInput,
  offerWays,
  otherStandards,
  replaceDevice,
  setFormat,
  splitters,
  throughDevices,
  waysReaching,
} from './offers'
import { type Effect, tryEdits } from './remedy'
import type { Checked, Proposal } from './rule'
import { waysBetween } from './search'
import { type Way, adaptersFor, allLeads, layWay, shortTitle } from './ways'

/** The part of a lane that is to be changed. */
export type Changeable =
  | { readonly of: 'output'; readonly device: string; readonly port: string; readonly link?: string }
  | { readonly of: 'cable'; readonly link: string }
  | { readonly of: 'device'; readonly device: string; readonly port: string }
  | { readonly of: 'input'; readonly link: string }
  | { readonly of: 'standard'; readonly device: string }
  /** An input of a switcher that nothing uses. */
  | { readonly of: 'free'; readonly device: string; readonly port: string }

export interface Choice extends Proposal {
  readonly effect: Effect
  /** Adds no D or R finding, and no picture goes dark. */
  readonly fits: boolean
  /** Why it does not fit. */
  readonly reason?: string
}

/** What a part of a lane could be instead, each tried: what fits first, then the rest with the reason. */
export function choicesFor(checked: Checked, part: Changeable): Choice[] {
  const seen = new Set<string>()
  const choices = proposalsFor(checked.traced, part).flatMap((proposal): Choice[] => {
    if (seen.has(proposal.title)) return []
    seen.add(proposal.title)
    const tried = tryEdits(checked, proposal.edits)
    if (!tried) return []
    const { checked: next, adds, ...effect } = tried
    const worse = next.findings.find(finding => adds.some(({ key }) => key === finding.key) && isGrave(finding))
    const fits = !worse && tried.after.arrive >= tried.before.arrive
    const reason = worse
      ? checked.by.say(worse)
      : fits
        ? undefined
        : `${tried.after.arrive} of ${tried.after.wanted} pictures would arrive.`
    return [
      {
        ...proposal,
        effect: { ...effect, adds: adds.map(({ id, key, severity }) => ({ id, key, severity })) },
        fits,
        ...(reason === undefined ? {} : { reason }),
      },
    ]
  })
  return [...choices.filter(({ fits }) => fits), ...choices.filter(({ fits }) => !fits)]
}

function proposalsFor(traced: Traced, part: Changeable): Proposal[] {
  const { chain, trace } = traced
  switch (part.of) {
    case 'output':
      return outputChoices(traced, chain.nodes.get(part.device)!, part.port, part.link)
    case 'cable':
      return cableChoices(traced, trace.wires.get(part.link)!)
    case 'device':
      return [
        ...formatChoices(traced, chain.nodes.get(part.device)!, part.port),
        ...traitChoices(traced, chain.nodes.get(part.device)!, part.port),
        ...replaceDevice(traced, part.device),
      ]
    case 'input':
      return inputChoices(traced, trace.wires.get(part.link)!)
    case 'standard':
      return standardChoices(traced, chain.nodes.get(part.device)!)
    case 'free':
      return freeChoices(traced, part)
  }
}

/** Every format that an output can be set to, in any mode. */
function formatChoices({ plan }: Traced, node: DeviceNode, portId: string): Proposal[] {
  const now = outputFormat(node, portId)
  return makesInAnyMode(node.model, portId).flatMap(({ mode, sets }) =>
    listFormats(sets).flatMap(format => {
      const draft = new Draft(plan)
      if ((now && sameFormat(format, now)) || !setFormat(draft, node, portId, format)) return []
      const title =
        mode === undefined
          ? ''
          : draft.edits.some(edit => edit.do === 'set' && edit.at[2] === 'mode')
            ? ` (${node.model.modes![mode]!.title})`
            : ''
      return [{ title: `Set ${node.device.name} to ${formatLabel(format)}${title}`, edits: draft.edits }]
    }),
  )
}

/** What else an output can be set to: level, division, range, transfer, shape, readouts, protection, a matrix's input. */
function traitChoices({ plan }: Traced, node: DeviceNode, portId: string): Proposal[] {
  const port = own(node.model.ports, portId)
  const set = own(node.device.ports, portId)
  if (!port) return []
  const choose = <F extends keyof PortSetting & string>(field: F, value: PortSetting[F], words: string): Proposal => {
    const draft = new Draft(plan)
    draft.set(['devices', node.id, 'ports', portId, field], value as never)
    return { title: `Set ${node.device.name} ${words}`.slice(0, 120), edits: draft.edits }
  }
  const among = <T extends string>(
    field: keyof PortSetting & string,
    offered: readonly T[] | undefined,
    now: T | undefined,
    words: (value: T) => string,
  ): Proposal[] =>
    (offered ?? [])
      .filter(value => value !== (now ?? offered![0]))
      .map(value => choose(field, value as never, words(value)))
  const matrix = node.model.paths.find(path => path.format === 'chosen' && path.to.includes(portId))
  return [
    ...among('level', port.levels, set?.level, value => `to level ${value}`),
    ...among('division', port.divisions, set?.division, value => `to ${DIVISION_TITLES[value]}`),
    ...among('range', port.ranges, set?.range, value => `to ${value} range`),
    ...among('transfer', port.transfers, set?.transfer, value => `to ${TRANSFER_TITLES[value]}`),
    ...among('aspect', port.aspects, set?.aspect, value => `to a picture of ${value}`),
    ...(port.readouts === 'switchable'
      ? [
          set?.clean
            ? choose('clean', undefined, 'to show its readouts')
            : choose('clean', true, 'to hide its readouts'),
        ]
      : []),
    ...(port.protection === 'switchable'
      ? [
          set?.unprotected
            ? choose('unprotected', undefined, 'to protect its content')
            : choose('unprotected', true, 'to send what is not protected openly'),
        ]
      : []),
    ...(matrix?.from ?? [])
      .filter(id => id !== (matrix && inputsBefore(node, matrix, portId)[0]))
      .map(id => choose('of', id, `${port.title} to show ${node.model.ports[id]!.title}`)),
  ]
}

function outputChoices(traced: Traced, node: DeviceNode, portId: string, link: string | undefined): Proposal[] {
  const wire = link === undefined ? undefined : traced.trace.wires.get(link)
  const others = wire
    ? freeSockets(traced, node, 'out').filter(({ port }) => port?.carries === wire.wire.from?.port?.carries)
    : []
  const moves = others.map(({ portId: other, port }) => {
    const draft = new Draft(traced.plan)
    const format = own(node.device.ports, portId)?.format
    if (format && !isSwitcher(node)) draft.set(['devices', node.id, 'ports', other, 'format'], format)
    draft.move(wire!.wire.id, 'from', { device: node.id, port: other }, wire!.wire.link.adapters?.from)
    return { title: `Take it from ${socketName({ node, portId: other, port })}`, edits: draft.edits }
  })
  if (isSwitcher(node)) return [...feedChoices(traced, node, portId), ...moves]
  const socket = { node, portId, port: own(node.model.ports, portId) }
  if (socket.port?.carries === 'control') {
    const inputs = wire
      ? []
      : [...traced.chain.nodes.values()]
          .filter(other => other !== node)
          .flatMap(other => freeSockets(traced, other, 'in'))
    return [...inputs.flatMap(input => connectControl(traced, socket, input, 'Connect it to', input)), ...moves]
  }
  const unconnected = wire ? [] : connectTo(traced, socket, freeInputs(traced).slice(0, 12), 'Connect it to')
  return [...unconnected, ...formatChoices(traced, node, portId), ...traitChoices(traced, node, portId), ...moves]
}

function cableChoices(traced: Traced, at: WireTrace): Proposal[] {
  const { plan } = traced
  const { wire } = at
  const out = wire.from?.port
  const input = wire.to?.port
  const drop = new Draft(plan)
  drop.disconnect(wire.id)
  const takeOut = { title: 'Take the cable out', edits: drop.edits }
  if (!out || !input) return [takeOut]
  // Every cable of the kind, also those that do not reach: the list says by how much.
  const cables = [...allLeads(plan)].flatMap(([id, row]): Proposal[] => {
    // What is installed comes by the ways, where its ends are.
    if (row.kind !== 'cable' || row.carries !== out.carries || row.installed) return []
    const adapters = adaptersFor(allLeads(plan), out, row, input)
    const draft = new Draft(plan)
    const lead = draft.lead(id)
    if (lead === wire.link.cable && !wire.link.pieces) return []
    draft.set(['links', wire.id, 'cable'], lead)
    const ends = {
      ...(adapters?.from ? { from: draft.lead(adapters.from.id) } : {}),
      ...(adapters?.to ? { to: draft.lead(adapters.to.id) } : {}),
    }
    if (Object.keys(ends).length || wire.link.adapters)
      draft.set(['links', wire.id, 'adapters'], Object.keys(ends).length ? ends : undefined)
    if (wire.link.pieces && wire.link.routeM !== undefined) draft.set(['links', wire.id, 'pieces'])
    return [{ title: `Take ${row.title}`, edits: draft.edits }]
  })
  const ways: Way[] = waysReaching(traced, at)
  const fitting = new Set(direct(ways).map(way => `Take ${way.cables[0]!.model.title}`))
  return [
    ...cables.filter(({ title }) => fitting.has(title)),
    ...offerWays(traced, at, throughDevices(ways), 6),
    ...splitHere(traced, at),
    ...cables,
    takeOut,
  ]
}

/** A splitter of the right kind at the beginning of a cable, with a leg left free for somebody else. */
function splitHere(traced: Traced, at: WireTrace): Proposal[] {
  const { plan } = traced
  const { wire, signal } = at
  const out = wire.from?.port
  if (!out || !wire.link.from || !signal) return []
  return splitters(traced)
    .flatMap(([id, row]): Proposal[] => {
      const [inId, input] = portsOf(row, 'in')[0]!
      const legs = portsOf(row, 'out')
      if (
        input.carries !== out.carries ||
        legs[0]![1].carries !== out.carries ||
        legs[0]![1].connector !== wire.from!.port!.connector
      )
        return []
      const node: DeviceNode = { id, device: { model: id, name: id, order: 0 }, model: row, standard: undefined }
      const lead = waysBetween(plan, { port: out, signal }, { node, portId: inId, port: input }, { routeM: 0 }).find(
        way => way.devices.length === 0,
      )
      if (!lead) return []
      const draft = new Draft(plan)
      const owner = traced.chain.nodes.get(wire.link.from!.device)!.device.name
      const device = draft.device({
        model: draft.model(id),
        name: `${shortTitle(row.title)}, ${owner}`.slice(0, 120),
        order: 0,
      })
      draft.move(wire.id, 'from', { device, port: legs[0]![0] })
      layWay(draft, lead, wire.link.from!, { device, port: inId }, owner)
      return [{ title: `Split it here: ${row.title}`.slice(0, 120), edits: draft.edits }]
    })
    .slice(0, 3)
}

function inputChoices(traced: Traced, at: WireTrace): Proposal[] {
  const to = at.wire.to
  if (!to) return []
  if (!isSwitcher(to.node)) return []
  const others = isSwitcher(to.node)
    ? [...traced.chain.entering.values()].flatMap(wires =>
        wires.filter(wire => wire.id !== at.wire.id && wire.to?.node === to.node && wire.to.port?.dir === 'in'),
      )
    : []
  const swaps = others.map(other => {
    const draft = new Draft(traced.plan)
    const mine: LinkEnd = { device: to.node.id, port: to.portId }
    draft.move(at.wire.id, 'to', { device: to.node.id, port: other.to!.portId }, at.wire.link.adapters?.to)
    draft.move(other.id, 'to', mine, other.link.adapters?.to)
    const theirs: LinkEnd = { device: to.node.id, port: other.to!.portId }
    followInputs(draft, traced.plan, [
      { from: mine, to: theirs },
      { from: theirs, to: mine },
    ])
    return { title: `Swap with ${socketName(other.to!)} (${originName(traced, other.id)})`, edits: draft.edits }
  })
  return [...moveInput(traced, at, freeInputs(traced, to.node.id)), ...swaps, ...feederSwitcher(traced, to.node)]
}

function standardChoices(traced: Traced, node: DeviceNode): Proposal[] {
  const alone = listFormats(node.model.standards ?? [])
    .filter(format => !node.standard || !sameFormat(format, node.standard))
    .map(format => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', node.id, 'standard'], format)
      return { title: `Set only ${node.device.name} to ${formatLabel(format)}`, edits: draft.edits }
    })
  return [...otherStandards(traced, node.id), ...alone]
}

/** The source at the beginning of a link's run. */
function originName(traced: Traced, link: string): string {
  const origin = runWith(traced, link)?.origin
  return origin ? traced.chain.nodes.get(origin.device)!.device.name : 'loose'
}

/** Sources that go nowhere, and whatever could be moved there. */
function freeChoices(traced: Traced, { device, port }: LinkEnd): Proposal[] {
  const { chain, pictures, trace } = traced
  const node = chain.nodes.get(device)!
  const socket = { node, portId: port, port: own(node.model.ports, port) }
  const idle = pictures.flatMap(picture =>
    picture.of === 'source' ? freeSockets(traced, chain.nodes.get(picture.device)!, 'out') : [],
  )
  const connects = idle.flatMap(out =>
    connectTo(traced, out, [socket], `Connect ${out.node.device.name} to`).slice(0, 2),
  )
  const moves = [...trace.wires.values()]
    .filter(({ wire }) => wire.to && isSwitcher(wire.to.node) && wire.to.port?.dir === 'in')
    .flatMap(at =>
      moveInput(traced, at, [socket]).map(({ title, edits }) => ({
        title: title.replace('Move it', `Move ${originName(traced, at.wire.id)}`),
        edits,
      })),
    )
  return [...connects, ...moves]
}
