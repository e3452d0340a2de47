import { expose, transfer } from 'comlink'
import { Session } from '#core/features/rehearsal'
import { TICKS_PER_S } from '#core/run'
import { graphicNow } from './graphics'
import { drawnBy } from './sources'
import type { Rehearser } from './protocol'

let session: Session | undefined

const rehearser: Rehearser = {
  open(plan, moment, seed) {
    session = new Session(plan, moment, seed)
    return session.stage
  },
  press: (device, command, tick) => session?.press(device, command, tick),
  take: (target, tick, mix) => session?.take(target, tick, { mix }) ?? false,
  plan: target => session?.plan(target),
  look: tick => session?.look(tick),
  asLook: (title, order) => session?.asLook(title, order),
  draw(wanted, tick) {
    if (!session) return []
    const { scenes, frame } = session.stage
    const number = Math.floor(tick / frame)
    const made = wanted.map(({ sink, source, width, still, at }) => {
      const height = Math.round((width * 9) / 16)
      const picture =
        source !== undefined
          ? ({ of: 'source', device: source, port: 'out' } as const)
          : session!.pictureOf(sink!, at ?? tick)
      const shown = at === undefined ? number : Math.floor(at / frame)
      return drawnBy(
        picture,
        scenes,
        width,
        height,
        graphicNow,
        still ? shown - (shown % still) : shown,
        Math.round(TICKS_PER_S / frame),
      )
    })
    return transfer(
      made,
      made.map(({ buffer }) => buffer),
    )
  },
}

expose(rehearser)
