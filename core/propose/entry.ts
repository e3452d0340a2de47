import { FEEDS, type Feed, MODELS, type Model, makesInAnyMode, portsOf, isSink } from '#core/catalog'
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
const LENGTH = /^(\d+(?:[.,]\d+)?)(m|ft)$/
const METRES_PER_FOOT = 0.3048

/**
 * Reads a line: [count]x, a model by words of its title, a format, a length in m or ft, `to` a switcher and its inputs
 * (for a screen: `from` a switcher and its outputs, or the feed that it should see), `by` a cable, `as` a name. The
 * first word that is not understood is told with its place.
 */
export function readEntry(plan: Plan, line: string): EntryReading {
  try {
    return { ok: true, value: new Reader(plan, line).read() }
  } catch (error) {
    if (error instanceof NotUnderstood) return { ok: false, problem: error.problem }
    throw error
  }
}

class NotUnderstood extends Error {
  constructor(readonly problem: EntryProblem) {
    super(problem.what)
  }
}

/** What the words behind the name of the model say. */
interface Told {
  format?: VideoFormat
  routeM?: number
  feed?: Feed
  cable?: string
  name?: string
  ends?: readonly LinkEnd[]
  place?: string
}

class Reader {
  private readonly words: readonly Word[]
  private i = 0
  private readonly told: Told = {}

  constructor(
    private readonly plan: Plan,
    private readonly line: string,
  ) {
    this.words = withUnits(
      [...line.matchAll(/\S+/g)].map(({ 0: text, index }) => ({ text, from: index, to: index + text.length })),
    )
  }

  read(): Entry {
    const count = this.count()
    this.ownName()
    const { id, model } = this.model()
    while (this.i < this.words.length) this.word(this.words[this.i]!, model, count)
    if ((model.role === 'switcher' || model.role === 'way' || model.role === 'control') && this.told.ends)
      this.wrong(this.words[0], 'Only sources and sinks are led to a switcher here.')
    return entryOf(this.plan, id, model, count, this.told)
  }

  private wrong(at: Word | undefined, what: string): never {
    throw new NotUnderstood({ from: at?.from ?? this.line.length, to: at?.to ?? this.line.length, what })
  }

  private count(): number {
    const counted = /^(\d+)[x\u00D7]$/i.exec(this.words[0]?.text ?? '')
    const count = counted ? Number(counted[1]) : 1
    if (counted) this.i = 1
    if (count < 1 || count > MOST) this.wrong(this.words[0], `From 1 to ${MOST} at once.`)
    return count
  }

  private model(): { id: string; model: Model } {
    const named: Word[] = []
    while (this.words[this.i] && !isStructured(this.words[this.i]!.text)) named.push(this.words[this.i++]!)
    if (named.length === 0)
      this.wrong(this.words[this.i], 'What is it? Words of its title in the catalogue, such as "studio camera".')
    // What stands before it and is no word of the catalogue says whose or which it is: "office laptop".
    const first = named.findIndex(word => isKnown(this.plan, word))
    if (first > 0) this.told.name ??= capital(this.line.slice(named[0]!.from, named.at(-1)!.to))
    const found = findModel(this.plan, named.slice(Math.max(0, first)))
    if ('problem' in found) throw new NotUnderstood(found.problem)
    return found
  }

  /** A name of one's own stands before a colon: "slides: office laptop". */
  private ownName(): void {
    const until = this.words.findIndex(({ text }, at) => at >= this.i && text.endsWith(':'))
    if (until < 0) return
    const name = this.line.slice(this.words[this.i]!.from, this.words[until]!.to - 1).trim()
    if (name.length === 0 || name.length > 100)
      this.wrong(this.words[this.i], 'A name of 1 to 100 characters before the colon.')
    this.told.name = capital(name)
    this.i = until + 1
  }

  private word(word: Word, model: Model, count: number): void {
    const text = word.text.toLowerCase()
    if (parseFormatLabel(text)) this.format(word, parseFormatLabel(text)!, model)
    else if (/^\d{3,4}(x\d{4})?(p|i|psf)/.test(text))
      this.wrong(word, 'No standard has this format. Write 1080p50, 1080i59.94, 2160p29.97 ...')
    else if (LENGTH.test(text)) this.length(word)
    else if ((FEEDS as readonly string[]).includes(text)) {
      if (!isSink(model)) this.wrong(word, `Only what shows or takes a picture sees ${text}.`)
      this.told.feed = text as Feed
      this.i++
    } else if (text === 'as') this.name()
    else if (text === 'by') this.cable(model)
    else if (text === 'to' || text === 'from') this.place(word, model, count)
    else
      this.wrong(
        word,
        'Not understood here. Next may come a format, a length (45m), to a switcher, by a cable, as a name.',
      )
  }

  private format(word: Word, format: VideoFormat, model: Model): void {
    if (!formatsOf(model).some(made => formatLabel(made) === formatLabel(format)))
      this.wrong(word, `${shortTitle(model.title)} has no ${formatLabel(format)}. It has ${labels(model)}.`)
    this.told.format = format
    this.i++
  }

  private length(word: Word): void {
    const [, figure, unit] = LENGTH.exec(word.text.toLowerCase())!
    const routeM = Number(figure!.replace(',', '.')) * (unit === 'ft' ? METRES_PER_FOOT : 1)
    if (routeM > 20_000) this.wrong(word, 'At most 20 km.')
    this.told.routeM = routeM
    this.i++
  }

  /** All that is left is a name. */
  private name(): void {
    const rest = this.words.slice(this.i + 1)
    if (rest.length === 0) this.wrong(undefined, 'A name comes behind "as".')
    const name = this.line.slice(rest[0]!.from, rest.at(-1)!.to)
    if (name.length > 100) this.wrong(rest[0], 'A name of at most 100 characters.')
    this.told.name = name
    this.i = this.words.length
  }

  private cable(model: Model): void {
    const next = this.words.findIndex((other, at) => at > this.i && isStructured(other.text))
    const until = next < 0 ? this.words.length : next
    const asked = this.words.slice(this.i + 1, until)
    const lead = findLead(this.plan, model, asked)
    const titles = () => leadsFor(this.plan, model).map(([, title]) => title)
    if (lead === undefined) this.wrong(asked[0], `No cable for it is called so. There are ${titles().join(', ')}.`)
    this.told.cable = lead
    this.i = until
  }

  private place(word: Word, model: Model, count: number): void {
    const takes = isSink(model)
    if (word.text.toLowerCase() !== (takes ? 'from' : 'to'))
      this.wrong(
        word,
        takes ? `A ${model.kind ?? 'sink'} takes its picture "from" a switcher.` : 'A source leads "to" a switcher.',
      )
    const where = readPlace(this.plan, this.words, this.i + 1, count, takes ? 'out' : 'in')
    if ('problem' in where) throw new NotUnderstood(where.problem)
    this.told.ends = where.ends
    this.told.place = where.words
    this.i = where.next
  }
}

function entryOf(plan: Plan, id: string, model: Model, count: number, told: Told): Entry {
  const { routeM, feed, cable, name, ends, place } = told
  const takes = isSink(model)
  const standard = ends
    ? plan.devices[ends[0]!.device]!.standard
    : Object.values(plan.devices).find(device => plan.models[device.model]!.role === 'switcher')?.standard
  const usual =
    told.format ??
    formatsOf(model).find(made => standard && formatLabel(made) === formatLabel(standard)) ??
    formatsOf(model)[0]
  const isLed = routeM !== undefined || feed !== undefined || cable !== undefined
  const taken = new Set(Object.values(plan.devices).map(device => device.name))
  const additions = Array.from({ length: count }, (_, n): Addition => {
    const connect = ends?.[n] ?? (isLed ? ('next' as const) : undefined)
    const own = freshName(name ?? shortTitle(model.title), name !== undefined && count === 1, taken)
    taken.add(own)
    return {
      model: id,
      name: own,
      ...(usual ? { format: usual } : {}),
      ...(takes ? { feed: feed ?? 'program' } : {}),
      ...(connect && model.role !== 'switcher' && model.role !== 'way' ? { connect } : {}),
      ...(routeM === undefined ? {} : { routeM }),
      ...(cable === undefined ? {} : { cable }),
    }
  })
  const where = place ? [`${takes ? 'from' : 'to'} ${place}`] : additions[0]!.connect ? ['where one is free'] : []
  const words = [`${count} \u00D7 ${model.title}`, ...(usual ? [formatLabel(usual)] : []), ...where].join(', ')
  return { additions, words }
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

const capital = (text: string): string => text[0]!.toUpperCase() + text.slice(1)

/** A figure and its unit are one word, also with a space between them. */
function withUnits(words: readonly Word[]): Word[] {
  const joined: Word[] = []
  for (const word of words) {
    const before = joined.at(-1)
    if (before && /^\d+(?:[.,]\d+)?$/.test(before.text) && /^(m|ft)$/i.test(word.text))
      joined[joined.length - 1] = { text: `${before.text}${word.text}`, from: before.from, to: word.to }
    else joined.push(word)
  }
  return joined
}

/** Whether a word stands in the title or kind of any model. */
const isKnown = (plan: Plan, { text }: Word): boolean =>
  allModels(plan).some(([, { title, kind }]) => begins(`${title} ${kind ?? ''}`, text.toLowerCase().replace(/,$/, '')))

function isStructured(text: string): boolean {
  const low = text.toLowerCase()
  return LEADING.has(low) || /^\d+(?:[.,]\d+)?(m|ft)$/.test(low) || /^\d{3,4}(x\d{4})?(p|i|psf)/.test(low)
}

const formatsOf = (model: Model): VideoFormat[] => {
  if (model.role === 'switcher') return listFormats(model.standards ?? [])
  const [out] = isSink(model) ? [] : portsOf(model, 'out')
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
