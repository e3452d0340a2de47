<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { onMounted, ref, shallowRef } from 'vue'
import { string } from 'yup'
import type { ShowSummary } from '#shared/api'
import { api, ApiError } from '~/plan/api'
import { useNotices } from '~/shell/notices'

const notices = useNotices()
const router = useRouter()
const shows = shallowRef<readonly ShowSummary[]>()
const binned = shallowRef<readonly ShowSummary[]>([])
const failure = ref<string>()
const dialog = ref<'new' | 'rename'>()
const renaming = shallowRef<ShowSummary>()
const refusal = shallowRef<{ file: string; path: string; found: string; allowed: string }>()
const file = ref<HTMLInputElement>()
const titleSchema = string().required('a title').max(120, 'at most 120 characters')

useHead({ title: 'Interlumen: shows' })
onMounted(load)

async function load(): Promise<void> {
  failure.value = undefined
  try {
    const [now, bin] = await Promise.all([api<ShowSummary[]>('/shows'), api<ShowSummary[]>('/shows?bin=1')])
    shows.value = now
    binned.value = bin
  } catch (error) {
    failure.value = (error as Error).message
  }
}

async function attempt(what: () => Promise<unknown>): Promise<void> {
  try {
    await what()
    await load()
  } catch (error) {
    notices.tell((error as Error).message, 'wrong')
  }
}

async function create(title: string): Promise<void> {
  dialog.value = undefined
  await attempt(async () => {
    const { id } = await api<{ id: string }>('/shows', { method: 'POST', body: { title } })
    await router.push(`/shows/${id}/main/runs`)
  })
}

async function bring(chosen: File): Promise<void> {
  refusal.value = undefined
  try {
    const { id } = await api<{ id: string }>('/shows/import', { method: 'POST', bytes: chosen })
    await load()
    const show = shows.value?.find(candidate => candidate.id === id)
    notices.tell(`Imported ${show?.title ?? chosen.name}`)
  } catch (error) {
    if (error instanceof ApiError && error.code === 'refused')
      refusal.value = {
        file: chosen.name,
        path: String(error.data.path),
        found: String(error.data.found),
        allowed: String(error.data.allowed),
      }
    else notices.tell(`${chosen.name}: ${(error as Error).message}`, 'wrong')
  }
}

function chose(event: Event): void {
  const input = event.target as HTMLInputElement
  const [chosen] = input.files ?? []
  if (chosen) void bring(chosen)
  input.value = ''
}
const copyFile = ref<HTMLInputElement>()
const restoring = ref<{ file: string; folder?: string; why?: string }>()
async function choseCopy(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [chosen] = input.files ?? []
  if (!chosen) return
  restoring.value = { file: chosen.name }
  input.value = ''
  try {
    const { folder } = await api<{ folder: string }>('/restore', { method: 'POST', bytes: chosen })
    restoring.value = { file: chosen.name, folder }
  } catch (error) {
    restoring.value = { file: chosen.name, why: (error as Error).message }
  }
}
useEventListener(window, 'dragover', event => event.preventDefault())
useEventListener(window, 'drop', (event: DragEvent) => {
  event.preventDefault()
  const [dropped] = event.dataTransfer?.files ?? []
  if (dropped) void bring(dropped)
})

async function bin(show: ShowSummary): Promise<void> {
  await attempt(() => api(`/shows/${show.id}`, { method: 'DELETE' }))
  notices.tell(`${show.title} is in the bin`, 'info', { label: 'Undo', run: () => void restore(show) })
}
const restore = (show: ShowSummary) => attempt(() => api(`/shows/${show.id}/restore`, { method: 'POST' }))
const duplicate = (show: ShowSummary) => attempt(() => api(`/shows/${show.id}/duplicate`, { method: 'POST' }))

async function rename(title: string): Promise<void> {
  const show = renaming.value
  dialog.value = undefined
  if (show) await attempt(() => api(`/shows/${show.id}`, { method: 'PATCH', body: { title } }))
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (
    dialog.value ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    (event.target instanceof HTMLElement && event.target.closest('input'))
  )
    return
  if (event.key === 'n') dialog.value = 'new'
  else if (event.key === 'i') file.value?.click()
  else return
  event.preventDefault()
})

const runsOf = (show: ShowSummary) => `/shows/${show.id}/${show.plans[0]?.id ?? 'main'}/runs`
const changed = (show: ShowSummary) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(
    new Date(show.updatedAt),
  )
</script>

<template>
  <main class="page">
    <header class="header">
      <InterMark /><span class="strong">Interlumen</span>
      <span class="quiet small">whether every picture will arrive</span>
      <button class="btn" type="button" @click="file?.click()">Import a file <span class="key">I</span></button>
      <button class="btn primary" type="button" @click="dialog = 'new'">New show <span class="key">N</span></button>
      <input
        ref="file"
        class="unseen"
        type="file"
        accept=".json,.zip,application/json,application/zip"
        tabindex="-1"
        aria-label="File to import"
        @change="chose"
      />
    </header>
    <section class="body">
      <h1>Shows</h1>
      <div v-if="refusal" class="refusal" role="alert">
        <p>
          <b>{{ refusal.file }} was not imported.</b> Nothing was changed.
        </p>
        <dl>
          <dt>at</dt>
          <dd class="figures">{{ refusal.path }}</dd>
          <dt>found</dt>
          <dd>{{ refusal.found }}</dd>
          <dt>allowed</dt>
          <dd>{{ refusal.allowed }}</dd>
        </dl>
        <button class="btn" type="button" @click="refusal = undefined">Close</button>
      </div>
      <div v-if="restoring" class="refusal" :role="restoring.why ? 'alert' : 'status'">
        <p v-if="restoring.why">
          <b>{{ restoring.file }} was not restored.</b> {{ restoring.why }}
        </p>
        <template v-else-if="restoring.folder">
          <p>
            <b>{{ restoring.file }} is restored beside what is here</b>, in a data folder of its own. Stop this server,
            and start it on that folder to work with it:
          </p>
          <p class="figures">INTERLUMEN_DATA={{ restoring.folder }}</p>
        </template>
        <p v-else>Restoring {{ restoring.file }} …</p>
        <button class="btn" type="button" @click="restoring = undefined">Close</button>
      </div>
      <div v-if="failure" class="refusal" role="alert">
        <p>{{ failure }}</p>
        <button class="btn primary" type="button" @click="load">Try again</button>
      </div>
      <p v-else-if="!shows" class="quiet" role="status">Opening the data folder …</p>
      <p v-else-if="shows.length === 0" class="quiet">
        No show yet. Begin one with N, or drop a show file anywhere on this page.
      </p>
      <ul v-else>
        <li v-for="show in shows" :key="show.id">
          <NuxtLink class="open" :to="runsOf(show)">
            <span class="title cut"
              >{{ show.title
              }}<span v-if="show.plans.length > 1" class="small quiet">, {{ show.plans.length }} plans</span></span
            >
            <span v-if="show.plans[0]?.damaged" class="verdict">cannot be read: it is damaged</span>
            <template v-else-if="show.plans[0]">
              <span class="lamps" aria-hidden="true"
                ><i
                  v-for="n in Math.min(24, show.plans[0].verdict.wanted)"
                  :key="n"
                  :class="{
                    lit:
                      n / Math.min(24, show.plans[0].verdict.wanted) <=
                      show.plans[0].verdict.arrive / show.plans[0].verdict.wanted,
                  }"
              /></span>
              <span class="verdict">{{
                show.plans[0].verdict.wanted
                  ? `${show.plans[0].verdict.arrive} of ${show.plans[0].verdict.wanted} pictures arrive`
                  : 'nothing planned yet'
              }}</span>
            </template>
            <span class="small quiet when">{{ changed(show) }}</span>
          </NuxtLink>
          <span class="acts small">
            <button
              class="btn plain"
              type="button"
              :aria-label="`Rename ${show.title}`"
              @click="
                () => {
                  renaming = show
                  dialog = 'rename'
                }
              "
            >
              Rename
            </button>
            <button class="btn plain" type="button" :aria-label="`Duplicate ${show.title}`" @click="duplicate(show)">
              Duplicate
            </button>
            <a class="btn plain" :href="`/api/shows/${show.id}/export`" :aria-label="`Export ${show.title}`" download
              >Export</a
            >
            <button class="btn plain" type="button" :aria-label="`Delete ${show.title}`" @click="bin(show)">
              Delete
            </button>
          </span>
        </li>
      </ul>
      <template v-if="binned.length">
        <h2>In the bin, for 30 days</h2>
        <ul>
          <li v-for="show in binned" :key="show.id" class="gone">
            <span class="open quiet"
              ><span class="title cut">{{ show.title }}</span></span
            ><span class="acts small"
              ><button class="btn plain" type="button" :aria-label="`Put ${show.title} back`" @click="restore(show)">
                Put back
              </button></span
            >
          </li>
        </ul>
      </template>
      <p v-if="shows" class="small quiet copy">
        <a v-if="shows.length || binned.length" class="btn small plain" href="/api/copy" download
          >Save a copy of everything</a
        >
        <button class="btn small plain" type="button" @click="copyFile?.click()">Restore a copy</button>
        <input
          ref="copyFile"
          class="unseen"
          type="file"
          accept=".jsonl,application/x-ndjson"
          tabindex="-1"
          aria-label="Copy to restore"
          @change="choseCopy"
        />
        shows, the bin and every change, in one file; a copy is restored into a folder of its own, and what is here
        stays.
        <a class="btn small plain" href="/licences.txt">Licences</a>
      </p>
    </section>
    <LazyPromptDialog
      v-if="dialog === 'new'"
      open
      title="New show"
      label="What is it called?"
      value=""
      :schema="titleSchema"
      @done="create"
      @close="dialog = undefined"
    />
    <LazyPromptDialog
      v-if="dialog === 'rename'"
      open
      title="Rename the show"
      label="Title"
      :value="renaming?.title ?? ''"
      :schema="titleSchema"
      @done="rename"
      @close="dialog = undefined"
    />
  </main>
</template>

<style scoped>
.page {
  height: 100vh;
  display: flex;
  flex-direction: column;
  overflow: auto;
}
.header {
  height: 44px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 16px;
  border-bottom: 1px solid var(--line);
}
.header .btn:first-of-type {
  margin-left: auto;
}
.body {
  width: min(1040px, calc(100vw - 32px));
  margin: 40px auto;
}
h1 {
  font: 650 28px/1 var(--words);
  margin: 0 0 24px;
}
h2 {
  font: 650 15px/1.2 var(--words);
  margin: 48px 0 8px;
  color: var(--quiet);
}
.copy {
  margin: 24px 0 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--line);
}
li {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--line);
  min-height: 56px;
}
li.gone {
  min-height: 44px;
}
.open {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 176px 96px;
  gap: 14px;
  align-items: center;
  text-decoration: none;
  padding: 8px;
  border-radius: 4px;
  min-height: 44px;
}
a.open:hover {
  background: var(--surface);
}
.title {
  font-size: 20px;
}
.gone .title {
  font-size: 15px;
}
.lamps {
  display: flex;
  justify-content: flex-end;
  gap: 2px;
  width: 136px;
}
.lamps i {
  flex: 0 1 14px;
  min-width: 3px;
  height: 8px;
  border: 1px solid var(--dark);
  border-radius: 2px;
}
.lamps i.lit {
  background: var(--light);
  border-color: var(--light);
}
.acts {
  display: flex;
}
.acts a {
  text-decoration: none;
}
.refusal {
  border: 1px solid var(--border);
  border-left: 4px solid var(--plate);
  border-radius: 4px;
  padding: 12px 16px;
  margin-bottom: 24px;
}
.refusal p {
  margin: 0 0 8px;
}
dl {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 2px 12px;
  margin: 0 0 12px;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
