import type { Act } from '#core/catalog'
import type { Traced } from '#core/chain'
import { own } from '#core/document'
import type { Command } from './machine'

/** What a surface must reach for a command to be given there. */
export function actsOf(traced: Traced, command: Command): Act[] {
  switch (command.do) {
    case 'program':
    case 'preview':
    case 'cut':
      return ['cut']
    case 'auto':
    case 'lever':
    case 'fade':
      return ['transition']
    case 'key':
      return own(traced.plan.overlays, command.overlay)?.kind === 'box' ? ['key', 'picture in picture'] : ['key']
    case 'output':
      return ['outputs']
    case 'sound':
      return ['sound']
    case 'load':
      return ['stills']
    case 'all':
      return [...new Set(command.commands.flatMap(one => actsOf(traced, one)))]
  }
}
