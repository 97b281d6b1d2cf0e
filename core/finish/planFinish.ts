import { edgeSize } from '../geometry/index.ts'
import { type Finding, findingList, type Piece } from '../job/index.ts'
import type { MouldStation } from '../mould/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { PourStation } from '../pour/index.ts'
import type { ReleaseStation } from '../release/index.ts'
import type { Stock } from '../stock/index.ts'
import {
  act,
  type Condition,
  inTurn,
  type Operation,
  operation,
  peopleToLift,
  scheduleOperations,
} from '../work/index.ts'
import type { FinishFigures, FinishStation } from './types.ts'
import type { FinishFindings } from './words.ts'

/** [own]: pore paste kg/m2 a round, minutes before it is sanded, area a 125 mm disc lasts, minutes to sand 1 m2. */
const PASTE = { kgPerM2: 0.3, waitMinutes: 60 } as const
const DISC_M2 = { light: 1.5, wet: 4 } as const
const SAND_PER_M2 = 30
const FIRST_SANDING = 24 * 60
/** Minutes of hands [own]: arrises, seams, washing, a coat on 1 m2 and on any piece. */
const WORK = { arrises: 15, seam: 20, clean: 30, coatPerM2: 10, coat: 10 } as const
/** Nothing is sealed before damp curing has ended: this share of its strength, and this long [own]. */
const CURED: Condition = { kind: 'cured', strengthShare: 0.7, leastMinutes: 3 * 1440 }

type Inputs = {
  readonly piece: PieceStation
  readonly mould: MouldStation | null
  readonly release: ReleaseStation | null
  readonly pour: PourStation
}

/** The seventh station: how the cast becomes what was wanted, with as few turns as its order allows. */
export function planFinishStation(
  piece: Piece,
  stations: Inputs,
  stock: Pick<Stock, 'sealers'>,
): { station: FinishStation | null; findings: Finding[] } {
  const sealer = stock.sealers.find((s) => s.id === piece.finish.sealer)
  const { findings, raise } = findingList<FinishFindings>('finish', piece.id, 'choice', 'finish')
  if (!sealer) {
    raise('sealer-missing', 'stop', { row: piece.finish.sealer })
    return { station: null, findings }
  }
  const { geometry, figures } = stations.piece
  const edges = 2 * (geometry.length + geometry.width) * geometry.thickness * 1e-6
  const area = piece.kind === 'slab' ? figures.showFaceAreaM2 + edges : Math.max(figures.showFaceAreaM2, 1e-4)
  const sanded = piece.finish.sanding !== 'as-cast'
  const wet = piece.finish.sanding === 'wet-400'
  const discs = Math.ceil(area / (wet ? DISC_M2.wet : DISC_M2.light))
  const discsUsed = [{ name: '125 mm', amount: discs, unit: discs === 1 ? 'disc' : 'discs' }]
  const own = { station: 'finish', per: 'piece' } as const
  const arrises = arrisesOf(piece)
  const seams = seamsOf(stations.mould)
  const amounts = Array.from(
    { length: sealer.coats },
    (_, i) => area / (sealer.coverM2PerUnit * (i === 0 ? sealer.firstCoatFactor : 1)),
  )
  const steps: Operation[] = inTurn([
    ...(arrises === 'none'
      ? []
      : [
          operation({
            ...act('ease-arrises', { fins: arrises === 'unknown' }),
            ...own,
            id: 'ease/arrises',
            minutes: WORK.arrises,
          }),
        ]),
    ...(seams > 0
      ? [
          operation({
            ...act('smooth-seam', { seams }),
            ...own,
            id: 'smooth/seams',
            minutes: WORK.seam * seams,
          }),
        ]
      : []),
    ...drilling(stations.piece),
    ...(sanded
      ? [
          operation({
            ...act('sand', { wet }),
            ...own,
            id: 'sand',
            minutes: SAND_PER_M2 * area * (wet ? 2 : 1),
            notBefore: [{ kind: 'aged', ageMinutes: FIRST_SANDING }],
            takes: discsUsed,
          }),
          operation({
            ...act('fill-pores', {}),
            ...own,
            id: 'fill/pores',
            minutes: SAND_PER_M2 * area,
            waitMinutes: PASTE.waitMinutes,
            takes: [{ name: 'pore paste', amount: PASTE.kgPerM2 * area, unit: 'kg' }],
          }),
          operation({
            ...act('sand-paste', {}),
            ...own,
            id: 'sand/paste',
            minutes: SAND_PER_M2 * area,
            takes: discsUsed,
          }),
        ]
      : []),
    operation({ ...act('clean', {}), ...own, id: 'clean', minutes: WORK.clean }),
    ...amounts.map((amount, i) =>
      operation({
        ...act('coat', { sealer: sealer.name, number: i + 1, coats: sealer.coats }),
        ...own,
        id: `coat/${i + 1}`,
        minutes: WORK.coat + WORK.coatPerM2 * area,
        waitMinutes: i < amounts.length - 1 ? sealer.betweenCoatsMinutes : 0,
        notBefore: i === 0 ? [{ kind: 'aged', ageMinutes: sealer.notBeforeDays * 1440 }, CURED] : [],
        takes: [{ name: sealer.name, amount, unit: sealer.unit }],
      }),
    ),
    operation({ ...act('coat-hardens', {}), ...own, id: 'use', waitMinutes: sealer.inUseDays * 1440 }),
  ])
  const before = stations.pour.work.filter(
    (op) => (op.station === 'release' && op.attitude !== null) || op.code === 'move-cast',
  )
  const last = before.map((op) => op.id)
  const operations = steps.map((op, i) => (i === 0 ? { ...op, needs: [...op.needs, ...last] } : op))
  const water = stations.pour.work.find((op) => op.code === 'mix-batch')?.id ?? ''
  const work = scheduleOperations(
    [...stations.pour.work, ...operations],
    stations.pour.ageing,
    water,
    stations.pour.hours,
  )
  const use = work.find((op) => op.id === 'use')
  const outdoors = piece.exposure === 'outdoors' || piece.exposure === 'soil' || piece.exposure === 'wet-room'
  if (outdoors && sealer.school === 'film') {
    const oil = stock.sealers.find((s) => s.school === 'penetrating')
    raise(
      'film-outdoors',
      'warn',
      { sealer: sealer.name, exposure: piece.exposure },
      oil
        ? [
            {
              code: 'film-outdoors',
              facts: { sealer: oil.name },
              changes: [{ type: 'finishChosen', pieceId: piece.id, patch: { sealer: oil.id } }],
            },
          ]
        : [],
    )
  }
  if (piece.exposure === 'kitchen' && sealer.school === 'wax')
    raise('wax-in-kitchen', 'note', { sealer: sealer.name })
  const total = amounts.reduce((sum, a) => sum + a, 0)
  const turnKg = stations.release?.figures.turnKg ?? null
  const result: FinishFigures = {
    sealer: sealer.name,
    coats: sealer.coats,
    sealerAmount: total,
    sealerUnit: sealer.unit,
    sealerCost: sealer.price === null ? null : sealer.price * total,
    faceAreaM2: area,
    turns: stations.release?.figures.turns ?? 0,
    turnKg,
    // About an edge half of it is lifted.
    turnPeople: turnKg === null ? null : peopleToLift(turnKg / 2),
    daysToUse:
      use?.endMinutes == null ? null : Math.ceil((use.endMinutes + use.work.waitMinutes) / 1440 - 1e-9),
  }
  return { station: { figures: result, findings, operations, work }, findings }
}

/** Whether the piece has sharp edges to ease; a mesh does not say. */
function arrisesOf(piece: Piece): 'some' | 'none' | 'unknown' {
  if (piece.kind === 'imported') return 'unknown'
  if (piece.kind === 'turned' && piece.turned.form === 'sphere')
    return piece.turned.foot > 0 ? 'some' : 'none'
  if (piece.kind !== 'slab') return 'some'
  const rims = Object.values(piece.sides).flatMap((s) => [s.top, s.bottom])
  return rims.some((edge) => edgeSize(edge) === 0) || piece.openings.length > 0 ? 'some' : 'none'
}

/** Joints of the mould that run over the cast: between shells, or halves of rubber. */
const seamsOf = (mould: MouldStation | null): number =>
  (mould?.figures.faces ?? [])
    .filter((f) => f.face === 'inside' || f.face === 'rubber')
    .reduce((sum, f) => {
      const shells = mould!.parts.filter((p) => f.partIds.includes(p.id) && p.source.of === 'shell')
      return sum + Math.max(0, shells.length - 1)
    }, 0)

/** Drilled not before a day at 20 degC and this strength: a bit tears the edge out of younger concrete. */
const DRILL = { ageMinutes: 24 * 60, mpa: 10, minutes: 15 } as const

/** What is drilled once the piece is out of its mould: before it is sanded, so that what chips is dressed. */
function drilling({ geometry: { drilled } }: PieceStation): Operation[] {
  if (drilled.length === 0) return []
  const round = drilled.filter((o) => o.shape.kind === 'round')
  const bits = new Set(round.map((o) => (o.shape.kind === 'round' ? o.shape.diameter : 0)))
  return [
    operation({
      ...act('drill-openings', {
        names: round.map((o) => o.name),
        bitsMm: [...bits].sort((a, b) => a - b),
        sawn: drilled.filter((o) => o.shape.kind !== 'round').map((o) => o.name),
      }),
      station: 'finish',
      per: 'piece',
      id: 'drill/openings',
      minutes: DRILL.minutes * drilled.length,
      notBefore: [
        { kind: 'aged', ageMinutes: DRILL.ageMinutes },
        { kind: 'strength', mpa: DRILL.mpa },
      ],
    }),
  ]
}
