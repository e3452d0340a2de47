export { type Keying, fillAs, fringe, lossOf, solidityOf } from './bench'
export { type Cells, cellsOf, cellsText, pixelsIn, readCells, summed } from './cells'
export {
  type Chroma,
  type ChromaSetting,
  chromaFault,
  chromaLost,
  chromaMatte,
  chromaMeasured,
  chromaNumbers,
  chromaSolid,
  findChroma,
  huesOf,
} from './chroma'
export { type Ink, contrast, guaranteed, lettering, luminance, sentLuma } from './contrast'
export { type Graphic, cropped, meant, reduced, sentAs, straightPixels } from './graphic'
export { contrastOver, lightOf, lightText, readLight } from './light'
export { LUMA, type Misread, type Weights, keyWeights, matteTable, mixSteps } from './key'
export { LIMITS, type Measured, type Setting, WOBBLE, type Way, findSetting, measured } from './measure'
export { type Bits, Plainly } from './plainly'
export { type Colour, type Pixels, type Region, type Size, plain } from './pixels'
export { scaled, spansOf, touched } from './place'
export { type Scene, drawn, standsStill } from './scene'
export { scenesOf } from './scenes'
export { type Easel, type Sources, seen, seenWith } from './seen'
export { drawnAtOnce, taken } from './fast'
export { wordLines } from './words'
export { type ClipMeasure, ClipMeter } from './flash'
