import { type Feed, carriesPicture, portsOf, type Carried, isSink } from '#core/catalog'
import { type DeviceNode, type Run, type Traced, isSwitcher, carriedBy } from '#core/chain'
import { type Want } from '#core/document'
import { byOrder } from './cascade'

/** What one sink should see. */
export interface SinkWant {
  readonly want: string | undefined
  readonly sink: DeviceNode
  readonly feed: Feed
  readonly sound: boolean
  readonly asks: Want['asks']
  readonly run: Run | undefined
  readonly assumed: boolean
}

/** What sinks should see, each with the run that feeds it now. A sink that nobody mentions is taken to want program. */
export function wantsOf({ plan, chain, runs }: Traced): SinkWant[] {
  const open = new Map<string, Run[]>()
  for (const run of runs) {
    if (run.beside || !run.end || !run.origin || !isSink(chain.nodes.get(run.end.device)!.model)) continue
    open.set(run.end.device, [...(open.get(run.end.device) ?? []), run])
  }
  const result: SinkWant[] = []
  const fromSwitcher = (run: Run) => isSwitcher(chain.nodes.get(run.origin!.device)!)
  for (const [want, { sink, feed, sound, asks }] of Object.entries(plan.wants).sort(([a], [b]) => (a < b ? -1 : 1))) {
    const node = chain.nodes.get(sink)!
    if (!isSink(node.model)) continue
    const mine = open.get(sink) ?? []
    const run = mine.find(one => fromSwitcher(one) && one.links[0]?.signal?.feed === feed) ?? mine.find(fromSwitcher)
    if (mine.length > 0 && (!run || feedOf(run) === 'input')) {
      // A source leads straight there, or by an output of its own: that stays.
      continue
    }
    if (run)
      open.set(
        sink,
        mine.filter(one => one !== run),
      )
    result.push({ want, sink: node, feed, sound: sound === true, asks, run, assumed: false })
  }
  const wanted = new Set(Object.values(plan.wants).map(({ sink }) => sink))
  for (const node of [...chain.nodes.values()].filter(({ model }) => isSink(model)).sort(byOrder)) {
    if (!portsOf(node.model, 'in').some(([, port]) => carriesPicture(port))) continue
    for (const run of open.get(node.id) ?? []) {
      const feed = fromSwitcher(run) ? (run.links[0]?.signal?.feed ?? feedOf(run)) : undefined
      // What is led to somebody as one input stays as it is.
      if (feed && feed !== 'input')
        result.push({ want: undefined, sink: node, feed, sound: false, asks: undefined, run, assumed: false })
    }
    if (!wanted.has(node.id) && !open.get(node.id)?.length && !runs.some(run => run.end?.device === node.id))
      result.push({
        want: undefined,
        sink: node,
        feed: 'program',
        sound: false,
        asks: undefined,
        run: undefined,
        assumed: true,
      })
  }
  return result
}

/** What the output at which a run begins is pointed at. */
export function feedOf({ links }: Run): Carried | undefined {
  const from = links[0]?.wire.from
  return from && carriedBy(from.node, from.portId)
}
