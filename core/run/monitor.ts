/** What one sink showed, frame by frame, as trees without the age of their sources. */
export interface Watched {
  readonly sink: string
  readonly frames: readonly string[]
}

export interface Wrong {
  readonly sink: string
  /** Index of the first wrong frame, and how many there are in all. */
  readonly first: number
  readonly frames: number
}

/**
 * Frames in which a sink shows neither its old picture nor its new one, or its old one again after the new. Knows
 * nothing of plans or switchers: it reads what was shown.
 */
export function wrongFrames(watched: readonly Watched[], old: readonly string[], next: readonly string[]): Wrong[] {
  return watched.flatMap(({ sink, frames }, i): Wrong[] => {
    let arrived = false
    let first = -1
    let count = 0
    frames.forEach((tree, at) => {
      const isNew = tree === next[i]
      const right = isNew || (tree === old[i] && !arrived)
      if (isNew && next[i] !== old[i]) arrived = true
      if (right) return
      if (first < 0) first = at
      count++
    })
    return count ? [{ sink, first, frames: count }] : []
  })
}
