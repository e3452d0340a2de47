import { type Traced, deviceName } from '#core/chain'
import { minutesOfDay } from '#core/document'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { clockOf, listWords } from '#core/words'
import { encodersOf } from '../encoders'

export const noTestStream = rule({
  code: 'O16',
  about: 'No private test stream is planned.',
  messages: {
    none: {
      severity: 'N',
      says: 'No private test stream of {encoders} is on the run sheet: the first who see it are the audience.',
    },
  },
  find: (traced, say) => {
    const all = encodersOf(traced)
    if (all.length === 0 || traced.plan.brief.testStream !== undefined) return []
    const names = listWords(all.map(({ id }) => deviceName(traced, id)))
    const run = traced.runs.find(({ end }) => end?.device === all[0]!.id)?.id
    return [say('none', { on: 'show' }, { encoders: text(names) }, run)]
  },
  remedies: traced => {
    const at = testTime(traced)
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'testStream'], at)
    return [{ title: `Put a private test stream on the run sheet at ${at}`, edits: draft.edits }]
  },
})

/** At the rehearsal, else an hour before the start, else at noon. */
function testTime({ plan: { brief } }: Traced): string {
  if (brief.rehearsal !== undefined) return brief.rehearsal
  if (brief.start === undefined) return '12:00'
  return clockOf(minutesOfDay(brief.start) - 60)
}
