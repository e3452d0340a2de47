import { type DelayMs, type Traced, addDelay } from '#core/chain'
import { own } from '#core/document'
import { timesOf } from './sync'

/** How long whoever is far away waits for an answer: what is said here to them, and theirs back. */
export interface Talk {
  /** Who is far away, and where they are heard here. */
  readonly guest: string
  readonly name: string
  readonly at: string
  readonly there: DelayMs
  readonly back: DelayMs
  readonly round: DelayMs
  /** Slower than somebody can be directed by, typically. */
  readonly slow: boolean
}

/** Directing by what comes back gets hard from about so long, ms. */
export const SLOW_MS = 1000

/**
 * There and back for everybody who comes from afar and has a return here: by what they hear, or, where nothing is heard,
 * by what they see; back at the latest of the rooms and screens where they are seen or heard.
 */
export function talksOf(traced: Traced): Talk[] {
  const times = timesOf(traced)
  const isReturn = (device: string): boolean => own(traced.plan.devices, device)?.in !== undefined
  return times.flatMap(({ device, pictures, sounds }): Talk[] => {
    const guest = own(traced.plan.devices, device)?.in
    if (guest === undefined || traced.chain.nodes.get(guest)?.model.role !== 'source') return []
    const there = latest((sounds.length ? sounds : pictures).map(({ total }) => total))
    const back = times
      .filter(one => !isReturn(one.device) && (one.kind === 'screen' || one.kind === 'projector'))
      .flatMap(one => [
        ...one.sounds.filter(({ origin }) => origin === guest).map(({ total }) => ({ at: one.name, total })),
        ...one.pictures.filter(({ source }) => source === guest).map(({ total }) => ({ at: one.name, total })),
      ])
      .reduce<{ at: string; total: DelayMs } | undefined>(
        (a, b) => (a && a.total.typ >= b.total.typ ? a : b),
        undefined,
      )
    if (!there || !back) return []
    const round = addDelay(there, back.total)
    const name = traced.plan.devices[guest]!.name
    return [{ guest, name, at: back.at, there, back: back.total, round, slow: round.typ > SLOW_MS }]
  })
}

const latest = (all: readonly DelayMs[]): DelayMs | undefined =>
  all.reduce<DelayMs | undefined>((a, b) => (a && a.typ >= b.typ ? a : b), undefined)
