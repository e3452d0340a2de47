import type { Traced } from '#core/chain'
import { type Clip, type Macro, own } from '#core/document'
import { type VideoFormat, formatLabel } from '#core/signal'

/** The clips of one player in the order of its list. */
export interface PlayerClips {
  readonly player: string
  readonly name: string
  readonly clips: readonly (readonly [id: string, clip: Clip])[]
  /** The format that most of them have, of those of which it is known; the first of equals. */
  readonly usual: VideoFormat | undefined
  /** Those that have another. */
  readonly odd: readonly string[]
  /** Media that they lie on, with what each holds and would have to hold, GB. */
  readonly media: readonly {
    readonly id: string
    readonly title: string
    readonly gb: number
    readonly usedGb: number
    /** Time to copy them onto it, s; absent, nobody measured how fast it writes. */
    readonly copyS: number | undefined
  }[]
}

const byOrder = ([a, x]: readonly [string, Clip], [b, y]: readonly [string, Clip]): number =>
  (x.index ?? Infinity) - (y.index ?? Infinity) || x.order - y.order || (a < b ? -1 : 1)

export function playersOf({ plan }: Pick<Traced, 'plan'>): PlayerClips[] {
  const players = [...new Set(Object.values(plan.clips).map(({ player }) => player))].sort()
  return players.map(player => {
    const clips = Object.entries(plan.clips)
      .filter(([, clip]) => clip.player === player)
      .sort(byOrder)
    const counts = new Map<string, number>()
    for (const [, { format }] of clips)
      if (format) counts.set(formatLabel(format), (counts.get(formatLabel(format)) ?? 0) + 1)
    const most = Math.max(0, ...counts.values())
    const usual = clips.find(([, { format }]) => format && counts.get(formatLabel(format)) === most)?.[1].format
    return {
      player,
      name: own(plan.devices, player)?.name ?? player,
      clips,
      usual,
      odd: clips.flatMap(([id, { format }]) =>
        format && usual && formatLabel(format) !== formatLabel(usual) ? [id] : [],
      ),
      media: Object.entries(plan.media)
        .filter(([id]) => clips.some(([, { medium }]) => medium === id))
        .map(([id, { title, gb, writeMBs }]) => {
          const usedGb = clips.reduce((sum, [, clip]) => sum + (clip.medium === id ? (clip.gb ?? 0) : 0), 0)
          return { id, title, gb, usedGb, copyS: writeMBs === undefined ? undefined : (usedGb * 1000) / writeMBs }
        }),
    }
  })
}

/** Steps of macros that call a clip by a number at which another stands by now, or none. */
export interface Stale {
  readonly macro: string
  readonly step: number
  readonly clip: string
  readonly called: number
  /** The clip that stands there. */
  readonly there: string | undefined
}

export function staleCalls({ plan }: Pick<Traced, 'plan'>): Stale[] {
  return Object.entries(plan.macros).flatMap(([macro, { steps }]: [string, Macro]) =>
    steps.flatMap((one, step): Stale[] => {
      const clip = own(plan.clips, one.clip)
      if (one.do !== 'play' || one.index === undefined || !clip || clip.index === one.index) return []
      const there = Object.entries(plan.clips).find(
        ([, { player, index }]) => player === clip.player && index === one.index,
      )?.[0]
      return [{ macro, step, clip: one.clip!, called: one.index, there }]
    }),
  )
}

/** Clips of a player that a segment plays and that lie on more than one medium, of which it reads one at a time. */
export interface Split {
  readonly segment: string
  readonly player: string
  readonly media: readonly string[]
  readonly clips: readonly string[]
}

export function splitSets({ plan }: Pick<Traced, 'plan'>): Split[] {
  return Object.keys(plan.segments).flatMap(segment => {
    const played = new Set(
      Object.values(plan.cues).flatMap(cue => {
        if (cue.segment !== segment) return []
        const macro = own(plan.macros, cue.macro)
        const fired = macro ? macro.steps.flatMap(({ clip }) => clip ?? []) : []
        return [...(cue.clip === undefined ? [] : [cue.clip]), ...fired]
      }),
    )
    const clips = [...played].flatMap((id): [string, Clip][] => {
      const clip = own(plan.clips, id)
      return clip ? [[id, clip]] : []
    })
    return [...new Set(clips.map(([, { player }]) => player))].sort().flatMap((player): Split[] => {
      const mine = clips.filter(([, clip]) => clip.player === player && clip.medium !== undefined)
      const media = [...new Set(mine.map(([, { medium }]) => medium!))].sort()
      return media.length > 1 ? [{ segment, player, media, clips: mine.map(([id]) => id) }] : []
    })
  })
}
