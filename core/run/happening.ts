import type { Surface } from '#core/catalog'
import type { Content } from '#core/document'
import type { Command } from './machine'

/** What can happen in a run; nothing else does. */
export type Event =
  /** To one switcher: by whom and from which of its surfaces, where that is known. */
  | {
      readonly command: Command
      readonly surface?: Surface['kind']
      readonly person?: string
      /** It never comes to the switcher. */
      readonly lost?: true
    }
  /** One of the plan's macros is fired; `device` holds it. */
  | { readonly macro: string }
  /** What a source shows from then on: at one of its outputs, or at all. */
  | { readonly content: Content; readonly port?: string }
  /** A plug is drawn at an input of a device, or put back. */
  | { readonly signal: 'lost' | 'back'; readonly port: string }
  | { readonly power: 'off' | 'on' }
  /** A camera begins to move, or stands and is fit for a take. */
  | { readonly camera: 'moves'; readonly preset?: string }
  | { readonly camera: 'settled' }
  /** A player begins one of the plan's clips, or stops. */
  | { readonly clip: string | null }
  /** A note in the log: nothing changes. */
  | { readonly mark: string }

/** At a tick, at a device; a mark stands for the whole chain and names none. */
export type Happening = Event & {
  readonly tick: number
  readonly device: string
  readonly words?: string
}
