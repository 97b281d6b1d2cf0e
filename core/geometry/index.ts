export { bodiesOf } from './bodies.ts'
export { type Box, boundRecipe } from './boundRecipe.ts'
export { boundSolid } from './boundSolid.ts'
export { addBulks, type Bulk, bulkAt } from './bulk.ts'
export { arcPoints, chordCount, loopChords } from './chords.ts'
export { clipRing } from './clipRing.ts'
export { type Column, columnDepths } from './columnDepths.ts'
export { creaseLines } from './creaseLines.ts'
export { type Crossing, findCrossing } from './crossings.ts'
export { beadChords, edgeDeep, edgeIntegrals, edgeShape, edgeSize } from './edgeProfile.ts'
export { facesIn } from './facesIn.ts'
export { fillLevels, heightOfFill } from './fillLevels.ts'
export { type FlatCorner, type FlatRegion, flatFaces } from './flatFaces.ts'
export { type Circle, type Gap, gapOfCircles, measureGap } from './gap.ts'
export { hullOf, isWithinHull } from './hull.ts'
export {
  CACHE_LIMIT,
  type Kernel,
  MeshMissing,
  openKernel,
  type RawMesh,
  type Solid,
  type SolidScope,
} from './kernel.ts'
export {
  type DrawnBody,
  type Eye,
  eyeFrom,
  lineDrawing,
  type SeenLine,
  turnedEye,
  USUAL_EYE,
} from './lineDrawing.ts'
export { insetAt, loftCounts, loftPoints, lostSides } from './loft.ts'
export { measureRecipe } from './measureRecipe.ts'
export { measureSolid, type SolidMeasure } from './measureSolid.ts'
export { type HalfSpace, measureWithin } from './measureWithin.ts'
export { meshSolid, type NamedMesh } from './meshSolid.ts'
export * from './outline.ts'
export * from './path.ts'
export { principalAxes } from './principalAxes.ts'
export { type MeshQueries, queryMesh } from './queryMesh.ts'
export {
  type EdgeShape,
  type LoftLoop,
  type LoftSide,
  movedBy,
  type Placement,
  type SideProfile,
  type SolidRecipe,
  type Vector,
} from './recipe.ts'
export { canonicalJson, hashText, recipeKey } from './recipeKey.ts'
export {
  bandFromAbove,
  combineRegions,
  loopRegion,
  measureRegion,
  offsetRegion,
  outlineFromAbove,
  sectionOf,
  solidThrough,
} from './region.ts'
export { type CutPlane, type Region, sectionSolid, sectionsAlong, uprightPlane } from './sectionSolid.ts'
export { seeded } from './seeded.ts'
export { seenLines } from './seenLines.ts'
export { type CellMeasure, joinMeasures, splitMeasure } from './splitMeasure.ts'
export { countSurfaces, growthAlong, sectionAreas, surfaceTops } from './surfaceSweep.ts'
export {
  type FeatherEdge,
  featherEdges,
  sampleThickness,
  type ThicknessSample,
  WALL,
} from './thickness/index.ts'
export { trianglesRound } from './trianglesRound.ts'
export { heightAt, surfaceOver, type Under } from './underSurface.ts'
export {
  between,
  boundsOf,
  cross,
  crossOf,
  dot,
  lengthOf,
  minus,
  squareTo,
  unit,
} from './vector.ts'
export { weld } from './weld.ts'
export { edgesBeside, isWithin, isWithinEdges, pointToEdge, pointToRing } from './within.ts'
