<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { string } from 'yup'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import type { Comparison, Difference } from '#core/features/versions'
import { SEVERITY_WORDS, type Verdict } from '#core/kernel'
import { moneyText, msText } from '#core/words'

import type { PlanState, PlanSummary } from '#shared/api'
import { api, ApiError } from '~/plan/api'
import { useUnits } from '~/shell/look'
import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'

/** The plans of the show: begin one, open, rename or remove it, and see what sets another one apart from this one. */
const emit = defineEmits<{ asking: [value: boolean] }>()
const store = usePlanStore()
const notices = useNotices()
const router = useRouter()
const units = useUnits()
const listed = shallowRef<readonly PlanSummary[]>()
/** As the server has them, but this one as it stands here: its last changes may still be on their way there. */
const plans = computed(() =>
  listed.value?.map(one =>
    one.id === store.planId && store.plan && store.report
      ? { ...one, title: store.plan.title, verdict: store.report.verdict }
      : one,
  ),
)
const failure = ref('')
const chosen = ref<string>()
const comparison = shallowRef<Comparison>()
const asking = ref<'begin' | 'rename' | 'remove'>()
watch(asking, value => emit('asking', value !== undefined))

let asked = 0
async function list(): Promise<void> {
  const mine = ++asked
  try {
    const all = await api<PlanSummary[]>(`/shows/${store.show!.id}/plans`)
    // An answer that was overtaken is older than what is shown.
    if (mine !== asked) return
    listed.value = all
    failure.value = ''
    if (!all.some(({ id }) => id === chosen.value))
      chosen.value = all.find(({ id }) => id !== store.planId)?.id ?? store.planId
  } catch (error) {
    if (mine === asked) failure.value = (error as Error).message
  }
}
watch(() => [store.planId, store.report?.version], list, { immediate: true })
const other = computed(() => plans.value?.find(({ id }) => id === chosen.value))
const currency = computed(() => store.plan?.brief.currency ?? CATALOGUE_CURRENCY)
watch(
  [chosen, () => store.report?.version, listed],
  async () => {
    comparison.value = undefined
    const id = chosen.value
    if (id === undefined || id === store.planId) return
    try {
      const { plan } = await api<PlanState>(`/shows/${store.show!.id}/plans/${id}`)
      const answer = await store.ask('compare', plan, { ...units.value })
      if (answer && id === chosen.value) comparison.value = answer
    } catch (error) {
      if (!(error instanceof ApiError) || error.status !== 404) failure.value = (error as Error).message
    }
  },
  { immediate: true },
)

const counts = (verdict: Verdict) =>
  (['H', 'D', 'R', 'Q'] as const)
    .flatMap(severity => (verdict[severity] ? [`${verdict[severity]} ${SEVERITY_WORDS[severity]}`] : []))
    .join(', ') || 'nothing found'
const titleOf = (id: string) => plans.value?.find(plan => plan.id === id)?.title ?? id
const signed = (value: number, text: string) =>
  value === 0 ? 'the same' : `${value > 0 ? '+' : '\u2212'}\u00A0${text}`
const SIGN = { added: '+', gone: '\u2212', changed: '\u2192' } as const
const WORD = { added: 'more', gone: 'gone', changed: 'changed' } as const
const groups = computed<readonly { readonly title: string; readonly rows: readonly Difference[] }[]>(() =>
  comparison.value
    ? [
        { title: 'Devices', rows: comparison.value.devices },
        { title: 'Cables', rows: comparison.value.links },
        { title: 'Settings', rows: comparison.value.settings },
        { title: 'Brief', rows: comparison.value.brief },
        { title: 'All else', rows: comparison.value.others },
      ].filter(({ rows }) => rows.length)
    : [],
)
const alike = computed(() => comparison.value && groups.value.length === 0)

const open = (id: string) => router.push(`/shows/${store.show!.id}/${id}/runs`)
async function begin(title: string): Promise<void> {
  asking.value = undefined
  const id = await store.beginBeside(title, [])
  if (!id) return
  notices.tell(`Begun: ${title}, as this plan is now`)
  chosen.value = id
  await list()
}
async function rename(title: string): Promise<void> {
  asking.value = undefined
  await store.commit(`Rename the plan: ${title}`, [{ do: 'set', at: ['title'], value: title }])
}
async function remove(): Promise<void> {
  asking.value = undefined
  const gone = other.value
  if (!gone) return
  try {
    await api(`/shows/${store.show!.id}/plans/${gone.id}`, { method: 'DELETE' })
    notices.tell(`Removed for good: ${gone.title}`)
  } catch (error) {
    notices.tell((error as Error).message, 'wrong')
  }
  await list()
}
function keys(event: KeyboardEvent): void {
  const all = plans.value ?? []
  const i = all.findIndex(({ id }) => id === chosen.value)
  if (event.key === 'ArrowDown') chosen.value = all[Math.min(all.length - 1, i + 1)]?.id
  else if (event.key === 'ArrowUp') chosen.value = all[Math.max(0, i - 1)]?.id
  else if (event.key === 'Enter' && other.value && other.value.id !== store.planId) void open(other.value.id)
  else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`version-${chosen.value}`)?.scrollIntoView({ block: 'nearest' }))
}
const nameSchema = string()
  .required('a name')
  .max(120, 'at most 120 characters')
  .matches(/^[^\u0000-\u001f\u007f]+$/, 'text without control characters')
</script>

<template>
  <div v-if="failure" class="screen" role="alert">
    <h2>The versions cannot be read</h2>
    <p>{{ failure }}</p>
    <button type="button" class="btn" @click="list">Try again</button>
  </div>
  <div v-else-if="!plans" class="screen quiet" role="status">Reading the versions …</div>
  <div v-else class="versions">
    <div class="left no-print">
      <div
        class="list"
        role="listbox"
        tabindex="0"
        aria-label="Plans of this show"
        :aria-activedescendant="chosen ? `version-${chosen}` : undefined"
        @keydown="keys"
      >
        <div
          v-for="plan in plans"
          :id="`version-${plan.id}`"
          :key="plan.id"
          role="option"
          class="row"
          :class="{ on: plan.id === chosen }"
          :aria-selected="plan.id === chosen"
          @click="chosen = plan.id"
          @dblclick="plan.id !== store.planId && open(plan.id)"
        >
          <b class="cut">{{ plan.title }}</b>
          <span class="small quiet"
            >{{ plan.id === store.planId ? 'this one, ' : '' }}{{ plan.verdict.arrive }} of
            {{ plan.verdict.wanted }} arrive, {{ counts(plan.verdict)
            }}{{ plan.basedOn ? `; from ${titleOf(plan.basedOn.plan)}` : '' }}</span
          >
        </div>
      </div>
      <div class="do">
        <button type="button" class="btn" @click="asking = 'begin'">New version of this plan</button>
        <button type="button" class="btn" @click="asking = 'rename'">Rename this plan</button>
        <button
          type="button"
          class="btn"
          :disabled="!other || other.id === store.planId"
          @click="other && open(other.id)"
        >
          Open {{ other && other.id !== store.planId ? 'it' : '' }} <span class="key">Enter</span>
        </button>
        <button
          type="button"
          class="btn"
          :disabled="!other || other.id === store.planId || other.id === 'main'"
          @click="asking = 'remove'"
        >
          Remove it
        </button>
      </div>
    </div>
    <section class="compare" tabindex="0" aria-label="Comparison">
      <div v-if="plans.length === 1" class="none">
        <h3>Only this plan so far</h3>
        <p>
          Keep a proposal as a version, or begin one here: a plan for later, one that records and one that goes live,
          one to try something in. Any two can then be compared.
        </p>
      </div>
      <p v-else-if="other?.id === store.planId" class="quiet">Choose another plan to compare it with this one.</p>
      <p v-else-if="!comparison" class="quiet" role="status">Comparing …</p>
      <template v-else>
        <h3>
          {{ comparison.b.title }} <span class="quiet">against {{ comparison.a.title }}</span>
        </h3>
        <table class="sheet-table sums">
          <thead>
            <tr>
              <th />
              <th class="num">{{ comparison.a.title }}</th>
              <th class="num">{{ comparison.b.title }}</th>
              <th class="num">difference</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <td>Arrive</td>
              <td class="num">{{ comparison.a.verdict.arrive }} of {{ comparison.a.verdict.wanted }}</td>
              <td class="num">{{ comparison.b.verdict.arrive }} of {{ comparison.b.verdict.wanted }}</td>
              <td class="num">
                {{
                  signed(
                    comparison.b.verdict.arrive - comparison.a.verdict.arrive,
                    String(Math.abs(comparison.b.verdict.arrive - comparison.a.verdict.arrive)),
                  )
                }}
              </td>
            </tr>
            <tr>
              <td>Price</td>
              <td class="num">{{ moneyText(comparison.a.minor, currency) }}</td>
              <td class="num">{{ moneyText(comparison.b.minor, currency) }}</td>
              <td class="num">
                {{
                  signed(
                    comparison.b.minor - comparison.a.minor,
                    moneyText(Math.abs(comparison.b.minor - comparison.a.minor), currency),
                  )
                }}
              </td>
            </tr>
            <tr>
              <td>Slowest picture</td>
              <td class="num">{{ msText(comparison.a.delayMs) }}</td>
              <td class="num">{{ msText(comparison.b.delayMs) }}</td>
              <td class="num">
                {{
                  signed(
                    Math.round(comparison.b.delayMs - comparison.a.delayMs),
                    msText(Math.abs(comparison.b.delayMs - comparison.a.delayMs)),
                  )
                }}
              </td>
            </tr>
            <tr>
              <td>Power</td>
              <td class="num">{{ comparison.a.watts }}&nbsp;W</td>
              <td class="num">{{ comparison.b.watts }}&nbsp;W</td>
              <td class="num">
                {{
                  signed(
                    comparison.b.watts - comparison.a.watts,
                    `${Math.abs(comparison.b.watts - comparison.a.watts)}\u00A0W`,
                  )
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="alike">Nothing sets the two apart.</p>
        <div v-for="group in groups" :key="group.title" class="group">
          <h4>{{ group.title }}, {{ group.rows.length }}</h4>
          <ul>
            <li v-for="(row, i) in group.rows" :key="i">
              <span class="figures sign" :title="WORD[row.change]"
                >{{ SIGN[row.change] }}<span class="unseen">{{ WORD[row.change] }}</span></span
              ><b>{{ row.name }}</b> <span class="quiet">{{ row.words }}</span>
            </li>
          </ul>
        </div>
        <div v-if="comparison.findings.gone.length || comparison.findings.came.length" class="group">
          <h4>Findings</h4>
          <ul>
            <li v-for="(told, i) in comparison.findings.came" :key="`c${i}`">
              <span class="figures sign">+<span class="unseen">more</span></span
              ><span class="quiet">{{ SEVERITY_WORDS[told.severity] }}</span> {{ told.words }}
            </li>
            <li v-for="(told, i) in comparison.findings.gone" :key="`g${i}`">
              <span class="figures sign">&minus;<span class="unseen">gone</span></span
              ><span class="quiet">{{ SEVERITY_WORDS[told.severity] }}</span> {{ told.words }}
            </li>
          </ul>
        </div>
        <div v-if="comparison.papers.length" class="group">
          <h4>Papers to print anew</h4>
          <ul>
            <li v-for="paper in comparison.papers" :key="paper.id">
              <b>{{ paper.title }}</b>
              <span class="quiet"
                >{{ paper.came }} new row{{ paper.came === 1 ? '' : 's' }}, {{ paper.gone }} gone</span
              >
            </li>
          </ul>
        </div>
      </template>
    </section>
    <LazyPromptDialog
      v-if="asking === 'begin'"
      open
      title="New version"
      label="Its name"
      :value="`${store.plan?.title ?? ''}, other`.slice(0, 120)"
      :schema="nameSchema"
      hint="It begins as this plan is now."
      @done="begin"
      @close="asking = undefined"
    />
    <LazyPromptDialog
      v-if="asking === 'rename'"
      open
      title="Rename this plan"
      label="Its name"
      :value="store.plan?.title ?? ''"
      :schema="nameSchema"
      @done="rename"
      @close="asking = undefined"
    />
    <v-dialog
      v-if="asking === 'remove'"
      :model-value="true"
      max-width="440"
      aria-label="Remove the plan"
      @update:model-value="
        value => {
          if (!value) asking = undefined
        }
      "
    >
      <div class="sheet">
        <h2>Remove {{ other?.title }}?</h2>
        <p>It goes for good, with its history. This plan is not touched.</p>
        <div class="ends">
          <button class="btn" type="button" autofocus @click="asking = undefined">Cancel</button
          ><button class="btn primary" type="button" @click="remove">Remove it</button>
        </div>
      </div>
    </v-dialog>
  </div>
</template>

<style scoped>
.versions {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 340px minmax(0, 1fr);
}
.left {
  display: flex;
  flex-direction: column;
  border-right: 1px solid var(--line);
  min-height: 0;
}
.list {
  flex: 1;
  overflow-y: auto;
  min-height: 0;
}
.row {
  display: flex;
  flex-direction: column;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
  line-height: 1.3;
}
.row:hover {
  background: var(--hover);
}
.row.on {
  background: var(--raised);
  box-shadow: inset 3px 0 var(--chosen);
}
.do {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  padding: 12px 16px;
  border-top: 1px solid var(--line);
}
.do .btn {
  justify-content: center;
  padding: 0 8px;
}
.do .btn:first-child,
.do .btn:nth-child(2) {
  grid-column: 1 / 3;
}
.compare {
  overflow-y: auto;
  padding: 16px 24px 32px;
}
.compare p {
  max-width: 68ch;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 12px;
}
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 18px 0 4px;
}
.sums {
  max-width: 640px;
}
.group ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.group li {
  padding: 3px 0 3px 22px;
  position: relative;
}
.sign {
  position: absolute;
  left: 0;
  color: var(--quiet);
}
@media (max-width: 1000px) {
  .versions {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto 1fr;
  }
  .left {
    border-right: 0;
    border-bottom: 1px solid var(--border);
    max-height: 320px;
  }
}
@media print {
  .versions {
    display: block;
  }
  .compare {
    overflow: visible;
  }
}
</style>
