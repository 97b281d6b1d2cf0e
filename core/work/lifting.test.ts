import { describe, expect, it } from 'vitest'
import { judgeLift, LIFT, peopleToLift, teamLimit } from './lifting.ts'

describe('who lifts a piece', () => {
  it.each([
    [1, 25],
    [2, 33.5],
    [3, 37.5],
    [4, 50],
    [5, 62.5],
  ])('a team of %s lifts %s kg without a word said', (people, kg) => {
    expect(teamLimit(people)).toBeCloseTo(kg, 9)
  })
  it.each<[kg: number, people: number | null]>([
    [0, 1],
    [25, 1],
    [25.01, 2],
    [50, 2],
    [75, 3],
    [75.5, 4],
    [100, 4],
    [100.01, null],
    [240, null],
  ])('%s kg wants %s people at 25 kg a head', (kg, people) => {
    expect(peopleToLift(kg)).toBe(people)
  })
  it.each<[kg: number, people: number, judged: ReturnType<typeof judgeLift>]>([
    // One: to 25 fine, to 40 too few, above by machine
    [25, 1, 'fine'],
    [25.01, 1, 'too few'],
    [40, 1, 'too few'],
    [40.01, 1, 'by machine'],
    // Two: to 33.5 fine, to 50 by plan, to 80 too few
    [33.5, 2, 'fine'],
    [33.51, 2, 'plan'],
    [50, 2, 'plan'],
    [50.01, 2, 'too few'],
    [80, 2, 'too few'],
    [80.01, 2, 'by machine'],
    // Four: to 50 fine, to 100 by plan
    [50, 4, 'fine'],
    [100, 4, 'plan'],
    [100.01, 4, 'by machine'],
    // More than four do not find room: they count as four
    [60, 9, 'plan'],
    [101, 9, 'by machine'],
  ])('%s kg for %s: %s', (kg, people, judged) => {
    expect(judgeLift(kg, people)).toBe(judged)
  })
  it('offers as many as it then judges enough', () => {
    for (let kg = 1; kg <= 120; kg += 0.5) {
      const people = peopleToLift(kg)
      if (people === null) expect([kg, judgeLift(kg, LIFT.mostPeople)]).toEqual([kg, 'by machine'])
      else expect([kg, ['fine', 'plan'].includes(judgeLift(kg, people))]).toEqual([kg, true])
    }
  })
})
