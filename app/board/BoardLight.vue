<script setup lang="ts">
import { computed } from 'vue'
import type { CableHop, Texture } from '#core/features/board'
import { bandHeight, bandPath, darkPart, lightEnd, patternId, tickSpacing } from '~/board/band'
import type { Layout, PlacedLane, Segment } from '~/board/layout'

const props = defineProps<{ layout: Layout; fresh: ReadonlySet<string> }>()

const cables = computed(() =>
  props.layout.lanes.flatMap(placed =>
    placed.segments
      .filter((segment): segment is Segment & { hop: CableHop } => segment.hop.is === 'cable')
      .map(segment => ({ placed, segment, hop: segment.hop })),
  ),
)

const textures = computed(() => {
  const found = new Map<string, Texture>()
  for (const { hop } of cables.value) if (hop.light) found.set(patternId(hop.light), hop.light)
  return [...found]
})

/** Lanes that have nothing but an end: a source that goes nowhere, a want that nothing feeds. */
const hollow = computed(() =>
  props.layout.lanes
    .filter(({ segments }) => segments.length === 0)
    .map(({ lane, x0, x1, y, side }) => ({
      id: lane.id,
      x: lane.from && side === 'across' ? x0 : x0,
      width: lane.from ? 120 : x1 - x0,
      y,
    })),
)

/** Quiet lanes told together: as many strands as there are lanes, up to five. */
const ribbons = computed(() =>
  props.layout.spines.flatMap(({ switcher, x, width, inputs, outputs }) => [
    ...inputs
      .filter(({ folded }) => folded.length)
      .map(({ port, y, folded }) => ({
        key: `${switcher.id}/${port.port}`,
        x0: props.layout.columns.inX,
        x1: x,
        y,
        strands: Math.min(5, folded.length),
      })),
    ...outputs
      .filter(({ folded }) => folded.length)
      .map(({ port, y, folded }) => ({
        key: `${switcher.id}/${port.port}`,
        x0: x + width,
        x1: props.layout.columns.outX,
        y,
        strands: Math.min(5, folded.length),
      })),
  ]),
)

function boxes({ segments }: PlacedLane): { x0: number; x1: number; texture: Texture | undefined }[] {
  return segments.flatMap((segment, i) => {
    if (segment.hop.is !== 'device') return []
    const after = segments[i + 1]?.hop
    const before = segments[i - 1]?.hop
    // Nothing comes in from the left where a lane begins with a sink that passes its picture on.
    return [
      {
        x0: i === 0 ? (segment.x0 + segment.x1) / 2 : segment.x0,
        x1: segment.x1,
        texture:
          (after?.is === 'cable' && after.light) ||
          (before?.is === 'cable' && before.arrives && before.light) ||
          undefined,
      },
    ]
  })
}
</script>

<template>
  <svg class="light" :width="layout.columns.width" :height="layout.height" aria-hidden="true">
    <defs>
      <pattern id="breaks" width="26" height="40" patternUnits="userSpaceOnUse">
        <rect x="19" width="7" height="40" fill="var(--ground)" />
      </pattern>
      <template v-for="[id, texture] in textures" :key="id">
        <pattern
          v-if="!texture.interlaced"
          :id="id"
          :width="tickSpacing(texture)"
          height="40"
          patternUnits="userSpaceOnUse"
        >
          <rect :width="1.4" height="40" fill="var(--ticks)" opacity="0.72" />
        </pattern>
        <pattern v-else :id="`${id}-top`" :width="tickSpacing(texture) * 2" height="40" patternUnits="userSpaceOnUse">
          <rect :width="1.6" height="40" fill="var(--ticks)" opacity="0.72" />
        </pattern>
        <pattern
          v-if="texture.interlaced"
          :id="`${id}-low`"
          :width="tickSpacing(texture) * 2"
          height="40"
          patternUnits="userSpaceOnUse"
        >
          <rect :x="tickSpacing(texture)" :width="1.6" height="40" fill="var(--ticks)" opacity="0.72" />
        </pattern>
      </template>
    </defs>

    <g v-for="placed in layout.lanes" :key="placed.lane.id">
      <template v-if="placed.fork">
        <path
          v-if="placed.segments[0]?.hop.is === 'cable' && placed.segments[0].hop.light"
          :d="`M${placed.fork.x} ${placed.fork.fromY}V${placed.y}`"
          stroke="var(--edge)"
          :stroke-width="bandHeight(placed.segments[0].hop.light) + 1.6"
          fill="none"
        />
        <path
          v-if="placed.segments[0]?.hop.is === 'cable' && placed.segments[0].hop.light"
          :d="`M${placed.fork.x} ${placed.fork.fromY}V${placed.y}`"
          stroke="var(--band)"
          :stroke-width="bandHeight(placed.segments[0].hop.light)"
          fill="none"
        />
        <path
          v-else
          :d="`M${placed.fork.x} ${placed.fork.fromY}V${placed.y}`"
          stroke="var(--dark)"
          stroke-width="1.5"
          stroke-dasharray="3 3"
          fill="none"
        />
      </template>
      <path
        v-for="(box, i) in boxes(placed)"
        :key="i"
        :d="`M${box.x0} ${placed.y}H${box.x1}`"
        :stroke="box.texture ? 'var(--band)' : 'var(--dark)'"
        :stroke-width="box.texture ? bandHeight(box.texture) : 1.5"
      />
    </g>

    <g
      v-for="{ placed, segment, hop } in cables"
      :key="`${placed.lane.id}/${segment.index}`"
      :class="{ fresh: fresh.has(placed.lane.id) }"
    >
      <template v-if="hop.light">
        <path
          :d="bandPath(hop, segment.x0, segment.x1, placed.y)"
          fill="none"
          class="glow"
          stroke="var(--light)"
          stroke-width="9"
          stroke-linejoin="round"
          opacity="0.10"
        />
        <path
          :d="bandPath(hop, segment.x0, segment.x1, placed.y)"
          fill="none"
          class="glow"
          stroke="var(--light)"
          stroke-width="4"
          stroke-linejoin="round"
          opacity="0.16"
        />
        <path
          class="band"
          :d="bandPath(hop, segment.x0, segment.x1, placed.y)"
          fill="var(--band)"
          stroke="var(--edge)"
          stroke-width="0.8"
        />
        <path
          v-if="!hop.light.interlaced"
          :d="bandPath(hop, segment.x0, segment.x1, placed.y)"
          :fill="`url(#${patternId(hop.light)})`"
        />
        <template v-else>
          <rect
            :x="segment.x0"
            :y="placed.y - bandHeight(hop.light) / 2"
            :width="Math.max(0, lightEnd(hop, segment.x0, segment.x1) - segment.x0)"
            :height="bandHeight(hop.light) / 2"
            :fill="`url(#${patternId(hop.light)}-top)`"
          />
          <rect
            :x="segment.x0"
            :y="placed.y"
            :width="Math.max(0, lightEnd(hop, segment.x0, segment.x1) - segment.x0)"
            :height="bandHeight(hop.light) / 2"
            :fill="`url(#${patternId(hop.light)}-low)`"
          />
        </template>
        <path v-if="hop.risky" :d="bandPath(hop, segment.x0, segment.x1, placed.y)" fill="url(#breaks)" stroke="none" />
      </template>
      <path
        v-if="hop.beside && hop.arrives"
        :d="`M${segment.x0} ${placed.y - 1.5}H${segment.x1}M${segment.x0} ${placed.y + 1.5}H${segment.x1}`"
        stroke="var(--light)"
        stroke-width="1"
        stroke-dasharray="5 3"
      />
      <template v-else-if="darkPart(hop, segment.x0, segment.x1)">
        <rect
          :x="darkPart(hop, segment.x0, segment.x1)![0] + 0.5"
          :y="placed.y - 5"
          :width="darkPart(hop, segment.x0, segment.x1)![1] - 1"
          height="10"
          rx="2"
          fill="url(#hatch)"
          stroke="var(--dark)"
          stroke-width="1.2"
        />
      </template>
      <rect v-if="hop.reason?.gate" :x="segment.x1 - 7" :y="placed.y - 13" width="4" height="26" fill="var(--plate)" />
      <circle
        v-for="x in [segment.x0, segment.x1]"
        :key="x"
        :cx="x"
        :cy="placed.y"
        r="4"
        fill="var(--ground)"
        stroke="var(--text)"
        stroke-width="1.6"
      />
    </g>

    <g v-for="ribbon in ribbons" :key="ribbon.key">
      <path
        v-for="i in ribbon.strands"
        :key="i"
        :d="`M${ribbon.x0} ${ribbon.y - 6 + (i * 12) / (ribbon.strands + 1)}H${ribbon.x1}`"
        stroke="var(--band)"
        :stroke-width="9 / ribbon.strands"
      />
      <circle
        v-for="x in [ribbon.x0, ribbon.x1]"
        :key="x"
        :cx="x"
        :cy="ribbon.y"
        r="4"
        fill="var(--ground)"
        stroke="var(--text)"
        stroke-width="1.6"
      />
    </g>
    <g v-for="ghost in hollow" :key="ghost.id">
      <rect
        :x="ghost.x + 4"
        :y="ghost.y - 5"
        :width="ghost.width - 8"
        height="10"
        rx="2"
        fill="url(#hatch)"
        stroke="var(--dark)"
        stroke-width="1.2"
      />
      <circle :cx="ghost.x" :cy="ghost.y" r="4" fill="var(--ground)" stroke="var(--dark)" stroke-width="1.6" />
    </g>
  </svg>
</template>

<style scoped>
.light {
  position: absolute;
  inset: 0;
  pointer-events: none;
  z-index: 1;
}
.glow {
  display: var(--glow-display, inline);
}
.fresh {
  animation: arrive 380ms ease-out 1;
}
@keyframes arrive {
  from {
    clip-path: inset(-20px 100% -20px 0);
  }
  to {
    clip-path: inset(-20px 0 -20px 0);
  }
}
</style>
