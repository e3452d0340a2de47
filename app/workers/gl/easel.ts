import {
  type Easel,
  LUMA,
  type Pixels,
  type Size,
  chromaNumbers,
  keyWeights,
  mixSteps,
  spansOf,
  touched,
} from '#core/picture'
import { SHADERS, VERTEX } from './shaders'

/** A picture in the memory of the graphics processor. */
export interface Held extends Size {
  readonly texture: WebGLTexture
}

type Gl = WebGL2RenderingContext
type Uniforms = Readonly<Record<string, (gl: Gl, at: WebGLUniformLocation) => void>>
const SAMPLERS = ['one', 'two', 'three', 'table', 'rows'] as const
/** Pictures of others stay for so many draws after the last that showed them. */
const KEPT = 3
/** Of so many sizes room is kept that nobody uses just now. */
const MOST_SIZES = 24

const int = (value: number) => (gl: Gl, at: WebGLUniformLocation) => gl.uniform1i(at, value)
const float = (value: number) => (gl: Gl, at: WebGLUniformLocation) => gl.uniform1f(at, value)

/** Draws with WebGL2. Everything that is made in a draw is given back when the next one begins. */
export class GlEasel implements Easel<Held> {
  private readonly programs = new Map<keyof typeof SHADERS, WebGLProgram>()
  private readonly free = new Map<string, WebGLTexture[]>()
  private readonly mine: Held[] = []
  private readonly others = new Map<Pixels | string, { readonly held: Held; turn: number }>()
  private readonly target: WebGLFramebuffer
  private readonly table: WebGLTexture
  private readonly rows: WebGLTexture
  private turn = 0

  /** @throws Error where a shader does not compile. */
  constructor(private readonly gl: Gl) {
    this.target = gl.createFramebuffer()
    this.table = gl.createTexture()
    this.rows = gl.createTexture()
    gl.pixelStorei(gl.UNPACK_ALIGNMENT, 1)
    for (const name of Object.keys(SHADERS) as (keyof typeof SHADERS)[]) this.programs.set(name, this.compiled(name))
  }

  private compiled(name: keyof typeof SHADERS): WebGLProgram {
    const { gl } = this
    const program = gl.createProgram()
    for (const [kind, text] of [
      [gl.VERTEX_SHADER, VERTEX],
      [gl.FRAGMENT_SHADER, SHADERS[name]],
    ] as const) {
      const shader = gl.createShader(kind)!
      gl.shaderSource(shader, text)
      gl.compileShader(shader)
      gl.attachShader(program, shader)
    }
    gl.linkProgram(program)
    if (!gl.getProgramParameter(program, gl.LINK_STATUS))
      throw new Error(`the shader ${name} does not link: ${gl.getProgramInfoLog(program)}`)
    gl.useProgram(program)
    SAMPLERS.forEach((sampler, unit) => gl.uniform1i(gl.getUniformLocation(program, sampler), unit))
    return program
  }

  /** A new draw: what was made in the last one may be drawn over. */
  begin(): void {
    this.turn++
    for (const held of this.mine.splice(0)) this.giveBack(held)
    for (const [key, { held, turn }] of this.others)
      if (turn < this.turn - KEPT) {
        this.others.delete(key)
        this.giveBack(held)
      }
  }

  private giveBack({ width, height, texture }: Held): void {
    const key = `${width} ${height}`
    const mine = this.free.get(key) ?? []
    // The size that was used last stands last.
    this.free.delete(key)
    this.free.set(key, [...mine, texture])
    for (const [size, textures] of this.free) {
      if (this.free.size <= MOST_SIZES) break
      for (const one of textures) this.gl.deleteTexture(one)
      this.free.delete(size)
    }
  }

  private taken(width: number, height: number): Held {
    const { gl } = this
    const texture = this.free.get(`${width} ${height}`)?.pop()
    if (texture) return { width, height, texture }
    const made = gl.createTexture()
    this.settled(made)
    gl.texStorage2D(gl.TEXTURE_2D, 1, gl.RGBA8UI, width, height)
    return { width, height, texture: made }
  }

  /** Whole numbers are never blended between pixels. */
  private settled(texture: WebGLTexture): void {
    const { gl } = this
    gl.activeTexture(gl.TEXTURE0)
    gl.bindTexture(gl.TEXTURE_2D, texture)
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.NEAREST)
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.NEAREST)
  }

  private fresh(width: number, height: number): Held {
    const held = this.taken(width, height)
    this.mine.push(held)
    return held
  }

  private sent(key: Pixels | string, make: () => Pixels): Held {
    const known = this.others.get(key)
    if (known) {
      known.turn = this.turn
      return known.held
    }
    const { width, height, data } = make()
    const held = this.taken(width, height)
    const { gl } = this
    gl.activeTexture(gl.TEXTURE0)
    gl.bindTexture(gl.TEXTURE_2D, held.texture)
    gl.texSubImage2D(gl.TEXTURE_2D, 0, 0, 0, width, height, gl.RGBA_INTEGER, gl.UNSIGNED_BYTE, data)
    this.others.set(key, { held, turn: this.turn })
    return held
  }

  private run(name: keyof typeof SHADERS, textures: readonly WebGLTexture[], uniforms: Uniforms): void {
    const { gl } = this
    const program = this.programs.get(name)!
    gl.useProgram(program)
    textures.forEach((texture, unit) => {
      gl.activeTexture(gl.TEXTURE0 + unit)
      gl.bindTexture(gl.TEXTURE_2D, texture)
    })
    for (const [key, set] of Object.entries(uniforms)) {
      const at = gl.getUniformLocation(program, key)
      if (at) set(gl, at)
    }
    gl.drawArrays(gl.TRIANGLES, 0, 3)
  }

  private onto({ width, height, texture }: Held): void {
    const { gl } = this
    gl.bindFramebuffer(gl.FRAMEBUFFER, this.target)
    gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, 0)
    gl.viewport(0, 0, width, height)
  }

  private made(
    { width, height }: Size,
    name: keyof typeof SHADERS,
    from: readonly Held[],
    uniforms: Uniforms = {},
    tables: readonly WebGLTexture[] = [],
  ): Held {
    const to = this.fresh(width, height)
    this.onto(to)
    // Tables have places of their own behind the three pictures.
    const pictures = [0, 1, 2].map(i => (from[i] ?? from[0]!).texture)
    this.run(name, [...pictures, ...tables], uniforms)
    return to
  }

  shown(pixels: Pixels): Held {
    return this.sent(pixels, () => pixels)
  }

  plain(width: number, height: number, [r, g, b]: readonly [number, number, number] = [0, 0, 0]): Held {
    const to = this.fresh(width, height)
    this.onto(to)
    this.gl.clearBufferuiv(this.gl.COLOR, 0, [r, g, b, 255])
    return to
  }

  mixed(old: Held, next: Held, share: number): Held {
    return this.made(old, 'mix', [old, next], { more: (gl, at) => gl.uniform1ui(at, mixSteps(share)) })
  }

  wiped(old: Held, next: Held, share: number, soft = 0): Held {
    return this.made(old, 'wipe', [old, next], { share: float(share), edge: float(Math.max(1, soft * old.width)) })
  }

  masked(
    under: Held,
    above: Held,
    ...[part, shape]: [part: Parameters<typeof spansOf>[1], shape?: 'rectangle' | 'ellipse']
  ) {
    const { gl } = this
    this.settled(this.rows)
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.RG32I, under.height, 1, 0, gl.RG_INTEGER, gl.INT, spansOf(under, part, shape))
    return this.made(under, 'mask', [under, above], {}, [this.table, this.rows])
  }

  boxed(back: Held, inner: Parameters<Easel<Held>['boxed']>[1]): Held {
    return inner.reduce((under, { picture, part }) => {
      const { left, top, right, bottom, firstX, lastX, firstY, lastY } = touched(under, part)
      if (lastX <= firstX || lastY <= firstY) return under
      return this.made(under, 'box', [under, this.scaled(picture, lastX - firstX, lastY - firstY)], {
        edges: (gl, at) => gl.uniform4f(at, left, top, right, bottom),
        first: (gl, at) => gl.uniform2i(at, firstX, firstY),
      })
    }, back)
  }

  private scaled(picture: Held, width: number, height: number): Held {
    if (picture.width === width && picture.height === height) return picture
    return this.made({ width, height }, 'scale', [picture], { size: (gl, at) => gl.uniform2f(at, width, height) })
  }

  keyed(back: Held, fill: Held, matte: Parameters<Easel<Held>['keyed']>[2], share: number): Held {
    const { gl } = this
    const { solid, part } = keyWeights(matte, share)
    const luma: readonly [number, number, number] = LUMA[matte.weights ?? 709]
    this.settled(this.table)
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.R32UI, 256, 1, 0, gl.RED_INTEGER, gl.UNSIGNED_INT, new Uint32Array(solid))
    return this.made(
      back,
      'key',
      [back, fill, matte.key ?? fill],
      { luma: (to, at) => to.uniform3ui(at, ...luma), part: int(part ?? -1) },
      [this.table],
    )
  }

  chromaKeyed(back: Held, fill: Held, chroma: Parameters<Easel<Held>['chromaKeyed']>[2], share: number): Held {
    const [kb, kr, tolerance, edge, spill] = chromaNumbers(chroma)
    return this.made(back, 'chroma', [back, this.made(fill, 'pair', [fill])], {
      hue: (gl, at) => gl.uniform2f(at, kb, kr),
      amounts: (gl, at) => gl.uniform3f(at, tolerance, edge, spill),
      share: float(share),
    })
  }

  lettered(under: Held, key: string, draw: (to: Pixels) => void): Held {
    const { width, height } = under
    const sheet = this.sent(`${width} ${height} ${key}`, () => {
      const clear = { width, height, data: new Uint8ClampedArray(width * height * 4) }
      draw(clear)
      return clear
    })
    return this.made(under, 'sheet', [under, sheet])
  }

  /** The processor was taken away, as when a machine sleeps. */
  get lost(): boolean {
    return this.gl.isContextLost()
  }

  /** Onto the canvas of the context, which has its size. */
  show(picture: Held): void {
    const { gl } = this
    gl.bindFramebuffer(gl.FRAMEBUFFER, null)
    gl.viewport(0, 0, picture.width, picture.height)
    this.run('show', [picture.texture], {})
  }

  /** The bytes of a picture. */
  read(picture: Held): Uint8ClampedArray {
    const { gl } = this
    this.onto(picture)
    const bytes = new Uint8Array(picture.width * picture.height * 4)
    gl.readPixels(0, 0, picture.width, picture.height, gl.RGBA_INTEGER, gl.UNSIGNED_BYTE, bytes)
    return new Uint8ClampedArray(bytes.buffer)
  }
}
