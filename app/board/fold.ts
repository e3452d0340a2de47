import type { Board, Lane } from '#core/features/board'

/** What of the board is shown; absent fields leave all. */
export interface Filter {
  /** Words that must occur in the lane. */
  readonly words?: string
  readonly fault?: 'any' | 'D' | 'R' | 'Q'
  readonly switcher?: string
  /** A kind of cable, by its short title. */
  readonly cable?: string
}

/** From this many lanes on, those that are lit and right are told together. */
export const MANY = 60

export const isFiltering = (filter: Filter): boolean =>
  Boolean(filter.words?.trim() || filter.fault || filter.switcher || filter.cable)

/** True when a lane is what the filter asks for. */
export function passes(lane: Lane, { words, fault, switcher, cable }: Filter): boolean {
  const said =
    `${lane.words} ${lane.hops.map(hop => (hop.is === 'cable' ? hop.title : hop.name)).join(' ')}`.toLowerCase()
  if (
    words &&
    !words
      .toLowerCase()
      .split(/\s+/)
      .every(word => said.includes(word))
  )
    return false
  if (
    fault &&
    (fault === 'any'
      ? lane.worst === undefined
      : fault === 'D'
        ? lane.worst !== 'D' && lane.worst !== 'H'
        : lane.worst !== fault)
  )
    return false
  if (switcher && lane.from?.device !== switcher && lane.to?.device !== switcher) return false
  return !cable || lane.hops.some(hop => hop.is === 'cable' && hop.short === cable)
}

/** A lane that need not be seen by itself: its picture arrives, nothing is wrong with it, and no switcher stands at both of its ends. */
const isQuiet = (lane: Lane): boolean =>
  lane.lit &&
  lane.beside === undefined &&
  lane.worst === undefined &&
  !lane.pinned &&
  !(lane.from?.role === 'switcher' && lane.to?.role === 'switcher') &&
  (lane.from?.role === 'switcher' || lane.to?.role === 'switcher')

/** Hidden lanes that have no hidden neighbour to be told together with. */
function lonely(ports: readonly { readonly lanes: readonly string[] }[], hidden: ReadonlyMap<string, Lane>): string[] {
  const groups: string[][] = [[]]
  for (const { lanes } of ports) {
    if (lanes.length && lanes.every(id => hidden.has(id))) groups.at(-1)!.push(...lanes)
    else {
      groups.push([])
      // A port that is partly shown is drawn as it is.
      if (lanes.some(id => !hidden.has(id))) groups.push(...lanes.filter(id => hidden.has(id)).map(id => [id]), [])
    }
  }
  return groups.flatMap(group => (group.length === 1 ? group : []))
}

/**
 * The board without the lanes that the filter leaves out and, with `ribbons`, without those that are quiet; the ports
 * that they lead to say how many are not shown. What is chosen stays.
 */
export function foldBoard(
  board: Board,
  filter: Filter,
  ribbons: boolean,
  chosen: string | undefined,
  unfolded: ReadonlySet<string> = new Set(),
): Board {
  const filtering = isFiltering(filter)
  if (!filtering && !ribbons) return board
  const hides = (lane: Lane): boolean => {
    if (lane.id === chosen) return false
    if (filtering) return !passes(lane, filter)
    const switcher = lane.from?.role === 'switcher' ? lane.from.device : lane.to?.device
    return isQuiet(lane) && !(switcher !== undefined && unfolded.has(switcher))
  }
  const hidden = new Map(board.lanes.filter(hides).map(lane => [lane.id, lane]))
  // A ribbon of one lane would say less than the lane itself.
  if (!filtering)
    for (const switcher of board.switchers)
      for (const ports of [switcher.inputs, switcher.outputs]) for (const id of lonely(ports, hidden)) hidden.delete(id)
  if (hidden.size === 0) return board
  const fold =
    (end: 'from' | 'to') =>
    <P extends { readonly lanes: readonly string[] }>(port: P): P => {
      const shown = port.lanes.filter(id => !hidden.has(id))
      const folded = port.lanes.flatMap(id => hidden.get(id)?.[end]?.name ?? [])
      return folded.length ? { ...port, lanes: shown, ...(shown.length ? {} : { folded }) } : port
    }
  // A leg of a splitter whose first leg is hidden is drawn whole.
  const lanes = board.lanes
    .filter(({ id }) => !hidden.has(id))
    .map(lane =>
      lane.sharedWith !== undefined && hidden.has(lane.sharedWith)
        ? { ...lane, shared: 0, sharedWith: undefined }
        : lane,
    )
  const used = filtering ? new Set(lanes.flatMap(({ from, to }) => [from?.device, to?.device])) : undefined
  return {
    lanes,
    switchers: board.switchers
      .filter(({ id }) => !used || used.has(id))
      .map(switcher => ({
        ...switcher,
        inputs: switcher.inputs.map(fold('from')),
        outputs: switcher.outputs.map(fold('to')),
      })),
  }
}
