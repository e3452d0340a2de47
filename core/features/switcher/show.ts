import { cutWords, keyScaleOf, mixOf } from '#core/catalog'
import { type DeviceNode, type Traced, endName, isSwitcher, pointedWords } from '#core/chain'
import { BLACK, type Box, type Look, OFF, type Overlay, type Plan, cutOf, own, screenOf } from '#core/document'
import { fillInput, keyInput } from '#core/run'
import { clockSeconds, listWords } from '#core/words'
import { macrosOf } from '../rehearsal/facts'
import type { Setting } from './settings'

const KIND_WORDS = {
  luma: 'cut out by brightness',
  linear: 'cut out by a key signal',
  chroma: 'cut out by a colour',
  pattern: 'cut out by a shape',
  box: 'in a box',
} as const
const FILL_WORDS = { straight: 'with its colours as they are', premultiplied: 'weighted by its key' } as const
const CONTENT_WORDS = {
  full: 'its full page',
  caption: 'a caption on black',
  blank: 'nothing',
  countdown: 'a countdown',
  operator: 'what its person works with',
}
const OPENING_WORDS = { fixed: 'open', follows: 'follows its picture', shut: 'shut' } as const
const END_WORDS = {
  hold: 'stands on its last picture',
  black: 'black',
  loop: 'again from the start',
  back: 'back to what was before',
}

const byOrder = <T extends { readonly order: number }>(map: Readonly<Record<string, T>>): [string, T][] =>
  Object.entries(map).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))

const percent = (share: number): string => `${Number((share * 100).toFixed(1))}\u00A0%`
const boxWords = ({ x, y, w, h }: Box): string =>
  `${percent(x)} from the left, ${percent(y)} from the top, ${percent(w)} wide, ${percent(h)} high`

/** What the running order asks of a device: overlays and looks of a switcher, contents of a computer, positions, clips. */
export function showSettings(traced: Traced, node: DeviceNode): Setting[] {
  const { plan } = traced
  const looks = byOrder(plan.looks)
  const list: Setting[] = []
  if (isSwitcher(node)) {
    for (const [id, overlay] of byOrder(plan.overlays)) {
      const keyers = keyersOf(plan, node.id, id)
      if (overlay.over !== node.id && keyers.length === 0) continue
      const inputs = [
        fillInput(traced, node, overlay.fill, overlay.output),
        ...(overlay.kind === 'linear' && overlay.key !== undefined ? [keyInput(traced, node, overlay)] : []),
      ].flatMap(port => (port === undefined ? [] : [endName(traced, { device: node.id, port })]))
      const graphic = overlay.graphic === undefined ? undefined : own(plan.graphics, overlay.graphic)
      const titles = keyers.map(number => mixOf(node.model)?.keyers[Number(number) - 1]?.title ?? `keyer ${number}`)
      list.push({
        name: 'Overlay',
        value: [
          `${overlay.title}: ${KIND_WORDS[overlay.kind]}`,
          ...(titles.length ? [`in ${listWords(titles)}`] : []),
          ...(inputs.length ? [`from ${listWords(inputs)}`] : []),
          ...(overlay.drawnOn === undefined
            ? []
            : [`drawn on ${own(plan.devices, overlay.drawnOn)?.name ?? overlay.drawnOn}`]),
          ...(overlay.box ? [boxWords(overlay.box)] : []),
          ...(overlay.kind === 'pattern' ? [overlay.shape ?? 'rectangle'] : []),
          ...(overlay.mask ? [`let through ${boxWords(overlay.mask)}`] : []),
          ...keyerWords(node, overlay),
          ...(graphic ? [`showing ${graphic.title}${overlay.sends ? `, sent ${FILL_WORDS[overlay.sends]}` : ''}`] : []),
        ].join(', '),
      })
    }
    for (const [, look] of looks) {
      const words = lookWords(traced, node, look)
      if (words.length) list.push({ name: 'Look', value: `${look.title}: ${words.join(', ')}` })
    }
  }
  for (const { title, steps } of macrosOf(traced).filter(({ at }) => at === node.id))
    list.push({ name: 'Macro', value: `${title}: ${steps.join('; ')}` })
  for (const [, { title, contents, layouts, presets }] of looks) {
    const content = own(contents, node.id)
    if (content) list.push({ name: 'Page', value: `${title}: ${CONTENT_WORDS[content]}` })
    for (const [port, layout] of Object.entries(own(layouts, node.id) ?? {})) {
      const where = own(node.model.ports, port)
      list.push({
        name: 'Page',
        value: `${title}: ${CONTENT_WORDS[layout]}`,
        port: where?.title ?? port,
        dir: 'out',
      })
    }
    const preset = own(presets, node.id)
    if (preset) list.push({ name: 'Position', value: `${preset}, for ${title}` })
  }
  for (const [, { title, player, lengthS, end, index }] of byOrder(plan.clips))
    if (player === node.id)
      list.push({
        name: 'Clip',
        value: `${index === undefined ? '' : `${index}. `}${title}, ${clockSeconds(lengthS)}, then ${END_WORDS[end]}`,
      })
  return list
}

/** How its keyer is set, as the panel shows it. */
function keyerWords({ model }: DeviceNode, overlay: Overlay): string[] {
  const { kind, invert, premultiplied } = overlay
  if (kind === 'chroma') {
    const { screen, tolerance, edge, spill } = screenOf(overlay)
    return [
      `screen ${screen.join(' ')}`,
      `tolerance ${percent(tolerance)}`,
      `edge ${percent(edge)}`,
      `spill ${percent(spill)}`,
    ]
  }
  if (kind !== 'luma' && kind !== 'linear') return []
  return [
    cutWords(keyScaleOf(model), cutOf(overlay)),
    ...(invert ? ['turned round'] : []),
    ...(premultiplied ? ['fill weighted by its key'] : []),
  ]
}

const keyersOf = ({ looks }: Plan, device: string, overlay: string): string[] =>
  [
    ...new Set(
      Object.values(looks).flatMap(({ keys }) =>
        Object.entries(own(keys, device) ?? {}).flatMap(([number, id]) => (id === overlay ? [number] : [])),
      ),
    ),
  ].sort()

/** What a look asks of one switcher, in words. */
export function lookWords(traced: Traced, { id, model }: DeviceNode, look: Look): string[] {
  const input = (port: string) => (port === BLACK ? BLACK : endName(traced, { device: id, port }))
  const program = own(look.program, id)
  const preview = own(look.preview, id)
  const faded = own(look.faded, id)
  return [
    ...(program === undefined ? [] : [`${input(program)} on air`]),
    ...(preview === undefined ? [] : [`${input(preview)} next`]),
    ...Object.entries(own(look.keys, id) ?? {}).map(([number, overlay]) => {
      const title = mixOf(model)?.keyers[Number(number) - 1]?.title ?? `keyer ${number}`
      return overlay === OFF ? `${title} off` : `${own(traced.plan.overlays, overlay)?.title ?? overlay} in ${title}`
    }),
    ...(faded === undefined ? [] : [faded ? 'faded to black' : 'not faded']),
    ...Object.entries(own(look.outputs, id) ?? {}).map(
      ([port, feed]) => `${endName(traced, { device: id, port })} carries ${pointedWords({ model }, feed)}`,
    ),
    ...Object.entries(own(look.sound, id) ?? {}).map(
      ([port, opening]) => `sound of ${endName(traced, { device: id, port })} ${OPENING_WORDS[opening]}`,
    ),
  ]
}
