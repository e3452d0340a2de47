<script setup lang="ts">
import { computed, ref } from 'vue'
import { number } from 'yup'
import { CATALOGUE_CURRENCY, carriesPicture, portsOf } from '#core/catalog'
import { type Box, type Edit, type Overlay, SHAPES, emptyPlan, setEdit } from '#core/document'
import {
  type KeyerPlan,
  type OverlayRow,
  type Overlays,
  type Made,
  type Place,
  SCHOOLS,
  type School,
  type Times,
} from '#core/features/keys'
import { figure, moneyText } from '#core/words'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { decimal } from '~/ui/typed'

/** Where an overlay comes from, what cuts it out, where it lies and when it is used; and which keyer gets it. */
const props = defineProps<{
  all: Overlays
  row: OverlayRow
  keyers: (KeyerPlan & { readonly edits: readonly Edit[] }) | undefined
  failed: string
}>()
const emit = defineEmits<{ choose: [id: string]; rename: []; drop: [] }>()
const store = usePlanStore()
const notices = useNotices()
const plan = computed(() => store.plan ?? emptyPlan(''))

const placeIn = (device: string, keyer: number, segment: string | undefined): readonly Place[] =>
  props.keyers?.places.filter(one => one.device === device && one.keyer === keyer && one.segment === segment) ?? []
const title = (id: string): string => plan.value.overlays[id]?.title ?? id
const columns = computed<{ id: string | undefined; title: string }[]>(() =>
  props.all.segments.length ? [...props.all.segments] : [{ id: undefined, title: 'the show' }],
)

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
/** The ways in which its graphic can be laid over, each tried on a copy. */
const schools = useAnswer('schools', () => [props.row.id] as const)
const currency = computed(() => plan.value.brief.currency ?? CATALOGUE_CURRENCY)
const share = (value: number | undefined): string =>
  value === undefined ? 'not judged' : value === 0 ? 'nothing' : `${figure(value * 100)}\u00A0%`
const take = (school: School): void =>
  void store.commit(`${props.row.overlay.title}: ${SCHOOLS[school.id]}`.slice(0, 120), [...school.edits!])

const STRETCHES = [
  ['in', 'Comes'],
  ['hold', 'Stands'],
  ['out', 'Goes'],
] as const
const times = ref<Times>({ in: 12, hold: 250, out: 12 })
const framesSchema = number()
  .typeError('whole frames')
  .integer('whole frames')
  .min(1, '1 or more')
  .max(50_000, 'at most 50 000')
/** Clips of its source of which was measured when they cover the whole picture. */
const stingers = computed(() =>
  Object.entries(plan.value.clips).filter(
    ([, { player, measured }]) => player === props.row.overlay.fill && measured?.covers !== undefined,
  ),
)
async function keep(made: Made | undefined): Promise<void> {
  if (!made) return
  if ('why' in made) return notices.tell(`No macro was made: ${made.why}.`)
  if (await store.commit(`Make ${made.title}`.slice(0, 120), [...made.edits]))
    notices.tell(`${made.title} stands among the macros, in Prove, Rehearse.`)
}
const asMacro = async () => keep(await store.ask('lowerThird', props.row.id, { ...times.value }))
const overCut = async (clip: string) => keep(await store.ask('stinger', props.row.id, clip))

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
  set('box', within({ ...box, [which]: decimal(text) / 100 }), `${props.row.overlay.title}: ${text} %`)
}
/** Moves the box by hundredths of the picture. */
function nudge(dx: number, dy: number): void {
  const { box } = props.row.overlay
  if (!box) return
  set('box', within({ ...box, x: box.x + dx / 100, y: box.y + dy / 100 }), `Move ${props.row.overlay.title}`)
}
defineExpose({ nudge })
const CORNER: Box = { x: 0.68, y: 0.06, w: 0.27, h: 0.27 }
function toggleBox(): void {
  const { box } = props.row.overlay
  set('box', box ? undefined : CORNER, box ? 'Over the whole picture' : 'In a box')
}
function maskSide(which: keyof Box, text: string): void {
  const mask = props.row.overlay.mask ?? WHOLE
  set('mask', within({ ...mask, [which]: decimal(text) / 100 }), `Mask of ${props.row.overlay.title}: ${text} %`)
}
/** The lower third is what is let through of most. */
const LOWER: Box = { x: 0, y: 0.6, w: 1, h: 0.4 }
function toggleMask(): void {
  const { mask, title: name } = props.row.overlay
  set('mask', mask ? undefined : LOWER, mask ? `No mask on ${name}` : `A mask on ${name}`)
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
</script>

<template>
  <section class="stage" tabindex="0" :aria-label="row.overlay.title">
    <p v-if="keyers?.why[row.id]" class="why">{{ keyers.why[row.id] }}</p>
    <p v-else-if="failed" class="quiet" role="alert">The keyers could not be worked out: {{ failed }}</p>
    <p v-else-if="!keyers" class="quiet" role="status">Working out which keyer it gets …</p>
    <div
      v-for="switcher in all.switchers.filter(
        one =>
          one.keyers.some((_, i) => columns.some(({ id }) => placeIn(one.device, i + 1, id).length)) ||
          one.device === row.switcher,
      )"
      :key="switcher.device"
      class="keyers"
    >
      <table>
        <thead>
          <tr>
            <th scope="col">Keyers of {{ switcher.name }}</th>
            <th v-for="column in columns" :key="column.id ?? ''" scope="col" class="small">{{ column.title }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(keyer, i) in switcher.keyers" :key="i">
            <th scope="row">
              {{ keyer.title }}<span class="small quiet words">{{ keyer.words }}</span>
            </th>
            <td v-for="column in columns" :key="column.id ?? ''">
              <button
                v-for="place in placeIn(switcher.device, i + 1, column.id)"
                :key="place.overlay"
                type="button"
                class="placed cut"
                :class="{ on: place.overlay === row.id }"
                @click="emit('choose', place.overlay)"
              >
                {{ title(place.overlay) }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <table v-if="schools?.length" class="schools">
      <caption>
        Ways to lay this graphic over, the best first
      </caption>
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col" class="right">Lost</th>
          <th scope="col" class="right">Words lost</th>
          <th scope="col" class="right">Inputs</th>
          <th scope="col" class="right">Keyers</th>
          <th scope="col" class="right">Boxes</th>
          <th scope="col" class="right">Costs more</th>
          <th scope="col"><span class="unseen">Use it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="school in schools" :key="school.id" :class="{ now: school.now }">
          <th scope="row">
            {{ SCHOOLS[school.id] }}
            <span v-if="school.adds.length" class="small words told"
              >brings {{ [...new Set(school.adds.map(key => key.split(':')[0]))].join(', ') }}</span
            >
          </th>
          <td v-if="school.why" colspan="7" class="quiet">cannot be: {{ school.why }}</td>
          <template v-else>
            <td class="figures">{{ share(school.lost) }}</td>
            <td class="figures">{{ share(school.wordsLost) }}</td>
            <td class="figures">{{ school.inputs || 'none' }}</td>
            <td class="figures">{{ school.keyers }}</td>
            <td class="figures">{{ school.boxes || 'none' }}</td>
            <td class="figures">{{ school.minor > 0 ? moneyText(school.minor, currency) : 'nothing' }}</td>
            <td>
              <span v-if="school.now" class="strong">as now</span>
              <button v-else type="button" class="btn small" @click="take(school)">Use it</button>
            </td>
          </template>
        </tr>
      </tbody>
    </table>
  </section>
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
    <h3>As a macro</h3>
    <div class="sides macro">
      <label v-for="[which, words] in STRETCHES" :key="which"
        ><span class="small quiet">{{ words }}, frames</span>
        <TypedField
          inputmode="numeric"
          :value="times[which]"
          :schema="framesSchema"
          needs="frames"
          :aria-label="`${words}, frames`"
          @done="text => (times = { ...times, [which]: Number(text) })"
      /></label>
    </div>
    <p><button type="button" class="btn small" @click="asMacro">Make it come and go</button></p>
    <p v-for="[id, clip] in stingers" :key="id">
      <button type="button" class="btn small" @click="overCut(id)">Over a cut: {{ clip.title }}</button>
    </p>
    <p class="ends">
      <button type="button" class="btn small" @click="emit('rename')">Rename <span class="key">R</span></button>
      <button type="button" class="btn small" @click="emit('drop')">Take out <span class="key">Del</span></button>
    </p>
  </aside>
</template>

<style scoped>
.stage {
  overflow: auto;
  padding: 8px 16px;
}
.why {
  margin: 6px 0 0;
}
.keyers {
  margin-top: 14px;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 650;
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
thead th.small {
  font-weight: 400;
}
tbody th {
  font-weight: 400;
  min-width: 150px;
}
tbody tr {
  border-top: 1px solid var(--line);
}
.words {
  display: block;
}
td {
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
.schools {
  margin-top: 22px;
}
.schools caption {
  text-align: left;
  font-weight: 650;
  padding-bottom: 2px;
}
.schools thead th {
  font-weight: 400;
  font-size: 13px;
  color: var(--quiet);
}
.schools .right,
.schools td.figures {
  text-align: right;
  white-space: nowrap;
}
.schools tr.now th {
  font-weight: 650;
}
.macro {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
.placed {
  display: block;
  max-width: 160px;
  border: 1px solid var(--border);
  border-left: 4px solid var(--light);
  border-radius: 4px;
  padding: 3px 8px;
  font-size: 13px;
}
.placed.on {
  border-color: var(--chosen);
  border-left-color: var(--light);
}
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
