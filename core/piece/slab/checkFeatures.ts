import {
  boundLoop,
  combineRegions,
  findCrossing,
  isWithin,
  type Kernel,
  type Loop,
  loftPoints,
  loopRegion,
  lostSides,
  measureRegion,
  type Point,
  type Region,
  rectangleLoop,
} from '../../geometry/index.ts'
import type { About, Panel, SlabPiece } from '../../job/index.ts'
import type { PlacedOpening } from '../types.ts'
import { basinSolids } from './basin.ts'
import { basinCures, basinWith, clearing, halfOf, kept, openingCures, sideOf, takenOut } from './cures.ts'
import { drainerFall } from './drainers.ts'
import { nameOfSide, outlineEdges, outlinePath, sideNamesOf } from './outlineLoop.ts'
import { panelIslands, panelLoop } from './panels.ts'
import type { Raise } from './raise.ts'
import { outlineLoft } from './slabSolid.ts'
import { trimSection } from './trims.ts'

/** Areas below this, mm2, are rounding. */
const NOTHING = 0.5

/** Drainers, panels, drip grooves and the basin: inside the plan, within the thickness, clear of openings. */
export function checkSlabFeatures(
  kernel: Kernel,
  piece: SlabPiece,
  outline: Loop,
  openings: readonly PlacedOpening[],
  raise: Raise,
): void {
  const whole = loopRegion(outline)
  const half = Math.round(piece.thickness) / 2
  const about = (id: string): About[] => [{ pieceId: piece.id, kind: 'feature', id }]
  const beyond = (region: Region): number =>
    measureRegion(combineRegions(kernel, 'difference', [region, whole]))
  for (const d of piece.drainers) {
    const across = d.kind === 'grooves' ? (d.count - 1) * d.pitch + d.width : d.width
    const turned = d.kind === 'grooves' && (d.toward === 'front' || d.toward === 'back')
    const [l, w] = turned ? [across, d.length] : [d.length, across]
    const box = loopRegion(
      rectangleLoop([d.u - l / 2, d.v - w / 2], l, w, [0, 0, 0, 0], {
        sides: ['', '', '', ''],
        corners: ['', '', '', ''],
      }),
    )
    if (beyond(box) > NOTHING)
      raise({
        code: 'feature-outside',
        level: 'stop',
        about: about(d.id),
        facts: { feature: d.name },
        cures: clearing(piece, 'drainers', d, [l / 2, w / 2]),
      })
    if (Math.max(d.deep, d.shallow) >= piece.thickness)
      raise({
        code: 'feature-through',
        level: 'stop',
        about: about(d.id),
        facts: { feature: d.name, depthMm: Math.max(d.deep, d.shallow), thicknessMm: piece.thickness },
        cures: [
          {
            code: 'shallower',
            changes: [kept(piece, 'drainers', { ...d, deep: half, shallow: Math.min(d.shallow, half / 2) })],
          },
          takenOut(piece, 'drainers', d.id),
        ],
      })
    const fall = drainerFall(d)
    if (fall < 0.01)
      raise({
        code: 'drains-badly',
        level: 'warn',
        about: about(d.id),
        facts: { feature: d.name, fallPercent: Math.round(fall * 1000) / 10 },
      })
  }
  for (const panel of piece.panels) {
    const loop = panelLoop(piece, panel)
    const margin = panel.shape.kind === 'inset' ? panel.shape.margin : 0
    const inner = panel.kind === 'frame' ? Math.max(0, ...trimSection(panel).map((p) => p.inset)) : 0
    const at = (inset: number) => loop.map((s) => ({ ...s, profile: [{ z: 0, inset, name: '' }] }))
    const rings = [margin, margin + inner].map((inset) => ({
      lost: lostSides(at(inset), 0),
      ring: loftPoints(at(inset), 0),
    }))
    if (panel.kind === 'frame' && trimSection(panel).length < 3)
      raise({
        code: 'trim-empty',
        level: 'stop',
        about: about(panel.id),
        facts: { feature: panel.name },
        cures: [
          ...(panel.kind === 'frame'
            ? [{ code: 'own-trim', changes: [kept(piece, 'panels', { ...panel, trim: 'ogee' as const })] }]
            : []),
          takenOut(piece, 'panels', panel.id),
        ],
      })
    else if (
      rings.some((r) => r.lost.length > 0 || findCrossing(r.ring) || measureRegion([r.ring]) <= 0) ||
      islandsAstray(piece, panel, rings[0]!.ring)
    )
      raise({
        code: 'panel-closes',
        level: 'stop',
        about: about(panel.id),
        facts: { feature: panel.name },
        cures: [takenOut(piece, 'panels', panel.id)],
      })
    else if (beyond([rings[0]!.ring]) > NOTHING)
      raise({
        code: 'feature-outside',
        level: 'stop',
        about: about(panel.id),
        facts: { feature: panel.name },
        cures: clearing(piece, 'panels', panel, halfOf(rings[0]!.ring)),
      })
    const depth = panel.kind === 'frame' ? (panel.sunk ? panel.height : 0) : -panel.rise
    if (depth >= piece.thickness)
      raise({
        code: 'feature-through',
        level: 'stop',
        about: about(panel.id),
        facts: { feature: panel.name, depthMm: depth, thicknessMm: piece.thickness },
        cures: [
          {
            code: 'shallower',
            changes: [
              kept(
                piece,
                'panels',
                panel.kind === 'frame' ? { ...panel, height: half } : { ...panel, rise: -half },
              ),
            ],
          },
          takenOut(piece, 'panels', panel.id),
        ],
      })
    if (panel.kind === 'field' && panel.rise === 0)
      raise({ code: 'panel-flat', level: 'warn', about: about(panel.id), facts: { feature: panel.name } })
  }
  const edges = outlineEdges(outlinePath(piece.outline), sideNamesOf(piece.outline))
  for (const side of outlineLoft(piece)) {
    const { of, id } = edges.get(side.name)!
    const drip = of === 'side' ? piece.sides[id]!.drip : null
    if (!drip) continue
    const length = Math.hypot(side.to[0] - side.from[0], side.to[1] - side.from[1])
    if (side.arc || length < 2 * drip.inset + drip.width)
      raise({
        code: 'drip-left-out',
        level: 'warn',
        about: [{ pieceId: piece.id, kind: 'side', id }],
        facts: { side: nameOfSide(piece.outline, id), why: side.arc ? 'it is curved' : 'it is too short' },
      })
    else if (drip.depth >= piece.thickness)
      raise({
        code: 'feature-through',
        level: 'stop',
        about: [{ pieceId: piece.id, kind: 'side', id }],
        facts: {
          feature: `drip groove at ${nameOfSide(piece.outline, id)}`,
          depthMm: drip.depth,
          thicknessMm: piece.thickness,
        },
        cures: [
          { code: 'shallower', changes: [sideOf(piece, id, { ...drip, depth: half })] },
          { code: 'take-out', changes: [sideOf(piece, id, null)] },
        ],
      })
  }
  checkBasin(piece, beyond, openings, kernel, raise)
}

function checkBasin(
  piece: SlabPiece,
  beyond: (region: Region) => number,
  openings: readonly PlacedOpening[],
  kernel: Kernel,
  raise: Raise,
): void {
  const { basin } = piece
  if (!basin) return
  const about: About[] = [{ pieceId: piece.id, kind: 'feature', id: 'basin' }]
  const deep = basin.depth + (basin.form === 'ramp' ? basin.fall : 0)
  const lean = Math.tan((basin.draftDeg * Math.PI) / 180) * deep
  const short = Math.min(basin.length, basin.width)
  if (basin.form !== 'bowl' && 2 * lean >= short) {
    raise({
      code: 'basin-closes',
      level: 'stop',
      about,
      facts: { draftDeg: basin.draftDeg, acrossMm: short },
    })
    return
  }
  if (basin.form !== 'bowl' && basin.form !== 'superellipse' && basin.radius * 2 > short) {
    raise({
      code: 'basin-radius',
      level: 'stop',
      about,
      facts: { radiusMm: basin.radius, mostMm: short / 2 },
      changes: [basinWith(piece, { radius: Math.floor(short / 2) })],
    })
    return
  }
  if (basin.depth <= basin.shell * 0.2 || basin.depth <= 1)
    raise({
      code: 'basin-shallow',
      level: 'stop',
      about,
      facts: { depthMm: basin.depth },
    })
  const { plan } = basinSolids(piece, basin)
  const ring: readonly Point[] = plan
  const rim = basin.shell / Math.cos((basin.draftDeg * Math.PI) / 180)
  const top = loopRegion(
    rectangleLoop(
      [basin.u - basin.length / 2 - rim, basin.v - basin.width / 2 - rim],
      basin.length + 2 * rim,
      basin.width + 2 * rim,
      [0, 0, 0, 0],
      { sides: ['', '', '', ''], corners: ['', '', '', ''] },
    ),
  )
  if (beyond([ring]) > NOTHING || beyond(top) > NOTHING)
    raise({
      code: 'basin-outside',
      level: 'stop',
      about,
      facts: { shellMm: basin.shell },
      cures: basinCures(piece, [basin.length / 2 + rim, basin.width / 2 + rim]),
    })
  for (const o of openings) {
    const { min, max } = boundLoop(o.loop)
    const region = loopRegion(o.loop)
    const near = measureRegion(combineRegions(kernel, 'intersection', [top, region]))
    if (near > NOTHING && max[0] > min[0])
      raise({
        code: 'opening-in-shell',
        level: 'stop',
        about: [...about, { pieceId: piece.id, kind: 'opening', id: o.openingId, face: `opening/${o.key}` }],
        facts: { opening: o.name, shellMm: basin.shell },
        cures: openingCures(piece, o.openingId),
      })
  }
  if (basin.waste > 0 && basin.waste >= short - 2 * lean)
    raise({
      code: 'waste-too-wide',
      level: 'stop',
      about,
      facts: { wasteMm: basin.waste, acrossMm: short - 2 * lean },
      changes: [basinWith(piece, { waste: Math.floor((short - 2 * lean) / 2) })],
    })
  if (basin.draftDeg < 2 && basin.form !== 'bowl')
    raise({
      code: 'basin-core-locks',
      level: 'warn',
      about,
      facts: { draftDeg: basin.draftDeg, wantedDeg: 3 },
    })
}

/** Whether an island of a drawn field crosses itself, another or the field's edge. */
function islandsAstray(piece: SlabPiece, panel: Panel, outer: readonly Point[]): boolean {
  const islands = panelIslands(piece, panel).map((l) => loftPoints(l, 0))
  const inside = (ring: readonly Point[], of: readonly Point[]) => ring.map((p) => isWithin(p, of))
  return islands.some(
    (ring, i) =>
      findCrossing(ring) !== null ||
      inside(ring, outer).some((is) => !is) ||
      inside(outer, ring).some((is) => is) ||
      islands.some((other, j) => i !== j && inside(ring, other).some((is) => is)),
  )
}
