export { type Keying, fillAs, fringe, lostPixels, solidityOf } from './bench'
export { type Cells, cellsOf, cellsText, pixelsIn, readCells, summed } from './cells'
export {
  type Chroma,
  type ChromaSetting,
  chromaFault,
  chromaLost,
  chromaMatte,
  chromaMeasured,
  findChroma,
  huesOf,
} from './chroma'
export { type Ink, guaranteed, lettering, sentLuma } from './contrast'
export { type Graphic, cropped, meant, reduced, sentAs, straightPixels } from './graphic'
export { contrastOver, lightOf, lightText, readLight } from './light'
export { type Misread, matteTable } from './key'
export { LIMITS, type Measured, type Setting, WOBBLE, type Way, findSetting, measured } from './measure'
export type { Pixels, Region } from './pixels'
export { scaled } from './place'
export { type Scene, drawn, standsStill } from './scene'
export { scenesOf } from './scenes'
export { seen } from './seen'
export { wordLines } from './words'
export { type ClipMeasure, ClipMeter } from './flash'
