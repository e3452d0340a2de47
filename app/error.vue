<script setup lang="ts">
import type { NuxtError } from '#app'

const props = defineProps<{ error: NuxtError }>()
useHead({ title: 'Interlumen' })
</script>

<template>
  <v-app>
    <main class="lost">
      <InterMark />
      <h1>
        {{ props.error.statusCode === 404 ? 'There is nothing at this address' : 'Something went wrong in the page' }}
      </h1>
      <p>
        {{
          props.error.statusCode === 404
            ? 'The link may be incomplete.'
            : `${props.error.message} What you changed is kept in this browser until the server has it.`
        }}
      </p>
      <button class="btn primary" type="button" @click="clearError({ redirect: '/' })">All shows</button>
    </main>
  </v-app>
</template>

<style scoped>
.lost {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 16px;
  padding: 96px 16px 0 max(16px, calc(50vw - 260px));
}
h1 {
  font: 650 28px/1.1 var(--words);
  margin: 0;
}
p {
  margin: 0;
  max-width: 60ch;
}
</style>
