// Runs in a page: the same pictures by the kernels and by WebGL2, and how far they lie apart.
import { seen } from '../core/picture'
import { GlPainter } from '../app/workers/gl/painter'
import { filled, source, sources, trees } from '../testing/trees'

/** The largest difference in codes of each kind of picture, and how many pictures were compared. */
function compared(sizes: readonly (readonly [number, number])[], seeds: number) {
  const painter = GlPainter.open(true)
  if (!painter) return undefined
  const most: Record<string, number> = {}
  let pictures = 0
  for (const [width, height] of sizes)
    for (let seed = 1; seed <= seeds; seed++)
      for (const [name, tree] of Object.entries(trees(seed))) {
        const one = seen(tree, sources(seed), width, height).data
        const other = painter.bytes(tree, sources(seed), width, height)
        let apart = one.length === other.length ? 0 : 256
        for (let i = 0; i < one.length; i++) apart = Math.max(apart, Math.abs(one[i]! - other[i]!))
        most[name] = Math.max(most[name] ?? 0, apart)
        pictures++
      }
  return { most, pictures }
}

/** The picture that is shown, read back from a canvas: its first pixels, row by row from the top. */
function painted(width: number, height: number): number[] {
  const bitmap = GlPainter.open(true)?.paint(source(0), sources(1), width, height)
  const on = new OffscreenCanvas(width, height).getContext('2d')
  if (!bitmap || !on) return []
  on.drawImage(bitmap, 0, 0)
  return [...on.getImageData(0, 0, width, height).data]
}

Object.assign(window, { compared, painted, straight: () => [...filled(40, 22, 'ramp', 1).data] })
