import type { Highs } from 'highs'
import type { Traced } from '#core/chain'
import { type Edit, own, setEdit } from '#core/document'
import { cuesOf, segmentsOf, tapOf } from '#core/run'
import { Program, solve } from '#core/solve'
import { type Laid, allLaid, keyersOf, useOf } from './laid'

/** An overlay in the keyer that it gets in a segment. */
export interface Place {
  /** Absent in a plan without a running order. */
  readonly segment?: string
  readonly overlay: string
  readonly device: string
  /** 1, 2 ... */
  readonly keyer: number
}

export interface KeyerPlan {
  readonly places: readonly Place[]
  /** Overlays that find no keyer, and where. */
  readonly unplaced: readonly Omit<Place, 'device' | 'keyer'>[]
  /** How often an overlay is in another keyer than in the segment before that used it. */
  readonly changes: number
  /** No other assignment is better: more overlays placed, or the same with fewer in a clean picture, and so on. */
  readonly proven: boolean
  /** By overlay, in a sentence. */
  readonly why: Readonly<Record<string, string>>
}

/** What counts, in the order in which it counts: each outweighs all that is below it in a show of usual size. */
const UNPLACED = 2_000_000
const IN_CLEAN = 20_000
const CHANGE = 200
const OTHER_PLACE = 1
/** Where all else is equal, the keyer that a look gives it already. */
const OTHER_THAN_LOOKS = 0.005

/**
 * Gives each overlay its keyer in each segment, by the exact solver: first that all find one, then that none lies in a
 * picture that is wanted clean, then that none changes its keyer from segment to segment, then that boxes lie in the mix
 * and go with their picture while all else lies over it and stays through cuts. One keyer holds one picture at a time.
 */
export function assignKeyers(highs: Highs, traced: Traced): KeyerPlan {
  const segments: (string | undefined)[] = segmentsOf(traced.plan).map(([id]) => id)
  if (segments.length === 0) segments.push(undefined)
  const laid = allLaid(traced).filter(({ node, keyers }) => node && keyers?.length)
  const usedIn = ({ overlay }: Laid, segment: string | undefined) =>
    segment === undefined || !overlay.segments || overlay.segments.includes(segment)
  const uses = new Map<string, Laid[]>()
  for (const one of laid) uses.set(useOf(one), [...(uses.get(useOf(one)) ?? []), one])

  const program = new Program()
  const columns: { use: string; segment: string | undefined; keyer: number; column: number }[] = []
  for (const segment of segments) {
    const taken = new Map<string, [number, number][]>()
    for (const [use, all] of uses) {
      const [one] = all.filter(other => usedIn(other, segment))
      if (!one) continue
      const mine: [number, number][] = []
      for (const keyer of one.keyers!) {
        const column = program.binary(costOf(traced, one, keyer) - UNPLACED)
        columns.push({ use, segment, keyer, column })
        mine.push([column, 1])
        const slot = `${one.node!.id}/${keyer}`
        taken.set(slot, [...(taken.get(slot) ?? []), [column, 1]])
      }
      program.row(mine, 0, 1)
    }
    for (const terms of taken.values()) program.row(terms, 0, 1)
  }
  for (const use of uses.keys()) {
    const mine = columns.filter(one => one.use === use)
    const order = segments.filter(segment => mine.some(one => one.segment === segment))
    order.slice(1).forEach((segment, i) => {
      const change = program.column(CHANGE, 0, 1, false)
      for (const { keyer, column } of mine.filter(one => one.segment === segment)) {
        const before = mine.find(one => one.segment === order[i] && one.keyer === keyer)!
        // change >= now - before, for every keyer: 1 where it is another one now.
        program.row(
          [
            [change, 1],
            [column, -1],
            [before.column, 1],
          ],
          0,
          2,
        )
      }
    })
  }
  const solved = solve(highs, program)
  const on = (column: number) => solved.status === 'solved' && solved.values[column] === 1
  const chosen = columns.filter(({ column }) => on(column))
  const places = chosen.flatMap(({ use, segment, keyer }) =>
    uses
      .get(use)!
      .filter(one => usedIn(one, segment))
      .map(({ id, node }): Place => ({
        ...(segment === undefined ? {} : { segment }),
        overlay: id,
        device: node!.id,
        keyer,
      })),
  )
  const unplaced = laid.flatMap(one =>
    segments
      .filter(
        segment => usedIn(one, segment) && !places.some(place => place.overlay === one.id && place.segment === segment),
      )
      .map(segment => ({ ...(segment === undefined ? {} : { segment }), overlay: one.id })),
  )
  let changes = 0
  for (const { id } of laid) {
    const mine = places.filter(({ overlay }) => overlay === id)
    changes += mine.slice(1).filter(({ keyer }, i) => keyer !== mine[i]!.keyer).length
  }
  return {
    places,
    unplaced,
    changes,
    proven: solved.status === 'solved' && solved.proven,
    why: Object.fromEntries(laid.map(one => [one.id, whyOf(traced, one, places, unplaced)])),
  }
}

const isAfter = ({ node }: Laid, keyer: number): boolean => keyersOf(node!)![keyer - 1]!.place === 'after'

const wantsClean = ({ plan, runs }: Traced, { node }: Laid): boolean =>
  tapOf(node!.model, 'clean').includes('before') &&
  Object.values(plan.wants).some(
    ({ sink, feed }) =>
      feed === 'clean' &&
      runs.some(({ origin, end, beside }) => !beside && end?.device === sink && origin?.device === node!.id),
  )

function costOf(traced: Traced, one: Laid, keyer: number): number {
  const box = one.overlay.kind === 'box'
  const after = isAfter(one, keyer)
  const given = Object.values(traced.plan.looks).flatMap(({ keys }) =>
    Object.entries(own(keys, one.node!.id) ?? {}).flatMap(([number, id]) => (id === one.id ? [Number(number)] : [])),
  )
  return (
    (!box && !after && wantsClean(traced, one) ? IN_CLEAN : 0) +
    (box === after ? OTHER_PLACE : 0) +
    (given.length && !given.includes(keyer) ? OTHER_THAN_LOOKS : 0)
  )
}

function whyOf(traced: Traced, one: Laid, places: readonly Place[], unplaced: KeyerPlan['unplaced']): string {
  const mine = places.filter(({ overlay }) => overlay === one.id)
  const [first] = mine
  if (!first) return `No keyer of ${one.node!.device.name} is left for it.`
  const { title } = keyersOf(one.node!)![first.keyer - 1]!
  const after = isAfter(one, first.keyer)
  const box = one.overlay.kind === 'box'
  const reason = after
    ? wantsClean(traced, one) && !box
      ? 'it lies over the mix, behind the tap of the clean picture'
      : 'it lies over the mix and stays through cuts'
    : box
      ? 'it lies in the mix and goes with its picture'
      : one.keyers!.some(keyer => isAfter(one, keyer))
        ? 'it lies in the mix, since what lies over it is taken'
        : `it lies in the mix: ${one.node!.device.name} has no other keyer for it`
  const moved = mine.find(({ keyer }) => keyer !== first.keyer)
  const also = moved
    ? ` In ${traced.plan.segments[moved.segment!]!.title} it changes to ${keyersOf(one.node!)![moved.keyer - 1]!.title}.`
    : ''
  const missing = unplaced
    .filter(({ overlay }) => overlay === one.id)
    .map(({ segment }) => (segment === undefined ? 'the show' : traced.plan.segments[segment]!.title))
  return `${title}: ${reason}.${also}${missing.length ? ` None is left for it in ${missing.join(', ')}.` : ''}`
}

/** The edits that put every overlay which a look lights into the keyer that it is given in the look's segment. */
export function inLooks({ plan }: Traced, { places }: Pick<KeyerPlan, 'places'>): Edit[] {
  const edits: Edit[] = []
  const done = new Set<string>()
  for (const [segment, { opens }] of segmentsOf(plan)) {
    for (const look of [opens, ...cuesOf(plan, segment).map(([, cue]) => cue.look)]) {
      const keys = look === undefined ? undefined : own(plan.looks, look)?.keys
      if (look === undefined || !keys || done.has(look)) continue
      done.add(look)
      const next = structuredKeys(keys)
      for (const [device, numbers] of Object.entries(keys))
        for (const [number, overlay] of Object.entries(numbers)) {
          const place = places.find(one => one.segment === segment && one.overlay === overlay)
          if (!place || (place.device === device && String(place.keyer) === number)) continue
          if (next[device]?.[number] === overlay) delete next[device][number]
          next[place.device] = { ...next[place.device], [String(place.keyer)]: overlay }
        }
      const filled = Object.fromEntries(Object.entries(next).filter(([, numbers]) => Object.keys(numbers).length))
      if (JSON.stringify(filled) !== JSON.stringify(keys)) edits.push(setEdit(['looks', look, 'keys'], filled))
    }
  }
  return edits
}

const structuredKeys = (
  keys: Readonly<Record<string, Readonly<Record<string, string>>>>,
): Record<string, Record<string, string>> =>
  Object.fromEntries(Object.entries(keys).map(([device, numbers]) => [device, { ...numbers }]))
