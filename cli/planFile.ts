import fs from 'node:fs'
import { openKernel } from '../core/geometry/index.ts'
import { holdFonts } from '../core/piece/index.ts'
import { isEffort, planJob } from '../core/planJson.ts'
import { unpackJob } from '../core/readers/index.ts'
import { stationMemo } from '../core/station.ts'
import { holdMeshesBeside } from './meshesBeside.ts'
import { planText } from './planText.ts'

const USAGE = 'usage: npm run --silent plan -- FILE [--json] [--effort N]'

/** Where the text goes. */
export type Out = { readonly out: (text: string) => void; readonly error: (text: string) => void }

/** What the command line does with its arguments. Returns its exit code: 0, 1 when a finding stops the pour or a station fails, 2 when the file cannot be read. */
export async function planFile(args: readonly string[], { out, error }: Out): Promise<number> {
  const json = args.includes('--json')
  const asked = args.indexOf('--effort')
  const effort = asked < 0 ? 1 : Number(args[asked + 1])
  const files = args.filter((a, i) => a !== '--json' && (asked < 0 || (i !== asked && i !== asked + 1)))
  const [file] = files
  if (!file || files.length > 1 || file.startsWith('-') || !isEffort(effort)) {
    error(USAGE)
    return 2
  }
  let bytes: Uint8Array
  try {
    bytes = fs.readFileSync(file)
  } catch (thrown) {
    error(
      `${file}: ${thrown instanceof Error && 'code' in thrown && thrown.code === 'ENOENT' ? 'there is no such file' : 'the file cannot be read'}`,
    )
    return 2
  }
  const { read, meshes } = unpackJob(bytes)
  if (!read.ok) {
    for (const { path, text: why } of read.problems) error(`${file}: ${path ? `${path}: ` : ''}${why}`)
    return 2
  }
  const kernel = await openKernel()
  await holdFonts(read.job.pieces.flatMap((p) => p.lettering.map((l) => l.font)))
  for (const mesh of meshes) kernel.holdMesh(mesh.id, mesh)
  holdMeshesBeside(kernel, file, read.job)
  const plan = planJob(kernel, read.job, stationMemo(), effort)
  out(json ? `${JSON.stringify(plan, null, 2)}\n` : planText(plan, read.job.settings))
  return plan.failed.length > 0 || plan.findings.some((f) => f.level === 'stop') ? 1 : 0
}
