import type { Point } from '../geometry/index.ts'
import { act, type EndWord, type Operation, operation, peopleToLift } from '../work/index.ts'
import { LEAST_MPA } from './handling/judgeHandling.ts'
import type { Handling } from './handling/planHandling.ts'
import type { SteelFigures } from './types.ts'

/** Minutes [own]: to lay bearers out, to move a cast, to set one in the ground. */
const MINUTES = { bearers: 5, move: 15, ground: 120 } as const
/** What anybody lifts is moved without a word, kg. */
const LIGHT = 16

/** Which end of a piece a longer way begins at, as placed. */
export function endOf({ from, to }: { readonly from: Point; readonly to: Point }): EndWord {
  const [x, y] = [to[0] - from[0], to[1] - from[1]]
  return Math.abs(x) >= Math.abs(y) ? (x > 0 ? 'left' : 'right') : y > 0 ? 'front' : 'back'
}

type Moved = {
  readonly figures: Pick<SteelFigures, 'handling' | 'standing' | 'strippingKg' | 'placedKg'>
  readonly plate: Pick<Handling, 'way'> | null
  /** It stands higher than it is wide: it is not laid down to be moved. */
  readonly stands: boolean
  /** Fresh, of each that is lifted by itself, kg. */
  readonly blocksKg: readonly number[]
}

/** Bearers laid out before it comes off its mould, how it is moved then, and how it is set in the ground. */
export function movingWork({
  figures: { handling, standing, strippingKg, placedKg },
  plate,
  stands,
  blocksKg,
}: Moved): Operation[] {
  const blocks = blocksKg.length
  const massKg = blocks > 1 ? Math.max(...blocksKg) : strippingKg
  const footing = standing?.footing ?? null
  const steps: Operation[] = []
  if (handling && !stands && massKg > LIGHT)
    steps.push(
      operation({
        ...act('lay-out-bearers', {
          fromMm: handling.bearersMm,
          end: plate ? endOf(plate.way) : 'either',
        }),
        id: 'lay-out/bearers',
        station: 'steel',
        per: 'cast',
        minutes: MINUTES.bearers,
      }),
    )
  if (massKg > LIGHT) {
    const needed = (move: string) => handling?.moves.find((m) => m.move === move)
    const flat = needed('carry')
    const people = peopleToLift(massKg)
    steps.push(
      operation({
        ...act('move-cast', {
          massKg,
          liftPeople: people,
          way: blocks > 1 ? 'blocks' : plate ? 'edge' : handling ? (stands ? 'post' : 'bar') : 'lump',
          blockCount: blocks,
          flatMpa: flat?.earliestMinutes == null ? 0 : flat.neededMpa,
          leastMpa: LEAST_MPA,
          fromMm: plate ? [] : (handling?.bearersMm ?? []),
        }),
        id: 'move/cast',
        station: 'steel',
        per: 'cast',
        minutes: MINUTES.move,
        hands: people ?? 2,
        notBefore: [{ kind: 'strength', mpa: plate ? LEAST_MPA : (needed('lay')?.neededMpa ?? LEAST_MPA) }],
      }),
    )
  }
  // Set where it stays it is lowered standing, on its foot.
  if (footing)
    steps.push(
      operation({
        ...act('set-in-ground', {
          massKg: placedKg,
          liftPeople: peopleToLift(placedKg),
          holeMm: footing.holeMm,
          holeDepthMm: footing.holeDepthMm,
          depthMm: footing.depthMm,
          bedLitres: footing.bedLitres,
          concreteLitres: footing.concreteLitres,
        }),
        id: 'set/in-ground',
        station: 'steel',
        per: 'piece',
        minutes: MINUTES.ground,
        hands: Math.max(2, peopleToLift(placedKg) ?? 2),
      }),
    )
  return steps
}
