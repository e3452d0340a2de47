<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch } from 'vue'
import { type GraphicEntry, type Overlay, emptyPlan, own, screenOf, setEdit } from '#core/document'
import type { Chroma, ChromaSetting } from '#core/picture'
import { percent } from '#core/words'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'

/** A key by colour: its screen, tolerance, soft edge and spill, moved here; one change of the plan when they rest. */
const props = defineProps<{ id: string; overlay: Overlay; graphic: GraphicEntry | undefined }>()
const emit = defineEmits<{ moved: [chroma: Chroma | undefined] }>()
const store = usePlanStore()
const notices = useNotices()
const plan = computed(() => store.plan ?? emptyPlan(''))

const moved = ref<{ id: string; part: Partial<Chroma> }>()
const chroma = computed((): Chroma => {
  const part = moved.value?.id === props.id ? moved.value.part : {}
  return { ...screenOf(props.overlay), ...part }
})
watch(chroma, now => emit('moved', now), { immediate: true })

let resting: ReturnType<typeof setTimeout> | undefined
const REST_MS = 500
function move(part: Partial<Chroma>): void {
  moved.value = { id: props.id, part: { ...(moved.value?.id === props.id ? moved.value.part : {}), ...part } }
  clearTimeout(resting)
  resting = setTimeout(() => void settle(), REST_MS)
}
async function settle(): Promise<void> {
  clearTimeout(resting)
  const now = moved.value
  if (!now || !own(plan.value.overlays, now.id)) return
  const edits = Object.entries(now.part).map(([field, value]) =>
    setEdit(['overlays', now.id, field] as never, (Array.isArray(value) ? [...value] : value) as never),
  )
  const { title } = plan.value.overlays[now.id]!
  await store.commit(`${title}: the colour that is cut away`.slice(0, 120), edits)
  if (moved.value === now) moved.value = undefined
}
onBeforeUnmount(() => void settle())
// What is being set is not lost when the page is left before it rests.
useEventListener(window, 'pagehide', () => void settle())
watch(
  () => props.id,
  () => void settle(),
)

const hex = computed(() => `#${chroma.value.screen.map(value => value.toString(16).padStart(2, '0')).join('')}`)
const ofHex = (text: string): Chroma['screen'] => [1, 3, 5].map(at => parseInt(text.slice(at, at + 2), 16)) as never
const ROWS = [
  ['tolerance', 'Tolerance', 0.6],
  ['edge', 'Soft edge', 0.6],
  ['spill', 'Shine taken', 1],
] as const
/** By the keys of the bench: a hundredth a step. */
function step(which: 'tolerance' | 'edge', by: number): void {
  const next = Math.min(0.6, Math.max(0, chroma.value[which] + by / 100))
  move({ [which]: Number(next.toFixed(2)) })
}

const tried = shallowRef<{ readonly id: string; readonly setting: ChromaSetting }>()
const finding = ref(false)
async function find(): Promise<void> {
  const { id, graphic } = props
  if (!graphic || finding.value) return
  finding.value = true
  try {
    const setting = await usePainter().findScreen({ ...toRaw(props.overlay), ...chroma.value }, toRaw(graphic))
    if (setting) tried.value = { id, setting }
    else notices.tell('Nothing of this picture can be judged: nothing in it is told from an even screen.', 'wrong')
  } finally {
    finding.value = false
  }
}
const triedHere = computed(() => (tried.value?.id === props.id ? tried.value.setting : undefined))
watch(
  () => props.overlay.graphic,
  () => (tried.value = undefined),
)
function take(): void {
  const setting = triedHere.value
  if (!setting) return
  const { screen, tolerance, edge } = setting.chroma
  move({ screen: [...screen] as never, tolerance, edge })
  tried.value = undefined
  void settle()
}
const words = computed(() => {
  const one = triedHere.value
  if (!one) return ''
  const { measured, margin } = one
  return `${percent(measured.lost ?? 0)} lost, ${percent(measured.haze ?? 0)} of the screen stays; the screen may change by ${percent(margin)} of colour`
})
const valueIn = (event: Event): string => (event.target as HTMLInputElement).value
defineExpose({ find, step, take, tried: triedHere })
</script>

<template>
  <div class="chroma">
    <label class="row"
      ><span>Screen</span>
      <input
        type="color"
        :value="hex"
        aria-label="Colour of the screen"
        @input="e => move({ screen: ofHex(valueIn(e)) })"
      />
      <span class="figures small">{{ chroma.screen.join(', ') }}</span>
    </label>
    <p v-if="graphic?.ground && graphic.ground.join() !== chroma.screen.join()" class="small quiet">
      In the file it is {{ graphic.ground.join(', ') }}.
      <button type="button" class="link" @click="move({ screen: [...graphic.ground] as never })">take that</button>
    </p>
    <label v-for="[field, name, most] in ROWS" :key="field" class="row"
      ><span>{{ name }}</span>
      <input
        type="range"
        min="0"
        :max="most"
        step="0.01"
        :value="chroma[field]"
        :aria-label="name"
        @input="e => move({ [field]: Number(valueIn(e)) })"
      />
      <span class="figures small">{{ percent(chroma[field]) }}</span>
    </label>
    <p class="tools">
      <button type="button" class="btn small" :disabled="finding || !graphic?.hues" @click="find">
        Find the best <span class="key">F</span>
      </button>
      <slot />
    </p>
    <button v-if="triedHere" type="button" class="btn tried" @click="take">
      <span class="strong"
        >{{ triedHere.chroma.screen.join(', ') }}, tolerance {{ percent(triedHere.chroma.tolerance) }}, edge
        {{ percent(triedHere.chroma.edge) }} <span class="key">Enter</span></span
      >
      <span class="small">{{ words }}</span>
    </button>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) 92px;
  gap: 10px;
  align-items: center;
  min-height: 34px;
}
.row .figures {
  text-align: right;
}
input[type='range'] {
  accent-color: var(--chosen);
  width: 100%;
}
input[type='color'] {
  width: 100%;
  height: 28px;
  padding: 2px;
  border: 1px solid var(--border);
  border-radius: 4px;
  background: none;
}
.link {
  color: var(--chosen);
  min-height: 24px;
  padding: 0;
}
p {
  margin: 0;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
.tried {
  display: block;
  width: 100%;
  height: auto;
  margin-top: 8px;
  padding: 8px 12px;
  text-align: left;
  border-color: var(--chosen);
  white-space: normal;
}
.tried > span {
  display: block;
}
</style>
