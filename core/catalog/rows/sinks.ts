import type { Model } from '../model'
import { R24, R30, R60, set, ms, frames, UP_TO_12G, hdmi, sdi, ALL_1080P, ALL_720P, ALL_1080I, ALL_2160P60, ALL_2160P30, SCREEN_TAKES, heard, sink, looping } from './parts'

/** What shows, records or sends a picture on. */
export const SINKS: Record<string, Model> = {
  'projector': sink('projector', 'Projector, HDMI', hdmi('in', 'HDMI in', 165, { takes: SCREEN_TAKES, delay: frames(1, 3, 6) }), 320, 85000),
  'screen': sink('screen', 'Screen, HDMI', hdmi('in', 'HDMI in', 340, { takes: [...SCREEN_TAKES, ALL_2160P30], delay: frames(1, 2, 4) }), 90, 35000),
  'recorder-hdmi': {
    title: 'Recorder, HDMI, with loop-through', role: 'sink', kind: 'recorder', watts: 20, supply: 'mains', minor: 42000,
    ports: { in: hdmi('in', 'HDMI in', 165, { ...heard, takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)] }), loop: hdmi('out', 'Loop out', 165) },
    paths: [{ from: ['in'], to: ['loop'], format: 'same', delay: ms(0, 0.01, 0.05) }],
  },
  'capture-hdmi': sink('capture', 'Capture device, HDMI to USB, up to 1080p60', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1'), set(720, 'p', '50/1', R60, '60/1')], delay: frames(2, 3, 4) }), 3, 18000),
  'capture-card': {
    title: 'Capture card, two HDMI inputs', role: 'sink', kind: 'capture', watts: 15, supply: 'none', minor: 36000, paths: [],
    ports: Object.fromEntries([1, 2].map(n => [`in-${n}`, hdmi('in', `HDMI in ${n}`, 340, { ...heard, number: n, takes: [ALL_1080P, ALL_720P, ALL_2160P30], delay: frames(1, 2, 3) })])),
  },
  'encoder-stream': sink('encoder', 'Streaming encoder, HDMI', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30, '30/1', '50/1', R60, '60/1'), ALL_1080I, set(720, 'p', '50/1', R60)], delay: frames(1, 2, 3) }), 14, 52000),
  'recorder-4-sdi': {
    title: 'Recorder, four SDI inputs, a track each', role: 'sink', kind: 'recorder', watts: 45, supply: 'mains', minor: 210000, paths: [],
    ports: Object.fromEntries([1, 2, 3, 4].map(n => [`in-${n}`, sdi('in', `SDI in ${n}`, { ...heard, number: n, takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)] })])),
  },
  'screen-sdi': {
    title: 'Field screen, SDI, with loop-through', role: 'sink', kind: 'screen', watts: 18, supply: 'mains', minor: 48000,
    ports: { in: sdi('in', 'SDI in', { ...heard, takes: SCREEN_TAKES, delay: frames(1, 1, 2) }), loop: sdi('out', 'Loop out') },
    paths: [{ from: ['in'], to: ['loop'], format: 'same', delay: ms(0, 0.01, 0.05) }],
  },
  'screen-2160': sink('screen', 'Screen, HDMI, 2160, asks for 2160p60', hdmi('in', 'HDMI in', 600, { takes: [ALL_2160P60, ...SCREEN_TAKES], prefers: { raster: '3840x2160', scan: 'p', rate: '60/1' }, delay: frames(1, 2, 4) }), 140, 62000),
  'screen-computer': sink('screen', 'Computer monitor, HDMI, progressive only, asks for 1080p60', hdmi('in', 'HDMI in', 340, { takes: [set(1080, 'p', '50/1', R60, '60/1'), set(720, 'p', '60/1')], prefers: { raster: '1920x1080', scan: 'p', rate: '60/1' }, delay: frames(1, 1, 2) }), 30, 18000),
  'screen-field-hdmi': looping('screen', 'Field screen, HDMI, with loop-through', hdmi('in', 'HDMI in', 165, { takes: SCREEN_TAKES, ranges: ['narrow', 'full'], delay: frames(1, 1, 2) }), hdmi('out', 'Loop out', 165), 14, 32000),
  'screen-house': sink('screen', 'Television of the house, HDMI, cuts the edges', hdmi('in', 'HDMI in', 165, { takes: [ALL_1080I, set(1080, 'p', '50/1', R60, '60/1'), set(720, 'p', '50/1', R60, '60/1')], ranges: ['narrow'], delay: frames(2, 4, 6) }), 110, 0),
  'projector-sdi': sink('projector', 'Projector, large, SDI', sdi('in', 'SDI in', { takes: SCREEN_TAKES, delay: frames(1, 2, 3) }), 1400, 980000),
  'projector-2160': sink('projector', 'Projector, HDMI, 2160', hdmi('in', 'HDMI in', 600, { takes: [ALL_2160P60, ...SCREEN_TAKES], prefers: { raster: '3840x2160', scan: 'p', rate: '60/1' }, delay: frames(1, 3, 5) }), 480, 240000),
  'wall-processor': sink('screen', 'LED wall processor, HDMI, integer 50 and 60 frames and 59.94', hdmi('in', 'HDMI in', 340, { takes: [set(1080, 'p', '50/1', R60, '60/1')], ranges: ['full', 'narrow'], delay: frames(2, 2, 3) }), 60, 310000),
  'display-drawing': sink('screen', 'Drawing display, mini HDMI, asks for 1080p60', hdmi('in', 'HDMI in', 165, { connector: 'hdmi-c', takes: [set(1080, 'p', R60, '60/1', '50/1')], prefers: { raster: '1920x1080', scan: 'p', rate: '60/1' }, delay: frames(1, 1, 2) }), 15, 38000),
  'capture-sdi': { ...sink('capture', 'Capture device, SDI to USB', sdi('in', 'SDI in', { takes: [ALL_1080P, ALL_1080I, ALL_720P], delay: frames(2, 3, 4) }), 5, 34000), usb: { class: '5G', bitsPerPixel: 16 } },
  'capture-720': sink('capture', 'Capture device, HDMI to USB 2.0, 720p up to 30 frames', hdmi('in', 'HDMI in', 165, { takes: [set(720, 'p', '25/1', R30, '30/1')], delay: frames(3, 4, 6) }), 2, 4000),
  'capture-2160': { ...looping('capture', 'Capture device, HDMI, up to 2160p60, with loop-through', hdmi('in', 'HDMI in', 600, { takes: [ALL_1080P, ALL_720P, ALL_2160P60], delay: frames(2, 2, 3) }), hdmi('out', 'Loop out', 600), 6, 32000), usb: { class: '10G', bitsPerPixel: 12 } },
  'recorder-sdi-level-a': looping('recorder', 'Recorder, SDI, takes level A alone, with loop-through', sdi('in', 'SDI in', { levels: ['A'], takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)] }), sdi('out', 'Loop out'), 24, 88000),
  'recorder-2160': looping('recorder', 'Recorder, 12G-SDI, up to 2160p59.94, with loop-through', sdi('in', 'SDI in', { classes: UP_TO_12G, takes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), set(2160, 'p', R24, '25/1', R30, '50/1', R60)] }), sdi('out', 'Loop out', { classes: UP_TO_12G }), 40, 180000),
  'recorder-handheld': sink('recorder', 'Recorder on a memory card, HDMI, 1080p up to 30 frames and 1080i', hdmi('in', 'HDMI in', 165, { takes: [set(1080, 'p', '25/1', R30), ALL_1080I] }), 8, 14000),
  'encoder-stream-sdi': sink('encoder', 'Streaming encoder, SDI, two uplinks', sdi('in', 'SDI in', { takes: [set(1080, 'p', '25/1', R30, '50/1', R60), ALL_1080I, set(720, 'p', '50/1', R60)], delay: frames(1, 2, 3) }), 25, 160000),
  'encoder-stream-2160': sink('encoder', 'Streaming encoder, HDMI, up to 2160p30', hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_720P, ALL_2160P30], delay: frames(1, 2, 3) }), 22, 98000),
  'capture-raw': { ...sink('capture', 'Capture device, HDMI to USB 5 Gb/s, uncompressed, up to 2160p30', hdmi('in', 'HDMI in', 340, { takes: [ALL_1080P, ALL_720P, ALL_2160P30], delay: frames(1, 2, 3) }), 4, 22000), usb: { class: '5G', bitsPerPixel: 16 } },
}
