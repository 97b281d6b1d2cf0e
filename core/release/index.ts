export { planReleaseStation } from './planRelease.ts'
export type { AgentRow, ReleaseFigures, ReleaseStation, StripStep } from './types.ts'
export { explainRelease } from './words.ts'
