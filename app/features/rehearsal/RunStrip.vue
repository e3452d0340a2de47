<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Now, Shown } from '#core/features/rehearsal'
import { TICKS_PER_S } from '#core/run'
import LiveCanvas from './LiveCanvas.vue'

/** What one audience saw in the last 20 s, with each wrong frame, and what was pressed. */
const props = defineProps<{
  now: Now
  sink: number
  view: number | undefined
  clock: (tick: number) => string
  advice: string
  register: (key: string) => (canvas: unknown) => void
}>()
const emit = defineEmits<{ look: [tick: number] }>()
const STRIP_S = 20
const SPAN = STRIP_S * TICKS_PER_S
const strip = ref<HTMLElement>()
const { width } = useElementSize(strip)
const WHY: Readonly<Record<NonNullable<Shown['why']>, string>> = {
  'neither': 'neither the old picture nor the new',
  'back again': 'the old picture again',
  'falls back': 'a mix that went back',
  'lost': 'no signal',
  'moving': 'a camera on the move',
  'pre-roll': 'a clip that has not begun',
  'loading': 'a still that still loads',
  'empty': 'a still that is not loaded',
  'over': 'a clip past its end',
  'flash': 'a flash',
}
const list = computed(() => props.now.history[props.sink] ?? [])
/** Stretches of the strip, px. */
const stretches = computed(() => {
  const end = props.now.tick
  const start = end - SPAN
  const scale = width.value / SPAN
  return list.value.flatMap((one, i) => {
    const until = list.value[i + 1]?.tick ?? end
    if (until < start) return []
    const from = Math.max(one.tick, start)
    // A wrong frame is drawn as wide as can be seen.
    return [{ ...one, x: (from - start) * scale, w: Math.max((until - from) * scale, one.wrong ? 8 : 1) }]
  })
})
const framesWords = (n: number): string => `${n} ${n === 1 ? 'frame' : 'frames'}`
const lastWrong = computed(() => list.value.findLast(({ wrong }) => wrong))
const shownWrong = computed(() => {
  const one = stretches.value.findLast(({ wrong }) => wrong)
  return one && { ...one, left: Math.min(Math.max(0, one.x), Math.max(0, width.value - 190)) }
})
const told = ref(false)
function lookBack(event: MouseEvent): void {
  const box = strip.value?.getBoundingClientRect()
  if (!box) return
  const share = (event.clientX - box.left) / box.width
  emit('look', Math.max(0, Math.round(props.now.tick - (1 - share) * SPAN)))
}
/** Arrow keys on the strip go by a second. */
function stepBack(by: number): void {
  emit('look', Math.min(props.now.tick, Math.max(0, (props.view ?? props.now.tick) + by * TICKS_PER_S)))
}
defineExpose({ stretches })
</script>

<template>
  <div class="told-wrong small">
    <span v-if="shownWrong" class="strong" :style="{ marginLeft: `${shownWrong.left}px` }"
      >wrong picture, {{ framesWords(shownWrong.wrong!) }}</span
    >
  </div>
  <div
    ref="strip"
    class="strip"
    role="slider"
    tabindex="0"
    aria-label="The last 20 s"
    :aria-valuemin="0"
    :aria-valuemax="Math.round(now.tick / TICKS_PER_S)"
    :aria-valuenow="Math.round((view ?? now.tick) / TICKS_PER_S)"
    @click="lookBack"
    @keydown.left.prevent="stepBack(-1)"
    @keydown.right.prevent="stepBack(1)"
  >
    <div
      v-for="one in stretches"
      :key="one.tick"
      class="stretch"
      :class="{ wrong: one.wrong }"
      :style="{ left: `${one.x}px`, width: `${one.w}px` }"
      :title="`${clock(one.tick)} ${one.words}${one.wrong ? `, wrong for ${framesWords(one.wrong)}: ${WHY[one.why!]}` : ''}`"
    >
      <LiveCanvas :ref="register(`strip-${one.tick}`)" :width="72" :label="one.words" />
    </div>
    <span
      v-if="view !== undefined"
      class="needle"
      :style="{ left: `${width - ((now.tick - view) / SPAN) * width}px` }"
    />
  </div>
  <ol class="log small">
    <li v-if="lastWrong">
      <span class="figures quiet">{{ clock(lastWrong.tick) }}</span> <b>{{ lastWrong.words }}</b> was seen for
      {{ framesWords(lastWrong.wrong!) }}: {{ WHY[lastWrong.why!] }}
      <button v-if="advice" type="button" class="how" :aria-expanded="told" @click="told = !told">
        how to do it clean
      </button>
      <span v-if="told && advice"> {{ advice }}</span>
    </li>
    <li v-for="(line, i) in now.log.slice(lastWrong ? -2 : -3).toReversed()" :key="i">
      <span class="figures quiet">{{ clock(line.tick) }}</span> {{ line.words
      }}<b v-if="line.refused">, refused: {{ line.refused }}</b>
      <span v-if="line.doubt" class="quiet">, but {{ line.doubt }}</span>
    </li>
  </ol>
</template>

<style scoped>
.told-wrong {
  height: 20px;
  margin-top: 8px;
  white-space: nowrap;
}
.strip {
  position: relative;
  height: 48px;
  border-top: 1px solid var(--line);
  border-bottom: 2px solid var(--light);
  overflow: hidden;
  cursor: pointer;
}
.stretch {
  position: absolute;
  top: 2px;
  height: 42px;
  overflow: hidden;
  border-left: 2px solid var(--border);
}
.stretch.wrong {
  background: var(--plate);
  border-left: 8px solid var(--plate);
  border-bottom: 6px solid var(--plate);
}
.needle {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--chosen);
}
.log {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.how {
  color: var(--chosen);
  text-decoration: underline;
}
</style>
