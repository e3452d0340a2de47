<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { string } from 'yup'
import { freshId } from '#core/document'
import type { Shown, Target } from '#core/features/rehearsal'
import { TICKS_PER_S } from '#core/run'
import { useBoardStore } from '~/board/selection'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import type { Wanted } from '~/workers/protocol'
import JumpsPanel from './JumpsPanel.vue'
import LiveCanvas from './LiveCanvas.vue'
import { rehearsing } from './running'
import { useRehearsal } from './store'
import { isTyped } from '~/ui/keys'

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
/** Where the next source would come in, and what must be told first. */
const nextName = computed(() => {
  const { next } = live
  if (!next || !stage.value) return ''
  if ('source' in next) return stage.value.sources.find(({ device }) => device === next.source)?.name ?? ''
  if ('overlay' in next) return stage.value.overlays.find(({ id }) => id === next.overlay)?.title ?? ''
  if ('look' in next) return stage.value.looks.find(({ id }) => id === next.look)?.title ?? ''
  return 'safe' in next ? 'the safe picture' : 'black'
})
const lit = (overlay: string): boolean =>
  Object.values(now.value?.switchers ?? {}).some(({ keys }) => Object.values(keys).includes(overlay))
const faded = computed(() =>
  stage.value?.switchers.some(({ device, last }) => last && now.value?.switchers[device]?.faded),
)

/** The inputs by which a source comes to the last switcher: "Side 2", "Main 7". */
const ways = computed(() => {
  const found = new Map<string, { device: string; port: string; words: string; name: string }[]>()
  for (const { device } of stage.value?.sources ?? []) {
    const chips: { device: string; port: string; words: string; name: string }[] = []
    let from = device
    for (let hop = 0; hop < 5; hop++) {
      const at = stage.value!.switchers.flatMap(one =>
        one.inputs.filter(input => input.from === from).map(input => ({ one, input })),
      )
      // Straight to the last one where it is.
      const way = at.find(({ one }) => one.last) ?? at[0]
      if (!way || chips.some(chip => chip.device === way.one.device)) break
      chips.push({ device: way.one.device, port: way.input.port, words: way.input.number, name: way.one.name })
      if (way.one.last) break
      from = way.one.device
    }
    found.set(device, chips)
  }
  return found
})
const onProgram = (device: string, port: string): boolean => now.value?.switchers[device]?.program === port
/** Its light gets to the last switcher: each input on the way is on program. */
const runs = (source: string): boolean => {
  const chips = ways.value.get(source) ?? []
  return chips.length > 0 && chips.every(({ device, port }) => onProgram(device, port))
}

// Time, as it is shown.
const shownTick = computed(() => view.value ?? now.value?.tick ?? 0)
const rate = computed(() => TICKS_PER_S / (stage.value?.frame ?? 4800))
function clock(tick: number): string {
  const whole = Math.floor(tick / (stage.value?.frame ?? 4800))
  const perSecond = Math.round(rate.value)
  const seconds = Math.floor(whole / perSecond)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}:${two(whole % perSecond)}`
}
const STRIP_S = 20
const strip = ref<HTMLElement>()
const { width: stripWidth } = useElementSize(strip)
const stretches = computed<(Shown & { readonly x: number; readonly w: number })[]>(() => {
  const list = now.value?.history[sink.value] ?? []
  const end = now.value?.tick ?? 0
  const start = end - STRIP_S * TICKS_PER_S
  const scale = stripWidth.value / (STRIP_S * TICKS_PER_S)
  return list.flatMap((one, i) => {
    const until = list[i + 1]?.tick ?? end
    if (until < start) return []
    const from = Math.max(one.tick, start)
    // A wrong frame is drawn as wide as can be seen.
    const w = Math.max((until - from) * scale, one.wrong ? 8 : 1)
    return [{ ...one, x: (from - start) * scale, w }]
  })
})
const lastWrong = computed(() => (now.value?.history[sink.value] ?? []).findLast(({ wrong }) => wrong))
function lookBack(event: MouseEvent): void {
  const box = strip.value?.getBoundingClientRect()
  if (!box || !now.value) return
  live.stop()
  const share = (event.clientX - box.left) / box.width
  view.value = Math.max(0, Math.round(now.value.tick - (1 - share) * STRIP_S * TICKS_PER_S))
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
type Canvas = InstanceType<typeof LiveCanvas>
const canvases = new Map<string, Canvas>()
const drawnAs = new Map<string, string>()
const setCanvas = (key: string) => (canvas: unknown) => {
  if (canvas) canvases.set(key, canvas as Canvas)
  else {
    canvases.delete(key)
    drawnAs.delete(key)
  }
}
const big = ref<HTMLElement>()
const { width: bigRoom } = useElementSize(big)
const bigWidth = computed(() => Math.max(320, Math.min(600, Math.floor(bigRoom.value) || 600)))
const frames = shallowRef(0)
let drawing = false
let handle = 0
let counted = 0
let since = 0

async function paint(): Promise<void> {
  handle = requestAnimationFrame(() => void paint())
  const to = stage.value
  const what = now.value
  if (!to || !what || drawing) return
  const number = Math.floor(shownTick.value / to.frame)
  const wanted: { key: string; as: string; width: number; wanted: Wanted }[] = []
  const want = (key: string, as: string, width: number, more: Omit<Wanted, 'width'>) => {
    if (canvases.has(key) && drawnAs.get(key) !== as) wanted.push({ key, as, width, wanted: { ...more, width } })
  }
  const at = view.value === undefined ? {} : { at: view.value }
  const trees = what.pictures.map(picture => JSON.stringify(picture))
  want(
    'big',
    `${sink.value}/${view.value === undefined ? trees[sink.value] : 'past'}/${number}/${bigWidth.value}`,
    bigWidth.value,
    {
      sink: sink.value,
      ...at,
    },
  )
  to.sinks.forEach((_, i) => want(`sink-${i}`, `${trees[i]}/${Math.floor(number / 12)}`, 128, { sink: i, still: 12 }))
  for (const { device } of to.sources)
    want(`source-${device}`, String(Math.floor(number / 25)), 112, { source: device, still: 25 })
  for (const one of stretches.value) want(`strip-${one.tick}`, String(one.tick), 72, { sink: sink.value, at: one.tick })
  if (wanted.length === 0) return
  drawing = true
  try {
    // The large one first; of the small ones as many as fit in a frame.
    const turn = wanted.slice(0, 6)
    const bytes = await live.draw(
      turn.map(one => one.wanted),
      shownTick.value,
    )
    bytes?.forEach((picture, i) => {
      const { key, as, width } = turn[i]!
      canvases.get(key)?.paint(picture, width)
      drawnAs.set(key, as)
    })
    if (turn.some(({ key }) => key === 'big')) counted++
    const time = performance.now()
    if (time - since > 1000) {
      frames.value = Math.round((counted * 1000) / (time - since))
      counted = 0
      since = time
    }
  } finally {
    drawing = false
  }
}
onMounted(() => {
  since = performance.now()
  handle = requestAnimationFrame(() => void paint())
})
onBeforeUnmount(() => cancelAnimationFrame(handle))

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
const jumping = ref(false)
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
  if (isTyped(event)) return
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
        >drawn {{ frames }}/s</span
      >
      <label class="small"
        >From
        <select
          class="pick small from"
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
      <section class="sources" aria-label="Sources">
        <div
          v-for="source in stage.sources"
          :key="source.device"
          class="source"
          :class="{ air: now.sources[source.device]?.onAir }"
        >
          <button
            type="button"
            class="picture"
            :class="{ next: isNext({ source: source.device }), air: now.sources[source.device]?.onAir }"
            :aria-pressed="isNext({ source: source.device })"
            :aria-label="`${source.name}${now.sources[source.device]?.onAir ? ', on air' : ''}`"
            @click="choose(source.device)"
            @dblclick="take()"
          >
            <LiveCanvas :ref="setCanvas(`source-${source.device}`)" :width="112" :label="source.name" />
          </button>
          <span class="who">
            <span class="cut" :class="{ strong: now.sources[source.device]?.onAir }"
              ><span class="figures quiet">{{ source.call }}</span> {{ source.name }}</span
            >
            <span v-if="now.sources[source.device]?.onAir" class="plate on">{{
              now.sources[source.device]?.over ? 'over the picture' : 'on air'
            }}</span>
            <span v-else-if="isNext({ source: source.device })" class="plate">next</span>
          </span>
          <span class="way" :class="{ lit: runs(source.device) }">
            <template v-for="(chip, c) in ways.get(source.device) ?? []" :key="chip.device">
              <span
                class="light"
                :class="{ lit: c === 0 ? onProgram(chip.device, chip.port) : runs(source.device) }"
                aria-hidden="true"
              />
              <button
                type="button"
                class="chip figures"
                :class="{ lit: onProgram(chip.device, chip.port) }"
                :title="`Press ${chip.words} on ${chip.name}, by hand`"
                @click="press(chip.device, chip.port)"
              >
                <span class="small">{{ chip.name }}</span> {{ chip.words }}
              </button>
            </template>
          </span>
        </div>
      </section>
      <section ref="big" class="centre" :aria-label="stage.sinks[sink]?.name">
        <div class="large" :class="{ past: view !== undefined }">
          <LiveCanvas
            :ref="setCanvas('big')"
            :width="bigWidth"
            :label="`${stage.sinks[sink]?.name} sees ${now.words[sink]}`"
          />
          <span class="plate on sees">{{
            view === undefined
              ? `${stage.sinks[sink]?.name} sees this`
              : `${stage.sinks[sink]?.name} saw this at ${clock(view)}`
          }}</span>
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
        <div v-if="stage.looks.length" class="over looks" aria-label="Looks">
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
        </div>
        <div class="told" aria-live="polite">
          <p v-if="live.next && live.planned">
            A take brings <b>{{ nextName }}</b>: {{ live.planned.words }}
            <span class="quiet small"
              >{{ live.planned.presses }} {{ live.planned.presses === 1 ? 'press' : 'presses'
              }}{{ live.planned.kind === 'clean' ? ', 0 wrong frames.' : '.' }} {{ live.planned.hasty ?? '' }}</span
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
          <span v-if="lastWrong" class="wrong small"
            >wrong picture: {{ lastWrong.words }}, {{ lastWrong.wrong }}
            {{ lastWrong.wrong === 1 ? 'frame' : 'frames' }}</span
          >
        </div>
        <div
          ref="strip"
          class="strip"
          role="slider"
          tabindex="0"
          aria-label="The last 20 s"
          :aria-valuenow="Math.round(shownTick / TICKS_PER_S)"
          @click="lookBack"
        >
          <div
            v-for="one in stretches"
            :key="one.tick"
            class="stretch"
            :class="{ wrong: one.wrong }"
            :style="{ left: `${one.x}px`, width: `${one.w}px` }"
            :title="`${clock(one.tick)} ${one.words}${one.wrong ? `, wrong for ${one.wrong} frames` : ''}`"
          >
            <LiveCanvas :ref="setCanvas(`strip-${one.tick}`)" :width="72" :label="one.words" />
          </div>
          <span
            v-if="view !== undefined"
            class="needle"
            :style="{ left: `${stripWidth - ((now.tick - view) / (STRIP_S * TICKS_PER_S)) * stripWidth}px` }"
          />
        </div>
        <ol class="log small">
          <li v-for="(line, i) in now.log.slice(-3).toReversed()" :key="i">
            <span class="figures quiet">{{ clock(line.tick) }}</span> {{ line.words
            }}<span v-if="line.refused" class="wrong">, refused: {{ line.refused }}</span>
          </li>
        </ol>
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
          <LiveCanvas :ref="setCanvas(`sink-${i}`)" :width="128" :label="`${one.name}: ${now.words[i]}`" />
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
.sources {
  overflow: auto;
  padding: 6px 0 12px 12px;
}
.source {
  display: grid;
  grid-template-columns: 120px 150px minmax(0, 1fr);
  align-items: center;
  min-height: 70px;
}
.picture {
  border: 2px solid transparent;
  border-radius: 5px;
  padding: 1px;
  width: 118px;
  opacity: 0.72;
}
.picture.air {
  border-color: var(--plate);
  opacity: 1;
}
.picture.next {
  border-color: var(--chosen);
  opacity: 1;
}
.who {
  padding: 0 8px;
  min-width: 0;
}
.who .cut {
  display: block;
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
.way {
  display: flex;
  align-items: center;
}
.light {
  flex: 1;
  min-width: 14px;
  height: 3px;
  background: var(--line);
}
.light.lit {
  height: 10px;
  background: var(--band);
}
:root[data-theme='day'] .light.lit {
  border-block: 1px solid var(--edge);
}
.chip {
  border: 1px solid var(--border);
  border-radius: 4px;
  padding: 0 6px;
  min-height: 34px;
  white-space: nowrap;
  background: var(--surface);
  font-weight: 650;
  font-size: 15px;
}
.chip .small {
  font-weight: 400;
  color: var(--quiet);
}
.chip.lit {
  border-color: var(--light);
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
  position: absolute;
  left: 8px;
  top: 12px;
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
.wrong {
  color: var(--text);
  font-weight: 650;
}
.from {
  max-width: 190px;
}
.strip {
  position: relative;
  height: 48px;
  margin-top: 10px;
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
  .stage {
    grid-template-columns: minmax(0, 1fr) 152px;
    overflow: auto;
  }
  .sources {
    padding-right: 12px;
    grid-row: 2;
    grid-column: 1 / -1;
    overflow: visible;
  }
}
@media (pointer: coarse) {
  .chip,
  .lay,
  .look {
    min-height: 44px;
  }
}
</style>
