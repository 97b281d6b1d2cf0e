import fs from 'node:fs'
import { describe, expect, it } from 'vitest'
import { openKernel } from '../../core/geometry/index.ts'
import {
  emptyJob,
  type Job,
  type MethodId,
  type MouldPatch,
  mouldDefaults,
  type NewPiece,
  newBox,
  newFitted,
  newImported,
  newSwept,
  type Piece,
  withChoice,
} from '../../core/job/index.ts'
import { METHODS } from '../../core/mould/index.ts'
import { holdFonts } from '../../core/piece/index.ts'
import { planPiece } from '../../core/plan.ts'
import { prepareMesh } from '../../core/readers/index.ts'
import { proveRemedies } from '../../core/remedies.ts'
import { stationMemo } from '../../core/station.ts'
import { type Stock, startingStock } from '../../core/stock/index.ts'
import { FULL } from '../../core/testing/rounds.ts'
import { shopUnits, wordsStyle } from '../../core/units/index.ts'
import { explain } from '../../core/words.ts'
import { tell } from '../../core/work/index.ts'
import { inShopSizes } from './shopSizes.ts'
import { STARTS } from './starts.ts'

const kernel = await openKernel({ coarser: 6 })
await holdFonts(['condensed-bold'])
const read = prepareMesh('star.stl', fs.readFileSync('demo/star-tile.stl'))
if (!read.ok) throw new Error('the star does not read')
kernel.holdMesh(read.id, read.mesh)
const star = read

const ID = /\b(side|opening|strip|shell|knockout|piece|layer|form)[-/][a-z0-9]+/
const NONE = /undefined|NaN|Infinity|\[object/
/** Metric units outside the names of what is sold by them. */
const METRIC = /\d ?(mm|cm|kg|MPa|kPa|L|N|m|m²|°C)(?![\p{L}\p{N}’])(?! nozzle)/u

/** Stops whose way out is told and not pressed: the station's own search, another piece or board. */
const IN_WORDS: ReadonlySet<string> = new Set(['part-trapped'])

/** What is wrong with what a maker is told of a piece. */
function faults(job: Job, piece: Piece): string[] {
  const plan = planPiece(kernel, job, piece)
  const us = job.settings.units === 'inch'
  const style = wordsStyle({ ...job.settings })
  const wrong = plan.failed.map((f) => `${f.station} failed: ${f.message}`)
  const look = (text: string) => {
    if (ID.test(text)) wrong.push(`an id in “${text}”`)
    if (NONE.test(text)) wrong.push(`no value in “${text}”`)
    if (us && METRIC.test(text)) wrong.push(`metric in “${text}”`)
  }
  const stops = plan.findings.some((f) => f.level === 'stop')
  const findings = stops ? proveRemedies(kernel, job, plan, stationMemo()).findings : plan.findings
  for (const finding of findings) {
    const { what, why } = explain(finding, style)
    look(`${what}. ${why}`)
    if (finding.level === 'stop' && finding.remedies.length === 0 && !IN_WORDS.has(finding.code))
      wrong.push(`no remedy for “${what}”`)
  }
  for (const { text } of tell(plan.work, style)) look(text)
  return [...new Set(wrong)]
}

const AS_IT_COMES: MouldPatch = {}
/** What is chosen within a way of building beside what it comes with: all by `npm run properties`, else nothing. */
function choicesOf(method: MethodId, piece: Piece): readonly MouldPatch[] {
  if (!FULL) return [AS_IT_COMES]
  if (method === 'board-box') {
    const openings = piece.kind === 'slab' ? piece.openings.map((o) => o.id) : []
    return [
      AS_IT_COMES,
      ...(['angled-screws', 'brads', 'instant-glue', 'hot-glue', 'tape'] as const).map((fixing) => ({
        fixing,
      })),
      { school: 'stand', braceSpacing: 300, braceRows: 2 },
      ...(openings.length === 0 ? [] : (['edge', 'split', 'foam', 'tube'] as const)).map((kind) => ({
        knockoutKinds: Object.fromEntries(openings.map((o) => [o, kind])),
      })),
    ]
  }
  if (method === 'block') return [AS_IT_COMES, { rubberParts: 2, rubberOver: 8, rubberWaste: 0 }]
  if (method === 'brushed') return [AS_IT_COMES, { coats: 1, rim: 0, brushWaste: 0 }]
  if (method === 'planks')
    return [AS_IT_COMES, { core: 'collapsible', corners: 'ends-long' }, { corners: 'pinwheel', battens: 200 }]
  if (method === 'ring') return [AS_IT_COMES, { overlap: 0 }]
  if (method === 'found')
    return [
      AS_IT_COMES,
      { stands: 'upside-down', bag: true },
      { stands: 'joined', comesOff: 'left-on' },
      { comesOff: 'cut' },
    ]
  return [AS_IT_COMES]
}

type Make = (told: NewPiece, stock: Stock) => Piece
/** Pieces far from a slab that no start makes as they are: what was read from a file, what is all flat faces. */
const BESIDE: readonly { readonly name: string; readonly make: Make }[] = [
  {
    name: 'read from a file',
    make: (told, stock) =>
      newImported(
        told,
        stock,
        {
          id: star.id,
          name: 'star.stl',
          triangles: star.mended.triangleCount,
          extents: [...star.mended.extents],
        },
        1,
      ),
  },
  {
    name: 'a planter with square corners',
    make: (told, stock) =>
      newBox(told, stock, { radiusInside: 0, radiusOutside: 0, wall: 60, floor: 55, taper: 0 }),
  },
  {
    name: 'a step of straight lines',
    make: (told, stock) =>
      newSwept(told, stock, {
        corners: [
          [0, 0],
          [600, 0],
          [600, 180],
          [300, 180],
          [300, 360],
          [0, 360],
        ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: { kind: 'line' } })),
      }),
  },
  {
    name: 'a plate for a square opening',
    make: (told, stock) =>
      newFitted(told, stock, {
        measured: { kind: 'rectangle', front: 400, right: 300, back: 400, left: 300, diagonal: null },
      }),
  },
]

describe.each(['metric', 'us'] as const)('every start by every method, in a shop that is %s', (sold) => {
  const stock = startingStock(sold)
  const empty = emptyJob('j', 'J', stock)
  const settings = { ...empty.settings, ...shopUnits(sold === 'us' ? 'inch' : 'mm') }
  const starts = [...STARTS.flatMap((group) => group.starts), ...BESIDE]
  it.each(starts.map((start, i) => [start.name, start, i] as const))('%s', (_, start, i) => {
    const base = inShopSizes(
      start.make({ id: 'p', name: start.name, start: '2026-05-30T09:00', zone: 'UTC' }, stock),
      settings.units,
    )
    const able = METHODS.filter((m) => m.misfit(base) === null).map((m) => m.id)
    // A test run takes each start as it comes and by one more method; `npm run properties` takes all.
    const methods = FULL
      ? able
      : [...new Set([base.mould.method, able[(i * 5 + (sold === 'us' ? 2 : 0)) % able.length]!])]
    for (const [method, patch] of methods.flatMap((m) => choicesOf(m, base).map((p) => [m, p] as const))) {
      const piece = {
        ...base,
        mould: withChoice(base.mould, { method, ...patch }, mouldDefaults(stock)),
      } as Piece
      const found = faults({ ...empty, settings, pieces: [piece] }, piece)
      expect([method, patch, found]).toEqual([method, patch, []])
      // As it comes nothing stops it.
      if (method === base.mould.method && patch === AS_IT_COMES) {
        const { findings } = planPiece(kernel, { ...empty, settings, pieces: [piece] }, piece)
        expect([method, findings.filter((f) => f.level === 'stop').map((f) => f.code)]).toEqual([method, []])
      }
    }
  })
})
