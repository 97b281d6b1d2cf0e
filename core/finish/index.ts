export { planFinishStation } from './planFinish.ts'
export type { FinishFigures, FinishStation } from './types.ts'
export { explainFinish } from './words.ts'
