/** `npm run --silent plan -- FILE [--json]`: the plan of a job file. Exit 0, 1 when a finding stops the pour or a station fails, 2 when the file cannot be read. */
import fs from 'node:fs'
import { openKernel } from '../core/geometry/index.ts'
import { holdFonts } from '../core/piece/index.ts'
import { planJob } from '../core/planJson.ts'
import { unpackJob } from '../core/readers/index.ts'
import { holdMeshesBeside } from './meshesBeside.ts'
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
  let bytes: Uint8Array
  try {
    bytes = fs.readFileSync(file)
  } catch (error) {
    console.error(
      `${file}: ${error instanceof Error && 'code' in error && error.code === 'ENOENT' ? 'there is no such file' : 'the file cannot be read'}`,
    )
    return 2
  }
  const { read, meshes } = unpackJob(bytes)
  if (!read.ok) {
    for (const { path, text: why } of read.problems)
      console.error(`${file}: ${path ? `${path}: ` : ''}${why}`)
    return 2
  }
  const kernel = await openKernel()
  await holdFonts(read.job.pieces.flatMap((p) => p.lettering.map((l) => l.font)))
  for (const mesh of meshes) kernel.holdMesh(mesh.id, mesh)
  holdMeshesBeside(kernel, file, read.job)
  const plan = planJob(kernel, read.job)
  process.stdout.write(json ? `${JSON.stringify(plan, null, 2)}\n` : planText(plan, read.job.settings))
  return plan.failed.length > 0 || plan.findings.some((f) => f.level === 'stop') ? 1 : 0
}

process.exitCode = await main()
