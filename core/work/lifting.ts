/** What one person lifts to the waist, kg; a team that lifts often lifts less than its sum. Source: usual manual handling guidance. */
const ONE = 25
const share = (people: number): number => (people <= 1 ? 1 : people === 2 ? 0.67 : 0.5)

/** What a team lifts together without a word said, kg: 25, 33.5, 37.5, 50 for one to four. */
export const teamLimit = (people: number): number => people * ONE * share(people)

/** Who moves a piece once, by plan [own]: kg a head that is planned for, and that is not lifted by hand; and in all. */
export const LIFT = { aHead: 25, mostAHead: 40, most: 100, mostPeople: 4 } as const

/** What so many people move once, by plan, kg: 25 a head, at most four of them. */
export const plannedLift = (people: number): number => LIFT.aHead * Math.min(people, LIFT.mostPeople)

/** The fewest people who stay under 25 kg a head, at most four; null where it is not lifted by hand. */
export function peopleToLift(kg: number): number | null {
  if (kg > LIFT.most) return null
  const people = Math.max(1, Math.ceil(kg / LIFT.aHead - 1e-9))
  return people <= LIFT.mostPeople ? people : null
}

/** How a lift is judged for those who are there: said nothing, planned, too much for them, or not by hand at all. */
export function judgeLift(kg: number, people: number): 'fine' | 'plan' | 'too few' | 'by machine' {
  const hands = Math.min(people, LIFT.mostPeople)
  if (kg <= teamLimit(hands)) return 'fine'
  if (kg > LIFT.most || kg > LIFT.mostAHead * hands) return 'by machine'
  return kg <= LIFT.aHead * hands ? 'plan' : 'too few'
}
