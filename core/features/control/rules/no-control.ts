import { type DeviceNode, type Traced, deviceName, isSwitcher } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, bringControl, connectControl, hangsOn, freeSockets, rule } from '#core/propose'
import { controlReach } from '../facts'

export const noControl = rule({
  code: 'C17',
  about: 'A device that must be set up has no control connection.',
  messages: {
    alone: {
      severity: 'R',
      says: '{device} can only be set up by {ways}, and nothing is connected there: it will come up as it was left.',
    },
    nobody: {
      severity: 'R',
      says: '{device} is connected by {ways}, and no controller is at the other end: it will come up as it was left.',
    },
    button: {
      severity: 'R',
      says: '{macro} is a button of {holder}, and no control lead brings it to {switcher}: pressed, it does nothing there.',
    },
    idle: { severity: 'R', says: '{device} is planned, and reaches nothing that it could set up.' },
  },
  find: (traced, say) => {
    const { unreached, idle } = controlReach(traced)
    const runOf = (id: string) => traced.runs.find(({ origin, end }) => origin?.device === id || end?.device === id)?.id
    return [
      ...unreached.map(node => {
        const linked = node.model.configured!.filter(port => hangsOn(traced, { node, portId: port, port: undefined }))
        const ways = (linked.length ? linked : node.model.configured!).map(id => node.model.ports[id]!.title)
        return say(
          linked.length ? 'nobody' : 'alone',
          { on: 'device', device: node.id },
          { device: text(node.device.name), ways: text(ways.join(' or ')) },
          runOf(node.id),
        )
      }),
      ...buttons(traced).map(({ macro, title, holder, switcher }) =>
        say(
          'button',
          { on: 'macro', macro },
          {
            macro: text(title),
            holder: text(deviceName(traced, holder)),
            switcher: text(deviceName(traced, switcher)),
          },
        ),
      ),
      ...idle.map(node =>
        say('idle', { on: 'device', device: node.id }, { device: text(node.device.name) }, runOf(node.id)),
      ),
    ]
  },
  remedies: (traced, { at, says }) => {
    const one = at.on === 'macro' ? buttons(traced).find(({ macro }) => macro === at.macro) : undefined
    if (one) return wired(traced, one)
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!node) return []
    if (says === 'idle') return putToWork(traced, node)
    return bringControl(traced, node, node.model.configured!)
  },
})

interface Button {
  readonly macro: string
  readonly title: string
  readonly holder: string
  readonly switcher: string
}

/** Buttons of controllers, with the first switcher that they are to work and do not reach. */
function buttons(traced: Traced): Button[] {
  const { plan, chain } = traced
  return Object.entries(plan.macros).flatMap(([macro, { title, at, steps }]): Button[] => {
    const holder = chain.nodes.get(at)
    if (!holder) return []
    const reaches = controlReach(traced).from(at)
    const missing = steps.flatMap(({ do: act, at: device = at }) => {
      const node = chain.nodes.get(device)
      return act !== 'wait' && act !== 'play' && device !== at && node && isSwitcher(node) && !reaches.has(device)
        ? [device]
        : []
    })
    return missing.slice(0, 1).map(switcher => ({ macro, title, holder: at, switcher }))
  })
}

/** A lead from there, if sockets are free; else without what it does there. */
function wired(traced: Traced, { macro, title, holder, switcher }: Button): Proposal[] {
  const { plan, chain } = traced
  const [from, to] = [chain.nodes.get(holder)!, chain.nodes.get(switcher)!]
  const inputs = freeSockets(traced, to, 'in').filter(({ port }) => port?.carries === 'control')
  const outputs = freeSockets(traced, from, 'out').filter(({ port }) => port?.carries === 'control')
  const leads = outputs.flatMap(out =>
    inputs.flatMap(input => connectControl(traced, out, input, `Connect ${from.device.name} to`, input)),
  )
  const { steps } = plan.macros[macro]!
  const left = steps.filter(step => (step.at ?? holder) !== switcher)
  const draft = new Draft(plan)
  if (left.some(step => step.do !== 'wait')) draft.set(['macros', macro, 'steps'], left)
  else draft.edits.push({ do: 'remove', collection: 'macros', id: macro })
  return [...leads.slice(0, 3), { title: `Leave ${to.device.name} out of ${title}`.slice(0, 120), edits: draft.edits }]
}

/** A free socket of something that can be set up and is not yet; else the controller stays at home. */
function putToWork(traced: Traced, node: DeviceNode): Proposal[] {
  const inputs = [...traced.chain.nodes.values()]
    .filter(({ id, model }) => id !== node.id && model.kind !== 'controller')
    .flatMap(other => freeSockets(traced, other, 'in').filter(({ port }) => port?.carries === 'control'))
  const draft = new Draft(traced.plan)
  for (const { id, from, to } of traced.chain.wires.values())
    if (from?.node === node || to?.node === node) draft.disconnect(id)
  draft.edits.push({ do: 'remove', collection: 'devices', id: node.id })
  return [
    ...freeSockets(traced, node, 'out')
      .flatMap(out => inputs.flatMap(input => connectControl(traced, out, input, 'Connect it to', input)))
      .slice(0, 3),
    { title: `Leave ${node.device.name} at home`.slice(0, 120), edits: draft.edits },
  ]
}
