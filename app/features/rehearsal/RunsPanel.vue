<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { string } from 'yup'
import { type Problem, problemText, slug } from '#core/document'
import type { Summary } from '#core/features/rehearsal'
import { saveFile } from '~/ui/save-file'
import { useNotices } from '~/shell/notices'
import SidePanel from './SidePanel.vue'
import { type KeptRun, useKeptRuns } from './kept'
import { useRehearsal } from './store'

/** Runs that were kept, and two of them beside each other: how often each audience's picture changed, and wrongly. */
const props = defineProps<{ plan: string; clock: (tick: number) => string }>()
const live = useRehearsal()
const notices = useNotices()
const { runs, add, remove } = useKeptRuns(() => props.plan)
const naming = ref(false)
const problem = ref<Problem>()
const schema = string().trim().required('a name').max(80, 'at most 80 characters')
const FULL = 'This browser has no room for another run: remove one, or save it as a file.'

async function keep(title: string): Promise<void> {
  naming.value = false
  const run = await live.kept()
  if (run && !add({ title, at: new Date().toISOString(), run })) notices.tell(FULL)
}
function save(one: KeptRun): void {
  saveFile(`${slug(one.title)}.json`, new Blob([JSON.stringify(one.run, null, 2)], { type: 'application/json' }))
}
async function load(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const read = await live.read(await file.text())
  problem.value = read && !read.ok ? read.problem : undefined
  if (
    read?.ok &&
    !add({ title: file.name.replace(/\.json$/, '').slice(0, 80), at: new Date().toISOString(), run: read.value })
  )
    notices.tell(FULL)
}
const chosen = shallowRef<readonly KeptRun[]>([])
const sums = shallowRef<readonly { readonly title: string; readonly of: Summary; readonly foreign: boolean }[]>([])
const counting = ref(false)
async function choose(one: KeptRun): Promise<void> {
  chosen.value = chosen.value.includes(one)
    ? chosen.value.filter(other => other !== one)
    : [...chosen.value, one].slice(-2)
  counting.value = true
  try {
    const mine = (await live.kept())?.plan
    const found = await Promise.all(
      chosen.value.map(async ({ title, run }) => ({ title, of: await live.again(run), foreign: run.plan !== mine })),
    )
    sums.value = found.flatMap(({ title, of, foreign }) => (of ? [{ title, of, foreign }] : []))
  } finally {
    counting.value = false
  }
}
const names = computed(() => [...new Set(sums.value.flatMap(({ of }) => of.sinks.map(({ name }) => name)))])
const cell = (of: Summary, name: string): string => {
  const one = of.sinks.find(sink => sink.name === name)
  if (!one) return ''
  return `${one.changes} ${one.changes === 1 ? 'change' : 'changes'}, ${one.wrong} wrong ${one.wrong === 1 ? 'frame' : 'frames'}`
}
const day = (at: string): string => at.slice(0, 16).replace('T', ' ')
</script>

<template>
  <SidePanel title="Runs">
    <div class="row">
      <button type="button" class="btn primary" @click="naming = true">Keep this run</button>
      <label class="btn small file"
        >Open a file<input type="file" accept=".json,application/json" @change="load"
      /></label>
    </div>
    <p v-if="problem" role="alert"><b>This is no run.</b> {{ problemText(problem) }}</p>
    <p v-if="runs.length === 0" class="quiet">
      No run is kept yet. A run that is kept is what happened and when: it can be held beside another, and the command
      line runs it again.
    </p>
    <ul>
      <li v-for="one in runs" :key="one.at + one.title">
        <label class="pickrun"
          ><input type="checkbox" :checked="chosen.includes(one)" @change="choose(one)" />
          <span class="cut"
            ><b>{{ one.title }}</b>
            <span class="quiet small figures">{{ day(one.at) }}, {{ one.run.events.length }} events</span></span
          ></label
        >
        <button type="button" class="btn small" @click="save(one)">Save</button>
        <button type="button" class="btn small" @click="remove(one)">Remove</button>
      </li>
    </ul>
    <p v-if="runs.length > 1 && chosen.length < 2" class="quiet small">Tick two to hold them beside each other.</p>
    <p v-if="counting" class="quiet" role="status">Running them again …</p>
    <div v-else-if="sums.length" class="scroll">
      <table>
        <thead>
          <tr>
            <td />
            <th v-for="one in sums" :key="one.title" scope="col">{{ one.title }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Length</th>
            <td v-for="one in sums" :key="one.title" class="figures">{{ one.of.seconds.toFixed(1) }} s</td>
          </tr>
          <tr>
            <th scope="row">Presses</th>
            <td v-for="one in sums" :key="one.title" class="figures">
              {{ one.of.presses }}<template v-if="one.of.refused">, {{ one.of.refused }} refused</template>
            </td>
          </tr>
          <tr v-for="name in names" :key="name">
            <th scope="row">{{ name }}</th>
            <td v-for="one in sums" :key="one.title" class="figures">{{ cell(one.of, name) }}</td>
          </tr>
          <tr>
            <th scope="row">Fingerprint</th>
            <td v-for="one in sums" :key="one.title" class="figures code">{{ one.of.fingerprint }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="sums.some(one => one.foreign)" class="small">
        One of them was made with another version of the plan: it ran with this one.
      </p>
      <div class="lines">
        <div v-for="one in sums" :key="one.title">
          <h3>{{ one.title }}</h3>
          <ol class="small">
            <li v-for="(line, i) in one.of.lines.slice(0, 200)" :key="i">
              <span class="figures quiet">{{ clock(line.tick) }}</span> {{ line.words
              }}<b v-if="line.refused">, refused</b>
            </li>
          </ol>
        </div>
      </div>
    </div>
    <LazyPromptDialog
      v-if="naming"
      open
      title="Keep this run"
      label="Its name"
      value=""
      :schema="schema"
      hint="It stays in this browser; as a file it goes anywhere."
      @done="keep"
      @close="naming = false"
    />
  </SidePanel>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}
.file {
  position: relative;
  overflow: hidden;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--chosen);
}
p {
  margin: 0 0 8px;
}
ul,
ol {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
ul li {
  display: flex;
  gap: 6px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
.pickrun {
  display: flex;
  gap: 8px;
  align-items: center;
  flex: 1;
  min-width: 0;
}
.pickrun .cut {
  display: flex;
  flex-direction: column;
}
.scroll {
  overflow: auto;
}
table {
  border-collapse: collapse;
  margin-bottom: 8px;
}
th,
td {
  text-align: left;
  padding: 3px 12px 3px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
th {
  font-weight: 650;
}
.code {
  font-size: 13px;
}
.lines {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 0 0 4px;
}
</style>
