import { unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { meshSolid, movedBy, openKernel, type Placement } from '../geometry/index.ts'
import { newTurned, withChoice } from '../job/index.ts'
import { planMouldStation } from '../mould/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { prepareMesh } from '../readers/index.ts'
import { testStock } from '../testing/testPiece.ts'
import { layOnBed, type PrintMesh, writePrints } from './writePrints.ts'

const kernel = await openKernel({ coarser: 6 })
const stands: Placement = movedBy([0, 0, 0])

it('lays a part on its seam, in the corner of the bed, turned and never mirrored', () => {
  const corner: PrintMesh = {
    name: 'corner',
    positions: new Float32Array([-5, 2, 1, 15, 2, 1, -5, 32, 1, -5, 2, 41]),
    triangles: new Uint32Array([0, 2, 1, 0, 1, 3, 1, 2, 3, 2, 0, 3]),
    lies: stands,
  }
  expect([...layOnBed(corner)]).toEqual([0, 0, 0, 20, 0, 0, 0, 30, 0, 0, 0, 40])
  const onSide = layOnBed({
    ...corner,
    lies: { x: [0, 0, 1], y: [1, 0, 0], z: [0, 1, 0], origin: [0, 0, 0] },
  })
  const at = (i: number) => [...onSide.subarray(3 * i, 3 * i + 3)]
  expect([at(0), at(1), at(2), at(3)]).toEqual([
    [0, 0, 0],
    [0, 0, 20],
    [30, 0, 0],
    [0, 40, 0],
  ])
})

describe('printed parts as files', () => {
  const piece = {
    ...newTurned({ id: 'p', name: 'Ball', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
      turned: { form: 'sphere', diameter: 150, foot: 70 },
      attitude: { down: 'top', turnDeg: 0 },
    }),
  }
  const printed = { ...piece, mould: withChoice(piece.mould, { method: 'printed' as const }) }
  const { station } = planMouldStation(
    printed,
    planPieceStation(kernel, printed, 2300, false),
    testStock,
    testStock.mixes[0]!,
    { kernel },
  )
  const rows = station!.figures.prints
  const meshes = rows.map((row): PrintMesh => {
    const { recipe } = station!.parts.find((p) => p.id === row.partId)!
    const { positions, triangles } = kernel.withSolids((s) => meshSolid(s.solid(recipe)))
    return { name: row.name, positions, triangles, lies: row.lies }
  })
  it.each(['stl', '3mf'] as const)('one %s a part, read back closed and as heavy as listed', (as) => {
    const files = unzipSync(writePrints(meshes, as))
    expect(Object.keys(files)).toEqual(rows.map((_, i) => `part-${i + 1}.${as}`))
    const filament = testStock.filaments[0]!
    for (const [i, row] of rows.entries()) {
      const read = prepareMesh(`part.${as}`, files[`part-${i + 1}.${as}`]!)
      expect(read.ok).toBe(true)
      if (!read.ok) continue
      const { positions, triangles } = read.mesh
      const id = `${as}-${i}`
      expect(kernel.holdMesh(id, { positions, triangles })).toBe(true)
      const solid = kernel.withSolids((s) => {
        const { body } = s.solid({ kind: 'mesh', id, name: 'part' })
        return { volume: body.volume(), ...body.boundingBox() }
      })
      expect((solid.volume * filament.densityKgPerM3 * 1e-6) / row.grams).toBeCloseTo(1, 3)
      expect(solid.min.map((n) => Math.abs(n) < 1e-3)).toEqual([true, true, true])
      const { bedX, bedY, bedZ } = testStock.printers[0]!
      expect([solid.max[0] <= bedX, solid.max[1] <= bedY, solid.max[2] <= bedZ]).toEqual([true, true, true])
    }
  })
})
