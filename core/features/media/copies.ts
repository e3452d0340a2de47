import { isCamera } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, recordedInside } from '#core/chain'
import { fact } from '#core/kernel'
import { ownersOf, runsTo } from '#core/propose'

/** A recording of the show's program that comes to exist. */
export interface Copy {
  readonly device: string
  readonly by: 'inside' | 'recorder'
}

const copiesFact = fact<Traced, readonly Copy[]>('copies of the show', traced => {
  const { plan, chain } = traced
  const found = new Map<string, Copy>()
  for (const want of Object.values(plan.wants)) {
    const node = chain.nodes.get(want.sink)!
    const shows = want.feed === 'program' || want.feed === 'clean'
    if (!shows || found.has(node.id)) continue
    if (recordedInside(chain, want)) {
      const lit = traced.runs.some(run => run.lit && !run.beside && run.end?.device === node.id)
      if (lit && ownersOf(traced, want)(node.id)) found.set(node.id, { device: node.id, by: 'inside' })
      continue
    }
    const ofShow = want.of === undefined || isSwitcher(chain.nodes.get(want.of) ?? node)
    if (node.model.kind === 'recorder' && ofShow && runsTo(traced, node.id).some(({ lit }) => lit))
      found.set(node.id, { device: node.id, by: 'recorder' })
  }
  return [...found.values()]
})

/** Each device once, however many wants it meets. */
export const copiesOf = (traced: Traced): readonly Copy[] => traced.ask(copiesFact)

const bareFact = fact<Traced, readonly DeviceNode[]>('cameras without a recording of their own', traced => {
  const { chain, plan, runs } = traced
  const cameras = [...chain.nodes.values()].filter(
    ({ id, model }) =>
      isCamera(model) && runs.some(run => run.lit && !run.beside && run.origin?.device === id && run.end),
  )
  return cameras
    .filter(({ id, model, device }) => {
      const mode = device.mode ?? Object.keys(model.modes ?? {})[0]
      if (mode !== undefined && model.modes![mode]?.records?.length) return false
      const mine = runs.filter(run => run.lit && !run.beside && run.origin?.device === id)
      const passed = mine.some(({ links }) => links.some(({ wire }) => wire.to?.node.model.kind === 'recorder'))
      if (passed) return false
      // A switcher that records its inputs by themselves, as many as it can.
      return !mine.some(({ end }) => {
        const into = end && chain.nodes.get(end.device)
        return into !== undefined && isolatedAt(traced, into).has(end!.port)
      })
    })
    .filter(({ id }) => Object.hasOwn(plan.devices, id))
})

/** Inputs of a switcher that it records by themselves: the first ones that have a picture, as many as its model can. */
function isolatedAt({ runs }: Traced, node: DeviceNode): ReadonlySet<string> {
  const most = isSwitcher(node) ? (node.model.isolates ?? 0) : 0
  const lit = new Set(
    runs.filter(run => run.lit && !run.beside && run.end?.device === node.id).map(run => run.end!.port),
  )
  return new Set(
    Object.keys(node.model.ports)
      .filter(port => lit.has(port))
      .slice(0, most),
  )
}

/** Cameras with a picture that nothing records by itself. */
export const withoutRecording = (traced: Traced): readonly DeviceNode[] => traced.ask(bareFact)
