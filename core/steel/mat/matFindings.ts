import type { Change, findingList, Piece, Remedy, SlabPiece } from '../../job/index.ts'
import { sideNamesOf } from '../../piece/index.ts'
import type { Mesh } from '../../stock/index.ts'
import type { SteelFindings } from '../words.ts'
import { LEAST_COVER, type Mat, matHeight } from './planMat.ts'

/** Steel nearer than this to the show face shows through (ghosting), mm. */
const GHOSTING = 12

/** Under this share of what would lie there a mat is cut to pieces [own]. */
const KEPT = 0.6

type Raise = ReturnType<typeof findingList<SteelFindings>>['raise']

/** What is wrong with where a mat lies: too near a face, none that fits, sheets that lap. */
export function matFindings(
  piece: SlabPiece,
  mat: Mat,
  cover: number,
  meshes: readonly Mesh[],
  coverOf: (piece: Piece, mesh: Mesh) => number,
  raise: Raise,
): void {
  const { mesh, sheet, school, below, above } = mat
  if (sheet.wires.length === 0) {
    raise('mesh-does-not-fit', 'warn', { coverMm: cover, spacingMm: mesh.spacing }, noMatCures(piece))
    return
  }
  if (above < GHOSTING) raise('ghosting', 'warn', { coverMm: Math.max(0, above), wantedMm: GHOSTING })
  // Where the weather face has its cover the other is let go, as far as the mat still lies in concrete.
  const short = school === 'weather-face' ? above : Math.min(below, above)
  const least = Math.min(below, above)
  if (least < LEAST_COVER - 1e-6)
    raise(
      'cover-short',
      'stop',
      { coverMm: Math.max(0, least), wantedMm: LEAST_COVER },
      cures(piece, mat, cover, meshes, coverOf),
    )
  else if (short < cover - 1e-6)
    raise(
      'cover-short',
      'warn',
      { coverMm: short, wantedMm: cover },
      cures(piece, mat, cover, meshes, coverOf),
    )
  if (mat.keptShare < KEPT)
    raise('mat-cut-away', 'warn', { keptShare: mat.keptShare }, [
      ...(['stretched-face', 'weather-face', 'middle'] as const)
        .filter((depth) => depth !== school)
        .map((depth) => ({ code: depth, facts: {}, changes: [chosen(piece, { depth, twice: false })] })),
      ...noMatCures(piece).slice(0, 1),
    ])
  if (mat.aprons.bare.length > 0) {
    const wanted = Math.ceil((2 * (LEAST_COVER + mesh.wire) + 2) / 5) * 5
    const aprons = mat.aprons.bare.map((side) => ({ side, apron: piece.sides[side]!.apron! }))
    const thin = aprons.filter(({ apron }) => apron.thickness < wanted)
    const names = sideNamesOf(piece.outline)
    raise(
      'apron-bare',
      'note',
      {
        sides: mat.aprons.bare.map((side) => names.get(side)).join(' and '),
        thicknessMm: Math.min(...aprons.map(({ apron }) => apron.thickness)),
      },
      thin.length > 0
        ? [
            {
              code: 'thicker',
              facts: { thicknessMm: wanted },
              changes: thin.map(
                ({ side, apron }): Change => ({
                  type: 'sideChanged',
                  pieceId: piece.id,
                  side,
                  patch: { apron: { ...apron, thickness: wanted } },
                }),
              ),
            },
          ]
        : [],
    )
  }
  if (mat.cut.pieces.length > 1)
    raise('mesh-laps', 'note', { sheets: mat.cut.pieces.length, lapMm: mat.cut.lap })
  if (mat.cut.pieces.length === 0)
    raise('mesh-sheet-small', 'stop', { lengthMm: mesh.length, widthMm: mesh.width, lapMm: mat.cut.lap })
}

const chosen = (piece: Piece, patch: Partial<Piece['steel']>): Change => ({
  type: 'steelChosen',
  pieceId: piece.id,
  patch,
})

const noMatCures = (piece: Piece): Remedy[] => [
  { code: 'fibre', facts: {}, changes: [chosen(piece, { kind: 'fibre' })] },
  { code: 'none', facts: {}, changes: [chosen(piece, { kind: 'none' })] },
]

/** In the order a maker would take them: mesh that does not rust, cover on the weather face, finer wire, fibre, thicker. */
function cures(
  piece: SlabPiece,
  { mesh }: Mat,
  cover: number,
  meshes: readonly Mesh[],
  coverOf: (piece: Piece, mesh: Mesh) => number,
): Remedy[] {
  const fits = (m: Mesh) => piece.thickness >= 2 * coverOf(piece, m) + 2 * m.wire - 1e-6
  const other = (code: string, list: readonly Mesh[]): Remedy[] =>
    list.slice(0, 1).map((m) => ({
      code: `${code}/${m.id}`,
      facts: { mesh: m.name },
      changes: [chosen(piece, { mesh: m.id, cover: null })],
    }))
  const bright = meshes.filter((m) => m.id !== mesh.id && m.finish !== 'plain' && fits(m))
  const finer = meshes.filter(
    (m) => m.id !== mesh.id && m.finish === 'plain' && m.wire < mesh.wire && fits(m),
  )
  const weather = matHeight('weather-face', piece.thickness, cover, mesh.wire)
  const held = piece.thickness - weather - mesh.wire >= cover - 1e-6
  return [
    ...other('mesh', bright),
    ...(held
      ? [
          {
            code: 'weather-face',
            facts: { coverMm: cover },
            changes: [chosen(piece, { depth: 'weather-face' })],
          },
        ]
      : []),
    ...other('mesh', finer),
    { code: 'fibre', facts: {}, changes: [chosen(piece, { kind: 'fibre' })] },
    {
      code: 'thicker',
      facts: { leastMm: 2 * cover + 2 * mesh.wire },
      changes: [
        { type: 'thicknessChanged', pieceId: piece.id, thickness: Math.ceil(2 * cover + 2 * mesh.wire) },
      ],
    },
  ]
}
