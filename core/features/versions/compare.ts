import type { CableModel } from '#core/cable'
import { lengthOf, planMinor, planWatts, slowestMs, socketName } from '#core/chain'
import {
  COLLECTIONS,
  type Collection,
  DEFINITIONS,
  type Device,
  type Plan,
  type Want,
  own,
  sameValue,
} from '#core/document'
import type { Severity, Verdict } from '#core/kernel'
import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { type VideoFormat, formatLabel } from '#core/signal'
import { type Units, lengthText } from '#core/words'

/** One thing that the second plan has, lacks, or has otherwise than the first. */
export interface Difference {
  readonly change: 'added' | 'gone' | 'changed'
  readonly name: string
  /** What it is, or what became of it: "1080p25, now 1080p50". */
  readonly words: string
}

/** Two plans side by side; `a` is the first. */
export interface Comparison {
  readonly a: Side
  readonly b: Side
  readonly devices: readonly Difference[]
  readonly links: readonly Difference[]
  readonly settings: readonly Difference[]
  readonly brief: readonly Difference[]
  /** Segments, circuits, kit, distances and whatever else a plan holds. */
  readonly others: readonly Difference[]
  readonly findings: { readonly gone: readonly Told[]; readonly came: readonly Told[] }
  /** Papers that must be printed anew, with the rows that differ. */
  readonly papers: readonly {
    readonly id: string
    readonly title: string
    readonly gone: number
    readonly came: number
  }[]
}

export interface Side {
  readonly title: string
  readonly verdict: Verdict
  readonly minor: number
  readonly watts: number
  /** Slowest picture at any switcher's outputs, typical, ms. */
  readonly delayMs: number
}

export interface Told {
  readonly severity: Severity
  readonly words: string
}

/** Compares two checked plans by the ids of their things. Linear in their size. */
export function compare(
  a: Checked,
  b: Checked,
  units: Units,
  papersOf: (checked: Checked, units: Units) => readonly Paper[],
): Comparison {
  const [from, to] = [a.traced.plan, b.traced.plan]
  const devices = differences(
    from.devices,
    to.devices,
    device => device.name,
    (device, plan) => plan.models[device.model]!.title,
    (x, y) =>
      from.models[x.model]!.title === to.models[y.model]!.title
        ? undefined
        : `${from.models[x.model]!.title}, now ${to.models[y.model]!.title}`,
    from,
    to,
  )
  const settings = Object.entries(from.devices).flatMap(([id, device]) => {
    const other = own(to.devices, id)
    return other ? settingsOf(from, device, to, other) : []
  })
  const linkWords = (checked: Checked, id: string): string => {
    const { plan } = checked.traced
    const link = plan.links[id]!
    const { lengthM } = lengthOf(plan.leads[link.cable] as CableModel, link)
    return `${lengthM === undefined ? '' : `${lengthText(lengthM, units)} `}${plan.leads[link.cable]!.title}`
  }
  const linkName = ({ traced: { chain } }: Checked, id: string): string => {
    const { from: start, to: end } = chain.wires.get(id)!
    return `${start ? socketName(start) : 'loose'} to ${end ? socketName(end) : 'loose'}`
  }
  const links: Difference[] = []
  for (const id of new Set([...Object.keys(from.links), ...Object.keys(to.links)])) {
    const [x, y] = [own(from.links, id), own(to.links, id)]
    if (x && !y) links.push({ change: 'gone', name: linkName(a, id), words: linkWords(a, id) })
    else if (y && !x) links.push({ change: 'added', name: linkName(b, id), words: linkWords(b, id) })
    else if (x && y && !sameValue(x, y)) {
      const [one, other] = [`${linkName(a, id)} by ${linkWords(a, id)}`, `${linkName(b, id)} by ${linkWords(b, id)}`]
      links.push({
        change: 'changed',
        name: linkName(b, id),
        words: one === other ? 'its details' : `${one}, now ${other}`,
      })
    }
  }
  const keys = (checked: Checked) => new Set(checked.findings.map(({ key }) => key))
  const [known, next] = [keys(a), keys(b)]
  const told = (checked: Checked, without: ReadonlySet<string>): Told[] =>
    checked.findings
      .filter(({ key, severity }) => severity !== 'N' && !without.has(key))
      .map(finding => ({ severity: finding.severity, words: checked.by.say(finding, units) }))
  const others = new Map(papersOf(b, units).map(paper => [paper.id, paper]))
  const papers = papersOf(a, units).flatMap(paper => {
    const rows = (list: typeof paper.rows) => list.map(row => JSON.stringify(row))
    const [mine, theirs] = [rows(paper.rows), rows(others.get(paper.id)?.rows ?? [])]
    const gone = less(mine, theirs)
    const came = less(theirs, mine)
    return gone || came ? [{ id: paper.id, title: paper.title, gone, came }] : []
  })
  return {
    a: side(a),
    b: side(b),
    devices,
    links,
    settings,
    brief: briefOf(from, to),
    others: othersOf(from, to),
    findings: { gone: told(a, next), came: told(b, known) },
    papers,
  }
}

function side(checked: Checked): Side {
  const { plan, trace } = checked.traced
  return {
    title: plan.title,
    verdict: checked.verdict,
    minor: planMinor(plan),
    watts: planWatts(plan),
    delayMs: slowestMs(trace),
  }
}

/** How many of the first list the second does not have, each counted as often as it stands there. */
function less(list: readonly string[], other: readonly string[]): number {
  const counts = new Map<string, number>()
  for (const one of other) counts.set(one, (counts.get(one) ?? 0) + 1)
  let missing = 0
  for (const one of list) {
    const left = counts.get(one) ?? 0
    if (left > 0) counts.set(one, left - 1)
    else missing++
  }
  return missing
}

function differences<T>(
  a: Readonly<Record<string, T>>,
  b: Readonly<Record<string, T>>,
  nameOf: (value: T, plan: Plan) => string,
  wordsOf: (value: T, plan: Plan) => string,
  changed: (x: T, y: T) => string | undefined,
  from: Plan,
  to: Plan,
): Difference[] {
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((id): Difference[] => {
    const [x, y] = [own(a, id), own(b, id)]
    if (x && !y) return [{ change: 'gone', name: nameOf(x, from), words: wordsOf(x, from) }]
    if (y && !x) return [{ change: 'added', name: nameOf(y, to), words: wordsOf(y, to) }]
    const words = x && y && changed(x, y)
    return words ? [{ change: 'changed', name: nameOf(y!, to), words }] : []
  })
}

const formatWords = (format: VideoFormat | undefined): string => (format ? formatLabel(format) : 'not set')

/** The settings of one device that differ, each in words. */
function settingsOf(from: Plan, a: Device, to: Plan, b: Device): Difference[] {
  const found: Difference[] = []
  const note = (what: string, x: unknown, y: unknown, words: (value: never) => string = value => plainWords(value)) => {
    if (!sameValue(x, y))
      found.push({ change: 'changed', name: b.name, words: `${what}: ${words(x as never)}, now ${words(y as never)}` })
  }
  for (const field of new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof Device>) {
    if (field === 'ports' || field === 'model' || field === 'order') continue
    const words = field === 'standard' ? (formatWords as never) : undefined
    note(DEVICE_WORDS[field] ?? field, a[field], b[field], words)
  }
  const ports = (device: Device, plan: Plan, id: string) => plan.models[device.model]!.ports[id]?.title ?? id
  for (const id of new Set([...Object.keys(a.ports ?? {}), ...Object.keys(b.ports ?? {})])) {
    const [x, y] = [own(a.ports, id), own(b.ports, id)]
    for (const field of new Set([...Object.keys(x ?? {}), ...Object.keys(y ?? {})]) as Set<
      keyof NonNullable<typeof x>
    >) {
      note(
        `${ports(b, to, id) || ports(a, from, id)} ${FIELD_WORDS[field] ?? field}`,
        x?.[field],
        y?.[field],
        field === 'format' ? (formatWords as never) : undefined,
      )
    }
  }
  return found
}

const DEVICE_WORDS: Readonly<Partial<Record<keyof Device, string>>> = {
  in: 'hangs on',
  air: 'through the air',
  limitsOff: 'what ends it by itself is switched off',
}

/** A value of any field, as it stands in the file. */
function plainWords(value: unknown): string {
  if (value === undefined) return 'not set'
  return typeof value === 'object' ? JSON.stringify(value).replace(/[{}"]/g, '').replaceAll(',', ', ') : String(value)
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  address: 'network address',
  soundDelayMs: 'sound delay, ms',
  gainDb: 'gain, dB',
  of: 'shows',
  offAir: 'kept off air',
  reserved: 'kept for',
}

const TOLD_APART = new Set<Collection>(['devices', 'links', 'wants'])
/** Rows of the catalogue come and go with what uses them: only a changed one is told. */
const ROWS = new Set<Collection>(['models', 'leads'])

/** Every other collection, entry by entry, as its definition calls them. */
function othersOf(from: Plan, to: Plan): Difference[] {
  return COLLECTIONS.filter(name => !TOLD_APART.has(name)).flatMap(name => {
    const { entry } = DEFINITIONS[name]
    const words = DEFINITIONS[name].words as (value: unknown) => string
    const [mine, theirs] = [from[name], to[name]] as Readonly<Record<string, unknown>>[]
    const told = differences(
      mine!,
      theirs!,
      () => entry,
      words,
      (x, y) =>
        sameValue(x, y)
          ? undefined
          : words(x) === words(y)
            ? `${words(y)}: its details`
            : `${words(x)}, now ${words(y)}`,
      from,
      to,
    )
    return ROWS.has(name) ? told.filter(({ change }) => change === 'changed') : told
  })
}

function briefOf(from: Plan, to: Plan): Difference[] {
  const list: Difference[] = []
  for (const field of new Set([...Object.keys(from.brief), ...Object.keys(to.brief)]) as Set<keyof Plan['brief']>) {
    const words = (value: unknown) =>
      field === 'standard' ? formatWords(value as VideoFormat | undefined) : String(value ?? 'open')
    if (!sameValue(from.brief[field], to.brief[field]))
      list.push({ change: 'changed', name: field, words: `${words(from.brief[field])}, now ${words(to.brief[field])}` })
  }
  for (const id of new Set([...Object.keys(from.wants), ...Object.keys(to.wants)])) {
    const [x, y] = [own(from.wants, id), own(to.wants, id)]
    const named = (plan: Plan, id: string) => own(plan.devices, id)?.name ?? id
    const wish = (plan: Plan, { sink, feed, of }: Want) =>
      `${named(plan, sink)} sees ${feed}${of === undefined ? '' : ` of ${named(plan, of)}`}`
    if (x && !y) list.push({ change: 'gone', name: 'who sees what', words: wish(from, x) })
    else if (y && !x) list.push({ change: 'added', name: 'who sees what', words: wish(to, y) })
    else if (x && y && !sameValue(x, y))
      list.push({ change: 'changed', name: 'who sees what', words: `${wish(from, x)}, now ${wish(to, y)}` })
  }
  return list
}
