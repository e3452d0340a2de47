<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import type { WordBox } from '#core/document'
import {
  CAPTION_HEIGHT,
  CAPTION_WIDTH,
  type CaptionAsked,
  type InkFound,
  type MeasureLine,
  type OverlayRow,
  captionSvg,
  laidCaption,
} from '#core/features/keys'
import { guaranteed } from '#core/picture'
import { figure } from '#core/words'
import { usePainter } from '~/workers/painter'
import InkPart from './InkPart.vue'

/** A caption for who has no graphics computer: drawn with transparency, its words known to the pixel. */
const props = defineProps<{ title: string; inks: readonly InkFound[]; halls: OverlayRow['halls'] }>()
const emit = defineEmits<{
  made: [{ png: Uint8Array; title: string; words: Readonly<Record<string, WordBox>> }]
  close: []
}>()

const first = ref('Ilse Marrow')
const second = ref('chief referee')
const place = ref<CaptionAsked['place']>('lower left')
const letters = ref(5)
const solid = ref(100)
const plate = ref('#1f3f5b')
const ink = ref('#ffffff')
const PLACES = ['lower left', 'lower middle', 'upper left'] as const

const asked = computed((): CaptionAsked => ({
  lines: [first.value, second.value],
  letters: letters.value / 100,
  place: place.value,
  ink: ink.value,
  plate: plate.value,
  solid: solid.value / 100,
}))
const empty = computed(() => !first.value.trim() && !second.value.trim())

const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif'
const measuring = document.createElement('canvas').getContext('2d')!
const measure: MeasureLine = line => {
  measuring.font = `700 100px ${FONT}`
  const found = measuring.measureText(line)
  const capital = measuring.measureText('H').actualBoundingBoxAscent
  return { width: found.width, capital, below: Math.max(0, found.actualBoundingBoxDescent) }
}

function draw(to: HTMLCanvasElement, times: number, ground: 'clear' | 'black' = 'clear'): void {
  to.width = CAPTION_WIDTH * times
  to.height = CAPTION_HEIGHT * times
  const context = to.getContext('2d', { willReadFrequently: true })!
  context.scale(times, times)
  if (ground === 'black') {
    context.fillStyle = '#000000'
    context.fillRect(0, 0, CAPTION_WIDTH, CAPTION_HEIGHT)
  }
  const { plate: at, lines } = laidCaption(asked.value, measure)
  context.globalAlpha = asked.value.solid
  context.fillStyle = asked.value.plate
  // On whole pixels: an edge that is half covered would be a soft one.
  context.fillRect(Math.round(at.x), Math.round(at.y), Math.round(at.w), Math.round(at.h))
  context.globalAlpha = 1
  context.fillStyle = asked.value.ink
  context.textBaseline = 'alphabetic'
  for (const { text, x, y, size } of lines) {
    context.font = `700 ${size}px ${FONT}`
    context.fillText(text, x, y)
  }
}

const preview = ref<HTMLCanvasElement>()
async function show(): Promise<void> {
  await document.fonts.load(`700 100px ${FONT}`)
  if (preview.value) draw(preview.value, 1 / 3)
}
onMounted(() => void show())
watch(asked, () => void show())

const rgb = (hex: string): [number, number, number] =>
  [1, 3, 5].map(i => Number.parseInt(hex.slice(i, i + 2), 16)) as [number, number, number]
const contrast = computed(() =>
  guaranteed([...rgb(ink.value), 255], [...rgb(plate.value), Math.round(solid.value * 2.55)]),
)

const FINER = 2
const working = ref(false)
async function make(): Promise<void> {
  if (empty.value || working.value) return
  working.value = true
  try {
    emit('made', {
      png: await encoded('clear'),
      title: ([first.value, second.value].find(line => line.trim()) ?? props.title).trim().slice(0, 120),
      words: laidCaption(asked.value, measure).words,
    })
  } finally {
    working.value = false
  }
}

/** Drawn larger and made small again, so that its soft edges are exact. */
async function encoded(ground: 'clear' | 'black'): Promise<Uint8Array> {
  const canvas = document.createElement('canvas')
  draw(canvas, FINER, ground)
  const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
  return usePainter().encode(data, canvas.width, canvas.height, FINER)
}

async function save(ground: 'clear' | 'black', as: 'svg' | 'png'): Promise<void> {
  const bytes =
    as === 'png'
      ? new Uint8Array(await encoded(ground))
      : captionSvg(asked.value, laidCaption(asked.value, measure), ground)
  const url = URL.createObjectURL(new Blob([bytes], { type: as === 'png' ? 'image/png' : 'image/svg+xml' }))
  const link = document.createElement('a')
  link.href = url
  link.download = `template-${ground}.${as}`
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="760"
    aria-label="Make a caption"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <form class="sheet" @submit.prevent="make">
      <h2>Make a caption</h2>
      <canvas ref="preview" class="preview" role="img" aria-label="The caption as it will be" />
      <p class="small" role="status">
        Contrast {{ figure(contrast) }} : 1 over any picture<template v-if="contrast < 3"
          >: too little to be read</template
        ><template v-else-if="contrast < 4.5">: enough, more than 4.5 is good</template>; letters
        {{ figure(letters * 0.6) }}&nbsp;mm high on a phone<template v-for="hall in halls" :key="hall.name"
          >, {{ figure(letters * 10 * hall.heightM, 0) }}&nbsp;mm on {{ hall.name }}, where from
          {{ figure(hall.lastM) }}&nbsp;m {{ figure(hall.lastM * 5, 0) }}&nbsp;mm are read</template
        >.
      </p>
      <div class="fields">
        <v-text-field v-model="first" label="First line" maxlength="80" autofocus density="compact" />
        <v-text-field v-model="second" label="Second line" maxlength="80" density="compact" />
        <label
          ><span>Stands</span
          ><select v-model="place" class="pick">
            <option v-for="one in PLACES" :key="one">{{ one }}</option>
          </select></label
        >
        <label
          ><span>Letters, % of the picture</span
          ><input
            v-model.number="letters"
            type="range"
            min="3"
            max="12"
            step="0.5"
            aria-label="Height of the letters, % of the picture"
          /><span class="figures">{{ letters }}</span></label
        >
        <label
          ><span>Plate, % solid</span
          ><input
            v-model.number="solid"
            type="range"
            min="0"
            max="100"
            step="5"
            aria-label="How solid the plate is, %"
          /><span class="figures">{{ solid }}</span></label
        >
        <label
          ><span>Plate, letters</span><input v-model="plate" type="color" aria-label="Colour of the plate" /><input
            v-model="ink"
            type="color"
            aria-label="Colour of the letters"
        /></label>
      </div>
      <InkPart v-if="inks.length" :inks="inks" :chosen="ink" pick @picked="hex => (ink = hex)" />
      <p class="ends">
        <button type="button" class="btn" @click="save('clear', 'svg')">Clear, SVG</button>
        <button type="button" class="btn" @click="save('clear', 'png')">Clear, PNG</button>
        <button type="button" class="btn" @click="save('black', 'svg')">On black, SVG</button>
        <button type="button" class="btn" @click="save('black', 'png')">On black, PNG</button>
        <span class="gap" />
        <button type="button" class="btn" @click="emit('close')">Cancel</button>
        <button type="submit" class="btn primary" :disabled="empty || working">Use it</button>
      </p>
      <p class="small quiet">
        The four on the left are templates for whoever makes the slides. The drawings have the safe parts as lines; the
        pictures are as they go on air.
      </p>
    </form>
  </v-dialog>
</template>

<style scoped>
.sheet {
  background: var(--surface);
  padding: 18px 22px;
  border-radius: 6px;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 10px;
}
.preview {
  display: block;
  width: min(100%, 427px);
  margin: 0 auto;
  aspect-ratio: 16 / 9;
  background: repeating-conic-gradient(#50525c 0 25%, #3a3c45 0 50%) 0 0 / 24px 24px;
  border-radius: 3px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 16px;
}
.fields label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.fields label span:first-child {
  color: var(--quiet);
  flex: 1;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 12px 0 6px;
}
.gap {
  flex: 1;
}
@media (max-width: 700px) {
  .fields {
    grid-template-columns: 1fr;
  }
}
</style>
