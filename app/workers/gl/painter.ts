import { type Pixels, type Sources, drawnAtOnce, plain, seen, seenWith } from '#core/picture'
import type { Layer, Picture } from '#core/run'
import { GlEasel } from './easel'

/** Codes by which a few layers may come out otherwise than in the kernels. */
const APART = 2

/** A ramp of greys and one of colours: what a graphics processor is tried with. */
function ramp(width: number, height: number, shift: number): Pixels {
  const to = plain(width, height)
  for (let p = 0; p < width * height; p++)
    to.data.set([(p * 7 + shift) & 255, (p * 3) & 255, (p * 11 + shift * 5) & 255], p * 4)
  return to
}

const RAMPS: Sources = ({ device }, width, height) => ramp(width, height, Number(device) * 40)

const TRIED: Picture = {
  of: 'mix',
  device: 'tried',
  tap: 'program',
  layers: [
    { picture: { of: 'source', device: '1', port: 'out' }, as: 'background' },
    { picture: { of: 'source', device: '2', port: 'out' }, as: 'background', share: 0.4 },
    { picture: { of: 'source', device: '3', port: 'out' }, as: 'key', kind: 'luma', cut: { clip: 0.2, gain: 0.7 } },
    {
      picture: { of: 'source', device: '1', port: 'out' },
      as: 'key',
      kind: 'box',
      box: { x: 0.1, y: 0.1, w: 0.33, h: 0.41 },
    },
  ].map(layer => ({ port: 'in', ...layer }) as Layer),
}

/** The machine's own processor does the work of one of graphics: known by its name, which saves the trial. */
function standsIn(gl: WebGL2RenderingContext): boolean {
  const names = gl.getExtension('WEBGL_debug_renderer_info')
  const name = String(gl.getParameter(names?.UNMASKED_RENDERER_WEBGL ?? gl.RENDERER))
  return /swiftshader|llvmpipe|softpipe|software|basic render/i.test(name)
}

/** Draws pictures with WebGL2, as the kernels of core/picture do. */
export class GlPainter {
  private constructor(
    private readonly canvas: OffscreenCanvas,
    readonly easel: GlEasel,
  ) {}

  /**
   * Undefined where the machine has no graphics processor, or one that does not come to the same pictures, or is slower than
   * the kernels: often the machine's own processor stands in for one, whatever the browser says. `anyway`: also then.
   */
  static open(anyway = false): GlPainter | undefined {
    const canvas = typeof OffscreenCanvas === 'undefined' ? undefined : new OffscreenCanvas(64, 36)
    const gl = canvas?.getContext('webgl2', {
      alpha: false,
      antialias: false,
      depth: false,
      failIfMajorPerformanceCaveat: !anyway,
    })
    if (!canvas || !gl || (!anyway && standsIn(gl))) return undefined
    try {
      const painter = new GlPainter(canvas, new GlEasel(gl))
      return painter.agrees() && (anyway || painter.isFaster()) ? painter : undefined
    } catch {
      return undefined
    }
  }

  private agrees(): boolean {
    const [width, height] = [64, 36]
    const mine = this.bytes(TRIED, RAMPS, width, height)
    return drawnAtOnce(() => seen(TRIED, RAMPS, width, height).data).every(
      (code, i) => Math.abs(code - mine[i]!) <= APART,
    )
  }

  private isFaster(): boolean {
    const [width, height] = [960, 540]
    const drawn = new Map<string, Pixels>()
    const sources: Sources = (picture, w, h) => {
      const key = `${picture.device} ${w} ${h}`
      const known = drawn.get(key) ?? RAMPS(picture, w, h)
      drawn.set(key, known)
      return known
    }
    const time = (draw: () => unknown): number => {
      // The first one makes what is kept.
      draw()
      const from = performance.now()
      draw()
      return performance.now() - from
    }
    return (
      time(() => this.bytes(TRIED, sources, width, height)) <
      time(() => drawnAtOnce(() => seen(TRIED, sources, width, height).data))
    )
  }

  /** The bytes of a picture. */
  bytes(picture: Picture, sources: Sources, width: number, height: number): Uint8ClampedArray {
    this.easel.begin()
    return this.easel.read(seenWith(this.easel, picture, sources, width, height))
  }

  /** A picture for a canvas; undefined once the graphics processor is lost. */
  paint(picture: Picture, sources: Sources, width: number, height: number): ImageBitmap | undefined {
    if (this.easel.lost) return undefined
    this.easel.begin()
    const drawn = seenWith(this.easel, picture, sources, width, height)
    if (this.canvas.width !== width || this.canvas.height !== height) Object.assign(this.canvas, { width, height })
    this.easel.show(drawn)
    return this.easel.lost ? undefined : this.canvas.transferToImageBitmap()
  }
}
