import fs from 'node:fs'
import { fileURLToPath } from 'node:url'
import { holdMeshesBeside } from '../cli/meshesBeside.ts'
import type { Kernel } from '../core/geometry/index.ts'
import { type Job, type Piece, readJob } from '../core/job/index.ts'
import { stationMemo } from '../core/memo.ts'
import { holdFonts, LETTER_FONTS } from '../core/piece/index.ts'
import { planPiece } from '../core/plan.ts'

/** The demo job, its fonts and its mesh held. */
export async function openDemo(kernel: Kernel): Promise<Job> {
  const file = fileURLToPath(new URL('../demo/kestrel-rise.hollow.json', import.meta.url))
  const read = readJob(fs.readFileSync(file, 'utf8'))
  if (!read.ok) throw new Error('The demo job does not read.')
  await holdFonts(LETTER_FONTS.map((f) => f.id))
  holdMeshesBeside(kernel, file, read.job)
  return read.job
}

/**
 * Edits every piece of a job `runs` times: milliseconds to its figures, from there to its measured solid, and from there to
 * the parts of its mould, sorted. As on screen, each takes what the figures of the same edit already know; no edit is met twice.
 */
export function editAll(
  kernel: Kernel,
  job: Job,
  runs: number,
): { figures: number[]; solid: number[]; mould: number[] } {
  const memo = stationMemo()
  const timed = { figures: [] as number[], solid: [] as number[], mould: [] as number[] }
  for (const piece of job.pieces)
    for (let i = -1; i < runs; i++) {
      const next = edited(piece, i + 1)
      const start = performance.now()
      planPiece(kernel, job, next, { quick: true, memo })
      const between = performance.now()
      planPiece(kernel, job, next, { guessMould: true, memo })
      const solid = performance.now()
      planPiece(kernel, job, next, { memo })
      if (i < 0) continue
      timed.figures.push(between - start)
      timed.solid.push(solid - between)
      timed.mould.push(performance.now() - solid)
    }
  timed.figures.sort((a, b) => a - b)
  timed.solid.sort((a, b) => a - b)
  timed.mould.sort((a, b) => a - b)
  return timed
}

/** One measure of the piece a little changed. */
function edited(piece: Piece, i: number): Piece {
  const by = (i + 1) / 100
  switch (piece.kind) {
    case 'slab':
    case 'fitted':
      return { ...piece, thickness: piece.thickness + by }
    case 'swept':
      return { ...piece, width: piece.width + by }
    case 'box':
      return { ...piece, height: piece.height + by }
    case 'imported':
      return { ...piece, mmPerUnit: piece.mmPerUnit * (1 + by / 100) }
    case 'turned':
      return 'height' in piece.turned
        ? { ...piece, turned: { ...piece.turned, height: piece.turned.height + by } }
        : { ...piece, bore: piece.bore + by }
  }
}
