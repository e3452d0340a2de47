import { mixOf } from '#core/catalog'
import { type Traced, isSwitcher } from '#core/chain'
import { BLACK, type GraphicEntry, type Macro, type Overlay, type Plan, graphicsOf, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { readCells } from '#core/picture'
import { type Machine, TICKS_PER_S, commanded, expandMacro, frameTicks, machineOf, stateBefore } from '#core/run'

/** More pairs of opposing changes in a second than this can bring on a seizure (ITU-R BT.1702). */
const MOST_PAIRS = 3

export const flashes = rule({
  code: 'K17',
  about:
    'A clip, or a run of cuts to black and back or of a bright graphic, flashes more than three times in a second.',
  messages: {
    clip: {
      severity: 'H',
      says: '{clip} flashes {pairs} times in a second over more than a quarter of the picture, and more than 3 can bring on a seizure: make it slower or smaller, or mix where it cuts.',
    },
    macro: {
      severity: 'H',
      says: '{macro} goes from bright to dark and back {pairs} times in a second, and more than 3 such flashes can bring on a seizure: make it slower, or mix where it cuts.',
    },
  },
  find: (traced, say) => [
    ...Object.entries(traced.plan.clips)
      .filter(([, { measured }]) => (measured?.pairs ?? 0) > MOST_PAIRS)
      .map(([clip, { title, measured }]) =>
        say('clip', { on: 'clip', clip }, { clip: text(title), pairs: text(String(measured!.pairs)) }),
      ),
    ...Object.entries(traced.plan.macros).flatMap(([id, macro]) => {
      const pairs = pairsOf(traced, macro)
      return pairs > MOST_PAIRS
        ? [say('macro', { on: 'macro', macro: id }, { macro: text(macro.title), pairs: text(String(pairs)) })]
        : []
    }),
  ],
  remedies: (traced, { at }): Proposal[] => {
    const clip = at.on === 'clip' ? own(traced.plan.clips, at.clip) : undefined
    if (at.on === 'clip' && clip)
      return [{ title: `Play ${clip.title} no more`.slice(0, 120), edits: without(traced, at.clip) }]
    const macro = at.on === 'macro' ? own(traced.plan.macros, at.macro) : undefined
    return at.on === 'macro' && macro ? slower(traced, at.macro, macro) : []
  },
})

/** The plan without a clip: nothing plays it any more. */
function without(traced: Traced, clip: string) {
  const draft = new Draft(traced.plan)
  for (const [id, cue] of Object.entries(traced.plan.cues)) if (cue.clip === clip) draft.set(['cues', id, 'clip'])
  for (const [id, macro] of Object.entries(traced.plan.macros)) {
    const steps = macro.steps.filter(step => step.clip !== clip)
    if (steps.length === macro.steps.length) continue
    if (steps.length) draft.set(['macros', id, 'steps'], steps)
    else draft.edits.push({ do: 'remove', collection: 'macros', id })
  }
  draft.edits.push({ do: 'remove', collection: 'clips', id: clip })
  return draft.edits
}

/** The same presses with waits of half a second between those that change what is seen. */
function slower(traced: Traced, id: string, macro: Macro): Proposal[] {
  const node = traced.chain.nodes.get(macro.at)
  const wait =
    node && isSwitcher(node)
      ? { do: 'wait' as const, frames: Math.ceil(TICKS_PER_S / 2 / frameOf(traced, macro.at)) }
      : { do: 'wait' as const, ms: 500 }
  const steps = macro.steps.flatMap(step => (step.do === 'wait' && !step.until ? [wait] : [step]))
  const draft = new Draft(traced.plan)
  draft.set(['macros', id, 'steps'], steps)
  return [{ title: `Wait half a second in ${macro.title}`.slice(0, 120), edits: draft.edits }]
}

const frameOf = (traced: Traced, device: string): number =>
  frameTicks(traced.chain.nodes.get(device)?.standard?.rate ?? '50/1')

/**
 * The most pairs of opposing changes in a second that a macro makes at one switcher: to black and back by a cut, a take or a
 * fade of one frame, and a bright graphic that comes and goes. A picture of the show is bright enough.
 */
function pairsOf(traced: Traced, macro: Macro): number {
  const changes = new Map<string, number[]>()
  const machines = new Map<string, Machine>()
  const before = stateBefore(traced)
  const { happenings } = expandMacro(traced, macro, 0, device => frameOf(traced, device))
  for (const one of happenings) {
    const node = 'command' in one ? traced.chain.nodes.get(one.device) : undefined
    const began = own(before.mixers, one.device)
    if (!('command' in one) || !node || !began) continue
    const was = machines.get(one.device) ?? machineOf(began)
    const frame = Math.round(one.tick / frameOf(traced, one.device))
    const { machine } = commanded(was, one.command, frame, mixOf(node.model))
    machines.set(one.device, machine)
    if (brightIn(traced, was) !== brightIn(traced, machine))
      changes.set(one.device, [...(changes.get(one.device) ?? []), one.tick])
  }
  const most = [...changes.values()].flatMap(ticks =>
    ticks.map(from => Math.floor(ticks.filter(at => at >= from && at < from + TICKS_PER_S).length / 2)),
  )
  return Math.max(0, ...most)
}

/** How many bright things are there: the picture, unless it is black, and graphics that are bright over a quarter of it. */
function brightIn({ plan }: Traced, { program, faded, keys }: Machine): number {
  if (faded) return 0
  const graphics = Object.values(keys).filter(id => brightShare(plan, own(plan.overlays, id)) > 0.25)
  return Number(program !== undefined && program !== BLACK) + graphics.length
}

/** From so many codes on, over black, a pixel is 20 cd/m2 brighter than that: 255 x (20 / 200) ^ (1 / 2.4). */
const BRIGHT = 97.7
/** The share of the picture in which an overlay's brightest graphic is as bright as that; 0 where nobody counted. */
function brightShare(plan: Plan, overlay: Overlay | undefined): number {
  if (!overlay) return 0
  const { box } = overlay
  const shown = graphicsOf(plan, overlay)
  return Math.max(0, ...shown.map(one => brightOf(one))) * (box ? box.w * box.h : 1)
}

function brightOf(graphic: GraphicEntry): number {
  const cells = graphic.cells === undefined ? undefined : readCells(graphic.cells, graphic.opaque === true)
  if (!cells) return 0
  let bright = 0
  for (let i = 0; i < cells.counts.length; i += 3) if (cells.counts[i]! >= BRIGHT) bright += cells.counts[i + 2]!
  return bright / (graphic.width * graphic.height)
}
