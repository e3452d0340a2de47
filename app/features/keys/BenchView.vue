<script setup lang="ts">
import { useDropZone, useElementSize, useEventListener, useFileDialog } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch } from 'vue'
import { cutWords, ofSteps, toSteps } from '#core/catalog'
import { type Box, type Cut, type Overlay, emptyPlan, own, setEdit } from '#core/document'
import {
  type OverlayRow,
  type Overlays,
  asKeyed,
  asOne,
  inksOf,
  measuresOf,
  paintedBy,
  wayOf,
} from '#core/features/keys'
import { type Chroma, type Keying, measured, readCells } from '#core/picture'
import { percent } from '#core/words'
import { usePlanStore } from '~/plan/store'
import FindingList from '~/ui/FindingList.vue'
import type { Benched } from '~/workers/protocol'
import type { ShownFinding } from '#core/features/board'
import BenchPicture from './BenchPicture.vue'
import CaptionDialog from './CaptionDialog.vue'
import ChromaSet from './ChromaSet.vue'
import KeyHistogram from './KeyHistogram.vue'
import InkPart from './InkPart.vue'
import MarkTools from './MarkTools.vue'
import MeasureTable from './MeasureTable.vue'
import SlideStrip from './SlideStrip.vue'
import { TAKEN } from './bring'
import { useFind } from './find'
import { type Marking, useMarks } from './marks'
import { useUnder } from './photographs'
import { usePictures } from './pictures'

/** The bench: what a key does to a real graphic over a picture, measured, with its clip and gain to be dragged. */
const props = defineProps<{ all: Overlays; row: OverlayRow; findings: readonly ShownFinding[] }>()
const store = usePlanStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
const {
  slide,
  ids: slideIds,
  graphicId,
  busy,
  take,
  takeOut,
  bring,
  bringAll,
  step: stepSlide,
} = usePictures(() => props.row)
const together = computed(() => {
  const all = slideIds.value.flatMap(id => own(plan.value.graphics, id) ?? [])
  return all.length ? asOne(all.map(one => asKeyed(toRaw(one), props.row.overlay, props.row.weights))) : undefined
})
const graphic = computed(() => {
  const one = graphicId.value === undefined ? undefined : own(plan.value.graphics, graphicId.value)
  return one && asKeyed(one, props.row.overlay, props.row.weights)
})
const way = computed(() => wayOf(props.row.overlay))
const byColour = computed(() => props.row.overlay.kind === 'chroma')

const benched = shallowRef<Benched>()

// --- the picture ---
const stage = ref<HTMLElement>()
const { width } = useElementSize(stage)
const pictureWidth = computed(() => (width.value === 0 ? 0 : Math.max(240, Math.min(704, Math.floor(width.value)))))
const shown = ref(true)
const matte = ref(false)
const marking = ref<Marking>()
const markWhat = (what: Marking): void => {
  marking.value = marking.value === what ? undefined : what
}
watch(
  () => props.row.id,
  () => {
    shown.value = true
    marking.value = undefined
    benched.value = undefined
    slide.value = undefined
  },
)

// --- clip and gain: moved here, and one change of the plan when they rest ---
const moved = ref<{ id: string; clip: number; gain: number }>()
const cut = computed((): Cut => {
  const now = moved.value
  return now && now.id === props.row.id ? { ...props.row.cut, clip: now.clip, gain: now.gain } : props.row.cut
})
const chroma = shallowRef<Chroma>()
const chromaSet = ref<InstanceType<typeof ChromaSet>>()
const keying = computed((): Keying | Chroma | undefined =>
  byColour.value && graphic.value
    ? chroma.value
    : way.value
      ? {
          way: way.value,
          cut: cut.value,
          sends: props.row.sends ?? 'premultiplied',
          ...(props.row.misread ? { misread: props.row.misread } : {}),
          ...(props.row.weights ? { weights: props.row.weights } : {}),
        }
      : undefined,
)
function move({ clip, gain }: { clip: number; gain: number }): void {
  moved.value = { id: props.row.id, clip, gain }
}
let resting: ReturnType<typeof setTimeout> | undefined
/** Steps by the keyboard that follow each other are one change. */
const REST_MS = 500
function rest(soon = REST_MS): void {
  clearTimeout(resting)
  resting = setTimeout(() => void settle(), soon)
}
async function settle(): Promise<void> {
  clearTimeout(resting)
  const now = moved.value
  if (!now || !own(plan.value.overlays, now.id)) return
  const round = (value: number) => Number(value.toFixed(6))
  await store.commit(`${plan.value.overlays[now.id]!.title}: ${cutWords(props.row.scale, now)}`.slice(0, 120), [
    setEdit(['overlays', now.id, 'clip'], round(now.clip)),
    setEdit(['overlays', now.id, 'gain'], round(now.gain)),
  ])
  if (moved.value === now) moved.value = undefined
}
onBeforeUnmount(() => void settle())
// What is being set is not lost when the page is left before it rests.
useEventListener(window, 'pagehide', () => void settle())
watch(
  () => props.row.id,
  () => void settle(),
)
function step(which: 'clip' | 'gain', by: number): void {
  if (byColour.value) return chromaSet.value?.step(which === 'clip' ? 'tolerance' : 'edge', by)
  if (!way.value) return
  const { scale } = props.row
  const now = toSteps(scale, cut.value)
  now[which] = Math.min(scale.steps, Math.max(0, now[which] + by))
  move(ofSteps(scale, now.clip, now.gain))
  rest()
}
const set = (field: keyof Overlay, value: unknown, words: string): void =>
  void store.commit(words.slice(0, 120), [setEdit(['overlays', props.row.id, field] as never, value as never)])
const turn = (): void =>
  set(
    'invert',
    props.row.overlay.invert ? undefined : true,
    props.row.overlay.invert ? 'Turn the key back' : 'Turn the key round',
  )
const weigh = (): void =>
  set(
    'premultiplied',
    props.row.overlay.premultiplied ? undefined : true,
    props.row.overlay.premultiplied ? 'Take its fill as it is' : 'Take its fill as weighted by its key',
  )
const sent = (event: Event): void =>
  set('sends', (event.target as HTMLSelectElement).value || undefined, `What is sent of ${props.row.overlay.title}`)

// --- what is measured ---
const cells = computed(() => {
  const one = graphic.value
  return one?.cells === undefined ? undefined : readCells(one.cells, one.opaque === true)
})
const measures = computed(() =>
  graphic.value
    ? measuresOf(
        byColour.value ? { ...props.row, overlay: { ...props.row.overlay, ...chroma.value } } : props.row,
        graphic.value,
        cut.value,
        benched.value?.fringe,
      )
    : [],
)
/** For whoever makes the graphic, or draws. */
const inks = computed(() =>
  byColour.value || way.value
    ? inksOf({
        ...props.row,
        cut: cut.value,
        overlay: { ...props.row.overlay, ...(byColour.value ? chroma.value : {}) },
      })
    : [],
)
const slides = computed(() =>
  slideIds.value.map(id => {
    const one = asKeyed(plan.value.graphics[id]!, props.row.overlay, props.row.weights)
    const bad = measuresOf(props.row, one, cut.value, undefined).some(measure => measure.bad)
    return { id, title: one.title, bad }
  }),
)
const truth = computed(() => {
  const one = graphic.value
  if (!one) return ''
  if (byColour.value)
    return one.hues === undefined
      ? 'What is meant to go cannot be told of this file.'
      : `Judged on what differs from its screen (${(one.ground ?? []).join(', ')}), counted in steps of 1/128 of colour.`
  if (!way.value) return 'Keys by a shape or a box are drawn; what is lost is measured of the others.'
  return one.opaque
    ? `Judged on what differs from its ground (${(one.ground ?? []).join(', ')}). ${one.solid ? 'Where somebody drew around it, all is meant to be seen.' : 'What is as dark as that cannot be seen in this file: draw around it, or take a version with transparency.'}`
    : 'Judged on what the file itself says is solid.'
})
const lostWords = computed(() => {
  const painted =
    byColour.value && graphic.value && paintedBy({ ...props.row.overlay, ...chroma.value }, graphic.value)?.found
  const found = painted || (cells.value && way.value && measured(cells.value, way.value, cut.value, props.row.misread))
  return found?.lost ? `striped: ${percent(found.lost)} of the graphic is gone` : ''
})

/** The plan names a picture that this server does not have, as after the import of a bare file. */
const absent = ref(false)
function tell(now: Benched | undefined, gone: boolean): void {
  benched.value = now
  absent.value = gone
}

// --- find it ---
const {
  finding,
  find,
  triedHere,
  take: takeTried,
} = useFind(
  () => props.row,
  together,
  cells,
  setting => {
    move(setting.cut)
    void settle()
  },
)

// --- what it lies over ---
const { under, count: views, given: photographs, next: nextView, give, drop } = useUnder(() => props.row, busy)
const photoDialog = useFileDialog({ accept: TAKEN, multiple: true, reset: true })
photoDialog.onChange(files => void give([...(files ?? [])]))

// --- pictures that come in ---
const setDialog = useFileDialog({ accept: TAKEN, multiple: true, reset: true })
setDialog.onChange(files => {
  if (files?.length) void bringAll([...files])
})
const dialog = useFileDialog({ accept: TAKEN, multiple: false, reset: true })
dialog.onChange(files => {
  const [file] = files ?? []
  if (file) void bring(file)
})
const { isOverDropZone } = useDropZone(stage, {
  onDrop: files => {
    if (files && files.length > 1) void bringAll(files)
    else if (files?.[0]) void bring(files[0])
  },
  multiple: true,
})

// --- words ---
const { boxed, unboxed, propose: look } = useMarks(graphicId, graphic)
async function propose(): Promise<void> {
  if (await look()) marking.value = 'words'
}

const caption = ref(false)
async function captioned(made: {
  png: Uint8Array
  title: string
  words: Readonly<Record<string, Box>>
}): Promise<void> {
  caption.value = false
  const { keep } = await import('./bring')
  await take(async () => ({ hash: await keep(made.png), title: made.title, words: made.words }))
}

// --- the small pictures ---
const comes = ref<HTMLCanvasElement>()
const solid = ref<HTMLCanvasElement>()
const SMALL = [284, 160] as const
watch([benched, comes, solid], () => {
  const now = benched.value
  for (const [canvas, bytes] of [
    [comes.value, now?.comes],
    [solid.value, now?.solid],
  ] as const) {
    if (!canvas || !bytes || bytes.length !== SMALL[0] * SMALL[1] * 4) continue
    ;[canvas.width, canvas.height] = SMALL
    canvas.getContext('2d')!.putImageData(new ImageData(bytes as Uint8ClampedArray<ArrayBuffer>, ...SMALL), 0, 0)
  }
})

/** What a key does on the bench; true where it did something. */
function press(key: string, shift: boolean): boolean {
  const acts: Record<string, (() => void) | undefined> = {
    'ArrowLeft': () => step(shift ? 'gain' : 'clip', -1),
    'ArrowRight': () => step(shift ? 'gain' : 'clip', 1),
    ' ': () => (shown.value = !shown.value),
    'p': nextView,
    'g': under.value ? () => photoDialog.open() : undefined,
    'x': graphic.value ? () => (matte.value = !matte.value) : undefined,
    'd': () => dialog.open(),
    'c': () => (caption.value = true),
    'PageUp': slideIds.value.length > 1 ? () => stepSlide(-1) : undefined,
    'PageDown': slideIds.value.length > 1 ? () => stepSlide(1) : undefined,
    'f': () => void (byColour.value ? chromaSet.value?.find() : find()),
    'i': way.value ? turn : undefined,
    'w': graphic.value ? () => markWhat('words') : undefined,
    's': graphic.value?.opaque && (way.value || byColour.value) ? () => markWhat('solid') : undefined,
    'Enter': triedHere.value ? takeTried : chromaSet.value?.tried ? () => chromaSet.value?.take() : undefined,
    'Escape': marking.value ? () => (marking.value = undefined) : undefined,
  }
  const act = acts[key]
  act?.()
  return act !== undefined
}
const asking = computed(() => caption.value)
defineExpose({ press, asking })
/** Faults that whoever makes the picture can keep out of it. */
const BY_TEMPLATE = ['K04', 'K05', 'K12', 'K13']
</script>

<template>
  <section class="stage" tabindex="0" :aria-label="`${row.overlay.title} on the bench`">
    <div ref="stage" class="inner" :class="{ over: isOverDropZone }">
      <BenchPicture
        :row="row"
        :scenes="all.scenes"
        :picture="under?.picture"
        :photograph="under?.photograph?.file"
        :graphic="graphic"
        :cut="cut"
        :keying="keying"
        :chroma="byColour ? chroma : undefined"
        :width="pictureWidth"
        :shown="shown"
        :matte="matte"
        :lost="lostWords"
        :marking="marking"
        @benched="tell"
        @boxed="boxed"
        @unboxed="unboxed"
      />
      <p class="small under" :style="{ width: `${pictureWidth}px` }">
        <template v-if="marking">
          <span>{{
            marking === 'words'
              ? 'Draw around words; a press on a box takes it out.'
              : 'Draw around what is meant to be seen, however dark; a press on a box takes it out.'
          }}</span>
          <button v-if="marking === 'words'" type="button" class="link" @click="propose">look for them</button>
          <button type="button" class="link" @click="marking = undefined">
            done <span class="key">{{ marking === 'words' ? 'W' : 'S' }}</span>
          </button>
        </template>
        <template v-else>
          <span class="quiet what" :title="under?.photograph?.title">{{
            matte
              ? 'how solid it becomes'
              : under
                ? `over ${under.name}${under.photograph ? `, ${under.photograph.title}` : ', drawn'}`
                : 'over nothing'
          }}</span>
          <button v-if="views > 1 && !matte" type="button" class="link" @click="nextView">
            other picture <span class="key">P</span>
          </button>
          <button
            v-if="under && !matte"
            type="button"
            class="link"
            aria-label="give a photograph of what lies under it"
            @click="photoDialog.open()"
          >
            photograph <span class="key">G</span>
          </button>
          <button v-if="under?.photograph && !matte" type="button" class="link" @click="drop()">take it out</button>
          <button v-if="under?.photograph && photographs > 1 && !matte" type="button" class="link" @click="drop(true)">
            all {{ photographs }}
          </button>
          <button type="button" class="link" @click="shown = !shown">
            {{ shown ? 'without it' : 'with it' }} <span class="key">Space</span>
          </button>
          <button v-if="graphic" type="button" class="link" @click="matte = !matte">
            {{ matte ? 'the picture' : 'the matte' }} <span class="key">X</span>
          </button>
        </template>
        <span class="quiet safe">safe 93 / 90&nbsp;%</span>
      </p>
      <SlideStrip
        v-if="slides.length > 1"
        :model-value="graphicId"
        :slides="slides"
        :busy="busy !== ''"
        @update:model-value="id => (slide = id)"
        @add="setDialog.open()"
        @remove="takeOut"
      />
      <KeyHistogram
        v-if="graphic && cells && way"
        :cells="cells"
        :way="way"
        :cut="cut"
        :scale="row.scale"
        :misread="row.misread"
        :tried="triedHere?.setting.cut"
        @moved="move"
        @done="rest(0)"
      />
      <div v-else-if="!graphic && row.overlay.kind !== 'box' && row.overlay.kind !== 'pattern'" class="bring">
        <h2>Which picture is it?</h2>
        <p>
          What is seen above is drawn. Drop the real one here, PNG with transparency if there is one, or JPEG or SVG:
          then it is measured what its key loses, leaves and reads like.
        </p>
        <p>
          <button type="button" class="btn primary" :disabled="busy !== ''" @click="dialog.open()">
            Bring the picture in <span class="key">D</span>
          </button>
          <button type="button" class="btn" :disabled="busy !== ''" @click="caption = true">
            Make a caption <span class="key">C</span>
          </button>
        </p>
      </div>
      <p v-if="busy" class="quiet" role="status">{{ busy }}</p>
    </div>
  </section>
  <aside :aria-label="`Measures of ${row.overlay.title}`">
    <h2>{{ row.overlay.title }}</h2>
    <p class="small quiet how">{{ row.how }}</p>
    <p v-if="graphic" class="small file">
      <span class="quiet cut">{{ graphic.title }}, {{ graphic.width }} &times; {{ graphic.height }}</span>
      <button type="button" class="link" @click="dialog.open()">other <span class="key">D</span></button>
      <button type="button" class="link" @click="caption = true">caption <span class="key">C</span></button>
      <button
        v-if="slides.length === 1"
        type="button"
        class="link"
        aria-label="more pictures by the same key"
        title="More pictures by the same key"
        :disabled="busy !== ''"
        @click="setDialog.open()"
      >
        more
      </button>
    </p>
    <MeasureTable v-if="measures.length" :measures="measures" />
    <p v-if="absent" class="small" role="status">
      The picture itself is not on this server; its measures are those that were taken of it.
      <button type="button" class="link" @click="dialog.open()">Bring it in again <span class="key">D</span></button>
    </p>
    <p v-if="truth" class="small quiet">{{ truth }}</p>
    <template v-if="findings.length">
      <h3>Mend</h3>
      <FindingList :findings="findings" :overlay="row.id" />
      <p v-if="findings.some(({ key }) => BY_TEMPLATE.includes(key.slice(0, 3)))" class="small">
        <button type="button" class="btn small" @click="caption = true">A template, or a caption anew</button>
        on true black or transparent, in colours that this key keeps, with letters that are large enough, inside the
        safe part.
      </p>
    </template>
    <template v-if="byColour">
      <h3>Set</h3>
      <ChromaSet :id="row.id" ref="chromaSet" :overlay="row.overlay" :graphic="graphic" @moved="now => (chroma = now)">
        <MarkTools v-if="graphic" :marking="marking" :opaque="graphic.opaque === true" @mark="markWhat" />
      </ChromaSet>
    </template>
    <template v-if="graphic && way">
      <h3 class="no-print">Set</h3>
      <p class="tools no-print">
        <button v-if="way === 'luma'" type="button" class="btn small" :disabled="finding" @click="find">
          Find the best <span class="key">F</span>
        </button>
        <button type="button" class="btn small" :aria-pressed="row.overlay.invert === true" @click="turn">
          {{ row.overlay.invert ? 'Turned round' : 'Turn round' }} <span class="key">I</span>
        </button>
        <MarkTools :marking="marking" :opaque="graphic.opaque === true" @mark="markWhat" />
      </p>
      <button v-if="triedHere" type="button" class="btn tried" @click="takeTried">
        <span class="strong">{{ cutWords(row.scale, triedHere.setting.cut) }} <span class="key">Enter</span></span>
        <span class="small">{{ triedHere.words }}</span>
      </button>
      <label class="check"
        ><input type="checkbox" :checked="row.overlay.premultiplied === true" @change="weigh" /> the keyer takes the
        fill as weighted by its key</label
      >
      <label v-if="way === 'linear' && !graphic.straight" class="sends"
        ><span>What is sent</span>
        <select class="pick" :value="row.overlay.sends ?? ''" @change="sent">
          <option value="">not known</option>
          <option value="straight">colours as they are</option>
          <option value="premultiplied">weighted by its key</option>
        </select></label
      >
    </template>
    <div v-if="graphic && keying && !matte" class="smalls" :class="{ late: !benched }">
      <figure>
        <canvas ref="comes" role="img" aria-label="The fill that comes in" />
        <figcaption class="small quiet">what comes in</figcaption>
      </figure>
      <figure>
        <canvas ref="solid" role="img" aria-label="The matte" />
        <figcaption class="small quiet">how solid it becomes</figcaption>
      </figure>
    </div>
    <template v-if="inks.length">
      <h3>Colours</h3>
      <InkPart :inks="inks" />
    </template>
    <p v-if="benched" class="small quiet">measured in {{ Math.round(benched.ms) }} ms</p>
  </aside>
  <CaptionDialog
    v-if="caption"
    :title="row.overlay.title"
    :inks="inks"
    :halls="row.halls"
    @made="captioned"
    @close="caption = false"
  />
</template>

<style scoped>
.stage {
  overflow: auto;
  padding: 8px;
}
.inner {
  min-height: 100%;
}
.inner.over {
  outline: 2px dashed var(--chosen);
  outline-offset: -2px;
}
.under {
  display: flex;
  gap: 4px 14px;
  margin: 4px 0 0;
  align-items: center;
}
.what {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.link {
  color: var(--chosen);
  min-height: 24px;
  padding: 0;
  white-space: nowrap;
}
.safe {
  margin-left: auto;
  white-space: nowrap;
}
.bring {
  margin: 14px 0 0;
  padding: 14px 18px;
  border: 1px dashed var(--border);
  border-radius: 4px;
  max-width: 704px;
}
.bring p {
  display: flex;
  gap: 8px;
  margin: 0 0 8px;
}
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 12px 14px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 14px 0 6px;
}
.how,
.file {
  margin: 0 0 4px;
}
.file {
  display: flex;
  gap: 10px;
  align-items: center;
}
.file .link {
  white-space: nowrap;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
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
.tried span {
  display: block;
}
.tried .key {
  display: inline;
}
.check,
.sends {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
  margin-top: 8px;
}
.smalls {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 14px;
}
.smalls.late canvas {
  visibility: hidden;
}
figure {
  margin: 0;
}
figure canvas {
  width: 100%;
  aspect-ratio: 16 / 9;
  background: #000;
}
@media (max-width: 1100px) {
  .under {
    flex-wrap: wrap;
  }
  aside {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
@media print {
  .link {
    display: none;
  }
}
</style>
