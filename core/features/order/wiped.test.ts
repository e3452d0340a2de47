import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { momentsOf, pictureFrom, wordsOf } from '#core/run'
import { kept, patches } from '../../../testing/graphics'
import { fmt, plan } from '../../../testing/plans'
import { check } from '../index'
import { wipedBefore } from '../keys/facts'
import { cueSheet, runningOrder } from './paper'

/** A camera looks at a white board whose marks lie over the stage: on from the opening, off, on again, and on as before. */
const show = plan({
  devices: {
    wide: 'camera-box-hdmi 1080p59.94',
    board: 'camera-box-hdmi 1080p59.94',
    slides: 'computer 1080p59.94',
    main: { model: 'switcher-8-hdmi', standard: fmt('1080p59.94') },
    hall: 'screen',
  },
  links: {
    w: 'wide.hdmi > main.in-1 hdmi-passive 2',
    b: 'board.hdmi > main.in-2 hdmi-passive 2',
    s: 'slides.hdmi-1 > main.in-3 hdmi-passive 2',
    h: 'main.out-1 > hall.in hdmi-passive 1',
  },
  wants: { hall: 'program' },
  graphics: { art: kept(patches(64, 36, [0, 0, 0], [[8, 20, 40, 8, [255, 255, 255]]])) },
  overlays: {
    marks: { title: 'Marks', order: 1, kind: 'luma', fill: 'board', invert: true, clip: 0.4, gain: 0.8 },
    names: { title: 'Names', order: 2, kind: 'luma', fill: 'slides', graphic: 'art', clip: 0.1, gain: 0.9 },
  },
  segments: { talk: { title: 'Talk', order: 1, opens: 'drawn' } },
  looks: {
    drawn: { title: 'Drawn', order: 1, program: { main: 'in-1' }, keys: { main: { 1: 'marks' } } },
    bare: { title: 'Bare', order: 2, keys: { main: { 1: 'off' } } },
    named: { title: 'Named', order: 3, keys: { main: { 1: 'names' } } },
    page: { title: 'Page', order: 4, program: { main: 'in-3' }, preview: { main: 'in-3' } },
  },
  cues: {
    one: { segment: 'talk', title: 'Off', order: 1, look: 'bare' },
    two: { segment: 'talk', title: 'On', order: 2, look: 'drawn' },
    three: { segment: 'talk', title: 'Still on', order: 3, look: 'drawn' },
    four: { segment: 'talk', title: 'Names', order: 4, look: 'named' },
    five: { segment: 'talk', title: 'The page', order: 5, look: 'page' },
  },
})

describe('what is drawn by hand', () => {
  it('is wiped before it comes on, each time, and not while it stays', () => {
    expect(Object.fromEntries(wipedBefore(tracedOf(show)))).toEqual({
      talk: ['wipe the board (Marks)'],
      two: ['wipe the board (Marks)'],
    })
  })
  it('is told on the papers before the cue', () => {
    const checked = check(show)
    expect(cueSheet(checked)!.rows.map(({ first }) => first)).toEqual(['', 'wipe the board (Marks)', '', '', ''])
    expect(runningOrder(checked)!.rows[0]!.opens).toBe('Drawn; first wipe the board (Marks)')
    // A show where nobody draws has no such column.
    const { marks: _, ...overlays } = show.overlays
    expect(cueSheet(check({ ...show, overlays }))!.columns.some(({ key }) => key === 'first')).toBe(false)
  })
})

describe('what is made to be cut out', () => {
  it('shows its ground where its own picture is seen, and says so', () => {
    const traced = tracedOf(show)
    const { state } = momentsOf(traced).at(-1)!
    const words = (feed: 'out-1') => wordsOf(traced, pictureFrom(traced, state, { device: 'main', port: feed }))
    expect(words('out-1')).toBe('slides, Names on its black ground with Names')
    const [first] = momentsOf(traced)
    expect(wordsOf(traced, pictureFrom(traced, first!.state, { device: 'main', port: 'out-1' }))).toBe(
      'wide with Marks',
    )
  })
})
