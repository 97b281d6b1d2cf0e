export { peopleToLift, teamLimit } from './lifting.ts'
export { planPourStation, STRIP_MPA } from './planPour.ts'
export type { PourFigures, PourStation, ScheduleStep } from './types.ts'
export { explainPour } from './words.ts'
