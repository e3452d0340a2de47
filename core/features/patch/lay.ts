import { isCamera, portsOf, type Feed } from '#core/catalog'
import { type DeviceNode, isSwitcher } from '#core/chain'
import { type Edit, type LinkEnd, own } from '#core/document'
import { type Candidate, Draft, layWay, setFormat, shortTitle, wayTitle } from '#core/propose'
import { formatLabel, sameFormat } from '#core/signal'
import type { Picked, Solution } from './choose'
import { inPhases, takeAway } from './lying'
import type { Demand, Task } from './question'

/** One piece of a proposal, in words, that can be taken by itself. */
export interface Change {
  readonly id: string
  readonly title: string
  readonly edits: readonly Edit[]
  /** Parts without which this one hangs in the air. */
  readonly needs: readonly string[]
  readonly kind: 'standard' | 'source' | 'feeder' | 'sink' | 'splitter' | 'tidy' | 'finish'
}

/** A solution as changes to the plan. */
export interface ChangeSet {
  readonly parts: readonly Change[]
  /** Rows of the catalogue that parts use. */
  readonly shelf: readonly Edit[]
}

/** The edits of the chosen parts, in an order that holds, with the rows that they use. */
export function composed({ parts, shelf }: ChangeSet, chosen: (part: Change) => boolean = () => true): Edit[] {
  const of = (finish: boolean) =>
    parts.filter(part => chosen(part) && (part.kind === 'finish') === finish).flatMap(part => part.edits)
  const [main, last] = [of(false), of(true)]
  const text = JSON.stringify([main, last])
  // Finishing touches were each made on what stood before them.
  return [...inPhases([...shelf.filter(edit => edit.do === 'add' && text.includes(`"${edit.id}"`)), ...main]), ...last]
}

/**
 * Lays a solution out by habit: the wide safe shot on the first input, or on the one that the switcher shows as its
 * picture in picture; cameras by their numbers; feeders, then computers last; fill before key. What stays keeps its input.
 */
export function layout(task: Task, solution: Solution): ChangeSet {
  const {
    plan,
    checked: { traced },
  } = task
  const { chain } = traced
  const draft = new Draft(plan)
  const parts: Change[] = []
  const part = (kind: Change['kind'], id: string, title: string, make: () => void, needs: readonly string[] = []) => {
    const begin = draft.edits.length
    make()
    const edits = draft.edits.slice(begin).filter(edit => !isRow(edit))
    if (edits.length) parts.push({ id, kind, title: title.slice(0, 160), edits, needs })
  }
  const nameOf = (device: string): string => plan.devices[device]!.name
  const free = new Map([...task.sockets].map(([key, { ports }]) => [key, new Set(ports)]))
  const labels = new Map<string, Set<string>>()
  const occupied = new Set<string>()

  const loose = traced.runs.filter(
    run => !run.beside && (!run.end || !run.origin) && run.links.every(({ wire }) => !own(task.bare.links, wire.id)),
  )
  if (loose.length)
    part(
      'tidy',
      'tidy',
      `Take away ${loose.length === 1 ? 'the cable' : `${loose.length} cables`} that lead${loose.length === 1 ? 's' : ''} nowhere`,
      () => loose.forEach(run => takeAway(traced, run).forEach(edit => draft.edits.push(edit))),
    )
  const idle = task.demands.filter(
    demand => demand.of === 'feeder' && demand.runs.length > 0 && !solution.picks.some(pick => pick.demand === demand),
  )
  for (const demand of idle)
    part('tidy', demand.id, `Take away what leads on from ${demand.name}, which has no picture any more`, () =>
      demand.runs.forEach(run => takeAway(traced, run).forEach(edit => draft.edits.push(edit))),
    )
  const changed = [...solution.standards].filter(
    ([switcher, format]) =>
      !chain.nodes.get(switcher)!.device.standard || !sameFormat(chain.nodes.get(switcher)!.standard!, format),
  )
  if (changed.length) {
    const same = changed.every(([, format]) => sameFormat(format, changed[0]![1]))
    part(
      'standard',
      'standard',
      same
        ? `Set ${changed.map(([switcher]) => nameOf(switcher)).join(', ')} to ${formatLabel(changed[0]![1])}`
        : changed.map(([switcher, format]) => `set ${nameOf(switcher)} to ${formatLabel(format)}`).join(', '),
      () => changed.forEach(([switcher, format]) => draft.set(['devices', switcher, 'standard'], format)),
    )
  }
  // What stays holds its sockets before anything else is put anywhere.
  const stays = (pick: Picked) => pick.choice.keep !== undefined
  for (const { demand } of solution.picks.filter(stays)) {
    for (const run of demand.runs) {
      for (const end of [run.origin, run.end]) {
        if (!end) continue
        for (const [key, { device }] of task.sockets) if (device === end.device) free.get(key)!.delete(end.port)
        occupied.add(`${end.device}/${end.port}`)
      }
    }
  }
  for (const { demand, choice } of solution.picks.filter(stays))
    if (choice.keep!.length)
      part('source', demand.id, `Set ${demand.name} to ${settingWords(choice.keep!)}`, () =>
        choice.keep!.forEach(edit => draft.edits.push(edit)),
      )

  const moving = membersOf(solution).sort(
    (a, b) => rank(a, chain.nodes) - rank(b, chain.nodes) || orderOf(a, chain.nodes) - orderOf(b, chain.nodes),
  )
  // Those whose name has a number come to the input of that number first.
  for (const one of moving.filter(({ demand }) => demand.of !== 'sink')) one.ports.push(...inputsFor(one))
  const boxes = new Map<string, { device: string; legs: string[]; id: string }[]>()
  for (const { splitter, count } of solution.splitters) {
    for (let i = 0; i < count; i++) {
      const out = [...free.get(splitter.takes)!][0]!
      free.get(splitter.takes)!.delete(out)
      const id = `splitter:${splitter.id}/${i}`
      part(
        'splitter',
        id,
        `Put a ${shortTitle(splitter.row.title)} at ${nameOf(splitter.switcher)} output ${numberOf(chain.nodes.get(splitter.switcher)!, out)}`,
        () => {
          point(splitter.switcher, out, splitter.feed)
          const device = draft.device({
            model: draft.model(splitter.model),
            name: `${shortTitle(splitter.row.title)}, ${nameOf(splitter.switcher)}`.slice(0, 120),
            order: 0,
          })
          layWay(
            draft,
            splitter.lead,
            { device: splitter.switcher, port: out },
            { device, port: splitter.inPort },
            nameOf(splitter.switcher),
          )
          boxes.set(splitter.id, [...(boxes.get(splitter.id) ?? []), { device, legs: [...splitter.legs], id }])
        },
      )
    }
  }
  for (const { demand, member, way, leg, ports, takes } of moving) {
    const node = chain.nodes.get(member)!
    const replaced = demand.runs.filter(run =>
      demand.of === 'sink' ? run.end!.device === member : run.origin!.device === member,
    )
    const away = () => replaced.forEach(run => takeAway(traced, run).forEach(edit => draft.edits.push(edit)))
    if (demand.of === 'source') {
      const switcher = chain.nodes.get(task.sockets.get(takes[0]!)!.device)!
      part(
        'source',
        `${demand.id}/${member}`,
        `${nameOf(member)} to ${nameOf(switcher.id)} input ${ports.map(port => numberOf(switcher, port)).join(' and ')} by ${wayTitle(way)}${way.from.set ? `, set to ${formatLabel(way.from.signal.format)}` : ''}`,
        () => {
          away()
          demand.ends.forEach((end, i) => {
            const out = end || way.from.portId
            if (
              !own(node.device.ports, out)?.format ||
              !sameFormat(own(node.device.ports, out)!.format!, way.from.signal.format)
            )
              setFormat(draft, node, out, way.from.signal.format)
            layWay(
              draft,
              way,
              { device: member, port: out },
              { device: switcher.id, port: ports[i]! },
              nameOf(member),
              replaced[i]?.id,
            )
            label(switcher, ports[i]!, end ? end.toUpperCase() : node.device.name)
          })
        },
      )
    } else if (demand.of === 'feeder') {
      const [outKey, inKey] = takes as [string, string]
      const parent = chain.nodes.get(task.sockets.get(inKey)!.device)!
      const out = outputFor(outKey, 'program')
      part(
        'feeder',
        demand.id,
        `${nameOf(member)} program to ${nameOf(parent.id)} input ${numberOf(parent, ports[0]!)} by ${wayTitle(way)}`,
        () => {
          away()
          point(member, out, 'program')
          layWay(
            draft,
            way,
            { device: member, port: out },
            { device: parent.id, port: ports[0]! },
            nameOf(member),
            replaced[0]?.id,
          )
          label(parent, ports[0]!, node.device.name)
        },
      )
    } else {
      const end = task.sockets.get(takes.at(-1)!)!
      const input = [...free.get(end.key)!][0]!
      free.get(end.key)!.delete(input)
      const box = leg === undefined ? undefined : boxes.get(leg)!.find(({ legs }) => legs.length)
      const from: LinkEnd = box
        ? { device: box.device, port: box.legs.shift()! }
        : { device: task.sockets.get(takes[0]!)!.device, port: outputFor(takes[0]!, demand.feed!) }
      const title = box
        ? `Splitter, ${demand.feed}, to ${nameOf(member)} by ${wayTitle(way)}`
        : `${nameOf(from.device)} output ${numberOf(chain.nodes.get(from.device)!, from.port)}, ${demand.feed}, to ${nameOf(member)} by ${wayTitle(way)}`
      part(
        'sink',
        demand.id,
        title,
        () => {
          away()
          if (!box) point(from.device, from.port, demand.feed!)
          layWay(draft, way, from, { device: member, port: input }, nameOf(member), replaced[0]?.id)
          if (demand.assumed)
            draft.edits.push({
              do: 'add',
              collection: 'wants',
              id: `${member}-sees`.slice(0, 64).replace(/-+$/, ''),
              value: { sink: member, feed: demand.feed! },
            })
        },
        box ? [box.id] : [],
      )
    }
  }
  // A label that no picture stands behind any more would lie.
  const stale = [...chain.nodes.values()]
    .filter(isSwitcher)
    .flatMap(({ id, device, model }) =>
      portsOf(model, 'in').flatMap(([port]) =>
        own(device.ports, port)?.label !== undefined &&
        !occupied.has(`${id}/${port}`) &&
        !Object.values(task.bare.links).some(({ to }) => to?.device === id && to.port === port)
          ? [[id, port] as const]
          : [],
      ),
    )
  if (stale.length && moving.length)
    part('tidy', 'labels', `Take ${stale.length} label${stale.length === 1 ? '' : 's'} off inputs that fall free`, () =>
      stale.forEach(([id, port]) => draft.set(['devices', id, 'ports', port, 'label'])),
    )
  return { parts, shelf: draft.edits.filter(isRow) }

  function point(switcher: string, out: string, feed: Feed): void {
    const node = chain.nodes.get(switcher)!
    if ((own(node.device.ports, out)?.feed ?? node.model.ports[out]!.feeds?.[0]) !== feed)
      draft.set(['devices', switcher, 'ports', out, 'feed'], feed)
  }

  /** A free output of a class; best one that is pointed at the feed already. */
  function outputFor(key: string, feed: string): string {
    const { device, port } = task.sockets.get(key)!
    const ports = [...free.get(key)!]
    const chosen =
      ports.find(id => (own(chain.nodes.get(device)!.device.ports, id)?.feed ?? port.feeds?.[0]) === feed) ?? ports[0]!
    free.get(key)!.delete(chosen)
    return chosen
  }

  function inputsFor({ demand, member, takes }: Moving): string[] {
    const key = takes.at(-1)!
    const { device, ports } = task.sockets.get(key)!
    const open = ports.filter(id => free.get(key)!.has(id))
    const switcher = chain.nodes.get(device)!
    const { inset } = switcher.model
    const number = /(\d+)\s*$/.exec(nameOf(member))?.[1]
    const take = (): string => {
      const named =
        number === undefined || demand.ends.length > 1
          ? undefined
          : open.find(id => switcher.model.ports[id]!.number === Number(number))
      const first = demand.safe ? (open.find(id => id === inset) ?? open[0]) : undefined
      // The picture in picture is kept for the safe shot, where there is one.
      const plain = open.filter(id => id !== inset || demand.of === 'feeder' || !task.demands.some(({ safe }) => safe))
      const chosen = first ?? named ?? plain[0] ?? open[0]!
      open.splice(open.indexOf(chosen), 1)
      free.get(key)!.delete(chosen)
      occupied.add(`${device}/${chosen}`)
      return chosen
    }
    return demand.ends.map(take)
  }

  function label(switcher: DeviceNode, port: string, name: string): void {
    const taken =
      labels.get(switcher.id) ??
      new Set(
        Object.entries(switcher.device.ports ?? {}).flatMap(([id, { label: text }]) =>
          text !== undefined && occupied.has(`${switcher.id}/${id}`) && id !== port ? [text] : [],
        ),
      )
    labels.set(switcher.id, taken)
    const short = shortLabel(name)
    let text = short
    for (let n = 2; taken.has(text); n++) text = `${short} ${n}`
    taken.add(text)
    if (own(switcher.device.ports, port)?.label !== text)
      draft.set(['devices', switcher.id, 'ports', port, 'label'], text)
  }
}

/** What fits beside an input of the board. */
const LABEL_LENGTH = 9

/** As many whole words of a name as fit, in capitals, its number kept: "Camera 2, gallery" is CAMERA 2. */
function shortLabel(name: string): string {
  const words = name.split(/[,(]/)[0]!.trim().toUpperCase().split(/\s+/)
  const number = words.length > 1 && /^\d+$/.test(words.at(-1)!) ? ` ${words.pop()}` : ''
  let label = words[0]!.slice(0, LABEL_LENGTH - number.length)
  for (const word of words.slice(1)) {
    if (label.length + 1 + word.length + number.length > LABEL_LENGTH) break
    label += ` ${word}`
  }
  return `${label}${number}` || 'INPUT'
}

interface Moving {
  readonly demand: Demand
  readonly member: string
  readonly way: Candidate
  readonly leg?: string
  readonly takes: readonly string[]
  /** Inputs of the switcher that is entered. */
  readonly ports: string[]
}

/** One entry for each device that is led anew; members of a demand share its choices out in their order. */
function membersOf({ picks }: Solution): Moving[] {
  const rest = new Map<Demand, string[]>()
  return picks
    .filter(({ choice }) => choice.way !== undefined)
    .flatMap(({ demand, choice, count }) => {
      const left = rest.get(demand) ?? [...demand.members]
      rest.set(demand, left)
      return left.splice(0, count).map((member): Moving => ({
        demand,
        member,
        way: choice.way!,
        ...(choice.leg === undefined ? {} : { leg: choice.leg }),
        takes: choice.takes,
        ports: [],
      }))
    })
}

/** The order in which inputs are given: the safe shot, cameras, other pictures, feeders, computers; then what leaves. */
function rank({ demand, member }: Moving, nodes: ReadonlyMap<string, DeviceNode>): number {
  if (demand.of === 'sink') return 9
  if (demand.of === 'feeder') return 4
  const { model } = nodes.get(member)!
  if (demand.safe) return 0
  if (isCamera(model)) return 1
  return model.kind === 'computer' ? 5 : 2
}

const orderOf = ({ member }: Moving, nodes: ReadonlyMap<string, DeviceNode>): number => nodes.get(member)!.device.order

const isRow = (edit: Edit): boolean =>
  edit.do === 'add' && (edit.collection === 'models' || edit.collection === 'leads')
const numberOf = (node: DeviceNode, port: string): string | number => node.model.ports[port]?.number ?? port

function settingWords(edits: readonly Edit[]): string {
  const formats = edits.flatMap(edit =>
    edit.do === 'set' && edit.at.at(-1) === 'format' ? [formatLabel(edit.value as never)] : [],
  )
  return [...new Set(formats)].join(', ') || 'its other mode'
}
