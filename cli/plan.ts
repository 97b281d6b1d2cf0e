/** `npm run --silent plan -- FILE [--json]`: the plan of a job file. Exit 0, 1 when a finding stops the pour, 2 when the file cannot be read. */
import fs from 'node:fs'
import path from 'node:path'
import { type Kernel, openKernel } from '../core/geometry/index.ts'
import { type Job, readJob } from '../core/job/index.ts'
import { holdFonts } from '../core/piece/index.ts'
import { planJob } from '../core/planJson.ts'
import { prepareMesh } from '../core/readers/index.ts'
import { planText } from './planText.ts'

const USAGE = 'usage: npm run --silent plan -- FILE [--json]'
const args = process.argv.slice(2)
const json = args.includes('--json')
const files = args.filter((a) => a !== '--json')

async function main(): Promise<number> {
  const [file] = files
  if (!file || files.length > 1 || file.startsWith('-')) {
    console.error(USAGE)
    return 2
  }
  let text: string
  try {
    text = fs.readFileSync(file, 'utf8')
  } catch (error) {
    console.error(
      `${file}: ${error instanceof Error && 'code' in error && error.code === 'ENOENT' ? 'there is no such file' : 'the file cannot be read'}`,
    )
    return 2
  }
  const read = readJob(text)
  if (!read.ok) {
    for (const { path, text: why } of read.problems)
      console.error(`${file}: ${path ? `${path}: ` : ''}${why}`)
    return 2
  }
  const kernel = await openKernel()
  await holdFonts(read.job.pieces.flatMap((p) => p.lettering.map((l) => l.font)))
  holdMeshesBeside(kernel, file, read.job)
  const plan = planJob(kernel, read.job)
  process.stdout.write(json ? `${JSON.stringify(plan, null, 2)}\n` : planText(plan, read.job.settings))
  return plan.findings.some((f) => f.level === 'stop') ? 1 : 0
}

/** Meshes that lie beside the job file under the names they were read by; another mesh of that name is not taken. */
function holdMeshesBeside(kernel: Kernel, file: string, job: Job): void {
  for (const piece of job.pieces) {
    if (piece.kind !== 'imported') continue
    const beside = path.join(path.dirname(file), path.basename(piece.file.name))
    if (!fs.existsSync(beside)) continue
    const prepared = prepareMesh(piece.file.name, fs.readFileSync(beside))
    if (prepared.ok && prepared.id === piece.file.id) kernel.holdMesh(prepared.id, prepared.mesh)
  }
}

process.exitCode = await main()
