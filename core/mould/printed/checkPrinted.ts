import { sectionAreas, type Vector } from '../../geometry/index.ts'
import type { Change, Finding, Piece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import type { Filament, Printer } from '../../stock/index.ts'
import { UP } from '../bareParts.ts'
import { type CastBody, lockOf, undercut } from '../castBody.ts'
import { finding, wearFindings } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import { type CurvedJoint, heldAlong, jointThatOpens } from '../shells/curvedJoint.ts'
import { cells, type Parting, pullOf } from '../shells/flangedShells.ts'
import { type Bed, firstParting } from './split.ts'

/** Long-term tension a printed wall bears across its layers, MPa [own]. */
const WALL_MPA = 4
/** Parts from which a bed is too small to be of use. */
const MANY = 60
/** An open top smaller than this share of the plan is no opening to fill by. */
const OPEN = 0.02

const choose = (pieceId: string, patch: Partial<Piece['mould']>): Change => ({
  type: 'mouldChosen',
  pieceId,
  patch,
})

/** A bed that leaves nothing beside the flanges, or takes more parts than anybody bolts together: nothing is planned. */
export function tooManyParts(
  input: MethodInput<'printed'>,
  printer: Printer,
  bed: Bed,
  parts: number,
): Finding | null {
  const { mould } = input.piece
  const least = 3 * (mould.shellWall + mould.flange)
  if (Math.min(bed.x, bed.y, bed.z) >= least && parts <= MANY) return null
  return finding(
    input.piece,
    'bed-too-small',
    'stop',
    'choice',
    { parts, bedMm: Math.min(bed.x, bed.y), flangeMm: mould.flange },
    largerBed(input, printer),
  )
}

/** The printer of the stock with a larger bed, as a remedy. */
export function largerBed({ piece, stock }: MethodInput<'printed'>, printer: Printer): Change[] | undefined {
  const larger = stock.printers.find((p) => p.bedX * p.bedY > printer.bedX * printer.bedY)
  return larger && [choose(piece.id, { printer: larger.id })]
}

/** What is wrong with printed shells: their walls, the bed, the fill's pull, whether they leave and can be filled. */
export function checkPrinted(
  input: MethodInput<'printed'>,
  body: CastBody,
  partings: readonly Parting[],
  curve: CurvedJoint | null,
  printer: Printer,
  filament: Filament,
): Finding[] {
  const { piece, quick, mix } = input
  const { mould } = piece
  const found: Finding[] = []
  const lines = Math.max(2, Math.round(mould.shellWall / printer.nozzle)) * printer.nozzle
  if (mould.shellWall < 2 * printer.nozzle - 1e-9)
    found.push(
      finding(
        piece,
        'print-wall-thin',
        mould.shellWall < printer.nozzle ? 'stop' : 'warn',
        'choice',
        { wallMm: mould.shellWall, nozzleMm: printer.nozzle },
        [choose(piece.id, { shellWall: Math.max(lines, 4 * printer.nozzle) })],
      ),
    )
  const tension = (pressureAt(body.height, mix.freshKgPerM3) / 1000) * (Math.max(body.length, body.width) / 2)
  const stress = tension / Math.max(mould.shellWall, 1e-6)
  if (stress > WALL_MPA)
    found.push(
      finding(
        piece,
        'shell-bursts',
        'warn',
        'choice',
        { stressMPa: stress, allowedMPa: WALL_MPA, wallMm: mould.shellWall },
        [choose(piece.id, { shellWall: Math.ceil((tension / WALL_MPA) * 2) / 2 })],
      ),
    )
  found.push(...wearFindings(piece, filament.casts))
  if (quick) return found
  if (mould.seam === 'curve' && !curve)
    found.push(
      finding(piece, 'no-curved-joint', 'note', 'shell/1', {}, [choose(piece.id, { seam: 'straight' })]),
    )
  found.push(...heldAlong(piece, curve, 'shell/1', 'stop'))
  const lock = curve ? null : locksOf(input, body, partings)
  if (lock) {
    const [instead, patch] = otherShells(input, body)
    found.push(
      finding(piece, 'undercut-locks', 'stop', 'shell/1', { ...lock, instead }, [choose(piece.id, patch)]),
    )
  }
  const [top, most] = areasOf(input, body)
  if (top < OPEN * most)
    found.push(
      finding(piece, 'no-fill-opening', 'stop', 'shell/1', { openMm2: Math.round(top) }, [
        choose(piece.id, { method: 'closed' }),
      ]),
    )
  return found
}

/** Shells that leave the cast where those chosen do not, else what is broken off it. */
function otherShells(
  input: MethodInput<'printed'>,
  body: CastBody,
): readonly [instead: string, Partial<Piece['mould']>] {
  const shells = shellsThatOpen(input, body)
  if (shells) return ['', { shells }]
  return jointThatOpens(input.kernel, body)
    ? ['curve', { seam: 'curve', pull: null }]
    : ['layers', { method: 'layers' }]
}

/** Another number of shells that leave the cast; null where none do. */
function shellsThatOpen(input: MethodInput<'printed'>, body: CastBody): 1 | 2 | null {
  const { piece, kernel } = input
  if (piece.mould.shells !== 1) return undercut(kernel, body) === null ? 1 : null
  const halves = { ...input, piece: { ...piece, mould: { ...piece.mould, shells: 2 as const } } }
  return locksOf(halves, body, [firstParting(kernel, body)]) === null ? 2 : null
}

/** Whether a shell cannot leave the cast: one draws off the whole, others leave outward, four on the diagonal. */
function locksOf(
  { kernel, piece }: MethodInput<'printed'>,
  body: CastBody,
  partings: readonly Parting[],
): { heightMm: number; awayMm: number } | null {
  const seams = partings.filter((p) => Math.abs(p.normal[2]) < 0.5)
  if (piece.mould.shells === 1 || seams.length === 0) {
    const under = undercut(kernel, body)
    return under && { heightMm: under.z, awayMm: 0 }
  }
  // Splits beside a seam cut a shell up; it leaves as one.
  const quarters = seams.slice(0, piece.mould.shells === 4 ? 2 : 1)
  for (const cell of cells(quarters)) {
    const way = pullOf(quarters, cell, UP)
    const corner = quarters.reduce((sum, { normal, offset }) => sum + offset * dot(normal, way), 0)
    const reach = Math.hypot(body.length, body.width)
    const within = (x: number, y: number, z: number) =>
      quarters.every(({ normal, offset }, i) => (dot(normal, [x, y, z]) - offset) * cell[i]! > 0)
    const lock = lockOf(kernel, body.recipe, way, corner, corner + reach, within)
    if (lock) return { heightMm: 0, awayMm: lock.at - corner }
  }
  return null
}
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

const areasOf = ({ kernel }: MethodInput<'printed'>, body: CastBody): [number, number] => {
  const heights = [
    body.height - Math.min(0.5, body.height / 50),
    ...[0.25, 0.5, 0.75].map((k) => k * body.height),
  ]
  const areas = heights.map((z) => kernel.withSolids((s) => sectionAreas(s.solid(body.recipe), UP, [z]))[0]!)
  return [areas[0]!, Math.max(...areas)]
}
