<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { number, string } from 'yup'
import { lengthText, removalEdits, type Severity } from '#core/check'
import type { Role } from '#core/catalog'
import type { Edit } from '#core/plan'
import { useBoardStore } from '~/stores/board'
import { toMetres, toTyped, useUnits } from '~/stores/look'
import { useNotices } from '~/stores/notices'
import { usePlanStore } from '~/stores/plan'
import type { Command } from '~/components/PaletteDialog.vue'
import type RunsBoard from '~/components/RunsBoard.vue'

const route = useRoute()
const router = useRouter()
const store = usePlanStore()
const selection = useBoardStore()
const notices = useNotices()
const board = ref<InstanceType<typeof RunsBoard>>()
const addRole = ref<Role>()

function opened(): void {
  const at = route.query.at
  if (typeof at === 'string' && store.report?.board.lanes.some(({ id }) => id === at)) {
    selection.choose(at, 'origin')
    selection.unfold('mend')
  }
  void nextTick(() => board.value?.focusPart())
}
watch(() => route.query.at, (at) => {
  if (typeof at === 'string' && at !== selection.lane && store.state === 'ready') opened()
})
// The address names the opened lane, so that it can be sent and found again.
watch([() => selection.open, () => selection.lane], ([open, lane]) => {
  if (String(route.name ?? '').endsWith('runs')) void router.replace({ query: open && typeof lane === 'string' ? { at: lane } : {} })
})

const lane = computed(() => store.report?.board.lanes.find(({ id }) => id === selection.lane))
const part = computed(() => board.value?.currentPart)

/** The device that the chosen part stands for. */
const device = computed(() => {
  if (part.value?.hop?.is === 'device') return part.value.hop.device
  if (part.value?.kind === 'end') return lane.value?.to?.device
  if (part.value?.kind === 'origin') return lane.value?.from?.device
  return undefined
})
const link = computed(() => {
  if (part.value?.hop?.is === 'cable') return part.value.hop.link
  const first = lane.value?.hops.find(hop => hop.is === 'cable')
  return first?.is === 'cable' ? first.link : undefined
})
const deviceName = computed(() => (device.value ? store.plan?.devices[device.value]?.name ?? '' : ''))
const units = useUnits()
const routeText = computed(() => {
  const m = link.value ? store.plan?.links[link.value]?.routeM : undefined
  return m === undefined ? '' : toTyped(m, units.value)
})
const stageInput = computed(() => (lane.value?.to?.role === 'stage' ? lane.value.to : undefined))
const labelText = computed(() => (stageInput.value ? store.plan?.devices[stageInput.value.device]?.ports?.[stageInput.value.port]?.label ?? '' : ''))

const measureSchema = number().transform((value, original) => (typeof original === 'string' ? Number(original.replace(',', '.')) : value)).typeError('a length, e.g. 22').test('empty', 'a length, e.g. 22', value => value !== undefined && !Number.isNaN(value)).min(0, 'not below 0').max(20_000, 'at most 20 000')
const nameSchema = string().required('a name').max(120, 'at most 120 characters')
const labelSchema = string().max(24, 'at most 24 characters')

async function measure(text: string): Promise<void> {
  const id = link.value
  closeDialog()
  if (!id) return
  const routeM = toMetres(Number(text.replace(',', '.')), units.value)
  const pieces = store.plan?.links[id]?.pieces
  await store.commit(`Measure ${lengthText(routeM, units.value)}`, [{ do: 'set', at: ['links', id, 'routeM'], value: routeM }, ...(pieces ? [{ do: 'set' as const, at: ['links', id, 'pieces'] }] : [])])
}

async function rename(text: string): Promise<void> {
  closeDialog()
  if (device.value) await store.commit(`Rename to ${text}`, [{ do: 'set', at: ['devices', device.value, 'name'], value: text }])
}

async function relabel(text: string): Promise<void> {
  closeDialog()
  const input = stageInput.value
  if (input) await store.commit(text ? `Label ${text}` : 'Remove the label', [{ do: 'set', at: ['devices', input.device, 'ports', input.port, 'label'], ...(text ? { value: text } : {}) }])
}

async function remove(): Promise<void> {
  if (!store.plan) return
  let edits: readonly Edit[] = []
  let title = ''
  if (part.value?.kind === 'cable' && link.value) {
    edits = [{ do: 'disconnect', id: link.value }]
    title = 'Take the cable out'
  }
  else if (device.value && store.plan.devices[device.value]) {
    edits = removalEdits(store.plan, device.value)
    title = `Remove ${deviceName.value}`
  }
  if (edits.length === 0) return
  selection.open = false
  if (await store.commit(title, edits)) notices.tell(title, 'info', { label: 'Undo', run: () => void store.undo() })
  board.value?.focusPart()
}

function act(what: string): void {
  if (what === 'measure' && link.value) selection.dialog = 'measure'
  else if (what === 'rename' && device.value) selection.dialog = 'rename'
  else if (what === 'rename') notices.tell('A cable has no name: choose a source, a device or a screen to rename.')
  else if (what === 'label' && stageInput.value) selection.dialog = 'label'
  else if (what === 'remove') void remove()
}

function openAdd(role?: Role): void {
  addRole.value = role
  selection.dialog = 'add'
}

function nextDark(): void {
  if (!board.value?.nextDark()) notices.tell('Nothing is dark or at risk.')
}

function toSeverity(severity: Severity): void {
  const finding = store.report?.findings.find(candidate => candidate.severity === severity)
  const target = store.report?.board.lanes.find(({ findings }) => finding && findings.includes(finding.key))
  if (!target) return
  selection.choose(target.id, 'origin')
  selection.unfold('mend')
  board.value?.focusPart()
}

const target = ref<{ device: string, port: string, kind: 'free' | 'standard' }>()
function openFree(deviceId: string, port: string): void {
  target.value = { device: deviceId, port, kind: 'free' }
}

function openStage(deviceId: string): void {
  target.value = { device: deviceId, port: '', kind: 'standard' }
}

const keys = computed<readonly (readonly [string, string])[]>(() => {
  if (selection.open) return [['\u2191\u2193', 'choose'], ['Enter', 'apply'], ['\u2190\u2192', 'other hop'], ['C', 'change'], ['W', 'why'], ['Esc', 'close'], ['Ctrl Z', 'undo']]
  if (!lane.value) return [['A', 'add'], ['N', 'next dark end'], ['Ctrl K', 'find'], ['?', 'keys']]
  return [['Arrows', 'along the light'], ['Enter', 'open'], ['C', 'change'], ...(part.value?.kind === 'cable' ? [['M', 'measure'] as const] : [['R', 'rename'] as const]), ['A', 'add'], ['Del', 'take out'], ['N', 'next dark end'], ['?', 'keys']]
})
const footName = computed(() => lane.value?.from?.name ?? lane.value?.to?.name)

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || target.value || store.questions.length || store.state !== 'ready') return
  const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]')
  if (typing) return
  if (event.ctrlKey || event.metaKey) return
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
  const acts: Record<string, () => void> = {
    n: nextDark, a: () => openAdd(),
    c: () => lane.value && selection.unfold('change'), w: () => lane.value && selection.unfold('why'), Enter: () => lane.value && !selection.open && selection.unfold(lane.value.findings.length ? 'mend' : 'change'),
    m: () => act('measure'), r: () => act('rename'), l: () => act('label'), Delete: () => act('remove'), Backspace: () => act('remove'),
    Escape: () => { selection.open = false },
    // Also when nothing has the focus the arrows walk on the board.
    ...(event.target === document.body ? { ArrowDown: () => board.value?.step(1, 0), ArrowUp: () => board.value?.step(-1, 0), ArrowLeft: () => board.value?.step(0, -1), ArrowRight: () => board.value?.step(0, 1) } : {}),
  }
  const run = acts[key]
  // Enter on a button that is no part of a lane presses that button.
  const onControl = event.target instanceof HTMLElement && event.target.closest('button, a') && !event.target.closest('.lanes')
  if (!run || event.altKey || (key === 'Enter' && onControl)) return
  event.preventDefault()
  run()
})

const commands = computed<readonly Command[]>(() => {
  const lanes = (store.report?.board.lanes ?? []).map(found => ({
    title: found.from?.name ?? `${found.to?.name ?? 'Loose cable'}`, detail: found.words,
    run: () => { selection.choose(found.id, 'origin'); selection.unfold(found.findings.length ? 'mend' : 'change'); board.value?.focusPart() },
  }))
  const stages = (store.report?.board.stages ?? []).map(stage => ({ title: stage.name, detail: `Standard ${stage.standard}: change`, run: () => openStage(stage.id) }))
  const school = store.plan?.brief.cableSchool ?? 'cautious'
  return [
    { title: 'Add a source', detail: 'A', run: () => openAdd('source') }, { title: 'Add a switcher', detail: 'A', run: () => openAdd('stage') }, { title: 'Add a screen, recorder or capture', detail: 'A', run: () => openAdd('sink') },
    { title: 'Next dark end', detail: 'N', run: nextDark }, { title: 'Undo', detail: 'Ctrl Z', run: () => void store.undo() }, { title: 'Redo', detail: 'Ctrl Y', run: () => void store.redo() },
    { title: school === 'cautious' ? 'Judge HDMI lengths by the usual school' : 'Judge HDMI lengths by the cautious school', detail: `now ${school}`, run: () => void store.commit('Change the cable school', [{ do: 'set', at: ['brief', 'cableSchool'], value: school === 'cautious' ? 'usual' : 'cautious' }]) },
    ...stages, ...lanes,
  ]
})

function added(id: string): void {
  void nextTick(() => {
    const found = store.report?.board.lanes.find(({ from, to }) => from?.device === id || to?.device === id)
    if (!found) return
    selection.choose(found.id, found.from?.device === id ? 'origin' : 'end')
    board.value?.focusPart()
  })
}
function closeDialog(): void {
  selection.dialog = undefined
  void nextTick(() => board.value?.focusPart())
}
</script>

<template>
  <PlanFrame screen="runs" :keys="keys" :foot-name="footName" :commands="commands" :busy="target !== undefined" own-findings @next="nextDark" @severity="toSeverity" @opened="opened" @closed="board?.focusPart()">
    <div v-if="Object.keys(store.plan?.devices ?? {}).length === 0" class="empty">
      <h2>Begin with the switcher</h2>
      <p>Add it with its operating standard. Then add each source and each screen with the length of its cable: every lane lights as far as its picture really comes.</p>
      <div class="begin"><button class="btn primary" type="button" @click="openAdd('stage')">Add a switcher <span class="key">A</span></button><button class="btn" type="button" @click="openAdd('source')">Add a source first</button></div>
    </div>
    <RunsBoard v-else-if="store.report" ref="board" :board="store.report.board" @act="act" @free="openFree" @stage="openStage" />
    <div v-if="Object.keys(store.plan?.devices ?? {}).length > 0" class="add-bar">
      <button class="btn" type="button" @click="openAdd()">Add a device <span class="key">A</span></button>
    </div>
    <!-- Fetched when first wanted: the board itself should be there at once. -->
    <LazyAddDialog v-if="selection.dialog === 'add'" open :role="addRole" @close="closeDialog" @added="added" />
    <LazyChoicesDialog v-if="target" :target="target" @close="target = undefined" @add="target = undefined; openAdd('source')" />
    <LazyPromptDialog v-if="selection.dialog === 'measure'" open title="Measure the cable&#8217;s way" label="Way, rises included" :suffix="units.length" :value="routeText" :schema="measureSchema" :hint="`Slack of 10 %, at least ${lengthText(2, units)}, is added before a piece is chosen.`" @done="measure" @close="closeDialog" />
    <LazyPromptDialog v-if="selection.dialog === 'rename'" open title="Rename" label="Name" :value="deviceName" :schema="nameSchema" @done="rename" @close="closeDialog" />
    <LazyPromptDialog v-if="selection.dialog === 'label'" open title="Label of the input" label="Short name on button and tile" :value="labelText" :schema="labelSchema" hint="Empty: the source&#8217;s own name." @done="relabel" @close="closeDialog" />
  </PlanFrame>
</template>

<style scoped>
.empty { flex: 1; display: flex; flex-direction: column; align-items: flex-start; gap: 16px; padding: 96px 16px 0 max(16px, calc(50vw - 260px)); }
.empty h2 { font: 650 20px/1.2 var(--words); margin: 0; }
.empty p { margin: 0; max-width: 60ch; }
.begin { display: flex; gap: 8px; }
.add-bar { position: absolute; right: 16px; bottom: 36px; z-index: 6; }
.add-bar .btn { background: var(--surface); }
</style>
