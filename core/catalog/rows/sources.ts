import type { Model } from '../model'
import { R24, R30, R60, set, ms, frames, RGB_8, UP_TO_12G, hdmi, sdi, ALL_1080I, PTZ_MAKES, PLAYER_MAKES, network, heard, source } from './parts'

/** What makes a picture. */
export const SOURCES: Record<string, Model> = {
  'camera-hand-hdmi': {
    title: 'Hand camera, micro HDMI, records 2160 inside', role: 'source', kind: 'camera', watts: 9, supply: 'battery', minor: 95000, delay: frames(1, 2, 3), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { connector: 'hdmi-d', ...heard }) },
    modes: {
      'live': { title: 'Live, 1080 out', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), set(1080, 'i', '25/1', R30)] } },
      'inside-2160': { title: 'Records 2160 inside, 1080 out up to 30 frames', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30)] }, records: [set(2160, 'p', R24, '25/1', R30)] },
      'out-2160': { title: '2160 out, no recording', makes: { hdmi: [set(2160, 'p', R24, '25/1', R30)] } },
    },
  },
  'camera-box-hdmi': {
    title: 'Box camera, HDMI, 59.94 family only', role: 'source', kind: 'camera', watts: 7, supply: 'mains', minor: 52000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { ...heard, makes: [set(1080, 'p', R60, R30), set(720, 'p', R60)] }) },
  },
  'camera-studio-sdi': {
    title: 'Studio camera, SDI, all HD formats', role: 'source', kind: 'camera', watts: 18, supply: 'mains', minor: 240000, delay: frames(1, 1, 2), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { ...heard, makes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I, set(1080, 'psf', '25/1', R30), set(720, 'p', '50/1', R60)] }) },
  },
  'camera-shoulder-sdi': {
    title: 'Shoulder camera, SDI, 1080i50 only', role: 'source', kind: 'camera', watts: 22, supply: 'battery', minor: 180000, delay: frames(1, 1, 2), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { ...heard, classes: ['HD'], makes: [set(1080, 'i', '25/1')] }) },
  },
  'phone': {
    title: 'Phone with clean picture over USB-C', role: 'source', kind: 'phone', watts: 5, supply: 'battery', minor: 30000, delay: ms(40, 60, 80), paths: [],
    ports: { 'usb-c': { title: 'USB-C', dir: 'out', carries: 'usbc', connector: 'usb-c', maxMHz: 600, ...heard, coding: { sampling: '4:4:4', depth: 8 }, makes: [set(1080, 'p', '30/1', R30, '60/1', R60, '25/1', '50/1'), set(720, 'p', '60/1')] } },
  },
  'computer': {
    title: 'Computer with two HDMI outputs', role: 'source', kind: 'computer', watts: 65, supply: 'mains', minor: 90000, delay: frames(1, 1.5, 2), paths: [],
    ports: Object.fromEntries([1, 2].map(n => [`hdmi-${n}`, hdmi('out', `HDMI ${n}`, 340, { number: n, ...heard, coding: RGB_8, makes: [set(1080, 'p', '60/1', R60, '50/1', '30/1', R30, '25/1', '24/1'), set(720, 'p', '60/1', R60, '50/1'), set(2160, 'p', '30/1', R30, '25/1')] })])),
  },
  'camera-ptz': {
    title: 'Pan-tilt-zoom camera, SDI and HDMI at once', role: 'source', kind: 'camera', watts: 14, supply: 'mains', minor: 210000, delay: frames(1, 2, 3), paths: [],
    ports: { sdi: sdi('out', 'SDI out', { makes: PTZ_MAKES }), hdmi: hdmi('out', 'HDMI out', 165, { makes: PTZ_MAKES }) },
  },
  'camera-clip-on': {
    title: 'Helmet camera, micro HDMI, 2160 or 1080 at 30 frames', role: 'source', kind: 'camera', watts: 4, supply: 'battery', minor: 38000, delay: frames(2, 3, 4), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { connector: 'hdmi-d', makes: [set(1080, 'p', R30, '25/1'), set(2160, 'p', R30, '25/1')] }) },
  },
  'player-fill-key': {
    title: 'Clip player with fill and key, SDI', role: 'source', kind: 'player', watts: 40, supply: 'mains', minor: 165000, delay: frames(1, 1, 2), paths: [],
    ports: { fill: sdi('out', 'Fill out', { ...heard, makes: PLAYER_MAKES }), key: sdi('out', 'Key out', { makes: PLAYER_MAKES }) },
  },
  'computer-fill-key': {
    title: 'Computer with an SDI card for fill and key', role: 'source', kind: 'computer', watts: 120, supply: 'mains', minor: 190000, delay: frames(1, 1.5, 2), paths: [],
    ports: { fill: sdi('out', 'Fill out', { makes: PLAYER_MAKES }), key: sdi('out', 'Key out', { makes: PLAYER_MAKES }) },
  },
  'laptop': {
    title: 'Laptop, one HDMI output, integer rates only', role: 'source', kind: 'computer', watts: 45, supply: 'mains', minor: 80000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 340, { ...heard, coding: RGB_8, makes: [set(1080, 'p', '60/1', '50/1', '30/1', '25/1'), set(720, 'p', '60/1', '50/1')] }) },
  },
  'tablet-drawing': {
    title: 'Drawing tablet, mini HDMI, silent', role: 'source', kind: 'tablet', watts: 12, supply: 'usb', minor: 60000, delay: frames(1, 1.5, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { connector: 'hdmi-c', coding: RGB_8, makes: [set(1080, 'p', '60/1', R60, '50/1', '25/1')] }) },
  },
  'player-clips': {
    title: 'Clip player, HDMI, one clip after the other', role: 'source', kind: 'player', watts: 8, supply: 'mains', minor: 26000, delay: frames(1, 1, 2), paths: [],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { ...heard, makes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I] }) },
  },
  'camera-cinema-sdi': source('camera', 'Large-sensor camera, SDI at level B, log until set', sdi('out', 'SDI out', { ...heard, levels: ['B', 'A'], transfers: ['log', 'sdr', 'hlg'], readouts: 'switchable', makes: [set(1080, 'p', R24, '25/1', R30, '50/1', R60), ALL_1080I] }), 32, 'battery', 620000, frames(1, 1.5, 2)),
  'camera-mirrorless': {
    ...source('camera', 'Mirrorless camera, mini HDMI, 2160 inside or out', hdmi('out', 'HDMI out', 340, { connector: 'hdmi-c', ...heard, transfers: ['sdr', 'hlg', 'log'], readouts: 'switchable' }), 8, 'battery', 140000, frames(1, 2, 3)),
    modes: {
      'out-1080': { title: '1080 out, records 2160 inside up to 30 frames', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30)] }, records: [set(2160, 'p', R24, '25/1', R30)] },
      'live': { title: '1080 out at all rates, no recording', makes: { hdmi: [set(1080, 'p', R24, '25/1', R30, '50/1', R60)] } },
      'out-2160': { title: '2160 out, no recording', makes: { hdmi: [set(2160, 'p', R24, '25/1', R30)] } },
    },
    limits: [{ what: 'power-off', minutes: 30, settable: true }, { what: 'recording', minutes: 29 }],
  },
  'camera-consumer': source('camera', 'Consumer camera, mini HDMI, readouts always in the picture', hdmi('out', 'HDMI out', 165, { connector: 'hdmi-c', ...heard, readouts: 'always', makes: [ALL_1080I, set(1080, 'p', R60, '50/1')] }), 5, 'battery', 35000, frames(2, 3, 4), { limits: [{ what: 'power-off', minutes: 5, settable: true }] }),
  'camera-action': source('camera', 'Action camera, micro HDMI, 4:3 until set', hdmi('out', 'HDMI out', 165, { connector: 'hdmi-d', ...heard, aspects: ['4:3', '16:9'], readouts: 'switchable', makes: [set(1080, 'p', R30, '25/1', R60, '50/1')] }), 5, 'battery', 40000, frames(2, 4, 6), { limits: [{ what: 'power-off', minutes: 15, settable: true }] }),
  'camera-mini-sdi': source('camera', 'Point-of-view camera, HD-SDI, integer rates only', sdi('out', 'SDI out', { classes: ['HD'], makes: [set(1080, 'p', '25/1', '30/1'), set(1080, 'i', '25/1', '30/1'), set(720, 'p', '50/1', '60/1')] }), 4, 'mains', 48000, frames(1, 1.5, 2)),
  'camera-ptz-hdmi': {
    title: 'Pan-tilt-zoom camera, HDMI, set up over the network', role: 'source', kind: 'camera', watts: 12, supply: 'mains', minor: 98000, delay: frames(2, 2.5, 3), paths: [], configured: ['control'],
    ports: { hdmi: hdmi('out', 'HDMI out', 165, { ...heard, makes: PTZ_MAKES }), control: network('in', 'Control (network)') },
  },
  'camera-ptz-2160': {
    title: 'Pan-tilt-zoom camera, 12G-SDI and HDMI at once, set up over the network', role: 'source', kind: 'camera', watts: 26, supply: 'mains', minor: 520000, delay: frames(1, 2, 3), paths: [], configured: ['control'],
    ports: { sdi: sdi('out', 'SDI out', { ...heard, classes: UP_TO_12G, makes: [set(2160, 'p', '25/1', R30, '50/1', R60), ...PTZ_MAKES] }), hdmi: hdmi('out', 'HDMI out', 600, { makes: [set(2160, 'p', '25/1', R30, '50/1', R60), ...PTZ_MAKES] }), control: network('in', 'Control (network)') },
  },
  'camera-quad-2160': source('camera', 'Studio camera, 2160 over four 3G links', sdi('out', 'SDI out, four links', { ...heard, connector: 'bnc-4', divisions: ['interleave', 'square'], makes: [set(2160, 'p', '50/1', R60)] }), 45, 'mains', 980000, frames(1, 1, 2)),
  'camera-studio-12g': source('camera', 'Studio camera, 12G-SDI, 2160 and 1080, HLG until set', sdi('out', 'SDI out', { ...heard, classes: UP_TO_12G, transfers: ['hlg', 'sdr'], makes: [set(2160, 'p', '25/1', R30, '50/1', R60), set(1080, 'p', '25/1', R30, '50/1', R60), ALL_1080I] }), 48, 'mains', 890000, frames(1, 1, 2)),
  'camera-document': source('camera', 'Document camera, HDMI, 4:3 picture', hdmi('out', 'HDMI out', 165, { aspects: ['4:3'], makes: [set(1080, 'p', '60/1', '30/1'), set(720, 'p', '60/1')] }), 10, 'mains', 42000, frames(2, 3, 4)),
  'phone-upright': source('phone', 'Phone held upright, USB-C, HLG until set', { title: 'USB-C', dir: 'out', carries: 'usbc', connector: 'usb-c', maxMHz: 600, ...heard, coding: RGB_8, aspects: ['9:16', '16:9'], transfers: ['hlg', 'sdr'], makes: [set(1080, 'p', R60, R30, '60/1', '30/1')] }, 5, 'battery', 60000, ms(60, 90, 120), { limits: [{ what: 'sleep', minutes: 10, settable: true }] }),
  'tablet-slides': source('tablet', 'Tablet, USB-C, 4:3 screen sent as it is', { title: 'USB-C', dir: 'out', carries: 'usbc', connector: 'usb-c', maxMHz: 340, ...heard, coding: RGB_8, aspects: ['4:3', '16:9'], makes: [set(1080, 'p', '60/1', '30/1')] }, 10, 'battery', 55000, frames(1, 2, 3), { limits: [{ what: 'sleep', minutes: 10, settable: true }] }),
  'laptop-office': source('computer', 'Office laptop, 16:10 screen sent as it is, full range until set', hdmi('out', 'HDMI out', 340, { ...heard, coding: RGB_8, aspects: ['16:10', '16:9'], ranges: ['full', 'narrow'], makes: [set(1080, 'p', '60/1', R60, '50/1', '30/1')] }), 40, 'mains', 70000, frames(1, 1.5, 2), { limits: [{ what: 'sleep', minutes: 15, settable: true }] }),
  'computer-usbc': source('computer', 'Computer, USB-C output alone, up to 2160', { title: 'USB-C', dir: 'out', carries: 'usbc', connector: 'usb-c', maxMHz: 600, ...heard, coding: RGB_8, ranges: ['full', 'narrow'], makes: [set(2160, 'p', '60/1', R60, '50/1', '30/1'), set(1080, 'p', '60/1', R60, '50/1', '30/1', R30, '25/1')] }, 60, 'mains', 120000, frames(1, 1.5, 2)),
  'computer-guest': source('computer', 'Computer for guest calls, HDMI, call in full screen', hdmi('out', 'HDMI out', 340, { ...heard, coding: RGB_8, makes: [set(1080, 'p', R60, '60/1', '50/1', R30, '30/1', '25/1')] }), 60, 'mains', 85000, ms(120, 200, 400), { limits: [{ what: 'sleep', minutes: 30, settable: true }] }),
  'still-store': {
    title: 'Still store, SDI fill and key, silent', role: 'source', kind: 'player', watts: 20, supply: 'mains', minor: 88000, delay: frames(0, 1, 1), paths: [],
    ports: { fill: sdi('out', 'Fill out', { makes: PLAYER_MAKES }), key: sdi('out', 'Key out', { makes: PLAYER_MAKES }) },
  },
  'player-two': {
    title: 'Clip server, two SDI channels', role: 'source', kind: 'player', watts: 150, supply: 'mains', minor: 420000, delay: frames(1, 1, 2), paths: [],
    ports: { 'channel-1': sdi('out', 'Channel 1', { ...heard, number: 1, makes: PLAYER_MAKES }), 'channel-2': sdi('out', 'Channel 2', { ...heard, number: 2, makes: PLAYER_MAKES }) },
  },
  'player-disc': source('player', 'Disc player, HDMI, always content-protected', hdmi('out', 'HDMI out', 340, { ...heard, protection: 'always', makes: [set(1080, 'p', R24, R60, '50/1'), ALL_1080I] }), 14, 'mains', 18000, frames(1, 2, 3)),
  'player-stream': source('player', 'Media player, HDMI, protected and HDR until set', hdmi('out', 'HDMI out', 600, { ...heard, protection: 'switchable', transfers: ['pq', 'hlg', 'sdr'], coding: RGB_8, makes: [set(1080, 'p', R60, '50/1', R24, R30, '25/1'), set(2160, 'p', R30, '25/1')] }), 6, 'mains', 15000, frames(1, 2, 3), { limits: [{ what: 'sleep', minutes: 20, settable: true }] }),
  'console-game': source('computer', 'Game console, HDMI, protected until set', hdmi('out', 'HDMI out', 600, { ...heard, follows: false, protection: 'switchable', coding: RGB_8, ranges: ['full', 'narrow'], makes: [set(1080, 'p', R60), set(720, 'p', R60)] }), 120, 'mains', 48000, frames(1, 2, 3)),
  'player-tape': source('player', 'Tape player, analogue, with SD-SDI converter', sdi('out', 'SDI out', { ...heard, classes: ['SD'], makes: [set(576, 'i', '25/1'), set(480, 'i', R30)] }), 30, 'mains', 26000, frames(1, 1, 2)),
}
