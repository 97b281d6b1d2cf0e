import { type Kernel, meshSolid, type SolidRecipe } from '../core/geometry/index.ts'
import type { Job } from '../core/job/index.ts'
import { bestPulls } from '../core/mould/shells/bestPulls.ts'
import { pouredPlacement } from '../core/piece/index.ts'
import { planPiece } from '../core/plan.ts'
import { airPockets } from '../core/release/air/airPockets.ts'
import { comeOff } from '../core/release/comeOff.ts'
import { meetMould } from '../core/release/draft/meetMould.ts'
import { partDrafts } from '../core/release/draft/partDrafts.ts'

type Timed = { readonly id: string; readonly ms: number }

const slowest = (rows: readonly Timed[]): Timed => rows.reduce((most, r) => (r.ms > most.ms ? r : most))
const took = (work: () => void): number => {
  const start = performance.now()
  work()
  return performance.now() - start
}

/** Of every demo piece by its own method: its parts moved out, its draft, its air; the slowest of each, ms. */
export function timeRelease(kernel: Kernel, demo: Job): Record<'order' | 'draft' | 'air', Timed> {
  const order: Timed[] = []
  const draft: Timed[] = []
  const air: Timed[] = []
  for (const piece of demo.pieces) {
    const { mould, piece: station } = planPiece(kernel, demo, piece).stations
    const recipe = station?.geometry.recipe
    if (!mould || !recipe) continue
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: recipe,
      by: pouredPlacement(piece.attitude, station.geometry),
    }
    const { id } = piece
    order.push({ id, ms: took(() => comeOff(kernel, cast, mould.parts, mould.off, new Set())) })
    const made: { meeting?: ReturnType<typeof meetMould> } = {}
    draft.push({
      id,
      ms: took(() => {
        made.meeting = meetMould(kernel, cast, mould.parts)
        partDrafts(made.meeting, (part) => mould.parts.find((p) => p.id === part)!.pull)
      }),
    })
    air.push({ id, ms: took(() => airPockets(made.meeting!)) })
  }
  return { order: slowest(order), draft: slowest(draft), air: slowest(air) }
}

/** Ways to part a mesh that the kernel holds, ms. */
export function timePulls(kernel: Kernel, meshId: string): number {
  const mesh = kernel.withSolids((scope) =>
    meshSolid(scope.solid({ kind: 'mesh', id: meshId, name: 'cast' })),
  )
  return took(() => bestPulls(mesh, { places: 1200 }))
}
