export { planFinishStation } from './planFinish.ts'
export type { FinishFigures, FinishStation } from './types.ts'
export { FINISH_WORDS } from './words.ts'
