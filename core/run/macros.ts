import { prerollFramesOf } from '#core/catalog'
import { type Traced } from '#core/chain'
import { type Macro, type MacroStep, OFF, own } from '#core/document'
import { TICKS_PER_MS, TICKS_PER_S } from './clock'
import type { Happening } from './happening'
import type { Command } from './machine'

/** What a step asks of a switcher; undefined for a wait and for what a player does. */
export function commandOf(step: MacroStep): Command | undefined {
  const frames = step.frames ?? 1
  switch (step.do) {
    case 'program':
    case 'preview':
      return { do: step.do, input: step.input! }
    case 'cut':
      return { do: 'cut' }
    case 'auto':
      return { do: 'auto', style: step.style!, frames, ...(step.soft ? { soft: step.soft } : {}) }
    case 'key':
      return { do: 'key', keyer: step.keyer!, overlay: step.overlay === OFF ? undefined : step.overlay!, frames }
    case 'fade':
      return { do: 'fade', to: step.to === 'black', frames }
    case 'output':
      return { do: 'output', port: step.port!, feed: step.feed! }
    default:
      return undefined
  }
}

/** How a command is kept as a step, of the device that holds the macro or of another; several are several. */
export function stepsOf(command: Command, at?: string): MacroStep[] {
  const where = at === undefined ? {} : { at }
  switch (command.do) {
    case 'program':
    case 'preview':
      return [{ do: command.do, ...where, input: command.input }]
    case 'cut':
      return [{ do: 'cut', ...where }]
    case 'auto':
      return [
        {
          do: 'auto',
          ...where,
          style: command.style,
          frames: command.frames,
          ...(command.soft ? { soft: command.soft } : {}),
        },
      ]
    case 'lever':
    case 'load':
    case 'sound':
      return []
    case 'key':
      return [
        {
          do: 'key',
          ...where,
          keyer: command.keyer,
          overlay: command.overlay ?? OFF,
          ...(command.frames && command.frames > 1 ? { frames: command.frames } : {}),
        },
      ]
    case 'fade':
      return [{ do: 'fade', ...where, to: command.to ? 'black' : 'picture', frames: command.frames }]
    case 'output':
      return [{ do: 'output', ...where, port: command.port, feed: command.feed }]
    case 'all':
      return command.commands.flatMap(one => stepsOf(one, at))
  }
}

/**
 * The presses of a macro fired at a tick, and the ticks after which it is over. Steps without a wait between them are one
 * set. `frameOf`: frame time of a device, ticks.
 */
export function expandMacro(
  traced: Traced,
  { at: holder, steps }: Macro,
  tick: number,
  frameOf: (device: string) => number,
): { readonly happenings: readonly Happening[]; readonly ticks: number } {
  const happenings: Happening[] = []
  let now = tick
  /** When the last transition, and the last clip, are over. */
  const over = { transition: tick, clip: tick }
  let set = new Map<string, Command[]>()
  const flush = () => {
    for (const [device, commands] of set)
      happenings.push({
        tick: now,
        device,
        command: commands.length === 1 ? commands[0]! : { do: 'all', commands },
      })
    set = new Map()
  }
  for (const step of steps) {
    const device = step.at ?? holder
    if (step.do === 'wait') {
      flush()
      if (step.until) now = Math.max(now, over[step.until])
      else now += step.ms === undefined ? (step.frames ?? 0) * frameOf(holder) : Math.round(step.ms * TICKS_PER_MS)
      continue
    }
    if (step.do === 'play') {
      const id = calledBy(traced, step)
      const clip = own(traced.plan.clips, id)
      const node = clip && traced.chain.nodes.get(clip.player)
      if (!clip || id === undefined || !node) continue
      happenings.push({ tick: now, device: clip.player, clip: id })
      over.clip = now + prerollFramesOf(node.model) * frameOf(clip.player) + Math.round(clip.lengthS * TICKS_PER_S)
      continue
    }
    const command = commandOf(step)!
    set.set(device, [...(set.get(device) ?? []), command])
    if (step.do === 'auto' || step.do === 'fade' || (step.do === 'key' && step.frames))
      over.transition = Math.max(over.transition, now + (step.frames ?? 1) * frameOf(device))
  }
  flush()
  return { happenings, ticks: Math.max(now, over.transition) - tick }
}

/** The clip that a step plays: by its name, or what stands at the number by which it is called. */
function calledBy({ plan }: Traced, { clip, index }: MacroStep): string | undefined {
  const player = own(plan.clips, clip)?.player
  if (index === undefined || player === undefined) return clip
  return Object.entries(plan.clips).find(([, one]) => one.player === player && one.index === index)?.[0]
}
