import type { Kernel } from '../core/geometry/index.ts'
import { newImported, withChoice } from '../core/job/index.ts'
import { stationMemo } from '../core/memo.ts'
import { planPiece } from '../core/plan.ts'
import { findSelfCrossings, prepareMesh } from '../core/readers/index.ts'
import { testJob, testSlab } from '../core/testing/testPiece.ts'

/** A bumpy ball as a binary STL of about `count` triangles: every vertex moved a little, so that nothing is flat. */
export function ballFile(count: number): Uint8Array {
  const rows = Math.round(Math.sqrt(count) / 2)
  const around = rows * 2
  const at = (i: number, k: number): [number, number, number] => {
    const [a, b] = [(Math.PI * i) / rows, (2 * Math.PI * (k % around)) / around]
    const r = i === 0 || i === rows ? 200 : 200 + 4 * Math.sin(9 * a) * Math.cos(7 * b)
    const s = i === 0 || i === rows ? 0 : Math.sin(a)
    return [r * s * Math.cos(b), r * s * Math.sin(b), r * Math.cos(a)]
  }
  const facets: [number, number, number][][] = []
  for (let i = 0; i < rows; i++)
    for (let k = 0; k < around; k++) {
      if (i > 0) facets.push([at(i, k), at(i + 1, k), at(i, k + 1)])
      if (i < rows - 1) facets.push([at(i, k + 1), at(i + 1, k), at(i + 1, k + 1)])
    }
  const bytes = new Uint8Array(84 + 50 * facets.length)
  const view = new DataView(bytes.buffer)
  view.setUint32(80, facets.length, true)
  facets.forEach((facet, f) => {
    for (const [i, x] of facet.flat().entries()) view.setFloat32(84 + 50 * f + 12 + 4 * i, x, true)
  })
  return bytes
}

/** How long a mesh of `count` triangles takes to be read with its health, and then to be searched for crossings. */
export function timeImport(count: number): {
  triangles: number
  healthMs: number
  crossingMs: number
  closed: boolean
} {
  const bytes = ballFile(count)
  const start = performance.now()
  const read = prepareMesh('ball.stl', bytes)
  const healthMs = performance.now() - start
  if (!read.ok) throw new Error(read.problem.text)
  const search = findSelfCrossings(read.mesh)
  const searched = performance.now()
  while (!search.next().done);
  return {
    triangles: read.mended.triangleCount,
    healthMs,
    crossingMs: performance.now() - searched,
    closed: read.mended.closed,
  }
}

/**
 * How long each way of building a mould round a pattern of `count` triangles takes, from its measured solid to the
 * parts: slicing into layers, splitting into prints, a block in two halves, shells.
 */
export function timePattern(kernel: Kernel, count: number): { method: string; ms: number; parts: number }[] {
  const read = prepareMesh('ball.stl', ballFile(count))
  if (!read.ok) throw new Error(read.problem.text)
  const { positions, triangles } = read.mesh
  kernel.holdMesh('bumpy-ball', { positions, triangles })
  const job = testJob(testSlab())
  const told = { id: 'ball', name: 'Ball', start: '2026-05-30T09:00', zone: 'UTC' }
  const [x, y, z] = read.mended.extents
  const file = {
    id: 'bumpy-ball',
    name: 'ball.stl',
    triangles: read.mended.triangleCount,
    extents: [x, y, z] as [number, number, number],
  }
  const ball = newImported(told, job.stock, file, 1)
  return (['layers', 'printed', 'block', 'closed', 'brushed'] as const).map((method) => {
    const piece = {
      ...ball,
      mould: withChoice(ball.mould, method === 'block' ? { method, rubberParts: 2 } : { method }),
    }
    const memo = stationMemo()
    planPiece(kernel, job, piece, { memo, guessMould: true })
    const start = performance.now()
    const plan = planPiece(kernel, job, piece, { memo })
    return { method, ms: performance.now() - start, parts: plan.stations.mould?.parts.length ?? 0 }
  })
}
