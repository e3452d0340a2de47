import { type Quantity, quantityKind } from '#core/kernel'
import { type VideoFormat, exactFormatLabel } from './format'

declare module '../kernel/quantity' {
  interface Quantities {
    format: { format: VideoFormat }
  }
}

export const FORMAT_QUANTITY = quantityKind({
  is: 'format',
  words: ({ format }) => exactFormatLabel(format),
  plain: ({ format }) => format,
})

export const format = (value: VideoFormat): Quantity => ({ is: 'format', format: value })
