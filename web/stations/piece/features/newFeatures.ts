import type { Basin, Drainer, Insert, Lettering, Panel } from '../../../../core/job/index.ts'
import { newId } from '../../../state/files.ts'

const tidy = (n: number): number => Math.max(1, Math.round(n))

export const newLettering = (on: string, height: number): Lettering => ({
  id: newId('letters'),
  text: 'KESTREL',
  font: 'condensed-bold',
  fontHash: '',
  on,
  u: 0,
  v: 0,
  turnDeg: 0,
  height: tidy(height),
  depth: -4,
  spacing: 5,
  align: 'middle',
})

export const newInsert = (on: string): Insert => ({
  id: newId('insert'),
  name: 'socket',
  kind: 'socket',
  on,
  u: 0,
  v: 0,
  tiltDeg: 0,
  tiltTowardDeg: 0,
  diameter: 12,
  bore: 0,
  depth: 25,
  past: 0,
  material: 'steel',
  held: 'mould',
  carriesKg: 0,
})

export const newDrainer = (length: number, width: number): Drainer => ({
  kind: 'ramp',
  id: newId('drainer'),
  name: 'drainer',
  length: tidy(length * 0.3),
  width: tidy(width * 0.7),
  radius: 20,
  shallow: 3,
  deep: 12,
  toward: 'right',
  u: tidy(length * 0.22),
  v: tidy(width / 2),
})

export const newField = (): Panel => ({
  kind: 'field',
  id: newId('panel'),
  name: 'sunken field',
  shape: { kind: 'inset', margin: 60 },
  u: 0,
  v: 0,
  rise: -8,
  draftDeg: 15,
})

export const newFrame = (): Panel => ({
  kind: 'frame',
  id: newId('panel'),
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
})

export const newBasin = (length: number, width: number): Basin => ({
  form: 'frustum',
  length: tidy(Math.min(450, length * 0.5)),
  width: tidy(Math.min(320, width * 0.55)),
  radius: 40,
  depth: 130,
  draftDeg: 6,
  exponent: 2.5,
  fall: 25,
  shell: 30,
  u: tidy(length / 2),
  v: tidy(width / 2),
  waste: 50,
  overflow: 0,
})
