import { isCamera } from '#core/catalog'
import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

export const notTold = rule({
  code: 'R03',
  about: 'Somebody at a camera does not hear whoever switches, or nobody stands at a camera that needs somebody.',
  messages: {
    deaf: {
      severity: 'R',
      says: '{person} stands at {camera} and does not hear whoever switches: no call reaches that camera.',
    },
    alone: { severity: 'R', says: '{camera} needs somebody at it, and in {segment} nobody is there.' },
  },
  asks: 'segments',
  find: (traced, say) =>
    untold(traced).map(({ camera, person, name }) =>
      person === undefined
        ? say('alone', { on: 'use', source: camera }, { camera: text(name), segment: text(traced.segment!.title) })
        : say(
            'deaf',
            { on: 'use', source: camera },
            { person: text(traced.plan.people[person]!.name), camera: text(name) },
          ),
    ),
  remedies: (traced, { at, segments = [], says }) => {
    if (at.on !== 'use') return []
    const camera = own(traced.plan.devices, at.source)
    return says === 'deaf'
      ? heard(traced, at.source, segments)
      : camera
        ? manned(traced, at.source, camera.name, segments)
        : []
  },
})

/** Manned cameras of the segment without anybody who hears; asked where the plan says who works what. */
function untold({ plan, chain, segment }: Traced): { camera: string; name: string; person?: string }[] {
  if (!segment?.work) return []
  return [...chain.nodes.values()]
    .filter(({ id, model, device }) => {
      const used = !segment.sources || segment.sources.includes(id)
      return isCamera(model) && device.manned && used
    })
    .flatMap(({ id, device }) => {
      const there = Object.entries(segment.work!)
        .filter(([person, devices]) => own(plan.people, person) && devices.includes(id))
        .map(([person]) => person)
      if (there.length === 0) return [{ camera: id, name: device.name }]
      return there.some(person => plan.people[person]!.hears)
        ? []
        : [{ camera: id, name: device.name, person: there[0]! }]
    })
}

function heard({ plan }: Traced, camera: string, segments: readonly string[]): Proposal[] {
  const people = new Set(
    segments.flatMap(segment =>
      Object.entries(own(plan.segments, segment)?.work ?? {}).flatMap(([person, devices]) =>
        devices.includes(camera) && own(plan.people, person) && !plan.people[person]!.hears ? [person] : [],
      ),
    ),
  )
  const draft = new Draft(plan)
  for (const person of people) draft.set(['people', person, 'hears'], true)
  const names = [...people].map(person => plan.people[person]!.name).join(' and ')
  return people.size ? [{ title: `Give ${names} an intercom`.slice(0, 120), edits: draft.edits }] : []
}

/** Somebody who has nothing to do then, or nobody at all. */
function manned({ plan }: Traced, camera: string, name: string, segments: readonly string[]): Proposal[] {
  const free = Object.entries(plan.people).filter(([person]) =>
    segments.every(segment => !own(own(plan.segments, segment)?.work, person)),
  )
  const offers = free.slice(0, 3).map(([person, { name: who }]): Proposal => {
    const draft = new Draft(plan)
    for (const segment of segments) draft.set(['segments', segment, 'work', person], [camera])
    return { title: `${who} stands at ${name}`.slice(0, 120), edits: draft.edits }
  })
  const draft = new Draft(plan)
  draft.set(['devices', camera, 'manned'])
  return [...offers, { title: `Leave ${name} unmanned`.slice(0, 120), edits: draft.edits }]
}
