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
