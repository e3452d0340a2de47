import type { Limit } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { showMinutes } from '#core/document'
import { count, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

export const autoOff = rule({
  code: 'E01',
  about: 'A device ends its work by itself before the show does.',
  messages: {
    ends: {
      severity: 'R',
      says: '{device} {what} after {minutes} min, and the show lasts {show} min: its picture goes dark in the middle of it.',
    },
  },
  find: (traced, say) =>
    ending(traced).map(({ node, limit, show }) =>
      say(
        'ends',
        { on: 'device', device: node.id },
        {
          device: text(node.device.name),
          what: text(WHAT[limit.what]),
          minutes: count(limit.minutes),
          show: count(show),
        },
        traced.runs.find(({ origin }) => origin?.device === node.id)?.id,
      ),
    ),
  remedies: (traced, { at }) => {
    const one = ending(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return one ? [...switchOff(traced, one), ...otherMode(traced, one)] : []
  },
})

const WHAT = { 'power-off': 'switches itself off', 'sleep': 'goes to sleep', 'recording': 'stops recording' } as const

interface Ending {
  readonly node: DeviceNode
  readonly limit: Limit
  readonly show: number
}

/** The first limit of each connected source that is shorter than the show. */
function ending({ plan, chain, runs }: Traced): Ending[] {
  const show = showMinutes(plan.brief)
  if (show === undefined) return []
  const used = new Set(runs.map(({ origin }) => origin?.device))
  return [...chain.nodes.values()]
    .filter(node => used.has(node.id))
    .flatMap(node => {
      const limit = (node.model.limits ?? []).find(one => one.minutes < show && applies(node, one))
      return limit ? [{ node, limit, show }] : []
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
