import { deviceName, lastSwitchers } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { allLaid, assigned, laidIn, litIn } from '../laid'

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
    const keyer = assigned(laidIn(traced)).get(one.id) ?? one.keyers?.[0]
    const draft = new Draft(traced.plan)
    for (const [id, look] of Object.entries(traced.plan.looks))
      for (const [device, keys] of Object.entries(look.keys ?? {}))
        for (const [number, overlay] of Object.entries(keys))
          if (overlay === one.id && device !== one.node.id) {
            draft.set(['looks', id, 'keys', device, number])
            if (keyer !== undefined) draft.set(['looks', id, 'keys', one.node.id, String(keyer)], overlay)
          }
    return keyer === undefined || draft.edits.length === 0 || one.input === undefined
      ? []
      : [{ title: `Key ${one.overlay.title} at ${one.node.device.name}`.slice(0, 120), edits: draft.edits }]
  },
})
