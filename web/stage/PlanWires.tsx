import type { Point } from '../../core/geometry/index.ts'
import { usePlan } from '../state/PlanContext.tsx'

/** The wires of a mat; of a second one over it, dotted. */
export function PlanWires({ toScreen, thin }: { toScreen: (p: Point) => Point; thin: boolean }) {
  const steel = usePlan().plan?.stations.steel
  const mats = [
    { wires: steel?.wires ?? [], dash: thin ? '5 4' : undefined },
    ...(thin ? [] : [{ wires: steel?.secondWires ?? [], dash: '1.5 5' }]),
  ]
  return mats.flatMap(({ wires, dash }, n) =>
    wires.map((w) => {
      const [a, b] = [toScreen(w.from), toScreen(w.to)]
      return (
        <line
          key={`${n}|${w.from}|${w.to}`}
          x1={a[0]}
          y1={a[1]}
          x2={b[0]}
          y2={b[1]}
          stroke="var(--steel)"
          strokeWidth={thin ? 0.7 : n === 0 ? 1.6 : 3}
          strokeDasharray={dash}
          pointerEvents="none"
        />
      )
    }),
  )
}
