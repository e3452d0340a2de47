<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Data, Layout, PlotlyHTMLElement } from 'plotly.js-basic-dist-min'
import { useLook } from '~/shell/look'

/** A chart in the colours and letters of the program. `make` is called anew when `about` or the theme changes. */
const props = defineProps<{
  label: string
  about: unknown
  make: (colour: (name: string) => string) => { readonly traces: Data[]; readonly layout: Partial<Layout> }
}>()
const emit = defineEmits<{ chosen: [index: number] }>()
const look = useLook()
const place = ref<HTMLElement>()
const failed = ref(false)
const load = async () => {
  const loaded = await import('plotly.js-basic-dist-min')
  return loaded.default ?? loaded
}

async function draw(): Promise<void> {
  const target = place.value
  if (!target) return
  try {
    const plotly = await load()
    const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
    const font = { family: 'Atkinson Hyperlegible Next Variable, sans-serif', size: 13, color: colour('--quiet') }
    const { traces, layout } = props.make(colour)
    const first = !target.classList.contains('js-plotly-plot')
    const base = { paper_bgcolor: 'rgba(0,0,0,0)', plot_bgcolor: 'rgba(0,0,0,0)', font }
    await plotly.react(target, traces, { ...base, ...layout }, { displayModeBar: false, responsive: true })
    if (first)
      (target as unknown as PlotlyHTMLElement).on('plotly_click', ({ points }) => {
        const index = points[0]?.pointIndex
        if (index !== undefined) emit('chosen', index)
      })
  } catch {
    failed.value = true
  }
}
onMounted(draw)
watch([() => props.about, () => look.theme], draw, { flush: 'post' })
// Another answer may have more lines, and so another height.
useResizeObserver(place, async () => {
  const target = place.value
  if (target?.classList.contains('js-plotly-plot')) (await load()).Plots.resize(target)
})
onBeforeUnmount(async () => {
  const target = place.value
  if (target) (await load().catch(() => undefined))?.purge(target)
})
</script>

<template>
  <p v-if="failed" class="quiet">The chart could not be drawn; its figures stand beside it.</p>
  <div v-else ref="place" class="chart" role="img" :aria-label="label" />
</template>

<style scoped>
.chart {
  width: 100%;
  height: 100%;
  min-height: 0;
}
</style>
