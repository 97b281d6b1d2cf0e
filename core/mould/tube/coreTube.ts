import type { Change, Finding, FittedPiece, TurnedPiece } from '../../job/index.ts'
import type { Tube } from '../../stock/index.ts'
import { MOST_WRAP, tubeFor } from '../boardBox/knockoutChoice.ts'
import { finding } from '../checkMould.ts'
import type { StockLengths } from '../method.ts'
import type { HardwareRow, MaterialRow } from '../types.ts'
import type { RoundForm } from './roundParts.ts'

const outsideOf = ({ inside, wall }: Tube): number => inside + 2 * wall

/** What a core in the axis is cut from: a tube in stock wrapped up to the hollow, with caps on both its ends. */
export function coreOfTube(
  piece: TurnedPiece | FittedPiece,
  { core, height, diameter }: RoundForm,
  tubes: readonly Tube[],
  casts: number,
): {
  readonly materials: readonly MaterialRow[]
  readonly lengths: readonly StockLengths[]
  readonly fixings: readonly HardwareRow[]
  readonly findings: readonly Finding[]
} {
  if (!core) return { materials: [], lengths: [], fixings: [], findings: [] }
  const lengthMm = height - core.from
  const tube = tubeFor(core.diameter, 0, tubes)
  const fixings: HardwareRow[] = [
    { code: 'core-caps', facts: { diameterMm: core.diameter }, amount: 2, unit: 'piece' },
  ]
  if (!tube) {
    const [nearest] = [...tubes]
      .filter((t) => outsideOf(t) < diameter - 2)
      .sort((a, b) => Math.abs(outsideOf(a) - core.diameter) - Math.abs(outsideOf(b) - core.diameter))
    return {
      materials: [
        {
          code: 'core-tube',
          facts: { outsideMm: core.diameter },
          amount: (lengthMm * casts) / 1000,
          unit: 'm',
          cost: null,
          forCasts: casts,
          isPart: true,
        },
      ],
      lengths: [],
      fixings,
      findings: [
        finding(
          piece,
          'core-tube-none',
          'warn',
          'core',
          {
            diameterMm: core.diameter,
            nearest: nearest?.name ?? '',
            nearestMm: nearest ? outsideOf(nearest) : 0,
            mostWrapMm: MOST_WRAP,
          },
          nearest && [hollowed(piece, outsideOf(nearest))],
        ),
      ],
    }
  }
  return {
    materials: [
      {
        code: 'core-of-stock',
        facts: { row: tube.name, wrapMm: (core.diameter - outsideOf(tube)) / 2 },
        amount: (lengthMm * casts) / 1000,
        unit: 'm',
        cost: tube.price === null ? null : (tube.price * lengthMm * casts) / tube.length,
        forCasts: casts,
        isPart: true,
      },
    ],
    lengths: [
      {
        name: tube.name,
        stockLengthMm: tube.length,
        each: 'cast',
        parts: [{ name: 'core in the axis', lengthMm }],
      },
    ],
    fixings,
    findings: [],
  }
}

/** The piece with its hollow as wide as a tube. */
function hollowed(piece: TurnedPiece | FittedPiece, diameter: number): Change {
  const patch =
    piece.kind === 'fitted'
      ? {
          wall:
            piece.measured.kind === 'round'
              ? (piece.measured.diameter - 2 * piece.clearance - diameter) / 2
              : piece.wall,
        }
      : piece.turned.form === 'tube'
        ? { turned: { ...piece.turned, inside: diameter } }
        : { bore: diameter }
  return { type: 'shapeChanged', pieceId: piece.id, patch }
}

/** Lengths of one stock tube put together, each part cut from the same. */
export function joinLengths(rows: readonly StockLengths[]): StockLengths[] {
  const byName = new Map<string, StockLengths>()
  for (const row of rows) {
    const known = byName.get(row.name)
    byName.set(row.name, known ? { ...known, parts: [...known.parts, ...row.parts] } : row)
  }
  return [...byName.values()]
}
