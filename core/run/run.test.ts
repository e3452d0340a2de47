import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import type { Plan } from '#core/document'
import { fmt, plan } from '../../testing/plans'
import {
  type Picture,
  Rehearsal,
  contentIn,
  momentsOf,
  pictureAt,
  planTake,
  shownIn,
  stateBefore,
  taken,
} from './index'

/** Two sources at a feeder, its program and two more at the last switcher; hall and a clean recording. */
const chain = (more: Partial<Plan> = {}): Plan =>
  plan({
    devices: {
      a: 'camera-box-hdmi 1080p59.94',
      b: 'camera-box-hdmi 1080p59.94',
      c: 'camera-box-hdmi 1080p59.94',
      pc: 'computer 1080p59.94',
      side: 'switcher-8-hdmi 1080p59.94',
      main: { model: 'switcher-8-hdmi', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'clean' } } },
      hall: 'projector',
      rec: 'recorder-hdmi',
      op: 'screen',
    },
    links: {
      a: 'a.hdmi > side.in-1 hdmi-passive 2',
      b: 'b.hdmi > side.in-2 hdmi-passive 2',
      l: 'side.out-1 > main.in-1 hdmi-passive 2',
      c: 'c.hdmi > main.in-2 hdmi-passive 2',
      p: 'pc.hdmi-1 > main.in-3 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 3',
      r: 'main.out-2 > rec.in hdmi-passive 2',
      o: 'main.out-3 > op.in hdmi-passive 2',
    },
    ...(more as object),
  })

/** A picture in a line: "main[side[a] + pc luma]". */
function line(picture: Picture): string {
  if (picture.of === 'source') return picture.content ? `${picture.device} ${picture.content}` : picture.device
  if (picture.of === 'loop') return `itself at ${picture.device}`
  if (picture.of === 'mix')
    return `${picture.device}[${picture.layers.map(({ picture: inner, kind }) => `${line(inner)}${kind ? ` ${kind}` : ''}`).join(' + ')}]`
  if (picture.of === 'tiles')
    return picture.tiles.map(({ label, picture: inner }) => `${label}: ${line(inner)}`).join(', ')
  return picture.of
}

const overlays: Plan['overlays'] = {
  names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' },
  face: { title: 'Face', order: 2, kind: 'box', fill: 'c', box: { x: 0.7, y: 0, w: 0.3, h: 0.3 } },
}

describe('what is seen', () => {
  const see = (written: Plan, look: Plan['looks'][string], sink: string) => {
    const traced = tracedOf(written)
    return pictureAt(traced, taken(stateBefore(traced), look), { device: sink, port: 'in' })
  }
  const base = { title: 'Look', order: 1 }
  it('goes through every switcher on the way, by the inputs that are on air', () => {
    expect(line(see(chain(), base, 'hall'))).toBe('main[side[a]]')
    expect(line(see(chain(), { ...base, program: { side: 'in-2' } }, 'hall'))).toBe('main[side[b]]')
    // What the feeder shows is not seen while the last switcher shows something else.
    expect(line(see(chain(), { ...base, program: { side: 'in-2', main: 'in-2' } }, 'hall'))).toBe('main[c]')
    expect(line(see(chain(), { ...base, program: { main: 'black' } }, 'hall'))).toBe('main[black]')
    expect(line(see(chain(), { ...base, program: { main: 'in-8' } }, 'hall'))).toBe('main[none]')
  })
  it('has the keys before the tap: those over all are not in a clean feed', () => {
    const look = { ...base, program: { main: 'in-1' }, keys: { main: { '2': 'names', '1': 'face' } } }
    // Keyer 1 of this switcher lies in the mix, keyer 2 over its result.
    expect(line(see(chain({ overlays }), look, 'hall'))).toBe('main[side[a] + c box + pc luma]')
    expect(line(see(chain({ overlays }), look, 'rec'))).toBe('main[side[a] + c box]')
    expect(line(see(chain({ overlays }), { ...look, contents: { pc: 'caption' } }, 'hall'))).toBe(
      'main[side[a] + c box + pc caption luma]',
    )
  })
  it('is one input by itself where an output is pointed at it, through no key and no fade, by setting and by look', () => {
    const own = { 'out-2': { feed: 'input', of: 'in-2' } } as const
    const pointed = chain({
      overlays,
      devices: {
        ...chain().devices,
        main: { ...chain().devices.main!, ports: own },
      },
    })
    const over = { ...base, keys: { main: { '2': 'names' } }, faded: { main: true } }
    expect(line(see(pointed, over, 'rec'))).toBe('c')
    expect(line(see(pointed, over, 'hall'))).toBe('black')
    // Input 1 is what the feeder shows; nobody need cut to it.
    const side = { program: { side: 'in-2', main: 'in-3' }, outputs: { main: { 'out-2': 'in-1' } } }
    expect(line(see(chain(), { ...base, ...side }, 'rec'))).toBe('side[b]')
    expect(line(see(chain(), { ...base, outputs: { main: { 'out-2': 'in-7' } } }, 'rec'))).toBe('none')
    expect(line(see(pointed, { ...base, outputs: { main: { 'out-2': 'program' } } }, 'rec'))).toBe('main[side[a]]')
    // Without the camera at its input that output is dark, while the others are lit by the rest.
    const lit = (links: string[]) => {
      const kept = Object.fromEntries(Object.entries(pointed.links).filter(([id]) => !links.includes(id)))
      const traced = tracedOf({ ...pointed, links: kept })
      return ['h', 'r'].map(id => traced.trace.wires.get(id)!.arrives)
    }
    expect([lit([]), lit(['c']), lit(['a', 'b', 'p'])]).toEqual([
      [true, true],
      [true, false],
      [true, true],
    ])
  })
  it('is black at program while faded, and not in a clean feed, whose tap lies before', () => {
    const look = { ...base, faded: { main: true } }
    expect(line(see(chain(), look, 'hall'))).toBe('black')
    expect(line(see(chain(), look, 'rec'))).toBe('main[side[a]]')
  })
  it('is tiled in a multiview, and follows an output that a look points elsewhere', () => {
    expect(line(see(chain(), { ...base, preview: { main: 'in-2' } }, 'op'))).toMatch(
      /^next: main\[c\], on air: main\[side\[a\]\], 1: side\[a\], 2: c, 3: pc, 4: none/,
    )
    expect(line(see(chain({ overlays }), { ...base, outputs: { main: { 'out-3': 'program' } } }, 'op'))).toBe(
      'main[side[a]]',
    )
  })
  it('ends where a picture comes back to itself', () => {
    const ring = chain({
      links: {
        ...chain().links,
        x: {
          from: { device: 'main', port: 'out-3' },
          to: { device: 'side', port: 'in-3' },
          cable: 'hdmi-passive',
          routeM: 2,
        },
      },
    } as Partial<Plan>)
    const { o: _, ...links } = ring.links
    const look = { ...base, program: { side: 'in-3' }, outputs: { main: { 'out-3': 'program' as const } } }
    expect(line(see({ ...ring, links }, look, 'hall'))).toBe('main[side[itself at main]]')
  })
  it('lists what is shown, with how it comes there', () => {
    const picture = see(chain({ overlays }), { ...base, keys: { main: { '2': 'names' } } }, 'hall')
    expect(shownIn(picture)).toEqual([
      { device: 'a', port: 'hdmi', as: 'background' },
      { device: 'pc', port: 'hdmi-1', as: 'key', kind: 'luma', overlay: 'names' },
    ])
  })
})

describe('moments', () => {
  const order = chain({
    overlays,
    segments: {
      one: { title: 'One', order: 1, opens: 'wide' },
      two: { title: 'Two', order: 2 },
      three: { title: 'Three', order: 3, opens: 'gone' },
    },
    looks: {
      wide: { title: 'Wide', order: 1, program: { main: 'in-2' } },
      named: { title: 'Named', order: 2, keys: { main: { '2': 'names' } }, contents: { pc: 'caption' } },
    },
    cues: {
      on: { segment: 'one', title: 'Names', order: 1, look: 'named' },
      off: { segment: 'one', title: 'Names off', order: 2, back: 'on' },
      again: { segment: 'two', title: 'Names', order: 1, look: 'named' },
    },
  })
  const told = (scope = {}) =>
    momentsOf(tracedOf(order, scope)).map(({ segment, cue, state }) => [
      segment,
      cue ?? 'opens',
      state.mixers.main!.program,
      Object.values(state.mixers.main!.keys).join(),
      state.contents.pc ?? '',
    ])
  it('are the opening of each segment and what its cues do; what a look does not name stays', () => {
    expect(told()).toEqual([
      ['one', 'opens', 'in-2', '', ''],
      ['one', 'on', 'in-2', 'names', 'caption'],
      ['one', 'off', 'in-2', '', ''],
      ['two', 'opens', 'in-2', '', ''],
      ['two', 'again', 'in-2', 'names', 'caption'],
      ['three', 'opens', 'in-2', 'names', 'caption'],
    ])
  })
  it('have each output of a computer show its own page, until the whole computer is told; taken back as it was', () => {
    const full = { title: 'Full', order: 1, contents: { pc: 'full' } } as const
    const split = { title: 'Split', order: 2, layouts: { pc: { 'hdmi-2': 'caption' } } } as const
    const blank = { title: 'Blank', order: 3, contents: { pc: 'blank' } } as const
    const pages = chain({
      looks: { full, split, blank },
      segments: { one: { title: 'One', order: 1, opens: 'full' } },
      cues: {
        split: { segment: 'one', title: 'Split', order: 1, look: 'split' },
        blank: { segment: 'one', title: 'Blank', order: 2, look: 'blank' },
        back: { segment: 'one', title: 'Back', order: 3, back: 'blank' },
        whole: { segment: 'one', title: 'Whole', order: 4, back: 'split' },
      },
    })
    const traced = tracedOf(pages)
    const both = ({ contents }: ReturnType<typeof stateBefore>) =>
      ['hdmi-1', 'hdmi-2'].map(port => contentIn(contents, 'pc', port))
    expect(momentsOf(traced).map(({ state }) => both(state))).toEqual([
      ['full', 'full'],
      ['full', 'caption'],
      ['blank', 'blank'],
      ['full', 'caption'],
      ['full', 'full'],
    ])
    // From any of these to any other by plan, in the run, and read back from where that came to rest.
    for (const { state: from } of momentsOf(traced))
      for (const { state: to } of momentsOf(traced)) {
        const take = planTake(traced, from, to)
        const run = new Rehearsal(traced, from, { phase: () => 0.5, delay: () => 0.5 })
        run.happen(take.steps.flatMap(({ happenings }, i) => happenings.map(one => ({ ...one, tick: i * 24_000 }))))
        expect([both(take.steps.at(-1)?.state ?? from), both(run.settled())]).toEqual([both(to), both(to)])
      }
  })
  it('are those of one segment where it is looked at', () =>
    expect(told({ segment: 'two' }).map(([, cue]) => cue)).toEqual(['opens', 'again']))
  it('are one state where the plan has no running order', () => {
    const [only, ...more] = momentsOf(tracedOf(chain()))
    expect(more).toEqual([])
    expect(only!.state.mixers).toMatchObject({ side: { program: 'in-1' }, main: { program: 'in-1', keys: {} } })
  })
})
