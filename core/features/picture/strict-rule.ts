import {
  type Socket,
  type Traced,
  type WireTrace,
  isSwitcher,
  runWith,
  socketName,
  stoppedBy,
  wireAt,
} from '#core/chain'
import { duration, text } from '#core/kernel'
import {
  type Proposal,
  freeSockets,
  moveInput,
  offerWays,
  otherStandards,
  type Rule,
  rule,
  setSender,
  swapSource,
  throughDevices,
  waysFor,
} from '#core/propose'
import { format, sameFormat, slipSeconds } from '#core/signal'
import { differenceWords, strictFault } from './strict'

interface StrictRule {
  readonly about: string
  readonly says: string
  readonly offers: (traced: Traced, at: WireTrace) => Proposal[]
}

type StrictId = ReturnType<typeof strictFault>

/** The five faults of a strict input share how they are found; they differ in sentence and remedies. */
export function strictRule(id: StrictId, { about, says, offers }: StrictRule): Rule {
  return rule({
    code: id,
    about,
    messages: { stopped: { severity: 'D', says } },
    find: (traced, say) =>
      stoppedBy(traced, 'standard')
        .filter(at => strictFault(traced, at) === id)
        .map(at => {
          const { wire, signal, stop } = at
          return say(
            'stopped',
            { on: 'link', link: wire.id, part: 'to' },
            {
              sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
              input: text(socketName(wire.to!)),
              sends: format(stop.sends),
              standard: format(stop.standard),
              difference: text(differenceWords(stop.sends, stop.standard)),
              slip: duration(slipSeconds(stop.sends.rate, stop.standard.rate)),
            },
            runWith(traced, wire.id)?.id,
          )
        }),
    remedies: (traced, found) => {
      const at = wireAt(traced, found)
      return at ? offers(traced, at) : []
    },
  })
}

/** Free inputs of the same kind that bring a scaler of their own. */
function normalisingInputs(traced: Traced, at: WireTrace): Socket[] {
  return [...traced.chain.nodes.values()]
    .filter(isSwitcher)
    .flatMap(switcher => freeSockets(traced, switcher, 'in'))
    .filter(({ port }) => Array.isArray(port?.takes) && port.carries === at.wire.to?.port?.carries)
}

const settled = (traced: Traced, at: WireTrace): Proposal[] => [
  ...moveInput(traced, at, normalisingInputs(traced, at)).slice(0, 1),
  ...offerWays(traced, at, throughDevices(waysFor(traced, at)), 2),
  ...otherStandards(traced, at.wire.to!.node.id, { first: at.signal!.format }),
]

/** What is offered, best first. */
export const formatTo = {
  anything: (traced: Traced, at: WireTrace): Proposal[] => [
    ...setSender(traced, at, [at.wire.to!.node.standard!]),
    ...settled(traced, at),
  ],
  withoutSetting: (traced: Traced, at: WireTrace): Proposal[] => [...settled(traced, at), ...swapSource(traced, at)],
  betweenSwitchers: (traced: Traced, at: WireTrace): Proposal[] => [
    ...otherStandards(traced, at.signal!.setBy.device, {
      only: candidate => sameFormat(candidate, at.wire.to!.node.standard!),
    }),
    ...settled(traced, at),
  ],
} as const
