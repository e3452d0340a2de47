import { count } from '../finding'
import { idleSources, inputsAreFull, moreInputs } from '../grow'
import { freeInputs } from '../offers'
import { finding, ghost, type Rule, type Traced } from '../rule'
import { isStage, socketKey } from '#core/chain'
import { Draft } from '#core/ways'

export const C10: Rule = {
  id: 'C10',
  about: 'Fewer spare inputs than the brief wants.',
  says: { few: 'The brief wants {wanted} spare for late guests, and {free}: whoever comes late cannot be taken in.' },
  find: (traced) => {
    const wanted = traced.plan.brief.spareInputs ?? 0
    const free = left(traced)
    // Where sources wait already, the lack of inputs is told as that.
    if (free >= wanted || inputsAreFull(traced)) return []
    return [ghost('Spare inputs', finding('C10', 'R', { on: 'show' }, 'few', { wanted: { is: 'text', text: inputs(wanted) }, free: { is: 'text', text: free === 0 ? 'none is free' : `${free} ${free === 1 ? 'is' : 'are'} free` }, missing: count(wanted - free) }))]
  },
  remedies: (traced) => {
    const free = left(traced)
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'spareInputs'], free === 0 ? undefined : free)
    return [...moreInputs(traced), { title: `Give up ${inputs((traced.plan.brief.spareInputs ?? 0) - free)} held free`, edits: draft.edits, givesUp: true }]
  },
}

/** Free inputs less those that waiting sources will take. */
const left = (traced: Traced): number => Math.max(0, freeInputs(traced).length + reserved(traced) - idleSources(traced).length)

/** Inputs that are kept for somebody: they are not free for others, and are spare all the same. */
const reserved = ({ chain }: Traced): number => [...chain.nodes.values()].filter(isStage).flatMap(({ id, device }) =>
  Object.entries(device.ports ?? {}).filter(([port, setting]) => setting.reserved !== undefined && !chain.entering.has(socketKey(id, port)))).length

const inputs = (n: number): string => `${n} input${n === 1 ? '' : 's'}`
