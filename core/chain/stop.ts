import type { ConnectorId, Division, Level, SdiClass, SignalKind, VideoFormat } from '#core/signal'

/** Why a picture goes no farther on a link. One link has at most one reason: the first along the light. */
export type Stop =
  /** The model has no port of that name at this end. */
  | { readonly why: 'no-port'; readonly end: 'from' | 'to' }
  /** The end stands in a port of the wrong direction. */
  | { readonly why: 'direction'; readonly ends: readonly ('from' | 'to')[] }
  | { readonly why: 'loose'; readonly end: 'from' | 'to' }
  /** The output feeds `other` already. */
  | { readonly why: 'double-output'; readonly other: string }
  | { readonly why: 'connector'; readonly mismatch: Mismatch }
  /** A cable that works one way only lies the wrong way round. */
  | { readonly why: 'turned' }
  /** No port class or carriage on this link takes the format; `end` says whose limit it is. */
  | { readonly why: 'class'; readonly end: 'from' | 'to' | 'link'; readonly needs: string; readonly limit: string }
  | { readonly why: 'too-far'; readonly lengthM: number; readonly reachM: number; readonly noPiece: boolean }
  /** The pieces chosen are shorter than the way. */
  | {
      readonly why: 'too-short'
      readonly lengthM: number
      readonly routeM: number
      /** Several cables together, through devices without a place between these two. */
      readonly stretch?: { readonly links: readonly string[]; readonly places: readonly [string, string] }
    }
  /** The input holds `other` already. */
  | { readonly why: 'double-input'; readonly other: string }
  | { readonly why: 'standard'; readonly sends: VideoFormat; readonly standard: VideoFormat }
  /** A listed input does not have the format. */
  | { readonly why: 'not-taken'; readonly sends: VideoFormat }
  /** A device in the run does not pass the format. */
  | { readonly why: 'not-passed'; readonly sends: VideoFormat }
  /** Content-protected, and the input does not take that. */
  | { readonly why: 'protected' }
  /** The receiver takes the other level of 3G-SDI alone. */
  | { readonly why: 'level'; readonly sends: Level; readonly takes: readonly Level[] }
  /** 2160 over several links is divided otherwise than the receiver puts it together. */
  | { readonly why: 'division'; readonly sends: Division; readonly takes: readonly Division[] }
  /** A device at this end is set to what its model cannot do. */
  | { readonly why: 'impossible'; readonly end: 'from' | 'to' }
  /** Goes into a device of the run whose outputs lead nowhere. */
  | { readonly why: 'dead-end' }
  /** Goes into a matrix of which no output is set to show it. */
  | { readonly why: 'unchosen' }
  /** Its output is pointed at this input, in which nothing is plugged but what comes from there. */
  | { readonly why: 'empty'; readonly input: string }
  /** Comes from a device that no source reaches: the first device without an input, or a ring. */
  | { readonly why: 'no-source'; readonly device: string }

/** Where the shapes or the kinds along a link differ. */
export interface Mismatch {
  /** `kind`: the ports carry different signals, so only a converter joins them. `shape`: an adapter would do. */
  readonly by: 'kind' | 'shape'
  readonly from: { readonly carries: SignalKind; readonly connector: ConnectorId }
  readonly to: { readonly carries: SignalKind; readonly connector: ConnectorId }
}

/** What may fail on the day although the picture arrives. */
export type Caution =
  /** Beyond the school's warning length. */
  | { readonly why: 'long'; readonly warnM: number; readonly faultM: number }
  /** Between 90 and 100 % of reach. */
  | { readonly why: 'near-reach' }

export interface Carriage {
  /** Of one link, where the picture is shared among several. */
  readonly bitsPerS: number
  readonly sdiClass?: SdiClass
  /** TMDS character rate, MHz, for HDMI and what extends it. */
  readonly characterMHz?: number
}
