export type ClosedRounding = {
  /** The sizes to show, in the order given, in mm. */
  readonly shown: readonly number[]
  readonly total: number
  /** Shown total less the sum of shown sizes: 0 where the sizes close. */
  readonly offBy: number
}

/**
 * Rounds sizes along one side to `step` (mm) so that the shown sizes add up to the shown total. Equal sizes stay
 * equal, since they are cut at one setting; where that keeps the row from closing, `offBy` says by how much.
 * `closeRounding([33.3, 66.4], 1)` shows 33 + 67 = 100. Largest remainder, one step at most from the true size.
 */
export function closeRounding(sizes: readonly number[], step: number): ClosedRounding {
  const toStep = (steps: number) => Number((steps * step).toFixed(6))
  const steps = sizes.map((size) => Math.round(size / step))
  const totalSteps = Math.round(sizes.reduce((sum, size) => sum + size, 0) / step)
  let missing = totalSteps - steps.reduce((sum, n) => sum + n, 0)
  const groups = new Map<string, number[]>()
  sizes.forEach((size, i) => {
    const key = size.toFixed(4)
    groups.set(key, [...(groups.get(key) ?? []), i])
  })
  const way = Math.sign(missing)
  const byError = [...groups.values()].sort(
    (a, b) => way * (roundingError(sizes, steps, step, b) - roundingError(sizes, steps, step, a)),
  )
  for (const group of byError) {
    if (missing === 0) break
    if (group.length > Math.abs(missing)) continue
    for (const i of group) steps[i] = (steps[i] ?? 0) + way
    missing -= way * group.length
  }
  return { shown: steps.map(toStep), total: toStep(totalSteps), offBy: toStep(missing) }
}

function roundingError(
  sizes: readonly number[],
  steps: readonly number[],
  step: number,
  group: readonly number[],
) {
  const first = group[0] ?? 0
  return (sizes[first] ?? 0) / step - (steps[first] ?? 0)
}
