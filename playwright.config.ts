import { createServer } from 'node:net'
import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './e2e/chromium.ts'

/** A port that nothing listens on: taken once, by whoever reads this first, and told to the workers. */
async function freePort(): Promise<string> {
  const probe = createServer()
  await new Promise<void>((ready) => probe.listen(0, '127.0.0.1', ready))
  const { port } = probe.address() as { port: number }
  await new Promise((closed) => probe.close(closed))
  return String(port)
}
process.env.E2E_PORT ??= await freePort()
const address = `http://127.0.0.1:${process.env.E2E_PORT}`

export default defineConfig({
  testDir: 'e2e',
  // How long something may take is a bound on a hang, not on a slow machine.
  timeout: 600_000,
  expect: { timeout: 120_000 },
  workers: 2,
  fullyParallel: true,
  retries: 0,
  use: {
    baseURL: address,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: 'npm run --silent serve',
    env: { PORT: process.env.E2E_PORT },
    url: `${address}/`,
    reuseExistingServer: false,
    timeout: 180_000,
  },
})
