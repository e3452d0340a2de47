<script setup lang="ts">
import { computed } from 'vue'
import { type Model, type Port, portsOf } from '#core/catalog'

/** The ports of a device drawn to kind and count; those with a cable in them are filled. */
const props = defineProps<{ model: Model; used: ReadonlySet<string> }>()

const STEP = 15
/** One outline for each kind, in a box of 12 by 10. */
const SHAPES: Record<Port['carries'], string> = {
  hdmi: 'M0.5 1.5H11.5V5.5L9.5 8.5H2.5L0.5 5.5Z',
  sdi: 'M6 0.5A4.5 4.5 0 1 1 5.99 0.5Z',
  usbc: 'M3.5 2.5H8.5A2.5 2.5 0 0 1 8.5 7.5H3.5A2.5 2.5 0 0 1 3.5 2.5Z',
  usb: 'M0.5 2H11.5V8H0.5ZM2.5 5H9.5',
  pair: 'M1.5 9.5V2.5H4V0.5H8V2.5H10.5V9.5Z',
  network: 'M1.5 9.5V2.5H4V0.5H8V2.5H10.5V9.5Z',
  control: 'M1.5 9.5V2.5H4V0.5H8V2.5H10.5V9.5Z',
  sound: 'M6 0.5L10.5 5L6 9.5L1.5 5Z',
}
const groups = computed(() => {
  let x = 0
  return (['in', 'out'] as const).map(dir => {
    const ports = portsOf(props.model, dir).map(([id, port]) => {
      const at = x
      x += STEP
      return { id, port, at, full: props.used.has(id) }
    })
    if (ports.length) x += 8
    return { dir, ports }
  })
})
const width = computed(
  () => groups.value.reduce((sum, { ports }) => sum + ports.length * STEP + (ports.length ? 8 : 0), 0) - 11,
)
const words = computed(() =>
  groups.value
    .filter(({ ports }) => ports.length)
    .map(
      ({ dir, ports }) =>
        `${ports.filter(({ full }) => full).length} of ${ports.length} ${dir === 'in' ? 'inputs' : 'outputs'} used`,
    )
    .join(', '),
)
const divide = computed(() =>
  groups.value[0]!.ports.length && groups.value[1]!.ports.length ? groups.value[0]!.ports.length * STEP + 1 : undefined,
)
</script>

<template>
  <svg class="strip" :width="width" height="12" role="img" :aria-label="words">
    <template v-for="{ dir, ports } in groups" :key="dir">
      <g v-for="{ id, port, at, full } in ports" :key="id" :transform="`translate(${at} 1)`">
        <title>{{ port.title }}, {{ full ? 'used' : 'free' }}</title>
        <path
          :d="SHAPES[port.carries]"
          :fill="full ? 'var(--band)' : 'none'"
          :stroke="full ? 'var(--edge-strip)' : 'var(--border)'"
          stroke-width="1"
        />
      </g>
    </template>
    <path v-if="divide !== undefined" :d="`M${divide} 0V12`" stroke="var(--border)" />
  </svg>
</template>

<style scoped>
.strip {
  display: block;
  overflow: visible;
  --edge-strip: var(--light);
  flex: none;
  max-width: 100%;
}
</style>
