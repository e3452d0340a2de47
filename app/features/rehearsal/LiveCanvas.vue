<script setup lang="ts">
import { ref } from 'vue'

/** A canvas that whoever owns it paints: the bytes of a picture, or a picture from the graphics processor. */
const props = defineProps<{ width: number; label: string }>()
const canvas = ref<HTMLCanvasElement>()
/** Black is a picture too: what has not been drawn yet must not look like it. */
const drawn = ref(false)
function paint(picture: Uint8ClampedArray | ImageBitmap, width: number): void {
  const to = canvas.value
  const height = Math.round((width * 9) / 16)
  if (!to || ('length' in picture && picture.length !== width * height * 4)) return
  if (to.width !== width) {
    to.width = width
    to.height = height
  }
  const on = to.getContext('2d')!
  if ('length' in picture)
    on.putImageData(new ImageData(picture as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0)
  else {
    on.drawImage(picture, 0, 0)
    picture.close()
  }
  drawn.value = true
}
defineExpose({ paint, width: () => props.width })
</script>

<template>
  <canvas
    ref="canvas"
    :class="{ drawn }"
    :aria-busy="!drawn"
    role="img"
    :aria-label="label"
    :style="{ width: `${width}px`, height: `${Math.round((width * 9) / 16)}px` }"
  />
</template>

<style scoped>
canvas {
  display: block;
  background: var(--line);
  border-radius: 3px;
}
canvas.drawn {
  background: #000;
}
</style>
