import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type KitLine, type DeviceNode, type Traced, isSwitcher, kitLines } from '#core/chain'
import { freshId, own } from '#core/document'
import { count, text } from '#core/kernel'
import { Draft, type Proposal, rule, runsTo } from '#core/propose'
import { moneyText } from '#core/words'

export const singlePoint = rule({
  code: 'R01',
  about: 'One item whose loss darkens program, in a show that cannot be dark.',
  messages: {
    single: {
      severity: 'R',
      says: 'Every program picture goes through {device}, and there is no second one: when it fails, {sinks} sinks go dark.',
    },
  },
  find: (traced, say) =>
    single(traced).map(({ node, sinks, run }) =>
      say('single', { on: 'device', device: node.id }, { device: text(node.device.name), sinks: count(sinks) }, run),
    ),
  remedies: (traced, { at }) => {
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    const line = node && lineOf(traced, node)
    if (!line) return []
    const waive = new Draft(traced.plan)
    waive.set(['brief', 'secondWay'])
    return [
      ...spare(traced, line, 'hired', 'Hire', line.hireMinor),
      ...spare(traced, line, 'bought', 'Buy', line.minor),
      { title: 'Give up that the show cannot be dark', edits: waive.edits, givesUp: true },
    ]
  },
})

/** Devices that stand in the run of every program picture, and of which the kit holds no more than are used. */
function single(traced: Traced): { readonly node: DeviceNode; readonly sinks: number; readonly run: string }[] {
  const { plan, chain } = traced
  if (!plan.brief.secondWay) return []
  const wants = Object.values(plan.wants).filter(({ feed }) => feed === 'program' || feed === 'clean')
  const runs = wants.flatMap(({ sink }) =>
    runsTo(traced, sink)
      .filter(({ lit }) => lit)
      .slice(0, 1),
  )
  const ways = runs.map(run => new Set(run.links.flatMap(({ wire: { from } }) => (from ? [from.node.id] : []))))
  if (ways.length === 0) return []
  return [...chain.nodes.values()]
    .filter(
      node =>
        (isSwitcher(node) || node.model.role === 'way') && ways.every(way => way.has(node.id)) && !spared(traced, node),
    )
    .map(node => ({ node, sinks: ways.length, run: runs[0]!.id }))
}

const lineOf = ({ plan }: Traced, node: DeviceNode): KitLine | undefined =>
  kitLines(plan).find(({ kind: of, id }) => of === 'model' && id === node.device.model)

function spared(traced: Traced, node: DeviceNode): boolean {
  const line = lineOf(traced, node)
  return line !== undefined && line.there > line.needed
}

/** One more of it than the plan uses, in the kit. */
function spare({ plan }: Traced, line: KitLine, field: 'hired' | 'bought', verb: string, minor: number): Proposal[] {
  const draft = new Draft(plan)
  const item = own(plan.kit, line.item)
  // Nobody has counted it yet: those in use are taken to be there.
  if (item) draft.set(['kit', line.item!, field], line[field] + line.missing + 1)
  else
    draft.edits.push({
      do: 'add',
      collection: 'kit',
      id: freshId(line.id, plan.kit, () => 0.5),
      value: { kind: 'model', id: line.id, owned: line.needed, [field]: 1 },
    })
  return [
    {
      title:
        `${verb} a second ${line.short} as a spare: ${moneyText(minor, plan.brief.currency ?? CATALOGUE_CURRENCY)}`.slice(
          0,
          120,
        ),
      edits: draft.edits,
    },
  ]
}
