import type { InsideAdvice } from './adviseInside.ts'

const INSIDE: Readonly<Record<InsideAdvice['inside'], string>> = {
  mesh: 'a sheet of mesh',
  fibre: 'fibre in the mix',
  coats: 'a face coat and a rolled back',
  cage: 'a cage',
  hoops: 'hoops in its wall',
  ribs: 'ribs along its profile',
  nothing: 'nothing',
}
const BECAUSE: Readonly<Record<InsideAdvice['because'], string>> = {
  'glass-in-it': 'the premix has its glass in it',
  'thin-tray': 'thin work in glass-fibre premix is built up in coats',
  'too-thin-for-mesh': 'wires that cross have no room between two covers',
  long: 'it is longer than half a metre and would fall apart where it cracks',
  small: 'so small a piece is held whole; fibre keeps it from cracking while it is young',
  post: 'what is long and slender bends any way',
  hollow: 'a wall round a hollow bursts when what is in it pushes',
  profile: 'it bends where its profile is thinnest',
  block: 'it is thick enough every way to bear itself',
  shell: 'no straight bar or flat sheet follows it',
}

/** `Usual for such a piece: a cage; what is long and slender bends any way.` */
export const adviceWords = ({ inside, because }: InsideAdvice): string =>
  `Usual for such a piece: ${INSIDE[inside]}; ${BECAUSE[because]}.`
