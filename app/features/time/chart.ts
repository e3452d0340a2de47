import type { Hop, SinkTime } from '#core/features/time'
import { figure } from '#core/words'

export const DOES: Readonly<Record<Hop['does'], string>> = {
  makes: 'makes it',
  passes: 'passes it on',
  takes: 'takes it in',
  mixes: 'mixes it',
  holds: 'holds it back',
  crosses: 'through the air',
}

interface Drawn {
  readonly sink: SinkTime
  /** Index of the chosen picture. */
  readonly row: number
  /** How early and how late sound may be, ms. */
  readonly window: { readonly lo: number; readonly hi: number }
  readonly name: (device: string) => string
  readonly colour: (name: string) => string
}

interface Line {
  readonly title: string
  readonly hops: readonly Hop[]
  readonly total: Hop['delay']
  readonly on: boolean
  readonly sound: boolean
}

/** As much of a name as its part of the bar has room for, and its figure; of very short ones nothing. */
const CHART_PX = 520
const LETTER_PX = 7.2
function fitted(words: string, share: number, value: number): string {
  const room = Math.floor((share * CHART_PX) / LETTER_PX) - 1
  const number = figure(value, 0)
  if (room >= words.length + 1 + number.length) return `${words} ${number}`
  if (room >= number.length + 7) return `${words.slice(0, room - number.length - 2).trim()}\u2026 ${number}`
  return room >= number.length ? number : ''
}

/** The k-th hop of every line, as one layer of the stacked bars. */
function layer(lines: readonly Line[], labels: readonly string[], k: number, far: number, { name, colour }: Drawn) {
  const hops = lines.map(line => line.hops[k])
  const isHeld = hops.map(hop => hop?.does === 'holds')
  return {
    type: 'bar',
    orientation: 'h',
    y: labels,
    x: hops.map(hop => hop?.delay.typ ?? 0),
    text: hops.map(hop => (hop ? fitted(name(hop.device), hop.delay.typ / far, hop.delay.typ) : '')),
    textposition: 'inside',
    insidetextanchor: 'middle',
    insidetextfont: {
      size: 12,
      color: lines.map(({ sound }, i) => colour(sound || isHeld[i] ? '--text' : '--ground')),
    },
    constraintext: 'none',
    hovertext: hops.map(hop => (hop ? `${name(hop.device)} ${DOES[hop.does]}: ${figure(hop.delay.typ)} ms` : '')),
    hoverinfo: 'text',
    marker: {
      color: lines.map(({ sound }, i) => colour(isHeld[i] ? '--quiet' : sound ? '--raised' : '--light')),
      pattern: { shape: isHeld.map(held => (held ? '/' : '')), fgcolor: colour('--quiet'), size: 6 },
      line: {
        color: lines.map(({ sound }, i) => colour(sound && hops[i] ? '--quiet' : '--ground')),
        width: lines.map(({ sound }) => (sound ? 1 : 2)),
      },
    },
  }
}

/** From what each line typically takes to the most that it may. */
function ranges(lines: readonly Line[], labels: readonly string[], { colour }: Drawn) {
  const ends = lines.map(({ on }) => colour(on ? '--chosen' : '--text'))
  return [
    {
      type: 'scatter',
      mode: 'markers',
      x: lines.map(({ total }) => total.typ),
      y: labels,
      marker: { color: ends, size: 7, symbol: 'line-ns', line: { width: 2, color: ends } },
      error_x: {
        type: 'data',
        symmetric: false,
        array: lines.map(({ total }) => total.max - total.typ),
        arrayminus: lines.map(() => 0),
        color: colour('--text'),
        thickness: 1.5,
        width: 5,
      },
      hovertext: lines.map(({ title, total }) => `${title}: ${figure(total.min, 0)} to ${figure(total.max, 0)} ms`),
      hoverinfo: 'text',
      cliponaxis: false,
    },
  ]
}

/** The least that a line may take, as a tick under its bar, where it is in the way of no words. */
const least = (x: number, i: number, colour: Drawn['colour']) => ({
  type: 'line',
  x0: x,
  x1: x,
  y0: i - 0.45,
  y1: i - 0.31,
  line: { width: 1.5, color: colour('--text') },
})

/** A bar for each picture by hop with its range, the sounds under them, and the window hung at the sound of the chosen one. */
export function timeChart(drawn: Drawn) {
  const { sink, row, window, colour } = drawn
  // Pictures above, sounds under them: the chart counts from below.
  const lines: Line[] = [
    ...sink.pictures.map(({ name: title, hops, total }, i) => ({ title, hops, total, on: i === row, sound: false })),
    ...sink.sounds.map(({ name: title, hops, total }) => ({
      title: `\u266A ${title}`,
      hops,
      total,
      on: false,
      sound: true,
    })),
  ].reverse()
  // Two lines of one name stay two.
  const labels = lines.map(({ title }, i) => `${title}${'\u200B'.repeat(i)}`)
  const most = Math.max(0, ...lines.map(({ hops }) => hops.length))
  const far = Math.max(50, ...lines.map(({ total }) => total.max)) * 1.06
  const pair = sink.pairs.find(found => found.picture === row)
  const heard = pair && sink.sounds[pair.sound]
  const [from, to] = heard ? [heard.total.typ + window.lo, heard.total.typ + window.hi] : [0, 0]
  const band = { type: 'rect', xref: 'x', yref: 'paper', x0: from, x1: to, y0: 0, y1: 1, opacity: 0.16, layer: 'below' }
  const words = {
    y: 1,
    yref: 'paper',
    yanchor: 'bottom',
    showarrow: false,
    font: { size: 12, color: colour('--chosen') },
  }
  return {
    traces: [
      ...Array.from({ length: most }, (_, k) => layer(lines, labels, k, far, drawn)),
      ...ranges(lines, labels, drawn),
    ] as never[],
    layout: {
      barmode: 'stack',
      bargap: 0.36,
      showlegend: false,
      margin: { l: 150, r: 20, t: 26, b: 44 },
      shapes: [
        ...(heard ? [{ ...band, fillcolor: colour('--chosen'), line: { width: 0 } }] : []),
        ...lines.map(({ total }, i) => least(total.min, i, colour)),
      ],
      annotations: heard ? [{ ...words, x: (from + to) / 2, text: `pictures that fit ${heard.name}` }] : [],
      xaxis: {
        title: { text: 'later, ms', standoff: 6, font: { size: 13 } },
        range: [Math.min(0, from), far],
        gridcolor: colour('--line'),
        zeroline: true,
        zerolinecolor: colour('--line'),
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') },
    } as never,
  }
}
