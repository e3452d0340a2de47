import { defineConfig } from 'vitest/config'

// What judges the engine when its code is changed on purpose: npm run mutation.
export default defineConfig({ test: { include: ['core/{chain,features}/*.test.ts'], testTimeout: 60_000 } })
