<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { LinkEnd } from '#core/document'
import { type VideoFormat, formatLabel } from '#core/signal'

import { clientId } from '~/plan/client'
import { usePlanStore } from '~/plan/store'
import type { Question } from '~/plan/sync'

/** Two changes meet: both values, whose they are, and which one stands. */
const props = defineProps<{ question: Question }>()
const store = usePlanStore()

const FIELDS: Record<string, string> = {
  routeM: 'measured way',
  name: 'name',
  standard: 'operating standard',
  format: 'format',
  feed: 'feed',
  label: 'label',
  cable: 'cable',
  pieces: 'pieces',
  adapters: 'adapters',
  mode: 'mode',
  from: 'source end',
  to: 'far end',
  sound: 'sound',
  address: 'network address',
  soundDelayMs: 'delay of the sound',
  gainDb: 'gain of the sound',
  shot: 'shot',
  manned: 'operator',
  shutter: 'shutter',
  note: 'note',
  order: 'place',
  owned: 'count owned',
  hired: 'count hired',
  bought: 'count to buy',
  title: 'title',
  asks: 'what is asked',
  turned: 'direction',
  model: 'model',
}
const what = computed(() => {
  const { at } = props.question.clash
  const [collection, id] = at
  const plan = store.plan
  const last = [...at].reverse().find(key => FIELDS[key])
  const field =
    at.length > 2 || collection === 'title' || collection === 'brief' ? (FIELDS[last ?? ''] ?? at.at(-1)!) : ''
  const link = id !== undefined && collection === 'links' ? plan?.links[id] : undefined
  const owner =
    collection === 'devices'
      ? (plan?.devices[id!]?.name ?? id)
      : link
        ? `the cable from ${plan?.devices[link.from?.device ?? '']?.name ?? 'a loose end'}`
        : collection === 'brief'
          ? 'the brief'
          : collection === 'links'
            ? 'a cable'
            : (id ?? '')
  return field ? `${field} of ${owner}` : String(owner)
})

function words(value: unknown, removal: string): string {
  if (value === undefined) return removal
  if (value === null || typeof value !== 'object') return value === true ? 'yes' : String(value)
  if ('raster' in value) return formatLabel(value as VideoFormat)
  if ('device' in value)
    return `${store.plan?.devices[(value as LinkEnd).device]?.name ?? ''} ${(value as LinkEnd).port}`
  if (Array.isArray(value)) return value.join(' + ')
  return 'a change of several fields'
}
const whole = computed(
  () =>
    props.question.clash.at.length <= 2 ||
    props.question.theirs.transaction.edits.some(edit => edit.do === 'disconnect' || edit.do === 'remove'),
)
const theirs = computed(() => words(props.question.clash.theirs, whole.value ? 'taken out' : 'emptied'))
const mine = computed(() =>
  words(
    props.question.clash.mine,
    props.question.mine.edits.some(edit => edit.do === 'disconnect' || edit.do === 'remove') ? 'taken out' : 'emptied',
  ),
)
const whose = computed(() => {
  const { who, client } = props.question.theirs.transaction
  return who ?? (client === clientId() ? 'Another tab of yours' : 'Somebody else')
})

// Theirs is written already: keeping it is the answer that changes nothing.
const keep = ref<HTMLButtonElement>()
watch(
  () => props.question,
  () => void nextTick(() => requestAnimationFrame(() => keep.value?.focus())),
  { immediate: true },
)
</script>

<template>
  <v-dialog model-value persistent max-width="560" aria-label="Two changes meet">
    <div class="sheet">
      <h2>{{ question.undo ? 'Undo what has been changed since?' : 'Two changes meet' }}</h2>
      <p class="what">
        {{
          question.undo
            ? `You would take back “${question.mine.title.replace(/^Undo: /, '')}”, and ${whose} has changed the same since:`
            : `${whose} and you have both changed this:`
        }}
        <b>{{ what }}</b>.
      </p>
      <dl>
        <dt>{{ whose }}</dt>
        <dd>
          <b>{{ theirs }}</b><span class="small quiet">{{ question.theirs.transaction.title }}</span>
        </dd>
        <dt>You</dt>
        <dd>
          <b>{{ mine }}</b><span class="small quiet">{{ question.mine.title }}</span>
        </dd>
      </dl>
      <div class="ends">
        <button ref="keep" class="btn" type="button" @click="store.answer('theirs')">Keep theirs</button>
        <button class="btn primary" type="button" @click="store.answer('mine')">
          {{ question.undo ? 'Undo all the same' : 'Take mine' }}
        </button>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.what {
  margin: 0;
}
dl {
  display: grid;
  grid-template-columns: minmax(96px, auto) 1fr;
  gap: 8px 20px;
  margin: 0;
  padding: 12px 0;
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  display: flex;
  flex-direction: column;
}
dd b {
  font-size: 20px;
}
</style>
