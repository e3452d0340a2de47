<script setup lang="ts">
import { emptyPlan, freshId, setEdit } from '#core/document'
import type { DistributionLoad } from '#core/features/power'
import { computed } from 'vue'
import { figure } from '#core/words'
import { usePlanStore } from '~/plan/store'
import { ampsSchema, decimal, nameSchema } from '~/ui/typed'

/** Three-phase distributions: what each phase carries at the most, and what comes back over the neutral. */
defineProps<{ all: readonly DistributionLoad[] }>()
const store = usePlanStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
async function add(): Promise<void> {
  const title = `Distribution ${Object.keys(plan.value.distributions).length + 1}`
  const order = 1 + Math.max(0, ...Object.values(plan.value.distributions).map(one => one.order))
  const id = freshId(title, plan.value.distributions, Math.random)
  await store.commit('Add a three-phase distribution', [
    { do: 'add', collection: 'distributions', id, value: { title, order, amps: 32 } },
  ])
}
const rename = (id: string, title: string): void =>
  void store.commit(`Call it ${title}`.slice(0, 120), [setEdit(['distributions', id, 'title'], title)])
const rate = (one: DistributionLoad, text: string): void =>
  void store.commit(`Protection of ${one.title}: ${text}\u00A0A a phase`.slice(0, 120), [
    setEdit(['distributions', one.id, 'amps'], decimal(text)),
  ])
const remove = (one: DistributionLoad): void =>
  void store.commit(`Take out ${one.title}`.slice(0, 120), [{ do: 'remove', collection: 'distributions', id: one.id }])
const circuitsOf = (ids: readonly string[]): string => ids.map(id => plan.value.circuits[id]?.title ?? id).join(', ')
</script>

<template>
  <section class="phases" aria-label="Three-phase distributions">
    <div class="head">
      <h3>Three-phase distributions</h3>
      <button type="button" class="btn small" @click="add">Add a distribution</button>
    </div>
    <p v-if="all.length === 0" class="small quiet">
      None is said. Where the house gives three phases, add it, and say of each circuit on which phase it is.
    </p>
    <table v-else>
      <thead>
        <tr>
          <th>Distribution</th>
          <th class="figures">A a phase</th>
          <th class="figures">Phase 1</th>
          <th class="figures">Phase 2</th>
          <th class="figures">Phase 3</th>
          <th class="figures">Neutral</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in all" :key="one.id">
          <td>
            <TypedField
              :value="one.title"
              :schema="nameSchema"
              needs="a name"
              :aria-label="`Name of ${one.title}`"
              @done="text => rename(one.id, text)"
            />
          </td>
          <td class="figures">
            <TypedField
              inputmode="decimal"
              class="amps"
              :value="one.ratedA"
              :schema="ampsSchema"
              needs="a current"
              :aria-label="`Protection of ${one.title}, A a phase`"
              @done="text => rate(one, text)"
            />
          </td>
          <td v-for="phase in one.phases" :key="phase.phase" class="figures" :title="circuitsOf(phase.circuits)">
            <span :class="{ strong: phase.share > 0.8 }"
              >{{ figure(phase.mostA) }}&nbsp;A, {{ figure(phase.share * 100, 0) }}&nbsp;%</span
            >
          </td>
          <td class="figures">{{ figure(one.neutralA) }}&nbsp;A</td>
          <td class="act">
            <button type="button" class="btn plain small" @click="remove(one)">Take out</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-for="one in all.filter(({ unsaid }) => unsaid.length)" :key="one.id" class="small quiet">
      {{ one.title }}: nobody says the phase of {{ circuitsOf(one.unsaid) }}.
    </p>
  </section>
</template>

<style scoped>
.phases {
  margin-top: 20px;
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 0;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 6px;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--quiet);
  padding: 4px 8px;
}
td {
  padding: 4px 8px;
  border-top: 1px solid var(--line);
}
th.figures,
td.figures {
  text-align: right;
  white-space: nowrap;
}
.amps {
  width: 72px;
  text-align: right;
}
.act {
  text-align: right;
}
</style>
