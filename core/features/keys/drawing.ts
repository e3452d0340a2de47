import { type Model, mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Socket, type Traced, runInto, socketKey, tracedOf } from '#core/chain'
import { type Edit, type Overlay, applyEdits } from '#core/document'
import {
  type Checked,
  Draft,
  addSink,
  additionEdits,
  connectControl,
  freeInputs,
  freeOutputs,
  freeSockets,
  removalEdits,
  seeded,
  tryEdits,
} from '#core/propose'
import { DRAWING, type DrawingId, drawnNow } from './facts'
import { type Laid, allLaid } from './laid'
import { penLoops } from './pen'

/** One of them, tried on a copy of the plan. */
export interface DrawingWay {
  readonly id: DrawingId
  /** It is drawn so now. */
  readonly now: boolean
  /** What would be done; absent where it cannot be, with the reason. */
  readonly edits: readonly Edit[] | undefined
  readonly why: string | undefined
  /** From the hand to its mark, ms: 0 on a board, where the hand makes it; absent on a tablet, which shows its own page. */
  readonly handMs: number | undefined
  /** Whoever draws sees the picture below the marks. */
  readonly seesPicture: boolean
  /** Boxes that are added, less those that go. */
  readonly boxes: number
  /** What it costs more than now, minor units of the plan's currency. */
  readonly minor: number
  /** Codes of findings that come with it, and what they say. */
  readonly adds: readonly string[]
  readonly says: readonly string[]
}

/** The page of a tablet that draws on green; what a drawing program calls a plain coloured page. */
const PAGE = [0, 177, 64] as const
/** A real board is about 0.7 bright, and a mark below 0.4: solid from 0.4 + (1 - 0.8) on, so the whole board is cut away. */
const BOARD = { clip: 0.4, gain: 0.8, invert: true } as const
/** Marks on dark glass are lit from its edge: what is darker than a fifth is glass. */
const GLASS = { clip: 0.2, gain: 0.7 } as const
const FIELDS = ['key', 'output', 'clip', 'gain', 'invert', 'premultiplied', 'drawnOn', 'screen'] as const

/** A change that grows step by step, each made on top of those before. */
class Growing {
  readonly edits: Edit[] = []
  constructor(
    public traced: Traced,
    readonly laid: Laid,
  ) {}

  get node(): DeviceNode {
    return this.traced.chain.nodes.get(this.laid.node!.id)!
  }

  /** False where the plan does not take it. */
  take(more: readonly Edit[] | undefined): boolean {
    const applied = more && applyEdits(this.traced.plan, [...more])
    if (!applied?.ok) return false
    this.edits.push(...more!)
    this.traced = tracedOf(applied.value.plan, this.traced.scope)
    return true
  }

  /** The overlay's own settings, all others gone. */
  set(value: Partial<Overlay>): boolean {
    const draft = new Draft(this.traced.plan)
    const now = this.traced.plan.overlays[this.laid.id]!
    for (const field of FIELDS)
      if (now[field] !== undefined && value[field] === undefined) draft.set(['overlays', this.laid.id, field])
    for (const [field, to] of Object.entries(value)) draft.set(['overlays', this.laid.id, field], to as never)
    return this.take(draft.edits)
  }

  /** An input of the overlay's switcher: a free one, or that of what it is drawn by now, which goes where nothing else uses it. */
  private input(): Socket | undefined {
    const free = () => freeInputs(this.traced, this.node.id).find(({ node }) => node.id === this.node.id)
    const { fill } = this.laid.overlay
    const { model } = this.traced.chain.nodes.get(fill) ?? {}
    // A computer does more than its marks; a tablet, and a camera that sees a board alone, do not.
    const alone = model?.kind === 'tablet' || model?.kind === 'camera'
    if (!free() && alone && !this.usedElsewhere(fill) && !this.isTaken())
      this.take(removalEdits(this.traced.plan, fill))
    return free()
  }

  /** A look takes its input to the program or the preview of the switcher by itself. */
  private isTaken(): boolean {
    const { input, node } = this.laid
    return Object.values(this.traced.plan.looks).some(
      ({ program = {}, preview = {} }) =>
        input !== undefined && (program[node!.id] === input || preview[node!.id] === input),
    )
  }

  private usedElsewhere(device: string): boolean {
    return Object.entries(this.traced.plan.overlays).some(
      ([id, { fill, key }]) => id !== this.laid.id && (fill === device || key === device),
    )
  }

  /** A source at the overlay's switcher that `fits` and serves no other overlay, which is there or is added. */
  source(fits: (node: DeviceNode) => boolean, model: string, name: string): string | undefined {
    const there = this.traced.runs.find(
      ({ lit, beside, origin, end }) =>
        lit &&
        !beside &&
        end?.device === this.node.id &&
        origin &&
        !this.usedElsewhere(origin.device) &&
        fits(this.traced.chain.nodes.get(origin.device)!),
    )
    if (there) return there.origin!.device
    const input = this.input()
    if (!input) return undefined
    const format = this.node.standard
    const known = new Set(Object.keys(this.traced.plan.devices))
    const connect = { device: input.node.id, port: input.portId }
    const added = additionEdits(
      this.traced.plan,
      { model, name, connect, ...(format ? { format } : {}) },
      seeded(`${name} ${this.laid.id}`),
    )
    if (!this.take(added)) return undefined
    const id = Object.keys(this.traced.plan.devices).find(
      one => !known.has(one) && this.traced.plan.devices[one]!.name === name,
    )
    const run = this.traced.runs.find(({ origin, end }) => origin?.device === id && end?.device === this.node.id)
    return run?.lit ? id : undefined
  }
}

const takesPen = ({ model }: { readonly model: Model }): boolean =>
  portsOf(model, 'in').some(([, { carries, title }]) => carries === 'control' && /pen/i.test(title))
const hasPen = ({ model }: { readonly model: Model }): boolean => portsOf(model, 'out').some(([, { pen }]) => pen)

type Builder = (now: Growing) => string | undefined

/** A display that shows the program, and the computer that makes the marks. */
function byPen(now: Growing): string | undefined {
  const mine = (node: DeviceNode) => takesPen(node) && node.id === now.laid.overlay.fill
  const maker = now.source(mine, 'computer', `Computer that draws ${now.laid.overlay.title}`.slice(0, 100))
  if (maker === undefined) return 'no input is free for a computer that takes a pen'
  const display = (): DeviceNode | undefined =>
    [...now.traced.chain.nodes.values()].find(
      node =>
        hasPen(node) &&
        portsOf(node.model, 'in').some(([port]) => {
          const run = runInto(now.traced, { device: node.id, port })
          return run?.lit && run.origin?.device === now.node.id && run.links[0]?.signal?.feed === 'program'
        }),
    )
  if (!display()) {
    const out = freeOutputs(now.traced, 'program').find(({ node }) => node.id === now.node.id)
    const name = `Display for ${now.laid.overlay.title}`.slice(0, 100)
    if (!out || !now.take(addSink(now.traced, out, 'display-drawing', name, 'program')))
      return 'no output of the program is free for a display'
  }
  const shown = display()
  if (!shown) return 'no display with a pen takes the program'
  const [pen] = portsOf(shown.model, 'out').find(([, port]) => port.pen)!
  const leads = now.traced.chain.leaving.get(socketKey(shown.id, pen)) ?? []
  if (!leads.some(({ to }) => to?.node.id === maker)) {
    const [socket] = freeSockets(now.traced, now.traced.chain.nodes.get(maker)!, 'in').filter(
      ({ port }) => port?.carries === 'control',
    )
    const out = { node: shown, portId: pen, port: shown.model.ports[pen] }
    const off = leads.map(({ id }): Edit => ({ do: 'disconnect', id }))
    const [lead] = socket ? connectControl(now.traced, out, socket, 'Lead its pen to', socket) : []
    if (!lead || !now.take([...off, ...lead.edits])) return 'its pen cannot be led to the computer'
  }
  return now.set({ kind: 'luma', fill: maker, drawnOn: shown.id }) ? undefined : 'the overlay does not take it'
}

function byTablet(now: Growing): string | undefined {
  const name = `Tablet for ${now.laid.overlay.title}`.slice(0, 100)
  const tablet = now.source(({ model }) => model.kind === 'tablet', 'tablet-drawing', name)
  if (tablet === undefined) return 'no input is free for a tablet'
  return now.set({ kind: 'chroma', fill: tablet, screen: PAGE }) ? undefined : 'the overlay does not take it'
}

/** A camera that sees nothing but the board. */
const byBoard =
  (cut: Partial<Overlay>): Builder =>
  now => {
    const name = `Camera at the board of ${now.laid.overlay.title}`.slice(0, 100)
    const mine = (node: DeviceNode) => node.model.kind === 'camera' && node.id === now.laid.overlay.fill
    const camera = now.source(mine, 'camera-box-hdmi', name)
    if (camera === undefined) return 'no input is free for a camera'
    return now.set({ kind: 'luma', fill: camera, ...cut }) ? undefined : 'the overlay does not take it'
  }

const BUILDERS: Readonly<Record<DrawingId, Builder>> = {
  pen: byPen,
  tablet: byTablet,
  board: byBoard(BOARD),
  glass: byBoard(GLASS),
}
const NEEDS: Readonly<Record<DrawingId, 'luma' | 'chroma'>> = {
  pen: 'luma',
  tablet: 'chroma',
  board: 'luma',
  glass: 'luma',
}

/**
 * The ways of drawing for an overlay that is drawn by hand, the best first: what can be done before what cannot, what
 * brings no finding, what shows the picture to the hand, then money. Each is tried on a copy, so this takes a check a way.
 * Undefined for an overlay that nobody draws.
 */
export function drawingWays(checked: Checked, id: string): DrawingWay[] | undefined {
  const { traced } = checked
  const laid = allLaid(traced).find(one => one.id === id)
  const now = laid && drawnNow(traced, laid.overlay)
  if (!laid?.node || now === undefined) return undefined
  return (Object.keys(DRAWING) as DrawingId[])
    .map(way => (way === now ? measured(checked, laid, way, []) : tried(checked, laid, way)))
    .map(way => ({ ...way, now: way.id === now }))
    .sort(
      (a, b) =>
        Number(a.edits === undefined) - Number(b.edits === undefined) ||
        Number(a.adds.length > 0) - Number(b.adds.length > 0) ||
        Number(b.seesPicture) - Number(a.seesPicture) ||
        a.minor - b.minor,
    )
}

const none = (id: DrawingId, why: string): DrawingWay => ({
  id,
  now: false,
  edits: undefined,
  why,
  handMs: undefined,
  seesPicture: false,
  boxes: 0,
  minor: 0,
  adds: [],
  says: [],
})

function tried(checked: Checked, laid: Laid, id: DrawingId): DrawingWay {
  const keyers = mixOf(laid.node!.model)?.keyers ?? []
  if (!keyers.some(({ kinds }) => kinds.includes(NEEDS[id])))
    return none(id, NEEDS[id] === 'luma' ? 'no keyer there cuts by brightness' : 'no keyer there cuts by a colour')
  const growing = new Growing(checked.traced, laid)
  const why = BUILDERS[id](growing)
  return why === undefined ? measured(checked, laid, id, growing.edits) : none(id, why)
}

/** What findings say, by their names. */
export function wordsOf({ findings, by }: Checked, names: readonly { readonly key: string }[]): string[] {
  const keys = new Set(names.map(({ key }) => key))
  return findings.filter(({ key }) => keys.has(key)).map(one => by.say(one))
}

function measured(checked: Checked, laid: Laid, id: DrawingId, edits: readonly Edit[]): DrawingWay {
  const change = edits.length ? tryEdits(checked, edits) : undefined
  if (edits.length && !change) return none(id, 'it does not fit into the plan')
  const { traced } = change?.checked ?? checked
  const loop = penLoops(traced).find(one => one.laid.id === laid.id)
  const boxes = edits.reduce((sum, edit) => {
    if ((edit.do !== 'add' && edit.do !== 'remove') || edit.collection !== 'devices') return sum
    return sum + (edit.do === 'add' ? 1 : -1)
  }, 0)
  const adds = change?.adds.filter(({ severity }) => severity !== 'N') ?? []
  return {
    id,
    now: false,
    edits,
    why: undefined,
    handMs: id === 'pen' ? loop?.loopMs : id === 'tablet' ? undefined : 0,
    seesPicture: id === 'pen' && loop?.seen === true,
    boxes,
    minor: change?.change.price ?? 0,
    adds: [...new Set(adds.map(one => one.id))],
    says: change ? wordsOf(change.checked, adds) : [],
  }
}
