<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { SCREENS } from '~/features'

// The address names the screen; each is fetched when it is first opened.
definePageMeta({ key: route => route.path })
const route = useRoute()
const loaded = Object.fromEntries(SCREENS.map(({ id, load }) => [id, defineAsyncComponent(load)]))
const screen = computed(() => loaded[String(route.params.screen)])
if (!screen.value) throw createError({ statusCode: 404, statusMessage: 'There is no such screen', fatal: true })
</script>

<template>
  <component :is="screen" />
</template>
