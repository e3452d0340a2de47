import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { clockOf, figure, listWords } from '#core/words'
import { BTU_H_PER_W, circuitsFact } from './circuits'
import { enduranceOf } from './endurance'
import { closingsOf } from './inrush'
import { distributionsOf } from './phases'
import { poeOf } from './poe'

const percent = (share: number): string => `${figure(share * 100, 0)} %`
const hm = (hours: number): string =>
  `${Math.floor(hours)} h ${String(Math.round((hours % 1) * 60)).padStart(2, '0')} min`

const power: Command<CommandContext> = {
  name: 'power',
  about:
    'says what each circuit carries, what hangs on none, what is fed over the network, and how long batteries last.',
  options: {},
  json: true,
  run: ({ checked: { traced }, json }) => {
    const supply = traced.ask(circuitsFact)
    const { switches } = poeOf(traced)
    const batteries = enduranceOf(traced)
    const distributions = distributionsOf(traced)
    const closings = closingsOf(traced)
    if (json)
      return { out: JSON.stringify({ ...supply, distributions, closings, switches, batteries }, null, 2), exit: 0 }
    const lines = [
      ...supply.circuits.map(
        ({ title, watts, drawA, ratedA, share, mostWatts, mostA, leakMa, unknown }) =>
          `${title}: ${figure(watts, 0)} W, ${figure(drawA)} A; up to ${figure(mostWatts, 0)} W, ${figure(mostA)} A of ${figure(ratedA)} A (${percent(share)}); leaks ${figure(leakMa)} mA, ${figure(watts * BTU_H_PER_W, 0)} BTU/h of heat${unknown ? `, ${unknown} of unknown draw` : ''}`,
      ),
      ...distributions.map(
        ({ title, ratedA, phases, neutralA, unsaid }) =>
          `${title}: ${phases.map(({ phase, mostA, share }) => `phase ${phase} up to ${figure(mostA)} A of ${figure(ratedA)} A (${percent(share)})`).join(', ')}; neutral ${figure(neutralA)} A${unsaid.length ? `; ${unsaid.length} circuits without a phase` : ''}`,
      ),
      ...closings.map(
        ({ title, inrushA, bearsA, unknown }) =>
          `One switch at ${title}: ${figure(inrushA, 0)} A of inrush, its protection bears ${figure(bearsA, 0)} A${unknown ? `; ${unknown} of unknown inrush` : ''}`,
      ),
      ...(supply.loose.length ? [`On no circuit: ${listWords(supply.loose.map(({ name }) => name))}`] : []),
      ...switches.map(
        ({ name, bookedW, budgetW, by, fed }) =>
          `${name} feeds ${fed.length}: ${figure(bookedW)} W of ${figure(budgetW)} W, booked by ${by}`,
      ),
      ...batteries.map(({ name, charged, unknown, hours, needHours, endsAt, lasts }) =>
        charged
          ? `${name}: charged all the while`
          : unknown
            ? `${name}: what its battery holds is not known`
            : `${name}: ${hm(hours)}${needHours === undefined ? '' : ` of ${hm(needHours)} with the margin`}${lasts || endsAt === undefined ? '' : `, ends at ${clockOf(endsAt)}`}`,
      ),
    ]
    return { out: lines.join('\n') || 'Nothing is said of what feeds the devices.', exit: 0 }
  },
}

export const COMMANDS = [power]
