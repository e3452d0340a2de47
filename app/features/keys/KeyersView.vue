<script setup lang="ts">
import { computed, ref } from 'vue'
import { type Edit, emptyPlan } from '#core/document'
import type { KeyerPlan, OverlayRow, Overlays, Place } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import OverlayPanel from './OverlayPanel.vue'
import WaysTables from './WaysTables.vue'

/** Which keyer each overlay gets, the ways in which it can be made, and its settings. */
const props = defineProps<{
  all: Overlays
  row: OverlayRow
  keyers: (KeyerPlan & { readonly edits: readonly Edit[] }) | undefined
  failed: string
}>()
const emit = defineEmits<{ choose: [id: string]; rename: []; drop: [] }>()
const store = usePlanStore()
const plan = computed(() => store.plan ?? emptyPlan(''))

const placeIn = (device: string, keyer: number, segment: string | undefined): readonly Place[] =>
  props.keyers?.places.filter(one => one.device === device && one.keyer === keyer && one.segment === segment) ?? []
const title = (id: string): string => plan.value.overlays[id]?.title ?? id
const columns = computed<{ id: string | undefined; title: string }[]>(() =>
  props.all.segments.length ? [...props.all.segments] : [{ id: undefined, title: 'the show' }],
)

const panel = ref<InstanceType<typeof OverlayPanel>>()
defineExpose({
  nudge: (dx: number, dy: number) => panel.value?.nudge(dx, dy),
  /** Whether a key does something here. */
  press: (key: string): boolean => panel.value?.press(key) === true,
})
</script>

<template>
  <section class="stage" tabindex="0" :aria-label="row.overlay.title">
    <p v-if="keyers?.why[row.id]" class="why">{{ keyers.why[row.id] }}</p>
    <p v-else-if="failed" class="quiet" role="alert">The keyers could not be worked out: {{ failed }}</p>
    <p v-else-if="!keyers" class="quiet" role="status">Working out which keyer it gets …</p>
    <div
      v-for="switcher in all.switchers.filter(
        one =>
          one.keyers.some((_, i) => columns.some(({ id }) => placeIn(one.device, i + 1, id).length)) ||
          one.device === row.switcher,
      )"
      :key="switcher.device"
      class="keyers"
    >
      <table>
        <thead>
          <tr>
            <th scope="col">Keyers of {{ switcher.name }}</th>
            <th v-for="column in columns" :key="column.id ?? ''" scope="col" class="small">{{ column.title }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(keyer, i) in switcher.keyers" :key="i">
            <th scope="row">
              {{ keyer.title }}<span class="small quiet words">{{ keyer.words }}</span>
            </th>
            <td v-for="column in columns" :key="column.id ?? ''">
              <button
                v-for="place in placeIn(switcher.device, i + 1, column.id)"
                :key="place.overlay"
                type="button"
                class="placed cut"
                :class="{ on: place.overlay === row.id }"
                @click="emit('choose', place.overlay)"
              >
                {{ title(place.overlay) }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <WaysTables :row="row" />
  </section>
  <OverlayPanel ref="panel" :all="all" :row="row" @rename="emit('rename')" @drop="emit('drop')" />
</template>

<style scoped>
.stage {
  overflow: auto;
  padding: 8px 16px 24px;
}
.why {
  margin: 6px 0 0;
}
.keyers {
  margin-top: 14px;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 650;
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
thead th.small {
  font-weight: 400;
}
tbody th {
  font-weight: 400;
  min-width: 150px;
}
tbody tr {
  border-top: 1px solid var(--line);
}
.words {
  display: block;
}
td {
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
.placed {
  display: block;
  max-width: 160px;
  border: 1px solid var(--border);
  border-left: 4px solid var(--light);
  border-radius: 4px;
  padding: 3px 8px;
  font-size: 13px;
}
.placed.on {
  border-color: var(--chosen);
  border-left-color: var(--light);
}
@media (max-width: 1100px) {
  .stage {
    overflow: visible;
  }
}
</style>
