import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    include: ['{core,shared,app,server,cli,testing,scripts}/**/*.test.ts'],
    exclude: ['server/tests/{api,disk,kill,upgrade}.test.ts', 'node_modules/**'],
    // Every file loads the whole engine: once for all of them halves the time.
    isolate: false,
    // Beside the build and the walks one worker is all that two cores leave.
    maxWorkers: Number(process.env.INTERLUMEN_WORKERS ?? 2),
    testTimeout: 180_000,
    hookTimeout: 120_000,
  },
})
