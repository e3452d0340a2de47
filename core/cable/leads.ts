import type { ConnectorId } from '#core/signal'
import type { AdapterModel, CableModel, LeadModel } from './cable'

// Reach figures are typical planning values; a plan carries its own copy, where a data sheet may overwrite them.
const G = 1e9
const pieces = (rows: readonly (readonly [m: number, price: number])[]) =>
  rows.map(([m, priceMinor]) => ({ m, priceMinor }))

const coax = (short: string, title: string, k1: number, k2: number, perM: number): CableModel => ({
  kind: 'cable',
  title,
  short,
  carries: 'sdi',
  ends: ['bnc', 'bnc'],
  oneWay: false,
  joins: true,
  reach: { kind: 'attenuation', k1, k2 },
  stock: [1, 2, 3, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100].map(m => ({ m, priceMinor: Math.round(600 + m * perM) })),
})

const adapter = (title: string, ends: readonly [ConnectorId, ConnectorId], priceMinor: number): AdapterModel => ({
  kind: 'adapter',
  title,
  carries: 'hdmi',
  ends,
  priceMinor,
})

/** Planning figures: 0.4 dB/km at 1310 nm and 13 dB between lasers; 3 dB/km at 850 nm and 6 dB (IEC 60793-2, G.652). */
const SINGLE_MODE = { dbPerKm: 0.4, budgetDb: 13 }
const MULTI_MODE = { dbPerKm: 3, budgetDb: 6 }

/** A channel of 100 m, whatever it carries (ISO/IEC 11801). */
const networkCopper = (carries: 'network' | 'control', title: string, short: string): CableModel => ({
  kind: 'cable',
  title,
  short,
  carries,
  ends: ['8p8c', '8p8c'],
  oneWay: false,
  joins: true,
  reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 100, faultM: 100 }] },
  stock: pieces([
    [1, 300],
    [2, 400],
    [5, 700],
    [10, 1100],
    [20, 1900],
    [30, 2700],
    [50, 4300],
    [75, 6200],
    [100, 8000],
  ]),
})
const networkFibre = (carries: 'network' | 'control', title: string, short: string): CableModel => ({
  kind: 'cable',
  title,
  short,
  carries,
  ends: ['8p8c', '8p8c'],
  oneWay: false,
  joins: false,
  reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 500, faultM: 500 }], optical: SINGLE_MODE },
  stock: pieces([
    [50, 26000],
    [100, 32000],
    [200, 44000],
    [500, 82000],
  ]),
})

const HDMI_ENDS = ['hdmi-a', 'hdmi-a'] as const

// Where a length is not known yet, the first that fits is offered: the usual cable of each kind stands first.
const ROWS: Record<string, LeadModel> = {
  'hdmi-passive': {
    kind: 'cable',
    title: 'Passive HDMI',
    short: 'HDMI',
    carries: 'hdmi',
    ends: HDMI_ENDS,
    oneWay: false,
    joins: true,
    reach: {
      kind: 'length',
      steps: [
        { uptoBitsPerS: 4.5 * G, warnM: 7.5, faultM: 15 },
        { uptoBitsPerS: 10.2 * G, warnM: 5, faultM: 7.5 },
        { uptoBitsPerS: 18 * G, warnM: 3, faultM: 5 },
        { uptoBitsPerS: 48 * G, warnM: 1.5, faultM: 3 },
      ],
    },
    stock: pieces([
      [0.5, 500],
      [1, 600],
      [2, 800],
      [3, 1000],
      [5, 1500],
      [7.5, 2200],
      [10, 3000],
      [15, 4500],
      [20, 6500],
    ]),
  },
  'hdmi-active': {
    kind: 'cable',
    title: 'Active HDMI',
    short: 'Active',
    carries: 'hdmi',
    ends: HDMI_ENDS,
    oneWay: true,
    joins: false,
    reach: {
      kind: 'length',
      steps: [
        { uptoBitsPerS: 10.2 * G, warnM: 20, faultM: 25 },
        { uptoBitsPerS: 18 * G, warnM: 10, faultM: 15 },
      ],
    },
    stock: pieces([
      [10, 6500],
      [15, 8500],
      [20, 11000],
      [25, 14000],
    ]),
  },
  'hdmi-optical': {
    kind: 'cable',
    title: 'Optical HDMI',
    short: 'Optical',
    carries: 'hdmi',
    ends: HDMI_ENDS,
    oneWay: true,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 18 * G, warnM: 100, faultM: 100 }], optical: MULTI_MODE },
    stock: pieces([
      [10, 9000],
      [15, 10500],
      [20, 12000],
      [30, 15000],
      [40, 18000],
      [50, 21000],
      [75, 28000],
      [100, 36000],
    ]),
  },
  'coax-rg6': coax('RG-6', 'RG-6 size coax', 0.585, 0.0006, 130),
  'coax-rg59': coax('RG-59', 'RG-59 size coax', 0.735, 0.0007, 90),
  'coax-rg11': coax('RG-11', 'RG-11 size coax', 0.4, 0.0005, 240),
  'coax-miniature': coax('Mini coax', 'Miniature coax (RG-179 size)', 1.9, 0.0015, 120),
  'fibre-sdi': {
    kind: 'cable',
    title: 'SDI over tactical fibre',
    short: 'Fibre',
    carries: 'sdi',
    ends: ['bnc', 'bnc'],
    oneWay: true,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 11.88 * G, warnM: 300, faultM: 300 }], optical: SINGLE_MODE },
    stock: pieces([
      [50, 42000],
      [100, 52000],
      [150, 61000],
      [200, 70000],
      [300, 88000],
    ]),
  },
  'usbc-lead': {
    kind: 'cable',
    title: 'USB-C lead',
    short: 'USB-C',
    carries: 'usbc',
    ends: ['usb-c', 'usb-c'],
    oneWay: false,
    joins: false,
    reach: {
      kind: 'length',
      steps: [
        { uptoBitsPerS: 10.2 * G, warnM: 2, faultM: 3 },
        { uptoBitsPerS: 18 * G, warnM: 1, faultM: 2 },
      ],
    },
    stock: pieces([
      [0.2, 700],
      [1, 1200],
      [2, 1800],
    ]),
  },
  'usb-picture': {
    kind: 'cable',
    title: 'USB lead for pictures, C to A',
    short: 'USB picture',
    carries: 'usb',
    ends: ['usb-c', 'usb-a'],
    oneWay: true,
    joins: false,
    // A passive lead of 5 Gb/s: about 2 m without trouble, 3 m at the most.
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 18 * G, warnM: 2, faultM: 3 }] },
    stock: pieces([
      [1, 900],
      [2, 1300],
      [3, 1700],
    ]),
  },
  'usb-picture-active': {
    kind: 'cable',
    title: 'Active USB lead for pictures, C to A',
    short: 'USB active',
    carries: 'usb',
    ends: ['usb-c', 'usb-a'],
    oneWay: true,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 18 * G, warnM: 12, faultM: 12 }] },
    stock: pieces([
      [5, 3900],
      [10, 5900],
    ]),
  },
  'usbc-optical': {
    kind: 'cable',
    title: 'Optical USB-C',
    short: 'USB-C opt.',
    carries: 'usbc',
    ends: ['usb-c', 'usb-c'],
    oneWay: true,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 18 * G, warnM: 20, faultM: 20 }], optical: MULTI_MODE },
    stock: pieces([
      [5, 9000],
      [10, 12000],
      [20, 17000],
    ]),
  },
  'pair-cable': {
    kind: 'cable',
    title: 'Twisted pair',
    short: 'Pair',
    carries: 'pair',
    ends: ['8p8c', '8p8c'],
    oneWay: false,
    joins: false,
    reach: {
      kind: 'length',
      steps: [
        { uptoBitsPerS: 4.5 * G, warnM: 70, faultM: 70 },
        { uptoBitsPerS: 10.2 * G, warnM: 40, faultM: 40 },
      ],
    },
    stock: pieces([
      [1, 300],
      [2, 400],
      [3, 500],
      [5, 700],
      [10, 1100],
      [15, 1500],
      [20, 1900],
      [30, 2700],
      [40, 3500],
      [50, 4300],
      [75, 6200],
    ]),
  },
  'network-cable': networkCopper('network', 'Network cable', 'Network'),
  'network-fibre': networkFibre('network', 'Network over fibre, with converters', 'Net fibre'),
  'xlr-lead': {
    kind: 'cable',
    title: 'Balanced XLR lead',
    short: 'XLR',
    carries: 'sound',
    ends: ['xlr', 'xlr'],
    oneWay: true,
    joins: true,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 200, faultM: 200 }] },
    stock: pieces([
      [1, 700],
      [3, 1000],
      [5, 1300],
      [10, 2000],
      [20, 3400],
      [30, 4800],
      [50, 7600],
    ]),
  },
  'xlr-jack-lead': {
    kind: 'cable',
    title: 'Balanced XLR to 6.3 mm jack lead',
    short: 'XLR-jack',
    carries: 'sound',
    ends: ['xlr', 'jack'],
    oneWay: true,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 100, faultM: 100 }] },
    stock: pieces([
      [1, 800],
      [3, 1100],
      [5, 1500],
      [10, 2300],
      [20, 3800],
    ]),
  },
  'jack-lead': {
    kind: 'cable',
    title: 'Balanced 6.3 mm jack lead',
    short: 'Jack',
    carries: 'sound',
    ends: ['jack', 'jack'],
    oneWay: false,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 100, faultM: 100 }] },
    stock: pieces([
      [1, 700],
      [3, 1000],
      [5, 1400],
      [10, 2200],
    ]),
  },
  'mini-jack-lead': {
    kind: 'cable',
    title: 'Unbalanced 3.5 mm lead',
    short: '3.5 mm',
    carries: 'sound',
    ends: ['mini-jack', 'mini-jack'],
    oneWay: false,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 6, faultM: 6 }] },
    stock: pieces([
      [0.5, 400],
      [1.5, 600],
      [3, 900],
      [5, 1300],
    ]),
  },
  'hdmi-mini-lead': {
    kind: 'cable',
    title: 'Passive HDMI with a mini plug',
    short: 'Mini HDMI',
    carries: 'hdmi',
    ends: ['hdmi-a', 'hdmi-c'],
    oneWay: false,
    joins: false,
    bare: true,
    reach: {
      kind: 'length',
      steps: [
        { uptoBitsPerS: 10.2 * G, warnM: 3, faultM: 5 },
        { uptoBitsPerS: 18 * G, warnM: 2, faultM: 3 },
      ],
    },
    stock: pieces([
      [1, 1400],
      [2, 1700],
      [3, 2100],
    ]),
  },
  'hdmi-micro-lead': {
    kind: 'cable',
    title: 'Passive HDMI with a micro plug',
    short: 'Micro HDMI',
    carries: 'hdmi',
    ends: ['hdmi-a', 'hdmi-d'],
    oneWay: false,
    joins: false,
    bare: true,
    reach: {
      kind: 'length',
      steps: [
        { uptoBitsPerS: 10.2 * G, warnM: 3, faultM: 5 },
        { uptoBitsPerS: 18 * G, warnM: 2, faultM: 3 },
      ],
    },
    stock: pieces([
      [1, 1500],
      [2, 1800],
      [3, 2200],
    ]),
  },
  'coax-rg6-four': {
    ...coax('4 \u00D7 RG-6', 'Four RG-6 size coax in one loom', 0.585, 0.0006, 520),
    ends: ['bnc-4', 'bnc-4'],
  },
  'coax-miniature-four': {
    ...coax('4 \u00D7 mini', 'Four miniature coax in one loom', 1.9, 0.0015, 480),
    ends: ['bnc-4', 'bnc-4'],
  },
  'control-network': networkCopper('control', 'Network cable for control', 'Network'),
  'control-usb': {
    kind: 'cable',
    title: 'USB lead, A to B',
    short: 'USB',
    carries: 'control',
    ends: ['usb-a', 'usb-b'],
    oneWay: false,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 5, faultM: 5 }] },
    stock: pieces([
      [1, 500],
      [2, 700],
      [3, 900],
      [5, 1200],
    ]),
  },
  'control-fibre': networkFibre('control', 'Control network over fibre, with converters', 'Ctl fibre'),
  'control-usb-active': {
    kind: 'cable',
    title: 'Active USB lead, A to B',
    short: 'USB active',
    carries: 'control',
    ends: ['usb-a', 'usb-b'],
    oneWay: false,
    joins: false,
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 20, faultM: 20 }] },
    stock: pieces([
      [10, 3500],
      [15, 4500],
      [20, 5500],
    ]),
  },
  'air-sound': {
    kind: 'cable',
    title: 'Through the air, radio microphone',
    short: 'air',
    carries: 'sound',
    ends: ['aerial', 'aerial'],
    oneWay: true,
    joins: false,
    // Small packs on a body: 60 m in a hall full of people, 100 m without.
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 60, faultM: 100 }] },
    // Nothing to buy or to carry: a way through the hall.
    stock: pieces([[100, 0]]),
  },
  'air-network': {
    kind: 'cable',
    title: 'Through the air, radio network',
    short: 'air',
    carries: 'control',
    ends: ['aerial', 'aerial'],
    oneWay: false,
    joins: false,
    // An access point in the hall: 30 m once people stand in it, 60 m before.
    reach: { kind: 'length', steps: [{ uptoBitsPerS: 10 * G, warnM: 30, faultM: 60 }] },
    stock: pieces([[60, 0]]),
  },
  'adapter-hdmi-mini': adapter('Mini HDMI adapter, short, with strain relief', ['hdmi-c', 'hdmi-a'], 900),
  'adapter-hdmi-micro': adapter('Micro HDMI adapter, short, with strain relief', ['hdmi-d', 'hdmi-a'], 900),
  'adapter-hdmi-mini-stiff': { ...adapter('Mini HDMI plug adapter, stiff', ['hdmi-c', 'hdmi-a'], 400), bare: true },
  'adapter-hdmi-micro-stiff': { ...adapter('Micro HDMI plug adapter, stiff', ['hdmi-d', 'hdmi-a'], 400), bare: true },
  'adapter-usbc-plug': adapter('USB-C to HDMI plug adapter, passive', ['usb-c', 'hdmi-a'], 700),
}

/** Grams of a metre with its share of plugs, typical; of an adapter, grams. */
const GRAMS: Readonly<Record<string, number>> = {
  'hdmi-passive': 90,
  'hdmi-active': 55,
  'hdmi-optical': 35,
  'coax-rg6': 45,
  'coax-rg59': 55,
  'coax-rg11': 100,
  'coax-miniature': 15,
  'fibre-sdi': 30,
  'usbc-lead': 45,
  'usb-picture': 45,
  'usb-picture-active': 60,
  'usbc-optical': 30,
  'pair-cable': 42,
  'network-cable': 42,
  'network-fibre': 30,
  'xlr-lead': 60,
  'xlr-jack-lead': 60,
  'jack-lead': 55,
  'mini-jack-lead': 25,
  'hdmi-mini-lead': 60,
  'hdmi-micro-lead': 60,
  'coax-rg6-four': 200,
  'coax-miniature-four': 70,
  'control-network': 42,
  'control-usb': 50,
  'control-fibre': 30,
  'control-usb-active': 60,
  'adapter-hdmi-mini': 15,
  'adapter-hdmi-micro': 15,
  'adapter-hdmi-mini-stiff': 10,
  'adapter-hdmi-micro-stiff': 10,
  'adapter-usbc-plug': 20,
  'air-sound': 0.001,
  'air-network': 0.001,
}
const weighed = (id: string, row: LeadModel): LeadModel =>
  GRAMS[id] === undefined ? row : row.kind === 'cable' ? { ...row, gramsPerM: GRAMS[id] } : { ...row, grams: GRAMS[id] }

/** The catalogue of cables and adapters by id; each carries its own reference. */
export const LEADS: ReadonlyMap<string, LeadModel> = new Map(
  Object.entries(ROWS).map(([id, row]) => [id, { from: `builtin/${id}@1`, ...weighed(id, row) }]),
)
const BY_REFERENCE: ReadonlyMap<string | undefined, LeadModel> = new Map(
  [...LEADS.values()].map(row => [row.from, row]),
)

/**
 * Mass of a piece of so many metres, or of an adapter, grams; what lies in the building is not carried. Undefined where
 * neither the lead nor the row that it was copied from says.
 */
export function leadGrams(lead: LeadModel, pieceM = 0): number | undefined {
  if (lead.kind === 'cable' && lead.installed) return 0
  const said = (row: LeadModel | undefined): number | undefined => (row?.kind === 'cable' ? row.gramsPerM : row?.grams)
  const grams = said(lead) ?? said(BY_REFERENCE.get(lead.from))
  return grams === undefined || lead.kind === 'adapter' ? grams : grams * pieceM
}
