/** `npm run --silent plan -- FILE [--json]`: the plan of a job file. Exit 0, 1 when a finding stops the pour or a station fails, 2 when the file cannot be read. */
import { planFile } from './planFile.ts'

process.exitCode = await planFile(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  error: console.error,
})
