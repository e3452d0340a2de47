<script setup lang="ts">
import { computed } from 'vue'
import { number } from 'yup'
import { type Entry, type Plan, freshId, setEdit } from '#core/document'
import { usePlanStore } from '~/plan/store'
import { decimal, nameSchema } from '~/ui/typed'

/** Lenses of the kit, for cameras that take one. */
const props = defineProps<{ lenses: Plan['lenses'] }>()
const store = usePlanStore()

const sorted = computed(() =>
  Object.entries(props.lenses).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1)),
)
const mmSchema = number()
  .transform((_value: number, given: unknown) => decimal(String(given)))
  .typeError('millimetres, e.g. 70')
  .min(0.5, 'at least 0.5')
  .max(5000, 'at most 5000')

/** One end of a zoom; the other goes along where it would be passed. */
function zoom(id: string, lens: Entry<'lenses'>, end: 'fromMm' | 'toMm', text: string): void {
  const mm = decimal(text)
  const other = end === 'fromMm' ? 'toMm' : 'fromMm'
  const passed = end === 'fromMm' ? mm > lens.toMm : mm < lens.fromMm
  void store.commit(`${lens.title}: ${mm} mm`.slice(0, 120), [
    setEdit(['lenses', id, end], mm),
    ...(passed ? [setEdit(['lenses', id, other], mm)] : []),
  ])
}
function add(): void {
  const order = 1 + Math.max(0, ...Object.values(props.lenses).map(lens => lens.order))
  const title = `Lens ${Object.keys(props.lenses).length + 1}`
  const id = freshId(title, props.lenses, Math.random)
  void store.commit('A lens in the kit', [
    { do: 'add', collection: 'lenses', id, value: { title, order, fromMm: 24, toMm: 70 } },
  ])
}
const remove = (id: string, { title }: Entry<'lenses'>): void => {
  void store.commit(`${title} stays at home`.slice(0, 120), [{ do: 'remove', collection: 'lenses', id }])
}
</script>

<template>
  <section aria-label="Lenses">
    <h3>Lenses</h3>
    <p class="quiet">
      For cameras that take one. How far a camera stands from whom it shows is said at the camera; each lens is counted
      once.
    </p>
    <div v-for="[id, lens] in sorted" :key="id" class="lens">
      <TypedField
        :value="lens.title"
        :schema="nameSchema"
        needs="a name"
        aria-label="Name of the lens"
        @done="title => store.commit(`Lens ${title}`.slice(0, 120), [setEdit(['lenses', id, 'title'], title)])"
      />
      <label v-for="end in ['fromMm', 'toMm'] as const" :key="end"
        >{{ end === 'fromMm' ? 'from' : 'to' }}
        <TypedField
          class="mm"
          inputmode="decimal"
          :value="lens[end]"
          :schema="mmSchema"
          needs="millimetres"
          :aria-label="`${lens.title}: ${end === 'fromMm' ? 'shortest' : 'longest'} focal length, mm`"
          @done="text => zoom(id, lens, end, text)"
        />
        mm</label
      >
      <button class="btn small" type="button" :aria-label="`Remove ${lens.title}`" @click="remove(id, lens)">
        Remove
      </button>
    </div>
    <button class="btn small" type="button" @click="add">Add a lens</button>
  </section>
</template>

<style scoped>
section {
  margin-top: 32px;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 8px;
}
p {
  max-width: 62ch;
  margin: 0 0 12px;
}
.lens {
  display: grid;
  grid-template-columns: minmax(0, 280px) auto auto auto;
  justify-content: start;
  gap: 12px;
  align-items: center;
  margin-bottom: 8px;
}
label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.mm {
  width: 8ch;
  text-align: right;
  font-family: var(--figures);
}
</style>
