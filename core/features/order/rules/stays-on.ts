import { type Traced, deviceName, tracedOf } from '#core/chain'
import { OFF, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { momentsOf } from '#core/run'

export const staysOn = rule({
  code: 'N16',
  about: 'An overlay or a fade to black stays on into a segment that does not want it.',
  messages: {
    overlay: {
      severity: 'R',
      says: '{overlay} is still lit at {switcher} when {segment} begins, which does not use it.',
    },
    faded: {
      severity: 'R',
      says: '{switcher} is still faded to black when {segment} begins: nobody sees anything.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    left(traced)
      .map(one =>
        one.overlay === undefined
          ? say(
              'faded',
              { on: 'segment', id: one.segment },
              { switcher: text(deviceName(traced, one.device)), segment: text(one.title) },
            )
          : say(
              'overlay',
              { on: 'segment', id: one.segment },
              {
                overlay: text(own(traced.plan.overlays, one.overlay)!.title),
                switcher: text(deviceName(traced, one.device)),
                segment: text(one.title),
              },
            ),
      )
      .slice(0, 1),
  remedies: (traced, { at }) => (at.on === 'segment' ? offers(traced, at.id) : []),
})

interface Left {
  readonly segment: string
  readonly title: string
  readonly device: string
  readonly keyer?: string
  readonly overlay?: string
}

/** What is on at the opening of the segment though it is none of its overlays, or though its look does not ask for black. */
function left(traced: Traced): Left[] {
  const [opening] = momentsOf(traced)
  const segment = traced.scoped('segment')
  if (!opening || segment === undefined) return []
  const { title, opens } = traced.plan.segments[segment]!
  const look = own(traced.plan.looks, opens)
  return Object.entries(opening.state.mixers).flatMap(([device, { keys, faded }]): Left[] => [
    ...Object.entries(keys).flatMap(([keyer, overlay]) => {
      const used = own(traced.plan.overlays, overlay)?.segments
      return used && !used.includes(segment) ? [{ segment, title, device, keyer, overlay }] : []
    }),
    ...(faded && !own(look?.faded, device) ? [{ segment, title, device }] : []),
  ])
}

function offers(traced: Traced, segment: string): Proposal[] {
  const scoped = left(tracedOf(traced.plan, { segment }))
  const [one] = scoped
  if (!one) return []
  const draft = new Draft(traced.plan)
  const { opens } = traced.plan.segments[segment]!
  const there = own(traced.plan.looks, opens)
  const keys: Record<string, Record<string, string>> = {}
  const faded: Record<string, boolean> = {}
  for (const { device, keyer } of scoped)
    if (keyer === undefined) faded[device] = false
    else keys[device] = { ...keys[device], [keyer]: OFF }
  if (there && opens !== undefined) {
    for (const [device, off] of Object.entries(keys))
      for (const keyer of Object.keys(off)) draft.set(['looks', opens, 'keys', device, keyer], OFF)
    for (const device of Object.keys(faded)) draft.set(['looks', opens, 'faded', device], false)
  } else {
    const order = 1 + Math.max(0, ...Object.values(traced.plan.looks).map(look => look.order))
    const id = draft.add('looks', `${one.title} begins`, {
      title: `${one.title} begins`.slice(0, 120),
      order,
      ...(Object.keys(keys).length ? { keys } : {}),
      ...(Object.keys(faded).length ? { faded } : {}),
    })
    draft.set(['segments', segment, 'opens'], id)
  }
  return [{ title: `Begin ${one.title} with it off`.slice(0, 120), edits: draft.edits }]
}
