export { adviceWords } from './adviceWords.ts'
export type { BarFigures } from './bars/barFigures.ts'
export type { BarPurpose, MarkedBar } from './bars/types.ts'
export { type Coats, mixedIn } from './coats.ts'
export type { ToldMove } from './handling/judgeHandling.ts'
export {
  allowedStress,
  type Handling,
  type Held,
  lambdaOf,
  type Move,
  type MoveCheck,
} from './handling/planHandling.ts'
export { suctionOf } from './handling/suction.ts'
export { meshRegion, meshSheet } from './mat/meshSheet.ts'
export { coverFor, planSteelStation } from './planSteel.ts'
export { takesMesh } from './takesMesh.ts'
export type { ThinCut } from './thickness/cutsThrough.ts'
export type { ThicknessMap } from './thickness/thicknessMap.ts'
export type { Land, SteelFigures, SteelStation, Wire } from './types.ts'
export { STEEL_WORDS } from './words.ts'
