/** Draws moulds in section for docs/method.md, from the same solids the stage cuts: `npm run drawings`. */
import fs from 'node:fs'
import { openKernel, type Point } from '../core/geometry/index.ts'
import {
  type MouldPatch,
  newSwept,
  newTurned,
  type Piece,
  type SlabPiece,
  type TurnedForm,
  withChoice,
} from '../core/job/index.ts'
import { planMouldStation } from '../core/mould/index.ts'
import { planPieceStation, pouredSize } from '../core/piece/index.ts'
import { type Material, sectionDrawing } from '../core/sheets/index.ts'
import { testSlab, testStock } from '../core/testing/testPiece.ts'

const [WIDE, HIGH, MARGIN] = [360, 220, 16]
const kernel = await openKernel({ coarser: 3 })
const told = { id: 'p', name: 'piece', start: '2026-01-01T09:00', zone: 'UTC' }
const FILL: Readonly<Record<Material, string>> = {
  concrete: '#d3d0c7',
  board: '#e8d5ad',
  card: '#d9c6a5',
  rubber: '#bfd0d6',
  foam: '#f2e3ea',
  print: '#cfd8c4',
  plaster: '#efe9dd',
  earth: '#d8bfa0',
  sealant: '#55666b',
  steel: '#2d4a66',
}
const turned = (form: TurnedForm, down: 'top' | 'bottom') =>
  newTurned(told, testStock, { turned: form, attitude: { down, turnDeg: 0 } })
const slab = (length: number, width: number, thickness: number, over: Partial<SlabPiece> = {}) =>
  testSlab({ outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] }, thickness, ...over })
const bowl = turned({ form: 'bowl', outside: 260, height: 110, wall: 28, exponent: 2, foot: 90 }, 'top')
const swept = newSwept(told, testStock, { width: 300 })
const block = { ...swept, corners: swept.corners.map((c) => ({ ...c, radius: c.radius === 0 ? 0 : 40 })) }

const DRAWINGS: readonly (readonly [name: string, piece: Piece, mould: MouldPatch])[] = [
  ['mould-layers', bowl, { method: 'layers', layerStock: 'foam-xps-30', blockMargin: 35 }],
  [
    'mould-printed',
    turned({ form: 'frustum', bottom: 120, top: 180, height: 110 }, 'bottom'),
    { method: 'printed' },
  ],
  ['mould-brushed', bowl, { method: 'brushed', skinCoat: 10 }],
  [
    'mould-closed',
    turned({ form: 'sphere', diameter: 160, foot: 0 }, 'bottom'),
    { method: 'closed', shellWall: 10 },
  ],
  ['mould-ribs', block, { method: 'ribs', skin: 'skin-vinyl-2' }],
  ['mould-packed', block, { method: 'packed', skin: 'skin-vinyl-2', blockMargin: 100 }],
  ['mould-lined', slab(300, 200, 50), { method: 'lined', liner: { thickness: 10, backing: 20 } }],
  [
    'mould-upper-form',
    slab(420, 300, 40, {
      basin: {
        form: 'frustum',
        length: 230,
        width: 160,
        radius: 20,
        depth: 80,
        draftDeg: 8,
        exponent: 2,
        fall: 0,
        shell: 30,
        u: 210,
        v: 150,
        waste: 40,
        overflow: 0,
      },
    }),
    { method: 'upper-form' },
  ],
]

function svg(piece: Piece): string {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  const mould = planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, { kernel }).station
  if (!mould) throw new Error(`${piece.mould.method} does not form its piece`)
  const [length, width] = pouredSize(piece.attitude, pieceStation.geometry)
  const reach = 200
  const drawn = sectionDrawing(
    kernel,
    { piece, pieceStation, mould, steel: null, attitude: 'poured' },
    [-reach, width / 2 + 1],
    [length + reach, width / 2 + 1],
  )!
  const points = drawn.parts.flatMap((p) => p.region.flat())
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const k = Math.min((WIDE - 2 * MARGIN) / (x1 - x0), (HIGH - 2 * MARGIN) / (y1 - y0))
  const at = ([x, y]: Point) =>
    `${(WIDE / 2 + (x - (x0 + x1) / 2) * k).toFixed(1)} ${(HIGH / 2 - (y - (y0 + y1) / 2) * k).toFixed(1)}`
  const paths = drawn.parts.map(
    ({ material, region }) =>
      `<path d="${region.map((ring) => `M${ring.map(at).join('L')}Z`).join('')}" fill="${FILL[material]}"/>`,
  )
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDE} ${HIGH}" width="${WIDE}" height="${HIGH}">
<rect width="100%" height="100%" fill="#f4f1e8"/>
<g fill-rule="evenodd" stroke="#22292c" stroke-width="1" stroke-linejoin="round">
${paths.join('\n')}
</g>
</svg>
`
}

const folder = new URL('../docs/drawings', import.meta.url)
for (const [name, piece, mould] of DRAWINGS)
  fs.writeFileSync(new URL(`${name}.svg`, folder), svg({ ...piece, mould: withChoice(piece.mould, mould) }))
