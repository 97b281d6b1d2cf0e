import type { Stock } from '../stock/schema.ts'
import type { Edge, Job, Opening, Piece, Settings } from './schema.ts'
import { JOB_VERSION } from './schema.ts'

export const SQUARE: Edge = { kind: 'square' }
export const squareRim = () => ({ top: SQUARE, bottom: SQUARE })

export const startingSettings = (): Settings => ({ units: 'mm', inchDenominator: 16, people: 2, paper: 'A4' })

/** The first row's id of a stock list, or '' when the list is empty: then the plan says what is missing. */
const firstId = (list: readonly { id: string }[]): string => list[0]?.id ?? 'none'

/** A job with no pieces. `id` is made at the screen's edge. */
export const emptyJob = (id: string, name: string, stock: Stock): Job => ({
  format: 'hollow',
  version: JOB_VERSION,
  id,
  name,
  settings: startingSettings(),
  stock,
  pieces: [],
  runs: [],
  moulds: [],
  pours: [],
})

export type NewSlab = {
  readonly id: string
  readonly name: string
  readonly length: number
  readonly width: number
  readonly thickness: number
  /** Local date-time of the pour. */
  readonly start: string
  readonly zone: string
}

/** A plain slab with the usual choices: poured show face down in a wrapped box of the first board. */
export const newSlab = (
  { id, name, length, width, thickness, start, zone }: NewSlab,
  stock: Stock,
): Piece => ({
  id,
  name,
  kind: 'slab',
  quantity: 1,
  mouldCount: 1,
  plannedCasts: 1,
  exposure: 'dry',
  outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] },
  thickness,
  sides: { front: squareRim(), right: squareRim(), back: squareRim(), left: squareRim() },
  openings: [],
  attitude: { down: 'top', turnDeg: 0 },
  mould: {
    method: 'board-box',
    school: 'wrap',
    corners: 'front-and-back-long',
    runPast: 0,
    baseBoard: firstId(stock.boards),
    sideBoard: firstId(stock.boards),
    baseMargin: 0,
    knockoutBoards: null,
    knockoutBelow: 0,
    wrap: 0,
    sealant: firstId(stock.sealants),
    kerf: 3,
    trim: 10,
    turnParts: true,
  },
  steel: { kind: 'mesh', mesh: firstId(stock.meshes), cover: null, depth: null },
  release: {
    faceAgent: firstId(stock.agents),
    edgeSeal: stock.agents.find((a) => a.kind === 'packing-tape')?.id ?? firstId(stock.agents),
    leftOut: null,
  },
  mix: { mix: firstId(stock.mixes), water: 'medium', wastePercent: null, mixer: firstId(stock.mixers) },
  pour: { start, zone, temperature: { kind: 'constant', degC: 20 }, humidity: 0.5, windKmPerH: 0 },
  finish: { sealer: firstId(stock.sealers), sanding: 'light' },
})

export const newOpening = (id: string, name: string, shape: Opening['shape']): Opening => ({
  id,
  name,
  on: 'top',
  shape,
  fixture: null,
  u: { rule: 'centred', offset: 0 },
  v: { rule: 'centred', offset: 0 },
  row: null,
  rim: squareRim(),
})
