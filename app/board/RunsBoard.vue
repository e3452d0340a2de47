<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import type { Board, CableHop, Lane } from '#core/features/board'
import { SEVERITY_WORDS } from '#core/kernel'
import { figure, lengthText } from '#core/words'

import { layOut, type PlacedLane, type PlacedSpine } from '~/board/layout'
import { partsOf, type LanePart } from '~/board/parts'
import { useBoardStore } from '~/board/selection'
import { useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'
import { smallWidth } from '~/ui/text-width'

const props = defineProps<{ board: Board }>()
const emit = defineEmits<{
  act: [what: string]
  free: [device: string, port: string]
  switcher: [device: string]
  unfold: [switcher: string]
  drop: [link: string, device: string, port: string]
}>()

const selection = useBoardStore()
const store = usePlanStore()
const units = useUnits()
const frame = ref<HTMLElement>()
// Begins with the window's width, so that the first paint is the right one.
const { width } = useElementSize(frame, { width: window.innerWidth, height: 0 })
/** Which part of an overlay a source sends by an output of its own. */
const partWords = ({ from }: Lane): string => (from?.port === 'fill' || from?.port === 'key' ? `, ${from.port}` : '')
const layout = computed(() =>
  layOut(
    props.board,
    Math.max(640, Math.floor(width.value)),
    selection.open ? selection.lane : undefined,
    selection.mode === 'margin',
  ),
)
const rows = computed(() => layout.value.lanes.map(placed => ({ placed, parts: partsOf(placed) })))

/** The first picture is of what is in sight; what lies further down is drawn right after it. */
const whole = ref(selection.lane !== undefined)
const sight = computed(() => (whole.value ? Infinity : window.innerHeight))
const seenRows = computed(() => rows.value.filter(({ placed }) => placed.top < sight.value))
const seenLayout = computed(() => ({
  ...layout.value,
  lanes: layout.value.lanes.filter(({ top }) => top < sight.value),
}))

const fresh = ref<ReadonlySet<string>>(new Set())
watch(
  () => props.board,
  (now, before) => {
    const dark = new Set(before?.lanes.filter(({ lit }) => !lit).map(({ id }) => id))
    fresh.value = new Set(now.lanes.filter(({ id, lit }) => lit && dark.has(id)).map(({ id }) => id))
    if (selection.lane && !now.lanes.some(({ id }) => id === selection.lane)) {
      selection.open = false
      const [first] = layout.value.lanes
      if (first) selection.choose(first.lane.id, 'origin')
      else selection.lane = undefined
    }
  },
)

const current = computed(() => rows.value.find(({ placed }) => placed.lane.id === selection.lane))
const currentPart = computed(
  () => current.value?.parts.find(({ key }) => key === selection.part) ?? current.value?.parts[0],
)

function isChosen(placed: PlacedLane, part: LanePart): boolean {
  return placed.lane.id === selection.lane && part.key === currentPart.value?.key
}

function focusPart(): void {
  void nextTick(() => {
    const element = document.getElementById(partId(selection.lane ?? '', currentPart.value?.key ?? ''))
    element?.focus({ preventScroll: true })
    element?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  })
}

const partId = (lane: string, part: string): string => `part-${lane}-${part}`.replaceAll(':', '_')

function choose(lane: string, part: string): void {
  selection.choose(lane, part)
  focusPart()
}

function press(placed: PlacedLane, part: LanePart): void {
  const again = isChosen(placed, part) && selection.open
  choose(placed.lane.id, part.key)
  if (again) selection.open = false
  else selection.unfold(placed.lane.findings.length ? 'mend' : 'change')
}

function step(rowsDown: number, partsRight: number): void {
  const i = rows.value.findIndex(({ placed }) => placed.lane.id === selection.lane)
  if (i < 0) {
    const [first] = rows.value
    if (first) choose(first.placed.lane.id, first.parts[0]?.key ?? 'origin')
    return
  }
  if (partsRight) {
    const { parts, placed } = rows.value[i]!
    const at = parts.findIndex(({ key }) => key === currentPart.value?.key)
    const next = parts[Math.min(parts.length - 1, Math.max(0, at + partsRight))]
    if (next) choose(placed.lane.id, next.key)
    return
  }
  const next = rows.value[Math.min(rows.value.length - 1, Math.max(0, i + rowsDown))]!
  choose(
    next.placed.lane.id,
    next.parts.find(({ key }) => key === selection.part)?.key ?? next.parts[0]?.key ?? 'origin',
  )
}

/** The next lane with a finding after the chosen one; while anything is dark, the next of those. */
function nextDark(): boolean {
  const found = rows.value.filter(({ placed }) => placed.lane.worst !== undefined)
  if (found.length === 0) return false
  const grave = found.filter(({ placed }) => placed.lane.worst === 'H' || placed.lane.worst === 'D')
  const dark = grave.length ? grave : found
  const order = rows.value.map(({ placed }) => placed.lane.id)
  const from = selection.lane ? order.indexOf(selection.lane) : -1
  const next = dark.find(({ placed }) => order.indexOf(placed.lane.id) > from) ?? dark[0]!
  const broken = next.parts.find(({ hop }) => hop?.is === 'cable' && (hop.reason || hop.risky)) ?? next.parts[0]!
  choose(next.placed.lane.id, broken.key)
  selection.unfold('mend')
  return true
}

onMounted(() =>
  requestAnimationFrame(() =>
    // The frame is on the screen by then.
    setTimeout(() => {
      performance.mark('interlumen:board')
      setTimeout(() => (whole.value = true), 50)
    }),
  ),
)

/** The names of what stands at the far end of quiet lanes that are told together. */
const ribbons = computed(() =>
  layout.value.spines.flatMap(({ switcher, inputs, outputs }) => {
    const { columns } = layout.value
    return [
      ...inputs
        .filter(({ folded }) => folded.length)
        .map(({ port, y, folded }) => ({
          key: `${switcher.id}/${port.port}`,
          switcher: switcher.id,
          y,
          names: folded,
          left: columns.pad - 6,
          width: columns.sourceW - 4,
        })),
      ...outputs
        .filter(({ folded }) => folded.length)
        .map(({ port, y, folded }) => ({
          key: `${switcher.id}/${port.port}`,
          switcher: switcher.id,
          y,
          names: folded,
          left: columns.outX + 6,
          width: columns.sinkW,
        })),
    ]
  }),
)

/** The last link of the run that is dragged to another input. */
const dragged = ref<string>()
const over = ref<string>()
function drag(event: DragEvent, lane: string): void {
  dragged.value = lane
  event.dataTransfer?.setData('text/plain', lane)
  if (event.dataTransfer) event.dataTransfer.effectAllowed = 'move'
}
function drop(device: string, port: string): void {
  if (dragged.value) emit('drop', dragged.value, device, port)
  dragged.value = undefined
  over.value = undefined
}

defineExpose({ step, nextDark, focusPart, current, currentPart, rows })

function cableLabel({ title, lengthM }: Pick<CableHop, 'title' | 'lengthM'>): string {
  return lengthM === undefined ? `${title}, not measured` : `${title} ${lengthText(lengthM, units.value)}`
}

/** For whom a free input is kept. */
function reservedFor(device: string, port: string): string | undefined {
  return store.plan?.devices[device]?.ports?.[port]?.reserved
}

/** Where the reason of a lane's dark end is written: it ends with its hop, and reaches back as far as its words need. */
function reasonSpan({ x0, segments }: PlacedLane): readonly [number, number] {
  const dark = segments.find(({ hop }) => hop.is === 'cable' && hop.reason)
  if (dark?.hop.is !== 'cable') return [Infinity, Infinity]
  return [Math.max(x0, dark.x1 - smallWidth(reasonLabel(dark.hop), 650) - 24), dark.x1]
}

/** The longest way to call the cable that fits beside the lane's reason. */
function fittingLabel(hop: CableHop, placed: PlacedLane, part: LanePart): string {
  const [from, to] = reasonSpan(placed)
  const end = from < part.x1 && to > part.x0 ? from : part.x1
  const room = end - part.x0 - 22
  const ways = [
    cableLabel(hop),
    cableLabel({ title: hop.short, lengthM: hop.lengthM }),
    hop.lengthM === undefined ? `? ${units.value.length}` : lengthText(hop.lengthM, units.value),
  ]
  return ways.find(words => smallWidth(words) <= room) ?? ''
}

function reasonLabel({ reason }: CableHop): string {
  if (!reason) return ''
  return reason.tooFarM === undefined
    ? reason.words
    : `${lengthText(Number(reason.tooFarM.toFixed(reason.tooFarM < 10 ? 1 : 0)), units.value)} ${reason.words}`
}

/** Room that an output's number takes on the row of an input, px. */
function besideWidth({ outputs }: PlacedSpine, y: number): number {
  const beside = outputs.find(output => Math.abs(output.y - y) < 12)
  return beside ? 12 + beside.span.length * 8 : 4
}

function keysDown(event: KeyboardEvent): void {
  const moves: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  }
  const move = moves[event.key]
  if (!move || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return
  event.preventDefault()
  step(...move)
}
</script>

<template>
  <div ref="frame" class="board" @keydown="keysDown">
    <div class="heads small quiet" :style="{ width: `${layout.columns.width}px` }">
      <span :style="{ left: `${layout.columns.pad}px` }">Source</span>
      <span :style="{ left: `${layout.columns.inX + 12}px` }">On the way</span>
      <span :style="{ left: `${layout.columns.outX - 76}px`, width: '70px', textAlign: 'right' }">On the way</span>
      <span :style="{ left: `${layout.columns.outX + 12}px` }">Who sees it</span>
    </div>
    <div class="scroll">
      <div
        class="lay"
        :class="{ narrow: layout.columns.narrow }"
        :style="{ width: `${layout.columns.width}px`, height: `${layout.height}px` }"
      >
        <BoardLight :layout="seenLayout" :fresh="fresh" />

        <section
          v-for="spine in layout.spines"
          :key="spine.switcher.id"
          class="spine"
          :class="{ feeder: spine.outputs.length === 0 }"
          :aria-label="`${spine.switcher.name}, ${spine.switcher.standard}`"
          :style="{
            left: `${spine.x}px`,
            top: `${spine.top}px`,
            width: `${spine.width}px`,
            height: `${spine.height}px`,
          }"
        >
          <template v-for="input in spine.inputs" :key="input.port.port">
            <button
              v-if="input.folded.length"
              class="port free folded"
              type="button"
              :style="{ top: `${input.y - spine.top - 16}px`, right: `${besideWidth(spine, input.y)}px` }"
              :aria-label="`${spine.switcher.name} inputs ${input.span}: ${input.folded.length} lit lanes, show them`"
              @click="emit('unfold', spine.switcher.id)"
            >
              <span class="figures">{{ input.span }}</span>
            </button>
            <button
              v-else-if="input.port.lanes.length === 0"
              class="port free"
              type="button"
              :class="{ target: over === `${spine.switcher.id}/${input.port.port}` }"
              :style="{ top: `${input.y - spine.top - 16}px` }"
              :aria-label="`${spine.switcher.name} input ${input.span}, free: connect something`"
              @click="emit('free', spine.switcher.id, input.port.port)"
              @dragover.prevent="over = `${spine.switcher.id}/${input.port.port}`"
              @dragleave="over = undefined"
              @drop.prevent="drop(spine.switcher.id, input.port.port)"
            >
              <span class="number">{{ input.span }}</span><span class="small cut">{{
                reservedFor(spine.switcher.id, input.port.port) ?? 'free'
              }}</span>
            </button>
            <span
              v-else
              class="port"
              :class="{ unlit: !input.port.lit, target: dragged && over === `${spine.switcher.id}/${input.port.port}` }"
              :style="{ top: `${input.y - spine.top - 16}px`, right: `${besideWidth(spine, input.y)}px` }"
            >
              <span class="number">{{ input.span }}</span><span class="small cut">{{ input.port.label }}</span>
            </span>
          </template>
          <span
            v-for="output in spine.outputs"
            :key="output.port.port"
            class="out small"
            :class="{ unlit: output.port.lanes.length === 0 }"
            :style="{ top: `${output.y - spine.top - 11}px` }"
            >{{ output.span }}</span
          >
        </section>
        <button
          v-for="spine in layout.spines"
          :key="`name-${spine.switcher.id}`"
          type="button"
          class="name-plate"
          :class="{ line: layout.rowH < 40 }"
          :style="{
            left: `${spine.x + 1}px`,
            top: `${spine.top + spine.height - (layout.rowH < 40 ? 23 : 37)}px`,
            width: `${spine.width - 2}px`,
          }"
          :title="`${spine.switcher.kind}: change the standard`"
          @click="emit('switcher', spine.switcher.id)"
        >
          <b class="cut">{{ spine.switcher.name }}</b><span class="figures quiet cut">{{
            spine.switcher.standard
          }}</span>
        </button>

        <button
          v-for="ribbon in ribbons"
          :key="ribbon.key"
          type="button"
          class="end-name ribbon"
          :style="{
            left: `${ribbon.left}px`,
            width: `${ribbon.width}px`,
            top: `${ribbon.y - layout.rowH + 18}px`,
            height: `${layout.rowH}px`,
          }"
          :title="ribbon.names.join(', ')"
          @click="emit('unfold', ribbon.switcher)"
        >
          <span class="strong cut">{{ ribbon.names.length }} lit</span
          ><span class="small quiet cut">{{ ribbon.names.join('; ') }}</span>
        </button>
        <PairMarks :layout="seenLayout" />
        <ul class="lanes" aria-label="Runs">
          <li
            v-for="{ placed, parts } in seenRows"
            :key="placed.lane.id"
            :class="{ chosen: placed.lane.id === selection.lane, compact: layout.rowH < 40 }"
          >
            <span class="unseen">{{ placed.lane.words }}{{ placed.lane.pinned ? ', pinned' : '' }}</span>
            <i
              v-if="placed.lane.id === selection.lane"
              class="marker"
              :style="{
                top: `${placed.top + 2}px`,
                height: `${placed.height - 4}px`,
                left: placed.side === 'out' ? `${layout.columns.width - 6}px` : '2px',
              }"
            />
            <template v-for="part in parts" :key="part.key">
              <button
                v-if="part.kind === 'origin' && (placed.side === 'in' || placed.side === 'across')"
                :id="partId(placed.lane.id, part.key)"
                type="button"
                class="end-name"
                :tabindex="isChosen(placed, part) ? 0 : -1"
                :style="{
                  left: `${layout.columns.pad - 6}px`,
                  width: `${layout.columns.sourceW - 4}px`,
                  top: `${placed.top}px`,
                  height: `${placed.height}px`,
                }"
                :aria-label="part.words"
                :aria-expanded="selection.open && isChosen(placed, part)"
                @click="press(placed, part)"
              >
                <span class="strong cut" :class="{ unlit: !placed.lane.lit }">{{
                  placed.begins ?? placed.lane.from?.name
                }}</span>
                <span class="figures quiet cut"
                  >{{ placed.lane.from?.format ?? placed.lane.beside ?? '' }}{{ partWords(placed.lane) }}</span
                >
              </button>
              <button
                v-else-if="
                  part.kind === 'end' &&
                  placed.side !== 'in' &&
                  placed.side !== 'link' &&
                  placed.lane.to?.role !== 'switcher'
                "
                :id="partId(placed.lane.id, part.key)"
                type="button"
                class="end-name"
                :tabindex="isChosen(placed, part) ? 0 : -1"
                :style="{
                  left: `${layout.columns.outX + 6}px`,
                  width: `${layout.columns.sinkW}px`,
                  top: `${placed.top}px`,
                  height: `${placed.height}px`,
                }"
                :aria-label="part.words"
                @click="press(placed, part)"
              >
                <span class="strong cut" :class="{ unlit: !placed.lane.lit }">{{ placed.lane.to?.name }}</span>
                <span class="small quiet cut">{{
                  placed.lane.id.startsWith('ghost:')
                    ? 'not in the plan'
                    : placed.lane.id.startsWith('want:')
                      ? `${placed.lane.feed} wanted, not fed`
                      : (placed.lane.feed ?? placed.lane.to?.kind)
                }}</span>
              </button>
              <button
                v-else-if="part.kind === 'device' && part.hop?.is === 'device'"
                :id="partId(placed.lane.id, part.key)"
                type="button"
                class="box small"
                :tabindex="isChosen(placed, part) ? 0 : -1"
                :style="{ left: `${part.x0 + 5}px`, width: `${part.x1 - part.x0 - 10}px`, top: `${placed.y - 13}px` }"
                :aria-label="part.words"
                :title="part.hop.name"
                @click="press(placed, part)"
              >
                <span class="cut">{{ part.hop.short }}</span>
              </button>
              <button
                v-else-if="part.kind === 'cable' && part.hop?.is === 'cable'"
                :id="partId(placed.lane.id, part.key)"
                type="button"
                class="cable"
                :tabindex="isChosen(placed, part) ? 0 : -1"
                :style="{
                  left: `${part.x0 + 5}px`,
                  width: `${part.x1 - part.x0 - 10}px`,
                  top: `${placed.top}px`,
                  height: `${placed.height}px`,
                }"
                :aria-label="part.words"
                :title="cableLabel(part.hop)"
                @click="press(placed, part)"
              >
                <span class="small texts">
                  <span class="quiet cut"
                    >{{ part.hop.pinned ? '\u2022 ' : '' }}{{ fittingLabel(part.hop, placed, part) }}</span
                  >
                  <span
                    v-if="part.hop.reason"
                    class="strong reason"
                    :style="{ right: `${Math.min(0, part.x1 - placed.x0 - smallWidth(reasonLabel(part.hop), 650))}px` }"
                    >{{ reasonLabel(part.hop) }}</span
                  >
                </span>
              </button>
              <button
                v-else
                :id="partId(placed.lane.id, part.key)"
                type="button"
                class="socket"
                :tabindex="isChosen(placed, part) ? 0 : -1"
                :style="
                  part.kind === 'origin'
                    ? { left: `${part.x1 - 34}px`, width: '34px', top: `${placed.y - 16}px` }
                    : { left: `${part.x0 + 1}px`, width: `${layout.columns.spineW - 36}px`, top: `${placed.y - 16}px` }
                "
                :aria-label="part.words"
                @click="press(placed, part)"
                :draggable="part.kind === 'end' && placed.lane.to?.role === 'switcher' && !placed.lane.beside"
                @dragstart="drag($event, placed.lane.id)"
                @dragend="
                  () => {
                    dragged = undefined
                    over = undefined
                  }
                "
                @dragover.prevent="
                  over = placed.lane.to ? `${placed.lane.to.device}/${placed.lane.to.port}` : undefined
                "
                @drop.prevent="placed.lane.to && drop(placed.lane.to.device, placed.lane.to.port)"
              />
            </template>
            <span
              v-if="placed.lane.worst && placed.lane.worst !== 'N' && placed.lane.hops.length === 0"
              class="small strong ghost"
              :style="{ left: `${placed.x0 + 12}px`, top: `${placed.top + 4}px` }"
              >{{
                placed.lane.from
                  ? 'not connected'
                  : placed.lane.id.startsWith('ghost:')
                    ? 'missing'
                    : 'no cable reaches it'
              }}</span
            >
            <span class="unseen">{{
              placed.lane.worst ? `${SEVERITY_WORDS[placed.lane.worst]}, ${figure(placed.lane.findings.length)}` : ''
            }}</span>
          </li>
        </ul>

        <div
          v-if="layout.panelY !== undefined && current"
          class="panel"
          :style="{
            top: `${layout.panelY + 2}px`,
            height: `${layout.panelH}px`,
            width: `${layout.columns.width - 16}px`,
          }"
        >
          <OpenedLane
            :key="current.placed.lane.id"
            :lane="current.placed.lane"
            :parts="current.parts"
            :part="currentPart"
            @part="key => selection.choose(current!.placed.lane.id, key)"
            @close="
              () => {
                selection.open = false
                focusPart()
              }
            "
            @act="what => emit('act', what)"
          />
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.board {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.heads {
  position: relative;
  height: 28px;
  flex: none;
  border-bottom: 1px solid var(--line);
  overflow: hidden;
}
.heads span {
  position: absolute;
  top: 5px;
  white-space: nowrap;
}
.scroll {
  flex: 1;
  overflow: auto;
  min-height: 0;
}
.lay {
  position: relative;
  margin-bottom: 64px;
}
.lanes {
  list-style: none;
  margin: 0;
  padding: 0;
}
.marker {
  position: absolute;
  width: 4px;
  border-radius: 2px;
  background: var(--chosen);
}
.spine {
  position: absolute;
  z-index: 0;
  background: var(--surface);
  border: 1px solid var(--border);
  border-radius: 4px;
}
.port {
  position: absolute;
  left: 0;
  right: 4px;
  height: 32px;
  display: flex;
  align-items: center;
  gap: 8px;
  padding-left: 10px;
  pointer-events: none;
}
.port.free {
  pointer-events: auto;
  color: var(--dark);
  border-radius: 4px;
}
.port.free:hover {
  color: var(--chosen);
}
.port.folded {
  color: var(--text);
  white-space: nowrap;
}
.target {
  outline: 2px solid var(--chosen);
  outline-offset: -2px;
  border-radius: 4px;
}
.socket[draggable='true'] {
  cursor: grab;
}
.number {
  font: 650 20px/1 var(--words);
  min-width: 12px;
}
.port.free .number {
  font-size: 15px;
  font-weight: 400;
}
.unlit {
  color: var(--dark);
}
.out {
  position: absolute;
  right: 0;
  white-space: nowrap;
  height: 22px;
  text-align: right;
  padding-right: 8px;
  font-weight: 650;
}
.name-plate {
  position: absolute;
  z-index: 1;
  height: 36px;
  padding: 0 8px;
  font-size: 13px;
  line-height: 16px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  border-top: 1px solid var(--line);
  color: var(--text);
}
.name-plate.line {
  height: 22px;
  flex-direction: row;
  align-items: center;
  justify-content: flex-start;
  gap: 6px;
  padding: 0 6px;
}
.name-plate.line .quiet {
  flex: 0 100 auto;
}
.name-plate:hover {
  color: var(--chosen);
}
.end-name {
  position: absolute;
  padding: 3px 6px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  border-radius: 4px;
  line-height: 1.2;
  z-index: 2;
}
.end-name span {
  display: block;
  max-width: 100%;
}
.narrow .end-name .strong {
  font-size: 13px;
}
.narrow .port {
  padding-left: 8px;
  gap: 6px;
}
.narrow .box {
  padding: 0;
}
.compact .end-name {
  flex-direction: row;
  justify-content: flex-start;
  align-items: flex-end;
  gap: 8px;
  padding-bottom: 1px;
}
.compact .end-name .strong {
  flex: 0 1 auto;
}
.compact .end-name .quiet {
  flex: 0 100 auto;
}
.compact .box {
  height: 20px;
  margin-top: 3px;
}
.compact .texts {
  line-height: 16px;
  top: 0;
}
.end-name:hover,
.cable:hover {
  background: var(--hover);
}
.box {
  position: absolute;
  z-index: 2;
  height: 26px;
  padding: 0 2px;
  background: var(--raised);
  border: 1px solid var(--border);
  border-radius: 4px;
  display: flex;
  align-items: center;
  justify-content: center;
}
.box:hover {
  border-color: var(--text);
}
.cable {
  position: absolute;
  border-radius: 4px;
  z-index: 1;
}
.cable:has(.reason) {
  z-index: 3;
}
.texts {
  position: absolute;
  left: 6px;
  right: 6px;
  top: 1px;
  display: flex;
  gap: 12px;
  justify-content: space-between;
  line-height: 18px;
}
.reason {
  position: absolute;
  right: 0;
  top: -2px;
  white-space: nowrap;
  line-height: 16px;
}
.socket {
  position: absolute;
  height: 32px;
  border-radius: 4px;
  z-index: 2;
}
.ghost {
  position: absolute;
  white-space: nowrap;
  pointer-events: none;
}
.panel {
  position: absolute;
  left: 8px;
  z-index: 5;
}
</style>
