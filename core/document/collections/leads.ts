import type { LeadModel } from '#core/cable'
import { collection, listOf, number, object, oneOf, ref, whole, type Misfit } from '#core/kernel'
import { CONNECTORS, SIGNAL_KINDS } from '#core/signal'
import { misfit, REFERENCE } from '../problem'

const price = whole(0, 1e9)
const lengthM = number(0, 20_000)
const sold = {
  from: { type: 'string', pattern: REFERENCE },
  title: ref('title'),
  short: ref('title'),
  carries: oneOf(SIGNAL_KINDS),
  ends: listOf(oneOf(CONNECTORS), 2, 2),
  bare: { const: true },
}

export const cable = object(['kind', 'title', 'carries', 'ends', 'oneWay', 'joins', 'reach', 'stock'], {
  ...sold,
  kind: { const: 'cable' },
  oneWay: { type: 'boolean' },
  installed: listOf(ref('title'), 2, 2),
  joins: { type: 'boolean' },
  reach: {
    type: 'object',
    if: { properties: { kind: { const: 'attenuation' } } },
    then: object(['kind', 'k1', 'k2'], { kind: { const: 'attenuation' }, k1: number(0.01, 100), k2: number(0, 1) }),
    else: object(['kind', 'steps'], {
      kind: { const: 'length' },
      steps: listOf(
        object(['uptoBitsPerS', 'warnM', 'faultM'], { uptoBitsPerS: number(1, 1e12), warnM: lengthM, faultM: lengthM }),
        20,
        1,
      ),
      optical: object(['dbPerKm', 'budgetDb'], { dbPerKm: number(0, 1000), budgetDb: number(1, 100) }),
    }),
  },
  gramsPerM: number(0, 10_000),
  stock: listOf(object(['m', 'priceMinor'], { m: number(0.001, 20_000), priceMinor: price }), 100, 1),
})

export const adapter = object(['kind', 'title', 'carries', 'ends', 'priceMinor'], {
  ...sold,
  kind: { const: 'adapter' },
  grams: number(0, 10_000),
  priceMinor: price,
})

export const leads = collection<LeadModel>({
  name: 'leads',
  entry: 'lead',
  about: 'The cables and adapters that are used, each once.',
  most: 1000,
  embeds: true,
  schema: {
    type: 'object',
    required: ['kind'],
    if: { properties: { kind: { const: 'adapter' } } },
    then: ref('adapter'),
    else: ref('cable'),
  },
  misfit: (entries, at) => {
    for (const [id, lead] of Object.entries(entries)) {
      const bad = leadMisfit(lead, `${at}/${id}`)
      if (bad) return bad
    }
    return undefined
  },
  words: ({ title }) => title,
})

function leadMisfit(lead: LeadModel, path: string): Misfit | undefined {
  if (lead.kind !== 'cable') return undefined
  if (lead.stock.some(({ m }, i) => i > 0 && m <= lead.stock[i - 1]!.m))
    return misfit(`${path}/stock`, 'lengths out of order', 'pieces with lengths ascending')
  if (lead.reach.kind === 'attenuation')
    return lead.carries === 'sdi'
      ? undefined
      : misfit(`${path}/reach/kind`, '"attenuation"', '"length" for cables that do not carry SDI')
  const { steps } = lead.reach
  const odd = steps.findIndex(
    (step, i) =>
      step.warnM > step.faultM ||
      (i > 0 &&
        (step.uptoBitsPerS <= steps[i - 1]!.uptoBitsPerS ||
          step.faultM > steps[i - 1]!.faultM ||
          step.warnM > steps[i - 1]!.warnM)),
  )
  return odd < 0
    ? undefined
    : misfit(
        `${path}/reach/steps/${odd}`,
        JSON.stringify(steps[odd]),
        'rates ascending, lengths that never rise with the rate, warnM not above faultM',
      )
}
