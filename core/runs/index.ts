export { proposeSeams, type SeamSchool } from './proposeSeams.ts'
export { cornerAngle, type LegPlan, type RunPlan, runPlan } from './runOutline.ts'
export { runPieceChanges } from './runPieces.ts'
export { openingRing, type RunPart, type RunProblem, type SplitRun, splitRun } from './splitRun.ts'
