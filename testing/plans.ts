import { LEADS } from '#core/cable'
import { MODELS } from '#core/catalog'
import { type Brief, type Device, type Link, type Plan, type Want, emptyPlan, openPlan } from '#core/document'
import { type VideoFormat, parseFormatLabel } from '#core/signal'

/** Reads "1080p59.94"; throws on anything that no standard defines. */
export function fmt(label: string): VideoFormat {
  const format = parseFormatLabel(label)
  if (!format) throw new Error(`no format ${label}`)
  return format
}

interface Written {
  /** id: "model" or "model format" (source output or standard), or a device of its own. */
  devices: Record<string, string | (Partial<Device> & { model: string })>
  /** id: "from.port > to.port cable route" with `adapters`, or a link of its own. */
  links?: Record<string, string | Link>
  /** What a sink should see, by the sink, with what is asked of it. */
  wants?: Record<string, Want['feed'] | Omit<Want, 'sink'>>
  kit?: Plan['kit']
  brief?: Brief
  segments?: Plan['segments']
}

/** Collections that need no shorthand are given as they are. */
type Others = Partial<Omit<Plan, keyof Written | 'title' | 'basedOn' | 'models' | 'leads' | 'kit'>>

/** Builds a valid plan from a few words; models and leads come from the catalogue. Throws where it is no valid plan. */
export function plan({
  devices,
  links = {},
  wants = {},
  brief = {},
  segments = {},
  kit = {},
  ...others
}: Written & Others): Plan {
  const models: Record<string, unknown> = {}
  const leads: Record<string, unknown> = {}
  const built: Record<string, Device> = {}
  let order = 0
  for (const [id, words] of Object.entries(devices)) {
    order += 1
    if (typeof words !== 'string') {
      models[words.model] = { from: MODELS.get(words.model)!.from }
      built[id] = { name: id, order, ...words }
      continue
    }
    const [model, label] = words.split(' ') as [string, string?]
    const row = MODELS.get(model)
    if (!row) throw new Error(`no model ${model}`)
    models[model] = { from: row.from }
    const outs = Object.entries(row.ports).filter(([, port]) => port.dir === 'out')
    // A phone in a word has the application that sends its picture alone.
    const clean = row.kind === 'phone' ? { clean: true as const } : {}
    built[id] = {
      model,
      name: id,
      order,
      ...(label && row.role === 'switcher' ? { standard: fmt(label) } : {}),
      ...(label && row.role !== 'switcher'
        ? { ports: Object.fromEntries(outs.map(([port]) => [port, { format: fmt(label), ...clean }])) }
        : {}),
    }
  }
  const laid: Record<string, Link> = {}
  for (const [id, words] of Object.entries(links)) {
    const link = typeof words === 'string' ? readLink(words) : words
    for (const lead of [link.cable, link.adapters?.from, link.adapters?.to])
      if (lead) leads[lead] = { from: LEADS.get(lead)!.from }
    laid[id] = link
  }
  const opened = openPlan({
    ...emptyPlan('Test plan'),
    ...others,
    brief,
    models,
    leads,
    devices: built,
    links: laid,
    segments,
    kit,
    wants: Object.fromEntries(
      Object.entries(wants).map(([sink, feed]) => [
        `${sink}-sees`,
        typeof feed === 'string' ? { sink, feed } : { sink, ...feed },
      ]),
    ),
  })
  if (!opened.ok)
    throw new Error(`${opened.problem.path}: found ${opened.problem.found}; allowed: ${opened.problem.allowed}`)
  return opened.value
}

/** The same with a control computer at every switcher that has a socket for one. */
export function worked(written: Parameters<typeof plan>[0]): Plan {
  const built = plan(written)
  const sockets = Object.entries(built.devices).flatMap(([id, { model }]) => {
    const row = built.models[model]!
    const ports = row.role === 'switcher' ? Object.entries(row.ports) : []
    return ports.flatMap(([port, { carries, connector }]) =>
      carries === 'control' && connector === '8p8c' ? [`${id}.${port}`] : [],
    )
  })
  const links = Object.fromEntries(
    sockets.map((to, i) => [`work-${i}`, `hub.out-${i + 2} > ${to} control-network 2`] as const),
  )
  return plan({
    ...written,
    devices: { ...written.devices, work: 'computer-control', hub: 'switch-control' },
    links: { ...written.links, 'work-up': 'work.network > hub.in control-network 2', ...links },
  })
}

/** "cam.hdmi > main.in-1 hdmi-passive 5 [adapter-from] [+adapter-to]"; "-" is a loose end; no figure, no route. */
function readLink(words: string): Link {
  const [from, , to, cable, ...rest] = words.split(' ') as [string, string, string, string, ...string[]]
  const end = (written: string) =>
    written === '-' ? undefined : { device: written.split('.')[0]!, port: written.split('.')[1]! }
  const route = rest.find(word => /^[\d.]+$/.test(word))
  const pieces = rest.find(word => word.startsWith('='))
  const adapterFrom = rest.find(word => word.startsWith('adapter'))
  const adapterTo = rest.find(word => word.startsWith('+adapter'))
  return {
    ...(end(from) ? { from: end(from)! } : {}),
    ...(end(to) ? { to: end(to)! } : {}),
    cable,
    ...(adapterFrom || adapterTo
      ? {
          adapters: { ...(adapterFrom ? { from: adapterFrom } : {}), ...(adapterTo ? { to: adapterTo.slice(1) } : {}) },
        }
      : {}),
    ...(route ? { routeM: Number(route) } : {}),
    ...(pieces ? { pieces: pieces.slice(1).split('+').map(Number) } : {}),
  }
}
