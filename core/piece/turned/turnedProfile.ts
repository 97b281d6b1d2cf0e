import { boundLoop, chordCount, loopChords, type Point, pathLoop } from '../../geometry/index.ts'
import type { TurnedForm, TurnedPiece } from '../../job/index.ts'
import { wallProfile } from '../wallProfile.ts'

/** A point of a half section, and the face that starts there; anticlockwise from the axis at the foot. */
export type ProfilePoint = { readonly radius: number; readonly z: number; readonly name: string }

const BOTTOM = 'bottom'
/** A curve that is turned loses twice, along its section and round the axis: its chords are finer. */
const FINER = 2
const TOP = 'top'
const SIDE = 'side'

/** An upright or leaning wall with eased edges, from its foot up. */
function wall(piece: TurnedPiece, bottom: number, top: number, height: number): ProfilePoint[] {
  const most = Math.max(bottom, top)
  return wallProfile({
    low: 0,
    high: height,
    insetLow: most - bottom,
    insetHigh: most - top,
    top: piece.rim.top,
    bottom: piece.rim.bottom,
    names: { wall: SIDE, top: 'edge/side/top', bottom: 'edge/side/bottom' },
  }).map(({ inset, z, name }) => ({ radius: most - inset, z, name }))
}

/** Closes an outer line at the axis, or along a bore. */
function closed(outer: readonly ProfilePoint[], bore: number): ProfilePoint[] {
  const [first, last] = [outer[0]!, outer.at(-1)!]
  const inner = bore / 2
  return [
    { radius: inner, z: first.z, name: BOTTOM },
    ...outer.slice(0, -1),
    { ...last, name: TOP },
    { radius: inner, z: last.z, name: 'bore' },
  ]
}

/** The half section of a turned form, (radius, z), its foot at z = 0. Null for what is not turned: fluted shafts. */
export function turnedProfile(piece: TurnedPiece): ProfilePoint[] | null {
  const form = piece.turned
  switch (form.form) {
    case 'cylinder':
      return closed(wall(piece, form.diameter / 2, form.diameter / 2, form.height), piece.bore)
    case 'frustum':
      return closed(wall(piece, form.bottom / 2, form.top / 2, form.height), piece.bore)
    case 'tube': {
      const outer = wall(piece, form.outside / 2, form.outside / 2, form.height)
      const inner = form.inside / 2
      if (form.floor <= 0) return closed(outer, form.inside)
      const drain = piece.bore / 2
      return [
        { radius: drain, z: 0, name: BOTTOM },
        ...outer.slice(0, -1),
        { ...outer.at(-1)!, name: TOP },
        { radius: inner, z: form.height, name: 'inside' },
        { radius: inner, z: form.floor, name: 'floor' },
        { radius: drain, z: form.floor, name: 'bore' },
      ]
    }
    case 'sphere':
      return closed(sphereLine(form.diameter / 2, form.foot / 2), piece.bore)
    case 'cap':
      return capProfile(form.diameter / 2, form.height)
    case 'bowl':
      return bowlProfile(form)
    case 'profile':
      return freeProfile(piece)
    case 'fluted':
      return null
  }
}

/** A sphere from its foot to its crown: a foot of radius f lies R - sqrt(R^2 - f^2) above the lowest point. */
function sphereLine(R: number, foot: number): ProfilePoint[] {
  const cut = R - Math.sqrt(Math.max(0, R * R - foot * foot))
  const start = Math.asin(Math.min(1, foot / R))
  const sweep = Math.PI - start
  const n = chordCount(R, sweep, FINER)
  return Array.from({ length: n + 1 }, (_, i) => {
    const a = start + (sweep * i) / n
    return { radius: i === n ? 0 : R * Math.sin(a), z: R - R * Math.cos(a) - cut, name: SIDE }
  })
}

/** A cap of height h of a sphere, its flat face down. */
function capProfile(R: number, height: number): ProfilePoint[] {
  const start = Math.acos(Math.max(-1, Math.min(1, (R - height) / R)))
  const n = chordCount(R, start, FINER)
  return [
    { radius: 0, z: 0, name: BOTTOM },
    ...Array.from({ length: n + 1 }, (_, i) => {
      const a = start * (1 - i / n)
      return { radius: i === n ? 0 : R * Math.sin(a), z: R * Math.cos(a) - (R - height), name: SIDE }
    }),
  ]
}

/**
 * A bowl between two superellipses about the middle of its rim, (r/a)^n + (z/h)^n = 1, the inner one smaller by the
 * wall; cut flat where its outside is as wide as the foot.
 */
function bowlProfile(form: Extract<TurnedForm, { form: 'bowl' }>): ProfilePoint[] {
  const { height, wall: w, exponent: n } = form
  const a = form.outside / 2
  const steps = Math.max(24, chordCount(Math.max(a, height), Math.PI / 2, FINER))
  const curve = (rx: number, rz: number): Point[] =>
    Array.from({ length: steps + 1 }, (_, i): Point => {
      const t = (Math.PI / 2) * (i / steps)
      return [
        i === 0 ? 0 : rx * Math.sin(t) ** (2 / n),
        i === steps ? height : height - rz * Math.cos(t) ** (2 / n),
      ]
    })
  const outer = curve(a, height)
  const foot = Math.min(form.foot / 2, a * 0.98)
  const cut = foot <= 0 ? 0 : height - height * Math.max(0, 1 - (foot / a) ** n) ** (1 / n)
  const kept = foot <= 0 ? outer : [[foot, cut] as const, ...outer.filter(([, z]) => z > cut + 1e-6)]
  const inner = curve(a - w, height - w).reverse()
  const outline = foot <= 0 ? kept : [[0, cut] as const, ...kept]
  return [
    ...outline.map(([radius, z], i) => ({
      radius,
      z: z - cut,
      name: i === outline.length - 1 ? TOP : i === 0 && foot > 0 ? BOTTOM : SIDE,
    })),
    ...inner.map(([radius, z]) => ({ radius, z: z - cut, name: 'inside' })),
  ]
}

/** A drawn half section, moved so that its foot is at z = 0; each side keeps its name. */
function freeProfile(piece: TurnedPiece): ProfilePoint[] | null {
  if (piece.turned.form !== 'profile') return null
  const loop = pathLoop(piece.turned.corners, {
    side: (id) => `side/${id}`,
    corner: (before, after) => `corner/${before}-${after}`,
  })
  const { min } = boundLoop(loop)
  const { points, names } = loopChords(loop)
  return points.map(([x, y], i) => ({
    radius: Math.abs(x) < 1e-6 ? 0 : x,
    z: y - min[1],
    name: names[i]!,
  }))
}
