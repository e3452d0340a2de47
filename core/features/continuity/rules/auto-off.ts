import type { Limit } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { powered, showMinutes } from '#core/document'
import { count, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { listWords } from '#core/words'

export const autoOff = rule({
  code: 'E01',
  about: 'A device ends its work by itself before the show does.',
  messages: {
    off: {
      severity: 'R',
      says: '{device} {what} after {minutes} min, and is on for {on} min, from {since} to {until}: its picture goes dark before the end.',
    },
    ends: {
      severity: 'R',
      says: '{device} stops recording after {minutes} min, and the show lasts {show} min: the rest is not recorded.',
    },
    unsaid: {
      severity: 'N',
      says: '{devices} may end its work by itself, {first} after {minutes} min, and when the show begins and ends is not said: whether it lasts is not judged.',
    },
  },
  find: (traced, say) => [
    ...unjudged(traced).map(({ node, minutes, names }) =>
      say(
        'unsaid',
        { on: 'device', device: node.id },
        {
          devices: text(names.length > 1 ? `Each of ${listWords(names)}` : names[0]!),
          first: text(names.length > 1 ? `${node.device.name} first,` : 'the first time'),
          minutes: count(minutes),
        },
        runWith(traced, node),
      ),
    ),
    ...ending(traced).map(({ node, limit, ...than }) => {
      const words = { device: text(node.device.name), minutes: count(limit.minutes) }
      const at = { on: 'device', device: node.id } as const
      const run = runWith(traced, node)
      if (limit.what === 'recording') return say('ends', at, { ...words, show: count(than.show) }, run)
      const { minutes, since, until } = than.on
      const when = { on: count(minutes), since: text(since), until: text(until) }
      return say('off', at, { ...words, ...when, what: text(WHAT[limit.what]) }, run)
    }),
  ],
  remedies: (traced, { at }) => {
    const one = ending(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return one ? [...switchOff(traced, one), ...otherMode(traced, one)] : []
  },
})

const WHAT = { 'power-off': 'switches itself off', 'sleep': 'goes to sleep' } as const

interface Ending {
  readonly node: DeviceNode
  readonly limit: Limit
  /** Minutes. */
  readonly show: number
  readonly on: NonNullable<ReturnType<typeof powered>>
}

/** What a show without times leaves open: the device that ends first, and the names of all that may end. */
function unjudged(traced: Traced): { node: DeviceNode; minutes: number; names: readonly string[] }[] {
  const { brief } = traced.plan
  if (showMinutes(brief) !== undefined && powered(brief)) return []
  const open = usedIn(traced)
    .flatMap(node =>
      (node.model.limits ?? []).filter(limit => applies(node, limit)).map(({ minutes }) => ({ node, minutes })),
    )
    .sort((a, b) => a.minutes - b.minutes)
  return open.slice(0, 1).map(first => ({ ...first, names: [...new Set(open.map(({ node }) => node.device.name))] }))
}

const runWith = ({ runs }: Traced, { id }: DeviceNode): string | undefined =>
  runs.find(({ origin, end, links }) =>
    [origin?.device, end?.device, ...links.map(one => one.wire.to?.node.id)].includes(id),
  )?.id

/** Devices that stand in a run. */
function usedIn({ chain, runs }: Traced): DeviceNode[] {
  const used = new Set(runs.flatMap(({ origin, links }) => [origin?.device, ...links.map(one => one.wire.to?.node.id)]))
  return [...chain.nodes.values()].filter(node => used.has(node.id))
}

/** The first limit of each connected device that is shorter than the show, or than the time that it is on. */
function ending(traced: Traced): Ending[] {
  const { plan } = traced
  const show = showMinutes(plan.brief)
  const on = powered(plan.brief)
  if (show === undefined || !on) return []
  return usedIn(traced).flatMap(node => {
    const limit = (node.model.limits ?? []).find(
      one => one.minutes < (one.what === 'recording' ? show : on.minutes) && applies(node, one),
    )
    return limit ? [{ node, limit, show, on }] : []
  })
}

/** A recording limit counts only while the chosen mode records; what can be switched off counts until it is. */
function applies({ device, model }: DeviceNode, { what, settable }: Limit): boolean {
  if (settable && device.limitsOff) return false
  if (what !== 'recording') return true
  const mode = model.modes?.[device.mode ?? Object.keys(model.modes)[0]!]
  return mode === undefined || mode.records !== undefined
}

function switchOff({ plan }: Traced, { node, limit }: Ending): Proposal[] {
  const draft = new Draft(plan)
  draft.set(['devices', node.id, 'limitsOff'], true)
  return limit.settable
    ? [{ title: `Switch off what ends ${node.device.name} by itself`.slice(0, 120), edits: draft.edits }]
    : []
}

function otherMode({ plan }: Traced, { node, limit }: Ending): Proposal[] {
  if (limit.what !== 'recording') return []
  return Object.entries(node.model.modes ?? {})
    .filter(([, mode]) => !mode.records)
    .map(([id, mode]) => {
      const draft = new Draft(plan)
      draft.set(['devices', node.id, 'mode'], id)
      return { title: `Set ${node.device.name} to: ${mode.title}`.slice(0, 120), edits: draft.edits }
    })
}
