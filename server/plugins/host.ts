import { endAll } from '../utils/announce'
import { isLoopback } from '../utils/host'

// Runs before the server listens: without a word from outside, it serves this machine alone.
export default defineNitroPlugin(() => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, endAll)
  process.env.NITRO_HOST ||= process.env.HOST || '127.0.0.1'
  if (!isLoopback(process.env.NITRO_HOST) && !process.env.INTERLUMEN_JOIN_CODE) {
    console.error(`interlumen: to serve on ${process.env.NITRO_HOST}, set INTERLUMEN_JOIN_CODE; others need it to join`)
    process.exit(1)
  }
})
