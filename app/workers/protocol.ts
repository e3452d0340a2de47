import type { KeyScale } from '#core/catalog'
import type { Box, Cut, Edit, GraphicEntry, Look, Macro, Outcome, Overlay, Plan } from '#core/document'
import type { Answer, QueryArguments, QueryName } from '#core/asked'
import type { Judged } from '#core/features/board'
import type { KeyerPlan } from '#core/features/keys'
import type { Asked, Offer, Progress, Proposals } from '#core/features/patch'
import type { Hand, Kept, Now, Planned, Session, Stage, Summary, Target } from '#core/features/rehearsal'
import type { Chroma, ChromaSetting, ClipMeasure, Graphic, Keying, Misread, Scene, Setting } from '#core/picture'
import type { Command, Picture, Event as RunEvent } from '#core/run'

/** What the page shows of a checked plan. */
export interface Report extends Judged {
  /** The plan's name and the version of it in the page that was checked. */
  readonly plan: string
  readonly version: number
}

/** The worker that holds the plan. `gap` asks for the whole plan, because edits are missing in between. */
export interface Checker {
  open(name: string, version: number, plan: Plan): Report
  edit(name: string, from: number, version: number, edits: readonly Edit[]): Promise<Report | 'gap'>
  /** Anything that can be asked about the plan; `stale` when it is another version by now. */
  ask<K extends QueryName>(version: number, query: K, args: QueryArguments<K>): Promise<Answer<K> | 'stale'>
}

/** The worker that looks for whole plans. It does nothing else meanwhile; to stop it, it is ended. */
export interface Solver {
  propose(
    plan: Plan,
    asked: Asked,
    progress: (step: Progress) => void,
    found: (offer: Offer) => void,
  ): Promise<Proposals>
  /** Which overlay gets which keyer, and the edits that bring the looks there. */
  assign(plan: Plan): Promise<KeyerPlan & { readonly edits: readonly Edit[] }>
}

/** What is measured of a graphic in its keyer, at a size. */
export interface BenchAsked {
  /** By brightness or a key signal, or by the colour of a screen. */
  readonly keying: Keying | Chroma
  /** Where it lies, in shares of the picture; absent, over all of it. */
  readonly box?: Box
  /** What a mask lets through of the picture; absent, all. */
  readonly mask?: Box
  /** Of the picture, in pixels. */
  readonly width: number
  readonly height: number
  /** What somebody drew around of an opaque graphic. */
  readonly solid?: GraphicEntry['solid']
  /** Of the two small pictures. */
  readonly small: readonly [width: number, height: number]
}

export interface Benched {
  /** Stripes where the graphic is gone, clear elsewhere. */
  readonly lost: Uint8ClampedArray
  /** The box around all stripes, in shares of the picture; undefined where there are none. */
  readonly around?: Box
  readonly comes: Uint8ClampedArray
  readonly solid: Uint8ClampedArray
  /** Codes by which its edges are brighter or darker than meant; undefined where that cannot be judged. */
  readonly fringe?: number
  readonly ms: number
}

/** The worker that draws what is seen, and measures what is laid over it. */
export interface Painter {
  /** Bytes of a picture of this size (red, green, blue, alpha), rows from the top. */
  draw(
    picture: Picture,
    scenes: Readonly<Record<string, Scene>>,
    width: number,
    height: number,
    frame?: number,
  ): Promise<Uint8ClampedArray>
  /** Why bytes are no picture that can be used; undefined where they are one. */
  wrong(png: Uint8Array): string | undefined
  /** A PNG file of pixels that are there `times` as large each way: reduced by their mean, weighted by solidity. */
  encode(pixels: Uint8ClampedArray, width: number, height: number, times: number): Uint8Array
  /** What the plan keeps of a picture; undefined where the server does not have it. */
  entry(
    file: string,
    named: { readonly title: string; readonly order: number },
    words?: GraphicEntry['words'],
    solid?: GraphicEntry['solid'],
  ): Promise<GraphicEntry | undefined>
  /** What was counted of a part of a picture; undefined where the server does not have it. */
  part(
    file: string,
    part: Box,
    solid?: GraphicEntry['solid'],
  ): Promise<NonNullable<GraphicEntry['parts']>[string] | undefined>
  /**
   * What the pictures of a clip do, in the order in which they are given, or which of them is none; `told` hears how many
   * are done.
   */
  clip(
    files: readonly File[],
    perSecond: number,
    told: (done: number) => void,
  ): Promise<{ readonly measure: ClipMeasure } | { readonly wrong: string }>
  /** How light a picture is, part by part, as text; undefined where the server does not have it. */
  light(file: string): Promise<string | undefined>
  /** Where lines of words may be, in shares of the picture. */
  words(file: string): Promise<readonly Box[] | undefined>
  bench(file: string, asked: BenchAsked): Promise<Benched | undefined>
  find(
    graphic: GraphicEntry,
    scale: KeyScale,
    set: Pick<Cut, 'invert' | 'premultiplied'>,
    misread: Misread | undefined,
  ): Setting | undefined
  /** The best screen of a key by colour; undefined where nothing can be judged. */
  findScreen(overlay: Overlay, graphic: GraphicEntry): ChromaSetting | undefined
}

/** The worker that decodes pictures for one that draws. Rejects what is no picture. */
export interface Decoder {
  decode(file: Uint8Array): Graphic
}

/** A picture that a screen of the rehearsal wants: of a source, or of a sink by its place among the sinks. */
export interface Wanted {
  readonly source?: string
  readonly sink?: number
  readonly width: number
  /** Drawn anew only every so many frames. */
  readonly still?: number
  /** The tick of a picture that is past. */
  readonly at?: number
}

/** The worker in which a chain runs. */
export interface Rehearser {
  open(plan: Plan, moment: number, seed: number): Stage
  press(device: string, command: Command, tick: number, hand: Hand, meant?: Target): void
  event(device: string, event: RunEvent, tick: number): void
  take(target: Target, tick: number, mix: number): boolean
  lose(on: boolean): void
  plan(target: Target): Planned | undefined
  look(tick: number): Now | undefined
  heard(sink: number, tick: number): ReturnType<Session['heard']>
  asLook(title: string, order: number): Look | undefined
  worked(from: number, to: number): string[]
  asMacro(title: string, order: number, holder: string, from: number, to: number): Macro | undefined
  kept(): Kept | undefined
  /** What a run that was kept comes to, with the plan that is rehearsed. */
  again(run: Kept): Summary | undefined
  /** What a file says of a run, or why it is none. */
  read(text: string): Outcome<Kept>
  /** `spare`: pictures that were shown, and may be drawn over. */
  draw(wanted: readonly Wanted[], tick: number, spare: Uint8ClampedArray[]): (Uint8ClampedArray | ImageBitmap)[]
}
