import { type Plan, circuitOf, hangingBehind, keepersOf, own, stripsTo } from '#core/document'
import { largestDrawOf } from '#core/catalog'
import type { Traced } from '#core/chain'
import { count, power, share, text } from '#core/kernel'
import { Draft, rule, type Proposal } from '#core/propose'
import { figure } from '#core/words'
import { type CircuitLoad, POWER_FACTOR, SAFE_SHARE, circuitsFact, currentOf, voltsOf } from '../circuits'
import { type Closing, closingsOf } from '../inrush'
import { SECTIONS, leadBearsA, stripMostW } from '../mains'
import { distributionsOf, fullestOf } from '../phases'
import { current } from '../quantities'
import { addStrip, moveTo, relieved } from '../relieve'

const things = (n: number): string => `${n} device${n === 1 ? '' : 's'}`

interface Reel {
  readonly strip: string
  readonly title: string
  readonly watts: number
  readonly bearsW: number
  readonly wound: boolean
}
/** Reels that carry more than they bear as they lie. */
const hotReels = ({ plan }: Traced): Reel[] =>
  Object.entries(plan.strips).flatMap(([strip, { title, reel }]): Reel[] => {
    if (!reel) return []
    const wound = reel.wound === true
    const bearsW = wound ? reel.woundW : reel.unwoundW
    const watts = stripMostW(plan, strip)
    return watts > bearsW ? [{ strip, title, watts, bearsW, wound }] : []
  })

interface ThinLead {
  readonly strip: string
  readonly title: string
  readonly mm2: number
  readonly amps: number
  readonly bearsA: number
  readonly volts: number
}
/** Leads of strips that carry more than their section bears. */
const thinLeads = ({ plan }: Traced): ThinLead[] =>
  Object.entries(plan.strips).flatMap(([strip, { title, lead }]): ThinLead[] => {
    if (!lead) return []
    // Behind a transformer the same watts are other amperes.
    const before = stripsTo(plan, strip)
      .slice(1)
      .find(id => plan.strips[id]!.givesV !== undefined)
    const volts = before === undefined ? voltsOf(plan.brief.mains) : plan.strips[before]!.givesV!
    const amps = currentOf(stripMostW(plan, strip), volts)
    const bearsA = leadBearsA(lead.mm2)
    return amps > bearsA ? [{ strip, title, mm2: lead.mm2, amps, bearsA, volts }] : []
  })

const sectionWords = (mm2: number): string => `${figure(mm2, 2)}\u00A0mm²`

const fullPhases = (traced: Traced) => distributionsOf(traced).filter(one => fullestOf(one).share > SAFE_SHARE)

const struck = (traced: Traced): Closing[] => closingsOf(traced).filter(({ inrushA, bearsA }) => inrushA > bearsA)

export const circuitOverloaded = rule({
  code: 'P04',
  about:
    'A circuit, a phase, a reel, a lead or an uninterruptible supply carries more than it bears: circuits and phases, more than four fifths.',
  messages: {
    above: {
      severity: 'H',
      says: '{loads} on {circuit} draw up to {watts}, which is {current} of its {rated}: its protection trips, and everything on it goes dark. Follow local codes; have licensed people do mains work.',
    },
    keeper: {
      severity: 'R',
      apart: true,
      says: '{loads} on {circuit} draw up to {watts}, and it gives {most} when the mains fail: it switches off at once, and everything on it with it.',
    },
    near: {
      severity: 'R',
      says: '{loads} on {circuit} draw up to {watts}, which is {current} of its {rated} ({share}): for hours no more than {safe} is safe.',
    },
    phaseAbove: {
      severity: 'H',
      says: 'Phase {phase} of {distribution} carries up to {current} of its {rated}: its protection trips, and {circuits} with it. Follow local codes; have licensed people do mains work.',
    },
    phaseNear: {
      severity: 'R',
      says: 'Phase {phase} of {distribution} carries up to {current} of its {rated} ({share}): for hours no more than {safe} is safe.',
    },
    reel: {
      severity: 'H',
      apart: true,
      says: '{strip} lies {how} and carries up to {watts}; so it bears {most}: it grows hot enough to burn. Follow local codes.',
    },
    lead: {
      severity: 'H',
      apart: true,
      says: 'Through the lead to {strip} up to {current} flow, and its {section} bear {bears}: it grows hot enough to burn. Follow local codes.',
    },
    inrush: {
      severity: 'R',
      apart: true,
      says: 'One switch closes {loads} at {switch} at once: for {ms} they take {inrush}, and the protection of {circuit} bears {bears} (class {class}): it may trip as the show is switched on.',
    },
  },
  find: (traced, say) => [
    ...keepersOf(traced.plan)
      .filter(({ weak }) => weak)
      .map(({ strip, title, devices, largestW, mostW }) =>
        say(
          'keeper',
          { on: 'strip', strip },
          { loads: text(things(devices.length)), circuit: text(title), watts: power(largestW), most: power(mostW) },
        ),
      ),
    ...hotReels(traced).map(({ strip, title, watts, bearsW, wound }) =>
      say(
        'reel',
        { on: 'strip', strip },
        {
          strip: text(title),
          how: text(wound ? 'wound on its reel' : 'unwound'),
          watts: power(watts),
          most: power(bearsW),
        },
      ),
    ),
    ...thinLeads(traced).map(({ strip, title, mm2, amps, bearsA }) =>
      say(
        'lead',
        { on: 'strip', strip },
        { strip: text(title), current: current(amps), section: text(sectionWords(mm2)), bears: current(bearsA) },
      ),
    ),
    ...struck(traced).map(({ on, id, title, circuit, devices, inrushA, ms, bearsA, trips }) =>
      say('inrush', on === 'strip' ? { on, strip: id } : { on, circuit: id }, {
        loads: text(things(devices.length)),
        switch: text(title),
        ms: text(`${figure(ms)}\u00A0ms`),
        inrush: current(inrushA),
        circuit: text(traced.plan.circuits[circuit]!.title),
        bears: current(bearsA),
        class: text(trips.toUpperCase()),
      }),
    ),
    ...fullPhases(traced).map(one => {
      const { phase, circuits, mostA, share: used } = fullestOf(one)
      return say(
        used > 1 ? 'phaseAbove' : 'phaseNear',
        { on: 'distribution', distribution: one.id },
        {
          phase: text(String(phase)),
          distribution: text(one.title),
          circuits: text(circuits.map(id => traced.plan.circuits[id]!.title).join(', ')),
          current: current(mostA),
          rated: current(one.ratedA),
          share: share(used),
          safe: share(SAFE_SHARE),
        },
      )
    }),
    ...traced
      .ask(circuitsFact)
      .circuits.filter(({ share: used }) => used > SAFE_SHARE)
      .map(circuit =>
        say(
          circuit.share > 1 ? 'above' : 'near',
          { on: 'circuit', circuit: circuit.id },
          {
            loads: text(circuit.loads.length === 1 ? 'What hangs' : things(circuit.loads.length)),
            circuit: text(circuit.title),
            watts: power(circuit.mostWatts),
            current: current(circuit.mostA),
            rated: current(circuit.ratedA),
            share: share(circuit.share),
            safe: share(SAFE_SHARE),
            devices: count(circuit.loads.length),
          },
        ),
      ),
  ],
  remedies: (traced, { at, says }) => {
    if (says === 'inrush') return softer(traced, at)
    if (at.on === 'strip' && says === 'lead') return thicker(traced, at.strip)
    if (at.on === 'strip') return says === 'reel' ? cooler(traced, at.strip) : offKeeper(traced.plan, at.strip)
    if (at.on === 'distribution') {
      const one = distributionsOf(traced).find(({ id }) => id === at.distribution)
      if (!one) return []
      const { circuits, mostA } = fullestOf(one)
      return relieved(traced, circuits, mostA - one.ratedA * SAFE_SHARE)
    }
    const circuit = at.on === 'circuit' ? find(traced, at.circuit) : undefined
    return circuit ? relieved(traced, [circuit.id], circuit.mostA - circuit.ratedA * SAFE_SHARE) : []
  },
})

const find = (traced: Traced, id: string): CircuitLoad | undefined =>
  traced.ask(circuitsFact).circuits.find(circuit => circuit.id === id)

const names = (plan: Plan, ids: readonly string[]): string => ids.map(id => plan.devices[id]!.name).join(', ')

/** The fewest loads of a strip, the largest first, straight into the wall beside it, so that `most` W are left on it. */
function offStrip(plan: Plan, strip: string, most: number): Proposal[] {
  const circuit = circuitOf(plan, strip)
  if (circuit === undefined) return []
  const watts = (id: string): number => largestDrawOf(plan.models[plan.devices[id]!.model]!)
  const mine = [...hangingBehind(plan, strip)]
    .filter(id => own(plan.devices, id) && plan.strips[strip]!.loads?.[id])
    .sort((a, b) => watts(b) - watts(a))
  const moved: string[] = []
  let left = stripMostW(plan, strip)
  for (const id of mine) {
    if (left <= most) break
    moved.push(id)
    left -= watts(id)
  }
  if (left > most) return []
  const draft = new Draft(plan)
  for (const id of moved) moveTo(draft, id, circuit)
  const { title } = plan.strips[strip]!
  return [{ title: `Plug ${names(plan, moved)} beside ${title}`.slice(0, 120), edits: draft.edits }]
}

const offKeeper = (plan: Plan, strip: string): Proposal[] => {
  const keeper = keepersOf(plan).find(one => one.strip === strip)
  return keeper ? offStrip(plan, strip, keeper.mostW) : []
}

/** Unwound, where it bears that; less on it. */
function cooler(traced: Traced, strip: string): Proposal[] {
  const hot = hotReels(traced).find(one => one.strip === strip)
  const { reel, title } = traced.plan.strips[strip]!
  if (!hot || !reel) return []
  const draft = new Draft(traced.plan)
  draft.set(['strips', strip, 'reel'], { woundW: reel.woundW, unwoundW: reel.unwoundW })
  const unwind =
    hot.wound && hot.watts <= reel.unwoundW
      ? [{ title: `Unwind ${title} altogether`.slice(0, 120), edits: draft.edits }]
      : []
  return [...unwind, ...offStrip(traced.plan, strip, hot.bearsW)]
}

/** A lead of the next section that bears it; less on it. */
function thicker(traced: Traced, strip: string): Proposal[] {
  const { plan } = traced
  const thin = thinLeads(traced).find(one => one.strip === strip)
  const { lead, title } = plan.strips[strip]!
  if (!thin || !lead) return []
  const mm2 = SECTIONS.find(section => leadBearsA(section) >= thin.amps)
  const draft = new Draft(plan)
  if (mm2 !== undefined) draft.set(['strips', strip, 'lead', 'mm2'], mm2)
  const lay = { title: `Lay a lead of ${mm2}\u00A0mm² to ${title}`.slice(0, 120), edits: draft.edits }
  return [...(mm2 === undefined ? [] : [lay]), ...offStrip(plan, strip, thin.bearsA * thin.volts * POWER_FACTOR)]
}

/** A strip that closes one after another; on a circuit with a switch, what strikes hardest on such a strip. */
function softer(traced: Traced, at: { readonly on: string }): Proposal[] {
  const { plan } = traced
  const id = 'strip' in at ? at.strip : 'circuit' in at ? at.circuit : undefined
  const one = struck(traced).find(closing => closing.on === at.on && closing.id === id)
  if (!one) return []
  const draft = new Draft(plan)
  if (one.on === 'strip') {
    draft.set(['strips', one.id, 'switched'], 'in-turn')
    return [{ title: `${one.title} as one that switches its outlets in turn`.slice(0, 120), edits: draft.edits }]
  }
  const moved = one.devices.map(({ device }) => device).filter(device => plan.circuits[one.id]!.loads?.[device])
  addStrip(draft, one.id, `In turn, ${one.title}`, {
    switched: 'in-turn',
    loads: Object.fromEntries(moved.map(device => [device, true as const])),
  })
  for (const device of moved) draft.set(['circuits', one.id, 'loads', device])
  return moved.length
    ? [{ title: `Plug ${names(plan, moved)} into a strip that switches in turn`.slice(0, 120), edits: draft.edits }]
    : []
}
