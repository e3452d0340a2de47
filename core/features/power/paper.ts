import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { figure, SPACE } from '#core/words'
import { circuitsFact } from './circuits'

/** What is plugged in where; none where no circuit is in the plan. */
export function circuitList({ traced }: Checked): Paper | undefined {
  const { plan } = traced
  const { circuits } = traced.ask(circuitsFact)
  if (circuits.length === 0) return undefined
  return {
    id: 'circuits',
    title: 'Circuits',
    about: 'What is plugged in where, with what it draws; follow local codes, and have licensed people do mains work.',
    columns: [
      { key: 'circuit', title: 'Circuit' },
      ...(circuits.some(({ distribution }) => distribution !== undefined) ? [{ key: 'phase', title: 'From' }] : []),
      { key: 'device', title: 'Device' },
      { key: 'watts', title: 'Draw', figures: true },
      { key: 'sum', title: 'Together, at the most', figures: true },
      { key: 'rated', title: 'Protection', figures: true },
    ],
    rows: circuits.flatMap(({ title, loads, mostWatts, mostA, ratedA, share, distribution, phase }) =>
      (loads.length ? loads : [undefined]).map((load, i) => ({
        circuit: i === 0 ? title : '',
        phase:
          i === 0 && distribution !== undefined
            ? `${plan.distributions[distribution]!.title}${phase === undefined ? '' : `, phase ${phase}`}`
            : '',
        device: load?.name ?? 'nothing yet',
        watts: load ? (load.watts === undefined ? 'not known' : `${figure(load.watts, 0)}${SPACE}W`) : '',
        sum:
          i === 0
            ? `${figure(mostWatts, 0)}${SPACE}W, ${figure(mostA)}${SPACE}A, ${figure(share * 100, 0)}${SPACE}%`
            : '',
        rated: i === 0 ? `${figure(ratedA)}${SPACE}A` : '',
      })),
    ),
  }
}
