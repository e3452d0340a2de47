import { cutWords } from '#core/catalog'
import type { Traced } from '#core/chain'
import { type Command, type CommandResult, Unusable } from '#core/kernel'
import {
  type Bits,
  type Graphic,
  Plainly,
  type Sources,
  drawn,
  fringe,
  scaled,
  seen,
  seenWith,
  sentAs,
} from '#core/picture'
import type { CommandContext } from '#core/propose'
import { type Judged, allJudged, bestSetting, faultOf } from './judged'
import { hallsOf } from './halls'
import { measuresOf } from './measures'
import { overlaysOf } from './overlays'

const [WIDTH, HEIGHT] = [1920, 1080]

/** Bits of the bus, as they are asked for. */
function bitsOf(asked: string | undefined): Bits {
  if (asked === undefined || asked === '8') return 8
  if (asked === '10') return 10
  throw new Unusable(`--bits: found ${asked}; allowed: 8, 10`)
}

/**
 * The overlay over the first picture that it may lie over, with its real graphic where that is at hand, on a bus of so
 * many bits.
 */
function pictured(
  { checked: { traced }, picture }: CommandContext,
  id: string,
  bits: Bits,
): NonNullable<CommandResult['files']>[string] {
  const { rows, scenes } = overlaysOf(traced)
  const over = rows.find(row => row.id === id)?.over[0]
  if (!over) throw new Unusable(`nothing comes to the switcher that lays ${id} over pictures`)
  const sources: Sources = ({ device, graphic, content, words }, width, height) => {
    const shown = graphic && picture(graphic.file)
    if (shown) return scaled(sentAs(shown, graphic.as), width, height)
    const scene = scenes[device] ?? { name: device, kind: 'camera' as const, index: 0 }
    return drawn({ ...scene, ...(content ? { content } : {}), ...(words ? { words } : {}), bare: true }, width, height)
  }
  return bits === 8
    ? { ...seen(over.picture, sources, WIDTH, HEIGHT), opaque: true }
    : { ...seenWith(new Plainly(bits), over.picture, sources, WIDTH, HEIGHT), bits }
}

function reportOf(traced: Traced, judged: Judged, graphic: Graphic | undefined) {
  const { laid, cut, scale, misread, weights, sends, pixels } = judged
  const halls = hallsOf(traced, laid)
  const read = { ...(misread ? { misread } : {}), ...(weights ? { weights } : {}) }
  const edge =
    graphic && pixels
      ? fringe(graphic, {
          way: pixels.way,
          cut,
          sends: sends ?? 'premultiplied',
          ...read,
        })
      : undefined
  const best = bestSetting(judged)
  return {
    overlay: judged.id,
    title: laid.overlay.title,
    graphic: judged.graphic.title,
    set: cutWords(scale, cut),
    fault: faultOf(judged) ?? null,
    measures: measuresOf({ overlay: laid.overlay, halls, ...read }, judged.graphic, cut, edge),
    best: best ? cutWords(scale, best.cut) : null,
  }
}

const key: Command<CommandContext> = {
  name: 'key',
  about:
    'measures what the key of an overlay makes of its graphic, writes that as JSON to --report and what is seen as PNG to --picture, also as a bus of --bits 10 has it.',
  options: {
    overlay: { value: 'ID', required: true },
    report: { value: 'FILE' },
    picture: { value: 'FILE' },
    bits: { value: '8|10' },
  },
  json: true,
  run: context => {
    const { checked, plan, values, json } = context
    const id = values.get('overlay')
    const bits = bitsOf(values.get('bits'))
    if (id === undefined || !plan.overlays[id])
      throw new Unusable(
        `no overlay ${id ?? 'given'}; there are: ${Object.keys(plan.overlays).sort().join(', ') || 'none'}`,
      )
    const all = allJudged(checked.traced).filter(one => one.id === id)
    if (all.length === 0) throw new Unusable(`${id} has no graphic in the plan: nothing of it can be measured`)
    const reports = all.map(judged => reportOf(checked.traced, judged, context.picture(judged.graphic.file)))
    // One picture is a report; several are the first with all of them beside it.
    const text = JSON.stringify(reports.length > 1 ? { ...reports[0], slides: reports } : reports[0], null, 2)
    const [to, picture] = [values.get('report'), values.get('picture')]
    const lines = reports.flatMap(report => [
      `${report.title} shows ${report.graphic}, set to ${report.set}${report.best && report.best !== report.set ? `; best ${report.best}` : ''}`,
      ...report.measures.map(({ name, now, good, bad }) => `  ${bad ? '!' : ' '} ${name}: ${now} (good ${good})`),
    ])
    return {
      out: json ? text : lines.join('\n'),
      exit: reports.some(({ measures }) => measures.some(({ bad }) => bad)) ? 1 : 0,
      files: {
        ...(to === undefined ? {} : { [to]: `${text}\n` }),
        ...(picture === undefined ? {} : { [picture]: pictured(context, id, bits) }),
      },
    }
  },
}

export const COMMANDS = [key]
