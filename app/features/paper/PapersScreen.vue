<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useBoardStore } from '~/board/selection'
import { computed, ref } from 'vue'
import { slug } from '#core/document'
import { type Paper } from '#core/kernel'
import { paperText } from '#core/features/paper'

import { paperCsv } from '~/features/paper/csv'
import { papersXlsx } from '~/features/paper/xlsx'
import { useUnits } from '~/shell/look'
import { useNotices } from '~/shell/notices'
import { saveFile } from '~/ui/save-file'
import { usePlanStore } from '~/plan/store'
import { useAnswer } from '~/plan/answer'

const store = usePlanStore()
const selection = useBoardStore()
const notices = useNotices()
const units = useUnits()
const made = useAnswer('papers', () => [units.value] as const)
const asked = useRoute().query.paper
const chosen = ref<Paper['id']>(typeof asked === 'string' ? asked : 'cables')

const paper = computed(() => made.value?.papers.find(({ id }) => id === chosen.value))
const columns = computed(() => paper.value?.columns.filter(({ key }) => paper.value!.rows.some(row => row[key])) ?? [])
const letter = computed(() => store.plan?.brief.paper === 'letter')
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(new Date())

// The size of the page is the plan's, and cannot be written in a scoped style.
useHead({
  style: [
    {
      key: 'page',
      innerHTML: computed(() => `@page { size: ${letter.value ? 'letter' : 'A4'} landscape; margin: 12mm }`),
    },
  ],
})

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey) return
  const by = ['ArrowLeft', 'ArrowUp'].includes(event.key) ? -1 : ['ArrowRight', 'ArrowDown'].includes(event.key) ? 1 : 0
  const all = made.value?.papers ?? []
  const next = all[all.findIndex(({ id }) => id === chosen.value) + by]
  if (by === 0 || !next) return
  event.preventDefault()
  chosen.value = next.id
})

function print(): void {
  window.print()
}
const offer = (content: Blob, name: string): void => saveFile(`${slug(store.show?.title ?? 'show')}-${name}`, content)
function download(): void {
  if (paper.value)
    offer(new Blob([`\uFEFF${paperCsv(paper.value)}`], { type: 'text/csv;charset=utf-8' }), `${paper.value.id}.csv`)
}
async function workbook(): Promise<void> {
  try {
    offer(await papersXlsx(made.value?.papers ?? []), 'papers.xlsx')
  } catch (error) {
    notices.tell(`The workbook could not be written: ${(error as Error).message}`, 'wrong')
  }
}
async function copy(): Promise<void> {
  if (!paper.value) return
  await navigator.clipboard.writeText(paperText(paper.value))
  notices.tell('The paper is in the clipboard.')
}
</script>

<template>
  <PlanFrame screen="papers" :foot-name="paper?.title">
    <template #controls
      ><template v-if="made">
        <span class="small quiet about" :title="paper?.about">{{ paper?.about }}</span>
        <button type="button" class="btn small" @click="copy">Copy as text</button>
        <button type="button" class="btn small" @click="download">CSV</button>
        <button type="button" class="btn small" title="All papers, a sheet each" @click="workbook">XLSX, all</button>
        <button type="button" class="btn small primary" @click="print">Print, {{ letter ? 'Letter' : 'A4' }}</button>
      </template></template
    >
    <div v-if="made" class="papers">
      <div class="tabs" role="tablist" aria-label="Papers" aria-orientation="vertical">
        <button
          v-for="one in made.papers"
          :key="one.id"
          type="button"
          role="tab"
          :aria-selected="one.id === chosen"
          :class="{ on: one.id === chosen }"
          @click="chosen = one.id"
        >
          {{ one.title }}
        </button>
      </div>
      <div class="desk" tabindex="0">
        <article v-if="paper" class="paper" :class="{ letter }">
          <header>
            <div>
              <h2>{{ paper.title }}</h2>
              <p>{{ store.show?.title }}, {{ store.plan?.title }}</p>
            </div>
            <div class="head">
              <p v-for="line in made.head" :key="line">{{ line }}</p>
              <p>as of {{ day }}</p>
            </div>
          </header>
          <p v-if="paper.rows.length === 0" class="nothing">Nothing is planned that would stand here yet.</p>
          <table v-else>
            <thead>
              <tr>
                <th v-for="column in columns" :key="column.key" :class="{ fig: column.figures }">{{ column.title }}</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="(row, i) in paper.rows"
                :key="i"
                :class="{ again: i > 0 && row[columns[0]!.key] === paper.rows[i - 1]![columns[0]!.key] }"
              >
                <td v-for="column in columns" :key="column.key" :class="{ fig: column.figures }">
                  {{ row[column.key] }}
                </td>
              </tr>
            </tbody>
          </table>
        </article>
      </div>
    </div>
    <div v-else class="screen quiet" role="status">Writing the papers …</div>
  </PlanFrame>
</template>

<style scoped>
.papers {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 196px minmax(0, 1fr);
}
.tabs {
  border-right: 1px solid var(--border);
  background: var(--surface);
  padding: 8px 0 16px;
  overflow-y: auto;
}
.tabs button {
  display: block;
  width: 100%;
  min-height: 38px;
  padding: 4px 12px 4px 17px;
  text-align: left;
  color: var(--quiet);
  border-left: 3px solid transparent;
}
.tabs button:hover {
  background: var(--hover);
}
.tabs button.on {
  color: var(--text);
  font-weight: 650;
  background: var(--raised);
  border-left-color: var(--chosen);
}
.about {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.desk {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 24px;
  background: var(--raised);
}
/* A sheet is white paper in either theme. */
.paper {
  background: #ffffff;
  color: #20222a;
  width: 297mm;
  max-width: 100%;
  min-height: 200mm;
  margin: 0 auto;
  padding: 12mm;
  border: 1px solid var(--line);
}
.paper.letter {
  width: 279mm;
  min-height: 205mm;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 32px;
  border-bottom: 2px solid #20222a;
  padding-bottom: 8px;
  margin-bottom: 8px;
}
header p {
  margin: 0;
}
.paper h2 {
  font: 650 28px/1.1 var(--words);
  margin: 0 0 2px;
}
.head {
  text-align: right;
  font-size: 13px;
  color: #5c594f;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 13px;
  line-height: 1.3;
}
th {
  text-align: left;
  font-weight: 400;
  color: #5c594f;
  border-bottom: 1px solid #77736a;
  padding: 4px 10px 3px 0;
  vertical-align: bottom;
}
td {
  border-bottom: 1px solid #dad4c8;
  padding: 4px 10px 3px 0;
  vertical-align: baseline;
}
.fig {
  font-family: var(--figures);
  white-space: nowrap;
}
tr.again td:first-child {
  color: #8b877d;
}
.nothing {
  color: #5c594f;
}
@media (max-width: 900px) {
  .papers {
    grid-template-columns: 148px minmax(0, 1fr);
  }
}
@media print {
  .tabs {
    display: none;
  }
  .papers,
  .desk {
    display: block;
    overflow: visible;
    padding: 0;
    background: #ffffff;
  }
  .paper {
    width: auto;
    max-width: none;
    min-height: 0;
    border: 0;
    padding: 0;
  }
  tr {
    break-inside: avoid;
  }
  thead {
    display: table-header-group;
  }
}
</style>
