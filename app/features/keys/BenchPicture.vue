<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch } from 'vue'
import type { Box, Cut, GraphicEntry } from '#core/document'
import { type OverlayRow, standing, wordsOf } from '#core/features/keys'
import type { Chroma, Keying, Scene } from '#core/picture'
import type { Picture } from '#core/run'
import { usePainter } from '~/workers/painter'
import type { Benched } from '~/workers/protocol'
import type { Marking } from './marks'

/**
 * The picture itself, as the keyer makes it: over another one, what is lost striped, the safe parts and the words marked;
 * or the matte alone. Words, and what is meant to be seen, are drawn around with the mouse.
 */
const props = defineProps<{
  row: OverlayRow
  scenes: Readonly<Record<string, Scene>>
  picture: Picture | undefined
  /** File of a photograph that stands for what lies under it. */
  photograph: string | undefined
  /** Of the pictures that come by this key, the one that is looked at. */
  graphic: GraphicEntry | undefined
  cut: Cut
  keying: Keying | Chroma | undefined
  /** Of a key by colour, as it is being set. */
  chroma: Chroma | undefined
  /** CSS pixels; 16:9. */
  width: number
  shown: boolean
  matte: boolean
  /** Said of what is striped, beside it. */
  lost: string
  /** What is drawn around, where it is. */
  marking: Marking | undefined
}>()
const emit = defineEmits<{
  benched: [benched: Benched | undefined, absent: boolean]
  boxed: [kind: Marking, box: Box]
  unboxed: [kind: Marking, id: string]
}>()
const graphic = computed(() => props.graphic)
const height = computed(() => Math.round((props.width * 9) / 16))
const canvas = ref<HTMLCanvasElement>()
/** Black is a picture too: what has not been drawn yet must not look like it. */
const there = ref(false)
const marks = ref<HTMLCanvasElement>()

/** A source shows the picture that is looked at, not the first of its set. */
const withGraphic = (picture: Picture): Picture =>
  picture.of === 'source' && picture.graphic && graphic.value
    ? { ...picture, graphic: { ...picture.graphic, file: graphic.value.file } }
    : picture
/** What lies under is seen as it was photographed. */
function photographed(picture: Picture): Picture {
  if (props.photograph === undefined) return picture
  const graphic = { file: props.photograph, as: 'straight' } as const
  if (picture.of !== 'source') return { of: 'source', device: '', port: '', graphic }
  const { content: _, ...rest } = picture
  return { ...rest, graphic }
}
/** The picture with its key set as it is being set, or without it. */
function patched(picture: Picture): Picture {
  if (picture.of !== 'mix') return picture
  const layers = picture.layers.flatMap(layer =>
    layer.overlay !== props.row.id
      ? [{ ...layer, picture: photographed(patched(layer.picture)) }]
      : props.shown
        ? [
            {
              ...layer,
              picture: withGraphic(layer.picture),
              ...(layer.key ? { key: withGraphic(layer.key) } : {}),
              ...(layer.cut ? { cut: props.cut } : {}),
              ...(layer.screen && props.chroma ? { screen: toRaw(props.chroma) } : {}),
            },
          ]
        : [],
  )
  return { ...picture, layers }
}

const show = (to: HTMLCanvasElement | undefined, bytes: Uint8ClampedArray, width: number, height: number): void => {
  if (!to) return
  to.width = width
  to.height = height
  to.getContext('2d')!.putImageData(new ImageData(bytes as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0)
}

const THUMB = [284, 160] as const
/** Does one thing at a time: what is asked for meanwhile is done once more, when the last is done. */
function inTurn(work: () => Promise<void>): () => void {
  let working = false
  let again = false
  const go = async (): Promise<void> => {
    if (working) {
      again = true
      return
    }
    working = true
    try {
      await work()
    } catch {
      // The worker ended, or the page is left: the next change draws anew.
    } finally {
      working = false
      if (again) {
        again = false
        void go()
      }
    }
  }
  return () => void go()
}
const size = (): readonly [number, number] => {
  const ratio = Math.min(2, window.devicePixelRatio || 1)
  return [Math.round(props.width * ratio), Math.round(height.value * ratio)]
}
/** The sources without the names that their test pictures carry: captions lie where those stand. */
const bare = computed(() =>
  Object.fromEntries(Object.entries(props.scenes).map(([id, scene]) => [id, { ...scene, bare: true as const }])),
)
const drawPicture = inTurn(async () => {
  if (!props.picture || (props.matte && graphic.value)) return
  const [w, h] = size()
  const { id } = props.row
  const bytes = await usePainter().draw(toRaw(patched(toRaw(props.picture))), bare.value, w, h)
  if (props.matte || id !== props.row.id) return
  show(canvas.value, bytes, w, h)
  there.value = true
})
/** A picture that is not there yet may be on its way, as while a server starts: it is asked for a few times more. */
const [TRIES, AGAIN_MS] = [5, 1500]
let tries = 0
let trying: ReturnType<typeof setTimeout> | undefined
onBeforeUnmount(() => clearTimeout(trying))
const measure = inTurn(async () => {
  const file = graphic.value?.file
  const { row, keying } = props
  const [w, h] = size()
  const benched =
    file && keying
      ? await usePainter().bench(file, {
          keying: { ...toRaw(keying) },
          ...(row.overlay.box ? { box: { ...row.overlay.box } } : {}),
          ...(row.overlay.mask ? { mask: { ...row.overlay.mask } } : {}),
          ...(graphic.value?.solid ? { solid: toRaw(graphic.value.solid) } : {}),
          width: w,
          height: h,
          small: props.matte ? [w, h] : THUMB,
        })
      : undefined
  // Another overlay is looked at by now: it is measured next.
  if (row.id !== props.row.id) return
  clearTimeout(trying)
  if (benched) tries = 0
  else if (file && keying && tries++ < TRIES)
    trying = setTimeout(() => {
      drawPicture()
      measure()
    }, AGAIN_MS)
  around.value = benched?.around
  emit('benched', benched, benched === undefined && file !== undefined && keying !== undefined)
  if (benched && props.matte && benched.solid.length === w * h * 4) {
    show(canvas.value, benched.solid, w, h)
    there.value = true
  }
  if (!marks.value) return
  if (benched && !props.matte && props.shown) show(marks.value, benched.lost, w, h)
  else marks.value.width = 0
})
watch(
  () =>
    [
      props.row,
      props.picture,
      props.photograph,
      props.graphic,
      props.cut,
      props.keying,
      props.chroma,
      props.width,
      props.shown,
      props.matte,
    ] as const,
  ([row], [before] = [] as never) => {
    if (props.width === 0) return
    // What is there belongs to another overlay.
    if (before && row.id !== before.id) {
      for (const old of [canvas.value, marks.value]) if (old) old.width = 0
      around.value = undefined
      there.value = false
    }
    drawPicture()
    measure()
  },
  { immediate: true, flush: 'post' },
)

/** What is said of the stripes stands over them, or below where there is no room above. */
const around = shallowRef<Box>()
const TAG = 30
const tag = computed(() => {
  const box = props.lost && props.shown && !props.matte ? around.value : undefined
  if (!box) return undefined
  const above = box.y * height.value >= TAG
  const left = `min(${Math.max(0, box.x) * 100}%, calc(100% - var(--tag)))`
  return above
    ? { left, bottom: `calc(${(1 - box.y) * 100}% + 6px)` }
    : { left, top: `calc(${Math.min(0.9, box.y + box.h) * 100}% + 6px)` }
})

/** What is drawn around already. */
const boxes = computed((): [string, Box][] => {
  const one = graphic.value
  const there = !one ? [] : props.marking === 'solid' ? Object.entries(one.solid ?? {}) : wordsOf(one)
  return there.map(([id, box]) => [id, standing(props.row.overlay, box)])
})
const SAFE = [
  ['action', 0.93],
  ['title', 0.9],
] as const

// --- words, or what is meant, drawn around ---
const from = ref<{ x: number; y: number }>()
const to = ref<{ x: number; y: number }>()
const place = (event: PointerEvent) => {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const share = (at: number, start: number, size: number) => Math.min(1, Math.max(0, (at - start) / size))
  return { x: share(event.clientX, box.left, box.width), y: share(event.clientY, box.top, box.height) }
}
const drawn = computed((): Box | undefined =>
  from.value && to.value
    ? {
        x: Math.min(from.value.x, to.value.x),
        y: Math.min(from.value.y, to.value.y),
        w: Math.abs(from.value.x - to.value.x),
        h: Math.abs(from.value.y - to.value.y),
      }
    : undefined,
)
function begin(event: PointerEvent): void {
  if (!props.marking) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  from.value = to.value = place(event)
}
function go(event: PointerEvent): void {
  if (from.value) to.value = place(event)
}
const LEAST = 0.004
function end(): void {
  const box = drawn.value
  from.value = to.value = undefined
  if (!box || box.w < LEAST || box.h < LEAST) return
  // Into the graphic, which may lie in a part of the picture.
  const { x, y, w, h } = props.row.overlay.box ?? { x: 0, y: 0, w: 1, h: 1 }
  const clamp = (value: number) => Math.min(1, Math.max(0, value))
  const [left, top] = [clamp((box.x - x) / w), clamp((box.y - y) / h)]
  const [right, bottom] = [clamp((box.x + box.w - x) / w), clamp((box.y + box.h - y) / h)]
  if (right - left >= LEAST && bottom - top >= LEAST)
    emit('boxed', props.marking!, { x: left, y: top, w: right - left, h: bottom - top })
}
const style = ({ x, y, w, h }: Box) => ({
  left: `${x * 100}%`,
  top: `${y * 100}%`,
  width: `${w * 100}%`,
  height: `${h * 100}%`,
})
</script>

<template>
  <div
    class="picture"
    :class="{ marking, there }"
    :aria-busy="!there && picture !== undefined"
    :style="{ width: `${width}px`, height: `${height}px` }"
    @pointerdown="begin"
    @pointermove="go"
    @pointerup="end"
    @pointercancel="from = to = undefined"
  >
    <canvas ref="canvas" role="img" :aria-label="`${row.overlay.title} over a picture`" />
    <canvas ref="marks" aria-hidden="true" />
    <svg viewBox="0 0 1600 900" aria-hidden="true">
      <rect
        v-for="[name, share] in SAFE"
        :key="name"
        :class="name"
        :x="800 * (1 - share)"
        :y="450 * (1 - share)"
        :width="1600 * share"
        :height="900 * share"
      />
    </svg>
    <p class="tag small" role="status" :style="tag ?? { display: 'none' }">{{ lost }}</p>
    <template v-if="marking">
      <button
        v-for="([id, box], i) in boxes"
        :key="id"
        type="button"
        class="word"
        :style="style(box)"
        :aria-label="`${marking === 'solid' ? 'What is meant' : 'Words'} ${i + 1}: take the box out`"
        title="Take this box out"
        @click.stop="emit('unboxed', marking, id)"
        @pointerdown.stop
      />
      <span v-if="drawn" class="word new" :style="style(drawn)" />
    </template>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  background: var(--line);
  border-radius: 3px;
  overflow: hidden;
}
.picture.there {
  background: #000;
}
.picture.marking {
  cursor: crosshair;
  touch-action: none;
}
canvas,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
rect {
  fill: none;
  stroke: #ffffff70;
  stroke-width: 2;
  stroke-dasharray: 2 9;
}
rect.title {
  stroke-dasharray: 12 8;
}
.tag {
  --tag: 280px;
  position: absolute;
  margin: 0;
  padding: 2px 8px;
  border-radius: 3px;
  background: #101218e0;
  color: #cfc3f5;
  font-weight: 650;
  white-space: nowrap;
  pointer-events: none;
}
.word {
  position: absolute;
  border: 2px dashed #8fd3c8;
  border-radius: 2px;
  padding: 0;
  min-height: 0;
  background: #8fd3c81f;
}
.word:hover,
.word:focus-visible {
  border-style: solid;
  background: #8fd3c840;
}
.word.new {
  pointer-events: none;
}
</style>
