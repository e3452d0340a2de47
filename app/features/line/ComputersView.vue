<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { TASKS, type Task, emptyPlan, setEdit } from '#core/document'
import { TASK_WORDS } from '#core/features/computers'
import { dataRateText, listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'
import BudgetRows from '~/ui/BudgetRows.vue'
import { isTyped } from '~/ui/keys'

/** Which computer does what, and whether it is too much for one. */
const store = usePlanStore()
const selection = useBoardStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
const known = useAnswer('computers', () => [] as const)
const all = computed(() => known.value ?? [])
const chosen = ref<string>()
const one = computed(() => all.value.find(({ device }) => device === chosen.value))
watch(
  all,
  list => {
    if (!list.some(({ device }) => device === chosen.value))
      chosen.value = [...list].sort((a, b) => b.load / b.room - a.load / a.room)[0]?.device
  },
  { immediate: true },
)
const much = computed(() => all.value.filter(({ load, room }) => load > room))
const narrow = computed(() => all.value.filter(({ usb }) => usb && usb.bitsPerS > usb.roomBitsPerS))
const sentence = computed(() => {
  const loops = all.value.filter(one => one.loops && one.works.some(({ what }) => what === 'call'))
  const round = loops.length
    ? ` ${listWords(loops.map(({ name }) => name))} captures what it shows: never share the screen there.`
    : ''
  if (narrow.value.length)
    return `The USB of ${listWords(narrow.value.map(({ name }) => name))} is asked for more than it brings.${round}`
  if (much.value.length)
    return `${listWords(much.value.map(({ name }) => name))} ${much.value.length === 1 ? 'does' : 'do'} more than one computer should: give something to another.${round}`
  const fullest = [...all.value].sort((a, b) => b.load / b.room - a.load / a.room)[0]
  return fullest
    ? `Every computer bears what it does; the fullest, ${fullest.name}, ${fullest.load} of ${fullest.room}.${round}`
    : ''
})
function make(colour: (name: string) => string) {
  const bars = all.value.toReversed()
  const most = Math.max(4, ...bars.flatMap(({ load, room }) => [load, room])) * 1.08
  const short = (text: string): string => (text.length > 20 ? `${text.slice(0, 19)}\u2026` : text)
  const y = bars.map(({ name }) => short(name))
  const full = ({ load, room }: (typeof bars)[number]): boolean => load > room
  return {
    traces: [
      {
        type: 'bar',
        orientation: 'h',
        y,
        x: bars.map(({ load }) => load),
        text: bars.map(({ load, room }) => `${load} of ${room}`),
        textposition: 'auto',
        insidetextfont: { color: bars.map(bar => colour(full(bar) ? '--text' : '--ground')) },
        marker: {
          color: bars.map(bar => colour(full(bar) ? '--dark' : '--light')),
          line: {
            color: bars.map(bar => colour(bar.device === chosen.value ? '--chosen' : full(bar) ? '--dark' : '--light')),
            width: bars.map(({ device }) => (device === chosen.value ? 3 : 0)),
          },
        },
        hoverinfo: 'none',
      },
    ] as never[],
    layout: {
      margin: { l: 150, r: 20, t: 10, b: 40 },
      showlegend: false,
      bargap: 0.42,
      shapes: bars.map(({ room }, i) => ({
        type: 'line',
        x0: room,
        x1: room,
        y0: i - 0.42,
        y1: i + 0.42,
        line: { color: colour('--text'), width: 1.5 },
      })),
      xaxis: {
        title: { text: 'load, in planning classes; the line is what it bears', font: { size: 13 } },
        range: [0, most],
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') },
    } as never,
  }
}
const rows = computed(() =>
  all.value.map(({ device, name, works, load, room, usb, outputs }) => ({
    id: device,
    title: name,
    words: listWords(works.map(({ words }) => words)) || 'nothing yet',
    figures: [
      usb ? `USB\u00A0${dataRateText(usb.bitsPerS)}` : '',
      outputs.all ? `${outputs.used} of ${outputs.all} out` : '',
      `${load} of ${room}`,
    ],
    grave: load > room || (usb !== undefined && usb.bitsPerS > usb.roomBitsPerS),
  })),
)
async function turn(task: Task): Promise<void> {
  const { device, name } = one.value!
  const on = plan.value.devices[device]?.does?.[task] === true
  await store.commit(`${name} ${on ? 'no longer ' : ''}${TASK_WORDS[task]}`.slice(0, 120), [
    setEdit(['devices', device, 'does', task], on ? undefined : true),
  ])
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (by === 0) return
  event.preventDefault()
  const at = all.value.findIndex(({ device }) => device === chosen.value)
  chosen.value = all.value[Math.max(0, Math.min(all.value.length - 1, at + by))]?.device
})
</script>

<template>
  <div v-if="!known" class="screen quiet" role="status">Looking what each computer does …</div>
  <div v-else-if="all.length === 0" class="screen">
    <h2>No computer in the plan</h2>
    <p>Computers, and captures that are plugged into one, stand here with what they do and what they bear.</p>
  </div>
  <BudgetPage
    v-else
    :sentence="sentence"
    label="What each computer does, against what it bears"
    :about="[all, chosen]"
    :make="make"
    :height="Math.max(150, 70 + all.length * 44)"
    :aside="one?.name"
    @chosen="i => (chosen = all[all.length - 1 - i]?.device ?? chosen)"
  >
    <BudgetRows v-model="chosen" label="Computers" :rows="rows" />
    <p class="small quiet">
      Planning classes: light 1 (a picture out, slides, control), middle 2 (a call, a recording, a capture above 1080 at
      30), heavy 4 (a stream, a mix). What a computer bears goes by what it draws at the most.
    </p>
    <template v-if="one" #aside>
      <h3>{{ one.name }}</h3>
      <p v-if="one.unnamed" class="quiet">
        The plan names no computer for this capture: house it in one, in Kit, and its load counts there.
      </p>
      <table>
        <tbody>
          <tr v-for="work in one.works" :key="work.what">
            <td>{{ work.words }}</td>
            <td class="figures">{{ work.load }}</td>
          </tr>
          <tr class="sum">
            <td>together, of {{ one.room }}</td>
            <td class="figures">{{ one.load }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="one.usb" class="small">
        Its captures ask {{ dataRateText(one.usb.bitsPerS) }} of one USB controller, which brings
        {{ dataRateText(one.usb.roomBitsPerS) }}.
      </p>
      <p v-if="one.alone" class="small">It does nothing but this stream: an encoder of its own does the same.</p>
      <p v-if="one.loops" class="small">
        What it shows is in what it captures: a shared screen would show itself without end.
      </p>
      <p v-if="one.outputs.all > 0 && one.outputs.used === one.outputs.all" class="small">
        Every output is in use: whoever works it needs a screen of its own.
      </p>
      <h4>Does beside</h4>
      <label v-for="task in TASKS" :key="task" class="check"
        ><input type="checkbox" :checked="plan.devices[one.device]?.does?.[task] === true" @change="turn(task)" />
        {{ TASK_WORDS[task] }}</label
      >
    </template>
  </BudgetPage>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 10px;
}
td {
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
td.figures {
  text-align: right;
}
.sum td {
  font-weight: 650;
  border-bottom: 0;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
</style>
