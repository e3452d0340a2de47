import { type VideoFormat, raster } from './format'
import { rate } from './rate'

/** Usable for video on one host controller, bit/s: isochronous at 2.0, about what is left of 5 and 10 Gb/s (typical). */
export const USB_CLASSES = { '2.0': 197e6, '5G': 3.2e9, '10G': 7e9 } as const
export type UsbClass = keyof typeof USB_CLASSES

/** Uncompressed video over USB: width x height x bits per pixel x frames per second, bit/s; no blanking is sent. */
export function usbVideoBits(format: VideoFormat, bitsPerPixel: number): number {
  const { width, height } = raster(format.raster)
  const { num, den } = rate(format.rate)
  return (width * height * bitsPerPixel * num) / den
}
