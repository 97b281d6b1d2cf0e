/** When work is done: from and to, minutes of the day, and the minute of the day of the first water. */
export type Hours = {
  readonly fromMinute: number
  readonly toMinute: number
  readonly waterMinute: number
}

const DAY = 1440
/** Minutes of the day at so many minutes from the first water. */
export const dayMinute = (minutes: number, { waterMinute }: Pick<Hours, 'waterMinute'>): number =>
  (((waterMinute + minutes) % DAY) + DAY) % DAY

/** Whether work from `start` lies within one working day, its ends to a second. Work of no minutes has no hour. */
export const isInHours = (start: number, work: number, hours: Hours): boolean => {
  const at = dayMinute(start, hours)
  return at >= hours.fromMinute - NEAR && at + work <= hours.toMinute + NEAR
}
const NEAR = 1 / 60

/** The earliest start at or after this one that keeps to the hours; what is longer than a day's work begins when it opens. */
export function nextInHours(start: number, work: number, hours: Hours): number {
  const length = Math.min(work, hours.toMinute - hours.fromMinute)
  if (isInHours(start, length, hours)) return start
  const at = dayMinute(start, hours)
  return start + (at < hours.fromMinute ? hours.fromMinute - at : DAY - at + hours.fromMinute)
}

/** The latest end at or before this one that keeps to the hours; what is longer than a day's work ends when it closes. */
export function lastInHours(end: number, work: number, hours: Hours): number {
  const length = Math.min(work, hours.toMinute - hours.fromMinute)
  if (isInHours(end - length, length, hours)) return end
  const at = dayMinute(end, hours)
  // Too early to have been begun today: it ends yesterday.
  return end - (at - length < hours.fromMinute ? at + DAY - hours.toMinute : at - hours.toMinute)
}

/** `2026-05-30T09:30` is minute 570 of its day. */
export const minuteOfDay = (start: string): number => {
  const [hour, minute] = start.slice(11).split(':').map(Number)
  return hour! * 60 + minute!
}
