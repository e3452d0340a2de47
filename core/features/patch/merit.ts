import { MODELS, type Model, carriesPicture, isCamera, makesInAnyMode, portsOf, isSink } from '#core/catalog'
import { type DeviceNode, outputFormat } from '#core/chain'
import type { Plan } from '#core/document'
import {
  SLOW_BEAT,
  type VideoFormat,
  beatOf,
  conversionSteps,
  frameMs,
  framesPerSecond,
  hdmiRate,
  listFormats,
  mainsOf,
  raster,
  sameFormat,
  setsContain,
} from '#core/signal'

/** Steps by which a standard shows less than 1080 lines, progressive, at about 50 pictures a second; and lamps that beat. */
export function standardSteps(plan: Plan, format: VideoFormat): number {
  const pictures = framesPerSecond(format.rate) * (format.scan === 'i' ? 2 : 1)
  const beats = plan.brief.mains !== undefined && beatOf(mainsOf(plan.brief.mains).hz, pictures) > SLOW_BEAT
  const cameras = beats
    ? Object.values(plan.devices).filter(({ model, shutter }) => shutter === undefined && isCamera(plan.models[model]!))
        .length
    : 0
  return (
    (raster(format.raster).height < 1080 ? 2 : 0) + (format.scan === 'i' ? 1 : 0) + (pictures < 40 ? 4 : 0) + cameras
  )
}

/** What sources can make and sinks can take by themselves. */
export interface Ability {
  /** Sources that can be set to the format. */
  readonly makers: (format: VideoFormat) => ReadonlySet<string>
  readonly takers: (format: VideoFormat) => ReadonlySet<string>
  /** Outputs of sources in each mode that make the format (`make`), that send it as they stand (`send`); inputs, ways through boxes of the plan and of the catalogue that take it (`take`). */
  readonly sockets: (format: VideoFormat) => ReadonlySet<string>
  /** Conversion steps between a switcher that works in the format and each source or sink, at each format that it can, in the order of its list. */
  readonly steps: (format: VideoFormat) => ReadonlyMap<string, readonly number[]>
}

function stepsTo(nodes: readonly DeviceNode[], format: VideoFormat): Map<string, number[]> {
  const far = new Map<string, number[]>()
  for (const { id, model } of nodes) {
    const ends =
      model.role === 'source'
        ? portsOf(model, 'out').flatMap(([portId]) =>
            makesInAnyMode(model, portId).flatMap(({ sets }) => listFormats(sets)),
          )
        : isSink(model)
          ? portsOf(model, 'in').flatMap(([, { takes }]) => (Array.isArray(takes) ? listFormats(takes) : []))
          : []
    const between = (other: VideoFormat) =>
      model.role === 'source' ? conversionSteps(other, format) : conversionSteps(format, other)
    if (ends.length) far.set(id, ends.map(between))
  }
  return far
}

function socketsFor(nodes: readonly DeviceNode[], format: VideoFormat): Set<string> {
  const keys = new Set<string>()
  for (const node of nodes) {
    const { id, model } = node
    for (const [portId, port] of portsOf(model, 'out')) {
      if (model.role !== 'source' || !carriesPicture(port)) continue
      for (const { mode, sets } of makesInAnyMode(model, portId))
        if (setsContain(sets, format)) keys.add(`make ${id}/${portId}/${mode ?? ''}`)
      const now = outputFormat(node, portId)
      if (now && sameFormat(now, format)) keys.add(`send ${id}/${portId}`)
    }
  }
  const boxes: [string, Model][] = [
    ...nodes.map(({ id, model }): [string, Model] => [id, model]),
    ...[...MODELS].filter(([, { role }]) => role === 'way').map(([id, row]): [string, Model] => [`row ${id}`, row]),
  ]
  for (const [id, model] of boxes) {
    for (const [portId, { takes }] of portsOf(model, 'in'))
      if (takes === undefined || takes === 'standard' || setsContain(takes, format)) keys.add(`take ${id}/${portId}`)
    for (const [i, { passes }] of model.paths.entries())
      if (passes === undefined || setsContain(passes, format)) keys.add(`pass ${id}/${i}`)
    if (model.role === 'way')
      for (const [portId, { makes }] of portsOf(model, 'out'))
        if (makes === undefined || setsContain(makes, format)) keys.add(`turn ${id}/${portId}`)
  }
  return keys
}

export function abilityOf(nodes: readonly DeviceNode[]): Ability {
  const rememberedBy = <T>(of: (format: VideoFormat) => T) => {
    const known = new Map<string, T>()
    return (format: VideoFormat) => {
      const key = JSON.stringify(format)
      const found = known.get(key) ?? of(format)
      known.set(key, found)
      return found
    }
  }
  const remembered = (test: (node: DeviceNode, format: VideoFormat) => boolean) =>
    rememberedBy(format => new Set(nodes.filter(node => test(node, format)).map(({ id }) => id)))
  return {
    makers: remembered(
      (node, format) =>
        node.model.role === 'source' &&
        portsOf(node.model, 'out').some(
          ([id, port]) =>
            carriesPicture(port) && makesInAnyMode(node.model, id).some(({ sets }) => setsContain(sets, format)),
        ),
    ),
    takers: remembered(
      (node, format) =>
        isSink(node.model) &&
        portsOf(node.model, 'in').some(
          ([, { takes }]) => takes === undefined || takes === 'standard' || setsContain(takes, format),
        ),
    ),
    sockets: rememberedBy(format => socketsFor(nodes, format)),
    steps: rememberedBy(format => stepsTo(nodes, format)),
  }
}

const within = (few: ReadonlySet<string>, many: ReadonlySet<string>): boolean => [...few].every(one => many.has(one))

/**
 * The standards worth considering: one that another beats or equals in all respects (whatever makes, sends,
 * takes and passes it, the switchers that offer it, what it asks of cables, how long its frames last, how it looks) is left out. Those in use stay, and the one that is given.
 */
export function worthwhile(
  plan: Plan,
  switchers: readonly DeviceNode[],
  ability: Ability,
  given?: VideoFormat,
): VideoFormat[] {
  const all: VideoFormat[] = []
  for (const { model } of switchers)
    for (const format of listFormats(model.standards ?? []))
      if (!all.some(known => sameFormat(known, format))) all.push(format)
  const inUse = (format: VideoFormat) =>
    (given !== undefined && sameFormat(format, given)) ||
    switchers.some(({ standard }) => standard && sameFormat(standard, format))
  const clock = (format: VideoFormat) => hdmiRate(format, { sampling: '4:4:4', depth: 8 })?.characterMHz ?? Infinity
  const offering = (format: VideoFormat) =>
    new Set(switchers.filter(({ model }) => setsContain(model.standards ?? [], format)).map(({ id }) => id))
  const least = (a: VideoFormat, b: VideoFormat): boolean =>
    within(ability.sockets(b), ability.sockets(a)) &&
    within(offering(b), offering(a)) &&
    // Which of its formats a converter could make or take is not known here: none may be farther.
    [...ability.steps(a)].every(
      ([id, steps]) => steps.includes(0) || steps.every((far, i) => far <= ability.steps(b).get(id)![i]!),
    ) &&
    clock(a) <= clock(b) &&
    frameMs(a.rate) <= frameMs(b.rate) &&
    standardSteps(plan, a) <= standardSteps(plan, b)
  return all.filter(
    (format, i) =>
      inUse(format) ||
      !all.some((other, j) => i !== j && least(other, format) && (!least(format, other) || inUse(other) || j < i)),
  )
}

/**
 * Whether a feeder can gain by standing in another standard than the switcher that it feeds: the one conversion on its
 * link must spare those of at least two sources.
 */
export function gainsApart(ability: Ability, feeder: DeviceNode, own: VideoFormat, next: VideoFormat): boolean {
  const there = ability.makers(next)
  return (
    !setsContain(feeder.model.standards ?? [], next) ||
    [...ability.makers(own)].filter(id => !there.has(id)).length >= 2
  )
}
