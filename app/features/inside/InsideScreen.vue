<script setup lang="ts">
import { useWindowSize } from '@vueuse/core'
import { computed } from 'vue'
import type { Share } from '#core/features/inside'
import { WHAT_IS_RIGHT, listWords } from '#core/words'

import { usePlanStore } from '~/plan/store'
import { useAnswer } from '~/plan/answer'

/** What each deliverable holds of each picture and each sound. */
const store = usePlanStore()
const route = useRoute()
const router = useRouter()
const matrix = useAnswer('inside', () => [] as const)

const WORDS: Record<Exclude<Share, undefined>, string> = {
  always: 'always',
  can: 'when cut to',
  tile: 'as a tile',
  heard: 'heard',
}
const LEGEND: readonly [Exclude<Share, undefined>, string][] = [
  ['always', 'shown always'],
  ['can', 'shown when it is cut to'],
  ['tile', 'one tile of many'],
  ['heard', 'heard'],
]
const groups = computed(() =>
  (['picture', 'sound'] as const)
    .map(of => ({
      of,
      title: of === 'picture' ? 'Pictures' : 'Sound',
      rows: (matrix.value?.layers ?? []).flatMap((layer, i) =>
        layer.of === of ? [{ layer, shares: matrix.value!.share[i]! }] : [],
      ),
    }))
    .filter(({ rows }) => rows.length),
)
/** Layers that no deliverable holds: somebody set them up for nothing. */
const nowhere = computed(() =>
  (matrix.value?.layers ?? [])
    .filter((_, i) => matrix.value!.share[i]!.every(share => share === undefined))
    .map(({ name, of }) => (of === 'sound' ? `the sound of ${name}` : name)),
)

/** Room for a name beside its column, px; where it lacks, names stand upright. */
const COLUMN = 106
const { width } = useWindowSize()
const tight = computed(() => (matrix.value?.deliverables.length ?? 0) * COLUMN + 200 > width.value)

function show(device: string, port: string): void {
  const lane = store.report?.board.lanes.find(({ to }) => to?.device === device && to.port === port)
  if (lane)
    void router.push({
      path: `/shows/${String(route.params.show)}/${String(route.params.plan)}/runs`,
      query: { at: lane.id },
    })
}
</script>

<template>
  <PlanFrame screen="inside">
    <template #controls
      ><template v-if="matrix?.deliverables.length">
        <span v-for="[share, words] in LEGEND" :key="share" class="small quiet legend"
          ><i class="mark" :class="share" />{{ words }}</span
        >
      </template></template
    >
    <div v-if="!matrix" class="screen quiet" role="status">Looking into each output …</div>
    <div v-else-if="matrix.deliverables.length === 0" class="screen">
      <h2>Nothing is delivered yet</h2>
      <p>
        Once a screen, recorder, encoder or capture hangs on a cable, this shows what its picture can hold: each source,
        through every switcher on the way, and each sound.
      </p>
    </div>
    <div v-else class="inside">
      <h2 class="unseen">What is inside?</h2>
      <div class="scroll">
        <table :class="{ tight }">
          <thead>
            <tr>
              <td />
              <th
                v-for="one in matrix.deliverables"
                :key="`${one.device}/${one.port}`"
                scope="col"
                :class="{ dark: !one.lit }"
              >
                <button type="button" @click="show(one.device, one.port)">
                  <b>{{ one.name }}</b><span class="small quiet">{{
                    one.lit ? (one.feed ?? 'a source') : 'dark'
                  }}</span>
                </button>
              </th>
            </tr>
          </thead>
          <tbody v-for="group in groups" :key="group.of">
            <tr>
              <th class="group small quiet" :colspan="matrix.deliverables.length + 1" scope="rowgroup">
                {{ group.title }}
              </th>
            </tr>
            <tr v-for="{ layer, shares } in group.rows" :key="`${layer.of}-${layer.device}`">
              <th scope="row">{{ layer.name }}</th>
              <td v-for="(share, i) in shares" :key="i">
                <span v-if="share" class="mark" :class="share"
                  ><span class="unseen">{{ WORDS[share] }}</span></span
                ><span v-else class="unseen">no</span>
              </td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" class="small quiet">misses</th>
              <td v-for="one in matrix.deliverables" :key="`${one.device}/${one.port}`" class="small">
                {{ one.misses.length ? listWords(one.misses) : ''
                }}<span v-if="one.misses.length === 0" class="quiet">nothing</span>
              </td>
            </tr>
          </tfoot>
        </table>
        <p v-if="nowhere.length" class="note">In none of them: {{ listWords(nowhere) }}.</p>
        <p class="note quiet small">
          Keys, captions and picture-in-picture that a switcher adds are not part of this: they are set up where they
          are keyed.
        </p>
        <p class="note quiet small">{{ WHAT_IS_RIGHT.soundDelay }}</p>
      </div>
    </div>
  </PlanFrame>
</template>

<style scoped>
.inside {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.legend {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 0 16px 32px;
}
table {
  border-collapse: collapse;
}
thead th,
thead td {
  position: sticky;
  top: 0;
  background: var(--ground);
  z-index: 1;
  vertical-align: bottom;
  text-align: left;
  padding: 12px 16px 8px 0;
  border-bottom: 1px solid var(--border);
  min-width: 104px;
  max-width: 148px;
  font-weight: 400;
}
thead button {
  display: flex;
  flex-direction: column;
  text-align: left;
  line-height: 1.2;
  gap: 2px;
}
thead button:hover b {
  color: var(--chosen);
}
.dark b {
  color: var(--dark);
}
tbody th {
  text-align: left;
  font-weight: 400;
  padding: 7px 24px 7px 0;
  white-space: nowrap;
  border-bottom: 1px solid var(--line);
  position: sticky;
  left: 0;
  background: var(--ground);
}
tbody td {
  border-bottom: 1px solid var(--line);
  padding: 0 16px 0 0;
}
tbody tr:hover th,
tbody tr:hover td {
  background: var(--hover);
}
.group {
  padding: 16px 0 4px !important;
}
tfoot th,
tfoot td {
  text-align: left;
  font-weight: 400;
  padding: 8px 16px 8px 0;
  vertical-align: top;
  max-width: 148px;
}
.mark {
  display: inline-block;
  width: 72px;
  height: 10px;
  vertical-align: middle;
}
.legend .mark {
  width: 32px;
}
.always {
  background: var(--band);
  border: 1px solid var(--edge);
}
.can {
  border: 1px solid var(--light);
  background: linear-gradient(var(--band), var(--band)) left / 12px 100% no-repeat;
  border-left-color: var(--light);
}
.tile {
  background: repeating-linear-gradient(90deg, var(--band) 0 9px, transparent 9px 12px);
}
.heard {
  border-top: 1px dashed var(--light);
  border-bottom: 1px dashed var(--light);
  height: 5px;
}
.tight thead th {
  min-width: 0;
  width: 54px;
  padding: 12px 8px 8px 0;
  vertical-align: bottom;
}
.tight thead button {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 168px;
  line-height: 1.25;
}
.tight tbody td {
  padding-right: 8px;
}
.tight tbody th {
  padding-right: 12px;
  max-width: min(24vw, 210px);
  overflow: hidden;
  text-overflow: ellipsis;
}
.tight tbody .mark {
  width: 45px;
}
.tight tfoot td {
  font-size: 13px;
  padding-right: 4px;
  max-width: 54px;
  overflow-wrap: anywhere;
}
.note {
  margin: 16px 0 0;
  max-width: 80ch;
}
</style>
