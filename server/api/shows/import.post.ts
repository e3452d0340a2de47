export default defineEventHandler(async event => {
  const done = await (await useStore()).importShow(await readFileBytes(event))
  if ('problem' in done) throw refused(done.problem)
  setResponseStatus(event, 201)
  return done
})
