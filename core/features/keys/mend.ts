import { cutWords } from '#core/catalog'
import type { Traced } from '#core/chain'
import type { Overlay } from '#core/document'
import { Draft, type Proposal, connectTo, freeInputs } from '#core/propose'
import type { ChromaSetting, Setting } from '#core/picture'
import { percent } from '#core/words'
import { pairsOf } from './facts'
import { type Judged, bestScreen, bestSetting } from './judged'

/** An overlay's keyer set as was found. */
export function setTo({ plan }: Traced, { id, scale }: Judged, { cut }: Pick<Setting, 'cut'>): Proposal {
  const draft = new Draft(plan)
  draft.set(['overlays', id, 'clip'], Number(cut.clip.toFixed(6)))
  draft.set(['overlays', id, 'gain'], Number(cut.gain.toFixed(6)))
  return { title: `Set ${cutWords(scale, cut)}`, edits: draft.edits }
}

/** Clip and gain that were found to be the best. */
export function findIt(traced: Traced, judged: Judged): Proposal[] {
  const best = bestSetting(judged)
  return best ? [setTo(traced, judged, best)] : []
}

/** Screen, tolerance and edge of a key by colour as they were found to be the best. */
export function setScreen({ plan }: Traced, id: string, { chroma }: ChromaSetting): Proposal {
  const draft = new Draft(plan)
  const { screen, tolerance, edge } = chroma
  draft.set(['overlays', id, 'screen'], [...screen])
  draft.set(['overlays', id, 'tolerance'], tolerance)
  draft.set(['overlays', id, 'edge'], edge)
  return {
    title: `Key the colour ${screen.join(' ')} with tolerance ${percent(tolerance)}, edge ${percent(edge)}`,
    edits: draft.edits,
  }
}

export function findScreen(traced: Traced, judged: Judged): Proposal[] {
  const best = bestScreen(judged)
  return best ? [setScreen(traced, judged.id, best)] : []
}

/** Cut out by a key signal, which stands untouched. */
function byKeySignal(draft: Draft, id: string, overlay: Overlay): void {
  draft.set(['overlays', id, 'kind'], 'linear')
  for (const field of ['key', 'clip', 'gain', 'invert', 'premultiplied'] as const)
    if (overlay[field] !== undefined) draft.set(['overlays', id, field])
}

/** Fill and key in the place of one picture on black, where the source has both and a keyer takes them. */
export function byPair(traced: Traced, { id, graphic, laid: { overlay, node } }: Judged): Proposal[] {
  if (!node || graphic.opaque || !node.model.mix?.keyers.some(({ kinds }) => kinds.includes('linear'))) return []
  if (overlay.fill === node.id) {
    if (node.model.mix.plainStills) return []
    const draft = new Draft(traced.plan)
    byKeySignal(draft, id, overlay)
    return [{ title: `Lay ${overlay.title} over as solid as its file says`.slice(0, 120), edits: draft.edits }]
  }
  const pair = pairsOf(traced).find(one => one.node.id === overlay.fill)
  if (!pair) return []
  const draft = new Draft(traced.plan)
  byKeySignal(draft, id, overlay)
  const title = `Key ${overlay.title} by the key signal of ${pair.node.device.name}`
  const end = pair.runs.key?.end
  if (end?.device === node.id) return [{ title: title.slice(0, 120), edits: draft.edits }]
  const inputs = freeInputs(traced, node.id).filter(input => input.node.id === node.id)
  return connectTo(
    traced,
    { node: pair.node, portId: 'key', port: pair.node.model.ports.key },
    inputs,
    `Key ${overlay.title} by its key signal, into`,
  ).map(({ title: words, edits }) => ({ title: words.slice(0, 120), edits: [...draft.edits, ...edits] }))
}

/** Its own settings back to where a key signal stands untouched. */
export function asSent({ plan }: Traced, { id, laid: { overlay } }: Judged): Proposal[] {
  if (overlay.kind !== 'linear') return []
  const draft = new Draft(plan)
  for (const field of ['clip', 'gain', 'invert'] as const)
    if (overlay[field] !== undefined) draft.set(['overlays', id, field])
  return draft.edits.length ? [{ title: 'Clip 0, gain 0: as solid as the key signal says', edits: draft.edits }] : []
}

/** A key that was turned round without a light ground. */
export function turnBack({ plan }: Traced, { id, cut }: Judged): Proposal[] {
  if (!cut.invert) return []
  const draft = new Draft(plan)
  draft.set(['overlays', id, 'invert'])
  return [{ title: 'Turn the key back', edits: draft.edits }]
}
