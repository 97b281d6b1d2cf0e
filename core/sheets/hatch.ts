import type { Point } from '../geometry/index.ts'

/** Parallel lines clipped to a region by even-odd crossings: drafting hatch as plain vectors. */
export function hatchLines(
  region: readonly (readonly Point[])[],
  spacing: number,
  angleRad: number,
): [Point, Point][] {
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)]
  const turned = region.map((ring) => ring.map(([x, y]): Point => [x * c + y * s, -x * s + y * c]))
  const ys = turned.flat().map(([, y]) => y)
  if (ys.length === 0) return []
  const back = ([x, y]: Point): Point => [x * c - y * s, x * s + y * c]
  const lines: [Point, Point][] = []
  const first = Math.ceil(Math.min(...ys) / spacing) * spacing
  for (let y = first; y < Math.max(...ys); y += spacing) {
    const xs: number[] = []
    for (const ring of turned) {
      ring.forEach((p, i) => {
        const q = ring[(i + 1) % ring.length]!
        if (p[1] <= y !== q[1] <= y) xs.push(p[0] + ((q[0] - p[0]) * (y - p[1])) / (q[1] - p[1]))
      })
    }
    xs.sort((a, b) => a - b)
    for (let i = 0; i + 1 < xs.length; i += 2) lines.push([back([xs[i]!, y]), back([xs[i + 1]!, y])])
  }
  return lines
}
