import type { Finding } from '../../job/index.ts'
import { type Skin, sheetStock } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { barePart } from '../bareParts.ts'
import { bendFinding } from '../boardBox/bendFinding.ts'
import type { CastBody } from '../castBody.ts'
import { boardMissing, rowMissing } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import type { MouldFace, Undoing } from '../types.ts'
import { wholeBody } from './separators.ts'
import { type SkinRun, skinRuns } from './skinRuns.ts'

/** The skin of a profile, strip by strip, each standing in place. */
export function skinParts(
  { kernel, stock }: MethodInput<'ribs' | 'packed'>,
  body: CastBody,
  skin: Skin,
): { readonly runs: readonly SkinRun[]; readonly parts: readonly BarePart[] } {
  const kgPerM3 = sheetStock(stock).find((s) => s.id === skin.id)!.densityKgPerM3
  const runs = skinRuns(kernel, body.recipe, skin.thickness)
  const parts = runs.map((run, i): BarePart => {
    const bent = Number.isFinite(run.leastRadius)
    const middle = run.points[Math.floor(run.points.length / 2)]!
    const before = run.points[Math.max(0, Math.floor(run.points.length / 2) - 1)]!
    const [dx, dy] = [middle[0] - before[0], middle[1] - before[1]]
    const size = Math.hypot(dx, dy) || 1
    return barePart({
      id: `skin/${i + 1}`,
      role: 'skin',
      source: { of: 'profile', n: i + 1 },
      name: `skin ${i + 1}`,
      boardId: skin.id,
      lengthMm: run.developed,
      widthMm: body.height,
      thicknessMm: skin.thickness,
      layers: [{ boardId: skin.id, name: skin.name, thicknessMm: skin.thickness }],
      pull: [dy / size, -dx / size, 0],
      leaves: i,
      bend: bent ? { radiusMm: run.leastRadius, angleDeg: 0 } : null,
      mass: { volume: run.developed * body.height * skin.thickness, kgPerM3 },
      recipe: {
        kind: 'plate',
        region: run.region,
        low: 0,
        high: body.height,
        name: `skin/${i + 1}`,
      },
    })
  })
  return { runs, parts }
}

/** Rows a skinned mould needs; what is missing is said. */
export function skinRows(input: MethodInput<'ribs' | 'packed'>) {
  const { piece, stock } = input
  const skin = stock.skins.find((s) => s.id === piece.mould.skin)
  const board = stock.boards.find((b) => b.id === piece.mould.sideBoard)
  const first = stock.skins[0]
  const findings: Finding[] = [
    ...(board ? [] : [boardMissing(piece, 'the sides', piece.mould.sideBoard)]),
    ...(skin ? [] : [rowMissing(piece, 'skin-missing', piece.mould.skin, first && { skin: first.id })]),
  ]
  return { skin, board, findings, body: wholeBody(input) }
}

/** The strip that is bent tighter than the skin goes, with a skin that would do. */
export function checkSkin(
  { piece, stock }: MethodInput<'ribs' | 'packed'>,
  skin: Skin,
  runs: readonly SkinRun[],
): Finding[] {
  const tightest = Math.min(...runs.map((r) => r.leastRadius))
  if (tightest >= skin.leastRadius) return []
  const at = runs.findIndex((r) => r.leastRadius === tightest)
  return [
    bendFinding(piece, stock, skin, {
      partId: `skin/${at + 1}`,
      name: `skin ${at + 1}`,
      radiusMm: tightest,
    }),
  ]
}

/** A skin all round and the base under it, as concrete meets them; the area is the cast's own, its open face less. */
export function profileFaces(
  body: CastBody,
  base: BarePart,
  skins: readonly BarePart[],
  ground: Pick<MouldFace, 'material' | 'surface'>,
  skin: Pick<MouldFace, 'material' | 'surface'>,
  parting: readonly MouldFace[],
): MouldFace[] {
  const foot = body.height > 0 ? body.volume / body.height : 0
  return [
    { face: 'base', partIds: [base.id], areaM2: foot / 1e6, ...ground },
    {
      face: 'skins',
      partIds: skins.map((p) => p.id),
      areaM2: Math.max(0, body.area - 2 * foot) / 1e6,
      ...skin,
    },
    ...parting,
  ]
}

/** The base stays under the blocks until the last of them is lifted off it. */
export const withBase = (off: readonly Undoing[], base: BarePart): Undoing[] =>
  off.map((u, i) => (i === off.length - 1 ? { ...u, partIds: [...u.partIds, base.id] } : u))
