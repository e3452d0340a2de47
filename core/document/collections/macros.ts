import { type Schema, collection, listOf, number, object, oneOf, ref, whole } from '#core/kernel'
import { misfit, show } from '../problem'
import type { Pointed } from './looks'

/** What a step of a macro does; `wait` lets time pass before what follows. */
export const MACRO_ACTS = ['program', 'preview', 'cut', 'auto', 'key', 'fade', 'output', 'play', 'wait'] as const

export interface MacroStep {
  readonly do: (typeof MACRO_ACTS)[number]
  /** The device that does it; absent, the one that holds the macro. */
  readonly at?: string
  /** `program`, `preview`: an input, or `black`. */
  readonly input?: string
  /** `auto`: how the picture changes. */
  readonly style?: 'mix' | 'dip' | 'wipe'
  /** `auto` by a wipe: how wide its edge is, a share of the picture's width; absent, a pixel. */
  readonly soft?: number
  /** `auto`, `key`, `fade`: over so many frames of its switcher; `wait`: for so many of the switcher that holds it. */
  readonly frames?: number
  /** `wait` of a button that works several devices, ms. */
  readonly ms?: number
  /** `wait`: until the transition or the clip that was begun last is over. */
  readonly until?: 'transition' | 'clip'
  /** `key`: the keyer (1, 2 ...) and the overlay in it, or `off`. */
  readonly keyer?: string
  readonly overlay?: string
  readonly to?: 'black' | 'picture'
  /** `output`: the output and what it is pointed at: a feed, or one of the inputs. */
  readonly port?: string
  readonly feed?: Pointed
  /** `play`: one of the plan's clips, started by remote control. */
  readonly clip?: string
  /** `play`: it is called by this number in the player's list, not by its name. */
  readonly index?: number
}

export interface Macro {
  readonly title: string
  readonly order: number
  /** The switcher that holds it, or the controller on which it is a button. */
  readonly at: string
  readonly steps: readonly MacroStep[]
  /** The source that it is there to bring on air; absent, it does just what its steps say. */
  readonly shows?: string
}

/** What each kind of step must say. */
const NEEDS: Readonly<Record<MacroStep['do'], readonly (keyof MacroStep)[]>> = {
  program: ['input'],
  preview: ['input'],
  cut: [],
  auto: ['style', 'frames'],
  key: ['keyer', 'overlay'],
  fade: ['to', 'frames'],
  output: ['port', 'feed'],
  play: ['clip'],
  wait: [],
}
const WAITS = ['frames', 'ms', 'until'] as const

export const MOST_STEPS = 200

const step: Schema = object(['do'], {
  do: oneOf(MACRO_ACTS),
  at: ref('slug'),
  input: ref('slug'),
  style: oneOf(['mix', 'dip', 'wipe']),
  soft: number(0, 1),
  frames: whole(1, 100_000),
  ms: whole(1, 600_000),
  until: oneOf(['transition', 'clip']),
  keyer: { type: 'string', pattern: '^[1-9][0-9]?$' },
  overlay: ref('slug'),
  to: oneOf(['black', 'picture']),
  port: ref('slug'),
  feed: ref('slug'),
  clip: ref('slug'),
  index: whole(1, 9999),
})

/** What a step names may be gone from the plan: that is found, not refused. */
export const macros = collection<Macro>({
  name: 'macros',
  entry: 'macro',
  about: 'Presses that are kept and done by one: in a switcher, or as a button of a controller that works several.',
  most: 500,
  schema: object(['title', 'order', 'at', 'steps'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    at: ref('slug'),
    steps: listOf(step, MOST_STEPS, 1),
    shows: ref('slug'),
  }),
  misfit: (entries, at) => {
    for (const [id, { steps }] of Object.entries(entries))
      for (const [i, one] of steps.entries()) {
        const missing = NEEDS[one.do].find(field => one[field] === undefined)
        const where = `${at}/${id}/steps/${i}`
        if (missing !== undefined)
          return misfit(`${where}/${missing}`, 'nothing', `${missing}, which a step that does ${show(one.do)} needs`)
        if (one.soft !== undefined && one.style !== 'wipe')
          return misfit(`${where}/soft`, show(one.soft), 'none: the edge is that of a wipe')
        if (one.do === 'wait' && WAITS.filter(field => one[field] !== undefined).length !== 1)
          return misfit(where, show(one), `a wait with one of ${WAITS.join(', ')}`)
      }
    return undefined
  },
  words: ({ title }) => title,
})
