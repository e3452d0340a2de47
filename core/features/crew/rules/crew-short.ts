import { isCamera } from '#core/catalog'
import type { Traced } from '#core/chain'
import { count, ghost } from '#core/kernel'
import { Draft, rule } from '#core/propose'

export const crewShort = rule({
  code: 'R06',
  about: 'More manned cameras than crew.',
  messages: {
    few: {
      severity: 'R',
      says: '{manned} cameras need somebody at them, and the crew is {crew}: a camera stands alone or a shot is lost.',
    },
  },
  find: (traced, say) => {
    const { crew } = traced.plan.brief
    const cameras = manned(traced)
    return crew === undefined || cameras.length <= crew
      ? []
      : [ghost('Crew', say('few', { on: 'show' }, { manned: count(cameras.length), crew: count(crew) }))]
  },
  remedies: traced => {
    const cameras = manned(traced)
    const over = cameras.length - (traced.plan.brief.crew ?? 0)
    return cameras
      .map((_, i) => [...cameras.slice(i), ...cameras.slice(0, i)].slice(0, over))
      .slice(0, 4)
      .map(chosen => {
        const draft = new Draft(traced.plan)
        for (const { id } of chosen) draft.set(['devices', id, 'manned'])
        return {
          title: `Leave ${chosen.map(({ device }) => device.name).join(' and ')} unmanned`.slice(0, 120),
          edits: draft.edits,
        }
      })
  },
})

const manned = ({ chain, segment }: Traced) =>
  [...chain.nodes.values()].filter(
    ({ id, device, model }) => isCamera(model) && device.manned && (!segment?.sources || segment.sources.includes(id)),
  )
