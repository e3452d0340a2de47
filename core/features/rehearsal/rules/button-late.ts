import { deviceName } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { lateButtons, ordered, worked } from '../buttons'

export const buttonLate = rule({
  code: 'N09',
  about: 'A button that works several switchers shows somebody a wrong picture on the way.',
  messages: {
    late: {
      severity: 'R',
      says: '{button} changes {last} before what comes from {feeder} is right: {sink} sees {picture} for {frames}.',
    },
  },
  find: (traced, say) =>
    lateButtons(traced).map(({ macro, last, feeder, sink, sees, least, most }) =>
      say(
        'late',
        { on: 'macro', macro },
        {
          button: text(traced.plan.macros[macro]!.title),
          last: text(deviceName(traced, last)),
          feeder: text(deviceName(traced, feeder)),
          sink: text(deviceName(traced, sink)),
          picture: text(sees),
          frames: text(least === most ? `${most} ${most === 1 ? 'frame' : 'frames'}` : `${least} to ${most} frames`),
        },
      ),
    ),
  remedies: (traced, { at }): Proposal[] => {
    const macro = at.on === 'macro' ? own(traced.plan.macros, at.macro) : undefined
    if (at.on !== 'macro' || !macro) return []
    const mine = worked(traced, macro)
    return [mine, mine.toReversed()].map((order): Proposal => {
      const draft = new Draft(traced.plan)
      draft.set(['macros', at.macro, 'steps'], ordered(traced, macro, order))
      return {
        title: `${deviceName(traced, order[0]!)} first, then wait, then ${deviceName(traced, order[1]!)}`.slice(0, 120),
        edits: draft.edits,
      }
    })
  },
})
