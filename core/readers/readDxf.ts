import type { Point } from '../geometry/index.ts'
import { arcStrokes, chainStrokes, polyStrokes, type Stroke, sortOutlines } from './chain.ts'
import { across, type Curve, curveReach, curveStrokes, flatness } from './curveStrokes.ts'
import { READ_LIMITS, type ReadDrawing, type ReadProblem } from './types.ts'

/** A part of a drawing: its type and its groups, code and value, in order. */
type Entity = { readonly type: string; readonly groups: (readonly [code: number, value: string])[] }

/** Millimetres of the units a drawing's header can name ($INSUNITS). */
const INSUNITS: Readonly<Record<number, number>> = {
  1: 25.4,
  2: 304.8,
  4: 1,
  5: 10,
  6: 1000,
  10: 914.4,
  14: 100,
}
const DRAWN = new Set(['LINE', 'LWPOLYLINE', 'POLYLINE', 'CIRCLE', 'ARC', 'ELLIPSE', 'SPLINE'])
const TURN = 2 * Math.PI
const TOO_MANY = `The drawing comes to more than ${READ_LIMITS.segments} lines and arcs.`

const refuse = (code: ReadProblem['code'], text: string): ReadDrawing => ({
  ok: false,
  problem: { code, text },
})

/**
 * Closed outlines of a DXF drawing: lines, arcs, circles, ellipses, polylines with bulge, splines, by layer. The file is
 * pairs of lines, a group code and its value (the published DXF reference); we read those ourselves, since a reader
 * that trusts its input can be made to run for ever.
 */
export function readDxf(text: string): ReadDrawing {
  if (text.length > READ_LIMITS.drawingBytes)
    return refuse('tooLarge', `The drawing is larger than ${READ_LIMITS.drawingBytes / 1e6} MB.`)
  if (text.trim() === '') return refuse('empty', 'The file is empty.')
  if (text.slice(0, 4000).includes('\0'))
    return refuse('notThis', 'This is a binary drawing. Save it as DXF text.')
  const lines = text.split(/\r\n|\r|\n/)
  const { entities, units, wrongLine, sections } = readGroups(lines)
  if (wrongLine !== null && sections === 0)
    return refuse('notThis', `This is not a DXF drawing: line ${wrongLine} should be a group code.`)
  if (wrongLine !== null)
    return refuse('broken', `The drawing cannot be read past line ${wrongLine}: no group code there.`)
  if (sections === 0) return refuse('notThis', 'This is not a DXF drawing: it has no sections.')
  if (entities.length === 0) return refuse('empty', 'The drawing holds no lines, arcs or polylines.')
  if (entities.length > READ_LIMITS.segments)
    return refuse(
      'tooMany',
      `The drawing holds ${entities.length} parts; ${READ_LIMITS.segments} is the most.`,
    )
  const strokes: Stroke[] = []
  const curves: Curve[] = []
  const leftOut = new Map<string, number>()
  for (const entity of entities) {
    if (!DRAWN.has(entity.type)) {
      leftOut.set(entity.type, (leftOut.get(entity.type) ?? 0) + 1)
      continue
    }
    for (const drawn of drawnOf(entity)) {
      if ('at' in drawn) curves.push(drawn)
      else strokes.push(drawn)
    }
    if (strokes.length + curves.length > READ_LIMITS.segments) return refuse('tooMany', TOO_MANY)
  }
  const mmPerUnit = INSUNITS[units] ?? null
  const ends = [...strokes.flatMap((s) => [s.from, s.to]), ...curves.flatMap(curveReach)]
  if (!ends.every((p) => p.every((n) => Number.isFinite(n) && Math.abs(n) < 1e9)))
    return refuse('broken', 'The drawing holds coordinates that are no numbers, or out of all bounds.')
  const within = flatness(across(ends), mmPerUnit)
  for (const curve of curves) {
    for (const stroke of curveStrokes(curve, within, READ_LIMITS.segments)) strokes.push(stroke)
    if (strokes.length > READ_LIMITS.segments) return refuse('tooMany', TOO_MANY)
  }
  if (
    strokes.some((s) => ![...s.from, ...s.to, s.rise].every((n) => Number.isFinite(n) && Math.abs(n) < 1e9))
  )
    return refuse('broken', 'The drawing holds coordinates that are no numbers, or out of all bounds.')
  const extent = strokes.reduce(
    (most, s) => Math.max(most, ...s.from.map(Math.abs), ...s.to.map(Math.abs)),
    1e-9,
  )
  const { rings, open } = chainStrokes(strokes, Math.max(1e-6, extent * 1e-5))
  const rest = [...leftOut].map(([type, n]) => `${n} ${type.toLowerCase()}`)
  if (rings.length === 0)
    return refuse(
      'nothingClosed',
      `No outline closes: ${[`${open} open ${open === 1 ? 'line' : 'lines'}`, ...rest].join(', ')}. Join the ends in the drawing.`,
    )
  return {
    ok: true,
    outlines: sortOutlines(rings),
    mmPerUnit,
    leftOut: [...(open > 0 ? [`${open} open lines`] : []), ...rest],
  }
}

/** The parts of the ENTITIES section and the header's units; an old-style polyline takes its vertices in. */
function readGroups(lines: readonly string[]) {
  const entities: Entity[] = []
  let [section, units, sections] = ['', 0, 0]
  let wrongLine: number | null = null
  let current: Entity | null = null
  let named = ''
  let polyline: Entity | null = null
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const label = lines[i]!.trim()
    if (!/^-?\d{1,4}$/.test(label)) {
      if (label === '' && lines.slice(i).every((l) => l.trim() === '')) break
      wrongLine = i + 1
      break
    }
    const [code, value] = [Number(label), lines[i + 1]!.trim()]
    if (code === 0) {
      if (value === 'EOF') break
      if (value === 'SECTION') sections += 1
      if (value === 'SECTION' || value === 'ENDSEC') {
        ;[section, current, polyline] = ['', null, null]
        continue
      }
      current = { type: value, groups: [] }
      if (section !== 'ENTITIES') continue
      if (value === 'SEQEND') polyline = null
      else if (value === 'VERTEX' && polyline) polyline.groups.push([0, 'VERTEX'])
      else {
        entities.push(current)
        polyline = value === 'POLYLINE' ? current : null
      }
      continue
    }
    if (code === 2 && section === '' && current === null) section = value
    if (code === 9) named = value
    if (code === 70 && named === '$INSUNITS' && section === 'HEADER') units = Number(value)
    if (polyline && current?.type === 'VERTEX') polyline.groups.push([code, value])
    else current?.groups.push([code, value])
  }
  return { entities, units, wrongLine, sections }
}

/** A drawing's part as strokes. A part drawn from below (its extrusion points down) is mirrored. */
function drawnOf(entity: Entity): (Stroke | Curve)[] {
  const { type, groups } = entity
  const all = (code: number) => groups.filter(([c]) => c === code).map(([, v]) => Number(v))
  const one = (code: number, usual = 0) => all(code)[0] ?? usual
  const layer = groups.find(([c]) => c === 8)?.[1] ?? '0'
  const below = one(230, 1) < 0 && type !== 'LINE' && type !== 'ELLIPSE' && type !== 'SPLINE'
  const own = drawn()
  if (!below) return own
  const flip = ([x, y]: Point): Point => [-x, y]
  return own.map((s) =>
    'at' in s
      ? { ...s, at: (t: number) => flip(s.at(t)) }
      : { ...s, from: flip(s.from), to: flip(s.to), rise: -s.rise },
  )

  function drawn(): (Stroke | Curve)[] {
    const centre: Point = [one(10), one(20)]
    switch (type) {
      case 'LINE':
        return [{ layer, from: centre, to: [one(11), one(21)], rise: 0 }]
      case 'LWPOLYLINE':
      case 'POLYLINE':
        return polylineStrokes(entity, layer)
      case 'CIRCLE':
        return one(40) > 0 ? arcStrokes(layer, centre, one(40), 0, TURN) : []
      case 'ARC': {
        const start = (one(50) * Math.PI) / 180
        const sweep = turnBetween(start, (one(51) * Math.PI) / 180)
        return one(40) > 0 ? arcStrokes(layer, centre, one(40), start, sweep) : []
      }
      case 'ELLIPSE': {
        const [mx, my, ratio, start] = [one(11), one(21), one(40, 1), one(41)]
        const sweep = turnBetween(start, one(42, TURN))
        const quarters = Math.max(1, Math.ceil((4 * sweep) / TURN - 1e-9))
        const whole = Math.abs(sweep - TURN) < 1e-9
        return [
          {
            layer,
            breaks: Array.from({ length: quarters + 1 }, (_, i) => i / quarters),
            at: (t) => {
              const a = start + (whole && t === 1 ? 0 : sweep * t)
              return [
                centre[0] + mx * Math.cos(a) - my * ratio * Math.sin(a),
                centre[1] + my * Math.cos(a) + mx * ratio * Math.sin(a),
              ]
            },
          },
        ]
      }
      default: {
        const pair = (x: number, y: number): Point[] => {
          const [xs, ys] = [all(x), all(y)]
          return xs.map((v, i): Point => [v, ys[i] ?? 0])
        }
        return splineStrokes(layer, pair(10, 20), pair(11, 21), all(40), one(71, 3), (one(70) & 1) === 1)
      }
    }
  }
}

/** The anticlockwise turn from one angle to another, above 0 and at most once round. */
function turnBetween(start: number, end: number): number {
  const turn = (end - start) % TURN
  return turn <= 1e-12 ? turn + TURN : turn
}

/** Vertices with bulges: the tangent of a quarter of the sweep, so that rise = bulge x chord / 2. */
function polylineStrokes({ type, groups }: Entity, layer: string): Stroke[] {
  const vertices: { x: number; y: number; bulge: number }[] = []
  const flags = Number(groups.find(([c]) => c === 70)?.[1] ?? 0)
  let inVertex = type === 'LWPOLYLINE'
  for (const [code, value] of groups) {
    if (code === 0) {
      inVertex = true
      vertices.push({ x: 0, y: 0, bulge: 0 })
    }
    if (!inVertex) continue
    if (code === 10 && type === 'LWPOLYLINE') vertices.push({ x: Number(value), y: 0, bulge: 0 })
    const last = vertices.at(-1)
    if (!last) continue
    if (code === 10) last.x = Number(value)
    if (code === 20) last.y = Number(value)
    if (code === 42) last.bulge = Number(value)
  }
  return vertices.flatMap((v, i): Stroke[] => {
    const next = vertices[i + 1] ?? ((flags & 1) === 1 ? vertices[0] : undefined)
    if (!next) return []
    const chord = Math.hypot(next.x - v.x, next.y - v.y)
    return [{ layer, from: [v.x, v.y], to: [next.x, next.y], rise: (v.bulge * chord) / 2 }]
  })
}

/** A B-spline by de Boor's rule, or a line through its fit points. */
function splineStrokes(
  layer: string,
  control: readonly Point[],
  fit: readonly Point[],
  knots: readonly number[],
  degree: number,
  closed: boolean,
): (Stroke | Curve)[] {
  if (
    degree >= 1 &&
    degree <= 10 &&
    control.length > degree &&
    knots.length === control.length + degree + 1
  ) {
    const breaks = knots
      .slice(degree, control.length + 1)
      .filter((knot, i, all) => i === 0 || knot > all[i - 1]!)
    if (breaks.length < 2) return []
    const curve: Curve = { layer, breaks, at: (t) => deBoor(control, knots, degree, t) }
    const [from, to] = [curve.at(breaks.at(-1)!), curve.at(breaks[0]!)]
    return closed && Math.hypot(to[0] - from[0], to[1] - from[1]) > 0
      ? [curve, { layer, from, to, rise: 0 }]
      : [curve]
  }
  const through = fit.length > 1 ? fit : control
  return through.length > 1 ? polyStrokes(layer, through, closed) : []
}

function deBoor(control: readonly Point[], knots: readonly number[], p: number, t: number): Point {
  let k = p
  while (k < control.length - 1 && t >= knots[k + 1]!) k += 1
  const d = Array.from({ length: p + 1 }, (_, j): [number, number] => [
    control[j + k - p]![0],
    control[j + k - p]![1],
  ])
  for (let r = 1; r <= p; r += 1)
    for (let j = p; j >= r; j -= 1) {
      const i = j + k - p
      const span = knots[i + p - r + 1]! - knots[i]!
      const a = span === 0 ? 0 : (t - knots[i]!) / span
      d[j] = [(1 - a) * d[j - 1]![0] + a * d[j]![0], (1 - a) * d[j - 1]![1] + a * d[j]![1]]
    }
  return d[p]!
}
