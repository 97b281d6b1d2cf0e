import { SaxesParser } from 'saxes'
import { SVGPathData } from 'svg-pathdata'
import type { Point } from '../geometry/index.ts'
import { chainStrokes, polyStrokes, type Stroke, sortOutlines } from './chain.ts'
import { across, type Curve, curveReach, curveStrokes, flatness } from './curveStrokes.ts'
import { READ_LIMITS, type ReadDrawing, type ReadProblem } from './types.ts'

/** x' = a x + c y + e, y' = b x + d y + f. */
type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number]
const STAYS: Matrix = [1, 0, 0, 1, 0, 0]
const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
]

/** Millimetres of CSS's absolute units; a bare number is a pixel of 1/96 inch. */
const UNITS: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: 25.4 / 96,
  q: 0.25,
}

const refuse = (code: ReadProblem['code'], text: string): ReadDrawing => ({
  ok: false,
  problem: { code, text },
})
/** Elements whose content is never drawn where it stands. */
const HIDDEN = new Set([
  'defs',
  'symbol',
  'clippath',
  'mask',
  'pattern',
  'marker',
  'style',
  'script',
  'metadata',
  'title',
  'desc',
])
const NUMBERS = /[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi
/** What an element draws: straight lines, and curves that are cut once the size of the drawing is known. */
type Drawn = readonly (Stroke | Curve)[]
const isCurve = (d: Stroke | Curve): d is Curve => 'at' in d

/**
 * Closed outlines of an SVG: paths and basic shapes with their transforms, the size in real units where width and
 * viewBox give one. It is read as data: nothing of it is ever run or put into a page.
 */
export function readSvg(text: string): ReadDrawing {
  if (text.length > READ_LIMITS.drawingBytes)
    return refuse('tooLarge', `The drawing is larger than ${READ_LIMITS.drawingBytes / 1e6} MB.`)
  if (text.trim() === '') return refuse('empty', 'The file is empty.')
  const lines: Stroke[] = []
  const curves: Curve[] = []
  const leftOut = new Map<string, number>()
  const stack: { name: string; matrix: Matrix; hidden: boolean; layer: string }[] = []
  let mmPerUnit: number | null = null
  let seenSvg = false
  let problem: ReadDrawing | null = null
  const parser = new SaxesParser({ xmlns: false })
  parser.on('error', (error) => {
    problem ??= refuse(
      'notThis',
      `This is not an SVG drawing that can be read: ${error.message.split('\n')[0]}.`,
    )
  })
  parser.on('opentag', (tag) => {
    if (problem) return
    const name = tag.name.replace(/^.*:/, '').toLowerCase()
    const attributes = tag.attributes as Record<string, string>
    const outer = stack.at(-1)
    if (name === 'svg' && !seenSvg) {
      seenSvg = true
      mmPerUnit = unitOf(attributes)
    }
    const matrix = times(outer?.matrix ?? STAYS, transformOf(attributes.transform ?? ''))
    const hidden =
      (outer?.hidden ?? false) || HIDDEN.has(name) || /display\s*:\s*none/.test(attributes.style ?? '')
    const layer =
      attributes['inkscape:label'] ??
      (name === 'g' && attributes.id ? attributes.id : (outer?.layer ?? 'drawing'))
    stack.push({ name, matrix, hidden, layer })
    if (hidden || !seenSvg) return
    const own = shapeStrokes(name, attributes, layer)
    if (own === 'unknown') leftOut.set(name, (leftOut.get(name) ?? 0) + 1)
    else if (own === 'broken') problem = refuse('broken', `A ${name} of the drawing cannot be read.`)
    else
      for (const s of own) {
        // SVG's y runs down.
        const at = ([x, y]: Point): Point => [
          matrix[0] * x + matrix[2] * y + matrix[4],
          -(matrix[1] * x + matrix[3] * y + matrix[5]),
        ]
        if (isCurve(s)) curves.push({ ...s, at: (t) => at(s.at(t)) })
        else lines.push({ ...s, from: at(s.from), to: at(s.to) })
      }
    if (lines.length + curves.length > READ_LIMITS.segments * 4)
      problem = refuse('tooMany', `The drawing comes to more than ${READ_LIMITS.segments * 4} lines.`)
  })
  parser.on('closetag', () => stack.pop())
  try {
    parser.write(text).close()
  } catch (error) {
    problem ??= refuse(
      'notThis',
      `This is not an SVG drawing that can be read: ${error instanceof Error ? error.message : 'unknown'}.`,
    )
  }
  if (problem) return problem
  if (!seenSvg) return refuse('notThis', 'This is not an SVG drawing: it has no svg element.')
  if (lines.length + curves.length === 0) return refuse('empty', 'The drawing holds no paths or shapes.')
  const reach = [...lines.flatMap((s) => [s.from, s.to]), ...curves.flatMap(curveReach)]
  if (reach.some((p) => !p.every((n) => Number.isFinite(n) && Math.abs(n) < 1e9)))
    return refuse('broken', 'The drawing holds coordinates that are no numbers, or out of all bounds.')
  const extent = reach.reduce((most, [x, y]) => Math.max(most, Math.abs(x), Math.abs(y)), 1e-9)
  const most = READ_LIMITS.segments * 4
  const within = flatness(across(reach), mmPerUnit)
  const strokes = [...lines]
  for (const curve of curves) {
    for (const stroke of curveStrokes(curve, within, most)) strokes.push(stroke)
    if (strokes.length > most) return refuse('tooMany', `The drawing comes to more than ${most} lines.`)
  }
  const { rings, open } = chainStrokes(strokes, Math.max(1e-6, extent * 1e-5))
  if (rings.length === 0)
    return refuse(
      'nothingClosed',
      `No outline closes: ${open} open ${open === 1 ? 'line' : 'lines'}. Close the path in the drawing.`,
    )
  return {
    ok: true,
    outlines: sortOutlines(rings),
    mmPerUnit,
    leftOut: [...(open > 0 ? [`${open} open lines`] : []), ...[...leftOut].map(([n, k]) => `${k} ${n}`)],
  }
}

/** Millimetres of a user unit: width in a real unit over the viewBox's width; null when only pixels are given. */
function unitOf(a: Record<string, string>): number | null {
  const match = /^\s*([\d.]+)\s*([a-z]*)/i.exec(a.width ?? '')
  if (!match) return null
  const unit = match[2]!.toLowerCase()
  if (unit === '' || unit === 'px') return null
  const mm = Number(match[1]) * (UNITS[unit] ?? Number.NaN)
  const box = (a.viewBox ?? '').match(NUMBERS)?.map(Number)
  const wide = box?.length === 4 ? box[2]! : mm / (UNITS.px ?? 1)
  return Number.isFinite(mm) && wide > 0 ? mm / wide : null
}

function transformOf(text: string): Matrix {
  let matrix = STAYS
  for (const [, name, inner] of text.matchAll(/([a-z]+)\s*\(([^)]*)\)/gi)) {
    const n = inner!.match(NUMBERS)?.map(Number) ?? []
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = n
    const rad = (a * Math.PI) / 180
    const own: Matrix =
      name === 'matrix'
        ? [a, b, c, d, e, f]
        : name === 'translate'
          ? [1, 0, 0, 1, a, b]
          : name === 'scale'
            ? [a, 0, 0, n.length > 1 ? b : a, 0, 0]
            : name === 'rotate'
              ? times(
                  [1, 0, 0, 1, b, c],
                  times(
                    [Math.cos(rad), Math.sin(rad), -Math.sin(rad), Math.cos(rad), 0, 0],
                    [1, 0, 0, 1, -b, -c],
                  ),
                )
              : name === 'skewX'
                ? [1, 0, Math.tan(rad), 1, 0, 0]
                : name === 'skewY'
                  ? [1, Math.tan(rad), 0, 1, 0, 0]
                  : STAYS
    matrix = times(matrix, own)
  }
  return matrix
}

/** What an element draws in its own units. Curves stay curves until all transforms are known. */
function shapeStrokes(name: string, a: Record<string, string>, layer: string): Drawn | 'unknown' | 'broken' {
  const n = (key: string) => Number.parseFloat(a[key] ?? '0') || 0
  switch (name) {
    case 'path':
      return pathStrokes(a.d ?? '', layer)
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')]
      const rx = Math.min(a.rx === undefined ? n('ry') : n('rx'), w / 2)
      const ry = Math.min(a.ry === undefined ? n('rx') : n('ry'), h / 2)
      if (w <= 0 || h <= 0) return []
      if (rx <= 0 || ry <= 0)
        return polyStrokes(
          layer,
          [
            [x, y],
            [x + w, y],
            [x + w, y + h],
            [x, y + h],
          ],
          true,
        )
      const corners = [
        ellipse(layer, [x + w - rx, y + ry], [rx, ry], -Math.PI / 2, Math.PI / 2),
        ellipse(layer, [x + w - rx, y + h - ry], [rx, ry], 0, Math.PI / 2),
        ellipse(layer, [x + rx, y + h - ry], [rx, ry], Math.PI / 2, Math.PI / 2),
        ellipse(layer, [x + rx, y + ry], [rx, ry], Math.PI, Math.PI / 2),
      ]
      return corners.flatMap((corner, i): Drawn => {
        const [from, to] = [corner.at(1), corners[(i + 1) % 4]!.at(0)]
        return [
          corner,
          ...(Math.hypot(to[0] - from[0], to[1] - from[1]) > 0 ? [{ layer, from, to, rise: 0 }] : []),
        ]
      })
    }
    case 'circle':
    case 'ellipse': {
      const [rx, ry] = name === 'circle' ? [n('r'), n('r')] : [n('rx'), n('ry')]
      if (rx <= 0 || ry <= 0) return []
      return [ellipse(layer, [n('cx'), n('cy')], [rx, ry], 0, 2 * Math.PI)]
    }
    case 'polygon':
    case 'polyline': {
      const values = (a.points ?? '').match(NUMBERS)?.map(Number) ?? []
      const points = Array.from(
        { length: Math.floor(values.length / 2) },
        (_, i): Point => [values[2 * i]!, values[2 * i + 1]!],
      )
      return polyStrokes(layer, points, name === 'polygon')
    }
    case 'line':
      return [{ layer, from: [n('x1'), n('y1')], to: [n('x2'), n('y2')], rise: 0 }]
    case 'text':
    case 'use':
    case 'image':
    case 'foreignobject':
      return 'unknown'
    default:
      return []
  }
}

/** A stretch of an ellipse, turned by `turn` about its middle; angles are of its own circle. */
function ellipse(
  layer: string,
  [cx, cy]: Point,
  [rx, ry]: Point,
  start: number,
  sweep: number,
  turn = 0,
): Curve {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const quarters = Math.max(1, Math.ceil((2 * Math.abs(sweep)) / Math.PI - 1e-9))
  return {
    layer,
    breaks: Array.from({ length: quarters + 1 }, (_, i) => i / quarters),
    at: (t) => {
      // The end is the start again of one that goes all round.
      const a = start + (Math.abs(sweep) === 2 * Math.PI && t === 1 ? 0 : sweep * t)
      const [u, v] = [rx * Math.cos(a), ry * Math.sin(a)]
      return [cx + u * c - v * s, cy + u * s + v * c]
    },
  }
}

function pathStrokes(d: string, layer: string): Drawn | 'broken' {
  if (d.trim() === '') return []
  try {
    const data = new SVGPathData(d).toAbs().normalizeHVZ(false).normalizeST().qtToC()
    const drawn: (Stroke | Curve)[] = []
    let at: Point = [0, 0]
    let start: Point = [0, 0]
    const line = (to: Point) => {
      if (Math.hypot(to[0] - at[0], to[1] - at[1]) > 0) drawn.push({ layer, from: at, to, rise: 0 })
      at = to
    }
    for (const c of data.commands) {
      if (c.type === SVGPathData.MOVE_TO) {
        at = [c.x, c.y]
        start = at
      } else if (c.type === SVGPathData.LINE_TO) line([c.x, c.y])
      else if (c.type === SVGPathData.CLOSE_PATH) line(start)
      else if (c.type === SVGPathData.ARC) {
        const arc = pathArc(layer, at, c)
        if (arc) {
          drawn.push(arc)
          at = [c.x, c.y]
        } else line([c.x, c.y])
      } else if (c.type === SVGPathData.CURVE_TO) {
        const [p0, p1, p2, p3]: Point[] = [at, [c.x1, c.y1], [c.x2, c.y2], [c.x, c.y]]
        const bezier = (t: number, k: 0 | 1) => {
          const u = 1 - t
          return u * u * u * p0![k] + 3 * u * u * t * p1![k] + 3 * u * t * t * p2![k] + t * t * t * p3![k]
        }
        drawn.push({ layer, breaks: [0, 1], at: (t) => [bezier(t, 0), bezier(t, 1)] })
        at = p3!
      }
      if (drawn.length > READ_LIMITS.segments * 4) break
    }
    return drawn
  } catch {
    return 'broken'
  }
}

type ArcCommand = {
  readonly rX: number
  readonly rY: number
  readonly xRot: number
  readonly lArcFlag: number
  readonly sweepFlag: number
  readonly x: number
  readonly y: number
}

/** An arc of a path about its middle; null where it is a line. Source: SVG 2, appendix B.2.4 and B.2.5. */
function pathArc(
  layer: string,
  from: Point,
  { rX, rY, xRot, lArcFlag, sweepFlag, x, y }: ArcCommand,
): Curve | null {
  let [rx, ry] = [Math.abs(rX), Math.abs(rY)]
  if (rx === 0 || ry === 0 || (from[0] === x && from[1] === y)) return null
  const turn = (xRot * Math.PI) / 180
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const [hx, hy] = [(from[0] - x) / 2, (from[1] - y) / 2]
  const [u, v] = [c * hx + s * hy, -s * hx + c * hy]
  // Radii that are too small to reach are made just large enough.
  const short = (u / rx) ** 2 + (v / ry) ** 2
  if (short > 1) [rx, ry] = [rx * Math.sqrt(short), ry * Math.sqrt(short)]
  const over = (rx * v) ** 2 + (ry * u) ** 2
  const k = Math.sqrt(Math.max(0, (rx * ry) ** 2 / over - 1)) * (lArcFlag === sweepFlag ? -1 : 1)
  const [mu, mv] = [(k * rx * v) / ry, (-k * ry * u) / rx]
  const centre: Point = [c * mu - s * mv + (from[0] + x) / 2, s * mu + c * mv + (from[1] + y) / 2]
  const start = Math.atan2((v - mv) / ry, (u - mu) / rx)
  const end = Math.atan2((-v - mv) / ry, (-u - mu) / rx)
  const whole = 2 * Math.PI
  const ahead = (((end - start) % whole) + whole) % whole
  const own = ellipse(layer, centre, [rx, ry], start, sweepFlag ? ahead : ahead - whole, turn)
  // Its ends are where the path says, to the last digit: the next stroke begins there.
  return { ...own, at: (t) => (t === 0 ? from : t === 1 ? [x, y] : own.at(t)) }
}
