import {
  type Bulk,
  bulkAt,
  type Loop,
  type Placement,
  rectangleLoop,
  type Segment,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Drainer } from '../../job/index.ts'

type Cut = { readonly recipe: SolidRecipe; readonly bulk: Bulk }

const TOWARD: Readonly<Record<Drainer['toward'], readonly [number, number]>> = {
  right: [1, 0],
  left: [-1, 0],
  back: [0, 1],
  front: [0, -1],
}

/** What a drainer takes off the top of a slab of height `top`, and its exact bulk. */
export const drainerCuts = (drainer: Drainer, top: number): Cut[] =>
  drainer.kind === 'ramp' ? [rampCut(drainer, top)] : grooveCuts(drainer, top)

/** Fall over run, as a share: 0.02 is 20 mm in a metre. */
export const drainerFall = (d: Drainer): number => (d.deep - d.shallow) / drainerRun(d)

/** The length over which a drainer falls, mm. */
export const drainerRun = (d: Drainer): number =>
  d.kind === 'grooves' || d.toward === 'left' || d.toward === 'right' ? d.length : d.width

/**
 * A recess with a rounded plan whose floor is a plane. By symmetry its volume is plan area x mean depth; its moments are
 * those of a prism under a plane, by the plan's second moment about its middle line square to the fall.
 */
function rampCut(d: Extract<Drainer, { kind: 'ramp' }>, top: number): Cut {
  const [tx, ty] = TOWARD[d.toward]
  const run = tx !== 0 ? d.length : d.width
  const slope = (d.deep - d.shallow) / run
  const r = Math.min(d.radius, d.length / 2, d.width / 2)
  const wall = `drainer/${d.id}/wall`
  const outline = rectangleLoop([d.u - d.length / 2, d.v - d.width / 2], d.length, d.width, [r, r, r, r], {
    sides: [wall, wall, wall, wall],
    corners: [wall, wall, wall, wall],
  })
  const mean = (d.deep + d.shallow) / 2
  const area = d.length * d.width - (4 - Math.PI) * r * r
  const second = secondMoment(run, tx !== 0 ? d.width : d.length, r)
  const volume = area * mean
  const shift = (slope * second) / volume
  return {
    recipe: {
      kind: 'prism',
      outline,
      holes: [],
      low: 0,
      lowPlane: {
        at: top - mean + slope * (tx * d.u + ty * d.v),
        slopeX: -slope * tx,
        slopeY: -slope * ty,
      },
      high: top + 1,
      lowName: `drainer/${d.id}/floor`,
      highName: 'top',
    },
    bulk: bulkAt(volume, [
      d.u + tx * shift,
      d.v + ty * shift,
      top - (area * mean * mean + slope * slope * second) / (2 * volume),
    ]),
  }
}

/**
 * Second moment (mm4) of a rectangle with rounded corners about its middle line square to `run`: the rectangle's,
 * less at each corner a square of side r, plus the quarter disc in it, by integration.
 */
function secondMoment(run: number, across: number, r: number): number {
  const c = run / 2 - r
  const square = r * (c * c * r + c * r * r + r ** 3 / 3)
  const quarter = (c * c * Math.PI * r * r) / 4 + (2 * c * r ** 3) / 3 + (Math.PI * r ** 4) / 16
  return (across * run ** 3) / 12 - 4 * (square - quarter)
}

/**
 * Round-bottomed grooves that fall toward one side: the plan is a slot, the section a half round on straight walls.
 * Each is swept along its fall by turning a level one about its middle.
 */
function grooveCuts(d: Extract<Drainer, { kind: 'grooves' }>, top: number): Cut[] {
  const [tx, ty] = TOWARD[d.toward]
  const r = d.width / 2
  const fall = Math.atan2(d.deep - d.shallow, d.length)
  const mean = (d.deep + d.shallow) / 2
  // Section in (across, up from the groove's bottom line); it stands well above the top face.
  const head = d.deep + 2 * r + 2
  const name = `drainer/${d.id}/groove`
  const section: Loop = [
    line(name, [r, r], [r, head]),
    line(name, [r, head], [-r, head]),
    line(name, [-r, head], [-r, r]),
    { name, from: [-r, r], to: [r, r], arc: { centre: [0, r], radius: r, sweepRad: Math.PI } },
  ]
  return Array.from({ length: d.count }, (_, i) => {
    const shift = (i - (d.count - 1) / 2) * d.pitch
    const [cx, cy] = [d.u - ty * shift, d.v + tx * shift]
    // The extrusion's own z runs along the groove, its x across, its y up.
    const along: readonly [number, number, number] = [
      tx * Math.cos(fall),
      ty * Math.cos(fall),
      -Math.sin(fall),
    ]
    const up: readonly [number, number, number] = [tx * Math.sin(fall), ty * Math.sin(fall), Math.cos(fall)]
    const across: readonly [number, number, number] = [
      up[1] * along[2] - up[2] * along[1],
      up[2] * along[0] - up[0] * along[2],
      up[0] * along[1] - up[1] * along[0],
    ]
    const half = d.length / 2 / Math.cos(fall)
    const placement: Placement = {
      x: across,
      y: up,
      z: along,
      origin: [cx - along[0] * half, cy - along[1] * half, top - mean - along[2] * half],
    }
    return {
      recipe: {
        kind: 'moved',
        solid: {
          kind: 'prism',
          outline: section,
          holes: [],
          low: 0,
          high: 2 * half,
          lowName: name,
          highName: name,
        },
        by: placement,
      },
      bulk: grooveBulk(d, r, [cx, cy], top),
    }
  })
}

const line = (name: string, from: Segment['from'], to: Segment['to']): Segment => ({
  name,
  from,
  to,
  arc: null,
})

/** Steps in which a groove is summed along its length, by Simpson's rule: the section is smooth in depth. */
const STEPS = 16

function grooveBulk(
  d: Extract<Drainer, { kind: 'grooves' }>,
  r: number,
  [cx, cy]: readonly [number, number],
  top: number,
): Bulk {
  const [tx, ty] = TOWARD[d.toward]
  let [volume, along, down] = [0, 0, 0]
  for (let i = 0; i <= STEPS; i += 1) {
    const at = i / STEPS
    const { area, first } = grooveSection(d.shallow + (d.deep - d.shallow) * at, r)
    const weight = ((i === 0 || i === STEPS ? 1 : i % 2 === 1 ? 4 : 2) * d.length) / (3 * STEPS)
    volume += weight * area
    along += weight * area * d.length * (at - 0.5)
    down += weight * first
  }
  if (volume <= 0) return bulkAt(0, [cx, cy, top])
  return bulkAt(volume, [cx + (tx * along) / volume, cy + (ty * along) / volume, top - down / volume])
}

/** Section of a round-bottomed groove of a depth: area (mm2) and its first moment about the face (mm3). */
function grooveSection(depth: number, r: number): { readonly area: number; readonly first: number } {
  if (depth <= 0) return { area: 0, first: 0 }
  if (depth >= r) {
    const straight = depth - r
    const half = (Math.PI * r * r) / 2
    return {
      area: half + 2 * r * straight,
      first: half * (straight + (4 * r) / (3 * Math.PI)) + r * straight * straight,
    }
  }
  const chord = Math.sqrt(2 * r * depth - depth * depth)
  const area = r * r * Math.acos((r - depth) / r) - (r - depth) * chord
  return { area, first: (2 * chord ** 3) / 3 - (r - depth) * area }
}
