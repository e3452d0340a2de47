import { STEPS, STEP_WORDS, type Cost } from '#core/features/cost'
import { moneyText } from '#core/words'

interface Version {
  readonly title: string
  readonly cost: Pick<Cost, 'sums' | 'wholeMinor' | 'currency'>
}

/** One or two versions as steps from what is owned to the whole: each step stands on the one before. */
export function stepsChart(versions: readonly Version[], chosen: string | undefined, colour: (name: string) => string) {
  const used = STEPS.filter(step => step === 'owned' || versions.some(({ cost }) => cost.sums[step] > 0))
  const x = [...used.map(step => STEP_WORDS[step]), 'Whole']
  const traces = versions.flatMap(({ title, cost }, i) => {
    let below = 0
    const bars = used.map(step => {
      const bar = { base: below, minor: cost.sums[step] }
      below += cost.sums[step]
      return bar
    })
    const all = [...bars, { base: 0, minor: cost.wholeMinor }]
    const first = i === 0
    return {
      type: 'bar',
      name: title,
      x,
      y: all.map(({ minor }) => minor / 100),
      base: all.map(({ base }) => base / 100),
      text: all.map(({ minor }) => (minor === 0 ? '' : moneyText(minor, cost.currency))),
      textposition: 'outside',
      cliponaxis: false,
      textfont: { color: colour(first ? '--text' : '--quiet') },
      marker: {
        color: all.map((_, at) => (first ? colour(used[at] === 'owned' ? '--dark' : '--light') : 'rgba(0,0,0,0)')),
        line: {
          color: all.map((_, at) => colour(first && used[at] === chosen ? '--chosen' : first ? '--light' : '--quiet')),
          width: all.map((_, at) => (first && used[at] === chosen ? 3 : first ? 0 : 1.5)),
        },
      },
      hoverinfo: 'none',
    }
  })
  const most = Math.max(1, ...versions.map(({ cost }) => cost.wholeMinor)) / 100
  return {
    traces: traces as never[],
    layout: {
      margin: { l: 64, r: 12, t: 26, b: 30 },
      barmode: 'group',
      bargap: 0.3,
      showlegend: versions.length > 1,
      legend: { orientation: 'h', x: 0, y: 1.14 },
      xaxis: { fixedrange: true, color: colour('--text') },
      yaxis: {
        range: [0, most * 1.12],
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
        title: { text: versions[0]?.cost.currency ?? '', font: { size: 13 } },
      },
    } as never,
  }
}
