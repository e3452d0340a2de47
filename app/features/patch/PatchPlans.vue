<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { string } from 'yup'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type Sums, PRESETS, type PresetId, WEIGHT_NAMES, type Weights } from '#core/features/patch'
import { SEVERITY_WORDS, type Severity, type Verdict, isGrave } from '#core/kernel'
import type { Effect } from '#core/propose'
import { formatLabel, listFormats } from '#core/signal'
import { figure, moneyText, msText } from '#core/words'

import { usePatchStore } from '~/features/patch/store'
import { usePlanStore } from '~/plan/store'

/** The best plans side by side as columns of light over the line below which none can be, and the chosen one piece by piece. */
const props = defineProps<{ quiet: boolean }>()
const emit = defineEmits<{ asking: [value: boolean]; kept: [] }>()
const store = usePlanStore()
const patch = usePatchStore()
const naming = ref(false)
const own = ref(false)
watch(naming, value => emit('asking', value))

const currency = computed(() => store.plan?.brief.currency ?? CATALOGUE_CURRENCY)
/** Whole units of money: the currency stands in the row's head. */
const money = (minor: number) =>
  moneyText(Math.round(minor / 100) * 100, currency.value).replace(`\u00A0${currency.value}`, '')
const given = computed(() => (store.plan?.brief.standard ? formatLabel(store.plan.brief.standard) : undefined))
const standards = computed(() => {
  const models = Object.values(store.plan?.devices ?? {}).map(({ model }) => store.plan!.models[model]!)
  return [...new Set(models.flatMap(({ standards: sets }) => listFormats(sets ?? []).map(formatLabel)))]
})
const hasSwitcher = computed(() =>
  Object.values(store.plan?.devices ?? {}).some(({ model }) => store.plan!.models[model]!.role === 'switcher'),
)
const hasSource = computed(() =>
  Object.values(store.plan?.devices ?? {}).some(({ model }) => store.plan!.models[model]!.role === 'source'),
)

const WEIGHT_WORDS: Record<keyof Weights, { title: string; unit: string; most: number; step: number }> = {
  money: { title: 'Money to spend', unit: 'for 1 of money', most: 5, step: 0.1 },
  gear: { title: 'Worth of all gear', unit: 'for 1 of its price', most: 1, step: 0.01 },
  things: { title: 'A thing to get', unit: 'each', most: 200, step: 1 },
  delay: { title: 'Delay', unit: 'a ms of a picture', most: 10, step: 0.1 },
  quality: { title: 'A conversion', unit: 'a step', most: 300, step: 5 },
  risk: { title: 'A risk', unit: 'each', most: 1000, step: 10 },
  moves: { title: 'A run laid anew', unit: 'each', most: 500, step: 5 },
  settings: { title: 'A setting', unit: 'each', most: 20, step: 0.5 },
  power: { title: 'Power', unit: 'a watt', most: 2, step: 0.05 },
}

const step = computed(() => {
  const now = patch.progress
  if (!now) return ''
  if (now.phase === 'ways') return `Looking for ways, ${Math.round((now.share ?? 0) * 100)}\u00A0%`
  if (now.phase === 'collisions') return 'Looking for what collides'
  const number = now.offer ?? 1
  const gap =
    now.best !== undefined && Number.isFinite(now.best) && Number.isFinite(now.bound)
      ? `, best ${figure(now.best)}, none below ${figure(now.bound!)}`
      : ''
  return now.phase === 'checking' ? `Checking plan ${number}` : `Looking for plan ${number}${gap}`
})

// The columns of light: their height is what a plan costs in points.
const HEIGHT = 108
const top = computed(() => Math.max(1, ...patch.offers.map(({ cost }) => cost)))
const tall = (points: number) => Math.max(4, Math.round((points / top.value) * HEIGHT))
const bound = computed(() => patch.offers[0]?.bound)

interface Row {
  readonly title: string
  readonly now: string
  readonly of: (measures: Sums & { effect: Effect }) => string
  readonly raw?: (measures: Sums) => number
  readonly less?: boolean
}
const arrive = (verdict: Verdict) => `${verdict.arrive} of ${verdict.wanted}`
const counts = (verdict: Verdict) =>
  (['H', 'D', 'R', 'Q'] as const)
    .flatMap(severity => (verdict[severity] ? [`${verdict[severity]} ${SEVERITY_WORDS[severity]}`] : []))
    .join(', ') || 'none'
const now = computed(() => patch.outcome?.now)
const before = computed(() => patch.offers[0]?.effect.before)
const rows = computed<readonly Row[]>(() => [
  { title: 'Arrive', now: before.value ? arrive(before.value) : '', of: ({ effect }) => arrive(effect.after) },
  { title: 'Findings', now: before.value ? counts(before.value) : '', of: ({ effect }) => counts(effect.after) },
  {
    title: `Price, ${currency.value}`,
    now: now.value ? money(now.value.minor) : '',
    of: ({ minor }) => money(minor),
    raw: ({ minor }) => minor,
    less: true,
  },
  {
    title: `To get, ${currency.value}`,
    now: now.value ? money(now.value.missingMinor) : '',
    of: ({ missingMinor }) => money(missingMinor),
    raw: ({ missingMinor }) => missingMinor,
    less: true,
  },
  {
    title: 'Slowest picture',
    now: now.value?.delayMs ? msText(now.value.delayMs) : '\u2013',
    of: ({ delayMs }) => msText(delayMs),
    raw: ({ delayMs }) => Math.round(delayMs),
    less: true,
  },
  {
    title: 'Power',
    now: now.value ? `${now.value.watts}\u00A0W` : '',
    of: ({ watts }) => `${watts}\u00A0W`,
    raw: ({ watts }) => watts,
    less: true,
  },
  {
    title: 'Free inputs',
    now: now.value ? String(now.value.spareInputs) : '',
    of: ({ spareInputs }) => String(spareInputs),
    raw: ({ spareInputs }) => spareInputs,
  },
  {
    title: 'Single points',
    now: now.value ? String(now.value.singlePoints) : '',
    of: ({ singlePoints }) => String(singlePoints),
    raw: ({ singlePoints }) => singlePoints,
    less: true,
  },
])
const isBest = (row: Row, i: number): boolean => {
  const values = patch.offers.map(offer => row.raw?.(offer))
  if (!row.raw || values.every(value => value === values[0])) return false
  return values[i] === (row.less ? Math.min(...(values as number[])) : Math.max(...(values as number[])))
}

/** What the chosen pieces alone would do. */
const partial = shallowRef<Effect>()
watch(
  [() => patch.edits, () => store.report?.version, () => patch.stale],
  async () => {
    partial.value = undefined
    if (!patch.offer || patch.stale) return
    if (patch.taken.length === patch.offer.parts.length) {
      partial.value = patch.offer.effect
      return
    }
    const edits = JSON.parse(JSON.stringify(patch.edits)) as typeof patch.edits
    partial.value = await store.ask('effect', edits)
  },
  { immediate: true },
)
/** Figures stay with their unit. */
const unbroken = (title: string) => title.replace(/(\d) m /g, '$1\u00A0m ')
const KINDS = {
  standard: 'Standard',
  source: 'Pictures in',
  feeder: 'Between switchers',
  splitter: 'Splitters',
  sink: 'Pictures out',
  tidy: 'Put away',
  finish: 'Finishing touches',
} as const
const groups = computed(() =>
  (Object.keys(KINDS) as (keyof typeof KINDS)[])
    .map(kind => ({ kind, title: KINDS[kind], parts: (patch.offer?.parts ?? []).filter(part => part.kind === kind) }))
    .filter(({ parts }) => parts.length),
)
const graveAdds = computed(
  () => (partial.value?.adds ?? []).filter(added => isGrave(added as { severity: Severity })).length,
)

const mayApply = computed(() => patch.offer !== undefined && !patch.stale && patch.edits.length > 0)
async function keep(title: string): Promise<void> {
  naming.value = false
  if (await patch.keep(title)) emit('kept')
}
const nameSchema = string()
  .required('a name')
  .max(120, 'at most 120 characters')
  .matches(/^[^\u0000-\u001f\u007f]+$/, 'text without control characters')

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (props.quiet || naming.value || event.ctrlKey || event.metaKey || event.altKey) return
  if (
    event.target instanceof HTMLElement &&
    event.target.closest('input, textarea, select, button, summary, [contenteditable], .v-overlay')
  ) {
    if (event.key !== 'l' && event.key !== 'v' && event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
    if (event.target.closest('input, textarea, select')) return
  }
  const i = patch.offers.findIndex(({ id }) => id === patch.chosen)
  if (event.key === 'l') void patch.look()
  else if (event.key === 'Escape' && patch.state === 'seeking') patch.stop()
  else if (event.key === 'ArrowRight') patch.choose(patch.offers[Math.min(patch.offers.length - 1, i + 1)]?.id)
  else if (event.key === 'ArrowLeft') patch.choose(patch.offers[Math.max(0, i - 1)]?.id)
  else if (event.key === 'v' && patch.offer && !patch.stale) naming.value = true
  else if (event.key === 'Enter' && mayApply.value) void patch.apply()
  else return
  event.preventDefault()
})
</script>

<template>
  <div class="plans">
    <aside class="asks no-print" aria-label="What counts">
      <h3>What counts</h3>
      <div class="presets" role="radiogroup" aria-label="What counts">
        <button
          v-for="(one, id) in PRESETS"
          :key="id"
          type="button"
          role="radio"
          :aria-checked="patch.preset === id"
          class="preset"
          :class="{ on: patch.preset === id }"
          :title="one.about"
          @click="patch.usePreset(id as PresetId)"
        >
          {{ one.title }}
        </button>
      </div>
      <p v-if="patch.preset !== 'own'" class="small quiet about">{{ PRESETS[patch.preset].about }}</p>
      <p v-else class="small quiet about">Your own weights.</p>
      <button type="button" class="btn small" :aria-expanded="own" @click="own = !own">
        {{ own ? 'Hide the weights' : 'Weigh it yourself' }}
      </button>
      <div v-if="own" class="sliders">
        <label v-for="name in WEIGHT_NAMES" :key="name">
          <span class="small">{{ WEIGHT_WORDS[name].title }}</span><span class="figures">{{
            figure(patch.weights[name], 2)
          }}</span>
          <input
            type="range"
            :min="0"
            :max="WEIGHT_WORDS[name].most"
            :step="WEIGHT_WORDS[name].step"
            :value="patch.weights[name]"
            :aria-valuetext="`${figure(patch.weights[name], 2)} points ${WEIGHT_WORDS[name].unit}`"
            @input="patch.weigh(name, Number(($event.target as HTMLInputElement).value))"
          />
          <span class="small quiet unit">points {{ WEIGHT_WORDS[name].unit }}</span>
        </label>
      </div>
      <label class="field"
        ><span class="small quiet">Standard</span>
        <select v-if="given === undefined" v-model="patch.standard" class="pick">
          <option value="">free, the best one</option>
          <option v-for="label in standards" :key="label" :value="label">{{ label }}</option>
        </select>
        <span v-else>{{ given }}, given in the brief</span>
      </label>
      <label class="check"><input v-model="patch.kitOnly" type="checkbox" /> Only what the kit has</label>
      <template v-if="patch.state === 'seeking'">
        <p class="step" role="status">{{ step }}</p>
        <button type="button" class="btn" @click="patch.stop()">Stop <span class="key">Esc</span></button>
      </template>
      <button v-else type="button" class="btn primary" :disabled="!hasSwitcher || !hasSource" @click="patch.look()">
        {{ patch.offers.length || patch.outcome ? 'Look again' : 'Patch it for me' }} <span class="key">L</span>
      </button>
      <p v-if="patch.outcome && patch.state === 'done'" class="small quiet">
        The best of the {{ patch.outcome.size.choices }} ways that were listed for
        {{ patch.outcome.size.demands }} pictures, after
        {{ figure((patch.outcome.ms.first || patch.outcome.ms.all) / 1000) }}&nbsp;s; all plans after
        {{ figure(patch.outcome.ms.all / 1000) }}&nbsp;s.
      </p>
    </aside>

    <div class="middle">
      <div v-if="patch.stale && patch.state !== 'seeking'" class="note" role="status">
        The plan has changed since these were made.
        <button type="button" class="btn small" @click="patch.look()">Look again</button>
      </div>
      <div v-if="!hasSwitcher || !hasSource" class="hint">
        <h3>{{ hasSource ? 'No switcher yet' : 'No sources yet' }}</h3>
        <p>
          Add the switchers, sources and screens of the show on Kit or Runs, say where they stand under Kit, Places, and
          who sees what on Brief. Then the whole patch is worked out here: every cable, converter, input and setting.
        </p>
      </div>
      <div v-else-if="patch.state === 'failed'" class="hint" role="alert">
        <h3>The search failed</h3>
        <p>{{ patch.failure }}</p>
      </div>
      <div v-else-if="patch.outcome && patch.offers.length === 0" class="hint">
        <h3>{{ patch.outcome.unknown ? 'Nothing was found in the time given' : 'It cannot all be done' }}</h3>
        <p v-if="patch.outcome.unknown">
          The search was given up before it found a plan or a proof that there is none. A given standard, or fewer
          pictures, make it quicker.
        </p>
        <section v-for="(collision, i) in patch.outcome.collisions" :key="i" class="collision">
          <p>{{ collision.why }}</p>
          <p class="quiet">
            {{
              collision.claims.length === 1
                ? 'This alone cannot be had:'
                : `These ${collision.claims.length} cannot all be had; any one of them given up, the others can:`
            }}
          </p>
          <ul>
            <li v-for="claim in collision.claims" :key="claim.id">
              <span :class="{ strong: claim.id === collision.cheapest.id }">{{ claim.words }}</span><span
                v-if="claim.id === collision.cheapest.id && collision.claims.length > 1"
                class="small quiet"
              >
                cheapest to give up</span
              >
            </li>
          </ul>
        </section>
        <p v-if="patch.outcome.collisions.some(({ claims }) => claims.length > 1)">
          <NuxtLink class="btn small to" :to="{ query: { view: 'grow' } }">What more inputs would cost</NuxtLink>
        </p>
      </div>
      <div v-else-if="patch.offers.length === 0 && patch.state !== 'seeking'" class="hint">
        <h3>{{ patch.state === 'stopped' ? 'Stopped before a plan was found' : 'From nothing to a whole patch' }}</h3>
        <p>
          Every source is led to an input, every switcher to the next, every screen to an output, with what the kit has
          first. You see the best plans side by side, with the proof that nothing better exists, and take one whole or
          piece by piece. What you have pinned stays as it is.
        </p>
      </div>
      <div v-else-if="patch.offers.length" class="compare" :class="{ aside: patch.stale }">
        <p v-if="patch.outcome?.left.length" class="leave">
          Left as they are, dark: {{ patch.outcome.left.join(', ') }}. More hangs on their cables than one picture; N on
          Runs leads there.
        </p>
        <table role="grid" aria-label="Plans, the best first">
          <thead>
            <tr class="lights">
              <th scope="col" class="axis small quiet"><span>points</span></th>
              <th scope="col" class="now"><span class="small quiet">now</span></th>
              <th v-for="(one, i) in patch.offers" :key="one.id" scope="col" :class="{ on: one.id === patch.chosen }">
                <button
                  type="button"
                  class="light"
                  :aria-pressed="one.id === patch.chosen"
                  :aria-label="`Plan ${i + 1}: ${one.title}, ${figure(one.cost)} points`"
                  @click="patch.choose(one.id)"
                >
                  <svg width="100%" :height="HEIGHT + 4" aria-hidden="true">
                    <rect
                      x="calc(50% - 20px)"
                      :y="HEIGHT + 2 - tall(one.cost)"
                      width="40"
                      :height="tall(one.cost)"
                      fill="var(--band)"
                      stroke="var(--edge)"
                    />
                    <line
                      v-if="bound !== undefined"
                      x1="0"
                      x2="100%"
                      :y1="HEIGHT + 2 - tall(bound)"
                      :y2="HEIGHT + 2 - tall(bound)"
                      stroke="var(--chosen)"
                      stroke-dasharray="6 4"
                    />
                  </svg>
                  <span class="figures">{{ figure(one.cost, 0) }}</span>
                  <b class="name" :title="one.title">{{ one.title.includes(', ') ? 'mixed' : one.title }}</b>
                  <span class="small quiet"
                    >{{ i + 1 }}, {{ one.proven ? 'proven' : `within ${figure(one.cost - one.bound, 0)}` }}</span
                  >
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.title">
              <th scope="row" class="small quiet">{{ row.title }}</th>
              <td class="now quiet">{{ row.now }}</td>
              <td
                v-for="(one, i) in patch.offers"
                :key="one.id"
                :class="{ on: one.id === patch.chosen, best: isBest(row, i) }"
              >
                {{ row.of(one) }}
              </td>
            </tr>
            <tr class="apart">
              <th scope="row" class="small quiet">What is other</th>
              <td class="now" />
              <td v-for="(one, i) in patch.offers" :key="one.id" :class="{ on: one.id === patch.chosen }" class="small">
                <template v-if="i === 0">{{
                  one.gets.length
                    ? `gets ${one.gets.reduce((sum, { count }) => sum + count, 0)} things`
                    : 'gets nothing'
                }}</template>
                <template v-else
                  ><div v-for="words in one.differs.slice(0, 3)" :key="words">{{ words }}</div>
                  <div v-if="one.differs.length > 3" class="quiet" :title="one.differs.slice(3).join(', ')">
                    and {{ one.differs.length - 3 }} more
                  </div></template
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet proof">
          The dashed line: no plan made of the ways that were listed can cost fewer than
          {{ figure(bound ?? 0) }} points; that is what proven says. What was not listed is not weighed. One point is
          one {{ currency }} that need not be spent; delay, conversions, risks and work are priced as weighed. Each plan
          gives up a standard, a device or a place of conversion of every better one.
        </p>
      </div>
      <div v-else class="hint quiet" role="status">
        <p>{{ step }} …</p>
      </div>
    </div>

    <section v-if="patch.offer" class="pieces" :aria-label="`What ${patch.name} changes`">
      <h3>{{ patch.name }}</h3>
      <p v-if="patch.offer.parts.length === 0" class="quiet">
        Nothing need change: what lies is the best plan already.
      </p>
      <p v-else-if="partial" class="effect">
        <b>{{ arrive(partial.before) }}</b> <span class="quiet">arrive now,</span>{{ ' ' }}
        <b class="lit">{{ arrive(partial.after) }}</b>{{ ' ' }}
        <span class="quiet"
          >then; findings: {{ counts(partial.after)
          }}<template v-if="graveAdds">, {{ graveAdds }} of them new</template>.</span
        >
      </p>
      <p v-else class="quiet" role="status">Checking these pieces …</p>
      <p v-if="patch.offer.unmeasured" class="small">
        {{ patch.offer.unmeasured }} cable{{ patch.offer.unmeasured === 1 ? ' has' : 's have' }} no length yet, so
        neither reach nor price: say under <NuxtLink to="kit">Kit</NuxtLink>, Places, where things stand and how far
        that is.
      </p>
      <div v-for="group in groups" :key="group.kind" class="group">
        <h4 class="small quiet">{{ group.title }}</h4>
        <label v-for="part in group.parts" :key="part.id" class="piece" :class="{ out: !patch.taken.includes(part) }">
          <input
            type="checkbox"
            :checked="patch.taken.includes(part)"
            :disabled="part.needs.some(id => patch.without.has(id))"
            @change="patch.toggle(part.id)"
          /><span>{{ unbroken(part.title) }}</span>
        </label>
      </div>
      <div v-if="patch.offer.gets.length" class="group">
        <h4 class="small quiet">To get</h4>
        <p class="small gets">
          {{ patch.offer.gets.map(({ count, title }) => `${count}\u00A0×\u00A0${title}`).join(', ') }}
        </p>
      </div>
      <div class="do no-print">
        <button type="button" class="btn primary" :disabled="!mayApply" @click="patch.apply()">
          {{
            patch.taken.length === patch.offer.parts.length
              ? 'Make it so'
              : `Make these ${patch.taken.length} of ${patch.offer.parts.length}`
          }}
          <span class="key">Enter</span>
        </button>
        <button type="button" class="btn" :disabled="patch.stale" @click="naming = true">
          Keep as a version <span class="key">V</span>
        </button>
      </div>
    </section>
    <LazyPromptDialog
      v-if="naming"
      open
      title="Keep as a version"
      label="Its name"
      :value="patch.name.slice(0, 120)"
      :schema="nameSchema"
      hint="It stands beside this plan, under Versions. This plan stays as it is."
      @done="keep"
      @close="naming = false"
    />
  </div>
</template>

<style scoped>
.plans {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 216px minmax(0, 1fr) 336px;
}
.asks {
  border-right: 1px solid var(--line);
  padding: 16px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: stretch;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 0;
}
.presets {
  display: flex;
  flex-direction: column;
}
.preset {
  padding: 5px 8px;
  border-left: 2px solid var(--line);
}
.preset:hover {
  background: var(--hover);
}
.preset.on {
  border-left-color: var(--chosen);
  background: var(--raised);
  font-weight: 650;
}
.about {
  margin: 0;
}
.sliders label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: baseline;
  margin-bottom: 8px;
}
.sliders input {
  grid-column: 1 / 3;
  width: 100%;
  accent-color: var(--chosen);
  margin: 2px 0;
}
.unit {
  grid-column: 1 / 3;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.check input,
.piece input {
  accent-color: var(--chosen);
  width: 16px;
  height: 16px;
  flex: none;
}
.step {
  margin: 0;
  min-height: 42px;
}
.asks p {
  margin: 0;
}
.asks .btn {
  justify-content: center;
}
.middle {
  overflow: auto;
  min-width: 0;
  padding: 16px;
}
.note {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 6px 12px;
  margin-bottom: 12px;
  border: 1px solid var(--border);
  border-radius: 4px;
}
.hint {
  max-width: 62ch;
  padding: 24px 8px;
}
.hint h3 {
  font-size: 20px;
  margin-bottom: 8px;
}
.to {
  text-decoration: none;
}
.collision {
  border-left: 2px solid var(--border);
  padding-left: 12px;
  margin: 12px 0;
}
.collision ul {
  margin: 4px 0;
  padding-left: 18px;
}
.collision p {
  margin: 0 0 4px;
}
.compare.aside {
  opacity: 0.6;
}
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
th,
td {
  padding: 5px 8px;
  text-align: right;
  border-bottom: 1px solid var(--line);
  vertical-align: baseline;
  font-size: 13px;
  font-family: var(--figures);
  overflow-wrap: anywhere;
}
tbody th {
  text-align: left;
  font-family: var(--words);
  font-weight: 400;
  width: 104px;
  padding-left: 0;
}

.light .name {
  white-space: nowrap;
  font-size: 15px;
}
.lights th {
  text-align: center;
  border-bottom-color: var(--border);
  padding: 0;
  vertical-align: bottom;
  font-weight: 400;
}
.lights .axis {
  width: 104px;
  text-align: left;
  padding-bottom: 6px;
}
.lights .now {
  padding: 0 8px 6px;
  text-align: right;
}
.now {
  width: 92px;
}
.light {
  width: 100%;
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: 8px 0 6px;
  font-family: var(--words);
  font-size: 15px;
  border-radius: 4px;
}
.light:hover {
  background: var(--hover);
}
th.on,
td.on {
  background: var(--raised);
}
.on .light {
  box-shadow: inset 0 2px var(--chosen);
  border-radius: 0;
}
td.best {
  color: var(--light);
  font-weight: 650;
}
.apart td {
  font-family: var(--words);
  text-align: left;
  line-height: 1.3;
}
.leave {
  margin: 0 0 8px;
}
.proof {
  max-width: 78ch;
  margin: 12px 0 0;
}
.pieces {
  border-left: 1px solid var(--line);
  padding: 16px 16px 0;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.pieces p {
  margin: 0;
}
.lit {
  color: var(--light);
}
.group h4 {
  margin: 6px 0 2px;
  font-weight: 400;
  border-bottom: 1px solid var(--line);
}
.piece {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding: 3px 0;
  line-height: 1.3;
  cursor: pointer;
}
.piece input {
  margin-top: 1px;
}
.piece.out span {
  color: var(--quiet);
  text-decoration: line-through;
}
.gets {
  line-height: 1.4;
}
.do {
  position: sticky;
  bottom: 0;
  margin-top: auto;
  background: var(--ground);
  padding: 10px 0 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  border-top: 1px solid var(--line);
}
.do .btn {
  justify-content: center;
}
@media (pointer: coarse) {
  .preset {
    padding: 11px 8px;
  }
  .piece {
    padding: 10px 0;
  }
}
@media (max-width: 1000px) {
  .plans {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto auto;
    overflow-y: auto;
    align-content: start;
  }
  .middle {
    grid-column: 1 / 3;
    grid-row: 1;
    overflow: visible;
  }
  .asks {
    grid-row: 2;
    overflow: visible;
    border-right: 0;
  }
  .pieces {
    grid-row: 2;
    overflow: visible;
  }
  .now {
    width: 72px;
  }
  tbody th,
  .lights .axis {
    width: 76px;
  }
}
@media print {
  .plans {
    display: block;
  }
  .middle,
  .pieces {
    overflow: visible;
    border: 0;
  }
  .piece input {
    display: none;
  }
  .piece.out {
    display: none;
  }
}
</style>
