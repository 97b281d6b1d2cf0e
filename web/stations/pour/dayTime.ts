import { TZDate } from '@date-fns/tz'
import { addMinutes, format } from 'date-fns'

/**
 * Weekday and time of day so many minutes after a local start in a zone: `Sat 09:24`. Where the clock is changed between,
 * the time is the one the clock on the wall then shows.
 */
export const dayTime = (start: string, zone: string, minutes: number): string =>
  format(addMinutes(localStart(start, zone), Math.round(minutes)), 'EEE HH:mm')

/** A start as it is written, `2026-05-30T09:00`, in its zone; in that of this machine where the zone is not known. */
export function localStart(start: string, zone: string): Date {
  const [year = 2000, month = 1, day = 1, hour = 0, minute = 0, second = 0] = start.split(/[-T:]/).map(Number)
  const at = new TZDate(year, month - 1, day, hour, minute, second, zone)
  return Number.isNaN(at.getTime()) ? new Date(year, month - 1, day, hour, minute, second) : at
}

/** A start so many minutes later on the clock on the wall: `2026-05-30T09:00` and 65 is `2026-05-30T10:05`. */
export const movedStart = (start: string, minutes: number): string =>
  new Date(new Date(`${start}Z`).getTime() + minutes * 60_000).toISOString().slice(0, 16)

/** A moment as the clock on the wall of a zone shows it, to the second: `2026-05-30T09:00:12`. */
export function wallMoment(at: Date, zone: string): string {
  const there = new TZDate(at.getTime(), zone)
  return format(Number.isNaN(there.getTime()) ? at : there, "yyyy-MM-dd'T'HH:mm:ss")
}
