import { mixOf } from '#core/catalog'
import { type Edit, own } from '#core/document'
import { type Checked, type Tried, Draft, tryEdits } from '#core/propose'
import { makesGraphics } from '#core/run'
import { type Judged, bestSetting, judgedAt } from './judged'
import { wordsOf } from './drawing'
import { type Laid, allLaid } from './laid'
import { byPair, setTo } from './mend'

/** The ways in which one graphic can be laid over pictures. */
export const SCHOOLS = {
  luma: 'On black, by its brightness',
  pair: 'Fill and key, two leads',
  still: 'A still in the switcher, by its own key',
} as const
export type SchoolId = keyof typeof SCHOOLS

/** One of them, tried on a copy of the plan. */
export interface School {
  readonly id: SchoolId
  /** The overlay is made so now. */
  readonly now: boolean
  /** What would be done; absent where it cannot be, with the reason. */
  readonly edits: readonly Edit[] | undefined
  readonly why: string | undefined
  /** Share of what is meant to be seen that is lost, and of the words; absent where it cannot be judged. */
  readonly lost: number | undefined
  readonly wordsLost: number | undefined
  /** Inputs of the switcher that it takes, keyers there that can do it, boxes that come between. */
  readonly inputs: number
  readonly keyers: number
  readonly boxes: number
  /** What it costs more than now, minor units of the plan's currency. */
  readonly minor: number
  /** Findings that come with it, by name; and what they say. */
  readonly adds: readonly string[]
  readonly says: readonly string[]
}

/** What stands of an overlay's settings that another school has no use for. */
const SETTINGS = ['key', 'output', 'clip', 'gain', 'invert', 'premultiplied', 'drawnOn'] as const

function asKind({ traced }: Checked, { id, overlay }: Laid, kind: 'luma' | 'linear', fill = overlay.fill): Draft {
  const draft = new Draft(traced.plan)
  if (overlay.kind !== kind) draft.set(['overlays', id, 'kind'], kind)
  if (overlay.fill !== fill) draft.set(['overlays', id, 'fill'], fill)
  for (const field of SETTINGS)
    if (overlay[field] !== undefined && (field !== 'output' || overlay.fill !== fill))
      draft.set(['overlays', id, field])
  return draft
}

type Ways = Readonly<Record<SchoolId, (checked: Checked, laid: Laid, judged: Judged) => readonly Edit[] | string>>

const can = ({ node }: Laid, kind: 'luma' | 'linear'): boolean =>
  node !== undefined && (mixOf(node.model)?.keyers ?? []).some(({ kinds }) => kinds.includes(kind))

const WAYS: Ways = {
  luma: (checked, laid, judged) => {
    if (!can(laid, 'luma')) return 'no keyer there cuts by brightness'
    const { edits } = asKind(checked, laid, 'luma')
    const tried = tryEdits(checked, edits)
    const there = tried && judgedAt(tried.checked.traced, laid.id)
    const best = there && bestSetting(there)
    return there && best
      ? [...edits, ...setTo(tried.checked.traced, { ...judged, scale: there.scale }, best).edits]
      : edits
  },
  pair: (checked, laid, judged) => {
    if (judged.graphic.opaque) return 'its file does not say how solid it is'
    if (!can(laid, 'linear')) return 'no keyer there takes a key signal'
    if (laid.overlay.fill === laid.node!.id) return 'it is no source with leads of its own'
    const [first] = byPair(checked.traced, judged)
    return first?.edits ?? 'its source has no key signal, or no input is free for it'
  },
  still: (checked, laid, { graphic }) => {
    const { node } = laid
    if (graphic.opaque) return 'its file does not say how solid it is'
    if (!node || !(makesGraphics(node, node.id) || (mixOf(node.model)?.stills ?? 0) > 0)) return 'it keeps no stills'
    if (mixOf(node.model)?.plainStills) return 'it keeps stills without their key'
    if (!can(laid, 'linear')) return 'no keyer there takes a key signal'
    return asKind(checked, laid, 'linear', node.id).edits
  },
}

const nowOf = ({ node, overlay }: Laid): SchoolId | undefined =>
  overlay.kind === 'luma'
    ? 'luma'
    : overlay.kind !== 'linear'
      ? undefined
      : overlay.fill === node?.id
        ? 'still'
        : 'pair'

/**
 * Every school for one overlay, the best first: what can be done before what cannot, what brings no finding, what loses
 * least, then money and inputs. Each is tried on a copy, so this takes a check a school. Undefined without a graphic that
 * was counted, or for what is cut out by colour, shape or as a box.
 */
export function schoolsOf(checked: Checked, id: string): School[] | undefined {
  const laid = allLaid(checked.traced).find(one => one.id === id)
  const judged = judgedAt(checked.traced, id)
  if (!laid?.node || !judged?.pixels) return undefined
  const now = nowOf(laid)
  return (Object.keys(SCHOOLS) as SchoolId[])
    .map((school): School => {
      const found = now === school ? [] : WAYS[school](checked, laid, judged)
      const none = {
        id: school,
        now: now === school,
        lost: undefined,
        wordsLost: undefined,
        inputs: 0,
        keyers: 0,
        boxes: 0,
        minor: 0,
        adds: [],
        says: [],
      }
      if (typeof found === 'string') return { ...none, edits: undefined, why: found }
      const tried = tryEdits(checked, found)
      if (!tried) return { ...none, edits: undefined, why: 'it does not fit into the plan' }
      return { ...none, edits: found, why: undefined, ...measured(tried, laid, found) }
    })
    .sort(
      (a, b) =>
        Number(a.edits === undefined) - Number(b.edits === undefined) ||
        Number(a.adds.length > 0) - Number(b.adds.length > 0) ||
        grade(a) - grade(b) ||
        a.minor - b.minor ||
        a.inputs - b.inputs,
    )
}

/** Losses that nobody tells apart are alike: tenths of a percent. */
const grade = ({ lost, wordsLost }: School): number => Math.round(Math.max(lost ?? 0, wordsLost ?? 0) * 1000)

function measured({ checked, change, adds }: Tried, { id, node }: Laid, edits: readonly Edit[]) {
  const { traced } = checked
  const brought = adds.filter(({ severity }) => severity !== 'N')
  const there = judgedAt(traced, id)
  const overlay = own(traced.plan.overlays, id)!
  const sources = new Set([overlay.fill, overlay.key])
  return {
    lost: there?.pixels?.found.lost,
    wordsLost: there?.pixels?.wordsLost,
    inputs: traced.runs.filter(
      ({ beside, origin, end }) => !beside && end?.device === node!.id && origin && sources.has(origin.device),
    ).length,
    keyers: allLaid(traced).find(one => one.id === id)?.keyers?.length ?? 0,
    boxes: edits.filter(edit => edit.do === 'add' && edit.collection === 'devices').length,
    minor: change.price ?? 0,
    adds: brought.map(({ key }) => key),
    says: wordsOf(checked, brought),
  }
}
