import { defineConfig } from 'vitest/config'

// These tests start the built server, one after the other.
export default defineConfig({
  test: {
    include: ['server/tests/{api,disk,kill,upgrade}.test.ts'],
    fileParallelism: false,
    testTimeout: 240_000,
    hookTimeout: 120_000,
  },
})
