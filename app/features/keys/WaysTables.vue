<script setup lang="ts">
import { computed } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type Edit, emptyPlan } from '#core/document'
import { DRAWING, type OverlayRow, SCHOOLS } from '#core/features/keys'
import { figure, moneyText } from '#core/words'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import WaysTable from './WaysTable.vue'

/** The ways in which an overlay's graphic can be laid over, and in which it can be drawn. */
const props = defineProps<{ row: OverlayRow }>()
const store = usePlanStore()
const currency = computed(() => (store.plan ?? emptyPlan('')).brief.currency ?? CATALOGUE_CURRENCY)

const schools = useAnswer('schools', () => [props.row.id] as const)
const drawn = useAnswer('drawing', () => [props.row.id] as const)

const share = (value: number | undefined): string =>
  value === undefined ? 'not judged' : value === 0 ? 'nothing' : `${figure(value * 100)}\u00A0%`
const money = (minor: number): string =>
  minor > 0 ? moneyText(minor, currency.value) : minor < 0 ? `${moneyText(-minor, currency.value)} less` : 'nothing'
const some = (count: number): string => (count < 0 ? `${-count} fewer` : count ? String(count) : 'none')

const SCHOOL_COLUMNS = ['Lost', 'Words lost', 'Inputs', 'Keyers', 'Boxes', 'Costs more']
const schoolRows = computed(() =>
  (schools.value ?? []).map(one => ({
    ...one,
    title: SCHOOLS[one.id],
    cells: [
      share(one.lost),
      share(one.wordsLost),
      some(one.inputs),
      String(one.keyers),
      some(one.boxes),
      money(one.minor),
    ],
  })),
)
const DRAWING_COLUMNS = ['Mark after', 'Hand sees', 'Boxes', 'Costs more']
const drawingRows = computed(() =>
  (drawn.value ?? []).map(one => ({
    ...one,
    title: DRAWING[one.id],
    cells: [
      one.id !== 'pen' ? 'at once' : one.handMs === undefined ? 'open loop' : `${figure(one.handMs, 0)}\u00A0ms`,
      one.seesPicture
        ? 'the picture'
        : one.id === 'tablet'
          ? 'its page'
          : one.id === 'pen'
            ? 'no picture'
            : 'the board',
      some(one.boxes),
      money(one.minor),
    ],
  })),
)
function take(words: string, edits: readonly Edit[] | undefined): void {
  if (edits?.length) void store.commit(`${props.row.overlay.title}: ${words}`.slice(0, 120), [...edits])
}
</script>

<template>
  <WaysTable
    v-if="schoolRows.length"
    title="Ways to lay this graphic over, the best first"
    :columns="SCHOOL_COLUMNS"
    :rows="schoolRows"
    @take="id => take(SCHOOLS[id as keyof typeof SCHOOLS], schools?.find(one => one.id === id)?.edits)"
  />
  <WaysTable
    v-if="drawingRows.length"
    title="Ways to draw it, the best first"
    :columns="DRAWING_COLUMNS"
    :rows="drawingRows"
    @take="id => take(DRAWING[id as keyof typeof DRAWING], drawn?.find(one => one.id === id)?.edits)"
  />
</template>
