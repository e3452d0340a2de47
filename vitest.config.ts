import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,app,server,cli}/**/*.test.ts'],
    exclude: ['server/tests/**', 'node_modules/**'],
    testTimeout: 60_000,
    hookTimeout: 120_000,
  },
})
