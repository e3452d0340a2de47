export default defineEventHandler(async event => {
  const store = await useStore()
  const id = await store.duplicateShow(idParam(event, 'show'))
  if (id === undefined) throw noShow()
  setResponseStatus(event, 201)
  return { id }
})
