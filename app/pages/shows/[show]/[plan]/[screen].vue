<script setup lang="ts">
import { fetchedScreen, fetchScreen } from '~/shell/place'
import { useNotices } from '~/shell/notices'

// The address names the screen. It is fetched before the one that is left goes, so that at no moment there is none to hear a key.
definePageMeta({
  key: route => route.path,
  middleware: async to => {
    const { isHydrating, $pinia } = useNuxtApp()
    try {
      await fetchScreen(String(to.params.screen))
    } catch (error) {
      if (isHydrating) throw error
      useNotices($pinia).tell('The screen could not be fetched. Is the server away?', 'wrong')
      return false
    }
  },
})
const route = useRoute()
const screen = fetchedScreen(String(route.params.screen))
if (!screen) throw createError({ statusCode: 404, statusMessage: 'There is no such screen', fatal: true })
</script>

<template>
  <component :is="screen" />
</template>
