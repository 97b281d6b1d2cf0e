export { planReleaseStation } from './planRelease.ts'
export { STRIP_MPA } from './takeOff.ts'
export type { AgentRow, ReleaseFigures, ReleaseStation } from './types.ts'
export { agentNote, RELEASE_WORDS } from './words.ts'
