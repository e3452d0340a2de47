import { type Traced, isSwitcher } from '#core/chain'
import { BLACK, type Macro, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Command, TICKS_PER_S, expandMacro, frameTicks } from '#core/run'

/** More pairs of opposing changes in a second than this can bring on a seizure (ITU-R BT.1702). */
const MOST_PAIRS = 3

export const flashes = rule({
  code: 'K17',
  about: 'A clip, or a run of cuts to black and back, flashes more than three times in a second.',
  messages: {
    clip: {
      severity: 'H',
      says: '{clip} flashes {pairs} times in a second over more than a quarter of the picture, and more than 3 can bring on a seizure: make it slower or smaller, or mix where it cuts.',
    },
    macro: {
      severity: 'H',
      says: '{macro} cuts to black and back {pairs} times in a second, and more than 3 such flashes can bring on a seizure: make it slower, or mix where it cuts.',
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

/** The most pairs of cuts to black and back in a second, at one switcher: a picture of the show is bright enough. */
function pairsOf(traced: Traced, macro: Macro): number {
  const byDevice = new Map<string, number[]>()
  const dark = new Map<string, boolean>()
  const { happenings } = expandMacro(traced, macro, 0, device => frameOf(traced, device))
  for (const one of happenings) {
    if (!('command' in one)) continue
    for (const now of darkness(one.command)) {
      if (dark.has(one.device) && dark.get(one.device) !== now)
        byDevice.set(one.device, [...(byDevice.get(one.device) ?? []), one.tick])
      dark.set(one.device, now)
    }
  }
  const most = [...byDevice.values()].flatMap(ticks =>
    ticks.map(from => Math.floor(ticks.filter(at => at >= from && at < from + TICKS_PER_S).length / 2)),
  )
  return Math.max(0, ...most)
}

/** Whether a command leaves program black at once, or shows a picture at once. */
function darkness(command: Command): boolean[] {
  if (command.do === 'all') return command.commands.flatMap(darkness)
  if (command.do === 'program') return [command.input === BLACK]
  return command.do === 'fade' && command.frames <= 1 ? [command.to] : []
}
