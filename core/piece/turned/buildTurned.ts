import {
  boundLoop,
  circleLoop,
  edgeDeep,
  findCrossing,
  type Kernel,
  type Loop,
  loopRegion,
  measureRecipe,
  type Point,
  type Region,
  type SolidRecipe,
} from '../../geometry/index.ts'
import { type Finding, findingList, type TurnedPiece } from '../../job/index.ts'
import { levelFace } from '../frames.ts'
import type { Built, FlatFace } from '../types.ts'
import type { PieceFindings } from '../words.ts'
import { flutedLoop } from './fluted.ts'
import { type ProfilePoint, turnedProfile } from './turnedProfile.ts'

/** A turned piece: its half section, the solid, the flat faces it stands on. */
export function buildTurned(_: Kernel, piece: TurnedPiece): Built {
  return piece.turned.form === 'fluted' ? buildFluted(piece) : buildFromProfile(piece)
}

function buildFromProfile(piece: TurnedPiece): Built {
  const profile = turnedProfile(piece)!
  const findings = checkProfile(piece, profile)
  const stopped = findings.some((f) => f.level === 'stop')
  const R = Math.max(1e-3, ...profile.map((p) => p.radius))
  const height = Math.max(1e-3, ...profile.map((p) => p.z))
  const at: Point = [R, R]
  const body: SolidRecipe = { kind: 'turned', profile, at }
  const outline = circleLoop(at, R, 'side')
  const flats = [flatAt(profile, 0, 'bottom', at), flatAt(profile, height, 'top', at)].filter(
    (f) => f !== null,
  )
  return {
    ...hollow(piece, profile),
    geometry: {
      length: 2 * R,
      width: 2 * R,
      height,
      low: 0,
      thickness: height,
      outline,
      openings: [],
      recipe: stopped ? null : body,
      faces: flats,
      blocks: [],
      thinnest: thinnestOf(piece),
    },
    bulk: measureRecipe(body),
    showFaceArea: Math.PI * R * R,
    findings,
  }
}

function buildFluted(piece: TurnedPiece): Built {
  const form = piece.turned
  if (form.form !== 'fluted') throw new Error('only a fluted form has flutes')
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const R = form.diameter / 2
  const half = (Math.PI / form.count) * form.share
  const least = form.way === 'flutes' ? R * (1 - Math.cos(half)) : 0
  if (form.depth >= R * 0.9 || (form.cut === 'round' && form.depth <= least))
    raise('flutes-do-not-fit', 'stop', {
      depthMm: form.depth,
      leastMm: form.cut === 'round' ? least : 0,
      mostMm: R * 0.9,
      count: form.count,
    })
  const at: Point = [R, R]
  const loop = flutedLoop(form, at)
  const crossed = findings.length === 0 && findCrossing(loopRegion(loop)[0]!) !== null
  if (crossed)
    raise('flutes-do-not-fit', 'stop', {
      depthMm: form.depth,
      leastMm: least,
      mostMm: R * 0.5,
      count: form.count,
    })
  const bore: Loop[] = piece.bore > 0 ? [circleLoop(at, piece.bore / 2, 'bore')] : []
  if (piece.bore >= 2 * (R - form.depth))
    raise('bore-too-wide', 'stop', { boreMm: piece.bore, mostMm: 2 * (R - form.depth) })
  const body: SolidRecipe = {
    kind: 'prism',
    outline: loop,
    holes: bore,
    low: 0,
    high: form.height,
    lowName: 'bottom',
    highName: 'top',
  }
  const { min, max } = boundLoop(loop)
  const region: Region = [...loopRegion(loop), ...bore.map((b) => [...loopRegion(b)[0]!].reverse())]
  return {
    geometry: {
      length: Math.max(2 * R, max[0] - min[0]),
      width: Math.max(2 * R, max[1] - min[1]),
      height: form.height,
      low: 0,
      thickness: form.height,
      outline: loop,
      openings: [],
      recipe: findings.some((f) => f.level === 'stop') ? null : body,
      faces: [levelFace('bottom', region, 0), levelFace('top', region, form.height)],
      blocks: [],
      thinnest:
        piece.bore > 0 ? { mm: R - form.depth - piece.bore / 2, where: 'from a flute to the bore' } : null,
    },
    bulk: measureRecipe(body),
    showFaceArea: 2 * Math.PI * R * form.height,
    findings,
  }
}

/** The flat ring or disc of a half section at one height, or null where it comes to a point. */
function flatAt(
  profile: readonly ProfilePoint[],
  z: number,
  name: 'top' | 'bottom',
  at: Point,
): FlatFace | null {
  let [inner, outer] = [Infinity, 0]
  profile.forEach((p, i) => {
    const q = profile[(i + 1) % profile.length]!
    if (Math.abs(p.z - z) > 1e-6 || Math.abs(q.z - z) > 1e-6) return
    inner = Math.min(inner, p.radius, q.radius)
    outer = Math.max(outer, p.radius, q.radius)
  })
  if (outer - inner < 1e-3) return null
  const disc = loopRegion(circleLoop(at, outer, name))
  const hole = inner > 1e-3 ? [[...loopRegion(circleLoop(at, inner, name))[0]!].reverse()] : []
  return levelFace(name, [...disc, ...hole], z)
}

function thinnestOf(piece: TurnedPiece): { mm: number; where: string } | null {
  const form = piece.turned
  if (form.form === 'bowl') return { mm: form.wall, where: 'the wall of the bowl' }
  if (form.form === 'tube') {
    const wall = (form.outside - form.inside) / 2
    return form.floor > 0 && form.floor < wall
      ? { mm: form.floor, where: 'the floor' }
      : { mm: wall, where: 'the wall of the tube' }
  }
  return null
}

/** What keeps a half section from being turned. */
function checkProfile(piece: TurnedPiece, profile: readonly ProfilePoint[]): Finding[] {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const form = piece.turned
  const outer = Math.max(...profile.map((p) => p.radius))
  const beyond = Math.min(...profile.map((p) => p.radius))
  if (form.form === 'tube' && form.inside >= form.outside)
    raise('wall-negative', 'stop', {
      wallMm: (form.outside - form.inside) / 2,
      insideMm: form.inside,
      outsideMm: form.outside,
    })
  else if (form.form === 'tube' && form.floor >= form.height)
    raise('floor-too-thick', 'stop', { floorMm: form.floor, heightMm: form.height })
  else if (form.form === 'bowl' && (form.wall >= form.outside / 2 || form.wall >= form.height))
    raise('wall-negative', 'stop', { wallMm: form.wall, insideMm: 0, outsideMm: form.outside })
  else if (form.form === 'cap' && form.height >= form.diameter)
    raise('cap-too-high', 'stop', { heightMm: form.height, mostMm: form.diameter })
  else if (form.form === 'sphere' && form.foot >= form.diameter)
    raise('foot-too-wide', 'stop', { footMm: form.foot, mostMm: form.diameter })
  else if (beyond < -1e-6) raise('profile-crosses-axis', 'stop', { beyondMm: -beyond })
  else if (piece.bore > 0 && form.form !== 'profile' && piece.bore / 2 >= narrowest(piece, outer))
    raise('bore-too-wide', 'stop', { boreMm: piece.bore, mostMm: 2 * narrowest(piece, outer) })
  else {
    const edges = (['top', 'bottom'] as const).reduce((sum, k) => sum + edgeDeep(piece.rim[k]), 0)
    const height = Math.max(...profile.map((p) => p.z))
    const ring = profile.map((p): Point => [p.radius, p.z])
    const eased = form.form === 'cylinder' || form.form === 'tube' || form.form === 'frustum'
    if (eased && (edges > height || (edges > 0 && edges >= outer)))
      raise('edge-too-deep', 'stop', {
        side: 'rim',
        edgeMm: edges,
        thicknessMm: Math.min(height, outer),
        fitsMm: 0,
      })
    if (form.form === 'bowl' && form.foot > 0) {
      const low = Math.min(...profile.filter((p) => p.name === 'inside').map((p) => p.z))
      if (low < form.wall / 2 && findings.length === 0)
        raise('foot-breaks-through', low <= 0 ? 'stop' : 'warn', {
          footMm: form.foot,
          leftMm: Math.max(0, low),
          wallMm: form.wall,
        })
    }
    const crossing = findCrossing(ring)
    if (crossing && findings.length === 0)
      raise('profile-crosses', 'stop', { xMm: crossing.at[0], yMm: crossing.at[1] })
  }
  if (piece.sleeve && piece.sleeve.outside > piece.bore + 1e-6 && piece.bore > 0)
    raise('sleeve-does-not-fit', 'warn', { sleeveMm: piece.sleeve.outside, boreMm: piece.bore })
  return findings
}

function narrowest(piece: TurnedPiece, outer: number): number {
  const form = piece.turned
  if (form.form === 'frustum') return Math.min(form.bottom, form.top) / 2
  if (form.form === 'sphere') return form.foot > 0 ? Math.min(form.foot / 2, outer) : 0
  if (form.form === 'tube') return form.inside / 2 + (form.floor > 0 ? 0 : outer)
  return outer
}

/** What a tube with a floor or a bowl holds: the frustums of its inner line, pi h (r1^2 + r1 r2 + r2^2)/3 each. */
function hollow(piece: TurnedPiece, profile: readonly ProfilePoint[]): Pick<Built, 'holds' | 'inside'> {
  const { turned: form } = piece
  if (form.form === 'tube') {
    const [across, wall, depth] = [form.inside, (form.outside - form.inside) / 2, form.height - form.floor]
    return {
      inside: { rim: [across, across], floor: [across, across], wallRim: wall, wallFloor: wall, depth },
      ...(form.floor > 0 && { holds: Math.PI * (form.inside / 2) ** 2 * depth }),
    }
  }
  if (form.form !== 'bowl') return {}
  const inner = profile.filter((p) => p.name === 'inside')
  const holds = inner.slice(1).reduce((sum, b, i) => {
    const a = inner[i]!
    return sum + (Math.PI * (a.z - b.z) * (a.radius ** 2 + a.radius * b.radius + b.radius ** 2)) / 3
  }, 0)
  return { holds }
}
