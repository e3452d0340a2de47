import { type Plan, circuitOf, keepersOf } from '#core/document'
import { count, power, share, text } from '#core/kernel'
import { Draft, rule, type Proposal } from '#core/propose'
import { circuitsFact, currentOf, SAFE_SHARE, voltsOf, type CircuitLoad, type Circuits } from '../circuits'
import { current } from '../quantities'

export const circuitOverloaded = rule({
  code: 'P04',
  about: 'A circuit carries more than four fifths of what its protection holds, or more than all of it.',
  messages: {
    above: {
      severity: 'H',
      says: '{loads} on {circuit} draw {watts}, which is {current} of its {rated}: its protection trips, and everything on it goes dark. Follow local codes; have licensed people do mains work.',
    },
    keeper: {
      severity: 'R',
      says: '{loads} on {circuit} draw {watts}, and it gives {most} when the mains fail: it switches off at once, and everything on it with it.',
    },
    near: {
      severity: 'R',
      says: '{loads} on {circuit} draw {watts}, which is {current} of its {rated} ({share}): for hours no more than {safe} is safe.',
    },
  },
  find: (traced, say) => [
    ...keepersOf(traced.plan)
      .filter(({ weak }) => weak)
      .map(({ strip, title, devices, drawW, mostW }) =>
        say(
          'keeper',
          { on: 'strip', strip },
          {
            loads: text(`${devices.length} device${devices.length === 1 ? '' : 's'}`),
            circuit: text(title),
            watts: power(drawW),
            most: power(mostW),
          },
        ),
      ),
    ...traced
      .ask(circuitsFact)
      .circuits.filter(({ share: used }) => used > SAFE_SHARE)
      .map(circuit =>
        say(
          circuit.share > 1 ? 'above' : 'near',
          { on: 'circuit', circuit: circuit.id },
          {
            loads: text(circuit.loads.length === 1 ? 'What hangs' : `${circuit.loads.length} devices`),
            circuit: text(circuit.title),
            watts: power(circuit.watts),
            current: current(circuit.drawA),
            rated: current(circuit.ratedA),
            share: share(circuit.share),
            safe: share(SAFE_SHARE),
            devices: count(circuit.loads.length),
          },
        ),
      ),
  ],
  remedies: (traced, { at }) => {
    if (at.on === 'strip') return offKeeper(traced.plan, at.strip)
    const known = traced.ask(circuitsFact)
    const circuit = at.on === 'circuit' ? known.circuits.find(({ id }) => id === at.circuit) : undefined
    if (!circuit) return []
    const move = (to: string, title: string, fresh?: (draft: Draft, moved: readonly string[]) => void): Proposal[] => {
      const moved = toMove(circuit, known, to)
      if (!moved) return []
      const draft = new Draft(traced.plan)
      fresh?.(draft, moved)
      for (const device of moved) {
        draft.set(['circuits', circuit.id, 'loads', device])
        if (!fresh) draft.set(['circuits', to, 'loads', device], true)
      }
      const names = moved.map(device => traced.plan.devices[device]!.name).join(', ')
      return [{ title: `Plug ${names} into ${title}`.slice(0, 120), edits: draft.edits }]
    }
    const others = known.circuits
      .filter(({ id }) => id !== circuit.id)
      .sort((a, b) => a.share - b.share)
      .flatMap(({ id, title }) => move(id, title))
    const added = move(NEW, 'another circuit of the house', (draft, moved) =>
      draft.add('circuits', 'another circuit', {
        title: 'Another circuit',
        order: 1 + Math.max(...known.circuits.map(({ order }) => order)),
        amps: circuit.ratedA,
        loads: Object.fromEntries(moved.map(device => [device, true as const])),
      }),
    )
    return [...others, ...added]
  },
})

/** The fewest loads, the largest first, straight into the wall beside it, so that it bears the rest. */
function offKeeper(plan: Plan, strip: string): Proposal[] {
  const keeper = keepersOf(plan).find(one => one.strip === strip)
  const circuit = circuitOf(plan, strip)
  if (!keeper || circuit === undefined) return []
  const watts = (id: string) => plan.models[plan.devices[id]!.model]!.watts
  const mine = keeper.devices.filter(id => plan.strips[strip]!.loads?.[id]).sort((a, b) => watts(b) - watts(a))
  const moved: string[] = []
  let drawW = keeper.drawW
  for (const id of mine) {
    if (drawW <= keeper.mostW) break
    moved.push(id)
    drawW -= watts(id)
  }
  if (drawW > keeper.mostW) return []
  const draft = new Draft(plan)
  for (const id of moved) {
    draft.set(['strips', strip, 'loads', id])
    draft.set(['circuits', circuit, 'loads', id], true)
  }
  const names = moved.map(id => plan.devices[id]!.name).join(', ')
  return [{ title: `Plug ${names} beside ${keeper.title}`.slice(0, 120), edits: draft.edits }]
}

const NEW = ''

/** The fewest loads, the heaviest first, whose move brings both circuits to what is safe; undefined where none do. */
function toMove(circuit: CircuitLoad, { circuits, mains }: Circuits, to: string): string[] | undefined {
  const volts = voltsOf(mains)
  const target = circuits.find(({ id }) => id === to) ?? { ratedA: circuit.ratedA, drawA: 0 }
  const room = target.ratedA * SAFE_SHARE - target.drawA
  const needs = circuit.drawA - circuit.ratedA * SAFE_SHARE
  const moved: string[] = []
  let sum = 0
  for (const { device, watts = 0 } of circuit.loads) {
    const a = currentOf(watts, volts)
    if (sum >= needs || sum + a > room) continue
    moved.push(device)
    sum += a
  }
  return sum >= needs && moved.length ? moved : undefined
}
