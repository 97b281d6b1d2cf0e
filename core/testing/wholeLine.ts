/** The whole line, for tests that stand beside a station and look at what it makes of all that comes before it. */
export { planPiece } from '../plan.ts'
export { proveRemedies } from '../remedies.ts'
