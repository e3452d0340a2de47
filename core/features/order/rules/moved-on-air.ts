import { isSink } from '#core/catalog'
import { type Traced, deviceName } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Moment, momentsOf, pictureAt, shownIn } from '#core/run'

export const movedOnAir = rule({
  code: 'R10',
  about: 'A camera is sent to another position while it is seen.',
  messages: {
    moved: {
      severity: 'R',
      says: '{look} sends {camera} to {preset} while it is seen: everybody watches it move.',
    },
    taken: {
      severity: 'R',
      says: '{look} sends {camera} to {preset} and shows it at once: everybody watches it arrive.',
    },
  },
  find: (traced, say) => {
    const told = new Set<string>()
    return moves(traced).flatMap(({ look, camera, preset, before }) => {
      if (told.has(look)) return []
      told.add(look)
      const words = {
        look: text(traced.plan.looks[look]!.title),
        camera: text(deviceName(traced, camera)),
        preset: text(preset),
      }
      return [say(before ? 'moved' : 'taken', { on: 'look', look }, words)]
    })
  },
  remedies: (traced, { at }) => (at.on === 'look' ? sentBefore(traced, at.look) : []),
})

interface Move {
  readonly look: string
  readonly camera: string
  readonly preset: string
  /** It is seen before the look; else after it. */
  readonly before: boolean
  readonly moment: Moment
  readonly last: Moment | undefined
}

function moves(traced: Traced): Move[] {
  const all = momentsOf(traced)
  return all.flatMap((moment, i): Move[] => {
    const look = moment.look === undefined ? undefined : traced.plan.looks[moment.look]
    const last = all[i - 1]
    // Before the show cameras go where they like.
    if (!look?.presets || !last) return []
    return Object.entries(look.presets).flatMap(([camera, preset]): Move[] => {
      if (!traced.chain.nodes.has(camera) || own(last.state.presets, camera) === preset) return []
      const before = isSeen(traced, last, camera)
      const after = isSeen(traced, moment, camera)
      return before || after ? [{ look: moment.look!, camera, preset, before, moment, last }] : []
    })
  })
}

/** An audience or a recording sees the camera. */
const isSeen = (traced: Traced, { state }: Moment, camera: string): boolean =>
  traced.runs.some(run => {
    if (run.beside || !run.lit || !run.end || !isSink(traced.chain.nodes.get(run.end.device)?.model)) return false
    const feed = run.links[0]?.signal?.feed
    if (feed === 'multiview' || feed === 'preview') return false
    return shownIn(pictureAt(traced, state, run.end)).some(({ device, as }) => device === camera && as !== 'tile')
  })

/** The position is given up in this look; or, where the camera is only seen afterwards, it is taken in the one before. */
function sentBefore(traced: Traced, look: string): Proposal[] {
  const mine = moves(traced).filter(move => move.look === look)
  const [one] = mine
  if (!one) return []
  const drop = new Draft(traced.plan)
  for (const { camera } of mine) drop.set(['looks', look, 'presets', camera])
  const name = deviceName(traced, one.camera)
  const earlier = one.last?.look
  const offers: Proposal[] = []
  if (!one.before && earlier !== undefined && earlier !== look) {
    const draft = new Draft(traced.plan)
    for (const { camera, preset } of mine) {
      draft.set(['looks', look, 'presets', camera])
      draft.set(['looks', earlier, 'presets', camera], preset)
    }
    offers.push({
      title: `Send ${name} there in ${traced.plan.looks[earlier]!.title}, before it is seen`.slice(0, 120),
      edits: draft.edits,
    })
  }
  return [...offers, { title: `Leave ${name} where it stands`.slice(0, 120), edits: drop.edits }]
}
