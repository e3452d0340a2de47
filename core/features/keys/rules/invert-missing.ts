import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { type Judged, bestSetting, faultOf, firstsOf, judgedOf } from '../judged'
import { setTo } from '../mend'

const isBoard = (judged: Judged): boolean => faultOf(judged) === 'invert'

export const invertMissing = rule({
  code: 'K10',
  about: 'Dark marks on a light board are cut out by brightness without turning the key round.',
  messages: {
    board: {
      severity: 'Q',
      says: '{overlay} is dark on a light ground, and its key is not turned round: the ground is laid over the picture, and the marks are cut out of it.',
    },
  },
  find: (traced, say) =>
    firstsOf(traced, isBoard).map(({ id, title }) =>
      say('board', { on: 'overlay', overlay: id }, { overlay: text(title) }),
    ),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isBoard)
    if (!judged) return []
    const draft = new Draft(traced.plan)
    draft.set(['overlays', judged.id, 'invert'], true)
    const best = bestSetting({ ...judged, cut: { ...judged.cut, invert: true } })
    const set = best && setTo(traced, judged, best)
    return [
      { title: 'Turn the key round', edits: draft.edits },
      ...(set ? [{ title: `Turn the key round, ${set.title.slice(4)}`, edits: [...draft.edits, ...set.edits] }] : []),
    ]
  },
})
