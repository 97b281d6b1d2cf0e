import type { Stock, StockList } from '../stock/schema.ts'
import type {
  Edge,
  FinishChoice,
  Job,
  MixChoice,
  MouldChoice,
  Opening,
  OpeningShape,
  Outline,
  Piece,
  PourChoice,
  PourRecord,
  ReleaseChoice,
  Settings,
  SideId,
  SteelChoice,
} from './schema.ts'

type OfPiece = { readonly pieceId: string }
type StockRow = Stock[StockList][number]

/** What can happen to a job. Plain records: reducers, remedies and the command line all use them. */
export type Change =
  | { readonly type: 'jobRenamed'; readonly name: string }
  | { readonly type: 'settingsChanged'; readonly patch: Partial<Settings> }
  | { readonly type: 'pieceAdded'; readonly piece: Piece; readonly at?: number }
  | ({ readonly type: 'pieceRemoved' } & OfPiece)
  | ({
      readonly type: 'pieceDescribed'
      readonly patch: Partial<
        Pick<Piece, 'name' | 'quantity' | 'mouldCount' | 'plannedCasts' | 'exposure' | 'attitude'>
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
  | ({ readonly type: 'openingAdded'; readonly opening: Opening } & OfPiece)
  | ({ readonly type: 'openingRemoved'; readonly openingId: string } & OfPiece)
  | ({
      readonly type: 'openingChanged'
      readonly openingId: string
      readonly patch: Partial<Omit<Opening, 'id'>>
    } & OfPiece)
  | ({ readonly type: 'mouldChosen'; readonly patch: Partial<MouldChoice> } & OfPiece)
  | ({ readonly type: 'steelChosen'; readonly patch: Partial<SteelChoice> } & OfPiece)
  | ({ readonly type: 'releaseChosen'; readonly patch: Partial<ReleaseChoice> } & OfPiece)
  | ({ readonly type: 'mixChosen'; readonly patch: Partial<MixChoice> } & OfPiece)
  | ({ readonly type: 'pourPlanned'; readonly patch: Partial<PourChoice> } & OfPiece)
  | ({ readonly type: 'finishChosen'; readonly patch: Partial<FinishChoice> } & OfPiece)
  | { readonly type: 'stockRowKept'; readonly list: StockList; readonly row: StockRow }
  | { readonly type: 'stockRowRemoved'; readonly list: StockList; readonly rowId: string }
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
    case 'pourLogged':
      return { ...job, pours: [...job.pours, change.pour] }
    case 'pourRemoved':
      return { ...job, pours: without(job.pours, change.pourId, 'pour') }
    default:
      return inPiece(job, change.pieceId, (piece) => changePiece(piece, change))
  }
}

type PieceChange = Exclude<Extract<Change, OfPiece>, { type: 'pieceRemoved' }>

function changePiece(piece: Piece, change: PieceChange): Piece {
  switch (change.type) {
    case 'pieceDescribed':
      return { ...piece, ...change.patch }
    case 'outlineChanged':
      return { ...piece, outline: change.outline }
    case 'thicknessChanged':
      return { ...piece, thickness: change.thickness }
    case 'edgeChanged':
      return {
        ...piece,
        sides: { ...piece.sides, [change.side]: { ...piece.sides[change.side], [change.rim]: change.edge } },
      }
    case 'openingAdded':
      return { ...piece, openings: [...piece.openings, change.opening] }
    case 'openingRemoved':
      return { ...piece, openings: without(piece.openings, change.openingId, 'opening') }
    case 'openingChanged':
      return {
        ...piece,
        openings: replace(piece.openings, change.openingId, 'opening', (o) =>
          fitted({ ...o, ...change.patch }, change.patch),
        ),
      }
    case 'mouldChosen':
      return { ...piece, mould: { ...piece.mould, ...change.patch } }
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

/** An opening drawn round a fixture takes its size from it; one that was given a size of its own lets the fixture go. */
function fitted(opening: Opening, patch: Partial<Opening>): Opening {
  if (patch.shape && patch.fixture === undefined) return { ...opening, fixture: null }
  if (!opening.fixture) return opening
  return { ...opening, shape: openingFor(opening.fixture.shape, opening.fixture.clearance) }
}

/** Finished opening for a fixture: its size + 2 clearances, its radius + the clearance. */
export const openingFor = (fixture: OpeningShape, clearance: number): OpeningShape =>
  fixture.kind === 'round'
    ? { kind: 'round', diameter: fixture.diameter + 2 * clearance }
    : {
        kind: 'rectangle',
        length: fixture.length + 2 * clearance,
        width: fixture.width + 2 * clearance,
        radius: fixture.radius + clearance,
      }
