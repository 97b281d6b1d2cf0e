// Adds up the unit and end-to-end results and the failed steps; the last line is "N passed, M failed".
import fs from 'node:fs'

const read = (file) => {
  try {
    return JSON.parse(fs.readFileSync(file, 'utf8'))
  } catch {
    return null
  }
}
const unit = read('.cache/unit.json')
const e2e = read('.cache/e2e.json')
const passed = (unit?.numPassedTests ?? 0) + (e2e?.stats.expected ?? 0) + (e2e?.stats.flaky ?? 0)
const failedTests = (unit?.numFailedTests ?? 0) + (e2e?.stats.unexpected ?? 0)
const failedSteps = Number(process.argv[2] ?? 0)
const failed = Math.max(failedTests, failedSteps)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed > 0 || passed === 0 ? 1 : 0)
