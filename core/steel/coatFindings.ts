import type { Change, findingList, Piece } from '../job/index.ts'
import type { Mix } from '../stock/index.ts'
import { BACK, type Coats, HANDLED } from './coats.ts'
import type { SteelFindings } from './words.ts'

type Raise = ReturnType<typeof findingList<SteelFindings>>['raise']

/** What is wrong with coats: another mix, a back too thin to hold, edges too thin to handle. */
export function coatFindings(
  piece: Piece,
  coats: Coats,
  mix: Mix,
  mixes: readonly Mix[],
  thickness: number,
  raise: Raise,
): void {
  const chosen = (patch: Partial<Piece['steel']>): Change => ({
    type: 'steelChosen',
    pieceId: piece.id,
    patch,
  })
  if (mix.family !== 'glass-fibre')
    raise('coats-mix', 'warn', { mix: mix.name }, [
      ...mixes
        .filter((m) => m.family === 'glass-fibre')
        .slice(0, 1)
        .map((m) => ({
          code: `mix/${m.id}`,
          facts: { mix: m.name },
          changes: [{ type: 'mixChosen' as const, pieceId: piece.id, patch: { mix: m.id } }],
        })),
      { code: 'none', facts: {}, changes: [chosen({ kind: 'none' })] },
    ])
  const thicker = (mm: number) =>
    piece.kind === 'slab'
      ? [
          {
            code: 'thicker',
            facts: { thicknessMm: mm },
            changes: [{ type: 'thicknessChanged' as const, pieceId: piece.id, thickness: mm }],
          },
        ]
      : []
  if (coats.backMm < BACK.least - 1e-6)
    raise(
      'coats-thin',
      'warn',
      { backMm: coats.backMm, leastMm: BACK.least, faceMm: coats.faceMm },
      thicker(Math.ceil(thickness + BACK.least - coats.backMm)),
    )
  else if (piece.kind === 'slab' && thickness < HANDLED - 1e-6)
    raise('coats-edges', 'note', { thicknessMm: thickness, leastMm: HANDLED }, thicker(HANDLED))
  if (coats.goCount > 1)
    raise('coats-many', 'note', { backMm: coats.thickMm, goes: String(coats.goCount), mostMm: BACK.most })
}
