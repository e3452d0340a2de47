import { type Traced, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Leased, leased, readdressed } from '../facts'

export const addressUnknown = rule({
  code: 'N06',
  about: 'A device that is called by its address gets one by itself, and nobody knows which.',
  messages: {
    unknown: {
      severity: 'R',
      says: '{controller} calls {device} by its address, which the network gives it by itself: after the next start it may be another, and it is not found.',
    },
  },
  find: (traced, say) =>
    leased(traced).map(({ node, controller }) =>
      say(
        'unknown',
        { on: 'device', device: node.id },
        { device: text(node.device.name), controller: text(controller.device.name) },
        runAt(traced, node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = leased(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return found ? fixed(traced, found) : []
  },
})

/** An address of its own in the subnet of those that it is to be found by. */
function fixed(traced: Traced, { node, like }: Leased): Proposal[] {
  if (!like) return []
  return readdressed(traced, { node, address: like }, like).map(({ title, edits }) => {
    const draft = new Draft(traced.plan)
    draft.set(['devices', node.id, 'leased'])
    return { title, edits: [...edits, ...draft.edits] }
  })
}
