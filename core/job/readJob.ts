import { migrate } from './migrate.ts'
import { JOB_VERSION, type Job, jobSchema, LIMITS } from './schema.ts'

/** Why a job file was refused. `path` is where, as `pieces[0].thickness`; '' is the file itself. */
export type JobProblem = {
  readonly code: 'tooLarge' | 'notJson' | 'notAJob' | 'newer' | 'tooMany' | 'invalid'
  readonly path: string
  readonly text: string
}

export type ReadJob =
  | { readonly ok: true; readonly job: Job }
  | { readonly ok: false; readonly problems: readonly JobProblem[] }

/** At most this many problems are told; the first few say enough. */
const TOLD = 20

/** Reads a job file's text. Nothing is changed anywhere else, whatever it holds. */
export function readJob(text: string): ReadJob {
  const refuse = (code: JobProblem['code'], why: string, path = ''): ReadJob => ({
    ok: false,
    problems: [{ code, path, text: why }],
  })
  if (text.length > LIMITS.fileBytes)
    return refuse('tooLarge', `The file is larger than ${LIMITS.fileBytes / 1e6} MB.`)
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch (error) {
    return refuse(
      'notJson',
      `This is not a job file: it is not JSON (${error instanceof Error ? error.message : 'unreadable'}).`,
    )
  }
  if (!isRecord(data) || data.format !== 'hollow')
    return refuse('notAJob', 'This is not a job file: it does not say format "hollow".', 'format')
  if (typeof data.version !== 'number' || !Number.isInteger(data.version) || data.version < 1)
    return refuse('invalid', 'The version must be a whole number from 1.', 'version')
  if (data.version > JOB_VERSION)
    return refuse(
      'newer',
      `The file is of version ${data.version}; this program reads up to ${JOB_VERSION}. Update it first.`,
      'version',
    )
  if (Array.isArray(data.pieces) && data.pieces.length > LIMITS.pieces)
    return refuse(
      'tooMany',
      `The file holds ${data.pieces.length} pieces; ${LIMITS.pieces} is the most.`,
      'pieces',
    )
  const parsed = jobSchema.safeParse(migrate(data, data.version))
  if (parsed.success) return { ok: true, job: parsed.data }
  return {
    ok: false,
    problems: parsed.error.issues.slice(0, TOLD).map((issue) => ({
      code: 'invalid',
      path: showPath(issue.path),
      text: sentence(issue.message),
    })),
  }
}

const isRecord = (data: unknown): data is Record<string, unknown> =>
  typeof data === 'object' && data !== null && !Array.isArray(data)

/** `['pieces', 0, 'name']` as `pieces[0].name`. */
export const showPath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : `${text}${text ? '.' : ''}${String(key)}`),
    '',
  )

const sentence = (text: string): string => {
  const capital = text.charAt(0).toUpperCase() + text.slice(1)
  return /[.!?]$/.test(capital) ? capital : `${capital}.`
}
