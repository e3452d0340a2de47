export default defineEventHandler(async event => {
  if (!(await (await useStore()).restoreShow(idParam(event, 'show')))) throw noShow()
  return { restored: true }
})
