<script setup lang="ts">
import { ref } from 'vue'

/** A canvas that whoever owns it paints: the bytes of a picture of its own size. */
const props = defineProps<{ width: number; label: string }>()
const canvas = ref<HTMLCanvasElement>()
function paint(bytes: Uint8ClampedArray, width: number): void {
  const to = canvas.value
  const height = Math.round((width * 9) / 16)
  if (!to || bytes.length !== width * height * 4) return
  if (to.width !== width) {
    to.width = width
    to.height = height
  }
  to.getContext('2d')!.putImageData(new ImageData(bytes as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0)
}
defineExpose({ paint, width: () => props.width })
</script>

<template>
  <canvas
    ref="canvas"
    role="img"
    :aria-label="label"
    :style="{ width: `${width}px`, height: `${Math.round((width * 9) / 16)}px` }"
  />
</template>

<style scoped>
canvas {
  display: block;
  background: #000;
  border-radius: 3px;
}
</style>
