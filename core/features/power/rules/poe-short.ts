import { MODELS, portsOf } from '#core/catalog'
import { type Traced, deviceName, socketKey } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure } from '#core/words'
import { CLASSES, type Fed, type PoeSwitch, poeOf } from '../poe'

const watts = (value: number): string => `${figure(value)}\u00A0W`

interface Weak {
  readonly at: PoeSwitch
  readonly fed: Fed
}
const weak = (traced: Traced): Weak[] =>
  poeOf(traced).switches.flatMap(at => at.fed.filter(({ holds }) => !holds).map(fed => ({ at, fed })))

export const poeClass = rule({
  code: 'P02',
  about: 'A device is fed over its network lead by a socket that does not give enough, or by none.',
  messages: {
    weak: {
      severity: 'D',
      says: '{device} asks for class {asks} and draws {draw}; the socket of {switch} gives class {gives}, {there} at its end: it does not start.',
    },
    far: {
      severity: 'D',
      says: '{device} draws {draw} at the end of {metres} of lead from {switch}, more than a lead of that length brings: it does not start.',
    },
    none: {
      severity: 'D',
      says: '{device} is to be fed over its network lead, and nothing at the other end feeds: it stays off.',
    },
  },
  find: (traced, say) => [
    ...weak(traced).map(({ at, fed }) =>
      say(
        fed.asks <= fed.gives && fed.drawW === undefined ? 'far' : 'weak',
        { on: 'device', device: fed.device },
        {
          device: text(fed.name),
          asks: text(String(fed.asks)),
          gives: text(String(fed.gives)),
          draw: text(watts(fed.watts)),
          there: text(watts(CLASSES[fed.gives - 1]!.deviceW)),
          switch: text(at.name),
          metres: text(`${figure(fed.metres)}\u00A0m`),
        },
        runOf(traced, fed.device),
      ),
    ),
    ...poeOf(traced).unfed.map(({ id, device }) =>
      say('none', { on: 'device', device: id }, { device: text(device.name) }, runOf(traced, id)),
    ),
  ],
  remedies: (traced, { at, says }) => {
    if (at.on !== 'device') return []
    const supply = new Draft(traced.plan)
    supply.set(['devices', at.device, 'fed'], 'supply')
    return [
      ...(says === 'far' ? [] : otherSocket(traced, at.device)),
      ...(says === 'none' ? [] : injected(traced, at.device)),
      { title: `Feed ${deviceName(traced, at.device)} by a supply of its own`.slice(0, 120), edits: supply.edits },
    ]
  },
})

const runOf = ({ runs }: Traced, device: string): string | undefined =>
  runs.find(({ origin, end }) => origin?.device === device || end?.device === device)?.id

const asksOf = ({ chain }: Traced, device: string): number | undefined => {
  const row = Object.values(chain.nodes.get(device)!.model.ports).find(({ poe }) => poe && 'takes' in poe)
  return row?.poe && 'takes' in row.poe ? row.poe.takes : undefined
}
/** The lead that enters the socket by which a device could be fed. */
function leadOf({ chain }: Traced, device: string) {
  const node = chain.nodes.get(device)!
  const port = portsOf(node.model, 'in').find(([, { poe }]) => poe && 'takes' in poe)?.[0]
  return port === undefined ? undefined : (chain.entering.get(socketKey(device, port)) ?? [])[0]
}

/** A free socket in the plan that gives its class; the lead moves there. */
function otherSocket(traced: Traced, device: string): Proposal[] {
  const [asks, lead] = [asksOf(traced, device), leadOf(traced, device)]
  if (asks === undefined || !lead) return []
  return poeOf(traced)
    .switches.flatMap(at => {
      const node = traced.chain.nodes.get(at.device)!
      const room = at.budgetW - at.bookedW >= CLASSES[asks - 1]!.switchW
      return room
        ? portsOf(node.model, 'out')
            .filter(
              ([port, { poe }]) =>
                poe &&
                'gives' in poe &&
                poe.gives >= asks &&
                !traced.chain.leaving.get(socketKey(at.device, port))?.length,
            )
            .slice(0, 1)
            .map(([port, row]): Proposal => {
              const draft = new Draft(traced.plan)
              draft.move(lead.id, 'from', { device: at.device, port })
              return { title: `Plug its lead into ${at.name} ${row.title}`.slice(0, 120), edits: draft.edits }
            })
        : []
    })
    .slice(0, 2)
}

/** An injector right behind the socket that the lead comes from. */
function injected(traced: Traced, device: string): Proposal[] {
  const [asks, lead] = [asksOf(traced, device), leadOf(traced, device)]
  const row = MODELS.get('injector-poe')!
  const out = Object.values(row.ports).find(({ poe }) => poe && 'gives' in poe)
  if (asks === undefined || !lead?.link.from || !out?.poe || !('gives' in out.poe) || out.poe.gives < asks) return []
  const draft = new Draft(traced.plan)
  const box = draft.device({
    model: draft.model('injector-poe'),
    name: `Injector, ${deviceName(traced, device)}`.slice(0, 120),
    order: draft.lastOrder,
  })
  const from = lead.link.from
  draft.move(lead.id, 'from', { device: box, port: 'out-2' })
  draft.connect({ from, to: { device: box, port: 'in' }, cable: draft.lead('control-network'), pieces: [1] })
  return [{ title: `Put in an injector before ${deviceName(traced, device)}`.slice(0, 120), edits: draft.edits }]
}

const over = (traced: Traced): PoeSwitch[] => poeOf(traced).switches.filter(({ bookedW, budgetW }) => bookedW > budgetW)

export const poeBudget = rule({
  code: 'P03',
  about: 'What a network switch feeds over its sockets is more than it has.',
  messages: {
    over: {
      severity: 'D',
      says: '{switch} feeds {devices} with {booked} {by}, and has {budget}: the last to ask stay off.',
    },
  },
  find: (traced, say) =>
    over(traced).map(at =>
      say(
        'over',
        { on: 'device', device: at.device },
        {
          switch: text(at.name),
          devices: text(at.fed.length === 1 ? 'one device' : `${at.fed.length} devices`),
          booked: text(watts(at.bookedW)),
          by: text(at.by === 'class' ? 'booked by class' : 'by their draw'),
          budget: text(watts(at.budgetW)),
        },
        at.fed[0] && runOf(traced, at.fed[0].device),
      ),
    ),
  remedies: (traced, { at }) => {
    const one = at.on === 'device' ? over(traced).find(({ device }) => device === at.device) : undefined
    if (!one) return []
    // The heaviest first: as few as bring it below.
    const heavy = [...one.fed].sort((a, b) => b.asks - a.asks || b.watts - a.watts)
    const off: Fed[] = []
    let booked = one.bookedW
    for (const fed of heavy) {
      if (booked <= one.budgetW) break
      booked -= one.by === 'class' ? CLASSES[Math.min(fed.asks, fed.gives) - 1]!.switchW : (fed.drawW ?? fed.watts)
      off.push(fed)
    }
    const supply = new Draft(traced.plan)
    for (const { device } of off) supply.set(['devices', device, 'fed'], 'supply')
    const inject = off.flatMap(({ device }) => injected(traced, device))
    const names = off.map(({ name }) => name).join(', ')
    return [
      ...(off.length === 1 ? inject : []),
      { title: `Feed ${names} by a supply of its own`.slice(0, 120), edits: supply.edits },
    ]
  },
})
