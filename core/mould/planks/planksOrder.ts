import { act, inTurn, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { build, namesOf, oneByOne, undo, WORK } from '../buildingOrder.ts'
import type { ScrewRow, Undoing } from '../types.ts'
import type { CoreBox } from './cores.ts'
import { jointsOf, type Plank } from './plankParts.ts'

/** The mould in the order in which it stands: what it is built and taken off by. */
export type Stood = {
  readonly base: BarePart
  readonly planks: readonly Plank[]
  readonly cores: readonly CoreBox[]
  readonly battens: readonly BarePart[]
  readonly plugs: readonly BarePart[]
  readonly edges: readonly BarePart[]
  readonly bridges: readonly BarePart[]
  readonly screws: readonly ScrewRow[]
  readonly sealantM: number
  readonly mirrored: boolean
}

const ofCore = (planks: readonly Plank[], core: CoreBox): BarePart[] =>
  planks.filter((p) => p.core === core).map((p) => p.part)
const isWedge = ({ source }: BarePart): boolean => source.of === 'plank' && source.is === 'wedge'
const coreName = (cores: readonly CoreBox[], i: number): string =>
  cores.length === 1 ? 'core' : `core ${i + 1}`

/** Whether a plank stands on the base. */
const stands = ({ shape }: Plank): boolean => shape.edges.flat().some((e) => e.onBase)

/** The planks that stand on the base as they are put up: those that are lapped over first. */
function inOrder(planks: readonly Plank[]): Plank[] {
  const outer = planks.filter((p) => p.core === null && stands(p))
  const joints = jointsOf(outer)
  const left = [...outer]
  const done: Plank[] = []
  while (left.length > 0) {
    const free = left.find((p) =>
      joints.every((j) => j.edge.kind !== 'over' || j.over !== p || done.includes(j.under)),
    )
    // Round and round, as in a pinwheel, each is lapped over by another: any may begin.
    const next = free ?? left[0]!
    done.push(next)
    left.splice(left.indexOf(next), 1)
  }
  return done
}

/** What hangs between the boards that stand: over the fill, in its corners, under its overhangs. */
const hungOf = (planks: readonly Plank[]): Plank[] => planks.filter((p) => p.core === null && !stands(p))

export function planksBuilding(stood: Stood): Operation[] {
  const { base, planks, cores, battens, plugs, edges, bridges, screws, sealantM, mirrored } = stood
  const all = [base, ...planks.map((p) => p.part), ...battens, ...bridges]
  const hung = hungOf(planks).map((p) => p.part)
  const drawn = planks.map((p) => p.part).filter((p) => p.drawn !== undefined)
  const screwsOf = (part: BarePart) =>
    screws
      .filter((s) => s.partId === part.id && !hung.some((h) => h.id === s.intoId))
      .reduce((sum, s) => sum + s.count, 0)
  return inTurn([
    build('cut/list', act('cut-list', { pieces: all.length }), all, { work: WORK.cut * all.length }),
    ...(drawn.length > 0
      ? [
          build('saw/drawn', act('saw-drawn', { names: namesOf(drawn) }), drawn, {
            work: 2 * WORK.cut * drawn.length,
          }),
        ]
      : []),
    build('mark/base', act('mark-plan', { mirrored }), [base], { work: 10 }),
    ...cores.flatMap((core, i) => {
      const parts = ofCore(planks, core)
      return [
        build(
          `box/core/${i + 1}`,
          act('box-core', { core: coreName(cores, i), boards: parts.length, wedge: parts.some(isWedge) }),
          parts,
          { work: WORK.place * parts.length, wait: 60 },
        ),
        ...(core.opens === 'up'
          ? []
          : [
              build(
                `fix/core/${i + 1}`,
                act('fix-core-box', { core: coreName(cores, i), hung: false }),
                parts,
                { work: 20 },
              ),
            ]),
      ]
    }),
    ...inOrder(planks).map(({ part }) =>
      build(`fix/${part.id}`, act('fix-plank', { name: part.name, screws: screwsOf(part) }), [part], {
        work: WORK.place + WORK.screw * screwsOf(part),
      }),
    ),
    ...(hung.length > 0
      ? [
          build(
            'hang/boards',
            act('hang-boards', {
              names: namesOf(hung),
              screws: screws
                .filter((r) => hung.some((p) => p.id === r.partId || p.id === r.intoId))
                .reduce((sum, r) => sum + r.count, 0),
            }),
            hung,
            { work: 2 * WORK.place * hung.length },
          ),
        ]
      : []),
    ...(battens.length > 0
      ? [
          build('screw/battens', act('screw-battens', { battens: battens.length }), battens, {
            work: WORK.place * battens.length,
          }),
        ]
      : []),
    ...(plugs.length > 0
      ? [build('stand/plugs', act('stand-plugs', { plugs: plugs.length }), plugs, { work: 8 * plugs.length })]
      : []),
    ...cores.flatMap((core, i) =>
      core.opens === 'up'
        ? [
            build(
              `fix/core/${i + 1}`,
              act('fix-core-box', { core: coreName(cores, i), hung: true }),
              [...ofCore(planks, core), ...bridges],
              { work: 20 },
            ),
          ]
        : [],
    ),
    ...(edges.some((e) => e.role === 'chamfer')
      ? [
          build('stick/chamfers', act('stick-chamfers', { names: namesOf(edges) }), edges, {
            work: 20,
          }),
        ]
      : []),
    build(
      'run/bead',
      act('run-bead', { lengthM: sealantM, waxFirst: false }),
      [base, ...planks.map((p) => p.part)],
      {
        work: WORK.beadPerM * sealantM,
        wait: 180,
      },
    ),
    build('check/plan', act('check-plan', { mirrored, screwed: true }), [base], { work: 10 }),
  ])
}

/** Covers and sides off in the order in which they lap, then the base; a core before or after it, by where it opens. */
export function planksOff(stood: Stood): Undoing[] {
  const { base, planks, cores, battens, plugs, edges, bridges, screws } = stood
  const up = cores.filter((c) => c.opens === 'up')
  const down = cores.filter((c) => c.opens !== 'up')
  const first = inOrder(planks).reverse()
  const outer = [...first, ...hungOf(planks)]
  const under = hungOf(planks).filter((p) => p.shape.by.z[2] < -0.5)
  // Boards that nothing holds down once the sides are off are lifted as they hang together.
  const inner = hungOf(planks).filter((p) => !under.includes(p))
  const lifts = inner.every((p) => p.shape.by.z[2] > -0.01)
  const sides = screws.filter((s) => outer.some((p) => p.part.id === s.partId))
  const isOfCores = (list: readonly CoreBox[]) => (p: Plank) => p.core !== null && list.includes(p.core)
  const coreOut = (list: readonly CoreBox[], early: boolean): Undoing[] => {
    if (list.length === 0) return []
    const parts = planks.filter(isOfCores(list)).map((p) => p.part)
    const wedges = parts.filter(isWedge)
    const rest = parts.filter((p) => !isWedge(p))
    const when = early ? ({ from: 'set', whileItMoves: true } as const) : {}
    return wedges.length > 0
      ? [
          undo('out/wedges', act('core-wedge-out', { wedges: wedges.length }), wedges, when),
          undo('out/cores', act('core-boards-in', { cores: list.length }), rest),
        ]
      : [undo('out/cores', act('core-drawn', { cores: list.length }), rest, when)]
  }
  const late: Undoing[] = [
    ...(under.length + down.length > 0
      ? [
          undo('turn/on-base', act('turn-in-planks', { massKg: 0 }), [], {
            from: 'turn',
            turns: 'padded board',
          }),
          undo('off/base', act('planks-base-off', {}), [base, ...edges]),
        ]
      : [undo('off/base', act('tip-off-base', {}), [base, ...edges], { from: 'turn' })]),
    ...coreOut(down, false),
    ...(plugs.length > 0 ? [undo('out/plugs', act('plugs-out', { names: namesOf(plugs) }), plugs)] : []),
    ...(under.length > 0
      ? [
          undo(
            'out/under',
            act('inner-boards-out', { names: namesOf(under.map((p) => p.part)) }),
            under.map((p) => p.part),
          ),
        ]
      : []),
  ]
  return oneByOne([
    ...(bridges.length > 0 ? [undo('off/bridges', act('bridges-off', {}), bridges, { from: 'set' })] : []),
    ...coreOut(up, true),
    undo(
      'out/screws',
      act('side-screws-out', { screws: sides.reduce((sum, s) => sum + s.count, 0) }),
      battens,
      {
        at: outer.map((p) => p.part.id),
        from: 'sides',
      },
    ),
    ...first.map(({ part }) =>
      undo(`off/${part.id}`, act('side-off', { name: part.name, runPast: false }), [part]),
    ),
    ...(inner.length > 0
      ? [
          undo(
            'out/inner',
            act(lifts ? 'inner-boards-up' : 'inner-boards-out', { names: namesOf(inner.map((p) => p.part)) }),
            inner.map((p) => p.part),
          ),
        ]
      : []),
    ...late,
  ])
}
