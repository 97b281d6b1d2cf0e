import { type FinishStation, planFinishStation } from './finish/index.ts'
import type { Kernel } from './geometry/index.ts'
import { type Finding, type Job, type Piece, rankFindings, type StationName } from './job/index.ts'
import { type LogStation, planLogStation } from './log/index.ts'
import { type Memo, noMemo } from './memo.ts'
import { type MixStation, planMixStation } from './mix/index.ts'
import { type MouldStation, planMouldStation } from './mould/index.ts'
import { describePiece, type PieceStation, planPieceStation } from './piece/index.ts'
import { type PourStation, planPourStation } from './pour/index.ts'
import { planReleaseStation, type ReleaseStation } from './release/index.ts'
import { type SheetsFigures, sheetFigures } from './sheets/index.ts'
import { planSteelStation, type SteelStation } from './steel/index.ts'

/** Density where no mix is chosen, so that the piece still has a weight; a finding says that the mix is missing. */
const USUAL_KG_PER_M3 = 2300

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
  readonly stations: Stations
  /** Worst first. */
  readonly findings: readonly Finding[]
  /** Stations that failed by a fault of ours; the others stand. */
  readonly failed: readonly { readonly station: StationName; readonly message: string }[]
}

/** What the solid depends on: everything about the piece but the choices of later stations and how many are made. */
function shapeOf(piece: Piece): Record<string, unknown> {
  const {
    name,
    quantity,
    mouldCount,
    plannedCasts,
    exposure,
    run,
    mould,
    steel,
    release,
    mix,
    pour,
    finish,
    ...shape
  } = piece
  return shape
}

/** Whether an imported piece's mesh has come: its plan changes when it does. */
const heldMeshes = (kernel: Kernel, piece: Piece): boolean =>
  piece.kind !== 'imported' || kernel.hasMesh(piece.file.id)

export type PlanOptions = {
  /** Figures from exact sums, without building the solid. */
  readonly quick?: boolean
  /** The piece is measured, its mould still guessed from sizes: shells and coats take longer than the piece. */
  readonly guessMould?: boolean
  readonly memo?: Memo
  readonly shouldStop?: () => boolean
  /** Of a long cut list: how many parts are laid out, and how far the search is, 0 to 1. */
  readonly onLayout?: (parts: number, share: number) => void
}

/**
 * The line, station after station: each takes the document and the stations before it. A station that cannot be worked
 * out is null and its findings say why; those after it that need it are null too.
 */
export function planPiece(kernel: Kernel, job: Job, piece: Piece, options: PlanOptions = {}): PiecePlan {
  const { quick = false, guessMould = false, memo = noMemo, shouldStop, onLayout } = options
  const { stock, settings } = job
  const findings: Finding[] = []
  const failed: { station: StationName; message: string }[] = []
  const attempt = <T>(station: StationName, work: () => T): T | null => {
    try {
      return work()
    } catch (error) {
      failed.push({ station, message: error instanceof Error ? error.message : String(error) })
      return null
    }
  }
  const keep = <T extends { readonly findings: readonly Finding[] }>(result: T | null): T | null => {
    if (result) findings.push(...result.findings)
    return result
  }
  const shape = shapeOf(piece)
  const mixRow = stock.mixes.find((m) => m.id === piece.mix.mix)
  const mixer = stock.mixers.find((m) => m.id === piece.mix.mixer)
  const mixForWork = mixRow ?? stock.mixes[0]

  const hardened = mixRow?.hardenedKgPerM3 ?? USUAL_KG_PER_M3
  const pieceStation = keep(
    attempt('piece', () =>
      memo('piece', { shape, hardened, quick, meshes: heldMeshes(kernel, piece) }, () =>
        planPieceStation(
          kernel,
          piece,
          hardened,
          quick,
          memo('described', { shape, meshes: heldMeshes(kernel, piece) }, () => describePiece(kernel, piece)),
        ),
      ),
    ),
  )
  const mould =
    pieceStation && mixForWork
      ? (keep(
          attempt('mould', () =>
            memo(
              'mould',
              {
                shape,
                choice: piece.mould,
                meshes: heldMeshes(kernel, piece),
                casts: piece.plannedCasts,
                moulds: piece.mouldCount,
                stock,
                edges: piece.release.edgeSeal,
                fresh: mixForWork.freshKgPerM3,
                quick: quick || guessMould,
              },
              () =>
                planMouldStation(piece, pieceStation, stock, mixForWork, {
                  kernel,
                  quick: quick || guessMould,
                  ...(shouldStop && { shouldStop }),
                  ...(onLayout && { onProgress: onLayout }),
                }),
            ),
          ),
        )?.station ?? null)
      : null
  const steel =
    pieceStation && mixForWork
      ? keep(
          attempt('steel', () =>
            memo(
              'steel',
              {
                shape,
                quick,
                choice: piece.steel,
                exposure: piece.exposure,
                mesh: stock.meshes,
                mix: mixForWork,
              },
              () => planSteelStation(kernel, piece, pieceStation, stock, mixForWork),
            ),
          ),
        )
      : null
  const release =
    pieceStation && mould
      ? keep(
          attempt('release', () =>
            memo(
              'release',
              {
                shape,
                choices: [piece.mould, piece.release, piece.finish],
                stock: [stock.agents, stock.boards, stock.sealers],
              },
              () => planReleaseStation(kernel, piece, pieceStation, mould, stock),
            ),
          ),
        )
      : null
  const mix = pieceStation
    ? (keep(attempt('mix', () => planMixStation(piece, pieceStation, stock)))?.station ?? null)
    : null
  const buildable = pieceStation?.geometry.recipe != null
  const pour =
    pieceStation && buildable && steel && mix && mixRow && mixer && (mould !== null) === (release !== null)
      ? keep(
          attempt('pour', () =>
            planPourStation({
              piece,
              settings,
              mix: mixRow,
              mixer,
              stations: { piece: pieceStation, mould, steel, release, mix },
            }),
          ),
        )
      : null
  const finish =
    pieceStation && steel && pour
      ? (keep(attempt('finish', () => planFinishStation(piece, { piece: pieceStation, steel, pour }, stock)))
          ?.station ?? null)
      : null
  const log =
    pieceStation && mix && pour && mixRow
      ? keep(
          attempt('log', () => planLogStation(piece, job.pours, { piece: pieceStation, mix, pour }, mixRow)),
        )
      : null
  const sheets =
    pieceStation && buildable && steel && mix && pour
      ? attempt('sheets', () => ({
          figures: sheetFigures({
            jobName: job.name,
            piece,
            settings,
            stations: { piece: pieceStation, mould, steel, release, mix, pour, finish },
          }),
          findings: [],
        }))
      : null
  return {
    id: piece.id,
    name: piece.name,
    stations: { piece: pieceStation, mould, steel, release, mix, pour, finish, log, sheets },
    findings: rankFindings(findings),
    failed,
  }
}
