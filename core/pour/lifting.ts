/** What one person lifts to the waist, kg; a team lifts less than its sum. Source: usual manual handling guidance. */
const ONE = 25
const share = (people: number): number => (people <= 1 ? 1 : people === 2 ? 0.67 : 0.5)
const MOST_PEOPLE = 8

/** What a team lifts together, kg: 25, 33.5, 37.5, 50 for one to four. */
export const teamLimit = (people: number): number => people * ONE * share(people)

/** People to lift a mass; more than eight means a machine. */
export function peopleToLift(kg: number): number {
  for (let n = 1; n <= MOST_PEOPLE; n += 1) if (teamLimit(n) >= kg) return n
  return MOST_PEOPLE + 1
}
