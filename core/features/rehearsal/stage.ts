import { type Surface, carriesPicture, isCamera, mixOf, portsOf, isSink } from '#core/catalog'
import { type DeviceNode, type Traced, endName, isSwitcher, lastSwitchers, socketKey, runInto } from '#core/chain'
import { own } from '#core/document'
import { type Scene, scenesOf } from '#core/picture'
import { callsOf, frameTicks, judgedSinks, ownStills } from '#core/run'
import { momentTitles } from './say'

/** What the stage is made of: all that stays while a run goes on. */
export interface Stage {
  readonly sources: readonly {
    readonly device: string
    readonly name: string
    /** Its number over the whole chain. */
    readonly call: number
    /** The switcher and input by which it is called. */
    readonly at: string
    /** It stands in positions that a stick or a preset brings it to. */
    readonly camera: boolean
    /** It shows pages that somebody turns. */
    readonly pages: boolean
    readonly clips: readonly { readonly id: string; readonly title: string }[]
  }[]
  readonly switchers: readonly {
    readonly device: string
    readonly name: string
    readonly last: boolean
    readonly inputs: readonly {
      readonly port: string
      readonly number: string
      readonly name: string
      readonly from?: string
    }[]
    readonly keyers: readonly {
      readonly number: string
      readonly title: string
      readonly overlays: readonly string[]
    }[]
    readonly fades: boolean
    /** Longest automatic transition, frames. */
    readonly longest: number
    readonly styles: readonly ('mix' | 'dip' | 'wipe')[]
    /** Overlays that it makes from stills of its own, and how many it holds at once. */
    readonly stills: readonly string[]
    readonly stores: number
    /** Inputs that bring sound. */
    readonly sounds: readonly { readonly port: string; readonly name: string }[]
    readonly surfaces: readonly Surface['kind'][]
    /** Macros that it can hold. */
    readonly macros: number
  }[]
  readonly macros: readonly { readonly id: string; readonly title: string; readonly at: string }[]
  /** What can be broken: devices, and the plugs at inputs where a picture comes in. */
  readonly breakable: readonly {
    readonly device: string
    readonly name: string
    readonly ports: readonly { readonly port: string; readonly title: string }[]
  }[]
  /** Where a button that works several switchers can live. */
  readonly controllers: readonly { readonly device: string; readonly name: string }[]
  readonly sinks: readonly {
    readonly device: string
    readonly port: string
    readonly name: string
    readonly judged: boolean
  }[]
  readonly overlays: readonly { readonly id: string; readonly title: string }[]
  readonly looks: readonly { readonly id: string; readonly title: string }[]
  readonly moments: readonly { readonly index: number; readonly title: string }[]
  readonly scenes: Readonly<Record<string, Scene>>
  /** Frames of the show in a second, and a frame of it, ticks. */
  readonly frame: number
}

export function stageOf(traced: Traced): Stage {
  const { chain, plan } = traced
  const byOrder = (a: { id: string; device: { order: number } }, b: { id: string; device: { order: number } }) =>
    a.device.order - b.device.order || (a.id < b.id ? -1 : 1)
  const nodes = [...chain.nodes.values()].sort(byOrder)
  const last = new Set(lastSwitchers(traced).map(({ id }) => id))
  const judged = new Set(judgedSinks(traced).map(({ device }) => device))
  const reach = (id: string) =>
    traced.runs.find(
      ({ beside, lit, origin, end }) =>
        !beside && lit && origin?.device === id && end && isSwitcher(chain.nodes.get(end.device)!),
    )
  const fastest = nodes.filter(isSwitcher).flatMap(({ standard }) => (standard ? [frameTicks(standard.rate)] : []))
  const calls = callsOf(traced)
  const titled = (map: Readonly<Record<string, { readonly title: string; readonly order: number }>>) =>
    Object.entries(map)
      .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
      .map(([id, { title }]) => ({ id, title }))
  return {
    sources: nodes
      .filter(({ id, model }) => model.role === 'source' && reach(id))
      .map(({ id, device, model }) => ({
        device: id,
        name: device.name,
        call: calls.get(id) ?? 0,
        at: endName(traced, reach(id)!.end!),
        camera: isCamera(model),
        pages: model.kind === 'computer' || model.kind === 'tablet',
        clips: Object.entries(plan.clips).flatMap(([clip, { player, title }]) =>
          player === id ? [{ id: clip, title }] : [],
        ),
      }))
      .sort((a, b) => a.call - b.call),
    switchers: nodes
      .filter(isSwitcher)
      .map(node => switcherOf(traced, node, last.has(node.id)))
      .sort((a, b) => Number(a.last) - Number(b.last)),
    sinks: nodes
      .filter(({ model }) => isSink(model))
      .flatMap(({ id, device, model }) =>
        portsOf(model, 'in').flatMap(([port, row]) =>
          carriesPicture(row) && runInto(traced, { device: id, port })?.lit
            ? [{ device: id, port, name: device.name, judged: judged.has(id) }]
            : [],
        ),
      )
      .sort((a, b) => Number(b.judged) - Number(a.judged)),
    macros: titled(plan.macros).map(({ id, title }) => ({
      id,
      title,
      at: own(plan.devices, plan.macros[id]!.at)?.name ?? plan.macros[id]!.at,
    })),
    breakable: nodes.flatMap(({ id, device, model }) => {
      const ports = portsOf(model, 'in').flatMap(([port, row]) =>
        runInto(traced, { device: id, port })?.lit
          ? [{ port, title: own(device.ports, port)?.label ?? row.title }]
          : [],
      )
      const sends = traced.runs.some(({ beside, lit, origin }) => !beside && lit && origin?.device === id)
      return ports.length || sends ? [{ device: id, name: device.name, ports }] : []
    }),
    controllers: nodes
      .filter(({ model }) => model.role === 'control' || model.kind === 'computer')
      .map(({ id, device }) => ({ device: id, name: device.name })),
    overlays: titled(plan.overlays),
    looks: titled(plan.looks),
    moments: momentTitles(traced).map((title, index) => ({ index, title })),
    scenes: scenesOf(traced),
    frame: Math.min(9600, ...fastest),
  }
}

function switcherOf(traced: Traced, { id, device, model }: DeviceNode, last: boolean): Stage['switchers'][number] {
  const { chain, plan } = traced
  return {
    device: id,
    name: device.name,
    last,
    inputs: portsOf(model, 'in')
      .filter(([, port]) => carriesPicture(port))
      .map(([port, row]) => {
        const origin = runInto(traced, { device: id, port })?.origin
        return {
          port,
          number: String(row.number ?? row.title),
          name: own(device.ports, port)?.label ?? (origin ? chain.nodes.get(origin.device)!.device.name : ''),
          ...(origin ? { from: origin.device } : {}),
        }
      }),
    keyers: (mixOf(model)?.keyers ?? []).map(({ title, kinds }, i) => ({
      number: String(i + 1),
      title,
      overlays: Object.entries(plan.overlays).flatMap(([overlay, { kind }]) => (kinds.includes(kind) ? [overlay] : [])),
    })),
    fades: mixOf(model)?.fadeToBlack ?? true,
    longest: mixOf(model)?.longest ?? 250,
    stills: ownStills(traced, id),
    stores: mixOf(model)?.stills ?? 0,
    sounds: portsOf(model, 'in').flatMap(([port, row]) => {
      const comes = row.sound && [...(traced.sound.arriving.get(socketKey(id, port))?.keys() ?? [])].length > 0
      return comes ? [{ port, name: own(device.ports, port)?.label ?? row.title }] : []
    }),
    styles: (['mix', 'dip', 'wipe'] as const).filter(style => mixOf(model)?.transitions.includes(style) ?? true),
    surfaces: (mixOf(model)?.surfaces ?? []).map(({ kind }) => kind),
    macros: mixOf(model)?.macros ?? 0,
  }
}
