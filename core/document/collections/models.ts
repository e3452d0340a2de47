import { LISTENS } from '../address'
import {
  ACTS,
  CARRIED,
  FEEDS,
  INLETS,
  KEY_KINDS,
  KINDS,
  ROLES,
  SOUND_HZ,
  SURFACES,
  TAP_LAYERS,
  TRANSITIONS,
  WAKES,
  type Model,
} from '#core/catalog'
import { collection, listOf, mapOf, number, object, oneOf, ref, said, whole, type Misfit } from '#core/kernel'
import {
  ASPECTS,
  CONNECTORS,
  DEPTHS,
  DIVISIONS,
  LEVELS,
  RANGES,
  SAMPLINGS,
  SDI_CLASSES,
  SIGNAL_KINDS,
  TRANSFERS,
  USB_CLASSES,
} from '#core/signal'
import { formatMisfit, setsMisfit } from '../formats'
import { idsOf, misfit, own, REFERENCE, show } from '../problem'

export const port = object(['title', 'dir', 'carries', 'connector'], {
  title: ref('title'),
  dir: oneOf(['in', 'out']),
  carries: oneOf(SIGNAL_KINDS),
  connector: oneOf(CONNECTORS),
  number: whole(1, 999),
  maxMHz: number(1, 10_000),
  classes: listOf(oneOf(SDI_CLASSES), SDI_CLASSES.length, 1),
  budgetDb: object([], Object.fromEntries(SDI_CLASSES.map(name => [name, number(1, 100)]))),
  coding: object(['sampling', 'depth'], { sampling: oneOf(SAMPLINGS), depth: oneOf(DEPTHS) }),
  makes: ref('formatSets'),
  takes: { if: { type: 'string' }, then: { const: 'standard' }, else: ref('formatSets') },
  delay: ref('delay'),
  feeds: listOf(oneOf(CARRIED), CARRIED.length, 1),
  sound: whole(0, 64),
  minus: said,
  soundLevel: oneOf(['microphone', 'line']),
  phantom: oneOf(['needs', 'harmed', 'switched']),
  nominalDbu: listOf(number(-60, 30), 4, 1),
  sides: oneOf(['left', 'apart']),
  pen: said,
  poe: object([], { takes: whole(1, 8), gives: whole(1, 8) }, { minProperties: 1, maxProperties: 1 }),
  soundHz: listOf(oneOf(SOUND_HZ), SOUND_HZ.length, 1),
  levels: listOf(oneOf(LEVELS), 2, 1),
  divisions: listOf(oneOf(DIVISIONS), 2, 1),
  protection: oneOf(['always', 'switchable']),
  decodes: { type: 'boolean' },
  ranges: listOf(oneOf(RANGES), 2, 1),
  transfers: listOf(oneOf(TRANSFERS), TRANSFERS.length, 1),
  readouts: oneOf(['always', 'switchable']),
  aspects: listOf(oneOf(ASPECTS), ASPECTS.length, 1),
  fits: { const: true },
  follows: { type: 'boolean' },
  prefers: ref('format'),
})

export const path = object(['from', 'to', 'format', 'delay'], {
  from: listOf(ref('slug'), 200, 1),
  to: listOf(ref('slug'), 200, 1),
  format: oneOf(['same', 'port', 'standard', 'chosen', 'tiles']),
  passes: ref('formatSets'),
  sound: { const: 'drops' },
  maps: { const: 'sdr' },
  fills: number(0.1, 1),
  edid: oneOf(['first', 'kept']),
  passive: { const: true },
  delay: ref('delay'),
})

const mix = object(
  [
    'buses',
    'press',
    'transitions',
    'longest',
    'during',
    'keyers',
    'stills',
    'stillFrames',
    'clips',
    'colours',
    'macros',
    'shortName',
    'longName',
    'fadeToBlack',
    'bootS',
    'surfaces',
  ],
  {
    buses: whole(1, 64),
    press: oneOf(['direct', 'preview', 'either']),
    transitions: listOf(oneOf(TRANSITIONS), TRANSITIONS.length, 1),
    longest: whole(1, 10_000),
    during: oneOf(['ignores', 'finishes', 'reverses']),
    keyers: listOf(
      object(['title', 'place', 'kinds'], {
        title: ref('title'),
        place: oneOf(['before', 'after']),
        kinds: listOf(oneOf(KEY_KINDS), KEY_KINDS.length, 1),
      }),
      64,
    ),
    keyScale: object(['steps', 'shows'], {
      steps: whole(1, 255),
      shows: oneOf(['percent', 'number', 'slope']),
    }),
    taps: object([], Object.fromEntries(FEEDS.map(feed => [feed, listOf(oneOf(TAP_LAYERS), TAP_LAYERS.length)])), {
      minProperties: 1,
    }),
    stills: whole(0, 1000),
    stillFrames: whole(0, 10_000),
    plainStills: { const: true },
    clips: whole(0, 1000),
    colours: whole(0, 64),
    macros: whole(0, 10_000),
    again: oneOf(['refused', 'restarts', 'beside']),
    keepsPreview: { const: true },
    followFadeMs: number(0, 1000),
    shortName: whole(0, 120),
    longName: whole(0, 120),
    fadeToBlack: { type: 'boolean' },
    bootS: number(0, 3600),
    wakes: oneOf(WAKES),
    resets: listOf(oneOf(ACTS), ACTS.length, 1),
    surfaces: listOf(
      object(['kind', 'reaches', 'latencyMs'], {
        kind: oneOf(SURFACES),
        reaches: listOf(oneOf(ACTS), ACTS.length, 1),
        latencyMs: number(0, 10_000),
        confirms: { const: true },
      }),
      SURFACES.length,
      1,
    ),
    loss: object(['shows', 'frames', 'lockFrames'], {
      shows: oneOf(['black', 'frozen', 'colour']),
      frames: whole(0, 1000),
      lockFrames: whole(0, 1000),
    }),
  },
)

export const models = collection<Model>({
  name: 'models',
  entry: 'model',
  about: 'The models that are used, each once, as rows of the catalogue or of one\u2019s own.',
  most: 1000,
  embeds: true,
  schema: object(['title', 'role', 'ports', 'paths', 'watts', 'supply', 'priceMinor'], {
    from: { type: 'string', pattern: REFERENCE },
    title: ref('title'),
    short: ref('title'),
    role: oneOf(ROLES),
    kind: oneOf(KINDS),
    ports: mapOf(ref('port'), 200),
    paths: listOf(ref('path'), 200),
    modes: {
      ...mapOf(
        object(['title', 'makes'], {
          title: ref('title'),
          makes: mapOf(ref('formatSets'), 200),
          records: ref('formatSets'),
        }),
        50,
      ),
      minProperties: 1,
    },
    standards: ref('formatSets'),
    delay: ref('delay'),
    amplifies: { const: true },
    limits: listOf(
      object(['what', 'minutes'], {
        what: oneOf(['power-off', 'sleep', 'recording']),
        minutes: number(1, 10_000),
        settable: { const: true },
      }),
      10,
    ),
    configured: listOf(ref('slug'), 20, 1),
    optics: object(['sensorMm'], {
      sensorMm: number(1, 100),
      lens: object(['fromMm', 'toMm'], { fromMm: number(0.5, 5000), toMm: number(0.5, 5000) }),
    }),
    listens: { type: 'string', pattern: LISTENS },
    inset: ref('slug'),
    keyers: whole(0, 64),
    records: whole(0, 64),
    surface: oneOf(SURFACES),
    isolates: whole(0, 64),
    battery: object(['wh'], { wh: number(0.1, 5000), hotSwap: said }),
    charges: said,
    poeBudget: object(['w', 'by'], { w: number(1, 10_000), by: oneOf(['class', 'draw']) }),
    mix,
    radio: object(['fMHz', 'eirpDbm', 'gainDbi', 'needsDbm', 'channels'], {
      fMHz: number(100, 100_000),
      eirpDbm: number(-20, 60),
      gainDbi: number(-10, 40),
      needsDbm: number(-120, 0),
      channels: whole(1, 200),
      chooses: { const: true },
    }),
    receiver: ref('slug'),
    usb: object(['class', 'bitsPerPixel'], { class: oneOf(Object.keys(USB_CLASSES)), bitsPerPixel: number(1, 64) }),
    watts: number(0, 20_000),
    mostWatts: number(0, 40_000),
    grams: number(0, 1_000_000),
    litres: number(0, 10_000),
    warm: said,
    dc: object(['minV', 'maxV'], { minV: number(1, 400), maxV: number(1, 400) }),
    unswitched: said,
    inlet: object(['kind', 'minV', 'maxV'], {
      kind: oneOf(Object.keys(INLETS)),
      minV: number(1, 1000),
      maxV: number(1, 1000),
    }),
    inrush: object(['a', 'ms'], { a: number(0.1, 2000), ms: number(0.01, 1000) }),
    prerollFrames: whole(0, 1000),
    supply: oneOf(['mains', 'usb', 'battery', 'none']),
    priceMinor: whole(0, 1e9),
  }),
  misfit: (entries, at) => {
    for (const [id, model] of Object.entries(entries)) {
      const bad = modelMisfit(model, `${at}/${id}`)
      if (bad) return bad
    }
    return undefined
  },
  words: ({ title }) => title,
})

function modelMisfit(model: Model, path: string): Misfit | undefined {
  for (const [id, port] of Object.entries(model.ports)) {
    const bad =
      setsMisfit(port.makes, `${path}/ports/${id}/makes`) ??
      (typeof port.takes === 'object' ? setsMisfit(port.takes, `${path}/ports/${id}/takes`) : undefined) ??
      delayMisfit(port.delay, `${path}/ports/${id}/delay`) ??
      (port.prefers ? formatMisfit(port.prefers, `${path}/ports/${id}/prefers`) : undefined)
    if (bad) return bad
  }
  for (const [i, way] of model.paths.entries()) {
    for (const [end, dir] of [
      ['from', 'in'],
      ['to', 'out'],
    ] as const) {
      const odd = way[end].find(id => own(model.ports, id)?.dir !== dir)
      if (odd !== undefined)
        return misfit(
          `${path}/paths/${i}/${end}`,
          show(odd),
          `ports of direction ${dir}: ${idsOf(Object.fromEntries(Object.entries(model.ports).filter(([, port]) => port.dir === dir)))}`,
        )
    }
    if (way.format === 'tiles' && way.to.some(id => !model.ports[id]!.makes))
      return misfit(`${path}/paths/${i}/to`, show(way.to[0]), 'outputs with formats to make (makes)')
    const bad =
      setsMisfit(way.passes, `${path}/paths/${i}/passes`) ?? delayMisfit(way.delay, `${path}/paths/${i}/delay`)
    if (bad) return bad
    if (way.format === 'standard' && !model.standards?.length)
      return misfit(`${path}/standards`, 'nothing', 'the standards that the switcher can be set to')
  }
  for (const [id, mode] of Object.entries(model.modes ?? {})) {
    for (const [portId, sets] of Object.entries(mode.makes)) {
      if (own(model.ports, portId)?.dir !== 'out')
        return misfit(`${path}/modes/${id}/makes/${portId}`, show(portId), 'an output of the model')
      const bad = setsMisfit(sets, `${path}/modes/${id}/makes/${portId}`)
      if (bad) return bad
    }
    const bad = setsMisfit(mode.records, `${path}/modes/${id}/records`)
    if (bad) return bad
  }
  const loose = model.configured?.find(id => own(model.ports, id)?.carries !== 'control')
  if (loose !== undefined) return misfit(`${path}/configured`, show(loose), 'ports of the model that carry control')
  if (
    model.inset !== undefined &&
    (own(model.ports, model.inset)?.dir !== 'in' || own(model.ports, model.inset)?.carries === 'sound')
  )
    return misfit(`${path}/inset`, show(model.inset), 'an input of the model for pictures')
  return setsMisfit(model.standards, `${path}/standards`) ?? delayMisfit(model.delay, `${path}/delay`)
}

function delayMisfit(delay: Model['delay'], path: string): Misfit | undefined {
  return delay && !(delay.min <= delay.typ && delay.typ <= delay.max)
    ? misfit(path, `${delay.min} / ${delay.typ} / ${delay.max}`, 'min <= typ <= max')
    : undefined
}
