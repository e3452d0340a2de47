import { type Traced, isSwitcher } from '#core/chain'
import { type Macro, type MacroStep, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { TICKS_PER_S, frameTicks } from '#core/run'
import { flashingOf } from '../flashing'

/** More pairs of opposing changes in a second than this can bring on a seizure (ITU-R BT.1702). */
const MOST_PAIRS = 3

export const flashes = rule({
  code: 'K17',
  about:
    'A clip, or a run of cuts, mixes, dips, wipes, fades or keys in a macro, flashes more than three times in a second.',
  messages: {
    clip: {
      severity: 'H',
      says: '{clip} flashes {pairs} times in a second over more than a quarter of the picture, and more than 3 can bring on a seizure: make it slower or smaller, or mix where it cuts.',
    },
    macro: {
      severity: 'H',
      says: '{macro} goes from bright to dark and back {pairs} times in a second, and more than 3 such flashes can bring on a seizure: make it slower, or mix where it cuts.',
    },
    unknown: {
      severity: 'H',
      says: '{macro} changes what is seen and changes it back {pairs} times in a second: where that is from dark to bright it flashes, and more than 3 flashes can bring on a seizure. Make it slower, or mix where it cuts.',
    },
  },
  find: (traced, say) => [
    ...Object.entries(traced.plan.clips)
      .filter(([, { measured }]) => (measured?.pairs ?? 0) > MOST_PAIRS)
      .map(([clip, { title, measured }]) =>
        say('clip', { on: 'clip', clip }, { clip: text(title), pairs: text(String(measured!.pairs)) }),
      ),
    ...Object.entries(traced.plan.macros).flatMap(([id, macro]) => {
      const { sure, maybe } = flashingOf(traced, macro)
      if (maybe <= MOST_PAIRS) return []
      const [message, pairs] = sure > MOST_PAIRS ? (['macro', sure] as const) : (['unknown', maybe] as const)
      return [say(message, { on: 'macro', macro: id }, { macro: text(macro.title), pairs: text(String(pairs)) })]
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

/** The same presses, each of them and each wait between them half a second long at the least. */
function slower(traced: Traced, id: string, macro: Macro): Proposal[] {
  const node = traced.chain.nodes.get(macro.at)
  const halfOf = (device: string) => Math.ceil(TICKS_PER_S / 2 / frameOf(traced, device))
  const wait =
    node && isSwitcher(node) ? { do: 'wait' as const, frames: halfOf(macro.at) } : { do: 'wait' as const, ms: 500 }
  const steps = macro.steps.map((step): MacroStep => {
    if (step.do === 'wait' && !step.until) return wait
    const half = halfOf(step.at ?? macro.at)
    return step.do === 'auto' && step.frames! < half ? { ...step, frames: half } : step
  })
  const draft = new Draft(traced.plan)
  draft.set(['macros', id, 'steps'], steps)
  return [{ title: `Wait half a second in ${macro.title}`.slice(0, 120), edits: draft.edits }]
}

const frameOf = (traced: Traced, device: string): number =>
  frameTicks(traced.chain.nodes.get(device)?.standard?.rate ?? '50/1')
