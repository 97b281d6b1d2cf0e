import type { Operation } from './operation.ts'
import type { Timed } from './schedule.ts'

/** What is done once for each mould, on any day before the pour. */
export const isBuilding = (op: Operation): boolean => op.per === 'mould'

/** All that comes before a mould can be filled: building it, sealing and waxing its faces, closing it. */
export const isReadying = (op: Operation): boolean =>
  op.station === 'mould' || (op.station === 'release' && op.attitude === null && op.tick === null)

/** What is done for every cast: from waxing to what comes off last. */
export const isOfTheDay = (op: Operation): boolean => op.per === 'cast'

/** What becomes of each cast after its mould is off it, until it stands where it stays. */
export const isFinishing = (op: Operation): boolean => op.per === 'piece'

/** How the mould comes off the cast. */
export const isStripping = (op: Operation): boolean => op.station === 'release' && op.attitude !== null

/** Whether two acts in a row follow on one another, so that one line may tell both. */
export const sameStart = (a: Timed, b: Timed): boolean => a.endMinutes === b.startMinutes
