import { portsOf, isSink } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { type LinkEnd, type Want, own } from '#core/document'
import { fact } from '#core/kernel'
import { type Moment, type SoundWay, momentsOf, routesTo, waysIn } from '#core/run'

/** What is heard at a sink in one moment of the show. */
export interface Heard {
  readonly node: DeviceNode
  readonly end: LinkEnd
  readonly want: Want | undefined
  readonly moment: Moment
  readonly ways: readonly SoundWay[]
}

/** Sinks that let sound be heard, by the input that is fed. */
export const earsOf = ({ chain, plan }: Traced): { node: DeviceNode; end: LinkEnd; want: Want | undefined }[] =>
  [...chain.nodes.values()]
    .filter(({ model }) => isSink(model))
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .flatMap(node =>
      portsOf(node.model, 'in')
        .filter(([port, { sound }]) => sound && chain.entering.has(`${node.id}/${port}`))
        .map(([port]) => ({
          node,
          end: { device: node.id, port },
          want: Object.values(plan.wants).find(({ sink }) => sink === node.id),
        })),
    )

const heardFact = fact<Traced, readonly Heard[]>('heard in each moment', traced =>
  earsOf(traced).flatMap(ear => {
    const routes = routesTo(traced, ear.end, 'most', Object.values(traced.plan.looks))
    return momentsOf(traced).map((moment): Heard => ({
      ...ear,
      moment,
      ways: waysIn(traced, moment.state, routes, 'most'),
    }))
  }),
)

/** Every sink in every moment of the scope. */
export const heardIn = (traced: Traced): readonly Heard[] => traced.ask(heardFact)

/** Sinks that are not silent on purpose. */
export const isListened = ({ want }: Pick<Heard, 'want'>): boolean => !want?.silent

export const originName = ({ plan }: Traced, id: string): string => own(plan.devices, id)?.name ?? id

/** A microphone that goes by a camera, and the input of a switcher that is shut for it in every moment. */
export interface ShutRider {
  readonly origin: string
  readonly gate: LinkEnd
}

const ridersFact = fact<Traced, readonly ShutRider[]>('microphones behind shut pictures', traced => {
  const all = heardIn(traced).filter(isListened)
  const heard = new Set(all.flatMap(({ ways }) => ways.filter(({ open }) => open).map(({ origin }) => origin)))
  const found = new Map<string, ShutRider>()
  for (const { ways } of all)
    for (const { origin, gates } of ways) {
      const [first] = gates
      const node = first && traced.chain.nodes.get(first.device)
      const rides = node && own(node.model.ports, first.port)?.carries !== 'sound'
      const plugged = traced.chain.nodes.get(origin)?.model.role === 'sound'
      if (plugged && rides && !heard.has(origin) && first.opening === 'shut' && !found.has(origin))
        found.set(origin, { origin, gate: { device: first.device, port: first.port } })
    }
  return [...found.values()]
})

/** Sounds that are plugged into a camera or an embedder, and that the input of its picture never lets in. */
export const shutRiders = (traced: Traced): readonly ShutRider[] => traced.ask(ridersFact)
