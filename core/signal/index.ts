export {
  CONNECTORS,
  CONNECTOR_TITLES,
  type ConnectorId,
  SIGNAL_KINDS,
  SIGNAL_TITLES,
  type SignalKind,
  linksOf,
} from './connector'
export {
  type Coding,
  DEPTHS,
  type FormatSet,
  RASTER_IDS,
  type RasterId,
  SAMPLINGS,
  SCANS,
  type Scan,
  type VideoFormat,
  conversionSteps,
  exactFormatLabel,
  formatExists,
  formatLabel,
  listFormats,
  parseFormatLabel,
  picturesPerSecond,
  raster,
  sameFormat,
  setsContain,
  setsText,
} from './format'
export { SDI_CLASSES, SDI_CLASS_ROWS, type SdiClass, hdmiRate, sdiClassRow, sdiRate } from './link-rate'
export { MAINS, MAINS_IDS, type MainsId, SLOW_BEAT, beatOf, mainsOf } from './mains'
export { FORMAT_QUANTITY, format } from './quantity'
export { FADING_DB, type RadioBudget, radioMarginDb, radioRangeM } from './radio'
export {
  RATE_TEXTS,
  type RateText,
  differsBy1001,
  frameMs,
  framesPerSecond,
  rate,
  slipSeconds,
  unevenPerSecond,
} from './rate'
export {
  ASPECTS,
  type Aspect,
  DIVISIONS,
  DIVISION_TITLES,
  type Division,
  LEVELS,
  type Level,
  RANGES,
  type Range,
  TRANSFERS,
  TRANSFER_TITLES,
  type Transfer,
} from './trait'
export { USB_CLASSES, type UsbClass, usbVideoBits } from './usb'
