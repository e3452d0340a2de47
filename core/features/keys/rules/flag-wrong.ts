import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { type Judged, firstsOf, flagWrong, judgedOf } from '../judged'

const isWrong = (judged: Judged): boolean => judged.laid.node !== undefined && flagWrong(judged) !== undefined

export const flagUnlike = rule({
  code: 'K03',
  about: 'A fill is keyed as if it were weighted by its key and is not, or the other way round.',
  messages: {
    straight: {
      severity: 'Q',
      says: 'The fill of {overlay} has its colours as they are, and {switcher} takes it as weighted by its key: a veil of it lies over the picture.',
    },
    premultiplied: {
      severity: 'Q',
      says: 'The fill of {overlay} is weighted by its key already, and {switcher} weights it once more: its edges go dark.',
    },
  },
  find: (traced, say) =>
    firstsOf(traced, isWrong).map(judged =>
      say(
        flagWrong(judged)!,
        { on: 'overlay', overlay: judged.id },
        { overlay: text(judged.title), switcher: text(judged.laid.node!.device.name) },
      ),
    ),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isWrong)
    const wrong = judged && flagWrong(judged)
    if (!wrong) return []
    const draft = new Draft(traced.plan)
    draft.set(['overlays', judged.id, 'premultiplied'], wrong === 'premultiplied' ? true : undefined)
    return [{ title: `Take its fill as ${wrong === 'straight' ? 'it is' : 'weighted by its key'}`, edits: draft.edits }]
  },
})
