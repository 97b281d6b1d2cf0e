import { beadChords, type EdgeShape, edgeDeep, edgeShape, type SideProfile } from '../geometry/index.ts'

export type Wall = {
  readonly low: number
  readonly high: number
  /** How far in it stands at its two ends before the edges are eased. */
  readonly insetLow: number
  readonly insetHigh: number
  readonly top: EdgeShape
  readonly bottom: EdgeShape
  readonly names: { readonly wall: string; readonly top: string; readonly bottom: string }
}

type Step = readonly [inset: number, z: number]

/**
 * The profile of a straight or leaning wall with its two edges eased. A bead is a fillet tangent to wall and face: in
 * a corner of angle f it starts r / tan(f/2) from the corner. Inner points stand a little outside the arc so that the
 * chords enclose exactly its sector.
 */
export function wallProfile({ low, high, insetLow, insetHigh, top, bottom, names }: Wall): SideProfile {
  const height = high - low
  const lean = (insetHigh - insetLow) / height
  const upper = easedCorner([insetHigh, high], [-lean, -1], top)
  const lower = easedCorner([insetLow, low], [lean, 1], bottom)
  const wall = { name: names.wall }
  const [topEdge, bottomEdge] = [names.top, names.bottom].map((name) => ({ name, eased: true as const }))
  const step = ([inset, z]: Step, of: { name: string; eased?: true }) => ({ z, inset, ...of })
  return [
    ...lower.map((at, i) => step(at, i === lower.length - 1 ? wall : bottomEdge!)),
    ...[...upper].reverse().map((at) => step(at, upper.length === 1 ? wall : topEdge!)),
  ]
}

/** Points from the face (z of the corner) along the eased edge to the wall; just the corner when it is square. */
function easedCorner([inset, z]: Step, along: Step, edge: EdgeShape): Step[] {
  if (edge.kind === 'square' || edge.size <= 0) return [[inset, z]]
  const [lean, down] = along
  if (edge.kind !== 'bead') {
    const deep = edgeDeep(edge)
    return edgeShape(edge).map(
      ([x, y]): Step => [inset + x * edge.size + y * lean * deep, z + y * down * deep],
    )
  }
  const length = Math.hypot(lean, 1)
  const b: Step = [lean / length, down / length]
  const angle = Math.acos(Math.max(-1, Math.min(1, b[0])))
  const r = edge.size
  const setback = r / Math.tan(angle / 2)
  const bisector = Math.hypot(1 + b[0], b[1])
  const reach = r / Math.sin(angle / 2)
  const centre: Step = [inset + ((1 + b[0]) / bisector) * reach, z + (b[1] / bisector) * reach]
  const sweep = Math.PI - angle
  const chords = beadChords(r)
  const step = sweep / chords
  const wanted = (r * r * sweep) / Math.sin(step)
  const k = (-r + Math.sqrt(r * r + (chords - 2) * wanted)) / (chords - 2)
  const start = Math.atan2(z - centre[1], inset + setback - centre[0])
  const end = Math.atan2(z + b[1] * setback - centre[1], inset + b[0] * setback - centre[0])
  let turn = end - start
  while (turn > Math.PI) turn -= 2 * Math.PI
  while (turn < -Math.PI) turn += 2 * Math.PI
  return Array.from({ length: chords + 1 }, (_, i): Step => {
    if (i === 0) return [inset + setback, z]
    if (i === chords) return [inset + b[0] * setback, z + b[1] * setback]
    const a = start + (turn * i) / chords
    return [centre[0] + k * Math.cos(a), centre[1] + k * Math.sin(a)]
  })
}

/** How much of a wall's height its two edges take. */
export const edgesTake = (top: EdgeShape, bottom: EdgeShape): number => edgeDeep(top) + edgeDeep(bottom)
