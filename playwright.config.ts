import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'

const port = 4790
process.env.INTERLUMEN_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'interlumen-e2e-'))

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  // Generous: a loaded machine may stand still for a while, and no test is about time.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  reporter: 'list',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
  webServer: {
    command: 'node .output/server/index.mjs',
    url: `http://127.0.0.1:${port}/api/health`,
    env: { INTERLUMEN_DATA: process.env.INTERLUMEN_E2E_DATA, INTERLUMEN_DEMO: '1', NITRO_PORT: String(port) },
    timeout: 180_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
})
