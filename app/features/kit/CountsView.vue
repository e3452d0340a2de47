<script setup lang="ts">
import { computed, ref } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type KitLine, kitLines } from '#core/chain'
import { type Edit, type KitItem, completePlan, freshId, setEdit } from '#core/document'
import { lengthText, moneyText } from '#core/words'
import { useUnits } from '~/shell/look'
import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'
import LensesPart from './LensesPart.vue'
import { decimal, matches, priceSchema } from '~/ui/typed'

/** What is needed of everything, and how much of it is there. */
const props = defineProps<{ filter: string }>()
const store = usePlanStore()
const notices = useNotices()
const units = useUnits()
const plan = computed(() => completePlan(store.plan!))
const money = (minor: number) => moneyText(minor, plan.value.brief.currency ?? CATALOGUE_CURRENCY)

const lines = computed(() => kitLines(plan.value))
type SortKey = 'title' | 'needed' | 'missing' | 'minor'
const sort = ref<{ key: SortKey; down: boolean }>({ key: 'title', down: false })
const shownLines = computed(() => {
  const { key, down } = sort.value
  const rows = lines.value.filter(line => matches(props.filter, line.title))
  return key === 'title' && !down
    ? rows
    : [...rows].sort((a, b) => (a[key] < b[key] ? -1 : a[key] > b[key] ? 1 : 0) * (down ? -1 : 1))
})
function sortBy(key: SortKey): void {
  sort.value = { key, down: sort.value.key === key ? !sort.value.down : key !== 'title' }
}
const COUNTED = { owned: 'owned', hired: 'hired', bought: 'to buy', used: 'second-hand' } as const
type Counted = keyof typeof COUNTED
const nameOf = (line: KitLine) =>
  line.pieceM === undefined ? line.title : `${line.title}, ${lengthText(line.pieceM, units.value)}`

async function count(line: KitLine, field: Counted, value: number): Promise<void> {
  const whole = Math.max(0, Math.min(9999, Math.round(value)))
  if (!Number.isFinite(value) || whole === line[field]) return
  const words = `${nameOf(line)}: ${whole} ${COUNTED[field]}`
  if (line.item !== undefined) {
    await store.commit(words, [
      setEdit(['kit', line.item, field], whole === 0 && field !== 'owned' ? undefined : whole),
    ])
    return
  }
  const value_: KitItem = {
    kind: line.kind,
    id: line.id,
    ...(line.pieceM === undefined ? {} : { pieceM: line.pieceM }),
    owned: 0,
    ...{ [field]: whole },
  }
  await store.commit(words, [
    { do: 'add', collection: 'kit', id: freshId(line.id, plan.value.kit, Math.random), value: value_ },
  ])
}
/** Nothing typed: a tenth of the price again. */
async function hire(line: KitLine, text: string): Promise<void> {
  const minor = text === '' ? undefined : Math.round(decimal(text) * 100)
  await store.commit(`${nameOf(line)}: hire of one ${minor === undefined ? 'as usual' : money(minor)}`.slice(0, 120), [
    setEdit(['kit', line.item!, 'hireMinor'], minor),
  ])
}
async function ownAll(): Promise<void> {
  const edits = lines.value
    .filter(({ item, needed }) => item === undefined && needed > 0)
    .map((line): Edit => ({
      do: 'add',
      collection: 'kit',
      id: freshId(line.id, plan.value.kit, Math.random),
      value: {
        kind: line.kind,
        id: line.id,
        ...(line.pieceM === undefined ? {} : { pieceM: line.pieceM }),
        owned: line.needed,
      },
    }))
  if (edits.length) await store.commit('Count what is used as owned', edits)
}
async function copyTable(): Promise<void> {
  const rows = shownLines.value.map(line =>
    [nameOf(line), line.needed, line.owned, line.hired, line.bought, line.used, line.missing, money(line.minor)].join(
      '\t',
    ),
  )
  await navigator.clipboard.writeText(
    ['Item\tNeeded\tOwned\tHired\tTo buy\tSecond-hand\tMissing\tPrice of one', ...rows].join('\n'),
  )
  notices.tell('The table is in the clipboard.')
}
const uncounted = computed(() => lines.value.filter(({ item, needed }) => item === undefined && needed > 0).length)

defineExpose({ ownAll, copyTable, uncounted })
</script>

<template>
  <div class="counts">
    <table class="sheet-table">
      <thead>
        <tr>
          <th><button type="button" @click="sortBy('title')">Item</button></th>
          <th class="num"><button type="button" @click="sortBy('needed')">needed</button></th>
          <th class="num">owned</th>
          <th class="num">hired</th>
          <th class="num">to buy</th>
          <th class="num">second-hand</th>
          <th class="num"><button type="button" @click="sortBy('missing')">missing</button></th>
          <th class="num"><button type="button" @click="sortBy('minor')">price of one</button></th>
          <th class="num">hire of one</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in shownLines" :key="line.key" :class="{ short: line.missing > 0 && line.item !== undefined }">
          <td>{{ nameOf(line) }}</td>
          <td class="num">{{ line.needed }}</td>
          <td v-for="(word, field) in COUNTED" :key="field" class="num">
            <TypedField
              class="count"
              :class="{ nothing: line.item === undefined }"
              type="number"
              min="0"
              max="9999"
              :value="line.item === undefined ? '' : line[field]"
              :placeholder="line.item === undefined ? '–' : ''"
              :aria-label="`${nameOf(line)}: ${word}`"
              @done="text => count(line, field, Number(text))"
            />
          </td>
          <td class="num">
            <b v-if="line.missing > 0 && line.item !== undefined">{{ line.missing }}</b><span v-else class="quiet">{{
              line.item === undefined ? 'not counted' : '0'
            }}</span>
          </td>
          <td class="num">{{ money(line.minor) }}</td>
          <td class="num">
            <TypedField
              v-if="line.item !== undefined"
              class="price"
              inputmode="decimal"
              :value="String(line.hireMinor / 100)"
              :schema="priceSchema"
              :aria-label="`${nameOf(line)}: hire of one`"
              @done="text => hire(line, text)"
            />
            <template v-else>{{ money(line.hireMinor) }}</template>
          </td>
        </tr>
      </tbody>
    </table>
    <LensesPart :lenses="plan.lenses" />
  </div>
</template>

<style scoped>
.counts {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 8px 16px 40px;
}
.count {
  width: 8ch;
  text-align: right;
  font-family: var(--figures);
  font-size: 13px;
}
.price {
  width: 10ch;
  text-align: right;
  font-family: var(--figures);
  font-size: 13px;
}
.count.nothing {
  border-style: dashed;
}
.short td {
  color: var(--light);
}
th button {
  color: inherit;
  font-size: inherit;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
}
</style>
