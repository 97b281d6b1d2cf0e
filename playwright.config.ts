import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './e2e/chromium.ts'

const port = Number(process.env.PORT ?? 4318)

export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  workers: 1,
  retries: 0,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: 'npm run --silent serve',
    env: { PORT: String(port) },
    url: `http://127.0.0.1:${port}/`,
    reuseExistingServer: false,
    timeout: 60_000,
  },
})
