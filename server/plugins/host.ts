import { endAll } from '../utils/announce'
import { CODE_LENGTH } from '../utils/gate'
import { isLoopback } from '../utils/host'
import { stopStore } from '../utils/store'
import { watchMyself } from '../utils/watch'

// Runs before the server listens: without a word from outside, it serves this machine alone.
export default defineNitroPlugin(() => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, endAll)
  process.on('uncaughtException', (error: NodeJS.ErrnoException & { port?: number }) => {
    if (error.code !== 'EADDRINUSE' && error.code !== 'EACCES') return
    const what = error.code === 'EADDRINUSE' ? 'is in use by another program' : 'may not be used'
    console.error(`interlumen: port ${error.port ?? process.env.PORT ?? 3000} ${what}; set PORT to another one`)
    void stopStore().finally(() => process.exit(1))
  })
  watchMyself()
  process.env.NITRO_HOST ||= process.env.HOST || '127.0.0.1'
  if (!isLoopback(process.env.NITRO_HOST) && !process.env.INTERLUMEN_JOIN_CODE) {
    console.error(`interlumen: to serve on ${process.env.NITRO_HOST}, set INTERLUMEN_JOIN_CODE; others need it to join`)
    process.exit(1)
  }
  const code = process.env.INTERLUMEN_JOIN_CODE
  if (code !== undefined && code.length < CODE_LENGTH) {
    console.error(`interlumen: INTERLUMEN_JOIN_CODE has ${code.length} characters; it needs at least ${CODE_LENGTH}`)
    process.exit(1)
  }
})
