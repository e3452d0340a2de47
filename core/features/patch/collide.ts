import type { Highs } from 'highs'
import type { Checked } from '#core/propose'
import { SIGNAL_TITLES, type VideoFormat, formatLabel } from '#core/signal'
import { type Terms, choose, chooserOf } from './choose'
import type { Task } from './question'
import { taskOf } from './task'
import type { Weights } from './weights'

/** Something that is asked of a plan and could be given up. */
export interface Claim {
  readonly id: string
  readonly of: 'source' | 'sink' | 'spare' | 'standard' | 'kit' | 'pin'
  readonly words: string
  /** What giving it up is taken to cost, against the other claims. */
  readonly dear: number
}

/** Claims of which any one could be dropped, and the rest be met; all of them cannot. */
export interface Collision {
  readonly claims: readonly Claim[]
  /** The one whose loss is least. */
  readonly cheapest: Claim
  /** No smaller set of claims collides, which is sure for one and for two. */
  readonly smallest: boolean
  /** The figures behind it. */
  readonly why: string
}

export interface Collisions {
  readonly collisions: readonly Collision[]
  readonly claims: readonly Claim[]
  /** Whether these claims can be met together. */
  readonly feasible: (claims: readonly Claim[]) => boolean
}

const NO_WEIGHTS: Weights = {
  money: 0,
  gear: 0,
  things: 0,
  delay: 0,
  quality: 0,
  risk: 0,
  moves: 0,
  settings: 0,
  power: 0,
}

/** Orders in which claims are tried to be dropped; the smallest set of all of them is told. */
const ORDERS = 3

/**
 * Finds the smallest sets of claims that collide, one after the other: with the cheapest claim of each dropped, the
 * rest can be met. Takes a solve for each claim and order.
 */
export function collisionsOf(
  highs: Highs,
  checked: Checked,
  { fixed, kitOnly = false }: { readonly fixed?: VideoFormat; readonly kitOnly?: boolean },
  progress: (share: number) => void = () => {},
): Collisions {
  const task = taskOf(checked, { ...(fixed ? { fixed } : {}), loosely: true })
  const claims = claimsOf(task, kitOnly)
  const known = new Map<string, boolean>()
  const feasible = (held: readonly Claim[]): boolean => {
    const key = held
      .map(({ id }) => id)
      .sort()
      .join(' ')
    const answer =
      known.get(key) ??
      choose(highs, chooserOf(task, NO_WEIGHTS, termsOf(task, new Set(held.map(({ id }) => id))))) !== 'infeasible'
    known.set(key, answer)
    return answer
  }
  const collisions: Collision[] = []
  let held = claims
  while (!feasible(held)) {
    const set = smallestOf(held, feasible, progress)
    const cheapest = [...set].sort((a, b) => a.dear - b.dear)[0]!
    collisions.push({ claims: set, cheapest, smallest: set.length <= 2, why: figures(task, set) })
    held = held.filter(claim => claim !== cheapest)
    progress(collisions.length / (collisions.length + 1))
  }
  return { collisions, claims, feasible }
}

function smallestOf(
  held: readonly Claim[],
  feasible: (claims: readonly Claim[]) => boolean,
  progress: (share: number) => void,
): readonly Claim[] {
  const alone = held.find(claim => !feasible([claim]))
  if (alone) return [alone]
  let best: readonly Claim[] | undefined
  for (let order = 0; order < ORDERS; order++) {
    let set = order === 0 ? [...held] : order === 1 ? [...held].reverse() : [...held].sort((a, b) => b.dear - a.dear)
    for (const [i, claim] of [...set].entries()) {
      progress((order + i / held.length) / ORDERS)
      const without = set.filter(other => other !== claim)
      if (!feasible(without)) set = without
    }
    if (!best || set.length < best.length) best = set
    if (best.length <= 2) break
  }
  return best!
}

function claimsOf(task: Task, kitOnly: boolean): Claim[] {
  const { plan, demands } = task
  const claims: Claim[] = []
  for (const demand of demands) {
    if (demand.of === 'source')
      claims.push({
        id: demand.id,
        of: 'source',
        words: `${demand.name} arrives at a switcher`,
        dear: demand.safe ? 30 : plan.devices[demand.members[0]!]!.manned ? 14 : 10,
      })
    if (demand.of === 'sink')
      claims.push({
        id: demand.id,
        of: 'sink',
        words: `${demand.name} shows ${demand.feed}`,
        dear: demand.assumed ? 4 : demand.feed === 'multiview' ? 12 : 20,
      })
    if (demand.pinned && demand.choices.some(({ keep }) => keep))
      claims.push({
        id: `pin:${demand.id}`,
        of: 'pin',
        words: `what is pinned at ${demand.name} stays as it is`,
        dear: 5,
      })
  }
  if (task.spare > 0)
    claims.push({
      id: 'spare',
      of: 'spare',
      words: `${task.spare} input${task.spare === 1 ? ' stays' : 's stay'} free for late guests`,
      dear: 3,
    })
  if (task.given)
    claims.push({ id: 'standard', of: 'standard', words: `everything runs in ${formatLabel(task.given)}`, dear: 15 })
  if (kitOnly) claims.push({ id: 'kit', of: 'kit', words: 'nothing is bought or hired', dear: 8 })
  return claims
}

function termsOf({ demands }: Task, held: ReadonlySet<string>): Terms {
  return {
    without: new Set(demands.filter(({ id, of }) => of !== 'feeder' && !held.has(id)).map(({ id }) => id)),
    unpinned: new Set(demands.filter(({ id }) => !held.has(`pin:${id}`)).map(({ id }) => id)),
    spare: held.has('spare'),
    standard: held.has('standard'),
    kitOnly: held.has('kit'),
  }
}

const plural = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`

/** The counts that a set of claims breaks on, in words. */
function figures(task: Task, set: readonly Claim[]): string {
  const byId = new Map(task.demands.map(demand => [demand.id, demand]))
  const of = (kind: Claim['of']) => set.filter(claim => claim.of === kind)
  const [only] = set
  if (set.length === 1 && only) {
    const demand = byId.get(only.id)
    if (demand?.of === 'sink' && !task.demands.some(({ of }) => of === 'source'))
      return 'No source leads to a switcher, so there is nothing to show.'
    if (demand && demand.choices.length === 0)
      return `No way of up to three devices leads ${demand.of === 'source' ? `from ${demand.name} to any free input` : `from a switcher\u2019s ${demand.feed} output to ${demand.name}`}${demand.metres === undefined ? '' : `, ${Number(demand.metres.toFixed(1))}\u00A0m away`}.`
    if (demand)
      return `${demand.name} has ${plural(demand.choices.length, 'way')}, and none of them can be used in any standard of the switchers.`
    if (only.of === 'spare')
      return `The switchers have ${plural(inputsOf(task), 'free input')}, and ${task.spare} ${task.spare === 1 ? 'is' : 'are'} to stay free.`
    return 'This cannot be met whatever else is given up.'
  }
  const words: string[] = []
  const sources = of('source').map(({ id }) => byId.get(id)!)
  const pictures = sources.reduce((sum, { ends }) => sum + ends.length, 0)
  if (sources.length > 0) {
    const feeders = task.switchers.filter(({ root }) => !root).length
    words.push(
      `${plural(pictures, 'picture')}${of('spare').length ? ` and ${plural(task.spare, 'input')} to be kept` : ''}; ${plural(inputsOf(task), 'free input')}${feeders === 1 ? ', less one for a feeder\u2019s link' : feeders ? `, less ${feeders} for the feeders\u2019 links` : ''}`,
    )
    const kinds = new Map<string, number>()
    for (const { dir, port, ports, device } of task.sockets.values())
      if (dir === 'in' && task.switchers.some(({ node }) => node.id === device))
        kinds.set(SIGNAL_TITLES[port.carries], (kinds.get(SIGNAL_TITLES[port.carries]) ?? 0) + ports.length)
    if (kinds.size > 1) words.push(`inputs: ${[...kinds].map(([kind, n]) => `${n} ${kind}`).join(', ')}`)
  }
  const sinks = of('sink').map(({ id }) => byId.get(id)!)
  if (sinks.length > 0) {
    const feeds = [...new Set(sinks.map(({ feed }) => feed!))]
    words.push(
      feeds
        .map(feed => {
          const able = [...task.sockets.values()]
            .filter(
              ({ dir, port, device }) =>
                dir === 'out' && port.feeds?.includes(feed) && task.switchers.some(({ node }) => node.id === device),
            )
            .reduce((sum, { ports }) => sum + ports.length, 0)
          return `${plural(sinks.filter(sink => sink.feed === feed).length, 'screen')} for ${feed}; ${plural(able, 'free output')} can carry it`
        })
        .join('; '),
    )
  }
  if (of('standard').length && task.given) words.push(`${formatLabel(task.given)} is given`)
  if (of('kit').length) words.push('the kit list is all there is')
  if (of('pin').length) words.push(plural(of('pin').length, 'pinned run'))
  return `${words.join('; ')}.`
}

const inputsOf = (task: Task): number =>
  task.switchers.reduce(
    (sum, { node }) =>
      sum +
      [...task.sockets.values()]
        .filter(({ dir, device }) => dir === 'in' && device === node.id)
        .reduce((n, { ports }) => n + ports.length, 0),
    0,
  )
