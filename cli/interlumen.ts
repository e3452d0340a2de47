import { readFileSync } from 'node:fs'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { check, isClean, moneyText, msText, remediesOf, say, type Checked, type Quantity } from '#core/check'
import { parseFormatLabel } from '#core/signal'
import { applyEdits, canonicalText, openFile, own, problemText, type ShowFile } from '#core/plan'
import highsLoader from 'highs'
import { ladder, PRESETS, propose, type Offer, type Outcome, type PresetId } from '#core/solve'
import { inside, placesOf, singlePoints, SYMPTOMS, whatIf, why, type LossEffect, type Symptom } from '#core/whatif'

const USAGE = `usage:
  npm run -s interlumen -- check FILE [--plan ID] [--json]
  npm run -s interlumen -- apply FILE --finding KEY --remedy N [--plan ID]
  npm run -s interlumen -- standard FILE [--plan ID] [--json]
  npm run -s interlumen -- solve FILE [--fixed STANDARD] [--weights NAME] [--plan ID] [--json]
  npm run -s interlumen -- patch FILE [--fixed STANDARD] [--weights NAME] [--plan ID]
  npm run -s interlumen -- whatif FILE [--without ID] [--plan ID] [--json]
  npm run -s interlumen -- inside FILE [--plan ID] [--json]
  npm run -s interlumen -- why FILE --at DEVICE[/PORT] --symptom NAME [--plan ID] [--json]

check exits 0 when nothing is a hazard, dark or a risk, 1 when something is, 2 when the file cannot be used.
apply prints the file with remedy N (from 1, as check --json lists them) of the finding applied.
standard lists what the plan would be in each operating standard that its switchers offer, the best first.
solve lists the best plans for the show, each with its price and the bound that proves it; it exits 1 where there is none, and says what collides.
patch prints the file with the best plan made: every source, switcher and screen wired. Weights are ${Object.keys(PRESETS).join(', ')}.
inside lists what each screen, recorder and stream can show and lets be heard.
whatif says what goes dark when the device or link ID fails, all at the place ID, or the mains; without ID it lists every single thing that darkens a sink.
why lists what would explain a symptom there, the likeliest first: ${Object.keys(SYMPTOMS).join(', ')}.
FILE may be - for standard input.`

class Unusable extends Error {}

interface Options {
  readonly file: string
  readonly values: ReadonlyMap<string, string>
  readonly json: boolean
}

function readOptions(args: readonly string[], known: readonly string[]): Options {
  const values = new Map<string, string>()
  let file: string | undefined
  let json = false
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!
    if (arg === '--json' && known.includes('json')) json = true
    else if (arg.startsWith('--') && known.includes(arg.slice(2))) {
      const value = args[++i]
      if (value === undefined) throw new Unusable(`${arg} needs a value\n${USAGE}`)
      values.set(arg.slice(2), value)
    }
    else if (arg.startsWith('--') || file !== undefined) throw new Unusable(`unknown argument ${arg}\n${USAGE}`)
    else file = arg
  }
  if (file === undefined) throw new Unusable(USAGE)
  return { file, values, json }
}

function readFile(path: string): ShowFile {
  let text: string
  try {
    text = readFileSync(path === '-' ? 0 : path, 'utf8')
  }
  catch (error) {
    throw new Unusable(`${path}: ${(error as Error).message}`)
  }
  const opened = openFile(text)
  if (!opened.ok) throw new Unusable(`${path}: ${problemText(opened.problem)}`)
  return opened.value
}

function choosePlan({ plans }: ShowFile, asked: string | undefined): string {
  if (asked === undefined) return own(plans, 'main') ? 'main' : Object.keys(plans).sort()[0]!
  if (!own(plans, asked)) throw new Unusable(`no plan ${asked}; the file has ${Object.keys(plans).join(', ')}`)
  return asked
}

/** A quantity as a number with its unit where it is one, else as it is written. */
function plainNumber(quantity: Quantity): unknown {
  switch (quantity.is) {
    case 'length': return { value: quantity.m, unit: 'm' }
    case 'rate': return { value: quantity.bitsPerS, unit: 'bit/s' }
    case 'loss': return { value: quantity.db, unit: 'dB' }
    case 'duration': return { value: quantity.s, unit: 's' }
    case 'delay': return { value: quantity.ms, unit: 'ms' }
    case 'count': return quantity.count
    case 'share': return { value: quantity.share, unit: '1' }
    case 'format': return quantity.format
    case 'text': return quantity.text
  }
}

function reportJson(checked: Checked): string {
  const findings = checked.findings.map(finding => ({
    id: finding.id, key: finding.key, severity: finding.severity, at: finding.at, message: say(finding), ...(finding.accepted === undefined ? {} : { accepted: finding.accepted }),
    numbers: Object.fromEntries(Object.entries(finding.with).map(([name, quantity]) => [name, plainNumber(quantity)])),
    remedies: remediesOf(checked, finding).map(({ title, edits }) => ({ title, edits })),
  }))
  return JSON.stringify({ verdict: checked.verdict, findings }, null, 2)
}

function reportText(checked: Checked): string {
  const { arrive, wanted, ...counts } = checked.verdict
  const lines = [`${arrive} of ${wanted} pictures arrive  H ${counts.H}  D ${counts.D}  R ${counts.R}  Q ${counts.Q}  N ${counts.N}`]
  for (const finding of checked.findings) {
    lines.push('', `${finding.severity}  ${finding.key}`, `   ${say(finding)}`)
    if (finding.accepted !== undefined) {
      lines.push(`   Accepted: ${finding.accepted}`)
      continue
    }
    for (const [i, remedy] of remediesOf(checked, finding).entries()) lines.push(`   ${i + 1}. ${remedy.title}  (then ${remedy.effect.after.arrive} of ${remedy.effect.after.wanted})`)
  }
  return lines.join('\n')
}

function runCheck(args: readonly string[]): number {
  const { file, values, json } = readOptions(args, ['json', 'plan'])
  const show = readFile(file)
  const checked = check(show.plans[choosePlan(show, values.get('plan'))]!)
  console.log(json ? reportJson(checked) : reportText(checked))
  return isClean(checked.verdict) ? 0 : 1
}

function runApply(args: readonly string[]): number {
  const { file, values } = readOptions(args, ['finding', 'remedy', 'plan'])
  const show = readFile(file)
  const id = choosePlan(show, values.get('plan'))
  const plan = show.plans[id]!
  const checked = check(plan)
  const finding = checked.findings.find(({ key }) => key === values.get('finding'))
  if (!finding) throw new Unusable(`no finding ${values.get('finding') ?? '(--finding is missing)'}; there are: ${checked.findings.map(({ key }) => key).join(', ') || 'none'}`)
  const remedies = remediesOf(checked, finding)
  const number = Number(values.get('remedy'))
  const remedy = Number.isInteger(number) ? remedies[number - 1] : undefined
  if (!remedy) throw new Unusable(`no remedy ${values.get('remedy') ?? '(--remedy is missing)'}; ${remedies.length ? `there are 1 to ${remedies.length}` : 'the finding has none'}`)
  const applied = applyEdits(plan, remedy.edits)
  if (!applied.ok) throw new Error(problemText(applied.problem))
  process.stdout.write(canonicalText({ ...show, plans: { ...show.plans, [id]: applied.value.plan } }))
  return 0
}

const GLOW_WORDS = { lit: 'as it is', setting: 'set', converter: 'converted', dark: 'dark' } as const

function runStandard(args: readonly string[]): number {
  const { file, values, json } = readOptions(args, ['json', 'plan'])
  const show = readFile(file)
  const plan = show.plans[choosePlan(show, values.get('plan'))]!
  const rungs = ladder(check(plan))
  if (json) {
    console.log(JSON.stringify(rungs.map(({ standard, label, now, without, lamps, before, after, settings, converters, minor, delayMs, breaks, why, edits }) => ({
      standard, label, now, without, before, after, settings, converters, price: { minor, currency: plan.brief.currency ?? CATALOGUE_CURRENCY }, delay: { value: delayMs, unit: 'ms' }, lamps, breaks, why, edits,
    })), null, 2))
    return 0
  }
  if (rungs.length === 0) console.log('The plan has no switcher: there is no standard to choose.')
  for (const rung of rungs) {
    const count = (glow: keyof typeof GLOW_WORDS) => rung.lamps.filter(lamp => lamp.glow === glow).length
    console.log([
      `${rung.label.padEnd(11)} ${rung.after.arrive} of ${rung.after.wanted} arrive`,
      (['lit', 'setting', 'converter', 'dark'] as const).map(glow => `${count(glow)} ${GLOW_WORDS[glow]}`).join(', '),
      Math.abs(rung.delayMs) < 0.05 ? 'no more delay' : `${rung.delayMs < 0 ? '\u2212' : '+'} ${msText(Math.abs(rung.delayMs))}`, moneyText(rung.minor, plan.brief.currency ?? CATALOGUE_CURRENCY), rung.now ? 'in use' : '', rung.why,
    ].filter(Boolean).join('   '))
    for (const { severity, words } of rung.breaks) console.log(`            ${severity}  ${words}`)
  }
  return 0
}

async function solved(args: readonly string[], known: readonly string[]): Promise<{ show: ShowFile, id: string, outcome: Outcome, json: boolean }> {
  const { file, values, json } = readOptions(args, known)
  const show = readFile(file)
  const id = choosePlan(show, values.get('plan'))
  const label = values.get('fixed')
  const fixed = label === undefined ? undefined : parseFormatLabel(label)
  if (label !== undefined && !fixed) throw new Unusable(`--fixed: found ${label}; allowed: a standard such as 1080p50 or 1080i59.94`)
  const weights = values.get('weights') ?? 'even'
  if (!Object.hasOwn(PRESETS, weights)) throw new Unusable(`--weights: found ${weights}; allowed: ${Object.keys(PRESETS).join(', ')}`)
  const checked = check(show.plans[id]!)
  const outcome = propose(await highsLoader(), checked, { weights: PRESETS[weights as PresetId].weights, ...(fixed ? { fixed } : {}), most: known.includes('json') ? 5 : 1 })
  return { show, id, outcome, json }
}

/** Why there is no plan, to standard error. */
function tellCollisions({ collisions, unknown }: Outcome): void {
  if (unknown) console.error('No plan was found in the time given.')
  for (const { claims, cheapest, why } of collisions) console.error(`These cannot hold together (${why})\n${claims.map(({ words }) => `  ${words}`).join('\n')}\nCheapest to give up: ${cheapest.words}.`)
}

async function runSolve(args: readonly string[]): Promise<number> {
  const { show, id, outcome, json } = await solved(args, ['json', 'plan', 'fixed', 'weights'])
  const currency = show.plans[id]!.brief.currency ?? CATALOGUE_CURRENCY
  const gap = ({ cost, bound }: Offer) => cost - bound
  if (json) {
    console.log(JSON.stringify({
      plans: outcome.offers.map(offer => ({
        standard: offer.title, price: { minor: offer.minor, missingMinor: offer.missingMinor, currency }, cost: offer.cost, bound: offer.bound, gap: gap(offer), proven: offer.proven, before: offer.effect.before, after: offer.effect.after,
        delay: { value: offer.delayMs, unit: 'ms' }, power: { value: offer.watts, unit: 'W' }, spareInputs: offer.spareInputs, singlePoints: offer.singlePoints, gets: offer.gets, differs: offer.differs, changes: offer.parts.map(({ title }) => title), edits: offer.edits,
      })),
      collisions: outcome.collisions, left: outcome.left, size: outcome.size, ms: outcome.ms,
    }, null, 2))
  }
  else {
    for (const [i, offer] of outcome.offers.entries()) {
      console.log([`${i + 1}. ${offer.title}`, `${offer.effect.after.arrive} of ${offer.effect.after.wanted} arrive`, `${moneyText(offer.minor, currency)}, ${moneyText(offer.missingMinor, currency)} to get`, msText(offer.delayMs), offer.proven ? `proven: bound ${offer.bound.toFixed(2)} of ${offer.cost.toFixed(2)} points` : `not proven: gap ${gap(offer).toFixed(2)} of ${offer.cost.toFixed(2)} points`].join('   '))
      for (const words of offer.differs) console.log(`   ${words}`)
      for (const { title } of i === 0 ? offer.parts : []) console.log(`   - ${title}`)
    }
    if (outcome.left.length) console.log(`Left as they are: ${outcome.left.join(', ')}`)
    tellCollisions(outcome)
  }
  return outcome.offers.length ? 0 : 1
}

async function runPatch(args: readonly string[]): Promise<number> {
  const { show, id, outcome } = await solved(args, ['plan', 'fixed', 'weights'])
  const [offer] = outcome.offers
  if (!offer) {
    tellCollisions(outcome)
    return 1
  }
  const applied = applyEdits(show.plans[id]!, offer.edits)
  if (!applied.ok) throw new Error(problemText(applied.problem))
  process.stdout.write(canonicalText({ ...show, plans: { ...show.plans, [id]: applied.value.plan } }))
  return 0
}

const SHARE_WORDS = { always: 'always', can: 'when cut to', tile: 'as a tile', heard: 'heard' } as const

function runInside(args: readonly string[]): number {
  const { file, values, json } = readOptions(args, ['json', 'plan'])
  const show = readFile(file)
  const matrix = inside(check(show.plans[choosePlan(show, values.get('plan'))]!).traced)
  if (json) {
    console.log(JSON.stringify(matrix, null, 2))
    return 0
  }
  matrix.deliverables.forEach(({ name, feed, lit, misses }, j) => {
    console.log(`${name} (${lit ? feed ?? 'a source' : 'dark'})${misses.length ? `, misses ${misses.join(', ')}` : ''}`)
    for (const [share, words] of Object.entries(SHARE_WORDS)) {
      const held = matrix.layers.filter((_, i) => matrix.share[i]![j] === share).map(layer => layer.name)
      if (held.length) console.log(`    ${words}: ${held.join(', ')}`)
    }
  })
  if (matrix.deliverables.length === 0) console.log('Nothing is delivered yet.')
  return 0
}

function runWhatIf(args: readonly string[]): number {
  const { file, values, json } = readOptions(args, ['json', 'plan', 'without'])
  const show = readFile(file)
  const plan = show.plans[choosePlan(show, values.get('plan'))]!
  const checked = check(plan)
  const currency = plan.brief.currency ?? CATALOGUE_CURRENCY
  const spare = ({ inKit, spareMinor, loss: { of } }: LossEffect) => (of === 'place' || of === 'power' ? 'together' : inKit ? 'a spare is in the kit' : `a spare costs ${moneyText(spareMinor, currency)}`)
  const id = values.get('without')
  if (id === undefined) {
    const points = singlePoints(checked)
    if (json) console.log(JSON.stringify(points, null, 2))
    else {
      for (const { sinks, things } of points) {
        console.log(`${sinks.map(({ name }) => name).join(', ')}`)
        for (const thing of things) console.log(`    ${thing.name} (${spare(thing)})`)
      }
      if (points.length === 0) console.log('No picture arrives at a sink, so nothing can darken one.')
    }
    return 0
  }
  const of = own(plan.devices, id) ? 'device' : own(plan.links, id) ? 'link' : placesOf(plan).includes(id) ? 'place' : id === 'mains' ? 'power' : undefined
  if (!of) throw new Unusable(`no device, link or place ${id}; there are ${[...Object.keys(plan.devices), ...Object.keys(plan.links), ...placesOf(plan), 'mains'].join(', ')}`)
  const effect = whatIf(checked, { of, id })
  if (json) console.log(JSON.stringify(effect, null, 2))
  else {
    console.log(`Without ${effect.name} (${effect.kind}; ${spare(effect)}):`)
    console.log(`  dark: ${effect.sinks.map(({ name, feed }) => (feed ? `${name} (${feed})` : name)).join(', ') || 'nothing'}`)
    if (effect.sources.length) console.log(`  lost: ${effect.sources.join(', ')}`)
    for (const { name, sources, sinks } of effect.still) console.log(`  ${name} still cuts between ${sources.join(', ') || 'nothing'} for ${sinks.join(', ')}`)
  }
  return 0
}

function runWhy(args: readonly string[]): number {
  const { file, values, json } = readOptions(args, ['json', 'plan', 'at', 'symptom'])
  const show = readFile(file)
  const plan = show.plans[choosePlan(show, values.get('plan'))]!
  const [device = '', port] = (values.get('at') ?? '').split('/')
  if (!own(plan.devices, device)) throw new Unusable(`--at: no device ${device || '(none given)'}; there are ${Object.keys(plan.devices).join(', ')}`)
  const { ports } = plan.models[plan.devices[device]!.model]!
  if (port !== undefined && !own(ports, port)) throw new Unusable(`--at: no port ${port} at ${device}; there are ${Object.keys(ports).join(', ')}`)
  const symptom = values.get('symptom') ?? ''
  if (!Object.hasOwn(SYMPTOMS, symptom)) throw new Unusable(`--symptom: found ${symptom || 'nothing'}; allowed: ${Object.keys(SYMPTOMS).join(', ')}`)
  const causes = why(check(plan), { device, ...(port === undefined ? {} : { port }) }, symptom as Symptom)
  if (json) console.log(JSON.stringify(causes, null, 2))
  else for (const [i, { what, because, test, certain }] of causes.entries()) console.log(`${i + 1}. ${certain ? 'Certain: ' : ''}${what}${because ? ` (${because})` : ''}\n   ${test}`)
  if (causes.length === 0 && !json) console.log('Nothing in the plan would explain it.')
  return 0
}

try {
  const [command, ...rest] = process.argv.slice(2)
  if (command === 'check') process.exitCode = runCheck(rest)
  else if (command === 'apply') process.exitCode = runApply(rest)
  else if (command === 'standard') process.exitCode = runStandard(rest)
  else if (command === 'solve') process.exitCode = await runSolve(rest)
  else if (command === 'patch') process.exitCode = await runPatch(rest)
  else if (command === 'whatif') process.exitCode = runWhatIf(rest)
  else if (command === 'inside') process.exitCode = runInside(rest)
  else if (command === 'why') process.exitCode = runWhy(rest)
  else if (command === '--help' || command === 'help') console.log(USAGE)
  else throw new Unusable(USAGE)
}
catch (error) {
  if (!(error instanceof Unusable)) throw error
  console.error(error.message)
  process.exitCode = 2
}
