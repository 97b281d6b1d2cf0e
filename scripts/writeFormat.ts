/** Writes docs/format.md and docs/job.schema.json: `npm run docs`. */
import fs from 'node:fs'
import { openKernel } from '../core/geometry/index.ts'
import { readJob } from '../core/job/index.ts'
import { formatDoc, jobJsonSchema } from './formatDoc.ts'

const demo = readJob(fs.readFileSync(new URL('../demo/kestrel-rise.hollow.json', import.meta.url), 'utf8'))
if (!demo.ok) throw new Error('the demo job cannot be read')
fs.writeFileSync(new URL('../docs/format.md', import.meta.url), await formatDoc(await openKernel(), demo.job))
fs.writeFileSync(
  new URL('../docs/job.schema.json', import.meta.url),
  `${JSON.stringify(jobJsonSchema(), null, 2)}\n`,
)
