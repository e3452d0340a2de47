import { type Traced, deviceName, lastSwitchers } from '#core/chain'
import { ghost, text } from '#core/kernel'
import { Draft, bringSound, rule } from '#core/propose'
import { listWords } from '#core/words'
import { heardIn, originName } from '../ways'

export const oneSound = rule({
  code: 'A04',
  about: 'All that is heard comes from one device, and the show cannot be silent.',
  messages: {
    one: {
      severity: 'R',
      says: 'All sound at {sinks} comes from {source}: when it fails, nothing is heard.',
    },
  },
  find: (traced, say) => {
    const found = alone(traced)
    return found
      ? [
          ghost(
            'Second sound',
            say(
              'one',
              { on: 'show' },
              {
                sinks: text(listWords(found.sinks.map(id => deviceName(traced, id)))),
                source: text(originName(traced, found.origin)),
              },
            ),
          ),
        ]
      : []
  },
  remedies: traced => {
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'secondWay'])
    return [
      ...lastSwitchers(traced).flatMap(node => bringSound(traced, node)),
      { title: 'Give up the second way of what carries program', edits: draft.edits, givesUp: true as const },
    ]
  },
})

/** Asked where the brief says that the show needs a second way: sinks that are to be heard, all by one device. */
function alone(traced: Traced): { origin: string; sinks: string[] } | undefined {
  if (!traced.plan.brief.secondWay) return undefined
  const byOrigin = new Map<string, Set<string>>()
  const several = new Set<string>()
  for (const { node, want, ways } of heardIn(traced)) {
    if (!want?.sound) continue
    const origins = new Set(
      ways
        .filter(({ open, gates }) => open || gates.some(({ opening }) => opening === 'follows'))
        .map(({ origin }) => origin),
    )
    if (origins.size !== 1) several.add(node.id)
    for (const origin of origins) byOrigin.set(origin, (byOrigin.get(origin) ?? new Set()).add(node.id))
  }
  for (const [origin, sinks] of byOrigin) {
    const only = [...sinks].filter(sink => !several.has(sink))
    if (only.length) return { origin, sinks: only }
  }
  return undefined
}
