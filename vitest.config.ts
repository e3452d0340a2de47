import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,app,server,cli,demo,docs,scripts}/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 120_000,
  },
})
