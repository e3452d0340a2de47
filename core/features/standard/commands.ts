import { CATALOGUE_CURRENCY } from '#core/catalog'
import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { moneyText, msText } from '#core/words'
import { ladder, type Rung } from './ladder'

const GLOW_WORDS = { lit: 'as it is', setting: 'set', converter: 'converted', dark: 'dark' } as const
const GLOWS = ['lit', 'setting', 'converter', 'dark'] as const

const rungJson = ({ minor, delayMs, ...rung }: Rung, currency: string) => ({
  standard: rung.standard,
  label: rung.label,
  now: rung.now,
  without: rung.without,
  before: rung.before,
  after: rung.after,
  settings: rung.settings,
  converters: rung.converters,
  price: { minor, currency },
  delay: { value: delayMs, unit: 'ms' },
  lamps: rung.lamps,
  breaks: rung.breaks,
  why: rung.why,
  edits: rung.edits,
})

function rungText(rung: Rung, currency: string): string {
  const count = (glow: keyof typeof GLOW_WORDS) => rung.lamps.filter(lamp => lamp.glow === glow).length
  const delay =
    Math.abs(rung.delayMs) < 0.05
      ? 'no more delay'
      : `${rung.delayMs < 0 ? '\u2212' : '+'} ${msText(Math.abs(rung.delayMs))}`
  const parts = [
    `${rung.label.padEnd(11)} ${rung.after.arrive} of ${rung.after.wanted} arrive`,
    GLOWS.map(glow => `${count(glow)} ${GLOW_WORDS[glow]}`).join(', '),
    delay,
    moneyText(rung.minor, currency),
    rung.now ? 'in use' : '',
    rung.why,
  ]
  const breaks = rung.breaks.map(({ severity, words }) => `            ${severity}  ${words}`)
  return [parts.filter(Boolean).join('   '), ...breaks].join('\n')
}

const standard: Command<CommandContext> = {
  name: 'standard',
  about: 'lists what the plan would be in each operating standard that its switchers offer, the best first.',
  options: {},
  json: true,
  run: ({ checked, plan, json }) => {
    const currency = plan.brief.currency ?? CATALOGUE_CURRENCY
    const rungs = ladder(checked)
    if (json) {
      const rows = rungs.map(rung => rungJson(rung, currency))
      return { out: JSON.stringify(rows, null, 2), exit: 0 }
    }
    if (rungs.length === 0) return { out: 'The plan has no switcher: there is no standard to choose.', exit: 0 }
    return { out: rungs.map(rung => rungText(rung, currency)).join('\n'), exit: 0 }
  },
}

export const COMMANDS = [standard]
