import { measureLoop } from '../geometry/index.ts'
import { type SheetStock, type Stock, sheetStock } from '../stock/index.ts'
import type { BarePart } from './boardBox/boxParts.ts'
import type { CutNote, CutRow, MouldPart } from './types.ts'

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
      part.lengthMm.toFixed(3),
      part.widthMm.toFixed(3),
      part.recipe.kind === 'prism' && shapeOf(part).shape === 'outline' ? part.id : shapeOf(part).shape,
      bevelsOf(part)?.map((deg) => deg.toFixed(2)) ?? 'square',
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
      lengthMm: part.lengthMm,
      widthMm: part.widthMm,
      thicknessMm: thickness,
      count: group.reduce((sum, g) => sum + g.count, 0),
      ...shapeOf(part),
      bevelsDeg: bevelsOf(part),
      partIds: group.map((g) => g.part.id),
      notes: notesFor(part),
    }
  })
  return {
    rows,
    parts: parts.map(({ laminate: _, mass: __, ...part }) => ({ ...part, label: labels.get(part.id) ?? '' })),
  }
}

/** Both ends' bevels, the smaller first: turned end for end a strip is the same. */
function bevelsOf({ bevels }: BarePart): [number, number] | null {
  if (!bevels || (bevels.startBevelDeg === 0 && bevels.endBevelDeg === 0)) return null
  return bevels.startBevelDeg < bevels.endBevelDeg
    ? [bevels.startBevelDeg, bevels.endBevelDeg]
    : [bevels.endBevelDeg, bevels.startBevelDeg]
}

function shapeOf(part: BarePart): Pick<CutRow, 'shape' | 'radiusMm'> {
  if (part.bend) return { shape: part.role === 'rib' ? 'rib' : 'bent', radiusMm: part.bend.radiusMm }
  if (part.role === 'rib' || part.role === 'layer') return { shape: 'outline', radiusMm: 0 }
  if (part.role === 'corner')
    return part.name.endsWith('post')
      ? { shape: 'rounded post', radiusMm: radiusOf(part) }
      : { shape: 'hollow corner', radiusMm: part.lengthMm }
  if (part.role === 'base' && part.recipe.kind === 'prism') {
    const { outline } = part.recipe
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
  if (parts[0]!.role === 'cleat') return `${parts[0]!.name.replace(/ \d+$/, '')}s`
  if (parts[0]!.role === 'layer') return 'layers'
  if (parts[0]!.role === 'rib') return `${[...new Set(names.map((n) => n.replace(/ \d+$/, '')))].join(', ')}s`
  if (parts[0]!.role === 'strip') return names.every((n) => n.endsWith(' end')) ? 'ends' : names.join(', ')
  const stem = names[0]!.replace(/ \d+ /, ' ')
  return names.every((n) => n.replace(/ \d+ /, ' ') === stem) ? `${stem}s` : names.join(', ')
}

function notesFor(part: BarePart): CutNote[] {
  const notes: CutNote[] = []
  if (part.role === 'base' || part.role === 'strip') notes.push('faced side in')
  if (part.role === 'layer' || (part.role === 'rib' && !part.bend)) notes.push('cut to the outline')
  if (part.role === 'skin' && part.bend) notes.push('bent, tacked to its ribs')
  if (part.role === 'base' && shapeOf(part).shape === 'outline') notes.push('cut to the outline')
  if (part.bevels && [part.bevels.startKind, part.bevels.endKind].includes('through'))
    notes.push('raw end faces concrete: edge or tape')
  if (part.role === 'knockout' || part.role === 'corner') {
    if (part.layers.length > 1) notes.push('laminate')
    notes.push('raw edges face concrete: seal or tape')
    if (shapeOf(part).shape === 'disc') notes.push('cut the disc, drill the middle')
  }
  return notes
}
