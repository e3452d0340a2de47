import type { Region } from './pixels'
import { type Graphic, meant } from './graphic'

/** Codes of brightness by which neighbours differ at the edge of a letter. */
const STEP = 48
/** Gaps within a line of words, and between the strokes of a letter, as shares of the picture's height. */
const [GAP_ACROSS, GAP_DOWN] = [0.028, 0.006]
/** A line of words is so high, a share of the picture's height, and longer than high. */
const [LEAST_HIGH, MOST_HIGH] = [0.012, 0.4]
const MOST_LINES = 40

/**
 * Where lines of words may be: places with many steps of brightness beside each other, joined over the gaps within a
 * line. A proposal that somebody confirms; drawn things with as many edges are taken for words.
 */
export function wordLines(graphic: Graphic): Region[] {
  const { width, height } = graphic
  const edges = edgesOf(graphic)
  const joined = spread(
    spread(edges, width, height, Math.round(GAP_ACROSS * height), 1),
    width,
    height,
    Math.max(1, Math.round(GAP_DOWN * height)),
    width,
  )
  const seen = new Uint8Array(joined.length)
  const lines: Region[] = []
  for (let p = 0; p < joined.length; p++) {
    if (!joined[p] || seen[p]) continue
    const region = grown(joined, seen, width, height, p)
    for (const line of region ? parted(region, edges, width, height) : []) {
      const [w, h] = [line.right - line.left, line.bottom - line.top]
      if (h >= LEAST_HIGH * height && h <= MOST_HIGH * height && w > 1.2 * h) lines.push(line)
    }
  }
  return inLines(lines).slice(0, MOST_LINES)
}

/** Between words of one line there is less room than this share of its height. */
const SPACE = 0.6

/** Words beside each other as one line; lines from above, from the left. */
function inLines(words: readonly Region[]): Region[] {
  const lines: Region[] = []
  for (const word of [...words].sort((a, b) => a.left - b.left)) {
    const high = word.bottom - word.top
    const at = lines.findIndex(
      line =>
        Math.min(line.bottom, word.bottom) - Math.max(line.top, word.top) >
          0.6 * Math.min(high, line.bottom - line.top) && word.left - line.right < SPACE * high,
    )
    const line = lines[at]
    if (line)
      lines[at] = {
        left: Math.min(line.left, word.left),
        top: Math.min(line.top, word.top),
        right: Math.max(line.right, word.right),
        bottom: Math.max(line.bottom, word.bottom),
      }
    else lines.push(word)
  }
  return lines.sort((a, b) => a.top - b.top || a.left - b.left)
}

function edgesOf(graphic: Graphic): Uint8Array {
  const { y, truth } = meant(graphic)
  const { width, height } = graphic
  const edges = new Uint8Array(y.length)
  for (let row = 0; row < height; row++)
    for (let x = 1; x < width; x++) {
      const p = row * width + x
      // The outline of a plate is one step; letters have many, inside of what is solid.
      if (truth[p]! > 127 && truth[p - 1]! > 127 && Math.abs(y[p]! - y[p - 1]!) >= STEP) edges[p] = 1
    }
  // Letters without a plate: their outline against what is clear, where it turns back within a stroke's width.
  const stroke = Math.max(2, Math.round(0.03 * height))
  for (let row = 0; row < height; row++) {
    let from = -1
    for (let x = 0; x <= width; x++) {
      const solid = x < width && truth[row * width + x]! > 127
      if (solid && from < 0) from = x
      if (!solid && from >= 0) {
        if (x - from <= stroke && from > 0 && x < width) edges[row * width + from] = edges[row * width + x - 1] = 1
        from = -1
      }
    }
  }
  return edges
}

/** Fills gaps of at most so many pixels along one direction: 1 across, the width down. */
function spread(from: Uint8Array, width: number, height: number, gap: number, along: number): Uint8Array {
  const to = from.slice()
  const [lines, length] = along === 1 ? [height, width] : [width, height]
  for (let line = 0; line < lines; line++) {
    const start = along === 1 ? line * width : line
    let last = -Infinity
    for (let i = 0; i < length; i++) {
      if (!from[start + i * along]) continue
      if (i - last <= gap) for (let j = last + 1; j < i; j++) to[start + j * along] = 1
      last = i
    }
  }
  return to
}

/** The rectangle around what hangs together. */
function grown(joined: Uint8Array, seen: Uint8Array, width: number, height: number, start: number): Region {
  const open = [start]
  seen[start] = 1
  let [left, top, right, bottom] = [width, height, 0, 0]
  for (let p = open.pop(); p !== undefined; p = open.pop()) {
    const [x, y] = [p % width, Math.floor(p / width)]
    ;[left, right, top, bottom] = [Math.min(left, x), Math.max(right, x), Math.min(top, y), Math.max(bottom, y)]
    for (const q of [x > 0 ? p - 1 : -1, x < width - 1 ? p + 1 : -1, p - width, p + width])
      if (q >= 0 && q < joined.length && joined[q] && !seen[q]) {
        seen[q] = 1
        open.push(q)
      }
  }
  return { left, top, right: right + 1, bottom: bottom + 1 }
}

/** Rows with fewer edges than this share of the fullest one lie between lines. */
const BETWEEN = 0.08

/** Lines above each other, which a bar beside them may hold together, each with a little room around it. */
function parted({ left, top, right, bottom }: Region, edges: Uint8Array, width: number, height: number): Region[] {
  const rows = Array.from({ length: bottom - top }, (_, i) => {
    let count = 0
    for (let x = left; x < right; x++) count += edges[(top + i) * width + x]!
    return count
  })
  const least = BETWEEN * rows.reduce((most, count) => Math.max(most, count), 0)
  const gap = Math.max(1, Math.round(GAP_DOWN * height))
  const runs: { from: number; to: number; count: number }[] = []
  rows.forEach((count, i) => {
    if (count <= least) return
    const last = runs.at(-1)
    if (last && i - last.to <= gap) {
      last.to = i + 1
      last.count += count
    } else runs.push({ from: i, to: i + 1, count })
  })
  return runs.flatMap(({ from, to, count }) => {
    const high = to - from
    // Letters have several strokes in each row.
    if (count < 4 * high) return []
    const room = Math.max(3, Math.round(high * 0.2))
    return [
      {
        left: Math.max(0, left - room),
        top: Math.max(0, top + from - room),
        right: Math.min(width, right + room),
        bottom: Math.min(height, top + to + room),
      },
    ]
  })
}
