// Makes testing/fixtures/pixels.json anew: small pictures and what `ffmpeg` (a package of Debian) makes of them, with the
// command of each. The tests hold the formulas of core/picture to these bytes and never need the program.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { random } from '../testing/chains'

const folder = mkdtempSync(join(tmpdir(), 'pixels-'))
const [WIDTH, HEIGHT] = [32, 18]
const SIZE = `${WIDTH}x${HEIGHT}`

/** Colours at random, with ramps of them and of solidity in the upper rows; four bytes a pixel. */
function picture(seed: number, solid?: true, weighted?: true): Buffer {
  const r = random(seed)
  const bytes = Buffer.alloc(WIDTH * HEIGHT * 4)
  for (let p = 0; p < WIDTH * HEIGHT; p++) {
    const [x, y] = [p % WIDTH, Math.floor(p / WIDTH)]
    const code = () => (y < 4 ? Math.round((x / (WIDTH - 1)) * 255) : Math.floor(r() * 256))
    const alpha = solid ? 255 : y < 8 ? Math.round(((x + y) / (WIDTH + 6)) * 255) : Math.floor(r() * 256)
    for (let c = 0; c < 3; c++) bytes[p * 4 + c] = weighted ? Math.round((code() * alpha) / 255) : code()
    bytes[p * 4 + 3] = alpha
  }
  return bytes
}

/** The same in 10 bit, without solidity: a plane each of green, blue and red, two bytes a value. */
function fine(seed: number): Buffer {
  const r = random(seed)
  const bytes = Buffer.alloc(WIDTH * HEIGHT * 6)
  for (let i = 0; i < WIDTH * HEIGHT * 3; i++) {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH) % HEIGHT]
    bytes.writeUInt16LE(y < 4 ? Math.round(((x + y) / (WIDTH + 2)) * 1023) : Math.floor(r() * 1024), i * 2)
  }
  return bytes
}

interface Case {
  readonly name: string
  readonly inputs: readonly Buffer[]
  readonly filter: string
  readonly format: 'rgb24' | 'gray' | 'gbrp10le' | 'gray10le'
  /** Of what comes in; absent, rgba. */
  readonly from?: 'gbrp10le'
  readonly size?: string
}
const [back, next] = [picture(1, true), picture(2, true)]
const CASES: readonly Case[] = [
  { name: 'straight', inputs: [back, picture(3)], filter: '[0][1]overlay=format=rgb', format: 'rgb24' },
  {
    name: 'premultiplied',
    inputs: [back, picture(4, undefined, true)],
    filter: '[0][1]overlay=format=rgb:alpha=premultiplied',
    format: 'rgb24',
  },
  ...[0.25, 0.5, 0.8].map((share): Case => ({
    name: `mix ${share}`,
    inputs: [back, next],
    filter: `[1]format=gbrp[n];[0]format=gbrp[o];[n][o]blend=all_mode=normal:all_opacity=${share}`,
    format: 'rgb24',
  })),
  {
    name: 'luma',
    inputs: [back],
    filter:
      'scale=out_color_matrix=bt709:out_range=pc:flags=accurate_rnd+full_chroma_int,format=yuv444p,extractplanes=y',
    format: 'gray',
  },
  ...['16x9', '20x11', '64x36', '11x18'].map((size): Case => ({
    name: `scaled ${size}`,
    inputs: [back],
    filter: `format=gbrp,scale=${size.replace('x', ':')}:flags=bilinear+accurate_rnd+full_chroma_inp+full_chroma_int`,
    format: 'rgb24',
    size,
  })),
  ...[0.25, 0.8].map((share): Case => ({
    name: `fine-mix ${share}`,
    inputs: [fine(5), fine(6)],
    filter: `[1][0]blend=all_mode=normal:all_opacity=${share}`,
    format: 'gbrp10le',
    from: 'gbrp10le',
  })),
  {
    name: 'fine-luma',
    inputs: [fine(5)],
    filter:
      'scale=out_color_matrix=bt709:out_range=pc:flags=accurate_rnd+full_chroma_int,format=yuv444p10le,extractplanes=y',
    format: 'gray10le',
    from: 'gbrp10le',
  },
]

const made = CASES.map(({ name, inputs, filter, format, size, from = 'rgba' }) => {
  const files = inputs.map((bytes, i) => {
    const file = join(folder, `${i}.${from}`)
    writeFileSync(file, bytes)
    return ['-f', 'rawvideo', '-pix_fmt', from, '-s', SIZE, '-i', file]
  })
  const args = [...files.flat(), '-filter_complex', filter, '-f', 'rawvideo', '-pix_fmt', format, '-frames:v', '1', '-']
  const output = execFileSync('ffmpeg', ['-v', 'error', ...args])
  return {
    name,
    command: `ffmpeg ${args.map(arg => (arg.startsWith(folder) ? arg.slice(folder.length + 1) : arg)).join(' ')}`,
    size: (size ?? SIZE).split('x').map(Number),
    inputs: inputs.map(bytes => bytes.toString('base64')),
    output: output.toString('base64'),
  }
})
rmSync(folder, { recursive: true, force: true })
const version = execFileSync('ffmpeg', ['-version'], { encoding: 'utf8' }).split(' ')[2]
writeFileSync(
  fileURLToPath(new URL('../testing/fixtures/pixels.json', import.meta.url)),
  `${JSON.stringify({ version, width: WIDTH, height: HEIGHT, cases: made }, null, 1)}\n`,
)
