import { expose, transfer, wrap } from 'comlink'
import type { Plan } from '#core/document'
import { Session, readKept } from '#core/features/rehearsal'
import { TICKS_PER_S } from '#core/run'
import { decodeBy, graphicNow, graphicOf, MOST } from './graphics'
import { GlPainter } from './gl/painter'
import { drawnBy, sourcesOf } from './sources'
import type { Decoder, Rehearser } from './protocol'

const decoder = wrap<Decoder>(
  new Worker(new URL('./decode.worker.ts', import.meta.url), { type: 'module', name: 'decode' }),
)
decodeBy(file => decoder.decode(transfer(file, [file.buffer])))

let session: Session | undefined
let held: Plan | undefined

/** From this width on a picture is worth its way to the graphics processor, px. */
const LARGE = 300
let painter: { readonly gl: GlPainter | undefined } | undefined
const processor = (): GlPainter | undefined => (painter ??= { gl: GlPainter.open() }).gl

const rehearser: Rehearser = {
  open(plan, moment, seed) {
    held = plan
    session = new Session(plan, moment, seed)
    // All are there before a look wants them.
    for (const { file } of Object.values(plan.graphics).slice(0, MOST)) void graphicOf(file)
    return session.stage
  },
  press: (device, command, tick, hand, meant) => session?.press(device, command, tick, hand, meant),
  event: (device, event, tick) => session?.event(device, event, tick),
  lose: on => session?.lose(on),
  take: (target, tick, mix) => session?.take(target, tick, { mix }) ?? false,
  plan: target => session?.plan(target),
  look: tick => session?.look(tick),
  heard: (sink, tick) => session?.heard(sink, tick) ?? [],
  asLook: (title, order) => session?.asLook(title, order),
  worked: (from, to) => session?.worked(from, to) ?? [],
  asMacro: (title, order, holder, from, to) => session?.asMacro(title, order, holder, from, to),
  kept: () => session?.kept(),
  again: run => (held ? Session.again(held, run).summary() : undefined),
  read: text => readKept(text),
  draw(wanted, tick, spare) {
    if (!session) return []
    const { scenes, frame } = session.stage
    const number = Math.floor(tick / frame)
    const made = wanted.map(({ sink, source, width, still, at }) => {
      const height = Math.round((width * 9) / 16)
      const picture = source !== undefined ? session!.sourceOf(source, tick) : session!.pictureOf(sink!, at ?? tick)
      const now = at === undefined ? number : Math.floor(at / frame)
      const shown = {
        scenes,
        graphics: graphicNow,
        frame: still ? now - (now % still) : now,
        perSecond: Math.round(TICKS_PER_S / frame),
      }
      // What many layers make of large pictures is the work of a graphics processor, where there is one.
      const painted = width >= LARGE ? processor()?.paint(picture, sourcesOf(shown), width, height) : undefined
      const into = spare.findIndex(({ length }) => length === width * height * 4)
      return painted ?? drawnBy(picture, shown, width, height, into < 0 ? undefined : spare.splice(into, 1)[0])
    })
    return transfer(
      made,
      made.map(one => ('buffer' in one ? one.buffer : one)),
    )
  },
}

expose(rehearser)
