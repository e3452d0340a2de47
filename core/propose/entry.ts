import { FEEDS, type Feed, MODELS, type Model, makesInAnyMode, portsOf } from '#core/catalog'
import { type Edit, type LinkEnd, type Plan, applyEdits } from '#core/document'
import { type VideoFormat, formatLabel, listFormats, parseFormatLabel } from '#core/signal'
import { type Addition, additionEdits } from './addition'
import { allLeads, shortTitle } from './ways'

// A line of words that says what to add: "2x studio camera 1080p50 45m to main 5-6".

/** A stretch of the line that is not understood, and what would be. */
export interface EntryProblem {
  readonly from: number
  readonly to: number
  readonly what: string
}

export interface Entry {
  /** One device each, in the order of the line. */
  readonly additions: readonly Addition[]
  /** The line as it was understood: "2 x Studio camera, SDI ... to Main 5 and 6". */
  readonly words: string
}

export type EntryReading =
  { readonly ok: true; readonly value: Entry } | { readonly ok: false; readonly problem: EntryProblem }

interface Word {
  readonly text: string
  readonly from: number
  readonly to: number
}

/** Short forms that people write. */
const SHORT: Readonly<Record<string, string>> = {
  cam: 'camera',
  cams: 'camera',
  cameras: 'camera',
  ptz: 'pan-tilt-zoom',
  mic: 'microphone',
  mics: 'microphone',
  pc: 'computer',
  rec: 'recorder',
  proj: 'projector',
  mv: 'multiviewer',
  conv: 'converter',
  screens: 'screen',
  laptops: 'laptop',
}
const LEADING = new Set(['to', 'from', 'as', 'by', ...FEEDS])
const MOST = 24
const METRES_PER_FOOT = 0.3048

/**
 * Reads a line: [count]x, a model by words of its title, a format, a length in m or ft, `to` a switcher and its inputs
 * (for a screen: `from` a switcher and its outputs, or the feed that it should see), `by` a cable, `as` a name. The
 * first word that is not understood is told with its place.
 */
export function readEntry(plan: Plan, line: string): EntryReading {
  const words: Word[] = [...line.matchAll(/\S+/g)].map(({ 0: text, index }) => ({
    text,
    from: index,
    to: index + text.length,
  }))
  const wrong = (at: Word | undefined, what: string): EntryReading => ({
    ok: false,
    problem: { from: at?.from ?? line.length, to: at?.to ?? line.length, what },
  })
  let i = 0
  const counted = /^(\d+)[x\u00D7]$/i.exec(words[0]?.text ?? '')
  const count = counted ? Number(counted[1]) : 1
  if (counted) i = 1
  if (count < 1 || count > MOST) return wrong(words[0], `From 1 to ${MOST} at once.`)

  const named: Word[] = []
  while (words[i] && !isStructured(words[i]!.text)) named.push(words[i++]!)
  if (named.length === 0)
    return wrong(words[i], 'What is it? Words of its title in the catalogue, such as "studio camera".')
  const found = findModel(plan, named)
  if ('problem' in found) return { ok: false, problem: found.problem }
  const { id, model } = found

  let format: VideoFormat | undefined
  let routeM: number | undefined
  let feed: Feed | undefined
  let cable: string | undefined
  let name: string | undefined
  let ends: readonly LinkEnd[] | undefined
  let place: string | undefined
  while (i < words.length) {
    const word = words[i]!
    const text = word.text.toLowerCase()
    const length = /^(\d+(?:[.,]\d+)?)(m|ft)$/.exec(text)
    const label = parseFormatLabel(text)
    if (label) {
      if (!formatsOf(model).some(made => formatLabel(made) === formatLabel(label)))
        return wrong(word, `${shortTitle(model.title)} has no ${formatLabel(label)}. It has ${labels(model)}.`)
      format = label
      i++
    } else if (/^\d{3,4}(x\d{4})?(p|i|psf)/.test(text))
      return wrong(word, 'No standard has this format. Write 1080p50, 1080i59.94, 2160p29.97 ...')
    else if (length) {
      routeM = Number(length[1]!.replace(',', '.')) * (length[2] === 'ft' ? METRES_PER_FOOT : 1)
      if (routeM > 20_000) return wrong(word, 'At most 20 km.')
      i++
    } else if ((FEEDS as readonly string[]).includes(text)) {
      if (model.role !== 'sink') return wrong(word, `Only what shows or takes a picture sees ${text}.`)
      feed = text as Feed
      i++
    } else if (text === 'as') {
      const rest = words.slice(i + 1)
      if (rest.length === 0) return wrong(undefined, 'A name comes behind "as".')
      name = line.slice(rest[0]!.from, rest.at(-1)!.to)
      if (name.length > 100) return wrong(rest[0], 'A name of at most 100 characters.')
      break
    } else if (text === 'by') {
      const until = words.findIndex((other, at) => at > i && isStructured(other.text))
      const asked = words.slice(i + 1, until < 0 ? undefined : until)
      const lead = findLead(plan, model, asked)
      if (lead === undefined)
        return wrong(
          asked[0] ?? undefined,
          `No cable for it is called so. There are ${leadsFor(plan, model)
            .map(([, title]) => title)
            .join(', ')}.`,
        )
      cable = lead
      i = until < 0 ? words.length : until
    } else if (text === 'to' || text === 'from') {
      const wants = model.role === 'sink' ? 'from' : 'to'
      if (text !== wants)
        return wrong(
          word,
          model.role === 'sink'
            ? `A ${model.kind ?? 'sink'} takes its picture "from" a switcher.`
            : 'A source leads "to" a switcher.',
        )
      const where = readPlace(plan, words, i + 1, count, model.role === 'sink' ? 'out' : 'in')
      if ('problem' in where) return { ok: false, problem: where.problem }
      ends = where.ends
      place = where.words
      i = where.next
    } else
      return wrong(
        word,
        'Not understood here. Next may come a format, a length (45m), to a switcher, by a cable, as a name.',
      )
  }
  if ((model.role === 'switcher' || model.role === 'way' || model.role === 'control') && ends)
    return wrong(words[0], 'Only sources and sinks are led to a switcher here.')

  const taken = new Set(Object.values(plan.devices).map(device => device.name))
  const standard = ends
    ? plan.devices[ends[0]!.device]!.standard
    : Object.values(plan.devices).find(device => plan.models[device.model]!.role === 'switcher')?.standard
  const usual =
    format ??
    formatsOf(model).find(made => standard && formatLabel(made) === formatLabel(standard)) ??
    formatsOf(model)[0]
  const additions = Array.from({ length: count }, (_, n): Addition => {
    const connect =
      ends?.[n] ?? (routeM !== undefined || feed !== undefined || cable !== undefined ? ('next' as const) : undefined)
    const own = freshName(name ?? shortTitle(model.title), name !== undefined && count === 1, taken)
    taken.add(own)
    return {
      model: id,
      name: own,
      ...(usual ? { format: usual } : {}),
      ...(model.role === 'sink' ? { feed: feed ?? 'program' } : {}),
      ...(connect && model.role !== 'switcher' && model.role !== 'way' ? { connect } : {}),
      ...(routeM === undefined ? {} : { routeM }),
      ...(cable === undefined ? {} : { cable }),
    }
  })
  const said = [
    `${count} \u00D7 ${model.title}`,
    ...(usual ? [formatLabel(usual)] : []),
    ...(place
      ? [`${model.role === 'sink' ? 'from' : 'to'} ${place}`]
      : additions[0]!.connect
        ? ['where one is free']
        : []),
  ]
  return { ok: true, value: { additions, words: said.join(', ') } }
}

/** The edits of all additions of an entry, each made on top of those before it. */
export function entryEdits(plan: Plan, { additions }: Entry, random: () => number): Edit[] {
  const edits: Edit[] = []
  let now = plan
  for (const addition of additions) {
    const mine = additionEdits(now, addition, random)
    const applied = applyEdits(now, mine)
    if (!applied.ok) break
    edits.push(...mine)
    now = applied.value.plan
  }
  return edits
}

function isStructured(text: string): boolean {
  const low = text.toLowerCase()
  return LEADING.has(low) || /^\d+(?:[.,]\d+)?(m|ft)$/.test(low) || /^\d{3,4}(x\d{4})?(p|i|psf)/.test(low)
}

const formatsOf = (model: Model): VideoFormat[] => {
  if (model.role === 'switcher') return listFormats(model.standards ?? [])
  const [out] = model.role === 'sink' ? [] : portsOf(model, 'out')
  return out ? makesInAnyMode(model, out[0]).flatMap(({ sets }) => listFormats(sets)) : []
}
const labels = (model: Model): string =>
  [...new Set(formatsOf(model).map(formatLabel))].join(', ') || 'no format to be set'

/** Whether a word begins one of the words of a title. */
const begins = (title: string, word: string): boolean =>
  title
    .toLowerCase()
    .split(/[^a-z0-9.-]+/)
    .some(part => part.startsWith(SHORT[word] ?? word))

function allModels(plan: Plan): [string, Model][] {
  const own = Object.entries(plan.models).filter(([, model]) => !model.from)
  return [...own, ...MODELS]
}

/** The model whose title has all the words, the shortest title first; else the word that rules out the last ones. */
function findModel(
  plan: Plan,
  words: readonly Word[],
): { readonly id: string; readonly model: Model } | { readonly problem: EntryProblem } {
  let left = allModels(plan)
  for (const word of words) {
    const next = left.filter(([, { title, kind }]) =>
      begins(`${title} ${kind ?? ''}`, word.text.toLowerCase().replace(/,$/, '')),
    )
    if (next.length === 0) {
      const near =
        left.length < allModels(plan).length
          ? ` What fits so far: ${left
              .slice(0, 4)
              .map(([, { title }]) => title)
              .join('; ')}.`
          : ' Use words of a title in the catalogue.'
      return {
        problem: { from: word.from, to: word.to, what: `Nothing in the catalogue goes on with "${word.text}".${near}` },
      }
    }
    left = next
  }
  const [id, model] = left.sort(([, a], [, b]) => a.title.length - b.title.length || a.priceMinor - b.priceMinor)[0]!
  return { id, model }
}

function leadsFor(plan: Plan, model: Model): [string, string][] {
  const carries = new Set(Object.values(model.ports).map(port => port.carries))
  return [...allLeads(plan)].flatMap(([id, row]): [string, string][] =>
    row.kind === 'cable' && carries.has(row.carries) ? [[id, row.title]] : [],
  )
}

function findLead(plan: Plan, model: Model, words: readonly Word[]): string | undefined {
  if (words.length === 0) return undefined
  return leadsFor(plan, model).find(([id, title]) =>
    words.every(({ text }) => begins(`${title} ${id.replaceAll('-', ' ')}`, text.toLowerCase())),
  )?.[0]
}

/** A switcher by its name, then numbers of its inputs or outputs: "main 3-4", "main 3,5", "main". */
function readPlace(
  plan: Plan,
  words: readonly Word[],
  start: number,
  count: number,
  dir: 'in' | 'out',
):
  | { readonly ends: readonly LinkEnd[] | undefined; readonly words: string; readonly next: number }
  | { readonly problem: EntryProblem } {
  const switchers = Object.entries(plan.devices).filter(([, { model }]) => plan.models[model]!.role === 'switcher')
  const at = words[start]
  const problem = (word: Word | undefined, what: string) => ({
    problem: { from: word?.from ?? words.at(-1)!.to, to: word?.to ?? words.at(-1)!.to, what },
  })
  const names = switchers.map(([, { name }]) => name).join(', ')
  if (!at)
    return problem(undefined, switchers.length ? `Which switcher? There is ${names}.` : 'There is no switcher yet.')
  let found: [string, (typeof switchers)[number][1]] | undefined
  let used = 0
  for (let length = Math.min(6, words.length - start); length > 0 && !found; length--) {
    const said = words
      .slice(start, start + length)
      .map(({ text }) => text.toLowerCase())
      .join(' ')
    found =
      switchers.find(([, { name }]) => name.toLowerCase() === said) ??
      (length === 1 ? switchers.find(([, { name }]) => name.toLowerCase().startsWith(said)) : undefined)
    used = length
  }
  if (!found)
    return problem(at, switchers.length ? `No switcher is called so. There is ${names}.` : 'There is no switcher yet.')
  const [device, { name, model }] = found
  const next = start + used
  const numbers = words[next]
  if (!numbers || !/^\d+([-\u2013,]\d+)*,?$/.test(numbers.text)) return { ends: undefined, words: name, next }
  const wanted = numbers.text
    .split(',')
    .filter(Boolean)
    .flatMap(part => {
      const [first, last = first] = part.split(/[-\u2013]/).map(Number) as [number, number?]
      return Array.from({ length: Math.max(0, Math.min(last, first + MOST) - first + 1) }, (_, n) => first + n)
    })
  if (wanted.length !== count)
    return problem(
      numbers,
      `${wanted.length} ${dir === 'in' ? 'inputs' : 'outputs'} for ${count} device${count === 1 ? '' : 's'}.`,
    )
  const ports = portsOf(plan.models[model]!, dir)
  const ends: LinkEnd[] = []
  for (const number of wanted) {
    const port = ports.find(([, row]) => row.number === number)?.[0]
    if (port === undefined) return problem(numbers, `${name} has no ${dir === 'in' ? 'input' : 'output'} ${number}.`)
    const holder = Object.values(plan.links).find(
      ({ from, to }) => (dir === 'in' ? to : from)?.device === device && (dir === 'in' ? to : from)?.port === port,
    )
    if (holder)
      return problem(
        numbers,
        `${name} ${dir === 'in' ? 'input' : 'output'} ${number} is taken${holder.from && dir === 'in' ? ` by ${plan.devices[holder.from.device]!.name}` : ''}.`,
      )
    ends.push({ device, port })
  }
  return { ends, words: `${name} ${wanted.join(', ')}`, next: next + 1 }
}

/** The name, or the name with the next number that is free. */
function freshName(name: string, alone: boolean, taken: ReadonlySet<string>): string {
  if (!taken.has(name) || alone) return name
  for (let n = 2; ; n++) if (!taken.has(`${name} ${n}`)) return `${name} ${n}`
}
