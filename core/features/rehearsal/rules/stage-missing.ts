import { deviceName } from '#core/chain'
import { type MacroStep, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { listWords } from '#core/words'
import { missingStages, ordered } from '../buttons'

export const stageMissing = rule({
  code: 'N10',
  about: 'A macro that is there to show a source leaves out a switcher on the way.',
  messages: {
    missing: {
      severity: 'D',
      says: '{macro} is there to show {source} and does not set {stages}: where that stands elsewhere, {other} is seen instead.',
    },
  },
  find: (traced, say) =>
    missingStages(traced).map(({ macro, source, stages, sees }) =>
      say(
        'missing',
        { on: 'macro', macro },
        {
          macro: text(traced.plan.macros[macro]!.title),
          source: text(deviceName(traced, source)),
          stages: text(listWords(stages.map(({ device }) => deviceName(traced, device)))),
          other: text(sees),
        },
      ),
    ),
  remedies: (traced, { at }): Proposal[] => {
    const one = at.on === 'macro' ? missingStages(traced).find(({ macro }) => macro === at.macro) : undefined
    const macro = one && own(traced.plan.macros, one.macro)
    if (!one || !macro) return []
    const added = one.stages.map(({ device, port }): MacroStep => ({
      do: 'program',
      ...(device === macro.at ? {} : { at: device }),
      input: port,
    }))
    const rest = macro.steps.filter(
      step => !(step.do === 'program' && one.stages.some(({ device }) => (step.at ?? macro.at) === device)),
    )
    const steps = [...added, ...rest]
    const devices = [...new Set(steps.flatMap(step => (step.do === 'wait' ? [] : [step.at ?? macro.at])))]
    const draft = new Draft(traced.plan)
    draft.set(
      ['macros', one.macro, 'steps'],
      devices.length > 1 ? ordered(traced, { ...macro, steps }, devices) : steps,
    )
    const nothing = new Draft(traced.plan)
    nothing.set(['macros', one.macro, 'shows'])
    const words = listWords(one.stages.map(({ device }) => deviceName(traced, device)))
    return [
      { title: `Set ${words} in ${macro.title} too`.slice(0, 120), edits: draft.edits },
      {
        title: `Say that ${macro.title} is not there to show ${deviceName(traced, one.source)}`.slice(0, 120),
        edits: nothing.edits,
      },
    ]
  },
})
