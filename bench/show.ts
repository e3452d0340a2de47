// What the running order costs: keyers by the solver, jumps of a large show, a chain that runs, and pictures drawn.
import { readFileSync } from 'node:fs'
import type { Highs } from 'highs'
import { tracedOf } from '#core/chain'
import { type Plan, openFile } from '#core/document'
import { check } from '#core/features'
import { assignKeyers } from '#core/features/keys'
import { Session } from '#core/features/rehearsal'
import { type Cells, drawn, findSetting, measured, readCells, seen } from '#core/picture'
import { chromaKeyed } from '../core/picture/chroma'
import { TICKS_PER_S, jumpsOf } from '#core/run'
import { largePlan } from './plans'

type Report = (what: string, values: readonly number[]) => void

const demo = (name: string): Plan => {
  const opened = openFile(readFileSync(new URL(`../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return opened.value.plans.main!
}
/** What was counted of a graphic of a demo show. */
function keptGraphic(show: string, id: string): Cells {
  const { cells = '', opaque } = demo(show).graphics[id]!
  const read = readCells(cells, opaque === true)
  if (!read) throw new Error(`the graphic ${id} of ${show} is damaged`)
  return read
}

function time(work: (n: number) => unknown, times: number): number[] {
  work(-1)
  return Array.from({ length: times }, (_, n) => {
    const begun = performance.now()
    work(n)
    return performance.now() - begun
  })
}

/** Twelve overlays over eight segments at the last switcher of the Harbour show; every one is used in five of them. */
function crowded(): Plan {
  const plan = demo('harbour-robotics-cup')
  const segments = Object.fromEntries(
    Array.from({ length: 8 }, (_, i) => [`s${i}`, { title: `Part ${i + 1}`, order: i }]),
  )
  const fills = ['tablet', 'wide', 'ptz-north', 'ptz-south', 'pit', 'referee']
  const overlays = Object.fromEntries(
    Array.from({ length: 12 }, (_, i) => [
      `o${i}`,
      {
        title: `Overlay ${i + 1}`,
        order: i,
        kind: i % 3 ? ('luma' as const) : ('box' as const),
        fill: fills[i % fills.length]!,
        segments: Array.from({ length: 5 }, (_s, s) => `s${(s * 3 + i) % 8}`),
      },
    ]),
  )
  return { ...plan, segments, overlays, looks: {}, cues: {} }
}

export function show(highs: Highs, report: Report): void {
  console.log('\nThe running order')
  const full = tracedOf(crowded())
  const found = assignKeyers(highs, full)
  console.log(
    `  12 overlays over 8 segments: ${found.places.length} placed, ${found.unplaced.length} not, ${found.changes} changes, ${found.proven ? 'proven' : 'not proven'}`,
  )
  report(
    '  keyers of 12 overlays over 8 segments',
    time(() => assignKeyers(highs, full), 5),
  )
  const fair = demo('three-hall-science-fair')
  report(
    '  jumps between 45 sources, all 1980 pairs',
    time(() => jumpsOf(tracedOf({ ...fair })), 5),
  )
  const large = largePlan(1000)
  const segments = Object.fromEntries(
    Array.from({ length: 8 }, (_, i) => [`s${i}`, { title: `Part ${i + 1}`, order: i }]),
  )
  report(
    '  1,000 sources with 8 segments, an edit of a look checked',
    time(
      n =>
        check({
          ...large,
          segments,
          looks: { l: { title: `Look ${n}`, order: 1 } },
        }),
      20,
    ),
  )
  const session = new Session(demo('harbour-robotics-cup'))
  let tick = 0
  for (let i = 0; i < 500; i++) {
    tick += 7 * TICKS_PER_S
    session.press('main', { do: 'program', input: `in-${1 + (i % 4)}` }, tick)
  }
  report(
    '  what is seen after an hour with 500 presses',
    time(() => session.look(tick + TICKS_PER_S), 50),
  )
  const scene = { name: 'Wide', kind: 'camera', index: 0, shot: 'safe' } as const
  const size = [1280, 720] as const
  const [back, fill] = [drawn(scene, ...size), drawn({ ...scene, kind: 'computer', content: 'caption' }, ...size)]
  report(
    '  a test picture of 1280x720 drawn',
    time(n => drawn(scene, ...size, n + 1), 20),
  )
  const strip = keptGraphic('harbour-robotics-cup', 'scores')
  const panel = { steps: 255, toCut: (clip: number, gain: number) => ({ clip: clip / 255, gain: gain / 255 }) }
  report(
    '  the best of 65 536 settings of a key found',
    time(() => findSetting(strip, undefined, panel), 5),
  )
  report(
    '  one setting of a key measured',
    time(n => measured(strip, 'luma', { clip: n / 100, gain: 0.9 }), 40),
  )
  const screen = { screen: [0, 177, 64], tolerance: 0.08, edge: 0.12, spill: 1 } as const
  report(
    '  a key by colour over 1280x720',
    time(() => chromaKeyed(back, fill, screen), 20),
  )
  report(
    '  a key by brightness over 1280x720',
    time(
      () =>
        seen(
          {
            of: 'mix',
            device: 'm',
            tap: 'program',
            layers: [
              { picture: { of: 'source', device: 'back', port: '' }, port: '', as: 'background' },
              {
                picture: { of: 'source', device: 'fill', port: '' },
                port: '',
                as: 'key',
                kind: 'luma',
                cut: { clip: 0.04, gain: 0.96 },
              },
            ],
          },
          ({ device }) => (device === 'back' ? back : fill),
          ...size,
        ),
      20,
    ),
  )
}
