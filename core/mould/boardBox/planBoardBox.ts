import type { Piece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import type { PieceStation } from '../../piece/index.ts'
import { massOf } from '../../units/convert.ts'
import { bowedSides } from '../bowedSides.ts'
import { checkMould } from '../checkMould.ts'
import { type BuiltMould, type MouldMethod, NO_STRAPS } from '../method.ts'
import { partDensity, partVolume } from '../partMass.ts'
import type { MouldFact } from '../types.ts'
import { asBoxed, whyNoBox } from './boxedSlab.ts'
import { type BarePart, boxParts, perimeterOf } from './boxParts.ts'
import { holdDownForce, screwRows, screwSpacing, sealantRows } from './fixings.ts'
import { formers } from './formers.ts'
import { LIFE } from './life.ts'

/** Hours to build [own]: one, and a quarter for each strip; a skin with its ribs a half, 0.2 a knockout. */
const HOURS = { box: 1, strip: 0.25, skin: 0.5, knockout: 0.2, former: 0.4 }
export const boardBoxMethod: MouldMethod = {
  id: 'board-box',
  name: 'board box',
  why: whyNoBox,
  reason: 'flat work with upright sides: cheap, quick, accurate to the saw',
  finish: 'smooth from faced board, arrises from the sealant bead',
  build(input) {
    const { piece: any, pieceStation, stock, mix } = input
    const piece = asBoxed(any)!
    const base = stock.boards.find((b) => b.id === piece.mould.baseBoard)
    const side = stock.boards.find((b) => b.id === piece.mould.sideBoard)
    const sealant = stock.sealants.find((s) => s.id === piece.mould.sealant)
    const { knockoutBoards } = piece.mould
    const laminate = stock.boards.filter((b) => knockoutBoards === null || knockoutBoards.includes(b.id))
    const findings = checkMould.stock(piece as Piece, { base, side, sealant })
    if (!base || !side || !sealant) return { built: null, findings }
    const { geometry, figures } = pieceStation
    const skin = stock.skins.find((s) => s.id === piece.mould.skin)
    const box = boxParts(piece, geometry, { base, side, laminate, skin, freshKgPerM3: mix.freshKgPerM3 })
    const formed = formers(
      input,
      piece,
      geometry,
      box.filter((p) => p.role === 'knockout' || p.role === 'wrap'),
    )
    const parts = [...box, ...formed]
    const { spacing, holds } = screwSpacing(piece, base, side, mix)
    const bowing = bowedSides(piece, parts, side, mix, holds)
    const raw = parts.filter((p) => p.role === 'knockout' || p.role === 'corner')
    const count = (role: BarePart['role']) => parts.filter((p) => p.role === role).length
    const life = Math.min(
      LIFE[base.material],
      LIFE[side.material],
      count('skin') > 0 ? (skin?.casts ?? 1) : Infinity,
    )
    const built: BuiltMould = {
      parts,
      materials: [],
      alternatives: [],
      screws: screwRows(piece, geometry, parts, base, side, spacing),
      sealant: sealantRows(piece, geometry),
      facts: formed.length > 0 ? formerFacts(formed) : [],
      holdDown: parts
        .filter((p) => p.role === 'knockout' || (p.role === 'former' && p.pull[2] > 0))
        .map((p) => {
          const volume = partVolume(p)
          const force = holdDownForce(volume, massOf(volume, partDensity(p, stock)), mix.freshKgPerM3)
          return {
            partId: p.id,
            name: p.name,
            holdForceN: force,
            screws: Math.max(Math.min(p.lengthMm, p.widthMm) < 60 ? 1 : 2, Math.ceil(force / base.screwHold)),
          }
        }),
      bowing,
      straps: NO_STRAPS,
      tapeLengthMm: raw.reduce(
        (sum, p) => sum + rawEdgeLength(p, geometry.openings) * Math.ceil(p.thicknessMm / 50),
        0,
      ),
      hours:
        HOURS.former * formed.length +
        HOURS.box +
        HOURS.strip * count('strip') +
        HOURS.skin * count('skin') +
        HOURS.knockout * raw.length,
      life,
      faceM2: figures.surfaceAreaM2,
      depth: piece.thickness,
      check: (layouts) =>
        checkMould.parts(
          piece,
          parts,
          layouts,
          { holds, pressure: pressureAt(piece.thickness, mix.freshKgPerM3), casts: life, bowing },
          stock,
        ),
    }
    return { built, findings }
  },
}

/** What is fixed in the box beside its boards. */
const formerFacts = (formed: readonly BarePart[]): MouldFact[] => [
  {
    label: 'Formers',
    value: formed.length,
    unit: '',
    note: 'of sealed board, foam or print, each checked against the drawing as it lies',
  },
  { label: 'They fill', value: formed.reduce((sum, p) => sum + p.mass!.volume, 0) / 1e6, unit: 'L' },
]

const rawEdgeLength = (part: BarePart, openings: PieceStation['geometry']['openings']): number => {
  if (part.role === 'corner') return (Math.PI / 2) * part.lengthMm
  const opening = openings.find((o) => `knockout/${o.key}` === part.id)
  return opening ? perimeterOf(opening) : 0
}
