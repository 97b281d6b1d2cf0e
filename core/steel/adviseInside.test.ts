import { expect, it } from 'vitest'
import { newBox, newSwept, newTurned, type Piece, type SlabPiece } from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testSlab, testStock } from '../testing/testPiece.ts'
import { adviceWords, planSteelStation } from './index.ts'

const kernel = await testKernel()
const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const slab = (length: number, width: number, thickness: number, mix = 'structural-25'): SlabPiece =>
  testSlab({
    outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] },
    thickness,
    openings: [],
    mix: { ...testSlab().mix, mix },
  })
const cylinder = (diameter: number, height: number, bore = 0): Piece =>
  newTurned(told, testStock, { turned: { form: 'cylinder', diameter, height }, bore })

it.each<[string, Piece, string, string]>([
  ['a top', slab(900, 500, 45), 'mesh', 'long'],
  ['a tile', slab(280, 280, 30), 'fibre', 'small'],
  ['a short shelf', slab(420, 200, 45), 'fibre', 'small'],
  ['a long one as thin as its stone allows', slab(900, 300, 22), 'fibre', 'too-thin-for-mesh'],
  ['a tray of premix', slab(900, 300, 16, 'glass-fibre-20'), 'coats', 'thin-tray'],
  ['a thick slab of premix', slab(900, 300, 40, 'glass-fibre-20'), 'nothing', 'glass-in-it'],
  ['a bollard', cylinder(200, 900), 'cage', 'post'],
  ['a tube', cylinder(300, 400, 160), 'hoops', 'hollow'],
  ['a planter', newBox(told, testStock), 'hoops', 'hollow'],
  ['a seat', newSwept(told, testStock, { width: 500 }), 'ribs', 'profile'],
  ['a drum', cylinder(400, 400), 'nothing', 'block'],
  [
    'a ball of 200',
    newTurned(told, testStock, { turned: { form: 'sphere', diameter: 200, foot: 0 } }),
    'nothing',
    'block',
  ],
  [
    'a ball of 100',
    newTurned(told, testStock, { turned: { form: 'sphere', diameter: 100, foot: 0 } }),
    'fibre',
    'small',
  ],
])('%s: %s', (_, piece, inside, because) => {
  const plan = (quick: boolean) =>
    planSteelStation(
      kernel,
      piece,
      planPieceStation(kernel, piece, 2300, false),
      testStock.meshes,
      testStock.mixes.find((m) => m.id === piece.mix.mix)!,
      { mixes: testStock.mixes, bars: testStock.bars, suctionKPa: 1, quick, people: 2 },
    ).figures
  expect(plan(false).advice).toEqual({ inside, because })
  expect(plan(true).advice).toBeNull()
  expect(adviceWords(plan(false).advice!)).toMatch(/^Usual for such a piece: [a-z ]+; [a-z -]+/)
})
