export { type FeatherEdge, featherEdges } from './featherEdges.ts'
export { sampleThickness, type ThicknessSample, WALL } from './sampleThickness.ts'
