import type { Point } from '../geometry/index.ts'
import { cutBars } from '../mould/layout/cutBars.ts'
import type { RunPart, SplitRun } from './splitRun.ts'

/** Width of the strips, the length they are ripped in, and the saw's kerf, mm [own]. */
export const STICK = { width: 80, stock: 2440, kerf: 3 } as const

/** A strip of a template: its outer edge is the piece's edge. */
export type Stick = {
  /** Of its piece and its place round it from the front left corner, anticlockwise seen from above: `2c`. */
  readonly label: string
  readonly side: RunPart['sides'][number]
  /** Along its outer edge, from the corner it starts at to where the next strip crosses it, mm. */
  readonly lengthMm: number
  /** Of the piece at the corner it starts at, degrees. */
  readonly cornerDeg: number
}

export type StickTemplate = {
  readonly parts: readonly {
    readonly number: number
    readonly sticks: readonly Stick[]
    /** From corner to corner, each where a strip starts: with the strips they fix the shape. */
    readonly diagonals: readonly { readonly from: string; readonly to: string; readonly lengthMm: number }[]
  }[]
  /** Strips of stock length to rip. */
  readonly strips: number
}

/**
 * Strips glued up on site into a template of each piece, face up: every strip starts at its corner and runs to the inner
 * edge of the next, which is laid across it, so that none is cut but to length. As many diagonals as fix the shape: two
 * of a four-cornered piece, from one corner to all others of any other.
 */
export function stickTemplate({ parts }: Pick<SplitRun, 'parts'>): StickTemplate {
  const told = parts.map((part) => ({
    number: part.number,
    sticks: sticksOf(part),
    diagonals: diagonalsOf(part),
  }))
  const lengths = told.flatMap((p) => p.sticks.map((s) => ({ id: s.label, length: s.lengthMm })))
  // What is longer than a strip is joined, a lap of its own width each time.
  const pieces = lengths.flatMap(({ id, length }) => {
    const whole = Math.max(0, Math.ceil((length - STICK.stock) / (STICK.stock - STICK.width)))
    const rest = length - whole * (STICK.stock - STICK.width)
    return Array.from({ length: whole + 1 }, (_, i) => ({
      id: `${id}/${i}`,
      length: i < whole ? STICK.stock : rest,
    }))
  })
  return { parts: told, strips: cutBars(pieces, STICK.stock, STICK.kerf).bars.length }
}

const letter = (i: number): string =>
  (i < 26 ? '' : letter(Math.floor(i / 26) - 1)) + String.fromCharCode(97 + (i % 26))
const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1])
const labelOf = ({ number }: RunPart, i: number): string => `${number}${letter(i)}`

/** The angle inside a ring at a corner, radians, over a half turn at an inside corner. */
function angleAt(ring: readonly Point[], i: number): number {
  const n = ring.length
  const [before, at, after] = [ring[(i + n - 1) % n]!, ring[i]!, ring[(i + 1) % n]!]
  const turn = Math.atan2(
    (at[0] - before[0]) * (after[1] - at[1]) - (at[1] - before[1]) * (after[0] - at[0]),
    (at[0] - before[0]) * (after[0] - at[0]) + (at[1] - before[1]) * (after[1] - at[1]),
  )
  return Math.PI - turn
}

function sticksOf(part: RunPart): Stick[] {
  const { ring, sides } = part
  return ring.map((from, i): Stick => {
    const next = (i + 1) % ring.length
    const angle = angleAt(ring, next)
    const whole = distance(from, ring[next]!)
    // At an outside corner the next strip lies across its end; at an inside one it runs on past, and the next starts on it.
    const taken = angle < Math.PI ? STICK.width / Math.max(0.2, Math.sin(angle)) : 0
    return {
      label: labelOf(part, i),
      side: sides[i]!,
      lengthMm: Math.max(STICK.width, whole - taken),
      cornerDeg: (angleAt(ring, i) * 180) / Math.PI,
    }
  })
}

function diagonalsOf(part: RunPart): StickTemplate['parts'][number]['diagonals'] {
  const { ring } = part
  const of = (i: number, j: number) => ({
    from: labelOf(part, i),
    to: labelOf(part, j),
    lengthMm: distance(ring[i]!, ring[j]!),
  })
  if (ring.length === 4) return [of(0, 2), of(1, 3)]
  return ring.flatMap((_, j) => (j >= 2 && j <= ring.length - 2 ? [of(0, j)] : []))
}
