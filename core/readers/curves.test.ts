import { describe, expect, it } from 'vitest'
import {
  loopChords,
  measureLoop,
  type Point,
  pathLoop,
  pointToRing,
  sampleSpline,
} from '../geometry/index.ts'
import { type Curve, curveStrokes } from './curveStrokes.ts'
import { readDxf } from './readDxf.ts'
import { readSvg } from './readSvg.ts'
import type { ReadDrawing } from './types.ts'

/** What is promised of every curve, mm. */
const PROMISED = 0.05
const RAD = Math.PI / 180

/** The first outline of a drawing, mm. */
function outlineOf(read: ReadDrawing, scale = 1) {
  if (!read.ok) throw new Error(read.problem.text)
  const k = (read.mmPerUnit ?? 1) * scale
  const corners = read.outlines[0]!.corners.map((c) => ({
    ...c,
    x: c.x * k,
    y: c.y * k,
    run: c.run.kind === 'arc' ? { kind: 'arc' as const, rise: c.run.rise * k } : c.run,
  }))
  const loop = pathLoop(corners, { side: (id) => id, corner: (a, b) => `${a}-${b}` })
  return { loop, ring: loopChords(loop).points, corners }
}
const furthest = (curve: readonly Point[], ring: readonly Point[]): number =>
  curve.reduce((most, p) => Math.max(most, pointToRing(p, ring)), 0)
const along = (at: (t: number) => Point, n = 900): Point[] =>
  Array.from({ length: n + 1 }, (_, i) => at(i / n))

const svg = (body: string, size = 3000) =>
  readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${size}mm" height="${size}mm" viewBox="0 0 ${size} ${size}">${body}</svg>`,
  )
const turned = (a: number, [x, y]: Point): Point => [
  x * Math.cos(a * RAD) - y * Math.sin(a * RAD),
  x * Math.sin(a * RAD) + y * Math.cos(a * RAD),
]
const up = ([x, y]: Point): Point => [x, -y]
const bezier = (p: readonly Point[], t: number): Point => {
  const u = 1 - t
  const mix = (k: 0 | 1) =>
    u ** 3 * p[0]![k] + 3 * u * u * t * p[1]![k] + 3 * u * t * t * p[2]![k] + t ** 3 * p[3]![k]
  return [mix(0), mix(1)]
}
const S: Point[] = [
  [100, 100],
  [1900, -700],
  [-300, 1900],
  [2100, 1300],
]
const circle =
  (x: number, y: number, r: number) =>
  (t: number): Point => [x + r * Math.cos(2 * Math.PI * t), y + r * Math.sin(2 * Math.PI * t)]

describe('a curve of a drawing stays within the promised 0.05 mm, however large it is', () => {
  it.each<[string, string, (t: number) => Point, number, number | null]>([
    ['a circle', '<circle cx="1000" cy="900" r="800"/>', circle(1000, 900, 800), 4, Math.PI * 800 ** 2],
    ['a small circle', '<circle cx="9" cy="9" r="4"/>', circle(9, 9, 4), 4, Math.PI * 16],
    [
      'an ellipse',
      '<ellipse cx="1200" cy="700" rx="1100" ry="300"/>',
      (t) => [1200 + 1100 * Math.cos(2 * Math.PI * t), 700 + 300 * Math.sin(2 * Math.PI * t)],
      200,
      Math.PI * 1100 * 300,
    ],
    [
      'a circle under a skew',
      '<g transform="matrix(1 0 0.5 0.8 300 100)"><circle cx="600" cy="600" r="500"/></g>',
      (t) => {
        const [x, y] = circle(600, 600, 500)(t)
        return [x + 0.5 * y + 300, 0.8 * y + 100]
      },
      200,
      Math.PI * 500 ** 2 * 0.8,
    ],
    [
      'a turned ellipse arc of a path',
      '<path d="M 500 800 A 700 400 30 1 1 900 1300 Z"/>',
      () => [500, 800],
      120,
      null,
    ],
    [
      'a half circle of a path',
      '<path d="M 200 1000 A 800 800 0 0 1 1800 1000 Z"/>',
      (t) => [1000 - 800 * Math.cos(Math.PI * t), 1000 - 800 * Math.sin(Math.PI * t)],
      5,
      (Math.PI * 800 ** 2) / 2,
    ],
    [
      'a wave that turns back',
      `<path d="M 100 100 C 1900 -700 -300 1900 2100 1300 L 2100 2400 L 100 2400 Z"/>`,
      (t) => bezier(S, t),
      160,
      null,
    ],
  ])('SVG: %s', (_, body, at, most, area) => {
    const { loop, ring, corners } = outlineOf(svg(body))
    expect(
      furthest(
        along((t) => up(at(t))),
        ring,
      ),
    ).toBeLessThan(PROMISED)
    expect(corners.length).toBeLessThanOrEqual(most)
    if (area) expect(Math.abs(measureLoop(loop).area) / area).toBeCloseTo(1, 5)
  })
  it('SVG: corners of a rounded rectangle are arcs', () => {
    const { loop, corners } = outlineOf(svg('<rect x="100" y="100" width="1600" height="900" rx="250"/>'))
    expect(corners.filter((c) => c.run.kind === 'arc').length).toBe(4)
    expect(measureLoop(loop).area).toBeCloseTo(1600 * 900 - (4 - Math.PI) * 250 ** 2, 2)
  })
  it('SVG: an arc by its ends passes through both and is as round as it says', () => {
    const { ring } = outlineOf(svg('<path d="M 500 800 A 700 400 30 1 1 900 1300 Z"/>'))
    // In the ellipse's own frame every point of it is one radius from its middle; both ends tell that middle.
    const own = (p: Point): Point => {
      const [x, y] = turned(-30, [p[0], -p[1]])
      return [x / 700, y / 400]
    }
    const curve = ring.filter((p) => pointToRing(p, [up([500, 800]), up([900, 1300])]) > 1).map(own)
    const [a, b, c] = [curve[3]!, curve[Math.floor(curve.length / 2)]!, curve.at(-4)!]
    const d = 2 * (a[0] * (b[1] - c[1]) + b[0] * (c[1] - a[1]) + c[0] * (a[1] - b[1]))
    const q = (p: Point) => p[0] ** 2 + p[1] ** 2
    const middle: Point = [
      (q(a) * (b[1] - c[1]) + q(b) * (c[1] - a[1]) + q(c) * (a[1] - b[1])) / d,
      (q(a) * (c[0] - b[0]) + q(b) * (a[0] - c[0]) + q(c) * (b[0] - a[0])) / d,
    ]
    for (const p of curve) expect(Math.hypot(p[0] - middle[0], p[1] - middle[1])).toBeCloseTo(1, 3)
    for (const end of [
      [500, 800],
      [900, 1300],
    ] as Point[])
      expect(pointToRing(up(end), ring)).toBeLessThan(1e-6)
  })
  it('in a drawing without a unit it is a share of its size', () => {
    const read = readSvg(
      '<svg xmlns="http://www.w3.org/2000/svg"><ellipse cx="0" cy="0" rx="2" ry="1"/></svg>',
    )
    // Drawn as 4 across and cast as 4 m.
    const { ring } = outlineOf(read, 1000)
    const exact = along((t) => [2000 * Math.cos(2 * Math.PI * t), 1000 * Math.sin(2 * Math.PI * t)])
    expect(furthest(exact, ring)).toBeLessThan(PROMISED)
  })

  const dxf = (entity: string) =>
    readDxf(
      `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entity}\n0\nENDSEC\n0\nEOF\n`,
    )
  it('DXF: an ellipse and a stretch of one', () => {
    const ellipse = (from: number, to: number, more = '') =>
      dxf(`0\nELLIPSE\n8\n0\n10\n500\n20\n400\n11\n900\n21\n300\n40\n0.4\n41\n${from}\n42\n${to}${more}`)
    const at = (a: number): Point => [
      500 + 900 * Math.cos(a) - 300 * 0.4 * Math.sin(a),
      400 + 300 * Math.cos(a) + 900 * 0.4 * Math.sin(a),
    ]
    const whole = outlineOf(ellipse(0, 2 * Math.PI))
    expect(
      furthest(
        along((t) => at(2 * Math.PI * t)),
        whole.ring,
      ),
    ).toBeLessThan(PROMISED)
    expect(measureLoop(whole.loop).area / (Math.PI * Math.hypot(900, 300) ** 2 * 0.4)).toBeCloseTo(1, 5)
    const [a, b] = [at(0.3), at(4)]
    const part = outlineOf(
      ellipse(0.3, 4, `\n0\nLINE\n8\n0\n10\n${b[0]}\n20\n${b[1]}\n11\n${a[0]}\n21\n${a[1]}`),
    )
    expect(
      furthest(
        along((t) => at(0.3 + 3.7 * t)),
        part.ring,
      ),
    ).toBeLessThan(PROMISED)
  })
  it('DXF: a spline of any degree follows its own law between its knots', () => {
    const control: Point[] = [
      [0, 0],
      [1500, -400],
      [1800, 900],
      [700, 1600],
      [-500, 900],
      [0, 0],
    ]
    for (const degree of [1, 2, 3]) {
      const inner = control.length - degree - 1
      const knots = [
        ...Array.from({ length: degree + 1 }, () => 0),
        ...Array.from({ length: inner }, (_, i) => (i + 1) / (inner + 1)),
        ...Array.from({ length: degree + 1 }, () => 1),
      ]
      const read = dxf(
        `0\nSPLINE\n8\n0\n70\n0\n71\n${degree}\n${knots.map((k) => `40\n${k}`).join('\n')}\n${control.map(([x, y]) => `10\n${x}\n20\n${y}`).join('\n')}\n0\nLINE\n8\n0\n10\n0\n20\n0\n11\n0\n21\n1e-4`,
      )
      const { ring, corners } = outlineOf(read)
      // Cox and de Boor, by the definition.
      const basis = (i: number, p: number, t: number): number => {
        if (p === 0)
          return (t >= knots[i]! && t < knots[i + 1]!) || (t === 1 && knots[i + 1] === 1 && knots[i]! < 1)
            ? 1
            : 0
        const share = (num: number, den: number) => (den === 0 ? 0 : num / den)
        return (
          share(t - knots[i]!, knots[i + p]! - knots[i]!) * basis(i, p - 1, t) +
          share(knots[i + p + 1]! - t, knots[i + p + 1]! - knots[i + 1]!) * basis(i + 1, p - 1, t)
        )
      }
      const at = (t: number): Point => {
        const weight = control.map((_, i) => basis(i, degree, t))
        return [0, 1].map((k) =>
          control.reduce((sum, p, i) => sum + p[k]! * weight[i]!, 0),
        ) as unknown as Point
      }
      expect([degree, furthest(along(at, 400), ring) < PROMISED]).toEqual([degree, true])
      expect(corners.length).toBeLessThan(degree === 1 ? 8 : 160)
    }
  })

  it('halves no more than it must: a straight curve is one line, a circle its four quarters', () => {
    const curve = (at: Curve['at'], breaks: number[]): Curve => ({ layer: '0', at, breaks })
    expect(
      curveStrokes(
        curve((t) => [t, 2 * t], [0, 1]),
        1e-6,
        100,
      ),
    ).toEqual([{ layer: '0', from: [0, 0], to: [1, 2], rise: 0 }])
    const quarters = curveStrokes(curve(circle(0, 0, 10), [0, 0.25, 0.5, 0.75, 1]), 1e-6, 100)
    expect(quarters.map((s) => s.rise)).toEqual(
      Array.from({ length: 4 }, () => expect.closeTo(10 - 10 * Math.SQRT1_2, 6)),
    )
    // Asked for too much, it stops.
    expect(
      curveStrokes(
        curve((t) => [t, Math.sin(900 * t)], [0, 1]),
        1e-9,
        50,
      ).length,
    ).toBeLessThanOrEqual(52)
  })
})

describe('a side drawn as a spline', () => {
  it.each<[string, Point[]]>([
    [
      'a long wave',
      [
        [0, 0],
        [600, 180],
        [1400, -120],
        [2400, 60],
      ],
    ],
    [
      'a tight turn',
      [
        [0, 0],
        [20, 30],
        [45, 0],
        [20, -12],
      ],
    ],
    [
      'a straight one',
      [
        [0, 0],
        [500, 0],
        [900, 0],
      ],
    ],
    [
      'nearly doubled points',
      [
        [0, 0],
        [1, 1],
        [1.001, 1],
        [800, 300],
      ],
    ],
  ])('%s: chords within 0.05 mm of it', (_, points) => {
    const chords = sampleSpline(points)
    for (const p of points) expect(pointToRing(p, chords)).toBeLessThan(1e-9)
    const turns = chords.slice(1, -1).map((b, i) => {
      const [a, c] = [chords[i]!, chords[i + 2]!]
      const [u, v] = [
        [b[0] - a[0], b[1] - a[1]],
        [c[0] - b[0], c[1] - b[1]],
      ] as const
      return {
        turn: Math.abs(Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1])),
        chord: Math.max(Math.hypot(...u), Math.hypot(...v)),
      }
    })
    // A chord c that turns by a against the next strays about c a / 8 from the curve.
    for (const { turn, chord } of turns) expect((chord * turn) / 8).toBeLessThan(PROMISED)
  })
})
