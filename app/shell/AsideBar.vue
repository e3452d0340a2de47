<script setup lang="ts">
import { computed, ref } from 'vue'
import { asides, waiting } from '~/plan/persist'
import { api } from '~/plan/api'
import { saveFile } from '~/ui/save-file'
import { usePlanStore } from '~/plan/store'
import { useNotices } from './notices'

/** Changes of mine that are not on the server and will not get there by themselves: nothing of them is lost. */
const props = defineProps<{ show: string; plan: string }>()
const store = usePlanStore()
const notices = useNotices()
const sure = ref(false)

const missing = computed(() => store.state === 'missing' || store.saving === 'gone')
/** With the plan gone, also those that were on their way. */
const kept = computed(() => {
  const name = `${props.show}/${props.plan}`
  return missing.value
    ? [...asides(name), ...waiting(name).map(transaction => ({ transaction, why: 'not sent' }))]
    : store.aside
})
const words = computed(() => {
  const [first] = kept.value
  const n = kept.value.length
  return n === 1
    ? `One change of yours is not saved: ${first!.transaction.title} (${first!.why}).`
    : `${n} changes of yours are not saved, first: ${first!.transaction.title} (${first!.why}).`
})

function save(): void {
  const body = { interlumen: 'changes', show: props.show, plan: props.plan, changes: kept.value }
  saveFile(
    `${props.show}-${props.plan}-changes.json`,
    new Blob([JSON.stringify(body, null, 2)], { type: 'application/json' }),
  )
}

async function restore(): Promise<void> {
  try {
    await api(`/shows/${props.show}/restore`, { method: 'POST' })
    await store.open(props.show, props.plan)
  } catch (error) {
    notices.tell(`The show cannot be brought back: ${(error as Error).message}`, 'wrong')
  }
}
</script>

<template>
  <aside v-if="kept.length" class="aside no-print" role="alert">
    <p>{{ words }}</p>
    <button v-if="missing" type="button" class="btn small" @click="restore">Bring the show back</button>
    <button v-else type="button" class="btn small" @click="store.takeUp()">Try again</button>
    <button type="button" class="btn small" @click="save">Keep as a file</button>
    <button v-if="!missing && !sure" type="button" class="btn small plain" @click="sure = true">Throw away …</button>
    <button
      v-else-if="!missing"
      type="button"
      class="btn small"
      @click="
        () => {
          sure = false
          store.dropAside()
        }
      "
    >
      Throw {{ kept.length === 1 ? 'it' : `all ${kept.length}` }} away for good
    </button>
  </aside>
</template>

<style scoped>
.aside {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  background: var(--surface);
  border-left: 3px solid var(--dark);
}
p {
  margin: 0;
  flex: 1 1 320px;
  min-width: 0;
}
</style>
