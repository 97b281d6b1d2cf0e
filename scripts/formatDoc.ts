import { z } from 'zod'
import type { Kernel } from '../core/geometry/index.ts'
import { type Job, jobSchema, LIMITS } from '../core/job/index.ts'
import { holdFonts } from '../core/piece/index.ts'
import { planJob } from '../core/planJson.ts'

type Schema = {
  type?: string | string[]
  description?: string
  properties?: Record<string, Schema>
  items?: Schema | false
  prefixItems?: Schema[]
  anyOf?: Schema[]
  oneOf?: Schema[]
  enum?: unknown[]
  const?: unknown
  exclusiveMinimum?: number
  minimum?: number
  maximum?: number
  maxItems?: number
}

/** JSON Schema of a job file, from the schema the program reads with. */
export const jobJsonSchema = (): Schema => z.toJSONSchema(jobSchema, { io: 'input' }) as Schema

/** docs/format.md: the job file by field, and the plan's JSON by key. Letters are planned too: their fonts are loaded. */
export async function formatDoc(kernel: Kernel, example: Job): Promise<string> {
  await holdFonts(example.pieces.flatMap((p) => p.lettering.map((l) => l.font)))
  return `${HEAD}
## The job file, field by field

Lengths are mm, masses kg, forces N, stresses MPa, times minutes, temperatures degC unless the name says otherwise. [job.schema.json](job.schema.json) is the same as JSON Schema.

| field | type and range | meaning |
|---|---|---|
${fieldRows(jobJsonSchema(), '')
  .map(([path, type, text]) => `| \`${path}\` | ${type} | ${text} |`)
  .join('\n')}

## The plan, key by key

What \`npm run --silent plan -- FILE --json\` prints and \`POST /api/plan\` answers. Every number carries its unit in its name; counts, shares and money have none. A station that cannot be worked out is \`null\`, and a finding says why. Keys are stable: new ones may come, none changes its meaning without a higher \`planVersion\`. \`[]\` stands for each item of a list.

| key | type |
|---|---|
${planKeys(planJob(kernel, example))
  .map(([path, type]) => `| \`${path}\` | ${type} |`)
  .join('\n')}

A finding: \`code\` (stable, listed in [method.md](method.md)), \`level\` (\`stop\`, \`warn\`, \`note\`), \`station\`, \`about\` (what it is about), \`facts\` (its figures), \`text\` and \`why\` in words, \`remedies\` (each with the \`changes\` to the job that cure it).
`
}

const HEAD = `# Files

<!-- Written by \`npm run docs\` from the schema; edit scripts/formatDoc.ts, not this file. -->

A job file is JSON, named \`name.hollow.json\`. It is self-contained: it carries its pieces, a copy of every stock row it uses, and the records of its pours. Nothing derived is in it (no solids, cut lists or schedules); a pour record freezes the figures it was poured from.

Coordinates are as placed: the origin is the plan's front left corner, x runs along the front to the right, y to the back, z up from the underside. Attitude only says which face is down in the pour; coordinates never change with it.

- Limits: ${LIMITS.fileBytes / 1e6} MB, ${LIMITS.pieces} pieces, ${LIMITS.features} openings a piece, coordinates within ${LIMITS.coordinate / 1000} m.
- Unknown fields are refused, so that a misspelt one is found.
- An older \`version\` is migrated on reading; a newer one is refused with words.
- An opening stores its finished size. With a \`fixture\`, size = fixture + 2 clearances, radius + clearance.
- \`u\` runs along the front, \`v\` from front to back; a place is kept as the rule it was given by.
`

function typeOf(schema: Schema): string {
  if (schema.const !== undefined) return `\`${JSON.stringify(schema.const)}\``
  if (schema.enum) return schema.enum.map((v) => `\`${JSON.stringify(v)}\``).join(', ')
  const options = schema.anyOf ?? schema.oneOf
  if (options)
    return options.some((o) => o.properties) ? 'one of' : [...new Set(options.map(typeOf))].join(' or ')
  const type = Array.isArray(schema.type) ? schema.type.join(' or ') : (schema.type ?? 'any')
  if (type === 'number' || type === 'integer') {
    const low =
      schema.exclusiveMinimum !== undefined
        ? `above ${schema.exclusiveMinimum}`
        : schema.minimum !== undefined && schema.minimum > -1e15
          ? `from ${schema.minimum}`
          : ''
    const high = schema.maximum !== undefined && schema.maximum < 1e15 ? `to ${schema.maximum}` : ''
    return [type, low, high].filter(Boolean).join(' ')
  }
  if (type === 'array') return `list${schema.maxItems === undefined ? '' : `, at most ${schema.maxItems}`}`
  return type
}

function fieldRows(schema: Schema, path: string): [string, string, string][] {
  const rows: [string, string, string][] = []
  const add = (name: string, child: Schema) => {
    rows.push([name, typeOf(child), child.description ?? ''])
    rows.push(...fieldRows(child, name))
  }
  for (const [key, child] of Object.entries(schema.properties ?? {}))
    add(path ? `${path}.${key}` : key, child)
  if (schema.items) rows.push(...fieldRows(schema.items, `${path}[]`))
  schema.prefixItems?.forEach((item, i) => {
    if (item.properties) add(`${path}[${i}]`, item)
  })
  for (const option of schema.anyOf ?? schema.oneOf ?? []) {
    const tag = Object.entries(option.properties ?? {}).find(([, v]) => v.const !== undefined)
    rows.push(...fieldRows(option, tag ? `${path}(${tag[1].const})` : path))
  }
  return rows
}

/** Each key of a plan once, with the type of its values; remedies' changes are the job's own fields and left out. */
function planKeys(plan: unknown): [string, string][] {
  const types = new Map<string, Set<string>>()
  const walk = (value: unknown, path: string): void => {
    if (path) {
      const type = value === null ? 'null' : Array.isArray(value) ? 'list' : typeof value
      types.set(path, (types.get(path) ?? new Set()).add(type))
    }
    if (Array.isArray(value)) for (const item of value) walkItem(item, `${path}[]`)
    else if (value && typeof value === 'object')
      for (const [key, child] of Object.entries(value))
        if (key !== 'changes' && key !== 'facts') walk(child, path ? `${path}.${key}` : key)
  }
  const walkItem = (item: unknown, path: string) => {
    if (item && typeof item === 'object') walk(item, path)
  }
  walk(plan, '')
  return [...types].map(([path, set]) => [path, [...set].sort().join(' or ')])
}
