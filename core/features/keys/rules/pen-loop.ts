import { carriesPicture, portsOf } from '#core/catalog'
import { type Traced, choicesAt, deviceName, endName, pointEdits, runAt, socketKey } from '#core/chain'
import { delay, text } from '#core/kernel'
import { Draft, type Proposal, connectControl, connectTo, freeSockets, rule } from '#core/propose'
import { figure } from '#core/words'
import { type PenLoop, penLoops } from '../pen'

/** A hand feels from about here that its mark comes later, ms. */
const FELT_MS = 100
/** Less than this is no offset that a hand sees, pixels. */
const SEEN_PX = 1

export const penLoop = rule({
  code: 'K19',
  about:
    'Somebody draws by pen, and the loop from the pen over the computer to the picture under it is open, slow or off.',
  messages: {
    penless: {
      severity: 'D',
      says: '{overlay} is drawn on {display}, which has no pen: a plain screen takes no marks.',
    },
    open: {
      severity: 'D',
      says: 'The pen of {display} leads to no computer: nothing that is drawn for {overlay} is made.',
    },
    astray: {
      severity: 'D',
      says: 'The pen of {display} leads to {leads}, and the marks of {overlay} are made by {maker}: nothing is drawn there.',
    },
    blind: {
      severity: 'R',
      says: '{display} shows {shown}, in which {overlay} is not seen: whoever draws does not see where.',
    },
    slow: {
      severity: 'Q',
      says: 'A mark of {overlay} is under the pen of {display} {loop} after it is drawn; a hand feels it from {felt} on.',
    },
    off: {
      severity: 'Q',
      apart: true,
      says: 'A mark of {overlay} lies up to {off} pixels beside the pen of {display}: screen, program and display are not laid over each other one to one.',
    },
  },
  find: (traced, say) =>
    penLoops(traced).flatMap(loop => {
      const at = { on: 'overlay', overlay: loop.laid.id } as const
      const words = { overlay: text(loop.laid.overlay.title), display: text(loop.display.device.name) }
      const run = runAt(traced, loop.display.id)
      if (loop.pen === undefined) return [say('penless', at, words, run)]
      if (loop.leads === undefined) return [say('open', at, words, run)]
      if (loop.leads !== loop.maker.id)
        return [
          say(
            'astray',
            at,
            { ...words, leads: text(deviceName(traced, loop.leads)), maker: text(loop.maker.device.name) },
            run,
          ),
        ]
      // A display that is dark is told as that.
      if (!loop.shows) return []
      if (!loop.seen)
        return [
          say(
            'blind',
            at,
            { ...words, shown: text(loop.shows.origin ? endName(traced, loop.shows.origin) : 'nothing') },
            run,
          ),
        ]
      return [
        ...(loop.loopMs! > FELT_MS
          ? [say('slow', at, { ...words, loop: delay(loop.loopMs!), felt: delay(FELT_MS) }, run)]
          : []),
        ...(loop.offPx > SEEN_PX ? [say('off', at, { ...words, off: text(figure(loop.offPx, 0)) }, run)] : []),
      ]
    }),
  remedies: (traced, { at, says }) => {
    const loop = at.on === 'overlay' ? penLoops(traced).find(one => one.laid.id === at.overlay) : undefined
    if (!loop) return []
    const mend: Record<string, (traced: Traced, loop: PenLoop) => Proposal[]> = {
      penless: onAnother,
      open: led,
      astray: led,
      blind: shown,
      slow: shown,
      off: laidOver,
    }
    return [...(mend[says]?.(traced, loop) ?? []), undrawn(traced, loop)]
  },
})

/** On a display of the plan that has a pen. */
const onAnother = ({ plan, chain }: Traced, { laid, display }: PenLoop): Proposal[] =>
  [...chain.nodes.values()]
    .filter(({ id, model }) => id !== display.id && Object.values(model.ports).some(({ pen }) => pen))
    .slice(0, 3)
    .map(({ id, device }) => {
      const draft = new Draft(plan)
      draft.set(['overlays', laid.id, 'drawnOn'], id)
      return { title: `Draw ${laid.overlay.title} on ${device.name}`.slice(0, 120), edits: draft.edits }
    })

/** Its lead into the computer that makes the marks. */
function led(traced: Traced, { display, maker, pen }: PenLoop): Proposal[] {
  const out = { node: display, portId: pen!, port: display.model.ports[pen!] }
  const off = (traced.chain.leaving.get(socketKey(display.id, pen!)) ?? []).map(({ id }) => ({
    do: 'disconnect' as const,
    id,
  }))
  return freeSockets(traced, maker, 'in')
    .filter(({ port }) => port?.carries === 'control')
    .flatMap(input => connectControl(traced, out, input, 'Lead its pen to', input))
    .slice(0, 2)
    .map(({ title, edits }) => ({ title, edits: [...off, ...edits] }))
}

/** The program, or the computer's own screen, on the display. */
function shown(traced: Traced, { laid, display, maker, shows, seen }: PenLoop): Proposal[] {
  const origin = shows?.origin
  const from = origin && traced.chain.nodes.get(origin.device)
  const offers: Proposal[] = []
  if (!seen && from && from === laid.node && choicesAt(from, origin.port).includes('program'))
    offers.push({
      title: `Point ${endName(traced, origin)} at program`.slice(0, 120),
      edits: [...pointEdits(from, origin.port, 'program')],
    })
  const last = shows?.links.at(-1)?.wire
  const free = portsOf(maker.model, 'out').filter(
    ([port, row]) => carriesPicture(row) && !traced.chain.leaving.get(socketKey(maker.id, port))?.length,
  )
  if (last && shows.links.length === 1)
    for (const [portId, port] of free.slice(0, 2))
      offers.push(
        ...connectTo(
          traced,
          { node: maker, portId, port },
          [{ node: display, portId: shows.end!.port, port: display.model.ports[shows.end!.port] }],
          `Show the screen of ${maker.device.name} at`,
        ).map(({ title, edits }) => ({
          title: title.slice(0, 120),
          edits: [{ do: 'disconnect' as const, id: last.id }, ...edits],
        })),
      )
  return offers
}

/** Over the whole picture. */
function laidOver({ plan }: Traced, { laid }: PenLoop): Proposal[] {
  const draft = new Draft(plan)
  if (laid.overlay.box) draft.set(['overlays', laid.id, 'box'])
  if (laid.node && laid.input !== undefined && laid.node.device.ports?.[laid.input]?.fit !== undefined)
    draft.set(['devices', laid.node.id, 'ports', laid.input, 'fit'], 'stretch')
  return draft.edits.length
    ? [{ title: `Lay ${laid.overlay.title} over the whole picture, one to one`.slice(0, 120), edits: draft.edits }]
    : []
}

function undrawn({ plan }: Traced, { laid, display }: PenLoop): Proposal {
  const draft = new Draft(plan)
  draft.set(['overlays', laid.id, 'drawnOn'])
  return {
    title: `Give up drawing ${laid.overlay.title} on ${display.device.name}`.slice(0, 120),
    edits: draft.edits,
    givesUp: true,
  }
}
