import { type Kernel, measureRegion } from '../../geometry/index.ts'
import type { Finding, Piece } from '../../job/index.ts'
import type { PieceGeometry, PieceStation } from '../../piece/index.ts'
import { type Memo, runStation } from '../../station.ts'
import { EMBEDDED, type Footing, footingOf, offeredDepth } from './footing.ts'
import { footOf, type Tipping, tippingOf } from './tipping.ts'

/** A push under which it is told, one under which it stops the pour, and a slope it must bear, N and degrees. */
const [PUSH, DANGER, SLOPE] = [200, 100, 10]
/** What is lower than this against its foot, or lighter, does not fall on anybody, mm and kg [own]. */
const [LOW, LIGHT] = [150, 10]
/** What tips below the knee is worth a note, mm [own]. */
const KNEE = 400

export type Standing = { readonly tipping: Tipping | null; readonly footing: Footing | null }

/** How a piece stands where it is placed: what tips it, and its footing where it has one. */
export function planStanding(
  kernel: Kernel,
  piece: Piece,
  geometry: PieceGeometry,
  { centreOfGravity: g }: PieceStation['figures'],
  kg: number,
  memo: Memo,
): Standing | null {
  const { recipe, low, height } = geometry
  // What sits on something else, or hangs below what carries it, does not stand on its lowest point.
  if (!recipe || piece.kind === 'fitted' || (piece.kind === 'slab' && low < 0)) return null
  const { foot, whole } = runStation(memo, 'foot', { recipe, low, height }, () =>
    footOf(kernel, recipe, low, height),
  ).value
  const { how, depth } = piece.steel.standing
  const across = foot.reduce(
    (most, a) => foot.reduce((m, b) => Math.max(m, Math.hypot(a[0] - b[0], a[1] - b[1])), most),
    0,
  )
  const set = how === 'footing' && depth > 0 && depth < height
  return {
    tipping: tippingOf({ foot, whole }, [g.xMm, g.yMm, g.zMm - low], kg, height),
    footing: set ? footingOf(depth, height, across, Math.abs(measureRegion([foot]))) : null,
  }
}

/** What tips, and what stands too shallow in the ground. */
export function standingFindings(
  piece: Piece,
  { height }: PieceGeometry,
  standing: Standing,
  kg: number,
): Finding[] {
  const finding = (
    code: string,
    level: Finding['level'],
    facts: Finding['facts'],
    remedies: Finding['remedies'] = [],
  ): Finding => ({
    code,
    level,
    station: 'steel',
    about: [{ pieceId: piece.id, kind: 'choice', id: 'standing' }],
    facts,
    remedies,
  })
  const set = (depth: number): Finding['remedies'] => [
    {
      code: 'footing',
      facts: { depthMm: depth },
      changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { standing: { how: 'footing', depth } } }],
    },
  ]
  const { tipping, footing } = standing
  if (footing) {
    const least = footing.above * EMBEDDED.least
    return footing.depth < least - 1e-6
      ? [
          finding(
            'footing-shallow',
            'warn',
            { depthMm: footing.depth, leastMm: least, aboveMm: footing.above },
            set(offeredDepth(height)),
          ),
        ]
      : []
  }
  if (height < LOW || kg < LIGHT) return []
  if (!tipping) return [finding('stands-on-a-point', 'warn', { weightKg: kg }, [])]
  const facts = {
    pushN: Math.max(0, tipping.pushN),
    heightMm: tipping.pushedAt,
    angleDeg: Math.max(0, tipping.angleDeg),
    weightKg: kg,
  }
  const found: Finding[] = []
  if (tipping.arm <= 0) found.push(finding('falls-over', 'stop', facts, set(offeredDepth(height))))
  else if (tipping.pushN < PUSH || tipping.angleDeg < SLOPE)
    found.push(
      finding(
        'tips',
        height < KNEE ? 'note' : tipping.pushN < DANGER ? 'stop' : 'warn',
        facts,
        set(offeredDepth(height)),
      ),
    )
  // Only what people sit on is leaned on so.
  if (piece.kind === 'swept' && tipping.sitShare !== null && tipping.sitShare < 1)
    found.push(
      finding(
        'tips-sat-on',
        'warn',
        { overhangMm: tipping.overhang, share: tipping.sitShare },
        set(offeredDepth(height)),
      ),
    )
  return found
}
