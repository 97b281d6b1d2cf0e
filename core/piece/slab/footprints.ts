import { loftPoints, loopRegion, type Point, type Region } from '../../geometry/index.ts'
import type { SlabPiece } from '../../job/index.ts'
import { letterFont } from '../lettering/fonts.ts'
import { layLetters } from '../lettering/layLetters.ts'
import { outlineSize, shapeLoop } from './outlineLoop.ts'
import { panelIslands, panelLoop } from './panels.ts'
import { placeOpenings, resolvePlacing } from './placing.ts'

/** What a feature takes up of a slab's plan, as placed. */
export type Footprint = {
  readonly list: 'openings' | 'drainers' | 'panels' | 'lettering' | 'inserts' | 'basin'
  readonly id: string
  readonly name: string
  /** The faces it is seen on. */
  readonly on: readonly ('top' | 'bottom')[]
  /** Its boundary, holes clockwise: a frame is the band between its two edges. */
  readonly region: Region
  /** What others keep clear of when they are put in, where that is more: the box of letters, a basin with its shell. */
  readonly room?: Region
  /** Whether others may stand within it: a field, and what a frame goes round. */
  readonly open: boolean
}

/** Every feature of a slab with its plan; letters and the basin by their boxes. */
export function footprints(piece: SlabPiece): Footprint[] {
  const { length, width } = outlineSize(piece.outline)
  const found: Footprint[] = []
  for (const o of placeOpenings(piece, resolvePlacing(piece)))
    found.push({
      list: 'openings',
      id: o.openingId,
      name: o.name,
      on: o.depth === null ? ['top', 'bottom'] : [o.on],
      region: loopRegion(o.loop),
      open: false,
    })
  for (const d of piece.drainers) {
    const across = d.kind === 'grooves' ? (d.count - 1) * d.pitch + d.width : d.width
    const turned = d.kind === 'grooves' && (d.toward === 'front' || d.toward === 'back')
    const half: Point = turned ? [across / 2, d.length / 2] : [d.length / 2, across / 2]
    const region = [box([d.u, d.v], half)]
    found.push({ list: 'drainers', id: d.id, name: d.name, on: ['top'], region, open: false })
  }
  for (const p of piece.panels) {
    const margin = p.shape.kind === 'inset' ? p.shape.margin : 0
    const at = (inset: number): Ring =>
      loftPoints(
        panelLoop(piece, p).map((s) => ({ ...s, profile: [{ z: 0, inset, name: '' }] })),
        0,
      )
    const region = [
      at(margin),
      ...(p.kind === 'frame'
        ? [[...at(margin + p.width)].reverse()]
        : panelIslands(piece, p).map((l) => loftPoints(l, 0))),
    ]
    found.push({ list: 'panels', id: p.id, name: p.name, on: ['top'], region, open: true })
  }
  for (const l of piece.lettering) {
    if (l.on !== 'top') continue
    const font = letterFont(l.font)
    const points = font
      ? layLetters(l, font).rings.flat()
      : box([0, 0], [l.text.length * l.height * 0.3, l.height / 2])
    const at: Point = [length / 2 + l.u, width / 2 + l.v]
    const room = [around(points, at, l.turnDeg)]
    // The block of letters as it is turned, not the upright box round that.
    const region = [turnRing(around(points, [0, 0], 0), at, l.turnDeg)]
    const name = `“${l.text.split('\n')[0]}”`
    found.push({ list: 'lettering', id: l.id, name, on: ['top'], region, room, open: false })
  }
  for (const i of piece.inserts) {
    if (i.on !== 'top' && i.on !== 'bottom') continue
    const at: Point = [length / 2 + (i.on === 'top' ? i.u : -i.u), width / 2 + i.v]
    found.push({
      list: 'inserts',
      id: i.id,
      name: i.name,
      on: i.depth === null ? ['top', 'bottom'] : [i.on],
      region: loopRegion(shapeLoop({ kind: 'round', diameter: Math.max(1, i.diameter) }, at, i.id)),
      open: false,
    })
  }
  const { basin } = piece
  if (basin) {
    const rim = basin.shell / Math.cos((basin.draftDeg * Math.PI) / 180)
    const around = (by: number) => [box([basin.u, basin.v], [basin.length / 2 + by, basin.width / 2 + by])]
    // Work on the top may end at its mouth; what is put in keeps clear of its shell too.
    found.push({
      list: 'basin',
      id: 'basin',
      name: 'the basin',
      on: ['top', 'bottom'],
      region: around(0),
      room: around(rim),
      open: false,
    })
  }
  return found
}

type Ring = readonly Point[]

const box = ([x, y]: Point, [l, w]: Point): Ring => [
  [x - l, y - w],
  [x + l, y - w],
  [x + l, y + w],
  [x - l, y + w],
]

const turnRing = (ring: Ring, [x, y]: Point, turnDeg: number): Ring => {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  return ring.map(([u, v]): Point => [x + u * c - v * s, y + u * s + v * c])
}

/** The box of some points, turned about the origin and then moved. */
function around(points: Ring, at: Point, turnDeg: number): Ring {
  const turned = turnRing(points, at, turnDeg)
  const [us, vs] = [turned.map((p) => p[0]), turned.map((p) => p[1])]
  const [u0, u1, v0, v1] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)]
  return box([(u0 + u1) / 2, (v0 + v1) / 2], [(u1 - u0) / 2, (v1 - v0) / 2])
}
