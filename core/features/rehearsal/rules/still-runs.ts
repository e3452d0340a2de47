import type { Traced } from '#core/chain'
import { type Cue, type Macro, type MacroStep, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { TICKS_PER_S, expandMacro } from '#core/run'
import { clockSeconds } from '#core/words'
import { frameOf } from '../facts'

export const stillRuns = rule({
  code: 'N17',
  about: 'A macro still runs when the next cue is due.',
  messages: {
    runs: {
      severity: 'R',
      says: '{macro} runs for {length}, and {cue} is over after {lasts}: what comes next is pressed into it.',
    },
  },
  find: (traced, say) =>
    long(traced).map(({ id, cue, macro, seconds }) =>
      say(
        'runs',
        { on: 'cue', cue: id },
        {
          macro: text(macro.title),
          length: text(clockSeconds(seconds)),
          cue: text(cue.title),
          lasts: text(clockSeconds(cue.lastsS!)),
        },
      ),
    ),
  remedies: (traced, { at }): Proposal[] => {
    const one = at.on === 'cue' ? long(traced).find(({ id }) => id === at.cue) : undefined
    if (!one) return []
    const { id, cue, macro, seconds } = one
    const later = new Draft(traced.plan)
    // Told in whole seconds, and never shorter than it runs.
    later.set(['cues', id, 'lastsS'], Math.ceil(seconds))
    const shorter = new Draft(traced.plan)
    shorter.set(['macros', cue.macro!, 'steps'], shortened(macro, cue.lastsS! / seconds))
    return [
      { title: `Let ${macro.title} wait less`.slice(0, 120), edits: shorter.edits },
      { title: `Give ${cue.title} ${clockSeconds(Math.ceil(seconds))}`.slice(0, 120), edits: later.edits },
    ]
  },
})

/** Waits and transitions by a share, each at least one frame. */
const shortened = ({ steps }: Macro, share: number): MacroStep[] =>
  steps.map(step => ({
    ...step,
    ...(step.frames === undefined ? {} : { frames: Math.max(1, Math.floor(step.frames * share)) }),
    ...(step.ms === undefined ? {} : { ms: Math.max(1, Math.floor(step.ms * share)) }),
  }))

const long = (traced: Traced): { id: string; cue: Cue; macro: Macro; seconds: number }[] =>
  Object.entries(traced.plan.cues).flatMap(([id, cue]) => {
    const macro = own(traced.plan.macros, cue.macro)
    if (!macro || cue.lastsS === undefined) return []
    const seconds = expandMacro(traced, macro, 0, frameOf(traced)).ticks / TICKS_PER_S
    return seconds > cue.lastsS ? [{ id, cue, macro, seconds }] : []
  })
