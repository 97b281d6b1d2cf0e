import fc from 'fast-check'
import { zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { loopChords, measureLoop, pathLoop } from '../geometry/index.ts'
import {
  type DrawnOutline,
  findSelfCrossings,
  hasTwins,
  likelyUnit,
  matchSides,
  measureHealth,
  prepareMesh,
  readDxf,
  readMesh,
  readSvg,
  repairMesh,
  weldMesh,
} from './index.ts'

const areaOf = (o: DrawnOutline | undefined) =>
  o ? measureLoop(pathLoop(o.corners, { side: (i) => i, corner: (a) => a })).area : Number.NaN
const bytes = (text: string) => Uint8Array.from(text, (c) => c.charCodeAt(0))

const dxf = (entities: string, units = 4) =>
  `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${units}\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`
const line = (x1: number, y1: number, x2: number, y2: number, layer = 'outline') =>
  `0\nLINE\n8\n${layer}\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`
const polyline = (points: readonly (readonly [number, number, number?])[], layer = 'outline') =>
  `0\nLWPOLYLINE\n8\n${layer}\n90\n${points.length}\n70\n1\n${points.map(([x, y, b]) => `10\n${x}\n20\n${y}\n${b ? `42\n${b}\n` : ''}`).join('')}`
const circle = (x: number, y: number, r: number, layer = 'outline') =>
  `0\nCIRCLE\n8\n${layer}\n10\n${x}\n20\n${y}\n40\n${r}\n`

describe('DXF', () => {
  it.each<[string, string, number, number | null]>([
    [
      'four lines in any order and direction',
      dxf(line(0, 0, 400, 0) + line(400, 300, 400, 0) + line(0, 300, 0, 0) + line(0, 300, 400, 300)),
      120_000,
      1,
    ],
    [
      'a polyline with a bulged end, in inches',
      dxf(
        polyline([
          [0, 0],
          [10, 0, 1],
          [10, 4],
          [0, 4],
        ]),
        1,
      ),
      40 + (Math.PI * 4) / 2,
      25.4,
    ],
    ['a circle, unit not said', dxf(circle(50, 50, 30), 0), Math.PI * 900, null],
    [
      'an arc and a line',
      dxf(`${line(-50, 0, 50, 0)}0\nARC\n8\noutline\n10\n0\n20\n0\n40\n50\n50\n0\n51\n180\n`),
      (Math.PI * 2500) / 2,
      1,
    ],
    [
      'an ellipse',
      dxf('0\nELLIPSE\n8\no\n10\n0\n20\n0\n11\n80\n21\n0\n40\n0.5\n41\n0\n42\n6.283185307179586\n'),
      Math.PI * 80 * 40 * 0.9993,
      1,
    ],
  ])('%s', (_, text, area, unit) => {
    const read = readDxf(text)
    if (!read.ok) throw new Error(read.problem.text)
    expect(Math.abs(areaOf(read.outlines[0]) / area - 1)).toBeLessThan(0.001)
    expect(read.mmPerUnit).toBe(unit)
  })
  it('offers inner outlines as openings, by layer, and tells what was left out', () => {
    const read = readDxf(
      dxf(
        `${polyline(
          [
            [0, 0],
            [900, 0],
            [900, 500],
            [0, 500],
          ],
          'top',
        )}${circle(450, 250, 100, 'hole')}${line(0, 0, 5, 5, 'loose')}0\nTEXT\n8\ntop\n10\n0\n20\n0\n40\n10\n1\nhello\n`,
      ),
    )
    if (!read.ok) throw new Error(read.problem.text)
    expect(read.outlines).toHaveLength(1)
    expect([read.outlines[0]!.layer, read.outlines[0]!.inner.length]).toEqual(['top', 1])
    expect(read.leftOut).toEqual(['1 open lines', '1 text'])
  })
  it.each<[string, string, string]>([
    ['empty', '', 'empty'],
    ['no entities', dxf(''), 'empty'],
    ['open', dxf(line(0, 0, 10, 0)), 'nothingClosed'],
    ['binary', 'Binary DXF\0', 'notThis'],
    ['no drawing', 'hello there\nthis is a letter', 'notThis'],
    ['blocks only', dxf('0\nINSERT\n8\n0\n2\nDOOR\n10\n0\n20\n0\n'), 'nothingClosed'],
    ['too large', 'x'.repeat(30_000_001), 'tooLarge'],
  ])('refuses one that is %s, with words', (_, text, code) => {
    const read = readDxf(text)
    expect(read.ok ? '' : read.problem.code).toBe(code)
    expect(read.ok ? '' : read.problem.text).toMatch(/^[A-Z].+\.$/s)
  })
})

describe('SVG', () => {
  const svg = (body: string, head = 'width="200mm" height="100mm" viewBox="0 0 200 100"') =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${body}</svg>`
  it.each<[string, string, number, number | null]>([
    ['a rectangle', svg('<rect x="10" y="10" width="80" height="40"/>'), 3200, 1],
    ['a rounded rectangle', svg('<rect width="80" height="40" rx="10"/>'), 3200 - (4 - Math.PI) * 100, 1],
    [
      'a circle in inches',
      svg('<circle cx="2" cy="2" r="1"/>', 'width="4in" viewBox="0 0 4 4"'),
      Math.PI,
      25.4,
    ],
    ['an ellipse', svg('<ellipse rx="30" ry="20"/>'), Math.PI * 600, 1],
    [
      'a polygon under transforms',
      svg(
        '<g transform="translate(5 5) rotate(30)"><polygon transform="scale(2)" points="0,0 10,0 10,10 0,10"/></g>',
      ),
      400,
      1,
    ],
    ['a path with relative moves and a curve', svg('<path d="M0 0 h100 v50 c0 0 -50 0 -100 0 z"/>'), 5000, 1],
    ['a path with arcs', svg('<path d="M -50 0 A 50 50 0 0 1 50 0 z"/>'), (Math.PI * 2500) / 2, 1],
    ['pixels only', svg('<rect width="10" height="10"/>', 'width="10" height="10"'), 100, null],
  ])('%s', (_, text, area, unit) => {
    const read = readSvg(text)
    if (!read.ok) throw new Error(read.problem.text)
    expect(Math.abs(areaOf(read.outlines[0]) / area - 1)).toBeLessThan(0.002)
    expect(read.mmPerUnit === null ? null : Math.round(read.mmPerUnit * 1e6) / 1e6).toBe(unit)
  })
  it.each<[string, string, string]>([
    ['empty', ' ', 'empty'],
    ['no SVG', '<html><body/></html>', 'notThis'],
    ['broken', '<svg><rect', 'notThis'],
    ['open', svg('<path d="M0 0 L10 0"/>'), 'nothingClosed'],
    ['scripts only', svg('<script>alert(1)</script><text>hi</text>'), 'empty'],
    ['a path that is no path', svg('<path d="M0 0 L oops"/>'), 'broken'],
    ['an entity bomb', '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg>&b;</svg>', 'notThis'],
  ])('refuses one that is %s', (_, text, code) => {
    const read = readSvg(text)
    expect(read.ok ? '' : read.problem.code).toBe(code)
  })
  it('leaves out what is only defined or hidden', () => {
    const read = readSvg(
      svg(
        '<defs><rect width="500" height="500"/></defs><g style="display:none"><rect width="90" height="90"/></g><rect width="20" height="10"/>',
      ),
    )
    expect(read.ok && read.outlines.map((o) => [o.length, o.width])).toEqual([[20, 10]])
  })
})

/** A cube's twelve facets, outward, as corners. */
const CUBE = (() => {
  const v = [
    [0, 0, 0],
    [1, 0, 0],
    [1, 1, 0],
    [0, 1, 0],
    [0, 0, 1],
    [1, 0, 1],
    [1, 1, 1],
    [0, 1, 1],
  ]
  const f = [
    [0, 2, 1],
    [0, 3, 2],
    [4, 5, 6],
    [4, 6, 7],
    [0, 1, 5],
    [0, 5, 4],
    [1, 2, 6],
    [1, 6, 5],
    [2, 3, 7],
    [2, 7, 6],
    [3, 0, 4],
    [3, 4, 7],
  ]
  return { v, f }
})()
const stlText = (facets = CUBE.f, at = 0, name = 'cube') =>
  `solid ${name}\n${facets.map((f) => `facet normal 0 0 0\nouter loop\n${f.map((i) => `vertex ${CUBE.v[i]!.map((n) => n + at).join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid\n`
const stlBinary = (count = CUBE.f.length, claimed = count, head = '') => {
  const out = new DataView(new ArrayBuffer(84 + count * 50))
  for (let i = 0; i < head.length; i += 1) out.setUint8(i, head.charCodeAt(i))
  out.setUint32(80, claimed, true)
  for (let t = 0; t < count; t += 1)
    CUBE.f[t % 12]!.forEach((i, k) => {
      for (const [j, n] of CUBE.v[i]!.entries()) out.setFloat32(84 + t * 50 + 12 + k * 12 + j * 4, n, true)
    })
  return new Uint8Array(out.buffer)
}
const obj = () =>
  `${CUBE.v.map((v) => `v ${v.join(' ')}`).join('\n')}\nf 1 4 3 2\nf 5 6 7 8\nf 1 2 6 5\nf 2 3 7 6\nf 3 4 8 7\nf -5 -8 -4 -1\n`
const model3 = (build: string, unit = 'inch') =>
  `<?xml version="1.0"?><model unit="${unit}"><resources><object id="1"><mesh><vertices>${CUBE.v.map(([x, y, z]) => `<vertex x="${x}" y="${y}" z="${z}"/>`).join('')}</vertices><triangles>${CUBE.f.map(([a, b, c]) => `<triangle v1="${a}" v2="${b}" v3="${c}"/>`).join('')}</triangles></mesh></object><object id="2"><components><component objectid="1"/><component objectid="1" transform="1 0 0 0 1 0 0 0 1 5 0 0"/></components></object></resources><build>${build}</build></model>`
const threeMf = (model: string) => zipSync({ '3D/3dmodel.model': bytes(model) })

const health = (name: string, data: Uint8Array) => {
  const read = readMesh(name, data)
  if (!read.ok) throw new Error(read.problem.text)
  const { mesh, zeroAreaCount, duplicateCount } = weldMesh(read.positions, read.triangles)
  return { read, mesh, report: measureHealth(mesh, { zeroAreaCount, duplicateCount }) }
}

describe('meshes', () => {
  it.each<[string, string, Uint8Array, number, number | null]>([
    ['text STL', 'a.stl', bytes(stlText()), 1, null],
    ['binary STL', 'a.STL', stlBinary(), 1, null],
    ['binary STL that begins with solid', 'a.stl', stlBinary(12, 12, 'solid made by a tool'), 1, null],
    ['OBJ with four-cornered faces and negative indices', 'a.obj', bytes(obj()), 1, null],
    [
      '3MF with an item',
      'a.3mf',
      threeMf(model3('<item objectid="1" transform="2 0 0 0 2 0 0 0 2 7 7 7"/>')),
      8,
      25.4,
    ],
    ['3MF with components', 'a.3mf', threeMf(model3('<item objectid="2"/>', 'millimeter')), 2, 1],
  ])('%s: closed, with its volume and unit', (_, name, data, volume, unit) => {
    const { read, report } = health(name, data)
    expect(report.volume).toBeCloseTo(volume, 5)
    expect([report.closed, report.openEdgeCount, report.flippedCount, read.mmPerUnit]).toEqual([
      true,
      0,
      0,
      unit,
    ])
    expect(read.positions.reduce((a, b) => Math.min(a, b), 1)).toBe(0)
  })
  it.each<[string, string, Uint8Array, string]>([
    ['cut short', 'a.stl', stlBinary(10, 12), 'cutShort'],
    ['claims four billion triangles', 'a.stl', stlBinary(1, 0xffffffff), 'tooMany'],
    ['is a letter', 'a.stl', bytes(`dear ${'x'.repeat(40)}`), 'notThis'],
    [
      'text cut in a triangle',
      'a.stl',
      bytes('solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\n'),
      'cutShort',
    ],
    [
      'text with a word for a number',
      'a.stl',
      bytes('solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 zero\n'),
      'broken',
    ],
    ['OBJ with a face to nowhere', 'a.obj', bytes('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n'), 'broken'],
    ['OBJ of another thing', 'a.obj', bytes('hello'), 'notThis'],
    ['3MF that is no zip', 'a.3mf', bytes('PK nothing'), 'notThis'],
    ['3MF that names what is not there', 'a.3mf', threeMf(model3('<item objectid="9"/>')), 'broken'],
    ['empty', 'a.stl', new Uint8Array(0), 'empty'],
    ['another kind', 'a.step', bytes('ISO'), 'notThis'],
  ])('refuses one that %s', (_, name, data, code) => {
    const read = readMesh(name, data)
    expect(read.ok ? '' : read.problem.code).toBe(code)
  })
  it('finds holes, flipped and empty facets, doubles and shells, and mends what is safe', () => {
    const flipped = CUBE.f.map((f, i) => (i === 3 ? [f[0]!, f[2]!, f[1]!] : f))
    const { mesh, report } = health('a.stl', bytes(stlText([...flipped.slice(0, 10), [0, 0, 1], CUBE.f[0]!])))
    expect([
      report.openEdgeCount,
      report.flippedCount,
      report.zeroAreaCount,
      report.duplicateCount,
      report.closed,
    ]).toEqual([4, 1, 1, 1, false])
    const mended = repairMesh(mesh)
    const after = measureHealth(mended.mesh)
    expect([after.closed, mended.closedHoleCount, mended.turnedCount]).toEqual([true, 1, 1])
    expect(after.volume).toBeCloseTo(1, 6)
    const inside = repairMesh(health('a.stl', bytes(stlText(CUBE.f.map((f) => [...f].reverse())))).mesh)
    expect(measureHealth(inside.mesh).volume).toBeCloseTo(1, 6)
    const two = bytes(stlText().replace('endsolid\n', '') + stlText(CUBE.f, 5).replace('solid cube\n', ''))
    expect(health('a.stl', two).report.shellCount).toBe(2)
  })
  const twice = [...CUBE.f, CUBE.f[4]!]
  it.each<[string, readonly (readonly number[])[], number]>([
    ['a cube', CUBE.f, 0],
    ['a cube with a facet drawn twice', twice, 1],
    ['the same, the other way round', [...CUBE.f, [...CUBE.f[4]!].reverse()], 1],
    ['the same, from another corner', [...CUBE.f, [...CUBE.f[4]!.slice(1), CUBE.f[4]![0]!]], 1],
    ['a facet three times', [...twice, CUBE.f[4]!], 2],
    ['every facet twice', [...CUBE.f, ...CUBE.f], 12],
    ['two facets alone on the same corners', [CUBE.f[0]!, CUBE.f[0]!], 1],
    ['two facets that share a side', [CUBE.f[0]!, CUBE.f[1]!], 0],
  ])('counts what is drawn twice: %s', (_, facets, doubles) => {
    const read = prepareMesh('a.stl', bytes(stlText(facets as typeof CUBE.f)))
    expect(read.ok && [read.found.duplicateCount, read.found.triangleCount]).toEqual([
      doubles,
      facets.length - doubles,
    ])
  })
  it('looks for twins wherever there are any', () => {
    const corner = fc.integer({ min: 0, max: 6 })
    const at = (v: number) => [v % 3, v * v, v ** 3 % 7]
    fc.assert(
      fc.property(fc.array(fc.tuple(corner, corner, corner), { minLength: 1, maxLength: 12 }), (facets) => {
        const positions = Float32Array.from(facets.flat().flatMap(at))
        const triangles = Uint32Array.from({ length: facets.length * 3 }, (_, i) => i)
        const all = weldMesh(positions, triangles)
        const plain = weldMesh(positions, triangles, { twins: false })
        if (all.duplicateCount > 0) expect(hasTwins(matchSides(plain.mesh))).toBe(true)
        if (!hasTwins(matchSides(plain.mesh))) expect(plain.mesh).toEqual(all.mesh)
      }),
    )
  })
  it('matches the sides of any facets as counting them does, also where many meet at one vertex', () => {
    const corner = fc.oneof(fc.integer({ min: 0, max: 2 }), fc.integer({ min: 0, max: 30 }))
    fc.assert(
      fc.property(fc.array(fc.tuple(corner, corner, corner), { maxLength: 90 }), (facets) => {
        const whole = facets.filter(([a, b, c]) => a !== b && b !== c && c !== a)
        const triangles = Uint32Array.from(whole.flat())
        const sides = matchSides({ positions: new Float32Array(31 * 3), triangles })
        const key = (s: number) => {
          const [a, b] = [triangles[s]!, triangles[s % 3 === 2 ? s - 2 : s + 1]!]
          return `${Math.min(a, b)}-${Math.max(a, b)}`
        }
        const met = new Map<string, number[]>()
        for (let s = 0; s < triangles.length; s += 1) met.set(key(s), [...(met.get(key(s)) ?? []), s])
        for (const group of met.values())
          for (const s of group)
            expect(sides[s]).toBe(
              group.length === 1 ? -1 : group.length === 2 ? group.find((o) => o !== s) : -2,
            )
      }),
    )
  })
  it('finds facets that cross, and none in a clean body', () => {
    const run = (data: Uint8Array) => {
      const search = findSelfCrossings(health('a.stl', data).mesh)
      for (;;) {
        const step = search.next()
        if (step.done) return step.value
      }
    }
    expect(run(bytes(stlText()))).toBe(0)
    expect(
      run(bytes(stlText().replace('endsolid\n', '') + stlText(CUBE.f, 0.5).replace('solid cube\n', ''))),
    ).toBeGreaterThan(0)
  })
  it('guesses the unit by size', () => {
    for (const [extent, unit] of [
      [400, 'mm'],
      [110, 'mm'],
      [50, 'mm'],
      [2500, 'mm'],
      [6000, 'mm'],
      [40, 'cm'],
      [14, 'inch'],
      [1.2, 'foot'],
      [0.4, 'm'],
      [0.02, 'm'],
      [0, 'mm'],
    ] as const)
      expect([extent, likelyUnit(extent).id]).toEqual([extent, unit])
  })
  it('never throws, whatever it is fed', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ maxLength: 400 }),
        fc.constantFrom('a.stl', 'a.obj', 'a.3mf'),
        (data, name) => {
          readMesh(name, data)
          const text = String.fromCharCode(...data)
          readDxf(text)
          readSvg(`<svg>${text}`)
        },
      ),
      { seed: 7, numRuns: 300 },
    )
    fc.assert(
      fc.property(fc.nat({ max: 700 }), fc.nat({ max: 255 }), (at, value) => {
        const data = stlBinary()
        data[at % data.length] = value
        readMesh('a.stl', data)
        const drawing = bytes(
          dxf(
            polyline([
              [0, 0],
              [10, 0, 1],
              [10, 4],
              [0, 4],
            ]),
          ),
        )
        drawing[at % drawing.length] = value
        readDxf(String.fromCharCode(...drawing))
      }),
      { seed: 8, numRuns: 300 },
    )
  })
  it('chords of a path it gives enclose the area of its exact arcs', () => {
    const read = readDxf(dxf(circle(0, 0, 100)))
    const loop = read.ok ? pathLoop(read.outlines[0]!.corners, { side: (i) => i, corner: (a) => a }) : []
    expect(loopChords(loop).points.length).toBeGreaterThan(100)
  })
})
