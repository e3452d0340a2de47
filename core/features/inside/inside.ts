import { carriesPicture, portsOf, isSink } from '#core/catalog'
import { type Run, type Traced, gathers, isSwitcher, socketKey, carriedRun, pointedAt, runInto } from '#core/chain'
import { type LinkEnd, own, type Want } from '#core/document'
import { momentsOf, pictureAt, shownIn } from '#core/run'

/** What one deliverable holds of one layer. */
export type Share =
  /** It shows nothing else, or always. */
  | 'always'
  /** It can be cut there. */
  | 'can'
  /** It is one tile among others. */
  | 'tile'
  /** It is heard there. */
  | 'heard'
  | undefined

export interface Layer {
  readonly device: string
  readonly name: string
  readonly of: 'picture' | 'sound'
}

/** A screen, recorder, encoder or capture, by the input that is fed. */
export interface Deliverable {
  readonly device: string
  readonly port: string
  readonly name: string
  /** What its output carries; absent where a source comes straight. */
  readonly feed: string | undefined
  readonly wanted: string | undefined
  readonly lit: boolean
  /** Asked with sound, and none is heard. */
  readonly misses: readonly string[]
}

/** Layers by deliverables: `share[i][j]` is what deliverable j holds of layer i. */
export interface Inside {
  readonly layers: readonly Layer[]
  readonly deliverables: readonly Deliverable[]
  readonly share: readonly (readonly Share[])[]
}

/**
 * What lies inside each deliverable, over the whole show as what can be cut there, or in one segment as what its moments
 * show: every source's picture, through switchers and multiviewers of any depth, and every
 * sound. Linear in deliverables times hops.
 */
export function inside(traced: Traced): Inside {
  const { chain, runs, sound, plan } = traced
  const segment = traced.scoped('segment')
  const ends = runs
    .filter(({ beside, end }) => !beside && end && isSink(chain.nodes.get(end.device)!.model))
    .sort((a, b) => order(a) - order(b) || (a.end!.port < b.end!.port ? -1 : 1))
  const shares = ends.map(run => ({
    run,
    pictures: !run.lit
      ? new Map<string, Share>()
      : segment === undefined
        ? pictures(traced, run, new Set())
        : shownThen(traced, run),
  }))
  const nodes = [...chain.nodes.values()].sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
  const heard = (end: LinkEnd) =>
    chain.nodes.get(end.device)!.model.ports[end.port]?.sound
      ? sound.arriving.get(socketKey(end.device, end.port))
      : undefined
  const layers: Layer[] = [
    ...nodes
      .filter(({ model }) => model.role === 'source')
      .map((node): Layer => ({ device: node.id, name: node.device.name, of: 'picture' })),
    ...nodes
      .filter(({ id, model }) =>
        model.role === 'sound'
          ? Object.values(model.ports).some(port => port.dir === 'out' && port.sound)
          : ends.some(({ end }) => heard(end!)?.has(id)),
      )
      .map((node): Layer => ({ device: node.id, name: node.device.name, of: 'sound' })),
  ]
  return {
    layers,
    deliverables: shares.map(({ run }): Deliverable => {
      const { device, port } = run.end!
      const want = Object.values(plan.wants).find(({ sink }) => sink === device)
      const misses = [
        ...(run.lit ? [] : ['the picture']),
        ...(want?.sound && !heard({ device, port })?.size ? ['sound'] : []),
        ...(want && run.lit && !meets(want, run) ? [want.feed] : []),
      ]
      return {
        device,
        port,
        name: inputName(device, port),
        feed: carries(run),
        wanted: want?.feed,
        lit: run.lit,
        misses,
      }
    }),
    share: layers.map(layer =>
      shares.map(({ run, pictures: held }): Share =>
        layer.of === 'picture' ? held.get(layer.device) : heard(run.end!)?.has(layer.device) ? 'heard' : undefined,
      ),
    ),
  }

  /** The name of a sink, with its plug where it has several. */
  function inputName(device: string, port: string): string {
    const {
      device: { name },
      model,
    } = chain.nodes.get(device)!
    return portsOf(model, 'in').filter(([, row]) => carriesPicture(row)).length > 1
      ? `${name}, ${model.ports[port]!.title}`
      : name
  }

  function order({ end }: Run): number {
    return chain.nodes.get(end!.device)!.device.order
  }

  function meets({ feed, of }: Want, run: Run): boolean {
    const carried = carriedRun(traced, run)
    if (!carried) return false
    return carries(carried) === feed || (carries(carried) === undefined && of === carried.origin?.device)
  }

  function carries(run: Run): string | undefined {
    return run.links[0]?.signal?.feed
  }
}

/** In a segment: what its moments show. */
function shownThen(traced: Traced, { end }: Run): Map<string, Share> {
  const moments = momentsOf(traced).map(({ state }) => shownIn(pictureAt(traced, state, end!)))
  const held = new Map<string, Share>()
  for (const { device, as } of moments.flat()) if (as === 'tile' && !held.has(device)) held.set(device, 'tile')
  for (const id of new Set(moments.flat().flatMap(({ device, as }) => (as === 'tile' ? [] : [device])))) {
    const times = moments.filter(shown => shown.some(({ device, as }) => device === id && as !== 'tile')).length
    held.set(id, times === moments.length ? 'always' : 'can')
  }
  return held
}

/** The sources whose picture a run brings, or could bring when somebody cuts to it. */
function pictures(traced: Traced, { origin, links }: Run, passed: ReadonlySet<string>): Map<string, Share> {
  const { chain, runs } = traced
  const held = new Map<string, Share>()
  const node = origin && chain.nodes.get(origin.device)
  if (!node || passed.has(node.id)) return held
  if (!gathers(node)) return held.set(node.id, 'always')
  const tiled = !isSwitcher(node) || links[0]?.signal?.feed === 'multiview'
  if (isSwitcher(node) && links[0]?.signal?.feed === 'input') {
    const only = pointedAt(node, origin.port)
    const run = only === undefined ? undefined : runInto(traced, { device: node.id, port: only })
    return run?.lit ? pictures(traced, run, new Set([...passed, node.id])) : held
  }
  for (const run of runs) {
    if (run.beside || !run.lit || run.end?.device !== node.id || own(node.device.ports, run.end.port)?.offAir) continue
    for (const [source, share] of pictures(traced, run, new Set([...passed, node.id])))
      if (held.get(source) === undefined || held.get(source) === 'can')
        held.set(source, tiled && share !== 'can' ? 'tile' : 'can')
  }
  return held
}
