import ICAL from 'ical.js'
import { expect, it } from 'vitest'
import type { Piece } from '../job/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { METRIC } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { calendarWork, writeCalendar } from './writeCalendar.ts'

const water = new Date('2026-05-30T07:00:00Z')
/** The events of a calendar file, as an independent reader finds them. */
const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component)
    return {
      id: event.uid,
      from: event.startDate.toJSDate().getTime(),
      to: event.endDate.toJSDate().getTime(),
      summary: event.summary,
      text: event.description,
      alarms: component.getAllSubcomponents('valarm').length,
    }
  })

it.each<[string, () => Piece]>([
  ['a slab', () => testSlab({ name: 'Top; with, odd \\ name\nand ünïcode' })],
  ...[1, 2, 3, 4].map((seed): [string, () => Piece] => [
    `any piece, seed ${seed}`,
    () => anyPiece(seeded(seed)),
  ]),
])('the windows of %s are read back as they were planned', async (_, make) => {
  const piece = make()
  const { work, stations } = planPiece(await testKernel(), testJob(piece), piece)
  const asked = { pieceId: piece.id, pieceName: piece.name, work, water, words: METRIC }
  const text = writeCalendar(asked)
  expect(writeCalendar(asked)).toBe(text)
  const events = eventsOf(text)
  const planned = calendarWork(work)
  expect(events).toHaveLength(planned.length)
  if (!stations.pour) return expect(events).toEqual([])
  expect(new Set(events.map((e) => e.id)).size).toBe(events.length)
  const minutes = (ms: number) => (ms - water.getTime()) / 60_000
  for (const [i, event] of events.entries()) {
    const { op, fromMinutes, toMinutes } = planned[i]!
    expect([minutes(event.from), minutes(event.to)]).toEqual([
      Math.round(fromMinutes) + 0,
      Math.round(toMinutes) + 0,
    ])
    expect(event.to).toBeGreaterThan(event.from)
    expect(event.summary.startsWith(`${piece.name.replace(/\s+/g, ' ')}: `)).toBe(true)
    expect([event.text.length > 10, event.alarms, op.tick]).toEqual([true, 1, null])
  }
  // What the concrete lets wait for is there, with the window it has.
  for (const op of work)
    if (op.startMinutes !== null && op.notBefore.length > 0)
      expect(events.map((e) => e.id)).toContain(`${piece.id}/${op.id}@steady-hollow`)
})
