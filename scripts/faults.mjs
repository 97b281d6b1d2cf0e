/**
 * `npm run faults [-- WORD]`: puts small deliberate faults into a copy of the code, one at a time, and tells which of
 * them no test of `npm run unit` notices. Takes as long as some dozens of test runs; not part of `./test`.
 * With a word, only faults whose file or text holds it. Exit 1 when a fault survives or no longer fits the code.
 */
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { FAULTS } from './faultList.mjs'

/** Asked first: the quick tables beside a station. Then all, for what these let pass. */
const BESIDE = {
  piece: ['core/piece/piece.test', 'core/units', 'core/line.test'],
  mould: [
    'core/mould/mould.test',
    'core/mould/hardware',
    'core/mould/bowing',
    'core/mould/boardBox',
    'core/mechanics',
    'core/mould/layout',
    'core/mould/level',
  ],
  steel: ['core/steel', 'core/line.test', 'core/pour/'],
  release: ['core/release', 'core/pour/', 'core/finish/', 'core/lineFindings'],
  mix: ['core/mix', 'core/line.test'],
  pour: ['core/pour/', 'core/ageing', 'core/line.test'],
  work: ['core/work', 'core/pour/', 'core/finish/'],
  finish: ['core/finish/'],
  log: ['core/log/', 'core/line.test'],
  sheets: ['core/sheets'],
  remedies: ['core/line.test', 'core/lineFindings', 'core/failing'],
}
const SIDE_BY_SIDE = 2
const word = process.argv[2] ?? ''
const faults = FAULTS.filter(([, file, from]) => `${file} ${from}`.includes(word))

const copies = Array.from({ length: Math.min(SIDE_BY_SIDE, faults.length) }, () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'faults-'))
  fs.cpSync(process.cwd(), folder, {
    recursive: true,
    filter: (from) => !/node_modules|dist$|\.git$|\.cache/.test(from),
  })
  fs.symlinkSync(path.resolve('node_modules'), path.join(folder, 'node_modules'))
  return folder
})
/** Whether the tests pass in a copy. */
const passes = (folder, only) =>
  new Promise((done) => {
    const run = spawn('npx', ['vitest', 'run', '--bail=1', '--maxWorkers=1', ...only], {
      cwd: folder,
      stdio: 'ignore',
    })
    run.on('exit', (code) => done(code === 0))
  })

// A copy whose tests fail anyhow would catch everything.
const [first] = copies
for (const beside of new Set(faults.map(([station]) => station)))
  if (first && !(await passes(first, BESIDE[beside]))) {
    console.error(`The tests beside ${beside} do not pass as they are: ${BESIDE[beside].join(', ')}`)
    process.exit(1)
  }
const alive = []
const waiting = [...faults]
let caught = 0
const work = async (folder) => {
  for (let fault = waiting.shift(); fault; fault = waiting.shift()) {
    const [station, file, from, to] = fault
    const at = path.join(folder, file)
    const text = fs.readFileSync(at, 'utf8')
    if (text.split(from).length !== 2) {
      alive.push(`${station}: ${file} does not hold this once: ${from}`)
      continue
    }
    fs.writeFileSync(
      at,
      text.replace(from, () => to),
    )
    const unseen = (await passes(folder, BESIDE[station])) && (await passes(folder, []))
    fs.writeFileSync(at, text)
    if (unseen) alive.push(`${station}: ${file}: ${from} -> ${to}`)
    else caught += 1
    console.log(`${unseen ? 'UNSEEN' : 'caught'}  ${station}: ${from} -> ${to}`)
  }
}
await Promise.all(copies.map(work))
for (const folder of copies) fs.rmSync(folder, { recursive: true })
console.log(`\n${caught} of ${faults.length} faults caught`)
for (const line of alive) console.log(`UNSEEN  ${line}`)
process.exit(alive.length > 0 ? 1 : 0)
