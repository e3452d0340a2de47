import type { Model } from '../model'

// Width of the used 16:9 area in mm: 24.9 super 35, 23.5 APS-C, 17.3 four thirds, 13.2 one inch, 9.6 two thirds, 5.6 of
// 1/2.8 inch, 6.2 of 1/2.3 inch; and the lens of those that cannot change it, its shortest and longest focal length in mm
// (all typical; a property of the mode, as crops narrow it).
const TYPICAL: Readonly<Record<string, readonly [sensorMm: number, fromMm?: number, toMm?: number]>> = {
  'camera-hand-hdmi': [13.2, 8.8, 132],
  'camera-box-hdmi': [5.6],
  'camera-studio-sdi': [9.6],
  'camera-shoulder-sdi': [9.6],
  'camera-ptz': [5.6, 4.4, 88],
  'camera-ptz-hdmi': [5.6, 4.4, 88],
  'camera-ptz-network': [5.6, 4.4, 88],
  'camera-ptz-2160': [9.6, 8, 160],
  'camera-clip-on': [6.2, 2.9, 2.9],
  'camera-action': [6.2, 2.9, 2.9],
  'camera-consumer': [5.6, 4, 80],
  'camera-cinema-sdi': [24.9],
  'camera-mirrorless': [23.5],
  'camera-mini-sdi': [17.3],
  'camera-quad-2160': [9.6],
  'camera-studio-12g': [9.6],
}

/** The optical part of a row; undefined for what is no camera, or of which nobody says. */
export function opticsRow(id: string): Pick<Model, 'optics'> {
  const row = TYPICAL[id]
  if (!row) return {}
  const [sensorMm, fromMm, toMm] = row
  return { optics: { sensorMm, ...(fromMm && toMm ? { lens: { fromMm, toMm } } : {}) } }
}
