<script setup lang="ts">
import { watch } from 'vue'
import { useTheme } from 'vuetify'
import { useLook } from '~/shell/look'

const vuetify = useTheme()
const look = useLook()
watch(
  () => look.theme,
  theme => {
    vuetify.change(theme)
  },
  { immediate: true },
)
</script>

<template>
  <v-app>
    <NuxtPage />
    <NoticeBar />
  </v-app>
</template>
