/** Random pieces for tests of what must hold for all. */
import {
  type BoxPiece,
  type CornerOfPath,
  type Edge,
  type FieldShape,
  type FittedPiece,
  newBox,
  newFitted,
  newOpening,
  newSlab,
  newSwept,
  newTurned,
  type Piece,
  plainSide,
  type SlabPiece,
  type TurnedForm,
} from '../job/index.ts'
import { testStock } from './testPiece.ts'

/** Mulberry32: the same pieces at every run. */
export function seeded(seed: number): () => number {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }

/** A rectangle as a path. */
const boxPath = (x: number, y: number, l: number, w: number) =>
  [
    [x, y],
    [x + l, y],
    [x + l, y + w],
    [x, y + w],
  ].map(([px, py], i) => ({
    x: px!,
    y: py!,
    radius: 0,
    side: `s${i}`,
    run: { kind: 'line' as const },
  }))

/** Any piece of any kind within a maker's reach: 3 mm to 3 m. Most are legal; those that are not must say why. */
export function anyPiece(random: () => number): Piece {
  const between = (a: number, b: number) => a + (b - a) * random()
  const whole = (a: number, b: number) => Math.floor(between(a, b + 1))
  const pick = <T>(list: readonly T[]): T => list[whole(0, list.length - 1)]!
  const scale = pick([1, 1, 1, 0.02, 4])
  const edge = (most: number): Edge =>
    pick<Edge>([
      { kind: 'square' },
      { kind: 'bead', size: between(0.05, 0.3) * most },
      { kind: 'chamfer', size: between(0.05, 0.3) * most },
      { kind: 'chamfer', size: between(0.05, 0.5) * most, rise: between(0.05, 0.3) * most },
      {
        kind: pick(['cove', 'ovolo', 'ogee'] as const),
        size: between(0.05, 0.4) * most,
        rise: between(0.05, 0.3) * most,
      },
    ])
  const side = (t: number) =>
    plainSide({
      top: edge(t),
      bottom: edge(t),
      taper: pick([0, 0, between(-0.2, 0.2) * t]),
      liner: pick([0, 0, between(0, 0.1) * t]),
      apron: pick([null, null, null, { drop: between(0.5, 2) * t, thickness: between(0.5, 1.5) * t }]),
    })
  /** A star-shaped ring never crosses itself; some of its sides are arcs. */
  const ring = (n: number, radius: number): CornerOfPath[] =>
    Array.from({ length: n }, (_, i) => {
      const a = (2 * Math.PI * i) / n
      const r = radius * between(0.6, 1)
      return {
        x: r * Math.cos(a),
        y: r * Math.sin(a),
        radius: pick([0, 0, radius * between(0.02, 0.1)]),
        side: `side-${i + 1}`,
        run: pick([
          { kind: 'line' },
          { kind: 'line' },
          { kind: 'arc', rise: radius * between(-0.05, 0.12) },
        ] as const),
      }
    })
  switch (whole(0, 4)) {
    case 0: {
      const [length, width] = [between(150, 700) * scale, between(150, 500) * scale]
      const thickness = between(25, 70) * scale
      const slab = newSlab({ ...told, length, width, thickness }, testStock)
      const corners = ring(whole(3, 9), Math.min(length, width) / 2)
      const outline: SlabPiece['outline'] = pick([
        {
          kind: 'rectangle',
          length,
          width,
          radii: [0, 1, 2, 3].map(() => pick([0, between(0.02, 0.3) * width])) as [
            number,
            number,
            number,
            number,
          ],
        },
        { kind: 'polygon', corners },
      ])
      const ids =
        outline.kind === 'rectangle' ? ['front', 'right', 'back', 'left'] : corners.map((c) => c.side)
      const d = between(0.08, 0.22) * Math.min(length, width)
      return {
        ...slab,
        outline,
        sides: Object.fromEntries(ids.map((id) => [id, side(thickness)])),
        openings: pick([
          [],
          [
            {
              ...newOpening(
                'o',
                'o',
                pick([
                  { kind: 'round', diameter: d },
                  { kind: 'rectangle', length: d, width: d * 0.7, radius: d * 0.1 },
                  { kind: 'slot', length: d, width: d * 0.5 },
                ] as const),
              ),
              depth: pick([null, null, thickness * between(0.2, 0.8)]),
              on: pick(['top', 'bottom'] as const),
              draftDeg: pick([0, between(0, 6)]),
              turnDeg: pick([0, between(0, 90)]),
              rim: {
                top: pick([{ kind: 'square' }, { kind: 'bead', size: d * 0.05 }]),
                bottom: { kind: 'square' },
              },
            },
          ],
        ]),
        panels: pick([
          [],
          [],
          [
            {
              kind: 'frame',
              id: 'f',
              name: 'f',
              shape: { kind: 'inset', margin: between(0.08, 0.15) * Math.min(length, width) },
              u: 0,
              v: 0,
              trim: pick(['cove', 'ovolo', 'ogee', 'bevel', 'bead', 'stepped'] as const),
              own: [],
              width: 0.08 * Math.min(length, width),
              height: 0.15 * thickness,
              tallSide: pick(['inner', 'outer'] as const),
              sunk: random() < 0.5,
            },
          ],
          [
            {
              kind: 'field',
              id: 'f',
              name: 'f',
              shape: pick<FieldShape>([
                { kind: 'rectangle', length: length * 0.3, width: width * 0.3, radius: 0 },
                {
                  kind: 'drawn',
                  corners: boxPath(0, 0, length * 0.3, width * 0.3),
                  islands: pick([[], [boxPath(length * 0.1, width * 0.1, length * 0.1, width * 0.1)]]),
                },
              ]),
              u: 0,
              v: 0,
              rise: thickness * between(-0.4, 0.4),
              draftDeg: between(0, 30),
            },
          ],
        ]),
        lettering: pick([
          [],
          [],
          [],
          [
            {
              id: 't',
              text: pick(['8', 'OK', 'No 7']),
              font: 'condensed-bold',
              fontHash: '',
              on: 'top',
              u: 0,
              v: 0,
              turnDeg: between(0, 90),
              height: Math.min(length, width) * 0.15,
              depth: thickness * pick([-0.1, 0.1]),
              spacing: 0,
              align: 'middle' as const,
            },
          ],
        ]),
        basin: pick([
          null,
          null,
          null,
          {
            form: pick(['frustum', 'bowl', 'ramp'] as const),
            length: length * 0.4,
            width: width * 0.4,
            radius: width * 0.05,
            depth: thickness * between(1.5, 3),
            draftDeg: between(2, 8),
            exponent: between(1.6, 4),
            fall: thickness * 0.3,
            shell: thickness * 0.6,
            u: length / 2,
            v: width / 2,
            waste: width * 0.05,
            overflow: 0,
          },
        ]),
      }
    }
    case 1: {
      const d = between(60, 600) * scale
      const h = between(40, 900) * scale
      const form: TurnedForm = pick<TurnedForm>([
        { form: 'cylinder', diameter: d, height: h },
        {
          form: 'tube',
          outside: d,
          inside: d * between(0.3, 0.9),
          height: h,
          floor: pick([0, h * between(0.05, 0.4)]),
        },
        { form: 'frustum', bottom: d, top: d * between(0.4, 1.4), height: h },
        {
          form: 'fluted',
          diameter: d,
          height: h,
          count: whole(3, 30),
          depth: d * between(0.03, 0.12),
          cut: pick(['round', 'flat']),
          way: pick(['flutes', 'ribs']),
          share: between(0.3, 0.85),
        },
        { form: 'sphere', diameter: d, foot: pick([0, d * between(0.1, 0.6)]) },
        { form: 'cap', diameter: d, height: d * between(0.1, 0.8) },
        {
          form: 'bowl',
          outside: d,
          height: d * between(0.25, 0.7),
          wall: d * between(0.05, 0.12),
          exponent: between(1.5, 5),
          foot: pick([0, d * between(0.1, 0.4)]),
        },
        {
          form: 'profile',
          corners: [
            { x: 0, y: 0, radius: 0, side: 'a', run: { kind: 'line' } },
            {
              x: d * between(0.3, 0.5),
              y: 0,
              radius: 0,
              side: 'b',
              run: pick([{ kind: 'line' }, { kind: 'arc', rise: d * between(-0.08, 0.08) }]),
            },
            { x: d * between(0.2, 0.5), y: h, radius: 0, side: 'c', run: { kind: 'line' } },
            { x: 0, y: h * between(0.9, 1.1), radius: 0, side: 'd', run: { kind: 'line' } },
          ],
        },
      ])
      return newTurned(told, testStock, {
        turned: form,
        bore: pick([0, 0, d * 0.1]),
        rim: { top: edge(d * 0.2), bottom: edge(d * 0.2) },
      })
    }
    case 2:
      return newSwept(told, testStock, {
        corners: ring(whole(3, 9), between(100, 500) * scale),
        width: between(50, 900) * scale,
        separators: pick([
          [],
          [{ id: 's', at: between(120, 300) * scale, leanDeg: between(-20, 20), gap: pick([0, 4 * scale]) }],
        ]),
      })
    case 3: {
      const [length, width, height] = [
        between(200, 900) * scale,
        between(180, 500) * scale,
        between(120, 500) * scale,
      ]
      const over: Partial<BoxPiece> = {
        length,
        width,
        height,
        taper: width * between(-0.08, 0.12),
        wall: width * between(0.06, 0.18),
        floor: height * between(0.05, 0.3),
        coreDraftDeg: between(0, 8),
        radiusOutside: pick([0, width * between(0.02, 0.2)]),
        radiusInside: pick([0, width * between(0.02, 0.15)]),
        rim: edge(width * 0.05),
        foot: edge(width * 0.05),
        drains: { count: whole(0, 3), diameter: width * 0.05 },
        service: pick([
          null,
          { fill: pick(['soil', 'gravel', 'water'] as const), feet: whole(0, 4), lined: pick([true, false]) },
        ]),
        sideHoles: pick([
          [],
          [
            {
              id: 'h',
              name: 'h',
              side: pick(['front', 'right', 'back', 'left'] as const),
              u: 0,
              v: height * 0.6,
              diameter: width * 0.06,
            },
          ],
        ]),
        built: pick([
          null,
          null,
          {
            corners: pick(['pinwheel', 'butt', 'mitre'] as const),
            floor: pick(['under', 'between'] as const),
            glue: pick([0, 2 * scale]),
            dividers: whole(0, 2),
          },
        ]),
      }
      return newBox(told, testStock, over)
    }
    default: {
      const d = between(80, 900) * scale
      const over: Partial<FittedPiece> = {
        part: pick(['lid', 'plug', 'cap', 'sleeve'] as const),
        measured: pick([
          { kind: 'round', diameter: d },
          {
            kind: 'rectangle',
            front: d,
            right: d * between(0.6, 1),
            back: d * between(0.95, 1.05),
            left: d * between(0.6, 1),
            diagonal: pick([null, d * between(1.2, 1.35)]),
          },
          {
            kind: 'polygon',
            corners: ring(whole(3, 8), d / 2).map((c) => ({ ...c, run: { kind: 'line' as const } })),
          },
        ] as const),
        clearance: d * between(0.002, 0.02),
        overlap: d * between(0.03, 0.12),
        seat: d * between(0, 0.15),
        taperDeg: between(0, 8),
        thickness: d * between(0.04, 0.15),
        wall: d * between(0.03, 0.1),
        edge: edge(d * 0.03),
      }
      return newFitted(told, testStock, over)
    }
  }
}
