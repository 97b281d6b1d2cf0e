import type { Item } from './kinds.ts'
import type { Block } from './types.ts'

/** Sides that differ by less, mm, match. */
const MATCH = 1e-3
/** States looked at for each effort: a fixed count, so that the same list gives the same sheets everywhere. */
const BUDGET = 12_000
/** How often a way may leave the join that looks surest. */
const LEAVES = 5

type Piece = { readonly w: number; readonly h: number; readonly block: Block }
/** Two pieces and what they make. */
type Join = { readonly a: Piece; readonly b: Piece; readonly made: Piece }
type State = { readonly pieces: readonly Piece[]; readonly joins: readonly Join[] }

/**
 * Sheets that a list without waste is cut from, by putting it together again: any guillotine pattern without waste is
 * two blocks with a side in common. What can be joined in the fewest ways is joined first; ways that leave that once are
 * looked at before those that leave it twice (limited discrepancy search: Harvey and Ginsberg 1995), so that an early
 * mistake is mended early. Null when none is found within the budget. Sizes are grown by a kerf, as is the sheet; with
 * `turn` blocks may lie across the sheet.
 */
export function joinExact(
  items: readonly Item[],
  w: number,
  h: number,
  turn: boolean,
  effort = 1,
  shouldStop?: () => boolean,
): Block[] | null {
  let looked = 0
  const budget = BUDGET * effort
  const isSheet = (p: Piece) => (same(p.w, w) && same(p.h, h)) || (turn && same(p.w, h) && same(p.h, w))
  const fits = (pw: number, ph: number) =>
    (pw <= w + MATCH && ph <= h + MATCH) || (turn && pw <= h + MATCH && ph <= w + MATCH)

  /** Every way to join two pieces into one that has no waste and fits a sheet. */
  function joinsOf(a: Piece, b: Piece): Join[] {
    const joins: Join[] = []
    for (const other of turn && !same(b.w, b.h) ? [b, turned(b)] : [b]) {
      if (same(a.h, other.h) && fits(a.w + other.w, a.h)) joins.push({ a, b, made: pair(a, other, true) })
      if (same(a.w, other.w) && fits(a.w, a.h + other.h)) joins.push({ a, b, made: pair(a, other, false) })
    }
    return joins
  }

  function joined({ pieces, joins }: State, { a, b, made }: Join): State {
    const rest = pieces.filter((p) => p !== a && p !== b)
    const kept = joins.filter((j) => j.a !== a && j.a !== b && j.b !== a && j.b !== b)
    return isSheet(made)
      ? { pieces: rest, joins: kept }
      : { pieces: [...rest, made], joins: [...kept, ...rest.flatMap((p) => joinsOf(p, made))] }
  }

  function search(state: State, done: readonly Piece[], leaves: number): readonly Piece[] | null {
    if (state.pieces.length === 0) return done
    looked += 1
    if (looked > budget || (looked % 64 === 0 && shouldStop?.())) return null
    const best = surest(state, w, h)
    if (!best) return null
    const then = (join: Join, left: number) =>
      search(joined(state, join), isSheet(join.made) ? [...done, join.made] : done, left)
    const found = then(best, leaves)
    if (found || leaves === 0) return found
    const apart = state.joins.filter((j) => j !== best)
    return search({ pieces: state.pieces, joins: apart }, done, leaves - 1)
  }

  const all = items.map(
    ({ w: pw, h: ph, index }): Piece => ({
      w: pw,
      h: ph,
      block: { kind: 'part', index, turned: false, w: pw, h: ph },
    }),
  )
  const whole = all.filter(isSheet)
  const pieces = all.filter((p) => !isSheet(p))
  const start = { pieces, joins: pieces.flatMap((p, i) => pieces.slice(i + 1).flatMap((q) => joinsOf(p, q))) }
  for (let leaves = 0; leaves <= LEAVES && looked <= budget; leaves += 1) {
    const found = search(start, whole, leaves)
    if (found) return found.map((p) => (same(p.w, w) && same(p.h, h) ? p : turned(p)).block)
  }
  return null
}

/** The join of pieces with the fewest other ways to be joined; of equal ones that whose new side is wanted somewhere. */
function surest({ pieces, joins }: State, w: number, h: number): Join | null {
  const ways = new Map<Piece, number>()
  for (const { a, b } of joins) {
    ways.set(a, (ways.get(a) ?? 0) + 1)
    ways.set(b, (ways.get(b) ?? 0) + 1)
  }
  let best: Join | null = null
  let least = Number.POSITIVE_INFINITY
  for (const join of joins) {
    const { a, b, made } = join
    const isWanted = (side: number) =>
      same(side, w) ||
      same(side, h) ||
      pieces.some((p) => p !== a && p !== b && (same(p.w, side) || same(p.h, side)))
    const wanted = (isWanted(made.w) ? 1 : 0) + (isWanted(made.h) ? 1 : 0)
    const score = ways.get(a)! * ways.get(b)! * [1, 0.8, 0.3][wanted]!
    if (score < least - 1e-9) [best, least] = [join, score]
  }
  return best
}

const same = (a: number, b: number): boolean => Math.abs(a - b) <= MATCH

const pair = (a: Piece, b: Piece, along: boolean): Piece => {
  const [w, h] = along ? [a.w + b.w, a.h] : [a.w, a.h + b.h]
  return { w, h, block: { kind: 'pair', along, a: a.block, b: b.block, w, h } }
}

/** A block with all in it turned by a quarter. */
function turnBlock(block: Block): Block {
  return block.kind === 'part'
    ? { ...block, turned: !block.turned, w: block.h, h: block.w }
    : {
        ...block,
        along: !block.along,
        a: turnBlock(block.a),
        b: turnBlock(block.b),
        w: block.h,
        h: block.w,
      }
}
const turned = (p: Piece): Piece => ({ ...p, w: p.h, h: p.w, block: turnBlock(p.block) })
