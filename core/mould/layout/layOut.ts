import { seeded } from '../../geometry/seeded.ts'
import { boundSheets } from './boundSheets.ts'
import { type FillItem, type FillRule, fillSheets, freeNode, type Node } from './fillSheets.ts'
import { joinExact } from './joinExact.ts'
import { mergeBlocks } from './mergeBlocks.ts'
import { proveSheets } from './proveSheets.ts'
import type {
  Block,
  LaidSheet,
  Layout,
  LayoutOptions,
  LayoutPart,
  PlacedPart,
  SheetCut,
  SheetStock,
} from './types.ts'

/** Lists up to this long are also built from below, which finds the tight ones. */
const MERGE_LIMIT = 16
const TRIES = 900
/** From this effort on the fewest sheets of short lists are worked out for certain: pairs of part lists joined by then. */
const PROVES = 4
const PAIRS = 1_500_000
/** Lists up to this long that fill their sheets are put together from their sides. */
const JOIN_LIMIT = 60
/** Share of a sheet by which a list that is cut without waste may miss it, by rounding. */
const WITHOUT_WASTE = 1e-6
/** Lists longer than this try fewer orders, and none beside the sorted ones when twice as long. */
const LONG = 350
/** Tries between two words of progress. */
const PROGRESS = 45
const SLACK = 1e-6
const RULES: readonly FillRule[] = (['short', 'area', 'long'] as const).flatMap((fit) =>
  (['shorter', 'large', 'along', 'across', 'longer'] as const).map((split) => ({ fit, split })),
)

/**
 * Lays parts out on as few sheets as the search finds, all by cuts right across (guillotine), within a fixed number of
 * tries that grows with the effort: sorted orders first, then seeded shuffles of the best one; short lists also by
 * joining blocks. Of equal sheet counts it prefers the one whose last sheet keeps the largest off-cut.
 */
export function layOut(parts: readonly LayoutPart[], sheet: SheetStock, options: LayoutOptions): Layout {
  const { kerf, trim, turnParts, effort = 1 } = options
  const w = sheet.length - 2 * trim + kerf
  const h = sheet.width - 2 * trim + kerf
  const items = parts.map((p, index): FillItem => ({ w: p.length + kerf, h: p.width + kerf, index }))
  const fits = (i: FillItem) =>
    (i.w <= w + SLACK && i.h <= h + SLACK) || (turnParts && i.h <= w + SLACK && i.w <= h + SLACK)
  const placeable = items.filter(fits)
  const tooLarge = items.filter((i) => !fits(i)).map((i) => parts[i.index]!.id)
  const lowerBound = boundSheets(placeable, w, h, turnParts)
  if (placeable.length === 0) return { sheets: [], lowerBound, proven: true, tooLarge }

  let best = searchOrders(placeable, w, h, options, lowerBound)
  const done = (proven: boolean): Layout => ({
    sheets: best.map((root) => readSheet(root, parts, sheet, options)),
    lowerBound: proven ? best.length : lowerBound,
    proven,
    tooLarge,
  })
  const area = placeable.reduce((sum, i) => sum + i.w * i.h, 0)
  if (
    best.length > lowerBound &&
    placeable.length <= JOIN_LIMIT &&
    Math.abs(area / (w * h) - lowerBound) < WITHOUT_WASTE
  ) {
    const blocks = joinExact(placeable, w, h, turnParts, effort, options.shouldStop)
    if (blocks) best = blocks.map((block) => blockSheet(block, w, h, items))
  }
  if (placeable.length <= MERGE_LIMIT && best.length > lowerBound) {
    const merged = mergeSheets(placeable, w, h, options, best.length)
    if (merged && merged.length < best.length) best = merged
  }
  if (best.length === lowerBound || effort < PROVES) return done(best.length === lowerBound)
  const proof = proveSheets(placeable, w, h, turnParts, (effort / PROVES) * PAIRS)
  if (proof.kind === 'too-long') return done(false)
  if (proof.blocks.length < best.length) best = proof.blocks.map((block) => blockSheet(block, w, h, items))
  return done(true)
}

function searchOrders(
  items: readonly FillItem[],
  w: number,
  h: number,
  options: LayoutOptions,
  bound: number,
): Node[] {
  const sorts: ((a: FillItem, b: FillItem) => number)[] = [
    (a, b) => b.w * b.h - a.w * a.h,
    (a, b) => Math.max(b.w, b.h) - Math.max(a.w, a.h),
    (a, b) => Math.min(b.w, b.h) - Math.min(a.w, a.h),
    (a, b) => b.w + b.h - a.w - a.h,
  ]
  let best: { order: FillItem[]; sheets: Node[]; score: number } | null = null
  const consider = (order: FillItem[], rule: FillRule) => {
    const sheets = fillSheets(
      order,
      w,
      h,
      options.turnParts,
      rule,
      best ? best.sheets.length : Number.POSITIVE_INFINITY,
    )
    if (!sheets) return
    const score = scoreOf(sheets)
    if (!best || score < best.score - SLACK) best = { order, sheets, score }
  }
  // Of a very long list only as many sorted orders as a short time allows: filling grows by the square.
  const most = Math.max(2, Math.floor(sorts.length * RULES.length * Math.min(1, (LONG / items.length) ** 2)))
  const sorted = RULES.flatMap((rule) => sorts.map((sort) => [sort, rule] as const)).slice(0, most)
  for (const [sort, rule] of sorted) consider([...items].sort(sort), rule)
  const random = seeded(items.length)
  const tries = items.length > 2 * LONG ? 0 : (options.tries ?? TRIES * (options.effort ?? 1))
  for (let t = 0; t < tries; t += 1) {
    if (options.shouldStop?.()) break
    if (t % PROGRESS === 0) options.onProgress?.(t / tries)
    if (best!.sheets.length <= bound && t > tries / 6) break
    consider(shuffleSome(best!.order, random), RULES[t % RULES.length]!)
  }
  return best!.sheets
}

/** Fewer sheets first; then the larger free rectangle on the last sheet. */
const scoreOf = (sheets: readonly Node[]): number => {
  const last = sheets.at(-1)
  const leaves = last ? leavesOf(last) : []
  const sheetArea = last ? last.w * last.h : 1
  return (
    sheets.length - Math.max(0, ...leaves.filter((n) => n.index < 0).map((n) => n.w * n.h)) / sheetArea / 2
  )
}

const leavesOf = (node: Node): Node[] =>
  node.cut ? [...leavesOf(node.cut.low), ...leavesOf(node.cut.high)] : [node]

/** Swaps a few neighbours and moves one part to another place in the order. */
function shuffleSome(order: readonly FillItem[], random: () => number): FillItem[] {
  const next = [...order]
  const moves = 1 + Math.floor(random() * 3)
  for (let m = 0; m < moves; m += 1) {
    const from = Math.floor(random() * next.length)
    const [item] = next.splice(from, 1)
    next.splice(Math.floor(random() * (next.length + 1)), 0, item!)
  }
  return next
}

function mergeSheets(
  items: readonly FillItem[],
  w: number,
  h: number,
  options: LayoutOptions,
  most: number,
): Node[] | null {
  const sheets: Node[] = []
  let left = [...items]
  while (left.length > 0) {
    if (sheets.length + 1 >= most && sheets.length > 0) return null
    const block = mergeBlocks(left, w, h, options.turnParts, options.shouldStop)
    if (!block) return null
    const root = blockSheet(block, w, h, items)
    sheets.push(root)
    const used = new Set(leavesOf(root).map((n) => n.index))
    left = left.filter((i) => !used.has(i.index))
  }
  return sheets
}

/** A sheet with a block in its corner. */
function blockSheet(block: Block, w: number, h: number, items: readonly FillItem[]): Node {
  const root = freeNode(0, 0, w, h)
  setBlock(block, root, items)
  return root
}

/** Cuts a block into a node: first what is to spare, then the block's own cuts. */
function setBlock(block: Block, node: Node, items: readonly FillItem[]): void {
  if (block.kind === 'pair') {
    const at = block.along ? node.x + block.a.w : node.y + block.a.h
    const low = block.along
      ? freeNode(node.x, node.y, block.a.w, node.h)
      : freeNode(node.x, node.y, node.w, block.a.h)
    const high = block.along
      ? freeNode(at, node.y, node.w - block.a.w, node.h)
      : freeNode(node.x, at, node.w, node.h - block.a.h)
    node.cut = { along: block.along, at, low, high }
    setBlock(block.a, low, items)
    setBlock(block.b, high, items)
    return
  }
  let rest = node
  for (const along of [true, false]) {
    const spare = along ? rest.w - block.w : rest.h - block.h
    if (spare < SLACK) continue
    const low = along ? freeNode(rest.x, rest.y, block.w, rest.h) : freeNode(rest.x, rest.y, rest.w, block.h)
    const high = along
      ? freeNode(rest.x + block.w, rest.y, spare, rest.h)
      : freeNode(rest.x, rest.y + block.h, rest.w, spare)
    rest.cut = { along, at: along ? rest.x + block.w : rest.y + block.h, low, high }
    rest = low
  }
  rest.index = block.index
}

/** From a tree in grown sizes to true ones: parts, cuts in order (whole-sheet cuts first), off-cuts. */
function readSheet(
  root: Node,
  parts: readonly LayoutPart[],
  sheet: SheetStock,
  { kerf, trim }: LayoutOptions,
): LaidSheet {
  const placed: PlacedPart[] = []
  const cuts: SheetCut[] = []
  const offcuts: { x: number; y: number; length: number; width: number }[] = []
  const waiting: Node[] = [root]
  for (let node = waiting.shift(); node; node = waiting.shift()) {
    const [x, y, length, width] = [node.x + trim, node.y + trim, node.w - kerf, node.h - kerf]
    if (node.cut) {
      const { along, at, low, high } = node.cut
      const [from, to] = along ? [y, y + width] : [x, x + length]
      cuts.push({ way: along ? 'crossways' : 'lengthways', at: at + trim - kerf, from, to })
      waiting.unshift(low, high)
    } else if (node.index >= 0) {
      const part = parts[node.index]!
      const turned = Math.abs(part.length - length) > 1e-4 || Math.abs(part.width - width) > 1e-4
      placed.push({ id: part.id, x, y, length, width, turned })
    } else if (length > 0.5 && width > 0.5) offcuts.push({ x, y, length, width })
  }
  const used = placed.reduce((sum, p) => sum + p.length * p.width, 0)
  return { parts: placed, cuts, offcuts, usedShare: used / (sheet.length * sheet.width) }
}
