import { carriesPicture, mixOf, portsOf } from '#core/catalog'
import { type Traced, lastSwitchers } from '#core/chain'
import { own } from '#core/document'
import { fillInput, linkTo, pictureAt, shownIn } from './compose'
import { momentsOf } from './moments'
import { mixerNodes } from './state'
import { judgedSinks } from './take'

/** What a look of the show asks of whoever mixes it. */
export interface LookNeed {
  readonly look: string
  readonly title: string
  /** Sources that audiences and recordings see at once. */
  readonly sources: readonly string[]
  /** Overlays that are lit at once. */
  readonly overlays: readonly string[]
}

/** By look of the running order, in its order; a look that is taken in several moments has what all of them show. */
export function needsOf(traced: Traced): LookNeed[] {
  const sinks = judgedSinks(traced)
  const found = new Map<string, { sources: Set<string>; overlays: Set<string> }>()
  for (const { look, state } of momentsOf(traced)) {
    if (look === undefined) continue
    const need = found.get(look) ?? { sources: new Set(), overlays: new Set() }
    for (const end of sinks)
      for (const { device, as } of shownIn(pictureAt(traced, state, end))) if (as !== 'tile') need.sources.add(device)
    for (const { keys } of Object.values(state.mixers)) for (const id of Object.values(keys)) need.overlays.add(id)
    found.set(look, need)
  }
  return [...found].map(([look, { sources, overlays }]) => ({
    look,
    title: traced.plan.looks[look]!.title,
    sources: [...sources],
    overlays: [...overlays],
  }))
}

/**
 * Whether a chain can hold what a look needs: each source by an input of its own at a last switcher (one link brings one
 * picture), and for the overlays a keyer each that can cut them out. By augmenting paths: exact for both.
 */
export function holds(traced: Traced, { sources, overlays }: LookNeed): boolean {
  const last = lastSwitchers(traced)
  const inputs = last.flatMap(node =>
    portsOf(node.model, 'in')
      .filter(([, port]) => carriesPicture(port))
      .map(([port]) => ({ node, port })),
  )
  const ways = sources.map(source =>
    inputs.flatMap(({ node, port }, i) => {
      const straight = traced.runs.some(
        ({ lit, beside, origin, end }) =>
          lit && !beside && origin?.device === source && end?.device === node.id && end.port === port,
      )
      return straight || linkTo(traced, { device: node.id, port }, source) !== undefined ? [i] : []
    }),
  )
  const keyers = mixerNodes(traced).flatMap(node =>
    (mixOf(node.model)?.keyers ?? []).map(({ kinds }) => ({ node, kinds })),
  )
  const keys = overlays.flatMap(id => {
    const overlay = own(traced.plan.overlays, id)
    return overlay
      ? [
          keyers.flatMap(({ node, kinds }, i) =>
            kinds.includes(overlay.kind) && fillInput(traced, node, overlay.fill) !== undefined ? [i] : [],
          ),
        ]
      : []
  })
  // A source that comes nowhere is told as that.
  return matched(ways.filter(way => way.length > 0)) && matched(keys.filter(way => way.length > 0))
}

/** Whether each has one of its choices to itself. */
export function matched(choices: readonly (readonly number[])[]): boolean {
  const holder = new Map<number, number>()
  const place = (one: number, tried: Set<number>): boolean =>
    choices[one]!.some(choice => {
      if (tried.has(choice)) return false
      tried.add(choice)
      const there = holder.get(choice)
      if (there !== undefined && !place(there, tried)) return false
      holder.set(choice, one)
      return true
    })
  return choices.every((_, one) => place(one, new Set()))
}

/** The most sources that the choice behind a feeder is searched among. */
const MOST_SEARCHED = 24

/**
 * The looks that cannot be shown when so many of the sources stand behind one link, which brings one of them at a time:
 * for the choice that loses the fewest. Exact by branching up to 24 sources; above, those least seen together are taken.
 */
export function lostBehind(needs: readonly LookNeed[], sources: readonly string[], behind: number): LookNeed[] {
  const lost = (chosen: ReadonlySet<string>) =>
    needs.filter(need => need.sources.filter(source => chosen.has(source)).length > 1)
  const busy = (source: string) => needs.filter(need => need.sources.length > 1 && need.sources.includes(source)).length
  const order = [...sources].sort((a, b) => busy(a) - busy(b) || (a < b ? -1 : 1))
  let best = lost(new Set(order.slice(0, behind)))
  if (order.length > MOST_SEARCHED) return best
  const search = (from: number, chosen: readonly string[]): void => {
    const now = lost(new Set(chosen))
    if (now.length >= best.length) return
    if (chosen.length === behind) {
      best = now
      return
    }
    for (let i = from; i <= order.length - (behind - chosen.length); i++) search(i + 1, [...chosen, order[i]!])
  }
  search(0, [])
  return best
}
