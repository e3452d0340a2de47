import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    include: ['{core,app,server,cli}/**/*.test.ts'],
    exclude: ['server/tests/{api,kill}.test.ts', 'node_modules/**'],
    testTimeout: 180_000,
    hookTimeout: 120_000,
  },
})
