import { SaxesParser } from 'saxes'
import { SVGPathData } from 'svg-pathdata'
import type { Point } from '../geometry/index.ts'
import { chainStrokes, polyStrokes, type Stroke, sortOutlines } from './chain.ts'
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
/** Straight pieces for each curve of a path. */
const CURVE = 16

/**
 * Closed outlines of an SVG: paths and basic shapes with their transforms, the size in real units where width and
 * viewBox give one. It is read as data: nothing of it is ever run or put into a page.
 */
export function readSvg(text: string): ReadDrawing {
  if (text.length > READ_LIMITS.drawingBytes)
    return refuse('tooLarge', `The drawing is larger than ${READ_LIMITS.drawingBytes / 1e6} MB.`)
  if (text.trim() === '') return refuse('empty', 'The file is empty.')
  const strokes: Stroke[] = []
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
        strokes.push({ ...s, from: at(s.from), to: at(s.to) })
      }
    if (strokes.length > READ_LIMITS.segments * 4)
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
  if (strokes.length === 0) return refuse('empty', 'The drawing holds no paths or shapes.')
  if (strokes.some((s) => ![...s.from, ...s.to].every((n) => Number.isFinite(n) && Math.abs(n) < 1e9)))
    return refuse('broken', 'The drawing holds coordinates that are no numbers, or out of all bounds.')
  const extent = Math.max(1e-9, ...strokes.map((s) => Math.max(...[...s.from, ...s.to].map(Math.abs))))
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
  const across = box?.length === 4 ? box[2]! : mm / (UNITS.px ?? 1)
  return Number.isFinite(mm) && across > 0 ? mm / across : null
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

/** What an element draws as strokes in its own units. Curves are cut into short lines, so that any transform holds. */
function shapeStrokes(
  name: string,
  a: Record<string, string>,
  layer: string,
): readonly Stroke[] | 'unknown' | 'broken' {
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
      const corner = (cx: number, cy: number, from: number): Point[] =>
        Array.from({ length: 13 }, (_, i) => {
          const t = ((from + (90 * i) / 12) * Math.PI) / 180
          return [cx + rx * Math.cos(t), cy + ry * Math.sin(t)]
        })
      return polyStrokes(
        layer,
        [
          ...corner(x + w - rx, y + ry, -90),
          ...corner(x + w - rx, y + h - ry, 0),
          ...corner(x + rx, y + h - ry, 90),
          ...corner(x + rx, y + ry, 180),
        ],
        true,
      )
    }
    case 'circle':
    case 'ellipse': {
      const [rx, ry] = name === 'circle' ? [n('r'), n('r')] : [n('rx'), n('ry')]
      if (rx <= 0 || ry <= 0) return []
      const around = Array.from({ length: 96 }, (_, i): Point => {
        const t = (2 * Math.PI * i) / 96
        return [n('cx') + rx * Math.cos(t), n('cy') + ry * Math.sin(t)]
      })
      return polyStrokes(layer, around, true)
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

function pathStrokes(d: string, layer: string): readonly Stroke[] | 'broken' {
  if (d.trim() === '') return []
  try {
    const data = new SVGPathData(d).toAbs().normalizeHVZ(false).normalizeST().qtToC().aToC()
    const strokes: Stroke[] = []
    let at: Point = [0, 0]
    let start: Point = [0, 0]
    const line = (to: Point) => {
      if (Math.hypot(to[0] - at[0], to[1] - at[1]) > 0) strokes.push({ layer, from: at, to, rise: 0 })
      at = to
    }
    for (const c of data.commands) {
      if (c.type === SVGPathData.MOVE_TO) {
        at = [c.x, c.y]
        start = at
      } else if (c.type === SVGPathData.LINE_TO) line([c.x, c.y])
      else if (c.type === SVGPathData.CLOSE_PATH) line(start)
      else if (c.type === SVGPathData.CURVE_TO) {
        const [p0, p1, p2, p3]: Point[] = [at, [c.x1, c.y1], [c.x2, c.y2], [c.x, c.y]]
        for (let i = 1; i <= CURVE; i += 1) {
          const t = i / CURVE
          const u = 1 - t
          const mix = (k: 0 | 1) =>
            u * u * u * p0![k] + 3 * u * u * t * p1![k] + 3 * u * t * t * p2![k] + t * t * t * p3![k]
          line([mix(0), mix(1)])
        }
      }
      if (strokes.length > READ_LIMITS.segments * 4) break
    }
    return strokes
  } catch {
    return 'broken'
  }
}
