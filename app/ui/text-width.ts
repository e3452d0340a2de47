import { ref } from 'vue'

export type Weight = 400 | 650

const SIZE_PX = 13
const FAMILY = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"

/** Goes up when the typefaces have come: what was measured before stood in others. */
const faces = ref(0)
const widths = new Map<string, number>()
let paper: CanvasRenderingContext2D | null | undefined

/** Width of one line in small words, px, as the browser sets it. To be asked while drawing: it is asked again when the typefaces have come. */
export function smallWidth(text: string, weight: Weight = 400): number {
  const key = `${faces.value}/${weight}/${text}`
  const known = widths.get(key)
  if (known !== undefined) return known
  if (paper === undefined) {
    paper = document.createElement('canvas').getContext('2d')
    void document.fonts.ready.then(() => {
      widths.clear()
      faces.value += 1
    })
  }
  if (!paper) return 0
  paper.font = `${weight} ${SIZE_PX}px ${FAMILY}`
  const { width } = paper.measureText(text)
  widths.set(key, width)
  return width
}
