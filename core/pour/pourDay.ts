import { edgeSize, loopChords } from '../geometry/index.ts'
import type { PourChoice } from '../job/index.ts'
import { SLURRY } from '../mix/index.ts'
import { type PieceGeometry, pouredSize } from '../piece/index.ts'
import { act, type Condition, type Operation, operation, partIdsOf } from '../work/index.ts'
import { type Lift, liftsOf, POKER, usualCompaction, WET_BANDS } from './compaction.ts'
import type { PourInput } from './types.ts'

/** Minutes [own]: placing 10 L, spraying or brushing 10 L of face, compacting a quarter square metre, screeding a square metre; for one person. */
export const PACE = {
  place10Litres: 1.5,
  face10Litres: 30,
  screedM2: 12,
  check: 4,
  join: 2,
  edges: 10,
  later: 10,
  float: 5,
  trowel: 15,
  cover: 5,
  topUp: 5,
  slurryM2: 4,
} as const
/** Filling, lifting and setting down 20 kg; walking so far a minute, there and back; a step up and down [own]. */
const CARRY = { handling: 1.5, metresAMinute: 48, stepMinutes: 1 / 30 } as const

/** Minutes for one to carry 20 kg from the mixer: 2 over 12 m on the level, 4 over 60 m, a minute more for 30 steps. */
export const carryMinutes = ({ carryM, stairSteps }: Pick<PourChoice, 'carryM' | 'stairSteps'>): number =>
  CARRY.handling + (2 * carryM) / CARRY.metresAMinute + stairSteps * CARRY.stepMinutes

/** The least time for rolling coats and for screeding, minutes; rolling a quarter square metre, minutes [own]. */
const LEAST = { roll: 3, screed: 5, slurry: 3 } as const
const ROLL_QUARTER_M2 = 3.5
/** A lift is rodded this far into the one below, mm [own]. */
const ROD = 25
/** A hard trowel leaves a dent of less than this, mm [own]. */
const DENT = 1
/** Parts of the initial set [own]: working time, sheen gone, hard trowel, the last at which a lift still joins. */
export const SET_PARTS = { face: 0.25, working: 0.5, sheen: 0.35, trowel: 0.8, joins: 0.9 } as const
/** Damp until this share of its strength, and this many minutes [own]. */
export const CURED = { share: 0.7, minutes: 3 * 1440 } as const

/** A share of the initial set, from when an operation was begun: a batch that met its water. */
const setSince = (share: number, since: string): Condition => ({
  kind: 'set',
  of: 'initial',
  setShare: share,
  since,
})

/** The first thing that needs the water: the clock of the concrete starts with it. */
export const firstMix = (input: PourInput): string => input.stations.mix.operations[0]?.id ?? ''

/**
 * What the day adds to what earlier stations plan: checks, placing and joining, the open face, and the cure. What is
 * taken off the cast comes after all of it.
 */
export function pourDay(input: PourInput): Operation[] {
  const { piece, people, stations } = input
  const { mould, release, mix, steel } = stations
  const { batches, volumeLitres } = mix.figures
  const top = mould?.figures.top ?? 'rim'
  const closed = top === 'hole'
  const face = !closed && mould?.figures.openFaceM2 !== 0
  const strips = (release?.operations ?? []).filter((op) => op.attitude !== null)
  const steps: Operation[] = []
  const add = (told: Omit<Parameters<typeof operation>[0], 'station' | 'per'>): string => {
    steps.push(operation({ ...told, station: 'pour', per: 'cast' } as Parameters<typeof operation>[0]))
    return told.id
  }

  const readied = [...(mould?.operations ?? []), ...(release?.operations ?? [])]
    .filter((op) => op.attitude === null)
    .map((op) => op.id)
  // A cage goes in over released faces, before the mould is closed round it.
  const closers = mould?.afterRelease ?? []
  const caged = steel.operations.filter((op) => BEFORE.has(op.code))
  for (const op of caged)
    steps.push(
      !BENT.has(op.code)
        ? {
            ...op,
            needs: [...op.needs, ...readied.filter((id) => !closers.includes(id))],
            leads: [...closers],
          }
        : op,
    )
  const checks = readyChecks(input, add, [...readied, ...caged.map((op) => op.id)])
  const [first] = mix.operations
  if (!first) return steps
  steps.push({ ...first, needs: checks })

  const waiting = laidAsFilled(input)
  // Whole bags are more than the cast: what is over stays in the tub, and each batch gives its share of the fill; of coats
  // each its share of its own.
  const { coats } = steel.figures
  const by = piece.pour.compaction ?? usualCompaction(mould, mix.figures)
  const shareOf = (coat: (typeof batches)[number]['coat']): number => {
    const mixed = batches.reduce((sum, b) => (b.coat === coat ? sum + b.litres : sum), 0)
    const wanted = coat === 'face' ? coats?.faceLitres : coat === 'back' ? coats?.backLitres : volumeLitres
    return Math.min(1, (wanted ?? volumeLitres) / mixed)
  }
  const fills = batches.map((b) => b.litres * shareOf(b.coat))
  const highMm = pouredSize(piece.attitude, stations.piece.geometry)[2]
  const lifts = coats
    ? new Map<number, Lift>()
    : liftsOf(by, batches, fills, volumeLitres, highMm, mix.figures.band)
  /** The first batch of the lift that is being filled, and of the one under it. */
  let [begins, under] = [first.id, first.id]
  let litres = 0
  let last = ''
  const compact = ({ number, minutes, litres: inIt }: Lift) =>
    add({
      ...act('compact', {
        tool: by === 'none' ? 'mallet' : by,
        by: closed ? 'hole' : 'open',
        from: hasCorners(stations.piece.geometry) ? 'corners' : 'edge',
        vents: number === lifts.size ? (mould?.figures.vents ?? 0) : 0,
        number,
        liftCount: lifts.size,
        litres: inIt,
        workMinutes: minutes,
        apartMm: POKER.actsMm,
        wet: WET_BANDS.has(mix.figures.band),
      }),
      id: `compact/${number}`,
      minutes,
      needs: [last],
      notAfter: [setSince(SET_PARTS.working, begins)],
    })
  const lay = ({ op }: Laid): string => {
    steps.push({ ...op, needs: [...op.needs, last] })
    return op.id
  }
  batches.forEach((batch, i) => {
    const n = batch.number
    const before = litres
    const fill = fills[i]!
    const mixed = `mix/${n}`
    litres += fill
    if (i > 0) steps.push({ ...mix.operations[i]!, needs: [last] })
    if (batch.coat === 'face' && coats) {
      last = add({
        ...act('place-face', {
          number: n,
          litres: fill,
          faceMm: coats.faceMm,
          by: coats.by,
        }),
        id: `place/${n}`,
        about: [{ kind: 'batch', id: String(n) }],
        minutes: (fill / 10) * (PACE.face10Litres / people),
        hands: people,
        needs: [mixed],
        notAfter: [setSince(SET_PARTS.working, mixed)],
      })
      if (batches[i + 1]?.coat === 'back')
        last = add({
          ...act('wait-face', {}),
          id: 'wait/face',
          needs: [last],
          notBefore: [setSince(SET_PARTS.face, mixed)],
        })
      return
    }
    // Where a mat comes to lie within a batch, that is placed in goes: up to it, and over it.
    const goes: { litres: number; lays: Laid | null }[] = []
    let done = before
    while (waiting[0] && waiting[0].at < litres - NEAR * volumeLitres) {
      const next = waiting.shift()!
      goes.push({ litres: next.at - done, lays: next })
      done = next.at
    }
    goes.push({ litres: litres - done, lays: null })
    last = mixed
    const { slurry } = mix.figures
    // A skin of cement goes on while the first batch stands ready: it may not dry before that is on it.
    const skin = i === 0 && slurry && !closed ? SLURRY.skinMinutes / input.mix.initialSet : null
    if (skin !== null)
      last = add({
        ...act('slurry-face', {
          cementKg: slurry!.cementKg,
          waterLitres: slurry!.waterLitres,
          slurryMm: slurry!.mm,
          skinMinutes: SLURRY.skinMinutes,
        }),
        id: 'slurry',
        minutes: Math.max(LEAST.slurry, (slurry!.areaM2 * PACE.slurryM2) / people),
        hands: people,
        needs: [mixed],
        notAfter: [setSince(SET_PARTS.working, mixed)],
      })
    goes.forEach((go, k) => {
      last = add({
        ...act('place-batch', {
          number: n,
          batches: batches.length,
          litres: go.litres,
          by: closed ? 'hole' : 'open',
          part: go.lays ? 'under' : k === 0 ? 'all' : 'over',
          fillMm: go.lays?.fillMm ?? 0,
        }),
        id: k === 0 ? `place/${n}` : go.lays ? `place/${n}/${k + 1}` : `place/${n}/over`,
        about: [{ kind: 'batch', id: String(n) }],
        minutes:
          ((batch.dryKg * go.litres) / fill / 20) * (carryMinutes(piece.pour) / people) +
          (go.litres / 10) * (PACE.place10Litres / people),
        hands: people,
        needs: [last],
        notAfter: [
          setSince(SET_PARTS.working, mixed),
          ...(skin !== null && k === 0 ? [setSince(skin, 'slurry')] : []),
          ...(i === 0 || batch.coat !== 'all' ? [] : [setSince(SET_PARTS.joins, under)]),
        ],
      })
      // A back coat is rolled on to its face: nothing is rodded.
      if (k === 0 && i > 0 && !closed && batch.coat === 'all')
        last = add({
          ...act('join-lift', { number: n, rodMm: ROD }),
          id: `join/${n}`,
          minutes: PACE.join,
          needs: [last],
          notAfter: [setSince(SET_PARTS.joins, under)],
        })
      if (go.lays) last = lay(go.lays)
    })
    const ended = lifts.get(n)
    if (ended && i < batches.length - 1) {
      last = compact(ended)
      under = begins
      begins = mix.operations[i + 1]!.id
    } else if (i === 0) under = begins
    // What lies where this batch ends; with the last one, all that is left.
    while (waiting[0] && (waiting[0].at <= litres + 1e-9 || i === batches.length - 1))
      last = lay(waiting.shift()!)
  })
  const area = stations.piece.figures.showFaceAreaM2
  const latest = mix.operations.at(-1)!.id
  /** Of the open face: worked no sooner than its youngest concrete wants, and no later than its oldest. */
  const from = (share: number): Condition => setSince(share, latest)
  const until = (share: number): Condition => setSince(share, coats ? latest : begins)
  const ends = lifts.get(batches.at(-1)!.number)
  if (ends) last = compact(ends)
  else if (coats)
    last = add({
      ...act('roll-coats', { goes: coats.goCount }),
      id: 'compact',
      minutes: Math.max(LEAST.roll, (area / 0.25) * ROLL_QUARTER_M2),
      needs: [last],
      notAfter: [setSince(SET_PARTS.working, latest)],
    })
  const knockouts = (mould?.parts ?? []).filter((p) => p.role === 'knockout')
  if (closed)
    last = add({
      ...act('top-up', {}),
      id: 'top-up',
      minutes: PACE.topUp,
      needs: [last],
      notAfter: [until(SET_PARTS.working)],
    })
  else if (!face)
    last = add({
      ...act('shape-back', {}),
      id: 'shape/back',
      minutes: PACE.later,
      needs: [last],
      notAfter: [until(SET_PARTS.trowel)],
    })
  else
    last = add({
      ...act('screed', {
        along: top === 'sides' ? 'sides' : top === 'bridges' ? 'bridges' : 'rim',
        clear: [
          ...(top === 'sides' ? ['the sides’ edges'] : []),
          ...(knockouts.length > 0 ? ['the knockout tops'] : []),
        ],
      }),
      id: 'screed',
      about: knockouts.map((p) => ({ kind: 'part', id: p.id })),
      minutes: Math.max(LEAST.screed, (area * PACE.screedM2) / people),
      hands: Math.min(people, 2),
      needs: [last],
      notAfter: [until(SET_PARTS.working)],
    })

  const placed = last
  const sheen = { needs: [placed], notBefore: [from(SET_PARTS.sheen)] }
  const open = piece.attitude.down === 'top' ? 'bottom' : 'top'
  const before: string[] = [placed]
  if (piece.kind === 'slab' && Object.values(piece.sides).some((side) => edgeSize(side[open]) > 0))
    before.push(
      add({
        ...act('tool-edges', {}),
        id: 'tool/edges',
        minutes: PACE.edges,
        ...sheen,
        notAfter: [until(SET_PARTS.trowel)],
      }),
    )
  const later = mould?.figures.fillLater
  if (later) {
    const ready =
      later === 'upper-form'
        ? [add({ ...act('let-stiffen', {}), id: 'let-stiffen', ...sheen, notAfter: [until(1)] })]
        : before.slice()
    before.push(
      add({
        ...(later === 'aprons'
          ? act('fill-aprons', {})
          : act('fill-upper', { crown: mould?.figures.crownByHand ?? false })),
        id: 'fill/later',
        minutes: PACE.later,
        needs: ready,
        notBefore: [from(SET_PARTS.sheen)],
        notAfter: [until(1)],
      }),
    )
  }
  if (face)
    before.push(
      add({
        ...act('float', {}),
        id: 'float/back',
        minutes: PACE.float,
        needs: before.slice(),
        notBefore: [from(SET_PARTS.sheen)],
        notAfter: [until(1)],
      }),
    )
  const showUp = face && open === 'top' && piece.attitude.down === 'bottom'
  if (showUp)
    before.push(
      add({
        ...act('trowel', { dentMm: DENT }),
        id: 'trowel/show',
        minutes: PACE.trowel,
        needs: before.slice(),
        notBefore: [from(SET_PARTS.trowel)],
        notAfter: [until(1)],
      }),
    )
  const covered = add({
    ...act('cover', { open: !closed }),
    id: 'cover',
    minutes: PACE.cover,
    needs: before.slice(),
    notBefore: [from(SET_PARTS.sheen)],
    leads: strips.map((op) => op.id),
  })
  const cured: Condition = { kind: 'cured', strengthShare: CURED.share, leastMinutes: CURED.minutes }
  add({ ...act('keep-damp', {}), id: 'keep-damp', needs: [covered], until: cured })
  add({ ...act('uncover', {}), id: 'uncover', minutes: PACE.cover, needs: ['keep-damp'], notBefore: [cured] })
  return steps
}

/** What must be done while the concrete still works. */
export const PLACED: ReadonlySet<string> = new Set([
  'place-batch',
  'place-face',
  'roll-coats',
  'join-lift',
  'compact',
  'screed',
  'top-up',
])

/** A share of the cast: a mat so near a batch's end is laid there. */
const NEAR = 0.02

/** Something laid when so much has been placed, litres, and the fill stands so high. */
type Laid = { readonly op: Operation; readonly at: number; readonly fillMm: number }

/** Mats in the order in which the fill reaches them; what is pressed in waits for the last of it. */
function laidAsFilled({ stations: { steel, mix, piece } }: PourInput): Laid[] {
  return steel.operations
    .flatMap((op): Laid[] => {
      if (!LAID.has(op.code) || !('fillMm' in op.facts)) return []
      const fillMm = Number(op.facts.fillMm)
      const share = PUSHED.has(op.code) ? Infinity : fillMm / piece.geometry.thickness
      return [{ op, fillMm, at: share * mix.figures.volumeLitres }]
    })
    .sort((a, b) => a.at - b.at)
}

/** What goes in once all is filled. */
const PUSHED: ReadonlySet<string> = new Set(['press-mat', 'push-bar'])
/** What of the steel goes in as it is filled. */
export const LAID: ReadonlySet<string> = new Set(['lay-mesh', 'lay-bars', 'press-mat', 'push-bar'])
/** What of the steel is done before the first water. */
const BEFORE: ReadonlySet<string> = new Set([
  'bend-bars',
  'bend-strips',
  'stand-cage',
  'tie-void',
  'hang-mat',
  'chair-mat',
])
/** What is bent beforehand, whatever the mould. */
const BENT: ReadonlySet<string> = new Set(['bend-bars', 'bend-strips'])

/** Turns sharper than this are corners, not chords of a curve, rad. */
const CORNER = Math.PI / 9

/** Whether a piece has corners in plan that concrete must be driven into; of an imported one only the box is known. */
export function hasCorners({ kind, outline }: Pick<PieceGeometry, 'kind' | 'outline'>): boolean {
  if (kind === 'imported') return false
  const { points } = loopChords(outline)
  return points.some((own, i) => {
    const [before, after] = [points.at(i - 1)!, points[(i + 1) % points.length]!]
    const [ax, ay, bx, by] = [own[0] - before[0], own[1] - before[1], after[0] - own[0], after[1] - own[1]]
    return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > CORNER
  })
}

type Add = (told: Omit<Parameters<typeof operation>[0], 'station' | 'per'>) => string

/** What is ticked before the first water. */
function readyChecks({ stations }: PourInput, add: Add, readied: readonly string[]): string[] {
  const { mould, release, mix } = stations
  const held =
    mould?.figures.holdDown.filter((h) => !h.building && mould.parts.some((p) => p.id === h.partId)) ?? []
  const bedded = mould?.operations.some((op) =>
    ['bed-in-sand', 'stand-vessel', 'close-shells'].includes(op.code),
  )
  const level = add({
    ...act('check-level', { on: bedded ? 'sand' : 'table', open: mould?.figures.top !== 'hole' }),
    id: 'check/level',
    tick: 'noted',
    minutes: PACE.check,
    needs: readied,
  })
  const fast = add({
    ...act('check-held', {
      parts: held.map((h) => h.name),
      joints: (mould?.parts.length ?? 2) > 1,
    }),
    id: 'check/held',
    // What lifts off its base is not pushed back under wet concrete.
    tick: held.length > 0 ? 'stops' : 'noted',
    about: held.map((h) => ({ kind: 'part', id: h.partId })),
    minutes: PACE.check,
    needs: [level],
  })
  const faces = (release?.operations ?? []).filter(
    (op) => op.attitude === null && op.per === 'cast' && op.tick === null,
  )
  const agents = [
    ...new Set((release?.figures.agents ?? []).filter((a) => a.use === 'release').map((a) => a.agent)),
  ]
  const clean = add({
    ...act('check-released', { agents, film: agents.length === 0 && faces.length > 0 }),
    id: 'check/released',
    tick: 'noted',
    about: [...new Set(faces.flatMap(partIdsOf))].map((id) => ({ kind: 'part', id })),
    minutes: PACE.check,
    needs: [fast],
  })
  const ready = add({
    ...act('check-ready', { waterLitres: mix.figures.waterLitres }),
    id: 'check/ready',
    tick: 'noted',
    minutes: PACE.check,
    needs: [clean],
  })
  return [level, fast, clean, ready]
}
