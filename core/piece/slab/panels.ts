import {
  type Bulk,
  boundLoop,
  type LoftLoop,
  loftPoints,
  measureRecipe,
  type PathCorner,
  type Point,
  pathLoop,
  type Region,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Panel, SlabPiece } from '../../job/index.ts'
import { loftLoop, reverseLoftLoop } from '../loftLoop.ts'
import { openingPath, outlinePath, outlineSize } from './outlineLoop.ts'
import { outlineLoft } from './slabSolid.ts'
import { trimSection } from './trims.ts'

export type PanelSolid = {
  readonly raised: boolean
  readonly recipe: SolidRecipe
  readonly bulk: Bulk | null
}

/** A panel's boundary as a loft's loop with one profile all round. */
function fieldLoop(
  piece: SlabPiece,
  panel: Panel,
  steps: (name: string) => LoftLoop[number]['profile'],
): LoftLoop {
  const { length, width } = outlineSize(piece.outline)
  const name = `panel/${panel.id}/side`
  if (panel.shape.kind === 'inset') {
    const { margin } = panel.shape
    // The outline's own sides, moved in: they keep their arcs, and rounded corners shrink with them.
    return loftLoop(outlinePath(piece.outline), { side: () => name, corner: () => name }, () =>
      steps(name).map((s) => ({ ...s, inset: s.inset + margin })),
    )
  }
  const centre: Point = [length / 2 + panel.u, width / 2 + panel.v]
  const path: PathCorner[] =
    panel.shape.kind === 'drawn'
      ? movedPath(panel.shape.corners, drawnShift(panel.shape, centre))
      : openingPath(panel.shape, centre, 0)
  return loftLoop(path, { side: () => name, corner: () => name }, () => steps(name))
}

/** What a drawn field leaves out, as holes of its loft. */
function islandLoops(
  piece: SlabPiece,
  panel: Panel,
  steps: (name: string) => LoftLoop[number]['profile'],
): LoftLoop[] {
  if (panel.shape.kind !== 'drawn') return []
  const { length, width } = outlineSize(piece.outline)
  const by = drawnShift(panel.shape, [length / 2 + panel.u, width / 2 + panel.v])
  return panel.shape.islands.map((island, i) => {
    const name = `panel/${panel.id}/island/${i + 1}`
    const loop = loftLoop(movedPath(island, by), { side: () => name, corner: () => name }, () => steps(name))
    return reverseLoftLoop(loop)
  })
}

/** From where a drawn outline is drawn to where its box has its middle. */
function drawnShift({ corners }: Extract<Panel['shape'], { kind: 'drawn' }>, [x, y]: Point): Point {
  const { min, max } = boundLoop(pathLoop(corners, { side: (i) => i, corner: (a) => a }))
  return [x - (min[0] + max[0]) / 2, y - (min[1] + max[1]) / 2]
}

const movedPath = (path: readonly PathCorner[], [dx, dy]: Point): PathCorner[] =>
  path.map((corner) => ({
    ...corner,
    x: corner.x + dx,
    y: corner.y + dy,
    run:
      corner.run.kind === 'spline'
        ? { ...corner.run, through: corner.run.through.map(([x, y]): [number, number] => [x + dx, y + dy]) }
        : corner.run,
  }))

/** The solid a panel adds to the top face or takes from it, overlapping the slab by 1 mm. */
export function panelSolid(piece: SlabPiece, panel: Panel): PanelSolid {
  const top = piece.thickness
  if (panel.kind === 'frame') return frameSolid(piece, panel)
  const raised = panel.rise > 0
  const height = Math.abs(panel.rise)
  const lean = Math.tan((panel.draftDeg * Math.PI) / 180) * height
  // Wide at the face when sunken, at its foot when raised: the field is measured at the slab's face.
  const exact = (past: number): SolidRecipe => {
    const [low, high] = raised ? [top - past, top + height] : [top - height, top + past]
    const steps = (name: string) =>
      raised
        ? [
            { z: top, inset: 0, name },
            { z: top + height, inset: lean, name },
          ]
        : [
            { z: top - height, inset: lean, name },
            { z: top, inset: 0, name },
          ]
    return {
      kind: 'loft',
      outline: fieldLoop(piece, panel, steps),
      holes: islandLoops(piece, panel, steps),
      low,
      high,
      lowName: `panel/${panel.id}/floor`,
      highName: `panel/${panel.id}/face`,
    }
  }
  return { raised, recipe: exact(1), bulk: measureRecipe(exact(0)) }
}

/** The level ground of each field in or on a slab's top, in plan, and how far it stands above the top, mm. */
export const fieldLevels = (piece: SlabPiece): { readonly region: Region; readonly rise: number }[] =>
  piece.panels.flatMap((panel) => {
    if (panel.kind !== 'field' || panel.rise === 0) return []
    const lean = Math.tan((panel.draftDeg * Math.PI) / 180) * Math.abs(panel.rise)
    const at = (name: string) => [{ z: 0, inset: lean, name }]
    return [
      {
        rise: panel.rise,
        region: [fieldLoop(piece, panel, at), ...islandLoops(piece, panel, at)].map((loop) =>
          loftPoints(loop, 0),
        ),
      },
    ]
  })

/** A trim swept round the field with true mitres, standing on the face or cut into it. */
function frameSolid(piece: SlabPiece, panel: Extract<Panel, { kind: 'frame' }>): PanelSolid {
  const top = piece.thickness
  const section = trimSection(panel)
  const sign = panel.sunk ? -1 : 1
  const margin = panel.shape.kind === 'inset' ? panel.shape.margin : 0
  const isFoot = (i: number) => section[(i + section.length) % section.length]!.rise <= 1e-9
  const name = `panel/${panel.id}/trim`
  const at = (past: number): SolidRecipe => ({
    kind: 'ring',
    loop: fieldLoop(piece, panel, (side) => [{ z: 0, inset: 0, name: side }]),
    section: section.flatMap(({ inset, rise }, i) => {
      const point = (z: number) => ({ inset: inset + margin, z, name })
      if (!isFoot(i)) return [point(top + sign * rise)]
      // Foot points stand on the face and reach past it, so that nothing of the trim is lost to the overlap.
      const sunkFoot = past > 0 ? [point(top - sign * past)] : []
      if (isFoot(i - 1) && isFoot(i + 1)) return sunkFoot
      return isFoot(i - 1) ? [...sunkFoot, point(top)] : [point(top), ...sunkFoot]
    }),
  })
  return { raised: !panel.sunk, recipe: at(0.5), bulk: measureRecipe(at(0)) }
}

/** The islands of a drawn field at its face. */
export const panelIslands = (piece: SlabPiece, panel: Panel): LoftLoop[] =>
  islandLoops(piece, panel, (name) => [{ z: 0, inset: 0, name }])

/** Whether a panel lies wholly inside the outline: its widest loop is given for the check. */
export const panelLoop = (piece: SlabPiece, panel: Panel): LoftLoop =>
  panel.shape.kind === 'inset'
    ? outlineLoft(piece)
    : fieldLoop(piece, panel, (name) => [{ z: 0, inset: 0, name }])
