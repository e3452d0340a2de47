import { api } from '~/plan/api'
import { usePainter } from '~/workers/painter'
import { MOST_BYTES, MOST_HEIGHT, MOST_WIDTH } from '#shared/png'

// Pictures come in as PNG as they are; JPEG and SVG are made into one. What is kept on the server is a PNG always.

/** A file that cannot be used, and why in a sentence. */
export class Unusable extends Error {}

/** Files that the dialog for choosing offers. */
export const TAKEN = 'image/png,image/jpeg,image/svg+xml,.png,.jpg,.jpeg,.svg'
const MOST_SVG = 2_000_000
/** A drawing is made so many times as large each way and reduced: what is hardly covered keeps its colour. */
const FINER = 2
const [FRAME_WIDTH, FRAME_HEIGHT] = [1920, 1080]

async function kindOf(file: File): Promise<'png' | 'jpeg' | 'svg'> {
  const head = new Uint8Array(await file.slice(0, 512).arrayBuffer())
  if (head[0] === 0x89 && head[1] === 0x50) return 'png'
  if (head[0] === 0xff && head[1] === 0xd8) return 'jpeg'
  if (/<svg[\s>]|<\?xml|<!--/.test(new TextDecoder().decode(head))) return 'svg'
  throw new Unusable(`${file.name} is no picture that can be used; PNG, JPEG and SVG are.`)
}

const canvasOf = (width: number, height: number) => {
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Unusable('This browser could not make room for the picture.')
  return context
}

async function fromJpeg(file: File): Promise<Uint8Array> {
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    throw new Unusable(`${file.name} is damaged.`)
  }
  const { width, height } = bitmap
  if (width > MOST_WIDTH || height > MOST_HEIGHT)
    throw new Unusable(`${file.name} measures ${width} x ${height}; at most ${MOST_WIDTH} x ${MOST_HEIGHT} are taken.`)
  const context = canvasOf(width, height)
  context.drawImage(bitmap, 0, 0)
  bitmap.close()
  return usePainter().encode(context.getImageData(0, 0, width, height).data, width, height, 1)
}

/** An SVG drawing, cleaned, over the whole frame of a picture as far as its shape allows. */
async function fromSvg(file: File): Promise<Uint8Array> {
  if (file.size > MOST_SVG) throw new Unusable(`${file.name} has ${file.size} bytes; at most ${MOST_SVG} are taken.`)
  return drawnSvg(await file.text(), file.name)
}

/** A PNG of the text of an SVG drawing. Scripts and what it would load from elsewhere are taken out before. */
export async function drawnSvg(text: string, name: string): Promise<Uint8Array> {
  const { default: purify } = await import('dompurify')
  const clean = purify.sanitize(text, {
    USE_PROFILES: { svg: true, svgFilters: true },
    FORBID_TAGS: ['image', 'use', 'style'],
  })
  const parsed = new DOMParser().parseFromString(clean, 'image/svg+xml').documentElement
  if (parsed.nodeName !== 'svg')
    throw new Unusable(`${name} is no SVG drawing, or nothing of it is left once it is cleaned.`)
  const box = (parsed.getAttribute('viewBox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const told = [parsed.getAttribute('width'), parsed.getAttribute('height')].map(value =>
    Number.parseFloat(value ?? ''),
  )
  const [w, h] = box.length === 4 && box[2]! > 0 && box[3]! > 0 ? [box[2]!, box[3]!] : [told[0]!, told[1]!]
  if (!(w > 0 && h > 0))
    throw new Unusable(`${name} does not say how large it is: it has neither a viewBox nor a size.`)
  const scale = Math.min(FRAME_WIDTH / w, FRAME_HEIGHT / h)
  const [width, height] = [Math.max(1, Math.round(w * scale)), Math.max(1, Math.round(h * scale))]
  if (box.length !== 4) parsed.setAttribute('viewBox', `0 0 ${w} ${h}`)
  parsed.setAttribute('width', String(width * FINER))
  parsed.setAttribute('height', String(height * FINER))
  const url = URL.createObjectURL(new Blob([new XMLSerializer().serializeToString(parsed)], { type: 'image/svg+xml' }))
  try {
    const image = new Image()
    image.src = url
    await image.decode().catch(() => {
      throw new Unusable(`${name} cannot be drawn.`)
    })
    const context = canvasOf(width * FINER, height * FINER)
    context.drawImage(image, 0, 0, width * FINER, height * FINER)
    const { data } = context.getImageData(0, 0, width * FINER, height * FINER)
    return await usePainter().encode(data, width * FINER, height * FINER, FINER)
  } finally {
    URL.revokeObjectURL(url)
  }
}

/** Puts a picture onto the server; the hash by which it is kept. */
export async function keep(png: Uint8Array): Promise<string> {
  const { hash } = await api<{ hash: string }>('/pictures', { method: 'POST', bytes: png })
  return hash
}

/** Brings a file in: checked, made a PNG where it is none, and kept on the server. Throws Unusable, ApiError. */
export async function bringIn(file: File): Promise<string> {
  const kind = await kindOf(file)
  if (kind === 'png' && file.size > MOST_BYTES)
    throw new Unusable(`${file.name} has ${file.size} bytes; at most ${MOST_BYTES} are taken.`)
  const png =
    kind === 'png'
      ? new Uint8Array(await file.arrayBuffer())
      : kind === 'jpeg'
        ? await fromJpeg(file)
        : await fromSvg(file)
  const wrong = await usePainter().wrong(png)
  if (wrong !== undefined) throw new Unusable(`${file.name}: ${wrong}`)
  return keep(png)
}

/** Files in the order of their names, numbers in them as numbers. */
export const byName = (files: readonly File[]): File[] =>
  files.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
