<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, watch } from 'vue'
import { string } from 'yup'
import { validatorsReady } from '#core/document'
import type { Severity } from '#core/kernel'
import type { Command } from '~/shell/PaletteDialog.vue'
import { useBoardStore } from '~/board/selection'
import { callMe, myName } from '~/plan/client'
import { useLook } from '~/shell/look'
import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'
import { SCREENS } from '~/features'
import { besides, fetchScreen, lastOf, openScreen, remember, screenOf, screensOf, standing } from '~/shell/place'
import { footOf, STEPS, type FootKey } from '~/shell/screens'
import { isTyped } from '~/ui/keys'

/** What every screen of a plan stands in: header, verdict, foot, the keys that work everywhere, and the questions that may come up. */
const props = defineProps<{
  /** Its id. */
  screen: string
  /** The keys that apply to what is chosen. */
  keys?: readonly FootKey[]
  footName?: string | undefined
  /** Which of its views is open. */
  view?: string
  commands?: readonly Command[]
  /** A dialog of the screen's own is open: its keys go first. */
  busy?: boolean
  /** Runs deals with findings itself; other screens go there. */
  ownFindings?: boolean
}>()
const emit = defineEmits<{ next: []; severity: [severity: Severity]; opened: []; closed: [] }>()

const route = useRoute()
const router = useRouter()
const store = usePlanStore()
const selection = useBoardStore()
const notices = useNotices()
const look = useLook()
const here = computed(() => screenOf(props.screen))
const base = computed(() => `/shows/${String(route.params.show)}/${String(route.params.plan)}`)

watch(
  [() => route.params.show, () => route.params.plan],
  async ([show, plan]) => {
    if (typeof show !== 'string' || typeof plan !== 'string') return
    const there = store.state === 'ready' && store.show?.id === show && store.planId === plan
    if (!there) {
      selection.lane = undefined
      selection.open = false
      selection.dialog = undefined
      await store.open(show, plan)
    }
    emit('opened')
  },
  { immediate: true },
)
// Every screen and dialog is fetched once this one stands, so that all of them open when the server is away.
const { stop } = watch(
  () => store.report,
  report => {
    if (!report) return
    void nextTick(() => {
      stop()
      // Not every browser tells when it is idle.
      if ('requestIdleCallback' in window) requestIdleCallback(fetchAll, { timeout: 3000 })
      else setTimeout(fetchAll, 1000)
    })
  },
  { immediate: true },
)
function fetchAll(): void {
  void Promise.all([
    validatorsReady(),
    ...SCREENS.map(({ id }) => fetchScreen(id)),
    import('./QuestionDialog.vue'),
    import('./PaletteDialog.vue'),
    import('./HelpDialog.vue'),
    import('~/ui/PromptDialog.vue'),
    import('~/board/AddDialog.vue'),
    import('~/board/ChoicesDialog.vue'),
    import('~/board/EntryDialog.vue'),
    import('~/board/CopyDialog.vue'),
    import('~/features/kit/HouseCableDialog.vue'),
  ]).catch(() => undefined)
}
useHead({ title: computed(() => (store.show ? `${store.show.title}: ${here.value.title}` : 'Interlumen')) })
watch(here, remember, { immediate: true })
useEventListener(window, 'focus', () => void store.refresh())

const go = (id: string, query: Record<string, string> = {}): void => void openScreen(router, base.value, id, query)

/** The gravest finding, of a severity or of all: where it stands it is opened. */
function toFinding(severity?: Severity): void {
  const findings = (store.report?.findings ?? []).filter(({ accepted }) => accepted === undefined)
  const finding = severity ? findings.find(candidate => candidate.severity === severity) : findings[0]
  if (!finding) {
    notices.tell('Nothing is dark or at risk.')
    return
  }
  const lane = store.report?.board.lanes.find(({ findings: keys }) => keys.includes(finding.key))
  if (props.ownFindings && lane) {
    if (severity) emit('severity', severity)
    else emit('next')
  } else if (lane) go('runs', { at: lane.id })
  else go(finding.screen, { at: finding.key })
}

const own = computed<readonly Command[]>(() => [
  ...(props.commands ?? []),
  ...SCREENS.filter(({ id }) => id !== props.screen).map(({ id, title, step }) => ({
    title: `Go to ${title}`,
    detail: STEPS.find(({ id: other }) => other === step)!.title,
    run: () => go(id),
  })),
  { title: 'Undo', detail: 'Ctrl Z', run: () => void store.undo() },
  { title: 'Redo', detail: 'Ctrl Y', run: () => void store.redo() },
  { title: `${look.theme === 'night' ? 'Day' : 'Night'} theme`, detail: 'T', run: () => look.turn() },
  {
    title: 'What others call you',
    detail: myName() || 'not said yet',
    run: () => {
      selection.dialog = 'name'
    },
  },
  {
    title: 'Export the show',
    detail: 'file',
    run: () => {
      window.location.href = `/api/shows/${store.show?.id}/export`
    },
  },
  { title: 'All shows', detail: '', run: () => void router.push('/') },
  {
    title: 'Keys, and how to read the light',
    detail: '?',
    run: () => {
      selection.dialog = 'help'
    },
  },
])

/** Alt and a figure: the step's screen that was used last. By the key, since Alt changes what it writes. */
function toStep(event: KeyboardEvent): void {
  const step = STEPS[Number(/^Digit([1-5])$/.exec(event.code)?.[1] ?? 0) - 1]
  if (!step || screensOf(step.id).length === 0) return
  event.preventDefault()
  go(lastOf(step.id).id)
}

function beside(which: 'before' | 'next'): void {
  const screen = besides(standing(router))[which]
  if (screen) go(screen.id)
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  // The screen that is left still hears keys while the next one is being made: only one of them acts.
  if (event.defaultPrevented) return
  if (props.busy || selection.dialog || store.questions.length || store.state !== 'ready') return
  if (event.altKey) {
    toStep(event)
    return
  }
  if (isTyped(event)) return
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
  const acts: Record<string, () => void> =
    event.ctrlKey || event.metaKey
      ? {
          z: () => void (event.shiftKey ? store.redo() : store.undo()),
          y: () => void store.redo(),
          k: () => {
            selection.dialog = 'palette'
          },
        }
      : {
          '?': () => {
            selection.dialog = 'help'
          },
          't': () => look.turn(),
          'n': () => toFinding(),
          '[': () => beside('before'),
          ']': () => beside('next'),
        }
  const run = acts[key]
  if (!run) return
  event.preventDefault()
  run()
})

const nameSchema = string().max(40, 'at most 40 characters')
function close(): void {
  selection.dialog = undefined
  emit('closed')
}
function name(text: string): void {
  void callMe(text)
  close()
  notices.tell(text ? `Others read ${text} beside your changes.` : 'Your changes carry no name.')
}
</script>

<template>
  <main class="page">
    <!-- Darkness looks the same wherever it is drawn. -->
    <svg class="patterns" width="0" height="0" aria-hidden="true">
      <defs>
        <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--dark)" stroke-width="1.5" opacity="0.7" />
        </pattern>
      </defs>
    </svg>
    <AppHeader
      :show="store.show?.title ?? ''"
      :plan="store.plan?.title ?? ''"
      :screen="here"
      :base="base"
      @palette="selection.dialog = 'palette'"
    />
    <AsideBar
      v-if="store.state !== 'loading'"
      :key="`${store.state}/${store.saving}`"
      :show="String(route.params.show)"
      :plan="String(route.params.plan)"
    />
    <template v-if="store.state === 'ready' && store.report">
      <VerdictBar class="no-print" @next="toFinding()" @severity="toFinding" @figure="go" />
      <ScreenRow :screen="here" :base="base"><slot name="controls" /></ScreenRow>
      <slot />
      <KeyFoot class="no-print" :name="footName" :keys="keys ?? footOf(here, view)" />
    </template>
    <div v-else class="empty" role="status">
      <template v-if="store.state === 'loading'"><p class="quiet">Opening the plan …</p></template>
      <template v-else-if="store.state === 'missing'"
        ><h2>There is no such plan</h2>
        <p>It may lie in the bin, or the address may be incomplete.</p>
        <NuxtLink class="btn" to="/">All shows</NuxtLink></template
      >
      <template v-else
        ><h2>The plan could not be opened</h2>
        <p>{{ store.failure }}</p>
        <button
          class="btn primary"
          type="button"
          @click="store.open(String(route.params.show), String(route.params.plan))"
        >
          Try again
        </button></template
      >
    </div>
    <!-- Fetched when first wanted: the screen itself should be there at once. -->
    <LazyQuestionDialog v-if="store.questions[0]" :question="store.questions[0]" />
    <LazyPaletteDialog v-if="selection.dialog === 'palette'" open :commands="own" @close="close" />
    <LazyHelpDialog v-if="selection.dialog === 'help'" open :screen="here" @close="close" />
    <LazyPromptDialog
      v-if="selection.dialog === 'name'"
      open
      title="What others call you"
      label="Name beside your changes"
      :value="myName()"
      :schema="nameSchema"
      hint="Kept in this browser. Empty: none."
      @done="name"
      @close="close"
    />
  </main>
</template>

<style scoped>
.page {
  height: 100vh;
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.patterns {
  position: absolute;
}
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
@media print {
  .page {
    display: block;
    height: auto;
  }
}
</style>
