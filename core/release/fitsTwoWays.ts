import type { Kernel, SolidScope, Vector } from '../geometry/index.ts'
import type { MouldPart } from '../mould/index.ts'
import { act, type Operation, operation, partRefs } from '../work/index.ts'

/** How a part may be put back wrongly. */
export type WrongWay = 'upside down' | 'half round' | 'a quarter round'

/** A part that all but fits another way than its own. */
export type Mistakable = {
  readonly partId: string
  readonly name: string
  readonly way: WrongWay
  /** How far it is off at most, about, mm. */
  readonly byMm: number
}

/** A part that is off by no more than this goes in with a push; by less than the second it makes no odds, mm [own]. */
const [GOES_IN, NO_ODDS] = [2, 0.15]
/** What has more triangles is rounded: it is not looked at, for it takes long. */
const FINE = 300
/** What is put in loose for each cast. Shells and jackets find each other by their bolts, formers are fixed once for all. */
const LOOSE: ReadonlySet<MouldPart['role']> = new Set(['strip', 'corner', 'knockout', 'core', 'separator'])

type Body = ReturnType<SolidScope['solid']>['body']

/** Turns about the middle of a part's box: where its x and y go, exactly, so that faces that fall together do. */
const TURNS: readonly (readonly [WrongWay, x: Vector, y: Vector, z: Vector])[] = [
  ['upside down', [1, 0, 0], [0, -1, 0], [0, 0, -1]],
  ['upside down', [-1, 0, 0], [0, 1, 0], [0, 0, -1]],
  ['half round', [-1, 0, 0], [0, -1, 0], [0, 0, 1]],
  ['a quarter round', [0, 1, 0], [-1, 0, 0], [0, 0, 1]],
]

/**
 * The rigid parts that fit more than one way and are right in one: each is turned about the middle of its box and laid over
 * itself. What differs nowhere is the same either way; what differs much does not go in. Example: a knockout 200 by 100 that
 * narrows by 1 mm a side upward goes in upside down, and locks there.
 */
export function fitsTwoWays(
  kernel: Kernel,
  parts: readonly MouldPart[],
  rigid: ReadonlySet<string>,
): Mistakable[] {
  return kernel.withSolids((scope) =>
    parts.flatMap((part): Mistakable[] => {
      if (!rigid.has(part.id) || !LOOSE.has(part.role)) return []
      const { body } = scope.solid(part.recipe)
      if (body.numTri() > FINE) return []
      let worst: Mistakable | null = null
      for (const [way, ...turn] of TURNS) {
        const byMm = offBy(scope, body, turn)
        if (byMm > NO_ODDS && byMm <= GOES_IN && byMm > (worst?.byMm ?? 0))
          worst = { partId: part.id, name: part.name, way, byMm }
      }
      return worst ? [worst] : []
    }),
  )
}

/** How far a body has to be let out so that it takes itself, turned, mm; more than all that is tried where it does not go in. */
function offBy(scope: SolidScope, body: Body, [x, y, z]: readonly [Vector, Vector, Vector]): number {
  const { min, max } = body.boundingBox()
  const middle = [0, 1, 2].map((k) => (min[k]! + max[k]!) / 2) as unknown as Vector
  const [ox, oy, oz] = [0, 1, 2].map(
    (k) => middle[k]! - x[k]! * middle[0] - y[k]! * middle[1] - z[k]! * middle[2],
  ) as [number, number, number]
  const turned = scope.keep(body.transform([...x, 0, ...y, 0, ...z, 0, ox, oy, oz, 1]))
  const box = turned.boundingBox()
  // Its box alone tells of most that it does not go in.
  if ([0, 1, 2].some((k) => Math.abs(box.min[k]! - min[k]!) > GOES_IN)) return Number.POSITIVE_INFINITY
  const letOut = (of: Body, by: number): Body => {
    const scale = [0, 1, 2].map((k) => 1 + (2 * by) / Math.max(1, max[k]! - min[k]!)) as [
      number,
      number,
      number,
    ]
    const back = middle.map((n, k) => n * (1 - scale[k]!)) as [number, number, number]
    return scope.keep(scope.keep(of.scale(scale)).translate(back))
  }
  const takes = (by: number): boolean =>
    [
      [body, turned],
      [turned, body],
    ].every(([a, b]) =>
      scope
        .keep(a!.subtract(letOut(b!, by)))
        .decompose()
        .every((rest) => {
          const kept = scope.keep(rest)
          return 2 * kept.volume() <= NO_ODDS * kept.surfaceArea()
        }),
    )
  return LET_OUT.find(takes) ?? Number.POSITIVE_INFINITY
}
/** By how much it is tried, mm; sheets too thin to matter may be left over. */
const LET_OUT = [NO_ODDS, 0.25, 0.5, 0.75, 1, 1.5, GOES_IN] as const

/** Minutes to mark a part [own]. */
const WORK = 2

/** They are marked once, while they stand right. */
export function markOperations(
  mistakable: readonly Mistakable[],
  { built, waxed }: Record<'built' | 'waxed', readonly string[]>,
): Operation[] {
  if (mistakable.length === 0) return []
  return [
    operation({
      ...act('mark-ways', {
        names: mistakable.map((m) => m.name),
        ways: [...new Set(mistakable.map((m) => m.way))],
        byMm: Math.max(...mistakable.map((m) => m.byMm)),
      }),
      id: 'mark/ways',
      station: 'release',
      per: 'mould',
      about: partRefs(mistakable.map((m) => m.partId)),
      minutes: WORK * mistakable.length,
      needs: built,
      leads: waxed,
    }),
  ]
}
