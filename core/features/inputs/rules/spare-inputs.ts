import { type Traced, isSwitcher, socketKey } from '#core/chain'
import { count, ghost } from '#core/kernel'
import { Draft, freeInputs, idleSources, inputsAreFull, moreInputs, rule } from '#core/propose'

export const spareInputs = rule({
  code: 'C10',
  about: 'Fewer spare inputs than the brief wants.',
  messages: {
    few: {
      severity: 'R',
      says: 'The brief wants {wanted} spare for late guests, and {free}: whoever comes late cannot be taken in.',
    },
  },
  find: (traced, say) => {
    const wanted = traced.plan.brief.spareInputs ?? 0
    const free = left(traced)
    // Where sources wait already, the lack of inputs is told as that.
    if (free >= wanted || inputsAreFull(traced)) return []
    return [
      ghost(
        'Spare inputs',
        say(
          'few',
          { on: 'show' },
          {
            wanted: { is: 'text', text: inputs(wanted) },
            free: { is: 'text', text: free === 0 ? 'none is free' : `${free} ${free === 1 ? 'is' : 'are'} free` },
            missing: count(wanted - free),
          },
        ),
      ),
    ]
  },
  remedies: traced => {
    const free = left(traced)
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'spareInputs'], free === 0 ? undefined : free)
    return [
      ...moreInputs(traced),
      {
        title: `Give up ${inputs((traced.plan.brief.spareInputs ?? 0) - free)} held free`,
        edits: draft.edits,
        givesUp: true,
      },
    ]
  },
})

/** Free inputs less those that waiting sources will take. */
const left = (traced: Traced): number =>
  Math.max(0, freeInputs(traced).length + reserved(traced) - idleSources(traced).length)

/** Inputs that are kept for somebody: they are not free for others, and are spare all the same. */
const reserved = ({ chain }: Traced): number =>
  [...chain.nodes.values()]
    .filter(isSwitcher)
    .flatMap(({ id, device }) =>
      Object.entries(device.ports ?? {}).filter(
        ([port, setting]) => setting.reserved !== undefined && !chain.entering.has(socketKey(id, port)),
      ),
    ).length

const inputs = (n: number): string => `${n} input${n === 1 ? '' : 's'}`
