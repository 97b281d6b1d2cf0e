import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: { include: ['{core,web,server,cli,scripts}/**/*.test.ts'], environment: 'node', testTimeout: 60_000 },
})
