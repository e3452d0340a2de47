import type { Highs } from 'highs'
import { carriesPicture, portsOf } from '#core/catalog'
import { isSwitcher, kitLines, kitMinor, planMinor, planWatts, slowestMs, socketKey } from '#core/chain'
import { type Edit, applyEdits, own } from '#core/document'
import { singlePoints } from '../continuity/facts'
import { isGrave } from '#core/kernel'
import { type Checked, type Effect, effectOf, remediesOf } from '#core/propose'
import type { VideoFormat } from '#core/signal'
import { type Solution, chooserOf, distinctPlans, standardWords } from './choose'
import { type Collision, collisionsOf } from './collide'
import { type ChangeSet, type Change, composed, layout } from './lay'
import { taskOf } from './task'
import type { Weights } from './weights'

/** A whole plan that is proposed, with what it would be. */
export interface Offer {
  readonly id: string
  /** The standards of its switchers. */
  readonly title: string
  readonly parts: readonly Change[]
  readonly shelf: readonly Edit[]
  readonly edits: readonly Edit[]
  readonly effect: Effect
  /** Points that were weighed, and the points below which nothing distinct from better offers can be. */
  readonly cost: number
  readonly bound: number
  readonly proven: boolean
  /** Planning price of the plan with the chosen runs, minor units, as the solver adds it up; finishing touches come on top. */
  readonly solvedMinor: number
  /** Planning price of the whole plan, and of what the kit lacks, minor units. */
  readonly minor: number
  readonly missingMinor: number
  /** Slowest picture at any switcher's outputs, typical, ms. */
  readonly delayMs: number
  readonly watts: number
  readonly spareInputs: number
  readonly singlePoints: number
  /** What must be got that the kit does not have. */
  readonly gets: readonly { readonly title: string; readonly count: number }[]
  /** Cables laid whose way nobody has measured: their length and price are open. */
  readonly unmeasured: number
  /** What sets it apart from the first offer. */
  readonly differs: readonly string[]
}

export interface Asked {
  readonly weights: Weights
  readonly fixed?: VideoFormat
  readonly kitOnly?: boolean
  /** Distinct plans to look for, at most. */
  readonly most?: number
  /** Seconds for one search of the solver. */
  readonly seconds?: number
}

export interface Progress {
  readonly phase: 'ways' | 'choosing' | 'checking' | 'collisions'
  /** 0 .. 1 of the looking for ways. */
  readonly share?: number
  /** The offer that is looked for, from 1; the best so far and the bound, points. */
  readonly offer?: number
  readonly best?: number
  readonly bound?: number
}

export interface Proposals {
  readonly offers: readonly Offer[]
  /** Why nothing can be offered. */
  readonly collisions: readonly Collision[]
  /** Time ran out before anything was found. */
  readonly unknown?: true
  /** Dark already, and led by what is not looked into: left as it is. */
  readonly left: readonly string[]
  /** How it is now, in the measures of an offer. */
  readonly now: Sums
  readonly size: { readonly demands: number; readonly choices: number; readonly columns: number; readonly rows: number }
  /** Milliseconds: to all ways, to the first plan proven, to the end. */
  readonly ms: { readonly ways: number; readonly first: number; readonly all: number }
}

export type Sums = Pick<Offer, 'minor' | 'missingMinor' | 'delayMs' | 'watts' | 'spareInputs' | 'singlePoints'>

export const MOST_OFFERS = 5

/**
 * The best plans for a show, each giving up a standard, a device on the way or a place of conversion that every
 * better one has; each proven to be the best such plan unless time ran out. `found` is called with each as it comes.
 */
export function propose(
  highs: Highs,
  checked: Checked,
  asked: Asked,
  progress: (step: Progress) => void = () => {},
  found: (offer: Offer) => void = () => {},
): Proposals {
  const begun = Date.now()
  const { weights, fixed, kitOnly = false, most = MOST_OFFERS, seconds = 30 } = asked
  const task = taskOf(checked, fixed ? { fixed } : {}, share => progress({ phase: 'ways', share }))
  const waysMs = Date.now() - begun
  const chooser = chooserOf(task, weights, { kitOnly })
  const { columns, rows } = chooser.program.size
  const result = {
    left: task.left,
    now: measuresOf(checked),
    size: {
      demands: task.demands.length,
      choices: task.demands.reduce((sum, { choices }) => sum + choices.length, 0),
      columns,
      rows,
    },
  }
  const offers: Offer[] = []
  let first = 0
  const incomplete = task.demands.some(({ rigid, runs, of }) => !rigid && runs.length === 0 && of !== 'feeder')
  progress({ phase: 'choosing', offer: 1 })
  const tell = (best: number, bound: number) => progress({ phase: 'choosing', offer: offers.length + 1, best, bound })
  for (const solution of distinctPlans(highs, chooser, { seconds, progress: tell })) {
    if (solution === 'infeasible') {
      const { collisions } = collisionsOf(highs, checked, { ...(fixed ? { fixed } : {}), kitOnly }, share =>
        progress({ phase: 'collisions', share }),
      )
      return { ...result, offers, collisions, ms: { ways: waysMs, first: 0, all: Date.now() - begun } }
    }
    if (solution === 'unknown')
      return {
        ...result,
        offers,
        collisions: [],
        unknown: true,
        ms: { ways: waysMs, first: 0, all: Date.now() - begun },
      }
    const n = offers.length + 1
    if (n === 1) first = Date.now() - begun
    progress({ phase: 'checking', offer: n })
    const offer = offerOf(
      checked,
      `offer-${n}`,
      standardWords(task, solution),
      layout(task, solution),
      solution,
      incomplete,
      offers[0],
    )
    offers.push(offer)
    found(offer)
    if (n === most) break
    progress({ phase: 'choosing', offer: n + 1 })
  }
  return { ...result, offers, collisions: [], ms: { ways: waysMs, first, all: Date.now() - begun } }
}

function offerOf(
  checked: Checked,
  id: string,
  title: string,
  laid: ChangeSet,
  solution: Solution,
  incomplete: boolean,
  best: Offer | undefined,
): Offer {
  const { plan } = checked.traced
  const whole = finished(checked, laid, incomplete)
  const edits = composed(whole)
  const applied = applyEdits(plan, edits)
  if (!applied.ok) throw new Error(`the proposal does not apply: ${applied.problem.path}: ${applied.problem.found}`)
  const next = checked.by.again(checked.traced, applied.value.plan)
  const had = new Map(kitLines(plan).map(line => [line.key, line.missing]))
  const gets = kitLines(applied.value.plan)
    .filter(line => line.missing > (had.get(line.key) ?? 0))
    .map(line => ({
      title: `${line.pieceM === undefined ? '' : `${line.pieceM}\u00A0m `}${line.short}`,
      count: line.missing - (had.get(line.key) ?? 0),
    }))
  const offer = {
    id,
    title,
    parts: whole.parts,
    shelf: whole.shelf,
    edits,
    effect: effectOf(checked, edits)!,
    cost: solution.cost,
    bound: solution.bound,
    proven: solution.proven,
    solvedMinor: solution.minor,
    ...measuresOf(next),
    gets,
    unmeasured: Object.entries(applied.value.plan.links).filter(
      ([link, { routeM, pieces }]) => routeM === undefined && pieces === undefined && !own(plan.links, link),
    ).length,
  }
  return { ...offer, differs: best ? differences(best, offer) : [] }
}

/** Faults that a setting or a plug beside the picture mends: they are put right at once. */
const TOUCHES: ReadonlySet<string> = new Set([
  'F07',
  'F09',
  'F10',
  'F11',
  'F14',
  'F18',
  'F19',
  'F21',
  'C12',
  'C16',
  'C17',
  'A01',
  'A08',
  'R04',
  'E01',
])
const MOST_TOUCHES = 24

/** Adds what a fresh patch still lacks beside its pictures: settings, control, sound. Of a finished plan, only what the change itself brings. */
function finished(checked: Checked, laid: ChangeSet, incomplete: boolean): ChangeSet {
  const { plan } = checked.traced
  const known = new Set(checked.findings.map(({ key }) => key))
  const parts = [...laid.parts]
  const shelf = [...laid.shelf]
  const tried = new Set<string>()
  for (let i = 0; i < MOST_TOUCHES; i++) {
    const applied = applyEdits(plan, composed({ parts, shelf }))
    if (!applied.ok) throw new Error(`the proposal does not apply: ${applied.problem.path}: ${applied.problem.found}`)
    const next = checked.by.again(checked.traced, applied.value.plan)
    const open = next.findings.find(
      ({ id, key, severity, accepted }) =>
        TOUCHES.has(id) &&
        severity !== 'N' &&
        accepted === undefined &&
        !tried.has(key) &&
        (incomplete || !known.has(key)),
    )
    if (!open) break
    tried.add(open.key)
    const remedy = remediesOf(next, open, 3).find(
      ({ givesUp, effect }) =>
        !givesUp && effect.after.arrive >= effect.before.arrive && !effect.adds.some(added => isGrave(added as never)),
    )
    if (!remedy) continue
    const rows = remedy.edits.filter(
      edit => edit.do === 'add' && (edit.collection === 'models' || edit.collection === 'leads'),
    )
    const added = {
      id: `finish:${open.key}`,
      kind: 'finish' as const,
      title: remedy.title,
      edits: remedy.edits.filter(edit => !(rows as readonly Edit[]).includes(edit)),
      needs: [],
    }
    if (!applyEdits(plan, composed({ parts: [...parts, added], shelf: [...shelf, ...rows] })).ok) continue
    parts.push(added)
    shelf.push(...rows)
  }
  return { parts, shelf }
}

/** What a plan is, in the measures by which offers are compared. */
export function measuresOf(checked: Checked): Sums {
  const { plan, chain, trace } = checked.traced
  const switchers = [...chain.nodes.values()].filter(isSwitcher)
  return {
    minor: planMinor(plan),
    missingMinor: kitMinor(plan).missing,
    watts: planWatts(plan),
    delayMs: slowestMs(trace),
    spareInputs: switchers.reduce(
      (sum, { id, model }) =>
        sum +
        portsOf(model, 'in').filter(([port, row]) => carriesPicture(row) && !chain.entering.has(socketKey(id, port)))
          .length,
      0,
    ),
    singlePoints: new Set(
      singlePoints(checked).flatMap(({ things }) => things.map(({ loss }) => `${loss.of}/${loss.id}`)),
    ).size,
  }
}

function differences(best: Offer, { title, gets, parts }: Pick<Offer, 'title' | 'gets' | 'parts'>): string[] {
  const words: string[] = []
  if (title !== best.title) words.push(`${title} instead of ${best.title}`)
  const count = (list: Offer['gets'], name: string) => list.find(item => item.title === name)?.count ?? 0
  for (const name of new Set([...gets, ...best.gets].map(item => item.title))) {
    const by = count(gets, name) - count(best.gets, name)
    if (by !== 0) words.push(`${by > 0 ? `${by} more` : `${-by} fewer`} ${name}`)
  }
  const there = new Set(best.parts.map(part => part.title))
  const other = parts.filter(part => part.kind !== 'finish' && !there.has(part.title)).length
  if (words.length === 0) words.push(`${other} run${other === 1 ? '' : 's'} led otherwise`)
  return words
}
