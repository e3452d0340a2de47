export default defineEventHandler(async event => {
  const { title } = await readEnvelope(event, titled)
  if (!(await (await useStore()).renameShow(idParam(event, 'show'), title))) throw noShow()
  return { title }
})
