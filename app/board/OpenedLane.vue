<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import type { Lane } from '#core/features/board'
import type { ShownFinding } from '#core/features/board'
import { SEVERITY_WORDS, isAcceptable } from '#core/kernel'
import type { Choice, Remedy } from '#core/propose'
import { dataRateText, figure, lengthText, msText } from '#core/words'

import type { LanePart } from '~/board/parts'
import { useBoardStore } from '~/board/selection'
import { useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'

const props = defineProps<{ lane: Lane; parts: readonly LanePart[]; part: LanePart | undefined }>()
const emit = defineEmits<{ part: [key: string]; close: []; act: [what: string] }>()

const selection = useBoardStore()
const store = usePlanStore()
const units = useUnits()

const findings = computed(() => (store.report?.findings ?? []).filter(({ key }) => props.lane.findings.includes(key)))
const chosenFinding = ref(0)
const finding = computed<ShownFinding | undefined>(() => findings.value[chosenFinding.value] ?? findings.value[0])
/** Where a symptom would be seen: at whatever the lane ends in. */
const spot = computed(() =>
  props.lane.to?.device && !props.lane.beside ? { device: props.lane.to.device, port: props.lane.to.port } : undefined,
)
/** The cable whose reach the chart shows: the chosen one, else the first of the lane. */
const measured = computed(() =>
  props.part?.hop?.is === 'cable' ? props.part.hop : props.lane.hops.find(hop => hop.is === 'cable'),
)
const mode = computed(() =>
  selection.mode === 'why' && spot.value
    ? 'why'
    : selection.mode === 'margin' && measured.value && !props.lane.beside
      ? 'margin'
      : selection.mode === 'mend' && finding.value
        ? 'mend'
        : 'change',
)

const pinned = computed(() => props.part?.hop?.is === 'cable' && props.part.hop.pinned)
const acceptable = computed(
  () => finding.value !== undefined && finding.value.accepted === undefined && isAcceptable(finding.value),
)

const offers = shallowRef<readonly (Remedy | Choice)[]>()
/** What is shown answers an older question; the new answer is on its way. */
const asking = ref(false)
const at = ref(0)
/** Chosen while the answer was on its way: made only if it is still offered. */
let wanted: string | undefined
let turn = 0
const list = ref<HTMLElement>()

watch(
  [() => store.report?.version, finding, mode, () => props.part?.key],
  async (_, before) => {
    const version = store.report?.version
    // Another part of the same lane has the same remedies.
    const samePlan = before[0] === version && before[1]?.key === finding.value?.key && before[2] === mode.value
    if (mode.value === 'why' || mode.value === 'margin' || (mode.value === 'mend' && samePlan)) return
    // After an edit the same list stays in sight until the new one is there.
    const same =
      before[1]?.key === finding.value?.key &&
      before[2] === mode.value &&
      (mode.value === 'mend' || before[3] === props.part?.key)
    if (!same) offers.value = undefined
    const mine = ++turn
    wanted = undefined
    at.value = 0
    asking.value = true
    const part = props.part?.part
    const asked =
      mode.value === 'mend' && finding.value
        ? await store.ask('remedies', finding.value!.key)
        : part
          ? await store.ask('choices', part)
          : []
    if (version !== store.report?.version || mine !== turn) return
    // Changed while it was asked: the next check asks anew.
    if (asked === undefined) return
    offers.value = asked
    asking.value = false
    const again = wanted === undefined ? -1 : offers.value.findIndex(({ title }) => title === wanted)
    if (again >= 0) void apply(again)
    else if (
      document.activeElement === document.body ||
      document.activeElement?.closest('.panel') ||
      selection.mode === 'mend'
    )
      void nextTick(() => list.value?.focus({ preventScroll: true }))
  },
  { immediate: true },
)

const fitting = computed(() => (offers.value ?? []).filter(offer => !('fits' in offer) || offer.fits).length)

async function apply(index: number): Promise<void> {
  const offer = offers.value?.[index]
  if (!offer) return
  if (asking.value) {
    wanted = offer.title
    return
  }
  const mended = props.lane.id
  if (await store.commit(offer.title, offer.edits)) {
    chosenFinding.value = 0
    const still = store.report?.board.lanes.find(({ id }) => id === mended)
    if (!still || still.findings.length === 0) emit('close')
    else selection.unfold('mend')
  }
}

function keys(event: KeyboardEvent): void {
  const count = offers.value?.length ?? 0
  if (event.key === 'ArrowDown') at.value = Math.min(count - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter' || event.key === ' ') void apply(at.value)
  else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') stepPart(event.key === 'ArrowRight' ? 1 : -1)
  else return
  event.preventDefault()
  event.stopPropagation()
  void nextTick(() => document.getElementById(`offer-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}

function stepPart(by: number): void {
  const i = props.parts.findIndex(({ key }) => key === props.part?.key)
  const next = props.parts[Math.min(props.parts.length - 1, Math.max(0, i + by))]
  if (next) emit('part', next.key)
}

interface Column {
  readonly key: string
  readonly head: string
  readonly main: string
  readonly sub: string
  readonly warn?: string
}

const columns = computed<Column[]>(() =>
  props.parts.map(({ key, kind, hop }): Column => {
    const { lane } = props
    if (kind === 'origin')
      return {
        key,
        head: lane.from?.role === 'switcher' ? 'Output' : 'Source',
        main: lane.from?.socket ?? '',
        sub: lane.feed ?? lane.from?.format ?? '',
      }
    if (kind === 'end')
      return {
        key,
        head: lane.to?.role === 'switcher' ? 'Input' : 'Sink',
        main: lane.to?.socket ?? '',
        sub: lane.to?.role === 'switcher' ? `${lane.to.name} ${lane.to.format ?? ''}` : (lane.feed ?? ''),
      }
    if (hop?.is === 'device')
      return {
        key,
        head: hop.short,
        main: hop.sets ?? (hop.addsMs === undefined ? 'dark' : `+ ${msText(hop.addsMs)}`),
        sub:
          hop.sets && hop.addsMs !== undefined
            ? `+ ${msText(hop.addsMs)}, ${figure(hop.watts)}\u00A0W`
            : `${figure(hop.watts)}\u00A0W`,
      }
    if (hop?.is !== 'cable') return { key, head: '', main: '', sub: '' }
    const long =
      hop.lengthM === undefined
        ? 'not measured'
        : `${lengthText(hop.lengthM, units.value)}${hop.pieces && hop.pieces.length > 1 ? ` (${hop.pieces.join(' + ')})` : ''}`
    const reach =
      hop.reachM === undefined
        ? hop.light
          ? ''
          : 'no picture'
        : `reach ${lengthText(hop.reachM < 20 ? hop.reachM : Math.floor(hop.reachM), units.value)}`
    const rate =
      hop.lossDb !== undefined
        ? `${figure(hop.lossDb)} of ${figure(hop.budgetDb ?? 0, 0)}\u00A0dB`
        : hop.bitsPerS === undefined
          ? ''
          : dataRateText(hop.bitsPerS)
    return {
      key,
      head: `${props.parts.length > 4 ? hop.short : hop.title}${hop.adapters.length ? ' + adapter' : ''}`,
      main: long,
      sub: reach,
      ...(rate ? { warn: rate } : {}),
    }
  }),
)

const delay = computed(() => {
  const last = props.lane.hops.findLast(hop => hop.is === 'cable')
  if (last?.is !== 'cable' || !last.delay) return undefined
  const { min, typ, max } = last.delay
  return { typ: msText(typ), span: max - min < 0.5 ? '' : `, ${figure(min, min < 10 ? 1 : 0)} to ${msText(max)}` }
})

const travels = computed(() => measured.value?.as)
const currency = computed(() => store.plan?.brief.currency ?? CATALOGUE_CURRENCY)
function money(minor: number): string {
  if (minor === 0) return ''
  return `${minor > 0 ? '+' : '\u2212'}\u00A0${figure(Math.abs(minor) / 100, minor % 100 === 0 ? 0 : 2)} ${currency.value}`
}

function extras({ effect }: Remedy | Choice): string {
  const { price = 0, delay = 0, watts = 0 } = effect.change
  const sign = (value: number) => (value > 0 ? '+' : '\u2212')
  const parts = [money(price)]
  if (Math.abs(delay) >= 0.5) parts.push(`${sign(delay)}\u00A0${msText(Math.abs(delay))}`)
  if (watts) parts.push(`${sign(watts)}\u00A0${figure(Math.abs(watts))}\u00A0W`)
  return parts.filter(Boolean).join(', ') || 'no cost'
}
</script>

<template>
  <section class="opened" :aria-label="`Opened: ${lane.words}`" @keydown.esc.stop="emit('close')">
    <div class="left">
      <div class="ruler">
        <button
          v-for="column in columns"
          :key="column.key"
          type="button"
          class="column"
          :class="{ chosen: column.key === part?.key }"
          :aria-pressed="column.key === part?.key"
          @click="
            () => {
              emit('part', column.key)
              selection.mode = 'change'
            }
          "
        >
          <span class="small quiet cut">{{ column.head }}</span>
          <span class="figures main cut">{{ column.main }}</span>
          <span class="small quiet cut">{{ column.sub }}</span>
          <span v-if="column.warn" class="small quiet cut">{{ column.warn }}</span>
        </button>
      </div>
      <div class="sentences">
        <p v-for="(found, i) in findings" :key="found.key" :class="{ dim: findings.length > 1 && found !== finding }">
          <button
            v-if="findings.length > 1"
            type="button"
            class="severity strong"
            @click="
              () => {
                chosenFinding = i
                selection.mode = 'mend'
              }
            "
          >
            {{ SEVERITY_WORDS[found.severity] }} {{ i + 1 }} of {{ findings.length }}
          </button>
          <FindingWords :finding="found" />
          <span v-if="found.accepted !== undefined" class="quiet"
            >Accepted: {{ found.accepted }}
            <button type="button" class="severity" @click="emit('act', 'unaccept')">Count it again</button></span
          >
        </p>
        <p v-if="findings.length === 0">
          {{
            lane.lit
              ? 'The picture arrives.'
              : lane.hops.length
                ? 'Dark: nothing reaches it. The cause is on another lane.'
                : 'Nothing is connected.'
          }}
          <span v-if="delay" class="quiet"
            >{{ delay.typ }} behind {{ lane.from?.role === 'switcher' ? 'the switcher\u2019s inputs' : 'the event' }},
            typically{{ delay.span }}.</span
          >
        </p>
        <p v-if="travels" class="small quiet">It travels as {{ travels }}.</p>
      </div>
      <div class="hands small">
        <button v-if="part?.kind === 'cable'" class="btn plain" type="button" @click="emit('act', 'measure')">
          Measure <span class="key">M</span>
        </button>
        <button class="btn plain" type="button" @click="emit('act', 'rename')">
          Rename <span class="key">R</span>
        </button>
        <button
          v-if="part?.kind === 'end' && lane.to?.role === 'switcher'"
          class="btn plain"
          type="button"
          @click="emit('act', 'label')"
        >
          Label <span class="key">L</span>
        </button>
        <button
          v-if="part?.kind === 'cable'"
          class="btn plain"
          type="button"
          :aria-pressed="pinned"
          @click="emit('act', 'pin')"
        >
          {{ pinned ? 'Unpin' : 'Pin' }} <span class="key">P</span>
        </button>
        <button v-if="acceptable" class="btn plain" type="button" @click="emit('act', 'accept')">
          Accept <span class="key">X</span>
        </button>
        <button
          v-if="lane.from?.role === 'source' && lane.to?.role === 'switcher'"
          class="btn plain"
          type="button"
          @click="emit('act', 'copy')"
        >
          Lay for more <span class="key">Y</span>
        </button>
        <button class="btn plain" type="button" @click="emit('act', 'remove')">
          {{ part?.kind === 'cable' ? 'Take the cable out' : 'Remove' }} <span class="key">Del</span>
        </button>
      </div>
    </div>
    <div class="right">
      <div class="tabs small">
        <button
          v-if="finding"
          type="button"
          :class="{ on: mode === 'mend' }"
          :aria-pressed="mode === 'mend'"
          @click="selection.mode = 'mend'"
        >
          Mend
        </button>
        <button
          type="button"
          :class="{ on: mode === 'change' }"
          :aria-pressed="mode === 'change'"
          @click="selection.mode = 'change'"
        >
          {{
            mode === 'change' && part
              ? `Instead of this ${part.kind === 'origin' ? 'setting' : part.kind === 'end' ? 'place' : part.kind}`
              : 'Change'
          }}
          <span class="key">C</span>
        </button>
        <button
          v-if="spot"
          type="button"
          :class="{ on: mode === 'why' }"
          :aria-pressed="mode === 'why'"
          @click="selection.mode = 'why'"
        >
          Why? <span class="key">W</span>
        </button>
        <button
          v-if="measured && !lane.beside"
          type="button"
          :class="{ on: mode === 'margin' }"
          :aria-pressed="mode === 'margin'"
          @click="selection.mode = 'margin'"
        >
          Reach <span class="key">G</span>
        </button>
        <span v-if="store.report && (mode === 'mend' || mode === 'change')" class="quiet then cut"
          >now {{ store.report.verdict.arrive }} of {{ store.report.verdict.wanted }}, then</span
        >
        <button type="button" class="btn plain close" aria-label="Close" @click="emit('close')">Esc</button>
      </div>
      <WhyList v-if="mode === 'why' && spot" :spot="spot" />
      <LazyMarginChart v-else-if="mode === 'margin' && measured?.is === 'cable'" :key="measured.link" :hop="measured" />
      <ul
        v-else
        ref="list"
        class="offers"
        role="listbox"
        tabindex="0"
        :aria-label="mode === 'mend' ? 'Remedies' : 'Choices'"
        :aria-busy="asking"
        :aria-activedescendant="offers?.length ? `offer-${at}` : undefined"
        @keydown="keys"
      >
        <li v-if="!offers" class="quiet" role="presentation">Trying what fits …</li>
        <li v-else-if="offers.length === 0" class="quiet" role="option" aria-selected="false">
          {{
            mode === 'mend'
              ? 'No single change from the catalogue mends this. Change a hop instead.'
              : 'Nothing else fits here.'
          }}
        </li>
        <template v-for="(offer, i) in offers" :key="offer.title">
          <li
            v-if="mode === 'change' && i === fitting && fitting < (offers?.length ?? 0)"
            class="divide small quiet"
            role="presentation"
          >
            does not fit
          </li>
          <li
            :id="`offer-${i}`"
            role="option"
            :aria-selected="i === at"
            :class="{ at: i === at, unfit: 'fits' in offer && !offer.fits }"
            @click="
              () => {
                at = i
                apply(i)
              }
            "
            @mousemove="at = i"
          >
            <span class="title"
              >{{ offer.title
              }}<span v-if="'reason' in offer && offer.reason" class="small quiet why">{{ offer.reason }}</span></span
            >
            <span class="figures arrive" :class="{ better: offer.effect.after.arrive > offer.effect.before.arrive }"
              >{{ offer.effect.after.arrive }} of {{ offer.effect.after.wanted }}</span
            >
            <span class="figures quiet cost">{{ extras(offer) }}</span>
          </li>
        </template>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.opened {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(0, 56fr) minmax(0, 44fr);
  grid-template-rows: minmax(0, 1fr);
  background: var(--surface);
  border: 1px solid var(--border);
  border-radius: 4px;
  overflow: hidden;
}
.left {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  padding: 8px 12px 6px;
}
.ruler {
  display: flex;
  gap: 4px;
  min-width: 0;
  overflow: hidden;
}
.column {
  flex: 1 1 0;
  min-width: 0;
  display: flex;
  flex-direction: column;
  padding: 4px 6px;
  border-radius: 4px;
  border: 1px solid transparent;
  line-height: 1.3;
}
.column:hover {
  border-color: var(--line);
}
.column.chosen {
  border-color: var(--chosen);
}
.column .main {
  font-size: 15px;
  color: var(--text);
}
.sentences {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  padding: 4px 8px;
  max-width: 78ch;
}
.sentences p {
  margin: 0 0 4px;
}
.dim {
  color: var(--quiet);
}
.severity {
  margin-right: 6px;
  color: var(--chosen);
}
.hands {
  display: flex;
  gap: 0 2px;
  margin-left: -6px;
  flex-wrap: wrap;
}
.hands .btn {
  min-height: 28px;
}
.right {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  border-left: 1px solid var(--line);
}
.tabs {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 0 8px 0 16px;
  height: 34px;
  flex: none;
  border-bottom: 1px solid var(--line);
}
.tabs > button {
  height: 34px;
  color: var(--quiet);
  border-bottom: 2px solid transparent;
  white-space: nowrap;
}
.tabs > button.on {
  color: var(--text);
  border-bottom-color: var(--chosen);
}
.then {
  margin-left: auto;
}
@media (max-width: 1000px) {
  .tabs {
    gap: 10px;
    padding-left: 10px;
  }
}
.close {
  margin-left: auto;
  font-family: var(--figures);
  min-height: 28px;
  height: 28px !important;
}
.offers:focus-visible {
  outline: none;
}
.offers {
  list-style: none;
  margin: 0;
  padding: 4px;
  overflow-y: auto;
  flex: 1;
  min-height: 0;
}
.offers li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 76px 152px;
  gap: 8px;
  padding: 5px 10px;
  border: 1px solid transparent;
  border-radius: 4px;
  cursor: pointer;
  align-items: baseline;
  line-height: 1.25;
}
.offers li.quiet,
.offers li.divide {
  display: block;
  cursor: default;
}
.divide {
  border-top: 1px solid var(--line) !important;
  margin-top: 4px;
}
.offers li.at {
  border-color: var(--chosen);
  background: var(--raised);
}
.unfit .title {
  color: var(--quiet);
}
.why {
  display: block;
}
.arrive {
  text-align: right;
  white-space: nowrap;
}
.arrive.better {
  color: var(--light);
  font-weight: 650;
}
.cost {
  text-align: right;
  white-space: nowrap;
}
@media (max-width: 1000px) {
  .opened {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto minmax(0, 1fr) auto;
  }
  .left {
    display: contents;
  }
  .ruler {
    grid-column: 1 / 3;
    padding: 6px 10px;
    border-bottom: 1px solid var(--line);
  }
  .sentences {
    grid-area: 2 / 1;
    padding: 8px 16px;
  }
  .hands {
    grid-area: 3 / 1;
    padding: 4px 10px;
    flex-wrap: wrap;
  }
  .right {
    grid-area: 2 / 2 / 4 / 3;
  }
  .offers li {
    grid-template-columns: minmax(0, 1fr) 76px;
  }
  .cost {
    grid-column: 1 / 3;
    text-align: left;
  }
}
</style>
