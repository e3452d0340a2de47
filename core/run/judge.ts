import { unfitIn } from './compose'
import type { Picture } from './tree'

/** What is wrong with a frame of a sink: neither what was there nor what was to come; or what may never be seen. */
export type Fault = 'neither' | 'back again' | 'falls back' | NonNullable<ReturnType<typeof unfitIn>>

/**
 * Watches the frames of one sink while its picture changes from one to another. It knows layer trees alone: a frame is
 * right when it is the old picture, the new one, or strictly between them with a share that never falls; old, then
 * between, then new, each once.
 */
export class Judge {
  private readonly old: string
  private readonly next: string
  private stage: 'old' | 'between' | 'new' = 'old'
  private share = 0

  constructor(old: Picture, next: Picture) {
    this.old = JSON.stringify(old)
    this.next = JSON.stringify(next)
  }

  get arrived(): boolean {
    return this.stage === 'new' || this.old === this.next
  }

  /** What is wrong with the next frame; undefined where nothing is. */
  frame(picture: Picture): Fault | undefined {
    const unfit = unfitIn(picture)
    if (unfit) return unfit
    const tree = JSON.stringify(picture)
    if (tree === this.next) {
      this.stage = 'new'
      return undefined
    }
    if (tree === this.old) return this.stage === 'old' ? undefined : 'back again'
    const share = this.between(picture)
    if (share === undefined) return 'neither'
    if (this.stage === 'new') return 'back again'
    this.stage = 'between'
    const falls = share < this.share
    this.share = share
    return falls ? 'falls back' : undefined
  }

  /**
   * How far it is from the one to the other, 0 .. 1: without what comes or goes it is the one, and with all of it the
   * other. A dip goes by black: half the way to it, half from it.
   */
  private between(picture: Picture): number | undefined {
    const share = shareOf(picture)
    if (share === undefined) return undefined
    const [was, will] = [ended(picture, 'as it was'), ended(picture, 'as it will be')]
    const [isOld, isNext] = [JSON.stringify(was) === this.old, JSON.stringify(will) === this.next]
    if (isOld && isNext) return share
    if (isOld && isBlack(will)) return share / 2
    return isNext && isBlack(was) ? (1 + share) / 2 : undefined
  }
}

const isBlack = (picture: Picture): boolean =>
  picture.of === 'mix' && picture.layers.every(({ picture: inner, as }) => as === 'background' && inner.of === 'black')

/** The share of what comes, or goes, wherever in the picture that is. */
function shareOf(picture: Picture): number | undefined {
  if (picture.of !== 'mix') return undefined
  for (const { share, going, picture: inner } of picture.layers) {
    if (share !== undefined) return going ? 1 - share : share
    const behind = shareOf(inner)
    if (behind !== undefined) return behind
  }
  return undefined
}

/** A picture on its way as it would stand at one end of it. */
function ended(picture: Picture, to: 'as it was' | 'as it will be'): Picture {
  if (picture.of !== 'mix') return picture
  const later = to === 'as it will be'
  const layers = picture.layers.flatMap(layer => {
    const { share, going, wipe: _, soft: __, ...rest } = layer
    const whole = { ...rest, picture: ended(layer.picture, to) }
    if (share === undefined) return [whole]
    return later !== Boolean(going) ? [whole] : []
  })
  // A background that comes stands in place of the one before.
  const backgrounds = layers.filter(({ as }) => as === 'background')
  const fade = layers.some(({ as }) => as === 'fade')
  if (fade) return { of: 'black' }
  return { ...picture, layers: [...backgrounds.slice(-1), ...layers.filter(({ as }) => as !== 'background')] }
}
