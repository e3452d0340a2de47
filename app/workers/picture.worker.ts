import { expose, transfer } from 'comlink'
import { ofSteps } from '#core/catalog'
import type { Box } from '#core/document'
import { bestScreen, graphicEntry, paintedBy, partOf, withSolid } from '#core/features/keys'
import {
  ClipMeter,
  type Graphic,
  type Weights,
  chromaLost,
  chromaMatte,
  fillAs,
  findSetting,
  fringe,
  lightOf,
  lightText,
  lossOf,
  meant,
  readCells,
  reduced,
  solidityOf,
  wordLines,
} from '#core/picture'
import { BadPicture, readPng, writePng } from '#shared/png'
import { graphicNow, graphicOf } from './graphics'
import type { BenchAsked, Benched, Painter } from './protocol'
import { drawnBy, filesIn, shownAs } from './sources'

const WHOLE: Box = { x: 0, y: 0, w: 1, h: 1 }
/** Stripes over what is lost: violet, 6 of 10 pixels. */
const [STRIPE, OF] = [6, 10]
const VIOLET = [185, 169, 232, 230] as const

const holds = ({ x, y, w, h }: Box, across: number, down: number): boolean =>
  across >= x && across < x + w && down >= y && down < y + h

/** Stripes at the size of the picture where pixels of a graphic are marked, and the box around them. */
function stripes(
  isMarked: (p: number) => boolean,
  from: Graphic,
  { box = WHOLE, mask = WHOLE, width, height }: BenchAsked,
): Pick<Benched, 'lost' | 'around'> {
  const { x, y, w, h } = box
  const to = new Uint8ClampedArray(width * height * 4)
  let [left, top, right, bottom] = [width, height, 0, 0]
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const [u, v] = [((column + 0.5) / width - x) / w, ((row + 0.5) / height - y) / h]
      if (!holds(mask, (column + 0.5) / width, (row + 0.5) / height)) continue
      if (u < 0 || v < 0 || u >= 1 || v >= 1 || (column + row) % OF >= STRIPE) continue
      if (!isMarked(Math.floor(v * from.height) * from.width + Math.floor(u * from.width))) continue
      to.set(VIOLET, (row * width + column) * 4)
      ;[left, top, right, bottom] = [
        Math.min(left, column),
        Math.min(top, row),
        Math.max(right, column + 1),
        Math.max(bottom, row + 1),
      ]
    }
  if (right === 0) return { lost: to }
  return {
    lost: to,
    around: { x: left / width, y: top / height, w: (right - left) / width, h: (bottom - top) / height },
  }
}

/** What is meant of the graphic that was measured last: it is dragged at for a while. */
let last: { readonly key: string; readonly meant: ReturnType<typeof meant> } | undefined
function meantOf(file: string, graphic: Graphic, weights: Weights = 709): ReturnType<typeof meant> {
  const key = `${file} ${weights} ${JSON.stringify(graphic.sure)}`
  if (last?.key !== key) last = { key, meant: meant(graphic, weights) }
  return last.meant
}

const painter: Painter = {
  async draw(picture, scenes, width, height, frame = 0) {
    await Promise.all(filesIn(picture).map(graphicOf))
    const bytes = drawnBy(picture, { scenes, graphics: graphicNow, frame }, width, height)
    return transfer(bytes, [bytes.buffer])
  },
  wrong(png) {
    try {
      readPng(png)
      return undefined
    } catch (error) {
      if (error instanceof BadPicture) return error.message
      throw error
    }
  },
  encode: (pixels, width, height, times) => writePng(reduced(pixels, width, height, times)),
  async entry(file, named, words, solid) {
    const graphic = await graphicOf(file)
    return graphic && graphicEntry(graphic, { ...named, file }, words, solid)
  },
  async part(file, part, solid) {
    const graphic = await graphicOf(file)
    return graphic && partOf(graphic, part, solid)
  },
  async clip(files, perSecond, told) {
    const meter = new ClipMeter(perSecond)
    let size: string | undefined
    for (const [i, file] of files.entries()) {
      let graphic: Graphic
      try {
        graphic = readPng(new Uint8Array(await file.arrayBuffer()))
      } catch (error) {
        return { wrong: `${file.name}: ${error instanceof BadPicture ? error.message : 'It cannot be read.'}` }
      }
      const mine = `${graphic.width} x ${graphic.height}`
      size ??= mine
      if (mine !== size) return { wrong: `${file.name} measures ${mine}, and the first one ${size}.` }
      meter.add(graphic)
      if (i % 10 === 9) told(i + 1)
    }
    return { measure: meter.result() }
  },
  async light(file) {
    const picture = await graphicOf(file)
    return picture && lightText(lightOf(picture))
  },
  async words(file) {
    const graphic = await graphicOf(file)
    return (
      graphic &&
      wordLines(graphic).map(({ left, top, right, bottom }) => ({
        x: left / graphic.width,
        y: top / graphic.height,
        w: (right - left) / graphic.width,
        h: (bottom - top) / graphic.height,
      }))
    )
  },
  async bench(file, asked) {
    const { keying, small: size } = asked
    const found = await graphicOf(file)
    if (!found) return undefined
    const graphic = withSolid(found, asked.solid)
    const from = performance.now()
    if ('screen' in keying) {
      const lost = chromaLost(graphic, meantOf(file, graphic), keying)
      const gone = stripes(p => lost[p] === 1, graphic, asked)
      const shot = shownAs(file, graphic, 'straight', ...size)
      const [comes, solid] = [shot.data.slice(), chromaMatte(shot, keying).data]
      return transfer({ ...gone, comes, solid, ms: performance.now() - from }, [
        gone.lost.buffer,
        comes.buffer,
        solid.buffer,
      ])
    }
    const edge = fringe(graphic, keying)
    const seen = graphic.opaque ? meantOf(file, graphic, keying.weights) : undefined
    const gone = stripes(lossOf(graphic, keying, seen), graphic, asked)
    const comes = shownAs(file, graphic, fillAs(keying), ...size).data.slice()
    const solid = solidityOf(shownAs(file, graphic, keying.way === 'linear' ? 'key' : 'on black', ...size), keying).data
    return transfer(
      { ...gone, comes, solid, ...(edge === undefined ? {} : { fringe: edge }), ms: performance.now() - from },
      [gone.lost.buffer, comes.buffer, solid.buffer],
    )
  },
  findScreen(overlay, graphic) {
    const painted = paintedBy(overlay, graphic)
    return bestScreen({ together: graphic, ...(painted ? { painted } : {}) })
  },
  find({ cells, wordCells, opaque }, scale, set, misread) {
    const read = cells === undefined ? undefined : readCells(cells, opaque === true)
    return (
      read &&
      findSetting(
        read,
        wordCells === undefined ? undefined : readCells(wordCells, opaque === true),
        { steps: scale.steps, toCut: (clip, gain) => ofSteps(scale, clip, gain) },
        set,
        misread,
      )
    )
  },
}

expose(painter)
