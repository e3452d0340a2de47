import { type Edit, type Plan, own } from '#core/document'

// In which order a technician would try: a setting, a lead that is there, a lead to buy, a box, another device, another
// standard for all, another demand.

export const MERITS = [
  'setting',
  'owned lead',
  'bought lead',
  'box',
  'other device',
  'other standard',
  'other demand',
] as const
export type Merit = (typeof MERITS)[number]

const BOXES = new Set(['way', 'sound'])

/** What a change asks of those who make it: the gravest thing in it, and how many devices come. */
export function meritOf(plan: Plan, edits: readonly Edit[]): { readonly merit: Merit; readonly devices: number } {
  let gravest = 0
  let devices = 0
  const is = (merit: Merit) => (gravest = Math.max(gravest, MERITS.indexOf(merit)))
  const models: Record<string, { readonly role?: string }> = { ...plan.models }
  const roleOf = (device: string) => own(plan.models, own(plan.devices, device)?.model ?? '')?.role ?? ''
  const known = new Set(Object.keys(plan.devices))
  for (const edit of edits) {
    if (edit.do === 'add' && edit.collection === 'models') models[edit.id] = edit.value
    if (edit.do === 'add' && edit.collection === 'devices') {
      devices += 1
      is(BOXES.has(own(models, edit.value.model)?.role ?? '') ? 'box' : 'other device')
    }
    if (edit.do === 'connect')
      is(known.has(edit.link.from?.device ?? '') && owns(plan, edit.link) ? 'owned lead' : 'bought lead')
    if (edit.do === 'set' && edit.at[0] === 'wants') is('other demand')
    if (edit.do === 'set' && edit.at[0] === 'devices') {
      const field = (edit.at as readonly string[])[2]
      if (field === 'standard') is('other standard')
      if (field === 'model') is(BOXES.has(roleOf(edit.at[1]!)) ? 'box' : 'other device')
    }
  }
  return { merit: MERITS[gravest]!, devices }
}

/** The kit has such a lead, in a length that is laid. */
const owns = (plan: Plan, { cable, pieces }: Extract<Edit, { do: 'connect' }>['link']): boolean =>
  Object.values(plan.kit).some(
    ({ kind, id, pieceM, owned }) =>
      kind === 'lead' && id === cable && owned > 0 && (pieceM === undefined || !pieces || pieces.includes(pieceM)),
  )

/**
 * A change with its sockets by kind in place of by name: two that differ only in which of several alike sockets they take
 * are one.
 */
export function kindOfChange(plan: Plan, edits: readonly Edit[]): string {
  const sockets = (device: string, port: string): string => {
    const model = own(plan.models, own(plan.devices, device)?.model ?? '')
    const row = model && own(model.ports, port)
    if (!row || model.role === 'source') return `${device}/${port}`
    const { title: _, number: __, ...kind } = row
    return `${device}/${JSON.stringify(kind)}/${JSON.stringify(own(own(plan.devices, device)!.ports, port) ?? {})}`
  }
  const end = (at: { readonly device: string; readonly port: string } | undefined) => at && sockets(at.device, at.port)
  return JSON.stringify(
    edits.map(edit => {
      if (edit.do === 'connect')
        return { ...edit, id: '', link: { ...edit.link, from: end(edit.link.from), to: end(edit.link.to) } }
      if (edit.do === 'move') return { ...edit, to: end(edit.to) }
      if (edit.do === 'set' && edit.at[0] === 'devices' && (edit.at as readonly string[])[2] === 'ports' && edit.at[3])
        return { ...edit, at: [edit.at[1], sockets(edit.at[1]!, edit.at[3]), ...edit.at.slice(4)] }
      return edit
    }),
  )
}

/** True where a later change undoes or overrules an earlier one: "a thick coax, and fibre" is fibre. */
export function overrules(earlier: readonly Edit[], later: readonly Edit[]): boolean {
  const laid = new Set(earlier.flatMap(edit => (edit.do === 'connect' || edit.do === 'move' ? [edit.id] : [])))
  const set = new Set(earlier.flatMap(edit => (edit.do === 'set' ? [edit.at.join('/')] : [])))
  const added = new Set(earlier.flatMap(edit => (edit.do === 'add' ? [edit.id] : [])))
  const said = new Set(earlier.flatMap(edit => (edit.do === 'set' && edit.at[0] === 'links' ? [edit.at[1]] : [])))
  return later.some(edit => {
    if (edit.do === 'disconnect') return laid.has(edit.id) || said.has(edit.id)
    if (edit.do === 'move') return laid.has(edit.id)
    if (edit.do === 'remove') return added.has(edit.id)
    return edit.do === 'set' && set.has(edit.at.join('/'))
  })
}
