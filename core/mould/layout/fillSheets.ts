/** A free rectangle, or what a cut made of it. `index` is the part that fills it. */
export type Node = {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
  cut: { readonly along: boolean; readonly at: number; readonly low: Node; readonly high: Node } | null
  index: number
}

export type FillItem = { readonly w: number; readonly h: number; readonly index: number }
export type FillRule = {
  readonly fit: 'area' | 'short' | 'long'
  readonly split: 'shorter' | 'longer' | 'large' | 'along' | 'across'
}

const SLACK = 1e-6
export const freeNode = (x: number, y: number, w: number, h: number): Node => ({
  x,
  y,
  w,
  h,
  cut: null,
  index: -1,
})

/**
 * Lays parts one after the other into the best free rectangle of any open sheet, opening a new sheet only when none
 * takes it; each part is cut free by two cuts right across. Returns one tree a sheet.
 */
export function fillSheets(
  order: readonly FillItem[],
  w: number,
  h: number,
  turn: boolean,
  rule: FillRule,
  most: number,
): Node[] | null {
  const sheets: Node[] = []
  const free: Node[] = []
  for (const item of order) {
    let spot = bestSpot(free, item, turn, rule)
    if (!spot) {
      if (sheets.length >= most) return null
      const sheet = freeNode(0, 0, w, h)
      sheets.push(sheet)
      free.push(sheet)
      spot = bestSpot([sheet], item, turn, rule)
      if (!spot) throw new Error('a part larger than the sheet must be set aside first')
    }
    const node = spot.node
    free.splice(free.indexOf(node), 1)
    free.push(...cutFree(node, spot.w, spot.h, item.index, rule))
  }
  return sheets
}

type Spot = { readonly node: Node; readonly w: number; readonly h: number; readonly score: number }

function bestSpot(free: readonly Node[], item: FillItem, turn: boolean, rule: FillRule): Spot | null {
  let best: Spot | null = null
  for (const node of free) {
    for (let way = 0; way < (turn ? 2 : 1); way += 1) {
      const w = way ? item.h : item.w
      const h = way ? item.w : item.h
      const [dw, dh] = [node.w - w, node.h - h]
      if (dw < -SLACK || dh < -SLACK) continue
      const score =
        rule.fit === 'area'
          ? node.w * node.h - w * h
          : rule.fit === 'short'
            ? Math.min(dw, dh)
            : Math.max(dw, dh)
      if (!best || score < best.score - SLACK) best = { node, w, h, score }
    }
  }
  return best
}

/** Cuts a part out of a corner of a node; returns what is left free. */
function cutFree(node: Node, w: number, h: number, index: number, rule: FillRule): Node[] {
  const [dw, dh] = [node.w - w, node.h - h]
  const alongFirst = splitsAlong(rule.split, dw, dh, w, h)
  const left: Node[] = []
  let rest = node
  for (const along of alongFirst ? [true, false] : [false, true]) {
    const spare = along ? rest.w - w : rest.h - h
    if (spare < SLACK) continue
    const low = along ? freeNode(rest.x, rest.y, w, rest.h) : freeNode(rest.x, rest.y, rest.w, h)
    const high = along
      ? freeNode(rest.x + w, rest.y, spare, rest.h)
      : freeNode(rest.x, rest.y + h, rest.w, spare)
    rest.cut = { along, at: along ? rest.x + w : rest.y + h, low, high }
    left.push(high)
    rest = low
  }
  rest.index = index
  return left
}

function splitsAlong(split: FillRule['split'], dw: number, dh: number, w: number, h: number): boolean {
  switch (split) {
    case 'shorter':
      return dw > dh
    case 'longer':
      return dw <= dh
    case 'large':
      return dw * (h + dh) > dh * (w + dw)
    case 'along':
      return true
    case 'across':
      return false
  }
}
