import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { staleCalls } from '../facts'

export const staleCall = rule({
  code: 'O15',
  about: 'A macro calls a clip by a number at which another stands since the order changed.',
  messages: {
    stale: {
      severity: 'R',
      says: '{macro} calls number {called} for {clip}, and {there} stands there now.',
    },
  },
  find: (traced, say) => {
    const seen = new Set<string>()
    return staleCalls(traced)
      .filter(({ macro }) => !seen.has(macro) && seen.add(macro))
      .map(({ macro, clip, called, there }) =>
        say(
          'stale',
          { on: 'macro', macro },
          {
            macro: text(traced.plan.macros[macro]!.title),
            called: text(String(called)),
            clip: text(traced.plan.clips[clip]!.title),
            there: text(own(traced.plan.clips, there)?.title ?? 'nothing'),
          },
        ),
      )
  },
  remedies: (traced, { at }): Proposal[] => {
    const mine = at.on === 'macro' ? staleCalls(traced).filter(({ macro }) => macro === at.macro) : []
    const [one] = mine
    if (!one) return []
    const { plan } = traced
    const { title, steps } = plan.macros[one.macro]!
    const rebound = new Draft(plan)
    rebound.set(
      ['macros', one.macro, 'steps'],
      steps.map((step, i) => {
        const stale = mine.find(other => other.step === i)
        if (!stale) return step
        const { index: _, ...rest } = step
        const now = plan.clips[stale.clip]!.index
        return now === undefined ? rest : { ...rest, index: now }
      }),
    )
    const moved = new Draft(plan)
    moved.set(['clips', one.clip, 'index'], one.called)
    if (one.there !== undefined) moved.set(['clips', one.there, 'index'], plan.clips[one.clip]!.index)
    return [
      { title: `Let ${title} call the numbers as they stand now`.slice(0, 120), edits: rebound.edits },
      { title: `Put ${plan.clips[one.clip]!.title} back to number ${one.called}`.slice(0, 120), edits: moved.edits },
    ]
  },
})
