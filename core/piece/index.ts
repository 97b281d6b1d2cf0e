export {
  inversePlacement,
  pouredLoop,
  pouredPlacement,
  pouredPoint,
  pouredSize,
  sideAt,
} from './attitude.ts'
export { potHoles } from './box/buildBox.ts'
export { type PanelGroup, panelGroups, panelPieces } from './box/panelPieces.ts'
export { type BoxPanel, boxPanels } from './box/panels.ts'
export { faceWordsOf, openingOfFace } from './faceWords.ts'
export { quadrilateral } from './fitted/measured.ts'
export { adviseAttitude, type HeldDimension, holdDimensions, pieceBox, silhouette } from './kinds.ts'
export { holdFonts, LETTER_FONTS, letterFont } from './lettering/fonts.ts'
export { layLetters } from './lettering/layLetters.ts'
export { loftLoop } from './loftLoop.ts'
export { describePiece, planPieceStation } from './planPiece.ts'
export { type BasinSolids, basinSolids, superellipse, superellipseArea } from './slab/basin.ts'
export { drainerFall, drainerRun } from './slab/drainers.ts'
export { freePlace, moveToFree, placedFree } from './slab/freePlace.ts'
export {
  asPolygon,
  halfSize,
  insetShape,
  nameOfSide,
  OUTLINE_NAMES,
  outlineEdges,
  outlineLoop,
  outlinePath,
  outlineSize,
  outlineStart,
  resizedOutline,
  SIDES,
  shapeLoop,
  sideName,
  sideNamesOf,
  sidesOf,
  sideWords,
} from './slab/outlineLoop.ts'
export { panelIslands, panelLoop } from './slab/panels.ts'
export { patternPlaces } from './slab/pattern.ts'
export {
  asCast,
  atWidest,
  movedRule,
  moveOpening,
  placeOpenings,
  reach,
  removeOpening,
  resolvePlacing,
} from './slab/placing.ts'
export {
  apronCutters,
  isPlainSide,
  openingHole,
  openingPlug,
  outlineLoft,
  sideWall,
  slabBody,
} from './slab/slabSolid.ts'
export { trimSection } from './slab/trims.ts'
export { isSweptEnd, sweptProfile } from './swept/buildSwept.ts'
export { noteValue, noteWords, reasonWords } from './told.ts'
export { turnedProfile } from './turned/turnedProfile.ts'
export type {
  Block,
  FlatFace,
  PieceFigures,
  PieceGeometry,
  PieceStation,
  PlacedOpening,
  Separator,
} from './types.ts'
export { PIECE_WORDS } from './words.ts'
