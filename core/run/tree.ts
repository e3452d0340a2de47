import type { Feed, KeyKind } from '#core/catalog'
import type { Box, Content, Cut, Overlay, screenOf } from '#core/document'

/** One of the plan's clips in a player: not yet at its first picture, under way, or past its end. */
export interface ClipShown {
  readonly id: string
  readonly at: 'pre-roll' | 'plays' | 'over'
}

/** A picture as it is made: what it shows, down to the sources. */
export type Picture =
  | {
      readonly of: 'source'
      readonly device: string
      readonly port: string
      readonly content?: Content
      /** What a caption says. */
      readonly words?: string
      /** The picture that it shows, where it is known: its file by its hash, and as what it is sent. */
      readonly graphic?: { readonly file: string; readonly as: 'on black' | 'straight' | 'key' }
      /** The position that a camera stands in, or goes to. */
      readonly preset?: string
      /** A still that is not whole in its store yet, or not there. */
      readonly store?: 'loading' | 'empty'
      /** A camera that moves, or has not settled. */
      readonly moving?: true
      /** A clip that is played, and whether its pictures have begun or are over. */
      readonly clip?: ClipShown
      /** Its graphic is on its way from an edge of the picture: how much of it is done, 0 .. 1. */
      readonly comes?: { readonly from: NonNullable<Overlay['comesFrom']>; readonly share: number }
      /** Drawn as at this second of the run, because it stands still. */
      readonly atS?: number
    }
  /** Black on purpose: no input, or faded. */
  | { readonly of: 'black' }
  /** No signal: nothing is connected, or what comes is not taken; `lost`, what an input shows since it was lost. */
  | { readonly of: 'none'; readonly lost?: 'black' | 'colour' }
  /** The last picture before the signal was lost: it stands as it was at this second of the run. */
  | { readonly of: 'held'; readonly picture: Picture; readonly sinceS: number }
  /** It shows itself. */
  | { readonly of: 'loop'; readonly device: string }
  | { readonly of: 'mix'; readonly device: string; readonly tap: Feed; readonly layers: readonly Layer[] }
  | { readonly of: 'tiles'; readonly device: string; readonly tiles: readonly Tile[] }

/** One layer of a mix; the first lies at the bottom. */
export interface Layer {
  readonly picture: Picture
  /** The input that it comes by. */
  readonly port: string
  readonly as: 'background' | 'key' | 'fade'
  /** How much of it is seen while it comes or goes, 0 .. 1; absent, all. */
  readonly share?: number
  /** It goes: its share falls. */
  readonly going?: true
  /** A wipe shows that share of the frame, from the left, instead. */
  readonly wipe?: true
  /** How wide the edge of that wipe is, a share of the width; absent, a pixel. */
  readonly soft?: number
  /** Keys alone. */
  readonly keyer?: string
  readonly overlay?: string
  readonly kind?: KeyKind
  readonly box?: Box
  /** What is let through of a key, and the shape by which it is cut. */
  readonly mask?: Box
  readonly shape?: Overlay['shape']
  /** The key signal of a linear key, where it comes with one. */
  readonly key?: Picture
  /** How the keyer is set: keys by brightness and by a key signal. */
  readonly cut?: Cut
  /** Keys of a switcher that works in SD tell brightness by BT.601. */
  readonly weights?: 601
  /** Keys by colour. */
  readonly screen?: ReturnType<typeof screenOf>
}

export interface Tile {
  /** What the tile is: an input, or a bus. */
  readonly port: string
  readonly label: string
  readonly picture: Picture
}
