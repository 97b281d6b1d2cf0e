import type { SlabPiece } from '../job/index.ts'

/** A feature of each list of a slab, in the middle of its plan where that has no place of its own. */
export const testInsert: SlabPiece['inserts'][number] = {
  id: 'i',
  name: 'stud',
  kind: 'socket',
  on: 'top',
  u: 0,
  v: 0,
  tiltDeg: 0,
  tiltTowardDeg: 0,
  diameter: 30,
  bore: 0,
  depth: 25,
  past: 0,
  material: 'steel',
  held: 'mould',
  carriesKg: 0,
}
export const testLetters: SlabPiece['lettering'][number] = {
  id: 'l',
  text: 'No 7\nhill',
  font: 'none',
  fontHash: '',
  on: 'top',
  u: 0,
  v: 0,
  turnDeg: 0,
  height: 80,
  depth: -4,
  spacing: 0,
  align: 'middle',
}
export const testBasinBelow: NonNullable<SlabPiece['basin']> = {
  form: 'frustum',
  length: 400,
  width: 300,
  radius: 40,
  depth: 130,
  draftDeg: 6,
  exponent: 2.5,
  fall: 25,
  shell: 30,
  u: 450,
  v: 250,
  waste: 50,
  overflow: 0,
}

type Panels = SlabPiece['panels'][number]
export const testDrainer: Extract<SlabPiece['drainers'][number], { kind: 'ramp' }> = {
  kind: 'ramp',
  id: 'd',
  name: 'drainer',
  length: 300,
  width: 300,
  radius: 20,
  shallow: 3,
  deep: 12,
  toward: 'right',
  u: 300,
  v: 250,
}
export const testField: Extract<Panels, { kind: 'field' }> = {
  kind: 'field',
  id: 'f',
  name: 'field',
  shape: { kind: 'inset', margin: 60 },
  u: 0,
  v: 0,
  rise: -8,
  draftDeg: 15,
}
export const testFrame: Extract<Panels, { kind: 'frame' }> = {
  kind: 'frame',
  id: 'f',
  name: 'frame',
  shape: { kind: 'inset', margin: 40 },
  u: 0,
  v: 0,
  trim: 'ogee',
  own: [],
  width: 28,
  height: 12,
  tallSide: 'outer',
  sunk: false,
}
