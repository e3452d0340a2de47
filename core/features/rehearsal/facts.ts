import { type Traced, isSwitcher } from '#core/chain'
import { own } from '#core/document'
import { TICKS_PER_S, expandMacro, frameTicks } from '#core/run'
import { stepWords } from './say'

/** A macro as a screen or a sheet tells it. */
export interface MacroTold {
  readonly id: string
  readonly title: string
  /** The device that holds it, or on which it is a button. */
  readonly at: string
  readonly holder: string
  readonly button: boolean
  readonly seconds: number
  readonly steps: readonly string[]
  readonly shows?: string
}

/** Frame time of a switcher in its standard, ticks; of anything else that of 50 frames/s. */
export const frameOf =
  (traced: Traced) =>
  (device: string): number =>
    frameTicks(traced.chain.nodes.get(device)?.standard?.rate ?? '50/1')

export const macrosOf = (traced: Traced): MacroTold[] =>
  Object.entries(traced.plan.macros)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([id, macro]) => {
      const node = traced.chain.nodes.get(macro.at)
      const shows = own(traced.plan.devices, macro.shows)?.name
      return {
        id,
        title: macro.title,
        at: macro.at,
        holder: node?.device.name ?? `${macro.at}, which is gone`,
        button: !node || !isSwitcher(node),
        seconds: expandMacro(traced, macro, 0, frameOf(traced)).ticks / TICKS_PER_S,
        steps: macro.steps.map(step => stepWords(traced, macro, step)),
        ...(shows === undefined ? {} : { shows }),
      }
    })
