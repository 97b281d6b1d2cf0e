export type { Odds } from './chance.ts'
export { type Check, checksOf, tickedWith, tickOf } from './checks.ts'
export { COMPACTIONS, type Compaction } from './compaction.ts'
export { inHand } from './inHand.ts'
export { type InstrumentLine, onScale, readInstrument, type Shown } from './instruments.ts'
export { planPourStation, rehearsed } from './planPour.ts'
export { PLACED } from './pourDay.ts'
export type { Rehearsal, Spread } from './rehearse.ts'
export { cycleMinutes, mouldsFor, mouldsInDays, type RunDay, runDays, type Turn, turnOf } from './rotation.ts'
export {
  ASK_AGAIN,
  type Next,
  nextOf,
  type Part,
  partsOf,
  recordOf,
  takenBack,
  withBegun,
  withEnded,
  withReadings,
  withWeighed,
} from './running.ts'
export type { PourFigures, PourStation } from './types.ts'
export { POUR_WORDS, TOOL_NAMES } from './words.ts'
