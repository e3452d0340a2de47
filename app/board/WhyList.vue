<script setup lang="ts">
import { onMounted, ref, shallowRef, watch } from 'vue'
import { type Cause, SYMPTOMS, type Spot, type Symptom } from '#core/features/why'
import { useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'

/** From what is seen at the end of a lane to what would explain it here, each with its quickest test. */
const props = defineProps<{ spot: Spot }>()
const store = usePlanStore()
const units = useUnits()
const symptom = ref<Symptom>('black')
const causes = shallowRef<readonly Cause[]>()
const choice = ref<HTMLSelectElement>()

watch(
  [() => store.report?.version, symptom, () => `${props.spot.device}/${props.spot.port}`, units],
  async ([version]) => {
    const asked = await store.ask('why', { ...props.spot }, symptom.value, { ...units.value })
    if (version === store.report?.version && asked) causes.value = asked
  },
  { immediate: true },
)
onMounted(() => choice.value?.focus({ preventScroll: true }))
</script>

<template>
  <div class="why">
    <label class="seen"
      ><span class="small quiet">Seen there</span>
      <select ref="choice" v-model="symptom" class="pick">
        <option v-for="(words, id) in SYMPTOMS" :key="id" :value="id">{{ words }}</option>
      </select>
    </label>
    <ol v-if="causes?.length" tabindex="0" aria-label="Causes, the likeliest first">
      <li v-for="cause in causes" :key="cause.what">
        <span :class="{ strong: cause.certain }">{{ cause.what }}</span><span
          v-if="cause.because"
          class="small quiet because"
          >{{ cause.because }}</span
        >
        <span class="small test">{{ cause.test }}</span>
      </li>
    </ol>
    <p v-else-if="causes" class="quiet none">Nothing in this plan would explain it.</p>
  </div>
</template>

<style scoped>
.why {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.seen {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 12px 6px 16px;
  flex: none;
}
.seen .pick {
  flex: 1;
  min-width: 0;
}
ol {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  margin: 0;
  padding: 0 12px 8px 36px;
}
li {
  padding: 4px 0;
  line-height: 1.3;
}
li::marker {
  font-family: var(--figures);
  font-size: 13px;
  color: var(--quiet);
}
.because {
  margin-left: 8px;
}
.test {
  display: block;
  color: var(--chosen);
}
.none {
  margin: 0;
  padding: 8px 16px;
}
</style>
