<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, toRaw, watch } from 'vue'
import type { Scene } from '#core/picture'
import type { Picture } from '#core/run'
import { inTurn, paintedOnce } from '~/workers/painter'

/** What somebody sees, drawn from plain test pictures in the worker, at the size that it has here. */
const props = defineProps<{
  picture: Picture
  scenes: Readonly<Record<string, Scene>>
  /** In CSS pixels; the height follows, 16:9. */
  width: number
  /** Said to those who do not see it. */
  label: string
  /** It is what somebody looks at: it is drawn before others that wait. */
  first?: boolean
}>()
const canvas = ref<HTMLCanvasElement>()
let asked = 0
/** Black is a picture too: what has not been drawn yet must not look like it. */
const drawn = ref(false)

async function paint(mine: number): Promise<void> {
  // What is not wanted any more when its turn comes is not drawn.
  if (mine !== asked) return
  const width = Math.round(props.width * Math.min(2, window.devicePixelRatio || 1))
  const height = Math.round((width * 9) / 16)
  const bytes = await paintedOnce(toRaw(props.picture), toRaw(props.scenes), width, height)
  const to = canvas.value
  if (mine !== asked || !to) return
  to.width = width
  to.height = height
  to.getContext('2d')!.putImageData(new ImageData(bytes as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0)
  drawn.value = true
}

onMounted(() => {
  watch(
    [() => props.picture, () => props.scenes, () => props.width],
    () => {
      const mine = ++asked
      inTurn(() => paint(mine), props.first === true)
    },
    { immediate: true },
  )
})
onBeforeUnmount(() => asked++)
</script>

<template>
  <canvas
    ref="canvas"
    class="seen"
    :class="{ drawn }"
    :aria-busy="!drawn"
    role="img"
    :aria-label="label"
    :style="{ width: `${width}px`, height: `${(width * 9) / 16}px` }"
  />
</template>

<style scoped>
.seen {
  display: block;
  border-radius: 3px;
  background: var(--line);
}
.seen.drawn {
  background: #000;
}
</style>
