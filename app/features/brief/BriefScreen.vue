<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { number, string } from 'yup'
import { FEEDS, isCamera, isSink } from '#core/catalog'
import { type Brief, type Edit, SHOTS, type ValueAt, type Want, completePlan, setEdit } from '#core/document'
import type { ShownFinding } from '#core/features/board'
import { MAINS, RASTER_IDS, RATE_TEXTS, type RasterId, formatLabel, mainsOf, raster, rate } from '#core/signal'

import { api } from '~/plan/api'
import { useBoardStore } from '~/board/selection'
import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'

const store = usePlanStore()
const notices = useNotices()
const selection = useBoardStore()
const router = useRouter()
const route = useRoute()
const adding = ref(false)

const plan = computed(() => completePlan(store.plan!))
const brief = computed<Brief>(() => plan.value.brief)

/** An empty answer takes the fact back. Fields that are chosen from a list give one of its values as text. */
const given = <T,>(value: T): T | undefined => (value === '' ? undefined : value)
async function say<F extends keyof Brief>(field: F, value: Brief[F] | string, words: string): Promise<void> {
  await store.commit(words, [setEdit(['brief', field], given(value) as never)])
}
async function set<const A extends readonly string[]>(
  at: A,
  value: ValueAt<A> | string | undefined,
  words: string,
): Promise<void> {
  await store.commit(words, [setEdit(at, given(value) as never)])
}

async function retitle(title: string): Promise<void> {
  if (!title || !store.show) return
  try {
    await api(`/shows/${store.show.id}`, { method: 'PATCH', body: { title } })
    store.show = { ...store.show, title }
  } catch (error) {
    notices.tell((error as Error).message, 'wrong')
  }
}

const day = computed(() => {
  const { date } = brief.value
  return date === undefined
    ? undefined
    : new Intl.DateTimeFormat('en-GB', {
        weekday: 'long',
        day: 'numeric',
        month: 'long',
        year: 'numeric',
        timeZone: 'UTC',
      }).format(new Date(`${date}T00:00:00Z`))
})
const titleSchema = string().required('a title').max(120, 'at most 120 characters')
const placeSchema = string().max(120, 'at most 120 characters')
const count = (most: number) =>
  number().typeError('a whole number').integer('a whole number').min(0, 'not below 0').max(most, `at most ${most}`)
const currencySchema = string().matches(/^[A-Za-z]{3}$/, 'three letters, e.g. EUR')
const shutterSchema = number()
  .typeError('the n of 1/n')
  .integer('a whole number')
  .min(1, 'at least 1')
  .max(20_000, 'at most 20000')

const NONE = { title: 'not said', value: '' }
const mainsOptions = [NONE, ...MAINS.map(({ id, volts, hz }) => ({ title: `${volts} V, ${hz} Hz`, value: id }))]
const mainsWords = computed(() =>
  brief.value.mains
    ? `${mainsOf(brief.value.mains).volts}\u00A0V, ${mainsOf(brief.value.mains).hz}\u00A0Hz`
    : undefined,
)
const feeds = FEEDS.map(value => ({ title: value, value }))
/** Whose feed somebody may be meant to see: the show's, which the last switcher makes, or that of any one switcher. */
const owners = computed(() => [
  { title: 'the show', value: '' },
  ...Object.entries(plan.value.devices)
    .filter(([, { model }]) => plan.value.models[model]!.role === 'switcher')
    .map(([value, { name }]) => ({ title: name, value })),
])
const rasters = [
  { title: 'any raster', value: '' },
  ...RASTER_IDS.filter(id => raster(id).height >= 720).map(id => ({
    title: `${raster(id).height} lines (${id})`,
    value: id,
  })),
]
const rates = [
  { title: 'any rate', value: '' },
  ...RATE_TEXTS.filter(text => rate(text).nominal <= 60).map(text => ({
    title: `${rate(text).label} frames/s`,
    value: text,
  })),
]
const heard = [
  { title: 'sound not said', value: '' },
  { title: 'with sound', value: 'sound' },
  { title: 'silent on purpose', value: 'silent' },
]
const plugs = [
  { title: 'any plug', value: '' },
  { title: 'HDMI', value: 'hdmi' },
  { title: 'SDI', value: 'sdi' },
]
const shots = [NONE, ...SHOTS.map(value => ({ title: value === 'safe' ? 'the wide safe shot' : value, value }))]
const lasting = [
  { title: 'may be dark for a while', value: '' },
  { title: 'must go on', value: 'yes' },
]
const isolating = [
  { title: 'no camera need be recorded by itself', value: '' },
  { title: 'each camera is recorded by itself too', value: 'yes' },
]
const LINING = [
  { title: 'nobody says', value: '' },
  { title: 'by one timecode', value: 'timecode' },
  { title: 'by claps', value: 'clap' },
]
const people = [
  { title: 'unmanned', value: '' },
  { title: 'manned', value: 'yes' },
]
/** Of recordings and streams it is asked whether they should be heard; a screen without a word of it shows a picture. */
function isAsked(sink: string): boolean {
  const { kind, ports } = plan.value.models[plan.value.devices[sink]!.model]!
  return kind !== 'screen' && kind !== 'projector' && Object.values(ports).some(port => port.sound)
}
/** The one answer takes the place of the other, in one change. */
async function hear(id: string, want: Want, answer: string): Promise<void> {
  const edits = (['sound', 'silent'] as const)
    .filter(field => want[field] || field === answer)
    .map(field => setEdit(['wants', id, field], field === answer ? true : undefined))
  await store.commit(`Sound at ${plan.value.devices[want.sink]!.name}`, edits)
}
const schools = [
  { title: 'cautious', value: 'cautious' },
  { title: 'usual', value: 'usual' },
]
const windows = [
  { title: 'EBU R 37 (sound 40 ms early to 60 ms late)', value: 'r37' },
  { title: 'ITU-R BT.1359-1 (90 ms early to 185 ms late)', value: 'bt1359' },
]
const windowWords = {
  r37: '40\u00A0ms early and 60\u00A0ms late (EBU R\u00A037)',
  bt1359: '90\u00A0ms early and 185\u00A0ms late (ITU-R BT.1359-1)',
}
const unitOptions = [
  { title: 'metres', value: 'm' },
  { title: 'feet', value: 'ft' },
]
const paperOptions = [
  { title: 'A4', value: 'a4' },
  { title: 'Letter', value: 'letter' },
]

const wants = computed(() =>
  Object.entries(plan.value.wants)
    .filter(([, { sink }]) => plan.value.devices[sink])
    .sort(([, a], [, b]) => plan.value.devices[a.sink]!.order - plan.value.devices[b.sink]!.order),
)
const unasked = computed(() =>
  Object.entries(plan.value.devices).filter(
    ([id, { model }]) => isSink(plan.value.models[model]!) && !wants.value.some(([, { sink }]) => sink === id),
  ),
)
const cameras = computed(() =>
  Object.entries(plan.value.devices)
    .filter(([, { model }]) => isCamera(plan.value.models[model]!))
    .sort(([, a], [, b]) => a.order - b.order),
)
const standards = computed(() => {
  const all = new Map<string, string>()
  for (const { model } of Object.values(plan.value.devices)) {
    for (const set of plan.value.models[model]!.standards ?? [])
      for (const text of set.rates)
        all.set(
          formatLabel({ raster: set.raster, scan: set.scan, rate: text }),
          JSON.stringify({ raster: set.raster, scan: set.scan, rate: text }),
        )
  }
  return [{ title: 'free to be chosen', value: '' }, ...[...all].map(([title, value]) => ({ title, value }))]
})

async function ask(id: string, want: Want, field: 'raster' | 'rate', value: string): Promise<void> {
  const { [field]: _was, ...rest } = want.asks ?? {}
  const asks = { ...rest, ...(value ? { [field]: value } : {}) }
  await set(
    ['wants', id, 'asks'],
    Object.keys(asks).length ? asks : undefined,
    `Ask ${field} of ${plan.value.devices[want.sink]!.name}`,
  )
}
async function want(sink: string): Promise<void> {
  const id = `${sink}-sees`.slice(0, 60)
  const edits: Edit[] = [
    { do: 'add', collection: 'wants', id: plan.value.wants[id] ? `${id}-2` : id, value: { sink, feed: 'program' } },
  ]
  await store.commit(`${plan.value.devices[sink]!.name} should see program`, edits)
}
const drop = (id: string, sink: string) =>
  store.commit(`No longer ask anything of ${plan.value.devices[sink]!.name}`, [
    { do: 'remove', collection: 'wants', id },
  ])

/** What each paragraph feeds, with what is found there now. */
interface Feeds {
  readonly ids: readonly string[]
  readonly words: string
}
const NOTES = {
  when: { ids: ['E01'], words: 'what ends by itself before the show does; heads every paper' },
  mains: { ids: ['F14'], words: 'lamps against frame rate and shutter' },
  seen: {
    ids: ['O01', 'O02', 'O17', 'C11', 'C12', 'F13', 'F15', 'A01'],
    words: 'feeds, whose they are, outputs, raster, rate and sound',
  },
  kept: { ids: ['O04', 'O05', 'E03', 'O16'], words: 'copies, recordings of each camera, what is tried before' },
  shots: { ids: ['R04', 'R06', 'F14'], words: 'safe shot, crew, shutter' },
  spare: { ids: ['C09', 'C10', 'R06', 'R01'], words: 'inputs, crew, a second way' },
  rules: { ids: ['L01', 'A08', 'F01', 'F16', 'F24'], words: 'cable lengths, sync, the ladder of standards' },
  paper: { ids: ['C15'], words: 'kit, prices and papers' },
} satisfies Record<string, Feeds>
const found = (ids: readonly string[]): readonly ShownFinding[] =>
  (store.report?.findings ?? []).filter(({ id }) => ids.includes(id))
function toFinding(finding: ShownFinding): void {
  const lane = store.report?.board.lanes.find(({ findings }) => findings.includes(finding.key))
  void router.push({
    path: `/shows/${String(route.params.show)}/${String(route.params.plan)}/runs`,
    query: lane ? { at: lane.id } : {},
  })
}
function added(): void {
  adding.value = false
  void nextTick(() => document.querySelector<HTMLElement>('.add-sink')?.focus())
}
</script>

<template>
  <PlanFrame screen="brief" :busy="adding || selection.dialog !== undefined">
    <div v-if="store.plan" class="screen brief">
      <h2 class="unseen">Brief</h2>
      <section class="para">
        <p>
          <FillIn
            label="Title of the show"
            :value="store.show?.title"
            blank="Untitled"
            :schema="titleSchema"
            @done="retitle"
          />
          takes place at
          <FillIn
            label="Place"
            :value="brief.place"
            blank="a place"
            :schema="placeSchema"
            @done="value => say('place', value, 'Say the place')"
          />
          on
          <FillIn
            label="Day"
            :value="day"
            :raw="brief.date"
            blank="a day"
            type="date"
            @done="value => say('date', value, 'Say the day')"
          />. Rehearsal is at
          <FillIn
            label="Rehearsal"
            :value="brief.rehearsal"
            blank="a time"
            type="time"
            @done="value => say('rehearsal', value, 'Say when rehearsal is')"
          />, doors open at
          <FillIn
            label="Doors"
            :value="brief.doors"
            blank="a time"
            type="time"
            @done="value => say('doors', value, 'Say when doors open')"
          />, and it is live from
          <FillIn
            label="Start"
            :value="brief.start"
            blank="a time"
            type="time"
            @done="value => say('start', value, 'Say when it starts')"
          />
          to
          <FillIn
            label="End"
            :value="brief.end"
            blank="a time"
            type="time"
            @done="value => say('end', value, 'Say when it ends')"
          />.
        </p>
        <BriefNote v-bind="NOTES.when" :found="[]" />
      </section>
      <section class="para">
        <p>
          The lamps run on
          <FillIn
            label="Mains"
            :value="mainsWords"
            :raw="brief.mains ?? ''"
            blank="some mains"
            :options="mainsOptions"
            @done="value => say('mains', value, 'Say the mains')"
          />.
        </p>
        <BriefNote v-bind="NOTES.mains" :found="found(NOTES.mains.ids)" @go="toFinding" />
      </section>
      <section class="para">
        <div>
          <p v-if="wants.length === 0">Nobody is said to see it yet.</p>
          <p v-else>It is seen by</p>
          <ul>
            <li v-for="[id, one] in wants" :key="id">
              <b>{{ plan.devices[one.sink]!.name }}</b>, which gets
              <FillIn
                :label="`Feed of ${plan.devices[one.sink]!.name}`"
                :value="one.feed"
                blank="a feed"
                :options="feeds"
                @done="
                  value => set(['wants', id, 'feed'], value, `${plan.devices[one.sink]!.name} should see ${value}`)
                "
              />
              <template
                v-if="owners.length > 2 && (one.of !== undefined || one.feed === 'program' || one.feed === 'clean')"
              >
                of
                <FillIn
                  :label="`Whose it is, at ${plan.devices[one.sink]!.name}`"
                  :value="one.of === undefined ? 'the show' : (plan.devices[one.of]?.name ?? 'what is gone')"
                  :raw="one.of ?? ''"
                  blank="the show"
                  :options="owners"
                  @done="
                    value =>
                      set(
                        ['wants', id, 'of'],
                        value || undefined,
                        `Whose picture ${plan.devices[one.sink]!.name} should see`,
                      )
                  "
                />
              </template>
              in
              <FillIn
                :label="`Raster of ${plan.devices[one.sink]!.name}`"
                :value="one.asks?.raster ? `${raster(one.asks.raster as RasterId).height} lines` : undefined"
                :raw="one.asks?.raster ?? ''"
                blank="any raster"
                :options="rasters"
                @done="value => ask(id, one, 'raster', value)"
              />
              at
              <FillIn
                :label="`Rate of ${plan.devices[one.sink]!.name}`"
                :value="one.asks?.rate ? `${rate(one.asks.rate).label} frames/s` : undefined"
                :raw="one.asks?.rate ?? ''"
                blank="any rate"
                :options="rates"
                @done="value => ask(id, one, 'rate', value)"
              />,
              <span class="held"
                ><FillIn
                  :label="`Sound of ${plan.devices[one.sink]!.name}`"
                  :value="one.sound ? 'with sound' : one.silent ? 'silent' : undefined"
                  :raw="one.sound ? 'sound' : one.silent ? 'silent' : ''"
                  :blank="isAsked(one.sink) ? 'sound not said' : 'picture alone'"
                  :options="heard"
                  @done="value => hear(id, one, value)"
                />.</span
              >
              <button
                type="button"
                class="btn plain small gone"
                :aria-label="`Ask nothing of ${plan.devices[one.sink]!.name}`"
                @click="drop(id, one.sink)"
              >
                Leave out
              </button>
            </li>
          </ul>
          <div class="more">
            <button v-for="[id, device] in unasked" :key="id" type="button" class="btn small" @click="want(id)">
              Ask for {{ device.name }}
            </button>
            <button type="button" class="btn small add-sink" @click="adding = true">Add who sees it</button>
          </div>
        </div>
        <BriefNote v-bind="NOTES.seen" :found="found(NOTES.seen.ids)" @go="toFinding" />
      </section>
      <section class="para">
        <p>
          Of the show
          <FillIn
            label="Recordings kept"
            :value="
              brief.copies === undefined
                ? undefined
                : brief.copies === 0
                  ? 'no recording'
                  : brief.copies === 1
                    ? 'one recording'
                    : `${brief.copies} recordings`
            "
            :raw="brief.copies === undefined ? '' : String(brief.copies)"
            blank="some recordings"
            type="number"
            :schema="count(9)"
            @done="value => say('copies', value === '' ? undefined : Number(value), 'Say how many recordings are kept')"
          />
          {{ (brief.copies ?? 2) < 2 ? 'is' : 'are' }} kept, each on a device of its own, and
          <FillIn
            label="Recordings of each camera"
            :value="brief.isolated ? 'each camera is recorded by itself too' : undefined"
            :raw="brief.isolated ? 'yes' : ''"
            blank="no camera need be recorded by itself"
            :options="isolating"
            @done="value => say('isolated', value ? true : undefined, 'Say whether each camera is recorded by itself')"
          /><template v-if="brief.isolated"
            >, and laid over each other
            <FillIn
              label="How recordings are laid over each other"
              :value="
                brief.lineUp === 'timecode' ? 'by one timecode' : brief.lineUp === 'clap' ? 'by claps' : undefined
              "
              :raw="brief.lineUp ?? ''"
              blank="in some way"
              :options="LINING"
              @done="value => say('lineUp', value, 'Say how recordings are laid over each other')" /></template
          >. A private stream is tried, and watched as the audience will, at
          <FillIn
            label="Test stream"
            :value="brief.testStream"
            blank="a time"
            type="time"
            @done="value => say('testStream', value, 'Say when the stream is tried')"
          />.
        </p>
        <BriefNote v-bind="NOTES.kept" :found="found(NOTES.kept.ids)" @go="toFinding" />
      </section>
      <section class="para">
        <div>
          <p v-if="cameras.length === 0">There is no camera yet: add one on Runs with <span class="key">A</span>.</p>
          <p v-else>The cameras are</p>
          <ul>
            <li v-for="[id, device] in cameras" :key="id">
              <b>{{ device.name }}</b> for
              <FillIn
                :label="`Shot of ${device.name}`"
                :value="device.shot === 'safe' ? 'the wide safe shot' : device.shot"
                :raw="device.shot ?? ''"
                blank="some shot"
                :options="shots"
                @done="value => set(['devices', id, 'shot'], value, `Shot of ${device.name}`)"
              />,
              <FillIn
                :label="`Operator of ${device.name}`"
                :value="device.manned ? 'manned' : undefined"
                :raw="device.manned ? 'yes' : ''"
                blank="unmanned"
                :options="people"
                @done="
                  value =>
                    set(
                      ['devices', id, 'manned'],
                      value ? true : undefined,
                      `${device.name} is ${value ? 'manned' : 'unmanned'}`,
                    )
                "
              />, with a shutter of
              <FillIn
                :label="`Shutter of ${device.name}, the n of 1/n`"
                :value="device.shutter ? `1/${device.shutter}\u00A0s` : undefined"
                :raw="device.shutter ? String(device.shutter) : ''"
                blank="its own"
                type="number"
                :schema="shutterSchema"
                @done="
                  value =>
                    set(['devices', id, 'shutter'], value ? Number(value) : undefined, `Shutter of ${device.name}`)
                "
              />.
            </li>
          </ul>
        </div>
        <BriefNote v-bind="NOTES.shots" :found="found(NOTES.shots.ids)" @go="toFinding" />
      </section>
      <section class="para">
        <p>
          <FillIn
            label="Spare inputs"
            :value="brief.spareInputs === undefined ? undefined : String(brief.spareInputs)"
            blank="Any number of"
            type="number"
            :schema="count(99)"
            @done="
              value => say('spareInputs', value === '' ? undefined : Number(value), 'Say how many inputs stay free')
            "
          />
          inputs stay free for late guests who come by
          <FillIn
            label="Plug of late guests"
            :value="brief.spareBy?.toUpperCase()"
            :raw="brief.spareBy ?? ''"
            blank="any plug"
            :options="plugs"
            @done="value => say('spareBy', value, 'Say what late guests come by')"
          />.
          <FillIn
            label="Crew at cameras"
            :value="brief.crew === undefined ? undefined : String(brief.crew)"
            blank="Some"
            type="number"
            :schema="count(999)"
            @done="
              value => say('crew', value === '' ? undefined : Number(value), 'Say how many people stand at cameras')
            "
          />
          people can stand at cameras. When something fails, the program
          <FillIn
            label="Second way"
            :value="brief.secondWay ? 'must go on: everything it needs has a second way or a spare' : undefined"
            :raw="brief.secondWay ? 'yes' : ''"
            blank="may be dark for a while"
            :options="lasting"
            @done="value => say('secondWay', value ? true : undefined, 'Say whether the program may be dark')"
          />.
        </p>
        <BriefNote v-bind="NOTES.spare" :found="found(NOTES.spare.ids)" @go="toFinding" />
      </section>
      <section class="para">
        <p>
          The operating standard is
          <FillIn
            label="Operating standard"
            :value="brief.standard ? `given: ${formatLabel(brief.standard)}` : undefined"
            :raw="
              brief.standard
                ? JSON.stringify({
                    raster: brief.standard.raster,
                    scan: brief.standard.scan,
                    rate: brief.standard.rate,
                  })
                : ''
            "
            blank="free to be chosen"
            :options="standards"
            @done="value => say('standard', value ? JSON.parse(value) : undefined, 'Say whether the standard is given')"
          />. Passive HDMI is judged by the
          <FillIn
            label="School of cable lengths"
            :value="brief.cableSchool ?? 'cautious'"
            blank="cautious"
            :options="schools"
            @done="value => say('cableSchool', value, 'Say how cables are judged')"
          />
          school. Sound may be
          <FillIn
            label="Window of sound and picture"
            :value="windowWords[brief.syncWindow ?? 'r37']"
            :raw="brief.syncWindow ?? 'r37'"
            blank=""
            :options="windows"
            @done="value => say('syncWindow', value, 'Say the window of sound and picture')"
          />.
        </p>
        <BriefNote v-bind="NOTES.rules" :found="found(NOTES.rules.ids)" @go="toFinding" />
      </section>
      <section class="para">
        <p>
          Prices are in
          <FillIn
            label="Currency"
            :value="brief.currency ?? 'EUR'"
            blank="EUR"
            :schema="currencySchema"
            @done="value => say('currency', value.toUpperCase(), 'Say the currency')"
          />, lengths in
          <FillIn
            label="Unit of length"
            :value="brief.units === 'ft' ? 'feet' : 'metres'"
            :raw="brief.units ?? 'm'"
            blank="metres"
            :options="unitOptions"
            @done="value => say('units', value, 'Say the unit of length')"
          />, and papers are
          <FillIn
            label="Paper"
            :value="brief.paper === 'letter' ? 'Letter' : 'A4'"
            :raw="brief.paper ?? 'a4'"
            blank="A4"
            :options="paperOptions"
            @done="value => say('paper', value, 'Say the paper')"
          />.
        </p>
        <BriefNote v-bind="NOTES.paper" :found="found(NOTES.paper.ids)" @go="toFinding" />
      </section>
    </div>
    <LazyAddDialog v-if="adding" open role="sink" @close="added" @added="added" />
  </PlanFrame>
</template>

<style scoped>
.held {
  white-space: nowrap;
}
.brief {
  font-size: 20px;
  line-height: 1.55;
  display: flex;
  flex-direction: column;
  align-items: center;
}
.para {
  display: grid;
  grid-template-columns: minmax(0, 68ch) 210px;
  gap: 40px;
  padding: 10px 0;
  width: min(100%, calc(68ch + 250px));
}
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  position: relative;
  padding: 2px 92px 2px 20px;
  text-indent: -20px;
}
li > * {
  text-indent: 0;
}
.gone {
  position: absolute;
  right: 0;
  top: 6px;
  font-size: 13px;
  min-height: 24px;
  opacity: 0;
}
li:hover .gone,
.gone:focus-visible {
  opacity: 1;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 10px;
}
@media (pointer: coarse) {
  .gone {
    opacity: 1;
  }
}
@media (max-width: 1000px) {
  .para {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}
</style>
