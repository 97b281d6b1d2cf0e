import type { Piece } from '../../job/index.ts'
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
    sheetCount: mat.sheets,
    lapsMm: mat.laps,
    massKg: mat.massKg,
    cost: mesh.price == null ? null : mesh.price * mat.sheets,
    steelShare: ((Math.PI / 4) * mesh.wire ** 2) / (mesh.spacing * thickness),
  }
}
const SCHOOLS = {
  middle: 'middle',
  'stretched-face': 'stretched face',
  'weather-face': 'weather face',
} as const
