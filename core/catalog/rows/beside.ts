import type { Model } from '../model'
import { ms, network, usbControl, sound } from './parts'

/** Sound and control: devices without a picture. */
export const BESIDE: Record<string, Model> = {
  'microphone-speech': { title: 'Speech microphone, XLR', role: 'sound', kind: 'microphone', ports: { out: sound('out', 'Out', 'xlr', 1) }, paths: [], watts: 0, supply: 'none', minor: 12000 },
  'microphone-radio': { title: 'Radio microphone with receiver, 3.5 mm', role: 'sound', kind: 'microphone', ports: { out: sound('out', 'Receiver out', 'mini-jack', 1) }, paths: [], watts: 1, supply: 'battery', minor: 28000 },
  'desk-8': {
    title: 'Sound desk, 8 microphone inputs, two mixes', role: 'sound', kind: 'desk', watts: 25, supply: 'mains', minor: 42000,
    ports: { ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8].map(n => [`in-${n}`, { ...sound('in', `Input ${n}`, 'xlr', 1), number: n }])), 'main': { ...sound('out', 'Main mix', 'jack', 2), sound: 0 }, 'second': { ...sound('out', 'Second mix', 'jack', 2), sound: 0 } },
    paths: [{ from: [1, 2, 3, 4, 5, 6, 7, 8].map(n => `in-${n}`), to: ['main', 'second'], format: 'same', delay: ms(0, 1, 2) }],
  },
  'desk-house': { title: 'Sound desk of the house, line feed', role: 'sound', kind: 'desk', ports: { feed: sound('out', 'Line feed', 'xlr', 2) }, paths: [], watts: 0, supply: 'none', minor: 0 },
  'microphone-radio-two': { title: 'Two radio microphones on one receiver, 3.5 mm, one a side', role: 'sound', kind: 'microphone', ports: { out: sound('out', 'Receiver out', 'mini-jack', 2) }, paths: [], watts: 1, supply: 'battery', minor: 42000 },
  'player-music': { title: 'Music player, 3.5 mm', role: 'sound', kind: 'player', ports: { out: sound('out', 'Out', 'mini-jack', 2) }, paths: [], watts: 2, supply: 'usb', minor: 9000 },
  'desk-16': {
    title: 'Sound desk, 16 microphone inputs, four mixes', role: 'sound', kind: 'desk', watts: 55, supply: 'mains', minor: 128000,
    ports: { ...Object.fromEntries(Array.from({ length: 16 }, (_, i) => [`in-${i + 1}`, { ...sound('in', `Input ${i + 1}`, 'xlr', 1), number: i + 1 }])), ...Object.fromEntries([1, 2, 3, 4].map(n => [`mix-${n}`, { ...sound('out', `Mix ${n}`, 'xlr', 2), sound: 0, number: n }])) },
    paths: [{ from: Array.from({ length: 16 }, (_, i) => `in-${i + 1}`), to: ['mix-1', 'mix-2', 'mix-3', 'mix-4'], format: 'same', delay: ms(1, 2, 3) }],
  },
  'balance-box': {
    title: 'Transformer box, 3.5 mm to balanced XLR', role: 'sound', kind: 'converter', watts: 0, supply: 'none', minor: 5500,
    ports: { in: sound('in', 'In', 'mini-jack', 2), out: { ...sound('out', 'Out', 'xlr', 2), sound: 0 } }, paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'unbalance-box': {
    title: 'Transformer box, balanced XLR to 3.5 mm', role: 'sound', kind: 'converter', watts: 0, supply: 'none', minor: 5500,
    ports: { in: sound('in', 'In', 'xlr', 2), out: { ...sound('out', 'Out', 'mini-jack', 2), sound: 0 } }, paths: [{ from: ['in'], to: ['out'], format: 'same', delay: ms(0, 0, 0) }],
  },
  'computer-control': {
    title: 'Computer for control, network and two USB sockets', role: 'control', kind: 'controller', watts: 40, supply: 'mains', minor: 60000, paths: [],
    ports: { 'network': network('out', 'Network'), 'usb-1': usbControl('out', 'USB 1', 'usb-a'), 'usb-2': usbControl('out', 'USB 2', 'usb-a') },
  },
  'controller-joystick': {
    title: 'Joystick for pan-tilt-zoom cameras, network', role: 'control', kind: 'controller', watts: 8, supply: 'mains', minor: 78000, paths: [], ports: { network: network('out', 'Network') },
  },
  'switch-control': {
    title: 'Network switch for control, 8 ports', role: 'control', kind: 'network', watts: 6, supply: 'mains', minor: 5000,
    ports: { in: network('in', 'Port 1'), ...Object.fromEntries([2, 3, 4, 5, 6, 7, 8].map(n => [`out-${n}`, { ...network('out', `Port ${n}`), number: n }])) },
    paths: [{ from: ['in'], to: [2, 3, 4, 5, 6, 7, 8].map(n => `out-${n}`), format: 'same', delay: ms(0, 0, 0) }],
  },
}
