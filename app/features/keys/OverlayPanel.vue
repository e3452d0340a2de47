<script setup lang="ts">
import { computed, ref } from 'vue'
import { number } from 'yup'
import { carriesPicture, portsOf } from '#core/catalog'
import { type Box, EDGES, type Overlay, SHAPES, emptyPlan, setEdit } from '#core/document'
import { EDGE_WORDS, type OverlayRow, type Overlays } from '#core/features/keys'
import { figure } from '#core/words'
import { usePlanStore } from '~/plan/store'
import { decimal } from '~/ui/typed'
import MacroPart from './MacroPart.vue'

/** Where an overlay comes from, what cuts it out, where it lies and when it is used. */
const props = defineProps<{ all: Overlays; row: OverlayRow }>()
const emit = defineEmits<{ rename: []; drop: [] }>()
const store = usePlanStore()
const plan = computed(() => store.plan ?? emptyPlan(''))

const KINDS = {
  luma: 'its own brightness',
  linear: 'a key signal',
  chroma: 'a colour',
  pattern: 'a shape',
  box: 'a box',
} as const
/** The picture outputs of the source, of which one may be named. */
const outputs = computed(() => {
  const device = plan.value.devices[props.row.overlay.fill]
  const model = device && plan.value.models[device.model]
  return model ? portsOf(model, 'out').filter(([id, port]) => carriesPicture(port) && id !== 'key') : []
})
/** Displays with a pen; and the source itself where it is a tablet, which shows and makes its marks. A plain screen takes none. */
const screens = computed(() =>
  Object.entries(plan.value.devices)
    .filter(([id, { model }]) => {
      const row = plan.value.models[model]!
      return (row.kind === 'tablet' && id === props.row.overlay.fill) || Object.values(row.ports).some(({ pen }) => pen)
    })
    .map(([device, { name }]) => ({ device, name })),
)
/** The loop from the pen to its mark, in a sentence. */
const loop = computed(() => {
  const found = props.all.loops.find(({ overlay }) => overlay === props.row.id)
  if (!found) return ''
  if (found.ms === undefined) return 'The loop from the pen to its mark is not closed.'
  const px = found.offPx > 1 ? `up to ${figure(found.offPx, 0)} pixels beside the pen` : 'under the pen'
  return `A mark is there ${figure(found.ms, 0)}\u00A0ms after the pen, ${px}.`
})
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const set = (field: keyof Overlay, value: unknown, words: string): void =>
  void store.commit(words.slice(0, 120), [
    setEdit(['overlays', props.row.id, field] as never, (value === '' ? undefined : value) as never),
  ])

const shareSchema = number().typeError('a share of the picture in %').min(0, '0 % or more').max(100, 'at most 100 %')
const SIDES = [
  ['x', 'Left'],
  ['y', 'Top'],
  ['w', 'Width'],
  ['h', 'Height'],
] as const
const WHOLE: Box = { x: 0, y: 0, w: 1, h: 1 }
const lay = (id: string, field: 'box' | 'mask', part: Box | undefined, words: string): Promise<boolean> =>
  store.commit(words.slice(0, 120), [setEdit(['overlays', id, field], part)])
const percent = (value: number): number => Number((value * 100).toFixed(2))
/** The box within the picture: what would stick out is pushed back. */
function within({ x, y, w, h }: Box): Box {
  const [width, height] = [Math.min(1, Math.max(0.01, w)), Math.min(1, Math.max(0.01, h))]
  const round = (value: number) => Number(value.toFixed(4))
  return {
    x: round(Math.min(1 - width, Math.max(0, x))),
    y: round(Math.min(1 - height, Math.max(0, y))),
    w: round(width),
    h: round(height),
  }
}
function side(which: keyof Box, text: string): void {
  const box = props.row.overlay.box ?? WHOLE
  void lay(
    props.row.id,
    'box',
    within({ ...box, [which]: decimal(text) / 100 }),
    `${props.row.overlay.title}: ${text} %`,
  )
}
/** Moves the box by hundredths of the picture. */
function nudge(dx: number, dy: number): void {
  const { box } = props.row.overlay
  if (!box) return
  void lay(
    props.row.id,
    'box',
    within({ ...box, x: box.x + dx / 100, y: box.y + dy / 100 }),
    `Move ${props.row.overlay.title}`,
  )
}
const CORNER: Box = { x: 0.68, y: 0.06, w: 0.27, h: 0.27 }
function toggleBox(): void {
  const { box } = props.row.overlay
  void lay(props.row.id, 'box', box ? undefined : CORNER, box ? 'Over the whole picture' : 'In a box')
}
function maskSide(which: keyof Box, text: string): void {
  const mask = props.row.overlay.mask ?? WHOLE
  void lay(
    props.row.id,
    'mask',
    within({ ...mask, [which]: decimal(text) / 100 }),
    `Mask of ${props.row.overlay.title}: ${text} %`,
  )
}
/** The lower third is what is let through of most. */
const LOWER: Box = { x: 0, y: 0.6, w: 1, h: 0.4 }
function toggleMask(): void {
  const { mask, title: name } = props.row.overlay
  void lay(props.row.id, 'mask', mask ? undefined : LOWER, mask ? `No mask on ${name}` : `A mask on ${name}`)
}
function inSegment(id: string): void {
  const { overlay } = props.row
  const now = overlay.segments ?? props.all.segments.map(one => one.id)
  const next = now.includes(id) ? now.filter(other => other !== id) : [...now, id]
  const every = props.all.segments.every(one => next.includes(one.id))
  set(
    'segments',
    every ? undefined : next,
    `${overlay.title} ${now.includes(id) ? 'not in' : 'in'} ${plan.value.segments[id]?.title ?? id}`,
  )
}
const macro = ref<InstanceType<typeof MacroPart>>()
/** Whether a key does something here: its box, its mask, its macro. */
function press(key: string): boolean {
  const acts: Record<string, (() => unknown) | undefined> = {
    b: toggleBox,
    m: toggleMask,
    e: () => macro.value?.asMacro(),
  }
  acts[key]?.()
  return acts[key] !== undefined
}
defineExpose({ nudge, press })
</script>

<template>
  <aside :aria-label="`Settings of ${row.overlay.title}`">
    <h2>{{ row.overlay.title }}</h2>
    <div class="fields">
      <label
        ><span>Shows</span>
        <select
          class="pick"
          :value="row.overlay.fill"
          @change="
            event => set('fill', valueIn(event), `${row.overlay.title} from ${plan.devices[valueIn(event)]?.name}`)
          "
        >
          <option v-for="one in all.sources" :key="one.device" :value="one.device">{{ one.name }}</option>
          <option v-if="!plan.devices[row.overlay.fill]" :value="row.overlay.fill">{{ row.overlay.fill }}, gone</option>
        </select></label
      >
      <label v-if="outputs.length > 1 || row.overlay.output !== undefined"
        ><span>By its output</span>
        <select
          class="pick"
          :value="row.overlay.output ?? ''"
          @change="event => set('output', valueIn(event), `${row.overlay.title} by ${valueIn(event) || 'the first'}`)"
        >
          <option value="">the first that comes</option>
          <option v-for="[id, one] in outputs" :key="id" :value="id">{{ one.title }}</option>
          <option
            v-if="row.overlay.output !== undefined && !outputs.some(([id]) => id === row.overlay.output)"
            :value="row.overlay.output"
          >
            {{ row.overlay.output }}, gone
          </option>
        </select></label
      >
      <label
        ><span>Cut out by</span>
        <select
          class="pick"
          :value="row.overlay.kind"
          @change="
            event =>
              set('kind', valueIn(event), `${row.overlay.title} by ${KINDS[valueIn(event) as keyof typeof KINDS]}`)
          "
        >
          <option v-for="(words, kind) in KINDS" :key="kind" :value="kind">{{ words }}</option>
        </select></label
      >
      <label v-if="row.overlay.kind === 'linear'"
        ><span>Key signal</span>
        <select
          class="pick"
          :value="row.overlay.key ?? ''"
          @change="event => set('key', valueIn(event), 'Its key signal')"
        >
          <option value="">of the same source</option>
          <option v-for="one in all.sources" :key="one.device" :value="one.device">{{ one.name }}</option>
        </select></label
      >
      <label v-if="screens.length || row.overlay.drawnOn !== undefined"
        ><span>Drawn on</span>
        <select
          class="pick"
          :value="row.overlay.drawnOn ?? ''"
          @change="
            event =>
              set(
                'drawnOn',
                valueIn(event),
                valueIn(event)
                  ? `${row.overlay.title} drawn on ${plan.devices[valueIn(event)]?.name}`
                  : `Nobody draws ${row.overlay.title}`,
              )
          "
        >
          <option value="">nobody draws it</option>
          <option v-for="one in screens" :key="one.device" :value="one.device">{{ one.name }}</option>
          <option
            v-if="row.overlay.drawnOn !== undefined && !screens.some(({ device }) => device === row.overlay.drawnOn)"
            :value="row.overlay.drawnOn"
          >
            {{ row.overlay.drawnOn }}, gone
          </option>
        </select></label
      >
      <p v-if="loop" class="small quiet loop">{{ loop }}</p>
      <label
        ><span>Lies over</span>
        <select
          class="pick"
          :value="row.overlay.over ?? ''"
          @change="
            event =>
              set(
                'over',
                valueIn(event),
                `${row.overlay.title} over ${plan.devices[valueIn(event)]?.name ?? 'everything'}`,
              )
          "
        >
          <option value="">everything</option>
          <option v-for="one in all.switchers" :key="one.device" :value="one.device">
            the pictures of {{ one.name }}
          </option>
        </select></label
      >
      <label class="check"
        ><input type="checkbox" :checked="row.overlay.box !== undefined" @change="toggleBox" />
        {{ row.overlay.kind === 'box' ? 'stands where I say' : 'only a part of the picture' }}</label
      >
      <div v-if="row.overlay.box" class="sides">
        <label v-for="[which, words] in SIDES" :key="which"
          ><span class="small quiet">{{ words }}, %</span>
          <TypedField
            inputmode="decimal"
            :value="percent(row.overlay.box[which])"
            :schema="shareSchema"
            needs="a share"
            :aria-label="`${words}, %`"
            @done="text => side(which, text)"
        /></label>
      </div>
      <label v-if="row.overlay.kind === 'pattern'"
        ><span>Its shape</span>
        <select
          class="pick"
          :value="row.overlay.shape ?? 'rectangle'"
          @change="
            event =>
              set(
                'shape',
                valueIn(event) === 'rectangle' ? '' : valueIn(event),
                `${row.overlay.title}: ${valueIn(event)}`,
              )
          "
        >
          <option v-for="shape in SHAPES" :key="shape" :value="shape">{{ shape }}</option>
        </select></label
      >
      <label
        ><span>Its graphic moves in</span>
        <select
          class="pick"
          :value="row.overlay.comesFrom ?? ''"
          @change="
            event =>
              set('comesFrom', valueIn(event), `${row.overlay.title} ${valueIn(event) ? 'moves in' : 'does not move'}`)
          "
        >
          <option value="">not: it comes up where it stands</option>
          <option v-for="edge in EDGES" :key="edge" :value="edge">from {{ EDGE_WORDS[edge] }}</option>
        </select></label
      >
      <label class="check" title="Told on the paper of sources and inputs"
        ><input
          type="checkbox"
          :checked="row.overlay.keepsFree === true"
          @change="
            event =>
              set(
                'keepsFree',
                (event.target as HTMLInputElement).checked || undefined,
                `Cameras and ${row.overlay.title}`,
              )
          "
        />
        cameras keep its place free</label
      >
      <label class="check"
        ><input type="checkbox" :checked="row.overlay.mask !== undefined" @change="toggleMask" /> a mask lets through a
        part</label
      >
      <div v-if="row.overlay.mask" class="sides">
        <label v-for="[which, words] in SIDES" :key="which"
          ><span class="small quiet">{{ words }}, %</span>
          <TypedField
            inputmode="decimal"
            :value="percent(row.overlay.mask[which])"
            :schema="shareSchema"
            needs="a share"
            :aria-label="`Mask: ${words}, %`"
            @done="text => maskSide(which, text)"
        /></label>
      </div>
    </div>
    <template v-if="all.segments.length">
      <h3>Used in</h3>
      <label v-for="segment in all.segments" :key="segment.id" class="check"
        ><input
          type="checkbox"
          :checked="!row.overlay.segments || row.overlay.segments.includes(segment.id)"
          @change="inSegment(segment.id)"
        />
        {{ segment.title }}</label
      >
    </template>
    <MacroPart ref="macro" :row="row" />
    <p class="ends">
      <button type="button" class="btn small" @click="emit('rename')">Rename <span class="key">R</span></button>
      <button type="button" class="btn small" @click="emit('drop')">Take out <span class="key">Del</span></button>
    </p>
  </aside>
</template>

<style scoped>
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 4px;
}
.fields > label:not(.check) {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.fields > label > span {
  color: var(--quiet);
}
.fields .pick {
  width: 100%;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.sides {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 6px;
}
.ends {
  display: flex;
  gap: 8px;
  margin: 16px 0 0;
}
@media (max-width: 1100px) {
  aside {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
</style>
