import { isCamera } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import type { Segment } from '#core/document'
import { count, ghost, text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { listWords } from '#core/words'

export const crewShort = rule({
  code: 'R06',
  about: 'More manned cameras than crew.',
  messages: {
    few: {
      severity: 'R',
      says: '{manned} cameras need somebody at them, and the crew is {crew}: a camera stands alone or a shot is lost.',
    },
    then: {
      severity: 'R',
      says: 'In {segments} {manned} cameras need somebody at them at once, and the crew is {crew}: a camera stands alone or a shot is lost.',
    },
  },
  find: (traced, say) => {
    const { crew } = traced.plan.brief
    const [worst] = crowded(traced)
    if (crew === undefined || !worst) return []
    const { cameras, titles } = worst
    const words = { manned: count(cameras.length), crew: count(crew) }
    const at = { on: 'show' } as const
    return [
      ghost(
        'Crew',
        titles.length ? say('then', at, { ...words, segments: text(listWords(titles)) }) : say('few', at, words),
      ),
    ]
  },
  remedies: traced => {
    const [worst] = crowded(traced)
    if (!worst) return []
    const { cameras } = worst
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

/** The cameras of the whole show, or of each segment, where they are more than the crew: the most first, alike ones together. */
function crowded({ chain, plan, segment }: Traced): { cameras: DeviceNode[]; titles: string[] }[] {
  const crew = plan.brief.crew ?? Infinity
  const manned = [...chain.nodes.values()].filter(({ device, model }) => isCamera(model) && device.manned)
  const usedIn = ({ sources }: Pick<Segment, 'sources'>) => manned.filter(({ id }) => !sources || sources.includes(id))
  const scopes = segment ? [segment] : Object.values(plan.segments)
  if (scopes.length === 0) return manned.length > crew ? [{ cameras: manned, titles: [] }] : []
  const found: { cameras: DeviceNode[]; titles: string[] }[] = []
  for (const one of scopes) {
    const cameras = usedIn(one)
    if (cameras.length <= crew) continue
    const there = found.find(
      other => other.cameras.every(camera => cameras.includes(camera)) && other.cameras.length === cameras.length,
    )
    if (there) there.titles.push(one.title)
    else found.push({ cameras, titles: [one.title] })
  }
  return found.sort((a, b) => b.cameras.length - a.cameras.length)
}
