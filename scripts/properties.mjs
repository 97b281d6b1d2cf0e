/** Runs every property with its full number of random cases: minutes, where `./test` takes a few cases each. */
import { spawnSync } from 'node:child_process'

const { status } = spawnSync('npx', ['vitest', 'run', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, PROPERTIES: 'full' },
})
process.exit(status ?? 1)
