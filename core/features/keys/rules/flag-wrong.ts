import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { allJudged, flagWrong, judgedAt } from '../judged'

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
    allJudged(traced).flatMap(judged => {
      const wrong = flagWrong(judged)
      const { laid, id } = judged
      return wrong && laid.node
        ? [
            say(
              wrong,
              { on: 'overlay', overlay: id },
              { overlay: text(laid.overlay.title), switcher: text(laid.node.device.name) },
            ),
          ]
        : []
    }),
  remedies: (traced, { at }) => {
    const judged = at.on === 'overlay' ? judgedAt(traced, at.overlay) : undefined
    const wrong = judged && flagWrong(judged)
    if (!wrong) return []
    const draft = new Draft(traced.plan)
    draft.set(['overlays', judged.id, 'premultiplied'], wrong === 'premultiplied' ? true : undefined)
    return [{ title: `Take its fill as ${wrong === 'straight' ? 'it is' : 'weighted by its key'}`, edits: draft.edits }]
  },
})
