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
export function drainerFall(d: Drainer): number {
  const along = d.kind === 'grooves' || d.toward === 'left' || d.toward === 'right' ? d.length : d.width
  return (d.deep - d.shallow) / along
}

/** A recess with a rounded plan whose floor is a plane. By symmetry its volume is plan area x mean depth. */
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
    bulk: bulkAt(area * mean, [d.u, d.v, top - mean / 2]),
  }
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
    const depthArea = (depth: number) => grooveArea(Math.max(0, depth), r)
    // Simpson over the groove's length: the section is smooth in depth.
    const area = (depthArea(d.shallow) + 4 * depthArea(mean) + depthArea(d.deep)) / 6
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
      bulk: bulkAt(area * d.length, [cx, cy, top - mean / 2]),
    }
  })
}

const line = (name: string, from: Segment['from'], to: Segment['to']): Segment => ({
  name,
  from,
  to,
  arc: null,
})

/** Section of a round-bottomed groove filled to `depth`: a circular segment below the half round, straight above. */
function grooveArea(depth: number, r: number): number {
  if (depth >= r) return (Math.PI * r * r) / 2 + 2 * r * (depth - r)
  return r * r * Math.acos((r - depth) / r) - (r - depth) * Math.sqrt(2 * r * depth - depth * depth)
}
