import { deviceName, lastSwitchers } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { allLaid, assigned, keyersOf, laidIn, litIn } from '../laid'

export const overlayUnder = rule({
  code: 'K09',
  about: 'What must lie over everything is keyed at a feeder.',
  messages: {
    under: {
      severity: 'Q',
      says: '{overlay} must lie over everything and is keyed at {feeder}: it rides with the pictures of {feeder} alone.',
    },
  },
  asks: 'segments',
  find: (traced, say) => {
    const last = new Set(lastSwitchers(traced).map(({ id }) => id))
    return [...litIn(traced)].flatMap(([id, places]) => {
      const overlay = own(traced.plan.overlays, id)
      const at = places.find(({ device }) => !last.has(device))
      return overlay && overlay.over === undefined && at && last.size
        ? [
            say(
              'under',
              { on: 'overlay', overlay: id },
              { overlay: text(overlay.title), feeder: text(deviceName(traced, at.device)) },
            ),
          ]
        : []
    })
  },
  remedies: (traced, { at }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (!one?.node) return []
    const { id, overlay, node, keyers = [], input } = one
    if (input === undefined) return []
    const first = assigned(laidIn(traced)).get(id) ?? keyers[0]
    // Which of them may be taken is seen by trying: a clean feed may lie behind some.
    return [...keyers]
      .sort((a, b) => Number(b === first) - Number(a === first))
      .flatMap(keyer => {
        const draft = new Draft(traced.plan)
        for (const [look, { keys = {} }] of Object.entries(traced.plan.looks))
          for (const [device, there] of Object.entries(keys))
            for (const [number, lit] of Object.entries(there))
              if (lit === id && device !== node.id) {
                draft.set(['looks', look, 'keys', device, number])
                draft.set(['looks', look, 'keys', node.id, String(keyer)], id)
              }
        const by = keyers.length > 1 ? `, by ${keyersOf(node)![keyer - 1]!.title}` : ''
        return draft.edits.length
          ? [{ title: `Key ${overlay.title} at ${node.device.name}${by}`.slice(0, 120), edits: draft.edits }]
          : []
      })
  },
})
