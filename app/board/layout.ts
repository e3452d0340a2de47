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
  const rows: Row[] = []
  const spines: SpineRows[] = []
  const placed = new Set<string>()
  const lanesById = new Map(board.lanes.map(lane => [lane.id, lane]))
  let cursor = 0

  const roots = [...board.switchers].sort(
    (a, b) => depths.get(a.id)! - depths.get(b.id)! || a.order - b.order || (a.id < b.id ? -1 : 1),
  )
  for (const switcher of roots) {
    if (placed.has(switcher.id)) continue
    const block = placeSwitcher(switcher, cursor)
    cursor = Math.max(block.leftEnd, block.rightEnd)
  }
  const rest = board.lanes
    .filter(lane => !rows.some(row => row.lane.id === lane.id))
    .sort(
      (a, b) =>
        Number(a.from === undefined) - Number(b.from === undefined) ||
        (a.from?.order ?? 0) - (b.from?.order ?? 0) ||
        (a.to?.order ?? 0) - (b.to?.order ?? 0),
    )
  for (const lane of rest) rows.push({ lane, row: cursor++, side: 'across', switcher: undefined })
  return finish()

  function placeSwitcher(switcher: BoardSwitcher, top: number): { leftEnd: number; rightEnd: number } {
    placed.add(switcher.id)
    const inputs: PortRow<SpineInput>[] = []
    let left = top
    for (const port of groupFree(switcher.inputs)) {
      const [first] = port.ports as [SpineInput]
      if (first.lanes.length === 0) {
        inputs.push({ port: first, row: left++, span: port.span, folded: port.folded })
        continue
      }
      for (const [i, id] of first.lanes.entries()) {
        const lane = lanesById.get(id)!
        const feeder = board.switchers.find(({ id: other }) => other === lane.from?.device)
        const nests = feeder !== undefined && !placed.has(feeder.id)
        const block = nests ? placeSwitcher(feeder, left) : undefined
        const row = block ? left + Math.floor((block.leftEnd - left - 2) / 2) : left
        rows.push({
          lane,
          row,
          side: feeder ? (nests ? 'link' : 'across') : 'in',
          switcher: switcher.id,
          ...(feeder && !nests ? { begins: `${feeder.name} ${lane.from!.socket}` } : {}),
        })
        if (i === 0)
          inputs.push({
            port: first,
            row,
            folded: [],
            span: first.beside ? (first.beside === 'sound' ? 'S' : 'C') : String(first.number),
          })
        left = block ? Math.max(left + 1, block.leftEnd) : left + 1
      }
    }
    const outputs: PortRow<SpineOutput>[] = []
    let right = top
    const isFeeder = (depths.get(switcher.id) ?? 0) > 0
    for (const port of groupFree(switcher.outputs)) {
      const [first] = port.ports as [SpineOutput]
      const outward = first.lanes
        .map(id => lanesById.get(id)!)
        .filter(lane => lane.to?.role !== 'switcher')
        .sort((a, b) => a.shared - b.shared || (a.to?.order ?? 0) - (b.to?.order ?? 0))
      if (isFeeder) {
        // What else a feeder gives stands below all, since the next spine is in the way here.
        continue
      }
      if (first.lanes.length === 0) {
        outputs.push({ port: first, row: right++, span: port.span, folded: port.folded })
        continue
      }
      outputs.push({ port: first, row: right, span: String(first.number), folded: [] })
      for (const lane of outward) rows.push({ lane, row: right++, side: 'out', switcher: switcher.id })
      if (outward.length === 0) right++
    }
    if (depths.get(switcher.id) === 0 && switcher === roots[0]) {
      for (const lane of board.lanes.filter(({ id }) => id.startsWith('want:') || id.startsWith('ghost:')))
        rows.push({ lane, row: right++, side: 'out', switcher: switcher.id })
    }
    // One more row for the switcher's name.
    const bottom = Math.max(left, isFeeder ? left : right, top + 1) + 1
    spines.push({ switcher, top, bottom, inputs, outputs })
    return { leftEnd: isFeeder ? bottom : Math.max(left, top + 1), rightEnd: bottom }
  }

  function finish(): Layout {
    const openRow = rows.find(({ lane }) => lane.id === open)?.row
    const panelH = panelHeight(columns.narrow) + (tall ? CHART_MORE : 0)
    const panelY = openRow === undefined ? undefined : (openRow + 1) * rowH
    const yOf = (row: number) => row * rowH + (openRow !== undefined && row > openRow ? panelH + 8 : 0)
    const below = rowH > 40 ? 18 : 9
    const spineOf = new Map<string, { x: number }>(
      spines.map(({ switcher }) => [switcher.id, { x: columns.spineX[depths.get(switcher.id) ?? 0]! }]),
    )
    const done = new Map<string, PlacedLane>()
    for (const row of rows.sort((a, b) => a.lane.shared - b.lane.shared)) {
      const { lane, side } = row
      const x1 =
        side === 'out' || (side === 'across' && lane.to?.role !== 'switcher')
          ? columns.outX
          : (spineOf.get(row.switcher ?? '')?.x ?? columns.outX)
      const x0 =
        side === 'out'
          ? spineOf.get(row.switcher!)!.x + columns.spineW
          : side === 'link'
            ? spineOf.get(lane.from!.device)!.x + columns.spineW
            : columns.inX
      const y = yOf(row.row) + rowH - below
      const parent = lane.sharedWith === undefined ? undefined : done.get(lane.sharedWith)
      const trunk = parent?.segments.find(({ index }) => index === lane.shared - 1)
      const looped = lane.shared > 0 && !trunk
      // A fork to a lane far away, or back to before it, would cross all that lies between: that lane begins anew, under the splitter's name.
      const near = trunk && parent && trunk.x0 >= x0 && trunk.x1 < x1 && Math.abs(y - parent.y) <= FORK_ROWS * rowH
      const start = trunk && near ? (trunk.x0 + trunk.x1) / 2 : looped ? x0 + LOOP_GAP : x0
      const splitter = trunk && !near && trunk.hop.is === 'device' ? trunk.hop.name : undefined
      done.set(lane.id, {
        lane,
        side,
        y,
        top: yOf(row.row),
        height: rowH,
        x0: start,
        x1,
        segments: segmentsOf(lane, trunk ? lane.shared : looped ? lane.shared - 1 : 0, start, x1),
        ...(near && parent ? { fork: { x: start, fromY: parent.y } } : {}),
        ...((row.begins ?? splitter) ? { begins: (row.begins ?? splitter)! } : {}),
      })
    }
    const last = Math.max(0, ...rows.map(({ row }) => row + 1), ...spines.map(({ bottom }) => bottom))
    return {
      columns,
      rowH,
      panelY,
      panelH,
      height: yOf(last) + 8,
      lanes: [...done.values()].sort((a, b) => a.top - b.top || a.x0 - b.x0),
      spines: spines.map(({ switcher, top, bottom, inputs, outputs }) => ({
        switcher,
        x: spineOf.get(switcher.id)!.x,
        width: columns.spineW,
        top: yOf(top) + 4,
        height: yOf(bottom - 1) + rowH - yOf(top) - 10,
        inputs: inputs.map(({ port, row, span, folded }) => ({ port, y: yOf(row) + rowH - below, span, folded })),
        outputs: outputs.map(({ port, row, span, folded }) => ({ port, y: yOf(row) + rowH - below, span, folded })),
      })),
    }
  }
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
