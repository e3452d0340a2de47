<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { number, string } from 'yup'
import type { Role } from '#core/catalog'
import { type Edit, freshId, setEdit } from '#core/document'
import { type Severity, isAcceptable } from '#core/kernel'
import type { Choice } from '#core/propose'
import { lengthText } from '#core/words'

import { foldBoard, MANY } from '~/board/fold'
import { useBoardStore } from '~/board/selection'
import { toMetres, toTyped, useUnits } from '~/shell/look'
import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'
import type { Command } from '~/shell/PaletteDialog.vue'
import type RunsBoard from '~/board/RunsBoard.vue'

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
watch(
  () => route.query.at,
  at => {
    if (typeof at === 'string' && at !== selection.lane && store.state === 'ready') opened()
  },
)
// The address names the opened lane, so that it can be sent and found again.
watch([() => selection.open, () => selection.lane], ([open, lane]) => {
  if (route.params.screen === 'runs')
    void router.replace({ query: open && typeof lane === 'string' ? { at: lane } : {} })
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
const deviceName = computed(() => (device.value ? (store.plan?.devices[device.value]?.name ?? '') : ''))
const units = useUnits()
const routeText = computed(() => {
  const m = link.value ? store.plan?.links[link.value]?.routeM : undefined
  return m === undefined ? '' : toTyped(m, units.value)
})
const stageInput = computed(() => (lane.value?.to?.role === 'switcher' ? lane.value.to : undefined))
const labelText = computed(() =>
  stageInput.value ? (store.plan?.devices[stageInput.value.device]?.ports?.[stageInput.value.port]?.label ?? '') : '',
)

const measureSchema = number()
  .transform((value, original) => (typeof original === 'string' ? Number(original.replace(',', '.')) : value))
  .typeError('a length, e.g. 22')
  .test('empty', 'a length, e.g. 22', value => value !== undefined && !Number.isNaN(value))
  .min(0, 'not below 0')
  .max(20_000, 'at most 20 000')
const nameSchema = string().required('a name').max(120, 'at most 120 characters')
const labelSchema = string().max(24, 'at most 24 characters')

async function measure(text: string): Promise<void> {
  const id = link.value
  closeDialog()
  if (!id) return
  const routeM = toMetres(Number(text.replace(',', '.')), units.value)
  const pieces = store.plan?.links[id]?.pieces
  await store.commit(`Measure ${lengthText(routeM, units.value)}`, [
    { do: 'set', at: ['links', id, 'routeM'], value: routeM },
    ...(pieces ? [setEdit(['links', id, 'pieces'])] : []),
  ])
}

async function rename(text: string): Promise<void> {
  closeDialog()
  if (device.value)
    await store.commit(`Rename to ${text}`, [{ do: 'set', at: ['devices', device.value, 'name'], value: text }])
}

async function relabel(text: string): Promise<void> {
  closeDialog()
  const input = stageInput.value
  if (input)
    await store.commit(text ? `Label ${text}` : 'Remove the label', [
      { do: 'set', at: ['devices', input.device, 'ports', input.port, 'label'], ...(text ? { value: text } : {}) },
    ])
}

async function remove(): Promise<void> {
  if (!store.plan) return
  let edits: readonly Edit[] = []
  let title = ''
  if (part.value?.kind === 'cable' && link.value) {
    edits = [{ do: 'disconnect', id: link.value }]
    title = 'Take the cable out'
  } else if (device.value && store.plan.devices[device.value]) {
    title = `Remove ${deviceName.value}`
    edits = (await store.ask('removal', device.value)) ?? []
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
  else if (what === 'pin') void pin()
  else if (what === 'copy' && lane.value?.from?.role === 'source' && lane.value.to?.role === 'switcher')
    selection.dialog = 'copy'
  else if (what === 'accept' && acceptable.value) selection.dialog = 'accept'
  else if (what === 'accept')
    notices.tell('Only a risk or a loss of quality can be accepted, never a hazard or darkness.')
  else if (what === 'unaccept') void unaccept()
}

const findings = computed(() => (store.report?.findings ?? []).filter(({ key }) => lane.value?.findings.includes(key)))
const acceptable = computed(() =>
  findings.value.find(finding => finding.accepted === undefined && isAcceptable(finding)),
)
const reasonSchema = string().required('why it is taken').max(400, 'at most 400 characters')

async function accept(reason: string): Promise<void> {
  const finding = acceptable.value
  closeDialog()
  if (!finding || !store.plan) return
  selection.open = false
  await store.commit(`Accept ${finding.id}: ${reason}`.slice(0, 120), [
    {
      do: 'add',
      collection: 'accepted',
      id: freshId(finding.id.toLowerCase(), store.plan.accepted ?? {}, Math.random),
      value: { finding: finding.key, reason },
    },
  ])
}

async function unaccept(): Promise<void> {
  const keys = new Set(findings.value.map(({ key }) => key))
  const edits = Object.entries(store.plan?.accepted ?? {})
    .filter(([, { finding }]) => keys.has(finding))
    .map(([id]): Edit => ({ do: 'remove', collection: 'accepted', id }))
  if (edits.length) await store.commit('Count the finding again', edits)
}

async function pin(): Promise<void> {
  const id = part.value?.hop?.is === 'cable' ? part.value.hop.link : undefined
  if (id === undefined) {
    notices.tell('Choose a cable to pin: nothing but a hand changes it then.')
    return
  }
  const pinned = store.plan?.links[id]?.pinned
  await store.commit(pinned ? 'Unpin the cable' : 'Pin the cable', [
    { do: 'set', at: ['links', id, 'pinned'], ...(pinned ? {} : { value: true }) },
  ])
}

/** Leads the run to another input, or exchanges two, as the choices of that input say. */
async function leadTo(run: string, device: string, port: string): Promise<void> {
  const end = store.report?.board.lanes.find(({ id }) => id === run)?.to
  if (!end || (end.device === device && end.port === port)) return
  const choices = (await store.ask('choices', { of: 'input', link: run })) ?? []
  const lands = ({ edits }: Choice) =>
    edits.some(
      edit =>
        (edit.do === 'move' && edit.id === run && edit.to?.device === device && edit.to.port === port) ||
        (edit.do === 'connect' && edit.link.to?.device === device && edit.link.to.port === port),
    )
  const choice = choices.find(lands)
  if (!choice) notices.tell('That input takes another kind of plug, and nothing on sale joins them.')
  else if (!choice.fits) notices.tell(`Not moved. ${choice.reason ?? ''}`)
  else if (await store.commit(choice.title, choice.edits)) {
    notices.tell(choice.title, 'info', { label: 'Undo', run: () => void store.undo() })
    board.value?.focusPart()
  }
}

/** To the input before or after the one that the chosen lane enters. */
function shift(by: number): void {
  const to = lane.value?.to
  const switcher = store.report?.board.switchers.find(({ id }) => id === to?.device)
  if (!lane.value || !to || !switcher) {
    notices.tell('Choose a lane that enters a switcher.')
    return
  }
  const inputs = switcher.inputs.filter(({ beside }) => !beside)
  const next = inputs[inputs.findIndex(({ port }) => port === to.port) + by]
  if (next) void leadTo(lane.value.id, switcher.id, next.port)
}

const unfolded = ref<ReadonlySet<string>>(new Set())
const ribbons = computed({
  get: () => selection.ribbons ?? (store.report?.board.lanes.length ?? 0) >= MANY,
  set: value => {
    selection.ribbons = value
    unfolded.value = new Set()
  },
})
const shownBoard = computed(
  () => store.report && foldBoard(store.report.board, selection.filter, ribbons.value, selection.lane, unfolded.value),
)
function closeFilter(): void {
  selection.filtering = false
  selection.filter = {}
  board.value?.focusPart()
}

const reserve = ref<{ device: string; port: string }>()
async function keepFor(guest: string): Promise<void> {
  const at = reserve.value
  closeDialog()
  if (at)
    await store.commit(guest ? `Keep the input for ${guest}`.slice(0, 120) : 'Keep the input for nobody', [
      { do: 'set', at: ['devices', at.device, 'ports', at.port, 'reserved'], ...(guest ? { value: guest } : {}) },
    ])
}
const guestSchema = string().max(120, 'at most 120 characters')

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

const target = ref<{ device: string; port: string; kind: 'free' | 'standard' }>()
function openFree(deviceId: string, port: string): void {
  target.value = { device: deviceId, port, kind: 'free' }
}

function openSwitcher(deviceId: string): void {
  target.value = { device: deviceId, port: '', kind: 'standard' }
}

const keys = computed<readonly (readonly [string, string])[]>(() => {
  if (selection.open)
    return [
      ['\u2191\u2193', 'choose'],
      ['Enter', 'apply'],
      ['\u2190\u2192', 'other hop'],
      ['C', 'change'],
      ['W', 'why'],
      ['G', 'reach'],
      ['Esc', 'close'],
      ['Ctrl Z', 'undo'],
    ]
  if (!lane.value)
    return [
      ['A', 'add'],
      ['E', 'by a line'],
      ['F', 'filter'],
      ['N', 'next dark end'],
      ['Ctrl K', 'find'],
      ['?', 'keys'],
    ]
  return [
    ['Arrows', 'along the light'],
    ['Enter', 'open'],
    ['C', 'change'],
    ...(part.value?.kind === 'cable' ? [['M', 'measure'] as const] : [['R', 'rename'] as const]),
    ...(lane.value.to?.role === 'switcher' ? [['Shift \u2191\u2193', 'other input'] as const] : []),
    ['A', 'add'],
    ['Del', 'take out'],
    ['F', 'filter'],
    ['N', 'next dark end'],
    ['?', 'keys'],
  ]
})
const footName = computed(() => lane.value?.from?.name ?? lane.value?.to?.name)

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || target.value || store.questions.length || store.state !== 'ready') return
  const typing =
    event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]')
  if (typing) return
  if (event.ctrlKey || event.metaKey) return
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
  const acts: Record<string, () => void> = {
    a: () => openAdd(),
    e: () => {
      selection.dialog = 'entry'
    },
    f: () => {
      selection.filtering = true
    },
    b: () => {
      ribbons.value = !ribbons.value
    },
    p: () => lane.value && act('pin'),
    x: () => lane.value && act('accept'),
    y: () => lane.value && act('copy'),
    g: () => lane.value && selection.unfold('margin'),
    c: () => lane.value && selection.unfold('change'),
    w: () => lane.value && selection.unfold('why'),
    Enter: () => lane.value && !selection.open && selection.unfold(lane.value.findings.length ? 'mend' : 'change'),
    m: () => act('measure'),
    r: () => act('rename'),
    l: () => act('label'),
    Delete: () => act('remove'),
    Backspace: () => act('remove'),
    Escape: () => {
      selection.open = false
    },
    ...(event.shiftKey ? { ArrowDown: () => shift(1), ArrowUp: () => shift(-1) } : {}),
    // Also when nothing has the focus the arrows walk on the board.
    ...(event.target === document.body && !event.shiftKey
      ? {
          ArrowDown: () => board.value?.step(1, 0),
          ArrowUp: () => board.value?.step(-1, 0),
          ArrowLeft: () => board.value?.step(0, -1),
          ArrowRight: () => board.value?.step(0, 1),
        }
      : {}),
  }
  const run = acts[key]
  // Enter on a button that is no part of a lane presses that button.
  const onControl =
    event.target instanceof HTMLElement && event.target.closest('button, a') && !event.target.closest('.lanes')
  if (!run || event.altKey || (key === 'Enter' && onControl)) return
  event.preventDefault()
  run()
})

const commands = computed<readonly Command[]>(() => {
  const lanes = (store.report?.board.lanes ?? []).map(found => ({
    title: found.from?.name ?? `${found.to?.name ?? 'Loose cable'}`,
    detail: found.words,
    run: () => {
      selection.choose(found.id, 'origin')
      selection.unfold(found.findings.length ? 'mend' : 'change')
      board.value?.focusPart()
    },
  }))
  const switchers = (store.report?.board.switchers ?? []).map(switcher => ({
    title: switcher.name,
    detail: `Standard ${switcher.standard}: change`,
    run: () => openSwitcher(switcher.id),
  }))
  const school = store.plan?.brief.cableSchool ?? 'cautious'
  return [
    { title: 'Add a source', detail: 'A', run: () => openAdd('source') },
    { title: 'Add a switcher', detail: 'A', run: () => openAdd('switcher') },
    { title: 'Add a screen, recorder or capture', detail: 'A', run: () => openAdd('sink') },
    {
      title: 'Add by a line',
      detail: 'E',
      run: () => {
        selection.dialog = 'entry'
      },
    },
    {
      title: 'Find and filter lanes',
      detail: 'F',
      run: () => {
        selection.filtering = true
      },
    },
    {
      title: ribbons.value ? 'Show every lane' : 'Lit lanes as ribbons',
      detail: 'B',
      run: () => {
        ribbons.value = !ribbons.value
      },
    },
    { title: 'Next dark end', detail: 'N', run: nextDark },
    { title: 'Undo', detail: 'Ctrl Z', run: () => void store.undo() },
    { title: 'Redo', detail: 'Ctrl Y', run: () => void store.redo() },
    {
      title:
        school === 'cautious' ? 'Judge HDMI lengths by the usual school' : 'Judge HDMI lengths by the cautious school',
      detail: `now ${school}`,
      run: () =>
        void store.commit('Change the cable school', [
          { do: 'set', at: ['brief', 'cableSchool'], value: school === 'cautious' ? 'usual' : 'cautious' },
        ]),
    },
    ...switchers,
    ...lanes,
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
  <PlanFrame
    screen="runs"
    :keys="keys"
    :foot-name="footName"
    :commands="commands"
    :busy="target !== undefined"
    own-findings
    @next="nextDark"
    @severity="toSeverity"
    @opened="opened"
    @closed="board?.focusPart()"
  >
    <template #controls>
      <template v-if="Object.keys(store.plan?.devices ?? {}).length > 0">
        <button class="btn small" type="button" @click="selection.dialog = 'entry'">
          By a line <span class="key">E</span>
        </button>
        <button class="btn small" type="button" @click="openAdd()">Add a device <span class="key">A</span></button>
      </template>
    </template>
    <div v-if="Object.keys(store.plan?.devices ?? {}).length === 0" class="empty">
      <h2>Begin with the switcher</h2>
      <p>
        Add it with its operating standard. Then add each source and each screen with the length of its cable: every
        lane lights as far as its picture really comes.
      </p>
      <div class="begin">
        <button class="btn primary" type="button" @click="openAdd('switcher')">
          Add a switcher <span class="key">A</span></button
        ><button class="btn" type="button" @click="openAdd('source')">Add a source first</button>
      </div>
    </div>
    <template v-else-if="store.report && shownBoard">
      <FilterBar
        v-if="selection.filtering"
        v-model="selection.filter"
        v-model:ribbons="ribbons"
        :board="store.report.board"
        :shown="shownBoard.lanes.length"
        @close="closeFilter"
      />
      <RunsBoard
        ref="board"
        :board="shownBoard"
        @act="act"
        @free="openFree"
        @switcher="openSwitcher"
        @unfold="
          switcher => {
            unfolded = new Set([...unfolded, switcher])
          }
        "
        @drop="leadTo"
      />
    </template>
    <!-- Fetched when first wanted: the board itself should be there at once. -->
    <LazyAddDialog v-if="selection.dialog === 'add'" open :role="addRole" @close="closeDialog" @added="added" />
    <LazyEntryDialog v-if="selection.dialog === 'entry'" @close="closeDialog" @added="added" />
    <LazyCopyDialog v-if="selection.dialog === 'copy' && lane" :run="lane.id" @close="closeDialog" />
    <LazyPromptDialog
      v-if="selection.dialog === 'accept'"
      open
      title="Accept this finding"
      label="Why it is taken"
      value=""
      :schema="reasonSchema"
      hint="Such as: this lead, at this rate, was tested on the day. It stays listed and is not counted."
      @done="accept"
      @close="closeDialog"
    />
    <LazyPromptDialog
      v-if="selection.dialog === 'reserve'"
      open
      title="Keep this input"
      label="For whom"
      :value="reserve ? (store.plan?.devices[reserve.device]?.ports?.[reserve.port]?.reserved ?? '') : ''"
      :schema="guestSchema"
      hint="It counts as spare, and nothing else is led there. Empty: for nobody."
      @done="keepFor"
      @close="closeDialog"
    />
    <LazyChoicesDialog
      v-if="target"
      :target="target"
      @close="target = undefined"
      @add="
        () => {
          target = undefined
          openAdd('source')
        }
      "
      @reserve="
        () => {
          reserve = target && { device: target.device, port: target.port }
          target = undefined
          selection.dialog = 'reserve'
        }
      "
    />
    <LazyPromptDialog
      v-if="selection.dialog === 'measure'"
      open
      title="Measure the cable&#8217;s way"
      label="Way, rises included"
      :suffix="units.length"
      :value="routeText"
      :schema="measureSchema"
      :hint="`Slack of 10 %, at least ${lengthText(2, units)}, is added before a piece is chosen.`"
      @done="measure"
      @close="closeDialog"
    />
    <LazyPromptDialog
      v-if="selection.dialog === 'rename'"
      open
      title="Rename"
      label="Name"
      :value="deviceName"
      :schema="nameSchema"
      @done="rename"
      @close="closeDialog"
    />
    <LazyPromptDialog
      v-if="selection.dialog === 'label'"
      open
      title="Label of the input"
      label="Short name on button and tile"
      :value="labelText"
      :schema="labelSchema"
      hint="Empty: the source&#8217;s own name."
      @done="relabel"
      @close="closeDialog"
    />
  </PlanFrame>
</template>

<style scoped>
.empty {
  flex: 1;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 16px;
  padding: 96px 16px 0 max(16px, calc(50vw - 260px));
}
.empty h2 {
  font: 650 20px/1.2 var(--words);
  margin: 0;
}
.empty p {
  margin: 0;
  max-width: 60ch;
}
.begin {
  display: flex;
  gap: 8px;
}
</style>
