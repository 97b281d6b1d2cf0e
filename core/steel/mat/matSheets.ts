import { layOut } from '../../mould/index.ts'
import type { Mesh } from '../../stock/index.ts'

/** Sheets lap by one square and this, mm. */
const LAP = 50
/** Pieces laid out together at most: more are cut as one cast is. */
const MOST = 60

/** A piece of a sheet: where its lower left corner lies in the mat, and its size. */
export type MatPiece = {
  readonly x: number
  readonly y: number
  readonly length: number
  readonly width: number
}

/** What else one cast is cut: a second mat alike, strips bent into aprons. */
type OfOneCast = {
  readonly mats?: number
  readonly strips?: readonly { readonly length: number; readonly width: number }[]
}

/** How far sheets lie over one another where they meet, mm. */
export const lapOf = ({ spacing }: Pick<Mesh, 'spacing'>): number => spacing + LAP

export type MatSheets = {
  /** What a mat is put together of, lapped where they meet. */
  readonly pieces: readonly MatPiece[]
  readonly lap: number
  /** Length of all laps, mm. */
  readonly laps: number
  /** Strips as they are cut, numbered after the pieces. */
  readonly strips: readonly { readonly length: number; readonly width: number }[]
  /** Bought for one cast. */
  readonly count: number
  /** How the pieces of `casts` casts are cut from sheets, by their place in `pieces`. */
  readonly casts: number
  readonly sheets: readonly (readonly (MatPiece & { readonly piece: number })[])[]
}

/**
 * The pieces of a mat: one where a sheet covers it, else equal ones lapped by a square and 50 mm, along or across the
 * sheet as fewer do; and how they are cut from sheets. 3000 x 900 from 2000 x 1000 at 100: two of 1575 x 900.
 */
export function matSheets(
  length: number,
  width: number,
  mesh: Mesh,
  casts: number,
  { mats = 1, strips = [] }: OfOneCast = {},
): MatSheets {
  const lap = lapOf(mesh)
  if (length <= 0 || width <= 0)
    return { pieces: [], strips: [], lap, laps: 0, count: 0, casts: 0, sheets: [] }
  const across = (extent: number, sheet: number) =>
    extent <= sheet ? 1 : sheet <= lap ? Infinity : 1 + Math.ceil((extent - sheet) / (sheet - lap) - 1e-9)
  const straight = [across(length, mesh.length), across(width, mesh.width)] as const
  const turned = [across(length, mesh.width), across(width, mesh.length)] as const
  const [a, b] = straight[0] * straight[1] <= turned[0] * turned[1] ? straight : turned
  if (!Number.isFinite(a * b)) return { pieces: [], strips: [], lap, laps: 0, count: 0, casts: 0, sheets: [] }
  const [l, w] = [(length + (a - 1) * lap) / a, (width + (b - 1) * lap) / b]
  const pieces = Array.from({ length: a * b }, (_, i): MatPiece => {
    const [x, y] = [(i % a) * (l - lap), Math.floor(i / a) * (w - lap)]
    return { x, y, length: l, width: w }
  })
  // A strip longer than a sheet is lapped like a mat.
  const longest = Math.max(mesh.length, mesh.width)
  const lapped = strips.flatMap((s) => {
    const n = across(s.length, longest)
    return Array.from({ length: n }, () => ({ length: (s.length + (n - 1) * lap) / n, width: s.width }))
  })
  const lay = (times: number) =>
    layOut(
      Array.from({ length: times }, (_, n) =>
        [...Array.from({ length: mats }, () => pieces).flat(), ...lapped].map((p, i) => ({
          id: `${n}/${i}`,
          length: p.length,
          width: p.width,
        })),
      ).flat(),
      { length: mesh.length, width: mesh.width },
      { kerf: 0, trim: 0, turnParts: true },
    )
  const one = lay(1)
  const all = casts > 1 && casts * (mats * pieces.length + lapped.length) <= MOST ? lay(casts) : one
  const place = new Map<string, number>(
    Array.from({ length: Math.max(1, casts) }, (_, n) =>
      Array.from({ length: mats * pieces.length + lapped.length }, (__, i) => {
        const strip = i - mats * pieces.length
        return [`${n}/${i}`, strip < 0 ? i % pieces.length : pieces.length + strip] as const
      }),
    ).flat(),
  )
  return {
    pieces,
    strips: lapped,
    lap,
    laps: (a - 1) * width + (b - 1) * length,
    count: one.sheets.length,
    casts: all === one ? 1 : casts,
    sheets: all.sheets.map(({ parts }) =>
      parts.map((p) => ({ x: p.x, y: p.y, length: p.length, width: p.width, piece: place.get(p.id)! })),
    ),
  }
}
