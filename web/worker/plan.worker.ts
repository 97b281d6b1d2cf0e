import wasm from 'manifold-3d/manifold.wasm?url'
import {
  creaseLines,
  type Kernel,
  meshSolid,
  openKernel,
  outlineFromAbove,
  type Placement,
  recipeKey,
  type SolidRecipe,
  seenLines,
} from '../../core/geometry/index.ts'
import { type HoldAnswer, holdFigure } from '../../core/hold.ts'
import type { Job, Piece } from '../../core/job/index.ts'
import { stationMemo } from '../../core/memo.ts'
import { measuresSolids } from '../../core/mould/index.ts'
import {
  holdDimensions,
  holdFonts,
  inversePlacement,
  pouredPlacement,
  pouredSize,
} from '../../core/piece/index.ts'
import { type PiecePlan, planPiece } from '../../core/plan.ts'
import { teamLimit } from '../../core/pour/index.ts'
import { proveRemedies } from '../../core/remedies.ts'
import { proposeSeams, runPieceChanges, splitRun } from '../../core/runs/index.ts'
import { type Page, sectionDrawing, shopSheet } from '../../core/sheets/index.ts'
import { holdPieceMesh } from './pieceMesh.ts'
import type { PartMesh, Reply, Request, RunAnswer, RunRequest, Scene } from './protocol.ts'

const opening = openKernel({ wasm })
const memo = stationMemo()
const waiting = new Map<string, Request>()
/** What a newer request takes the place of: of a run, its split does not push out a question about it. */
const slotOf = (request: Request): string =>
  request.kind === 'run' ? `run ${request.ask.kind}` : request.kind
let busy = false

/** Of each kind only the newest request counts; older ones are dropped unanswered. */
self.onmessage = ({ data }: MessageEvent<Request>) => {
  waiting.set(slotOf(data), data)
  if (!busy) void work()
}

async function work(): Promise<void> {
  busy = true
  const kernel = await opening
  for (;;) {
    const request = waiting.get('section') ?? waiting.get('plan') ?? [...waiting.values()][0]
    if (!request) break
    waiting.delete(slotOf(request))
    reply({ kind: 'busy', runId: request.runId, on: true })
    try {
      await answer(kernel, request)
    } catch (error) {
      reply({
        kind: 'failed',
        runId: request.runId,
        station: null,
        message: error instanceof Error ? error.message : String(error),
      })
    }
    reply({ kind: 'busy', runId: request.runId, on: false })
    await pause()
  }
  busy = false
}

/** Lets newer messages in. */
const pause = (ms = 0) => new Promise<void>((go) => setTimeout(go, ms))

/** A hand that has not moved for this long rests, ms: then the solid is built. */
const HAND_RESTS = 70
const reply = (message: Reply, transfer: Transferable[] = []) => self.postMessage(message, { transfer })
const pieceOf = (job: Job, id: string): Piece | undefined => job.pieces.find((p) => p.id === id)

async function answer(kernel: Kernel, request: Request): Promise<void> {
  if (request.kind === 'run') {
    reply({ kind: 'run', runId: request.runId, answer: answerRun(kernel, request) })
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
      if (waiting.has('plan')) return
      // Shells and coats take longer than the piece: its own figures do not wait for them.
      if (measuresSolids(piece.mould)) {
        const measured = planPiece(kernel, job, piece, { guessMould: true, memo })
        reply({ kind: 'plan', runId, jobRevision, pieceId, stage: 'figures', plan: measured })
        await pause()
        if (waiting.has('plan')) return
      }
      const plan = planPiece(kernel, job, piece, {
        memo,
        onLayout: (parts, share) => reply({ kind: 'layout', runId, parts, share }),
      })
      reply({ kind: 'plan', runId, jobRevision, pieceId, stage: 'solid', plan })
      await pause()
      if (waiting.has('plan')) return
      const scene = plan.stations.piece?.geometry.recipe ? sceneOf(kernel, piece, plan) : null
      const buffers = scene && [
        ...scene.parts.flatMap(({ mesh, lines }) => [
          mesh.positions.buffer,
          mesh.triangles.buffer,
          mesh.faceOfTriangle.buffer,
          lines.buffer,
        ]),
        scene.seen.poured.buffer,
        scene.seen.placed.buffer,
      ]
      reply({ kind: 'scene', runId, pieceId, scene }, (buffers ?? undefined) as Transferable[] | undefined)
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
        reply({ kind: 'hold', runId, answers, done: false })
        await pause()
        // A newer question, or none of any targets, ends this one.
        if (waiting.has('hold')) return
      }
      reply({ kind: 'hold', runId, answers, done: true })
      return
    }
    case 'pages': {
      const pages = pagesOf(kernel, job, piece)
      reply({ kind: 'pages', runId, pages, why: pages ? null : NO_SHEET })
      return
    }
    case 'sheet':
      await answerSheet(kernel, request, piece)
  }
}

function answerRun(kernel: Kernel, { job, run, ask }: RunRequest): RunAnswer {
  const hardened = job.stock.mixes[0]?.hardenedKgPerM3 ?? 2300
  switch (ask.kind) {
    case 'split':
      return { kind: 'split', split: splitRun(kernel, run, hardened) }
    case 'seams': {
      const longest = Math.max(1000, ...job.stock.boards.map((b) => b.length)) - 100
      const limits = { liftKg: teamLimit(job.settings.people), longest, hardenedKgPerM3: hardened }
      return { kind: 'seams', seams: proposeSeams(run, limits, ask.school) }
    }
    case 'pieces':
      return { kind: 'pieces', changes: runPieceChanges(kernel, job, run, ask) }
  }
}

const NO_SHEET = 'There is no sheet while a finding stops the pour: cure it first.'

/** The screen and the PDF ask for the same pages: they are drawn once. */
const pagesOf = (kernel: Kernel, job: Job, piece: Piece): readonly Page[] | null =>
  memo('pages', recipeKey({ job, pieceId: piece.id }), () => drawPages(kernel, job, piece))

function drawPages(kernel: Kernel, job: Job, piece: Piece): readonly Page[] | null {
  const plan = planPiece(kernel, job, piece, { memo })
  const { piece: pieceStation, steel, mix, pour } = plan.stations
  if (!pieceStation?.geometry.recipe || !steel || !mix || !pour) return null
  const stations = { ...plan.stations, piece: pieceStation, steel, mix, pour }
  const { settings, name: jobName } = job
  return shopSheet(kernel, { jobName, piece, settings, work: plan.work, stations }).pages
}

/** Whether a part's outline from above can be read from its recipe. */
const told = (recipe: SolidRecipe): boolean =>
  recipe.kind === 'prism' ||
  recipe.kind === 'turned' ||
  recipe.kind === 'plate' ||
  (recipe.kind === 'difference' && told(recipe.from))

const STAYS: Placement = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [0, 0, 0] }

function sceneOf(kernel: Kernel, piece: Piece, plan: PiecePlan): Scene {
  const { geometry } = plan.stations.piece!
  const by = pouredPlacement(piece.attitude, geometry)
  const cast: SolidRecipe = { kind: 'moved', solid: geometry.recipe!, by }
  const lies = piece.attitude.down === 'top' || piece.attitude.down === 'bottom'
  const parts = kernel.withSolids((scope) => {
    const part = (
      id: string,
      role: PartMesh['role'],
      recipe: SolidRecipe,
      pull: PartMesh['pull'] = null,
      plan: PartMesh['plan'] = null,
      openingId: string | null = null,
    ): PartMesh => {
      const mesh = meshSolid(scope.solid(recipe))
      return { id, role, openingId, mesh, pull, plan, lines: creaseLines(mesh) }
    }
    return [
      // One that lies on its top or underside is drawn by its own outline.
      part('piece', 'piece', cast, null, lies ? null : outlineFromAbove(kernel, cast)),
      ...geometry.inserts.map((i) =>
        part(`insert/${i.id}`, 'insert', { kind: 'moved', solid: i.recipe, by }),
      ),
      ...(plan.stations.mould?.parts ?? []).map((p) =>
        part(
          p.id,
          p.role,
          p.recipe,
          p.pull,
          told(p.recipe) ? null : outlineFromAbove(kernel, p.recipe),
          p.source.of === 'opening' ? p.source.openingId : null,
        ),
      ),
    ]
  })
  const { xMm, yMm, zMm } = plan.stations.piece!.figures.centreOfGravity
  const body = parts[0]!.mesh
  return {
    parts,
    toPoured: by,
    size: pouredSize(piece.attitude, geometry),
    seen: { poured: seenLines(body, STAYS), placed: seenLines(body, inversePlacement(by)) },
    centre: [xMm, yMm, zMm],
  }
}

async function answerSheet(
  kernel: Kernel,
  request: Extract<Request, { kind: 'sheet' }>,
  piece: Piece,
): Promise<void> {
  const { job, runId, fonts } = request
  const pages = pagesOf(kernel, job, piece)
  if (!pages) {
    reply({ kind: 'sheet', runId, pdf: null, why: NO_SHEET })
    return
  }
  const [{ writePdf }, regular, bold] = await Promise.all([
    import('../../core/sheets/writePdf.ts'),
    bytes(fonts.regular),
    bytes(fonts.bold),
  ])
  const pdf = await writePdf(pages, `${job.name}: ${piece.name}`, { regular, bold })
  reply({ kind: 'sheet', runId, pdf, why: null }, [pdf.buffer as ArrayBuffer])
}

const bytes = async (url: string): Promise<Uint8Array> => {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`the sheet font could not be read: ${url}`)
  return new Uint8Array(await response.arrayBuffer())
}
