import type { Stock, StockList } from '../stock/schema.ts'
import { mouldDefaults, plainSide } from './defaults.ts'
import { type MouldPatch, withChoice } from './mouldChoice.ts'
import type {
  BoxPiece,
  Drainer,
  Edge,
  FinishChoice,
  FittedPiece,
  ImportedPiece,
  Insert,
  Job,
  Lettering,
  MixChoice,
  Opening,
  OpeningShape,
  Outline,
  Panel,
  Piece,
  PourChoice,
  PourRecord,
  ReleaseChoice,
  Run,
  Settings,
  Side,
  SideId,
  SlabPiece,
  SteelChoice,
  SweptPiece,
  TurnedPiece,
} from './schema.ts'

type OfPiece = { readonly pieceId: string }
type StockRow = Stock[StockList][number]

/** The fields of one kind of piece that are given as a whole. */
export type ShapePatch =
  | Partial<Pick<SlabPiece, 'basin' | 'thickness'>>
  | Partial<Pick<TurnedPiece, 'turned' | 'rim' | 'bore' | 'sleeve'>>
  | Partial<Pick<SweptPiece, 'corners' | 'width'>>
  | Partial<Omit<BoxPiece, keyof SlabPiece | 'sideHoles'>>
  | Partial<Pick<BoxPiece, 'length' | 'width' | 'height' | 'rim'>>
  | Partial<Pick<ImportedPiece, 'file' | 'mmPerUnit' | 'turn' | 'foot' | 'use'>>
  | Partial<Omit<FittedPiece, keyof SlabPiece>>
  | Partial<Pick<FittedPiece, 'thickness'>>

/** Lists of features that are kept by id. */
export type FeatureItem =
  | { readonly list: 'drainers'; readonly item: Drainer }
  | { readonly list: 'panels'; readonly item: Panel }
  | { readonly list: 'inserts'; readonly item: Insert }
  | { readonly list: 'lettering'; readonly item: Lettering }
  | { readonly list: 'separators'; readonly item: SweptPiece['separators'][number] }
  | { readonly list: 'sideHoles'; readonly item: BoxPiece['sideHoles'][number] }
export type FeatureList = FeatureItem['list']

/** What can happen to a job. Plain records: reducers, remedies and the command line all use them. */
export type Change =
  | { readonly type: 'jobRenamed'; readonly name: string }
  | { readonly type: 'settingsChanged'; readonly patch: Partial<Settings> }
  | { readonly type: 'pieceAdded'; readonly piece: Piece; readonly at?: number }
  | ({ readonly type: 'pieceRemoved' } & OfPiece)
  /** To stand at a place in the row of pieces, from 0; past either end it stands at that end. */
  | ({ readonly type: 'pieceMoved'; readonly to: number } & OfPiece)
  | ({
      readonly type: 'pieceDescribed'
      readonly patch: Partial<
        Pick<
          Piece,
          'name' | 'quantity' | 'mouldCount' | 'plannedCasts' | 'exposure' | 'attitude' | 'run' | 'voidFormer'
        >
      >
    } & OfPiece)
  | ({ readonly type: 'outlineChanged'; readonly outline: Outline } & OfPiece)
  | ({ readonly type: 'thicknessChanged'; readonly thickness: number } & OfPiece)
  | ({
      readonly type: 'edgeChanged'
      readonly side: SideId
      readonly rim: 'top' | 'bottom'
      readonly edge: Edge
    } & OfPiece)
  | ({ readonly type: 'sideChanged'; readonly side: SideId; readonly patch: Partial<Side> } & OfPiece)
  | ({ readonly type: 'shapeChanged'; readonly patch: ShapePatch } & OfPiece)
  /** Adds the feature, or puts it in the place of the one with its id. */
  | ({ readonly type: 'featureKept' } & FeatureItem & OfPiece)
  | ({ readonly type: 'featureRemoved'; readonly list: FeatureList; readonly featureId: string } & OfPiece)
  | ({ readonly type: 'openingAdded'; readonly opening: Opening } & OfPiece)
  | ({ readonly type: 'openingRemoved'; readonly openingId: string } & OfPiece)
  | ({
      readonly type: 'openingChanged'
      readonly openingId: string
      readonly patch: Partial<Omit<Opening, 'id'>>
    } & OfPiece)
  | ({ readonly type: 'mouldChosen'; readonly patch: MouldPatch } & OfPiece)
  | ({ readonly type: 'steelChosen'; readonly patch: Partial<SteelChoice> } & OfPiece)
  | ({ readonly type: 'releaseChosen'; readonly patch: Partial<ReleaseChoice> } & OfPiece)
  | ({ readonly type: 'mixChosen'; readonly patch: Partial<MixChoice> } & OfPiece)
  | ({ readonly type: 'pourPlanned'; readonly patch: Partial<PourChoice> } & OfPiece)
  | ({ readonly type: 'finishChosen'; readonly patch: Partial<FinishChoice> } & OfPiece)
  | { readonly type: 'stockRowKept'; readonly list: StockList; readonly row: StockRow }
  | { readonly type: 'stockRowRemoved'; readonly list: StockList; readonly rowId: string }
  | { readonly type: 'stockReplaced'; readonly stock: Stock }
  | { readonly type: 'runKept'; readonly run: Run }
  | { readonly type: 'runRemoved'; readonly runId: string }
  | { readonly type: 'pourLogged'; readonly pour: PourRecord }
  | { readonly type: 'pourRemoved'; readonly pourId: string }

/** Thrown for a change that names what is not there: a bug of the caller, not of the maker. */
const missing = (what: string, id: string): never => {
  throw new Error(`no ${what} ${id} in the job`)
}

function replace<T extends { id: string }>(
  list: readonly T[],
  id: string,
  what: string,
  change: (item: T) => T,
): T[] {
  if (!list.some((item) => item.id === id)) missing(what, id)
  return list.map((item) => (item.id === id ? change(item) : item))
}

function without<T extends { id: string }>(list: readonly T[], id: string, what: string): T[] {
  if (!list.some((item) => item.id === id)) missing(what, id)
  return list.filter((item) => item.id !== id)
}

/** The next cast is looked over anew, and no pour goes on. */
const unticked = (job: Job, pieceId: string): Job => ({
  ...job,
  pieces: job.pieces.map((p) =>
    p.id === pieceId ? { ...p, pour: { ...p.pour, ticked: {}, running: null } } : p,
  ),
})

const inPiece = (job: Job, id: string, change: (piece: Piece) => Piece): Job => ({
  ...job,
  pieces: replace(job.pieces, id, 'piece', change),
})

/** The job after a change; the one given stays as it was. */
export function applyChange(job: Job, change: Change): Job {
  switch (change.type) {
    case 'jobRenamed':
      return { ...job, name: change.name }
    case 'settingsChanged':
      return { ...job, settings: { ...job.settings, ...change.patch } }
    case 'pieceAdded':
      return { ...job, pieces: job.pieces.toSpliced(change.at ?? job.pieces.length, 0, change.piece) }
    case 'pieceRemoved':
      return { ...job, pieces: without(job.pieces, change.pieceId, 'piece') }
    case 'pieceMoved': {
      const piece = job.pieces.find((p) => p.id === change.pieceId) ?? missing('piece', change.pieceId)
      const to = Math.max(0, Math.min(change.to, job.pieces.length - 1))
      return { ...job, pieces: without(job.pieces, change.pieceId, 'piece').toSpliced(to, 0, piece) }
    }
    case 'stockRowKept': {
      const rows = job.stock[change.list] as StockRow[]
      const known = rows.some((row) => row.id === change.row.id)
      const next = known
        ? rows.map((row) => (row.id === change.row.id ? change.row : row))
        : [...rows, change.row]
      return { ...job, stock: { ...job.stock, [change.list]: next } }
    }
    case 'stockRowRemoved':
      return {
        ...job,
        stock: {
          ...job.stock,
          [change.list]: without(job.stock[change.list] as StockRow[], change.rowId, 'row'),
        },
      }
    case 'stockReplaced':
      return { ...job, stock: change.stock }
    case 'runKept':
      return { ...job, runs: kept(job.runs, change.run) }
    case 'runRemoved':
      return {
        ...job,
        runs: without(job.runs, change.runId, 'run'),
        pieces: job.pieces.map((p) => (p.run?.run === change.runId ? { ...p, run: null } : p)),
      }
    case 'pourLogged':
      return unticked({ ...job, pours: [...job.pours, change.pour] }, change.pour.pieceId)
    case 'pourRemoved':
      return { ...job, pours: without(job.pours, change.pourId, 'pour') }
    default:
      return inPiece(job, change.pieceId, (piece) => changePiece(piece, change, job.stock))
  }
}

type PieceChange = Exclude<Extract<Change, OfPiece>, { type: 'pieceRemoved' | 'pieceMoved' }>

/** The list with an item added, or in the place of the one with its id. */
const kept = <T extends { id: string }>(list: readonly T[], item: T): T[] =>
  list.some((old) => old.id === item.id)
    ? list.map((old) => (old.id === item.id ? item : old))
    : [...list, item]

/** A slab's own change on another kind of piece is a bug of the caller. */
function asSlab(piece: Piece, change: PieceChange): SlabPiece {
  if (piece.kind !== 'slab') throw new Error(`${change.type} is for slabs; ${piece.id} is ${piece.kind}`)
  return piece
}

function changePiece(piece: Piece, change: PieceChange, stock: Stock): Piece {
  switch (change.type) {
    case 'pieceDescribed':
      return { ...piece, ...change.patch }
    case 'outlineChanged': {
      const slab = asSlab(piece, change)
      return { ...slab, outline: change.outline, sides: sidesFor(change.outline, slab.sides) }
    }
    case 'thicknessChanged':
      return { ...asSlab(piece, change), thickness: change.thickness }
    case 'edgeChanged':
      return changeSide(asSlab(piece, change), change.side, { [change.rim]: change.edge })
    case 'sideChanged':
      return changeSide(asSlab(piece, change), change.side, change.patch)
    case 'shapeChanged':
      return { ...piece, ...change.patch } as Piece
    case 'featureKept':
      return keepFeature(piece, change.list, (list) => kept(list, change.item))
    case 'featureRemoved':
      return keepFeature(piece, change.list, (list) => without(list, change.featureId, change.list))
    case 'openingAdded': {
      const slab = asSlab(piece, change)
      return { ...slab, openings: [...slab.openings, change.opening] }
    }
    case 'openingRemoved': {
      const slab = asSlab(piece, change)
      return { ...slab, openings: without(slab.openings, change.openingId, 'opening') }
    }
    case 'openingChanged': {
      const slab = asSlab(piece, change)
      return {
        ...slab,
        openings: replace(slab.openings, change.openingId, 'opening', (o) =>
          fitted({ ...o, ...change.patch }, change.patch),
        ),
      }
    }
    case 'mouldChosen':
      return { ...piece, mould: withChoice(piece.mould, change.patch, mouldDefaults(stock)) }
    case 'steelChosen':
      return { ...piece, steel: { ...piece.steel, ...change.patch } }
    case 'releaseChosen':
      return { ...piece, release: { ...piece.release, ...change.patch } }
    case 'mixChosen':
      return { ...piece, mix: { ...piece.mix, ...change.patch } }
    case 'pourPlanned':
      return { ...piece, pour: { ...piece.pour, ...change.patch } }
    case 'finishChosen':
      return { ...piece, finish: { ...piece.finish, ...change.patch } }
  }
}

function changeSide(slab: SlabPiece, side: SideId, patch: Partial<Side>): SlabPiece {
  const old = slab.sides[side] ?? missing('side', side)
  return { ...slab, sides: { ...slab.sides, [side]: { ...old, ...patch } } }
}

/** A treatment for each side of an outline: known sides keep theirs, new ones are plain. */
export function sidesFor(outline: Outline, sides: SlabPiece['sides']): SlabPiece['sides'] {
  const ids =
    outline.kind === 'rectangle' ? ['front', 'right', 'back', 'left'] : outline.corners.map((c) => c.side)
  return Object.fromEntries(ids.map((id) => [id, sides[id] ?? plainSide()]))
}

function keepFeature(
  piece: Piece,
  list: FeatureList,
  change: (items: readonly { id: string }[]) => { id: string }[],
): Piece {
  const items = (piece as unknown as Record<string, unknown>)[list]
  if (!Array.isArray(items)) throw new Error(`a ${piece.kind} has no ${list}`)
  return { ...piece, [list]: change(items) } as Piece
}

/** An opening drawn round a fixture takes its size from it; one that was given a size of its own lets the fixture go. */
function fitted(opening: Opening, patch: Partial<Opening>): Opening {
  if (patch.shape && patch.fixture === undefined) return { ...opening, fixture: null }
  if (!opening.fixture) return opening
  return { ...opening, shape: openingFor(opening.fixture.shape, opening.fixture.clearance) }
}

/** Finished opening for a fixture: its size + 2 clearances, its radius + the clearance. A drawn outline stays itself. */
export function openingFor(fixture: OpeningShape, clearance: number): OpeningShape {
  switch (fixture.kind) {
    case 'round':
      return { kind: 'round', diameter: fixture.diameter + 2 * clearance }
    case 'slot':
      return { kind: 'slot', length: fixture.length + 2 * clearance, width: fixture.width + 2 * clearance }
    case 'rectangle':
      return {
        kind: 'rectangle',
        length: fixture.length + 2 * clearance,
        width: fixture.width + 2 * clearance,
        radius: fixture.radius + clearance,
      }
    case 'polygon':
      return fixture
  }
}
