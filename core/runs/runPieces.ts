import type { Kernel, Point } from '../geometry/index.ts'
import {
  type Change,
  type Job,
  newOpening,
  newSlab,
  type Opening,
  plainSide,
  type Run,
  type SlabPiece,
} from '../job/index.ts'
import { USUAL_DENSITY } from '../stock/index.ts'
import { openingRing, partCorners, type RunPart, type SplitRun, splitRun } from './splitRun.ts'

/**
 * The changes that make a run's parts into pieces, or bring those it has up to date: each piece keeps its link, its
 * choices and its name; its outline, seams and openings follow the run. Parts that are gone take their pieces with them.
 */
export function runPieceChanges(
  kernel: Kernel,
  job: Job,
  run: Run,
  told: { readonly ids: readonly string[]; readonly start: string; readonly zone: string },
): Change[] {
  const density = job.stock.mixes[0]?.hardenedKgPerM3 ?? USUAL_DENSITY.hardenedKgPerM3
  const split = splitRun(kernel, run, density)
  const own = job.pieces.filter((p): p is SlabPiece => p.kind === 'slab' && p.run?.run === run.id)
  const changes: Change[] = []
  split.parts.forEach((part, i) => {
    const known = own.find((p) => p.run?.part === part.number)
    const { corners, toPlan } = partCorners(split, part)
    const openings = part.openings.map((id) => openingOf(run, split, id, toPlan))
    if (known) {
      changes.push({ type: 'outlineChanged', pieceId: known.id, outline: { kind: 'polygon', corners } })
      changes.push({ type: 'thicknessChanged', pieceId: known.id, thickness: run.thickness })
      changes.push(...seamChanges(known.id, part, corners))
      for (const o of known.openings) {
        const next = openings.find((n) => n.id === o.id)
        changes.push(
          next
            ? {
                type: 'openingChanged',
                pieceId: known.id,
                openingId: o.id,
                patch: { u: next.u, v: next.v, shape: next.shape },
              }
            : { type: 'openingRemoved', pieceId: known.id, openingId: o.id },
        )
      }
      for (const o of openings)
        if (!known.openings.some((k) => k.id === o.id))
          changes.push({ type: 'openingAdded', pieceId: known.id, opening: o })
      return
    }
    const slab = newSlab(
      {
        id: told.ids[i]!,
        name: `${run.name} ${part.number}`,
        length: 100,
        width: 100,
        thickness: run.thickness,
        start: told.start,
        zone: told.zone,
      },
      job.stock,
    )
    changes.push({
      type: 'pieceAdded',
      piece: {
        ...slab,
        exposure: 'kitchen',
        outline: { kind: 'polygon', corners },
        sides: Object.fromEntries(
          corners.map((c, k) => [c.side, plainSide({ seam: part.sides[k] === 'seam' })]),
        ),
        openings,
        run: { run: run.id, part: part.number },
      },
    })
  })
  for (const piece of own)
    if (!split.parts.some((part) => part.number === piece.run?.part))
      changes.push({ type: 'pieceRemoved', pieceId: piece.id })
  return changes
}

const seamChanges = (pieceId: string, part: RunPart, corners: readonly { side: string }[]): Change[] =>
  corners.map(({ side }, i) => ({
    type: 'sideChanged',
    pieceId,
    side,
    patch: { seam: part.sides[i] === 'seam' },
  }))

function openingOf(run: Run, split: SplitRun, id: string, toPlan: (p: Point) => Point): Opening {
  const o = run.openings.find((item) => item.id === id)!
  const ring = openingRing(split.plan.legs[o.leg]!, o).map(toPlan)
  const tidy = (n: number) => Math.round(n * 100) / 100
  const least = (k: 0 | 1) => tidy(Math.min(...ring.map((p) => p[k])))
  return {
    ...newOpening(o.id, o.name, { kind: 'rectangle', length: o.length, width: o.width, radius: o.radius }),
    u: { rule: 'fromStart', distance: least(0) },
    v: { rule: 'fromStart', distance: least(1) },
  }
}
