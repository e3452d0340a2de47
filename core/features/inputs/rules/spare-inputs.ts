import { type Port, portsOf } from '#core/catalog'
import { type Traced, isSwitcher, socketKey, socketName } from '#core/chain'
import { own } from '#core/document'
import { count, ghost, text } from '#core/kernel'
import {
  Draft,
  type Proposal,
  excessSources,
  freeInputs,
  idleSources,
  moreInputs,
  moveInput,
  rule,
} from '#core/propose'

export const spareInputs = rule({
  code: 'C10',
  about: 'Fewer spare inputs than the brief wants.',
  messages: {
    few: {
      severity: 'R',
      says: 'The brief wants {wanted} spare for late guests, and {free}: whoever comes late cannot be taken in.',
    },
    plug: {
      severity: 'R',
      says: 'The brief wants {wanted} spare for late guests who come by {plug}, and {free}; {others} for another plug: whoever comes late cannot be taken in.',
    },
  },
  find: (traced, say) => {
    const { spareInputs: wanted = 0, spareBy } = traced.plan.brief
    const free = left(traced)
    // Where sources wait already, the lack of inputs is told as that.
    if (free >= wanted || excessSources(traced).length > 0) return []
    const words = {
      wanted: text(inputs(wanted)),
      free: text(free === 0 ? 'none is free' : `${free} ${areFree(free)}`),
      missing: count(wanted - free),
    }
    const others = spareBy === undefined ? 0 : left(traced, 'any') - free
    return [
      ghost(
        'Spare inputs',
        others > 0
          ? say(
              'plug',
              { on: 'show' },
              { ...words, plug: text(PLUGS[spareBy!]), others: text(`${others} ${areFree(others)}`) },
            )
          : say('few', { on: 'show' }, words),
      ),
    ]
  },
  remedies: traced => {
    const free = left(traced)
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'spareInputs'], free === 0 ? undefined : free)
    return [
      ...makeRoom(traced),
      ...moreInputs(traced, (traced.plan.brief.spareInputs ?? 0) - free),
      {
        title: `Give up ${inputs((traced.plan.brief.spareInputs ?? 0) - free)} held free`,
        edits: draft.edits,
        givesUp: true,
      },
    ]
  },
})

const PLUGS = { hdmi: 'HDMI', sdi: 'SDI' } as const
const areFree = (n: number): string => (n === 1 ? 'is free' : 'are free')

type Plug = Traced['plan']['brief']['spareBy'] | 'any'
const fits = (plug: Plug, port: Port | undefined): boolean =>
  plug === 'any' || plug === undefined || port?.carries === plug

/** Free inputs for the plug that guests come with, less those that waiting sources will take. */
const left = (traced: Traced, plug: Plug = traced.plan.brief.spareBy): number =>
  Math.max(
    0,
    freeInputs(traced).filter(({ port }) => fits(plug, port)).length +
      reserved(traced, plug) -
      idleSources(traced).filter(({ model }) => portsOf(model, 'out').some(([, port]) => fits(plug, port))).length,
  )

/** Inputs that are kept for somebody: they are not free for others, and are spare all the same. */
const reserved = ({ chain }: Traced, plug: Plug): number =>
  [...chain.nodes.values()]
    .filter(isSwitcher)
    .flatMap(({ id, device, model }) =>
      Object.entries(device.ports ?? {}).filter(
        ([port, setting]) =>
          setting.reserved !== undefined &&
          !chain.entering.has(socketKey(id, port)) &&
          fits(plug, own(model.ports, port)),
      ),
    ).length

/** Where inputs for other plugs are free, a picture moves there from one that guests could use. */
function makeRoom(traced: Traced): Proposal[] {
  const { spareBy } = traced.plan.brief
  const others = freeInputs(traced).filter(({ port }) => !fits(spareBy, port))
  if (spareBy === undefined || others.length === 0) return []
  return [...traced.trace.wires.values()]
    .filter(({ wire, arrives }) => arrives && wire.to && isSwitcher(wire.to.node) && fits(spareBy, wire.to.port))
    .flatMap(at =>
      moveInput(traced, at, others.slice(0, 1)).map(({ title, edits }) => ({
        title: title.replace('Move it', `Move ${socketName(at.wire.to!)}\u2019s picture`).slice(0, 120),
        edits,
      })),
    )
    .slice(0, 2)
}

const inputs = (n: number): string => `${n} input${n === 1 ? '' : 's'}`
