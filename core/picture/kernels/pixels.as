// AssemblyScript: the two formulas that a live picture spends its time on, four pixels at a time (128-bit vectors).
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
 * A fill over a picture: `table` holds 256 weights of 1/65536 by brightness of `cut`. Straight: weight fill + rest back;
 * with `part` not below 0 premultiplied: part fill + rest back.
 */
export function key(back: usize, fill: usize, cut: usize, out: usize, pixels: i32, table: usize, part: i32): void {
  const low = i32x4.splat(255)
  const solid = i32x4.splat(<i32>0xff000000)
  const end = <usize>pixels << 2
  for (let p: usize = 0; p < end; p += 16) {
    const c = v128.load(cut + p)
    const y = i32x4.shr_u(
      i32x4.add(
        i32x4.add(
          i32x4.mul(v128.and(c, low), i32x4.splat(13933)),
          i32x4.mul(v128.and(i32x4.shr_u(c, GREEN), low), i32x4.splat(46871)),
        ),
        i32x4.add(i32x4.mul(v128.and(i32x4.shr_u(c, BLUE), low), i32x4.splat(4732)), i32x4.splat(32768)),
      ),
      16,
    )
    const a0 = load<i32>(table + (<usize>i32x4.extract_lane(y, 0) << 2))
    const a1 = load<i32>(table + (<usize>i32x4.extract_lane(y, 1) << 2))
    const a2 = load<i32>(table + (<usize>i32x4.extract_lane(y, 2) << 2))
    const a3 = load<i32>(table + (<usize>i32x4.extract_lane(y, 3) << 2))
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

/**
 * What stays of a picture before a painted screen over another: kb, kr the unit vector of the screen's colour difference,
 * `edge` at least 1/255; in the order of the plain formula, so that both round alike.
 */
export function chroma(
  back: usize,
  fill: usize,
  out: usize,
  pixels: i32,
  kb: f64,
  kr: f64,
  tolerance: f64,
  edge: f64,
  spill: f64,
  share: f64,
): void {
  const end = <usize>pixels << 2
  // A screen is much of one colour: what was worked out for the pixel before holds for the next of the same.
  let known: u32 = 0
  let a: f64 = 0
  let red: f64 = 0
  let green: f64 = 0
  let blue: f64 = 0
  for (let p: usize = 0; p < end; p += 4) {
    const now = load<u32>(fill + p)
    if (p == 0 || now != known) {
      known = now
      const r = <f64>load<u8>(fill + p)
      const g = <f64>load<u8>(fill + p, 1)
      const b = <f64>load<u8>(fill + p, 2)
      const y = (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255
      const cb = (b / 255 - y) / 1.8556
      const cr = (r / 255 - y) / 1.5748
      const shine = cb * kb + cr * kr - abs(cb * kr - cr * kb)
      a = share * (1 - min(1.0, max(0.0, (shine - tolerance) / edge)))
      const less = spill * max(0.0, shine)
      red = y + 1.5748 * (cr - less * kr)
      blue = y + 1.8556 * (cb - less * kb)
      green = (y - 0.2126 * red - 0.0722 * blue) / 0.7152
    }
    if (a == 0) {
      store<u32>(out + p, load<u32>(back + p))
      continue
    }
    store<u8>(out + p, over(a, red, load<u8>(back + p)))
    store<u8>(out + p, over(a, green, load<u8>(back + p, 1)), 1)
    store<u8>(out + p, over(a, blue, load<u8>(back + p, 2)), 2)
    store<u8>(out + p, 255, 3)
  }
}

// @ts-ignore: decorator
@inline
function over(a: f64, value: f64, under: u8): u8 {
  const mixed = floor(a * min(1.0, max(0.0, value)) * 255 + (1 - a) * <f64>under + 0.5)
  return <u8>min(255.0, max(0.0, mixed))
}
