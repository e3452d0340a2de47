import type { Content, Device } from '#core/document'
import { write, wordWidth } from './letters'
import { type Colour, type Pixels, at, oval, plain, rect } from './pixels'

/** What a drawn test picture is made from. */
export interface Scene {
  readonly name: string
  /** What makes it: a camera sees a room, a computer a page, a player a pattern. */
  readonly kind: 'camera' | 'computer' | 'player'
  /** Gives each source of a plan a tint and a pattern of its own: 0, 1, 2 ... */
  readonly index: number
  readonly shot?: Device['shot']
  readonly content?: Content
  /** What a caption says. */
  readonly words?: string
  /** The key signal of what it shows, white where that is solid. */
  readonly asKey?: true
  /** Without its name, clock and number: what is laid over it is looked at. */
  readonly bare?: true
}

/** Height of a figure in the picture, as a share of it, by what the camera shows. */
const FIGURES: Readonly<Record<NonNullable<Device['shot']>, number>> = {
  safe: 0.3,
  wide: 0.42,
  close: 1.5,
  side: 0.6,
  floor: 0.5,
  detail: 2.4,
  audience: 0.2,
  overhead: 0.35,
  roaming: 0.75,
}

/** Hues that lie far apart for neighbours: steps of the golden angle. */
const tint = (index: number, value: number, strength: number): Colour => {
  const hue = ((index * 137.5) % 360) / 60
  const part = (n: number) => {
    const k = (n + hue) % 6
    return Math.round(255 * (value - value * strength * Math.max(0, Math.min(k, 4 - k, 1))))
  }
  return [part(5), part(3), part(1)]
}

const PAPER: Colour = [232, 226, 214]
const INK: Colour = [38, 40, 48]

/**
 * A test picture of a source, drawn: its name, a clock of the run, the frame's number as bars that can be read back, a
 * tint and pattern of its own, and for cameras a figure at the size of the planned shot. `into`: bytes that nobody needs
 * any more, which it may be drawn in.
 */
export function drawn(
  scene: Scene,
  width: number,
  height: number,
  frame = 0,
  perSecond = 25,
  into?: Pixels['data'],
): Pixels {
  const to =
    scene.kind === 'camera'
      ? room(scene, width, height, frame, into)
      : scene.kind === 'player'
        ? film(scene, width, height, frame, into)
        : page(scene, width, height, frame, perSecond, into)
  if (scene.content === 'caption' || scene.content === 'blank' || scene.bare) return to
  // Of what is smaller than a stamp nobody reads a name.
  if (width < LEAST_NAMED) {
    bars(to, frame)
    return to
  }
  const letters = Math.max(7, Math.min(height / 13, (width * 0.62 * 7) / Math.max(1, scene.name.length * 6)))
  const band = letters * 1.7
  rect(to, 0, height - band, width, band, [16, 18, 24])
  write(to, scene.name, width * 0.02, height - band + letters * 0.35, letters, PAPER)
  const time = clock(frame, perSecond)
  const small = Math.max(7, letters * 0.72)
  // A long name has the band to itself.
  if (width * 0.02 + wordWidth(scene.name, letters) + wordWidth(time, small) < width * 0.95)
    write(to, time, width * 0.98 - wordWidth(time, small), height - band + (band - small) / 2, small, PAPER)
  bars(to, frame)
  return to
}

/** It shows the same in every frame. */
export const standsStill = ({ kind, content }: Scene): boolean =>
  kind === 'computer' && (content === 'caption' || content === 'blank')

const LEAST_NAMED = 110

/** Minutes, seconds and frames of a run: "02:07:11". */
function clock(frame: number, perSecond: number): string {
  const seconds = Math.floor(frame / perSecond)
  return [Math.floor(seconds / 60) % 100, seconds % 60, frame % perSecond]
    .map(n => String(n).padStart(2, '0'))
    .join(':')
}

const BITS = 24
const LIGHT: Colour = [255, 255, 255]
const DARK: Colour = [0, 0, 0]

/** The frame's number in the topmost rows: 24 bars, the highest bit first, and one of parity. */
function bars(to: Pixels, frame: number): void {
  const w = to.width / (BITS + 1)
  const h = Math.max(2, Math.round(to.height / 60))
  let ones = 0
  for (let i = 0; i < BITS; i++) {
    const bit = (frame >>> (BITS - 1 - i)) & 1
    ones += bit
    rect(to, i * w, 0, w, h, bit ? LIGHT : DARK)
  }
  rect(to, BITS * w, 0, w, h, ones % 2 ? LIGHT : DARK)
}

/** The number that a test picture carries; undefined where it carries none, or is covered there. */
export function frameIn(picture: Pixels): number | undefined {
  const w = picture.width / (BITS + 1)
  const bits = Array.from({ length: BITS + 1 }, (_, i) => {
    const [, green] = at(picture, Math.floor((i + 0.5) * w), 0)
    return green > 200 ? 1 : green < 55 ? 0 : undefined
  })
  if (bits.includes(undefined)) return undefined
  const ones = bits.slice(0, BITS).filter(bit => bit === 1).length
  return ones % 2 === bits[BITS] ? bits.slice(0, BITS).reduce<number>((sum, bit) => sum * 2 + bit!, 0) : undefined
}

/** Rooms without anybody in them, which are the same in every frame. */
const EMPTY = new Map<string, Pixels>()
const MOST_EMPTY = 24

function emptied(scene: Scene, width: number, height: number): Pixels {
  const key = `${scene.index} ${scene.shot} ${width} ${height}`
  const known = EMPTY.get(key)
  if (known) return known
  const made = emptyRoom(scene, width, height)
  if (EMPTY.size >= MOST_EMPTY) EMPTY.delete(EMPTY.keys().next().value!)
  EMPTY.set(key, made)
  return made
}

/** A stage before a wall: the wall has the source's pattern. */
function emptyRoom({ index, shot = 'wide' }: Scene, width: number, height: number): Pixels {
  const to = plain(width, height, tint(index, 0.34, 0.5))
  const step = Math.max(6, Math.round(width / 16))
  const mark = tint(index, 0.44, 0.5)
  for (let i = -1; i * step < width; i++) {
    if (index % 3 === 0) rect(to, i * step, 0, step / 2, height, mark)
    else
      for (let j = 0; j * step < height; j++)
        if (index % 3 === 1)
          oval(to, (i + (j % 2) / 2) * step + step / 2, j * step + step / 2, step / 5, step / 5, mark)
        else if ((i + j) % 2 === 0) rect(to, i * step, j * step, step, step, mark)
  }
  const from = shot === 'overhead' ? 0 : shot === 'close' || shot === 'detail' ? 1 : 0.62
  rect(to, 0, height * from, width, height, [200, 172, 118])
  if (from < 1 && from > 0) rect(to, 0, height * from, width, Math.max(1, height / 90), [240, 226, 190])
  return to
}

/** A stage on which somebody stands. */
function room(scene: Scene, width: number, height: number, frame: number, into?: Pixels['data']): Pixels {
  const { index, shot = 'wide' } = scene
  const empty = emptied(scene, width, height)
  const to = into?.length === empty.data.length ? { ...empty, data: into } : { ...empty, data: empty.data.slice() }
  if (to.data === into) into.set(empty.data)
  const size = FIGURES[shot] * height
  const people = shot === 'audience' ? 9 : shot === 'safe' ? 2 : 1
  const feet = shot === 'close' || shot === 'detail' ? height * 0.3 + size : height * 0.86
  for (let p = 0; p < people; p++) {
    // Somebody sways a little, so that a picture that stands still is seen.
    const sway = Math.sin(frame / 12 + p) * size * 0.02
    const middle = people === 1 ? width * (0.4 + 0.06 * (index % 4)) : (width * (p + 1)) / (people + 1)
    figure(to, middle + sway, feet, size, tint(index + p + 2, 0.72, 0.55))
  }
  return to
}

function figure(to: Pixels, x: number, feet: number, size: number, coat: Colour): void {
  const head = size * 0.085
  const top = feet - size
  rect(to, x - size * 0.075, feet - size * 0.45, size * 0.06, size * 0.45, INK)
  rect(to, x + size * 0.015, feet - size * 0.45, size * 0.06, size * 0.45, INK)
  oval(to, x, top + size * 0.36, size * 0.13, size * 0.19, coat)
  rect(to, x - size * 0.13, top + size * 0.36, size * 0.26, size * 0.2, coat)
  oval(to, x, top + head, head * 0.85, head, [206, 160, 128])
}

/** A page of a computer: full, one line on black, nothing, a countdown, or what its person works with. */
function page(
  { index, content = 'full', asKey, words = 'Caption' }: Scene,
  width: number,
  height: number,
  frame: number,
  perSecond: number,
  into?: Pixels['data'],
): Pixels {
  if (content === 'blank') return plain(width, height)
  if (content === 'caption') {
    const to = plain(width, height)
    rect(to, width * 0.08, height * 0.68, width * 0.52, height * 0.13, asKey ? LIGHT : tint(index, 0.5, 0.6))
    if (asKey) return to
    rect(to, width * 0.08, height * 0.68, width * 0.012, height * 0.13, [255, 217, 138])
    write(
      to,
      words,
      width * 0.11,
      height * 0.72,
      Math.min(height * 0.052, (width * 0.46 * 7) / (words.length * 6)),
      LIGHT,
    )
    return to
  }
  if (content === 'countdown') {
    const to = plain(width, height, tint(index, 0.22, 0.5), into)
    const left = Math.max(0, 600 - Math.floor(frame / perSecond))
    const words = `${String(Math.floor(left / 60)).padStart(2, '0')}:${String(left % 60).padStart(2, '0')}`
    const letters = height * 0.3
    write(to, words, (width - wordWidth(words, letters)) / 2, height * 0.32, letters, PAPER)
    return to
  }
  if (content === 'operator') {
    // The page small, the next one smaller, notes beside: nothing that anybody else is to see.
    const to = plain(width, height, tint(index, 0.16, 0.3), into)
    rect(to, width * 0.04, height * 0.08, width * 0.5, height * 0.5, PAPER)
    rect(to, width * 0.04, height * 0.64, width * 0.24, height * 0.24, [150, 148, 142])
    for (let line = 0; line < 7; line++)
      rect(
        to,
        width * 0.6,
        height * (0.1 + line * 0.1),
        width * (0.34 - 0.05 * (line % 3)),
        height * 0.03,
        [130, 128, 122],
      )
    return to
  }
  const to = plain(width, height, PAPER, into)
  rect(to, 0, 0, width, height * 0.2, tint(index, 0.5, 0.6))
  rect(to, width * 0.06, height * 0.09, width * 0.5, height * 0.045, PAPER)
  for (let line = 0; line < 4; line++) {
    rect(to, width * 0.06, height * (0.3 + line * 0.12), height * 0.03, height * 0.03, tint(index, 0.5, 0.6))
    rect(
      to,
      width * 0.11,
      height * (0.3 + line * 0.12),
      width * (0.42 - 0.06 * ((line + index) % 3)),
      height * 0.03,
      [130, 128, 122],
    )
  }
  rect(to, width * 0.64, height * 0.3, width * 0.28, height * 0.4, tint(index + 1, 0.78, 0.4))
  return to
}

/** A clip: bands that travel, so that one sees it run. */
function film({ index }: Scene, width: number, height: number, frame: number, into?: Pixels['data']): Pixels {
  const to = plain(width, height, tint(index, 0.3, 0.6), into)
  const step = Math.max(8, Math.round(width / 8))
  for (let y = 0; y < height; y++) {
    const shift = ((y >> 1) + frame * Math.max(1, Math.round(width / 160))) % step
    for (let x = -step + shift; x < width; x += step) rect(to, x, y, step / 3, 1, tint(index, 0.48, 0.6))
  }
  oval(to, width / 2, height * 0.46, height * 0.2, height * 0.2, tint(index + 1, 0.8, 0.5))
  return to
}
