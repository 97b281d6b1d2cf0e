import { type FinishStation, planFinishStation } from './finish/index.ts'
import type { Kernel } from './geometry/index.ts'
import { isGlued, type PanelOfBox, planGluedBox } from './gluedBox.ts'
import { type Finding, type Job, type Piece, rankFindings, type StationName } from './job/index.ts'
import { type LeftOut, leaveOut } from './leftOut.ts'
import { type LogStation, planLogStation } from './log/index.ts'
import { type Asks, type MixStation, planMixStation } from './mix/index.ts'
import {
  isOpen,
  layAgain,
  type MouldStation,
  measuresSolids,
  planMouldStation,
  turnedWith,
} from './mould/index.ts'
import { asCast, describePiece, type PieceStation, planPieceStation } from './piece/index.ts'
import { type PourStation, planPourStation, rehearsed } from './pour/index.ts'
import { planReleaseStation, type ReleaseStation } from './release/index.ts'
import { type SheetsFigures, sheetFigures } from './sheets/index.ts'
import { type Memo, noMemo, pieceWith, type Result, runStation } from './station.ts'
import { mixedIn, planSteelStation, type SteelStation, suctionOf } from './steel/index.ts'
import { type Mix, USUAL_DENSITY, withRecipes } from './stock/index.ts'
import { orderOperations, type Timed } from './work/index.ts'

export type Stations = {
  readonly piece: PieceStation | null
  readonly mould: MouldStation | null
  readonly steel: SteelStation | null
  readonly release: ReleaseStation | null
  readonly mix: MixStation | null
  readonly pour: PourStation | null
  readonly finish: FinishStation | null
  readonly log: LogStation | null
  readonly sheets: { readonly figures: SheetsFigures; readonly findings: readonly Finding[] } | null
}

export type PiecePlan = {
  readonly id: string
  readonly name: string
  /** What of it cannot be as it is: the stations plan the piece without it, and no sheet is made. */
  readonly leftOut: readonly LeftOut[]
  readonly stations: Stations
  /** Everything that is done, in order: with times where the pour is planned, without where it is not. */
  readonly work: readonly Timed[]
  /** Of a box that is glued up: its panels, each a piece of its own. The stations after the first are theirs. */
  readonly panels: readonly PanelOfBox[] | null
  /** What of it is still guessed from sizes, and therefore neither printed nor exported. */
  readonly guessed: { readonly mould: boolean }
  /** Worst first. */
  readonly findings: readonly Finding[]
  /** Stations that failed by a fault of ours; the others stand. */
  readonly failed: readonly { readonly station: StationName; readonly message: string }[]
}

/** Whether an imported piece's mesh has come: its plan changes when it does. */
const heldMeshes = (kernel: Kernel, piece: Piece): boolean =>
  piece.kind !== 'imported' || kernel.hasMesh(piece.file.id)

export type PlanOptions = {
  /** Figures from exact sums, without building the solid. */
  readonly quick?: boolean
  /** The piece is measured, its mould still guessed from sizes: shells and coats take longer than the piece. */
  readonly guessMould?: boolean
  /** Piece and mould are measured; what takes longer is left: how thick it is, and its way out. */
  readonly light?: boolean
  /** Thickness is looked for in the solid although the rest is quick: what cures a thin place is known only then. */
  readonly thick?: boolean
  readonly memo?: Memo
  readonly shouldStop?: () => boolean
  /** How often the usual count of work the sheets and bars are looked for with. */
  readonly effort?: number
  /** Of a long cut list: how many parts are laid out, and how far the search is, 0 to 1. */
  readonly onLayout?: (parts: number, share: number) => void
  /** How far the look for its thickness is, 0 to 1. */
  readonly onThickness?: (share: number) => void
  /** How far the look for its way out of the mould is, 0 to 1. */
  readonly onWayOut?: (share: number) => void
}

/**
 * The line, station after station: each takes the document and the stations before it. A station that cannot be worked
 * out is null and its findings say why; those after it that need it are null too.
 */
export function planPiece(kernel: Kernel, job: Job, asked: Piece, options: PlanOptions = {}): PiecePlan {
  const {
    quick = false,
    guessMould = false,
    light = false,
    thick = !quick && !light,
    memo = noMemo,
    shouldStop,
    onLayout,
  } = options
  const { settings } = job
  const stock = withRecipes(job.stock)
  const findings: Finding[] = []
  const failed: { station: StationName; message: string }[] = []
  /** A station that fails takes nothing else down: it is null, and told. */
  const attempt = <T extends { readonly findings: readonly Finding[] }>(
    station: StationName,
    work: () => Result<T>,
  ): Result<T> | null => {
    try {
      const result = work()
      findings.push(...result.value.findings)
      return result
    } catch (error) {
      failed.push({ station, message: error instanceof Error ? error.message : String(error) })
      return null
    }
  }
  const mixRow = stock.mixes.find((m) => m.id === asked.mix.mix)
  const mixer = stock.mixers.find((m) => m.id === asked.mix.mixer)
  const mix = mixRow ?? stock.mixes[0]
  const hardened = mixRow?.hardenedKgPerM3 ?? USUAL_DENSITY.hardenedKgPerM3
  const fresh = mix?.freshKgPerM3 ?? USUAL_DENSITY.freshKgPerM3
  const mesh = heldMeshes(kernel, asked)
  const runPiece = (of: Piece) => {
    const shape = pieceWith(of, 'exposure')
    return runStation(memo, 'piece', { shape, hardened, quick, mesh }, (i) =>
      planPieceStation(
        kernel,
        i.shape,
        i.hardened,
        i.quick,
        runStation(memo, 'described', { shape, mesh }, ({ shape: told }) => describePiece(kernel, told))
          .value,
      ),
    )
  }
  const whole = attempt('piece', () => runPiece(asked))
  // What a stop does not touch is planned: the piece without the openings and features that cannot be.
  const { piece, pieceRun, leftOut } = withoutStopped(job, asked, whole, runPiece)
  const glued =
    isGlued(piece) && pieceRun?.value.geometry.recipe
      ? (attempt('mould', () => ({ resultKey: '', value: planGluedBox(job, piece) }))?.value ?? null)
      : null
  // What is glued up is not cast: the stations after the first answer for its panels.
  const castRun = isGlued(piece) ? null : pieceRun
  const mouldRun = present(
    castRun &&
      attempt('mould', () =>
        runStation(
          memo,
          'mould',
          {
            piece: pieceWith(asCast(piece), 'mould', 'plannedCasts', 'mouldCount'),
            pieceStation: castRun,
            stock,
            fresh,
            quick: quick || guessMould,
          },
          (i) =>
            planMouldStation(
              i.piece,
              i.pieceStation,
              i.stock,
              { freshKgPerM3: i.fresh },
              {
                kernel,
                quick: i.quick,
                ...(shouldStop && { shouldStop }),
                ...(onLayout && { onProgress: onLayout }),
              },
            ),
        ),
      ),
  )
  const steelRun =
    castRun && mix
      ? attempt('steel', () =>
          runStation(
            memo,
            'steel',
            {
              piece: pieceWith(piece, 'steel', 'exposure', 'mix', 'pour', 'plannedCasts'),
              people: settings.people,
              pieceStation: castRun,
              meshes: stock.meshes,
              bars: stock.bars,
              suctionKPa: suctionOf(piece, stock),
              // Of a mould that cannot be planned it is not known what turns with the piece.
              turn: mouldRun
                ? { withKg: turnedWith(mouldRun.value.off, mouldRun.value.figures.parts) }
                : null,
              mix,
              mixes: stock.mixes,
              quick: !thick,
            },
            (i) =>
              planSteelStation(
                kernel,
                i.piece,
                i.pieceStation,
                i.meshes,
                i.mix,
                i,
                memo,
                options.onThickness,
              ),
          ),
        )
      : null
  const releaseRun =
    castRun && mouldRun
      ? attempt('release', () =>
          runStation(
            memo,
            'release',
            {
              piece: pieceWith(asCast(piece), 'mould', 'release', 'finish', 'plannedCasts', 'mouldCount'),
              pieceStation: castRun,
              mould: mouldRun,
              earlier: { steel: steelRun },
              agents: stock.agents,
              sealers: stock.sealers,
              rubbers: stock.rubbers,
              boards: stock.boards,
              fresh,
              suctionKPa: suctionOf(piece, stock),
              quick: quick || guessMould || light,
            },
            (i) =>
              planReleaseStation(
                kernel,
                {
                  piece: i.piece,
                  pieceStation: i.pieceStation,
                  mould: i.mould,
                  steel: i.earlier.steel,
                  stock: { agents: i.agents, sealers: i.sealers, rubbers: i.rubbers, boards: i.boards },
                  freshKgPerM3: i.fresh,
                  suctionKPa: i.suctionKPa,
                  quick: i.quick,
                },
                memo,
                options.onWayOut,
              ),
          ),
        )
      : null
  const mixRun = present(
    castRun &&
      attempt('mix', () =>
        runStation(
          memo,
          'mix',
          {
            piece: pieceWith(piece, 'mix', 'quantity'),
            pieceStation: castRun,
            mixes: stock.mixes,
            recipes: stock.recipes,
            mixers: stock.mixers,
            doses: stock.doses,
            metal: hasMetal(piece, stock),
            asks: mouldRun && asksOf(piece, castRun.value, mouldRun.value),
            steel: piece.steel.kind === 'fibre' || piece.steel.kind === 'coats' ? piece.steel : null,
          },
          (i) => {
            const row = i.mixes.find((m) => m.id === i.piece.mix.mix)
            const inside = i.steel && row && mixedIn(piece, i.pieceStation, row.freshKgPerM3)
            return planMixStation(
              i.piece,
              i.pieceStation,
              { mixes: i.mixes, recipes: i.recipes, mixers: i.mixers, doses: i.doses },
              inside,
              i.metal,
              i.asks,
            )
          },
        ),
      ),
  )
  const pourable = castRun?.value.geometry.recipe != null
  // A mould without its release is no ground for a day: what failed is told.
  const released = (mouldRun === null) === (releaseRun === null)
  const pourRun =
    castRun && pourable && steelRun && mixRun && mixRow && mixer && released
      ? attempt('pour', () =>
          runStation(
            memo,
            'pour',
            {
              piece: pieceWith(piece, 'pour', 'mix'),
              people: settings.people,
              hours: settings.hours,
              stock: {
                mixers: stock.mixers,
                doses: stock.doses,
                mixes: stock.mixes,
                filaments: stock.filaments,
              },
              filament: piece.mould.method === 'printed' ? piece.mould.filament : null,
              mix: setBy(mixRow, mixRun.value.figures.setShare),
              before: { piece: castRun, steel: steelRun, mix: mixRun },
              mould: { mould: mouldRun, release: releaseRun },
              rehearse: thick,
            },
            ({ piece: told, hours, people, mix: row, stock: rows, filament, before, mould, rehearse }) => {
              const input = {
                piece: told,
                people,
                hours,
                mix: row,
                stock: rows,
                filament,
                stations: { ...before, ...mould },
              }
              const planned = planPourStation(input)
              return rehearse ? rehearsed(input, planned) : planned
            },
          ),
        )
      : null
  const finishRun =
    castRun && pourRun
      ? present(
          attempt('finish', () =>
            runStation(
              memo,
              'finish',
              {
                piece: pieceWith(piece, 'finish', 'exposure'),
                sealers: stock.sealers,
                before: { piece: castRun, pour: pourRun },
                mould: { mould: mouldRun, release: releaseRun },
              },
              ({ piece: told, sealers, before, mould }) =>
                planFinishStation(told, { ...before, ...mould }, { sealers }),
            ),
          ),
        )
      : null
  const logRun =
    castRun && mixRun && pourRun && mixRow
      ? attempt('log', () =>
          runStation(
            memo,
            'log',
            {
              pieceId: piece.id,
              pours: job.pours,
              mix: mixRow,
              before: { piece: castRun, mix: mixRun, pour: pourRun },
            },
            (i) => planLogStation(i.pieceId, i.pours, i.before, i.mix),
          ),
        )
      : null
  const mould = mouldRun && laidWith(memo, mouldRun, piece, stock, options.effort ?? 1)
  const release = releaseRun?.value ?? null
  const finish = finishRun?.value ?? null
  const pour = pourRun?.value ?? null
  const work =
    finish?.work ??
    pour?.work ??
    untimed(glued?.operations ?? [...(mould?.operations ?? []), ...(release?.operations ?? [])])
  const sheetsRun =
    castRun && pourable && steelRun && mixRun && pourRun && leftOut.length === 0
      ? attempt('sheets', () =>
          runStation(
            memo,
            'sheets',
            {
              piece,
              settings,
              jobName: job.name,
              before: { piece: castRun, steel: steelRun, mix: mixRun, pour: pourRun },
              mould: { mould: mouldRun, release: releaseRun },
              finish: { finish: finishRun },
            },
            (i) => ({
              figures: sheetFigures({
                jobName: i.jobName,
                piece: i.piece,
                settings: i.settings,
                work,
                stations: { ...i.before, ...i.mould, finish },
              }),
              findings: [],
            }),
          ),
        )
      : null
  return {
    id: asked.id,
    name: asked.name,
    leftOut,
    stations: {
      piece: pieceRun?.value ?? null,
      mould,
      steel: steelRun?.value ?? null,
      release,
      mix: mixRun?.value ?? null,
      pour,
      finish,
      log: logRun?.value ?? null,
      sheets: sheetsRun?.value ?? null,
    },
    work,
    panels: glued?.panels ?? null,
    guessed: { mould: (quick || guessMould) && measuresSolids(piece.mould) },
    findings: rankFindings(findings),
    failed,
  }
}

/** The piece to plan on: as it was asked for where it can be built, else without what stops it, as far as that helps. */
function withoutStopped(
  job: Job,
  asked: Piece,
  run: Result<PieceStation> | null,
  runPiece: (piece: Piece) => Result<PieceStation>,
): { piece: Piece; pieceRun: Result<PieceStation> | null; leftOut: readonly LeftOut[] } {
  const stopped = (of: Result<PieceStation>) => of.value.findings.some((f) => f.level === 'stop')
  const asIs = { piece: asked, pieceRun: run, leftOut: [] }
  if (!run || !stopped(run)) return asIs
  const less = leaveOut(job, asked, run.value.findings)
  if (!less) return asIs
  const again = runPiece(less.piece)
  return stopped(again) || !again.value.geometry.recipe
    ? asIs
    : { piece: less.piece, pieceRun: again, leftOut: less.leftOut }
}

/** The mould with its sheets and bars as so much work finds them: nothing after it is reckoned from them. */
function laidWith(
  memo: Memo,
  run: Result<MouldStation>,
  piece: Piece,
  stock: Job['stock'],
  effort: number,
): MouldStation {
  if (effort <= run.value.figures.layoutEffort || !isOpen(run.value.figures)) return run.value
  return runStation(
    memo,
    'laid',
    { mould: run, piece: pieceWith(piece, 'mould', 'mouldCount'), stock, effort },
    (i) => ({
      ...i.mould,
      figures: { ...i.mould.figures, ...layAgain(i.mould.figures, { ...i.piece, stock: i.stock }, i.effort) },
    }),
  ).value
}

/** Whether steel, wire or another metal lies in a piece: all that is not said to be glass or plastic. */
function hasMetal(piece: Piece, { meshes, bars }: Job['stock']): boolean {
  const { steel } = piece
  const { rails, corners, hoops, cage, ribs, own, row } = steel.bars
  const barred = rails || corners || hoops || cage || ribs || own.length > 0
  const glass = bars.find((b) => b.id === row)?.material === 'glass-fibre'
  const mesh = steel.kind === 'mesh' && meshes.find((m) => m.id === steel.mesh)?.finish !== 'ar-glass'
  const sleeve = piece.kind === 'turned' && piece.sleeve !== null && piece.sleeve.material !== 'pvc'
  return mesh || (barred && !glass) || sleeve || piece.inserts.some((i) => i.material !== 'pvc')
}

/** What a mould asks of how its mix runs. */
const asksOf = (
  { mould: { method } }: Piece,
  { geometry }: PieceStation,
  { figures }: MouldStation,
): Asks => ({
  method,
  hole: figures.top === 'hole',
  stacked: figures.fillLater !== null,
  relief: geometry.relief.top > 0 || geometry.relief.bottom > 0 || geometry.formed.length > 0,
})

/** A mix as its doses make it set. */
const setBy = (mix: Mix, share: number): Mix =>
  share === 1 ? mix : { ...mix, initialSet: mix.initialSet * share, finalSet: mix.finalSet * share }

/** The run of a station that may have none to give: null where it has none, under the same key where it has. */
const present = <T>(run: Result<{ readonly station: T | null }> | null): Result<T> | null =>
  run?.value.station ? { resultKey: run.resultKey, value: run.value.station } : null

/** In order, with no times: nothing is poured yet. */
const untimed = (operations: Parameters<typeof orderOperations>[0]): Timed[] =>
  orderOperations(operations).operations.map((op) => ({
    ...op,
    startMinutes: null,
    endMinutes: null,
    latestMinutes: null,
  }))
