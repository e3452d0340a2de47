import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { fmt, plan } from '../../../testing/plans'
import { paceOf } from './pace'

const camera = { model: 'camera-box-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } } as const
/** Main has a camera and the feeder Side, which has two; a talk of twelve minutes and a pause without a length. */
const show = tracedOf(
  plan({
    devices: {
      a: camera,
      b: camera,
      c: camera,
      side: 'switcher-4-strict 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      scr: 'screen',
    },
    links: {
      l1: 'a.hdmi > main.in-1 hdmi-passive 2',
      l2: 'side.out-1 > main.in-2 hdmi-passive 2',
      l3: 'b.hdmi > side.in-1 hdmi-passive 2',
      l4: 'c.hdmi > side.in-2 hdmi-passive 2',
      l5: 'main.out-1 > scr.in hdmi-passive 2',
    },
    wants: { scr: 'program' },
    people: { ida: { name: 'Ida', order: 1 }, bo: { name: 'Bo', order: 2 } },
    segments: {
      talk: { title: 'Talk', order: 1, minutes: 12, opens: 'first', work: { ida: ['main'], bo: ['side'] } },
      pause: { title: 'Pause', order: 2 },
    },
    looks: {
      first: { title: 'First', order: 1, program: { main: 'in-1', side: 'in-1' } },
      far: { title: 'Far', order: 2, program: { main: 'in-2', side: 'in-2' } },
      again: { title: 'Again', order: 3, program: { main: 'in-1' } },
    },
    cues: {
      one: { segment: 'talk', title: 'To the far camera', order: 1, look: 'far' },
      two: { segment: 'talk', title: 'Back', order: 2, look: 'again' },
      three: { segment: 'talk', title: 'Nothing new', order: 3, look: 'again' },
    },
  }),
)

describe('how busy a segment is', () => {
  it('counts the presses of the planned takes, and whose they are', () => {
    const [talk, pause] = paceOf(show)
    // Side first and then Main for the far camera, which is two; back is Main alone; the third changes nothing. Three pictures in 12 min.
    expect(talk).toMatchObject({ changes: 2, presses: 3, most: 2, mostAt: 'To the far camera', meanMinutes: 4 })
    expect(talk!.people).toEqual(
      expect.arrayContaining([
        { person: 'Ida', presses: 2, perMinute: 2 / 12 },
        { person: 'Bo', presses: 1, perMinute: 1 / 12 },
      ]),
    )
    expect(pause).toMatchObject({ changes: 0, presses: 0, meanMinutes: undefined, people: [] })
  })
})
