export { planFinishStation } from './planFinish.ts'
export type { FinishFigures, FinishStation, FinishStep } from './types.ts'
export { explainFinish } from './words.ts'
