<script setup lang="ts">
import { useClipboard, useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { string } from 'yup'
import { type Edit, emptyPlan, freshId, own, setEdit } from '#core/document'
import { AIR_MS_PER_M, type BestDelay, type SyncPair } from '#core/features/time'
import { figure, listWords, msText } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import FindingList from '~/ui/FindingList.vue'
import { isTyped } from '~/ui/keys'
import { DOES, timeChart } from './chart'

/** How late each picture and each sound is where it is seen and heard, and by how much lips and words are apart. */
const store = usePlanStore()
const selection = useBoardStore()
const notices = useNotices()
const { copy } = useClipboard({ legacy: true })
const plan = computed(() => store.plan ?? emptyPlan(''))
const known = useAnswer('time', () => [] as const)

const at = ref(0)
const row = ref(0)
const sinks = computed(() => known.value?.sinks ?? [])
const sink = computed(() => sinks.value[at.value])
const picture = computed(() => sink.value?.pictures[row.value])
watch(sinks, all => {
  at.value = Math.max(0, Math.min(at.value, all.length - 1))
  row.value = Math.max(0, Math.min(row.value, (all[at.value]?.pictures.length ?? 1) - 1))
})
const findings = computed(() => (store.report?.findings ?? []).filter(({ id }) => id === 'A08' || id === 'A09'))
const name = (device: string): string => own(plan.value.devices, device)?.name ?? device
const ms = (value: number): string => `${figure(value, 0)}\u00A0ms`
const window = computed(() => known.value?.window ?? { lo: -60, hi: 40, title: '' })
const early = (value: number): string =>
  Math.abs(value) < 0.5 ? 'at once' : `${ms(Math.abs(value))} ${value > 0 ? 'early' : 'late'}`

/** The answer of the chart, in one sentence. */
const sentence = computed(() => {
  const one = sink.value
  if (!one) return ''
  if (one.pairs.length === 0)
    return one.sounds.length
      ? `Every sound at ${one.name} comes with its own picture.`
      : `No sound is heard at ${one.name}, so nothing can be apart.`
  const apart = one.pairs.filter(pair => outside(pair) > 0).sort((a, b) => outside(b) - outside(a))
  const worst = apart[0] ?? [...one.pairs].sort((a, b) => Math.abs(b.earlyMs.typ) - Math.abs(a.earlyMs.typ))[0]!
  const words = `the sound of ${one.sounds[worst.sound]!.name} is ${early(worst.earlyMs.typ)} for ${one.pictures[worst.picture]!.name}`
  if (one.spread)
    return `The pictures of ${one.name} are ${ms(one.spread.apartMs)} apart, and the window is ${ms(one.spread.windowMs)} wide: no delay of the sound serves all.`
  return outside(worst) > 0
    ? `At ${one.name} ${words}; the window ends at ${ms(worst.earlyMs.typ > 0 ? window.value.hi : -window.value.lo)}.`
    : `At ${one.name} everything is within the window; furthest off, ${words}.`
})
const outside = ({ earlyMs: { typ } }: SyncPair): number => Math.max(typ - window.value.hi, window.value.lo - typ)

const height = computed(() => {
  const one = sink.value
  return one ? Math.max(200, 110 + (one.pictures.length + one.sounds.length) * 42) : 200
})
const make = (colour: (name: string) => string) =>
  timeChart({ sink: sink.value!, row: row.value, window: window.value, name, colour })
const count = computed(() => (sink.value ? sink.value.pictures.length + sink.value.sounds.length : 0))
function picked(index: number): void {
  const i = count.value - 1 - index
  if (sink.value?.pictures[i]) row.value = i
}

const scaling = useAnswer('scaling', () => [] as const)
type Scaled = NonNullable<typeof scaling.value>[number]
const moves = ({ uneven, by, deinterlaces, resizes }: Scaled): string =>
  [
    uneven === 0
      ? 'even'
      : uneven < 0.2
        ? `one picture ${by === 'drops' ? 'left out' : 'shown once more'} every ${figure(1 / uneven, 0)}\u00A0s`
        : `${figure(uneven)} a second ${by === 'drops' ? 'left out' : 'shown once more'}, unevenly`,
    ...(deinterlaces ? ['fields made whole'] : []),
    ...(resizes ? ['scaled'] : []),
  ].join(', ')
const pairs = computed(() => (sink.value?.pairs ?? []).filter(found => found.picture === row.value))
const segmentsOf = (pair: SyncPair): string =>
  pair.segments.length === 0 || pair.segments.length === Object.keys(plan.value.segments).length
    ? ''
    : `in ${listWords(pair.segments.map(id => own(plan.value.segments, id)?.title ?? id))}`

// --- what changes the plan ---
async function hold(best: BestDelay): Promise<void> {
  const { device, port } = best.at
  await store.commit(`Hold the sound at ${name(device)} back by ${best.bestMs} ms`.slice(0, 120), [
    setEdit(['devices', device, 'ports', port, 'soundDelayMs'], best.bestMs || undefined),
  ])
}
const better = computed(() => sink.value?.best.find(({ nowMs, bestMs }) => nowMs !== bestMs))
async function lips(): Promise<void> {
  const one = picture.value
  if (!one || !isCameraLike(one.source)) return
  const off = own(plan.value.devices, one.source)?.noLips
  await store.commit(`${one.name}: ${off ? 'lips are seen' : 'no lips are seen'}`, [
    setEdit(['devices', one.source, 'noLips'], off ? undefined : true),
  ])
}
const isCameraLike = (device: string): boolean => {
  const model = plan.value.models[own(plan.value.devices, device)?.model ?? '']
  return model?.kind === 'camera' || model?.kind === 'phone'
}

/** Somebody who is far away: what they are asked, and when their answer is here. */
const talks = computed(() => {
  const guest = own(plan.value.devices, sink.value?.device ?? '')?.in
  return (known.value?.talks ?? []).filter(one => one.guest === guest || one.at === sink.value?.name)
})
const seconds = (value: number): string => `${figure(value / 1000, 1)}\u00A0s`

/** Rooms have air between loudspeaker and ears; recordings and streams have none. */
const want = computed(() => {
  const one = sink.value
  if (!one || one.port === undefined || (one.kind !== 'screen' && one.kind !== 'projector')) return undefined
  const found = Object.entries(plan.value.wants).find(([, { sink: at }]) => at === one.device)
  return found && own(plan.value.devices, one.device)?.in === undefined ? { id: found[0], ...found[1] } : undefined
})
const airSchema = string().test('air', 'metres, 0.5 to 300', text => {
  const words = (text ?? '').trim()
  return words === '' || (/^\d+(\.\d+)?$/.test(words) && Number(words) >= 0.5 && Number(words) <= 300)
})
async function across(text: string): Promise<void> {
  const one = want.value
  if (!one) return
  const metres = text.trim() === '' ? undefined : Number(text)
  await store.commit(
    metres === undefined
      ? `No air between loudspeaker and ears at ${sink.value!.name}`.slice(0, 120)
      : `${metres} m of air at ${sink.value!.name}`.slice(0, 120),
    [setEdit(['wants', one.id, 'airM'], metres)],
  )
}

const field = ref<HTMLElement>()
const clapSchema = string().test('claps', 'milliseconds, late ones with a minus, several with commas', text =>
  (text ?? '').trim() === '' ? true : clapsIn(text!) !== undefined,
)
/** "24, -30, 2 f": milliseconds, or frames of the standard; undefined where something else is in it. */
function clapsIn(text: string): number[] | undefined {
  const parts = text.split(/[,;]\s*|\s+(?=[-+\u2212\d])/).filter(part => part.trim() !== '')
  const found = parts.map(part => {
    const match = /^([-+\u2212]?\d+(?:\.\d+)?)\s*(ms|f|frames?)?$/.exec(part.trim())
    if (!match) return NaN
    const value = Number(match[1]!.replace('\u2212', '-'))
    return match[2]?.startsWith('f') ? value * (sink.value?.standardFrameMs ?? 40) : value
  })
  return found.length && found.length <= 50 && found.every(value => Math.abs(value) <= 10_000) ? found : undefined
}
async function clap(pair: SyncPair, text: string): Promise<void> {
  const one = sink.value!
  const heard = one.sounds[pair.sound]!
  const seen = one.pictures[pair.picture]!
  const edits: Edit[] = []
  if (pair.measured) edits.push({ do: 'remove', collection: 'measured', id: pair.measured.id })
  const values = clapsIn(text)
  if (values && text.trim() !== '') {
    const order = 1 + Math.max(0, ...Object.values(plan.value.measured).map(entry => entry.order))
    const value = {
      order,
      sink: one.device,
      source: seen.source,
      sound: heard.origin,
      earlyMs: values,
      heldMs: heard.heldMs,
      on: pair.mark,
    }
    edits.push({
      do: 'add',
      collection: 'measured',
      id: freshId(`clap ${seen.name}`, plan.value.measured, Math.random),
      value,
    })
  }
  if (edits.length)
    await store.commit(
      `${values ? 'Clap' : 'Forget the clap'} of ${heard.name} against ${seen.name}`.slice(0, 120),
      edits,
    )
}
const clapsNow = (pair: SyncPair): string => {
  const entry = pair.measured && own(plan.value.measured, pair.measured.id)
  return entry ? entry.earlyMs.map(value => figure(value, 0)).join(', ') : ''
}

async function copyText(): Promise<void> {
  const one = sink.value
  if (!one) return
  const lines = [
    sentence.value,
    ...one.pictures.map(
      ({ name: title, total }) =>
        `${title}\t${figure(total.min, 0)}\t${figure(total.typ, 0)}\t${figure(total.max, 0)} ms`,
    ),
    ...one.sounds.map(
      ({ name: title, total }) =>
        `${title}, sound\t${figure(total.min, 0)}\t${figure(total.typ, 0)}\t${figure(total.max, 0)} ms`,
    ),
  ]
  await copy(lines.join('\n'))
  notices.tell('The figures are copied.')
}

useEventListener(globalThis.window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => (row.value = Math.min((sink.value?.pictures.length ?? 1) - 1, row.value + 1)),
    ArrowUp: () => (row.value = Math.max(0, row.value - 1)),
    ArrowRight: () => (at.value = Math.min(sinks.value.length - 1, at.value + 1)),
    ArrowLeft: () => (at.value = Math.max(0, at.value - 1)),
    h: better.value ? () => void hold(better.value!) : undefined,
    l: () => void lips(),
    c: () => void nextTick(() => field.value?.querySelector<HTMLInputElement>('input')?.focus()),
    y: () => void copyText(),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <PlanFrame screen="time" :foot-name="sink ? sink.name : undefined">
    <template #controls>
      <span v-if="sink" class="small quiet said">held to {{ window.title }}, typical figures unless measured</span>
      <button v-if="sink" type="button" class="btn small" @click="copyText">
        Copy as text <span class="key">Y</span>
      </button>
    </template>
    <div v-if="!known" class="screen quiet" role="status">Adding up what each hop takes …</div>
    <div v-else-if="!sink" class="screen">
      <h2>No picture comes to anybody yet</h2>
      <p>
        Once a picture comes to a screen, a recorder or a stream, this shows how late it is there, hop by hop, and
        whether words and lips are together.
      </p>
    </div>
    <div v-else class="time">
      <ul class="list" role="listbox" aria-label="Who sees it">
        <li v-for="(one, i) in sinks" :key="`${one.device}/${one.port}`" role="none">
          <button type="button" role="option" :aria-selected="i === at" :class="{ on: i === at }" @click="at = i">
            <span class="strong cut">{{ one.name }}</span>
            <span class="small quiet cut">{{
              one.spread || one.pairs.some(({ within }) => !within)
                ? 'words and lips apart'
                : one.pairs.length
                  ? 'words and lips together'
                  : one.sounds.length
                    ? 'sound with its picture'
                    : 'silent'
            }}</span>
          </button>
        </li>
      </ul>
      <section class="middle" tabindex="0" :aria-label="sink.name">
        <h2>{{ sentence }}</h2>
        <p v-if="want" class="air small">
          <label
            >Through the air there
            <TypedField
              :key="want.id"
              :value="want.airM === undefined ? '' : String(want.airM)"
              :schema="airSchema"
              placeholder="m"
              :aria-label="`Metres of air between loudspeaker and ears at ${sink.name}`"
              @done="across"
            />&nbsp;m</label
          >
          <span class="quiet">{{
            want.airM === undefined
              ? `from the loudspeakers, or from who speaks, to the ears: ${figure(AIR_MS_PER_M)}\u00A0ms each`
              : `${ms(want.airM * AIR_MS_PER_M)} of every sound`
          }}</span>
        </p>
        <div class="chart" :style="{ height: `${height}px` }">
          <ChartFrame
            :label="`How late each picture and sound is at ${sink.name}`"
            :about="[sink, row, window]"
            :make="make"
            @chosen="picked"
          />
        </div>
        <table>
          <thead>
            <tr>
              <th scope="col">Picture</th>
              <th scope="col" class="figures">at least</th>
              <th scope="col" class="figures">typically</th>
              <th scope="col" class="figures">at most</th>
              <th scope="col">Sound against it</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, i) in sink.pictures" :key="i" :class="{ on: i === row }" @click="row = i">
              <th scope="row">
                <button type="button" :aria-pressed="i === row" @click="row = i">{{ one.name }}</button>
              </th>
              <td class="figures">{{ ms(one.total.min) }}</td>
              <td class="figures">{{ ms(one.total.typ) }}</td>
              <td class="figures">{{ ms(one.total.max) }}</td>
              <td>
                <span v-if="!one.lips" class="quiet">{{
                  sink.sounds.some(({ origin }) => origin === one.source) ? 'its own sound with it' : 'no lips'
                }}</span>
                <span
                  v-for="pair in sink.pairs.filter(found => found.picture === i)"
                  :key="pair.sound"
                  class="pair"
                  :class="{ strong: !pair.within }"
                  >{{ sink.sounds[pair.sound]!.name }} {{ early(pair.earlyMs.typ)
                  }}<template v-if="pair.measured?.holds">, measured</template></span
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p v-for="talk in talks" :key="talk.guest">
          <span :class="{ strong: talk.slow }"
            >{{ talk.name }} answers after {{ seconds(talk.round.typ) }}, {{ seconds(talk.round.min) }} to
            {{ seconds(talk.round.max) }}:</span
          >
          {{ seconds(talk.there.typ) }} there, {{ seconds(talk.back.typ) }} back to {{ talk.at
          }}{{ talk.slow ? '. From a second on nobody can be directed by it' : '' }}.
        </p>
        <p class="small quiet">
          <template v-if="sink.groups.length > 1"
            >Alike to a frame:
            {{ sink.groups.map(group => listWords([...new Set(group.map(i => sink!.pictures[i]!.name))])).join('; ') }}.
          </template>
          <template v-if="sink.beyondMs"
            >Who sees the stream waits another {{ figure(sink.beyondMs.min / 1000, 0) }} to
            {{ figure(sink.beyondMs.max / 1000, 0) }}&nbsp;s.
          </template>
          The length of a cable is no delay: 100&nbsp;m are half a millionth of a second.
        </p>
        <table v-if="scaling?.length" class="scaling">
          <caption>
            Where pictures are brought to another format
          </caption>
          <thead>
            <tr>
              <th scope="col">At</th>
              <th scope="col">From</th>
              <th scope="col">To</th>
              <th scope="col">Movement</th>
              <th scope="col" class="figures">adds</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in scaling" :key="`${one.device}/${one.port}`">
              <th scope="row">{{ one.name }}</th>
              <td class="figures">{{ one.from }}</td>
              <td class="figures">{{ one.to }}</td>
              <td :class="{ strong: one.uneven > 0 }">{{ moves(one) }}</td>
              <td class="figures">{{ one.delay ? ms(one.delay.typ) : 'not known' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <aside v-if="picture" :aria-label="picture.name">
        <h3>{{ picture.name }}</h3>
        <ol class="hops">
          <li v-for="(hop, i) in picture.hops" :key="i">
            <span class="cut">{{ name(hop.device) }}</span>
            <span class="small quiet">{{ DOES[hop.does] }}</span>
            <span class="figures">{{ ms(hop.delay.typ) }}</span>
          </li>
          <li class="sum">
            <span class="strong">Together</span
            ><span class="small quiet">{{ ms(picture.total.min) }} to {{ ms(picture.total.max) }}</span>
            <span class="figures strong">{{ ms(picture.total.typ) }}</span>
          </li>
        </ol>
        <label v-if="isCameraLike(picture.source)" class="check small"
          ><input type="checkbox" :checked="picture.lips" @change="lips" /> Lips are seen in it</label
        >
        <div
          v-for="(pair, i) in pairs"
          :key="pair.sound"
          :ref="el => (i === 0 ? (field = el as HTMLElement) : undefined)"
          class="against"
        >
          <h4>
            Against {{ sink.sounds[pair.sound]!.name }} <span class="small quiet">{{ segmentsOf(pair) }}</span>
          </h4>
          <p>
            The sound is <b>{{ early(pair.earlyMs.typ) }}</b>{{ ' ' }}
            <span class="quiet">({{ figure(pair.earlyMs.min, 0) }} to {{ figure(pair.earlyMs.max, 0) }}&nbsp;ms)</span
            >{{ pair.within ? ', within the window.' : ', outside the window.' }}
          </p>
          <label
            >Claps, ms
            <TypedField
              :key="`${at}/${row}/${pair.sound}`"
              :value="clapsNow(pair)"
              :schema="clapSchema"
              placeholder="24, 30, 2 f"
              :aria-label="`Claps of ${sink.sounds[pair.sound]!.name} against ${picture.name}, ms`"
              @done="text => clap(pair, text)"
          /></label>
          <p v-if="pair.measured" class="small quiet">
            {{ pair.measured.claps }} {{ pair.measured.claps === 1 ? 'clap' : 'claps' }},
            {{ early(pair.measured.meanMs) }} on average, {{ ms(pair.measured.spreadMs) }} between them<template
              v-if="!pair.measured.holds"
              >. The way, a model or a format has changed since: it no longer counts</template
            >.
          </p>
        </div>
        <section v-for="best in sink.best" :key="`${best.at.device}/${best.at.port}`" class="best">
          <h4>{{ listWords([...new Set(best.sounds.map(i => sink!.sounds[i]!.name))]) }}</h4>
          <p>
            Best held back by <b class="figures">{{ msText(best.bestMs) }}</b>, {{ best.bestFrames }}
            {{ best.bestFrames === 1 ? 'frame' : 'frames' }} where it steps by frames; now
            {{ best.nowMs ? msText(best.nowMs) : 'not at all' }}.
            <template v-if="!best.serves">Some pictures stay outside.</template>
          </p>
          <button v-if="best.nowMs !== best.bestMs" type="button" class="btn small" @click="hold(best)">
            Hold it back by {{ best.bestMs }}&nbsp;ms <span class="key">H</span>
          </button>
          <ul class="left small">
            <li v-for="one in best.left" :key="one.picture">
              <span class="cut">{{ sink.pictures[one.picture]!.name }}</span><span class="figures"
                >{{ early(one.earlyMs) }} then</span
              >
            </li>
          </ul>
        </section>
        <p v-if="sink.spread" class="small">
          A delay at the sound moves it against all pictures at once. Hold the fast ones instead:
          {{
            listWords(
              sink.spread.hold.map(
                ({ picture: i, frames }) =>
                  `${sink!.pictures[i]!.name} by ${frames} ${frames === 1 ? 'frame' : 'frames'}`,
              ),
            )
          }}; or give the odd one a shot in which no lips are seen.
        </p>
        <FindingList v-if="findings.length" :findings="findings" />
      </aside>
    </div>
  </PlanFrame>
</template>

<style scoped>
.scaling caption {
  text-align: left;
  font-weight: 650;
  padding: 16px 0 4px;
}
.time {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr) 330px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 8px;
  overflow: auto;
  border-right: 1px solid var(--border);
}
.list button {
  display: block;
  width: 100%;
  padding: 6px 10px 8px;
  min-height: 52px;
  border-left: 4px solid transparent;
  border-radius: 4px;
}
.list button.on {
  background: var(--raised);
  border-left-color: var(--chosen);
}
.list .cut {
  display: block;
}
.middle {
  overflow: auto;
  padding: 16px 20px 24px;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 6px;
  max-width: 68ch;
}
h3 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 6px;
}
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 4px;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 6px 0 12px;
}
th,
td {
  padding: 4px 8px;
  text-align: left;
  border-bottom: 1px solid var(--line);
  font-weight: 400;
}
thead th {
  color: var(--quiet);
}
td.figures,
th.figures {
  text-align: right;
  white-space: nowrap;
}
tbody tr {
  cursor: pointer;
}
tbody th button {
  min-height: 28px;
  font-weight: 650;
  text-align: left;
}
tr.on {
  background: var(--raised);
}
tr.on th button {
  color: var(--chosen);
}
.pair + .pair::before {
  content: '; ';
}
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
aside p {
  margin: 0 0 6px;
}
.hops,
.left {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
.hops li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 64px;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.hops .figures,
.left .figures {
  text-align: right;
}
.sum {
  border-bottom: 0;
}
.left li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 2px 0;
}
.against label {
  display: grid;
  grid-template-columns: 80px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  color: var(--quiet);
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.best .btn {
  margin: 2px 0 6px;
}
@media (max-width: 1100px) {
  .time {
    grid-template-columns: 190px minmax(0, 1fr);
    grid-auto-rows: max-content;
    overflow: auto;
  }
  .list,
  .middle {
    overflow: visible;
  }
  aside {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
.air {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  margin: 4px 0 0;
}
.air label {
  display: flex;
  align-items: center;
  gap: 8px;
}
.air :deep(input) {
  width: 64px;
}
</style>
