export default defineEventHandler(event => {
  throw fail(404, `There is nothing at ${event.path.slice(0, 100)}.`)
})
