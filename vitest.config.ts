import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,web,server,cli,scripts}/**/*.test.{ts,tsx}'],
    environment: 'node',
    // Only what never ends fails by time: a machine may be slow.
    testTimeout: 600_000,
    // Nothing else runs beside them, and tests of the page wait on its timers: one more than there are cores.
    maxWorkers: Math.max(2, availableParallelism()) + 1,
  },
})
