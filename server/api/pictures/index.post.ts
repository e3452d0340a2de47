/** Keeps a picture; the body is the PNG file. */
export default defineEventHandler(async event => {
  const done = await (await useStore()).keepPicture(await readPictureBytes(event))
  if ('wrong' in done) throw refused({ path: '/', found: done.wrong, allowed: 'a PNG picture' })
  setResponseStatus(event, 201)
  return done
})
