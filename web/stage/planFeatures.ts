import { loftPoints, loopChords, type Point, type Region } from '../../core/geometry/index.ts'
import type { Change, SlabPiece } from '../../core/job/index.ts'
import {
  layLetters,
  letterFont,
  outlineLoft,
  outlineSize,
  panelIslands,
  panelLoop,
  shapeLoop,
  superellipse,
} from '../../core/piece/index.ts'

/** What stands on the plan besides openings: a drainer, a panel, letters, an insert, the basin. */
export type Feature = {
  readonly list: 'drainers' | 'panels' | 'lettering' | 'inserts' | 'basin'
  readonly id: string
  readonly name: string
  /** As placed, in the plan. */
  readonly rings: Region
  readonly at: Point
  readonly fill: boolean
  readonly movable: boolean
}

const box = ([x, y]: Point, l: number, w: number): Point[] => [
  [x - l / 2, y - w / 2],
  [x + l / 2, y - w / 2],
  [x + l / 2, y + w / 2],
  [x - l / 2, y + w / 2],
]

/** The features of a slab that can be drawn in its plan. */
export function planFeatures(piece: SlabPiece): Feature[] {
  const { length, width } = outlineSize(piece.outline)
  const middle: Point = [length / 2, width / 2]
  const drainers = piece.drainers.map((d): Feature => {
    const at: Point = [d.u, d.v]
    if (d.kind === 'ramp')
      return {
        list: 'drainers',
        id: d.id,
        name: d.name,
        at,
        fill: true,
        movable: true,
        rings: [
          loopChords(
            shapeLoop({ kind: 'rectangle', length: d.length, width: d.width, radius: d.radius }, at, d.id),
          ).points,
          ...fallMark(at, d.toward, Math.min(d.length, d.width) * 0.3),
        ],
      }
    const upright = d.toward === 'front' || d.toward === 'back'
    const rings = Array.from({ length: d.count }, (_, i): Point[] => {
      const off = (i - (d.count - 1) / 2) * d.pitch
      return upright
        ? box([at[0] + off, at[1]], d.width, d.length)
        : box([at[0], at[1] + off], d.length, d.width)
    })
    return { list: 'drainers', id: d.id, name: d.name, at, rings, fill: true, movable: true }
  })
  const panels = piece.panels.map((p): Feature => {
    const at: Point = [middle[0] + p.u, middle[1] + p.v]
    const ring = (inset: number): Point[] => {
      if (p.shape.kind === 'drawn')
        return loftPoints(
          panelLoop(piece, p).map((s) => ({ ...s, profile: [{ z: 0, inset, name: '' }] })),
          0,
        )
      if (p.shape.kind !== 'inset')
        return loopChords(
          shapeLoop(
            p.shape.kind === 'round'
              ? { kind: 'round', diameter: Math.max(1, p.shape.diameter - 2 * inset) }
              : {
                  kind: 'rectangle',
                  length: Math.max(1, p.shape.length - 2 * inset),
                  width: Math.max(1, p.shape.width - 2 * inset),
                  radius: Math.max(0, p.shape.radius - inset),
                },
            at,
            p.id,
          ),
        ).points
      const { margin } = p.shape
      return loftPoints(
        outlineLoft(piece).map((s) => ({ ...s, profile: [{ z: 0, inset: margin + inset, name: '' }] })),
        0,
      )
    }
    return {
      list: 'panels',
      id: p.id,
      name: p.name,
      at,
      rings:
        p.kind === 'frame'
          ? [ring(0), ring(p.width)]
          : [ring(0), ...panelIslands(piece, p).map((l) => loftPoints(l, 0))],
      fill: false,
      movable: p.shape.kind !== 'inset',
    }
  })
  const lettering = piece.lettering
    .filter((l) => l.on === 'top')
    .map((l): Feature => {
      const at: Point = [middle[0] + l.u, middle[1] + l.v]
      const font = letterFont(l.font)
      const [c, s] = [Math.cos((l.turnDeg * Math.PI) / 180), Math.sin((l.turnDeg * Math.PI) / 180)]
      const rings = font
        ? layLetters(l, font).rings.map((ring) =>
            ring.map(([x, y]): Point => [at[0] + x * c - y * s, at[1] + x * s + y * c]),
          )
        : [box(at, l.text.length * l.height * 0.5, l.height)]
      return {
        list: 'lettering',
        id: l.id,
        name: `“${l.text.split('\n')[0]}”`,
        at,
        rings,
        fill: true,
        movable: true,
      }
    })
  const inserts = piece.inserts
    .filter((i) => i.on === 'top' || i.on === 'bottom')
    .map((i): Feature => {
      const at: Point = [middle[0] + (i.on === 'top' ? i.u : -i.u), middle[1] + i.v]
      return {
        list: 'inserts',
        id: i.id,
        name: i.name,
        at,
        rings: [loopChords(shapeLoop({ kind: 'round', diameter: Math.max(6, i.diameter) }, at, i.id)).points],
        fill: true,
        movable: true,
      }
    })
  const basin: Feature[] = piece.basin
    ? [
        {
          list: 'basin',
          id: 'basin',
          name: 'basin',
          at: [piece.basin.u, piece.basin.v],
          rings: [
            piece.basin.form === 'bowl' || piece.basin.form === 'superellipse'
              ? superellipse(piece.basin.length / 2, piece.basin.width / 2, piece.basin.exponent, [
                  piece.basin.u,
                  piece.basin.v,
                ])
              : loopChords(
                  shapeLoop(
                    {
                      kind: 'rectangle',
                      length: piece.basin.length,
                      width: piece.basin.width,
                      radius: piece.basin.radius,
                    },
                    [piece.basin.u, piece.basin.v],
                    'basin',
                  ),
                ).points,
          ],
          fill: false,
          movable: true,
        },
      ]
    : []
  return [...panels, ...drainers, ...basin, ...lettering, ...inserts]
}

/** A small arrow the way water runs. */
function fallMark([x, y]: Point, toward: SlabPiece['drainers'][number]['toward'], size: number): Point[][] {
  const way: Point = { left: [-1, 0], right: [1, 0], front: [0, -1], back: [0, 1] }[
    toward
  ] as unknown as Point
  const [a, b]: Point[] = [
    [x - way[0] * size, y - way[1] * size],
    [x + way[0] * size, y + way[1] * size],
  ]
  const wing = size * 0.3
  return [
    [
      a!,
      b!,
      [b![0] - way[0] * wing - way[1] * wing, b![1] - way[1] * wing + way[0] * wing],
      b!,
      [b![0] - way[0] * wing + way[1] * wing, b![1] - way[1] * wing - way[0] * wing],
      b!,
    ],
  ]
}

/** The change that moves a feature in the plan. */
export function moveFeature(piece: SlabPiece, feature: Feature, [dx, dy]: Point): Change[] {
  const pieceId = piece.id
  const tidy = (n: number) => Math.round(n * 1e4) / 1e4
  const moved = <T extends { u: number; v: number }>(item: T, flip = 1): T => ({
    ...item,
    u: tidy(item.u + dx * flip),
    v: tidy(item.v + dy),
  })
  switch (feature.list) {
    case 'basin':
      return piece.basin ? [{ type: 'shapeChanged', pieceId, patch: { basin: moved(piece.basin) } }] : []
    case 'drainers': {
      const item = piece.drainers.find((d) => d.id === feature.id)
      return item ? [{ type: 'featureKept', pieceId, list: 'drainers', item: moved(item) }] : []
    }
    case 'panels': {
      const item = piece.panels.find((d) => d.id === feature.id)
      return item ? [{ type: 'featureKept', pieceId, list: 'panels', item: moved(item) }] : []
    }
    case 'lettering': {
      const item = piece.lettering.find((d) => d.id === feature.id)
      return item ? [{ type: 'featureKept', pieceId, list: 'lettering', item: moved(item) }] : []
    }
    case 'inserts': {
      const item = piece.inserts.find((d) => d.id === feature.id)
      return item
        ? [
            {
              type: 'featureKept',
              pieceId,
              list: 'inserts',
              item: moved(item, item.on === 'bottom' ? -1 : 1),
            },
          ]
        : []
    }
  }
}
