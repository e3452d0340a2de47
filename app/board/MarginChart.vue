<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { type CableModel, LEADS, reachAt, refit, usedShare } from '#core/cable'
import { own, setEdit } from '#core/document'
import type { CableHop } from '#core/features/board'
import { dataRateText, figure } from '#core/words'

import { toTyped, useLook, useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'

/** How much of its reach each cable of the kind has left over the length, at the rate of this link. */
const props = defineProps<{ hop: CableHop }>()
const store = usePlanStore()
const look = useLook()
const units = useUnits()
const place = ref<HTMLElement>()
const failed = ref(false)

const link = computed(() => own(store.plan?.links ?? {}, props.hop.link))
const budgets = computed(() => {
  const to = link.value?.to
  const model = to && store.plan?.devices[to.device]?.model
  return (model !== undefined && own(store.plan!.models[model]!.ports, to!.port)?.budgetDb) || {}
})
const load = computed(() =>
  props.hop.bitsPerS === undefined
    ? undefined
    : { bitsPerS: props.hop.bitsPerS, ...(props.hop.sdiClass ? { sdiClass: props.hop.sdiClass } : {}) },
)

/** The cable that lies there, then what could lie there, the plan's own rows before those of the catalogue. */
const cables = computed<readonly CableModel[]>(() => {
  const now = store.plan?.leads[link.value?.cable ?? '']
  if (now?.kind !== 'cable') return []
  const all = [...Object.values(store.plan!.leads), ...LEADS.values()]
  const others = all.filter(
    (row): row is CableModel =>
      row.kind === 'cable' &&
      row.carries === now.carries &&
      row.ends.join() === now.ends.join() &&
      row.title !== now.title,
  )
  return [now, ...new Map(others.map(row => [row.title, row])).values()]
})
const longest = computed(() => {
  if (!load.value) return 10
  const reaches = cables.value.map(cable => reachAt(cable, load.value!, budgets.value)).sort((a, b) => a - b)
  const middle = reaches[Math.floor(reaches.length / 2)] ?? 10
  return Math.max((props.hop.lengthM ?? 0) * 1.4, reaches[0] ?? 10, Math.min(middle * 1.5, 220))
})

const DASHES = ['solid', 'dash', 'dot', 'dashdot', 'longdash', 'longdashdot'] as const

const FAMILY = 'Atkinson Hyperlegible Next Variable, sans-serif'

/** The end of reach, and the last tenth before it. */
const endsOfReach = (colour: (name: string) => string) => {
  const across = { xref: 'paper' as const, x0: 0, x1: 1 }
  return [
    { type: 'line' as const, ...across, y0: 0, y1: 0, line: { color: colour('--dark'), width: 1.5 } },
    { type: 'rect' as const, ...across, y0: 0, y1: 10, fillcolor: colour('--light'), opacity: 0.1, line: { width: 0 } },
  ]
}

async function draw(): Promise<void> {
  const target = place.value
  if (!target || !load.value) return
  try {
    const loaded = await import('plotly.js-basic-dist-min')
    const plotly = loaded.default ?? loaded
    const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
    const inUnits = (m: number) => Number(toTyped(Number(m.toFixed(2)), units.value))
    const lengths = Array.from({ length: 81 }, (_, i) => (longest.value * i) / 80)
    const margin = (cable: CableModel, m: number) =>
      (1 - usedShare(cable, load.value!, m, props.hop.couplers, budgets.value)) * 100
    const font = { family: FAMILY, size: 13, color: colour('--quiet') }
    const lines = cables.value.map((cable, i) => ({
      x: lengths.filter(m => margin(cable, m) > -8).map(inUnits),
      y: lengths.map(m => margin(cable, m)).filter(share => share > -8),
      mode: 'lines' as const,
      name: cable.short ?? cable.title,
      line: {
        color: colour(i === 0 ? '--light' : '--quiet'),
        width: i === 0 ? 3 : 1.5,
        dash: DASHES[i % DASHES.length]!,
      },
      hovertemplate: `%{x} ${units.value.length}: %{y:.0f} % left<extra>${cable.title}</extra>`,
    }))
    const here =
      props.hop.lengthM === undefined || !cables.value[0]
        ? []
        : [
            {
              x: [inUnits(props.hop.lengthM)],
              y: [Math.max(-8, margin(cables.value[0], props.hop.lengthM))],
              mode: 'markers' as const,
              name: 'this cable',
              showlegend: false,
              marker: { color: colour('--chosen'), size: 11, symbol: 'circle' as const },
              hovertemplate: `this cable: %{y:.0f} % left<extra></extra>`,
            },
          ]
    await plotly.react(
      target,
      [...lines, ...here],
      {
        margin: { l: 50, r: 8, t: 8, b: 40 },
        paper_bgcolor: 'rgba(0,0,0,0)',
        plot_bgcolor: 'rgba(0,0,0,0)',
        font,
        showlegend: true,
        legend: { orientation: 'v', x: 1.02, y: 1, font },
        xaxis: {
          title: { text: `length, ${units.value.length}`, standoff: 4, font },
          gridcolor: colour('--line'),
          zeroline: false,
          rangemode: 'tozero',
          fixedrange: true,
        },
        yaxis: {
          title: { text: 'reach left, %', standoff: 6, font },
          gridcolor: colour('--line'),
          range: [-10, 104],
          zeroline: false,
          fixedrange: true,
        },
        shapes: endsOfReach(colour),
      },
      { displayModeBar: false, responsive: true },
    )
  } catch {
    failed.value = true
  }
}

onMounted(draw)
watch([() => props.hop, () => look.theme, units], draw)
onBeforeUnmount(async () => {
  const loaded = await import('plotly.js-basic-dist-min').catch(() => undefined)
  if (place.value && loaded) (loaded.default ?? loaded).purge(place.value)
})
// --- what the data sheet of this very cable says ---
const sheet = ref<{ f: string; db: string }[]>()
const law = computed(() => cables.value[0]?.reach)
const fitted = computed(
  () =>
    sheet.value &&
    refit(
      sheet.value
        .filter(({ f, db }) => f.trim() && db.trim())
        .map(({ f, db }) => ({ fMHz: Number(f.replace(',', '.')), dbPer100M: Number(db.replace(',', '.')) })),
    ),
)
async function takeSheet(): Promise<void> {
  const id = link.value?.cable
  if (!fitted.value || id === undefined) return
  const { k1, k2 } = fitted.value
  const reach = { kind: 'attenuation' as const, k1: Number(k1.toFixed(5)), k2: Number(k2.toFixed(7)) }
  if (await store.commit(`Data sheet of ${props.hop.title}`.slice(0, 120), [setEdit(['leads', id, 'reach'], reach)]))
    sheet.value = undefined
}
const differs = computed(() => {
  const row = store.plan?.leads[link.value?.cable ?? '']
  const built = row?.from && LEADS.get(row.from.slice('builtin/'.length, row.from.lastIndexOf('@')))
  return (
    built && built.kind === 'cable' && row.kind === 'cable' && JSON.stringify(built.reach) !== JSON.stringify(row.reach)
  )
})

const words = computed(() =>
  props.hop.used === undefined
    ? 'The cable is not measured.'
    : `${figure((1 - props.hop.used) * 100, 0)}\u00A0% of its reach is left.`,
)
</script>

<template>
  <div class="margin">
    <p class="small quiet">
      {{
        hop.bitsPerS === undefined
          ? 'No picture enters this cable, so nothing can be said of its reach.'
          : `Reach left at ${dataRateText(hop.bitsPerS)}${hop.sdiClass ? ` (${hop.sdiClass}-SDI)` : ''}. ${words} Below 10 % it is at risk. Length adds no visible delay: 5 ns a metre.`
      }}
    </p>
    <p v-if="law?.kind === 'attenuation'" class="small loss">
      <template v-if="!sheet"
        ><span v-if="differs" class="quiet">Its loss is from a data sheet, for this show. </span
        ><button
          type="button"
          class="link"
          @click="
            sheet = [
              { f: '750', db: '' },
              { f: '1500', db: '' },
              { f: '3000', db: '' },
            ]
          "
        >
          {{ differs ? 'Change its data sheet' : 'Loss from its data sheet' }}
        </button></template
      >
      <template v-else>
        <label v-for="(value, i) in sheet" :key="i"
          ><input v-model="value.f" class="pick" inputmode="decimal" :aria-label="`Frequency ${i + 1}, MHz`" /> MHz
          <input v-model="value.db" class="pick" inputmode="decimal" :aria-label="`Loss ${i + 1}, dB over 100 m`" />
          dB/100 m</label
        >
        <button type="button" class="btn" :disabled="!fitted" @click="takeSheet">Take it</button
        ><button type="button" class="btn plain" @click="sheet = undefined">Cancel</button>
      </template>
    </p>
    <p v-if="failed" class="quiet">The chart could not be loaded. It needs the server once.</p>
    <div v-else ref="place" class="chart" role="img" :aria-label="`Reach left over length. ${words}`" />
  </div>
</template>

<style scoped>
.margin {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
  padding: 4px 8px 0 12px;
}
.margin p {
  margin: 0;
}
.loss {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
.loss .pick {
  width: 7ch;
  min-height: 26px;
  padding: 1px 6px;
  font-size: 13px;
  text-align: right;
}
.loss .btn {
  min-height: 28px;
}
.link {
  color: var(--chosen);
}
.link:hover {
  text-decoration: underline;
}
.chart {
  flex: 1;
  min-height: 0;
}
</style>
