import { loopChords, type Point } from '../../geometry/index.ts'
import type { SlabPiece } from '../../job/index.ts'
import type { HeldDimension, PieceKind } from '../kinds.ts'
import { outlineLoop, outlineSize, resizedOutline } from './outlineLoop.ts'
import { placeOpenings, resolvePlacing } from './placing.ts'

/** Flat work, drawn in plan; a tall one as it stands. */
export const slabKind: PieceKind<'slab'> = {
  advise(piece) {
    if (piece.basin) return { down: 'top', reason: 'basin-core-stands' }
    if (Object.values(piece.sides).some((s) => s.apron)) return { down: 'top', reason: 'apron-rises' }
    if (piece.outline.kind === 'polygon' && piece.thickness > 400)
      return { down: 'bottom', reason: 'stands-tall' }
    return { down: 'top', reason: 'show-face' }
  },
  box(piece) {
    return { ...outlineSize(piece.outline), height: piece.thickness }
  },
  marks(piece, { length, width }) {
    const tall = piece.thickness > 1.2 * Math.max(length, width)
    if (tall) {
      const lean = Math.max(0, ...Object.values(piece.sides).map((s) => -s.taper))
      return [
        [
          [0, 0],
          [length, 0],
          [length - lean, piece.thickness],
          [lean, piece.thickness],
        ],
      ]
    }
    const openings = placeOpenings(piece, resolvePlacing(piece))
    return [
      ...[outlineLoop(piece.outline), ...openings.map((o) => o.loop)].map((l) => loopChords(l, 40).points),
      ...slabMarks(piece, length, width),
    ]
  },
  held(piece) {
    const pieceId = piece.id
    const { length, width } = outlineSize(piece.outline)
    const outline = (key: 'length' | 'width', value: number): HeldDimension => ({
      key,
      label: key,
      value,
      changes: (mm) => [
        { type: 'outlineChanged', pieceId, outline: resizedOutline(piece.outline, { [key]: mm }) },
      ],
    })
    return [
      {
        key: 'thickness',
        label: 'thickness',
        value: piece.thickness,
        changes: (thickness) => [{ type: 'thicknessChanged', pieceId, thickness }],
      },
      outline('length', length),
      outline('width', width),
      {
        key: 'size',
        label: 'length and width together',
        value: length,
        changes: (mm) => [
          {
            type: 'outlineChanged',
            pieceId,
            outline: resizedOutline(piece.outline, { length: mm, width: (width * mm) / length }),
          },
        ],
      },
    ]
  },
}

/** What tells a slab from a plain one: the edge of a basin, a frame, a field; a line of letters. */
function slabMarks(piece: SlabPiece, length: number, width: number): Point[][] {
  const ring = (cx: number, cy: number, l: number, w: number): Point[] => [
    [cx - l / 2, cy - w / 2],
    [cx + l / 2, cy - w / 2],
    [cx + l / 2, cy + w / 2],
    [cx - l / 2, cy + w / 2],
    [cx - l / 2, cy - w / 2],
  ]
  const lines: Point[][] = []
  if (piece.basin) {
    const { u, v, length: l, width: w } = piece.basin
    lines.push(ring(u, v, l, w), ring(u, v, l * 0.8, w * 0.75))
  }
  for (const p of piece.panels) {
    const inset = p.shape.kind === 'inset' ? p.shape.margin : null
    if (inset !== null) lines.push(ring(length / 2, width / 2, length - 2 * inset, width - 2 * inset))
    else if (p.shape.kind === 'rectangle')
      lines.push(ring(length / 2 + p.u, width / 2 + p.v, p.shape.length, p.shape.width))
  }
  for (const l of piece.lettering.filter((t) => t.on === 'top').slice(0, 1)) {
    const half = Math.min(length * 0.35, l.text.length * l.height * 0.25)
    lines.push([
      [length / 2 - half, width / 2],
      [length / 2 + half, width / 2],
    ])
  }
  return lines.map(open)
}

/** A line that is drawn but not filled: walked there and back. */
const open = (line: readonly Point[]): Point[] => [...line, ...[...line].reverse()]
