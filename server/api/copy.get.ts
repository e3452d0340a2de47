/** A copy of everything, made while the server runs: JSON lines, as `npm run data -- restore` takes them. */
export default defineEventHandler(async event => {
  const store = await useStore()
  setResponseHeaders(event, {
    'content-type': 'application/x-ndjson; charset=utf-8',
    'content-disposition': `attachment; filename="interlumen-${new Date().toISOString().slice(0, 10)}.copy.jsonl"`,
    'cache-control': 'no-store',
  })
  const lines: string[] = []
  await store.copyLines(line => lines.push(line))
  return `${lines.join('\n')}\n`
})
