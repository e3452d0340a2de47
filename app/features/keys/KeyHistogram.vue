<script setup lang="ts">
import { computed, ref } from 'vue'
import { type KeyScale, ofSteps, stepWords, toSteps } from '#core/catalog'
import type { Cut } from '#core/document'
import { type Cells, type Misread, matteTable, pixelsIn } from '#core/picture'

/**
 * How bright a graphic is, and how solid each brightness becomes: a chart whose two points are dragged. What is lost is
 * violet, what is kept has the colour of light, what is meant to be clear is grey.
 */
const props = defineProps<{
  cells: Cells
  way: 'luma' | 'linear'
  cut: Cut
  scale: KeyScale
  misread?: Misread | undefined
  /** Drawn as a dashed line beside. */
  tried?: Cut | undefined
}>()
const emit = defineEmits<{ moved: [cut: { clip: number; gain: number }]; done: [] }>()

const WIDTH = 704
const HEIGHT = 138
const TOP = 14
const BARS = 64
const PER_BAR = 256 / BARS

const bars = computed(() => {
  const table = matteTable(props.cut.clip, props.cut.gain, props.cut.invert, props.misread)
  const sums = Array.from({ length: BARS }, () => ({ clear: 0, lost: 0, kept: 0 }))
  const { counts } = props.cells
  for (let i = 0; i < counts.length; i += 3) {
    const code = props.way === 'luma' ? counts[i]! : counts[i + 1]!
    const truth = counts[i + 1]!
    const to = sums[Math.min(BARS - 1, Math.floor(code / PER_BAR))]!
    if (truth <= 127) to.clear += counts[i + 2]!
    else if (table[code]! < truth / 510) to.lost += counts[i + 2]!
    else to.kept += counts[i + 2]!
  }
  const all = Math.max(1, pixelsIn(props.cells))
  const root = (n: number) => Math.sqrt(n / all)
  const most = Math.max(...sums.map(({ clear, lost, kept }) => root(clear + lost + kept)), 1e-9)
  const width = WIDTH / BARS
  return sums.flatMap((sum, i) => {
    let below = 0
    return (['clear', 'lost', 'kept'] as const).flatMap(kind => {
      if (sum[kind] === 0) return []
      const [from, to] = [root(below), root(below + sum[kind])]
      below += sum[kind]
      const height = Math.max(2, ((to - from) / most) * HEIGHT * 0.94)
      return [
        {
          key: `${i}${kind}`,
          kind,
          x: i * width + 1,
          y: TOP + HEIGHT - (from / most) * HEIGHT * 0.94 - height,
          width: width - 2,
          height,
        },
      ]
    })
  })
})

const solidFrom = (cut: { clip: number; gain: number }) => cut.clip + Math.max(1 - cut.gain, 1 / 255)
/** Where the line of a cut goes: clear until the clip, solid from clip + (1 - gain); turned round, the other way. */
function line(cut: Cut): string {
  const [low, high] = cut.invert ? [TOP, TOP + HEIGHT] : [TOP + HEIGHT, TOP]
  const end = solidFrom(cut)
  const reached = end > 1 ? low + ((high - low) * (1 - cut.clip)) / (end - cut.clip) : high
  return `0,${low} ${cut.clip * WIDTH},${low} ${Math.min(1, end) * WIDTH},${reached} ${WIDTH},${reached}`
}
const handles = computed(() => {
  const { clip, gain } = toSteps(props.scale, props.cut)
  const end = Math.min(1, solidFrom(props.cut))
  const [low, high] = props.cut.invert ? [TOP, TOP + HEIGHT] : [TOP + HEIGHT, TOP]
  return [
    {
      which: 'clip' as const,
      x: props.cut.clip * WIDTH,
      y: low,
      step: clip,
      words: stepWords(props.scale, 'clip', clip),
    },
    { which: 'gain' as const, x: end * WIDTH, y: high, step: gain, words: stepWords(props.scale, 'gain', gain) },
  ]
})

const chart = ref<SVGSVGElement>()
const held = ref<'clip' | 'gain'>()
function grab(event: PointerEvent, which: 'clip' | 'gain'): void {
  held.value = which
  ;(event.currentTarget as SVGElement).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent): void {
  const box = chart.value?.getBoundingClientRect()
  if (!held.value || !box) return
  const at = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width))
  const { clip, gain } = props.cut
  const wanted =
    held.value === 'clip' ? { clip: at, gain } : { clip, gain: Math.min(1, Math.max(0, 1 - Math.max(0, at - clip))) }
  const steps = toSteps(props.scale, wanted)
  emit('moved', ofSteps(props.scale, steps.clip, steps.gain))
}
function drop(): void {
  if (!held.value) return
  held.value = undefined
  emit('done')
}
function step(which: 'clip' | 'gain', by: number): void {
  const now = toSteps(props.scale, props.cut)
  now[which] = Math.min(props.scale.steps, Math.max(0, now[which] + by))
  emit('moved', ofSteps(props.scale, now.clip, now.gain))
  emit('done')
}
defineExpose({ step })
</script>

<template>
  <div class="histogram">
    <svg
      ref="chart"
      :viewBox="`-10 0 ${WIDTH + 20} ${TOP + HEIGHT + 12}`"
      role="group"
      aria-label="Brightness of the graphic, and how solid each becomes"
    >
      <rect
        v-for="bar in bars"
        :key="bar.key"
        :class="bar.kind"
        :x="bar.x"
        :y="bar.y"
        :width="bar.width"
        :height="bar.height"
      />
      <line class="axis" x1="0" :x2="WIDTH" :y1="TOP + HEIGHT" :y2="TOP + HEIGHT" />
      <polyline v-if="tried" class="tried" :points="line(tried)" />
      <polyline class="cut" :points="line(cut)" />
      <g
        v-for="handle in handles"
        :key="handle.which"
        class="handle"
        role="slider"
        tabindex="0"
        :aria-label="handle.which === 'clip' ? 'Clip' : 'Gain'"
        :aria-valuemin="0"
        :aria-valuemax="scale.steps"
        :aria-valuenow="handle.step"
        :aria-valuetext="handle.words"
        @pointerdown="grab($event, handle.which)"
        @pointermove="drag"
        @pointerup="drop"
        @pointercancel="drop"
        @keydown.left.stop.prevent="step(handle.which, -1)"
        @keydown.right.stop.prevent="step(handle.which, 1)"
      >
        <circle class="reach" :cx="handle.x" :cy="handle.y" r="22" />
        <circle class="point" :cx="handle.x" :cy="handle.y" r="7" />
      </g>
    </svg>
    <p class="small ends">
      <span class="quiet">black</span>
      <span>
        <template v-for="handle in handles" :key="handle.which"
          >{{ handle.which }} <b class="figures">{{ handle.words }}</b>&emsp;</template
        >
      </span>
      <span class="quiet">{{
        way === 'luma'
          ? 'brightness; share of its pixels, on a root scale'
          : 'key signal; share of its pixels, on a root scale'
      }}</span>
      <span class="quiet">white</span>
    </p>
  </div>
</template>

<style scoped>
.histogram {
  max-width: 724px;
}
svg {
  display: block;
  width: 100%;
  height: auto;
  touch-action: none;
}
.clear {
  fill: var(--line);
}
.lost {
  fill: var(--quality);
}
.kept {
  fill: var(--light);
}
.axis {
  stroke: var(--border);
}
.cut,
.tried {
  fill: none;
  stroke: var(--chosen);
  stroke-width: 2.5;
}
.tried {
  stroke-width: 1.5;
  stroke-dasharray: 4 4;
}
.handle {
  cursor: ew-resize;
  outline: none;
}
.reach {
  fill: transparent;
}
.point {
  fill: var(--ground);
  stroke: var(--chosen);
  stroke-width: 3;
}
.handle:focus-visible .point {
  fill: var(--chosen);
}
.ends {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  margin: 2px 10px 0;
}
</style>
