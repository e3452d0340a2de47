import { CATALOGUE_CURRENCY } from '#core/catalog'
import { isSwitcher } from '#core/chain'
import { applyEdits, canonicalText, problemText } from '#core/document'
import { Unusable, type Command, type CommandResult } from '#core/kernel'
import { type CommandContext, firstSwitchers } from '#core/propose'
import { parseFormatLabel } from '#core/signal'
import { moneyText, msText } from '#core/words'
import type { Highs } from 'highs'
import { propose, type Offer, type Proposals } from './propose'
import { PRESETS, type PresetId } from './weights'

const OPTIONS = { fixed: { value: 'STANDARD' }, weights: { value: 'NAME' } }

/** What a plan without a switcher needs first. */
function switcherNeeded({ traced }: CommandContext['checked'], currency: string): string | undefined {
  if ([...traced.chain.nodes.values()].some(isSwitcher)) return undefined
  const rows = firstSwitchers(traced).map(({ row }) => `  ${row.title}, ${moneyText(row.priceMinor, currency)}`)
  return [
    'There is no switcher in the plan, so there is nothing to patch the sources into.',
    ...(rows.length ? ['The smallest that takes them all, and the next larger one:', ...rows] : []),
  ].join('\n')
}

async function solved({ checked, values, solver }: CommandContext, most: number): Promise<Proposals> {
  const label = values.get('fixed')
  const fixed = label === undefined ? undefined : parseFormatLabel(label)
  if (label !== undefined && !fixed)
    throw new Unusable(`--fixed: found ${label}; allowed: a standard such as 1080p50 or 1080i59.94`)
  const weights = values.get('weights') ?? 'even'
  if (!Object.hasOwn(PRESETS, weights))
    throw new Unusable(`--weights: found ${weights}; allowed: ${Object.keys(PRESETS).join(', ')}`)
  const asked = { weights: PRESETS[weights as PresetId].weights, ...(fixed ? { fixed } : {}), most }
  return propose((await solver()) as Highs, checked, asked)
}

/** Why there is no plan. */
function collisionWords({ collisions, unknown }: Proposals): string {
  return [
    ...(unknown ? ['No plan was found in the time given.'] : []),
    ...collisions.map(({ claims, cheapest, why }) => {
      const list = claims.map(({ words }) => `  ${words}`).join('\n')
      return `These cannot hold together (${why})\n${list}\nCheapest to give up: ${cheapest.words}.`
    }),
  ].join('\n')
}

const gapOf = ({ cost, bound }: Offer): number => cost - bound

function offerJson(offer: Offer, currency: string) {
  return {
    standard: offer.title,
    price: { minor: offer.minor, missingMinor: offer.missingMinor, currency },
    cost: offer.cost,
    bound: offer.bound,
    gap: gapOf(offer),
    proven: offer.proven,
    before: offer.effect.before,
    after: offer.effect.after,
    delay: { value: offer.delayMs, unit: 'ms' },
    power: { value: offer.watts, unit: 'W' },
    spareInputs: offer.spareInputs,
    singlePoints: offer.singlePoints,
    gets: offer.gets,
    differs: offer.differs,
    changes: offer.parts.map(({ title }) => title),
    edits: offer.edits,
  }
}

function offerText(offer: Offer, i: number, currency: string): string {
  const { cost, bound, effect } = offer
  const head = [
    `${i + 1}. ${offer.title}`,
    `${effect.after.arrive} of ${effect.after.wanted} arrive`,
    `${moneyText(offer.minor, currency)}, ${moneyText(offer.missingMinor, currency)} to get`,
    msText(offer.delayMs),
    offer.proven
      ? `proven among the ways listed: bound ${bound.toFixed(2)} of ${cost.toFixed(2)} points`
      : `not proven: gap ${gapOf(offer).toFixed(2)} of ${cost.toFixed(2)} points`,
  ].join('   ')
  const changes = i === 0 ? offer.parts.map(({ title }) => `   - ${title}`) : []
  return [head, ...offer.differs.map(words => `   ${words}`), ...changes].join('\n')
}

function answer(outcome: Proposals, out: string): CommandResult {
  const error = collisionWords(outcome)
  return { out, ...(error ? { error } : {}), exit: outcome.offers.length ? 0 : 1 }
}

const solve: Command<CommandContext> = {
  name: 'solve',
  about:
    'lists the best plans for the show, each with its price and the bound that proves it; it exits 1 where there is none, and says what collides.',
  options: OPTIONS,
  json: true,
  run: async context => {
    const currency = context.plan.brief.currency ?? CATALOGUE_CURRENCY
    const needed = switcherNeeded(context.checked, currency)
    if (needed) return { error: needed, exit: 1 }
    const outcome = await solved(context, 5)
    const { offers, collisions, left, size, ms } = outcome
    if (context.json) {
      const plans = offers.map(offer => offerJson(offer, currency))
      const out = JSON.stringify({ version: 1, plans, collisions, left, size, ms }, null, 2)
      return { out, exit: offers.length ? 0 : 1 }
    }
    const lines = offers.map((offer, i) => offerText(offer, i, currency))
    if (left.length) lines.push(`Left as they are: ${left.join(', ')}`)
    return answer(outcome, lines.join('\n'))
  },
}

const patch: Command<CommandContext> = {
  name: 'patch',
  about: `prints the file with the best plan made: every source, switcher and screen wired. Weights are ${Object.keys(PRESETS).join(', ')}.`,
  options: OPTIONS,
  run: async context => {
    const { show, planId, plan } = context
    const needed = switcherNeeded(context.checked, plan.brief.currency ?? CATALOGUE_CURRENCY)
    if (needed) return { error: needed, exit: 1 }
    const outcome = await solved(context, 1)
    const [offer] = outcome.offers
    if (!offer) return answer(outcome, '')
    const applied = applyEdits(plan, offer.edits)
    if (!applied.ok) throw new Error(problemText(applied.problem))
    return { out: canonicalText({ ...show, plans: { ...show.plans, [planId]: applied.value.plan } }), exit: 0 }
  },
}

export const COMMANDS = [solve, patch]
