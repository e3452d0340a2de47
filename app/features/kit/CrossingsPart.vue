<script setup lang="ts">
import { computed } from 'vue'
import { CROSSES, type CROSSINGS, type Distance, KEPT_WORDS, keptFrom, setEdit } from '#core/document'
import { usePlanStore } from '~/plan/store'

/** Where cables cross ways that people walk, and what keeps them from underfoot there. */
const props = defineProps<{ distances: Readonly<Record<string, Distance>> }>()
const store = usePlanStore()

type Kept = keyof typeof CROSSINGS
const words = ({ between: [a, b] }: Distance): string => (a === b ? `Within ${a}` : `${a} to ${b}`)
const sorted = computed(() => Object.entries(props.distances).sort(([, a], [, b]) => (words(a) < words(b) ? -1 : 1)))
const crossed = computed(() => sorted.value.filter(([, { crosses }]) => crosses))
const others = computed(() => sorted.value.filter(([, { crosses }]) => !crosses))
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value

function cross(id: string, value: string): void {
  const way = props.distances[id]!
  const crosses = (value || undefined) as Distance['crosses']
  // What is enough elsewhere may not be enough there.
  const kept = crosses && way.kept && keptFrom(crosses).includes(way.kept) ? way.kept : undefined
  void store.commit(`${words(way)} crosses ${crosses ? CROSSES[crosses] : 'nothing'}`.slice(0, 120), [
    setEdit(['distances', id, 'crosses'], crosses),
    ...(way.kept === kept ? [] : [setEdit(['distances', id, 'kept'], kept)]),
  ])
}
function keep(id: string, value: string): void {
  const way = props.distances[id]!
  const kept = (value || undefined) as Kept | undefined
  void store.commit(`${words(way)}: ${kept ? KEPT_WORDS[kept] : 'nothing over the cables'}`.slice(0, 120), [
    setEdit(['distances', id, 'kept'], kept),
  ])
}
function add(event: Event): void {
  const id = valueIn(event)
  if (id) cross(id, 'walkway')
}
</script>

<template>
  <section aria-label="What the cables cross">
    <h3>What the cables cross</h3>
    <p class="quiet">
      Ways that people walk, with something over the cables; escape ways stay clear. Follow local codes.
    </p>
    <div v-for="[id, way] in crossed" :key="id" class="way">
      <span class="cut">{{ words(way) }}</span>
      <select
        class="pick"
        :aria-label="`What ${words(way)} crosses`"
        :value="way.crosses"
        @change="event => cross(id, valueIn(event))"
      >
        <option v-for="(name, what) in CROSSES" :key="what" :value="what">crosses {{ name }}</option>
        <option value="">crosses nothing</option>
      </select>
      <select
        class="pick"
        :aria-label="`What is over the cables from ${words(way)}`"
        :value="way.kept ?? ''"
        @change="event => keep(id, valueIn(event))"
      >
        <option value="">nothing over the cables</option>
        <option v-for="kept in keptFrom(way.crosses!)" :key="kept" :value="kept">{{ KEPT_WORDS[kept] }}</option>
        <option v-if="way.kept && !keptFrom(way.crosses!).includes(way.kept)" :value="way.kept">
          {{ KEPT_WORDS[way.kept] }}: not enough
        </option>
      </select>
    </div>
    <select
      v-if="others.length"
      class="pick"
      aria-label="A way that crosses one that people walk"
      value=""
      @change="add"
    >
      <option value="">add a way …</option>
      <option v-for="[id, way] in others" :key="id" :value="id">{{ words(way) }}</option>
    </select>
    <p v-else-if="crossed.length === 0" class="small quiet">Once a distance is measured, its way can be said here.</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 8px;
}
p {
  max-width: 62ch;
  margin: 0 0 12px;
}
.way {
  display: grid;
  grid-template-columns: minmax(0, 200px) minmax(0, 240px) minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}
</style>
