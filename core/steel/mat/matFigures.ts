import type { Piece, SideId } from '../../job/index.ts'
import type { SteelFigures } from '../types.ts'
import type { MatPiece } from './matSheets.ts'
import type { Mat } from './planMat.ts'

/** What is told of a mat; of none its empty figures. */
export function matFigures(
  mats: readonly Mat[],
  { attitude }: Piece,
  thickness: number,
  wordsOf: (side: SideId) => string,
) {
  const [mat, second] = mats
  const fillOf = ({ height, mesh }: Mat) =>
    (attitude.down === 'top' ? thickness - height : height) - mesh.wire
  if (!mat)
    return {
      meshName: null,
      wireMm: 0,
      heightMm: null,
      layAtFillMm: null,
      second: null,
      depthSchool: null,
      coverToShowFaceMm: null,
      lengthwaysWires: 0,
      crosswaysWires: 0,
      wirePieces: 0,
      totalWireMm: 0,
      sheetLengthMm: 0,
      sheetWidthMm: 0,
      sheetCount: 0,
      lapsMm: 0,
      meshCut: null,
      apronStrips: [],
      massKg: 0,
      cost: null,
      steelShare: 0,
    }
  const { mesh, sheet, height, school } = mat
  return {
    meshName: mesh.name,
    wireMm: mesh.wire,
    heightMm: height,
    layAtFillMm: fillOf(mat),
    second: second ? { heightMm: second.height, layAtFillMm: fillOf(second) } : null,
    depthSchool: SCHOOLS[school],
    coverToShowFaceMm: Math.min(...mats.map((m) => m.above)),
    lengthwaysWires: sheet.lengthways,
    crosswaysWires: sheet.crossways,
    wirePieces: mats.reduce((sum, m) => sum + m.sheet.wires.length, 0),
    totalWireMm: mats.reduce((sum, m) => sum + m.sheet.totalLength, 0),
    sheetLengthMm: sheet.sheetLength,
    sheetWidthMm: sheet.sheetWidth,
    sheetCount: mat.cut.count,
    lapsMm: mat.cut.laps,
    meshCut: toldCut(mat),
    apronStrips: mat.aprons.strips.map((s) => ({
      side: wordsOf(s.side),
      lengthMm: s.length,
      liesMm: s.lies,
      hangsMm: s.hangs,
      cutWidthMm: s.cutWidth,
    })),
    massKg: mats.reduce((sum, m) => sum + m.massKg, 0),
    cost: mesh.price == null ? null : mesh.price * mat.cut.count,
    steelShare: (mats.length * (Math.PI / 4) * mesh.wire ** 2) / (mesh.spacing * thickness),
  }
}
const toldCut = ({ cut, mesh }: Mat): SteelFigures['meshCut'] => ({
  lapMm: cut.lap,
  castCount: cut.casts,
  stockLengthMm: mesh.length,
  stockWidthMm: mesh.width,
  pieces: cut.pieces.map(told),
  strips: cut.strips.map((s) => ({ lengthMm: s.length, widthMm: s.width })),
  sheets: cut.sheets.map((parts) => parts.map((p) => ({ ...told(p), number: p.piece + 1 }))),
})
const told = ({ x, y, length, width }: MatPiece) => ({ xMm: x, yMm: y, lengthMm: length, widthMm: width })

const SCHOOLS = {
  middle: 'middle',
  'stretched-face': 'stretched face',
  'weather-face': 'weather face',
} as const
