export default defineEventHandler(async () => {
  const store = await useStore()
  return { ready: true, writable: isWritable(), epoch: store.epoch }
})
