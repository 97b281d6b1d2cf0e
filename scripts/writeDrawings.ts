/** Writes docs/drawings: each kind cut through its own solid, with the letters that docs/method.md uses. */
import fs from 'node:fs'
import { openKernel, type Point, type Region, sectionSolid } from '../core/geometry/index.ts'
import {
  newBox,
  newFitted,
  newSlab,
  newSwept,
  newTurned,
  type Piece,
  plainSide,
  type SlabPiece,
} from '../core/job/index.ts'
import { planPieceStation } from '../core/piece/index.ts'
import { startingStock } from '../core/stock/index.ts'
import { newBasin, newInsert } from '../web/stations/piece/features/newFeatures.ts'

/** A dimension from one point to another, its line moved aside by `off` mm of paper, upwards or to the right. */
type Dim = readonly [from: Point, to: Point, label: string, off: number]
type Drawing = {
  readonly name: string
  readonly piece: Piece
  readonly cut: 'upright' | 'level'
  readonly dims: readonly Dim[]
}

const kernel = await openKernel()
const stock = startingStock()
const told = { id: 'piece', name: 'piece', start: '2026-01-01T09:00', zone: 'UTC' }
const slab = (
  length: number,
  width: number,
  thickness: number,
  over: Partial<SlabPiece> = {},
): SlabPiece => ({
  ...newSlab({ ...told, length, width, thickness }, stock),
  ...over,
})
const sides = (right: SlabPiece['sides'][string], left = plainSide()) => ({
  front: plainSide(),
  right,
  back: plainSide(),
  left,
})

const DRAWINGS: readonly Drawing[] = [
  {
    name: 'slab-sides',
    piece: slab(300, 200, 60, {
      sides: sides(
        plainSide({ top: { kind: 'bead', size: 18 }, drip: { inset: 30, width: 18, depth: 12 } }),
        plainSide({
          taper: 14,
          top: { kind: 'chamfer', size: 12 },
          apron: { drop: 40, thickness: 45 },
        }),
      ),
    }),
    cut: 'upright',
    dims: [
      [[282, 60], [300, 60], 'bead r', 14],
      [[270, 0], [300, 0], 'inset', -14],
      [[120, 0], [120, 60], 'T', 0],
      [[0, -40], [0, 0], 'drop', -16],
      [[0, -40], [45, -40], 'apron', -14],
    ],
  },
  {
    name: 'basin',
    piece: slab(600, 420, 45, { basin: newBasin(600, 420) }),
    cut: 'upright',
    dims: [
      [[150, 45], [450, 45], 'basin length', 14],
      [[0, 0], [0, 45], 'T', -16],
      [[230, -85], [230, 45], 'depth', 0],
    ],
  },
  {
    name: 'turned',
    piece: newTurned(told, stock, {
      turned: { form: 'tube', outside: 320, inside: 240, height: 260, floor: 45 },
    }),
    cut: 'upright',
    dims: [
      [[0, 0], [320, 0], 'outside', -16],
      [[40, 260], [280, 260], 'inside', 14],
      [[320, 0], [320, 260], 'H', 16],
      [[160, 0], [160, 45], 'floor', 0],
    ],
  },
  {
    name: 'bowl',
    piece: newTurned(told, stock, {
      turned: { form: 'bowl', outside: 400, height: 190, wall: 30, exponent: 2.3, foot: 130 },
    }),
    cut: 'upright',
    dims: [
      [[0, 190], [400, 190], 'outside', 16],
      [[0, 190], [30, 190], 't', 34],
      [[135, 0], [265, 0], 'foot', -16],
      [[400, 0], [400, 190], 'H', 18],
    ],
  },
  {
    name: 'fluted',
    piece: newTurned(told, stock, {
      turned: {
        form: 'fluted',
        diameter: 300,
        height: 400,
        count: 12,
        depth: 16,
        cut: 'round',
        way: 'flutes',
        share: 0.7,
      },
    }),
    cut: 'level',
    dims: [
      [[0, 150], [300, 150], 'D over all', 0],
      [[284, 150], [300, 150], 'depth', 44],
    ],
  },
  {
    name: 'swept',
    piece: newSwept(told, stock, {
      separators: [{ id: 'a', at: 330, leanDeg: 12, gap: 8 }],
    }),
    cut: 'upright',
    dims: [[[0, 360], [330, 360], 'at', 0]],
  },
  {
    name: 'box',
    piece: newBox(told, stock, {}),
    cut: 'upright',
    dims: [
      [[0, 300], [600, 300], 'length, at the rim', 16],
      [[0, 300], [35, 300], 'wall', 36],
      [[600, 0], [600, 300], 'H', 18],
      [[300, 0], [300, 35], 'floor', 0],
      [[0, 0], [25, 0], 'taper', -14],
    ],
  },
  {
    name: 'lid',
    piece: newFitted(told, stock, {}),
    cut: 'upright',
    dims: [
      [[0, 80], [680, 80], 'opening + 2 overlap', 16],
      [[44, 0], [636, 0], 'opening - 2 clearance', -14],
      [[680, 0], [680, 30], 'seat', 12],
    ],
  },
  {
    name: 'insert',
    piece: slab(260, 160, 70, {
      inserts: [{ ...newInsert('bottom'), u: 30, v: 0, diameter: 20, depth: 45 }],
    }),
    cut: 'upright',
    dims: [[[160, 0], [160, 44], 'depth', 34]],
  },
]

/** The piece cut through its middle: x along it, y up, mm. */
function cutOf(piece: Piece, cut: Drawing['cut']): Region {
  const { geometry } = planPieceStation(kernel, piece, 2300, false)
  if (!geometry?.recipe) throw new Error(`${piece.kind} does not build`)
  const { recipe, width, height, inserts } = geometry
  return kernel.withSolids((scope) => {
    const body = scope.solid(
      inserts.length > 0 ? { kind: 'difference', from: recipe, minus: inserts.map((i) => i.recipe) } : recipe,
    )
    return sectionSolid(
      scope,
      body,
      cut === 'upright'
        ? { origin: [0, width / 2 + 1e-3, 0], u: [1, 0, 0], v: [0, 0, 1] }
        : { origin: [0, 0, height / 2], u: [1, 0, 0], v: [0, 1, 0] },
    )
  })
}

const [WIDE, HIGH, MARGIN] = [440, 240, 56]
function drawingSvg({ piece, cut, dims }: Drawing): string {
  const rings = cutOf(piece, cut)
  const all = rings.flat()
  const [xs, ys] = [all.map((p) => p[0]), all.map((p) => p[1])]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const k = Math.min((WIDE - 2 * MARGIN) / (x1 - x0), (HIGH - 2 * MARGIN) / (y1 - y0))
  const at = ([x, y]: Point): Point => [
    WIDE / 2 + (x - (x0 + x1) / 2) * k,
    HIGH / 2 - (y - (y0 + y1) / 2) * k,
  ]
  const n = (v: number) => v.toFixed(1)
  const d = rings.map((ring) => `M${ring.map((p) => at(p).map(n).join(' ')).join('L')}Z`).join('')
  const lines = dims.map(([from, to, label, off]) => {
    const level = Math.abs(from[1] - to[1]) < Math.abs(from[0] - to[0])
    const [a, b] = [from, to].map(at).map(([x, y]): Point => (level ? [x, y - off] : [x + off, y])) as [
      Point,
      Point,
    ]
    const tick = (p: Point) =>
      level ? `M${n(p[0])} ${n(p[1] - 4)}V${n(p[1] + 4)}` : `M${n(p[0] - 4)} ${n(p[1])}H${n(p[0] + 4)}`
    const [tx, ty] = level
      ? [(a[0] + b[0]) / 2, a[1] + (off < 0 ? 14 : -5)]
      : [a[0] + 6, (a[1] + b[1]) / 2 + 4]
    return `<path d="M${a.map(n).join(' ')}L${b.map(n).join(' ')}${tick(a)}${tick(b)}" class="dim"/><text x="${n(tx)}" y="${n(ty)}" text-anchor="${level ? 'middle' : 'start'}">${label}</text>`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDE} ${HIGH}" width="${WIDE}" height="${HIGH}">
<style>text{font:13px sans-serif;fill:#22292c;paint-order:stroke;stroke:#f4f1e8;stroke-width:4px}.dim{fill:none;stroke:#22292c}</style>
<rect width="100%" height="100%" fill="#f4f1e8"/><path d="${d}" fill="#d3d0c7" fill-rule="evenodd" stroke="#22292c" stroke-width="1.6" stroke-linejoin="round"/>
${lines.join('\n')}
</svg>
`
}

const folder = new URL('../docs/drawings', import.meta.url)
fs.mkdirSync(folder, { recursive: true })
for (const drawing of DRAWINGS) fs.writeFileSync(new URL(`${drawing.name}.svg`, folder), drawingSvg(drawing))
// The interface's modules keep a channel open between tabs: nothing more is to come here.
process.exit(0)
