<script setup lang="ts">
import { computed, ref } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { hoursText, profileRows } from '#core/features/cost'
import { listWords, moneyText } from '#core/words'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'

/** The show recorded and cut later, against the show mixed while it happens: what each alone takes, and what it saves. */
const store = usePlanStore()
const currency = computed(() => store.plan?.brief?.currency ?? CATALOGUE_CURRENCY)
/** How often each hour of each camera is gone through in the edit. */
const handled = ref(1)
const found = useAnswer('profiles', () => [handled.value] as const)
const count = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`

const shortList = (names: readonly string[]): string =>
  names.length > 12 ? `${names.slice(0, 12).join(', ')} and ${names.length - 12} more` : listWords(names)

const sentence = computed(() => {
  const now = found.value
  if (!now) return ''
  if (now.cameras === 0) return 'Without cameras there is nothing to mix and nothing to cut.'
  const saved =
    now.editHours === undefined
      ? 'How long the show lasts is not said, so nobody knows what switching saves in the edit'
      : `Switching saves about ${hoursText(now.editHours)} in the edit: ${count(now.cameras, 'camera')}, ${hoursText(now.hours!)} each`
  const more = now.live.minor - now.recorded.minor
  return `${saved}. It takes ${moneyText(Math.abs(more), currency.value)} ${more < 0 ? 'less' : 'more'} than recording each camera alone.`
})
const rows = computed(() => (found.value ? profileRows(found.value, currency.value) : []))
</script>

<template>
  <BudgetPage :sentence="sentence">
    <template v-if="found?.cameras">
      <table class="profiles">
        <thead>
          <tr>
            <th scope="col"></th>
            <th scope="col">Recorded, cut later</th>
            <th scope="col">Mixed live</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.title">
            <th scope="row">{{ row.title }}</th>
            <td class="figures">{{ row.recorded }}</td>
            <td class="figures">{{ row.live }}</td>
          </tr>
        </tbody>
      </table>
      <p class="handled">
        Each hour of each camera is gone through
        <button
          type="button"
          class="btn small"
          aria-label="Less often"
          :disabled="handled <= 0.5"
          @click="handled -= 0.5"
        >
          &minus;
        </button>
        <b class="figures">{{ handled }}</b>
        <button
          type="button"
          class="btn small"
          aria-label="More often"
          :disabled="handled >= 10"
          @click="handled += 0.5"
        >
          +
        </button>
        {{ handled === 1 ? 'time' : 'times' }}.
      </p>
      <p v-if="found.live.alone.length"><b>Only mixed live:</b> {{ shortList(found.live.alone) }}.</p>
      <p v-if="found.recorded.alone.length"><b>Only recorded:</b> {{ listWords(found.recorded.alone) }}.</p>
      <p v-if="found.unkept.length">
        <b>Kept by nothing:</b> {{ listWords(found.unkept) }}. To cut later,
        {{ found.unkept.length === 1 ? 'it wants' : 'each of them wants' }} a recorder, or a camera that records inside.
      </p>
      <p v-else>Every camera is kept by itself, so a wrong cut can be mended later.</p>
    </template>
    <p v-else class="quiet">
      Put cameras into the plan; then this says what recording alone, and mixing live, would take.
    </p>
  </BudgetPage>
</template>

<style scoped>
.profiles {
  border-collapse: collapse;
  margin: 16px 0;
  max-width: 760px;
  width: 100%;
}
.profiles th,
.profiles td {
  text-align: left;
  padding: 8px 16px 8px 0;
  border-bottom: 1px solid var(--line);
  font-weight: 400;
}
.profiles thead th {
  color: var(--quiet);
}
.handled {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
