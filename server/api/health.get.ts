export default defineEventHandler(async () => {
  await useStore()
  return { ready: true }
})
