export default defineEventHandler(async event => {
  if (!(await (await useStore()).binShow(idParam(event, 'show')))) throw noShow()
  return { binned: true }
})
