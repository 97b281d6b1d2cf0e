/**
 * `npm run bench`: how fast the heart of it is, as ratios against a plain baseline of the same run. Medians; the goals
 * stand in README.md. `npm run bench -- browser` measures the page too (after `npm run build`).
 */
import Module from 'manifold-3d'
import { canonicalJson, type Kernel, openKernel } from '../core/geometry/index.ts'
import { type Job, newOpening, type SlabPiece } from '../core/job/index.ts'
import { stationMemo } from '../core/memo.ts'
import { layOut } from '../core/mould/index.ts'
import { planPiece } from '../core/plan.ts'
import { beaded, testJob, testSlab } from '../core/testing/testPiece.ts'
import { measureBrowser } from './browser.ts'
import { editAll, openDemo } from './demoPieces.ts'
import { timeImport, timePattern } from './importMesh.ts'
import { timePulls, timeRelease } from './release.ts'
import { timeBars, timeMapOfMesh, timeMaps, timePlate, timeRays } from './steel.ts'

/** The packer's Node entry exports nothing; its module file does. */
const packing: typeof import('maxrects-packer') = await import(
  new URL('../node_modules/maxrects-packer/dist/maxrects-packer.mjs', import.meta.url).href
)
const { MaxRectsPacker } = packing

const RUNS = 15

function times(runs: number, work: (i: number) => void): { median: number; worst: number } {
  work(-1)
  const all = Array.from({ length: runs }, (_, i) => {
    const start = performance.now()
    work(i)
    return performance.now() - start
  }).sort((a, b) => a - b)
  return { median: all[Math.floor(all.length / 2)]!, worst: all[Math.floor(all.length * 0.95)]! }
}
const row = (
  what: string,
  ms: { median: number; worst: number },
  baseline: { median: number },
  of: string,
  goal: string,
) =>
  console.log(
    `${what.padEnd(58)} ${ms.median.toFixed(1).padStart(8)} ms ${`(95%: ${ms.worst.toFixed(0)})`.padStart(12)}  ${(ms.median / baseline.median).toFixed(2).padStart(7)} x ${of.padEnd(34)} goal ${goal}`,
  )

/** A slab with 20 openings and a bead all round. */
function bigSlab(): Job {
  const rim = beaded
  const openings = Array.from({ length: 20 }, (_, i) => ({
    ...newOpening(
      `o${i}`,
      `hole ${i}`,
      i % 2
        ? { kind: 'round' as const, diameter: 50 }
        : { kind: 'rectangle' as const, length: 80, width: 60, radius: 12 },
    ),
    u: { rule: 'fromStart', distance: 60 + 170 * (i % 10) } as const,
    v: { rule: 'fromStart', distance: 90 + 240 * Math.floor(i / 10) } as const,
  }))
  return testJob(
    testSlab({
      outline: { kind: 'rectangle', length: 1800, width: 500, radii: [0, 0, 0, 0] },
      openings,
      sides: { front: rim, right: rim, back: rim, left: rim },
    }),
  )
}

const kernel: Kernel = await openKernel()
const bare = await Module()
bare.setup()
const job = bigSlab()
const piece = job.pieces[0]!
const edited = (i: number) => ({ ...(piece as SlabPiece), thickness: 45 + (i + 2) / 100 })

const library = times(RUNS, (i) => {
  const square = bare.CrossSection.square([1800, 500])
  const holes = Array.from({ length: 20 }, (_, k) => {
    const circle = bare.CrossSection.circle(25, 140)
    const moved = circle.translate(85 + 170 * (k % 10), 115 + 240 * Math.floor(k / 10))
    circle.delete()
    return moved
  })
  const cut = bare.CrossSection.difference([square, ...holes])
  const solid = cut.extrude(45 + i / 100)
  solid.volume()
  for (const handle of [square, cut, solid, ...holes]) handle.delete()
})
const memo = stationMemo()
console.log('edit of a slab with 20 openings and a bead')
row(
  '  figures: volume, weight, cut list, sheets, bags',
  times(RUNS, (i) => void planPiece(kernel, job, edited(i), { quick: true, memo })),
  library,
  'bare 2D cut and extrusion',
  '50 ms on screen',
)
row(
  '  solid measured, whole line',
  times(RUNS, (i) => void planPiece(kernel, job, edited(i + 100), { memo })),
  library,
  'bare 2D cut and extrusion',
  '1 s full plan',
)
row(
  '  an edit in the mix panel, from memory',
  times(
    RUNS,
    (i) => void planPiece(kernel, job, { ...piece, mix: { ...piece.mix, wastePercent: i + 2 } }, { memo }),
  ),
  library,
  'bare 2D cut and extrusion',
  'no solid rebuilt',
)
console.log(`  (the document is ${(canonicalJson(job).length / 1000).toFixed(0)} kB)`)

const demo = await openDemo(kernel)
const timed = editAll(kernel, demo, 9)
const spread = (all: readonly number[]) => ({
  median: all[Math.floor(all.length / 2)]!,
  worst: all[Math.floor(all.length * 0.95)]!,
})
console.log(`an edit of each of the ${demo.pieces.length} demo pieces, no edit met twice`)
row('  figures', spread(timed.figures), library, 'bare 2D cut and extrusion', '50 ms')
row('  solid measured', spread(timed.solid), library, 'bare 2D cut and extrusion', '150 ms')
row('  mould parts measured, whole line', spread(timed.mould), library, 'bare 2D cut and extrusion', '300 ms')

const imports = [0, 1, 2].map(() => timeImport(500_000))
console.log(`import of ${imports[0]!.triangles} triangles, closed: ${imports[0]!.closed}`)
const sorted = (pick: (t: (typeof imports)[number]) => number) =>
  spread(imports.map(pick).sort((a, b) => a - b))
row(
  '  volume, open edges, flipped facets, shells',
  sorted((t) => t.healthMs),
  library,
  'bare 2D cut and extrusion',
  '2 s',
)
row(
  '  facets that cross, after that',
  sorted((t) => t.crossingMs),
  library,
  'bare 2D cut and extrusion',
  'with progress and cancel',
)

console.log('steel')
{
  const demo = await openDemo(kernel)
  const once = (ms: number) => ({ median: ms, worst: ms })
  timeMaps(kernel, demo)
  const [slowest] = timeMaps(kernel, demo)
  const rays = once(timeRays(kernel, demo, 'wash-top'))
  row(
    `thickness, slowest demo piece (${slowest!.id})`,
    once(slowest!.ms),
    rays,
    'as many rays by every triangle',
    '1 s',
  )
  for (const id of ['lamp-bollard', 'terrace-planter', 'stargazing-seat']) {
    timeBars(kernel, demo, id)
    const { bars, solid } = timeBars(kernel, demo, id)
    row(`bars of the ${id}`, once(bars), once(solid), 'its solid built and measured', '150 ms')
  }
  timePlate(kernel, demo, 'wash-top')
  const { run, drag, dense } = timePlate(kernel, demo, 'wash-top')
  row('plate of the wash top, all moves', once(run), once(dense), 'a dense system a third as large', '400 ms')
  row('the same, a bearer dragged', once(drag), once(dense), 'a dense system a third as large', '100 ms')
}

console.log('release, the slowest demo piece of each')
{
  const { order, draft, air } = timeRelease(kernel, await openDemo(kernel))
  for (const [what, { id, ms }, goal] of [
    ['  its parts moved out', order, '1 s'],
    ['  draft of every face', draft, '1 s'],
    ['  air that stays', air, '1 s'],
  ] as const)
    row(`${what} (${id})`, { median: ms, worst: ms }, library, 'bare 2D cut and extrusion', goal)
}

console.log('moulds round a pattern of half a million triangles, once its solid is measured')
for (const { method, ms, parts } of timePattern(kernel, 500_000))
  row(`  ${method}, ${parts} parts`, { median: ms, worst: ms }, library, 'bare 2D cut and extrusion', '5 s')

row(
  '  how thick it is, all over',
  { median: timeMapOfMesh(kernel, 'bumpy-ball'), worst: 0 },
  library,
  'bare 2D cut and extrusion',
  '6 s',
)

row(
  '  ways to part it',
  { median: timePulls(kernel, 'bumpy-ball'), worst: 0 },
  library,
  'bare 2D cut and extrusion',
  '5 s',
)

console.log('sheet layout')
const sheet = { length: 2440, width: 1220 }
const random = (() => {
  let s = 7
  return () => {
    s = (s * 16807) % 2147483647
    return s / 2147483647
  }
})()
const list = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    id: `p${i}`,
    length: Math.round(120 + random() * 900),
    width: Math.round(60 + random() * 420),
  }))
const parts = list(60)
let packed = 0
const packer = times(5, () => {
  packed = Math.min(
    ...[0, 1].map((logic) => {
      const p = new MaxRectsPacker(sheet.length, sheet.width, 3, {
        smart: false,
        pot: false,
        square: false,
        allowRotation: true,
        logic,
      })
      for (const part of [...parts].sort((a, b) => b.length * b.width - a.length * a.width))
        p.add(part.length, part.width, part)
      return p.bins.length
    }),
  )
})
let laid = layOut(parts, sheet, { kerf: 3, trim: 0, turnParts: true })
row(
  '  60 parts',
  times(5, () => {
    laid = layOut(parts, sheet, { kerf: 3, trim: 0, turnParts: true })
  }),
  packer,
  'a free-form npm packer',
  '1 s',
)
console.log(
  `  sheets ${laid.sheets.length}, lower bound ${laid.lowerBound}; the packer, which may cut as no saw can, ${packed}`,
)
const long = list(300)
row(
  '  300 parts',
  times(1, () => {
    laid = layOut(long, sheet, { kerf: 3, trim: 0, turnParts: true })
  }),
  packer,
  'a free-form npm packer of 60',
  '5 s',
)
console.log(`  sheets ${laid.sheets.length}, lower bound ${laid.lowerBound}`)

if (process.argv.includes('browser')) await measureBrowser()
