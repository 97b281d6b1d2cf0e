export { type Check, checksOf, tickedWith, tickOf } from './checks.ts'
export { planPourStation } from './planPour.ts'
export type { PourFigures, PourStation } from './types.ts'
export { POUR_WORDS } from './words.ts'
