import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,web,server,cli,scripts}/**/*.test.{ts,tsx}'],
    environment: 'node',
    testTimeout: 60_000,
    // Nothing else runs beside them: no core is kept free.
    maxWorkers: Math.max(2, availableParallelism()),
  },
})
