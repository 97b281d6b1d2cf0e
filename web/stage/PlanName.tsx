import { isWithin, type Point } from '../../core/geometry/index.ts'

type Ring = readonly Point[]

const boxOf = (points: Ring) => {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
}

/** Half the width of a letter of the name, what stands above and below its line, and what labels of others take, px. */
const [HALF_LETTER, ABOVE, BELOW] = [4.2, 14, 5] as const
const [BESIDE, OVER, UNDER] = [24, 14, 4] as const

/** Where a piece's name stands on its plan, px: along the front if it can, clear of what stands there; null where nothing is free. */
export function freeNamePlace(
  name: string,
  { ring, taken }: { ring: Ring; taken: readonly Ring[] },
): Point | null {
  if (ring.length === 0) return null
  const plan = boxOf(ring)
  const boxes = taken.map(boxOf)
  const half = name.length * HALF_LETTER
  const places = [0.5, 0.25, 0.75].flatMap((k): Point[] => {
    const x = plan.x0 + (plan.x1 - plan.x0) * k
    return [
      [x, plan.y1 - 10],
      [x, plan.y0 + 20],
    ]
  })
  const isFree = ([x, y]: Point): boolean => {
    const own = { x0: x - half, x1: x + half, y0: y - ABOVE, y1: y + BELOW }
    const corners: Point[] = [
      [own.x0, own.y0],
      [own.x1, own.y0],
      [own.x1, own.y1],
      [own.x0, own.y1],
    ]
    return (
      corners.every((c) => isWithin(c, ring)) &&
      boxes.every(
        (b) =>
          own.x1 < b.x0 - BESIDE || own.x0 > b.x1 + BESIDE || own.y1 < b.y0 - OVER || own.y0 > b.y1 + UNDER,
      )
    )
  }
  return places.find(isFree) ?? null
}

/** The piece's name on its plan, turned round where the plan is a mirror image. */
export function PlanName({ name, mirrored, at }: { name: string; mirrored: boolean; at: Point | null }) {
  return (
    at && (
      <text
        transform={`translate(${at[0]} ${at[1]}) scale(${mirrored ? -1 : 1} 1)`}
        textAnchor="middle"
        className="label"
        fontSize="14"
        fill="var(--concrete-mark)"
        fontWeight="700"
        aria-hidden
      >
        {name}
      </text>
    )
  )
}
