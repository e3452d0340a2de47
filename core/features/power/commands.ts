import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { clockOf, figure, listWords } from '#core/words'
import { circuitsFact } from './circuits'
import { enduranceOf } from './endurance'
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
    if (json) return { out: JSON.stringify({ ...supply, switches, batteries }, null, 2), exit: 0 }
    const lines = [
      ...supply.circuits.map(
        ({ title, watts, drawA, ratedA, share, mostA, leakMa, unknown }) =>
          `${title}: ${figure(watts, 0)} W, ${figure(drawA)} A of ${figure(ratedA)} A (${percent(share)}), at the most ${figure(mostA)} A, leaks ${figure(leakMa)} mA${unknown ? `, ${unknown} of unknown draw` : ''}`,
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
