import { exactFormatLabel, formatExists, formatLabel, type FormatSet, listFormats, type VideoFormat } from '#core/signal'
import type { LeadModel } from '#core/cable'
import type { Model } from '#core/catalog'
import type { Plan } from './plan'
import { idsOf, own, refuse, show, type Problem } from './problem'

type Refusal = { readonly ok: false, readonly problem: Problem } | undefined

/**
 * Checks what the shape cannot say: that every id has its referent, that containment is not circular, and that
 * formats and models hold together. Returns the first problem. Linear in the size of the plan.
 */
export function checkReferences(plan: Plan, base: string): Refusal {
  for (const [id, model] of Object.entries(plan.models)) {
    const bad = checkModel(model, `${base}/models/${id}`)
    if (bad) return bad
  }
  for (const [id, lead] of Object.entries(plan.leads)) {
    const bad = checkLead(lead, `${base}/leads/${id}`)
    if (bad) return bad
  }
  return checkDevices(plan, base) ?? checkLinks(plan, base) ?? checkOthers(plan, base) ?? checkKit(plan, base) ?? checkDay(plan.brief.date, `${base}/brief/date`) ?? (plan.brief.standard ? checkFormat(plan.brief.standard, `${base}/brief/standard`) : undefined)
}

function checkDevices(plan: Plan, base: string): Refusal {
  for (const [id, device] of Object.entries(plan.devices)) {
    const at = `${base}/devices/${id}`
    const model = own(plan.models, device.model)
    if (!model) return refuse(`${at}/model`, show(device.model), `a key of models: ${idsOf(plan.models)}`)
    if (device.mode !== undefined && !own(model.modes, device.mode)) return refuse(`${at}/mode`, show(device.mode), `a mode of ${device.model}: ${idsOf(model.modes ?? {})}`)
    const bad = device.standard && checkFormat(device.standard, `${at}/standard`)
    if (bad) return bad
    for (const [portId, setting] of Object.entries(device.ports ?? {})) {
      if (!own(model.ports, portId)) return refuse(`${at}/ports/${portId}`, `port ${show(portId)}`, `a port of ${device.model}: ${idsOf(model.ports)}`)
      if (setting.of !== undefined && !model.paths.some(path => path.format === 'chosen' && path.to.includes(portId) && path.from.includes(setting.of!))) return refuse(`${at}/ports/${portId}/of`, show(setting.of), 'an input that this output of a matrix can show')
      const badFormat = setting.format && checkFormat(setting.format, `${at}/ports/${portId}/format`)
      if (badFormat) return badFormat
    }
    const seen = new Set([id])
    for (let host = device.in; host !== undefined; host = own(plan.devices, host)?.in) {
      if (!own(plan.devices, host)) return refuse(`${at}/in`, show(host), `a key of devices: ${idsOf(plan.devices)}`)
      if (seen.has(host)) return refuse(`${at}/in`, `a circle: ${[...seen, host].join(' in ')}`, 'a device that is not, in the end, inside this one')
      seen.add(host)
    }
  }
  return undefined
}

function checkLinks(plan: Plan, base: string): Refusal {
  const leadOf = (leadId: string, kind: LeadModel['kind'], path: string): Refusal =>
    own(plan.leads, leadId)?.kind === kind
      ? undefined
      : refuse(path, show(leadId), `a key of leads of kind ${kind}: ${idsOf(Object.fromEntries(Object.entries(plan.leads).filter(([, lead]) => lead.kind === kind)))}`)
  for (const [id, link] of Object.entries(plan.links)) {
    const at = `${base}/links/${id}`
    for (const end of ['from', 'to'] as const) {
      const device = link[end]?.device
      if (device !== undefined && !own(plan.devices, device)) return refuse(`${at}/${end}/device`, show(device), `a key of devices: ${idsOf(plan.devices)}`)
      const adapter = link.adapters?.[end]
      const bad = adapter !== undefined && leadOf(adapter, 'adapter', `${at}/adapters/${end}`)
      if (bad) return bad
    }
    const bad = leadOf(link.cable, 'cable', `${at}/cable`)
    if (bad) return bad
    if (!link.from && !link.to) return refuse(at, 'a link without either end', 'from, to, or both')
  }
  return undefined
}

function checkOthers(plan: Plan, base: string): Refusal {
  for (const [id, want] of Object.entries(plan.wants)) {
    if (!own(plan.devices, want.sink)) return refuse(`${base}/wants/${id}/sink`, show(want.sink), `a key of devices: ${idsOf(plan.devices)}`)
  }
  for (const [id, segment] of Object.entries(plan.segments)) {
    for (const [i, source] of (segment.sources ?? []).entries()) {
      if (!own(plan.devices, source)) return refuse(`${base}/segments/${id}/sources/${i}`, show(source), `a key of devices: ${idsOf(plan.devices)}`)
    }
  }
  const measured = new Map<string, string>()
  for (const [id, { between }] of Object.entries(plan.distances)) {
    const pair = JSON.stringify([...between].sort())
    const other = measured.get(pair)
    if (other !== undefined) return refuse(`${base}/distances/${id}/between`, `${between.map(show).join(' and ')}, as in ${other}`, 'two places that no other distance is between')
    measured.set(pair, id)
  }
  return undefined
}

function checkKit(plan: Plan, base: string): Refusal {
  for (const [id, item] of Object.entries(plan.kit)) {
    const at = `${base}/kit/${id}`
    const rows: Readonly<Record<string, Model | LeadModel>> = item.of === 'model' ? plan.models : plan.leads
    const row = own(rows, item.id)
    if (!row) return refuse(`${at}/id`, show(item.id), `a key of ${item.of}s: ${idsOf(rows)}`)
    const cable = 'kind' in row && row.kind === 'cable' ? row : undefined
    if (cable && !cable.stock.some(({ m }) => m === item.pieceM)) return refuse(`${at}/pieceM`, show(item.pieceM), `a stock length of ${item.id}: ${cable.stock.map(({ m }) => m).join(', ')} m`)
    if (!cable && item.pieceM !== undefined) return refuse(`${at}/pieceM`, show(item.pieceM), 'nothing: only cables are counted by length')
  }
  return undefined
}

function checkDay(date: string | undefined, path: string): Refusal {
  if (date === undefined) return undefined
  const [year, month, day] = date.split('-').map(Number) as [number, number, number]
  // Day 0 of the next month is the last of this one.
  return day <= new Date(Date.UTC(year, month, 0)).getUTCDate() ? undefined : refuse(path, show(date), 'a day that the calendar has, such as 2027-03-14')
}

function checkFormat(format: VideoFormat, path: string): Refusal {
  return formatExists(format) ? undefined : refuse(path, formatLabel(format), 'a combination of raster, scan and rate that a standard defines (interlaced and segmented frames only at 1080 up to 30 frames, and the two SD formats)')
}

function checkSets(sets: readonly FormatSet[] | undefined, path: string): Refusal {
  const bad = listFormats(sets ?? []).find(format => !formatExists(format))
  return bad && refuse(path, exactFormatLabel(bad), 'formats that a standard defines')
}

function checkModel(model: Model, path: string): Refusal {
  for (const [id, port] of Object.entries(model.ports)) {
    const bad = checkSets(port.makes, `${path}/ports/${id}/makes`) ?? (typeof port.takes === 'object' ? checkSets(port.takes, `${path}/ports/${id}/takes`) : undefined) ?? checkDelay(port.delay, `${path}/ports/${id}/delay`) ?? (port.prefers ? checkFormat(port.prefers, `${path}/ports/${id}/prefers`) : undefined)
    if (bad) return bad
  }
  for (const [i, way] of model.paths.entries()) {
    for (const [end, dir] of [['from', 'in'], ['to', 'out']] as const) {
      const odd = way[end].find(id => own(model.ports, id)?.dir !== dir)
      if (odd !== undefined) return refuse(`${path}/paths/${i}/${end}`, show(odd), `ports of direction ${dir}: ${idsOf(Object.fromEntries(Object.entries(model.ports).filter(([, port]) => port.dir === dir)))}`)
    }
    if (way.format === 'tiles' && way.to.some(id => !model.ports[id]!.makes)) return refuse(`${path}/paths/${i}/to`, show(way.to[0]), 'outputs with formats to make (makes)')
    const bad = checkSets(way.passes, `${path}/paths/${i}/passes`) ?? checkDelay(way.delay, `${path}/paths/${i}/delay`)
    if (bad) return bad
    if (way.format === 'standard' && !model.standards?.length) return refuse(`${path}/standards`, 'nothing', 'the standards that the stage can be set to')
  }
  for (const [id, mode] of Object.entries(model.modes ?? {})) {
    for (const [portId, sets] of Object.entries(mode.makes)) {
      if (own(model.ports, portId)?.dir !== 'out') return refuse(`${path}/modes/${id}/makes/${portId}`, show(portId), 'an output of the model')
      const bad = checkSets(sets, `${path}/modes/${id}/makes/${portId}`)
      if (bad) return bad
    }
    const bad = checkSets(mode.records, `${path}/modes/${id}/records`)
    if (bad) return bad
  }
  const loose = model.configured?.find(id => own(model.ports, id)?.carries !== 'control')
  if (loose !== undefined) return refuse(`${path}/configured`, show(loose), 'ports of the model that carry control')
  if (model.inset !== undefined && (own(model.ports, model.inset)?.dir !== 'in' || own(model.ports, model.inset)?.carries === 'sound')) return refuse(`${path}/inset`, show(model.inset), 'an input of the model for pictures')
  return checkSets(model.standards, `${path}/standards`) ?? checkDelay(model.delay, `${path}/delay`)
}

function checkDelay(delay: Model['delay'], path: string): Refusal {
  return delay && !(delay.min <= delay.typ && delay.typ <= delay.max)
    ? refuse(path, `${delay.min} / ${delay.typ} / ${delay.max}`, 'min <= typ <= max')
    : undefined
}

function checkLead(lead: LeadModel, path: string): Refusal {
  if (lead.kind !== 'cable') return undefined
  if (lead.stock.some(({ m }, i) => i > 0 && m <= lead.stock[i - 1]!.m)) return refuse(`${path}/stock`, 'lengths out of order', 'pieces with lengths ascending')
  if (lead.reach.by === 'attenuation') return lead.carries === 'sdi' ? undefined : refuse(`${path}/reach/by`, '"attenuation"', '"length" for cables that do not carry SDI')
  const { steps } = lead.reach
  const odd = steps.findIndex((step, i) => step.warnM > step.faultM || (i > 0 && (step.uptoBitsPerS <= steps[i - 1]!.uptoBitsPerS || step.faultM > steps[i - 1]!.faultM || step.warnM > steps[i - 1]!.warnM)))
  return odd < 0 ? undefined : refuse(`${path}/reach/steps/${odd}`, JSON.stringify(steps[odd]), 'rates ascending, lengths that never rise with the rate, warnM not above faultM')
}
