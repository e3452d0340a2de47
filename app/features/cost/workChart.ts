import { type Placed, minutesText } from '#core/features/cost'
import { clockOf } from '#core/words'

interface Drawn {
  readonly jobs: readonly Placed[]
  readonly chosen: string | undefined
  /** When the first begins, minutes of the day, and how long there is; where they are known. */
  readonly since: number | undefined
  readonly there: number | undefined
  readonly colour: (name: string) => string
}

/** Jobs in their order against the clock, the longest path lit, with how far each can wait. */
export function workChart({ jobs, chosen, since, there, colour }: Drawn) {
  const shown = jobs.toReversed()
  const most = Math.max(30, there ?? 0, ...shown.map(({ latest, job }) => latest + job.minutes)) * 1.04
  const step = [10, 15, 30, 60, 120].find(minutes => most / minutes <= 9) ?? 240
  const ticks = Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step)
  const short = (text: string): string => (text.length > 22 ? `${text.slice(0, 21)}\u2026` : text)
  const y = shown.map(({ job }) => short(job.title))
  return {
    traces: [
      {
        type: 'bar',
        orientation: 'h',
        y,
        base: shown.map(({ from }) => from),
        x: shown.map(({ job }) => job.minutes),
        text: shown.map(({ job }) => minutesText(job.minutes)),
        textposition: 'inside',
        insidetextanchor: 'start',
        insidetextfont: { color: shown.map(({ longest }) => colour(longest ? '--ground' : '--text')) },
        marker: {
          color: shown.map(({ longest }) => colour(longest ? '--light' : '--raised')),
          line: {
            color: shown.map(({ id, longest }) => colour(id === chosen ? '--chosen' : longest ? '--light' : '--dark')),
            width: shown.map(({ id }) => (id === chosen ? 3 : 1)),
          },
        },
        hoverinfo: 'none',
      },
      {
        // How far it can wait.
        type: 'bar',
        orientation: 'h',
        y,
        base: shown.map(({ to }) => to),
        x: shown.map(({ from, latest }) => latest - from),
        marker: {
          color: 'rgba(0,0,0,0)',
          line: { color: colour('--dark'), width: shown.map(({ from, latest }) => (latest > from ? 1 : 0)) },
        },
        hoverinfo: 'none',
      },
    ] as never[],
    layout: {
      margin: { l: 160, r: 20, t: 26, b: 36 },
      barmode: 'overlay',
      bargap: 0.34,
      showlegend: false,
      shapes:
        there === undefined
          ? []
          : [
              {
                type: 'line',
                x0: there,
                x1: there,
                yref: 'paper',
                y0: 0,
                y1: 1,
                line: { color: colour('--text'), width: 1.5 },
              },
            ],
      annotations:
        there === undefined
          ? []
          : [{ x: there, y: 1, yref: 'paper', yanchor: 'bottom', text: 'must stand', showarrow: false }],
      xaxis: {
        range: [0, most],
        tickvals: ticks,
        ticktext: ticks.map(minutes => (since === undefined ? minutesText(minutes) : clockOf(since + minutes))),
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') },
    } as never,
  }
}
