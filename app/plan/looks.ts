import { type Edit, type Plan, freshId, setEdit } from '#core/document'

/** A moment of the show, as far as its look is set. */
interface Instant {
  readonly segment?: string
  readonly segmentTitle?: string
  readonly cue?: string
  readonly title: string
  readonly look?: string
}

const after = (map: Readonly<Record<string, { readonly order: number }>>): number =>
  1 + Math.max(0, ...Object.values(map).map(({ order }) => order))

/** What a moment is called in a list: "Talk: opens". */
export const instantName = ({ segmentTitle, title }: Instant): string =>
  segmentTitle === undefined ? 'As it stands' : `${segmentTitle}: ${title}`

/**
 * The edits that set a field of a moment's look. A moment without a look gets one first; a field without a value is
 * left as it was before the moment.
 */
export function lookEdits(plan: Plan, instant: Instant, at: readonly string[], value: unknown): Edit[] {
  const set = (id: string) => setEdit(['looks', id, ...at] as never, value as never)
  if (instant.look !== undefined) return [set(instant.look)]
  if (instant.segment === undefined || value === undefined) return []
  const title = (instant.cue === undefined ? `${instant.segmentTitle} opens` : instant.title).slice(0, 120)
  const id = freshId(title, plan.looks, Math.random)
  return [
    { do: 'add', collection: 'looks', id, value: { title, order: after(plan.looks) } },
    set(id),
    instant.cue === undefined
      ? setEdit(['segments', instant.segment, 'opens'], id)
      : setEdit(['cues', instant.cue, 'look'], id),
  ]
}

/** A cue with a look of its own, behind the chosen moment. */
export function momentEdits(plan: Plan, instant: Instant, title: string): Edit[] {
  const look = freshId(title, plan.looks, Math.random)
  const cue = freshId(title, plan.cues, Math.random)
  return [
    { do: 'add', collection: 'looks', id: look, value: { title, order: after(plan.looks) } },
    {
      do: 'add',
      collection: 'cues',
      id: cue,
      value: { segment: instant.segment!, title, order: orderBehind(plan, instant), look },
    },
  ]
}

function orderBehind({ cues }: Plan, { segment, cue }: Instant): number {
  const all = Object.values(cues)
    .filter(one => one.segment === segment)
    .map(({ order }) => order)
    .sort((a, b) => a - b)
  if (cue === undefined) return (all[0] ?? 2) - 1
  const here = cues[cue]!.order
  const next = all.find(order => order > here)
  return next === undefined ? here + 1 : (here + next) / 2
}

/** The moment goes; its look too, where nothing else takes it. */
export function dropEdits({ cues, segments }: Plan, { cue, segment, look }: Instant): Edit[] {
  const others = [
    ...Object.entries(cues).flatMap(([id, one]) => (id === cue ? [] : [one.look])),
    ...Object.entries(segments).flatMap(([id, { opens }]) => (cue === undefined && id === segment ? [] : [opens])),
  ]
  const unused: Edit[] =
    look === undefined || others.includes(look) ? [] : [{ do: 'remove', collection: 'looks', id: look }]
  if (cue !== undefined) return [{ do: 'remove', collection: 'cues', id: cue }, ...unused]
  return segment === undefined || look === undefined ? [] : [setEdit(['segments', segment, 'opens']), ...unused]
}
