export default defineEventHandler(async event => {
  const store = await useStore()
  const file = await store.exportShow(idParam(event, 'show'))
  if (!file) throw noShow()
  const id = await store.createShow({ ...file, show: { title: `${file.show.title.slice(0, 113)}, copy` } })
  setResponseStatus(event, 201)
  return { id }
})
