import { execFileSync } from 'node:child_process'
import fs from 'node:fs'
import { expect, it } from 'vitest'
import { openKernel } from '../core/geometry/index.ts'
import { readJob } from '../core/job/index.ts'
import { WORDS } from '../core/words.ts'
import { formatDoc, jobJsonSchema } from './formatDoc.ts'

const read = (path: string) => fs.readFileSync(new URL(`../${path}`, import.meta.url), 'utf8')

it('keeps docs/format.md and the JSON Schema true to the code (npm run docs)', async () => {
  const demo = readJob(read('demo/kestrel-rise.hollow.json'))
  if (!demo.ok) throw new Error('the demo job cannot be read')
  expect(read('docs/format.md')).toBe(await formatDoc(await openKernel(), demo.job))
  expect(JSON.parse(read('docs/job.schema.json'))).toEqual(jobJsonSchema())
})

it('lists every finding of the code with its level in docs/method.md', () => {
  const method = read('docs/method.md')
  const codes = Object.values(WORDS).flatMap((words) => Object.keys(words))
  expect(codes.length).toBeGreaterThan(30)
  expect(codes.filter((code) => !new RegExp(`\\| \`${code}\` *\\| (stop|warn|note)`).test(method))).toEqual(
    [],
  )
})

it('holds the order of the stations: an import of a later one is refused by the linter', () => {
  const bad = new URL('../core/piece/bad.test-only.ts', import.meta.url)
  fs.writeFileSync(
    bad,
    "import { planMouldStation } from '../mould/index.ts'\n\nexport const later = planMouldStation\n",
  )
  try {
    let report = ''
    try {
      execFileSync('npx', ['--no', 'biome', 'lint', bad.pathname], { encoding: 'utf8', stdio: 'pipe' })
    } catch (error) {
      report =
        String((error as { stdout?: string; stderr?: string }).stdout) +
        String((error as { stderr?: string }).stderr)
    }
    expect(report).toContain('only the stations before it')
  } finally {
    fs.rmSync(bad)
  }
})
