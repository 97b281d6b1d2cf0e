import type { Piece } from '../../job/index.ts'
import type { SteelFigures } from '../types.ts'
import type { MatPiece } from './matSheets.ts'
import type { Mat } from './planMat.ts'

/** What is told of a mat; of none its empty figures. */
export function matFigures(mat: Mat | null, { attitude }: Piece, thickness: number) {
  if (!mat)
    return {
      meshName: null,
      wireMm: 0,
      heightMm: null,
      layAtFillMm: null,
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
      massKg: 0,
      cost: null,
      steelShare: 0,
    }
  const { mesh, sheet, height, school } = mat
  return {
    meshName: mesh.name,
    wireMm: mesh.wire,
    heightMm: height,
    layAtFillMm: (attitude.down === 'top' ? thickness - height : height) - mesh.wire,
    depthSchool: SCHOOLS[school],
    coverToShowFaceMm: mat.above,
    lengthwaysWires: sheet.lengthways,
    crosswaysWires: sheet.crossways,
    wirePieces: sheet.wires.length,
    totalWireMm: sheet.totalLength,
    sheetLengthMm: sheet.sheetLength,
    sheetWidthMm: sheet.sheetWidth,
    sheetCount: mat.cut.count,
    lapsMm: mat.cut.laps,
    meshCut: toldCut(mat),
    massKg: mat.massKg,
    cost: mesh.price == null ? null : mesh.price * mat.cut.count,
    steelShare: ((Math.PI / 4) * mesh.wire ** 2) / (mesh.spacing * thickness),
  }
}
const toldCut = ({ cut, mesh }: Mat): SteelFigures['meshCut'] => ({
  lapMm: cut.lap,
  castCount: cut.casts,
  stockLengthMm: mesh.length,
  stockWidthMm: mesh.width,
  pieces: cut.pieces.map(told),
  sheets: cut.sheets.map((parts) => parts.map((p) => ({ ...told(p), number: p.piece + 1 }))),
})
const told = ({ x, y, length, width }: MatPiece) => ({ xMm: x, yMm: y, lengthMm: length, widthMm: width })

const SCHOOLS = {
  middle: 'middle',
  'stretched-face': 'stretched face',
  'weather-face': 'weather face',
} as const
