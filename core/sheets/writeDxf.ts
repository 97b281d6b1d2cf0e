import { boundLoop, type Loop, type Point } from '../geometry/index.ts'

/** One closed outline of a drawing, on a layer of its own name. */
export type DxfOutline = { readonly layer: string; readonly loops: readonly Loop[] }

/** Room between outlines, mm. */
const GAP = 20

/**
 * Outlines as DXF text in millimetres, lines and arcs as they are, set side by side at true size. The layers are named
 * for the parts.
 */
export function writeDxf(outlines: readonly DxfOutline[]): string {
  const rows: string[] = []
  const pair = (code: number, value: string | number) => {
    rows.push(String(code), typeof value === 'number' ? tidy(value) : value)
  }
  pair(0, 'SECTION')
  pair(2, 'HEADER')
  pair(9, '$INSUNITS')
  pair(70, '4')
  pair(0, 'ENDSEC')
  pair(0, 'SECTION')
  pair(2, 'ENTITIES')
  let x = 0
  for (const { layer, loops } of outlines) {
    const boxes = loops.map(boundLoop)
    const min: Point = [Math.min(...boxes.map((b) => b.min[0])), Math.min(...boxes.map((b) => b.min[1]))]
    const right = Math.max(...boxes.map((b) => b.max[0]))
    const at = ([px, py]: Point): Point => [px - min[0] + x, py - min[1]]
    for (const segment of loops.flat()) drawSegment(pair, plainName(layer), segment, at)
    x += right - min[0] + GAP
  }
  pair(0, 'ENDSEC')
  pair(0, 'EOF')
  return `${rows.join('\n')}\n`
}

function drawSegment(
  pair: (code: number, value: string | number) => void,
  layer: string,
  { from, to, arc }: Loop[number],
  at: (p: Point) => Point,
): void {
  pair(0, arc ? 'ARC' : 'LINE')
  pair(8, layer)
  if (!arc) {
    const [a, b] = [at(from), at(to)]
    pair(10, a[0])
    pair(20, a[1])
    pair(11, b[0])
    pair(21, b[1])
    return
  }
  const [cx, cy] = at(arc.centre)
  const angle = ([px, py]: Point) =>
    ((Math.atan2(py - arc.centre[1], px - arc.centre[0]) * 180) / Math.PI + 360) % 360
  // An arc of a drawing runs anticlockwise from its start.
  const [start, end] = arc.sweepRad > 0 ? [from, to] : [to, from]
  pair(10, cx)
  pair(20, cy)
  pair(40, arc.radius)
  pair(50, angle(start))
  pair(51, angle(end))
}

const tidy = (n: number): string => String(Math.round(n * 1e6) / 1e6)
/** Layer names keep letters, figures, spaces and dashes. */
const plainName = (name: string): string => name.replace(/[^\p{L}\p{N} _-]+/gu, ' ').trim() || 'part'
