import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { figure, moneyText } from '#core/words'
import { gradeOf } from './grade'
import { costOf, STEPS } from './money'
import { profilesOf } from './profiles'
import { weightOf } from './weight'
import { waysToSwitch } from './which'
import { kgText, minutesText, STEP_WORDS } from './words'
import { workOf } from './work'

const cost: Command<CommandContext> = {
  name: 'cost',
  about:
    'says what the show costs, weighs and takes to build, and which switchers would do, with what each costs in whole.',
  options: {},
  json: true,
  run: ({ checked, json }) => {
    const { traced } = checked
    const [money, weight, work, ways] = [costOf(traced), weightOf(traced), workOf(traced.plan), waysToSwitch(traced)]
    if (json)
      return {
        out: JSON.stringify(
          { cost: money, weight, work, ways, profiles: profilesOf(traced), grade: gradeOf(traced) },
          null,
          2,
        ),
        exit: 0,
      }
    const sum = (minor: number): string => moneyText(minor, money.currency)
    return {
      out: [
        `To be paid: ${sum(money.spendMinor)}${money.budgetMinor === undefined ? '' : `, of ${sum(money.budgetMinor)}`}`,
        ...STEPS.map(step => `  ${STEP_WORDS[step].padEnd(14)} ${sum(money.sums[step])}`),
        ...money.unknown.map(({ title, lacks }) => `  not known: ${title}, ${lacks}`),
        `Weighs ${kgText(weight.grams)}; the mass of ${weight.known} of ${weight.of} things is known`,
        ...weight.positions.map(
          ({ place, grams, watts }) => `  ${place ?? 'nowhere said'}: ${kgText(grams)}, ${figure(watts, 0)} W`,
        ),
        ...(work.build.jobs.length
          ? [`Building takes ${minutesText(work.build.minutes)}, striking ${minutesText(work.strike.minutes)}`]
          : []),
        'Switchers that would do:',
        ...ways.map(
          ({ how, title, minor, cannot }) =>
            `  ${how.padEnd(8)} ${title}: ${sum(minor)}${cannot.length ? `; ${cannot.join('; ')}` : ''}`,
        ),
      ].join('\n'),
      exit: 0,
    }
  },
}

export const COMMANDS = [cost]
