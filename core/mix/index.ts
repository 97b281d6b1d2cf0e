export { type Asks, BANDS, type Band, SPREAD } from './consistency.ts'
export { defaultWaste, planMixStation, splitBatches } from './planMix.ts'
export type { Batch, MixFigures, MixStation } from './types.ts'
export { MIX_WORDS } from './words.ts'
