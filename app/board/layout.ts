import type { Board, Hop, Lane, BoardSwitcher, SpineInput, SpineOutput } from '#core/features/board'

/** All lengths here are CSS pixels. */
export interface Columns {
  readonly pad: number
  readonly sourceW: number
  readonly sinkW: number
  readonly spineW: number
  /** Where hops begin, right of the source names. */
  readonly inX: number
  /** Left edge of the spine of a switcher by how many switchers it is away from the last. */
  readonly spineX: readonly number[]
  /** Where hops towards the sinks end. */
  readonly outX: number
  readonly width: number
  /** A tablet upright: names are set smaller. */
  readonly narrow: boolean
}

export interface Segment {
  readonly hop: Hop
  /** Place among the lane's hops. */
  readonly index: number
  readonly x0: number
  readonly x1: number
}

/** A lane on the board. `in` enters a switcher from the left, `out` leaves one to the right, `across` has no switcher at either end or stands apart. */
export interface PlacedLane {
  readonly lane: Lane
  readonly side: 'in' | 'link' | 'out' | 'across'
  /** Middle of the band. */
  readonly y: number
  readonly top: number
  readonly height: number
  readonly x0: number
  readonly x1: number
  readonly segments: readonly Segment[]
  /** Where a shared way comes down from an earlier lane. */
  readonly fork?: { readonly x: number; readonly fromY: number }
  /** For runs that begin behind a sink's loop-through or a far switcher, what stands where the source would. */
  readonly begins?: string
}

export interface PlacedPort<P> {
  readonly port: P
  readonly y: number
  /** Several ports on one row are told together, free ones or those with quiet lanes. */
  readonly span: string
  /** What stands at the other ends of the lanes that this row stands for; empty, the ports are free or their lanes are drawn. */
  readonly folded: readonly string[]
}

export interface PlacedSpine {
  readonly switcher: BoardSwitcher
  readonly x: number
  readonly width: number
  readonly top: number
  readonly height: number
  readonly inputs: readonly PlacedPort<SpineInput>[]
  readonly outputs: readonly PlacedPort<SpineOutput>[]
}

export interface Layout {
  readonly columns: Columns
  readonly lanes: readonly PlacedLane[]
  readonly spines: readonly PlacedSpine[]
  /** Top of the opened lane's panel. */
  readonly panelY: number | undefined
  readonly panelH: number
  readonly height: number
  readonly rowH: number
}

/** Height of the opened lane's panel: upright on a tablet its ruler stands above both halves. */
const panelHeight = (narrow: boolean): number => (narrow ? 272 : 196)
/** What a chart needs more, px. */
const CHART_MORE = 96
/** How many rows down a splitter's other leg is drawn as a fork. */
const FORK_ROWS = 3
/** What goes on behind a sink stands apart from the spine, which it does not come from. */
const LOOP_GAP = 24
const BOX_W = 118
const GAP = 12

/** Row height: room for a finger while there is room, one line each on large boards. */
export const rowHeight = (lanes: number): number => (lanes > 26 ? 32 : 44)

/** Lays the board out in columns; nobody drags anything. `open` is the lane under which the panel unfolds, `tall` when it holds a chart. */
export function layOut(board: Board, width: number, open: string | undefined, tall = false): Layout {
  const rowH = rowHeight(board.lanes.length)
  const depths = depthsOf(board)
  const columns = columnsFor(width, Math.max(0, ...depths.values()), needsOf(board))
  const arranged = new Arrangement(board, depths)
  const { rows, spines } = arranged
  const openRow = rows.find(({ lane }) => lane.id === open)?.row
  const panelH = panelHeight(columns.narrow) + (tall ? CHART_MORE : 0)
  const yOf = (row: number) => row * rowH + (openRow !== undefined && row > openRow ? panelH + 8 : 0)
  const below = rowH > 40 ? 18 : 9
  const spineX = new Map(spines.map(({ switcher: { id } }) => [id, columns.spineX[depths.get(id) ?? 0]!]))
  const onSpine = <P>({ port, row, span, folded }: PortRow<P>): PlacedPort<P> => ({
    port,
    y: yOf(row) + rowH - below,
    span,
    folded,
  })
  return {
    columns,
    rowH,
    panelY: openRow === undefined ? undefined : (openRow + 1) * rowH,
    panelH,
    height: yOf(arranged.end) + 8,
    lanes: placedLanes(rows, { columns, spineX, rowH, below, yOf }),
    spines: spines.map(({ switcher, top, bottom, inputs, outputs }) => ({
      switcher,
      x: spineX.get(switcher.id)!,
      width: columns.spineW,
      top: yOf(top) + 4,
      height: yOf(bottom - 1) + rowH - yOf(top) - 10,
      inputs: inputs.map(onSpine),
      outputs: outputs.map(onSpine),
    })),
  }
}

/** Which row each lane and each port stands on: the last switcher first, its feeders before the inputs that they feed. */
class Arrangement {
  readonly rows: Row[] = []
  readonly spines: SpineRows[] = []
  private readonly placed = new Set<string>()
  private readonly lanesById: ReadonlyMap<string, Lane>
  private readonly first: string | undefined

  constructor(
    private readonly board: Board,
    private readonly depths: ReadonlyMap<string, number>,
  ) {
    this.lanesById = new Map(board.lanes.map(lane => [lane.id, lane]))
    const roots = [...board.switchers].sort(
      (a, b) => depths.get(a.id)! - depths.get(b.id)! || a.order - b.order || (a.id < b.id ? -1 : 1),
    )
    this.first = roots[0]?.id
    let cursor = 0
    for (const switcher of roots) {
      if (this.placed.has(switcher.id)) continue
      const block = this.place(switcher, cursor)
      cursor = Math.max(block.leftEnd, block.rightEnd)
    }
    const drawn = new Set(this.rows.map(({ lane }) => lane.id))
    const rest = board.lanes
      .filter(({ id }) => !drawn.has(id))
      .sort(
        (a, b) =>
          Number(a.from === undefined) - Number(b.from === undefined) ||
          (a.from?.order ?? 0) - (b.from?.order ?? 0) ||
          (a.to?.order ?? 0) - (b.to?.order ?? 0),
      )
    for (const lane of rest) this.rows.push({ lane, row: cursor++, side: 'across', switcher: undefined })
  }

  /** The row behind the last. */
  get end(): number {
    return Math.max(0, ...this.rows.map(({ row }) => row + 1), ...this.spines.map(({ bottom }) => bottom))
  }

  private place(switcher: BoardSwitcher, top: number): { leftEnd: number; rightEnd: number } {
    this.placed.add(switcher.id)
    const isFeeder = (this.depths.get(switcher.id) ?? 0) > 0
    const left = this.placeInputs(switcher, top)
    // What else a feeder gives stands below all, since the next spine is in the way here.
    const right = isFeeder ? { ports: [], end: top } : this.placeOutputs(switcher, top)
    // One more row for the switcher's name.
    const bottom = Math.max(left.end, right.end, top + 1) + 1
    this.spines.push({ switcher, top, bottom, inputs: left.ports, outputs: right.ports })
    return { leftEnd: isFeeder ? bottom : Math.max(left.end, top + 1), rightEnd: bottom }
  }

  private placeInputs(switcher: BoardSwitcher, top: number): { ports: PortRow<SpineInput>[]; end: number } {
    const ports: PortRow<SpineInput>[] = []
    let next = top
    for (const group of groupFree(switcher.inputs)) {
      const [port] = group.ports as [SpineInput]
      if (port.lanes.length === 0) {
        ports.push({ port, row: next++, span: group.span, folded: group.folded })
        continue
      }
      for (const [i, id] of port.lanes.entries()) {
        const { row, end } = this.placeEntering(this.lanesById.get(id)!, switcher, next)
        const letter = port.beside && (port.beside === 'sound' ? 'S' : 'C')
        if (i === 0) ports.push({ port, row, folded: [], span: letter ?? String(port.number) })
        next = end
      }
    }
    return { ports, end: next }
  }

  /** A lane into an input; where it comes from a feeder that does not stand yet, that one's lanes come first. */
  private placeEntering(lane: Lane, switcher: BoardSwitcher, top: number): { row: number; end: number } {
    const feeder = this.board.switchers.find(({ id }) => id === lane.from?.device)
    const at = { lane, switcher: switcher.id }
    if (!feeder || this.placed.has(feeder.id)) {
      const begins = feeder && `${feeder.name} ${lane.from!.socket}`
      this.rows.push(begins ? { ...at, row: top, side: 'across', begins } : { ...at, row: top, side: 'in' })
      return { row: top, end: top + 1 }
    }
    const block = this.place(feeder, top)
    const row = top + Math.floor((block.leftEnd - top - 2) / 2)
    this.rows.push({ ...at, row, side: 'link' })
    return { row, end: Math.max(top + 1, block.leftEnd) }
  }

  private placeOutputs(switcher: BoardSwitcher, top: number): { ports: PortRow<SpineOutput>[]; end: number } {
    const ports: PortRow<SpineOutput>[] = []
    let next = top
    const out = (lane: Lane) => this.rows.push({ lane, row: next++, side: 'out', switcher: switcher.id })
    for (const group of groupFree(switcher.outputs)) {
      const [port] = group.ports as [SpineOutput]
      const free = port.lanes.length === 0
      ports.push({ port, row: next, span: free ? group.span : String(port.number), folded: free ? group.folded : [] })
      const outward = port.lanes
        .map(id => this.lanesById.get(id)!)
        .filter(lane => lane.to?.role !== 'switcher')
        .sort((a, b) => a.shared - b.shared || (a.to?.order ?? 0) - (b.to?.order ?? 0))
      outward.forEach(out)
      if (outward.length === 0) next++
    }
    // What is wanted and has no way yet stands at the first of the last switchers.
    if (switcher.id === this.first)
      this.board.lanes.filter(({ id }) => id.startsWith('want:') || id.startsWith('ghost:')).forEach(out)
    return { ports, end: next }
  }
}

interface Grid {
  readonly columns: Columns
  readonly spineX: ReadonlyMap<string, number>
  readonly rowH: number
  /** From the middle of a band to the end of its row. */
  readonly below: number
  readonly yOf: (row: number) => number
}

/** Lanes by their rows; one that shares a way with an earlier lane comes down from it. */
function placedLanes(rows: readonly Row[], { columns, spineX, rowH, below, yOf }: Grid): PlacedLane[] {
  const done = new Map<string, PlacedLane>()
  for (const { lane, side, switcher = '', row, begins } of [...rows].sort((a, b) => a.lane.shared - b.lane.shared)) {
    const toSink = side === 'out' || (side === 'across' && lane.to?.role !== 'switcher')
    const x1 = toSink ? columns.outX : (spineX.get(switcher) ?? columns.outX)
    const behind = side === 'out' ? switcher : side === 'link' ? lane.from!.device : undefined
    const x0 = behind === undefined ? columns.inX : spineX.get(behind)! + columns.spineW
    const y = yOf(row) + rowH - below
    const parent = lane.sharedWith === undefined ? undefined : done.get(lane.sharedWith)
    const trunk = parent?.segments.find(({ index }) => index === lane.shared - 1)
    const looped = lane.shared > 0 && !trunk
    // A fork to a lane far away, or back to before it, would cross all that lies between: that lane begins anew, under the splitter's name.
    const near = trunk && parent && trunk.x0 >= x0 && trunk.x1 < x1 && Math.abs(y - parent.y) <= FORK_ROWS * rowH
    const start = trunk && near ? (trunk.x0 + trunk.x1) / 2 : looped ? x0 + LOOP_GAP : x0
    const named = begins ?? (trunk && !near && trunk.hop.is === 'device' ? trunk.hop.name : undefined)
    done.set(lane.id, {
      lane,
      side,
      y,
      top: yOf(row),
      height: rowH,
      x0: start,
      x1,
      segments: segmentsOf(lane, trunk ? lane.shared : looped ? lane.shared - 1 : 0, start, x1),
      ...(near && parent ? { fork: { x: start, fromY: parent.y } } : {}),
      ...(named ? { begins: named } : {}),
    })
  }
  return [...done.values()].sort((a, b) => a.top - b.top || a.x0 - b.x0)
}

interface Row {
  readonly lane: Lane
  readonly row: number
  readonly side: PlacedLane['side']
  readonly switcher: string | undefined
  readonly begins?: string
}

interface SpineRows {
  readonly switcher: BoardSwitcher
  readonly top: number
  readonly bottom: number
  readonly inputs: readonly PortRow<SpineInput>[]
  readonly outputs: readonly PortRow<SpineOutput>[]
}

interface PortRow<P> {
  readonly port: P
  readonly row: number
  readonly span: string
  readonly folded: readonly string[]
}

/** Neighbouring free ports share a row, and so do those whose lanes are folded: "5 to 8". */
function groupFree<
  P extends { readonly number: number; readonly lanes: readonly string[]; readonly folded?: readonly string[] },
>(ports: readonly P[]): { ports: readonly P[]; span: string; folded: readonly string[] }[] {
  const groups: { ports: P[] }[] = []
  for (const port of ports) {
    const first = groups.at(-1)?.ports[0]
    if (
      first &&
      port.lanes.length === 0 &&
      first.lanes.length === 0 &&
      (port.folded === undefined) === (first.folded === undefined)
    )
      groups.at(-1)!.ports.push(port)
    else groups.push({ ports: [port] })
  }
  return groups.map(({ ports: grouped }) => ({
    ports: grouped,
    folded: grouped.flatMap(({ folded = [] }) => folded),
    span: grouped.length > 1 ? `${grouped[0]!.number}\u2013${grouped.at(-1)!.number}` : String(grouped[0]!.number),
  }))
}

/** How many switchers lie between each switcher and the last one that its picture can reach. */
function depthsOf({ switchers, lanes }: Board): Map<string, number> {
  const next = new Map<string, Set<string>>(switchers.map(({ id }) => [id, new Set<string>()]))
  for (const { from, to } of lanes)
    if (from?.role === 'switcher' && to?.role === 'switcher' && from.device !== to.device)
      next.get(from.device)?.add(to.device)
  const depths = new Map<string, number>()
  const visit = (id: string, path: ReadonlySet<string>): number => {
    const known = depths.get(id)
    if (known !== undefined) return known
    const below = [...next.get(id)!]
      .filter(other => !path.has(other))
      .map(other => visit(other, new Set([...path, other])))
    const depth = below.length ? 1 + Math.max(...below) : 0
    depths.set(id, depth)
    return depth
  }
  for (const { id } of switchers) visit(id, new Set([id]))
  return depths
}

/** Room that the fullest lane wants behind the switchers and between two of them, so that its boxes show their words. */
function needsOf({ lanes }: Board): { readonly out: number; readonly link: number } {
  const room = (lane: Lane) =>
    lane.hops.slice(lane.shared).reduce((sum, { is }) => sum + (is === 'device' ? BOX_W : 2 * GAP), 0)
  const most = (side: (to: Lane['to']) => boolean) =>
    Math.max(0, ...lanes.filter(({ from, to }) => from?.role === 'switcher' && side(to)).map(room))
  return { out: most(to => to?.role !== 'switcher'), link: most(to => to?.role === 'switcher') }
}

function columnsFor(wanted: number, depth: number, needs: { readonly out: number; readonly link: number }): Columns {
  const pad = 16
  const narrow = wanted < 1000
  // Three switchers in a row need what names and hops can spare.
  const deep = !narrow && depth > 1
  const sourceW = narrow ? 138 : deep ? 176 : 196
  const sinkW = narrow ? 124 : deep ? 160 : 172
  const spineW = narrow ? 92 : depth === 0 ? 120 : 104
  const least =
    pad * 2 +
    sourceW +
    sinkW +
    (depth + 1) * spineW +
    (narrow ? 88 : deep ? 210 : 240) +
    depth * 88 +
    (narrow ? 150 : deep ? 174 : 190)
  const width = Math.max(wanted, least)
  const free = width - pad * 2 - sourceW - sinkW - (depth + 1) * spineW
  const outW = Math.round(
    Math.max(narrow ? 150 : deep ? 174 : 190, free * (depth === 0 ? 0.4 : 0.34), Math.min(needs.out, free * 0.46)),
  )
  const linkW =
    depth === 0
      ? 0
      : Math.round(Math.max(88, ((free - outW) * 0.2) / depth, Math.min(needs.link, ((free - outW) * 0.44) / depth)))
  const outX = width - pad - sinkW
  const last = outX - outW - spineW
  return {
    pad,
    sourceW,
    sinkW,
    spineW,
    inX: pad + sourceW,
    outX,
    width,
    narrow,
    spineX: Array.from({ length: depth + 1 }, (_, d) => last - d * (spineW + linkW)),
  }
}

/** Longer cables take more of the lane, though never in proportion: a short lead must stay readable. */
const weightOf = (hop: Hop): number =>
  hop.is === 'cable' ? 1 + Math.min(1.4, (hop.lengthM ?? 5) / 18) + (hop.reason ? hop.reason.words.length / 14 : 0) : 0

/** Shares a lane's length among its hops: devices are boxes of one width, cables take what is left. */
function segmentsOf(lane: Lane, skip: number, x0: number, x1: number): Segment[] {
  const hops = lane.hops.slice(skip)
  const boxes = hops.filter(({ is }) => is === 'device').length
  const cables = hops.flatMap(hop => (hop.is === 'cable' ? [weightOf(hop)] : []))
  const weights = cables.reduce((sum, weight) => sum + weight, 0)
  const boxW = Math.min(BOX_W, Math.max(56, ((x1 - x0) * 0.84) / Math.max(1, boxes)))
  const perWeight = weights ? Math.max(GAP, x1 - x0 - boxes * boxW) / weights : 0
  let x = x0
  return hops.map((hop, i) => {
    const from = x
    x += hop.is === 'device' ? boxW : perWeight * weightOf(hop)
    return { hop, index: skip + i, x0: from, x1: x }
  })
}
