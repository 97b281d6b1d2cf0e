import { boundLoop, edgeSize, type Kernel, type Point } from '../../geometry/index.ts'
import type { SlabPiece } from '../../job/index.ts'
import { atWidest, type PieceGeometry } from '../../piece/index.ts'
import { type Memo, runStation } from '../../station.ts'
import type { Mesh } from '../../stock/index.ts'
import { massOf } from '../../units/convert.ts'
import { castIn } from '../castIn.ts'
import { TWO } from '../takesMesh.ts'
import { type ApronSteel, apronStrips } from './apronStrips.ts'
import { matRegion } from './matRegion.ts'
import { lapOf, type MatSheets, matSheets } from './matSheets.ts'
import { type MeshSheet, meshRegion, meshSheet } from './meshSheet.ts'

/** Nearer to a face than this no mat may lie: nothing would hold it, mm. */
export const LEAST_COVER = 10
/** Below this one sheet lies in the middle, mm. */
const THIN = 60

export type DepthSchool = 'middle' | 'stretched-face' | 'weather-face'

/** A mat as it is cut and where it lies, mm. */
export type Mat = {
  readonly mesh: Mesh
  readonly sheet: MeshSheet
  readonly school: DepthSchool
  /** From the underside as placed to the middle of the sheet. */
  readonly height: number
  readonly below: number
  readonly above: number
  /** With the strips bent into aprons. */
  readonly massKg: number
  readonly cut: MatSheets
  /** How much of its wires is left of those that would lie there but for what is cut into or hung from the slab. */
  readonly keptShare: number
  readonly aprons: ApronSteel
}

/** How high the middle of a sheet lies, mm from the underside. `matHeight('middle', 45, 15, 4)` is 22.5. */
export function matHeight(school: DepthSchool, thickness: number, cover: number, wire: number): number {
  if (school === 'middle') return thickness / 2
  if (school === 'stretched-face') return cover + wire
  return Math.max(LEAST_COVER + wire, thickness - cover - wire)
}

/** Usual below 60 mm in the middle, above it at the face that stretches. */
export const schoolOf = ({ steel, thickness }: SlabPiece): DepthSchool =>
  steel.depth ?? (thickness < THIN ? 'middle' : 'stretched-face')

export const takesTwo = ({ steel, thickness }: SlabPiece): boolean => steel.twice && thickness >= TWO

/** The mats of a slab from below: one at its school's depth, or one at either face. */
export const matsOf = (
  kernel: Kernel,
  piece: SlabPiece,
  geometry: PieceGeometry,
  mesh: Mesh,
  {
    cover,
    quick,
  }: { readonly cover: number /** Aprons are left out: they want the solid. */; readonly quick: boolean },
  memo: Memo,
): readonly [Mat, ...Mat[]] => {
  const at = (school: DepthSchool, bends: boolean) =>
    planMat(kernel, piece, geometry, mesh, cover, memo, { school, bends: bends && !quick })
  return takesTwo(piece)
    ? [at('stretched-face', true), at('weather-face', false)]
    : [at(schoolOf(piece), true)]
}

/** The mat of a slab, cut to what it passes through at its own depth; its sheet has no wires where none fits. */
export function planMat(
  kernel: Kernel,
  piece: SlabPiece,
  geometry: PieceGeometry,
  mesh: Mesh,
  cover: number,
  memo: Memo,
  {
    school = schoolOf(piece),
    bends = true,
  }: { readonly school?: DepthSchool /** Its strips go down into aprons. */; readonly bends?: boolean } = {},
): Mat {
  const { thickness, outline, noMesh } = geometry
  const height = matHeight(school, thickness, cover, mesh.wire)
  // A bit must not meet the mat: it is kept clear of what is drilled later as of what is cast in.
  const openings = atWidest(piece, [...geometry.openings, ...geometry.drilled])
  // Of a plain slab a mat is the plan's and the cover's: a change of thickness alone does not cut it again.
  const plain =
    geometry.formed.length === 0 &&
    castIn(geometry).length === 0 &&
    openings.every((o) => o.depth === null) &&
    // An edge eased no further than the cover ends below the mat.
    Object.values(piece.sides).every(
      (s) => s.taper === 0 && Math.max(edgeSize(s.top), edgeSize(s.bottom)) <= cover,
    )
  const { sheet, whole } = runStation(
    memo,
    'mat',
    {
      outline,
      openings,
      noMesh,
      spacing: mesh.spacing,
      cover,
      level: plain ? null : { low: height - mesh.wire, high: height + mesh.wire, cover },
      formed: geometry.formed,
      castIn: castIn(geometry),
      sides: piece.sides,
    },
    (i) => {
      const { min, max } = boundLoop(i.outline)
      const box: { min: Point; max: Point } = {
        min: [min[0] + cover, min[1] + cover],
        max: [max[0] - cover, max[1] - cover],
      }
      const level = i.level ?? { low: thickness / 2, high: thickness / 2, cover }
      const sheet = meshSheet(matRegion(kernel, piece, geometry, i.openings, level), box, i.spacing)
      if (!i.level) return { sheet, whole: sheet.totalLength }
      const through = i.openings.filter((o) => o.depth === null)
      const bare = meshSheet(meshRegion(kernel, i.outline, through, cover), box, i.spacing)
      return { sheet, whole: bare.totalLength }
    },
  ).value
  const hasAprons = bends && Object.values(piece.sides).some((s) => s.apron !== null)
  const aprons =
    hasAprons && sheet.wires.length > 0
      ? runStation(
          memo,
          'apron mesh',
          {
            recipe: geometry.recipe,
            outline: piece.outline,
            sides: piece.sides,
            openings,
            castIn: castIn(geometry),
            mesh,
            cover,
            height,
          },
          () =>
            apronStrips(
              kernel,
              piece,
              geometry,
              matRegion(kernel, piece, geometry, openings, {
                low: height - 2 * mesh.wire,
                high: height + mesh.wire,
                cover,
              }),
              mesh,
              { cover, height, lap: lapOf(mesh) },
            ),
        ).value
      : { strips: [], bare: [] }
  const cut = runStation(
    memo,
    'mat cut',
    {
      length: sheet.sheetLength,
      width: sheet.sheetWidth,
      mesh,
      casts: piece.plannedCasts,
      mats: takesTwo(piece) ? 2 : 1,
      strips: aprons.strips.map((s) => ({ length: s.length, width: s.cutWidth })),
    },
    (i) => matSheets(i.length, i.width, i.mesh, i.casts, i),
  ).value
  const bent = aprons.strips
  return {
    mesh,
    sheet,
    school,
    height,
    below: height - mesh.wire,
    above: thickness - height - mesh.wire,
    massKg: massOf(
      bent.reduce((sum, s) => sum + s.totalLength, sheet.totalLength) * (Math.PI / 4) * mesh.wire ** 2,
      mesh.densityKgPerM3,
    ),
    cut,
    keptShare: whole > 0 ? Math.min(1, sheet.totalLength / whole) : 1,
    aprons,
  }
}
