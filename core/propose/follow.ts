import { type LinkEnd, type Look, type MacroStep, type Plan, own } from '#core/document'
import type { Draft } from './draft'

/** A cable that goes from one input to another. */
interface Moved {
  readonly from: LinkEnd
  readonly to: LinkEnd
}

/**
 * What is said of an input goes with the cable that moves to another input of the same switcher: looks and macros are to
 * show the same picture as before, and an output that is pointed at it too. Two that change places change it there as well.
 */
export function followInputs(draft: Draft, plan: Plan, moved: readonly Moved[]): void {
  const next = new Map(
    moved
      .filter(({ from, to }) => from.device === to.device && from.port !== to.port)
      .map(({ from, to }) => [`${from.device}/${from.port}`, to.port]),
  )
  if (next.size === 0) return
  const devices = [...new Set(moved.map(({ from }) => from.device))]
  const movedTo = (device: string, port: string | undefined): string | undefined =>
    port === undefined ? undefined : next.get(`${device}/${port}`)
  for (const [id, look] of Object.entries(plan.looks))
    for (const device of devices) inLook(draft, id, look, device, port => movedTo(device, port))
  for (const [id, { at, steps }] of Object.entries(plan.macros)) {
    const follow = (step: MacroStep): MacroStep => {
      const device = step.at ?? at
      const [input, feed] = [movedTo(device, step.input), movedTo(device, step.feed)]
      return input === undefined && feed === undefined
        ? step
        : { ...step, ...(input === undefined ? {} : { input }), ...(feed === undefined ? {} : { feed }) }
    }
    const after = steps.map(follow)
    if (after.some((step, i) => step !== steps[i])) draft.set(['macros', id, 'steps'], after)
  }
  for (const device of devices)
    for (const [port, { of }] of Object.entries(own(plan.devices, device)?.ports ?? {})) {
      const to = movedTo(device, of)
      if (to !== undefined) draft.set(['devices', device, 'ports', port, 'of'], to)
    }
}

/** By feeder: the input of the switcher behind it by which its program comes there. */
export type LinksOf = ReadonlyMap<string, LinkEnd>

/**
 * Pictures that go to another switcher of a chain: a look that has one on program, at the switcher that it left, has it
 * there by the feeder that it went to; and one that had it by a feeder has it straight. Where a look has that feeder at
 * work for something else, it is left as it is. `before` and `after`: how the feeders lead on.
 */
export function followAcross(
  draft: Draft,
  plan: Plan,
  moved: readonly Moved[],
  { before, after }: { readonly before: LinksOf; readonly after: LinksOf },
): void {
  for (const [id, look] of Object.entries(plan.looks))
    for (const { from, to } of moved) {
      if (from.device === to.device) continue
      const [was, link] = [before.get(from.device), after.get(to.device)]
      const at = (device: string) => own(look.program, device)
      if (link?.device === from.device && at(from.device) === from.port) {
        const feeder = at(to.device)
        if (feeder !== undefined && feeder !== to.port) continue
        draft.set(['looks', id, 'program', from.device], link.port)
        if (feeder === undefined) draft.set(['looks', id, 'program', to.device], to.port)
      } else if (was?.device === to.device && at(from.device) === from.port && at(to.device) === was.port)
        draft.set(['looks', id, 'program', to.device], to.port)
    }
}

function inLook(
  draft: Draft,
  id: string,
  look: Look,
  device: string,
  movedTo: (port: string | undefined) => string | undefined,
): void {
  for (const field of ['program', 'preview'] as const) {
    const to = movedTo(own(look[field], device))
    if (to !== undefined) draft.set(['looks', id, field, device], to)
  }
  const sound = own(look.sound, device)
  if (sound && Object.keys(sound).some(port => movedTo(port) !== undefined))
    draft.set(
      ['looks', id, 'sound', device],
      Object.fromEntries(Object.entries(sound).map(([port, opening]) => [movedTo(port) ?? port, opening])),
    )
  for (const [port, pointed] of Object.entries(own(look.outputs, device) ?? {})) {
    const to = movedTo(pointed)
    if (to !== undefined) draft.set(['looks', id, 'outputs', device, port], to)
  }
}
