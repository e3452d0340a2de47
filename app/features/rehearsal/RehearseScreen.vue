<script setup lang="ts">
import { useElementSize, useEventListener, useWindowSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { string } from 'yup'
import { freshId } from '#core/document'
import type { Target } from '#core/features/rehearsal'
import { TICKS_PER_S } from '#core/run'
import { useBoardStore } from '~/board/selection'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import ViewTabs from '~/ui/ViewTabs.vue'
import { isTyped } from '~/ui/keys'
import BreakPanel from './BreakPanel.vue'
import HandPanel from './HandPanel.vue'
import HeardList from './HeardList.vue'
import JumpsPanel from './JumpsPanel.vue'
import LiveCanvas from './LiveCanvas.vue'
import MacroPanel from './MacroPanel.vue'
import RunStrip from './RunStrip.vue'
import RunsPanel from './RunsPanel.vue'
import SourceList from './SourceList.vue'
import { type Want, usePainting } from './painting'
import { rehearsing } from './running'
import { useDrawnSize } from './size'
import { useRehearsal } from './store'

/** The show runs: pictures are the controls, light runs from what is on air to who sees it, and time is kept. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const notices = useNotices()
const live = useRehearsal()

/** The tick that one looks back at; absent, what is now. */
const view = ref<number>()
const here = computed(() => `${String(route.params.show)}/${String(route.params.plan)}`)
/** The plan has changed since the rehearsal began: it goes on as it was, and says so. */
const older = computed(() => live.of?.name === here.value && live.of.version !== store.report?.version)
async function begin(at = live.moment): Promise<void> {
  if (!store.plan || !store.report) return
  view.value = undefined
  await live.open(here.value, store.report.version, store.plan, at)
  rehearsing.value = here.value
}
watch(
  () => store.report?.version,
  version => {
    if (version !== undefined && live.of?.name !== here.value) void begin(0)
  },
  { immediate: true },
)

const sink = ref(0)
const stage = computed(() => live.stage)
const now = computed(() => live.now)
watch(stage, to => {
  if (to) sink.value = Math.min(sink.value, Math.max(0, to.sinks.length - 1))
})
const isNext = (target: Target): boolean => JSON.stringify(live.next) === JSON.stringify(target)
const nextSource = computed(() => (live.next && 'source' in live.next ? live.next.source : undefined))
/** What is next, in words. */
const nextName = computed(() => {
  const { next } = live
  if (!next || !stage.value) return ''
  if ('source' in next) return stage.value.sources.find(({ device }) => device === next.source)?.name ?? ''
  if ('overlay' in next) return stage.value.overlays.find(({ id }) => id === next.overlay)?.title ?? ''
  if ('look' in next) return stage.value.looks.find(({ id }) => id === next.look)?.title ?? ''
  if ('macro' in next) return stage.value.macros.find(({ id }) => id === next.macro)?.title ?? ''
  return 'safe' in next ? 'the safe picture' : 'black'
})
const lit = (overlay: string): boolean =>
  Object.values(now.value?.switchers ?? {}).some(({ keys }) => Object.values(keys).includes(overlay))
const faded = computed(() =>
  stage.value?.switchers.some(({ device, last }) => last && now.value?.switchers[device]?.faded),
)

// Time, as it is shown.
/** A wrong frame stands still for this long, so that it is seen, ticks. */
const HOLD = 2 * TICKS_PER_S
const held = computed(() => {
  const shown = now.value?.history[sink.value] ?? []
  const at = shown.findLastIndex(one => one.wrong)
  const [wrong, after] = [shown[at], shown[at + 1]]
  // What is still wrong is seen as it is.
  return view.value === undefined && wrong && after && now.value!.tick - after.tick < HOLD ? wrong : undefined
})
/** What is drawn large: now, or a moment that is past. */
const past = computed(() => view.value ?? held.value?.tick)
const shownTick = computed(() => past.value ?? now.value?.tick ?? 0)
const rate = computed(() => TICKS_PER_S / (stage.value?.frame ?? 4800))
function clock(tick: number): string {
  const whole = Math.floor(tick / (stage.value?.frame ?? 4800))
  const perSecond = Math.round(rate.value)
  const seconds = Math.floor(whole / perSecond)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}:${two(whole % perSecond)}`
}
function lookAt(tick: number): void {
  live.stop()
  view.value = tick
}
function frameBy(n: number): void {
  live.stop()
  const frame = stage.value?.frame ?? 4800
  const end = now.value?.tick ?? 0
  const at = (view.value ?? end) + n * frame
  if (at > end) live.step()
  view.value = at > end ? undefined : Math.max(0, at)
}

// Pictures: what has changed is drawn anew, the rest stays.
const big = ref<HTMLElement>()
const { width: bigRoom } = useElementSize(big)
const { height: windowHeight } = useWindowSize()
/** What stands above and below the large picture, so that strip and log are seen without scrolling, px. */
const AROUND = 540
const bigWidth = computed(() => {
  const byHeight = Math.floor(((windowHeight.value - AROUND) * 16) / 9)
  return Math.max(320, Math.min(1280, Math.floor(bigRoom.value) || 600, byHeight))
})
const strip = ref<InstanceType<typeof RunStrip>>()
/** A machine that does not keep up draws the large picture smaller, and the page shows it at its size all the same. */
const { width: drawnWidth, second } = useDrawnSize(bigWidth, () =>
  live.running && past.value === undefined && stage.value ? TICKS_PER_S / stage.value.frame : undefined,
)
const { register, perSecond: frames } = usePainting(wants, shownTick, second)
function wants(): Want[] {
  const to = stage.value
  const what = now.value
  if (!to || !what) return []
  const number = Math.floor(shownTick.value / to.frame)
  const at = past.value === undefined ? {} : { at: past.value }
  const trees = what.pictures.map(picture => JSON.stringify(picture))
  return [
    {
      key: 'big',
      as: `${sink.value}/${past.value === undefined ? trees[sink.value] : 'past'}/${number}/${drawnWidth.value}`,
      wanted: { sink: sink.value, width: drawnWidth.value, ...at },
    },
    ...to.sinks.map((_, i) => ({
      key: `sink-${i}`,
      as: `${trees[i]}/${Math.floor(number / 12)}`,
      wanted: { sink: i, still: 12, width: 128 },
    })),
    ...to.sources.map(({ device }) => ({
      key: `source-${device}`,
      as: String(Math.floor(number / 25)),
      wanted: { source: device, still: 25, width: 112 },
    })),
    ...(strip.value?.stretches ?? []).map(one => ({
      key: `strip-${one.tick}`,
      as: String(one.tick),
      wanted: { sink: sink.value, at: one.tick, width: 72 },
    })),
  ]
}

// Hands.
function choose(source: string): void {
  view.value = undefined
  live.go()
  void live.choose({ source })
}
async function take(mix?: number): Promise<void> {
  if (!live.next) {
    notices.tell('Choose what is next first: click a picture, or press its figure.')
    return
  }
  view.value = undefined
  await live.take(live.next, mix)
}
function press(device: string, port: string): void {
  view.value = undefined
  void live.press(device, { do: 'program', input: port })
}
const takeNow = (target: Target): void => {
  view.value = undefined
  void live.take(target, 1)
}
let lastOverlay = -1
function nextOverlay(): void {
  const all = stage.value?.overlays ?? []
  if (all.length === 0) return
  const on = all.findIndex(({ id }) => lit(id))
  if (on >= 0) takeNow({ overlay: all[on]!.id })
  else {
    lastOverlay = (lastOverlay + 1) % all.length
    takeNow({ overlay: all[lastOverlay]!.id })
  }
}

// What stands beside the picture in place of the sources.
const PANELS = {
  sources: 'Sources',
  hand: 'By hand',
  macros: 'Macros',
  break: 'Break',
  heard: 'Heard',
  runs: 'Runs',
} as const
type Panel = keyof typeof PANELS
const panel = ref<Panel>('sources')
const toggle = (one: Panel): void => {
  panel.value = panel.value === one ? 'sources' : one
}
const jumping = ref(false)
// Whoever comes here for what is found at a macro sees it.
watch(
  () => [route.query.at, store.report?.version] as const,
  ([key]) => {
    if (key && store.report?.findings.some(one => one.key === key && one.screen === 'rehearse')) panel.value = 'macros'
  },
  { immediate: true },
)
const macroPanel = ref<InstanceType<typeof MacroPanel>>()
function drill(): void {
  panel.value = 'macros'
  void macroPanel.value?.turn()
}
const sounding = ref(false)
const asking = ref(false)
const titleSchema = string().trim().required('a name').max(120, 'at most 120 characters')
async function keep(title: string): Promise<void> {
  asking.value = false
  const order = 1 + Math.max(0, ...Object.values(store.plan?.looks ?? {}).map(look => look.order))
  const look = await live.asLook(title, order)
  if (!look || !store.plan) return
  const id = freshId(title, store.plan.looks, Math.random)
  await store.commit(`Keep ${title}`.slice(0, 120), [{ do: 'add', collection: 'looks', id, value: look }])
}

/** Two figures that follow at once are one number, where a source has it. */
const AT_ONCE_MS = 700
let pressed = { figure: 0, at: -AT_ONCE_MS }
function called(figure: number, at: number) {
  const with2 = at - pressed.at < AT_ONCE_MS ? pressed.figure * 10 + figure : undefined
  pressed = { figure, at }
  const find = (number: number | undefined) => stage.value?.sources.find(({ call }) => call === number)
  return find(with2) ?? find(figure)
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (asking.value || selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready')
    return
  if (isTyped(event) || document.querySelector('.v-overlay--active [role="dialog"], .v-overlay--active form')) return
  const figure = Number(/^Digit(\d)$/.exec(event.code)?.[1] ?? NaN)
  const acts: Record<string, (() => void) | undefined> = {
    ' ': () => void take(event.shiftKey ? 1 : undefined),
    'k': nextOverlay,
    's': () => takeNow({ safe: true }),
    'b': () => takeNow({ faded: !faded.value }),
    'v': () => {
      sink.value = (sink.value + 1) % Math.max(1, stage.value?.sinks.length ?? 1)
    },
    'p': () => {
      view.value = undefined
      if (live.running) live.stop()
      else live.go()
    },
    '.': () => frameBy(1),
    ',': () => frameBy(-1),
    'j': () => {
      jumping.value = !jumping.value
    },
    'h': () => toggle('hand'),
    'x': () => toggle('break'),
    'm': () => toggle('macros'),
    'y': () => toggle('runs'),
    'd': drill,
    'u': () => toggle('heard'),
    'Escape':
      jumping.value || panel.value !== 'sources'
        ? () => {
            jumping.value = false
            panel.value = 'sources'
          }
        : undefined,
    'r': () => void begin(),
  }
  const source = Number.isNaN(figure) ? undefined : called(figure, event.timeStamp)
  const act = source ? () => choose(source.device) : acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  // A button that has the focus would be pressed by the space bar as well.
  if (event.key === ' ' && document.activeElement instanceof HTMLElement) document.activeElement.blur()
  act()
})
const MIXES = [1, 12, 25, 50]
const seconds = (n: number): string => (n === 1 ? 'cut' : `mix, ${n} frames`)
const base = computed(() => `/shows/${here.value}`)
</script>

<template>
  <PlanFrame
    screen="rehearse"
    :foot-name="live.next ? `next: ${nextName}` : live.running ? 'the show runs' : 'it stands still'"
    :busy="asking"
  >
    <template #controls>
      <span class="small quiet said figures">{{ clock(shownTick) }}</span>
      <span class="small quiet said" :title="`The chain runs at ${rate.toFixed(2)} frames/s`"
        >drawn {{ frames }}/s<template v-if="drawnWidth < bigWidth"
          >, at {{ drawnWidth }} of {{ bigWidth }} px</template
        ></span
      >
      <label class="small"
        ><span class="from-words">From </span>
        <select
          class="pick small from"
          aria-label="From which moment"
          :value="live.moment"
          @change="event => begin(Number((event.target as HTMLSelectElement).value))"
        >
          <option v-for="one in stage?.moments ?? []" :key="one.index" :value="one.index">{{ one.title }}</option>
        </select></label
      >
      <button type="button" class="btn small" @click="live.running ? live.stop() : live.go()">
        {{ live.running ? 'Stand still' : 'Go on' }} <span class="key">P</span>
      </button>
    </template>
    <div v-if="!stage || !now" class="screen quiet" role="status">Setting the stage …</div>
    <div v-else-if="stage.sources.length === 0 || stage.sinks.length === 0" class="screen">
      <h2>Nothing to rehearse yet</h2>
      <p>
        {{
          stage.sources.length === 0
            ? 'Once a source comes into a switcher, the show runs here: its pictures are the controls.'
            : 'Nobody sees anything yet. Lead an output to a screen, a recorder or a stream.'
        }}
      </p>
      <NuxtLink class="btn primary" :to="`${base}/runs`">Connect it on Runs</NuxtLink>
    </div>
    <div v-else class="stage">
      <JumpsPanel v-if="jumping" @close="jumping = false" />
      <div class="left">
        <ViewTabs v-model="panel" :views="PANELS" label="Beside the picture" class="views" />
        <SourceList
          v-if="panel === 'sources'"
          :stage="stage"
          :now="now"
          :next="nextSource"
          :register="register"
          @choose="choose"
          @take="take()"
          @press="press"
        />
        <HandPanel v-else-if="panel === 'hand'" :stage="stage" :now="now" />
        <BreakPanel v-else-if="panel === 'break'" :stage="stage" :now="now" @safe="takeNow({ safe: true })" />
        <RunsPanel v-else-if="panel === 'runs'" :plan="here" :clock="clock" />
        <MacroPanel v-show="panel === 'macros'" ref="macroPanel" :stage="stage" :older="older" @again="begin()" />
        <HeardList
          v-show="panel === 'heard'"
          :sink="sink"
          :name="stage.sinks[sink]?.name ?? ''"
          :on="sounding"
          @turn="sounding = !sounding"
        />
      </div>
      <section ref="big" class="centre" :aria-label="stage.sinks[sink]?.name">
        <p class="sees">
          <span class="plate on">{{
            view !== undefined
              ? `${stage.sinks[sink]?.name} saw this at ${clock(view)}`
              : held
                ? `${stage.sinks[sink]?.name} saw this, wrong for ${held.wrong} ${held.wrong === 1 ? 'frame' : 'frames'}`
                : `${stage.sinks[sink]?.name} sees this`
          }}</span>
        </p>
        <div class="large" :class="{ past: past !== undefined }">
          <LiveCanvas
            :ref="register('big')"
            :width="bigWidth"
            :label="`${stage.sinks[sink]?.name} sees ${now.words[sink]}`"
          />
        </div>
        <div class="over">
          <button
            v-for="overlay in stage.overlays"
            :key="overlay.id"
            type="button"
            class="lay"
            :class="{ lit: lit(overlay.id) }"
            :aria-pressed="lit(overlay.id)"
            @click="takeNow({ overlay: overlay.id })"
          >
            <span class="cut">{{ overlay.title }}</span><span v-if="lit(overlay.id)" class="plate on">lit</span>
          </button>
          <button type="button" class="lay" @click="takeNow({ safe: true })">Safe <span class="key">S</span></button>
          <button
            type="button"
            class="lay"
            :class="{ lit: faded }"
            :aria-pressed="faded"
            @click="takeNow({ faded: !faded })"
          >
            Black <span class="key">B</span><span v-if="faded" class="plate on">faded</span>
          </button>
        </div>
        <div
          v-if="stage.looks.length || stage.macros.length"
          class="over looks"
          role="group"
          aria-label="Looks and macros"
        >
          <button
            v-for="one in stage.looks"
            :key="one.id"
            type="button"
            class="look small"
            :class="{ next: isNext({ look: one.id }) }"
            :aria-pressed="isNext({ look: one.id })"
            @click="live.choose({ look: one.id })"
            @dblclick="takeNow({ look: one.id })"
          >
            {{ one.title }}
          </button>
          <button
            v-for="one in stage.macros"
            :key="one.id"
            type="button"
            class="look macro small"
            :title="`Macro, ${one.at}`"
            @click="takeNow({ macro: one.id })"
          >
            {{ one.title }}
          </button>
        </div>
        <div class="told" aria-live="polite">
          <p v-if="live.next && live.planned">
            A take brings <b>{{ nextName }}</b>: {{ live.planned.words }}
            <span class="quiet small"
              >{{ live.planned.presses }} {{ live.planned.presses === 1 ? 'press' : 'presses'
              }}{{ live.planned.kind === 'clean' ? ', 0 wrong frames.' : '.' }} {{ live.planned.hasty ?? '' }}
              {{ live.planned.unseen ?? '' }}</span
            >
          </p>
          <p v-else-if="live.next" class="quiet">{{ nextName }} does not come to the last switcher.</p>
          <p v-else class="quiet">
            Click a picture, or press its figure, to say what is next; the space bar takes it. A number beside a picture
            is pressed at that switcher by hand.
          </p>
          <p v-if="older" class="small">
            The plan has changed since: it runs as it was.
            <button type="button" class="btn small" @click="begin()">Begin again <span class="key">R</span></button>
          </p>
        </div>
        <div class="row">
          <button type="button" class="btn primary" :disabled="!live.next" @click="take()">
            Take <span class="key">Space</span>
          </button>
          <label class="small"
            >as a
            <select v-model.number="live.mix" class="pick small" aria-label="How it is taken">
              <option v-for="n in MIXES" :key="n" :value="n">{{ seconds(n) }}</option>
            </select></label
          >
          <button type="button" class="btn small" @click="asking = true">Keep as a look</button>
          <button type="button" class="btn small" @click="jumping = true">Jumps <span class="key">J</span></button>
          <span v-if="live.drill !== undefined" class="plate on" role="status">recording</span>
        </div>
        <RunStrip
          ref="strip"
          :now="now"
          :sink="sink"
          :view="view"
          :clock="clock"
          :advice="live.advice"
          :register="register"
          @look="lookAt"
        />
      </section>
      <section class="sinks" aria-label="Who sees what">
        <button
          v-for="(one, i) in stage.sinks"
          :key="`${one.device}/${one.port}`"
          type="button"
          class="sink"
          :class="{ on: i === sink }"
          :aria-pressed="i === sink"
          @click="sink = i"
        >
          <LiveCanvas :ref="register(`sink-${i}`)" :width="128" :label="`${one.name}: ${now.words[i]}`" />
          <span class="small cut strong">{{ one.name }}</span>
        </button>
      </section>
    </div>
    <LazyPromptDialog
      v-if="asking"
      open
      title="Keep what stands now as a look"
      label="Its name"
      value=""
      :schema="titleSchema"
      hint="It can be taken here and stand in the running order."
      @done="keep"
      @close="asking = false"
    />
  </PlanFrame>
</template>

<style scoped>
.stage {
  position: relative;
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 470px minmax(320px, 1fr) 152px;
}
.plate {
  display: inline-block;
  border: 1px solid var(--plate);
  border-radius: 3px;
  padding: 0 6px;
  font-size: 13px;
  font-weight: 650;
}
.plate.on {
  background: var(--plate);
  color: var(--ground);
}
.left {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.views {
  padding-left: 8px;
  border-bottom: 1px solid var(--line);
}
.centre {
  padding: 8px 12px;
  overflow: auto;
  min-width: 0;
}
.large {
  position: relative;
  border: 2px solid var(--plate);
  border-radius: 5px;
  width: fit-content;
}
.large.past {
  border-style: dashed;
}
.sees {
  margin: 0 0 4px;
}
.over {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 8px;
}
.lay {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  border: 1px solid var(--border);
  border-radius: 4px;
  padding: 4px 10px;
  min-height: 36px;
  max-width: 240px;
}
.lay.lit {
  border-color: var(--plate);
}
.look {
  border-bottom: 2px solid var(--line);
  padding: 2px 4px;
  min-height: 28px;
}
.macro {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 2px 8px;
}
.look.next {
  border-bottom-color: var(--chosen);
  color: var(--chosen);
}
.told {
  min-height: 46px;
  margin-top: 8px;
}
.told p {
  margin: 0 0 2px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.from-words {
  margin-right: 6px;
}
.from {
  max-width: 190px;
}
.sinks {
  overflow: auto;
  padding: 6px 12px 12px 4px;
}
.sink {
  display: block;
  padding: 2px;
  border: 1px solid transparent;
  border-radius: 5px;
  margin-bottom: 6px;
  max-width: 134px;
}
.sink.on {
  border-color: var(--plate);
}
.sink .cut {
  display: block;
}
@media (max-width: 1100px) {
  .from-words,
  .said {
    display: none;
  }
  .centre,
  .left {
    overflow: visible;
  }
  .stage {
    grid-template-rows: auto auto;
    grid-template-columns: minmax(0, 1fr) 152px;
    overflow: auto;
  }
  .left {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
@media (pointer: coarse) {
  .lay,
  .look {
    min-height: 44px;
  }
}
</style>
