export default defineEventHandler(async () => {
  await useDatabase()
  return { ready: true }
})
