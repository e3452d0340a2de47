<script setup lang="ts">
import { useFocus } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Board } from '#core/features/board'
import { isFiltering, type Filter } from '~/board/fold'

/** What of the board is shown. */
const props = defineProps<{ board: Board; shown: number }>()
const filter = defineModel<Filter>({ required: true })
const ribbons = defineModel<boolean>('ribbons', { required: true })
const emit = defineEmits<{ close: [] }>()
const words = ref<HTMLInputElement>()
useFocus(words, { initialValue: true })

const cables = computed(() =>
  [
    ...new Set(props.board.lanes.flatMap(({ hops }) => hops.flatMap(hop => (hop.is === 'cable' ? [hop.short] : [])))),
  ].sort(),
)
function set(field: keyof Filter, value: string): void {
  const { [field]: _, ...rest } = filter.value
  filter.value = (value === '' ? rest : { ...rest, [field]: value }) as Filter
}
const read = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value
</script>

<template>
  <div class="filter small" role="search" aria-label="Filter the board" @keydown.esc.stop="emit('close')">
    <input
      ref="words"
      class="pick words"
      placeholder="find: name, format, cable, reason"
      aria-label="Words in the lane"
      :value="filter.words ?? ''"
      @input="set('words', read($event))"
    />
    <select class="pick" aria-label="Fault" :value="filter.fault ?? ''" @change="set('fault', read($event))">
      <option value="">right or wrong</option>
      <option value="any">with a finding</option>
      <option value="D">dark</option>
      <option value="R">at risk</option>
      <option value="Q">of lesser quality</option>
    </select>
    <select class="pick" aria-label="Switcher" :value="filter.switcher ?? ''" @change="set('switcher', read($event))">
      <option value="">every switcher</option>
      <option v-for="{ id, name } in board.switchers" :key="id" :value="id">{{ name }}</option>
    </select>
    <select class="pick" aria-label="Cable" :value="filter.cable ?? ''" @change="set('cable', read($event))">
      <option value="">every cable</option>
      <option v-for="cable in cables" :key="cable" :value="cable">{{ cable }}</option>
    </select>
    <label class="quiet"
      ><input v-model="ribbons" type="checkbox" /> lit lanes as ribbons <span class="key">B</span></label
    >
    <span class="quiet count">{{ shown }} of {{ board.lanes.length }} lanes</span>
    <button v-if="isFiltering(filter)" class="btn plain" type="button" @click="filter = {}">Show all</button>
    <button class="btn plain" type="button" aria-label="Close the filter" @click="emit('close')">Esc</button>
  </div>
</template>

<style scoped>
.filter {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 4px 16px;
  border-bottom: 1px solid var(--line);
  flex: none;
  flex-wrap: wrap;
}
.words {
  width: 260px;
}
label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.count {
  margin-left: auto;
}
.filter .btn {
  min-height: 30px;
  height: 30px;
}
</style>
