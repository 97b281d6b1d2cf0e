import { type Kernel, recipeKey } from '../../core/geometry/index.ts'
import { type HoldAnswer, holdFigure } from '../../core/hold.ts'
import type { Job, Piece } from '../../core/job/index.ts'
import { stationMemo } from '../../core/memo.ts'
import { measuresSolids } from '../../core/mould/index.ts'
import { holdDimensions, holdFonts } from '../../core/piece/index.ts'
import { type PiecePlan, planPiece } from '../../core/plan.ts'
import { proveRemedies } from '../../core/remedies.ts'
import { proposeSeams, runPieceChanges, splitRun } from '../../core/runs/index.ts'
import { type Page, sectionDrawing, shopSheet } from '../../core/sheets/index.ts'
import { shoppingList } from '../../core/shopping.ts'
import { unhandled } from '../../core/unhandled.ts'
import { wordsStyle } from '../../core/units/index.ts'
import { plannedLift } from '../../core/work/index.ts'
import type { Reply, Request, RunAnswer, RunRequest, SheetRequest } from './protocol.ts'
import { buffersOf, sceneOf } from './scene.ts'

export type AnswerHost = {
  readonly kernel: Kernel
  readonly reply: (message: Reply, transfer?: Transferable[]) => void
  /** Gives the kernel the mesh of an imported piece, where the device has it. */
  readonly holdPieceMesh: (kernel: Kernel, piece: Piece) => Promise<void>
  /** Whether a newer request of this kind waits: then what is at work for an older one is let go. */
  readonly newer: (kind: Request['kind']) => boolean
}

/** A hand that has not moved for this long rests, ms: then the solid is built. */
const HAND_RESTS = 70
/** Lets newer messages in. */
const pause = (ms = 0) => new Promise<void>((go) => setTimeout(go, ms))
const pieceOf = (job: Job, id: string): Piece | undefined => job.pieces.find((p) => p.id === id)

/** Answers requests with one kernel and one memory of stations. */
export function answerer({
  kernel,
  reply,
  holdPieceMesh,
  newer,
}: AnswerHost): (request: Request) => Promise<void> {
  const memo = stationMemo()
  /** The screen and the PDF ask for the same pages: they are drawn once. */
  const pagesOf = (job: Job, piece: Piece, plan: PiecePlan): readonly Page[] | null =>
    memo('pages', recipeKey({ job, pieceId: piece.id }), () => drawPages(kernel, job, piece, plan))
  return async (request) => {
    if (request.kind === 'run') {
      reply({ kind: 'run', runId: request.runId, answer: answerRun(kernel, request) })
      return
    }
    if (request.kind === 'shopping') {
      const { job, runId } = request
      const plans: PiecePlan[] = []
      for (const piece of job.pieces) {
        await holdFonts(piece.lettering.map((l) => l.font))
        await holdPieceMesh(kernel, piece)
        plans.push(planPiece(kernel, job, piece, { memo, light: true }))
        const done = plans.length === job.pieces.length
        reply({
          kind: 'shopping',
          runId,
          plannedCount: plans.length,
          pieceCount: job.pieces.length,
          without: plans.filter((p) => !p.stations.mix && !p.panels).map((p) => p.name),
          rows: done ? shoppingList(job, plans, wordsStyle(job.settings)) : null,
        })
        await pause()
        if (newer('shopping')) return
      }
      if (job.pieces.length === 0)
        reply({ kind: 'shopping', runId, plannedCount: 0, pieceCount: 0, without: [], rows: [] })
      return
    }
    const { job, pieceId, runId } = request
    const piece = pieceOf(job, pieceId)
    if (!piece) return
    await holdFonts(piece.lettering.map((l) => l.font))
    await holdPieceMesh(kernel, piece)
    switch (request.kind) {
      case 'plan': {
        const { jobRevision, want, preview } = request
        if (want === 'figures') {
          const plan = planPiece(kernel, job, piece, { quick: true, memo })
          reply({ kind: 'plan', runId, jobRevision, pieceId, stage: 'figures', plan })
          return
        }
        if (preview) await pause(HAND_RESTS)
        if (newer('plan')) return
        // Shells and coats take longer than the piece: its own figures do not wait for them.
        if (measuresSolids(piece.mould)) {
          const measured = planPiece(kernel, job, piece, { guessMould: true, memo })
          reply({ kind: 'plan', runId, jobRevision, pieceId, stage: 'figures', plan: measured })
          await pause()
          if (newer('plan')) return
        }
        const onLayout = (parts: number, share: number) => reply({ kind: 'layout', runId, parts, share })
        // The solid is drawn before it is looked at how thick it is, and how it comes out.
        const drawn = planPiece(kernel, job, piece, { memo, light: true, onLayout })
        const scene = drawn.stations.piece?.geometry.recipe ? sceneOf(kernel, piece, drawn) : null
        reply({ kind: 'scene', runId, pieceId, scene }, scene ? buffersOf(scene) : [])
        await pause()
        if (newer('plan')) return
        const plan = planPiece(kernel, job, piece, {
          memo,
          onLayout,
          onThickness: nowAndThen((share) => reply({ kind: 'thickness', runId, share })),
          onWayOut: nowAndThen((share) => reply({ kind: 'way-out', runId, share })),
        })
        reply({ kind: 'plan', runId, jobRevision, pieceId, stage: 'solid', plan })
        return
      }
      case 'section': {
        const { stations } = planPiece(kernel, job, piece, { quick: true, memo })
        const { attitude, from, to } = request
        const drawing = stations.piece
          ? sectionDrawing(
              kernel,
              { piece, pieceStation: stations.piece, mould: stations.mould, steel: stations.steel, attitude },
              from,
              to,
            )
          : null
        reply({ kind: 'section', runId, drawing })
        return
      }
      case 'remedies':
        reply({
          kind: 'remedies',
          runId,
          plan: proveRemedies(kernel, job, planPiece(kernel, job, piece, { memo }), memo),
        })
        return
      case 'hold': {
        const { dimension, what, targets, min, max } = request
        const held = holdDimensions(piece).find((d) => d.key === dimension)
        const answers: HoldAnswer[] = []
        for (const value of held ? targets : []) {
          const found = holdFigure(kernel, job, piece, held!, { what, value }, { min, max })
          if (found) answers.push(found)
          reply({ kind: 'hold', runId, answers: [...answers], done: false })
          await pause()
          // A newer question, or none of any targets, ends this one.
          if (newer('hold')) return
        }
        reply({ kind: 'hold', runId, answers, done: true })
        return
      }
      case 'pages': {
        const pages = pagesOf(job, piece, request.plan)
        reply({ kind: 'pages', runId, pages, why: pages ? null : NO_SHEET })
        return
      }
      case 'sheet':
        await answerSheet(request, pagesOf(job, piece, request.plan), reply)
        return
      default:
        unhandled(request)
    }
  }
}

function answerRun(kernel: Kernel, { job, run, ask }: RunRequest): RunAnswer {
  const hardened = job.stock.mixes[0]?.hardenedKgPerM3 ?? 2300
  switch (ask.kind) {
    case 'split':
      return { kind: 'split', split: splitRun(kernel, run, hardened) }
    case 'seams': {
      const board = Math.max(1000, ...job.stock.boards.map((b) => b.length)) - 100
      const longest = Math.min(board, ask.throughMm ?? Infinity)
      const limits = { liftKg: plannedLift(job.settings.people), longest, hardenedKgPerM3: hardened }
      return { kind: 'seams', seams: proposeSeams(run, limits, ask.school) }
    }
    case 'pieces':
      return { kind: 'pieces', changes: runPieceChanges(kernel, job, run, ask) }
  }
}

const NO_SHEET = 'There is no sheet while a finding stops the pour: cure it first.'

function drawPages(kernel: Kernel, job: Job, piece: Piece, plan: PiecePlan): readonly Page[] | null {
  const { piece: pieceStation, steel, mix, pour } = plan.stations
  // A sheet that lacks an opening would be built from.
  if (plan.leftOut.length > 0) return null
  if (!pieceStation?.geometry.recipe || !steel || !mix || !pour) return null
  const stations = { ...plan.stations, piece: pieceStation, steel, mix, pour }
  const { settings, name: jobName } = job
  return shopSheet(kernel, { jobName, piece, settings, work: plan.work, stations }).pages
}

async function answerSheet(
  { job, pieceId, runId, fonts }: SheetRequest,
  pages: readonly Page[] | null,
  reply: AnswerHost['reply'],
): Promise<void> {
  if (!pages) {
    reply({ kind: 'sheet', runId, pdf: null, why: NO_SHEET })
    return
  }
  const [{ writePdf }, regular, bold] = await Promise.all([
    import('../../core/sheets/writePdf.ts'),
    bytes(fonts.regular),
    bytes(fonts.bold),
  ])
  const pdf = await writePdf(pages, `${job.name}: ${pieceOf(job, pieceId)?.name ?? ''}`, { regular, bold })
  reply({ kind: 'sheet', runId, pdf, why: null }, [pdf.buffer as ArrayBuffer])
}

const bytes = async (url: string): Promise<Uint8Array> => {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`the sheet font could not be read: ${url}`)
  return new Uint8Array(await response.arrayBuffer())
}

/** What is quick is not told how far it is; what is slow now and then, ms. */
const [SLOW, APART] = [400, 200]

/** Tells how far something is once it is slow, and not at every step. */
function nowAndThen(tell: (share: number) => void): (share: number) => void {
  const begun = performance.now()
  let last = 0
  return (share) => {
    const now = performance.now()
    if (now - begun < SLOW || now - last < APART) return
    last = now
    tell(share)
  }
}
