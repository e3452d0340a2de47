export default defineEventHandler(async event => {
  const found = await (await useStore()).listPlans(idParam(event, 'show'))
  if (!found) throw noShow()
  return found
})
