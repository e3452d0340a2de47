<script setup lang="ts">
import { useEventListener, useFileDialog } from '@vueuse/core'
import { proxy } from 'comlink'
import { computed, ref, watch } from 'vue'
import { CODING_WORDS, type Clip, type Edit, emptyPlan, freshId, own, setEdit } from '#core/document'
import { CODINGS } from '#core/features/media'
import { formatLabel, parseFormatLabel } from '#core/signal'
import { clockSeconds, figure } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import FindingList from '~/ui/FindingList.vue'
import { isTyped } from '~/ui/keys'
import { usePainter } from '~/workers/painter'
import { decimal, nameSchema, secondsSchema, sizeSchema } from '~/ui/typed'

/** What each player holds, in the order of its list: length, end, format, size, and the card that it lies on. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const known = useAnswer('clips', () => [] as const)
const players = computed(() =>
  Object.entries(plan.value.devices).flatMap(([id, { name, model }]) =>
    plan.value.models[model]?.role === 'source' ? [{ id, name, kind: plan.value.models[model]!.kind }] : [],
  ),
)
const order = computed(() => (known.value ?? []).flatMap(({ clips }) => clips.map(([id]) => id)))
const chosen = ref<string>()
const clip = computed(() => own(plan.value.clips, chosen.value))
watch(
  [order, () => route.query.at] as const,
  ([list, at]) => {
    const asked = typeof at === 'string' ? /clip\/(.+)$/.exec(at)?.[1] : undefined
    if (asked && list.includes(asked) && chosen.value === undefined) chosen.value = asked
    if (chosen.value === undefined || !list.includes(chosen.value)) chosen.value = list[0]
  },
  { immediate: true },
)
const findings = computed(() =>
  (store.report?.findings ?? []).filter(({ id }) => ['K17', 'O13', 'O14', 'O15', 'O19'].includes(id)),
)
const media = computed(() => Object.entries(plan.value.media).sort(([, a], [, b]) => a.order - b.order))
/** Formats in which clips are usually written. */
const FORMATS = [
  ...['720p50', '720p59.94'],
  ...['1080p23.98', '1080p24', '1080p25', '1080p29.97', '1080p30', '1080p50', '1080p59.94', '1080p60'],
  ...['1080i50', '1080i59.94'],
  ...['2160p25', '2160p29.97', '2160p50', '2160p59.94'],
]
const END_WORDS = { hold: 'its last picture', black: 'black', loop: 'it again', back: 'what was before' } as const
const gb = (value: number): string => `${figure(value, value < 10 ? 2 : 1)}\u00A0GB`
/** Who plays it: cues and macros by name. */
const usedBy = (id: string): string =>
  [
    ...Object.values(plan.value.cues).flatMap(cue => (cue.clip === id ? [cue.title] : [])),
    ...Object.values(plan.value.macros).flatMap(({ title, steps }) =>
      steps.some(step => step.clip === id) ? [title] : [],
    ),
  ].join(', ')

const commit = (words: string, edits: readonly Edit[]) => store.commit(words.slice(0, 120), edits)
function set<F extends keyof Clip>(field: F, value: Clip[F] | undefined, words: string): void {
  if (chosen.value !== undefined) void commit(words, [setEdit(['clips', chosen.value, field], value as never)])
}
async function add(): Promise<void> {
  const player = clip.value?.player ?? players.value.find(({ kind }) => kind === 'player')?.id ?? players.value[0]?.id
  if (player === undefined) return
  const all = Object.values(plan.value.clips)
  const mine = all.filter(one => one.player === player)
  const id = freshId('clip', plan.value.clips, Math.random)
  const value: Clip = {
    title: 'New clip',
    order: 1 + Math.max(0, ...all.map(one => one.order)),
    player,
    lengthS: 30,
    end: 'black',
    index: 1 + Math.max(0, ...mine.map(one => one.index ?? 0)),
  }
  if (await commit('Add a clip', [{ do: 'add', collection: 'clips', id, value }])) chosen.value = id
}
function remove(): void {
  if (clip.value && chosen.value !== undefined)
    void commit(`Take out ${clip.value.title}`, [{ do: 'remove', collection: 'clips', id: chosen.value }])
}
/** What has no number stands behind all that have one. */
const UNNUMBERED = 10_000
/** It changes places with its neighbour in the list of its player; both get the number of their new place. */
function shift(by: number): void {
  const answered = (known.value ?? []).find(({ clips }) => clips.some(([id]) => id === chosen.value))?.clips ?? []
  // In the order that the plan has now: the next press is not to start from what stood before the last was answered.
  const moved = answered
    .flatMap(([id]) => (own(plan.value.clips, id) ? [id] : []))
    .sort((a, b) => (plan.value.clips[a]!.index ?? UNNUMBERED) - (plan.value.clips[b]!.index ?? UNNUMBERED))
  const at = moved.indexOf(chosen.value ?? '')
  if (at < 0 || moved[at + by] === undefined || !clip.value) return
  moved.splice(at, 1)
  moved.splice(at + by, 0, chosen.value!)
  const edits = moved.flatMap((id, i): Edit[] =>
    plan.value.clips[id]!.index === i + 1 ? [] : [setEdit(['clips', id, 'index'], i + 1)],
  )
  void commit(`Move ${clip.value.title} to number ${at + by + 1}`, edits)
}
function move(by: number): void {
  const at = order.value.indexOf(chosen.value ?? '')
  chosen.value = order.value[Math.min(order.value.length - 1, Math.max(0, at + by))]
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || isTyped(event) || store.state !== 'ready') return
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0
  const act = by
    ? () => (event.altKey ? shift(by) : move(by))
    : event.altKey
      ? undefined
      : event.key.toLowerCase() === 'a'
        ? () => void add()
        : event.key === 'Delete'
          ? remove
          : undefined
  if (!act) return
  event.preventDefault()
  act()
})

/** The pictures of a clip, one file each, are looked at where they are: nothing of them is kept or sent anywhere. */
const MOST_FILES = 6000
const pictures = useFileDialog({ accept: '.png,image/png', multiple: true, reset: true })
const busy = ref<{ readonly done: number; readonly all: number }>()
const refused = ref('')
watch(chosen, () => (refused.value = ''))
pictures.onChange(list => void measure([...(list ?? [])]))
async function measure(given: readonly File[]): Promise<void> {
  const [id, one] = [chosen.value, clip.value]
  if (id === undefined || !one || given.length === 0 || busy.value) return
  refused.value = ''
  if (given.length > MOST_FILES) {
    refused.value = `There are ${given.length} files; at most ${MOST_FILES} are looked at.`
    return
  }
  const files = [...given].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }))
  const [frames, seconds] = one.format ? one.format.rate.split('/').map(Number) : [files.length, one.lengthS]
  busy.value = { done: 0, all: files.length }
  try {
    const found = await usePainter().clip(
      files,
      frames! / seconds!,
      proxy((done: number) => (busy.value = { done, all: files.length })),
    )
    if ('wrong' in found) {
      refused.value = found.wrong
      return
    }
    const { clear, ...measured } = found.measure
    if (plan.value.clips[id])
      await commit(`Measure ${one.title}`, [
        setEdit(['clips', id, 'measured'], measured),
        ...(clear && !one.alpha ? [setEdit(['clips', id, 'alpha'], true as const)] : []),
      ])
  } catch {
    refused.value = 'The files cannot be read any more. Choose them again.'
  } finally {
    busy.value = undefined
  }
}
/** "No flashes", "5 flashes in a second, and more than 3 are too many". */
const flashWords = ({ pairs }: NonNullable<Clip['measured']>): string =>
  pairs === 0
    ? 'it does not flash'
    : pairs > 3
      ? `${pairs} flashes in a second, and more than 3 are too many`
      : `at most ${pairs} ${pairs === 1 ? 'flash' : 'flashes'} in a second, and 3 are allowed`
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
</script>

<template>
  <PlanFrame screen="clips" :foot-name="clip?.title ?? 'no clip'">
    <div v-if="order.length === 0" class="screen">
      <h2>No clips yet</h2>
      <p>
        What is played from a player or a computer stands here: its length, what is seen at its end, its format, and the
        card that it lies on.
      </p>
      <button v-if="players.length" type="button" class="btn primary" @click="add">
        Add a clip <span class="key">A</span>
      </button>
      <p v-else class="quiet">Nothing in the plan plays pictures yet: add a player on Devices.</p>
    </div>
    <div v-else class="both">
      <div class="list">
        <section v-for="one in known ?? []" :key="one.player" :aria-label="`Clips of ${one.name}`">
          <h2>
            {{ one.name }}
            <span v-if="one.usual" class="small quiet">{{ formatLabel(one.usual) }}</span>
          </h2>
          <table>
            <thead>
              <tr>
                <th scope="col" class="end">No.</th>
                <th scope="col">Clip</th>
                <th scope="col" class="end">Lasts</th>
                <th scope="col">Then</th>
                <th scope="col">Format</th>
                <th scope="col" class="end">Size</th>
                <th scope="col">On</th>
                <th scope="col">Played by</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="[id, row] in one.clips"
                :key="id"
                :class="{ on: id === chosen, odd: one.odd.includes(id) }"
                @click="chosen = id"
              >
                <td class="figures">{{ row.index ?? '' }}</td>
                <td>
                  <button type="button" class="strong cut" :aria-pressed="id === chosen" @click.stop="chosen = id">
                    {{ row.title }}
                  </button>
                </td>
                <td class="figures">{{ clockSeconds(row.lengthS) }}</td>
                <td>{{ END_WORDS[row.end] }}</td>
                <td>
                  {{ row.format ? formatLabel(row.format) : 'not said' }}<span v-if="row.alpha">, transparent</span>
                </td>
                <td class="figures">{{ row.gb === undefined ? '' : gb(row.gb) }}</td>
                <td>{{ row.medium ? (plan.media[row.medium]?.title ?? `${row.medium}, gone`) : '' }}</td>
                <td class="cut quiet">{{ usedBy(id) }}</td>
              </tr>
            </tbody>
          </table>
          <p v-for="medium in one.media" :key="medium.id" class="small room">
            <span>{{ medium.title }}</span>
            <span class="bar" aria-hidden="true"
              ><span :style="{ width: `${Math.min(100, (medium.usedGb / medium.gb) * 100)}%` }"
            /></span>
            <span class="figures">{{ gb(medium.usedGb) }} of {{ gb(medium.gb) }}</span>
            <span v-if="medium.copyS !== undefined && medium.usedGb > 0" class="quiet"
              >copied in {{ clockSeconds(medium.copyS) }}</span
            >
          </p>
        </section>
        <button type="button" class="btn" @click="add">Add a clip <span class="key">A</span></button>
        <FindingList v-if="findings.length" :findings="findings" />
      </div>
      <aside v-if="clip" :aria-label="clip.title">
        <h2 class="cut">{{ clip.title }}</h2>
        <div class="fields">
          <label
            ><span>Called</span>
            <TypedField
              :value="clip.title"
              :schema="nameSchema"
              needs="a name"
              aria-label="Name of the clip"
              @done="text => set('title', text, `Call it ${text}`)"
          /></label>
          <label
            ><span>Played by</span>
            <select
              class="pick"
              :value="clip.player"
              @change="event => set('player', valueIn(event), `${clip!.title} from another player`)"
            >
              <option v-for="player in players" :key="player.id" :value="player.id">{{ player.name }}</option>
              <option v-if="!plan.devices[clip.player]" :value="clip.player">{{ clip.player }}, gone</option>
            </select></label
          >
          <label
            ><span>Length, s</span>
            <TypedField
              inputmode="decimal"
              :value="clip.lengthS"
              :schema="secondsSchema"
              needs="seconds"
              aria-label="Length, seconds"
              @done="text => set('lengthS', decimal(text), `${clip!.title} lasts ${text} s`)"
          /></label>
          <label
            ><span>At its end</span>
            <select
              class="pick"
              :value="clip.end"
              @change="event => set('end', valueIn(event) as Clip['end'], `What follows ${clip!.title}`)"
            >
              <option v-for="(words, end) in END_WORDS" :key="end" :value="end">{{ words }}</option>
            </select></label
          >
          <label
            ><span>Format</span>
            <select
              class="pick"
              :value="clip.format ? formatLabel(clip.format) : ''"
              @change="
                event => set('format', parseFormatLabel(valueIn(event)) ?? undefined, `Format of ${clip!.title}`)
              "
            >
              <option value="">nobody looked</option>
              <option v-for="label in FORMATS" :key="label" :value="label">{{ label }}</option>
              <option
                v-if="clip.format && !FORMATS.includes(formatLabel(clip.format))"
                :value="formatLabel(clip.format)"
              >
                {{ formatLabel(clip.format) }}
              </option>
            </select></label
          >
          <label
            ><span>Written as</span>
            <select
              class="pick"
              :value="clip.coding ?? ''"
              @change="
                event => set('coding', (valueIn(event) || undefined) as Clip['coding'], `How ${clip!.title} is written`)
              "
            >
              <option value="">nobody looked</option>
              <option v-for="coding in CODINGS" :key="coding" :value="coding">{{ CODING_WORDS[coding] }}</option>
            </select></label
          >
          <label class="check"
            ><input
              type="checkbox"
              :checked="clip.alpha === true"
              @change="set('alpha', clip!.alpha ? undefined : true, `Transparency of ${clip!.title}`)"
            />
            It carries how solid it is</label
          >
          <label
            ><span>Size, GB</span>
            <TypedField
              inputmode="decimal"
              :value="clip.gb ?? ''"
              :schema="sizeSchema"
              placeholder="not said"
              aria-label="Size, GB"
              @done="text => set('gb', text ? decimal(text) : undefined, `Size of ${clip!.title}`)"
          /></label>
          <label
            ><span>Lies on</span>
            <select
              class="pick"
              :value="clip.medium ?? ''"
              @change="event => set('medium', valueIn(event) || undefined, `Where ${clip!.title} lies`)"
            >
              <option value="">not said</option>
              <option v-for="[id, medium] in media" :key="id" :value="id">{{ medium.title }}</option>
              <option v-if="clip.medium && !plan.media[clip.medium]" :value="clip.medium">
                {{ clip.medium }}, gone
              </option>
            </select></label
          >
          <p class="pictures">
            <button type="button" class="btn small" :disabled="busy !== undefined" @click="pictures.open()">
              {{ clip.measured ? 'Measure its pictures again' : 'Measure its pictures' }}
            </button>
            <span v-if="busy" role="status" class="small quiet figures">{{ busy.done }} of {{ busy.all }}</span>
          </p>
          <p v-if="refused" class="small strong" role="alert">{{ refused }}</p>
          <p v-else-if="clip.measured" class="small">
            {{ clip.measured.frames }} pictures: {{ flashWords(clip.measured) }}.
            <template v-if="clip.measured.covers">
              It covers the whole picture from frame {{ clip.measured.covers[0] }} to {{ clip.measured.covers[1] }}: a
              cut beneath it goes at frame {{ Math.floor((clip.measured.covers[0] + clip.measured.covers[1]) / 2) }},
              and its start may be off by {{ Math.floor((clip.measured.covers[1] - clip.measured.covers[0]) / 2) }}.
            </template>
            <template v-else-if="clip.alpha">No frame covers the whole picture: a cut beneath it is seen.</template>
          </p>
          <p v-else class="small quiet">
            As numbered PNG files, one a frame: how often it flashes, and which frames cover the picture. Nothing of
            them is kept.
          </p>
          <p v-if="media.length === 0" class="small quiet">Cards and disks are said on Media.</p>
        </div>
        <p class="row">
          <button type="button" class="btn small" @click="shift(-1)">Earlier</button>
          <button type="button" class="btn small" @click="shift(1)">Later</button>
          <button type="button" class="btn small" @click="remove">Take it out</button>
        </p>
      </aside>
    </div>
  </PlanFrame>
</template>

<style scoped>
.both {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
}
.list {
  overflow: auto;
  padding: 12px 20px 24px;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 6px;
}
section {
  margin-bottom: 22px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
  font-size: 14px;
  color: var(--quiet);
}
th,
td {
  padding: 6px 10px 6px 0;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
th.end,
td.figures {
  text-align: right;
}
tbody tr {
  cursor: pointer;
}
tr.on td {
  background: var(--surface);
}
tr.on td:first-child {
  box-shadow: inset 3px 0 0 var(--chosen);
}
tr.odd td:nth-child(5) {
  text-decoration: underline dashed var(--dark);
  text-underline-offset: 4px;
}
td.cut {
  max-width: 180px;
}
.room {
  display: grid;
  grid-template-columns: 120px 180px auto auto;
  gap: 12px;
  align-items: center;
  margin: 8px 0 0;
}
.bar {
  height: 8px;
  background: var(--line);
  border-radius: 2px;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--light);
  border-radius: 2px;
}
aside {
  border-left: 1px solid var(--line);
  padding: 12px 16px 24px;
  overflow: auto;
}
.fields label:not(.check) {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.pictures {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 8px 0 4px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 1100px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  .list,
  aside {
    overflow: visible;
  }
  section {
    overflow-x: auto;
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
