import { type Traced, runAt } from '#core/chain'
import { SHOT_SIZES } from '#core/document'
import { length, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure } from '#core/words'
import { type Framed, type Zoom, distanceM, focalMm, framing, isFramed, makes, mmText, SHOWN } from '../facts'

export const noLens = rule({
  code: 'R05',
  about: 'No lens of the kit makes a shot from the place of its camera.',
  messages: {
    own: {
      severity: 'Q',
      says: '{camera} needs {need} to show {shot} from {distance}: its lens goes from {shortest} to {longest}.',
    },
    none: {
      severity: 'Q',
      says: '{camera} needs {need} to show {shot} from {distance}: no lens of the kit has that.',
    },
    taken: {
      severity: 'Q',
      says: '{camera} needs {need} to show {shot} from {distance}: the lenses that have that are at other cameras.',
    },
  },
  find: (traced, say) =>
    unframed(traced).map(one => {
      const { node, needMm, own } = one
      const { m, size } = node.device.aim!
      const some = Object.values(traced.plan.lenses).some(lens => makes(lens, needMm))
      return say(
        own ? 'own' : some ? 'taken' : 'none',
        { on: 'device', device: node.id },
        {
          camera: text(node.device.name),
          need: text(mmText(needMm)),
          shot: text(SHOWN[size]),
          distance: length(m),
          shortest: text(mmText(own?.fromMm ?? 0)),
          longest: text(mmText(own?.toMm ?? 0)),
        },
        runAt(traced, node.id),
      )
    }),
  remedies: (traced, { at }) => {
    const one = unframed(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    if (!one) return []
    return [...(one.own ? [] : bring(traced, one)), ...otherwise(traced, one), ...moved(traced, one)]
  },
})

const unframed = (traced: Traced): Framed[] => framing(traced).filter(one => !isFramed(one))

/** Zooms that are commonly hired, mm. */
const COMMON: readonly Zoom[] = [
  [3.5, 8],
  [4.5, 50],
  [8, 160],
  [16, 35],
  [24, 70],
  [70, 200],
  [100, 400],
  [150, 600],
  [300, 1000],
].map(([fromMm, toMm]) => ({ fromMm: fromMm!, toMm: toMm! }))

function bring({ plan }: Traced, { needMm }: Framed): Proposal[] {
  return COMMON.filter(lens => makes(lens, needMm))
    .slice(0, 2)
    .map(({ fromMm, toMm }) => {
      const title = `Zoom ${fromMm} to ${toMm} mm`
      const draft = new Draft(plan)
      const order = 1 + Math.max(0, ...Object.values(plan.lenses).map(lens => lens.order))
      draft.add('lenses', title, { title, order, fromMm, toMm })
      return { title: `Bring a lens of ${fromMm} to ${toMm} mm`, edits: draft.edits }
    })
}

/** Lenses that it could have: its own, or those of the kit that no other camera has. */
function within(traced: Traced, { own }: Framed): Zoom[] {
  const taken = new Set(framing(traced).map(({ lens }) => lens))
  return own ? [own] : Object.entries(traced.plan.lenses).flatMap(([id, lens]) => (taken.has(id) ? [] : [lens]))
}

/** The nearest size of the same person that such a lens makes from there. */
function otherwise(traced: Traced, one: Framed): Proposal[] {
  const { node, sensorMm } = one
  const { m, size } = node.device.aim!
  const at = SHOT_SIZES.indexOf(size)
  const near = [...SHOT_SIZES]
    .map((other, i) => ({ other, far: Math.abs(i - at) }))
    .filter(({ other, far }) => far && within(traced, one).some(lens => makes(lens, focalMm(sensorMm, m, other))))
    .sort((a, b) => a.far - b.far)
  return near.slice(0, 1).map(({ other }) => {
    const draft = new Draft(traced.plan)
    draft.set(['devices', node.id, 'aim', 'size'], other)
    return { title: `Show ${SHOWN[other]} with ${node.device.name}`.slice(0, 120), edits: draft.edits }
  })
}

/** The nearest place, in half metres, from which such a lens makes it. */
function moved(traced: Traced, one: Framed): Proposal[] {
  const { node, sensorMm, needMm } = one
  const { m, size } = node.device.aim!
  const places = within(traced, one)
    .map(lens => {
      const [end, toWhole] = needMm > lens.toMm ? [lens.toMm, Math.floor] : [lens.fromMm, Math.ceil]
      return Math.max(0.5, toWhole(distanceM(sensorMm, end, size) * 2) / 2)
    })
    .sort((a, b) => Math.abs(a - m) - Math.abs(b - m))
  return places.slice(0, 1).map(place => {
    const draft = new Draft(traced.plan)
    draft.set(['devices', node.id, 'aim', 'm'], place)
    return { title: `Put ${node.device.name} ${figure(place)} m away`.slice(0, 120), edits: draft.edits }
  })
}
