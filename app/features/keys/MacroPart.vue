<script setup lang="ts">
import { computed, ref } from 'vue'
import { number } from 'yup'
import { emptyPlan } from '#core/document'
import type { Made, OverlayRow, Times } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'

/** An overlay as a macro: it comes, stands and goes; or it covers a cut. */
const props = defineProps<{ row: OverlayRow }>()
const store = usePlanStore()
const notices = useNotices()
const plan = computed(() => store.plan ?? emptyPlan(''))
const STRETCHES = [
  ['in', 'Comes'],
  ['hold', 'Stands'],
  ['out', 'Goes'],
] as const
const times = ref<Times>({ in: 12, hold: 250, out: 12 })
const framesSchema = number()
  .typeError('whole frames')
  .integer('whole frames')
  .min(1, '1 or more')
  .max(50_000, 'at most 50 000')
/** Clips of its source of which was measured when they cover the whole picture. */
const stingers = computed(() =>
  Object.entries(plan.value.clips).filter(
    ([, { player, measured }]) => player === props.row.overlay.fill && measured?.covers !== undefined,
  ),
)
async function keep(made: Made | undefined): Promise<void> {
  if (!made) return
  if ('why' in made) return notices.tell(`No macro was made: ${made.why}.`)
  if (await store.commit(`Make ${made.title}`.slice(0, 120), [...made.edits]))
    notices.tell(`${made.title} stands among the macros, in Prove, Rehearse.`)
}
const asMacro = async () => keep(await store.ask('lowerThird', props.row.id, { ...times.value }))
const overCut = async (clip: string) => keep(await store.ask('stinger', props.row.id, clip))

defineExpose({ asMacro })
</script>

<template>
  <h3>As a macro</h3>
  <div class="sides macro">
    <label v-for="[which, words] in STRETCHES" :key="which"
      ><span class="small quiet">{{ words }}, frames</span>
      <TypedField
        inputmode="numeric"
        :value="times[which]"
        :schema="framesSchema"
        needs="frames"
        :aria-label="`${words}, frames`"
        @done="text => (times = { ...times, [which]: Number(text) })"
    /></label>
  </div>
  <p>
    <button type="button" class="btn small" @click="asMacro">Make it come and go <span class="key">E</span></button>
  </p>
  <p v-for="[id, clip] in stingers" :key="id">
    <button type="button" class="btn small" @click="overCut(id)">Over a cut: {{ clip.title }}</button>
  </p>
</template>

<style scoped>
.macro {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 4px;
}
.sides {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 6px;
}
</style>
