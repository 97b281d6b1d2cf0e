export { crossingOf, scalePath } from './chain.ts'
export { isZip, type KeptMesh, packJob, unpackJob, writeStl } from './jobZip.ts'
export {
  hasTwins,
  type MeshHealth,
  type MeshRepair,
  matchSides,
  measureHealth,
  repairMesh,
  type WeldedMesh,
  weldMesh,
} from './meshHealth.ts'
export { meshId, type PreparedMesh, prepareMesh } from './meshId.ts'
export { readDxf } from './readDxf.ts'
export { readMesh } from './readMesh.ts'
export { readSvg } from './readSvg.ts'
export { type ReadTemperatures, readTemperatures } from './readTemperatures.ts'
export { findSelfCrossings } from './selfCrossing.ts'
export {
  type DrawnOutline,
  FILE_UNITS,
  likelyUnit,
  READ_LIMITS,
  type ReadDrawing,
  type ReadMesh,
  type ReadProblem,
} from './types.ts'
