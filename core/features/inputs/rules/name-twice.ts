import { type DeviceNode, type Traced, deviceName, isSwitcher } from '#core/chain'
import { count, text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { listWords } from '#core/words'

const MOST_NAME = 120
const MOST_LABEL = 24

export const nameTwice = rule({
  code: 'C18',
  about: 'Two devices of one name, or two inputs of one label at one switcher.',
  messages: {
    devices: {
      severity: 'R',
      says: '{number} devices are called {name}: on the papers, on the cables and on the intercom nobody can tell which is meant.',
    },
    labels: {
      severity: 'R',
      says: '{number} inputs of {switcher} bear the label {label}: whoever switches cannot tell them apart.',
    },
    calls: {
      severity: 'R',
      says: '{sources} are called by one number, {call}: whoever calls a picture gets the other one.',
    },
  },
  find: (traced, say) => [
    ...calledTwice(traced).map(({ call, nodes }) =>
      say(
        'calls',
        { on: 'setting', device: nodes[1]!.id, field: 'call' },
        { sources: text(listWords(nodes.map(({ device }) => device.name))), call: count(call) },
        traced.runs.find(({ origin }) => origin?.device === nodes[1]!.id)?.id,
      ),
    ),
    ...named(traced).map(([first, ...rest]) =>
      say(
        'devices',
        { on: 'device', device: rest[0]!.id },
        { number: count(1 + rest.length), name: text(first!.device.name) },
        traced.runs.find(({ origin, end }) => [origin?.device, end?.device].includes(rest[0]!.id))?.id,
      ),
    ),
    ...labelled(traced).map(({ switcher, label, ports }) =>
      say(
        'labels',
        { on: 'port', device: switcher, port: ports[1]! },
        { number: count(ports.length), switcher: text(deviceName(traced, switcher)), label: text(label) },
        traced.runs.find(({ end }) => end?.device === switcher)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    const { at } = found
    const draft = new Draft(traced.plan)
    if (at.on === 'setting') {
      const group = calledTwice(traced).find(({ nodes }) => nodes.some(({ id }) => id === at.device))
      for (const { id } of group?.nodes.slice(1) ?? []) draft.set(['devices', id, 'call'])
      return draft.edits.length
        ? [
            {
              title: `Let only ${group!.nodes[0]!.device.name} be called ${group!.call}`.slice(0, 120),
              edits: draft.edits,
            },
          ]
        : []
    }
    if (at.on === 'device') {
      const group = named(traced).find(nodes => nodes.some(({ id }) => id === at.device)) ?? []
      const taken = new Set(Object.values(traced.plan.devices).map(({ name }) => name))
      for (const { id, device } of group.slice(1))
        draft.set(['devices', id, 'name'], numbered(device.name, taken, MOST_NAME))
      return draft.edits.length
        ? [{ title: `Number those called ${group[0]!.device.name}`.slice(0, 120), edits: draft.edits }]
        : []
    }
    const twice = labelled(traced).find(
      ({ switcher, ports }) => at.on === 'port' && at.device === switcher && ports[1] === at.port,
    )
    if (!twice) return []
    const { switcher, label, ports } = twice
    const taken = new Set(labelsOf(traced.chain.nodes.get(switcher)!).map(([, text]) => text))
    for (const port of ports.slice(1))
      draft.set(['devices', switcher, 'ports', port, 'label'], numbered(label, taken, MOST_LABEL))
    return [{ title: `Number the inputs labelled ${label}`, edits: draft.edits }]
  },
})

/** The name with the first number that is free, and that number taken. */
function numbered(name: string, taken: Set<string>, most: number): string {
  for (let n = 2; ; n++) {
    const next = `${name.slice(0, most - String(n).length - 1)} ${n}`
    if (taken.has(next)) continue
    taken.add(next)
    return next
  }
}

/** What a person takes for the same. */
const heard = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase()

function grouped<T>(list: readonly T[], keyOf: (one: T) => string): T[][] {
  const groups = new Map<string, T[]>()
  for (const one of list) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one])
  return [...groups.values()].filter(group => group.length > 1)
}

const named = ({ chain }: Traced): DeviceNode[][] =>
  grouped(
    [...chain.nodes.values()].sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1)),
    ({ device }) => heard(device.name),
  )

const labelsOf = ({ device }: DeviceNode): (readonly [port: string, label: string])[] =>
  Object.entries(device.ports ?? {}).flatMap(([port, { label }]) =>
    label === undefined ? [] : [[port, label] as const],
  )

const labelled = ({ chain }: Traced): { switcher: string; label: string; ports: readonly string[] }[] =>
  [...chain.nodes.values()].filter(isSwitcher).flatMap(node =>
    grouped(labelsOf(node), ([, label]) => heard(label)).map(group => ({
      switcher: node.id,
      label: group[0]![1],
      ports: group.map(([port]) => port),
    })),
  )

/** Sources that were given one number. */
function calledTwice({ chain }: Traced): { call: number; nodes: DeviceNode[] }[] {
  const by = new Map<number, DeviceNode[]>()
  for (const node of chain.nodes.values())
    if (node.model.role === 'source' && node.device.call !== undefined)
      by.set(node.device.call, [...(by.get(node.device.call) ?? []), node])
  return [...by].filter(([, nodes]) => nodes.length > 1).map(([call, nodes]) => ({ call, nodes }))
}
