import type { Model } from '../model'

/** What the battery that comes with each device holds, watt-hours (typical), and whether it is changed while it runs. */
export const BATTERIES: Readonly<Record<string, NonNullable<Model['battery']>>> = {
  'camera-hand-hdmi': { wh: 16 },
  'camera-shoulder-sdi': { wh: 95, hotSwap: true },
  'phone': { wh: 15 },
  'camera-clip-on': { wh: 6 },
  'camera-cinema-sdi': { wh: 98, hotSwap: true },
  'camera-mirrorless': { wh: 16 },
  'camera-consumer': { wh: 14 },
  'camera-action': { wh: 6 },
  'phone-upright': { wh: 15 },
  'tablet-slides': { wh: 30 },
  'radio-hdmi': { wh: 47 },
  'radio-sdi': { wh: 95 },
  'radio-hdmi-720': { wh: 32 },
  'radio-one-to-two': { wh: 47 },
  'radio-sdi-far': { wh: 98 },
  'microphone-radio': { wh: 6 },
  'microphone-radio-two': { wh: 6 },
}
/** Converters on the way that charge the phone or tablet before them. */
export const CHARGING: readonly string[] = ['usbc-hdmi-full', 'usbc-hdmi-overscan']
