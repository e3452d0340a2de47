import { minutesOfDay } from '#core/document'
import type { Endurance } from '#core/features/power'
import { clockOf } from '#core/words'

interface Drawn {
  readonly on: { readonly since: string; readonly minutes: number }
  readonly devices: readonly Endurance[]
  readonly segments: readonly { readonly segment: { readonly title: string }; readonly begins?: string }[]
  readonly chosen: string | undefined
  readonly colour: (name: string) => string
}

/** Share of what it holds that is left, against the clock: each change of a pack starts anew. */
function lineOf({ cells, endsAt }: Endurance, since: number, until: number): { x: number[]; y: number[] } {
  const packs = cells.filter(({ kind, fails }) => kind !== 'bank' && !fails)
  const bank = cells.filter(({ kind, fails }) => kind === 'bank' && !fails).reduce((sum, { hours }) => sum + hours, 0)
  const parts = packs.flatMap(({ hours, count }) => Array.from({ length: count }, () => hours / count))
  if (endsAt === undefined) return { x: [], y: [] }
  const [x, y] = [[since], [100]]
  let at = since
  if (bank > 0) {
    // What a bank adds keeps the pack full for so long; without a pack it is the bank that runs down.
    at += bank * 60
    x.push(at)
    y.push(parts.length ? 100 : 0)
  }
  for (const hours of parts) {
    x.push(at, at + hours * 60)
    y.push(100, 0)
    at += hours * 60
    if (at > until + 60) break
  }
  return { x, y }
}

/** The segments as bands over the clock, past midnight too. */
function bandsOf({ segments }: Drawn, since: number, until: number) {
  const onward = (time: string): number => {
    const minutes = minutesOfDay(time)
    return minutes < since ? minutes + 1440 : minutes
  }
  return segments.flatMap(({ segment, begins }, i) => {
    if (begins === undefined) return []
    const next = segments[i + 1]?.begins
    return [
      { title: segment.title, from: onward(begins), to: next === undefined ? until : onward(next), even: i % 2 === 0 },
    ]
  })
}

/** What is left in each battery from switching on to the end, the chosen one lit, the segments as bands. */
export function batteryChart(drawn: Drawn) {
  const { on, devices, chosen, colour } = drawn
  const since = minutesOfDay(on.since)
  const until = since + on.minutes
  const order = devices
    .filter(({ charged, unknown }) => !charged && !unknown)
    .toSorted((a, b) => Number(a.device === chosen) - Number(b.device === chosen))
  const bands = bandsOf(drawn, since, until)
  const step = [15, 30, 60, 120, 240].find(minutes => (until - since) / minutes <= 9) ?? 480
  const first = Math.ceil(since / step) * step
  const ticks = Array.from({ length: Math.floor((until - first) / step) + 1 }, (_, i) => first + i * step)
  const upright = { yref: 'paper', y0: 0, y1: 1 }
  const axis = { gridcolor: colour('--line'), zeroline: false, fixedrange: true }
  return {
    traces: order.map(entry => {
      const mine = entry.device === chosen
      return {
        type: 'scatter',
        mode: 'lines',
        name: entry.name,
        ...lineOf(entry, since, until),
        line: {
          color: colour(mine ? '--light' : '--quiet'),
          width: mine ? 3 : 1,
          dash: mine || entry.lasts ? 'solid' : 'dot',
        },
        hovertemplate: `${entry.name}: %{y:.0f} % left<extra></extra>`,
      }
    }) as never[],
    layout: {
      margin: { l: 48, r: 16, t: 26, b: 36 },
      showlegend: false,
      shapes: [
        ...bands.map(({ from, to, even }) => ({
          ...upright,
          type: 'rect',
          x0: from,
          x1: to,
          fillcolor: colour('--raised'),
          opacity: even ? 0.9 : 0.35,
          line: { width: 0 },
          layer: 'below',
        })),
        { ...upright, type: 'line', x0: until, x1: until, line: { color: colour('--text'), width: 1.5 } },
      ],
      annotations: bands.map(({ title, from, to }) => ({
        x: (from + to) / 2,
        y: 1,
        yref: 'paper',
        yanchor: 'bottom',
        text: title.length > 18 ? `${title.slice(0, 17)}\u2026` : title,
        showarrow: false,
        font: { size: 12 },
      })),
      xaxis: {
        ...axis,
        range: [since - (until - since) * 0.02, until + (until - since) * 0.04],
        tickvals: ticks,
        ticktext: ticks.map(clockOf),
      },
      yaxis: { ...axis, range: [0, 104], ticksuffix: ' %' },
    } as never,
  }
}
