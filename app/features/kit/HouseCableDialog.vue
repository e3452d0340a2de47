<script setup lang="ts">
import { computed, ref } from 'vue'
import { number, string } from 'yup'
import { type CableModel, LEADS } from '#core/cable'
import { freshId, slug } from '#core/document'
import { placesOf } from '#core/features/continuity'

import { toMetres, useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'

/** A cable that lies in the building: between which places, of which kind, how long. */
const emit = defineEmits<{ close: [] }>()
const store = usePlanStore()
const units = useUnits()
const plan = computed(() => store.plan!)
const name = ref('')
const kind = ref('coax-rg6')
const length = ref('')
const from = ref('')
const to = ref('')
const error = ref<string>()
const kinds = [...LEADS].flatMap(([value, row]) => (row.kind === 'cable' ? [{ title: row.title, value }] : []))
const lengthSchema = number()
  .transform((value, original) => (typeof original === 'string' ? Number(original.replace(',', '.')) : value))
  .typeError('a length, e.g. 40')
  .moreThan(0, 'a length above 0')
  .max(20_000, 'at most 20 000')
const placeSchema = string().required('both places').max(120, 'at most 120 characters')

async function take(): Promise<void> {
  try {
    string().required('a name').max(100, 'at most 100 characters').validateSync(name.value.trim())
    lengthSchema.validateSync(length.value.trim())
    placeSchema.validateSync(from.value.trim())
    placeSchema.validateSync(to.value.trim())
    if (from.value.trim() === to.value.trim()) throw new Error('two different places')
  } catch (problem) {
    error.value = (problem as Error).message
    return
  }
  const { from: _, ...row } = LEADS.get(kind.value) as CableModel
  const m = Number(toMetres(Number(length.value.trim().replace(',', '.')), units.value).toFixed(3))
  const id = freshId(slug(name.value).slice(0, 50) || 'house-cable', plan.value.leads, Math.random)
  const lead: CableModel = {
    ...row,
    title: name.value.trim(),
    short: name.value.trim().slice(0, 12),
    joins: false,
    stock: [{ m, priceMinor: 0 }],
    installed: [from.value.trim(), to.value.trim()],
  }
  if (
    await store.commit(`Cable of the house: ${name.value.trim()}`.slice(0, 120), [
      { do: 'add', collection: 'leads', id, value: lead },
      {
        do: 'add',
        collection: 'kit',
        id: freshId(id.slice(0, 50), plan.value.kit, Math.random),
        value: { kind: 'lead', id, pieceM: m, owned: 1 },
      },
    ])
  )
    emit('close')
}
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="520"
    aria-label="A cable of the house"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <form class="sheet" @submit.prevent="take">
      <h2>A cable of the house</h2>
      <p class="quiet">
        It lies in the wall already. Where it reaches it is offered first, between devices that stand at its two places.
      </p>
      <v-text-field v-model="name" label="What it is called there" autofocus />
      <v-select v-model="kind" :items="kinds" label="Kind of cable" />
      <v-text-field v-model="length" label="Length" :suffix="units.length" inputmode="decimal" />
      <div class="two">
        <v-combobox
          v-model="from"
          :items="placesOf(plan)"
          label="From"
          variant="outlined"
          density="compact"
          hide-details
        /><v-combobox
          v-model="to"
          :items="placesOf(plan)"
          label="To"
          variant="outlined"
          density="compact"
          hide-details
        />
      </div>
      <p v-if="error" role="alert">Still needed: {{ error }}.</p>
      <div class="ends">
        <button class="btn" type="button" @click="emit('close')">Cancel</button
        ><button class="btn primary" type="submit">Take it</button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
p {
  margin: 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
