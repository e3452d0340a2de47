import { ref } from 'vue'

/** The plan, `show/plan`, whose rehearsal goes on; the header tells of it on every screen. */
export const rehearsing = ref<string>()
