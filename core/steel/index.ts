export { meshRegion, meshSheet } from './mat/meshSheet.ts'
export { coverFor, planSteelStation } from './planSteel.ts'
export type { Land, SteelFigures, SteelStation, Wire } from './types.ts'
export { STEEL_WORDS } from './words.ts'
