import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, meshSolid } from './geometry/index.ts'
import {
  type ImportedPiece,
  type MouldPatch,
  newImported,
  newTurned,
  type Piece,
  withChoice,
} from './job/index.ts'
import { planPiece } from './plan.ts'
import { prepareMesh, writeStl } from './readers/index.ts'
import { proveRemedies } from './remedies.ts'
import { saddle } from './testing/bodies.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testStock } from './testing/testPiece.ts'

let kernel: Kernel
let file: ImportedPiece['file']
beforeAll(async () => {
  kernel = await testKernel()
  const read = prepareMesh(
    'saddle.stl',
    writeStl(kernel.withSolids((s) => meshSolid(s.solid(saddle(30, 30))))),
  )
  if (!read.ok) throw new Error('the saddle cannot be read')
  kernel.holdMesh(read.id, read.mesh)
  file = {
    id: read.id,
    name: 'saddle.stl',
    triangles: read.mended.triangleCount,
    extents: [...read.mended.extents],
  }
})
const piece = (patch: MouldPatch): Piece => {
  const own = newImported(
    { id: 's', name: 'Saddle', start: '2026-05-30T09:00', zone: 'UTC' },
    testStock,
    file,
    1,
  )
  return { ...own, mould: withChoice(own.mould, patch) }
}
const planned = (patch: MouldPatch) => {
  const own = piece(patch)
  return planPiece(kernel, testJob(own), own)
}

describe('stiff moulds parted along a curve', () => {
  it.each<[string, MouldPatch, number]>([
    ['closed shells', { method: 'closed' }, 2],
    ['printed shells', { method: 'printed', seam: 'curve' }, 2],
  ])('%s round a saddle leave it, all examined, nothing locked', (_, patch, parts) => {
    const { stations, findings } = planned(patch)
    expect(stations.mould!.parts.length).toBeGreaterThanOrEqual(parts)
    expect(findings.map((f) => f.code)).not.toContain('undercut-locks')
    expect(findings.map((f) => f.code)).not.toContain('part-locked')
    const { partsTrapped, partsUnexamined, partsExamined } = stations.release!.figures
    expect([partsTrapped, partsUnexamined]).toEqual([0, 0])
    expect(partsExamined).toBeGreaterThanOrEqual(parts)
    const facts = stations.mould!.figures.facts
    const at = (code: string) => facts.find((f) => f.code === code)!.value
    expect(at('curved-joint-to') - at('curved-joint')).toBeGreaterThan(20)
  })
  it('straight shells round it lock; the curve is the cure that is offered', () => {
    const { findings } = planned({ method: 'printed', shells: 2 })
    const lock = findings.find((f) => f.code === 'undercut-locks')!
    expect(lock.facts.instead).toBe('curve')
    expect(lock.remedies[0]!.changes).toEqual([
      { type: 'mouldChosen', pieceId: 's', patch: { seam: 'curve', pull: null } },
    ])
  })
  it('a way that is chosen is taken, and told where the halves hold the cast', () => {
    const { stations, findings } = planned({ method: 'closed', pull: { leanDeg: 30, roundDeg: 0 } })
    expect(stations.mould!.parts[1]!.pull[0]).toBeCloseTo(0.5, 9)
    const held = findings.find((f) => f.code === 'pull-locks')!
    expect(held.facts.lockedCm2 as number).toBeGreaterThan(1)
    expect(stations.release!.figures.partsTrapped).toBeGreaterThan(0)
    const free = planned({ method: 'closed', pull: { leanDeg: 0, roundDeg: 0 } }).findings
    expect(free.map((f) => f.code)).not.toContain('pull-locks')
  })
  it('a jacket in one catches under the waist of its rubber; parted upright it draws', () => {
    const line = { kind: 'line' as const }
    const waisted = newTurned({ id: 'w', name: 'Waist', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
      turned: {
        form: 'profile',
        corners: [
          [0, 0],
          [60, 0],
          [40, 50],
          [60, 100],
          [0, 100],
        ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: line })),
      },
      attitude: { down: 'bottom', turnDeg: 0 },
    })
    const of = (patch: MouldPatch) => {
      const own = { ...waisted, mould: withChoice(waisted.mould, { method: 'brushed', ...patch }) } as Piece
      return proveRemedies(kernel, testJob(own), planPiece(kernel, testJob(own), own)).findings
    }
    const found = of({ shells: 1 }).find((f) => f.code === 'jacket-undercut')!
    // 20 mm of waist, less what the coat round it fills.
    expect(found.facts.byMm as number).toBeGreaterThan(8)
    expect(found.facts.byMm as number).toBeLessThan(21)
    expect(found.remedies.map((r) => r.code)).toContain('jacket-in-2')
    expect(of({ shells: 2 }).map((f) => f.code)).not.toContain('jacket-undercut')
  })
})
