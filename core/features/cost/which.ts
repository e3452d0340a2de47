import { listWords } from '#core/words'
import { type LookNeed, lostBehind, needsOf } from '#core/run'
import { MODELS, type Feed, type Model, makesOf, portsOf, isForScreens } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, kitLines, lastSwitchers, socketKey, usedOf } from '#core/chain'
import { type VideoFormat, formatLabel, setsContain } from '#core/signal'

/** What a switcher is asked for: counted in the plan, and changed by whoever asks. */
export interface Asked {
  /** Pictures by the plug that they come with; of those how many cannot be set to the standard. */
  readonly sdi: number
  readonly hdmi: number
  readonly odd: number
  /** Inputs that stay free for late guests. */
  readonly spare: number
  readonly keys: number
  readonly outputs: Readonly<Record<Feed, number>>
  /** Sockets for sound beside pictures. */
  readonly sound: number
  readonly records: boolean
  readonly isolated: boolean
  readonly streams: boolean
  readonly panel: boolean
  /** A computer that works switchers is there already. */
  readonly computer: boolean
  readonly standard: VideoFormat | undefined
  /** The looks of the running order. */
  readonly looks: readonly LookNeed[]
}

export interface Extra {
  readonly title: string
  readonly count: number
  readonly minor: number
}

/** One way to have a switcher. */
export interface Way {
  readonly how: 'smallest' | 'larger' | 'two' | 'computer' | 'used'
  /** Models of the catalogue, the last of the chain first. */
  readonly models: readonly string[]
  readonly title: string
  /** Inputs for pictures, and how many of them stay free. */
  readonly inputs: number
  readonly free: number
  readonly can: readonly string[]
  readonly cannot: readonly string[]
  readonly extras: readonly Extra[]
  /** What is to be paid, extras with it; what is owned is credited. */
  readonly minor: number
  readonly creditMinor: number
  /** The plan has it already. */
  readonly there: boolean
}

const FEED_WORDS: Readonly<Record<Feed, string>> = {
  program: 'outputs for program',
  clean: 'outputs without keys',
  preview: 'outputs of what is next',
  multiview: 'multiviews',
}

/** A small switcher has so many inputs for pictures at the most. */
const SMALL_INPUTS = 8

const pictures = (model: Model, dir: 'in' | 'out') => portsOf(model, dir).filter(([, port]) => isForScreens(port))
const priceOf = (id: string): number => MODELS.get(id)!.priceMinor

/** The picture outputs of a source that are used, or its first. */
function outputsOf(traced: Traced, node: DeviceNode): string[] {
  const outs = pictures(node.model, 'out').map(([id]) => id)
  const used = outs.filter(id => traced.chain.leaving.has(socketKey(node.id, id)))
  return used.length ? used : outs.slice(0, 1)
}

/** What the plan asks of its switchers. */
export function askedOf(traced: Traced): Asked {
  const { plan, chain, runs } = traced
  const last = lastSwitchers(traced)[0]
  const standard = plan.brief.standard ?? last?.standard
  let [sdi, hdmi, odd] = [0, 0, 0]
  for (const node of chain.nodes.values()) {
    if (node.model.role !== 'source' || isSwitcher(node)) continue
    for (const id of outputsOf(traced, node)) {
      const port = node.model.ports[id]!
      if (port.carries === 'sdi') sdi += 1
      else hdmi += 1
      const makes = makesOf(node.model, id, node.device.mode)
      if (standard && makes.length && !setsContain(makes, standard)) odd += 1
    }
  }
  const outputs: Record<Feed, number> = { program: 0, clean: 0, preview: 0, multiview: 0 }
  const kinds = new Set<string | undefined>()
  for (const want of Object.values(plan.wants)) {
    const sink = chain.nodes.get(want.sink)!
    kinds.add(sink.model.kind)
    // One picture alone is no feed of a switcher; what is made inside needs no socket.
    if (want.of !== undefined && !isSwitcher(chain.nodes.get(want.of) ?? sink)) continue
    if (!isSwitcher(sink)) outputs[want.feed] += 1
  }
  const overlays = Object.values(plan.overlays)
  const inSegment = (id: string) => overlays.filter(({ segments }) => !segments || segments.includes(id)).length
  const plugs = new Set(
    runs.flatMap(({ beside, end }) =>
      beside === 'sound' && end && isSwitcher(chain.nodes.get(end.device)!) ? [`${end.device}/${end.port}`] : [],
    ),
  )
  return {
    sdi,
    hdmi,
    odd,
    spare: plan.brief.spareInputs ?? 0,
    keys: Math.max(
      0,
      ...Object.keys(plan.segments).map(inSegment),
      Object.keys(plan.segments).length ? 0 : overlays.length,
    ),
    outputs,
    sound: plugs.size,
    records: Object.values(plan.wants).some(({ sink }) => isSwitcher(chain.nodes.get(sink)!)),
    isolated: plan.brief.isolated === true,
    streams: kinds.has('encoder') || kinds.has('capture'),
    panel: last?.model.mix?.surfaces.some(({ kind }) => kind === 'panel') ?? false,
    computer: [...chain.nodes.values()].some(({ model }) => model.surface === 'computer'),
    standard,
    looks: needsOf(traced),
  }
}

/** What one switcher, or a chain of a last one and a feeder, is worth for what is asked. */
function judge(asked: Asked, ids: readonly string[]): Pick<Way, 'inputs' | 'free' | 'can' | 'cannot' | 'extras'> {
  const rows = ids.map(id => MODELS.get(id)!)
  const last = rows[0]!
  const ins = rows.flatMap(row => pictures(row, 'in').map(([, port]) => port))
  // Each link of a chain takes an input of the one behind.
  const inputs = ins.length - (rows.length - 1)
  const needed = asked.sdi + asked.hdmi
  const cannot: string[] = []
  const can: string[] = []
  const extras: Extra[] = []
  const extra = (id: string, title: string, count: number): void => {
    if (count > 0) extras.push({ title, count, minor: count * priceOf(id) })
  }
  const many = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`
  if (inputs < needed + asked.spare) cannot.push(`${many(inputs, 'input')}, ${needed + asked.spare} are needed`)
  const sdiIns = ins.filter(({ carries }) => carries === 'sdi').length
  const hdmiIns = ins.length - sdiIns
  extra('sdi-to-hdmi', 'SDI to HDMI converter', Math.max(0, Math.min(asked.sdi, needed) - sdiIns))
  extra('hdmi-to-sdi', 'HDMI to SDI converter', Math.max(0, asked.hdmi - hdmiIns))
  const scaling = ins.filter(({ takes }) => takes !== 'standard').length
  if (asked.odd > scaling)
    extra(sdiIns > hdmiIns ? 'scaler-sdi' : 'scaler-hdmi', 'scaler and rate converter', asked.odd - scaling)
  else if (scaling > 0) can.push(`${many(scaling, 'input')} that take another format`)
  if (asked.standard && !setsContain(last.standards ?? [], asked.standard))
    cannot.push(`${formatLabel(asked.standard)} cannot be set`)
  const keys = last.mix?.keyers.length ?? last.keyers ?? 0
  if (keys < asked.keys)
    cannot.push(`${keys === 0 ? 'no keys' : `${many(keys, 'key')} at once`}, ${asked.keys} are wanted`)
  else if (keys > 0) can.push(`${many(keys, 'key')} at once`)
  outputsFor(asked, last, needed, { extra, cannot })
  const plugs = rows.flatMap(row => portsOf(row, 'in')).filter(([, { carries }]) => carries === 'sound').length
  extra('embedder-hdmi', 'sound embedder', Math.max(0, asked.sound - plugs))
  if ((last.records ?? 0) > 0) can.push('records inside')
  else if (asked.records) cannot.push('records nothing inside')
  if (asked.isolated) {
    if ((last.isolates ?? 0) >= needed) can.push('records each picture by itself')
    else cannot.push('no recording of each picture by itself inside')
  }
  const panel = last.kind !== 'computer' && (last.mix?.surfaces.some(({ kind }) => kind === 'panel') ?? true)
  if (panel) can.push('has a panel')
  else if (last.kind === 'computer') cannot.push('no panel, but its own keys')
  else {
    if (asked.panel) cannot.push('no panel')
    extra('computer-control', 'computer to work it', asked.computer ? 0 : 1)
  }
  if (rows.length > 1) {
    const behind = needed - (pictures(last, 'in').length - 1)
    cannot.push('one picture of the feeder at a time', 'no mix, key or box between two of the feeder')
    cannot.push(...looksCut(asked, behind))
  }
  return { inputs, free: Math.max(0, inputs - needed), can, cannot, extras }
}

/** The looks that cannot be shown with so many pictures behind the link of a feeder. */
function looksCut({ looks, sdi, hdmi }: Asked, behind: number): string[] {
  const sources = [...new Set(looks.flatMap(look => look.sources))]
  // What no look shows, or is only asked for here, goes behind the link first.
  const mustGo = behind - Math.max(0, sdi + hdmi - sources.length)
  if (mustGo < 2) return []
  const lost = lostBehind(looks, sources, Math.min(mustGo, sources.length))
  return lost.length ? [`${lost.length} of ${looks.length} looks: ${listWords(lost.map(({ title }) => title))}`] : []
}

/** Outputs against what they can be pointed at: those with the least choice first. */
function outputsFor(
  asked: Asked,
  last: Model,
  needed: number,
  { extra, cannot }: { extra: (id: string, title: string, count: number) => void; cannot: string[] },
): void {
  const left = pictures(last, 'out')
    .map(([, { feeds = ['program'] }]) => feeds)
    .sort((a, b) => a.length - b.length)
  const taken: Record<Feed, number> = { program: 0, clean: 0, preview: 0, multiview: 0 }
  const order = (Object.keys(asked.outputs) as Feed[]).sort(
    (a, b) => left.filter(feeds => feeds.includes(a)).length - left.filter(feeds => feeds.includes(b)).length,
  )
  for (const feed of order)
    for (let i = 0; i < asked.outputs[feed]; i++) {
      const at = left.findIndex(feeds => feeds.includes(feed))
      if (at < 0) break
      left.splice(at, 1)
      taken[feed] += 1
    }
  for (const feed of order) {
    const short = asked.outputs[feed] - taken[feed]
    if (short <= 0) continue
    if (taken[feed] > 0) extra('splitter-hdmi', 'splitter', short)
    else if (feed === 'multiview') {
      extra('multiviewer-4-hdmi', 'multiviewer, 4 inputs', Math.ceil(needed / 4))
      extra('splitter-hdmi', 'splitter before the multiviewer', needed)
    } else cannot.push(`no ${FEED_WORDS[feed]}`)
  }
}

/** The ways to have what is asked: each with what it can and cannot, and what it costs in whole. Cheapest of its kind. */
export function waysToSwitch(traced: Traced, asked: Asked = askedOf(traced)): Way[] {
  const lines = new Map(
    kitLines(traced.plan)
      .filter(({ kind }) => kind === 'model')
      .map(line => [line.id, line]),
  )
  const have = new Map<string, number>()
  for (const { model } of Object.values(traced.plan.devices)) have.set(model, (have.get(model) ?? 0) + 1)
  const way = (how: Way['how'], models: readonly string[]): Way => {
    const owned = new Map([...lines].map(([id, line]) => [id, line.owned]))
    let [minor, credit] = [0, 0]
    for (const id of models) {
      const price = how === 'used' ? usedOf(undefined, priceOf(id)) : priceOf(id)
      if ((owned.get(id) ?? 0) > 0) {
        owned.set(id, owned.get(id)! - 1)
        credit += price
      } else minor += price
    }
    const judged = judge(asked, models)
    return {
      how,
      models,
      title: models.map(id => MODELS.get(id)!.title).join(' + '),
      ...judged,
      minor: minor + judged.extras.reduce((sum, one) => sum + one.minor, 0),
      creditMinor: credit,
      there: models.every(id => (have.get(id) ?? 0) >= models.filter(other => other === id).length),
    }
  }
  const ids = [...MODELS].filter(([, { role, kind }]) => role === 'switcher' && kind !== 'computer').map(([id]) => id)
  const better = (a: Way, b: Way): number =>
    a.cannot.length - b.cannot.length || a.minor - b.minor || (a.title < b.title ? -1 : 1)
  const singles = ids.map(id => way('smallest', [id])).sort(better)
  const smallest = singles[0]!
  const larger = singles.find(({ inputs }) => inputs > smallest.inputs)
  const small = ids.filter(id => pictures(MODELS.get(id)!, 'in').length <= SMALL_INPUTS)
  const pairs = ids.flatMap(a => small.map(b => way('two', [a, b]))).sort(better)
  return [
    smallest,
    ...(larger ? [{ ...larger, how: 'larger' as const }] : []),
    ...pairs.slice(0, 1),
    way('computer', ['computer-mixing']),
    way('used', smallest.models),
  ]
}
