import type { CableModel } from '#core/cable'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type KitLine, type Traced, kitLines, lengthOf } from '#core/chain'
import { count, ghost, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { moneyText } from '#core/words'

export const kitShort = rule({
  code: 'C15',
  about: 'The plan uses more of an item than the kit list holds.',
  messages: {
    short: {
      severity: 'R',
      says: 'The plan uses {needed} of {item}, and the kit list holds {there}: {missing} will be missing in the van.',
    },
  },
  find: (traced, say) =>
    lacking(traced).map(line =>
      ghost(
        `Kit: ${line.pieceM === undefined ? '' : `${line.pieceM} m `}${line.short}`,
        say(
          'short',
          { on: 'kit', item: line.item! },
          {
            item: text(named(line)),
            needed: count(line.needed),
            there: count(line.needed - line.missing),
            missing: count(line.missing),
          },
        ),
      ),
    ),
  remedies: (traced, { at }) => {
    const line = lacking(traced).find(({ item }) => at.on === 'kit' && item === at.item)
    if (!line) return []
    const currency = traced.plan.brief.currency ?? CATALOGUE_CURRENCY
    const raise = (field: 'hired' | 'bought', verb: string, minor: number): Proposal => {
      const draft = new Draft(traced.plan)
      draft.set(['kit', line.item!, field], line[field] + line.missing)
      return { title: `${verb} ${line.missing} more: ${moneyText(minor * line.missing, currency)}`, edits: draft.edits }
    }
    return [...useAnother(traced, line), raise('hired', 'Hire', line.hireMinor), raise('bought', 'Buy', line.minor)]
  },
})

const lacking = ({ plan }: Traced): KitLine[] =>
  Object.keys(plan.kit).length === 0 ? [] : kitLines(plan).filter(line => line.item !== undefined && line.missing > 0)
const named = ({ title, pieceM }: KitLine): string => (pieceM === undefined ? title : `${pieceM} m ${title}`)

/** The next longer piece of the same cable that lies idle in the kit. */
function useAnother({ plan }: Traced, line: KitLine): Proposal[] {
  if (line.pieceM === undefined || line.missing > 1) return []
  const longer = kitLines(plan)
    .filter(
      other =>
        other.kind === 'lead' &&
        other.id === line.id &&
        (other.pieceM ?? 0) > line.pieceM! &&
        other.there > other.needed,
    )
    .sort((a, b) => a.pieceM! - b.pieceM!)[0]
  const using = Object.entries(plan.links).find(
    ([, link]) =>
      link.cable === line.id && lengthOf(plan.leads[link.cable] as CableModel, link).pieces?.includes(line.pieceM!),
  )
  if (!longer || !using) return []
  const [id, link] = using
  const pieces = [...lengthOf(plan.leads[link.cable] as CableModel, link).pieces!]
  pieces[pieces.indexOf(line.pieceM)] = longer.pieceM!
  const draft = new Draft(plan)
  draft.set(['links', id, 'pieces'], pieces)
  return [{ title: `Use a ${longer.pieceM} m piece that is in the kit`, edits: draft.edits }]
}
