import {
  type Bulk,
  bulkAt,
  combineRegions,
  type Kernel,
  measureRegion,
  offsetRegion,
  type Point,
  type Region,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { About, Finding, Lettering, Piece } from '../../job/index.ts'
import { stationMemo } from '../../memo.ts'
import { onFace, turnedFrame } from '../frames.ts'
import type { FlatFace } from '../types.ts'
import { type LetterFont, letterFont } from './fonts.ts'
import { layLetters } from './layLetters.ts'

/** Least stroke that concrete fills and keeps, mm, for raised and for sunk letters [own]. */
const STROKE = { raised: 4, sunk: 2.5 } as const

export type LetteringSolid = {
  readonly id: string
  readonly raised: boolean
  readonly recipe: SolidRecipe
  readonly bulk: Bulk
  /** In the face's u and v, as placed. */
  readonly region: Region
  readonly face: string
}

/** Letters as solids on their faces, and what is wrong with them. */
export function letteringSolids(
  kernel: Kernel,
  piece: Piece,
  faces: readonly FlatFace[],
  thickness: number,
  /** Level ground in or on the top, in plan as placed: what is lettered there stands on it. */
  levels: readonly { readonly region: Region; readonly rise: number }[] = [],
): { solids: LetteringSolid[]; findings: Finding[] } {
  const findings: Finding[] = []
  const solids = piece.lettering.flatMap((l): LetteringSolid[] => {
    const about: About[] = [{ pieceId: piece.id, kind: 'feature', id: l.id }]
    const raise = (code: string, level: Finding['level'], facts: Finding['facts']) =>
      findings.push({
        code,
        level,
        station: 'piece',
        about,
        facts: { text: short(l.text), ...facts },
        remedies: [],
      })
    const face = faces.find((f) => f.name === l.on)
    const font = letterFont(l.font)
    if (!face) raise('lettering-no-face', 'stop', { face: l.on })
    if (!font) raise('lettering-no-font', 'stop', { font: l.font })
    if (l.depth === 0) raise('lettering-flat', 'warn', {})
    if (!face || !font || l.depth === 0) return []
    if (l.fontHash !== '' && l.fontHash !== font.hash)
      raise('lettering-font-differs', 'warn', { font: font.name })
    const sunk = l.depth < 0
    const { laid, region, area, strokes } = setLetters(kernel, l, font, sunk)
    if (laid.missing.length > 0)
      raise('lettering-missing', 'warn', { letters: [...new Set(laid.missing)].join(' ') })
    if (area <= 0) return []
    const deep = Math.abs(l.depth)
    const level = l.on === 'top' ? levelAt(kernel, turnRegion(region, l), face, levels) : 0
    if (level === null) raise('lettering-straddles', 'stop', {})
    if (sunk && deep >= thickness + Math.min(0, level ?? 0)) {
      raise('lettering-through', 'stop', {
        depthMm: deep,
        thicknessMm: thickness + Math.min(0, level ?? 0),
      })
      return []
    }
    const turned = turnRegion(region, l)
    const off = measureRegion(combineRegions(kernel, 'difference', [turned, face.region]))
    if (off > 0.5)
      raise('lettering-off-face', 'stop', { face: face.words, widthMm: laid.width, offMm2: Math.round(off) })
    for (const { code, level, facts } of strokes) raise(code, level, facts)
    const flat = turnedFrame(face.frame, l.u, l.v, l.turnDeg)
    const frame = { ...flat, origin: onFace(face.frame, l.u, l.v, level ?? 0) }
    const overlap = 0.5
    const recipe: SolidRecipe = {
      kind: 'moved',
      solid: {
        kind: 'plate',
        region,
        low: sunk ? -deep : -overlap,
        high: sunk ? overlap : deep,
        name: `lettering/${l.id}`,
      },
      by: frame,
    }
    const at = onFace(face.frame, l.u, l.v, (level ?? 0) + l.depth / 2)
    return [{ id: l.id, raised: !sunk, recipe, bulk: bulkAt(area * deep, at), region: turned, face: l.on }]
  })
  return { solids, findings }
}

/** How far above its face the ground is that letters stand on: 0 the face itself, null half on it and half off. */
function levelAt(
  kernel: Kernel,
  letters: Region,
  { frame: { origin } }: FlatFace,
  levels: readonly { readonly region: Region; readonly rise: number }[],
): number | null {
  const whole = measureRegion(letters)
  let level = 0
  for (const { region, rise } of levels) {
    const own = region.map((ring) => ring.map(([x, y]): Point => [x - origin[0], y - origin[1]]))
    const on = measureRegion(combineRegions(kernel, 'intersection', [letters, own]))
    if (on <= 0.5) continue
    if (whole - on > 0.5) return null
    level = rise
  }
  return level
}

/** Letters turned and put in their place on the face. */
function turnRegion(region: Region, { u, v, turnDeg }: Lettering): Region {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  return region.map((ring) => ring.map(([x, y]): Point => [x * c - y * s + u, x * s + y * c + v]))
}

type StrokeFinding = Pick<Finding, 'code' | 'level' | 'facts'>

/** Letters last set: a text stays the same while the piece under it is changed. */
const lastSet = stationMemo(32)

/** A text as a region in its own place, with what is wrong with its strokes. */
function setLetters(kernel: Kernel, l: Lettering, font: LetterFont, sunk: boolean) {
  const { text, height, spacing, align } = l
  const key = JSON.stringify([text, height, spacing, align, font.hash, sunk])
  return lastSet('letters', key, () => {
    const laid = layLetters(l, font)
    // Fonts wind their outer rings one way or the other.
    const upright = measureRegion(laid.rings) < 0 ? laid.rings.map((ring) => [...ring].reverse()) : laid.rings
    const region = combineRegions(kernel, 'union', [upright])
    const area = measureRegion(region)
    return { laid, region, area, strokes: area > 0 ? checkStrokes(kernel, region, sunk) : [] }
  })
}

/**
 * Strokes that vanish when the letters are eaten by half the least stroke; and islands: the counters inside O, A or 8,
 * which stand as thin concrete when the letter is sunk, or as loose bits of a cut stencil.
 */
function checkStrokes(kernel: Kernel, region: Region, sunk: boolean): StrokeFinding[] {
  const found: StrokeFinding[] = []
  const raise = (code: string, level: Finding['level'], facts: Finding['facts']) =>
    found.push({ code, level, facts })
  const least = sunk ? STROKE.sunk : STROKE.raised
  // Eaten and grown again, a region never passes its own outline: what is lost is the difference of the areas.
  const eaten = offsetRegion(kernel, region, -least / 2, 'round', 24)
  const lost = measureRegion(region) - measureRegion(offsetRegion(kernel, eaten, least / 2, 'round', 24))
  if (lost > measureRegion(region) * 0.04)
    raise('stroke-thin', 'warn', {
      leastMm: least,
      lostPercent: Math.round((lost / measureRegion(region)) * 100),
    })
  const counters = region.filter((ring) => measureRegion([ring]) < 0)
  if (counters.length > 0) {
    const smallest = counters.reduce((a, b) => (measureRegion([a]) > measureRegion([b]) ? a : b))
    const within = offsetRegion(kernel, [[...smallest].reverse()], -least / 2, 'round')
    const tiny = measureRegion(within) <= 0
    raise(tiny ? 'island-thin' : 'islands', tiny ? 'warn' : 'note', {
      count: counters.length,
      leastMm: least,
    })
  }
  return found
}

const short = (text: string): string => {
  const line = text.replaceAll('\n', ' / ')
  return line.length > 24 ? `${line.slice(0, 23)}…` : line
}
