import { MODELS, type Model, portsOf } from '#core/catalog'
import { type Traced, type WireTrace, accepts } from '#core/chain'
import { radioMarginDb } from '#core/signal'
import { Draft } from './draft'
import { swapReceivers } from './receivers'
import type { Proposal } from './rule'
import { shortTitle } from './ways'

export const isRadio = ({ kind }: Pick<Model, 'kind'>): boolean => kind === 'radio'

/** Other radio links of the catalogue with the same plugs that carry what arrives; the cables stay. */
export function swapRadio({ plan }: Traced, { wire, signal }: WireTrace, most = 2): Proposal[] {
  const to = wire.to!
  const now = to.node
  const outs = portsOf(now.model, 'out')
  return [...MODELS]
    .flatMap(([id, row]): [string, Model][] => {
      const input = row.ports[to.portId]
      if (
        !isRadio(row) ||
        row.from === now.model.from ||
        input?.connector !== to.port!.connector ||
        input.carries !== to.port!.carries
      )
        return []
      const alike = outs.every(
        ([out, port]) => row.ports[out]?.connector === port.connector && row.ports[out]?.carries === port.carries,
      )
      const reaches = !now.device.air || !row.radio || radioMarginDb(row.radio, now.device.air) >= 0
      return alike && reaches && !accepts({ ...now, model: row }, input, signal!.format) ? [[id, row]] : []
    })
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
    .slice(0, most)
    .map(([id, row]) => {
      const draft = new Draft(plan)
      draft.set(['devices', now.id, 'model'], draft.model(id))
      swapReceivers(draft, now, row)
      return {
        title: `Use another link: ${shortTitle(row.title)}, ${row.title.split(', ').slice(2).join(', ')}`.slice(0, 120),
        edits: draft.edits,
      }
    })
}
