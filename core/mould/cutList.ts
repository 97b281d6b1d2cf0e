import { measureLoop } from '../geometry/index.ts'
import { type SheetStock, type Stock, sheetStock } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'
import { type CutNote, type CutRow, type MouldPart, planOf } from './types.ts'

/** Letters for a list: A to Z, then AA. */
export const letter = (n: number): string =>
  n < 26 ? String.fromCharCode(65 + n) : letter(Math.floor(n / 26) - 1) + letter(n % 26)

type Piece = {
  readonly part: BarePart
  readonly board: Pick<SheetStock, 'id' | 'name'>
  readonly thickness: number
  readonly count: number
}

/** Gives every part its letter and lists what is to be cut, equal sizes of one board in one row. */
export function cutList(parts: readonly BarePart[], stock: Stock): { rows: CutRow[]; parts: MouldPart[] } {
  const sheets = sheetStock(stock)
  const pieces = parts.flatMap((part): Piece[] => {
    if (part.layers.length === 0) return []
    const counts = new Map<string, Piece>()
    for (const layer of part.layers) {
      if (layer.boardId === 'card-shim') continue
      const known = counts.get(layer.boardId)
      const board = sheets.find((b) => b.id === layer.boardId)!
      counts.set(layer.boardId, { part, board, thickness: layer.thicknessMm, count: (known?.count ?? 0) + 1 })
    }
    return [...counts.values()]
  })
  const groups = new Map<string, Piece[]>()
  for (const piece of pieces) {
    const { part, board } = piece
    const key = [
      part.role,
      part.bend?.radiusMm.toFixed(2) ?? '',
      board.id,
      cutSize(part).lengthMm.toFixed(3),
      cutSize(part).widthMm.toFixed(3),
      part.recipe.kind === 'prism' && shapeOf(part).shape === 'outline' ? part.id : shapeOf(part).shape,
      part.drawn?.key ?? '',
      endKey(part),
    ].join('|')
    groups.set(key, [...(groups.get(key) ?? []), piece])
  }
  const labels = new Map<string, string>()
  const rows = [...groups.values()].map((group, i): CutRow => {
    const { part, board, thickness } = group[0]!
    const label = letter(i)
    for (const { part: p } of group) labels.set(p.id, labels.get(p.id) ?? label)
    return {
      label,
      name: rowName(group.map((g) => g.part)),
      role: part.role,
      boardId: board.id,
      boardName: board.name,
      lengthMm: cutSize(part).lengthMm,
      widthMm: cutSize(part).widthMm,
      thicknessMm: thickness,
      count: group.reduce((sum, g) => sum + g.count, 0),
      ...shapeOf(part),
      ...endsOf(part),
      ...(part.drawn && part.drawn.bevelsDeg.length > 0 && { outlineBevelsDeg: part.drawn.bevelsDeg }),
      partIds: group.map((g) => g.part.id),
      notes: notesFor(part),
    }
  })
  return {
    rows,
    parts: parts.map(({ laminate: _, mass: __, displaces: ___, shapedAs: ____, ...part }) => ({
      ...part,
      label: labels.get(part.id) ?? '',
    })),
  }
}

/** How both ends and the edges are sawn, the smaller bevel first: turned end for end an upright strip is the same. */
function endsOf({ bevels }: BarePart): Pick<CutRow, 'bevelsDeg' | 'mitresDeg' | 'edgeDeg'> {
  if (!bevels) return { bevelsDeg: null, mitresDeg: null, edgeDeg: 0 }
  const { startBevelDeg: a, endBevelDeg: b, startMitreDeg: p, endMitreDeg: q, edgeDeg } = bevels
  const turned = a > b || (a === b && p > q)
  return {
    bevelsDeg: a === 0 && b === 0 ? null : turned ? [b, a] : [a, b],
    mitresDeg: p === 0 && q === 0 ? null : turned ? [q, p] : [p, q],
    edgeDeg,
  }
}

/** A strip that leans is no other turned end for end: its handed ends keep it in a row of its own. */
function endKey(part: BarePart): string {
  const { bevelsDeg, mitresDeg, edgeDeg } = endsOf(part)
  const words = [...(bevelsDeg ?? []), '/', ...(mitresDeg ?? []), edgeDeg]
  const same =
    Math.abs((bevelsDeg?.[0] ?? 0) - (bevelsDeg?.[1] ?? 0)) < 0.005 &&
    Math.abs((mitresDeg?.[0] ?? 0) - (mitresDeg?.[1] ?? 0)) < 0.005
  const handed = mitresDeg && !same && part.bevels!.startBevelDeg > part.bevels!.endBevelDeg ? 'turned' : ''
  return `${words.map((w) => (typeof w === 'number' ? w.toFixed(2) : w)).join()}${handed}`
}

/** What each of its boards is cut to. */
const cutSize = ({ onEdge, lengthMm, widthMm }: BarePart) => onEdge ?? { lengthMm, widthMm }

function shapeOf(part: BarePart): Pick<CutRow, 'shape' | 'radiusMm'> {
  if (part.onEdge) return { shape: 'rectangle', radiusMm: 0 }
  if (part.drawn !== undefined) return { shape: 'outline', radiusMm: 0 }
  if (part.bend) return { shape: part.role === 'rib' ? 'rib' : 'bent', radiusMm: part.bend.radiusMm }
  if (part.role === 'rib' || part.role === 'layer') return { shape: 'outline', radiusMm: 0 }
  if (part.role === 'corner')
    return part.source.of === 'corner' && part.source.is === 'post'
      ? { shape: 'rounded post', radiusMm: radiusOf(part) }
      : { shape: 'hollow corner', radiusMm: part.lengthMm }
  const outline = planOf(part)
  if (part.role === 'base' && outline) {
    const square =
      outline.length === 4 &&
      Math.abs(measureLoop(outline).area - part.lengthMm * part.widthMm) < 1e-6 * part.lengthMm * part.widthMm
    return { shape: square ? 'rectangle' : 'outline', radiusMm: 0 }
  }
  if (part.role !== 'knockout' || part.recipe.kind !== 'prism') return { shape: 'rectangle', radiusMm: 0 }
  const arcs = part.recipe.outline.filter((s) => s.arc)
  if (arcs.length === 0) return { shape: 'rectangle', radiusMm: 0 }
  const radius = arcs[0]!.arc!.radius
  return arcs.length === part.recipe.outline.length && Math.abs(radius * 2 - part.lengthMm) < 1e-6
    ? { shape: 'disc', radiusMm: radius }
    : { shape: 'rounded corners', radiusMm: radius }
}

const radiusOf = ({ recipe }: BarePart): number =>
  recipe.kind === 'prism' ? (recipe.outline.find((s) => s.arc)?.arc?.radius ?? 0) : 0

function rowName(parts: readonly BarePart[]): string {
  const names = parts.map((p) => p.name)
  if (parts.length === 1) return names[0]!
  const together = [...new Set(parts.map((p) => p.together))]
  return together.every((t) => t !== undefined) ? together.join(', ') : names.join(', ')
}

function notesFor(part: BarePart): CutNote[] {
  const notes: CutNote[] = []
  if (part.role === 'base' || part.role === 'strip' || part.source.of === 'plank') notes.push('faced-side-in')
  if (part.drawn !== undefined) notes.push('outline')
  if (part.role === 'layer' || (part.role === 'rib' && !part.bend)) notes.push('outline')
  if (part.role === 'skin' && part.bend) notes.push('bent')
  if (part.role === 'base' && shapeOf(part).shape === 'outline') notes.push('outline')
  if (part.bevels && [part.bevels.startKind, part.bevels.endKind].includes('through')) notes.push('raw-end')
  if (part.role === 'knockout' || part.role === 'corner') {
    if (part.layers.length > 1) notes.push('laminate')
    if (part.onEdge) notes.push('on-edge')
    notes.push('raw-edges')
    if (part.recipe.kind === 'moved') notes.push('tapered')
    if (part.recipe.kind === 'trimmed') notes.push('wedge')
    if (shapeOf(part).shape === 'disc') notes.push('disc')
  }
  if (part.role === 'former' && part.layers.length > 0) {
    if (part.layers.length > 1) notes.push('laminate')
    notes.push('drawn', 'sealed')
  }
  return notes
}
