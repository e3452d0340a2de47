// AssemblyScript: the formulas that a live picture spends its time on, four pixels at a time (128-bit vectors).
// `npm run kernels` compiles it into kernels.generated.ts. A pixel is four bytes: red, green, blue, 255. Counts of pixels
// are rounded up to whole vectors; the caller leaves room for that behind each picture.

const GREEN: i32 = 8
const BLUE: i32 = 16

/** out = (a (256 - more) + b more + 128) >> 8 for each byte; more 0 .. 256. */
export function mix(a: usize, b: usize, out: usize, pixels: i32, more: i32): void {
  const m = i16x8.splat(<i16>more)
  const r = i16x8.splat(<i16>(256 - more))
  const half = i16x8.splat(128)
  const end = <usize>pixels << 2
  for (let p: usize = 0; p < end; p += 16) {
    const x = v128.load(a + p)
    const y = v128.load(b + p)
    const low = i16x8.shr_u(
      i16x8.add(
        i16x8.add(i16x8.mul(i16x8.extend_low_i8x16_u(x), r), i16x8.mul(i16x8.extend_low_i8x16_u(y), m)),
        half,
      ),
      8,
    )
    const high = i16x8.shr_u(
      i16x8.add(
        i16x8.add(i16x8.mul(i16x8.extend_high_i8x16_u(x), r), i16x8.mul(i16x8.extend_high_i8x16_u(y), m)),
        half,
      ),
      8,
    )
    v128.store(out + p, i8x16.narrow_i16x8_u(low, high))
  }
}

/**
 * The same with a share of its own for each column: `shares` holds eight times the `more` of a pixel's column, 16 bits each,
 * for two pixels. What is written beyond a row's end the next row writes over.
 */
export function wipe(a: usize, b: usize, out: usize, width: i32, height: i32, shares: usize): void {
  const whole = i16x8.splat(256)
  const half = i16x8.splat(128)
  const line = <usize>width << 2
  for (let y = 0; y < height; y++) {
    const row = line * <usize>y
    for (let p: usize = 0; p < line; p += 16) {
      const x = v128.load(a + row + p)
      const z = v128.load(b + row + p)
      const first = v128.load(shares + (p << 1))
      const second = v128.load(shares + (p << 1), 16)
      const low = i16x8.add(
        i16x8.mul(i16x8.extend_low_i8x16_u(x), i16x8.sub(whole, first)),
        i16x8.mul(i16x8.extend_low_i8x16_u(z), first),
      )
      const high = i16x8.add(
        i16x8.mul(i16x8.extend_high_i8x16_u(x), i16x8.sub(whole, second)),
        i16x8.mul(i16x8.extend_high_i8x16_u(z), second),
      )
      v128.store(
        out + row + p,
        i8x16.narrow_i16x8_u(i16x8.shr_u(i16x8.add(low, half), 8), i16x8.shr_u(i16x8.add(high, half), 8)),
      )
    }
  }
}

/** One pixel: (over weight + under rest + 32768) >> 16 in 32 bits a colour. */
// @ts-ignore: decorator
@inline
function blended(over: v128, under: v128, weight: i32, rest: i32): v128 {
  return i32x4.shr_u(
    i32x4.add(
      i32x4.add(i32x4.mul(over, i32x4.splat(weight)), i32x4.mul(under, i32x4.splat(rest))),
      i32x4.splat(32768),
    ),
    16,
  )
}

/**
 * A fill over a picture: `table` holds 256 weights of 1/65536 by brightness of `cut`, which red, green and blue make in
 * shares of 1/65536. Straight: weight fill + rest back; with `part` not below 0 premultiplied: part fill + rest back.
 */
export function key(
  back: usize,
  fill: usize,
  cut: usize,
  out: usize,
  pixels: i32,
  table: usize,
  part: i32,
  red: i32,
  green: i32,
  blue: i32,
): void {
  const low = i32x4.splat(255)
  const solid = i32x4.splat(<i32>0xff000000)
  const end = <usize>pixels << 2
  // Ground and plates are flat: what was looked up for four pixels holds for the next four of the same.
  let known = i32x4.splat(0)
  let a0: i32 = 0
  let a1: i32 = 0
  let a2: i32 = 0
  let a3: i32 = 0
  for (let p: usize = 0; p < end; p += 16) {
    const c = v128.load(cut + p)
    if (p == 0 || v128.any_true(v128.xor(c, known))) {
      known = c
      const y = i32x4.shr_u(
        i32x4.add(
          i32x4.add(
            i32x4.mul(v128.and(c, low), i32x4.splat(red)),
            i32x4.mul(v128.and(i32x4.shr_u(c, GREEN), low), i32x4.splat(green)),
          ),
          i32x4.add(i32x4.mul(v128.and(i32x4.shr_u(c, BLUE), low), i32x4.splat(blue)), i32x4.splat(32768)),
        ),
        16,
      )
      a0 = load<i32>(table + (<usize>i32x4.extract_lane(y, 0) << 2))
      a1 = load<i32>(table + (<usize>i32x4.extract_lane(y, 1) << 2))
      a2 = load<i32>(table + (<usize>i32x4.extract_lane(y, 2) << 2))
      a3 = load<i32>(table + (<usize>i32x4.extract_lane(y, 3) << 2))
    }
    const under = v128.load(back + p)
    if (part < 0) {
      if ((a0 | a1 | a2 | a3) == 0) {
        v128.store(out + p, under)
        continue
      }
      if ((a0 & a1 & a2 & a3) == 65536) {
        v128.store(out + p, v128.load(fill + p))
        continue
      }
    }
    const over = v128.load(fill + p)
    const underLow = i16x8.extend_low_i8x16_u(under)
    const underHigh = i16x8.extend_high_i8x16_u(under)
    const overLow = i16x8.extend_low_i8x16_u(over)
    const overHigh = i16x8.extend_high_i8x16_u(over)
    const p0 = blended(
      i32x4.extend_low_i16x8_u(overLow),
      i32x4.extend_low_i16x8_u(underLow),
      part < 0 ? a0 : part,
      65536 - a0,
    )
    const p1 = blended(
      i32x4.extend_high_i16x8_u(overLow),
      i32x4.extend_high_i16x8_u(underLow),
      part < 0 ? a1 : part,
      65536 - a1,
    )
    const p2 = blended(
      i32x4.extend_low_i16x8_u(overHigh),
      i32x4.extend_low_i16x8_u(underHigh),
      part < 0 ? a2 : part,
      65536 - a2,
    )
    const p3 = blended(
      i32x4.extend_high_i16x8_u(overHigh),
      i32x4.extend_high_i16x8_u(underHigh),
      part < 0 ? a3 : part,
      65536 - a3,
    )
    v128.store(
      out + p,
      v128.or(i8x16.narrow_i16x8_u(i16x8.narrow_i32x4_s(p0, p1), i16x8.narrow_i32x4_s(p2, p3)), solid),
    )
  }
}

/** A colour less the brightness, 1/65536 of a code, of four pixels. */
// @ts-ignore: decorator
@inline
function apart(colour: v128, y: v128): v128 {
  return i32x4.sub(i32x4.shl(colour, 16), y)
}

/** (256 value + more + 128) >> 8, as a byte. */
// @ts-ignore: decorator
@inline
function moved(value: v128, more: v128): v128 {
  const sum = i32x4.shr_s(i32x4.add(i32x4.add(i32x4.shl(value, 8), more), i32x4.splat(128)), 8)
  return i32x4.min_s(i32x4.splat(255), i32x4.max_s(i32x4.splat(0), sum))
}

/** Four pixels, each with the mean colour difference of itself and its neighbour, and its own brightness. */
// @ts-ignore: decorator
@inline
function shared4(c: v128): v128 {
  const low = i32x4.splat(255)
  const r = v128.and(c, low)
  const g = v128.and(i32x4.shr_u(c, GREEN), low)
  const b = v128.and(i32x4.shr_u(c, BLUE), low)
  const y = i32x4.add(
    i32x4.add(i32x4.mul(r, i32x4.splat(13933)), i32x4.mul(g, i32x4.splat(46871))),
    i32x4.mul(b, i32x4.splat(4732)),
  )
  const cr = apart(r, y)
  const cb = apart(b, y)
  const dr = i32x4.shr_s(i32x4.sub(v128.shuffle<i32>(cr, cr, 1, 0, 3, 2), cr), 9)
  const db = i32x4.shr_s(i32x4.sub(v128.shuffle<i32>(cb, cb, 1, 0, 3, 2), cb), 9)
  const dg = i32x4.neg(
    i32x4.shr_s(i32x4.add(i32x4.mul(dr, i32x4.splat(19481)), i32x4.mul(db, i32x4.splat(6616))), 16),
  )
  return v128.or(
    v128.or(moved(r, dr), i32x4.shl(moved(g, dg), GREEN)),
    v128.or(i32x4.shl(moved(b, db), BLUE), i32x4.splat(<i32>0xff000000)),
  )
}

/** Colour differences shared by two neighbours of a row each, from its start; a last one alone keeps its own. */
export function shared(from: usize, out: usize, width: i32, height: i32): void {
  for (let y = 0; y < height; y++) {
    const line = <usize>(y * width) << 2
    let x = 0
    for (; x + 4 <= width; x += 4) {
      const at = line + (<usize>x << 2)
      v128.store(out + at, shared4(v128.load(from + at)))
    }
    for (; x < width; x += 2) {
      const at = line + (<usize>x << 2)
      const one = load<i32>(from + at)
      const made = shared4(i32x4(one, x + 1 < width ? load<i32>(from + at, 4) : one, one, one))
      store<i32>(out + at, i32x4.extract_lane(made, 0))
      if (x + 1 < width) store<i32>(out + at, i32x4.extract_lane(made, 1), 4)
    }
  }
}

/** One channel of four pixels as reals. */
// @ts-ignore: decorator
@inline
function channel(pixels: v128, shift: i32): v128 {
  return f32x4.convert_i32x4_u(v128.and(i32x4.shr_u(pixels, shift), i32x4.splat(255)))
}

// @ts-ignore: decorator
@inline
function within(value: v128, most: f32): v128 {
  return f32x4.min(f32x4.splat(most), f32x4.max(f32x4.splat(0), value))
}

/** a value 255 + (1 - a) under, rounded half up. */
// @ts-ignore: decorator
@inline
function over(a: v128, value: v128, under: v128): v128 {
  const mine = f32x4.mul(f32x4.mul(a, within(value, 1)), f32x4.splat(255))
  const theirs = f32x4.mul(f32x4.sub(f32x4.splat(1), a), under)
  return i32x4.trunc_sat_f32x4_u(within(f32x4.add(f32x4.add(mine, theirs), f32x4.splat(0.5)), 255))
}

/**
 * What stays of a picture before a painted screen over another: kb, kr the unit vector of the screen's colour difference,
 * `edge` at least 1/255. Reals of 32 bits: within one code of the plain formula.
 */
export function chroma(
  back: usize,
  fill: usize,
  out: usize,
  pixels: i32,
  kb: f32,
  kr: f32,
  tolerance: f32,
  edge: f32,
  spill: f32,
  share: f32,
): void {
  const end = <usize>pixels << 2
  const solid = i32x4.splat(<i32>0xff000000)
  const one = f32x4.splat(1)
  for (let p: usize = 0; p < end; p += 16) {
    const c = v128.load(fill + p)
    const under = v128.load(back + p)
    const r = f32x4.mul(channel(c, 0), f32x4.splat(1 / 255))
    const g = f32x4.mul(channel(c, GREEN), f32x4.splat(1 / 255))
    const b = f32x4.mul(channel(c, BLUE), f32x4.splat(1 / 255))
    const y = f32x4.add(
      f32x4.add(f32x4.mul(r, f32x4.splat(0.2126)), f32x4.mul(g, f32x4.splat(0.7152))),
      f32x4.mul(b, f32x4.splat(0.0722)),
    )
    const cb = f32x4.mul(f32x4.sub(b, y), f32x4.splat(1 / 1.8556))
    const cr = f32x4.mul(f32x4.sub(r, y), f32x4.splat(1 / 1.5748))
    const along = f32x4.add(f32x4.mul(cb, f32x4.splat(kb)), f32x4.mul(cr, f32x4.splat(kr)))
    const across = f32x4.sub(f32x4.mul(cb, f32x4.splat(kr)), f32x4.mul(cr, f32x4.splat(kb)))
    const shine = f32x4.sub(along, f32x4.abs(across))
    const gone = within(f32x4.mul(f32x4.sub(shine, f32x4.splat(tolerance)), f32x4.splat(1 / edge)), 1)
    const a = f32x4.mul(f32x4.splat(share), f32x4.sub(one, gone))
    if (!v128.any_true(f32x4.gt(a, f32x4.splat(0)))) {
      v128.store(out + p, under)
      continue
    }
    // None of the screen's shine, and all of it stays.
    if (share == 1 && !v128.any_true(v128.or(f32x4.gt(shine, f32x4.splat(0)), f32x4.gt(gone, f32x4.splat(0))))) {
      v128.store(out + p, v128.or(c, solid))
      continue
    }
    const less = f32x4.mul(f32x4.splat(spill), f32x4.max(f32x4.splat(0), shine))
    const red = f32x4.add(y, f32x4.mul(f32x4.splat(1.5748), f32x4.sub(cr, f32x4.mul(less, f32x4.splat(kr)))))
    const blue = f32x4.add(y, f32x4.mul(f32x4.splat(1.8556), f32x4.sub(cb, f32x4.mul(less, f32x4.splat(kb)))))
    const green = f32x4.mul(
      f32x4.sub(f32x4.sub(y, f32x4.mul(red, f32x4.splat(0.2126))), f32x4.mul(blue, f32x4.splat(0.0722))),
      f32x4.splat(1 / 0.7152),
    )
    v128.store(
      out + p,
      v128.or(
        v128.or(over(a, red, channel(under, 0)), i32x4.shl(over(a, green, channel(under, GREEN)), GREEN)),
        v128.or(i32x4.shl(over(a, blue, channel(under, BLUE)), BLUE), solid),
      ),
    )
  }
}

/** Four channels of a pixel as reals. */
// @ts-ignore: decorator
@inline
function reals(pixel: usize): v128 {
  return f32x4.convert_i32x4_u(i32x4.extend_low_i16x8_u(i16x8.extend_low_i8x16_u(v128.load32_zero(pixel))))
}

/**
 * A picture in another size by taps: rows first, kept real in `rows` (16 bytes a pixel, and behind them one line of the
 * source), then columns. A table of taps is
 * how many weights each pixel has, the first source pixel of each, and their weights; the edge pixel is repeated.
 */
export function scale(
  from: usize,
  width: i32,
  height: i32,
  out: usize,
  toWidth: i32,
  toHeight: i32,
  across: usize,
  down: usize,
  rows: usize,
): void {
  const wide = load<i32>(across)
  const wideWeights = across + 4 + (<usize>toWidth << 2)
  const source = rows + (<usize>(height * toWidth) << 4)
  for (let y = 0; y < height; y++) {
    const line = from + (<usize>(y * width) << 2)
    const to = rows + (<usize>(y * toWidth) << 4)
    for (let x = 0; x < width; x++) v128.store(source + (<usize>x << 4), reals(line + (<usize>x << 2)))
    for (let x = 0; x < toWidth; x++) {
      const first = load<i32>(across + 4 + (<usize>x << 2))
      const weights = wideWeights + (<usize>(x * wide) << 2)
      let sum = f32x4.splat(0)
      for (let j = 0; j < wide; j++) {
        const column = min(width - 1, max(0, first + j))
        sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(weights + (<usize>j << 2)), v128.load(source + (<usize>column << 4))))
      }
      v128.store(to + (<usize>x << 4), sum)
    }
  }
  const tall = load<i32>(down)
  const tallWeights = down + 4 + (<usize>toHeight << 2)
  const solid = i32x4.splat(<i32>0xff000000)
  const half = f32x4.splat(0.5)
  for (let y = 0; y < toHeight; y++) {
    const first = load<i32>(down + 4 + (<usize>y << 2))
    const weights = tallWeights + (<usize>(y * tall) << 2)
    const to = out + (<usize>(y * toWidth) << 2)
    for (let x = 0; x < toWidth; x++) {
      let sum = half
      for (let j = 0; j < tall; j++) {
        const row = min(height - 1, max(0, first + j))
        const line = rows + (<usize>(row * toWidth + x) << 4)
        sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(weights + (<usize>j << 2)), v128.load(line)))
      }
      const whole = i32x4.trunc_sat_f32x4_u(sum)
      const bytes = i8x16.narrow_i16x8_u(i16x8.narrow_i32x4_s(whole, whole), i16x8.splat(0))
      store<i32>(to + (<usize>x << 2), i32x4.extract_lane(v128.or(bytes, solid), 0))
    }
  }
}
