import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator'
import { PLACED } from '../pour/index.ts'
import type { WordsStyle } from '../units/index.ts'
import { isBuilding, isStripping, sayAct, shortAct, type Timed } from '../work/index.ts'

type Asked = {
  readonly pieceId: string
  readonly pieceName: string
  readonly work: readonly Timed[]
  /** The moment of the first water. */
  readonly water: Date
  readonly words: WordsStyle
}

/** Told so long before what has a window, minutes. */
const TOLD_BEFORE = 10
/** The least that a calendar shows, minutes. */
const LEAST = 5

/** What of the work has an hour of its own: placing in one, what waits for the concrete, what comes off. */
export function calendarWork(work: readonly Timed[]): readonly {
  readonly op: Timed
  readonly fromMinutes: number
  readonly toMinutes: number
}[] {
  const timed = work.filter((op) => op.startMinutes !== null && op.tick === null && !isBuilding(op))
  const mixed = timed.findIndex((op) => op.code === 'mix-batch')
  if (mixed < 0) return []
  const waits = (op: Timed) => op.notBefore.length > 0 || isStripping(op) || op.until !== null
  const first = timed[mixed]!
  const placed = timed.reduce((end, op) => (PLACED.has(op.code) ? Math.max(end, op.endMinutes ?? 0) : end), 0)
  return [
    { op: first, fromMinutes: first.startMinutes!, toMinutes: Math.max(placed, first.startMinutes! + LEAST) },
    ...timed.filter(waits).map((op) => ({
      op,
      fromMinutes: op.startMinutes!,
      toMinutes: Math.max(
        op.startMinutes! + LEAST,
        op.endMinutes ?? 0,
        op.latestMinutes !== null && op.latestMinutes > op.startMinutes! ? op.latestMinutes : 0,
      ),
    })),
  ]
}

/** Every window of a pour as a calendar file (RFC 5545), in universal time: a changed clock moves nothing. */
export function writeCalendar({ pieceId, pieceName, work, water, words }: Asked): string {
  const at = (minutes: number) => new Date(water.getTime() + Math.round(minutes) * 60_000)
  // A line of its own for each: a name keeps to one.
  const name = pieceName.replace(/\s+/g, ' ').trim()
  const calendar = ical({
    name,
    prodId: { company: 'Steady Hollow', product: 'pour' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const [i, { op, fromMinutes, toMinutes }] of calendarWork(work).entries()) {
    const event = calendar.createEvent({
      id: `${pieceId}/${op.id}@steady-hollow`,
      // No clock: the same plan writes the same file.
      stamp: water,
      start: at(fromMinutes),
      end: at(toMinutes),
      summary: i === 0 ? `${name}: mix and place` : `${name}: ${shortAct(op.code)}`,
      description: sayAct(op, words),
    })
    event.createAlarm({ type: ICalAlarmType.display, trigger: TOLD_BEFORE * 60 })
  }
  return `${calendar.toString()}\r\n`
}
