import { availableParallelism } from 'node:os'
import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: Math.max(2, Math.floor(availableParallelism() * 0.75)),
  // Generous: a loaded machine may stand still for a while, and no test is about time.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  reporter: 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
