import {
  addBulks,
  type Bulk,
  bulkAt,
  combineRegions,
  type Kernel,
  loftPoints,
  loopRegion,
  measureLoop,
  measureRecipe,
  type Region,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import { plainSide, type SlabPiece } from '../../job/index.ts'
import { levelFace, sideFace } from '../frames.ts'
import type { Built, FlatFace } from '../types.ts'
import { basinBulk, basinHolds, basinSolids } from './basin.ts'
import { checkSlab } from './checkSlab.ts'
import { drainerCuts } from './drainers.ts'
import { nameOfSide, outlineLoop, outlineSize, sidesOf } from './outlineLoop.ts'
import { panelSolid } from './panels.ts'
import { placeOpenings, resolvePlacing } from './placing.ts'
import { apronCutters, deepestApron, dripCutters, outlineLoft, recessCutter, slabBody } from './slabSolid.ts'

type Feature = {
  readonly add: boolean
  readonly recipe: SolidRecipe
  readonly bulk: Bulk | null
  readonly of: { readonly id: string; readonly name: string; readonly face: string }
}

/** A flat slab of any plan, with what is cut into it, stands on it or hangs below it. */
export function buildSlab(kernel: Kernel, piece: SlabPiece): Built {
  const outline = outlineLoop(piece.outline)
  const placing = resolvePlacing(piece)
  const placed = placeOpenings(piece, placing)
  // What is drilled later is no hole in what is poured.
  const openings = placed.filter((o) => o.made === 'cast')
  const findings = checkSlab(kernel, piece, outline, placed, placing)
  const stopped = findings.some((f) => f.level === 'stop')
  const size = outlineSize(piece.outline)
  const basin = piece.basin && !stopped ? basinSolids(piece, piece.basin) : null
  const low = Math.min(-deepestApron(piece), basin?.low ?? 0)
  const rise = piece.panels.reduce(
    (most, p) => Math.max(most, p.kind === 'frame' ? (p.sunk ? 0 : p.height) : p.rise),
    0,
  )
  const body = slabBody(piece, openings)
  const features = stopped ? [] : slabFeatures(piece, openings)
  const recipe = stopped ? null : assemble(piece, body, features, basin)
  const bulk = stopped ? measureRecipe(body) : quickBulk(piece, body, features)
  const faces = stopped ? [] : slabFaces(kernel, piece, placed)
  const showFaceArea = placed
    .filter((o) => o.depth === null || o.on === 'top')
    .reduce((area, o) => area - measureLoop(o.loop).area, measureLoop(outline).area)
  const holds = basin ? basinHolds(piece, piece.basin!) : null
  return {
    ...(holds !== null && { holds }),
    ...finishedPlan(piece),
    geometry: {
      ...size,
      low,
      height: piece.thickness + rise - low,
      thickness: piece.thickness,
      outline,
      openings,
      drilled: placed.filter((o) => o.made === 'drilled'),
      recipe,
      faces,
      blocks: [],
      noMesh: basin ? [[basin.plan]] : [],
      relief: { top: rise, bottom: 0 },
      formed: features.map(({ add, recipe: solid, bulk: own, of }) => ({
        ...of,
        raised: add,
        recipe: solid,
        volume: own?.volume ?? 0,
      })),
      thinnest: basin
        ? { mm: Math.min(piece.thickness, piece.basin!.shell), where: 'the shell of the basin' }
        : null,
    },
    bulk,
    showFaceArea,
    findings,
  }
}

/** The plan less what liners take of it, mm; nothing where there are none. */
function finishedPlan(piece: SlabPiece): Pick<Built, 'finished'> {
  const sides = Object.entries(piece.sides)
  if (sides.every(([, s]) => s.liner === 0)) return {}
  const lined = Object.fromEntries(sides.map(([id, { liner }]) => [id, plainSide({ liner })]))
  const points = loftPoints(outlineLoft({ ...piece, sides: lined }), piece.thickness / 2)
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  return {
    finished: [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)],
  }
}

/** Everything that is cut from the slab or set on it, each with its bulk where that is known exactly. */
function slabFeatures(piece: SlabPiece, openings: Built['geometry']['openings']): Feature[] {
  const byId = new Map(piece.openings.map((o) => [o.id, o]))
  const take = (recipe: SolidRecipe, exact: SolidRecipe, of: Feature['of']): Feature => ({
    add: false,
    recipe,
    bulk: measureRecipe(exact),
    of,
  })
  const drips = dripCutters(piece)
  const exactDrips = dripCutters(piece, 0)
  return [
    ...openings
      .filter((o) => o.depth !== null)
      .map((o) => {
        const opening = byId.get(o.openingId)!
        return take(recessCutter(opening, o, piece.thickness), recessCutter(opening, o, piece.thickness, 0), {
          id: o.key,
          name: o.name,
          face: o.on,
        })
      }),
    ...drips.map((drip, i) =>
      take(drip, exactDrips[i]!, { id: `drip-${i + 1}`, name: 'drip groove', face: 'bottom' }),
    ),
    ...piece.drainers.flatMap((d) =>
      drainerCuts(d, piece.thickness).map((cut, i, all) => ({
        add: false,
        ...cut,
        of: {
          id: all.length > 1 ? `${d.id}.${i + 1}` : d.id,
          name: all.length > 1 ? `${d.name} ${i + 1}` : d.name,
          face: 'top',
        },
      })),
    ),
    ...piece.panels.map((p): Feature => {
      const { raised, recipe, bulk } = panelSolid(piece, p)
      return { add: raised, recipe, bulk, of: { id: p.id, name: p.name, face: 'top' } }
    }),
  ]
}

function assemble(
  piece: SlabPiece,
  body: SolidRecipe,
  features: readonly Feature[],
  basin: ReturnType<typeof basinSolids> | null,
): SolidRecipe {
  const cut = (from: SolidRecipe, minus: readonly SolidRecipe[]): SolidRecipe =>
    minus.length === 0 ? from : { kind: 'difference', from, minus }
  const join = (first: SolidRecipe, more: readonly SolidRecipe[]): SolidRecipe =>
    more.length === 0 ? first : { kind: 'union', of: [first, ...more] }
  const sunk = features.filter((f) => !f.add).map((f) => f.recipe)
  const raised = features.filter((f) => f.add).map((f) => f.recipe)
  const flat = cut(body, [...apronCutters(piece), ...sunk])
  const whole = join(flat, [...(basin ? [basin.outside] : []), ...raised])
  return basin ? cut(whole, [basin.core, ...basin.holes]) : whole
}

function quickBulk(piece: SlabPiece, body: SolidRecipe, features: readonly Feature[]): Bulk | null {
  const basin = piece.basin ? basinBulk(piece, piece.basin) : bulkAt(0, [0, 0, 0])
  if (!basin || deepestApron(piece) > 0 || features.some((f) => f.bulk === null)) return null
  return addBulks([
    [1, measureRecipe(body) ?? bulkAt(0, [0, 0, 0])],
    ...features.map((f) => [f.add ? 1 : -1, f.bulk!] as const),
    [1, basin],
  ])
}

/** Top, underside and the straight sides, as lettering and inserts find them. */
function slabFaces(kernel: Kernel, piece: SlabPiece, openings: Built['geometry']['openings']): FlatFace[] {
  const loft = outlineLoft(piece)
  const { thickness } = piece
  const holesAt = (face: 'top' | 'bottom'): Region[] =>
    openings.filter((o) => o.depth === null || o.on === face).map((o) => loopRegion(o.loop))
  const flat = (face: 'top' | 'bottom', z: number): FlatFace => {
    const whole: Region = [loftPoints(loft, z)]
    const holes = piece.lettering.length > 0 ? holesAt(face) : []
    return levelFace(
      face,
      holes.length === 0 ? whole : combineRegions(kernel, 'difference', [whole, ...holes]),
      z,
    )
  }
  const sides = sidesOf(piece).flatMap((id): FlatFace[] => {
    const index = loft.findIndex((s) => s.name === `side/${id}`)
    const side = loft[index]
    if (!side || side.arc || loft.filter((s) => s.name === side.name).length > 1) return []
    const dir = [side.to[0] - side.from[0], side.to[1] - side.from[1]] as const
    const length = Math.hypot(...dir)
    const { taper, liner, apron } = piece.sides[id]!
    const low = apron ? -apron.drop : 0
    const inset = (z: number) =>
      liner + (taper > 0 ? (taper * (thickness - z)) / thickness : (-taper * z) / thickness)
    const at = (end: readonly [number, number], z: number): Vector => [
      end[0] - (dir[1] / length) * inset(z),
      end[1] + (dir[0] / length) * inset(z),
      z,
    ]
    const face = sideFace(`side/${id}`, `${nameOfSide(piece.outline, id)} side`, [
      at(side.from, low),
      at(side.to, low),
      at(side.to, thickness),
      at(side.from, thickness),
    ])
    return face ? [face] : []
  })
  return [flat('top', thickness), flat('bottom', 0), ...sides]
}
