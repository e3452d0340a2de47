import type { Traced } from '#core/chain'
import { freshId, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure, listWords } from '#core/words'
import { type LineLoad, linesOf } from '../load'

const mbps = (value: number): string => `${figure(value)}\u00A0Mb/s`
const gb = (value: number): string => `${figure(value)}\u00A0GB`

const narrow = (traced: Traced): LineLoad[] =>
  linesOf(traced).lines.filter(({ needMbps, countedMbps }) => countedMbps !== undefined && needMbps > countedMbps)
const used = (traced: Traced): LineLoad[] => linesOf(traced).lines.filter(({ encoders }) => encoders.length > 0)
const spent = (traced: Traced): LineLoad[] =>
  used(traced).filter(
    ({ uplink: { allowanceGB }, volumeGB }) =>
      allowanceGB !== undefined && volumeGB !== undefined && volumeGB > allowanceGB,
  )
const lineAt = (all: readonly LineLoad[], found: { at: { on: string } }): LineLoad | undefined =>
  found.at.on === 'uplink' ? all.find(({ id }) => id === (found.at as unknown as { uplink: string }).uplink) : undefined

/** All destinations on a line by the same share, so that it fits. */
function lowered({ plan }: Traced, line: LineLoad, share: number): Proposal[] {
  const ids = line.encoders.flatMap(({ sending }) => sending.flatMap(({ destination }) => destination ?? []))
  const draft = new Draft(plan)
  for (const id of ids) {
    const now = plan.destinations[id]!.videoMbps
    // Rates are set in tenths; a picture below half a megabit is none.
    const next = Math.floor(now * share * 10) / 10
    if (next < 0.5) return []
    draft.set(['destinations', id, 'videoMbps'], next)
  }
  const all = line.encoders.every(({ sending }) => sending.every(({ destination }) => destination !== undefined))
  return ids.length > 0 && all
    ? [
        {
          title: `Send ${figure(share * 100, 0)}\u00A0% of the video over ${line.uplink.title}`.slice(0, 120),
          edits: draft.edits,
        },
      ]
    : []
}

/** The encoders go over another line that has room. */
function elsewhere(traced: Traced, line: LineLoad, fits: (other: LineLoad) => boolean): Proposal[] {
  return linesOf(traced)
    .lines.filter(other => other.id !== line.id && fits(other))
    .slice(0, 2)
    .map(other => {
      const draft = new Draft(traced.plan)
      for (const { device } of line.encoders) {
        draft.set(['uplinks', line.id, 'encoders', device])
        draft.set(['uplinks', other.id, 'encoders', device], true)
      }
      return { title: `Send over ${other.uplink.title} in its place`.slice(0, 120), edits: draft.edits }
    })
}

/** Without the last destination; named as what it gives up. */
function fewer({ plan }: Traced, line: LineLoad): Proposal[] {
  return line.encoders
    .flatMap(({ sending }) => (sending.length > 1 ? [sending.at(-1)!] : []))
    .slice(0, 1)
    .flatMap(({ destination, title }) =>
      destination !== undefined && own(plan.destinations, destination)
        ? [
            {
              title: `Give up ${title}`.slice(0, 120),
              edits: [{ do: 'remove' as const, collection: 'destinations' as const, id: destination }],
              givesUp: true as const,
            },
          ]
        : [],
    )
}

export const uplinkSmall = rule({
  code: 'O09',
  about: 'An uplink is too small for what is sent over it, with headroom.',
  messages: {
    small: {
      severity: 'R',
      says: 'From {encoders} over {line} {sent} are sent, for which {need} must be there, and {measured} were measured: the stream stalls.',
    },
  },
  find: (traced, say) =>
    narrow(traced).map(line =>
      say(
        'small',
        { on: 'uplink', uplink: line.id },
        {
          encoders: text(listWords(line.encoders.map(({ name }) => name))),
          line: text(line.uplink.title),
          sent: text(mbps(line.sentMbps)),
          need: text(mbps(line.needMbps)),
          measured: text(mbps(line.countedMbps!)),
        },
      ),
    ),
  remedies: (traced, found) => {
    const line = lineAt(narrow(traced), found)
    if (!line) return []
    const room = line.countedMbps! / line.needMbps
    return [
      ...elsewhere(
        traced,
        line,
        other => other.countedMbps !== undefined && other.countedMbps >= other.needMbps + line.needMbps,
      ),
      ...lowered(traced, line, room * 0.97),
      ...fewer(traced, line),
    ]
  },
})

export const oneUplink = rule({
  code: 'O10',
  about: 'One uplink carries the stream and there is no other.',
  messages: {
    alone: {
      severity: 'R',
      says: 'All that {encoders} should bring to its audience goes over {line} alone: when it fails, nobody outside sees anything.',
    },
  },
  find: (traced, say) => {
    const lines = used(traced)
    const { uplinks } = traced.plan
    if (lines.length !== 1 || Object.keys(uplinks).length > 1) return []
    const [line] = lines
    return [
      say(
        'alone',
        { on: 'uplink', uplink: line!.id },
        { encoders: text(listWords(line!.encoders.map(({ name }) => name))), line: text(line!.uplink.title) },
      ),
    ]
  },
  remedies: ({ plan }, found) => {
    if (found.at.on !== 'uplink') return []
    const draft = new Draft(plan)
    const by = Object.values(plan.uplinks)[0]?.by === 'wire' ? 'mobile' : 'wire'
    const title = by === 'mobile' ? 'Mobile router, to fall back on' : 'Line of the house, to fall back on'
    let n = 0
    const id = freshId(title, plan.uplinks, () => (n++ % 10) / 10)
    const order = 1 + Math.max(0, ...Object.values(plan.uplinks).map(one => one.order))
    draft.edits.push({ do: 'add', collection: 'uplinks', id, value: { title, order, by } })
    return [{ title: `Add: ${title}`, edits: draft.edits }]
  },
})

export const allowanceSpent = rule({
  code: 'E02',
  about: 'A capped line is used up before the show is over.',
  messages: {
    spent: {
      severity: 'R',
      says: 'The show sends {volume} over {line}, whose allowance is {allowance}: it is slowed down or cut off on the way.',
    },
  },
  find: (traced, say) =>
    spent(traced).map(line =>
      say(
        'spent',
        { on: 'uplink', uplink: line.id },
        {
          line: text(line.uplink.title),
          volume: text(gb(line.volumeGB!)),
          allowance: text(gb(line.uplink.allowanceGB!)),
        },
      ),
    ),
  remedies: (traced, found) => {
    const line = lineAt(spent(traced), found)
    if (!line) return []
    const share = line.uplink.allowanceGB! / line.volumeGB!
    return [
      ...elsewhere(
        traced,
        line,
        ({ uplink: { allowanceGB }, countedMbps, needMbps }) =>
          (allowanceGB === undefined || allowanceGB >= line.volumeGB!) &&
          (countedMbps === undefined || countedMbps >= needMbps + line.needMbps),
      ),
      ...lowered(traced, line, share * 0.97),
      ...fewer(traced, line),
    ]
  },
})
