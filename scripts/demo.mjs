// npm run demo: installs and builds what is missing, then serves Interlumen with the demo shows.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { build, install, root } from './run.mjs'

const first = Number(process.env.PORT) || 4280

function isFree(port) {
  return new Promise(resolve => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
}

try {
  await install()
  if ((await build()) !== 0) process.exit(1)
  let port = first
  while (!process.env.PORT && port < first + 20 && !(await isFree(port))) port++
  const data = process.env.INTERLUMEN_DATA || join(root, '.data')
  if (!existsSync(data)) console.log('interlumen: making the data folder, which takes a few seconds the first time ...')
  const server = spawn(process.execPath, [join(root, '.output', 'server', 'index.mjs')], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NITRO_PORT: String(port), INTERLUMEN_DATA: data, INTERLUMEN_DEMO: '1' },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill('SIGTERM'))
  server.on('exit', code => process.exit(code ?? 0))
  const address = `http://127.0.0.1:${port}`
  for (;;) {
    try {
      if ((await fetch(`${address}/api/shows`)).ok) break
    } catch {
      /* not yet */
    }
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  console.log(`\nInterlumen is at ${address}\nShows are kept in ${data}. Stop with Ctrl C.`)
} catch (error) {
  console.error(`interlumen: ${error.message}`)
  process.exit(1)
}
